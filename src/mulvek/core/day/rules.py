"""The rules of a day, in one table: packer, checker and simulation read these and no others."""

import math
from collections.abc import Mapping

from ..ranges import Z80
from .tasks import Day, DayKitchen, Job, Placed, Task

ONE_PAIR = 100
"""Of a pair of hands; ``Task.load`` is reckoned against it."""
BUSY = 65
"""From this load on a task has a person of its own: two never share one pair of hands."""
GLANCE = 10
"""A look of this load or less is no standing, and can be had while seated."""
WASH = 5
"""Minutes a pan takes after its stay before the next thing goes into it."""
MOST_BUFFER = 60
HEATED = ("strong", "medium")
"""Flames on which a weaker burner takes longer; a gentle one any burner gives."""


def minutes_on(task: Task, kitchen: DayKitchen, hob: int | None) -> int:
    """How long it takes on that burner."""
    if task.flame not in HEATED or hob is None:
        return task.planned
    return max(1, math.ceil(task.planned * kitchen.hobs[hob].factor - 1e-6))


def buffer(job: Job) -> int:
    """Minutes kept before serving: 1.28 times the root of the summed squares of (p90 - p50) / 1.28 along the longest way
    (day dossier §2). A window gives back what was lost and is no chance.

    >>> from ..ranges import Range
    >>> from .tasks import Wait
    >>> boil = Task(key="a", step="a", say="", minutes=Range(30, 40, 52), hands="busy")
    >>> rest = Task(key="b", step="b", say="", minutes=Range(60, 90, 120), window=True, after=(Wait("a"),))
    >>> buffer(Job(key="j", name="", due=900, tasks=(boil, rest)))
    12
    """
    length: dict[str, float] = {}
    variance: dict[str, float] = {}
    for task in job.tasks:
        sd = 0.0 if task.window or task.slow else (task.minutes.high - task.minutes.likely) / Z80
        before = max(((length[w.task] + w.least, variance[w.task]) for w in task.after), default=(0.0, 0.0))
        length[task.key], variance[task.key] = before[0] + task.planned, before[1] + sd * sd
    return min(MOST_BUFFER, round(Z80 * math.sqrt(variance[job.last]))) + job.spare


def earliest_ready(job: Job) -> int:
    """When it may be ready at the soonest, so that it is still fresh when it is eaten."""
    return job.due - job.fresh - buffer(job)


def hands_at(kitchen: DayKitchen, minute: int) -> tuple[int, int]:
    """Hundredths of hands that are there in that minute, and of them the helper's.

    >>> from .tasks import Away, Hob, Pot, Shift
    >>> night = Away(1320, 1440, "asleep")
    >>> k = DayKitchen(hobs=(Hob("left"),), pots=(Pot("pan", 2),), start=0, end=1440, away=(night,), helper=(Shift(0, 60),))
    >>> hands_at(k, 30), hands_at(k, 700), hands_at(k, 1400)
    ((200, 100), (100, 0), (0, 0))
    """
    helper = ONE_PAIR if any(s.start <= minute < s.end for s in kitchen.helper) else 0
    kinds = {a.kind for a in kitchen.away if a.start <= minute < a.end}
    if kinds - {"seated"}:
        return helper, helper
    return (GLANCE if kinds else ONE_PAIR) + helper, helper


def cold_l(job: Job) -> tuple[float, float]:
    """Litres of fridge and of freezer that the finished sweet takes until it is eaten."""
    return (job.litres if job.at == "fridge" else 0.0, job.litres if job.at == "freezer" else 0.0)


def runs(day: Day) -> dict[str, list[Task]]:
    """Stays on the fire: tasks that one burner and one pan hold from the first to the last."""
    found: dict[str, list[Task]] = {}
    for task in day.tasks.values():
        if task.run:
            found.setdefault(task.run, []).append(task)
    return found


def needed_l(day: Day) -> dict[str, float]:
    """How much the pan of each stay must hold."""
    return {run: litres for job in day.jobs for run, litres in job.needs_l.items()}


def pots_for(kitchen: DayKitchen, litres: float) -> list[int]:
    """Pans in which it fits, the smallest first; the largest there is when none holds it: it is boiled in goes then."""
    order = sorted(range(len(kitchen.pots)), key=lambda i: kitchen.pots[i].litres)
    fits = [i for i in order if kitchen.pots[i].litres >= litres * 0.95]
    largest = kitchen.pots[order[-1]].litres
    return fits or [i for i in order if kitchen.pots[i].litres >= largest * 0.95]


def standing(placed: list[tuple[Task, Placed]]) -> list[tuple[int, int]]:
    """Sittings on the feet: stretches in which hands are wanted, with less than half an hour between them."""
    spans = sorted((p.start, p.end) for task, p in placed if task.load > GLANCE)
    joined: list[tuple[int, int]] = []
    for start, end in spans:
        if joined and start <= joined[-1][1] + SITTING_GAP:
            joined[-1] = (joined[-1][0], max(joined[-1][1], end))
        else:
            joined.append((start, end))
    return joined


SITTING_GAP = 30
LATE_COST, SPAN_COST, SITTING_COST = 1000, 20, 600
"""What a plan costs: minutes late before all, then minutes on the feet, sittings, and minutes that a sweet stands early."""


MOVE_COST, SWAP_COST = 12, 150
"""Of a step that moves when the cook moved another: a minute, and another burner."""


def early_cost(job: Job) -> float:
    """A minute that this sweet stands ready before it is eaten; nothing for what is frozen."""
    hours = job.fresh / 60
    return 0.0 if hours >= 200 else float(max(0, min(4, round(36 / hours))))


def lateness(day: Day, placed: Mapping[str, Placed]) -> dict[str, int]:
    """By how many minutes each sweet misses its hour less its buffer."""
    return {job.key: max(0, placed[job.last].end + buffer(job) - job.due) for job in day.jobs}


def cost(day: Day, placed: Mapping[str, Placed], late: Mapping[str, int]) -> float:
    """Of a whole plan: the less, the better."""
    tasks = day.tasks
    sittings = standing([(tasks[key], p) for key, p in placed.items()])
    spans = sum(end - start for start, end in sittings)
    early = sum(early_cost(job) * (job.due + late[job.key] - placed[job.last].end) for job in day.jobs)
    return LATE_COST * sum(late.values()) + SPAN_COST * spans + SITTING_COST * len(sittings) + early
