"""Two batches of one thing side by side, what differed and what it explains; and the Book narrowed to what is looked for."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.core.mending.beside import alike, differences
from mulvek.core.mending.faults import fault, faults_of
from tests.web.test_making import POT, begin, happens
from tests.web.test_season import reduce
from tests.web.test_story import KALAKAND, boil_down, kalakand  # noqa: F401

READINGS = ("longest-gap", "over-target", "late-heat", "pan-full", "iron-pan", "sugar-in-at")
values = st.dictionaries(st.sampled_from(READINGS), st.floats(-20, 60).map(lambda x: round(x, 2)))
FIRE = faults_of(("reduced", "rabri", "khoya"))


def pair(client, a, b):
    return client.get("/api/book/beside", query_string={"a": a, "b": b})


@given(values, values)
def test_the_same_is_found_whichever_stands_first(first, second):
    found, same = differences(first, second, FIRE)
    back, alike_too = differences(second, first, FIRE)
    assert [(d.reading, d.explains) for d in found] == [(d.reading, d.explains) for d in back]
    assert same == alike_too and {d.reading for d in found} | set(same) == first.keys() & second.keys()
    assert [d.explains for d in found] == sorted((d.explains for d in found), reverse=True)
    assert differences(first, first, FIRE) == ([], sorted(first))


def test_what_explains_is_what_moves_the_cause_of_the_fault():
    dry, plain = {"longest-gap": 9.0, "pan-full": 20.0}, {"longest-gap": 1.0, "pan-full": 60.0}
    [first, *_], _ = differences(dry, plain, [fault("scorched")])
    assert (first.reading, first.fault) == ("longest-gap", "scorched") and first.explains > 1
    none, _ = differences(dry, plain, [])
    assert [d.explains for d in none] == [0.0, 0.0]


def test_small_steps_are_alike():
    assert alike(3.0, 3.05) and not alike(3.0, 3.5) and not alike(0.0, 1.0)


def test_the_batch_that_stayed_on_stands_out(client, clock):
    first, second = reduce(client, clock), reduce(client, clock, gave=0.75)
    happens(client, second["id"], kind="fault_found", fault="too-thick-cold", answers={}, cause="", next_time=False)
    told = pair(client, first["id"], second["id"]).json
    [most, *_] = told["differs"]
    assert most["reading"] == "over-target" and most["why"] and most["explains"] > 1
    assert "under the weight told" in most["second"]
    assert told["second"]["wrong"] == [most["fault"]] and told["words"] == []
    back = pair(client, second["id"], first["id"]).json
    assert back["differs"][0]["first"] == most["second"]


def test_what_was_planned_otherwise_is_told_by_name(client, clock):
    first = reduce(client, clock)
    other = begin(client, "reduce", {**POT, "pan": 1, "amount": "2 L", "stop": "half", "sugar": "50 g"})
    words = {w["word"]: (w["first"], w["second"]) for w in pair(client, first["id"], other["id"]).json["words"]}
    pans = {p["id"]: p["name"] for p in client.get("/api/larder").json["pans"]}
    assert words["pan"] == (pans[2], pans[1])
    assert words["amount"] == ("1.0 L", "2 L") and words["sugar"] == ("", "50 g") and "burner" not in words


def test_only_two_of_one_thing(client, clock, kalakand):  # noqa: F811
    sweet, milk, _ = kalakand
    wrong = pair(client, sweet["id"], milk["id"])
    assert wrong.status_code == 409 and wrong.json["fields"][0]["path"] == "b"
    assert pair(client, milk["id"], milk["id"]).status_code == 422
    assert pair(client, milk["id"], 999).status_code == 404
    again = begin(client, "sweet", KALAKAND)
    assert pair(client, sweet["id"], again["id"]).status_code == 200


def test_the_story_offers_the_others_of_the_same(client, clock):
    batches = [reduce(client, clock)["id"] for _ in range(8)]
    begin(client, "reduce", {**POT, "amount": "1 L", "stop": "half", "sugar": ""})  # it is not over
    others = client.get(f"/api/book/{batches[-1]}/story").json["others"]
    assert [o["id"] for o in others] == batches[-2:-8:-1]
    sweet = begin(client, "sweet", KALAKAND)
    happens(client, sweet["id"], kind="abandoned")
    balls = begin(client, "sweet", {"sweet": "sponge-balls", "want": "12", "milk": 5, "pan": 2, "burner": 1})
    assert client.get(f"/api/book/{balls['id']}/story").json["others"] == []


def lines(client, **query):
    told = client.get("/api/book", query_string={"limit": 100, **query}).json
    assert told["total"] == len(told["lines"])
    return [line["id"] for line in told["lines"]]


def test_a_base_stands_with_its_sweet(client, kalakand):  # noqa: F811
    sweet, milk, chhena = kalakand
    assert set(lines(client)) == {sweet["id"], milk["id"], chhena["id"]}
    told = client.get("/api/book?bases=false").json
    assert [line["id"] for line in told["lines"]] == [sweet["id"]] and told["total"] == 1
    assert told["lines"][0]["parts"] == ["reduce", "curdle"]
    assert lines(client, kind="curdle") == [chhena["id"]]


def test_the_book_is_narrowed_by_milk_pan_year_and_how_it_was_cold(client, clock):
    first = reduce(client, clock)["id"]
    happens(client, first, kind="judged", how="too-thin")
    other = {"milk": "cow", "pan": 1, "burner": 2, "amount": "1 L", "stop": "half", "sugar": ""}
    second = begin(client, "reduce", other)["id"]
    clock.now += 400 * 86_400
    third = reduce(client, clock)["id"]
    assert lines(client, milk=5) == [third, first] and lines(client, pan=1) == [second]
    assert lines(client, cold="too-thin") == [first] and lines(client, cold="right") == []
    years = client.get("/api/season").json["years"]
    assert lines(client, year=years[0]) == [third] and lines(client, year=years[-1]) == [second, first]
    assert lines(client, milk=5, year=years[-1], find="reduce") == [first]
    assert lines(client, milk=5, wrong=True) == []


@pytest.mark.parametrize("query", ["milk=none", "pan=-1", "year=20", "cold=lukewarm", "bases=perhaps"])
def test_what_cannot_be_looked_for_names_itself(client, query):
    answer = client.get(f"/api/book?{query}")
    assert answer.status_code == 422 and query.split("=")[0] in answer.json["fields"][0]["path"]


def test_a_milk_for_a_sweet_is_found_by_its_milk_too(client, clock):
    sweet = begin(client, "sweet", KALAKAND)
    milk = boil_down(client, sweet)
    assert set(lines(client, milk=5)) == {sweet["id"], milk["id"]}
