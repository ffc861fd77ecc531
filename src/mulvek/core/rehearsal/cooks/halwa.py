"""At a pan of grated carrot."""

from collections.abc import Sequence
from dataclasses import dataclass

from ...equipment.burners import Flame
from ..acting import Act
from ..worlds.halwa import JUICE_LEFT, Halwa
from . import at


@dataclass(slots=True)
class HalwaHands:
    """Practised: juice out, milk in, soft before the sugar, stirs more as it dries, off when it leaves the pan."""

    juice: float = JUICE_LEFT
    soft: float = 1.02
    every_s: int = 75
    flame: Flame = "medium"
    early: float = 1.0
    """Stops at so many times its goal."""

    def __call__(self, h: Halwa) -> Sequence[Act]:
        do = at(h)

        if h.busy_s:
            return []
        if h.flame is None:
            return do("flame", flame=self.flame)
        wet = h.water_kg / h.mass_kg
        every = self.every_s * (0.5 if h.milk_in_kg and wet < 0.62 else 1.0)
        if h.at_s - h.stirred_at_s > every:
            return do("stir")
        if h.film > 0.5 and h.flame != "gentle" and self.flame != "strong":
            return do("flame", flame="gentle")
        if not h.milk_in_kg:
            return do("milk") if h.water_kg / h.juice_kg <= self.juice else []
        if not h.sugar_in_kg:
            return do("sugar") if h.softened >= self.soft and wet < 0.72 else []
        if not h.ghee_in_kg:
            return do("ghee") if h.mass_kg < 1.2 * h.goal_kg else []
        return do("stop") if h.mass_kg <= self.early * h.goal_kg and h.grit_kg < 1e-4 else []
