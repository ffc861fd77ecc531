"""What stands weighed in the fridge: taken for a sweet, whole or in part, never more than there is, and given back."""

import pytest

from tests.web.test_making import POT, begin, happens, look, weigh

KALAKAND = {"sweet": "kalakand", "want": "24", "pan": 2, "burner": 1}
BALLS = {"sweet": "sponge-balls", "want": "20", "pan": 2, "burner": 1}


def curd(client, clock, kg, use="sponge", amount="3 L", **more):
    batch = begin(client, "curdle", {**POT, "milk": "cow", "use": use, "amount": amount}, **more)
    for _ in range(12):
        steps = look(client, batch["id"])["steps"]
        if all(step["done_at_s"] for step in steps):
            break
        clock.now += 300
        happens(client, batch["id"], kind="step_done")
    return happens(client, batch["id"], kind="weighed", mass_kg=kg)


def take(client, sweet, batch, status=201, **more):
    answer = client.post(f"/api/batches/{sweet}/take", json={"slot": "C", "batch": batch, **more})
    assert answer.status_code == status, answer.json
    return answer.json


def standing(client):
    return {b["ref"]: b["mass_kg"] for b in client.get("/api/sweets/bases").json["bases"]}


def step(sweet, slot="C"):
    return next(s for s in sweet["steps"] if s["base"] == slot)


def told(client, words, slot="C"):
    plan = client.post("/api/sweets/plan", json=words).json
    return next(b["made_kg"] for b in plan["bases"] if b["letter"] == slot)


def test_the_chhena_of_another_day_goes_into_the_sweet(client, clock):
    made = curd(client, clock, 0.5)
    clock.now += 20 * 3600
    sweet = begin(client, "sweet", BALLS)
    needed = told(client, BALLS)
    after = take(client, sweet["id"], made["id"])
    assert step(after)["phase"] == "done" and step(after)["base_kg"] == pytest.approx(needed)
    assert standing(client)[str(made["id"])] == pytest.approx(0.5 - needed)
    assert any(f" of {made['name']}, " in line["text"] for line in after["log"])
    assert f"of it into {sweet['name']}" in look(client, made["id"])["log"][0]["text"]
    # to the gram what a fresh plan of that much of it says
    have = [{"what": "C", "amount": f"{needed * 1e3:.1f} g"}]
    words = {**BALLS, "want": "", "have": have, "bases": {"C": str(made["id"])}}
    happens(client, sweet["id"], kind="undo", event_id=after["undo_id"])
    fresh = client.post("/api/sweets/plan", json=words).json
    assert after["told_pieces"] == fresh["pieces"] and after["told_kg"] == fresh["finished"]


def test_what_is_undone_in_the_sweet_or_in_the_bowl_is_undone_in_both(client, clock):
    made = curd(client, clock, 0.4)
    sweet = begin(client, "sweet", BALLS)
    after = take(client, sweet["id"], made["id"], amount="200 g")
    back = happens(client, sweet["id"], kind="undo", event_id=after["undo_id"])
    assert standing(client)[str(made["id"])] == 0.4 and back["told_kg"] == sweet["told_kg"]
    take(client, sweet["id"], made["id"], amount="0.3 kg")
    bowl = look(client, made["id"])
    assert standing(client)[str(made["id"])] == pytest.approx(0.1)
    happens(client, made["id"], kind="undo", event_id=bowl["log"][0]["event_id"])
    assert standing(client)[str(made["id"])] == 0.4
    assert (
        look(client, sweet["id"])["told_kg"] == sweet["told_kg"]
        and step(look(client, sweet["id"]))["base_kg"] is None
    )


def test_one_chhena_for_two_sweets_and_never_more_than_there_is(client, clock):
    made = curd(client, clock, 0.5)
    first, second = begin(client, "sweet", BALLS), begin(client, "sweet", {**BALLS, "want": "30"})
    take(client, first["id"], made["id"], amount="300 g")
    said = take(client, second["id"], made["id"], 422, amount="300 g")
    assert said["fields"][0]["path"] == "mass_kg" and "200 g of it is left" in said["detail"]
    after = take(client, second["id"], made["id"])
    assert step(after)["base_kg"] == pytest.approx(0.2) and str(made["id"]) not in standing(client)
    # two thirds of what it needs: it waits for more of it, or for the cook to say that it is enough
    assert step(after)["phase"] == "running"
    enough = happens(client, second["id"], kind="step_done", step="base-C")
    assert enough["told_kg"]["likely"] < second["told_kg"]["likely"] * 0.8
    assert take(client, first["id"], made["id"], 409)["fields"][0]["path"] == "slot"
    third = begin(client, "sweet", BALLS)
    assert "Nothing is left" in take(client, third["id"], made["id"], 409)["detail"]


