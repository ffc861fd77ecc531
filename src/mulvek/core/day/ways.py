"""Ways on when something took longer: everything pushed, or the rest of the day worked out anew, where that is better."""

from collections.abc import Mapping
from typing import Literal

from .check import faults
from .packer import anew
from .shift import broken_waits, moved, shifted
from .tasks import Day, Plan

Way = Literal["push", "anew"]


def ways(day: Day, plan: Plan, now: int, ends: Mapping[str, int]) -> list[tuple[Way, Plan]]:
    """Pushed first; then the rest anew, when it is better and the checker passes it but for what is past."""
    pushed = shifted(day, plan, now, ends)
    again = anew(day, plan, now, ends)
    better = again is not None and _worth(day, plan, again) < _worth(day, plan, pushed)
    if again is None or not better or new_faults(day, plan, again, now, ends):
        return [("push", pushed)]
    return [("push", pushed), ("anew", again)]


def _worth(day: Day, before: Plan, after: Plan) -> tuple[int, int, int]:
    """The less, the better: minutes past serving, minutes waited too long, acts that move."""
    past = sum(max(0, after.placed[job.last].end - job.due) for job in day.jobs)
    return past, sum(over for _, over in broken_waits(day, after)), len(moved(before, after))


def new_faults(day: Day, before: Plan, after: Plan, now: int, ends: Mapping[str, int]) -> list[str]:
    """Faults of what was worked out anew, but for what is past: a task that took longer, and what waited for it."""
    past = {key for key, place in before.placed.items() if place.start < now or key in ends}
    held_up = {task.key for task in day.tasks.values() if any(wait.task in past for wait in task.after)}
    return [
        fault
        for fault in faults(day, after)
        if fault.removeprefix("minutes: ") not in past and fault.removeprefix("wait: ") not in held_up | past
    ]
