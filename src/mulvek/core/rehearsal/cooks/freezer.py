"""At moulds in the freezer."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..acting import Act
from ..worlds.freezer import FIRM, SLUSH, Freeze
from . import at


@dataclass(slots=True)
class FreezeHands:
    """Practised: sticks when a knife stands, out when it rings, a short dip, and a few minutes' patience."""

    sticks_at: float = (SLUSH + FIRM) / 2
    out_at: float = 1.04
    looks_every_s: int = 5400
    dips: float = 1.1
    """Of what frees it."""
    stands: float = 1.0
    _looked_s: int = 0

    def __call__(self, f: Freeze) -> Sequence[Act]:
        do = at(f)

        if f.waits:
            return []
        if f.in_s is None:
            self._looked_s = f.at_s
            return do("in")
        if f.out_s is None:
            if f.plan.sticks and f.stuck_at is None and f.frozen >= self.sticks_at:
                return do("stick")
            if f.frozen >= self.out_at:
                return do("out")
            if f.at_s - self._looked_s >= self.looks_every_s:
                self._looked_s = f.at_s
                return do("look")
            return []
        wants = self.dips * f.dips_s * f.loose
        if f.mould.dips and f.dipped_s < wants:
            return do("dip", max(1.0, wants - f.dipped_s))
        if f.mould.dips and not f.free and f.dipped_s >= wants and f.stood < 0.02:
            return do("pull")
        return do("serve") if f.stood >= self.stands else []
