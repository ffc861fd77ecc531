"""At balls in their syrup."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..acting import Act
from ..worlds.bath import COOKED_S, FIRST_S, Bath
from . import at


@dataclass(slots=True)
class BathHands:
    """Practised: a rolling boil first, as many as have room, the lid on, water back in, out when they spring."""

    crowds: float = 1.0
    """Times as many as have room."""
    waits_for_boil: bool = True
    lid: bool = True
    touches: bool = False
    tops_up: bool = True
    cooks: float = 1.05
    slack: float = 1.0

    def __call__(self, b: Bath) -> Sequence[Act]:
        do = at(b)

        if b.busy_s:
            return []
        if not b.pot.flame:
            return do("flame", flame="strong")
        go = b.go
        if go is None:
            if not b.left:
                return do("stop") if b.goes else []
            if b.waits or (self.waits_for_boil and not b.pot.rolls) or b.pot.celsius < 85:
                return []
            return do("drop", float(max(1, min(b.left, round(self.crowds * b.handy)))))
        since = b.at_s - go.dropped_s
        if self.lid and not b.pot.lid and since > 10 and since < 60:
            return do("lid")
        if self.touches and 60 < since < FIRST_S and since % 75 == 0:
            return do("turn")
        if self.tops_up and b.brix > b.plan.brix + 2.5 and since % int(60 * self.slack) == 0:
            return do("water", 0.1)
        if go.cooked_s >= COOKED_S * self.cooks * self.slack:
            if b.pot.lid:
                return do("lid")
            return do("lift")
        return []
