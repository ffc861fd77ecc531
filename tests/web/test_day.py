"""The Day over HTTP: planned, looked at, begun, slipped; what cannot be is named."""

import csv
import io
import json
import re
from datetime import datetime, timedelta

import pytest
from icalendar import Calendar
from sqlalchemy import text

from mulvek.core.messages.figures import say
from mulvek.files.day_papers import Act, Burns, DayPaper, day_sheets
from mulvek.files.sheet import Line, Text
from mulvek.web.day import paper_of
from mulvek.web.day_search import SEARCHERS
from mulvek.wire.day_plan import KeptDayOut

H = 3600.0
SUPPER = [
    {"plan": {"sweet": "kalakand", "want": "24"}},
    {"plan": {"sweet": "basundi", "want": "1.2 kg"}},
    {"plan": {"sweet": "carrot-halwa", "want": "for 10 people"}, "spare_min": 15},
]


@pytest.fixture
def supper(clock):
    night = {"start_s": clock() + 14 * H, "end_s": clock() + 22 * H, "kind": "asleep"}
    return {"sweets": SUPPER, "serve_s": clock() + 34 * H, "away": [night]}


def planned(client, day) -> dict:
    answer = client.post("/api/day/plan", json=day)
    assert answer.status_code == 200, answer.json
    return answer.json


def begun(client, day, plan, **more):
    placed = [{k: t[k] for k in ("key", "start_s", "end_s", "hob", "pot")} for t in plan["tasks"]]
    body = {"name": "Supper", "day": day, "planned_at_s": plan["planned_at_s"], "tasks": placed, "query": "people=40"}
    return client.post("/api/days", json={**body, **more})


def test_a_supper_is_planned_with_this_kitchens_own_minutes(client, clock, supper):
    plan = planned(client, supper)
    assert plan["late_min"] == 0 and plan["said"] == [] and plan["spare_min"] >= 0
    assert [s["name"] for s in plan["sweets"]] == ["kalakand", "basundi", "carrot halwa"]
    assert 0.5 < plan["chance"] <= min(s["chance"] for s in plan["sweets"]) <= 1
    larder = client.get("/api/larder").json
    assert plan["hobs"] == [b["name"] for b in larder["burners"]] and plan["pots"] == [
        p["name"] for p in larder["pans"]
    ]
    # what the Day says of a sweet is what Sweets says of it
    sweet = client.post("/api/sweets/plan", json={"sweet": "basundi", "want": "1.2 kg"}).json
    steps = {s["step"]["key"]: s["step"]["seconds"]["likely"] for s in sweet["steps"]}
    mine = [t for t in plan["tasks"] if t["sweet"] == 1]
    assert {t["step"] for t in mine} == set(steps)
    cool = next(t for t in mine if t["step"] == "cool")
    assert cool["end_s"] - cool["start_s"] == pytest.approx(steps["cool"], abs=60)
    # nothing while one sleeps, nothing before it may begin, nothing ready after its hour
    for task in plan["tasks"]:
        assert task["start_s"] >= clock()
        asleep = supper["away"][0]
        assert not task["load"] or task["end_s"] <= asleep["start_s"] or task["start_s"] >= asleep["end_s"]
    assert all(s["ready_s"] + s["buffer_min"] * 60 <= s["due_s"] for s in plan["sweets"])
    assert all(task["act"] and (task["hob"] is None) == (task["flame"] is None) for task in plan["tasks"])


def test_fewer_burners_and_a_helper_are_another_day(client, supper):
    plan = planned(client, {**supper, "burners": 1})
    assert len(plan["hobs"]) == 1 and {t["hob"] for t in plan["tasks"]} == {None, 0}
    own_hour = {**supper, "sweets": [*SUPPER[:2], {**SUPPER[2], "due_s": supper["serve_s"] - 4 * H}]}
    assert planned(client, own_hour)["sweets"][2]["due_s"] == supper["serve_s"] - 4 * H


def test_it_may_begin_three_days_before(client, clock, supper):
    early = {**supper, "serve_s": clock() + 71 * H, "start_s": clock()}
    assert planned(client, early)["late_min"] == 0
    far = client.post("/api/day/plan", json={**early, "serve_s": clock() + 200 * H})
    assert far.status_code == 422 and far.json["fields"][0]["path"] == "start_s"


