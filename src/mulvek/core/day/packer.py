"""A plan of the day: each sweet is placed backwards from its hour in whole blocks, where it adds least standing; then some
are taken out and put back otherwise, for as long as one cares to look.

The same day and the same seed give the same plans.
"""

import itertools
import random
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import partial

import numpy as np
import numpy.typing as npt

from . import rules
from .board import Board, Line, Sums, within
from .layout import Block, blocks_of, lay, together
from .tasks import Day, Job, Placed, Plan, Task, Wait

LATE_STEPS = (0, 10, 20, 30, 45, 60, 90, 120, 180, 240, 360, 540, 720, 1080)
"""By how many minutes a sweet may be late, tried in turn."""
ATTEMPTS, AS_USUAL = 24, 12
"""Of one sweet for one hour; after so many its blocks are placed in other orders."""
MOST_COMBINATIONS = 6


def pack(day: Day, seed: int = 1) -> Plan | None:
    """The first plan there is; none when a sweet finds no place at all.

    >>> from ..ranges import Range
    >>> from .tasks import DayKitchen, Hob, Job, Pot, Task
    >>> boil = Task(key="b", step="b", say="", minutes=Range.exact(30), hands="busy", flame="medium", run="b")
    >>> kitchen = DayKitchen(hobs=(Hob("left"),), pots=(Pot("pan", 2.0),), start=0, end=600)
    >>> pack(Day(kitchen, (Job(key="j", name="j", due=600, tasks=(boil,), at="room"),))).placed["b"].start
    570
    """
    return next(improve(day, seed), None)


def improve(
    day: Day, seed: int = 1, rounds: int | None = 0, goes_on: Callable[[], bool] = lambda: True
) -> Iterator[Plan]:
    """Plans, each better than the one before it; ``rounds`` of taking out and putting back, none for ever, and no longer
    than ``goes_on``, which is asked before each."""
    return _Packer(day, seed).plans(rounds, goes_on)


def anew(day: Day, before: Plan, now: int, ends: Mapping[str, int], rounds: int = 30) -> Plan | None:
    """The rest of a day worked out anew from ``now`` on, when some tasks end otherwise than planned (``ends``): what began
    before stays where it is. None when the rest finds no place."""
    fixed = {
        key: replace(place, end=max(place.start + 1, ends.get(key, place.end)))
        for key, place in before.placed.items()
        if place.start < now or key in ends
    }
    plans = list(_Packer(day, 1, fixed, now).plans(rounds, lambda: True))
    return plans[-1] if plans else None


@dataclass(slots=True)
class _Found:
    """A sweet's place."""

    placed: dict[str, Placed]
    fires: list[tuple[int, int, int, int]]
    late: int


