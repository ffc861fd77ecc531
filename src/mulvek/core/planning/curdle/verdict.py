"""What a curd suits, and what to change when it does not suit what it is for.

A verdict knows how well moisture and texture are known: a curd is refused for a use only when its whole 80 % range
lies outside the window. Advice is reckoned with the same functions as the plan, so that following it helps.
"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from itertools import product
from typing import Literal

import numpy as np

from ...ranges import Range
from .balance import DRAINS, Draining
from .pieces import Use

Suits = Literal["yes", "nearly", "no"]
Fault = Literal["", "soft", "firm", "wet", "dry"]
MARGIN_TEXTURE, MARGIN_MOISTURE = 2.0, 0.004
"""How far inside a window advice aims: index points, kg per kg."""
WAIT_STEP_S = 60.0


@dataclass(frozen=True, slots=True)
class Fit:
    """How a curd does for one use; ``fault``: what is most wrong with it, empty when it suits."""

    use: str
    suits: Suits
    fault: Fault


@dataclass(frozen=True, slots=True)
class Way:
    """What the cook can change: seconds between boil and acid, how it is drained, how often it is rinsed, seconds on
    the heat once it has curdled."""

    wait_s: float
    draining: Draining
    rinses: int
    hold_s: float


Outcome = Callable[[Way], tuple[float, float]]
"""Moisture (kg per kg) and texture index that a way gives."""


def judge(use: Use, moisture: Range, texture: Range) -> Fit:
    """Whether it suits: the likely figures lie in both windows; nearly: their ranges reach into both.

    >>> from mulvek.core.planning.curdle.pieces import USES
    >>> fit = judge(USES["sponge"], Range.normal(0.57, 0.022), Range.normal(34.0, 10.0))
    >>> fit.suits, fit.fault
    ('nearly', 'soft')
    """
    off: list[tuple[float, Fault]] = []
    near = True
    faults: tuple[tuple[Range, tuple[float, float], Fault, Fault], ...] = (
        (moisture, use.moisture, "dry", "wet"),
        (texture, use.texture, "soft", "firm"),
    )
    for known, (low, high), below, above in faults:
        spread = max(1e-9, known.high - known.low)
        if known.likely < low:
            off.append(((low - known.likely) / spread, below))
        elif known.likely > high:
            off.append(((known.likely - high) / spread, above))
        near = near and known.high >= low and known.low <= high
    if not off:
        return Fit(use.key, "yes", "")
    return Fit(use.key, "nearly" if near else "no", max(off)[1])


def better_way(use: Use, way: Way, outcome: Outcome, *, longest_s: float) -> Way | None:
    """The smallest change with which the curd suits ``use``: one thing if one will do, else draining and waiting.

    :param longest_s: of waiting. Returns None when nothing of this helps: another milk, then.
    """
    aims = (
        (use.moisture[0] + MARGIN_MOISTURE, use.moisture[1] - MARGIN_MOISTURE),
        (use.texture[0] + MARGIN_TEXTURE, use.texture[1] - MARGIN_TEXTURE),
    )
    for changed in _changes(way, use, longest_s):
        if all(low <= value <= high for value, (low, high) in zip(outcome(changed), aims, strict=True)):
            return changed
    return None


def _changes(way: Way, use: Use, longest_s: float) -> Iterator[Way]:
    """One thing changed, then two and more; the smallest wait that does comes first. Only what is not shaped into
    pieces is held on the heat, or left unrinsed."""
    waits = sorted(
        (w for w in np.arange(0.0, longest_s + 1, WAIT_STEP_S) if w != way.wait_s), key=lambda s: abs(s - way.wait_s)
    )
    drains = [d for d in _DRAININGS if d != way.draining]
    shaped = use.piece_kg is not None
    holds = [] if shaped else [h for h in HOLDS_S if h > way.hold_s]
    rinses = [n for n in ((1,) if shaped else (1, 0)) if n < way.rinses]
    for wait in waits:
        yield replace(way, wait_s=float(wait))
    for n in rinses:
        yield replace(way, rinses=n)
    for draining in drains:
        yield replace(way, draining=draining)
    for hold in holds:
        yield replace(way, hold_s=hold)
    for draining, hold, wait in product(drains, [way.hold_s, *holds], [way.wait_s, *waits[::4]]):
        yield replace(way, draining=draining, hold_s=hold, wait_s=float(wait))
    if rinses:
        for draining, hold in product([way.draining, *drains], [way.hold_s, *holds]):
            yield Way(0.0, draining, rinses[-1], hold)


HOLDS_S = (120.0, 180.0, 300.0)
_DRAININGS = tuple(Draining(way, 1800.0) for way in DRAINS)
