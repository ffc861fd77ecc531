"""Ways on when something took longer: everything pushed, the rest of the day worked out anew, or an hour at table given up,
where that is better."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Literal

from .check import faults
from .packer import anew
from .shift import broken_waits, moved, shifted
from .tasks import Away, Day, Plan

Way = Literal["push", "anew", "through"]


@dataclass(frozen=True, slots=True)
class WayOn:
    """One of them: the day then, which has fewer hours seated where some are given up (``of``), and its plan."""

    way: Way
    day: Day
    plan: Plan
    of: str = ""


def ways(day: Day, plan: Plan, now: int, ends: Mapping[str, int]) -> list[WayOn]:
    """Pushed first; then the rest anew, and then an hour at table given up, each when it is better than those before it and
    the checker passes it but for what is past."""
    found = [WayOn("push", day, shifted(day, plan, now, ends))]
    again = _anew(day, plan, now, ends)
    if again is not None and _worth(day, plan, again) < _worth(day, plan, found[0].plan):
        found.append(WayOn("anew", day, again))
    if (hours := _next_seated(day, now)) is not None:
        rest = tuple(away for away in day.kitchen.away if away != hours)
        without = Day(replace(day.kitchen, away=rest), day.jobs)
        again = _anew(without, plan, now, ends)
        least = min(_worth(day, plan, way.plan)[:2] for way in found)
        if again is not None and _worth(without, plan, again)[:2] < least:
            found.append(WayOn("through", without, again, hours.name))
    return found


def _next_seated(day: Day, now: int) -> Away | None:
    """Hours at table that are still to come; whoever is away or asleep cannot be had back."""
    coming = [away for away in day.kitchen.away if away.kind == "seated" and away.start >= now]
    return min(coming, key=lambda away: away.start, default=None)


def _anew(day: Day, plan: Plan, now: int, ends: Mapping[str, int]) -> Plan | None:
    sound = (again for again in anew(day, plan, now, ends) if not new_faults(day, plan, again, now, ends))
    return min(sound, key=lambda again: _worth(day, plan, again), default=None)


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
