"""What a cook moves by hand: a step with what is tightly bound to it goes where she wants it, and the rest makes room."""

import random
from collections.abc import Mapping, Sequence

from . import rules
from .check import faults
from .layout import Block, blocks_of, lay
from .packer import Packer, critical
from .tasks import Day, Job, Placed, Plan

WIDER = (0, 1, 2, 4, 30)
"""Sweets beside the one that is moved, the nearest in time first, that are placed once more, in turn."""


def bound(day: Day, before: Plan, key: str, start: int, hob: int | None = None) -> dict[str, Placed]:
    """Where a step and all that no long wait parts from it stand, when it begins at ``start``, on that burner.

    :param hob: another burner for its stay; the one it has, when none is named.
    """
    block = next(block for job in day.jobs for block in blocks_of(job) if any(t.key == key for t in block.tasks))
    run = day.tasks[key].run
    was = {task.key: before.placed[task.key] for task in block.tasks}
    if hob is None or not run or was[key].hob == hob:
        by = start - was[key].start
        return {k: Placed(p.start + by, p.end + by, p.hob, p.pot) for k, p in was.items()}
    hobs = {t.run: p.hob for t, p in ((t, was[t.key]) for t in block.tasks) if p.hob is not None}
    hobs = {other: hobs[run] if there == hob else there for other, there in hobs.items()} | {run: hob}
    minutes = {t.key: rules.minutes_on(t, day.kitchen, hobs.get(t.run)) for t in block.tasks}
    offsets = lay(block, minutes, hobs, random.Random(7)) or _as_it_was(block, was)
    by = start - offsets[key]
    return {
        t.key: Placed(
            offsets[t.key] + by, offsets[t.key] + by + minutes[t.key], hobs.get(t.run), was[t.key].pot
        )
        for t in block.tasks
    }  # fmt: skip


def in_the_way(day: Day, before: Plan, pins: Mapping[str, Placed]) -> list[str]:
    """What is wrong when these steps stand there and no other moves, as the checker says it; what is said of them first."""
    runs = {day.tasks[key].run for key in pins}
    found = faults(day, _put(day, before, pins))
    return sorted(found, key=lambda fault: not any(key in fault for key in (*pins, *runs) if key))


def _put(day: Day, before: Plan, pins: Mapping[str, Placed]) -> Plan:
    placed = {**before.placed, **pins}
    return Plan(placed, rules.lateness(day, placed))


def _moved_alone(day: Day, before: Plan, pins: Mapping[str, Placed]) -> Plan | None:
    """Nothing else has to move."""
    after = _put(day, before, pins)
    return after if after.lateness <= before.lateness and not faults(day, after) else None


def _as_it_was(block: Block, was: Mapping[str, Placed]) -> dict[str, int]:
    return {task.key: was[task.key].start for task in block.tasks}


def settle(day: Day, before: Plan, pins: Mapping[str, Placed], seed: int = 1) -> Plan | None:
    """The plan with these steps where they are pinned and as few others moved as will do; none when nothing fits around
    them. A plan that makes nothing later is looked for further afield before one that does."""
    if (alone := _moved_alone(day, before, pins)) is not None:
        return alone
    mine = [job for job in day.jobs if any(task.key in pins for task in job.tasks)]
    others = _nearest(day, before, pins, [job for job in day.jobs if job not in mine])
    best: Plan | None = None
    for many in WIDER:
        free = sorted([*mine, *others[:many]], key=lambda job: (job not in mine, -critical(job)))
        packer = Packer(day, seed, pins)
        packer.home = before.placed
        packer.adopt(Plan({**before.placed, **pins}, before.late))
        if packer.anew(free) and not faults(day, plan := packer.plan()):
            if best is None or plan.lateness < best.lateness:
                best = plan
            if best.lateness <= before.lateness:
                return best
        if many >= len(others):
            break
    return best


def _nearest(day: Day, before: Plan, pins: Mapping[str, Placed], jobs: Sequence[Job]) -> list[Job]:
    """Those with work nearest to what is pinned first."""
    spans = [(p.start, p.end) for p in pins.values()]

    def apart(job: Job) -> int:
        work = [before.placed[t.key] for t in job.tasks if t.load or t.flame] or list(before.placed.values())
        return min(max(0, p.start - end, start - p.end) for p in work for start, end in spans)

    return sorted(jobs, key=apart)
