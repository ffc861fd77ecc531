"""At milk that is curdled."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..acting import Act
from ..worlds.curd import POURS, Curd
from . import Do, at


@dataclass(slots=True)
class CurdHands:
    """Practised: waits for the heat, pours a little at a time until it is clear, strains, rinses, hangs until it is right."""

    hotter_k: float = 0.0
    """The acid goes in so much too hot."""
    boils_s: int = 120
    share: float = 1.0
    """Of a usual pour."""
    every_s: int = 20
    over: int = 0
    """Pours after it is clear."""
    strains_after_s: int = 60
    rinses: bool = True
    squeezes: int | None = None
    wetter: float = 0.0
    """Taken down so much wetter than the middle of what is meant."""
    kneads: float = 1.0
    slack: float = 1.0
    _poured_s: int = -99
    _extra: int = 0

    def __call__(self, c: Curd) -> Sequence[Act]:
        if c.busy_s:
            return []

        do = at(c)

        if c.strained_at_s is not None:
            return self._cloth(c, do)
        if c.clear_at_s is not None and self._extra >= self.over:
            hold = c.plan.hold_s
            if hold > 45 and c.hold_s < hold:
                return do("flame", flame="gentle") if not c.flame else []
            if c.flame:
                return do("off")
            if c.at_s - max(c.clear_at_s, self._poured_s) >= self.strains_after_s * self.slack:
                return do("strain")
            return []
        if c.boiled_at_s is None:
            if not c.flame:
                return do("flame", flame="strong")
            return do("stir") if c.at_s - c.stirred_at_s > 120 * self.slack else []
        if c.flame and c.mixture_l == 0 and c.at_s - c.boiled_at_s < self.boils_s * self.slack and self.hotter_k < 8:
            if c.flame == "strong":
                return do("flame", flame="medium")
            return do("stir") if c.climb > 0.25 else []
        if c.flame and c.mixture_l == 0:
            return do("off")
        if c.celsius > c.wants_c + 1.6 + self.hotter_k and c.mixture_l == 0:
            return do("stir") if c.at_s - c.stirred_at_s > 90 else []
        if c.at_s - self._poured_s >= self.every_s * self.slack:
            self._poured_s = c.at_s
            self._extra += c.clear_at_s is not None
            return do("acid", self.share * c.ready_l / POURS)
        return []

    def _cloth(self, c: Curd, do: Do) -> Sequence[Act]:
        if self.rinses and c.rinses < c.meant.rinses:
            return do("rinse")
        low, high = c.meant.moisture
        hung_s = c.at_s - (c.strained_at_s or 0)
        if self.squeezes is not None:
            if c.squeezes < self.squeezes:
                return do("squeeze")
        elif c.moisture > high - 0.01 and hung_s > 300 and c.squeezes < 3:
            return do("squeeze")
        wanted = (low + high) / 2 + 0.012 + self.wetter
        if c.moisture > wanted and hung_s < 5400 * self.slack and self.squeezes is None:
            if hung_s > 2400 and c.squeezes < 3:
                return do("squeeze")
            return []
        if c.meant.piece_kg and c.smooth < 0.95 * self.kneads and "kneaded" in c.asks:
            return do("knead")
        return do("stop")
