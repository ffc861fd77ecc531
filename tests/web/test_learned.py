"""What a kitchen has learned, looked at and owned: each number with its batches; left out, frozen, begun anew, the plans follow."""

import csv
import io
import math

import pytest

from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock
from tests.web.test_making import POT, begin, happens

PLAN = {**POT, "amount": "1 L", "stop": "half", "sugar": ""}


def numbers(told, family=None):
    return {n["key"]: n for n in told["numbers"] if family in (None, n["family"])}


def learned(client):
    answer = client.get("/api/learned")
    assert answer.status_code == 200, answer.json
    return answer.json


def own(client, **body):
    answer = client.put("/api/learned", json=body)
    assert answer.status_code == 200, answer.json
    return answer.json


def boil_down(client, clock, speed=1.3):
    """One litre to half, so much quicker than the table says, followed by scale to its end."""
    plan = client.post("/api/bench/reduce", json=PLAN).json
    made = begin(client, "reduce", PLAN)
    clock.now += 900
    happens(client, made["id"], kind="first_boil")
    table = plan["after_boil_s"]["likely"] * math.exp(plan_ln(client))
    clock.now += table / speed
    happens(client, made["id"], kind="reading", how="depth", value=plan["stop_depth_m"]["likely"], sure=True)
    happens(client, made["id"], kind="off")
    clock.now += 60
    happens(client, made["id"], kind="weighed", mass_kg=round(plan["served_kg"]["likely"], 3))
    return made["id"]


def plan_ln(client):
    """How much quicker than the table the next plan is reckoned."""
    of = numbers(learned(client), "rate").get("1.2.medium")
    return math.log(of["times"]["likely"]) if of else 0.0


def after_boil(client):
    return client.post("/api/bench/reduce", json=PLAN).json["after_boil_s"]


@pytest.fixture
def quick(client, clock):
    """A burner on which three batches went a third quicker than the table."""
    return [boil_down(client, clock) for _ in range(3)]


def test_nothing_is_learned_of_an_empty_kitchen(client):
    told = learned(client)
    assert told["numbers"] == [] and told["left_out"] == [] and told["next"] == []
    assert told["thickness"]["likely"] == 1.0


def test_a_rate_stands_with_its_table_value_and_the_batches_it_rests_on(client, quick):
    rate = numbers(learned(client), "rate")["1.2.medium"]
    assert 1.1 < rate["times"]["likely"] < 1.4 and rate["batches"] == 3
    assert rate["times"]["high"] / rate["times"]["low"] < rate["table_times"]["high"] / rate["table_times"]["low"]
    assert {t["batch"] for t in rate["taught_by"]} == set(quick) and rate["table_kg_s"] > 0
    assert all(1.0 < t["times"] < 1.6 and not t["aside"] for t in rate["taught_by"])


def test_what_is_left_out_teaches_no_plan_until_it_counts_again(client, quick):
    known = after_boil(client)
    for batch in quick:
        told = client.put("/api/learned/counts", json={"batch": batch, "counts": False}).json
    assert numbers(told, "rate") == {} and {b["batch"] for b in told["left_out"]} == set(quick)
    table = after_boil(client)
    assert table["likely"] > 1.08 * known["likely"] and table["high"] / table["low"] > known["high"] / known["low"]
    for batch in quick:
        client.put("/api/learned/counts", json={"batch": batch, "counts": True})
    assert after_boil(client) == known
    assert client.put("/api/learned/counts", json={"batch": 999, "counts": True}).status_code == 404


def test_a_frozen_number_learns_no_more_and_one_begun_anew_forgets(client, clock, quick):
    before = after_boil(client)
    clock.now += 60
    frozen = own(client, family="rate", key="1.2.medium", do="freeze")
    assert numbers(frozen)["1.2.medium"]["frozen"]
    clock.now += 3600
    boil_down(client, clock, speed=1.1)
    assert after_boil(client) == before
    thawed = numbers(own(client, family="rate", key="1.2.medium", do="thaw"))["1.2.medium"]
    assert not thawed["frozen"] and thawed["batches"] == 4
    assert after_boil(client)["likely"] > before["likely"]
    clock.now += 60
    anew = numbers(own(client, family="rate", key="1.2.medium", do="anew"), "rate")
    assert anew["1.2.medium"]["batches"] == 0 and anew["1.2.medium"]["taught_by"] == []
    assert after_boil(client)["likely"] > 1.08 * before["likely"]
    clock.now += 60
    boil_down(client, clock)
    assert numbers(learned(client), "rate")["1.2.medium"]["batches"] == 1
    everything = numbers(own(client, family="rate", key="1.2.medium", do="all"), "rate")["1.2.medium"]
    assert everything["batches"] == 5 and everything["anew_s"] is None


def test_a_shift_is_asked_about_and_can_be_the_new_normal(client, clock):
    for _ in range(4):
        boil_down(client, clock, speed=1.0)
    for _ in range(7):
        boil_down(client, clock, speed=0.55)
    rate = numbers(learned(client), "rate")["1.2.medium"]
    drift = rate["drift"]
    assert drift and drift["times"] < 0.85 and len(drift["batches"]) >= 2
    after = own(client, family="rate", key="1.2.medium", do="anew", from_s=drift["since_s"])
    rate = numbers(after, "rate")["1.2.medium"]
    assert rate["drift"] is None and rate["times"]["likely"] < 0.8
    assert min(t["at_s"] for t in rate["taught_by"]) == drift["since_s"]


def test_a_given_up_batch_and_a_rehearsal_teach_nothing(client, clock, quick):
    before = learned(client)
    made = begin(client, "reduce", PLAN)
    clock.now += 900
    happens(client, made["id"], kind="first_boil")
    clock.now += 300
    happens(client, made["id"], kind="abandoned")
    assert numbers(learned(client)) == numbers(before)


