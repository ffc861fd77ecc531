"""What stands together: chains of tasks for hands between which nobody could sit down, and the stretches that have hands."""

from itertools import pairwise

from . import rules
from .tasks import Day, DayKitchen

Chains = dict[int, list[str]]


def stretches(kitchen: DayKitchen, until: int) -> list[tuple[int, int, int, int]]:
    """Start, end, hands and of them the helper's, of each stretch in which they stay the same, from the day's start.

    >>> from .tasks import Away, Hob, Pot
    >>> k = DayKitchen(hobs=(Hob("left"),), pots=(Pot("pan", 2),), start=0, end=900, away=(Away(600, 660, "seated"),))
    >>> stretches(k, 900)
    [(0, 600, 100, 0), (600, 660, 10, 0), (660, 900, 100, 0)]
    """
    edges = {kitchen.start, until}
    spans = [*((a.start, a.end) for a in kitchen.away), *((s.start, s.end) for s in kitchen.helper)]
    edges |= {edge for span in spans for edge in span if kitchen.start < edge < until}
    cut = sorted(edges)
    return [(a, b, *rules.hands_at(kitchen, a)) for a, b in pairwise(cut)]


def chains_of(day: Day) -> Chains:
    """Tasks on the feet that always fall into one sitting: the longest wait between them is no longer than its gap."""
    stands = [key for key, task in day.tasks.items() if task.load > rules.GLANCE]
    of = {key: key for key in stands}

    def root(key: str) -> str:
        while of[key] != key:
            key = of[key]
        return key

    hobs: list[int | None] = [*range(len(day.kitchen.hobs))]
    longest = {
        key: max(rules.minutes_on(task, day.kitchen, hob) for hob in (hobs if task.run else [None]))
        for key, task in day.tasks.items()
    }
    for key in stands:
        todo = [(key, 0)]
        while todo:
            at, gap = todo.pop()
            for wait in day.tasks[at].after:
                if wait.most is None or gap + wait.most > rules.SITTING_GAP:
                    continue
                if wait.task in of:
                    of[root(key)] = root(wait.task)
                elif (further := gap + wait.most + longest[wait.task]) <= rules.SITTING_GAP:
                    todo.append((wait.task, further))
    found: dict[str, list[str]] = {}
    for key in stands:
        found.setdefault(root(key), []).append(key)
    return dict(enumerate(found.values()))