def test_it_is_looked_at_in_a_process_of_its_own(client, supper):
    plan = planned(client, supper)
    answer = client.post("/api/day/look", json={**supper, "seconds": 0.5})
    found = [json.loads(line) for line in answer.text.splitlines() if line.strip()]
    assert answer.mimetype == "application/x-ndjson" and found[-1]["over"]
    costs = [one["plan"]["cost"] for one in found if one["plan"]]
    assert costs and costs == sorted(costs, reverse=True) and costs[-1] <= plan["cost"] + 1e-6
    assert all(one["cure"] is None for one in found)  # nothing is late


def shown(plan) -> list[dict]:
    return [{k: t[k] for k in ("key", "start_s", "end_s", "hob", "pot")} for t in plan["tasks"]]


def looked_for(client, day, **more) -> list[dict]:
    answer = client.post("/api/day/look", json={**day, **more})
    assert answer.status_code == 200, answer.json
    return [json.loads(line) for line in answer.text.splitlines() if line.strip()]


def test_one_searcher_is_kept_warm_and_a_search_that_dies_leaves_the_last_plan(client, supper, monkeypatch):
    planned(client, supper)
    warm = SEARCHERS._warm
    assert warm is not None and warm.poll() is None
    taken = SEARCHERS.take()
    assert taken is warm
    monkeypatch.setattr(SEARCHERS, "take", lambda: taken)
    lines = client.post("/api/day/look", json={**supper, "seconds": 30}).iter_encoded()
    first = next(line for line in lines if line.strip())
    assert json.loads(first)["plan"]
    taken.kill()  # whatever ends it: what it found stands, and the answer ends in order
    rest = [json.loads(line) for line in lines if line.strip()]
    assert rest[-1]["over"] and taken.poll() is not None
    monkeypatch.undo()
    assert SEARCHERS._warm is not None and SEARCHERS._warm is not taken
    SEARCHERS.close()
    assert SEARCHERS._warm is None


def test_a_step_is_put_elsewhere_and_stays_there_while_a_calmer_way_is_looked_for(client, supper):
    plan = planned(client, supper)
    by = {t["key"]: t for t in plan["tasks"]}
    task = max((t for t in plan["tasks"] if t["flame"]), key=lambda t: t["start_s"])
    to = {**supper, "tasks": shown(plan), "task": task["key"]}
    answer = client.post("/api/day/move", json={**to, "to_s": task["start_s"] - 15 * 60})
    assert answer.status_code == 200, answer.json
    moved = answer.json
    after = {t["key"]: t for t in moved["plan"]["tasks"]}
    assert after[task["key"]]["start_s"] == task["start_s"] - 15 * 60 and task["key"] in moved["pins"]
    assert {k for k in by if (by[k]["start_s"], by[k]["hob"]) != (after[k]["start_s"], after[k]["hob"])} == set(
        moved["moved"]
    )
    # another burner, with what is held already
    other = client.post(
        "/api/day/move",
        json={
            **supper,
            "tasks": shown(moved["plan"]),
            "pins": moved["pins"],
            "task": task["key"],
            "to_s": after[task["key"]]["start_s"],
            "hob": 1 - min(1, task["hob"]),
        },
    )
    assert other.status_code == 200, other.json
    burner = {t["key"]: t["hob"] for t in other.json["plan"]["tasks"]}
    assert burner[task["key"]] == 1 - min(1, task["hob"])
    # looked for from there: nothing that is held moves, and no plan is worse
    found = looked_for(
        client, supper, seconds=1.5, tasks=shown(other.json["plan"]), pins=other.json["pins"]
    )  # fmt: skip
    held = {t["key"]: (t["start_s"], t["hob"]) for t in other.json["plan"]["tasks"] if t["key"] in other.json["pins"]}
    for one in found:
        if one["plan"]:
            assert one["plan"]["cost"] < other.json["plan"]["cost"]
            assert {t["key"]: (t["start_s"], t["hob"]) for t in one["plan"]["tasks"] if t["key"] in held} == held
    # and it is begun as it is shown
    assert begun(client, supper, other.json["plan"]).status_code == 201


