"""Lessons over HTTP: from the board through the hands of each vessel to the account, and back on the board."""

from itertools import pairwise

import pytest

from mulvek.core.rehearsal.cooks import run
from mulvek.core.rehearsal.lessons import lesson, lessons
from mulvek.core.rehearsal.score import score
from tests.kitchens import words

CURDLE = {"milk": "cow", "amount": "2 L", "pan": 1, "burner": 1, "use": "sponge"}
STRAIN = {"yoghurt": "yoghurt", "amount": "1 kg", "end": "shrikhand"}
CARAMEL = {"shade": "amber", "sugar": "150 g", "milk": "cow", "milk_amount": "250 ml", "pan": 2, "burner": 1}


def begin(client, **body):
    answer = client.post("/api/rehearsals", json=body)
    assert answer.status_code == 201, answer.json
    return answer.json


def light(client, kind, name, plan):
    answer = client.post("/api/batches", json={"batch": {"kind": kind, "name": name, "plan": plan}})
    assert answer.status_code == 201, answer.json
    return answer.json


def hand(client, number, **what):
    return client.post(f"/api/rehearsals/{number}/hands", json=what)


def look(client, number):
    return client.get(f"/api/rehearsals/{number}").json


def play(client, clock, key, seed, habits):
    """Scripted hands, through the API: what they do at each time, at its time."""
    begun = begin(client, lesson=key, seed=seed, speed=10)
    scripted = run(lesson(key).begin(seed), lesson(key).cook(habits))
    for act in scripted.acts:
        due = clock.now + max(0.0, (act.at_s - scripted.began_s - look(client, begun["id"])["passed_s"]) / 10)
        clock.now = due + 0.01
        done = hand(client, begun["id"], do=act.kind, of=act.of, amount=act.amount or None, flame=act.flame)
        assert done.status_code == 201, (act, done.json)
    return done.json, scripted


@pytest.mark.parametrize("key", ["when-to-stop-pouring", "by-shade", "two-pans", "gentle-fire"])
def test_a_lesson_from_the_board_to_its_account(client, clock, key):
    before = client.get("/api/rehearsals").json
    untried = next(line for line in before["lessons"] if line["key"] == key)
    assert untried["best"] is None and untried["tries"] == [] and untried["cost"] is None
    ended, scripted = play(client, clock, key, 4, "careless")
    judged = score(scripted, lesson(key).counts)
    assert ended["finished"] and ended["points"] == pytest.approx(judged.points, abs=6)
    assert all(vessel["done"] and not vessel["elsewhere_s"] for vessel in ended["vessels"][-1:])
    account = client.get(f"/api/rehearsals/{ended['id']}/account").json
    assert account["lesson"]["key"] == key and account["truth"] and not account["changed"]
    assert account["expert"]["score"]["points"] > account["yours"]["score"]["points"] + 20
    assert account["slips"] and account["slips"][0]["points"] > 0
    for mine, theirs in zip(account["yours"]["traces"], account["expert"]["traces"], strict=True):
        assert len(mine["at_s"]) == len(mine["value"]) == len(mine["view"]) == len(mine["sees"])
        assert mine["at_s"] == sorted(mine["at_s"]) and mine["acts"] and mine["unit"] == theirs["unit"]
    assert client.get(f"/api/rehearsals/{ended['id']}/account").json == account
    play(client, clock, key, 5, "practised")
    tried = next(line for line in client.get("/api/rehearsals").json["lessons"] if line["key"] == key)
    assert len(tried["tries"]) == 2 and tried["best"] == max(tried["tries"]) > 80
    assert tried["cost"] is not None and tried["cost_says"]
    # nothing of it stands in the Book, on the Stove or among what was learned
    assert client.get("/api/book").json["total"] == 0 and client.get("/api/stove").json["batches"] == []
    assert hand(client, ended["id"], do="stir").json["points"] == ended["points"]


def test_every_lesson_begins_and_shows_itself(client, clock):
    board = client.get("/api/rehearsals").json
    assert [line["key"] for line in board["lessons"]] == list(lessons()) and len(board["shelves"]) == 5
    for key in lessons():
        begun = begin(client, lesson=key, seed=2)
        assert begun["speed"] == lesson(key).speed and begun["batch"] is None
        assert all(vessel["sees"] for vessel in begun["vessels"])
        assert any(vessel["hands"] for vessel in begun["vessels"])
        shown = {i["channel"] for vessel in begun["vessels"] for i in vessel["instruments"]}
        assert shown == set(lesson(key).level.shows)


