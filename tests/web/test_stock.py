"""What there is of plain things: counted in the cook's words, less by what goes into batches, taken off what is to buy."""

import pytest

from tests.kitchens import words

DAY_S = 86_400.0
SWEET = {"sweet": "kalakand", "want": "24 pieces", "milk": 5}


def count(client, line):
    answer = client.put("/api/stock", json={"line": line})
    assert answer.status_code == 200, answer.json
    return {thing["key"]: thing for thing in answer.json["things"]}


def left(client):
    return {t["key"]: t["left_kg"] for t in client.get("/api/stock").json["things"]}


def to_buy(client):
    return {line["key"]: line for line in client.get("/api/shopping").json["lines"]}


def begin(client, kind, plan, **more):
    answer = client.post("/api/batches", json={"batch": {"kind": kind, "name": kind, "plan": plan, **more}})
    assert answer.status_code == 201, answer.json
    return answer.json


def begun(client):
    return begin(client, "sweet", SWEET)


def happens(client, batch, **event):
    answer = client.post(f"/api/batches/{batch}/events", json={"event": event})
    assert answer.status_code == 201, answer.json
    return answer.json


@pytest.mark.parametrize(
    ("line", "key", "kg"),
    [
        ("2 kg sugar", "white-sugar", 2.0),
        ("1 lb of sugar", "white-sugar", 0.4536),
        ("half a kilo of jaggery", "jaggery", 0.5),
        ("3 L farm milk", "milk:5", 3.11),
        ("25 g cardamom", "cardamom", 0.025),
    ],
)
def test_it_is_counted_in_the_cooks_own_words(client, line, key, kg):
    found = count(client, line)[key]
    assert found["counted_kg"] == pytest.approx(kg, rel=0.01)
    assert found["left_kg"] == found["counted_kg"]


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("sugar", "How much white sugar?"),
        ("2 kg moondust", "do not know what that is"),
        ("2 packets of sugar", "does not stand in the Larder"),
        ("900 kg sugar", "more than a kitchen holds"),
        ("0 kg sugar", ""),
        ("boil it till thick", "no amount of a thing"),
        ("", ""),
    ],
)
def test_what_cannot_be_counted_is_refused_by_its_line_and_changes_nothing(client, line, says):
    count(client, "2 kg sugar")
    answer = client.put("/api/stock", json={"line": line})
    [refused] = answer.json["fields"]
    assert answer.status_code == 422 and refused["path"] == "line"
    assert says in refused["message"] and refused["fix"]
    assert left(client) == {"white-sugar": 2.0}


def test_a_pack_of_the_larder_is_understood(client):
    new = {"name": "corner sugar", "base": "white-sugar", "pack_g": 750}
    assert client.post("/api/larder/ingredients", json=new).status_code == 201
    found = count(client, "2 packets of sugar")["white-sugar"]
    assert found["counted_kg"] == pytest.approx(1.5) and found["name"] == "corner sugar"


def test_what_there_is_is_taken_off_what_is_to_buy(client):
    begun(client)
    before = to_buy(client)
    sugar, milk = before["white-sugar"]["kg"], before["milk:5"]["kg"]
    count(client, f"{sugar * 1e3 / 2:.3f} g sugar")
    after = to_buy(client)
    assert after["white-sugar"]["kg"] == pytest.approx(sugar / 2, abs=1e-5)
    assert after["white-sugar"]["kg"] + after["white-sugar"]["there_kg"] == pytest.approx(sugar, abs=1e-9)
    assert after["milk:5"]["kg"] == milk
    count(client, "5 kg sugar")
    assert "white-sugar" not in to_buy(client)
    assert client.get("/api/shopping").json["enough"] == ["white sugar"]


def test_packs_are_those_that_are_short(client):
    new = {"name": "corner sugar", "base": "white-sugar", "pack_g": 50, "price": 2.0}
    client.post("/api/larder/ingredients", json=new)
    begun(client)
    before = to_buy(client)["white-sugar"]
    count(client, "50 g sugar")
    after = to_buy(client)["white-sugar"]
    assert after["packs"] == before["packs"] - 1 and after["price"] == before["price"] - 2.0


def test_it_goes_out_as_it_goes_in_and_an_undone_step_brings_it_back(client, clock):
    count(client, "1 kg sugar")
    count(client, "10 kg farm milk")
    clock.now += 60
    making = begun(client)
    number = making["id"]
    place, sugar = next((n, row) for n, row in enumerate(making["rows"]) if row["name"] == "white sugar")
    assert left(client) == {"white-sugar": 1.0, "milk:5": 10.0}, "nothing went in yet"
    happens(client, number, kind="row_weighed", row=place, mass_kg=0.2)
    assert left(client)["white-sugar"] == pytest.approx(0.8)
    undone = client.get(f"/api/batches/{number}").json["undo_id"]
    happens(client, number, kind="undo", event_id=undone)
    assert left(client)["white-sugar"] == 1.0
    for step in making["steps"]:
        happens(client, number, kind="step_done", step=step["key"])
    now = left(client)
    assert now["white-sugar"] == pytest.approx(1.0 - sugar["grams"] / 1e3, abs=2e-4)
    milks = sum(row["grams"] for row in making["rows"] if row["when"] in ("to reduce", "to curdle"))
    assert now["milk:5"] == pytest.approx(10.0 - milks / 1e3, abs=2e-3), "both bases were ticked by hand"


