"""A sweet and its bases as one making: a base lit from it belongs to it, its weight is what the sweet is reckoned from,
and what is taken back there is taken back here."""

import json

import pytest
from sqlalchemy import text

POT = {"milk": 5, "pan": 2, "burner": 1}


def begin(client, kind, plan, **more):
    answer = client.post("/api/batches", json={"batch": {"kind": kind, "name": kind, "plan": plan, **more}})
    assert answer.status_code == 201, answer.json
    return answer.json


def happens(client, batch, **event):
    answer = client.post(f"/api/batches/{batch}/events", json={"event": event})
    assert answer.status_code == 201, answer.json
    return answer.json


def look(client, batch):
    return client.get(f"/api/batches/{batch}").json


@pytest.fixture
def kulfi(client):
    return begin(client, "sweet", {"sweet": "kulfi", "school": "reduced", "want": "12", "pan": 2, "burner": 1})


def light(client, sweet, slot="R"):
    """The base as the sweet itself would have it on the Bench."""
    words = next(step["bench_words"] for step in sweet["steps"] if step["base"] == slot)
    plan = {**POT, "milk": words["milk"], "amount": words["amount"], "stop": words["stop"], "sugar": ""}
    return begin(client, "reduce", plan, parent=sweet["id"], slot=slot)


def weigh(client, clock, base, kg):
    for seconds, event in (
        (900, {"kind": "first_boil"}),
        (2400, {"kind": "off"}),
        (60, {"kind": "weighed", "mass_kg": kg}),
    ):
        clock.now += seconds
        told = happens(client, base["id"], **event)
    return told


def told_base_kg(client, sweet, slot="R"):
    words = {"sweet": sweet["sweet"], "school": "reduced", "want": "12", "pan": 2, "burner": 1}
    return next(
        b["made_kg"] for b in client.post("/api/sweets/plan", json=words).json["bases"] if b["letter"] == slot
    )


def test_the_base_belongs_to_its_making_and_its_weight_flows_on(client, clock, kulfi):
    base = light(client, kulfi)
    assert (base["parent_id"], base["slot"]) == (kulfi["id"], "R")
    assert look(client, kulfi["id"])["steps"][0]["phase"] == "running"  # it was not begun by hand
    planned = told_base_kg(client, kulfi)
    weigh(client, clock, base, round(planned * 1.2, 3))
    after = look(client, kulfi["id"])
    step = after["steps"][0]
    assert step["phase"] == "done" and step["base_batch"] == base["id"]
    assert step["base_kg"] == pytest.approx(planned * 1.2, abs=1e-3)
    # a fifth more of the base: a fifth more of what goes into it, and of the sweet
    assert after["told_kg"]["likely"] == pytest.approx(kulfi["told_kg"]["likely"] * 1.2, rel=0.02)
    before_rows, rows = kulfi["rows"], after["rows"]
    late = [i for i, row in enumerate(before_rows) if row["when"] not in ("to reduce", "to buy") and row["grams"] > 5]
    assert late
    for i in late:
        assert rows[i]["grams"] == pytest.approx(before_rows[i]["grams"] * 1.2, rel=0.03), before_rows[i]["name"]
    assert "gave" in after["log"][0]["text"] and "of the sweet from it" in after["log"][0]["text"]
    # the Book says the same
    line = next(x for x in client.get("/api/book").json["lines"] if x["id"] == kulfi["id"])
    assert line["told_kg"]["likely"] == pytest.approx(after["told_kg"]["likely"])


def test_what_is_taken_back_in_the_pan_is_taken_back_in_the_sweet(client, clock, kulfi):
    base = light(client, kulfi)
    weighed = weigh(client, clock, base, round(told_base_kg(client, kulfi) * 0.7, 3))
    less = look(client, kulfi["id"])
    assert less["told_kg"]["likely"] < kulfi["told_kg"]["likely"] * 0.8
    happens(client, base["id"], kind="undo", event_id=weighed["log"][0]["event_id"])
    back = look(client, kulfi["id"])
    assert back["told_kg"] == kulfi["told_kg"] and [r["grams"] for r in back["rows"]] == [
        r["grams"] for r in kulfi["rows"]
    ]
    assert back["steps"][0]["phase"] == "running" and back["steps"][0]["base_kg"] is None
    # weighed again, and again: the last weight counts, once
    for share in (0.9, 1.0):
        happens(client, base["id"], kind="weighed", mass_kg=round(told_base_kg(client, kulfi) * share, 3))
    again = look(client, kulfi["id"])
    assert again["told_kg"]["likely"] == pytest.approx(kulfi["told_kg"]["likely"], rel=0.02)
    happens(client, base["id"], kind="note", text="a note changes nothing")
    assert look(client, kulfi["id"])["log"] == again["log"]