@pytest.mark.parametrize(
    ("change", "status", "path"),
    [
        ({"task": "0/nothing"}, 422, "task"),
        ({"hob": 90}, 422, "hob"),
        ({"pins": ["0/nothing"]}, 422, "pins"),
        ({"tasks": []}, 409, "tasks"),
        ({"to_s": 60.0}, 422, "task"),
    ],
)
def test_what_cannot_be_moved_says_why(client, supper, change, status, path):
    plan = planned(client, supper)
    task = next(t for t in plan["tasks"] if t["flame"])
    body = {**supper, "tasks": shown(plan), "task": task["key"], "to_s": task["start_s"] - 300}
    answer = client.post("/api/day/move", json=body | change)
    assert answer.status_code == status and answer.json["fields"][0]["path"] == path
    assert answer.json["fields"][0]["fix"]


def test_pins_without_a_plan_are_refused(client, supper):
    answer = client.post("/api/day/look", json={**supper, "pins": ["0/cook"]})
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "pins"
    away = client.post("/api/day/look", json={**supper, "tasks": [{"key": "x", "start_s": 1, "end_s": 2}]})
    assert away.status_code == 409


def test_a_roomy_day_is_longer_and_as_it_was_asked_when_it_is_followed(client, supper):
    close, roomy = planned(client, supper), planned(client, {**supper, "pace": "roomy"})

    def hands(plan):
        return sum(t["end_s"] - t["start_s"] for t in plan["tasks"] if t["load"])

    assert hands(roomy) > 1.1 * hands(close)
    assert roomy["chance"] >= close["chance"] - 0.02
    day = begun(client, {**supper, "pace": "roomy"}, roomy)
    task = roomy["tasks"][0]
    slip = {"task": task["key"], "end_s": task["end_s"] + 300, "version": 1}
    told = client.post(f"/api/days/{day.json['id']}/slip", json=slip).json
    assert hands(told["ways"][0]["plan"]) == hands(roomy) + 300


def test_a_way_that_is_taken_is_kept_with_its_reason_and_taken_once(client, supper):
    plan = planned(client, supper)
    day = begun(client, supper, plan).json
    task = next(t for t in plan["tasks"] if t["flame"])
    slip = {"task": task["key"], "end_s": task["end_s"] + 20 * 60, "version": 1, "take": "push"}
    first = client.post(f"/api/days/{day['id']}/slip", json=slip).json["day"]
    name = plan["sweets"][task["sweet"]]["name"]
    assert [one["said"] for one in first["taken"]] == [
        f"{name.capitalize()} took 20 minutes longer: all of it was pushed."
    ]
    again = client.post(f"/api/days/{day['id']}/slip", json=slip)  # its answer was lost on the way
    assert again.status_code == 200 and again.json["day"] == first
    later = {**slip, "end_s": slip["end_s"] + 300, "version": 2}
    second = client.post(f"/api/days/{day['id']}/slip", json=later).json["day"]
    assert len(second["taken"]) == 2 and "5 minutes longer" in second["taken"][1]["said"]


def test_lunch_is_given_up_where_that_saves_a_sweet(client, clock):
    lunch = {"start_s": clock() + 6.5 * H, "end_s": clock() + 7.5 * H, "kind": "seated", "name": "lunch"}
    day = {
        "sweets": [{"plan": {"sweet": "carrot-halwa", "want": "for 10 people"}}],
        "serve_s": clock() + 9 * H,
        "burners": 1,
        "away": [lunch],
    }
    plan = planned(client, day)
    kept = begun(client, day, plan).json
    found = []
    for task in plan["tasks"]:
        clock.now = task["start_s"] + 60
        slip = {"task": task["key"], "end_s": task["end_s"] + 25 * 60, "version": 1}
        ways = client.post(f"/api/days/{kept['id']}/slip", json=slip).json["ways"]
        assert ways[0]["way"] == "push"
        found += [(slip, ways)] if ways[-1]["way"] == "through" else []
    assert found, "no slip of any step asks for lunch"
    slip, ways = found[0]
    ready = {way["way"]: way["plan"]["sweets"][0]["ready_s"] for way in ways}
    assert ways[-1]["of"] == "lunch" and ready["through"] < ready["push"]
    clock.now = next(t["start_s"] for t in plan["tasks"] if t["key"] == slip["task"]) + 60
    taken = client.post(f"/api/days/{kept['id']}/slip", json={**slip, "take": "through"}).json["day"]
    assert taken["taken"][0]["said"].endswith("lunch was given up.") and taken["plan"]["away"] == []


