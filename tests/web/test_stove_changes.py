"""Changes of mind over HTTP: parting, pouring together, another pan, milk, stop and sugar; what is undone in both."""

import random

import pytest

from mulvek.web.told import LINES_TOLD
from tests.kitchens import words
from tests.sizes import sized
from tests.web.test_api import happens


def boiling(client, clock, **changed) -> dict:
    batch = client.post(
        "/api/batches", json={"batch": {"kind": "reduce", "name": "Basundi", "plan": words(**changed)}}
    ).json
    clock.now += 900
    return happens(client, batch["id"], kind="first_boil").json


def second_burner(client) -> int:
    return client.post("/api/larder/burners", json={"name": "jetty", "kind": "lpg-large", "strength": 1.0}).json["id"]


def test_a_batch_is_parted_and_poured_together_again(client, clock):
    batch, other = boiling(client, clock), second_burner(client)
    clock.now += 600
    whole = client.get(f"/api/batches/{batch['id']}").json
    body = {"share": 0.4, "name": "For the juniors", "pan": 1, "burner": other, "key": "part-key-1"}
    made = client.post(f"/api/batches/{batch['id']}/part", json=body)
    assert made.status_code == 201, made.json
    kept = client.get(f"/api/batches/{batch['id']}").json
    mass = lambda b: b["mass_kg"]["likely"]  # noqa: E731
    assert mass(kept) + mass(made.json) == pytest.approx(mass(whole), rel=1e-6)
    assert made.json["phase"] == "boiling" and made.json["pan_id"] == 1
    again = client.post(f"/api/batches/{batch['id']}/part", json=body).json
    assert again["id"] == made.json["id"] and len(client.get("/api/stove").json["batches"]) == 2
    back = client.post(f"/api/batches/{made.json['id']}/pour", json={"into": batch["id"]}).json
    assert mass(back) == pytest.approx(mass(whole), rel=1e-3)
    assert [b["id"] for b in client.get("/api/stove").json["batches"]] == [batch["id"]]
    # undone in one, it is undone in both
    joined = next(line for line in back["log"] if line["kind"] == "joined")
    happens(client, batch["id"], kind="undo", event_id=joined["event_id"])
    assert {b["phase"] for b in client.get("/api/stove").json["batches"]} == {"boiling"}
    for share, field in ((0.0, "share"), (0.99, "share")):
        refused = client.post(f"/api/batches/{batch['id']}/part", json=body | {"share": share, "key": "part-key-2"})
        assert refused.status_code == 422 and refused.json["fields"][0]["path"] == field
    assert client.post(f"/api/batches/{batch['id']}/pour", json={"into": batch["id"]}).status_code == 409


@pytest.mark.parametrize(
    ("event", "moves"),
    [
        ({"kind": "milk_added", "amount": "300 ml"}, 1),
        ({"kind": "stop_moved", "stop": "two thirds of its volume"}, -1),
        ({"kind": "flame_changed", "flame": "gentle"}, 1),
        ({"kind": "paused"}, 0),
        ({"kind": "pan_swapped", "pan": 1}, None),
    ],
)
def test_a_change_of_mind_moves_the_minutes_and_is_undone(client, clock, event, moves):
    batch = boiling(client, clock)
    clock.now += 300
    before = client.get(f"/api/batches/{batch['id']}").json
    after = happens(client, batch["id"], **event)
    assert after.status_code == 201, after.json
    later = after.json["to_stop_s"]["likely"] - before["to_stop_s"]["likely"]
    assert moves is None or (later == 0 if moves == 0 else later * moves > 30)
    undone = happens(client, batch["id"], kind="undo", event_id=after.json["undo_id"]).json
    assert undone["to_stop_s"] == before["to_stop_s"] and undone["depth_m"] == before["depth_m"]


def test_sugar_given_up_late_entries_and_an_overnight_batch(client, clock):
    batch = boiling(client, clock)["id"]
    began = clock.now
    clock.now += 1200
    gone = happens(client, batch, kind="sugar_planned", sugar="none").json
    assert gone["sugar_kg"] == 0
    late = happens(client, batch, kind="stirred", at_s=began + 400).json
    assert [line["at_s"] for line in late["log"]][:2] == [began + 1200, began + 400]
    assert happens(client, batch, kind="stirred", at_s=began - 5000).status_code == 409
    clock.now += 9 * 3600  # forgotten on a dead fire overnight
    morning = client.get(f"/api/batches/{batch}").json
    assert morning["phase"] == "boiling" and morning["past_stop_s"] > 0 and morning["depth_m"]["likely"] > 0
    given = happens(client, batch, kind="abandoned").json
    assert given["phase"] == "abandoned" and client.get("/api/stove").json["batches"] == []
    assert client.post("/api/bench/reduce", json=words()).json["batches_behind"] == 0


