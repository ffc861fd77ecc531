"""What a plan is made in: the day, what is taken of it already, and when each task can begin at all."""

import random
from collections.abc import Mapping

from . import rules
from .board import Board
from .layout import Block, blocks_of, lay
from .tasks import Day, Placed


class Given:
    """What a plan is made in: the day, what is taken of it, and of a day that has begun what stays where it is."""

    def __init__(self, day: Day, seed: int, fixed: Mapping[str, Placed] | None = None, now: int = 0) -> None:
        self.day = day
        self.fixed = fixed or {}
        self.rng = random.Random(seed)
        self.board = Board(day)
        self.start = day.kitchen.start
        self.blocks = {job.key: self._open(blocks_of(job)) for job in day.jobs}
        self.jobs = {job.key: job for job in day.jobs}
        self.buffers = {job.key: rules.buffer(job) for job in day.jobs}
        self.tasks = day.tasks
        self.needed = rules.needed_l(day)
        self.soonest = soonest(day, self.fixed, max(now, day.kitchen.start))
        self._layouts: dict[tuple[object, ...], dict[str, int] | None] = {}
        self.home: Mapping[str, Placed] = {}
        """Where the cook knows each task to be: it is moved from there only for something."""
        self.held: dict[str, tuple[int, int]] = {}
        """Burner and pan of each stay that is on already."""
        for key, place in self.fixed.items():
            self.board.take(self.tasks[key], place.start - self.start, place.end - self.start, 1)
            if place.hob is not None and place.pot is not None:
                self.held[self.tasks[key].run] = (place.hob, place.pot)
        for run, (hob, pot) in self.held.items():
            stay = [self.fixed[t.key] for t in self.tasks.values() if t.run == run and t.key in self.fixed]
            first, last = min(p.start for p in stay) - self.start, max(p.end for p in stay) - self.start
            goes_on = any(t.run == run and t.key not in self.fixed for t in self.tasks.values())
            self.board.take_fire(hob, pot, first, last, 1)
            if goes_on:  # the next thing in that pan is its own: nothing is washed
                self.board.pots[pot][last : last + rules.WASH] -= 1

    def _open(self, blocks: list[Block]) -> list[Block]:
        """What of them has not begun."""
        left = (tuple(t for t in block.tasks if t.key not in self.fixed) for block in blocks)
        return [Block(tasks) for tasks in left if tasks]

    def layout(self, block: Block, hobs: Mapping[str, int]) -> tuple[dict[str, int] | None, dict[str, int]]:
        """Distances in a block, and how long each of its tasks takes on these burners."""
        minutes = {t.key: rules.minutes_on(t, self.day.kitchen, hobs.get(t.run)) for t in block.tasks}
        key = (*minutes.items(), *hobs.values())
        if key not in self._layouts:
            self._layouts[key] = lay(block, minutes, hobs, random.Random(7))
        return self._layouts[key], minutes


def soonest(day: Day, fixed: Mapping[str, Placed], now: int) -> dict[str, int]:
    """When each task can begin at all, what it waits for being begun now; ``fixed``: what is or will be where it stands."""
    quickest = min(range(len(day.kitchen.hobs)), key=lambda i: day.kitchen.hobs[i].factor)
    found: dict[str, int] = {}
    ends = {key: place.end for key, place in fixed.items()}
    for task in day.tasks.values():
        found[task.key] = max([now, *(ends[wait.task] + wait.least for wait in task.after)])
        if task.key not in ends:
            ends[task.key] = found[task.key] + rules.minutes_on(task, day.kitchen, quickest)
    return found
