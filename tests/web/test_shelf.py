"""The shelf: what is left of what was made, each gram once, with the uses that Sweets itself would tell."""

import pytest

from tests.web.test_making import POT, begin, happens, look


def shelf(client):
    return {(t["batch"], t["of"]): t for t in client.get("/api/shelf").json["things"]}


@pytest.fixture
def curd(client, clock):
    """Chhena with its whey, both weighed."""
    made = begin(client, "curdle", {**POT, "amount": "3 L"})["id"]
    clock.now += 3600
    happens(client, made, kind="whey", mass_kg=2.1)
    happens(client, made, kind="weighed", mass_kg=0.52)
    return made


def test_a_curd_stands_there_with_its_whey(client, clock, curd):
    there = shelf(client)
    chhena, whey = there[curd, ""], there[curd, "whey"]
    assert (chhena["kind"], chhena["mass_kg"], chhena["gave_kg"]) == ("curdle", 0.52, 0.52)
    assert (whey["kind"], whey["mass_kg"]) == ("whey", 2.1) and whey["since_s"] == clock.now
    assert "flour" in whey["uses"][0]["says"] and not whey["uses"][0]["words"]
    # the Book keeps it with the batch's line, and the bases of Sweets have the same days
    line = client.get("/api/book").json["lines"][0]
    assert line["beside"]["whey"]["kg"] == 2.1
    base = client.get("/api/sweets/bases").json["bases"][0]
    assert base["fridge_days"] == chhena["fridge_days"] and base["mass_kg"] == chhena["mass_kg"]


def test_each_use_is_what_sweets_says_of_it(client, clock, curd):
    uses = shelf(client)[curd, ""]["uses"]
    assert {"sponge balls", "kalakand"} <= {use["name"] for use in uses}
    for use in uses:
        letter, amount = use["words"]["have"].split("=")
        words = {
            "sweet": use["words"]["sweet"],
            "school": use["words"]["school"],
            "bases": {letter: str(curd)},
            "have": [{"what": letter, "amount": amount}],
            "whole_packs": False,
        }
        told = client.post("/api/sweets/plan", json=words).json
        assert use["says"].split()[0] == f"{told['pieces']['likely']:.0f}", use


def test_what_a_sweet_takes_is_not_offered_again(client, clock, curd):
    sweet = begin(client, "sweet", {"sweet": "sponge-balls", "want": "12", "pan": 2, "burner": 1})
    client.post(f"/api/batches/{sweet['id']}/take", json={"slot": "C", "batch": curd, "amount": "200 g"})
    left = shelf(client)[curd, ""]
    assert left["mass_kg"] == pytest.approx(0.32) and left["gave_kg"] == 0.52
    counts = [int(use["says"].split()[0]) for use in left["uses"] if use["name"] == "sponge balls"]
    assert counts and counts[0] < 30


def test_sauce_and_dough_that_are_left_stand_there_as_they_were_weighed(client, clock):
    """With the solids and the days that were told of them; a later weighing counts, none is both there and gone."""
    sweet = begin(client, "sweet", {"sweet": "milk-poli", "want": "12", "pan": 2, "burner": 1})
    number = sweet["id"]
    assert [(left["of"], left["name"], left["mass_kg"]) for left in sweet["leaves"]] == [
        ("sauce", "nut milk", None),
        ("dough", "dough", None),
    ]
    for step in sweet["steps"]:
        happens(client, number, kind="step_done", step=step["key"])
    happens(client, number, kind="counted", count=12)
    for of, kg in (("sauce", 0.4), ("dough", 0.09), ("sauce", 0.35)):
        happens(client, number, kind="left_weighed", of=of, mass_kg=kg)
        clock.now += 60
    there = shelf(client)
    told = client.post("/api/sweets/plan", json={"sweet": "milk-poli", "want": "12", "pan": 2, "burner": 1}).json
    for of, kg in (("sauce", 0.35), ("dough", 0.09)):
        thing, said = there[number, of], told["leaves"][of]
        assert (thing["kind"], thing["mass_kg"], thing["fridge_days"]) == (of, kg, said["fridge_days"])
        assert thing["total_solids"] == pytest.approx(said["total_solids"])
    rabri = there[number, "sauce"]["uses"][0]
    assert rabri["name"] == "rabri" and "boiled on" in rabri["says"]
    assert look(client, number)["leaves"][0]["mass_kg"] == 0.35
    happens(client, number, kind="gone", why="used-up", of="sauce")
    assert (number, "sauce") not in shelf(client) and (number, "dough") in shelf(client)
    again = client.post(
        f"/api/batches/{number}/events", json={"event": {"kind": "gone", "why": "spilt", "of": "sauce"}}
    )
    assert again.status_code == 409  # it is there no more
    happens(client, number, kind="left_weighed", of="sauce", mass_kg=0.1)  # more of it was found
    assert shelf(client)[number, "sauce"]["mass_kg"] == 0.1
    # what is not made for it is not left of it
    kulfi = begin(client, "sweet", {"sweet": "kulfi", "want": "12", "pan": 2, "burner": 1})
    assert kulfi["leaves"] == []
    event = {"event": {"kind": "left_weighed", "of": "dough", "mass_kg": 0.1}}
    answer = client.post(f"/api/batches/{kulfi['id']}/events", json=event)
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "of"