def test_a_base_weighed_anew_and_taken_back_leaves_no_older_figure(client, clock, kulfi):
    base = light(client, kulfi)
    weigh(client, clock, base, 0.55)
    happens(client, base["id"], kind="weighed", mass_kg=0.7)
    sweet = look(client, kulfi["id"])
    lines = [line["event_id"] for line in sweet["log"] if line["kind"] == "base_weighed"]
    assert len(lines) == 2
    happens(client, kulfi["id"], kind="undo", event_id=max(lines))
    taken_back = look(client, kulfi["id"])
    assert all(line["undone"] for line in taken_back["log"] if line["kind"] == "base_weighed")
    step = next(s for s in taken_back["steps"] if s["base"] == "R")
    assert step["base_kg"] is None and step["phase"] != "done"
    # weighed once more it is there again, as the bowl has it
    happens(client, base["id"], kind="weighed", mass_kg=0.69)
    step = next(s for s in look(client, kulfi["id"])["steps"] if s["base"] == "R")
    assert step["base_kg"] == pytest.approx(0.69)


def test_a_base_of_two_pans_is_there_when_the_second_is(client, clock):
    """What one pan cannot hold is made in several goes: the first of them says nothing of the sweet yet."""
    words = {"sweet": "kulfi", "school": "reduced", "want": "30", "pan": 2, "burner": 1}
    sweet = begin(client, "sweet", words)
    base = next(b for b in client.post("/api/sweets/plan", json=words).json["bases"] if b["letter"] == "R")
    assert base["goes"] == 2
    first = light(client, sweet)
    weigh(client, clock, first, round(base["made_kg"] * 0.45, 3))
    half = look(client, sweet["id"])
    assert half["told_kg"] == sweet["told_kg"] and half["steps"][0]["phase"] == "running"
    assert half["steps"][0]["base_kg"] == pytest.approx(base["made_kg"] * 0.45, abs=1e-3)
    weigh(client, clock, light(client, sweet), round(base["made_kg"] * 0.45, 3))
    whole = look(client, sweet["id"])
    assert whole["steps"][0]["phase"] == "done"
    assert whole["told_kg"]["likely"] == pytest.approx(sweet["told_kg"]["likely"] * 0.9, rel=0.02)


def test_a_base_that_is_called_enough_is_reckoned_from(client, clock):
    words = {"sweet": "kulfi", "school": "reduced", "want": "60", "pan": 2, "burner": 1}
    sweet = begin(client, "sweet", words)
    base = next(b for b in client.post("/api/sweets/plan", json=words).json["bases"] if b["letter"] == "R")
    weigh(client, clock, light(client, sweet), round(base["made_kg"] * 0.5, 3))
    enough = happens(client, sweet["id"], kind="step_done", step="base-R")
    assert enough["steps"][0]["phase"] == "done"
    assert enough["told_kg"]["likely"] == pytest.approx(sweet["told_kg"]["likely"] * 0.5, rel=0.02)


def test_two_bases_flow_into_one_sweet(client, clock):
    words = {"sweet": "kalakand", "want": "24", "pan": 2, "burner": 1}
    sweet = begin(client, "sweet", words)
    pan = light(client, sweet)
    jetty = client.post("/api/larder/burners", json={"name": "jetty", "kind": "lpg-large"}).json["id"]
    asked = next(step["bench_words"] for step in sweet["steps"] if step["base"] == "C")
    half = f"{float(asked['amount'].split()[0]) / 2:.3f} L"
    curd = begin(
        client,
        "curdle",
        {**POT, "milk": asked["milk"], "use": asked["use"], "pan": 1, "burner": jetty, "amount": half},
        parent=sweet["id"],
        slot="C",
    )
    assert [s["phase"] for s in look(client, sweet["id"])["steps"][:3]] == ["running", "running", "waits"]
    weigh(client, clock, pan, pan["served_kg"]["likely"])
    alone = look(client, sweet["id"])
    assert alone["told_kg"]["likely"] == pytest.approx(sweet["told_kg"]["likely"], rel=0.1)
    happens(client, curd["id"], kind="weighed", mass_kg=curd["told_kg"]["likely"])
    both = look(client, sweet["id"])
    assert [s["phase"] for s in both["steps"][:3]] == ["done", "done", "ready"]
    # from half the milk half the curd: the scarcer base decides
    assert both["told_kg"]["likely"] == pytest.approx(sweet["told_kg"]["likely"] / 2, rel=0.15)
    assert both["stop_kg"] < sweet["stop_kg"] * 0.65
    happens(client, curd["id"], kind="undo", event_id=look(client, curd["id"])["log"][0]["event_id"])
    again = look(client, sweet["id"])
    assert again["told_kg"]["likely"] == pytest.approx(alone["told_kg"]["likely"])
    assert [s["phase"] for s in again["steps"][:2]] == ["done", "running"]