def test_the_rest_of_a_base_is_made_for_it(client, clock):
    """Half from the fridge, half from a milk that is curdled for it: together they are the base."""
    made = curd(client, clock, 0.15)
    sweet = begin(client, "sweet", BALLS)
    needed = told(client, BALLS)
    half = take(client, sweet["id"], made["id"])
    assert step(half)["phase"] == "running" and half["told_kg"] == sweet["told_kg"]
    curd(client, clock, round(needed - 0.15, 3), amount="1 L", parent=sweet["id"], slot="C")
    after = look(client, sweet["id"])
    assert step(after)["phase"] == "done" and step(after)["base_kg"] == pytest.approx(needed, abs=1e-3)
    assert after["told_kg"]["likely"] == pytest.approx(sweet["told_kg"]["likely"], rel=0.03)


def test_only_what_it_is_made_of_can_be_taken(client, clock):
    pan = begin(client, "reduce", {**POT, "amount": "2 L", "stop": "half its volume", "sugar": ""})
    boiling = take(client, begin(client, "sweet", KALAKAND)["id"], pan["id"], 422)
    assert boiling["fields"][0]["path"] == "batch" and "weighed" in boiling["detail"]
    weigh(client, clock, pan, 0.9)
    sweet = begin(client, "sweet", BALLS)
    assert take(client, sweet["id"], pan["id"], 422)["fields"][0]["path"] == "batch"
    answer = client.post(f"/api/batches/{sweet['id']}/take", json={"slot": "R", "batch": pan["id"]})
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "slot"
    answer = client.post(f"/api/batches/{pan['id']}/take", json={"slot": "C", "batch": sweet["id"]})
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "slot"


def test_a_base_made_for_another_sweet_is_shared_while_both_are_only_bases(client, clock):
    first = begin(client, "sweet", BALLS)
    made = curd(client, clock, 0.5, parent=first["id"], slot="C")
    assert step(look(client, first["id"]))["base_kg"] == 0.5 and str(made["id"]) not in standing(client)
    second = begin(client, "sweet", BALLS)
    take(client, second["id"], made["id"], amount="200 g")
    assert step(look(client, first["id"]))["base_kg"] == pytest.approx(0.3)
    assert step(look(client, second["id"]))["base_kg"] == pytest.approx(0.2)
    happens(client, first["id"], kind="step_begun", step="knead")
    third = begin(client, "sweet", BALLS)
    assert "went into its own sweet" in take(client, third["id"], made["id"], 409)["detail"]


def test_a_sweet_planned_from_what_stands_there_takes_it(client, clock):
    made = curd(client, clock, 0.5)
    words = {**BALLS, "bases": {"C": str(made["id"])}}
    needed = told(client, words)
    key = "the-same-beginning"
    for _ in range(2):  # sent twice, taken once
        begin(client, "sweet", words, key=key)
    assert standing(client)[str(made["id"])] == pytest.approx(0.5 - needed, abs=1e-6)


def test_used_up_and_thrown_away(client, clock):
    made = curd(client, clock, 0.3)
    gone = happens(client, made["id"], kind="gone", why="spoiled")
    assert str(made["id"]) not in standing(client) and "spoiled" in gone["log"][0]["text"]
    assert (
        client.post(
            f"/api/batches/{made['id']}/events", json={"event": {"kind": "gone", "why": "used-up"}}
        ).status_code
        == 409
    )
    happens(client, made["id"], kind="undo", event_id=gone["log"][0]["event_id"])
    assert standing(client)[str(made["id"])] == 0.3
    sweet = begin(client, "sweet", BALLS)
    answer = client.post(f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "gone", "why": "spoiled"}})
    assert answer.status_code == 409
    assert (
        client.post(
            f"/api/batches/{made['id']}/events",
            json={"event": {"kind": "taken", "slot": "C", "to_batch": 1, "mass_kg": 1.0, "name": "x"}},
        ).status_code
        == 422
    )
