"""When something takes longer than planned: what is past and what runs stays, everything else keeps its order and moves no
more than it must. Quick enough for a phone, and never wrong; a calmer way may still be found by planning anew.
"""

from collections.abc import Mapping
from dataclasses import replace

from . import rules
from .chance import arcs_of
from .tasks import Day, Placed, Plan, Task


def shifted(day: Day, plan: Plan, now: int, ends: Mapping[str, int]) -> Plan:
    """The plan with some tasks ending otherwise than planned (``ends``), from ``now`` on.

    Nothing that began before now moves but its end; what has not begun begins no sooner than planned, in the same order
    on its burner, in its pan and by its hands, and never in hours that are not free.
    """
    arcs = arcs_of(day, plan)
    tasks = day.tasks
    placed: dict[str, Placed] = {}
    for key in sorted(tasks, key=lambda key: (plan.placed[key].start, plan.placed[key].end)):
        was = plan.placed[key]
        minutes = was.end - was.start
        if was.start < now or key in ends:
            placed[key] = replace(was, end=max(was.start + 1, ends.get(key, was.end)))
            continue
        start = max([was.start, now, *(placed[b].end + least for b, least in arcs[key] if b in placed)])
        start = _free(day, tasks[key], start, minutes, [(tasks[k], p) for k, p in placed.items()])
        placed[key] = replace(was, start=start, end=start + minutes)
    late = {
        job.key: max(0, placed[job.last].end - job.due) if placed[job.last].end > plan.placed[job.last].end
        else plan.late[job.key]
        for job in day.jobs
    }  # fmt: skip
    return Plan({key: placed[key] for key in tasks}, late)


def _free(day: Day, task: Task, start: int, minutes: int, others: list[tuple[Task, Placed]]) -> int:
    """The first minute from ``start`` on at which there are hands for all of it."""
    if not task.load:
        return start
    others = [(t, p) for t, p in others if t.load and p.end > start]
    for at in range(start, start + 1440):
        if all(_hands(day, task, minute, others) for minute in range(at, at + minutes)):
            return at
    return start


def _hands(day: Day, task: Task, minute: int, others: list[tuple[Task, Placed]]) -> bool:
    hands, helper = rules.hands_at(day.kitchen, minute)
    there = [t for t, p in others if p.start <= minute < p.end]
    cook = hands - helper >= rules.ONE_PAIR
    if sum(t.load for t in there) + task.load > hands:
        return False
    if task.load < rules.BUSY:
        return cook or helper >= rules.ONE_PAIR or task.load <= rules.GLANCE
    busy = [t for t in there if t.load >= rules.BUSY]
    own = [t for t in busy if not t.helper]
    return len(busy) < cook + (helper >= rules.ONE_PAIR) and (task.helper or len(own) < cook)


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
