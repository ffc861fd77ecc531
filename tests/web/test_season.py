"""A year of the Book: each batch counts once, milk and time of bases with it, and what came stands beside what was told."""

import json
import sqlite3

import pytest

from mulvek.web.app import create_app, stop
from tests.kitchens import Clock
from tests.web.test_making import POT, begin, happens, look
from tests.web.test_story import KALAKAND, boil_down, curdle, finish, price  # noqa: F401

DAY_S = 86_400.0


def season(client, **query):
    answer = client.get("/api/season", query_string=query)
    assert answer.status_code == 200, answer.json
    return answer.json


def reduce(client, clock, litres=1.0, gave=0.95, **more):
    made = begin(client, "reduce", {**POT, "amount": f"{litres} L", "stop": "half", "sugar": ""}, **more)
    clock.now += 900
    happens(client, made["id"], kind="first_boil")
    clock.now += 2400
    happens(client, made["id"], kind="off")
    clock.now += 60
    happens(client, made["id"], kind="weighed", mass_kg=round(made["served_kg"]["likely"] * gave, 3))
    return made


def test_an_empty_year_is_empty(client):
    told = season(client)
    assert told["whole"]["batches"] == 0 and told["months"] == [] and told["strips"] == [] and told["years"] == []


def test_a_reduction_is_its_milk_its_weight_and_its_minutes(client, clock):
    made = reduce(client, clock)
    told = season(client)
    assert told["whole"]["milk_m3"] == pytest.approx(1e-3)
    assert told["whole"]["made_kg"] == pytest.approx(look(client, made["id"])["weighed_kg"])
    assert told["whole"]["feet_s"] == pytest.approx(3300)  # lit to off
    assert told["whole"]["milks"] == {"farm milk": pytest.approx(1e-3)}
    [month] = told["months"]
    assert month["month"].startswith(str(told["year"])) and month["sum"] == told["whole"]


def test_a_making_counts_once_with_the_milk_of_its_bases(client, clock):
    sweet = begin(client, "sweet", KALAKAND)
    milk = boil_down(client, sweet)
    clock.now += 900
    happens(client, milk["id"], kind="first_boil")
    clock.now += 1800
    happens(client, milk["id"], kind="off")
    happens(client, milk["id"], kind="weighed", mass_kg=0.3)
    chhena = curdle(client, clock, sweet, "C", 0.9)
    finish(client, clock, sweet)
    told = season(client)["whole"]
    assert told["batches"] == 3
    assert told["made_kg"] == pytest.approx(look(client, sweet["id"])["weighed_kg"])  # its bases are in it
    took = sum(client.get(f"/api/book/{b['id']}/story").json["river"][0]["in_kg"] for b in (milk, chhena))
    assert told["milk_m3"] * 1030 == pytest.approx(took, rel=0.01)


def test_a_sweet_whose_bases_were_ticked_off_brings_its_own_milk(client, clock):
    sweet = begin(client, "sweet", KALAKAND)
    finish(client, clock, sweet)
    rows = [row for row in sweet["rows"] if row["when"] in ("to reduce", "to curdle")]
    assert season(client)["whole"]["milk_m3"] * 1030 == pytest.approx(sum(row["grams"] for row in rows) / 1e3)


def test_what_is_not_over_or_was_given_up_is_no_season(client, clock):
    begin(client, "reduce", {**POT, "amount": "1 L", "stop": "half", "sugar": ""})
    given_up = begin(client, "strain", {"amount": "1 kg", "end": "shrikhand"})
    happens(client, given_up["id"], kind="abandoned")
    assert season(client)["whole"]["batches"] == 0


