"""The Day: sweets in a day's detail, plans that an independent checker passes, chances, cures, and a day that slips."""

import random
from dataclasses import replace
from functools import cache

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.day import rules
from mulvek.core.day.chance import chances
from mulvek.core.day.check import faults
from mulvek.core.day.cures import cures, least_late, longest_way, shortages
from mulvek.core.day.detail import asked, job_of, named_steps
from mulvek.core.day.layout import blocks_of
from mulvek.core.day.packer import anew, improve, pack
from mulvek.core.day.shift import broken_waits, moved, shifted
from mulvek.core.day.tasks import (
    Away,
    Day,
    DayKitchen,
    Job,
    Placed,
    Plan,
    Task,
    Wait,
)
from mulvek.core.day.ways import new_faults
from mulvek.core.errors import BadInput, Impossible
from mulvek.core.planning.sweets.library import library
from mulvek.core.ranges import Range
from tests.days import HOBS, NIGHT, POTS, SUPPER, at, forecast, job, small_days, supper
from tests.sizes import sized


@cache
def supper_plan() -> Plan:
    plan = pack(supper())
    assert plan is not None
    return plan


# -- a sweet in a day's detail ----------------------------------------------------------------------------------------

SCHOOLS = [(key, school) for key, sweet in library().items() for school in sweet.schools]


@pytest.mark.parametrize(("sweet", "school"), SCHOOLS)
def test_every_sweet_is_made_alone_by_one_cook_on_one_burner(sweet: str, school: str):
    """With a night in the way, on a weak burner, in the pans there are: on time, and no rule broken."""
    kitchen = DayKitchen(hobs=HOBS[1:], pots=POTS, start=at(1, 8), end=at(3, 20), away=(NIGHT,))
    of = job(sweet, school, at(3, 19))
    plan = pack(Day(kitchen, (of,)))
    assert plan is not None and plan.lateness == 0
    assert faults(Day(kitchen, (of,)), plan) == []
    # its steps are those of its own plan, and take as long; what is parted into tasks is whole together
    steps = {step.key: step.seconds.likely / 60 for step in forecast(sweet, school).steps}
    taken: dict[str, float] = {}
    for task in of.tasks:
        taken[task.step] = taken.get(task.step, 0.0) + task.minutes.likely
    assert taken.keys() == steps.keys()
    for key, minutes in steps.items():
        assert taken[key] == pytest.approx(minutes, abs=12.5), key  # tying and taking down beside the hanging itself
    assert all(task.load for task in of.tasks if task.flame)  # no fire that nobody looks at
    assert all(low <= likely <= high for low, likely, high in ((t.minutes.low, t.minutes.likely, t.minutes.high) for t in of.tasks))  # fmt: skip


@pytest.mark.parametrize(("sweet", "school"), SCHOOLS)
def test_from_the_fire_to_the_cold_it_is_never_long(sweet: str, school: str):
    """At the slow end, and after the longest wait that the plan allows, two hours and a half at most."""
    of = job(sweet, school, at(3, 19))
    tasks = {task.key: task for task in of.tasks}
    if of.at == "room":
        return  # served warm
    cooled = {"cool", "chill", "jar", "freeze", "set", "soak", "hang-chhena", "press"}

    def to_the_cold(key: str) -> float:
        longest = 0.0
        for task in of.tasks:
            for wait in task.after:
                if wait.task == key and not task.flame and tasks[key].run != task.run:
                    name = task.key.rsplit("/", 1)[-1].rsplit(".", 1)[-1]
                    here = wait.most if wait.most is not None and wait.most < 720 else 0
                    longest = max(
                        longest, here if name in cooled else here + task.minutes.high + to_the_cold(task.key)
                    )
        return longest

    for task in of.tasks:
        if task.flame:
            assert to_the_cold(task.key) <= 150, task.key


def test_the_table_names_every_step_of_the_library():
    keys = {step.key for sweet in library().values() for school in sweet.schools.values() for step in school.steps}
    assert keys <= named_steps(), keys - named_steps()
    assert asked("a step of one's own", hands=True, fire=True).hands == "look"
    assert asked("a step of one's own", hands=False).window