class _Packer:
    def __init__(self, day: Day, seed: int, fixed: Mapping[str, Placed] | None = None, now: int = 0) -> None:
        self.day = day
        self.fixed = fixed or {}
        self.rng = random.Random(seed)
        self.board = Board(day)
        self.start = day.kitchen.start
        self.found: dict[str, _Found] = {}
        self.blocks = {job.key: self._open(blocks_of(job)) for job in day.jobs}
        self.jobs = {job.key: job for job in day.jobs}
        self.buffers = {job.key: rules.buffer(job) for job in day.jobs}
        self.tasks = day.tasks
        self.needed = rules.needed_l(day)
        self.soonest = self._soonest(max(now, day.kitchen.start))
        self._layouts: dict[tuple[object, ...], dict[str, int] | None] = {}
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

    def _soonest(self, now: int) -> dict[str, int]:
        """When each task can begin at all, what it waits for being begun now."""
        quickest = min(range(len(self.day.kitchen.hobs)), key=lambda i: self.day.kitchen.hobs[i].factor)
        found: dict[str, int] = {}
        ends = {key: place.end for key, place in self.fixed.items()}
        for task in self.tasks.values():
            found[task.key] = max([now, *(ends[wait.task] + wait.least for wait in task.after)])
            if task.key not in ends:
                ends[task.key] = found[task.key] + rules.minutes_on(task, self.day.kitchen, quickest)
        return found

    def _open(self, blocks: list[Block]) -> list[Block]:
        """What of them has not begun."""
        left = (tuple(t for t in block.tasks if t.key not in self.fixed) for block in blocks)
        return [Block(tasks) for tasks in left if tasks]

    def plans(self, rounds: int | None, goes_on: Callable[[], bool]) -> Iterator[Plan]:
        order = sorted(self.day.jobs, key=_critical, reverse=True)
        best = float("inf")
        for _ in range(6):
            self._clear()
            if all([self._insert(job) for job in order]):
                now = self._cost()
                if now < best:
                    best = now
                    kept = dict(self.found)
                    yield self._plan()
                if not any(found.late for found in self.found.values()):
                    break
            order = sorted(self.day.jobs, key=lambda job: _critical(job) * self.rng.uniform(0.3, 1.7), reverse=True)
        if best == float("inf"):
            return
        self._restore(kept)
        current = best
        for _ in itertools.count() if rounds is None else range(rounds):
            if not goes_on():
                return
            before = dict(self.found)
            for job in self._chosen():
                self._remove(job)
            missing = [job for job in self.day.jobs if job.key not in self.found]
            self.rng.shuffle(missing)
            standing = self.rng.choice((0.3, 1.0, 1.0, 2.0))
            whole = all([self._insert(job, standing) for job in missing])
            now = self._cost() if whole else float("inf")
            if now > current:
                self._restore(before)
                continue
            current = now
            if now < best - 1e-9:
                best = now
                yield self._plan()

    # -- the whole plan ------------------------------------------------------------------------------

    def _plan(self) -> Plan:
        placed = {key: place for found in self.found.values() for key, place in found.placed.items()}
        order = [task.key for job in self.day.jobs for task in job.tasks]
        return Plan(
            placed={key: placed[key] for key in order}, late={key: found.late for key, found in self.found.items()}
        )

    def _cost(self) -> float:
        placed = {key: place for found in self.found.values() for key, place in found.placed.items()}
        return rules.cost(self.day, placed, {key: found.late for key, found in self.found.items()})

    def _chosen(self) -> list[Job]:
        """Some sweets to take out: any, or such as are made at about the same time."""
        jobs = list(self.day.jobs)
        late = [job for job in jobs if self.found[job.key].late]
        if late and self.rng.random() < 0.6:
            others = [job for job in jobs if job not in late]
            return [self.rng.choice(late), *self.rng.sample(others, min(len(others), self.rng.choice((0, 1, 2))))]
        many = min(len(jobs), self.rng.choice((1, 2, 2, 3, 3, 4) if len(jobs) > 4 else (1, 2, 3)))
        if self.rng.random() < 0.5 and len(jobs) > many:
            middle = {key: np.median([p.start for p in found.placed.values()]) for key, found in self.found.items()}
            of = self.rng.choice(jobs)
            jobs.sort(key=lambda job: abs(middle[job.key] - middle[of.key]) + self.rng.random() * 60)
            return jobs[:many]
        return self.rng.sample(jobs, many)

    # -- one sweet -----------------------------------------------------------------------------------

    def _insert(self, job: Job, standing: float = 1.0) -> bool:
        for late in LATE_STEPS:
            if (found := self._place(job, late, standing)) is not None:
                self._apply(job, found, 1)
                self.found[job.key] = found
                return True
        return False

    def _remove(self, job: Job) -> None:
        self._apply(job, self.found.pop(job.key), -1)

    def _clear(self) -> None:
        for job in [self.jobs[key] for key in self.found]:
            self._remove(job)

    def _restore(self, wanted: Mapping[str, _Found]) -> None:
        for key in [key for key in self.found if self.found[key] is not wanted.get(key)]:
            self._remove(self.jobs[key])
        for key, found in wanted.items():
            if key not in self.found:
                self._apply(self.jobs[key], found, 1)
                self.found[key] = found

    def _apply(self, job: Job, found: _Found, by: int) -> None:
        for task in job.tasks:
            if task.key in self.fixed:
                continue
            place = found.placed[task.key]
            self.board.take(task, place.start - self.start, place.end - self.start, by)
        for hob, pot, start, end in found.fires:
            self.board.take_fire(hob, pot, start, end, by)
        ready = found.placed[job.last].end - self.start
        until = job.due + found.late - self.start
        fridge, freezer = rules.cold_l(job)
        if until > ready:
            self.board.fridge[ready:until] += by * round(fridge * 100)
            self.board.freezer[ready:until] += by * round(freezer * 100)

    def _place(self, job: Job, late: int, standing: float) -> _Found | None:
        """Its blocks, the last first; when one finds no place late enough for what follows it, that one goes earlier."""
        order = self._order(job, 0.0)
        limits: dict[int, int] = {}
        for attempt in range(ATTEMPTS):
            outcome = self._attempt(job, late, standing, order, limits)
            if isinstance(outcome, _Found):
                return outcome
            if outcome is None or attempt >= AS_USUAL:
                if len(order) < 3 or attempt + 1 < AS_USUAL // 2:
                    return None
                order, limits = self._order(job, 1.0), {}
                continue
            block, limit = outcome
            for later in order[order.index(block) + 1 :]:
                limits.pop(later, None)
            limits[block] = limit
        return None

    def _order(self, job: Job, shuffle: float) -> list[int]:
        """In which its blocks are placed: what waits the least for what follows it first."""
        blocks = self.blocks[job.key]
        where = {task.key: i for i, block in enumerate(blocks) for task in block.tasks}
        waits: dict[int, float] = dict.fromkeys(range(len(blocks)), float("inf"))
        followed: dict[int, set[int]] = {i: set() for i in waits}
        for i, block in enumerate(blocks):
            for task in block.tasks:
                for wait in task.after:
                    if (before := where.get(wait.task, i)) != i:
                        followed[before].add(i)
                        waits[before] = min(waits[before], float("inf") if wait.most is None else wait.most)
        order: list[int] = []
        while len(order) < len(blocks):
            ready = [i for i in waits if i not in order and followed[i] <= set(order)]
            order.append(
                min(ready, key=lambda i: (waits[i] * self.rng.uniform(1 - shuffle, 1) if shuffle else waits[i], -i))
            )
        return order

    def _attempt(
        self, job: Job, late: int, standing: float, order: Sequence[int], limits: Mapping[int, int]
    ) -> _Found | tuple[int, int] | None:
        blocks = self.blocks[job.key]
        where = {task.key: i for i, block in enumerate(blocks) for task in block.tasks}
        placed = {task.key: self.fixed[task.key] for task in job.tasks if task.key in self.fixed}
        fires: list[tuple[int, int, int, int]] = []
        taken: list[Block] = []
        try:
            for i in order:
                search = _Search(self, job, late, standing, placed, limits.get(i))
                best = search.best(blocks[i])
                if best is None:
                    if search.too_early is None:
                        return None
                    culprit, by = search.too_early
                    if culprit not in where:
                        return None  # it has begun
                    at = where[culprit]
                    first = min(placed[t.key].start for t in blocks[at].tasks)
                    return at, first - self.start - max(1, by)
                placed |= best.placed
                taken.append(blocks[i])
                for task in blocks[i].tasks:
                    place = best.placed[task.key]
                    self.board.take(task, place.start - self.start, place.end - self.start, 1)
                for fire in best.fires:
                    self.board.take_fire(*fire, 1)
                fires += best.fires
        finally:
            for block in taken:
                for task in block.tasks:
                    place = placed[task.key]
                    self.board.take(task, place.start - self.start, place.end - self.start, -1)
            for fire in fires:
                self.board.take_fire(*fire, -1)
        ready = placed[job.last].end + self.buffers[job.key]
        return _Found({t.key: placed[t.key] for t in job.tasks}, fires, max(0, ready - job.due))

    def layout(self, block: Block, hobs: Mapping[str, int]) -> tuple[dict[str, int] | None, dict[str, int]]:
        """Distances in a block, and how long each of its tasks takes on these burners."""
        minutes = {t.key: rules.minutes_on(t, self.day.kitchen, hobs.get(t.run)) for t in block.tasks}
        key = (*minutes.items(), *hobs.values())
        if key not in self._layouts:
            self._layouts[key] = lay(block, minutes, hobs, random.Random(7))
        return self._layouts[key], minutes


