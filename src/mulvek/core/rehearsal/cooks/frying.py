"""At balls in hot fat."""

from collections.abc import Sequence
from dataclasses import dataclass

from ...equipment.burners import Flame
from ..acting import Act
from ..worlds.frying import TURN_EVERY_S, Fry
from . import at


@dataclass(slots=True)
class FryHands:
    """Practised: slides them in where a crumb rises slowly, keeps the fat there, turns them, out when the heart is set."""

    hotter_k: float = 0.0
    crowds: float = 1.0
    turns: bool = True
    by_colour: bool = False
    """Takes them out by their colour alone."""
    steady: bool = True
    slack: float = 1.0

    def __call__(self, f: Fry) -> Sequence[Act]:
        do = at(f)

        if f.busy_s:
            return []
        wants = f.wants_c + self.hotter_k
        go = f.go
        if go is None:
            if not f.left:
                return do("stop") if f.goes else []
            if f.celsius < wants:
                return do("flame", flame="medium") if f.flame != "medium" else []
            if f.celsius > wants + 8 and self.steady:
                return do("off") if f.flame else []
            return do("drop", float(max(1, min(f.left, round(self.crowds * f.handy)))))
        if (go.colour > 0.95) if self.by_colour else (go.heart >= 1.0 and go.colour > 0.85):
            return do("lift")
        if (go.heart >= 1.0 and go.colour > 1.15) or f.at_s - go.dropped_s > 1500 * self.slack:
            return do("lift")
        if self.steady:
            flame: Flame = "strong" if f.celsius < wants - 6 else "medium" if f.celsius < wants else "gentle"
            if f.celsius > wants + 3 and f.flame:
                return do("off")
            if f.celsius < wants + 1 and flame != f.flame:
                return do("flame", flame=flame)
        if self.turns and f.at_s - go.turned_s > (TURN_EVERY_S - 8) * self.slack:
            return do("turn")
        return []