def test_an_evening_of_the_book_is_cooked_again_with_its_own_milk_and_flame(client, clock):
    lit = light(client, "reduce", "Tuesday", words())
    again = begin(client, batch=lit["id"], seed=3)
    assert again["batch"]["pan"]["name"] == lit["pan"]["name"] and again["level"] == 1
    assert again["name"] == "Tuesday, again"
    bag = begin(client, batch=light(client, "strain", "Bag", STRAIN)["id"])
    assert bag["vessels"][0]["kind"] == "cloth" and [h["do"] for h in bag["vessels"][0]["hands"]] == ["hang"]
    assert client.post("/api/rehearsals", json={"batch": 999}).status_code == 404


@pytest.mark.parametrize(
    ("plan", "kind", "first"),
    [
        ({"curdle": CURDLE}, "curd", "flame"),
        ({"strain": STRAIN}, "cloth", "hang"),
        ({"caramel": CARAMEL}, "caramel", "flame"),
    ],
)
def test_a_plan_of_any_bench_is_rehearsed(client, clock, plan, kind, first):
    begun = begin(client, **plan, level=2, seed=7)
    vessel = begun["vessels"][0]
    assert vessel["kind"] == kind and first in [h["do"] for h in vessel["hands"]]
    done = hand(client, begun["id"], do=first, flame="gentle" if first == "flame" else None)
    assert done.status_code == 201, done.json
    # the same seed is the same kitchen
    other = begin(client, **plan, level=2, seed=7)
    assert other["vessels"][0]["view"] == vessel["view"]
    line = client.get("/api/rehearsals").json["rehearsals"][0]
    assert line["name"].startswith("Rehearsal: ") and not line["finished"]


def test_hands_are_refused_with_the_fix(client, clock):
    curd = begin(client, lesson="when-to-stop-pouring", seed=1)["id"]
    for what, status, field in (
        ({"do": "rinse"}, 409, "do"),
        ({"do": "fly"}, 409, "do"),
        ({"do": "flame"}, 422, "flame"),
        ({"do": "acid", "amount": 5}, 422, "amount"),
        ({"do": "stir", "of": 3}, 422, "of"),
        ({"do": "stir", "amount": -1}, 422, "amount"),
    ):
        refused = hand(client, curd, **what)
        assert refused.status_code == status, (what, refused.json)
        assert field in str(refused.json["fields"]), refused.json
    poured = hand(client, curd, do="acid", key="poured-once").json
    again = hand(client, curd, do="acid", key="poured-once").json
    assert again["vessels"][0]["sees"] == poured["vessels"][0]["sees"]
    for body in ({}, {"lesson": "by-shade", "batch": 1}, {"lesson": "to-fly"}, {"plan": words(), "curdle": CURDLE}):
        assert client.post("/api/rehearsals", json=body).status_code in (404, 422)
    assert client.get(f"/api/rehearsals/{curd}/account").status_code == 409
    assert client.post(f"/api/rehearsals/{curd}/events", json={"event": {"kind": "stirred"}}).status_code == 409
    stove = begin(client, plan=words(), level=1)["id"]
    assert hand(client, stove, do="stir").status_code == 409


def test_two_vessels_share_the_hands(client, clock):
    both = begin(client, lesson="two-pans", seed=3, speed=1)["id"]
    assert hand(client, both, do="stir", of=0).status_code == 201
    busy = hand(client, both, do="stir", of=1)
    assert busy.status_code == 409 and "wide pan" in busy.json["detail"]
    assert look(client, both)["vessels"][1]["elsewhere_s"] == 10
    clock.now += 11
    assert hand(client, both, do="stir", of=1).status_code == 201


def test_the_clock_is_held_hurried_and_leaps(client, clock):
    curd = begin(client, lesson="buffalo-curd", seed=2)["id"]
    hand(client, curd, do="flame", flame="strong")
    client.post(f"/api/rehearsals/{curd}/speed", json={"speed": 0})
    at = look(client, curd)["passed_s"]
    clock.now += 500
    assert look(client, curd)["passed_s"] == at
    seen = [look(client, curd)["vessels"][0]["sees"]]
    while "acid" not in [h["do"] for h in look(client, curd)["vessels"][0]["hands"]]:
        leapt = client.post(f"/api/rehearsals/{curd}/jump", json={}).json
        seen.append(leapt["vessels"][0]["sees"])
        assert len(seen) < 9
    assert leapt["passed_s"] > at + 400 and leapt["speed"] == 0
    assert all(one != other for one, other in pairwise(seen)), "each time there is something new"
    client.post(f"/api/rehearsals/{curd}/speed", json={"speed": 60})
    clock.now += 1
    assert look(client, curd)["passed_s"] == pytest.approx(leapt["passed_s"] + 60)
    # on the Stove it leaps to the next reminder at the latest
    pan = begin(client, plan=words(), level=1, seed=1, speed=1)
    due = min(n["due_at_s"] for n in pan["batch"]["nudges"]) - pan["batch"]["now_s"]
    jumped = client.post(f"/api/rehearsals/{pan['id']}/jump", json={}).json
    assert 0 < jumped["passed_s"] <= due + 1
    over, _ = play(client, clock, "by-shade", 2, "practised")
    assert client.post(f"/api/rehearsals/{over['id']}/jump", json={}).status_code == 409


