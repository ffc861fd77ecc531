"""The computer's clock starts wrong, jumps, or is put right: nothing is refused, no minute is lost or doubled."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.errors import Unavailable
from mulvek.web.app import create_app, stop
from mulvek.web.kitchen_clock import UNREMARKED_S, KitchenClock
from tests.kitchens import EPOCH_S, Clock, words

HOUR = 3600.0


class Computer:
    """A clock that is set, and one that nobody sets."""

    def __init__(self, wall=EPOCH_S):
        self.wall, self.ticks = Clock(wall), Clock(0.0)

    def runs(self, seconds):
        self.wall.now += seconds
        self.ticks.now += seconds


@pytest.fixture
def computer():
    return Computer()


@pytest.fixture
def served(tmp_path, templates, computer):
    """A kitchen on that computer; called again, it is started anew."""
    file = templates.own(tmp_path / "kitchen.sqlite3")
    apps = []

    def start():
        if apps:
            stop(apps.pop())
        apps.append(create_app(file, clock=computer.wall, ticks=computer.ticks))
        return apps[0].test_client()

    yield start
    stop(apps.pop())


def light(client):
    lit = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "B", "plan": words()}})
    assert lit.status_code == 201, lit.json
    return lit.json["id"]


def log(client, batch, kind="stirred", **more):
    event = {"kind": kind, **more}
    return client.post(f"/api/batches/{batch}/events", json={"event": event})


@pytest.mark.parametrize("jump", [-5 * HOUR, 3 * HOUR, -56 * 365 * 24 * HOUR, 365 * 24 * HOUR])
def test_a_jump_while_milk_boils_changes_no_minute(served, computer, jump):
    client = served()
    batch = light(client)
    computer.runs(600)
    assert log(client, batch, "first_boil").status_code == 201
    computer.runs(300)
    before = client.get(f"/api/batches/{batch}").json["to_stop_s"]["likely"]
    computer.wall.now += jump
    computer.runs(60)
    assert client.get("/api/clock").json["off_s"] == pytest.approx(jump)
    now = client.get(f"/api/batches/{batch}").json
    assert before - 75 < now["to_stop_s"]["likely"] < before - 45
    assert log(client, batch).status_code == 201
    computer.runs(60)
    assert log(client, batch, "off").status_code == 201


@pytest.mark.parametrize("start", [0.0, EPOCH_S - 4 * HOUR, EPOCH_S + 4 * HOUR])
def test_a_computer_that_starts_with_a_wrong_clock_refuses_nothing(served, computer, start):
    """It was off in between, as after a power cut; the clock's battery was flat, or it was set to another zone."""
    client = served()
    batch = light(client)
    computer.runs(600)
    log(client, batch, "first_boil")
    computer.wall.now, computer.ticks.now = start, 0.0
    client = served()
    state = client.get(f"/api/batches/{batch}").json
    assert state["phase"] == "boiling" and len(state["log"]) == 2
    computer.runs(30)
    assert log(client, batch).status_code == 201
    assert log(client, batch, "note", text="said before", at_s=EPOCH_S + 620, waited=True).status_code == 201
    times = [line["at_s"] for line in client.get(f"/api/batches/{batch}").json["log"]]
    assert times == sorted(times, reverse=True) and len(times) == 4


def test_the_cook_takes_the_computers_clock_and_all_that_runs_moves_with_it(served, computer):
    client = served()
    batch = light(client)
    curd = client.post("/api/batches", json={"batch": {"kind": "strain", "name": "Hung", "plan": {}}}).json
    computer.runs(600)
    log(client, batch, "first_boil")
    computer.runs(120)
    before = client.get(f"/api/batches/{batch}").json
    hung = client.get(f"/api/batches/{curd['id']}").json
    computer.wall.now -= 2 * HOUR
    assert client.get("/api/clock").json["off_s"] == -2 * HOUR
    taken = client.post("/api/clock/take", json={}).json
    assert taken == {"now_s": pytest.approx(computer.wall.now), "off_s": 0.0}
    after = client.get(f"/api/batches/{batch}").json
    assert after["to_stop_s"] == pytest.approx(before["to_stop_s"], rel=1e-6)
    for a, b in zip(after["log"], before["log"], strict=True):
        assert a["at_s"] == pytest.approx(b["at_s"] - 2 * HOUR)
    moved = client.get(f"/api/batches/{curd['id']}").json
    assert moved["steps"][0]["due_s"] == pytest.approx(hung["steps"][0]["due_s"])
    assert log(client, batch).status_code == 201


