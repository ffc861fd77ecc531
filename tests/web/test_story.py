"""A batch as the Book tells it: from which milk each piece came, what was told and what was weighed, what it cost, how long it
kept. One test per thing a cook would look up."""

import pytest

from tests.kitchens import MILK
from tests.web.test_making import POT, begin, happens, look, weigh

KALAKAND = {"sweet": "kalakand", "want": "20", "pan": 2, "burner": 1, "milk": 5, "whole_packs": False}


def story(client, batch):
    answer = client.get(f"/api/book/{batch}/story")
    assert answer.status_code == 200, answer.json
    return answer.json


def boil_down(client, sweet):
    """Its milk by the words of its own step, on the Bench."""
    words = next(s["bench_words"] for s in sweet["steps"] if s["base"] == "R")
    plan = {**POT, "amount": words["amount"], "stop": words["stop"], "sugar": ""}
    return begin(client, "reduce", plan, parent=sweet["id"], slot="R")


def curdle(client, clock, sweet, slot, share):
    """Its chhena by the words of its own step, weighed at a share of what was told."""
    words = next(s["bench_words"] for s in sweet["steps"] if s["base"] == slot)
    made = begin(
        client, "curdle", {"milk": 5, "amount": words["amount"], "pan": 2, "burner": 2}, parent=sweet["id"], slot=slot
    )
    clock.now += 5400
    happens(client, made["id"], kind="weighed", mass_kg=round(made["told_kg"]["likely"] * share, 3))
    return made


def finish(client, clock, sweet, **count):
    for step in look(client, sweet["id"])["steps"]:
        now = next(s for s in look(client, sweet["id"])["steps"] if s["key"] == step["key"])
        if now["phase"] != "done":
            clock.now += 600
            happens(client, sweet["id"], kind="step_done", step=step["key"])
    told = look(client, sweet["id"])["told_kg"]["likely"]
    happens(client, sweet["id"], kind="weighed", mass_kg=round(told * 0.95, 3))
    return happens(client, sweet["id"], kind="counted", count=count.get("count", 17))


@pytest.fixture
def kalakand(client, clock):
    """Made of two milks, both bases a tenth light."""
    sweet = begin(client, "sweet", KALAKAND)
    milk = boil_down(client, sweet)
    weigh(client, clock, milk, round(milk["served_kg"]["likely"] * 0.9, 3))
    chhena = curdle(client, clock, sweet, "C", 0.9)
    finish(client, clock, sweet)
    return sweet, milk, chhena


def test_the_river_begins_with_the_milk_and_ends_with_the_pieces(client, kalakand):
    sweet, milk, chhena = kalakand
    told = story(client, sweet["id"])
    river = {reach["key"]: reach for reach in told["river"]}
    ends = [r for r in told["river"] if not r["into"]]
    assert len(ends) == 1 and ends[0]["weighed"]
    assert ends[0]["out_kg"] == pytest.approx(look(client, sweet["id"])["weighed_kg"])
    # each milk flows into the step of its own base, and on from there
    for base, slot in ((milk, "R"), (chhena, "C")):
        source = river[f"{base['id']}.milk"]
        assert source["batch"] == base["id"] and source["name"].endswith("of farm milk")
        key, seen = source["into"], []
        while key in river:
            seen.append(key)
            key = river[key]["into"]
        assert f"base-{slot}" in seen and seen[-1] == ends[0]["key"]
    # what every reach but the sources takes in, it was given by those before it or by the weighing list
    for key, reach in river.items():
        came = sum(r["out_kg"] for r in told["river"] if r["into"] == key)
        assert reach["in_kg"] >= came - 1e-9, key
        if key.startswith("base-"):  # its milk, with the water that rinsed it
            assert reach["in_kg"] == pytest.approx(came)