def test_nudges_are_put_off_missed_once_and_hushed(client, clock):
    batch = boiling(client, clock)["id"]
    clock.now += 500
    nudge = lambda: next(  # noqa: E731
        n for n in client.get(f"/api/batches/{batch}").json["nudges"] if n["key"] == "stir"
    )
    due = nudge()
    assert due["due_at_s"] < clock.now and due["kind"] == "care"
    happens(client, batch, kind="snoozed", nudge="stir", episode=due["episode"], seconds=120)
    assert nudge()["due_at_s"] == pytest.approx(clock.now + 120)
    for _ in range(2):  # two devices noticed it
        happens(client, batch, kind="missed", nudge="stir", episode=due["episode"], key="missed-stir-1")
    assert nudge()["missed"]
    log = client.get(f"/api/batches/{batch}").json["log"]
    assert [line["text"] for line in log].count("the stir was missed") == 1
    happens(client, batch, kind="stirred")
    assert not nudge()["missed"] and nudge()["episode"] != due["episode"]
    assert happens(client, batch, kind="hushed", on=True).json["hushed"] and nudge()["hushed"]


CHANCES = (
    {"kind": "stirred"},
    {"kind": "scraped"},
    {"kind": "note", "text": "as it should be"},
    {"kind": "flame_changed", "flame": "medium"},
    {"kind": "flame_changed", "flame": "strong"},
    {"kind": "sugar_in", "mass_kg": 0.05},
    {"kind": "milk_added", "amount": "200 ml"},
    {"kind": "stop_moved", "stop": "a third by weight"},
    {"kind": "paused"},
    {"kind": "resumed"},
    {"kind": "snoozed", "nudge": "stir", "episode": "1", "seconds": 120.0},
    {"kind": "hushed", "on": True},
    {"kind": "reading", "how": "depth", "value": None},
    {"kind": "off"},
)


@pytest.mark.parametrize("seed", range(sized(10, 120)))
def test_what_a_happening_is_answered_with_is_what_the_log_says_afterwards(client, clock, seed):
    """The answer is reckoned from the batch as it was folded for the check; asked again, all is taken anew."""
    chance = random.Random(seed)
    batch = boiling(client, clock)["id"]
    answered = 0
    for _ in range(14):
        clock.now += chance.randint(1, 240)
        event = dict(chance.choice(CHANCES))
        if event["kind"] == "reading":
            keys = client.get(f"/api/batches/{batch}").json["depth_keys_m"]
            event["value"] = chance.choice(keys) if keys else 0.03
        if chance.random() < 0.2:
            event["at_s"] = clock.now - chance.randint(0, 200)  # one forgotten
        said = happens(client, batch, **event)
        if said.status_code == 201:
            answered += 1
            client.application.extensions["mulvek_database"].changed()  # nothing is kept of it
            anew = client.get(f"/api/batches/{batch}").json
            assert said.json | {"earlier": 0, "log": anew["log"]} == anew, event
            assert {line["event_id"] for line in said.json["log"]} <= {line["event_id"] for line in anew["log"]}
            assert all(line in anew["log"] for line in said.json["log"]), event
    assert answered >= 3


def test_of_a_long_log_the_newest_are_told_and_all_when_it_is_asked_for_by_itself(client, clock):
    batch = boiling(client, clock)
    url = f"/api/batches/{batch['id']}"
    for n in range(30):
        clock.now += 10
        told = happens(client, batch["id"], kind="note", text=f"note {n}").json
    forgotten = happens(client, batch["id"], kind="stirred", at_s=clock.now - 100).json
    for answer in (told, forgotten, client.get("/api/stove").json["batches"][0]):
        assert len(answer["log"]) == LINES_TOLD and answer["earlier"] in (8, 9)
        assert [line["at_s"] for line in answer["log"]] == sorted(
            (line["at_s"] for line in answer["log"]), reverse=True
        )
    assert told["log"][0]["text"] == "note 29"
    assert "stirred" in [line["kind"] for line in forgotten["log"]]  # just said, though it was a while ago
    for whole in (client.get(url).json, client.get(f"/api/book/{batch['id']}").json["batch"]):
        assert whole["earlier"] == 0 and len(whole["log"]) == 33  # lit and first boil too
        assert whole["log"][:5] == forgotten["log"][:5]
    first = next(line for line in whole["log"] if line["text"] == "note 0")
    happens(client, batch["id"], kind="undo", event_id=first["event_id"])
    after = client.get(url).json["log"]
    assert [line["text"] for line in after if line["undone"]] == ["note 0"]
