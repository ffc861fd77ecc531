"""At a hanging cloth."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..acting import Act
from ..worlds.cloth import CHILLED_C, Cloth

OPEN_AT_MOST_S = 90 * 60
LOOKS_EVERY_S = 900


@dataclass(slots=True)
class ClothHands:
    """Practised: in the fridge before two hours are over, down when it stands in peaks."""

    share: float = 1.0
    """Of the whey that should leave."""
    chills: bool = True
    late_s: int = 0
    _right_at_s: int | None = None

    def __call__(self, c: Cloth) -> Sequence[Act]:
        if c.hung_s is None:
            return [Act(c.at_s, "hang")]
        if c.at_s % LOOKS_EVERY_S >= c.TICK_S:
            return []
        if self.chills and c.place_c > CHILLED_C and c.open_s > OPEN_AT_MOST_S:
            return [Act(c.at_s, "fridge")]
        if c.whey_kg >= self.share * c.goal and self._right_at_s is None:
            self._right_at_s = c.at_s
        if self._right_at_s is not None and c.at_s - self._right_at_s >= self.late_s:
            return [Act(c.at_s, "stop")]
        return []
