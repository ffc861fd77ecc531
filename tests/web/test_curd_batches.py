"""Curdlings and strainings that run: steps with timers from the server's events, whey, weighing, undo, what is learned."""

import json
import urllib.error
import urllib.request

import pytest

from tests.conftest import serving

CURDLE = {"milk": 5, "amount": "3 L", "pan": 2, "burner": 1}


def begin(client, kind="curdle", plan=None, **more):
    body = {"batch": {"kind": kind, "name": "Chhena", "plan": CURDLE if plan is None else plan, **more}}
    answer = client.post("/api/batches", json=body)
    assert answer.status_code == 201, answer.json
    return answer.json


def happens(client, batch, **event):
    return client.post(f"/api/batches/{batch}/events", json={"event": event})


def test_chhena_from_the_boil_to_the_book(client, clock):
    told = client.post("/api/bench/curdle", json=CURDLE).json
    made = begin(client)
    batch = made["id"]
    assert [s["name"] for s in made["steps"]] == [s["name"] for s in told["stages"]] and made["step"] == 0
    assert made["steps"][0]["due_s"] == pytest.approx(told["boil_s"]["likely"])
    clock.now += 600
    now = client.get(f"/api/batches/{batch}").json
    assert now["steps"][0]["due_s"] == pytest.approx(told["boil_s"]["likely"] - 600)
    after = happens(client, batch, kind="step_done").json
    assert after["step"] == 1 and after["steps"][1]["due_s"] == pytest.approx(180.0)
    clock.now += 180
    happens(client, batch, kind="step_done")
    poured = happens(client, batch, kind="poured", amount=0.1).json
    assert not poured["clear"] and happens(client, batch, kind="poured", amount=0.03, clear=True).json["clear"]
    undone = happens(client, batch, kind="undo", event_id=5).json
    assert not undone["clear"] and undone["poured"] == pytest.approx(0.1) and undone["log"][0]["undone"]
    back = happens(client, batch, kind="undo", event_id=6).json
    assert back["clear"] and back["poured"] == pytest.approx(0.13)
    light = told["curd_kg"]["low"] * 0.9
    weighed = happens(client, batch, kind="weighed", mass_kg=light).json
    assert "less than told" in weighed["said"] and "Milky whey" in weighed["said"]
    # the weighed curd decides how many pieces there are
    assert weighed["pieces"]["count"]["likely"] < told["pieces"]["count"]["likely"]
    assert weighed["pieces"]["count"]["low"] == weighed["pieces"]["count"]["high"]
    assert client.get("/api/stove").json["batches"] == []
    book = client.get("/api/book").json["lines"]
    assert book[0]["kind"] == "curdle" and book[0]["phase"] == "weighed"
    assert book[0]["weighed_kg"] == pytest.approx(light) and book[0]["told_kg"]["likely"] == told["curd_kg"]["likely"]
    # what it taught narrows and moves the next plan of that milk
    again = client.post("/api/bench/curdle", json=CURDLE).json
    assert again["curd_kg"]["likely"] < told["curd_kg"]["likely"]
    assert again["curd_kg"]["high"] / again["curd_kg"]["low"] < told["curd_kg"]["high"] / told["curd_kg"]["low"]
    # undone, it is forgotten again
    happens(client, batch, kind="undo", event_id=8)
    assert client.post("/api/bench/curdle", json=CURDLE).json["curd_kg"] == told["curd_kg"]


def test_a_wetter_curd_is_told_so_and_a_wild_one_teaches_nothing(client):
    told = client.post("/api/bench/curdle", json=CURDLE).json["curd_kg"]
    wet = happens(client, begin(client)["id"], kind="weighed", mass_kg=told["high"] * 1.1).json
    assert "moisture" in wet["said"]
    wild = happens(client, begin(client)["id"], kind="weighed", mass_kg=told["likely"] * 2.5)
    assert wild.status_code == 201
    after = client.post("/api/bench/curdle", json=CURDLE).json["curd_kg"]["likely"]
    assert told["likely"] < after < told["likely"] * 1.3


def test_a_long_drain_is_rereckoned_by_the_whey_weighed(client, clock):
    made = begin(client, "strain", {})
    batch = made["id"]
    first = made["steps"][0]["seconds"]
    clock.now += 3 * 3600
    fast = happens(client, batch, kind="whey", mass_kg=0.48).json
    assert fast["steps"][0]["seconds"] < first and fast["steps"][0]["due_s"] == pytest.approx(
        fast["steps"][0]["seconds"] - 3 * 3600
    )
    assert fast["whey_kg"] == 0.48 and fast["strain"]["whey_kg"]["likely"] > 0.48
    assert happens(client, batch, kind="whey", mass_kg=0.3).status_code == 422
    assert happens(client, batch, kind="poured", amount=0.1).status_code == 409
    late = happens(client, batch, kind="whey", mass_kg=0.2, at_s=clock.now - 2.5 * 3600)
    assert late.status_code == 201, late.json
    # what comes late must have grown too, and all of it can never be whey
    assert happens(client, batch, kind="whey", mass_kg=0.49, at_s=clock.now - 2 * 3600).status_code == 422
    assert happens(client, batch, kind="whey", mass_kg=1.0).status_code == 422
    done = happens(client, batch, kind="weighed", mass_kg=0.36).json
    assert done["said"] and done["step"] == 2