def test_what_is_lit_for_a_sweet_takes_its_own_milk_once(client, clock):
    count(client, "10 kg farm milk")
    clock.now += 60
    making = begun(client)
    begin(client, "reduce", words(sugar=""), parent=making["id"], slot="R")
    after = 10.0 - left(client)["milk:5"]
    assert 2.0 < after < 2.1
    happens(client, making["id"], kind="step_done", step="base-R")
    assert 10.0 - left(client)["milk:5"] == pytest.approx(after), "the tick of a base that was lit takes nothing more"


def test_a_lone_reduction_takes_milk_sugar_and_what_enriches_it(client, clock):
    for line in ("4 kg farm milk", "1 kg sugar"):
        count(client, line)
    clock.now += 60
    begin(client, "reduce", words(sugar="90 g", sugar_time="start"))
    now = left(client)
    assert now["white-sugar"] == pytest.approx(0.91) and 1.9 < now["milk:5"] < 2.0


def test_sugar_midway_goes_out_when_it_goes_in_and_what_is_parted_takes_nothing_new(client, clock):
    for line in ("4 kg farm milk", "1 kg sugar"):
        count(client, line)
    clock.now += 60
    lit = begin(client, "reduce", words(sugar="90 g", sugar_time="midway"))
    assert left(client)["white-sugar"] == 1.0
    clock.now += 900
    happens(client, lit["id"], kind="first_boil")
    clock.now += 300
    happens(client, lit["id"], kind="sugar_in", mass_kg=0.08)
    before = left(client)
    assert before["white-sugar"] == pytest.approx(0.92)
    clock.now += 60
    client.post("/api/larder/burners", json={"name": "another", "kind": "lpg-small"})
    burner = client.get("/api/larder").json["burners"][-1]["id"]
    part = client.post(
        f"/api/batches/{lit['id']}/part", json={"name": "half of it", "share": 0.5, "pan": 1, "burner": burner}
    )
    assert part.status_code == 201, part.json
    assert left(client) == pytest.approx(before)


def test_a_base_that_stood_weighed_takes_no_milk_again(client, clock):
    base = begin(client, "reduce", words(sugar=""))
    for seconds, event in ((900, {"kind": "first_boil"}), (2400, {"kind": "off"})):
        clock.now += seconds
        happens(client, base["id"], **event)
    happens(client, base["id"], kind="weighed", mass_kg=1.0)
    count(client, "10 kg farm milk")
    clock.now += 60
    making = begun(client)
    taken = client.post(f"/api/batches/{making['id']}/take", json={"slot": "R", "batch": base["id"], "amount": ""})
    assert taken.status_code in (200, 201), taken.json
    assert left(client)["milk:5"] == 10.0


def test_what_went_in_before_it_was_counted_is_not_taken_off(client, clock):
    making = begun(client)
    for step in making["steps"]:
        happens(client, making["id"], kind="step_done", step=step["key"])
    clock.now += 60
    count(client, "1 kg sugar")
    assert left(client) == {"white-sugar": 1.0}


def test_more_went_in_than_was_counted_leaves_none(client, clock):
    count(client, "10 g sugar")
    clock.now += 60
    making = begun(client)
    for step in making["steps"]:
        happens(client, making["id"], kind="step_done", step=step["key"])
    assert left(client) == {"white-sugar": 0.0}


def test_an_old_count_is_said_and_no_longer_believed(client, clock):
    count(client, "5 kg sugar")
    clock.now += 61 * DAY_S
    begun(client)
    assert left(client) == {"white-sugar": None}
    assert "white-sugar" in to_buy(client)
    count(client, "5 kg sugar")
    assert "white-sugar" not in to_buy(client)


@pytest.mark.parametrize(("line", "key"), [("3 L farm milk", "milk:5"), ("500 g khoya", None), ("1 kg mango", None)])
def test_what_spoils_is_believed_for_three_days(client, clock, line, key):
    found = count(client, line)
    assert key is None or key in found
    clock.now += 2.9 * DAY_S
    assert None not in left(client).values()
    clock.now += 0.2 * DAY_S
    assert set(left(client).values()) == {None}


def test_what_is_counted_no_more_is_bought_again(client):
    begun(client)
    count(client, "5 kg sugar")
    assert client.delete("/api/stock/white-sugar").json["things"] == []
    assert "white-sugar" in to_buy(client)
    assert client.delete("/api/stock/never-there").status_code == 200


def test_a_milk_that_was_taken_out_of_the_larder_is_not_listed(client):
    count(client, "3 L farm milk")
    milk = next(m for m in client.get("/api/larder").json["milks"] if m["id"] == 5)
    assert client.delete(f"/api/larder/milks/5?version={milk['version']}").status_code == 200
    assert client.get("/api/stock").json["things"] == []
