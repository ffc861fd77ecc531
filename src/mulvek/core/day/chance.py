"""How likely each sweet is on time: the very plan that is shown, cooked on many days whose steps take what they take.

Nothing begins before it is planned; what is held up pushes what comes after it on the same burner, in the same pan, by the
same hands. A wait that one ends at will gives back what was lost, down to its least (day dossier §2).
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np
import numpy.typing as npt

from ..ranges import Z80
from . import rules
from .tasks import Day, Plan, Task

DAYS = 400
FARTHEST = 2.5
"""Of a step's minutes, in standard deviations of their logarithm: nothing goes further astray than that."""

SURE = 0.93
"""A sweet that is on time less often gets minutes to spare, ``MORE_SPARE`` at a time."""
MORE_SPARE, MOST_SPARE = 8, 600

Days = npt.NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Chance:
    """Of ``DAYS``, the share on which each sweet is ready by its hour, and on which all are; ``late``: minutes that each is
    late on an average day."""

    each: Mapping[str, float]
    all: float
    late: Mapping[str, float]


def chances(day: Day, plan: Plan, days: int = DAYS, seed: int = 1) -> Chance:
    """Shares of simulated days.

    >>> from ..ranges import Range
    >>> from .packer import pack
    >>> from .tasks import DayKitchen, Hob, Job, Pot
    >>> boil = Task(key="b", step="b", say="", minutes=Range.exact(30), hands="busy", flame="medium", run="b")
    >>> kitchen = DayKitchen(hobs=(Hob("left"),), pots=(Pot("pan", 2.0),), start=0, end=600)
    >>> day = Day(kitchen, (Job(key="j", name="j", due=600, tasks=(boil,), at="room"),))
    >>> chances(day, pack(day)).all
    1.0
    """
    rng = np.random.default_rng(seed)
    tasks, ends = day.tasks, dict[str, Days]()
    arcs = arcs_of(day, plan)
    for key in sorted(tasks, key=lambda key: (plan.placed[key].start, plan.placed[key].end)):
        task, place = tasks[key], plan.placed[key]
        start = np.full(days, float(place.start))
        for before, least in arcs[key]:
            if before in ends:
                start = np.maximum(start, ends[before] + least)
        if task.window:
            shortest = min(task.minutes.low, place.end - place.start)
            ends[key] = np.maximum(start + shortest, place.end)
        else:
            ends[key] = start + _taking(task, (place.end - place.start) / task.slack, rng.standard_normal(days))
    on_time = {job.key: ends[job.last] <= job.due + 0.5 for job in day.jobs}
    every = np.logical_and.reduce(list(on_time.values()))
    late = {job.key: float(np.maximum(0.0, ends[job.last] - job.due).mean()) for job in day.jobs}
    return Chance({key: float(ok.mean()) for key, ok in on_time.items()}, float(every.mean()), late)


def worth(day: Day, plan: Plan, chance: Chance | None = None) -> float:
    """What a plan costs when it is cooked, the less the better: a minute that something is likely late counts as one late."""
    told = chances(day, plan) if chance is None else chance
    return rules.cost(day, plan.placed, plan.late) + rules.LATE_COST * sum(told.late.values())


def surer(day: Day, plan: Plan) -> Day:
    """The day with more minutes kept before serving for the sweets that are late too often by this plan, for others hold
    them up; what keeps its hour by that day does by this one."""
    told = chances(day, plan)
    weak = {key for key, often in told.each.items() if often < SURE}
    jobs = (
        replace(job, spare=min(MOST_SPARE, job.spare + MORE_SPARE)) if job.key in weak else job for job in day.jobs
    )
    return Day(day.kitchen, tuple(jobs))


def _taking(task: Task, planned: float, z: Days) -> Days:
    """What it takes on each day: a logarithm with another spread on either side of what is likely."""
    if task.slow:
        return np.full(len(z), float(planned))
    m = task.minutes
    below, above = np.log(m.likely / m.low) / Z80, np.log(m.high / m.likely) / Z80
    clipped = np.clip(z, -FARTHEST, FARTHEST)
    return np.asarray(planned * np.exp(clipped * np.where(clipped < 0, below, above)), dtype=np.float64)


def arcs_of(day: Day, plan: Plan) -> dict[str, list[tuple[str, int]]]:
    """What each task comes after, and how many minutes after it."""
    tasks = day.tasks
    found = {key: [(wait.task, wait.least) for wait in task.after] for key, task in tasks.items()}
    stays = []
    for of in rules.runs(day).values():
        inside = sorted(of, key=lambda task: plan.placed[task.key].start)
        place = plan.placed[inside[0].key]
        stays.append((place.start, place.hob, place.pot, inside[0].key, inside[-1].key))
    stays.sort(key=lambda stay: stay[0])
    for which, wash in ((1, 0), (2, rules.WASH)):
        last: dict[object, str] = {}
        for stay in stays:
            if (before := last.get(stay[which])) is not None:
                found[stay[3]].append((before, wash))
            last[stay[which]] = stay[4]
    busy = sorted((k for k, t in tasks.items() if t.load >= rules.BUSY), key=lambda k: plan.placed[k].start)
    skip = 1 if day.kitchen.helper else 0
    for i, key in enumerate(busy):
        over = [k for k in busy[:i] if plan.placed[k].end <= plan.placed[key].start]
        over.sort(key=lambda k: -plan.placed[k].end)
        found[key] += [(k, 0) for k in over[skip : skip + 2]]
    return found