def test_what_goes_on_in_the_same_pan_keeps_its_burner():
    halwa = job("carrot-halwa", "milk", SUPPER)
    runs = {task.key.rsplit("/", 1)[-1]: task.run for task in halwa.tasks}
    assert runs["cook"] == runs["last"] == runs["ghee"]
    balls = job("sponge-balls", "cow", SUPPER)
    of = {task.key.rsplit("/", 1)[-1]: task.run for task in balls.tasks}
    assert of["syrup"] == of["boil"] != of["boil-up"]


# -- plans -------------------------------------------------------------------------------------------------------------


def test_a_supper_of_four_is_ready_in_time_and_passes_the_checker():
    day, plan = supper(), supper_plan()
    assert faults(day, plan) == [] and plan.lateness == 0
    assert pack(day) == plan  # the same day and seed, the same plan
    for earlier, better in zip([plan], improve(day, 1, 0), strict=False):
        assert earlier == better
    costs = [rules.cost(day, dict(p.placed), dict(p.late)) for p in improve(day, 1, 25)]
    assert costs == sorted(costs, reverse=True) and len(set(costs)) == len(costs)
    assert all(not faults(day, p) for p in improve(day, 2, 10))


def _beside(placed: dict[str, Placed], key: str, pans_on: int) -> Placed:
    """At the same time on the same burner, or in the same pan."""
    of = placed[key]
    assert of.hob is not None and of.pot is not None
    return Placed(of.start, of.start + 8, of.hob if pans_on else 1 - of.hob, of.pot)


@pytest.mark.parametrize(
    ("wrong", "says"),
    [
        (lambda p: {"basundi/sweeten": replace(p["basundi/sweeten"], start=0, end=5)}, "outside"),
        (lambda p: {"basundi/cool": replace(p["basundi/cool"], end=p["basundi/cool"].end + 1)}, "minutes"),
        (lambda p: {"basundi/base-R/simmer": replace(p["basundi/base-R/simmer"], hob=None)}, "burner or pan"),
        (lambda p: {k: replace(v, pot=2) for k, v in p.items() if v.pot is not None}, "too small a pan"),
        (lambda p: {"sponge-balls/base-C/boil-up": _beside(p, "basundi/base-R/simmer", 1)}, "burner taken"),
        (lambda p: {"sponge-balls/base-C/boil-up": _beside(p, "basundi/base-R/simmer", 0)}, "pan taken"),
        (lambda p: {k: Placed(v.start - 900, v.end - 900, v.hob, v.pot) for k, v in p.items() if "halwa" in k}, ""),
        (lambda p: {k: Placed(v.start + 90, v.end + 90, v.hob, v.pot) for k, v in p.items() if "halwa" in k}, "late"),
    ],
)
def test_the_checker_finds_what_is_wrong(wrong, says: str):
    plan = supper_plan()
    placed = dict(plan.placed) | wrong(dict(plan.placed))
    found = faults(supper(), Plan(placed, plan.late))
    assert found and any(says in fault for fault in found), found


def test_the_checker_misses_no_task_and_no_full_fridge():
    day, plan = supper(), supper_plan()
    fewer = {key: place for key, place in plan.placed.items() if not key.endswith("ghee")}
    assert faults(day, Plan(fewer, plan.late)) == ["missing: carrot-halwa/ghee"]
    small = Day(replace(day.kitchen, fridge_l=1.0), day.jobs)
    assert "fridge full" in faults(small, plan)
    seated = Day(replace(day.kitchen, away=(NIGHT, Away(at(2, 15), at(2, 18), "seated"))), day.jobs)
    assert any(fault.startswith("hands") for fault in faults(seated, plan))


@settings(max_examples=sized(8, 100), deadline=None)
@given(small_days())
def test_whatever_is_planned_passes_the_checker(day: Day):
    plans = list(improve(day, 1, 2))
    for plan in plans:
        assert faults(day, plan) == []
    if plans:
        chance = chances(day, plans[-1], days=60)
        assert 0 <= chance.all <= min(chance.each.values()) <= 1


