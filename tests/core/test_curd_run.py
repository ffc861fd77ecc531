"""A curd batch folded from its events: undo is exact, late entries find their place, weighing ends what it ends."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.batch.curd_run import difference
from mulvek.core.batch.events import Begun, Event, Note, Poured, StepDone, Undo, Weighed, WheyWeighed, standing
from mulvek.core.batch.kinds import KINDS
from mulvek.core.batch.log import Log
from mulvek.core.composition.materials import material
from mulvek.core.equipment.burners import Burner
from mulvek.core.equipment.kitchen import Kitchen
from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.quantities import Quantity
from mulvek.core.equipment.vessels import Straight
from mulvek.core.errors import BadInput, Conflict
from mulvek.core.planning.curdle.balance import Draining
from mulvek.core.planning.curdle.forecast import curdle
from mulvek.core.planning.curdle.plan import CurdlePlan
from mulvek.core.planning.reduce.plan import Amount
from mulvek.core.planning.strain.forecast import StrainPlan, strain

T0 = 1_800_000_000.0
PLAN = CurdlePlan(
    milk=material("cow"),
    amount=Amount(Quantity(3e-3, "volume", "3 L"), 0.015),
    pan=Pan("pot", Straight(0.24, 0.2)),
    burner=Burner("left"),
    wait_s=180.0,
    coagulant="lemon",
    draining=Draining("light-squeeze", 1800.0),
    use="sponge",
    kitchen=Kitchen(),
    rinse_kg=1.0,
    rinses=2,
)
HUNG = StrainPlan(
    yoghurt=material("yoghurt"),
    amount=Amount(Quantity(1.0, "mass", "1 kg"), 0.005),
    cloth="muslin",
    hung="hung",
    place_c=5.0,
    kitchen=Kitchen(),
)
TOLD = curdle(PLAN)


def curd_state(plan, events, now_s):
    return KINDS["curdle"].state(Log(plan, events), now_s)


def check_curd_event(plan, events, new):
    KINDS["curdle"].check(Log(plan, events), new)


def log(*happenings, start=T0, every=60.0):
    return [Event(i + 1, start + i * every, what) for i, what in enumerate(happenings)]


happening = st.one_of(
    st.just(StepDone()),
    st.floats(0.01, 0.1).map(Poured),
    st.floats(0.01, 0.1).map(lambda x: Poured(x, clear=True)),
    st.floats(0.1, 2.5).map(WheyWeighed),
    st.just(Note("soft")),
)


@settings(max_examples=40, deadline=None)
@given(before=st.lists(happening, max_size=6), extra=happening)
def test_taking_back_is_exact_and_can_itself_be_taken_back(before, extra):
    events = log(Begun(), *before)
    now = T0 + 7200
    without = curd_state(PLAN, events, now)
    number = len(events) + 1
    done = [*events, Event(number, T0 + 3000, extra)]
    back = [*done, Event(number + 1, T0 + 3060, Undo(number))]
    assert curd_state(PLAN, back, now).steps == without.steps
    assert curd_state(PLAN, back, now).poured == without.poured
    again = [*back, Event(number + 2, T0 + 3120, Undo(number + 1))]
    assert curd_state(PLAN, again, now).steps == curd_state(PLAN, done, now).steps
    assert [e.id for e in standing(again)] == [e.id for e in standing(done)]


@settings(max_examples=30, deadline=None)
@given(happenings=st.lists(happening, min_size=2, max_size=7), order=st.randoms())
def test_late_entries_find_their_place_in_time(happenings, order):
    in_time = log(Begun(), *happenings)
    shuffled = in_time[1:]
    order.shuffle(shuffled)
    entered = [in_time[0], *(Event(i + 2, e.at_s, e.what) for i, e in enumerate(shuffled))]
    now = T0 + 3600
    here, there = curd_state(PLAN, in_time, now), curd_state(PLAN, entered, now)
    assert here.steps == there.steps and here.poured == pytest.approx(there.poured)
    # what lies after an instant is not yet known at it
    early, known = (curd_state(PLAN, e, T0 + 90) for e in (in_time, in_time[:2]))
    assert early.steps == known.steps and early.poured == known.poured and early.whey_kg == known.whey_kg


def test_steps_follow_each_other_and_weighing_ends_all_before_it():
    steps = TOLD.stages
    events = log(Begun(), *[StepDone()] * 3)
    state = curd_state(PLAN, events, T0 + 200)
    assert state.step == 3 and [s.done_at_s for s in state.steps[:3]] == [T0 + 60, T0 + 120, T0 + 180]
    assert state.steps[3].began_at_s == T0 + 180 and state.steps[4].began_at_s is None
    assert state.steps[3].due_s == pytest.approx(steps[3].seconds - 20)
    weighed = curd_state(PLAN, [*events, Event(9, T0 + 4000, Weighed(0.5))], T0 + 4100)
    assert [s.name for s in steps][weighed.step] == "knead"
    assert weighed.steps[weighed.step].began_at_s == T0 + 4000
    over = log(Begun(), *[StepDone()] * (len(steps) + 3))
    assert curd_state(PLAN, over, T0 + 9000).step == len(steps)


@settings(max_examples=30, deadline=None)
@given(share=st.floats(0.4, 2.0))
def test_the_weighed_curd_decides_and_a_difference_is_explained(share):
    kg = TOLD.curd_kg.likely * share
    state = curd_state(PLAN, log(Begun(), Weighed(kg)), T0 + 100)
    assert state.ln_ratio == pytest.approx(math.log(share))
    assert state.pieces.count.low == state.pieces.count.high == pytest.approx(math.floor(kg * 0.98 / 0.0115 + 1e-9))
    assert state.pieces.each_kg * state.pieces.count.likely == pytest.approx(kg * 0.98)
    if TOLD.curd_kg.low <= kg <= TOLD.curd_kg.high:
        assert state.said == "As told."
    else:
        assert ("less" if share < 1 else "more") in state.said
    assert difference(HUNG, None, strain(HUNG).curd_kg, 0.9).startswith("More")
    assert difference(HUNG, None, strain(HUNG).curd_kg, 0.2).startswith("Less")


def test_whey_weighed_moves_the_hours_left():
    begun = log(Begun())
    plain = curd_state(HUNG, begun, T0 + 3 * 3600).steps[0]
    for kg, sooner in ((0.55, True), (0.15, False)):
        events = [*begun, Event(2, T0 + 3 * 3600, WheyWeighed(kg))]
        step = curd_state(HUNG, events, T0 + 3 * 3600).steps[0]
        assert (step.seconds < plain.seconds) == sooner
        assert step.due_s == pytest.approx(step.seconds - 3 * 3600)


@pytest.mark.parametrize(
    ("plan", "what", "error", "field"),
    [
        (PLAN, Begun(), Conflict, "kind"),
        (PLAN, Poured(-1.0), BadInput, "amount"),
        (PLAN, Poured(math.nan), BadInput, "amount"),
        (PLAN, Weighed(50.0), BadInput, "mass_kg"),
        (PLAN, WheyWeighed(0.0), BadInput, "mass_kg"),
        (PLAN, Note("  "), BadInput, "text"),
        (PLAN, Note("x" * 2001), BadInput, "text"),
        (PLAN, Undo(1), Conflict, "event_id"),
        (PLAN, Undo(77), Conflict, "event_id"),
        (HUNG, Poured(0.1), Conflict, "kind"),
        (HUNG, WheyWeighed(1.5), BadInput, "mass_kg"),
    ],
)
def test_what_cannot_happen_names_itself(plan, what, error, field):
    with pytest.raises(error) as caught:
        check_curd_event(plan, log(Begun()), Event(2, T0 + 60, what))
    assert caught.value.field == field and caught.value.fix
    with pytest.raises(Conflict):
        check_curd_event(plan, [], Event(1, T0, StepDone()))
