"""The solver beside packer and checker: one table of rules; never a worse plan; steps put by hand stay where they are."""

import random
from dataclasses import replace
from functools import cache

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from ortools.sat.python import cp_model

from mulvek.core.day import rules
from mulvek.core.day import search as searching
from mulvek.core.day.chance import chances, surer, worth
from mulvek.core.day.check import faults
from mulvek.core.day.model import DayModel
from mulvek.core.day.packer import improve, pack
from mulvek.core.day.pins import bound, in_the_way, settle
from mulvek.core.day.roomy import roomy
from mulvek.core.day.search import Errand, search
from mulvek.core.day.shift import moved
from mulvek.core.day.solver import solve
from mulvek.core.day.tasks import Day, Hob, Plan
from mulvek.core.messages.catalogue import said
from mulvek.language.day import fault_words
from tests.days import feast, small_days, supper, table
from tests.sizes import sized

SOON_S = 60.0
"""Far more than these take: what ends them is their work or a proof."""


def cost(day: Day, plan: Plan) -> float:
    return rules.cost(day, dict(plan.placed), dict(plan.late))


@cache
def packed() -> Plan:
    plan = pack(supper())
    assert plan is not None
    return plan


def plans_of(day: Day, before: Plan, work: float, **more) -> list[Plan]:
    found = solve(day, before, SOON_S, workers=1, work=work, **more)
    return [plan for plan in found if isinstance(plan, Plan)]


@settings(max_examples=sized(6, 500), deadline=None)
@given(small_days())
def test_solver_packer_and_checker_read_one_table(day: Day):
    """What the packer placed is a plan of the model, at the same cost; whatever the solver finds passes the checker."""
    before = pack(day)
    assume(before is not None)
    assert before is not None
    built = DayModel(day, before, pins=before.placed)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    assert solver.solve(built.model) == cp_model.OPTIMAL
    assert solver.objective_value == pytest.approx(cost(day, before))
    least = cost(day, before)
    for plan in plans_of(day, before, 0.1):
        assert faults(day, plan) == []
        assert cost(day, plan) <= least + 1e-6
        least = min(least, cost(day, plan))


@settings(max_examples=sized(3, 120), deadline=None)
@given(small_days())
def test_more_to_cook_with_is_never_worse(day: Day):
    """Where both are proved, one more burner, or one more pan to watch, costs no more."""
    before = pack(day)
    assume(before is not None)
    kitchen = day.kitchen
    for more in (
        {"hobs": (*kitchen.hobs, Hob("more"))},
        {"pans_watched": kitchen.pans_watched + 1},
        {"fridge_l": 60.0},
    ):
        wider = Day(replace(kitchen, **more), day.jobs)
        least = []
        for of in (day, wider):
            found = list(solve(of, before, SOON_S, workers=1, work=0.5))
            best = min((cost(of, p) for p in found if isinstance(p, Plan)), default=cost(of, before))
            least.append(best if found[-1:] == ["proved"] else None)
        if None not in least:
            assert least[1] <= least[0] + 1e-6


def test_a_supper_becomes_calmer_and_one_seed_gives_one_plan():
    first, again = (plans_of(supper(), packed(), 2.0) for _ in range(2))
    assert first[-1] == again[-1]
    assert cost(supper(), first[-1]) < 0.95 * cost(supper(), packed())
    assert faults(supper(), first[-1]) == [] and first[-1].lateness == 0


def test_it_stops_when_it_is_told():
    asked = []

    def goes_on() -> bool:
        asked.append(1)
        return len(asked) < 3

    list(solve(table(), next(improve(table(), 1)), SOON_S, goes_on))
    assert 3 <= len(asked) < 60


def test_a_fault_in_the_solver_is_not_silent():
    broken = replace(packed(), placed={**packed().placed, "no such step": next(iter(packed().placed.values()))})
    with pytest.raises(KeyError):
        list(solve(replace(supper(), jobs=supper().jobs[:1]), Plan({}, broken.late), 1.0))


# -- looking ----------------------------------------------------------------------------------------------------------


def test_looking_packs_then_solves_and_only_ever_tells_a_calmer_plan():
    beats = []
    found = list(search(Errand(day=supper(), seconds=2.0), beat=lambda: beats.append(1)))
    plans = [plan for plan in found if isinstance(plan, Plan)]
    costs = [worth(supper(), plan) for plan in plans]
    assert costs == sorted(costs, reverse=True) and len(set(costs)) == len(costs) >= 2
    assert "alone" not in found and len(beats) > 3


def test_looking_goes_on_from_the_plan_that_is_shown():
    best = [plan for plan in search(Errand(day=supper(), seconds=2.0)) if isinstance(plan, Plan)][-1]
    after = [p for p in search(Errand(day=supper(), seconds=0.6, before=best)) if isinstance(p, Plan)]
    assert all(worth(supper(), plan) < worth(supper(), best) for plan in after)