@settings(max_examples=25, deadline=None)
@given(small_days())
def test_blocks_hold_every_task_once_and_stand_in_their_order(day: Day):
    for of in day.jobs:
        blocks = blocks_of(of)
        order = [task.key for block in blocks for task in block.tasks]
        assert sorted(order) == sorted(task.key for task in of.tasks)
        where = {task.key: i for i, block in enumerate(blocks) for task in block.tasks}
        for task in of.tasks:
            assert all(where[wait.task] <= where[task.key] for wait in task.after)


@settings(max_examples=sized(20, 100), deadline=None)
@given(small_days(), st.integers(0, 2**20), st.integers(1, 90))
def test_a_day_that_slips_keeps_its_past_and_never_wants_more_hands(day: Day, pick: int, over: int):
    plan = pack(day)
    if plan is None:
        return
    key = random.Random(pick).choice(sorted(plan.placed))
    now = plan.placed[key].start + 1
    after = shifted(day, plan, now, {key: plan.placed[key].end + over})
    for k, place in after.placed.items():
        before = plan.placed[k]
        if before.start < now:
            assert place.start == before.start and (k == key or place.end == before.end)
        else:
            assert place.start >= before.start and place.end - place.start == before.end - before.start
    for task in day.tasks.values():
        for wait in task.after:
            if plan.placed[task.key].start >= now:
                assert after.placed[task.key].start >= after.placed[wait.task].end + wait.least
    kinds = {fault.split(":")[0].split(" at ")[0] for fault in faults(day, after)}
    if after.placed[key].end <= day.kitchen.end and day.tasks[key].load == 0:
        assert "hands" not in kinds  # a wait that goes on wants nobody


@settings(max_examples=sized(12, 100), deadline=None)
@given(small_days(), st.integers(0, 2**20), st.integers(1, 90))
def test_the_rest_of_a_day_worked_out_anew_keeps_what_is_past(day: Day, pick: int, over: int):
    plan = pack(day)
    if plan is None:
        return
    key = random.Random(pick).choice(sorted(plan.placed))
    now = plan.placed[key].start + 1
    ends = {key: plan.placed[key].end + over}
    after = next(anew(day, plan, now, ends, rounds=1), None)
    if after is None:
        return
    for k, place in after.placed.items():
        before = plan.placed[k]
        if before.start < now:
            assert (place.start, place.hob, place.pot) == (before.start, before.hob, before.pot)
            assert place.end == ends.get(k, before.end)
        else:
            assert place.start >= now
    for task in day.tasks.values():
        for wait in task.after:
            assert after.placed[task.key].start >= min(now, after.placed[wait.task].end + wait.least)
    wrong = {fault.split(":")[0] for fault in new_faults(day, plan, after, now, ends)}
    assert wrong <= {
        "burner taken",
        "pan taken",
        "too many pans to watch",
        "late",
        "fridge full",
        "freezer full",
        "stale",
    } | {
        fault for fault in wrong if fault.startswith("hands at")
    }  # what runs longer than planned may be in the way of what has begun


def test_what_is_worked_out_anew_saves_a_sweet_that_pushing_makes_late():
    day, plan = supper(), supper_plan()
    key = "carrot-halwa/soften"
    now, ends = plan.placed[key].start + 1, {key: plan.placed[key].end + 25}
    pushed, again = shifted(day, plan, now, ends), next(anew(day, plan, now, ends))
    assert new_faults(day, plan, again, now, ends) == []
    assert again.placed[day.jobs[1].last].end <= SUPPER or pushed.placed[day.jobs[1].last].end > SUPPER


def test_a_slip_pushes_what_comes_after_it_and_says_so():
    day, plan = supper(), supper_plan()
    key = "basundi/base-R/simmer"
    place = plan.placed[key]
    after = shifted(day, plan, place.start + 1, {key: place.end + 40})
    assert after.placed["basundi/base-R/stop"].start >= place.end + 40
    assert "basundi/base-R/stop" in moved(plan, after) and "sponge-balls/base-C/acid" not in moved(plan, after)
    assert after.late["basundi"] > 0 or after.placed[day.jobs[1].last].end <= SUPPER
    assert shifted(day, plan, place.start + 1, {}) == plan and broken_waits(day, plan) == []


