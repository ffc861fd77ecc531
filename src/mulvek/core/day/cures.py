"""Why a day does not fit, and which single changes cure it: what no search can help is told by sums; the rest is tried,
one change at a time. What would not help is worth as much to know.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import accumulate
from typing import Literal

from . import rules
from .packer import improve
from .tasks import MOST_MINUTES, Away, Day, DayKitchen, Hob, Job, Plan, Shift

What = Literal["pan", "burner", "helper", "earlier", "through", "later", "without"]
"""A change that a person can make."""
EARLIER, LEAST_EARLIER = 120, 15
HELPS = 240
LATER = 30
ROUNDS = 25


@dataclass(frozen=True, slots=True)
class Cure:
    """One change, and by how many minutes the sweets are late with it; ``of``: which sweet or which hours."""

    what: What
    of: str
    late: int
    minutes: int = 0


@dataclass(frozen=True, slots=True)
class Short:
    """Something there is too little of whatever the order: ``have`` minutes of the ``need`` before ``by``."""

    what: Literal["time", "hands", "fire"]
    of: str
    need: int
    have: int
    by: int


def least_late(day: Day, seed: int = 1) -> Plan | None:
    """The plan with the fewest minutes late that a short search finds."""
    best: Plan | None = None
    for plan in improve(day, seed, ROUNDS):
        if best is None or plan.lateness < best.lateness:
            best = plan
        if best.lateness == 0:
            break
    return best


def shortages(day: Day) -> list[Short]:
    """What no order of the work can mend: a sweet that takes longer than there is, hands or fires that do not suffice."""
    kitchen = day.kitchen
    found = [
        Short("time", job.key, need, job.due - kitchen.start, job.due)
        for job in day.jobs
        if (need := longest_way(job, kitchen) + rules.buffer(job)) > job.due - kitchen.start
    ]
    dues = sorted({job.due for job in day.jobs})
    there = [_pairs(kitchen, minute) for minute in range(kitchen.start, dues[-1])]
    pairs = list(accumulate((sum(h >= rules.ONE_PAIR for h in of) for of in there), initial=0))
    awake = list(accumulate((sum(of) > 0 for of in there), initial=0))
    for due in dues:
        tasks = [task for job in day.jobs if job.due <= due for task in job.tasks]
        until = max(0, due - kitchen.start)
        hands = sum(task.planned for task in tasks if task.load >= rules.BUSY)
        if hands > pairs[until]:
            found.append(Short("hands", "", hands, pairs[until], due))
        fire = sum(task.planned for task in tasks if task.flame)
        if fire > awake[until] * len(kitchen.hobs):
            found.append(Short("fire", "", fire, awake[until] * len(kitchen.hobs), due))
    return found


def _pairs(kitchen: DayKitchen, minute: int) -> tuple[int, int]:
    hands, helper = rules.hands_at(kitchen, minute)
    return hands - helper, helper


def longest_way(job: Job, kitchen: DayKitchen) -> int:
    """Minutes from its first step to its last, on the strongest burner, if everything else waits for it."""
    hob = min(range(len(kitchen.hobs)), key=lambda i: kitchen.hobs[i].factor)
    ends: dict[str, int] = {}
    for task in job.tasks:
        begins = max((ends[w.task] + w.least for w in task.after), default=0)
        ends[task.key] = begins + rules.minutes_on(task, kitchen, hob)
    return ends[job.last]


def cures(day: Day, plan: Plan, seed: int = 1) -> Iterator[Cure]:
    """Each change in turn with what it leaves late, the cheap ones first. More of something never makes it worse: what a
    short search does not find better is as it was."""
    late = plan.lateness
    for what, of, minutes, changed in _changes(day, plan):
        found = least_late(changed, seed)
        left = late if found is None else found.lateness
        yield Cure(what, of, min(left, late), minutes)


def _changes(day: Day, plan: Plan) -> Iterator[tuple[What, str, int, Day]]:
    kitchen = day.kitchen
    last = max(job.due for job in day.jobs)
    largest = max(kitchen.pots, key=lambda pot: pot.litres)
    yield "pan", "", 0, _with(day, pots=(*kitchen.pots, largest))
    missing = max([0, *(short.need - short.have for short in shortages(day) if short.what == "time")])
    by = min(kitchen.start - kitchen.earliest, max(EARLIER, _in_halves(missing)))
    if by >= LEAST_EARLIER:
        yield "earlier", "", by, _with(day, start=kitchen.start - by)
    yield "burner", "", 0, _with(day, hobs=(*kitchen.hobs, Hob("one more")))
    for away in kitchen.away:
        if away.kind != "asleep":
            yield "through", away.name or away.kind, 0, _with(day, away=_but(kitchen, away))
    yield "helper", "", HELPS, _with(day, helper=(*kitchen.helper, Shift(max(0, last - HELPS), last)))
    late = [job for job in day.jobs if plan.late[job.key]]
    if late:
        by = max(LATER, _in_halves(max(plan.late.values())))
        yield "later", "", by, _all_later(day, by)
    for job in sorted(late if len(day.jobs) > 1 else [], key=lambda job: -plan.late[job.key]):
        by = max(LATER, _in_halves(plan.late[job.key]))
        later = replace(job, due=job.due + by)
        yield "later", job.key, by, _instead(day, job, later)
    if len(day.jobs) > 1:
        for job in day.jobs:
            yield "without", job.key, 0, _instead(day, job, None)


def _all_later(day: Day, by: int) -> Day:
    jobs = tuple(replace(job, due=job.due + by) for job in day.jobs)
    return Day(replace(day.kitchen, end=min(MOST_MINUTES, day.kitchen.end + by)), jobs)


def _in_halves(minutes: int) -> int:
    """Up to the next half hour."""
    return -(-minutes // 30) * 30


def _with(day: Day, **changed: object) -> Day:
    return Day(replace(day.kitchen, **changed), day.jobs)  # type: ignore[arg-type]


def _but(kitchen: DayKitchen, away: Away) -> tuple[Away, ...]:
    return tuple(other for other in kitchen.away if other != away)


def _instead(day: Day, job: Job, other: Job | None) -> Day:
    changed = (other if j is job else j for j in day.jobs)
    jobs = tuple(j for j in changed if j is not None)
    end = min(MOST_MINUTES, max([day.kitchen.end, *(j.due for j in jobs)]))
    return Day(replace(day.kitchen, end=end), jobs)