def test_what_others_hold_up_gets_more_to_spare_and_is_on_time_more_often():
    """By the first plan of a supper in which all is eaten at once, hands that are busy elsewhere make a sweet late."""
    first = next(improve(supper(), 1))
    before = after = chances(supper(), first)
    assert before.all < 0.9
    for plan in search(Errand(day=supper(), seconds=60.0)):  # two or three are enough, where nothing else runs
        if isinstance(plan, Plan) and (after := chances(supper(), plan)).all > 0.9:
            break
    assert after.all > 0.9
    assert sum(after.late.values()) < sum(before.late.values())
    more = surer(supper(), first)
    for job, was in zip(more.jobs, supper().jobs, strict=True):
        assert (job.spare > was.spare) == (before.each[job.key] < 0.93)
        assert rules.buffer(job) >= rules.buffer(was)


def test_without_a_solver_the_packer_serves_alone_and_says_so(monkeypatch):
    monkeypatch.setattr(searching, "load_solver", lambda: None)
    found = list(search(Errand(day=supper(), seconds=0.4)))
    assert found[-1] == "alone" and isinstance(found[0], Plan)


def test_a_plan_of_one_sweet_is_proved_to_be_the_calmest():
    jobs = supper().jobs[-1:]
    found = list(search(Errand(day=Day(supper().kitchen, jobs), seconds=20.0)))
    assert found[-1] == "proved"


# -- by hand ----------------------------------------------------------------------------------------------------------


@settings(max_examples=sized(8, 300), deadline=None)
@given(small_days(), st.integers(0, 2**20), st.integers(-90, 90), st.integers(0, 1))
def test_a_step_that_is_moved_stays_there_and_the_rest_makes_room(day: Day, pick: int, by: int, hob: int):
    before = pack(day)
    assume(before is not None)
    assert before is not None
    key = random.Random(pick).choice(sorted(before.placed))
    other = hob if day.tasks[key].run and hob < len(day.kitchen.hobs) else None
    pins = bound(day, before, key, before.placed[key].start + by, other)
    assert pins[key].start == before.placed[key].start + by
    if other is not None:
        assert pins[key].hob == other
    after = settle(day, before, pins)
    if after is None:
        assert said(fault_words((in_the_way(day, before, pins) or [""])[0])).endswith(".")
        return
    assert faults(day, after) == []
    assert all((after.placed[k].start, after.placed[k].hob) == (p.start, p.hob) for k, p in pins.items())
    for plan in plans_of(day, after, 0.05, pins=pins):
        assert faults(day, plan) == []
        assert all((plan.placed[k].start, plan.placed[k].hob) == (p.start, p.hob) for k, p in pins.items())


def test_what_has_room_moves_alone():
    day, plan = supper(), packed()
    free = [key for key in plan.placed if _room_before(day, plan, key)]
    assert free
    for key in free[:3]:
        pins = bound(day, plan, key, plan.placed[key].start - 5)
        after = settle(day, plan, pins)
        assert after is not None and set(moved(plan, after)) == pins.keys()


def _room_before(day: Day, plan: Plan, key: str) -> bool:
    pins = bound(day, plan, key, plan.placed[key].start - 5)
    return not in_the_way(day, plan, pins)


@pytest.mark.parametrize("day", [table, feast])
def test_of_a_large_day_few_others_move(day):
    plan = next(improve(day(), 1))
    rng, found = random.Random(3), []
    fires = sorted(key for key, task in day().tasks.items() if task.flame)
    for _ in range(6):
        key = rng.choice(fires)
        after = settle(day(), plan, bound(day(), plan, key, plan.placed[key].start - 15))
        if after is not None:
            found.append(len(moved(plan, after)) / len(day().tasks))
    assert len(found) >= 4 and min(found) < 0.3 and max(found) < 1


@pytest.mark.parametrize(
    ("fault", "says"),
    [
        ("hands at 612: 0/stir", "Nobody has hands"),
        ("burner taken: 0/boil", "burner is taken"),
        ("pan taken: 0/boil", "pan is taken"),
        ("too many pans to watch", "one pan more"),
        ("outside the day: 0/boil", "before the day begins"),
        ("freezer full", "freezer is full"),
        ("", "Nothing else finds its place"),
    ],
)
def test_what_is_in_the_way_is_said(fault: str, says: str):
    assert says in said(fault_words(fault))


# -- with room --------------------------------------------------------------------------------------------------------


def test_a_roomy_day_has_more_minutes_where_something_could_take_longer_and_is_surer():
    close = supper()
    wide = Day(close.kitchen, tuple(roomy(job) for job in close.jobs))
    for before, after in zip(close.tasks.values(), wide.tasks.values(), strict=True):
        if before.window or before.slow or not (before.load or before.flame):
            assert after == before
        else:
            assert after.planned >= before.planned and after.minutes == before.minutes
    plan = next(improve(wide, 1))
    assert faults(wide, plan) == []
    assert chances(wide, plan).all >= chances(close, packed()).all - 0.02
    assert sum(t.planned for t in wide.tasks.values()) > sum(t.planned for t in close.tasks.values())