# -- chances, and what cures a day ------------------------------------------------------------------------------------


def test_more_minutes_to_spare_make_it_surer():
    def sure(spare: int) -> float:
        kitchen = DayKitchen(hobs=HOBS, pots=POTS, start=0, end=1440)
        of = replace(job("basundi", "reduced", 1200), spare=spare)
        plan = pack(Day(kitchen, (of,)))
        assert plan is not None
        return chances(Day(kitchen, (of,)), plan).each["basundi"]

    shares = [sure(spare) for spare in (-30, 0, 30)]
    assert shares == sorted(shares) and shares[0] < 0.7 and shares[2] > 0.97


def test_a_day_that_cannot_fit_says_why_and_what_would_help():
    kitchen = DayKitchen(hobs=HOBS[:1], pots=POTS[:1], start=at(1, 13, 40), end=at(2, 2))
    due = at(1, 15, 30)
    day = Day(kitchen, (job("basundi", "reduced", due), job("rabri", "slow", due)))
    plan = least_late(day)
    assert plan is not None and plan.lateness > 0 and not faults(day, plan)
    found = list(cures(day, plan))
    assert {cure.what for cure in found} == {"pan", "earlier", "burner", "helper", "later", "without"}
    assert all(0 <= cure.late <= plan.lateness for cure in found)  # more of something never makes it worse
    assert next(cure for cure in found if cure.what == "earlier").late == 0
    assert next(cure for cure in found if cure.what == "without" and cure.of == "rabri").late == 0
    assert shortages(day) == []


def test_what_no_order_mends_is_told_by_sums():
    due = at(1, 13)
    kitchen = DayKitchen(hobs=HOBS, pots=POTS, start=at(1, 12), end=at(2, 12))
    kulfi = job("kulfi", "reduced", due)
    short = shortages(Day(kitchen, (kulfi,)))
    assert [(s.what, s.of) for s in short][:1] == [("time", "kulfi")]
    assert short[0].need >= longest_way(kulfi, kitchen) and short[0].have == 60
    many = tuple(replace(job("carrot-halwa", "milk", due), key=f"halwa-{i}") for i in range(2))
    kinds = {s.what for s in shortages(Day(replace(kitchen, start=at(1, 11)), many))}
    assert "hands" in kinds or "time" in kinds


def test_a_kitchen_that_cannot_be_is_refused_by_name():
    with pytest.raises(BadInput, match="burner"):
        DayKitchen(hobs=(), pots=POTS, start=0, end=60)
    with pytest.raises(BadInput, match="end before they begin"):
        DayKitchen(hobs=HOBS, pots=POTS, start=0, end=60, away=(Away(30, 30, "away"),))
    with pytest.raises(BadInput, match="31 sweets"):
        Day(supper().kitchen, (supper().jobs[0],) * 31)
    with pytest.raises(BadInput, match="What is served"):
        Day(supper().kitchen, ())


def test_what_waits_for_each_other_is_one_block_and_nothing_to_do_is_no_job():
    def step(key: str, *after: str, run: str = "") -> Task:
        return Task(key=key, step=key, say="", minutes=Range.exact(5), after=tuple(Wait(a, 0, 60) for a in after), hands="busy", flame="medium" if run else None, run=run)  # fmt: skip

    around = Job(key="j", name="j", due=600, tasks=(step("a", run="r"), step("b", "a"), step("c", "b", run="r")))
    assert [len(block.tasks) for block in blocks_of(around)] == [3]
    with pytest.raises(Impossible, match="no steps"):
        job_of("0", replace(forecast("basundi", "reduced"), steps=()), 900)


@settings(max_examples=30)
@given(st.floats(0.2, 3.0))
def test_a_pan_is_one_that_holds_it_the_smallest_first(litres: float):
    fits = rules.pots_for(supper().kitchen, litres)
    sizes = [POTS[i].litres for i in fits]
    assert sizes == sorted(sizes) and sizes[0] >= min(litres, 3.0) * 0.95