@pytest.mark.parametrize(
    ("event", "status"),
    [
        ({"kind": "weighed", "mass_kg": -1}, 422),
        ({"kind": "weighed", "mass_kg": 90}, 422),
        ({"kind": "poured", "amount": 50}, 422),
        ({"kind": "note", "text": " "}, 422),
        ({"kind": "undo", "event_id": 1}, 409),
        ({"kind": "undo", "event_id": 99}, 409),
        ({"kind": "step_done", "at_s": 1.0}, 409),
        ({"kind": "step_done", "at_s": 1e12}, 422),
        ({"kind": "whey"}, 422),
        ({"kind": "dance"}, 422),
    ],
)
def test_what_cannot_happen_is_refused_and_leaves_no_trace(client, event, status):
    batch = begin(client)
    answer = happens(client, batch["id"], **event)
    assert answer.status_code == status and answer.json["detail"]
    assert len(client.get(f"/api/batches/{batch['id']}").json["log"]) == 1
    assert client.get("/api/batches/404").status_code == 404


def test_a_key_sent_twice_happens_once_and_steps_end(client):
    first, second = (begin(client, key="begin-key-1")["id"] for _ in range(2))
    assert first == second
    for _ in range(3):
        happens(client, first, kind="whey", mass_kg=0.5, key="whey-key-1")
    assert len(client.get(f"/api/batches/{first}").json["log"]) == 2
    steps = len(client.get(f"/api/batches/{first}").json["steps"])
    for _ in range(steps):
        assert happens(client, first, kind="step_done").status_code == 201
    assert happens(client, first, kind="step_done").status_code == 409
    assert happens(client, first, kind="note", text="soft and white").json["log"][0]["text"] == "soft and white"


def test_taking_out_the_milk_leaves_the_batch_whole(client):
    batch = begin(client)
    assert client.delete("/api/larder/milks/5?version=1").status_code == 200
    assert client.delete("/api/larder/pans/2?version=1").status_code == 200
    still = client.get(f"/api/batches/{batch['id']}").json
    assert still["curdle"]["milk_name"] == "farm milk" and still["curdle"]["pan"]["name"] == "wide kadhai"


@pytest.mark.parametrize(
    "begun",
    [
        {"kind": "strain", "name": "night curd", "plan": {}},
        {"kind": "sweet", "name": "kulfi", "plan": {"sweet": "kulfi", "want": "12"}},
    ],
    ids=lambda begun: begun["kind"],
)
def test_nothing_acknowledged_is_lost_when_the_server_is_killed(tmp_path, begun):
    def post(url, body):
        request = urllib.request.Request(url, json.dumps(body).encode(), {"Content-Type": "application/json"})
        return json.loads(urllib.request.urlopen(request, timeout=60).read())

    acknowledged = []
    with serving(tmp_path) as (url, server):
        batch = post(f"{url}/api/batches", {"batch": begun})["id"]
        for i in range(1, 30):
            try:
                post(f"{url}/api/batches/{batch}/events", {"event": {"kind": "note", "text": f"note {i}"}})
            except (urllib.error.URLError, OSError):
                break
            acknowledged.append(f"note {i}")
            if i == 12:
                server.kill()
    with serving(tmp_path) as (url, _):
        kept = json.loads(urllib.request.urlopen(f"{url}/api/batches/{batch}").read())
    assert len(acknowledged) >= 12
    assert set(acknowledged) <= {line["text"] for line in kept["log"]}
    assert kept["log"][-1]["text"] == "begun"


def test_what_had_no_number_of_its_own_before_is_not_found_under_one(client):
    made = begin(client)["id"]
    assert client.get(f"/api/batches/former/curd-{made}").status_code == 404
    assert client.get(f"/api/batches/former/pan-{made}").json["name"] == "Chhena"
    assert client.get("/api/batches/former/pan-404").status_code == 404
    assert client.get("/api/batches/former/jug-1").status_code == 422


def test_a_burner_carries_one_batch_at_a_time(client, clock):
    reduce = {"milk": 5, "amount": "2 L", "pan": 2, "burner": 1, "stop": "half its volume", "sugar": ""}
    chhena = begin(client)
    refused = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "Basundi", "plan": reduce}})
    assert refused.status_code == 409 and "Chhena" in refused.json["detail"]
    twice = client.post("/api/batches", json={"batch": {"kind": "curdle", "name": "More", "plan": CURDLE}})
    assert twice.status_code == 409 and twice.json["fields"][0]["path"] == "burner"
    # off the flame it waits beside the fire, and the burner is free
    happens(client, chhena["id"], kind="step_done")
    assert (
        client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "Basundi", "plan": reduce}}).status_code
        == 201
    )
    third = client.post("/api/batches", json={"batch": {"kind": "curdle", "name": "More", "plan": CURDLE}})
    assert third.status_code == 409 and "Basundi" in third.json["detail"]
    assert begin(client, "strain", {})["burner_id"] is None and chhena["burner_id"] == 1