def test_a_day_that_does_not_fit_says_what_is_short_and_what_would_help(client, clock):
    day = {"sweets": SUPPER[:2], "serve_s": clock() + 4 * H}
    plan = planned(client, day)
    assert plan["late_min"] > 0 and "late" in plan["said"][0]
    assert any("Kalakand needs" in said for said in plan["said"])
    answer = client.post("/api/day/look", json={**day, "seconds": 0.4})
    cures = [one["cure"] for one in map(json.loads, filter(str.strip, answer.text.splitlines())) if one["cure"]]
    said = {cure["said"]: cure["late_min"] for cure in cures}
    assert any(text.startswith("Serve all of it") for text in said) and "Without the kalakand" in said
    assert min(said.values()) == 0 and max(said.values()) <= plan["late_min"]


def test_a_day_begins_all_its_makings_and_is_followed(client, clock, supper):
    plan = planned(client, supper)
    day = begun(client, supper, plan, key="supper-day-1")
    assert day.status_code == 201
    assert begun(client, supper, plan, key="supper-day-1").json == day.json  # sent twice it is begun once
    assert [b["name"] for b in client.get("/api/stove").json["batches"]] == ["Kalakand", "Basundi", "Carrot halwa"]
    assert [b["id"] for b in client.get("/api/stove").json["batches"]] == day.json["batches"]
    days = client.get("/api/days").json["days"]
    assert [(d["name"], d["query"], d["sweets"][0]) for d in days] == [("Supper", "people=40", "kalakand")]
    # every step of the plan is a step of its making
    for place, number in enumerate(day.json["batches"]):
        steps = {s["key"] for s in client.get(f"/api/batches/{number}").json["steps"]}
        assert {t["step"] for t in plan["tasks"] if t["sweet"] == place} <= steps

    # something takes longer: first what would come of it, then it is followed
    for task in [t for t in plan["tasks"] if t["load"]]:
        clock.now = task["start_s"] + 60
        slip = {"task": task["key"], "end_s": task["end_s"] + 60 * 60, "version": 1}
        told = client.post(f"/api/days/{day.json['id']}/slip", json=slip).json
        assert told["ways"][0]["way"] == "push"
        if len(told["ways"]) > 1:
            break
    assert told["ways"][0]["moved"] and client.get(f"/api/days/{day.json['id']}").json == day.json
    assert [way["way"] for way in told["ways"]] == ["push", "anew"]
    taken = client.post(f"/api/days/{day.json['id']}/slip", json={**slip, "take": "anew"}).json
    assert (
        taken["day"]["version"] == 2 and taken["day"]["plan"] == taken["ways"][1]["plan"] == told["ways"][1]["plan"]
    )
    ends = {t["key"]: t["end_s"] for t in client.get(f"/api/days/{day.json['id']}").json["plan"]["tasks"]}
    assert ends[task["key"]] == slip["end_s"]
    # another screen that saw the day before it
    late = client.post(f"/api/days/{day.json['id']}/slip", json={**slip, "take": "push"})
    assert late.status_code == 409 and late.json["fields"][0]["path"] == "version"
    assert client.delete(f"/api/days/{day.json['id']}").json["days"] == []
    assert len(client.get("/api/stove").json["batches"]) == 3  # its makings stay


def test_a_base_that_stands_in_the_fridge_is_used_and_the_day_stays_what_it_was(client, clock, supper):
    """One chhena weighed yesterday: its curdling is no task of the day, and what the Larder becomes later changes nothing."""
    curd = client.post("/api/batches", json={"batch": {"kind": "curdle", "name": "chhena", "plan": {"milk": 5, "amount": "3 L", "pan": 2, "burner": 1}}})  # fmt: skip
    assert curd.status_code == 201, curd.json
    number = curd.json["id"]
    for step in curd.json["steps"]:
        clock.now += step["seconds"]
        if step["name"] == "weigh":
            break
        if step["name"] == "acid":
            client.post(
                f"/api/batches/{number}/events", json={"event": {"kind": "poured", "amount": 0.05, "clear": True}}
            )
        client.post(f"/api/batches/{number}/events", json={"event": {"kind": "step_done"}})
    weighed = client.post(f"/api/batches/{number}/events", json={"event": {"kind": "weighed", "mass_kg": 0.5}})
    assert weighed.status_code == 201, weighed.json
    fresh = planned(client, {**supper, "sweets": SUPPER[:1]})
    sweet = {"plan": {**SUPPER[0]["plan"], "bases": {"C": str(number)}}}
    day = {**supper, "sweets": [sweet]}
    plan = planned(client, day)
    assert {t["step"] for t in fresh["tasks"]} - {t["step"] for t in plan["tasks"]} == {"base-C"}
    made = begun(client, day, plan)
    assert made.status_code == 201, made.json
    left = next((b["mass_kg"] for b in client.get("/api/sweets/bases").json["bases"] if b["ref"] == str(number)), 0.0)
    assert left < 0.5
    task = plan["tasks"][0]
    slip = {"task": task["key"], "end_s": task["end_s"] + 600, "version": 1, "take": "push"}
    assert client.post(f"/api/days/{made.json['id']}/slip", json=slip).status_code == 200


