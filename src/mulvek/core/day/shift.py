"""When something takes longer than planned: what is past and what runs stays, everything else keeps its order and moves no
more than it must. Quick enough for a phone, and never wrong; a calmer way may still be found by planning anew.
"""

from collections.abc import Mapping
from dataclasses import replace

import numpy as np

from . import rules
from .board import hands_there
from .chance import arcs_of
from .tasks import Day, Placed, Plan, Task

LONGEST_LOOK = 1440
"""Minutes further on in which hands are looked for."""


def shifted(day: Day, plan: Plan, now: int, ends: Mapping[str, int]) -> Plan:
    """The plan with some tasks ending otherwise than planned (``ends``), from ``now`` on.

    Nothing that began before now moves but its end; what has not begun begins no sooner than planned, in the same order
    on its burner, in its pan and by its hands, and never in hours that are not free.
    """
    arcs = arcs_of(day, plan)
    tasks = day.tasks
    placed: dict[str, Placed] = {}
    hands = _Hands(day, plan)
    for key in sorted(tasks, key=lambda key: (plan.placed[key].start, plan.placed[key].end)):
        was = plan.placed[key]
        minutes = was.end - was.start
        if was.start < now or key in ends:
            placed[key] = replace(was, end=max(was.start + 1, ends.get(key, was.end)))
        else:
            start = max([was.start, now, *(placed[b].end + least for b, least in arcs[key] if b in placed)])
            start = hands.free_from(tasks[key], start, minutes)
            placed[key] = replace(was, start=start, end=start + minutes)
        hands.take(tasks[key], placed[key])
    late = {
        job.key: max(0, placed[job.last].end - job.due) if placed[job.last].end > plan.placed[job.last].end
        else plan.late[job.key]
        for job in day.jobs
    }  # fmt: skip
    return Plan({key: placed[key] for key in tasks}, late)


class _Hands:
    """Hands that are there and hands that are taken, minute by minute, beyond the end of the day."""

    def __init__(self, day: Day, plan: Plan) -> None:
        self.first = day.kitchen.start
        last = max([day.kitchen.end, *(p.end for p in plan.placed.values())]) + 2 * LONGEST_LOOK
        self.taken, self.busy, self.own = (np.zeros(last - self.first, dtype=np.int32) for _ in range(3))
        self.there, self.people, self.cook = hands_there(day.kitchen, last - self.first)

    def take(self, task: Task, place: Placed) -> None:
        span = slice(place.start - self.first, place.end - self.first)
        self.taken[span] += task.load
        if task.load >= rules.BUSY:
            self.busy[span] += 1
            self.own[span] += not task.helper

    def free_from(self, task: Task, start: int, minutes: int) -> int:
        """The first minute from ``start`` on at which there are hands for all of it."""
        if not task.load:
            return start
        at = start - self.first
        span = slice(at, at + LONGEST_LOOK + minutes)
        bad = self.taken[span] + task.load > self.there[span]
        if task.load >= rules.BUSY:
            bad |= self.busy[span] >= self.people[span]
            if not task.helper:
                bad |= self.own[span] >= self.cook[span]
        elif task.load > rules.GLANCE:
            bad |= self.people[span] == 0
        before = np.concatenate(([0], np.cumsum(bad)))
        free = np.flatnonzero(before[minutes:] == before[: len(before) - minutes])
        return start + int(free[0]) if len(free) and free[0] < LONGEST_LOOK else start


def moved(before: Plan, after: Plan) -> list[str]:
    """What begins at another time than it did, or on another burner."""
    return [
        key
        for key, place in after.placed.items()
        if (place.start, place.hob) != (before.placed[key].start, before.placed[key].hob)
    ]


def broken_waits(day: Day, plan: Plan) -> list[tuple[str, int]]:
    """Waits that are longer than they should be, with by how many minutes: milk may be covered, a curd may not wait."""
    return [
        (key, over)
        for key, task in day.tasks.items()
        for wait in task.after
        if wait.most is not None and (over := plan.placed[key].start - plan.placed[wait.task].end - wait.most) > 0
    ]
