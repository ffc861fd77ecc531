"""Off the fire for a while, whatever it is: what cooks stands still, what sets goes on, and the burner is free."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.core.batch.caramel_nudges import caramel_nudges
from mulvek.core.batch.events import Event, Happening, Note, Off, Paused, Resumed, StepBegun, StepDone, Weighed
from mulvek.core.batch.kinds import KINDS
from mulvek.core.batch.log import Log
from mulvek.core.batch.pauses import PUT_BACK_AFTER_S, away_s, paused_since
from mulvek.core.errors import Conflict
from tests.core.test_any_kind import PLANS
from tests.core.test_caramel import POURS
from tests.kitchens import EPOCH_S


def lived(kind: str, *happened: tuple[float, Happening]) -> Log:
    made = KINDS[kind].log(PLANS[kind], [Event(1, EPOCH_S, KINDS[kind].begins)])
    for seconds, what in happened:
        event = Event(made.next_id, EPOCH_S + seconds, what)
        KINDS[kind].check(made, event)
        made = made.plus(event)
    return made


def at(kind: str, log: Log, seconds: float):
    return KINDS[kind].state(log, EPOCH_S + seconds)


BEFORE = {
    "curdle": [],
    "sweet": [
        (0.0, StepBegun("base-R")),
        (1.0, StepDone("base-R")),
        (2.0, StepBegun("base-C")),
        (3.0, StepDone("base-C")),
    ],
    "caramel": [(600.0, Off()), *POURS],
}


def fiery() -> str:
    """The first step of the sweet that is on the fire and no base."""
    return next(step.key for step in PLANS["sweet"].steps if step.fire and not step.base)


def begun(kind: str) -> tuple[list[tuple[float, Happening]], float]:
    """It cooks; and when that began."""
    if kind != "sweet":
        return list(BEFORE[kind]), 900.0 if kind == "caramel" else 0.0
    return [*BEFORE["sweet"], (10.0, StepBegun(fiery()))], 10.0


def left(kind: str, log: Log, seconds: float) -> float:
    """What is left of the cooking, s."""
    state = at(kind, log, seconds)
    if kind == "caramel":
        return state.left_s.likely
    if kind == "curdle":
        return state.steps[0].due_s
    return next(s.due_s for s in state.steps if s.planned.key == fiery())


@pytest.mark.parametrize("kind", ["curdle", "sweet", "caramel"])
def test_what_cooks_stands_still_meanwhile(kind):
    before, since = begun(kind)
    on = lived(kind, *before)
    off = lived(kind, *before, (since + 60, Paused()))
    back = lived(kind, *before, (since + 60, Paused()), (since + 200, Resumed()))
    assert left(kind, off, since + 150) == pytest.approx(left(kind, on, since + 60), rel=0.02)
    assert left(kind, back, since + 260) == pytest.approx(left(kind, on, since + 120), rel=0.02)
    assert at(kind, off, since + 100).paused_at_s == EPOCH_S + since + 60
    assert at(kind, back, since + 300).paused_at_s is None


@pytest.mark.parametrize("kind", ["curdle", "caramel"])
def test_its_burner_is_free_meanwhile(kind):
    before, since = begun(kind)
    off = lived(kind, *before, (since + 60, Paused()))
    assert at(kind, lived(kind, *before), since + 60).on_fire and not at(kind, off, since + 61).on_fire
    assert at(kind, off.plus(Event(off.next_id, EPOCH_S + since + 99, Resumed())), since + 100).on_fire


@pytest.mark.parametrize("kind", ["curdle", "sweet", "caramel"])
def test_it_asks_only_to_be_put_back(kind):
    before, since = begun(kind)
    off = lived(kind, *before, (since + 60, Paused()))
    state = at(kind, off, since + 70)
    asks = caramel_nudges(state, EPOCH_S + since + 70) if kind == "caramel" else state.nudges
    assert [(n.key, n.answer) for n in asks] == [("paused", "resumed")]
    assert asks[0].due_at_s == EPOCH_S + since + 60 + PUT_BACK_AFTER_S


@pytest.mark.parametrize("kind", ["curdle", "sweet", "caramel"])
def test_only_what_is_on_the_fire_comes_off_and_only_what_is_off_goes_back(kind):
    before, since = begun(kind)
    on = lived(kind, *before)
    off = on.plus(Event(on.next_id, EPOCH_S + since + 60, Paused()))
    for log, what in ((on, Resumed()), (off, Paused())):
        with pytest.raises(Conflict) as caught:
            KINDS[kind].check(log, Event(log.next_id, EPOCH_S + since + 90, what))
        assert caught.value.field == "kind"
    cold = {"curdle": [(0.0, StepDone())], "sweet": [], "caramel": []}[kind]
    early = lived(kind, *cold)
    with pytest.raises(Conflict):
        KINDS[kind].check(early, Event(early.next_id, EPOCH_S + 5, Paused()))


def test_what_hangs_is_on_no_fire():
    hung = lived("strain")
    with pytest.raises(Conflict):
        KINDS["strain"].check(hung, Event(2, EPOCH_S + 60, Paused()))


def test_whoever_goes_on_has_it_back():
    before, since = begun("caramel")
    done = lived("caramel", *before, (since + 60, Paused()), (since + 90, Weighed(0.5)))
    assert at("caramel", done, since + 100).paused_at_s is None


steps = st.lists(
    st.tuples(st.floats(0.5, 50), st.sampled_from([Paused(), Resumed(), Note("x"), StepDone()])), max_size=12
)


@given(steps, st.floats(0, 300), st.floats(0, 300))
def test_time_away_adds_up(happened, one, two):
    """Of two stretches side by side as of both together, never below nought nor above the stretch."""
    now, log = 0.0, []
    for wait, what in happened:
        now += wait
        log.append(Event(len(log) + 1, now, what))
    first, last = sorted((one, two))
    known = [e for e in log if e.at_s <= last]
    middle = (first + last) / 2
    early = [e for e in log if e.at_s <= middle]
    whole = away_s(known, first, last)
    assert -1e-9 <= whole <= last - first + 1e-9
    assert away_s(early, first, middle) + away_s(known, middle, last) == pytest.approx(whole, abs=1e-6)
    assert (paused_since(known) is None) or away_s(known, first, last + 10) == pytest.approx(whole + 10, abs=1e-6)
