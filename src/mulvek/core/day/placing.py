"""Where one block of a sweet fits best, what follows it being placed: all minutes of the day at once."""

import itertools
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import partial

import numpy as np
import numpy.typing as npt

from . import rules
from .board import Line, Sums, within
from .given import Given
from .layout import Block, together
from .tasks import Job, Placed, Task, Wait

MOST_COMBINATIONS = 6
"""Of burners that are tried for the stays of a block."""


@dataclass(slots=True)
class Spot:
    cost: float
    placed: dict[str, Placed]
    fires: list[tuple[int, int, int, int]]


class Search:
    """Where a block fits best, what follows it being placed."""

    def __init__(
        self, given: Given, job: Job, late: int, standing: float, placed: Mapping[str, Placed], limit: int | None
    ) -> None:
        self.given = given
        self.board = given.board
        self.job = job
        self.due = job.due + late
        self.standing = standing
        self.placed = placed
        self.limit = limit
        self.too_early: tuple[str, int] | None = None
        """A task that must go earlier, and by how much, so that a block before it finds a place."""
        self._sums: dict[object, list[Sums]] = {}
        self._new = self.board.fresh_standing()

    def best(self, block: Block) -> Spot | None:
        spots = [spot for hobs in self._combinations(block) if (spot := self._on(block, hobs)) is not None]
        return min(spots, key=lambda spot: spot.cost, default=None)

    def _combinations(self, block: Block) -> list[dict[str, int]]:
        held = {run: self.given.held[run][0] for run in block.runs if run in self.given.held}
        if held:
            return [held | rest for rest in self._free_hobs([run for run in block.runs if run not in held])]
        return self._free_hobs(block.runs)

    def _free_hobs(self, runs: list[str]) -> list[dict[str, int]]:
        every = range(len(self.board.hobs))
        if len(runs) <= len(every):
            chosen = [dict(zip(runs, hobs, strict=True)) for hobs in itertools.permutations(every, len(runs))]
        else:
            chosen = [{run: i % len(every) for i, run in enumerate(runs)}]
        if len(chosen) > MOST_COMBINATIONS:
            return self.given.rng.sample(chosen, MOST_COMBINATIONS)
        return chosen

    def _window(self, block: Block, offsets: Mapping[str, int], minutes: Mapping[str, int]) -> tuple[int, int, str]:
        """Earliest and latest first minute, and what follows that sets the earliest."""
        start, job = self.given.start, self.job
        low = max(self.given.soonest[task.key] - start - offsets[task.key] for task in block.tasks)
        high, by = self.board.length, ""
        keys = {task.key for task in block.tasks}
        for task in block.tasks:
            for wait in task.after:
                done = self.given.fixed.get(wait.task)
                if done is not None and wait.most is not None:
                    high = min(high, max(low, done.end - start - offsets[task.key] + wait.most))
        for key, place in self.placed.items():
            for wait in self._after(key):
                if wait.task in keys:
                    end = offsets[wait.task] + minutes[wait.task]
                    high = min(high, place.start - start - wait.least - end)
                    if wait.most is not None and place.start - start - wait.most - end > low:
                        low, by = place.start - start - wait.most - end, key
        if job.last in keys:
            end = offsets[job.last] + minutes[job.last]
            high = min(high, self.due - self.given.buffers[job.key] - start - end)
            low = max(low, rules.earliest_ready(job) - start - end)
        longest = max(offsets[t.key] + minutes[t.key] for t in block.tasks)
        high = min(high, self.given.day.kitchen.end - start - longest)
        return low, high if self.limit is None else min(high, self.limit), by

    def _after(self, key: str) -> tuple[Wait, ...]:
        return self.given.tasks[key].after

    def _on(self, block: Block, hobs: Mapping[str, int]) -> Spot | None:
        offsets, minutes = self.given.layout(block, hobs)
        if offsets is None:
            return None
        low, high, by = self._window(block, offsets, minutes)
        if high < 0:
            return None
        many = high + 1
        bad = np.zeros(many, dtype=np.int32)
        for task in block.tasks:
            for line in self._lines(task):
                bad += within(line, many, offsets[task.key], minutes[task.key])
        spans = [(offsets[t.key], offsets[t.key] + minutes[t.key], t.load) for t in block.tasks if t.load]
        for first, last, load in together(spans):
            line = self._one(("hands", load), partial(self.board.no_hands, load))
            bad += within(line, many, first, last - first)
        stays = self._stays(block, offsets, minutes)
        for first, last, pans in together([(first, last, 1) for first, last in stays.values()]):
            line = self._one(("pans", pans), partial(self.board.unwatched, pans))
            bad += within(line, many, first, last - first)
        for run, hob in hobs.items():
            first, last = stays[run]
            bad += within(self._one(("hob", hob), partial(self.board.no_fire, hob)), many, first, last - first)
            bad += self._no_pot(run, many, first, last)
        if self.job.last in offsets:
            bad += self._no_room(many, offsets[self.job.last] + minutes[self.job.last])
        good = np.flatnonzero(bad == 0)
        if not len(good):
            return None
        in_time = good[good >= low]
        if not len(in_time):
            if by and (self.too_early is None or low - int(good[-1]) < self.too_early[1]):
                self.too_early = (by, low - int(good[-1]))
            return None
        return self._cheapest(block, hobs, offsets, minutes, stays, in_time, high)

    def _cheapest(
        self,
        block: Block,
        hobs: Mapping[str, int],
        offsets: Mapping[str, int],
        minutes: Mapping[str, int],
        stays: Mapping[str, tuple[int, int]],
        starts: npt.NDArray[np.intp],
        high: int,
    ) -> Spot | None:
        early = max(0.3, rules.early_cost(self.job))
        costs = (high - starts) * early
        for task in block.tasks:
            if task.load > rules.GLANCE:
                new = within(self._new, high + 1, offsets[task.key], minutes[task.key])[starts]
                costs = costs + self.standing * rules.SPAN_COST * new
        away = 0.0
        if (home := self.given.home.get(block.tasks[0].key)) is not None:
            begins = starts + offsets[block.tasks[0].key] + self.given.start
            costs = costs + rules.MOVE_COST * np.abs(begins - home.start)
            away = rules.SWAP_COST * sum(
                hobs[task.run] != self.given.home[task.key].hob for task in block.tasks if task.run in hobs
            )
        best = int(np.argmin(costs))
        x = int(starts[best])
        fires: list[tuple[int, int, int, int]] = []
        pots: dict[str, int] = {}
        for run, hob in hobs.items():
            first, last = stays[run]
            pot = self._pot(run, x + first, x + last, fires)
            if pot is None:
                return None
            fires.append((hob, pot, x + first, x + last))
            pots[run] = pot
        at = x + self.given.start
        placed = {
            t.key: Placed(
                at + offsets[t.key],
                at + offsets[t.key] + minutes[t.key],
                hobs.get(t.run) if t.run else None,
                pots.get(t.run) if t.run else None,
            )
            for t in block.tasks
        }
        slower = sum(minutes.values()) * 2 + away
        return Spot(float(costs[best]) + slower + self.given.rng.random() * 3, placed, fires)

    def _lines(self, task: Task) -> list[Sums]:
        return self._kept(
            (task.load, task.helper, task.fridge_l, task.freezer_l),
            lambda: [*self.board.nobody(task), *self.board.no_cold(task)],
        )

    def _one(self, key: object, make: Callable[[], Sums]) -> Sums:
        return self._kept(key, lambda: [make()])[0]

    def _kept(self, key: object, make: Callable[[], list[Sums]]) -> list[Sums]:
        if key not in self._sums:
            self._sums[key] = make()
        return self._sums[key]

    def _stays(
        self, block: Block, offsets: Mapping[str, int], minutes: Mapping[str, int]
    ) -> dict[str, tuple[int, int]]:
        found: dict[str, tuple[int, int]] = {}
        for task in block.tasks:
            if task.run:
                first, last = found.get(task.run, (offsets[task.key], 0))
                end = offsets[task.key] + minutes[task.key]
                found[task.run] = (min(first, offsets[task.key]), max(last, end))
        return found

    def _no_pot(self, run: str, starts: int, first: int, last: int) -> Line:
        """Where no pan that holds it is free."""
        taken = [
            within(self._one(("pot", p), partial(self.board.no_pot, p)), starts, first, last - first + rules.WASH)
            for p in self._pots(run)
        ]
        return np.asarray(np.min(np.stack(taken), axis=0), dtype=np.int32)

    def _pot(self, run: str, first: int, last: int, fires: list[tuple[int, int, int, int]]) -> int | None:
        """The smallest pan that is free; not one that another stay of this block has."""
        for pot in self._pots(run):
            free = not self.board.pots[pot][first : last + rules.WASH].any()
            mine = any(p == pot and a < last + rules.WASH and first < b + rules.WASH for _, p, a, b in fires)
            if free and not mine:
                return pot
        return None

    def _pots(self, run: str) -> list[int]:
        """In which it can be; the one that it is in already."""
        if run in self.given.held:
            return [self.given.held[run][1]]
        return rules.pots_for(self.given.day.kitchen, self.given.needed.get(run, 0.0))

    def _no_room(self, starts: int, ready: int) -> Line:
        """Where the finished sweet finds no room in the cold until it is eaten."""
        fridge, freezer = rules.cold_l(self.job)
        bad = np.zeros(starts, dtype=np.int32)
        until = self.due - self.given.start
        for litres, full in ((fridge, self.board.full_fridge), (freezer, self.board.full_freezer)):
            if litres:
                line = full(litres)
                end = line[min(max(0, until), len(line) - 1)]
                bad += np.maximum(0, end - line[ready : ready + starts]).astype(np.int32)
        return bad