def test_it_says_what_came_into_it_and_each_base_where_it_went(client, kalakand):
    sweet, milk, chhena = kalakand
    told = story(client, sweet["id"])
    parts = {part["id"]: part for part in told["parts"]}
    assert set(parts) == {milk["id"], chhena["id"]}
    for base in (milk, chhena):
        weighed = look(client, base["id"])["weighed_kg"]
        assert parts[base["id"]]["kg"] == pytest.approx(weighed)
        went = story(client, base["id"])["went_into"]
        assert [(w["id"], pytest.approx(w["kg"])) for w in went] == [(sweet["id"], weighed)]
        # alone it has its own river: in by its milk, out by what was weighed
        own = story(client, base["id"])["river"]
        assert own[0]["what"] == "milk" and own[-1]["out_kg"] == pytest.approx(weighed)
        assert own[-1]["told_kg"] > weighed


def test_what_was_told_at_first_stays_beside_what_was_told_of_the_bases(client, kalakand):
    sweet, _, _ = kalakand
    told = story(client, sweet["id"])
    assert told["first_kg"] == sweet["told_kg"] and told["first_pieces"] == sweet["told_pieces"]
    assert told["line"]["told_kg"]["likely"] < told["first_kg"]["likely"]
    last = next(r for r in told["river"] if not r["into"])
    assert last["told_kg"] == pytest.approx(told["first_kg"]["likely"])


def test_a_part_that_was_taken_brings_its_share_of_the_milk(client, clock):
    chhena = begin(client, "curdle", {**POT, "amount": "3 L"})
    clock.now += 5400
    happens(client, chhena["id"], kind="weighed", mass_kg=0.5)
    sweet = begin(client, "sweet", {**KALAKAND, "want": "8"})
    answer = client.post(
        f"/api/batches/{sweet['id']}/take", json={"batch": chhena["id"], "slot": "C", "amount": "200 g"}
    )
    assert answer.status_code == 201, answer.json
    told = story(client, sweet["id"])
    milk = next(r for r in told["river"] if r["key"] == f"{chhena['id']}.milk")
    whole = story(client, chhena["id"])["river"][0]
    assert milk["in_kg"] == pytest.approx(0.4 * whole["in_kg"])
    assert story(client, chhena["id"])["went_into"] == [
        {"id": sweet["id"], "kind": "sweet", "name": "sweet", "slot": "C", "kg": pytest.approx(0.2)}
    ]


def test_money_follows_what_was_weighed(client, clock, price):
    """Milk at 4 a litre of five hundred: as much dearer as more of it went in."""
    sweet = begin(client, "sweet", KALAKAND)
    before = story(client, sweet["id"])["money"]
    assert before["planned"] == pytest.approx(before["spent"]) and before["each"] is None
    sugar = next(row for row in sweet["rows"] if "sugar" in row["name"])
    happens(client, sweet["id"], kind="row_weighed", row=sugar["number"], mass_kg=sugar["grams"] / 1e3 + 0.1)
    after = story(client, sweet["id"])["money"]
    assert after["planned"] == before["planned"]
    assert after["spent"] - after["planned"] == pytest.approx(0.1 * price["sugar_kg"])
    finish(client, clock, sweet, count=20)
    counted = story(client, sweet["id"])["money"]
    assert counted["each"] == pytest.approx(counted["spent"] / 20)


def test_a_base_costs_what_its_own_milk_cost(client, clock, price):
    """Another half litre is poured to the milk on the fire: the base is so much dearer, and the sweet with it."""
    sweet = begin(client, "sweet", KALAKAND)
    milk = boil_down(client, sweet)
    planned = story(client, sweet["id"])["money"]["spent"]
    clock.now += 900
    happens(client, milk["id"], kind="first_boil")
    happens(client, milk["id"], kind="milk_added", amount="500 ml", celsius=20)
    own = story(client, milk["id"])["money"]
    assert own["spent"] - own["planned"] == pytest.approx(0.5 * price["milk_l"], rel=0.01)
    assert story(client, sweet["id"])["money"]["spent"] - planned == pytest.approx(0.5 * price["milk_l"], rel=0.01)


@pytest.fixture
def price(client):
    """The kitchen's milk and sugar have a price."""
    packed = {**MILK, "pack_ml": 1000, "price": 60.0, "version": 1}
    assert client.put("/api/larder/milks/5", json=packed).status_code == 200
    sugar = {"base": "white-sugar", "name": "sugar", "pack_g": 1000, "price": 45.0}
    answer = client.post("/api/larder/ingredients", json=sugar)
    assert answer.status_code == 201, answer.json
    return {"sugar_kg": 45.0, "milk_l": 60.0}