TABLE_S = {"knead": 1080.0}
"""What the library says of it."""


def sweet(client, clock, minutes, timed=True):
    """Sponge balls, each step of the hand so many times the table's minutes; or all ticked off at the end."""
    made = begin(client, "sweet", {"sweet": "sponge-balls", "want": "12", "milk": 5, "pan": 2, "burner": 1})
    for step in made["steps"]:
        if timed:
            now = client.get(f"/api/batches/{made['id']}").json["steps"]
            if next(s for s in now if s["key"] == step["key"])["phase"] == "ready":
                happens(client, made["id"], kind="step_begun", step=step["key"])
            clock.now += TABLE_S.get(step["key"], step["seconds"]["likely"]) * (
                minutes if step["key"] in TABLE_S else 1.0
            )
        happens(client, made["id"], kind="step_done", step=step["key"])
    happens(client, made["id"], kind="counted", count=12)
    return made


def knead(plan):
    return next(s for s in plan["steps"] if s["key"] == "knead")


def test_a_step_that_takes_these_hands_longer_is_planned_longer(client, clock):
    first = sweet(client, clock, 1.6)
    for _ in range(3):
        sweet(client, clock, 1.6)
    told = numbers(learned(client), "step")["sponge-balls.knead"]
    assert told["batches"] == 4 and told["times"]["likely"] == pytest.approx(1.5, abs=0.12)
    assert all(
        t["times"] == pytest.approx(1.6, abs=0.01) for t in told["taught_by"]
    )  # against the table, not the last plan
    again = begin(client, "sweet", {"sweet": "sponge-balls", "want": "12", "milk": 5, "pan": 2, "burner": 1})
    assert knead(again)["seconds"]["likely"] > 1.35 * knead(first)["seconds"]["likely"]
    assert any("timed 4 times" in fact for fact in knead(again)["facts"])
    # what the fire does is as the fire does it
    fires = {s["key"]: s["seconds"] for s in first["steps"] if s["fire"]}
    assert {s["key"]: s["seconds"] for s in again["steps"] if s["fire"]} == fires


def test_steps_that_were_only_ticked_off_teach_nothing(client, clock):
    sweet(client, clock, 1.0, timed=False)
    assert numbers(learned(client), "step") == {}


def test_undo_takes_a_timed_step_back(client, clock):
    made = sweet(client, clock, 1.5)
    assert numbers(learned(client), "step")
    log = client.get(f"/api/batches/{made['id']}").json["log"]
    last = next(line for line in log if line["kind"] == "step_done")
    happens(client, made["id"], kind="undo", event_id=last["event_id"])
    assert numbers(learned(client), "step") == {}


def test_what_to_measure_next_is_what_most_plans_would_gain_by(client, clock, quick):
    for _ in range(2):
        made = begin(client, "curdle", {"milk": 5, "amount": "2 L", "pan": 2, "burner": 2})
        happens(client, made["id"], kind="abandoned")
    found = learned(client)["next"]
    gains = [(one["now"] - one["after"]) * one["uses"] for one in found]
    assert gains == sorted(gains, reverse=True) and all(one["after"] < one["now"] for one in found)
    assert {one["how"] for one in found} == {"weigh-reduced", "weigh-curd"}
    curd = next(one for one in found if one["how"] == "weigh-curd")
    assert (curd["key"], curd["uses"]) == ("5", 2)


def test_it_is_saved_as_a_table(client, quick):
    answer = client.get("/api/learned.csv")
    assert answer.mimetype == "text/csv" and "attachment" in answer.headers["Content-Disposition"]
    rows = list(csv.DictReader(io.StringIO(answer.text)))
    told = numbers(learned(client))
    assert [row["key"] for row in rows] == list(told)
    assert float(rows[0]["times the table"]) == pytest.approx(told[rows[0]["key"]]["times"]["likely"], abs=1e-4)


@pytest.mark.parametrize("body", [{"family": "luck"}, {"key": "x" * 99}, {"do": "forget"}, {"from_s": "now"}])
def test_what_cannot_be_owned_names_itself(client, body):
    answer = client.put("/api/learned", json={"family": "rate", "key": "1.2.medium", "do": "anew", **body})
    assert answer.status_code == 422 and answer.json["fields"][0]["path"].split(".")[-1] in body


@pytest.mark.parametrize(
    ("family", "key"),
    [
        *(
            ("rate", key)
            for key in ("", "1", "1.2", "1.2.blazing", "9.2.medium", "1.99.medium", "٣.2.medium", "a.b.medium")
        ),
        *(("yield", key) for key in ("", "99", "-5", "5.0")),
        *(("step", key) for key in ("", "kulfi", "kulfi.freeze", "moon.knead")),
        ("thickness", "all"),
    ],
)
def test_only_a_number_that_there_is_can_be_owned(client, family, key):
    answer = client.put("/api/learned", json={"family": family, "key": key, "do": "freeze"})
    assert answer.status_code == 404 and answer.json["fields"][0]["path"] == "key"
    assert client.get("/api/learned").status_code == 200


def test_it_all_stands_after_a_restart(tmp_path, templates):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    app = create_app(file, clock=Clock(EPOCH_S))
    client = app.test_client()
    own(client, family="yield", key="2", do="freeze")
    client.put("/api/learned/counts", json={"batch": 3, "counts": False})
    before = learned(client)
    stop(app)
    app = create_app(file, clock=Clock(EPOCH_S + 9))
    assert learned(app.test_client()) == before
    stop(app)