def test_what_is_left_alone_for_hours_can_still_be_ended(client, clock):
    """A clock that was forgotten stands still in the end, and what is done then is done."""
    curd = begin(client, lesson="when-to-stop-pouring", seed=1, speed=60)["id"]
    clock.now += 3600
    left = look(client, curd)
    assert left["passed_s"] == 4 * 3600 and not left["finished"]
    assert hand(client, curd, do="acid", amount=0.3).status_code == 201
    ended = hand(client, curd, do="strain").json
    assert ended["finished"] and ended["points"] < 60
    pan = begin(client, plan=words(), level=1, seed=1, speed=60)["id"]
    clock.now += 3600
    off = client.post(f"/api/rehearsals/{pan}/events", json={"event": {"kind": "off"}})
    assert off.status_code == 201 and off.json["finished"] and off.json["vessels"][0]["done"]


def test_the_next_lesson_is_what_the_book_asks_for(client, clock):
    assert client.get("/api/rehearsals").json["next"] == {"lesson": "first-boil", "because": None}
    lit = light(client, "reduce", "Rabri", words())["id"]
    found = client.post(
        f"/api/batches/{lit}/events", json={"event": {"kind": "fault_found", "fault": "scorched", "answers": {}}}
    )
    assert found.status_code == 201, found.json
    proposed = client.get("/api/rehearsals").json["next"]
    assert proposed["lesson"] == "gentle-fire" and proposed["because"]["name"] == "Rabri"
    assert "scorched" in proposed["because"]["fault"]
    clock.now += 60
    play(client, clock, "gentle-fire", 3, "practised")
    after = client.get("/api/rehearsals").json["next"]
    assert after["lesson"] != "gentle-fire", "what was done well since is not asked for again"
    # without a fault, what went worst is next
    log = client.get(f"/api/batches/{lit}").json["log"]
    event = next(line["event_id"] for line in log if "scorched" in line["text"].lower())
    client.post(f"/api/batches/{lit}/events", json={"event": {"kind": "undo", "event_id": event}})
    play(client, clock, "by-shade", 3, "careless")
    assert client.get("/api/rehearsals").json["next"] == {"lesson": "by-shade", "because": None}


def test_a_lesson_that_was_changed_since_says_so(client, clock, monkeypatch):
    over, _ = play(client, clock, "by-shade", 2, "careless")
    from dataclasses import replace

    newer = {**lessons(), "by-shade": replace(lesson("by-shade"), edition=2)}
    monkeypatch.setattr("mulvek.web.simulations.lessons", lambda: newer)
    account = client.get(f"/api/rehearsals/{over['id']}/account").json
    assert account["changed"] and client.get(f"/api/rehearsals/{over['id']}").json["points"] == over["points"]
    monkeypatch.setattr("mulvek.web.simulations.lessons", dict)
    assert client.get(f"/api/rehearsals/{over['id']}").status_code == 409


def test_a_restarted_server_has_the_same_kitchen(client, clock, tmp_path):
    """What is kept of a rehearsal is its log: a fresh process runs it again to the same moment."""
    from mulvek.store.rehearsal import Rehearsals
    from mulvek.web.simulations import Simulations

    begun = begin(client, lesson="milk-into-caramel", seed=6, speed=5)["id"]
    clock.now += 4
    hand(client, begun, do="butter")
    clock.now += 6
    shown = hand(client, begun, do="milk").json
    with client.application.extensions["mulvek_database"].reading() as session:
        stored = Rehearsals(session).one(begun)
    again = Simulations().at(stored, stored.kitchen_s(clock.now))
    assert [sign.says for sign in again.signs()] == [sign["says"] for sign in shown["vessels"][0]["sees"]]
    assert dict(again.view()) == pytest.approx(shown["vessels"][0]["view"])