def test_how_long_it_kept_is_told_once_it_is_gone(client, clock, kalakand):
    sweet, _, _ = kalakand
    kept = story(client, sweet["id"])["kept"]
    assert kept["told"] and kept["gone_at_s"] is None
    clock.now += 2 * 86_400
    happens(client, sweet["id"], kind="gone", of="", why="spoiled")
    kept = story(client, sweet["id"])["kept"]
    assert kept["why"] == "spoiled" and kept["gone_at_s"] - kept["made_at_s"] == pytest.approx(2 * 86_400, abs=2)
    again = client.post(
        f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "gone", "of": "", "why": "spilt"}}
    )
    assert again.status_code == 409
    client.post(
        f"/api/batches/{sweet['id']}/events",
        json={"event": {"kind": "undo", "event_id": look(client, sweet["id"])["log"][0]["event_id"]}},
    )
    assert story(client, sweet["id"])["kept"]["gone_at_s"] is None


def test_a_sweet_that_is_not_made_is_not_gone(client):
    sweet = begin(client, "sweet", KALAKAND)
    early = client.post(
        f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "gone", "of": "", "why": "spilt"}}
    )
    assert early.status_code == 409 and early.json["fields"][0]["path"] == "of"


def test_what_was_said_of_it_stands_apart_from_notes(client, kalakand):
    sweet, _, _ = kalakand
    for about, text in (("cold", "soft"), ("guests", "more, please"), ("", "grate finer")):
        happens(client, sweet["id"], kind="note", text=text, about=about)
    notes = story(client, sweet["id"])["notes"]
    assert [(n["about"], n["text"]) for n in notes] == [
        ("cold", "soft"),
        ("guests", "more, please"),
        ("", "grate finer"),
    ]
    lines = [line["text"] for line in look(client, sweet["id"])["log"][:3]]
    assert lines == ["grate finer", "who ate it said: more, please", "when cold: soft"]
    wrong = client.post(
        f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "note", "text": "x", "about": "moon"}}
    )
    assert wrong.status_code == 422
    # found by what was said of it, as by any note
    assert client.get("/api/book?find=more, please").json["total"] == 1


def test_each_kind_has_a_river_that_ends_with_what_it_gave(client, clock):
    strained = begin(client, "strain", {"amount": "1 kg", "end": "shrikhand"})
    caramel = begin(
        client,
        "caramel",
        {
            "sugar": "150 g",
            "butter": "30 g",
            "milk": 5,
            "milk_amount": "400 ml",
            "solids": "70 %",
            "pan": 2,
            "burner": 1,
        },
    )
    assert [r["what"] for r in story(client, strained["id"])["river"]] == ["yoghurt", "hung"]
    assert [r["what"] for r in story(client, caramel["id"])["river"]] == ["sugar", "caramel"]
    clock.now += 6 * 3600
    happens(client, strained["id"], kind="weighed", mass_kg=0.41)
    last = story(client, strained["id"])["river"][-1]
    assert last["out_kg"] == pytest.approx(0.41) and last["weighed"] and last["in_kg"] == pytest.approx(1.0)


def test_none_of_that_number(client):
    answer = client.get("/api/book/999/story")
    assert answer.status_code == 404 and "999" in answer.json["detail"]


def test_a_base_that_was_given_up_is_no_part_and_one_on_the_fire_is(client, clock):
    sweet = begin(client, "sweet", KALAKAND)
    spilt = boil_down(client, sweet)
    happens(client, spilt["id"], kind="abandoned")
    again = boil_down(client, sweet)
    told = story(client, sweet["id"])
    assert [(part["id"], part["kg"]) for part in told["parts"]] == [(again["id"], 0.0)]
    assert {reach["batch"] for reach in told["river"]} == {None, again["id"]}
    assert told["line"]["parts"] == ["reduce"]