def test_each_goes_by_itself_and_comes_back_undone(client, clock, curd):
    happens(client, curd, kind="gone", why="used-up", of="whey")
    assert (curd, "whey") not in shelf(client) and (curd, "") in shelf(client)
    again = client.post(f"/api/batches/{curd}/events", json={"event": {"kind": "gone", "why": "spilt", "of": "whey"}})
    assert again.status_code == 409 and again.json["fields"][0]["path"] == "of"
    happens(client, curd, kind="undo", event_id=look(client, curd)["undo_id"])
    assert shelf(client)[curd, "whey"]["mass_kg"] == 2.1
    happens(client, curd, kind="gone", why="spoiled")
    assert (curd, "") not in shelf(client) and (curd, "whey") in shelf(client)
    assert look(client, curd)["log"][0]["text"] == "what was left was thrown away: spoiled"


def test_syrup_stands_there_once_the_pieces_are_out_of_it(client, clock):
    words = {"sweet": "sponge-balls", "want": "20", "pan": 2, "burner": 1}
    told = client.post("/api/sweets/plan", json=words).json
    sweet = begin(client, "sweet", words)
    early = client.post(
        f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "gone", "why": "spilt", "of": "syrup"}}
    )
    assert early.status_code == 409
    for step in sweet["steps"]:
        clock.now += 600
        happens(client, sweet["id"], kind="step_done", step=step["key"])
        assert (sweet["id"], "syrup") not in shelf(client)
    happens(client, sweet["id"], kind="counted", count=20)
    syrup = shelf(client)[sweet["id"], "syrup"]
    assert syrup["mass_kg"] == pytest.approx(told["syrup"]["left_kg"])
    assert 100 * syrup["total_solids"] == pytest.approx(told["syrup"]["left_brix"])
    assert syrup["fridge_days"] == told["syrup"]["left_keeps_days"]
    assert len(syrup["uses"]) == len(told["syrup"]["makes"])
    happens(client, sweet["id"], kind="gone", why="used-up", of="syrup")
    assert (sweet["id"], "syrup") not in shelf(client) and look(client, sweet["id"])["finished"]


@pytest.mark.parametrize("of", ["whey", "syrup"])
def test_milk_that_was_boiled_down_has_nothing_beside_it(client, clock, of):
    pan = begin(client, "reduce", {**POT, "amount": "2 L", "stop": "half its volume", "sugar": ""})["id"]
    for seconds, event in ((900, "first_boil"), (2400, "off")):
        clock.now += seconds
        happens(client, pan, kind=event)
    happens(client, pan, kind="weighed", mass_kg=0.98)
    answer = client.post(f"/api/batches/{pan}/events", json={"event": {"kind": "gone", "why": "spilt", "of": of}})
    assert answer.status_code == 409
    there = shelf(client)
    assert list(there) == [(pan, "")] and there[pan, ""]["kind"] == "reduce"


def test_an_empty_kitchen_has_an_empty_shelf(client):
    assert client.get("/api/shelf").json["things"] == []


def shopping(client):
    return {line["name"]: line for line in client.get("/api/shopping").json["lines"]}


def test_the_list_is_what_is_still_wanted_in_packs(client, clock):
    client.put("/api/larder/milks/5", json={"name": "farm milk", "fat_pct": 6.9, "snf_pct": 9.73, "species": "buffalo",
                                            "pack_ml": 500, "price": 30.0, "version": 1})  # fmt: skip
    sugar = {"name": "sugar", "base": "white-sugar", "pack_g": 1000, "price": 46.0}
    assert client.post("/api/larder/ingredients", json=sugar).status_code == 201
    assert shopping(client) == {}
    words = {"sweet": "kulfi", "school": "reduced", "want": "12", "pan": 2, "burner": 1, "milk": 5}
    one = begin(client, "sweet", words)
    milk = next(row for row in one["rows"] if row["when"] == "to reduce")
    listed = shopping(client)[milk["name"]]
    assert listed["kg"] * 1e3 == pytest.approx(milk["grams"]) and listed["sweets"] == ["sweet"]
    assert listed["packs"] == -(-listed["kg"] // listed["pack_kg"]) and listed["price"] == listed["packs"] * 30.0
    # twice the same is one line, in whole packs of both together
    begin(client, "sweet", words)
    both = shopping(client)[milk["name"]]
    assert both["kg"] == pytest.approx(2 * listed["kg"]) and both["packs"] <= 2 * listed["packs"]
    total = client.get("/api/shopping").json["total"]
    assert total == pytest.approx(sum(line["price"] or 0 for line in shopping(client).values()))


def test_what_is_weighed_begun_or_taken_from_the_shelf_is_not_bought(client, clock, curd):
    sweet = begin(client, "sweet", {"sweet": "sponge-balls", "want": "12", "pan": 2, "burner": 1})
    names = set(shopping(client))
    assert any("milk" in name for name in names) and not any(name == "water" for name in names)
    client.post(f"/api/batches/{sweet['id']}/take", json={"slot": "C", "batch": curd, "amount": ""})
    assert not any("milk" in name for name in shopping(client))
    sugar = next(row for row in sweet["rows"] if "sugar" in row["name"])
    happens(client, sweet["id"], kind="row_weighed", row=sugar["number"], mass_kg=0.4)
    assert sugar["name"] not in shopping(client)
    happens(client, sweet["id"], kind="abandoned")
    assert shopping(client) == {}
