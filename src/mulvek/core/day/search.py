"""Looking for a calmer plan, or for what would cure a day: in a process of its own, which can be stopped at any time.

``python -m mulvek.core.day.search`` reads an ``Errand`` (pickled: both ends are ours) and writes a line for each find,
pickled and hexadecimal. It loads the solver before it reads, so that one may be kept warm.
"""

import os
import pickle
import sys
import time
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from types import ModuleType
from typing import Literal

from . import rules
from .chance import surer, worth
from .check import faults
from .cures import Cure, cures, least_late
from .packer import improve
from .tasks import Day, Placed, Plan

Said = Literal["alone", "proved"]
"""There is no solver here, so the packer serves alone; there is no calmer plan than the last one that is as sure."""
Found = Plan | Cure | Said
PACKED = (0.04, 0.08, 0.12, 0.16, 0.2, 0.24)
ALONE = (0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1.0)
"""Until when, of the time, is packed before what is often late gets more to spare; then the solver has half of what is left,
again and again."""
REPAIR = 0.04
"""Of the time, in which a plan is packed that keeps what is to spare now."""
BEHIND = 10
"""So much nicer than the kitchen itself: the Stove is as quick while a day is worked out."""
LEAST_S, ENOUGH_S = 0.2, 2.0
"""The solver is not asked for less; and it is not asked again when so much is left."""


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
    look = _Look(errand, seed, beat)
    yield from look.packed_plans()
    if look.solver is None:
        yield "alone"
    else:
        yield from look.solved_plans()
    best = look.best
    if best is None or not best.lateness or errand.seconds <= 0 or errand.pins:
        return
    soon = least_late(errand.day, seed)
    beat()
    yield from cures(errand.day, soon if soon and soon.lateness < best.lateness else best, seed)


class _Look:
    """A search as it goes on: the best plan so far, and the day whose plans are looked for just now.

    What is often late by a plan that is on time, as others hold it up, gets more minutes to spare; plans of that day are
    plans of the one that was asked, and are told by what they are worth in that one.
    """

    def __init__(self, errand: Errand, seed: int, beat: Callable[[], None]) -> None:
        self.errand, self.seed, self.beat = errand, seed, beat
        self.solver = load_solver()
        self.began = time.monotonic()
        self.best = self._latest = errand.before
        self._day = errand.day
        self._least = float("inf") if errand.before is None else worth(errand.day, errand.before)

    def packed_plans(self) -> Iterator[Plan]:
        for share in PACKED if self.solver else ALONE:
            yield from self._packed(share)
            if self._latest is None or self._latest.lateness:
                return
            before = self._day
            self._surer(self.best or self._latest)
            if self._day == before:
                return

    def solved_plans(self) -> Iterator[Plan | Literal["proved"]]:
        proved = False
        while self.solver is not None and self._latest is not None and (left := self._left()) > LEAST_S:
            until = self._until(1 - left / self.errand.seconds / 2 if left > ENOUGH_S else 1.0)
            for solved in self.solver.solve(
                self._day, self._latest, left, until, pins=self.errand.pins, seed=self.seed
            ):  # fmt: skip
                proved = solved == "proved"
                if isinstance(solved, Plan):
                    yield from self._better(solved)
            if self.best is None or self.best.lateness:
                return
            before = self._day
            self._surer(self.best)
            if proved and self._day == before:
                yield "proved"
                return
            yield from self._packed(1 - self._left() / self.errand.seconds + REPAIR)

    def _packed(self, share: float) -> Iterator[Plan]:
        found = improve(self._day, self.seed, None, self._until(share), self.errand.pins, self._latest)
        for plan in found:
            yield from self._better(plan)

    def _better(self, plan: Plan) -> Iterator[Plan]:
        """It, as a plan of the day that was asked, when it is the best so far."""
        self._latest, day = plan, self.errand.day
        told = Plan(plan.placed, rules.lateness(day, plan.placed))
        if not faults(day, told) and (now := worth(day, told)) < self._least - 1e-6:
            self.best, self._least = told, now
            yield told

    def _surer(self, plan: Plan) -> None:
        """More to spare for what is often late, and the plan as one of that day, which it may not keep."""
        self._day = surer(self._day, plan)
        self._latest = Plan(plan.placed, rules.lateness(self._day, plan.placed))

    def _left(self) -> float:
        return self.errand.seconds - (time.monotonic() - self.began)

    def _until(self, share: float) -> Callable[[], bool]:
        """For so much of the time; a day that is late is not looked at for longer than half of it: what would help is worth
        more."""

        def goes_on() -> bool:
            self.beat()
            most = min(share, 0.5) if self.best is not None and self.best.lateness else share
            return time.monotonic() - self.began < self.errand.seconds * most

        return goes_on


class _Beat:
    """An empty line a second: whoever reads learns at once that nobody listens to it any more, and so does this."""

    def __init__(self) -> None:
        self._next = 0.0

    def __call__(self) -> None:
        if time.monotonic() >= self._next:
            self._next = time.monotonic() + 1.0
            print(flush=True)


def main() -> None:
    if hasattr(os, "nice"):
        os.nice(BEHIND)
    load_solver()
    sent = sys.stdin.buffer.read()
    if not sent:  # kept warm, and never asked
        return
    for found in search(pickle.loads(sent), beat=_Beat()):
        print(pickle.dumps(found).hex(), flush=True)


if __name__ == "__main__":
    main()