def test_what_is_no_base_of_it_is_refused_and_nothing_is_begun(client, clock, kulfi):
    plan = {**POT, "amount": "1 L", "stop": "half its volume", "sugar": ""}

    def refused(**more):
        body = {"batch": {"kind": "reduce", "name": "x", "plan": plan, **more}}
        answer = client.post("/api/batches", json=body)
        return answer.status_code, answer.json["fields"][0]["path"]

    stove = len(client.get("/api/stove").json["batches"])
    assert refused(parent=kulfi["id"], slot="X") == (422, "slot")
    assert refused(parent=404, slot="R") == (404, "batch")
    other = begin(client, "strain", {})["id"]
    assert refused(parent=other, slot="R") == (422, "parent")
    assert len(client.get("/api/stove").json["batches"]) == stove + 1
    base = light(client, kulfi)
    weigh(client, clock, base, 0.9)
    assert refused(parent=kulfi["id"], slot="R") == (409, "slot")
    assert len(look(client, kulfi["id"])["log"]) == 3


def test_a_making_given_up_lets_its_base_go_on_by_itself(client, clock, kulfi):
    base = light(client, kulfi)
    happens(client, kulfi["id"], kind="abandoned")
    assert weigh(client, clock, base, 0.9)["phase"] == "weighed"
    assert look(client, kulfi["id"])["log"][0]["text"] == "given up"
    # it stands among the weighed bases all the same
    assert str(base["id"]) in [b["ref"] for b in client.get("/api/sweets/bases").json["bases"]]


def test_a_base_that_is_weighed_is_free_once_its_making_is_given_up(client, clock, kulfi):
    base = light(client, kulfi)
    weigh(client, clock, base, 0.9)
    assert str(base["id"]) not in [b["ref"] for b in client.get("/api/sweets/bases").json["bases"]]
    happens(client, kulfi["id"], kind="abandoned")
    assert str(base["id"]) in [b["ref"] for b in client.get("/api/sweets/bases").json["bases"]]


@pytest.mark.parametrize("column", ["plan", "words"])
def test_a_making_that_is_damaged_in_the_file_does_not_hold_up_its_pan(client, clock, kulfi, column):
    base = light(client, kulfi)
    db = client.application.extensions["mulvek_database"]
    with db.writing() as session:
        session.execute(text(f"UPDATE batch SET {column} = '[1]' WHERE id = :id"), {"id": kulfi["id"]})
    db.changed()  # by a hand that it does not know of
    weighed = weigh(client, clock, base, 0.9)
    assert weighed["phase"] == "weighed"
    happens(client, base["id"], kind="undo", event_id=weighed["log"][0]["event_id"])
    happens(client, base["id"], kind="note", text="it goes on by itself")


def test_the_next_step_ends_the_last_but_no_base(client, clock):
    """One press a step; a base ends when it is weighed, and what is undone runs again."""
    sweet = begin(client, "sweet", {"sweet": "kalakand", "want": "24", "pan": 2, "burner": 1})
    happens(client, sweet["id"], kind="step_begun", step="base-R")
    happens(client, sweet["id"], kind="step_begun", step="base-C")
    refused = client.post(
        f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "step_begun", "step": "join"}}
    )
    assert refused.status_code == 409 and "First" in refused.json["detail"]
    for step in ("base-R", "base-C"):
        happens(client, sweet["id"], kind="step_done", step=step)
    happens(client, sweet["id"], kind="step_begun", step="join")
    clock.now += 300
    cooking = happens(client, sweet["id"], kind="step_begun", step="cook")
    phases = {step["key"]: (step["phase"], step["done_at_s"]) for step in cooking["steps"]}
    assert phases["join"] == ("done", clock.now) and phases["cook"][0] == "running"
    back = happens(client, sweet["id"], kind="undo", event_id=cooking["undo_id"])
    phases = {step["key"]: step["phase"] for step in back["steps"]}
    assert phases["join"] == "running" and phases["cook"] == "waits"
    ahead = client.post(f"/api/batches/{sweet['id']}/events", json={"event": {"kind": "step_begun", "step": "press"}})
    assert ahead.status_code == 409


