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
from .chance import surer, worth
from .check import faults
from .cures import Cure, cures, least_late
from .packer import improve
from .tasks import Day, Placed, Plan

Said = Literal["alone", "proved"]
"""There is no solver here, so the packer serves alone; there is no calmer plan than the last one that is as sure."""
Found = Plan | Cure | Said
PACKED, ALONE = (0.1, 0.15, 0.2, 0.25), (0.4, 0.6, 0.8, 1.0)
"""Until when, of the time, is packed before what is often late gets more to spare; then the solver has half of what is left,
again and again."""
REPAIR = 0.04
"""Of the time, in which a plan is packed that keeps what is to spare now."""
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
    all along.

    What is often late by a plan that is on time, as others hold it up, gets more minutes to spare; plans of that day are
    plans of this one, and are told by what they are worth in this one.
    """
    day, began, best = errand.day, time.monotonic(), errand.before
    least = float("inf") if best is None else worth(day, best)
    solver = load_solver()

    def until(share: float) -> Callable[[], bool]:
        """A day that is late is not looked at for longer than half the time: what would help is worth more."""

        def goes_on() -> bool:
            beat()
            late = best is not None and best.lateness
            return time.monotonic() - began < errand.seconds * (min(share, 0.5) if late else share)

        return goes_on

    def told(plan: Plan) -> Plan | None:
        """It, as a plan of the day that was asked, when it is the best so far."""
        nonlocal best, least
        plan = Plan(plan.placed, rules.lateness(day, plan.placed))
        if faults(day, plan) or (now := worth(day, plan)) > least - 1e-6:
            return None
        best, least = plan, now
        return plan

    def left() -> float:
        return errand.seconds - (time.monotonic() - began)

    def packed(of: Day, plan: Plan | None, share: float) -> Iterator[Plan]:
        return improve(of, seed, None, until(share), errand.pins, plan)

    kept, latest, proved = day, best, False
    for share in PACKED if solver else ALONE:
        for latest in packed(kept, latest, share):
            if (better := told(latest)) is not None:
                yield better
        if latest is None or latest.lateness:
            break
        kept, latest = _surer(kept, latest)
    if solver is None:
        yield "alone"
    while solver is not None and latest is not None and left() > LEAST_S:
        share = 1 - left() / errand.seconds / 2 if left() > ENOUGH_S else 1.0
        for found in solver.solve(kept, latest, left(), until(share), pins=errand.pins, seed=seed):
            proved = found == "proved"
            if isinstance(found, Plan):
                latest = found
                if (better := told(found)) is not None:
                    yield better
        if best is None or best.lateness:
            break
        before, (kept, latest) = kept, _surer(kept, latest)
        if proved and kept == before:
            yield "proved"
            return
        for latest in packed(kept, latest, 1 - left() / errand.seconds + REPAIR):
            if (better := told(latest)) is not None:
                yield better
    if best is None or not best.lateness or errand.seconds <= 0 or errand.pins:
        return
    soon = least_late(day, seed)
    beat()
    yield from cures(day, soon if soon and soon.lateness < best.lateness else best, seed)


def _surer(day: Day, plan: Plan) -> tuple[Day, Plan]:
    """With more to spare for what is often late, and the plan as one of that day, which it may not keep."""
    more = surer(day, plan)
    return more, Plan(plan.placed, rules.lateness(more, plan.placed))


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