@pytest.mark.parametrize(
    ("column", "value"),
    [("plan", "null"), ("plan", "{}"), ("plan", '{"sweets": [3]}'), ("asked", '{"day": {}}'), ("batches", '["x"]')],
)
def test_a_damaged_day_is_named_and_the_rest_is_served(client, supper, column, value):
    plan = planned(client, supper)
    good = begun(client, supper, plan, name="Supper").json["id"]
    bad = begun(client, supper, plan, name="Broken supper").json["id"]
    with client.application.extensions["mulvek_database"].writing() as session:
        session.execute(text(f"UPDATE day SET {column} = :value WHERE id = {bad}"), {"value": value})
    days = client.get("/api/days").json
    assert "Supper" in [d["name"] for d in days["days"]] and client.get(f"/api/days/{good}").status_code == 200
    slip = {"task": plan["tasks"][0]["key"], "end_s": plan["tasks"][0]["end_s"] + 60, "version": 1}
    answer = client.post(f"/api/days/{bad}/slip", json=slip)
    assert answer.status_code == 409 and "damaged" in answer.json["detail"]
    if column != "asked":
        assert client.get(f"/api/days/{bad}").status_code == 409
        assert (days["aside"] == ["Broken supper"]) or column == "plan"
    assert [d["id"] for d in client.delete(f"/api/days/{bad}").json["days"]] == [good]


def test_it_goes_on_paper_and_into_a_calendar(client, clock, supper):
    plan = planned(client, supper)
    number = begun(client, supper, plan, name="Supper; for, all").json["id"]
    acts = [task for task in plan["tasks"] if task["said"]]
    calendar = Calendar.from_ical(client.get(f"/api/days/{number}/day.ics").data)
    events = calendar.walk("VEVENT")
    assert [e["dtstart"].dt.timestamp() for e in events[:-1]] == [task["start_s"] for task in acts]
    assert [str(e["summary"]).split(": ", 1)[1] for e in events[:-1]] == [task["act"] for task in acts]
    assert (
        len({e["uid"] for e in events}) == len(events) and events[-1]["dtstart"].dt.timestamp() == supper["serve_s"]
    )
    assert all(e.walk("VALARM")[0]["trigger"].dt == timedelta(minutes=-5) for e in events)
    rows = list(csv.DictReader(io.StringIO(client.get(f"/api/days/{number}/day.csv").text)))
    assert [datetime.fromisoformat(row["start"]).timestamp() for row in rows] == [task["start_s"] for task in acts]
    assert {row["sweet"] for row in rows} == {"kalakand", "basundi", "carrot halwa"}
    sheet = client.get(f"/api/days/{number}/sheet.pdf")
    assert sheet.mimetype == "application/pdf" and sheet.data.startswith(b"%PDF")
    assert client.get("/api/days/99/sheet.pdf").status_code == 404


@pytest.mark.parametrize("many", [1, 9])
def test_the_sheet_has_each_act_once_on_its_pages_and_burners_where_they_are_lit(many):
    acts = [
        Act(
            key=f"{i}",
            at_s=i * 600.0,
            end_s=i * 600 + 500.0,
            sweet="basundi",
            text=f"act {i} " + "goes on " * (i % 9),
        )
        for i in range(many * 7)
    ]
    burns = [Burns(hob=1, start_s=600.0, end_s=1900.0)]
    day = DayPaper(
        id=1,
        name="A supper",
        serve_s=9e4,
        sweets=["basundi"],
        hobs=["left", "right"],
        acts=acts,
        burns=burns,
        spare_min=9,
    )
    sheets = day_sheets(day)
    words = [shape for sheet in sheets for shape in sheet.shapes if isinstance(shape, Text)]
    said = " ".join(word.text for word in words)
    assert all(said.count(f"act {i} ") + said.endswith(f"act {i}") == 1 for i in range(len(acts))), said
    assert (len(sheets) > 1) == (many > 1)
    for sheet in sheets:
        for shape in sheet.shapes:
            xs = (shape.x,) if isinstance(shape, Text) else (shape.x1, shape.x2)
            ys = (shape.y,) if isinstance(shape, Text) else (shape.y1, shape.y2)
            assert all(0 < x < sheet.width for x in xs) and all(0 < y < sheet.height for y in ys)
    lit = [line for sheet in sheets for line in sheet.shapes if isinstance(line, Line) and line.width == 1.6]
    assert len(lit) == 3  # beside the acts from 600 to 1900 s