@pytest.fixture
def caramel(client):
    """A sweet that is a caramel, and the caramel lit for it."""
    words = {"sweet": "caramel-milk", "want": "400 g", "pan": 2, "burner": 1}
    sweet = begin(client, "sweet", words)
    said = next(step["bench_words"] for step in sweet["steps"] if step["lit_slot"] == "CARAMEL")
    plan = {**said, "milk_amount": said["amount"], "pan": 2, "burner": 1}
    plan.pop("amount")
    lit = begin(client, "caramel", plan, parent=sweet["id"], slot="CARAMEL")
    return sweet["id"], lit["id"]


def phases(client, sweet):
    return [step["phase"] for step in look(client, sweet)["steps"]]


def test_a_sweets_steps_stand_where_its_caramel_stands(client, clock, caramel):
    sweet, lit = caramel
    assert phases(client, sweet) == ["running", "waits", "waits", "waits"]
    clock.now += 400
    happens(client, lit, kind="off")
    assert phases(client, sweet) == ["done", "running", "waits", "waits"]
    back = look(client, lit)["undo_id"]
    happens(client, lit, kind="undo", event_id=back)  # it was another pan
    assert phases(client, sweet) == ["running", "waits", "waits", "waits"]
    happens(client, lit, kind="undo", event_id=look(client, lit)["log"][0]["event_id"] + 1)
    assert phases(client, sweet) == ["done", "running", "waits", "waits"]
    while pour := look(client, lit)["next_pour"]:
        clock.now += 60
        happens(client, lit, kind="added", what=pour["what"], mass_kg=round(pour["mass_kg"], 3))
    assert phases(client, sweet) == ["done", "done", "running", "waits"]
    clock.now += 900
    happens(client, lit, kind="weighed", mass_kg=0.333)
    assert phases(client, sweet) == ["done", "done", "done", "ready"] and look(client, sweet)["weighed_kg"] == 0.333
    happens(client, lit, kind="weighed", mass_kg=0.35)
    assert look(client, sweet)["weighed_kg"] == 0.35
    happens(client, lit, kind="undo", event_id=look(client, lit)["undo_id"])
    happens(client, lit, kind="undo", event_id=look(client, lit)["undo_id"])
    assert phases(client, sweet)[2] == "running" and look(client, sweet)["weighed_kg"] is None


def test_what_is_no_caramel_has_no_place_as_one(client, clock, caramel):
    sweet, lit = caramel
    plan = look(client, lit)["plan"]
    for kind, words, slot in (
        ("caramel", plan, "R"),
        ("reduce", {**POT, "amount": "1 L", "stop": "a half"}, "CARAMEL"),
    ):
        body = {"kind": kind, "name": "x", "plan": {**words, "burner": 1}, "parent": sweet, "slot": slot}
        answer = client.post("/api/batches", json={"batch": body})
        assert answer.status_code == 422 and answer.json["fields"][0]["path"] in ("slot", "stop"), answer.json


def test_a_caramel_given_up_leaves_its_sweet_as_it_stood(client, clock, caramel):
    sweet, lit = caramel
    happens(client, lit, kind="off")
    stood = phases(client, sweet)
    happens(client, lit, kind="abandoned")
    assert phases(client, sweet) == stood and look(client, lit)["finished"]
    # its burner is free for the next try, which takes its place
    again = (
        begin(client, "caramel", look(client, lit)["plan"], parent=sweet, slot="CARAMEL")
        if stood[0] != "done"
        else None
    )
    assert again is None or again["parent_id"] == sweet


