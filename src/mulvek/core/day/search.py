"""Looking for a calmer plan, or for what would cure a day: in a process of its own, which can be stopped at any time.

``python -m mulvek.core.day.search`` reads an ``Errand`` (pickled: both ends are ours) and writes a line for each find,
pickled and hexadecimal. It loads the solver before it reads, so that one may be kept warm.
"""

import pickle
import sys
import time
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from types import ModuleType
from typing import Literal

from . import rules
from .check import faults
from .cures import Cure, cures, least_late
from .packer import improve
from .tasks import Day, Placed, Plan

Said = Literal["alone", "proved"]
"""There is no solver here, so the packer serves alone; there is no calmer plan than the last one."""
Found = Plan | Cure | Said
PACKS, MOST_PACKED_S = 0.25, 3.0
"""Share of the time, and how long at most, before the solver goes on from what was packed."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Errand:
    """What is looked for: plans of a day better than ``before``, with some steps where the cook put them (``pins``)."""

    day: Day
    seconds: float
    before: Plan | None = None
    pins: Mapping[str, Placed] = field(default_factory=dict)


def load_solver() -> ModuleType | None:
    """The solver's module; none where it cannot be loaded."""
    try:
        from . import solver
    except ImportError:
        return None
    return solver


def search(errand: Errand, seed: int = 1, beat: Callable[[], None] = lambda: None) -> Iterator[Found]:
    """Better and better plans for so many seconds; of a day that is late the changes that would help, too. ``beat`` is called
    all along."""
    day, began, best = errand.day, time.monotonic(), errand.before
    least = float("inf") if best is None else rules.cost(day, dict(best.placed), dict(best.late))

    def until(seconds: float) -> Callable[[], bool]:
        """A day that is late is not looked at for longer than half the time: what would help is worth more."""

        def goes_on() -> bool:
            beat()
            late = best is not None and best.lateness
            return time.monotonic() - began < (min(seconds, errand.seconds / 2) if late else seconds)

        return goes_on

    def calmer(plan: Plan) -> bool:
        nonlocal best, least
        cost = rules.cost(day, dict(plan.placed), dict(plan.late))
        if cost > least - 1e-6 or faults(day, plan):
            return False
        best, least = plan, cost
        return True

    solver = load_solver()
    packs = errand.seconds if solver is None else min(MOST_PACKED_S, PACKS * errand.seconds)
    yield from filter(calmer, improve(day, seed, None, until(packs), errand.pins, best))
    if solver is None:
        yield "alone"
    elif best is not None and (left := errand.seconds - (time.monotonic() - began)) > 0:
        for found in solver.solve(day, best, left, until(errand.seconds), pins=errand.pins, seed=seed):
            if found == "proved" or calmer(found):
                yield found
    if best is None or not best.lateness or errand.seconds <= 0 or errand.pins:
        return
    soon = least_late(day, seed)
    beat()
    yield from cures(day, soon if soon and soon.lateness < best.lateness else best, seed)


class _Beat:
    """An empty line a second: whoever reads learns at once that nobody listens to it any more, and so does this."""

    def __init__(self) -> None:
        self._next = 0.0

    def __call__(self) -> None:
        if time.monotonic() >= self._next:
            self._next = time.monotonic() + 1.0
            print(flush=True)


def main() -> None:
    load_solver()
    sent = sys.stdin.buffer.read()
    if not sent:  # kept warm, and never asked
        return
    for found in search(pickle.loads(sent), beat=_Beat()):
        print(pickle.dumps(found).hex(), flush=True)


if __name__ == "__main__":
    main()