def test_when_it_cannot_be_written_nothing_moves(served, computer, monkeypatch):
    client = served()
    batch = light(client)
    computer.wall.now -= 2 * HOUR
    before = client.get(f"/api/batches/{batch}").json

    def full(*_args):
        raise Unavailable("kitchen", "disk-full", retry_s=15.0)

    monkeypatch.setattr("mulvek.web.clock.move_running", full)
    assert client.post("/api/clock/take", json={}).status_code == 503
    assert client.get("/api/clock").json["off_s"] == -2 * HOUR
    assert client.get(f"/api/batches/{batch}").json == before


def test_with_nothing_on_the_fire_the_computers_clock_is_followed(served, computer):
    client = served()
    computer.wall.now += 7 * HOUR
    computer.runs(10)
    assert client.get("/api/clock").json == {"now_s": computer.wall.now, "off_s": 0.0}


def test_what_waited_in_a_browser_is_never_refused_for_its_time(served, computer):
    client = served()
    batch = light(client)
    late = log(client, batch, "note", text="ahead", at_s=EPOCH_S + 9 * HOUR, waited=True)
    early = log(client, batch, "note", text="behind", at_s=EPOCH_S - 9 * HOUR, waited=True)
    assert late.status_code == early.status_code == 201
    said = {line["text"]: (line["at_s"], line["said_s"]) for line in early.json["log"]}
    assert said["ahead"] == (EPOCH_S, EPOCH_S + 9 * HOUR) and said["behind"] == (EPOCH_S, EPOCH_S - 9 * HOUR)
    typed = log(client, batch, "note", text="typed", at_s=EPOCH_S + 9 * HOUR)
    assert typed.status_code == 422 and typed.json["fields"][0]["path"] == "at_s"


steps = st.lists(st.tuples(st.floats(0, 4000), st.floats(-9e8, 9e8) | st.floats(-90, 90)), max_size=12)


@given(steps, st.booleans())
@settings(deadline=None)
def test_it_never_goes_back_and_never_stands_still_while_something_runs(jumps, running):
    computer = Computer()
    clock = KitchenClock(lambda: EPOCH_S if running else None, computer.wall, computer.ticks)
    last = clock()
    for passed, jump in jumps:
        computer.wall.now += jump
        computer.runs(passed)
        now = clock()
        if running:
            assert passed - 1e-6 <= now - last <= passed + UNREMARKED_S + 1e-6
        last = now


def test_a_pan_forgotten_for_a_year_costs_no_more_than_for_a_day(client, clock):
    """Counted in the steps of the estimate, which are most of the work."""
    from mulvek.core.batch import estimate

    lit = light(client)
    clock.now += 600
    log(client, lit, "first_boil")
    calls = []
    curve = estimate.Estimate.predicted

    def counted(self, seconds, of, driest_kg=0.0):
        def each(water):
            calls.append(water)
            return of(water)

        return curve(self, seconds, each, driest_kg)

    estimate.Estimate.predicted = counted
    try:
        clock.now += 24 * HOUR
        client.get("/api/stove")
        day = len(calls)
        calls.clear()
        clock.now += 364 * 24 * HOUR
        assert client.get("/api/stove").status_code == 200
        assert len(calls) <= 1.2 * day + 10
    finally:
        estimate.Estimate.predicted = curve


@given(st.lists(st.floats(0, 1e4), min_size=2, max_size=8))
def test_clocks_that_agree_give_the_very_same_time(waits):
    """To the last bit: else what was just logged would not have happened yet for a kitchen started anew."""
    computer = Clock(EPOCH_S + waits[0])
    clock = KitchenClock(lambda: None, computer, computer)
    for wait in waits[1:]:
        computer.now += wait
        assert clock() == computer.now