def test_a_weighed_caramel_stands_in_the_larder_and_its_csv_can_be_had(client, clock):
    lit = begin(client, "caramel", {**POT, "sugar": "200 g", "milk_amount": "500 ml"})
    clock.now += 400
    happens(client, lit["id"], kind="reading", how="temperature", value=166)
    happens(client, lit["id"], kind="off")
    for what, kg in (("butter", 0.02), ("milk", 0.515), ("condensed", 0.2)):
        happens(client, lit["id"], kind="added", what=what, mass_kg=kg)
    clock.now += 600
    kg = round(look(client, lit["id"])["told_kg"]["likely"], 3)
    happens(client, lit["id"], kind="weighed", mass_kg=kg)
    stands = client.get("/api/sweets/bases").json["bases"]
    assert [(b["ref"], b["mass_kg"]) for b in stands] == [(str(lit["id"]), kg)]
    assert stands[0]["fridge_days"] >= 1 and stands[0]["added_sugar"] > 0.2 and not stands[0]["does"]
    table = client.get(f"/api/book/{lit['id']}/readings.csv")
    assert table.status_code == 200 and "166" in table.text
    happens(client, lit["id"], kind="gone", why="used-up")
    assert client.get("/api/sweets/bases").json["bases"] == []


def test_each_load_of_the_pan_has_its_own_clock(client, clock):
    """Twice as many balls as the pan has room for: the step lasts for all loads, and asks at the end of each."""
    words = {"sweet": "sponge-balls", "want": "40", "pan": 2, "burner": 1}
    told = client.post("/api/sweets/plan", json=words).json
    loads = told["syrup"]["goes"]
    assert loads >= 2
    sweet = begin(client, "sweet", words)
    boil = next(s for s in sweet["steps"] if s["key"] == "boil")
    assert boil["loads"] == loads and boil["seconds"]["likely"] == loads * 16 * 60
    for step in sweet["steps"]:
        if step["key"] == "boil":
            break
        happens(client, sweet["id"], kind="step_done", step=step["key"])
    happens(client, sweet["id"], kind="step_begun", step="boil")

    def asks():
        found = look(client, sweet["id"])["nudges"]
        return {n["key"]: (n["act"], round(n["due_at_s"] - clock.now)) for n in found}

    clock.now += 600
    assert asks()["boil-load"] == (
        f"Load 1 of {loads} is done: lift it out; when it boils again, the next goes in.",
        360,
    )
    clock.now += 400  # the first is over: asked for a while longer, then the next one's clock is told
    assert asks()["boil-load"][1] == -40
    clock.now += 200
    later = asks()
    assert ("boil-load" in later) == (loads > 2)
    assert later["boil"][1] == (loads * 16 * 60) - 1200
    # off the fire for a while no load goes on
    happens(client, sweet["id"], kind="paused")
    clock.now += 300
    assert list(asks()) == ["paused"]
    happens(client, sweet["id"], kind="resumed")
    assert asks()["boil"][1] == (loads * 16 * 60) - 1200


@pytest.mark.parametrize(("sweet", "want"), [("fried-balls", "60"), ("milk-poli", "24"), ("bread-rabri", "12")])
def test_each_load_of_the_fat_has_its_own_clock_once_the_fat_is_hot(client, clock, sweet, want):
    """More pieces than float in the pan: the fat is heated once, and each load has its time in it."""
    words = {"sweet": sweet, "want": want, "pan": 2, "burner": 1}
    told = client.post("/api/sweets/plan", json=words).json
    fry, step = told["fry"], next(s for s in told["steps"] if s["step"]["key"] == "fry")
    loads = step["step"]["loads"]
    assert loads == fry["goes"] >= 2 and loads * fry["at_once"] >= int(told["pieces"]["likely"])
    assert step["facts"][-1].startswith(f"{loads} loads of {fry['at_once']} at the most")
    heats = step["step"]["heats_s"]
    each = (step["step"]["seconds"]["likely"] - heats) / loads
    assert fry["sets_s"]["likely"] < each <= fry["sets_s"]["likely"] + 60 and heats == 480
    few = client.post("/api/sweets/plan", json={**words, "want": "2"}).json
    alone = next(s["step"] for s in few["steps"] if s["step"]["key"] == "fry")
    assert alone["loads"] == 1 and few["fry"]["goes"] == 1
    assert alone["seconds"]["likely"] == pytest.approx(heats + few["fry"]["sets_s"]["likely"])
    made = begin(client, "sweet", words)
    for before in made["steps"]:
        if before["key"] == "fry":
            break
        happens(client, made["id"], kind="step_done", step=before["key"])
    happens(client, made["id"], kind="step_begun", step="fry")

    def load_due():
        found = {n["key"]: n for n in look(client, made["id"])["nudges"]}
        return found["fry-load"]["act"], found["fry-load"]["due_at_s"] - clock.now

    act, due = load_due()
    assert act == f"Load 1 of {loads} is done: lift it out; when the fat is hot again, the next goes in."
    assert due == pytest.approx(heats + each)
    if loads > 2:
        clock.now += heats + 1.8 * each
        act, due = load_due()
        assert act.startswith("Load 2") and due == pytest.approx(0.2 * each)


