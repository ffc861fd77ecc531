"""Rehearsals over HTTP: the Stove's routes on a simulated pan with its own clock, to the account; nothing learned."""

import pytest

from tests.kitchens import words


def begin(client, **more):
    body = {"plan": words(), "level": 2, "seed": 5, "speed": 10} | more
    answer = client.post("/api/rehearsals", json=body)
    assert answer.status_code == 201, answer.json
    return answer.json


def does(client, rehearsal, **event):
    return client.post(f"/api/rehearsals/{rehearsal}/events", json={"event": event})


def sees(now):
    return [sign["says"] for vessel in now["vessels"] for sign in vessel["sees"]]


def shown_by(now):
    return now["vessels"][0]["instruments"]


def cook(client, clock, rehearsal):
    """Tend it by what the Stove says, as a willing beginner would; real time runs in steps of three seconds."""
    for _ in range(2000):
        now = client.get(f"/api/rehearsals/{rehearsal}").json
        batch = now["batch"]
        due = [n for n in batch["nudges"] if n["due_at_s"] <= batch["now_s"]]
        if now["away"]:
            pass
        elif batch["phase"] == "heating" and any(w in s for s in sees(now) for w in ("rolls", "rim", "boils")):
            does(client, rehearsal, kind="first_boil")
        elif due and due[0]["answer"] == "sugar_in":
            does(client, rehearsal, kind="sugar_in", mass_kg=batch["sugar_kg"])
        elif due and due[0]["answer"] == "off":
            return does(client, rehearsal, kind="off").json
        elif due and due[0]["answer"] == "reading":
            scale = next(i for i in shown_by(now) if i["channel"] == "scale")
            does(client, rehearsal, kind="reading", how="weight", value=scale["value"], sure=True)
        elif due and due[0]["answer"] in ("stirred", "scraped"):
            does(client, rehearsal, kind=due[0]["answer"])
        elif due and due[0]["answer"] == "flame_changed":
            does(client, rehearsal, kind="flame_changed", flame="gentle")
        clock.now += 3
    raise AssertionError("it never came to its stop")


def test_a_rehearsal_to_its_account_teaches_nothing(client, clock):
    before = client.post("/api/bench/reduce", json=words()).json
    made = begin(client)
    off = cook(client, clock, made["id"])
    assert off["finished"] and off["points"] > 60 and off["batch"]["phase"] == "off"
    account = client.get(f"/api/rehearsals/{made['id']}/account").json
    trace = account["yours"]["traces"][0]
    assert account["yours"]["score"]["points"] == pytest.approx(off["points"])
    assert account["expert"]["score"]["points"] > 90 and account["truth"]
    assert trace["acts"] and trace["value"][0] > trace["value"][-1] and trace["unit"] == "kg"
    # time stands still; it is nowhere but here
    clock.now += 1000
    assert client.get(f"/api/rehearsals/{made['id']}").json["batch"]["now_s"] == off["batch"]["now_s"]
    assert client.get("/api/book").json["total"] == 0 and client.get("/api/stove").json["batches"] == []
    assert client.post("/api/bench/reduce", json=words()).json == before
    listed = client.get("/api/rehearsals").json
    assert listed["rehearsals"][0]["points"] == pytest.approx(off["points"]) and len(listed["levels"]) == 4
    assert does(client, made["id"], kind="stirred").status_code == 409


def test_the_same_seed_and_acts_give_the_same_pan_at_any_speed(client, clock):
    shown = []
    for speed in (1, 60):
        made = begin(client, seed=77, speed=speed)
        clock.now += 600 / speed
        does(client, made["id"], kind="stirred")
        clock.now += 300 / speed
        now = client.get(f"/api/rehearsals/{made['id']}").json
        shown.append(([i["value"] for i in shown_by(now)], sees(now)))
    assert shown[0] == shown[1]
    faster = client.post(f"/api/rehearsals/{made['id']}/speed", json={"speed": 5}).json
    at = faster["batch"]["now_s"]
    clock.now += 10
    assert client.get(f"/api/rehearsals/{made['id']}").json["batch"]["now_s"] == pytest.approx(at + 50)


def test_nobody_acts_while_away_and_what_is_done_stays_done(client, clock):
    made = begin(client, level=4, seed=2, speed=60)["id"]
    until = 0
    while not (now := client.get(f"/api/rehearsals/{made}").json)["away"]:
        clock.now += 0.5
        until += 1
        assert until < 400, "nobody came to the door"
    refused = does(client, made, kind="stirred")
    assert refused.status_code == 409 and now["away"]["who"] in refused.json["detail"]
    assert [i["channel"] for i in shown_by(now)] == ["dip"]
    quiet = begin(client, level=1)["id"]
    stirred = does(client, quiet, kind="stirred").json
    undo = does(client, quiet, kind="undo", event_id=stirred["batch"]["log"][0]["event_id"])
    assert undo.status_code == 409 and "stays done" in undo.json["detail"]
    assert does(client, quiet, kind="pan_swapped", pan=1).status_code in (409, 422)


def test_lid_skin_and_lemon(client, clock):
    made = begin(client, level=1)["id"]
    act = lambda **what: client.post(f"/api/rehearsals/{made}/acts", json={"act": what})  # noqa: E731
    lid = lambda on: act(do="lid", on=on).json["vessels"][0]["view"]["lid"]  # noqa: E731
    assert lid(True) == 1 and lid(False) == 0
    clock.now += 90
    does(client, made, kind="first_boil")
    assert act(do="fold").status_code == 201
    assert act(do="acid", amount="a bucket").status_code == 422
    split = act(do="acid", amount="200 ml").json
    assert any("split" in s for s in sees(split)) and "lemon" in split["batch"]["log"][0]["text"]
    assert client.get(f"/api/rehearsals/{made}/account").status_code == 409
    assert client.get("/api/rehearsals/99").status_code == 404
    assert client.post("/api/rehearsals", json={"plan": words(), "level": 9}).status_code == 422
