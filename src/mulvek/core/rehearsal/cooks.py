"""Scripted cooks: the careful one whose run is shown beside the learner's, and two with bad habits for tests.

Each is asked once a second and may do one thing. They see what a cook sees, but for the careful one's true weight:
it is shown as what the pan allowed.
"""

from collections.abc import Callable
from dataclasses import dataclass, field

from ..equipment.burners import Flame
from ..planning.reduce.scorch import safe_power_w, stir_interval_s
from ..properties.texture import viscosity_mpa_s
from .hidden import Hidden
from .pan import LONGEST_RUN_S, Act, ActKind, SimPan

SCRAPE_EVERY_S = 450
SUGAR_SETTLES_S = 200
LOOK_EVERY_S = 20
WEAKER: dict[Flame, Flame] = {"strong": "medium", "medium": "gentle", "gentle": "gentle"}


@dataclass(slots=True)
class Careful:
    """Stirs by the scorch rule, turns down as it thickens, sugars in time, and stops on the weight."""

    slack: float = 1.0
    """How much longer than it should it leaves the pan alone."""
    turns_down: bool = True
    _scraped_at_s: int = 0
    _interval_s: float = 120.0
    _sugared_at_s: int = field(default=-1)

    def __call__(self, pan: SimPan) -> None:
        def do(kind: ActKind, amount: float = 0.0, flame: Flame | None = None) -> None:
            pan.act(Act(pan.at_s, kind, amount, flame))

        plan = pan.plan
        if pan.flame is None:
            return do("flame", flame=plan.to_boil)
        if pan.busy_s:
            return None
        rested = pan.at_s - pan.stirred_at_s
        if pan.boiled_at_s is None:
            near = pan.probe_c > 92 and rested > 30
            return do("stir") if near or rested > 150 * self.slack else None
        if self._scraped_at_s == 0:
            self._scraped_at_s = pan.at_s
            if self.turns_down and pan.flame != plan.flame:
                return do("flame", flame=plan.flame)
        if pan.at_s % LOOK_EVERY_S == 0:
            self._interval_s = self._rule(pan)
            if self.turns_down and self._too_hot(pan):
                return do("flame", flame=WEAKER[pan.flame])
        sugar = plan.sugar_kg - pan.sugar_in_kg
        if sugar > 1e-6 and pan.mass_kg <= pan.goal_kg - sugar + pan.steam_kg_s * SUGAR_SETTLES_S:
            self._sugared_at_s = pan.at_s
            return do("sugar", sugar)
        settled = self._sugared_at_s < 0 or pan.at_s - self._sugared_at_s > SUGAR_SETTLES_S
        if sugar <= 1e-6 and settled and pan.mass_kg + 0.9 * pan.side_kg <= pan.goal_kg:
            if pan.side_kg > 2e-4:
                do("scrape")
            return do("stop")
        if rested > self._interval_s * self.slack:
            return do("stir")
        if pan.at_s - self._scraped_at_s > SCRAPE_EVERY_S * self.slack:
            self._scraped_at_s = pan.at_s
            return do("scrape")
        return None

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


Cook = Callable[[SimPan], None]


def run(hidden: Hidden, cook: Cook, longest_s: int = LONGEST_RUN_S) -> SimPan:
    """A whole run by a scripted cook, who does nothing while called away."""
    pan = SimPan(hidden)
    while not pan.done and pan.at_s < longest_s:
        if not pan.away_s():
            cook(pan)
        if not pan.done:
            pan.step()
    return pan