def test_a_sweet_that_says_otherwise_holds_up_no_pan(client, clock, caramel):
    """Its steps were taken back or ticked by hand: the caramel goes on all the same."""
    sweet, lit = caramel
    happens(client, lit, kind="off")
    mine = look(client, sweet)
    for line in mine["log"]:
        if line["kind"] in ("step_begun", "step_done") and not line["undone"]:
            happens(client, sweet, kind="undo", event_id=line["event_id"])
    while pour := look(client, lit)["next_pour"]:
        clock.now += 60
        assert happens(client, lit, kind="added", what=pour["what"], mass_kg=round(pour["mass_kg"], 3))
    clock.now += 900
    assert happens(client, lit, kind="weighed", mass_kg=0.3)["finished"]
    happens(client, sweet, kind="abandoned")
    assert happens(client, lit, kind="note", text="all the same")["weighed_kg"] == 0.3


def test_grams_flow_along_the_steps_and_none_is_lost(client, clock, kulfi):
    """What a step holds is what came into it and what goes in there; at the end is what is told."""
    for words in (
        {"sweet": "kalakand", "want": "24"},
        {"sweet": "bread-rabri", "school": "quick", "want": "12"},
        {"sweet": "poached-slices", "want": "8"},
        {"sweet": "caramel-milk", "want": "400 g"},
    ):
        sweet = begin(client, "sweet", {**words, "pan": 2, "burner": 1})
        rows = {s["key"]: sum(r["grams"] for r in sweet["rows"] if r["step"] == s["key"]) for s in sweet["steps"]}
        assert sum(rows.values()) == pytest.approx(sum(r["grams"] for r in sweet["rows"])), words
        for step in sweet["steps"]:
            came = sum(s["out_kg"] for s in sweet["steps"] if s["into"] == step["key"])
            assert step["in_kg"] == pytest.approx(came + rows[step["key"]] / 1e3, abs=1e-9), step["key"]
            assert step["out_kg"] <= step["in_kg"] * 1.001, step["key"]
        assert sweet["steps"][-1]["into"] == "" and sweet["steps"][-1]["out_kg"] == sweet["told_kg"]["likely"]


def test_a_sweet_of_a_former_release_has_its_river_too(client, clock, kulfi):
    """Its lines were kept without the step they go into."""
    database = client.application.extensions["mulvek_database"]
    with database.writing() as session:
        plan = session.execute(text("SELECT plan FROM batch WHERE id = :id"), {"id": kulfi["id"]}).scalar_one()
        old = json.loads(plan) if isinstance(plan, str) else plan
        for row in old["rows"]:
            del row["step"]
        session.execute(
            text("UPDATE batch SET plan = :plan WHERE id = :id"), {"plan": json.dumps(old), "id": kulfi["id"]}
        )
    database._batches.clear()  # as after a start
    base = look(client, kulfi["id"])["steps"][0]
    assert base["in_kg"] == pytest.approx(kulfi["steps"][0]["in_kg"]) and base["in_kg"] > 1.0


def burners(client, batch):
    return look(client, batch)["burners"]


def refused(client, batch, status, field, **event):
    answer = client.post(f"/api/batches/{batch}/events", json={"event": event})
    assert answer.status_code == status and answer.json["fields"][0]["path"] == field, answer.json
    return answer.json["detail"]