@pytest.mark.parametrize(
    ("change", "path"),
    [
        ({"serve_s": 1.0}, "serve_s"),
        ({"sweets": []}, "sweets"),
        ({"sweets": [{"plan": {"sweet": "moon", "want": "3"}}]}, "sweets.0.sweet"),
        ({"sweets": [SUPPER[0], {"plan": {"sweet": "kulfi", "want": "a boatload"}}]}, "sweets.1.want"),
        ({"sweets": SUPPER[:1] * 31}, "sweets"),
        ({"sweets": SUPPER[:1] * 41}, "sweets"),
        ({"burners": 0}, "burners"),
        ({"away": [{"start_s": 5.0, "end_s": 5.0, "kind": "away"}]}, "hours"),
        ({"away": [{"start_s": 5.0, "end_s": 6.0, "kind": "dreaming"}]}, "away.0.kind"),
        ({"start_s": 1e11}, "start_s"),
    ],
)
def test_what_cannot_be_is_named(client, supper, change, path):
    answer = client.post("/api/day/plan", json={**supper, **change})
    assert answer.status_code == 422, answer.json
    assert answer.json["fields"][0]["path"] == path and answer.json["fields"][0]["message"]


def test_a_plan_that_was_tampered_with_is_not_begun(client, supper):
    plan = planned(client, supper)
    worse = [
        {**t, "hob": 0 if t["hob"] is not None else None, "start_s": plan["tasks"][0]["start_s"]}
        for t in plan["tasks"]
    ]
    assert begun(client, supper, {**plan, "tasks": worse}).status_code == 409
    assert begun(client, supper, {**plan, "tasks": plan["tasks"][1:]}).status_code == 409
    far = [{**t, "pot": 99 if t["pot"] is not None else None} for t in plan["tasks"]]
    assert begun(client, supper, {**plan, "tasks": far}).status_code == 409
    assert client.get("/api/stove").json["batches"] == []
    assert client.get("/api/days/7").status_code == 404
    slip = {"task": "0/nothing", "end_s": 1.0, "version": 1}
    day = begun(client, supper, plan).json["id"]
    ages = {"task": plan["tasks"][0]["key"], "end_s": 1e11, "version": 1}
    assert client.post(f"/api/days/{day}/slip", json=ages).json["fields"][0]["path"] == "end_s"
    assert client.post(f"/api/days/{day}/slip", json=slip).json["fields"][0]["path"] == "task"


def make(client, clock, batch, slow=1.0):
    """All its steps as told, those by hand so many times as long; then it is counted."""
    for step in client.get(f"/api/batches/{batch}").json["steps"]:
        now = next(s for s in client.get(f"/api/batches/{batch}").json["steps"] if s["key"] == step["key"])
        if now["phase"] == "ready":
            client.post(f"/api/batches/{batch}/events", json={"event": {"kind": "step_begun", "step": step["key"]}})
        clock.now += step["seconds"]["likely"] * (slow if step["hands"] and not step["fire"] else 1.0)
        client.post(f"/api/batches/{batch}/events", json={"event": {"kind": "step_done", "step": step["key"]}})
    answer = client.post(f"/api/batches/{batch}/events", json={"event": {"kind": "counted", "count": 23}})
    assert answer.status_code == 201, answer.json