def _critical(job: Job) -> float:
    """The longer its work and the shorter it keeps, the sooner it chooses its place."""
    return sum(task.planned for task in job.tasks) / (job.fresh + 60)


@dataclass(slots=True)
class _Spot:
    cost: float
    placed: dict[str, Placed]
    fires: list[tuple[int, int, int, int]]


class _Search:
    """Where a block fits best, what follows it being placed."""

    def __init__(
        self, packer: _Packer, job: Job, late: int, standing: float, placed: Mapping[str, Placed], limit: int | None
    ) -> None:
        self.packer = packer
        self.board = packer.board
        self.job = job
        self.due = job.due + late
        self.standing = standing
        self.placed = placed
        self.limit = limit
        self.too_early: tuple[str, int] | None = None
        """A task that must go earlier, and by how much, so that a block before it finds a place."""
        self._sums: dict[object, list[Sums]] = {}
        self._new = self.board.fresh_standing()

    def best(self, block: Block) -> _Spot | None:
        spots = [spot for hobs in self._combinations(block) if (spot := self._on(block, hobs)) is not None]
        return min(spots, key=lambda spot: spot.cost, default=None)

    def _combinations(self, block: Block) -> list[dict[str, int]]:
        held = {run: self.packer.held[run][0] for run in block.runs if run in self.packer.held}
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
            return self.packer.rng.sample(chosen, MOST_COMBINATIONS)
        return chosen

    def _window(self, block: Block, offsets: Mapping[str, int], minutes: Mapping[str, int]) -> tuple[int, int, str]:
        """Earliest and latest first minute, and what follows that sets the earliest."""
        start, job = self.packer.start, self.job
        low = max(self.packer.soonest[task.key] - start - offsets[task.key] for task in block.tasks)
        high, by = self.board.length, ""
        keys = {task.key for task in block.tasks}
        for task in block.tasks:
            for wait in task.after:
                done = self.packer.fixed.get(wait.task)
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
            high = min(high, self.due - self.packer.buffers[job.key] - start - end)
            low = max(low, rules.earliest_ready(job) - start - end)
        longest = max(offsets[t.key] + minutes[t.key] for t in block.tasks)
        high = min(high, self.packer.day.kitchen.end - start - longest)
        return low, high if self.limit is None else min(high, self.limit), by

    def _after(self, key: str) -> tuple[Wait, ...]:
        return self.packer.tasks[key].after

    def _on(self, block: Block, hobs: Mapping[str, int]) -> _Spot | None:
        offsets, minutes = self.packer.layout(block, hobs)
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
    ) -> _Spot | None:
        early = max(0.3, rules.early_cost(self.job))
        costs = (high - starts) * early
        for task in block.tasks:
            if task.load > rules.GLANCE:
                new = within(self._new, high + 1, offsets[task.key], minutes[task.key])[starts]
                costs = costs + self.standing * rules.SPAN_COST * new
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
        at = x + self.packer.start
        placed = {
            t.key: Placed(
                at + offsets[t.key],
                at + offsets[t.key] + minutes[t.key],
                hobs.get(t.run) if t.run else None,
                pots.get(t.run) if t.run else None,
            )
            for t in block.tasks
        }
        slower = sum(minutes.values()) * 2
        return _Spot(float(costs[best]) + slower + self.packer.rng.random() * 3, placed, fires)

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
        if run in self.packer.held:
            return [self.packer.held[run][1]]
        return rules.pots_for(self.packer.day.kitchen, self.packer.needed.get(run, 0.0))

    def _no_room(self, starts: int, ready: int) -> Line:
        """Where the finished sweet finds no room in the cold until it is eaten."""
        fridge, freezer = rules.cold_l(self.job)
        bad = np.zeros(starts, dtype=np.int32)
        until = self.due - self.packer.start
        for litres, full in ((fridge, self.board.full_fridge), (freezer, self.board.full_freezer)):
            if litres:
                line = full(litres)
                end = line[min(max(0, until), len(line) - 1)]
                bad += np.maximum(0, end - line[ready : ready + starts]).astype(np.int32)
        return bad
