"""Blocks: tasks of a sweet that no long wait parts are placed as one piece, each at its distance from the first."""

import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from .rules import BUSY, ONE_PAIR
from .tasks import Job, Task

TIGHT = 15
"""A wait of at most so many minutes leaves a plan nothing to choose."""
TRIES = 40


@dataclass(frozen=True, slots=True)
class Block:
    """Tasks of one block, in their order."""

    tasks: tuple[Task, ...]

    @property
    def runs(self) -> list[str]:
        return list(dict.fromkeys(task.run for task in self.tasks if task.run))


def blocks_of(job: Job) -> list[Block]:
    """Its blocks; what a block waits for stands before it."""
    of = {task.key: task.key for task in job.tasks}

    def root(key: str) -> str:
        while of[key] != key:
            key = of[key]
        return key

    first_of_run: dict[str, str] = {}
    for task in job.tasks:
        if task.run:
            of[root(task.key)] = root(first_of_run.setdefault(task.run, task.key))
        for wait in task.after:
            if wait.most is not None and wait.most <= TIGHT:
                of[root(task.key)] = root(wait.task)
    groups: dict[str, list[Task]] = {}
    for task in job.tasks:
        groups.setdefault(root(task.key), []).append(task)
    return _in_order([Block(tuple(tasks)) for tasks in groups.values()])


def together(spans: Sequence[tuple[int, int, int]]) -> list[tuple[int, int, int]]:
    """Stretches in which so much is asked at once, of spans that each ask something.

    >>> together([(0, 10, 65), (5, 20, 18)])
    [(0, 5, 65), (5, 10, 83), (10, 20, 18)]
    """
    edges = sorted({edge for start, end, _ in spans for edge in (start, end)})
    found = [(a, b, sum(q for start, end, q in spans if start <= a < end)) for a, b in pairwise(edges)]
    return [(a, b, q) for a, b, q in found if q]


def _in_order(blocks: list[Block]) -> list[Block]:
    """What waits for each other is one block."""
    where = {task.key: i for i, block in enumerate(blocks) for task in block.tasks}
    waits = [{where[w.task] for t in block.tasks for w in t.after} - {i} for i, block in enumerate(blocks)]
    ordered: list[int] = []
    while len(ordered) < len(blocks):
        ready = [i for i in range(len(blocks)) if i not in ordered and waits[i] <= set(ordered)]
        if not ready:
            rest = [i for i in range(len(blocks)) if i not in ordered]
            return [*(blocks[i] for i in ordered), Block(tuple(t for i in rest for t in blocks[i].tasks))]
        ordered += ready
    return [blocks[i] for i in ordered]


def lay(
    block: Block, minutes: Mapping[str, int], hobs: Mapping[str, int], rng: random.Random
) -> dict[str, int] | None:
    """The distance of each task's start from the block's first minute, when its tasks take so long and its stays are on
    these burners: everything as late as its waits let it, no hands and no burner wanted twice. None when no order of it
    was found."""
    order = list(block.tasks)
    for attempt in range(TRIES):
        found = _backwards(order, minutes, hobs)
        if found is not None:
            first = min(found.values())
            return {key: start - first for key, start in found.items()}
        weights = {task.key: rng.random() for task in order}
        order = _shuffled(block.tasks, weights) if attempt else list(block.tasks)
    return None


def _shuffled(tasks: Sequence[Task], weights: Mapping[str, float]) -> list[Task]:
    """Another order in which each stands after what it waits for."""
    keys = {task.key for task in tasks}
    left, ordered, done = list(tasks), [], set[str]()
    while left:
        ready = [t for t in left if all(w.task in done or w.task not in keys for w in t.after)]
        task = min(ready, key=lambda t: weights[t.key])
        ordered.append(task)
        done.add(task.key)
        left.remove(task)
    return ordered


def _backwards(order: Sequence[Task], minutes: Mapping[str, int], hobs: Mapping[str, int]) -> dict[str, int] | None:
    followers: dict[str, list[tuple[str, int, int | None]]] = {}
    for task in order:
        for wait in task.after:
            followers.setdefault(wait.task, []).append((task.key, wait.least, wait.most))
    starts: dict[str, int] = {}
    busy: list[tuple[int, int, int]] = []
    stays: dict[str, tuple[int, int]] = {}
    for task in reversed(order):
        after = [(starts[key], least, most) for key, least, most in followers.get(task.key, ()) if key in starts]
        latest = min((start - least for start, least, _ in after), default=0)
        soonest = max((start - most for start, _, most in after if most is not None), default=latest - TIGHT)
        end = next(
            (
                e
                for e in range(latest, soonest - 1, -1)
                if _fits(task, e - minutes[task.key], e, busy) and _burns(task, e - minutes[task.key], e, stays, hobs)
            ),
            None,
        )
        if end is None:
            return None
        starts[task.key] = end - minutes[task.key]
        if task.load:
            busy.append((starts[task.key], end, task.load))
        if task.run:
            stays[task.run] = _stay(task, starts[task.key], end, stays)
    return starts


def _stay(task: Task, start: int, end: int, stays: Mapping[str, tuple[int, int]]) -> tuple[int, int]:
    first, last = stays.get(task.run, (start, end))
    return min(first, start), max(last, end)


def _burns(task: Task, start: int, end: int, stays: Mapping[str, tuple[int, int]], hobs: Mapping[str, int]) -> bool:
    """Whether its burner has nothing else on meanwhile."""
    if not task.run:
        return True
    first, last = _stay(task, start, end, stays)
    return not any(
        run != task.run and hobs.get(run) == hobs.get(task.run) and a < last and first < b
        for run, (a, b) in stays.items()
    )


def _fits(task: Task, start: int, end: int, busy: Sequence[tuple[int, int, int]]) -> bool:
    if not task.load:
        return True
    there = [(a, b, load) for a, b, load in busy if a < end and start < b]
    if task.load >= BUSY and any(load >= BUSY for _, _, load in there):
        return False
    for minute in {start, *(a for a, _, _ in there if a > start)}:
        if task.load + sum(load for a, b, load in there if a <= minute < b) > ONE_PAIR:
            return False
    return True
