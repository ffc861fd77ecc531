"""A plan of the day: each sweet is placed backwards from its hour in whole blocks, where it adds least standing; then some
are taken out and put back otherwise, for as long as one cares to look.

The same day and the same seed give the same plans.
"""

import itertools
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from . import rules
from .given import Given
from .layout import Block
from .placing import Search
from .tasks import Day, Job, Placed, Plan

LATE_STEPS = (0, 10, 20, 30, 45, 60, 90, 120, 180, 240, 360, 540, 720, 1080)
"""By how many minutes a sweet may be late, tried in turn."""
ATTEMPTS, AS_USUAL = 24, 12
"""Of one sweet for one hour; after so many its blocks are placed in other orders."""


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
    day: Day,
    seed: int = 1,
    rounds: int | None = 0,
    goes_on: Callable[[], bool] = lambda: True,
    pins: Mapping[str, Placed] | None = None,
    before: Plan | None = None,
) -> Iterator[Plan]:
    """Plans, each better than the one before it; ``rounds`` of taking out and putting back, none for ever, and no longer
    than ``goes_on``, which is asked before each. ``pins`` stay where they are; with a plan ``before`` it goes on from that."""
    packer = Packer(day, seed, pins)
    if before is not None:
        packer.adopt(before)
    return packer.plans(rounds, goes_on)


def anew(day: Day, before: Plan, now: int, ends: Mapping[str, int], rounds: int = 30) -> Iterator[Plan]:
    """The rest of a day worked out anew from ``now`` on, when some tasks end otherwise than planned (``ends``), each plan
    cheaper than the one before: what began before stays where it is. None when the rest finds no place."""
    fixed = {
        key: replace(place, end=max(place.start + 1, ends.get(key, place.end)))
        for key, place in before.placed.items()
        if place.start < now or key in ends
    }
    packer = Packer(day, 1, fixed, now)
    packer.home = before.placed
    return packer.plans(rounds, lambda: True)


@dataclass(slots=True)
class _Found:
    """A sweet's place."""

    placed: dict[str, Placed]
    fires: list[tuple[int, int, int, int]]
    late: int


class Packer(Given):
    def __init__(self, day: Day, seed: int, fixed: Mapping[str, Placed] | None = None, now: int = 0) -> None:
        super().__init__(day, seed, fixed, now)
        self.found: dict[str, _Found] = {}

    def adopt(self, before: Plan) -> None:
        """Every sweet where that plan has it."""
        for job in self.day.jobs:
            placed = {task.key: before.placed[task.key] for task in job.tasks}
            fires: dict[str, tuple[int, int, int, int]] = {}
            for task in job.tasks:
                place = placed[task.key]
                if task.key not in self.fixed and place.hob is not None and place.pot is not None:
                    start, end = place.start - self.start, place.end - self.start
                    *_, first, last = fires.get(task.run, (0, 0, start, end))
                    fires[task.run] = (place.hob, place.pot, min(first, start), max(last, end))
            found = _Found(placed, list(fires.values()), before.late[job.key])
            self._apply(job, found, 1)
            self.found[job.key] = found

    def plans(self, rounds: int | None, goes_on: Callable[[], bool]) -> Iterator[Plan]:
        if self.found:
            best = self._cost()
        else:
            best = float("inf")
            order = sorted(self.day.jobs, key=critical, reverse=True)
            for _ in range(6):
                self._clear()
                if all([self._insert(job) for job in order]):
                    now = self._cost()
                    if now < best:
                        best = now
                        kept = dict(self.found)
                        yield self.plan()
                    if not any(found.late for found in self.found.values()):
                        break
                order = sorted(
                    self.day.jobs, key=lambda job: critical(job) * self.rng.uniform(0.3, 1.7), reverse=True
                )
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
                yield self.plan()

    def anew(self, jobs: Sequence[Job]) -> bool:
        """These sweets placed once more, in this order; whether all found a place."""
        for job in jobs:
            if job.key in self.found:
                self._remove(job)
        return all([self._insert(job) for job in jobs])

    # -- the whole plan ------------------------------------------------------------------------------

    def plan(self) -> Plan:
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
                search = Search(self, job, late, standing, placed, limits.get(i))
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


def critical(job: Job) -> float:
    """The longer its work and the shorter it keeps, the sooner it chooses its place."""
    return sum(task.planned for task in job.tasks) / (job.fresh + 60)