def test_what_was_thrown_away_is_told_with_why(client, clock):
    made = reduce(client, clock)
    weighed = look(client, made["id"])["weighed_kg"]
    sweet = begin(client, "sweet", {**KALAKAND, "want": "6"})
    taken = client.post(
        f"/api/batches/{sweet['id']}/take", json={"batch": made["id"], "slot": "R", "amount": "100 g"}
    )
    assert taken.status_code == 201, taken.json
    happens(client, made["id"], kind="gone", of="", why="spoiled")
    told = season(client)["whole"]
    assert told["lost"] == {"spoiled": pytest.approx(weighed - 0.1)} and told["lost_kg"] == told["lost"]["spoiled"]
    eaten = reduce(client, clock)
    happens(client, eaten["id"], kind="gone", of="", why="used-up")
    assert season(client)["whole"]["lost"] == told["lost"]


def test_money_is_the_sweets_own_and_of_milk_by_itself_its_packs(client, clock, price):  # noqa: F811
    reduce(client, clock, litres=2.0)
    assert season(client)["whole"]["paid"] == pytest.approx(2 * price["milk_l"])
    sweet = begin(client, "sweet", KALAKAND)
    finish(client, clock, sweet)
    cost = client.get(f"/api/book/{sweet['id']}/story").json["money"]["planned"]
    assert season(client)["whole"]["paid"] == pytest.approx(2 * price["milk_l"] + cost)


def test_each_figure_stands_beside_what_was_told(client, clock):
    for gave in (1.0, 0.6, 1.02):
        reduce(client, clock, gave=gave)
        clock.now += DAY_S
    strips = {s["of"]: s for s in season(client)["strips"]}
    points = strips["weight"]["points"]
    assert [p["times"] for p in points] == [pytest.approx(x, abs=0.01) for x in (1.0, 0.6, 1.02)]
    assert [p["within"] for p in points] == [True, False, True]
    assert strips["weight"]["within"] == pytest.approx(2 / 3) and strips["weight"]["drift"] is None
    assert all(p["low"] < 1 < p["high"] for p in points)


def test_a_milk_that_thins_shows(client, clock):
    for share in (1.0, 1.01, 0.99, 0.86, 0.85, 0.87):
        made = begin(client, "curdle", {**POT, "amount": "2 L"})
        told = client.post("/api/bench/curdle", json={**POT, "amount": "2 L"}).json["curd_kg"]["likely"]
        clock.now += 5400
        happens(client, made["id"], kind="weighed", mass_kg=round(told * share, 3))
        clock.now += DAY_S
    milk = next(s for s in season(client)["strips"] if s["of"] == "chhena")
    assert milk["milk"] == "farm milk" and len(milk["points"]) == 6
    assert milk["drift"] < 0.95


def test_years_are_apart(client, clock):
    reduce(client, clock)
    clock.now += 400 * DAY_S
    reduce(client, clock)
    newest = season(client)
    assert len(newest["years"]) == 2 and newest["year"] == newest["years"][0]
    assert [season(client, year=y)["whole"]["batches"] for y in newest["years"]] == [1, 1]
    assert season(client, year=1999)["whole"]["batches"] == 0
    assert client.get("/api/season?year=soon").status_code == 422


def test_lines_of_a_former_release_are_added_up_and_damaged_ones_left_out(tmp_path, templates):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    with sqlite3.connect(file) as made:
        for number, line in made.execute("SELECT id, summary FROM batch WHERE finished").fetchall():
            old = {key: value for key, value in json.loads(line).items() if key != "season"}
            made.execute("UPDATE batch SET summary = ? WHERE id = ?", (json.dumps(old), number))
    app = create_app(file, clock=Clock())
    client = app.test_client()
    first = season(client)
    assert first["whole"]["batches"] > 3 and first["pending"] == 0
    with sqlite3.connect(file) as made:
        made.execute("""UPDATE batch SET summary = json_set(summary, '$.season.milk_m3', 'much') WHERE id = 4""")
    stop(app)
    app = create_app(file, clock=Clock())
    after = season(app.test_client())
    assert after["whole"]["batches"] == first["whole"]["batches"] - 1
    stop(app)
