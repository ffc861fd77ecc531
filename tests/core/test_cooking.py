"""What cooks down to a weight: how long still, by its weight midway."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.core.batch.cooking import Cooking, cookings
from mulvek.core.batch.events import (
    BaseWeighed,
    Begun,
    Event,
    Paused,
    Resumed,
    StepBegun,
    StepDone,
    StepWeighed,
    Undo,
)
from mulvek.core.errors import BadInput, Conflict
from mulvek.core.planning.sweets.cooked_level import cooked_level_m
from mulvek.core.ranges import Range
from mulvek.language.step_facts import step_facts
from mulvek.wire.sweet_batch import run_of
from tests.core.test_sweets import RUN, check_sweet_event, happened, planned, sweet_state
from tests.days import forecast

COOK = next(s for s in RUN.steps if s.key == "cook")
TOLD = COOK.seconds.likely
masses = st.floats(0.1, 5.0)
shares = st.floats(0.05, 0.95)
spreads = st.floats(1.05, 2.0)


def state_at(now_s, *more):
    ready = [(0, Begun()), *((i, StepDone(key)) for i, key in ((1, "base-R"), (2, "base-C"), (3, "join")))]
    return next(
        s
        for s in sweet_state(RUN, happened(*ready, (10, StepBegun("cook")), *more), now_s).steps
        if s.planned.key == "cook"
    )


@given(masses, shares, shares, spreads, st.floats(60.0, 7200.0), st.floats(0.2, 3.0))
def test_what_is_left_lies_between_the_told_pace_and_the_one_seen(in_kg, stop, at, spread, told_s, pace):
    """In its range, above nothing, and none at the stop; a faster pan than told never takes longer than a slower one."""
    cook = Cooking(in_kg=in_kg, stop_kg=in_kg * stop, late_kg=0.0)
    off = at * (cook.in_kg - cook.stop_kg)
    told = Range(told_s / spread, told_s, told_s * spread)

    def left(speed):
        return cook.left_s(told, at * told_s * speed, in_kg - off)

    now, faster = left(pace), left(pace * 0.8)
    as_told, as_seen = told_s * (1 - at), told_s * pace * (1 - at)
    assert 0 <= now.low <= now.likely <= now.high
    assert min(as_told, as_seen) * (1 - 1e-9) <= now.likely <= max(as_told, as_seen) * (1 + 1e-9)
    assert faster.likely <= now.likely * (1 + 1e-12)
    # what was seen narrows it, and never less sure than the told time was
    assert math.log(now.high / now.low) <= 2 * math.log(spread) + 1e-9 or spread < math.exp(0.02 * 1.2816)
    assert cook.left_s(told, at * told_s, cook.stop_kg * 0.99) == Range.exact(0.0)


def test_a_later_weighing_is_worth_more():
    """The pace seen near the stop is nearly all that counts, at the first it hardly does."""
    cook = Cooking(in_kg=1.0, stop_kg=0.6, late_kg=0.0)
    told = Range(2000.0, 2400.0, 2880.0)
    slow = [cook.left_s(told, 2 * at * 2400.0, 1 - at * 0.4).likely / (2400.0 * (1 - at)) for at in (0.1, 0.5, 0.9)]
    assert slow[0] < 1.15 < slow[1] < slow[2] < 2.0 and slow[2] > 1.6
    narrow = [cook.left_s(told, at * 2400.0, 1 - at * 0.4) for at in (0.1, 0.9)]
    assert narrow[1].high / narrow[1].low < narrow[0].high / narrow[0].low < 2880 / 2000


def test_nothing_boiled_off_yet_says_nothing_of_the_pace():
    cook = Cooking(in_kg=1.0, stop_kg=0.6, late_kg=0.0)
    told = Range(2000.0, 2400.0, 2880.0)
    for weighs in (1.0, 1.04):
        assert cook.left_s(told, 600.0, weighs).likely == pytest.approx(2400.0 * (weighs - 0.6) / 0.4)


def test_its_clock_goes_by_its_weight_midway():
    began = state_at(11)
    assert began.cooking and began.left_s is None and began.due_s == pytest.approx(TOLD - 1)
    in_kg, stop = began.cooking.in_kg, began.cooking.stop_kg
    assert stop == pytest.approx(RUN.stop_kg) and began.cooking.late_kg > 0.05
    half, at = (in_kg + stop) / 2, 10 + TOLD * 0.8
    late = state_at(at + 60, (at, StepWeighed("cook", half)))
    assert late.left_s and late.left_s.low < late.left_s.likely < late.left_s.high
    assert late.due_s == pytest.approx(late.left_s.likely) and late.due_s > TOLD * 0.2 + 60
    # so much less without what is still to go in is the same
    without = state_at(at + 60, (at, StepWeighed("cook", half - began.cooking.late_kg, late_in=False)))
    assert without.due_s == pytest.approx(late.due_s)
    # taken back, its told time counts again
    back = state_at(at + 60, (at, StepWeighed("cook", half)), (at + 1, Undo(6)))
    assert back.left_s is None and back.due_s == pytest.approx(TOLD - (at + 50))


def test_minutes_off_the_fire_are_not_counted():
    cook = state_at(11).cooking
    half = (cook.in_kg + cook.stop_kg) / 2
    on = state_at(1000, (900, StepWeighed("cook", half)))
    off = state_at(1600, (300, Paused()), (900, Resumed()), (1500, StepWeighed("cook", half)))
    assert off.due_s == pytest.approx(on.due_s)


def test_the_newest_weighing_counts_and_the_stop_is_its_end():
    cook = state_at(11).cooking
    at = (cook.in_kg + cook.stop_kg) / 2
    over = state_at(1300, (900, StepWeighed("cook", at)), (1200, StepWeighed("cook", cook.stop_kg * 0.98)))
    assert over.left_s == Range.exact(0.0) and over.due_s == pytest.approx(-100)


def test_a_light_base_moves_the_weight_to_stop_at():
    light = BaseWeighed(
        slot="C",
        batch=7,
        mass_kg=0.1,
        rows_kg=tuple(row.kg * 0.5 for row in RUN.rows),
        told_kg=RUN.told_kg.scaled(0.5),
        told_pieces=RUN.told_pieces.scaled(0.5),
        stop_kg=RUN.stop_kg * 0.5,
    )
    now = next(s for s in sweet_state(RUN, happened((0, Begun()), (5, light)), 10).steps if s.planned.key == "cook")
    assert now.cooking and now.cooking.stop_kg == pytest.approx(RUN.stop_kg * 0.5)


@pytest.mark.parametrize(
    ("what", "why", "field"),
    [
        (StepWeighed("join", 0.5), BadInput, "step"),
        (StepWeighed("nothing", 0.5), BadInput, "step"),
        (StepWeighed("cook", math.nan), BadInput, "mass_kg"),
        (StepWeighed("cook", -1.0), BadInput, "mass_kg"),
        (StepWeighed("cook", 9.0), BadInput, "mass_kg"),
    ],
)
def test_a_weight_that_cannot_be_is_refused(what, why, field):
    ready = [(0, Begun()), *((i, StepDone(key)) for i, key in ((1, "base-R"), (2, "base-C"), (3, "join")))]
    with pytest.raises(why) as caught:
        check_sweet_event(RUN, happened(*ready, (10, StepBegun("cook"))), Event(6, 50, what))
    assert caught.value.field == field
    if what.mass_kg == 9.0:
        assert "went in" in str(caught.value)


def test_only_what_runs_is_weighed_midway():
    with pytest.raises(Conflict):
        check_sweet_event(RUN, happened((0, Begun())), Event(2, 50, StepWeighed("cook", 0.5)))


def test_a_part_that_cooks_down_has_a_weight_too():
    """The fruit of a kulfi, with its sugar: what it weighs when it comes off is its share of the whole."""
    run = run_of(planned("kulfi", "cooked-fruit", pieces=12))
    key = "part.cooked-fruit.cook"
    found = cookings(run.steps, run.rows, [row.kg for row in run.rows], run.gives_kg, run.told_kg.likely)
    assert set(found) == {key}
    fruit = sum(row.kg for row in run.rows if row.within == "cooked fruit")
    assert found[key].in_kg == pytest.approx(fruit) and 0.5 < found[key].stop_kg / fruit < 0.9


def test_what_a_former_release_began_has_none():
    former = replace(RUN, gives_kg={})
    log = happened((0, Begun()))
    assert all(s.cooking is None for s in sweet_state(former, log, 5).steps)


def test_fruit_that_cooks_down_has_a_level_in_its_pan_and_what_has_it_on_the_bench_has_none_here():
    fruit = forecast("cooked-fruit", "mango")
    (cook,) = [step for step in fruit.steps if step.key == "cook"]
    start, stop = cooked_level_m(fruit, cook.key)
    shape = fruit.plan.hearth.pan.shape
    # what fills the pan to its last level weighs what the scale is to say, as dense as hot fruit with sugar is
    assert 1000 < fruit.stop_kg / shape.volume_m3(stop) < 1200
    steam = (fruit.into_pan_kg - fruit.stop_kg) / (shape.volume_m3(start) - shape.volume_m3(stop))
    assert steam == pytest.approx(962, abs=3)
    assert any(f"{stop * 100:.1f} cm when it is done" in said for said in step_facts(cook, fruit))
    kulfi = forecast("kulfi", "cooked-fruit")
    levels = {step.key: level for step in kulfi.steps if (level := cooked_level_m(kulfi, step.key))}
    assert list(levels) == ["part.cooked-fruit.cook"] and levels["part.cooked-fruit.cook"][1] < 0.05
    for sweet, school in (("condensed-milk", "sugar-in"), ("carrot-halwa", "milk"), ("kalakand", "two-bases")):
        other = forecast(sweet, school)
        assert not any(cooked_level_m(other, step.key) for step in other.steps)


def test_what_a_pan_cannot_hold_at_once_has_no_one_level():
    much = forecast("cooked-fruit", "mango", "20 kg")
    assert all(cooked_level_m(much, step.key) is None for step in much.steps)