def test_a_step_on_the_fire_takes_its_burner(client, clock):
    """Nobody else's milk goes there meanwhile, nor another step; it is free when the step is done, off for a while, or
    taken back."""
    first, other, *_ = (b["id"] for b in client.get("/api/larder").json["burners"])
    bread = {"sweet": "bread-rabri", "want": "8", "pan": 2, "burner": 1}
    a, b = (begin(client, "sweet", bread)["id"] for _ in range(2))
    assert burners(client, a) == {}
    happens(client, a, kind="step_begun", step="syrup", burner=first)
    assert burners(client, a) == {"syrup": first} and first != other
    assert "syrup" in refused(client, a, 409, "burner", kind="step_begun", step="fry", burner=first)
    refused(client, b, 409, "burner", kind="step_begun", step="syrup", burner=first)
    milk = {"batch": {"kind": "reduce", "name": "tea milk", "plan": {**POT, "amount": "1 L", "stop": "a half"}}}
    lit = client.post("/api/batches", json=milk)
    assert lit.status_code == 409 and lit.json["fields"][0]["path"] == "burner"
    happens(client, a, kind="step_begun", step="fry", burner=other)
    assert burners(client, a) == {"syrup": first, "fry": other}
    # off the fire for a while, both are free, and cannot be put back where something stands by then
    happens(client, a, kind="paused")
    happens(client, b, kind="step_begun", step="syrup", burner=first)
    refused(client, a, 409, "burner", kind="resumed")
    undone = look(client, b)["undo_id"]
    happens(client, b, kind="undo", event_id=undone)
    happens(client, a, kind="resumed")
    happens(client, a, kind="step_done", step="syrup")
    assert burners(client, a) == {"fry": other}
    assert client.post("/api/batches", json=milk).status_code == 201
    # what is no burner, or does not cook
    refused(client, b, 404, "burner", kind="step_begun", step="syrup", burner=99)
    happens(client, a, kind="step_begun", step="soak")
    refused(client, b, 422, "burner", kind="step_begun", step="soak", burner=other)
    happens(client, a, kind="abandoned")
    assert burners(client, a) == {}


def test_a_step_that_follows_another_on_its_burner_ends_it(client, clock):
    sweet = begin(
        client, "sweet", {"sweet": "carrot-halwa", "school": "own-water", "want": "6", "pan": 2, "burner": 1}
    )
    there = sweet["id"]
    happens(client, there, kind="step_begun", step="soften", burner=1)
    happens(client, there, kind="step_begun", step="cook", burner=1)
    assert burners(client, there) == {"cook": 1}
    old = begin(client, "sweet", {"sweet": "carrot-halwa", "want": "6", "pan": 2, "burner": 1})["id"]
    happens(client, old, kind="step_begun", step="soften")  # as a former release says it: on no burner that is known
    assert burners(client, old) == {}


def another_pan(client, width_m, name="wide one"):
    shape = {"kind": "straight", "diameter_m": width_m, "height_m": 0.12}
    return client.post("/api/larder/pans", json={"name": name, "shape": shape, "mass_kg": 1.9}).json["id"]


def test_a_step_on_the_fire_takes_its_pan(client, clock):
    """Nothing else cooks in it meanwhile, of this sweet or of another; it is free when the step is done."""
    client.post("/api/larder/burners", json={"name": "jetty", "kind": "lpg-large"})
    first, other, third, *_ = (b["id"] for b in client.get("/api/larder").json["burners"])
    wide = another_pan(client, 0.30)
    bread = {"sweet": "bread-rabri", "want": "8", "pan": 2, "burner": 1}
    a, b = (begin(client, "sweet", bread)["id"] for _ in range(2))
    assert (look(client, a)["usual_pan"], look(client, a)["usual_burner"], look(client, a)["pans"]) == (2, 1, {})
    happens(client, a, kind="step_begun", step="syrup", burner=first, pan=2)
    assert look(client, a)["pans"] == {"syrup": 2}
    assert "in it" in refused(client, a, 409, "pan", kind="step_begun", step="fry", burner=other, pan=2)
    assert "two alike" in refused(client, b, 409, "pan", kind="step_begun", step="syrup", burner=other, pan=2)
    milk = {
        "batch": {
            "kind": "reduce",
            "name": "tea milk",
            "plan": {**POT, "burner": other, "amount": "1 L", "stop": "a half"},
        }
    }
    refused(client, b, 404, "pan", kind="step_begun", step="syrup", burner=other, pan=99)
    refused(client, b, 422, "pan", kind="step_begun", step="soak", pan=wide)
    happens(client, a, kind="step_done", step="syrup")
    assert look(client, a)["pans"] == {}
    boiling = client.post("/api/batches", json=milk).json["id"]
    refused(client, a, 409, "pan", kind="step_begun", step="fry", burner=first, pan=2)
    # poured into another pan, it leaves its own free, and takes that one
    happens(client, boiling, kind="pan_swapped", pan=wide)
    assert look(client, boiling)["pan_id"] == wide
    refused(client, a, 409, "pan", kind="step_begun", step="fry", burner=third, pan=wide)
    happens(client, a, kind="step_begun", step="fry", burner=third, pan=2)


