"""At a pan of milk: stirring by the scorch rule, the flame down as it thickens, sugar in time, the stop by weight."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from ...planning.reduce.scorch import safe_power_w, stir_interval_s
from ...properties.texture import viscosity_mpa_s
from ..acting import WEAKER, Act
from ..worlds.pan import SimPan
from . import at

SCRAPE_EVERY_S = 450
SUGAR_SETTLES_S = 200
LOOK_EVERY_S = 20
THICK_FROM = 0.2
FILM_BEARS = 0.35


@dataclass(slots=True)
class Careful:
    """Stirs by the scorch rule, turns down as it thickens, sugars in time, and stops on the weight."""

    slack: float = 1.0
    """How much longer than it should it leaves the pan alone."""
    turns_down: bool = True
    stops_at: float = 1.0
    """At so many times the weight that it should."""
    settles_s: int = SUGAR_SETTLES_S
    """How long it boils on after the sugar."""
    sweetens_last: bool = False
    """Boils the milk alone to the weight of the whole, and stops once the sugar is in."""
    folds: bool = False
    """Leaves it still and folds the skin in."""
    shy: bool = False
    """Keeps thick milk on a gentle flame, as someone may ring."""
    _scraped_at_s: int = 0
    _interval_s: float = 120.0
    _sugared_at_s: int = field(default=-1)

    def __call__(self, pan: SimPan) -> Sequence[Act]:
        do = at(pan)

        plan = pan.plan
        if pan.flame is None:
            return do("flame", flame=plan.to_boil)
        if pan.busy_s:
            return []
        rested = pan.at_s - pan.stirred_at_s
        if pan.boiled_at_s is None:
            near = pan.probe_c > 92 and rested > 30
            return do("stir") if near or rested > 150 * self.slack else []
        if self._scraped_at_s == 0:
            self._scraped_at_s = pan.at_s
            if self.turns_down and pan.flame != plan.flame:
                return do("flame", flame=plan.flame)
        if pan.at_s % LOOK_EVERY_S == 0:
            self._interval_s = self._rule(pan)
            if self.turns_down and self._too_hot(pan):
                return do("flame", flame=WEAKER[pan.flame])
        sugar = plan.sugar_kg - pan.sugar_in_kg
        before = 0.0 if self.sweetens_last else sugar
        if sugar > 1e-6 and pan.mass_kg <= pan.goal_kg - before + pan.steam_kg_s * self.settles_s:
            self._sugared_at_s = pan.at_s
            return [*do("sugar", sugar), *(do("stop") if self.sweetens_last else [])]
        settled = self._sugared_at_s < 0 or pan.at_s - self._sugared_at_s > self.settles_s
        if sugar <= 1e-6 and settled and pan.mass_kg + 0.9 * pan.side_kg <= self.stops_at * pan.goal_kg:
            return [*(do("scrape") if pan.side_kg > 2e-4 else []), *do("stop")]
        if self.shy and pan.flame != "gentle" and pan.total_solids > THICK_FROM:
            return do("flame", flame="gentle")
        if self.folds:
            if pan.skin > 1.0:
                return do("fold")
            if pan.film < FILM_BEARS:
                return []
        if rested > self._interval_s * self.slack:
            return do("stir")
        if pan.at_s - self._scraped_at_s > SCRAPE_EVERY_S * self.slack:
            self._scraped_at_s = pan.at_s
            return do("scrape")
        return []

    @staticmethod
    def _rule(pan: SimPan) -> float:
        parts, base = pan.contents, pan.pan.shape.base_diameter_m
        thick = float(viscosity_mpa_s(parts, 97.0))
        flux = pan.plan.burner.net_power_w(pan.flame or "gentle", base) / max(
            1e-3, float(pan.pan.shape.heated_m2(pan.depth_m))
        )
        share = float(parts.sucrose / parts.total)
        return max(30.0, float(stir_interval_s(pan.celsius, flux, thick, pan.pan, share)))

    @staticmethod
    def _too_hot(pan: SimPan) -> bool:
        if pan.flame in (None, "gentle"):
            return False
        thick = float(viscosity_mpa_s(pan.contents, 97.0))
        power = pan.plan.burner.net_power_w(pan.flame, pan.pan.shape.base_diameter_m) * pan.hidden.power
        return power > 1.15 * float(safe_power_w(thick, float(pan.pan.shape.heated_m2(pan.depth_m))))
