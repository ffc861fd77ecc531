"""At dry sugar."""

from collections.abc import Sequence
from dataclasses import dataclass

from ...equipment.burners import Flame
from ...planning.caramel.shades import middle_c
from ..acting import Act
from ..worlds.caramel import POUR_RESTS_S, Caramel
from . import at


@dataclass(slots=True)
class CaramelHands:
    """Practised: a gentle flame, swirls it, off before the shade, the milk in pours with a rest between."""

    late_k: float = 0.0
    """Off the flame so much beyond."""
    flame: Flame | None = None
    spoon: bool = False
    pour: float = 1.0
    rests_s: int = POUR_RESTS_S + 5
    until: float = 0.05
    slack: float = 1.0

    def __call__(self, c: Caramel) -> Sequence[Act]:
        do = at(c)

        if c.busy_s:
            return []
        plan, can = c.plan, {hand.key: hand for hand in c.hands()}
        if c.shade_c is None:
            if not c.flame and c.off_at_s is None:
                return do("flame", flame=self.flame or plan.melt_on)
            if c.flame and c.celsius >= middle_c(plan.shade) - 4.4 + self.late_k:
                return do("off")
            if c.edge_k > 4 * self.slack and c.celsius > 100:
                return do("stir" if self.spoon else "swirl")
            if c.off_at_s is None or c.at_s - c.off_at_s < 22 * self.slack:
                return []
        if "butter" in can:
            return do("butter")
        if "milk" in can:
            if c.at_s - c.poured_at_s >= self.rests_s * self.slack:
                return do("milk", min(can["milk"].most, self.pour * c.forecast.pour_kg))
            return []
        if "condensed" in can:
            return do("condensed")
        if c.hard > self.until:
            if not c.flame:
                return do("flame", flame="gentle")
            return do("stir") if c.at_s % int(40 * self.slack) == 0 else []
        return do("stop")