def test_a_step_in_another_pan_has_its_minutes_loads_and_figures_there(client, clock):
    """As a plan in that pan would have told them; taken back, it is told as before."""
    narrow = another_pan(client, 0.14, "small one")
    words = {"sweet": "sponge-balls", "want": "20", "pan": 2, "burner": 1}
    sweet = begin(client, "sweet", words)
    elsewhere = client.post("/api/sweets/plan", json={**words, "pan": narrow}).json
    there = next(s for s in elsewhere["steps"] if s["step"]["key"] == "boil")
    here = next(s for s in sweet["steps"] if s["key"] == "boil")
    assert there["step"]["loads"] > here["loads"] and there["facts"] != here["facts"]
    for step in sweet["steps"]:
        if step["key"] == "boil":
            break
        happens(client, sweet["id"], kind="step_done", step=step["key"])
    begun = happens(client, sweet["id"], kind="step_begun", step="boil", burner=1, pan=narrow)
    boil = next(s for s in begun["steps"] if s["key"] == "boil")
    assert (boil["loads"], boil["seconds"], boil["facts"]) == (
        there["step"]["loads"],
        there["step"]["seconds"],
        there["facts"],
    )
    undone = happens(client, sweet["id"], kind="undo", event_id=begun["undo_id"])
    boil = next(s for s in undone["steps"] if s["key"] == "boil")
    assert (boil["loads"], boil["facts"]) == (here["loads"], here["facts"])
    # in the pan it was planned in nothing is told anew
    again = happens(client, sweet["id"], kind="step_begun", step="boil", burner=1, pan=2)
    boil = next(s for s in again["steps"] if s["key"] == "boil")
    assert (boil["loads"], boil["seconds"], boil["facts"]) == (here["loads"], here["seconds"], here["facts"])


def test_what_hands_are_told_follows_what_was_weighed(client, clock):
    """The syrup's grams, the balls' size and the stop on the scale differ from a fresh plan of that weight by nothing."""
    words = {"sweet": "sponge-balls", "want": "20", "pan": 2, "burner": 1}
    sweet = begin(client, "sweet", words)
    asked = next(step["bench_words"] for step in sweet["steps"] if step["base"] == "C")
    milk = {**POT, "milk": asked["milk"], "use": asked["use"], "amount": asked["amount"]}
    alone = begin(client, "curdle", milk)  # the same chhena, of no sweet
    light_kg = round(alone["told_kg"]["likely"] * 0.88, 4)
    happens(client, alone["id"], kind="weighed", mass_kg=light_kg)
    curd = begin(client, "curdle", milk, parent=sweet["id"], slot="C")
    happens(client, curd["id"], kind="weighed", mass_kg=light_kg)
    now = look(client, sweet["id"])
    of_it = {
        "want": "",
        "have": [{"what": "C", "amount": f"{light_kg * 1e3:.1f} g"}],
        "bases": {"C": str(alone["id"])},
    }
    fresh = client.post("/api/sweets/plan", json={**words, **of_it}).json
    told = {s["step"]["key"]: s["facts"] for s in fresh["steps"]}
    facts = {s["key"]: s["facts"] for s in now["steps"] if not s["base"]}
    assert facts == {key: told[key] for key in facts}
    before = {s["key"]: s["facts"] for s in sweet["steps"]}
    assert facts["syrup"] != before["syrup"] and "of sugar" in facts["syrup"][0]
    sugar = (
        next(row["grams"] for row in now["rows"] if row["key"] == "white-sugar") if "key" in now["rows"][0] else None
    )
    assert sugar is None or f"{sugar:.0f} g" in facts["syrup"][0]
    happens(client, curd["id"], kind="undo", event_id=look(client, curd["id"])["undo_id"])
    assert {s["key"]: s["facts"] for s in look(client, sweet["id"])["steps"]} == before


def test_only_the_step_that_cooks_it_down_has_a_weight_to_stop_at(client, clock):
    sweet = begin(client, "sweet", {"sweet": "kalakand", "want": "24", "pan": 2, "burner": 1})
    assert [s["key"] for s in sweet["steps"] if s["stop_kg"]] == ["cook"]
    cook = next(s for s in sweet["steps"] if s["key"] == "cook")
    assert cook["stop_kg"] == sweet["stop_kg"] == pytest.approx(cook["out_kg"])