def test_a_day_that_is_over_stands_beside_its_plan(client, clock, supper):
    plan = planned(client, supper)
    day = begun(client, supper, plan).json
    before = client.get(f"/api/days/{day['id']}/after").json
    assert not before["over"] and all(s["ready_s"] is None and s["steps"] == [] for s in before["sweets"])
    assert [s["told_s"] for s in before["sweets"]] == [s["ready_s"] for s in plan["sweets"]]
    make(client, clock, day["batches"][0], slow=2.0)
    after = client.get(f"/api/days/{day['id']}/after").json
    [kalakand, *others] = after["sweets"]
    assert kalakand["ready_s"] == pytest.approx(clock(), abs=1) and kalakand["counted"] == 23
    assert kalakand["feet_s"] > kalakand["feet_told_s"] > 0
    longer = {s["step"]: s for s in kalakand["steps"]}
    assert longer["press"]["took_s"] == pytest.approx(2 * 480, rel=0.02) and longer["press"]["teaches"]
    gaps = [abs(s["took_s"] - s["told_s"]) for s in kalakand["steps"]]
    assert gaps == sorted(gaps, reverse=True) and min(gaps) >= 180
    assert not after["over"] and all(s["ready_s"] is None for s in others)
    # what it taught is in the next plan
    steps = client.get("/api/learned").json["numbers"]
    assert "kalakand.press" in {n["key"] for n in steps if n["family"] == "step"}
    for batch in day["batches"][1:]:
        make(client, clock, batch)
    assert client.get(f"/api/days/{day['id']}/after").json["over"]
    assert client.get("/api/days/77/after").status_code == 404


@pytest.mark.parametrize(("place", "free"), [("freezer", 0.0), ("freezer", 0.4), ("fridge", 1.0)])
def test_what_never_fits_in_the_cold_is_said_by_its_place(client, supper, place, free):
    kulfi = {"plan": {"sweet": "kulfi", "want": "40"}}
    day = supper | {"sweets": [*supper["sweets"], kulfi], f"{place}_l": free}
    answer = client.post("/api/day/plan", json=day)
    [refused] = answer.json["fields"]
    assert answer.status_code == 422 and refused["path"] == f"{place}_l"
    assert f"The {place} has {free:g} L free, and " in refused["message"] and "Make room" in refused["fix"]


def test_what_can_be_got_ready_the_evening_before(client, clock, supper):
    """Dry things are weighed together for all sweets, by their own weighing lists; cloths, trays, moulds and room are said."""
    sweets = [
        {"plan": {"sweet": key, "want": want}}
        for key, want in (("kalakand", "24"), ("kulfi", "12"), ("shrikhand", "12"))
    ]
    day = {**supper, "sweets": sweets, "freezer_l": 20}
    plan = planned(client, day)
    ahead = {}
    for one in plan["ahead"]:
        ahead.setdefault(one["do"], []).append(one["text"])
    lists = [client.post("/api/sweets/plan", json=sweet["plan"]).json for sweet in sweets]
    sugar = sum(row["grams"] for told in lists for row in told["rows"] if row["key"] == "white-sugar")
    assert f"{say(sugar / 1e3, 'mass')} of white sugar" in ahead["weigh"]
    assert not any("milk" in text and "powder" not in text for text in ahead["weigh"])
    moulds = next(told for told in lists if told["frozen"])
    assert ahead["moulds"][0].startswith(f"{moulds['pieces']['likely']:.0f} × ")
    assert re.fullmatch(r"\d+ cloths", ahead["cloths"][0]) and "cm" in ahead["tray"][0]
    assert re.fullmatch(r"[\d.]+ L in the freezer", ahead["freezer"][0])
    # what stands weighed already is taken out, and no cloth is tied for it
    kept = begun(client, day, plan).json
    assert kept["plan"]["ahead"] == plan["ahead"]
    sheet = day_sheets(paper_of(KeptDayOut.model_validate(kept)))[0]
    texts = [shape.text for shape in sheet.shapes if isinstance(shape, Text)]
    assert "Before it" in texts and any("of white sugar" in text for text in texts)


def test_a_base_that_stands_weighed_is_taken_out_for_the_day(client, clock, supper):
    chhena = client.post(
        "/api/batches",
        json={
            "batch": {
                "kind": "curdle",
                "name": "Chhena",
                "plan": {"milk": 5, "pan": 2, "burner": 1, "amount": "3 L", "use": "kalakand"},
            }
        },
    ).json
    client.post(f"/api/batches/{chhena['id']}/events", json={"event": {"kind": "weighed", "mass_kg": 0.5}})
    words = {"sweet": "kalakand", "have": [{"what": "C", "amount": "300 g"}], "bases": {"C": str(chhena["id"])}}
    plan = planned(client, {**supper, "sweets": [{"plan": words}]})
    out = [one["text"] for one in plan["ahead"] if one["do"] == "take-out"]
    assert out == ["300 g of Chhena"] and not any(one["do"] == "cloths" for one in plan["ahead"])
