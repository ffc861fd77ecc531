"""The answer for caramelised milk: when to take the sugar off, how to pour, what to simmer it to, and what it gives.

Reduction dossier §9 (shades and carry-over); the simmering is the Bench's evaporation, as for any milk.
"""

import math
from dataclasses import dataclass
from typing import Literal

from ...composition.composition import Composition
from ...equipment.vessels import capacity_m3
from ...errors import Impossible
from ...properties.density import volume_m3
from ...properties.texture import COLD_C, STAGES, stage_index, viscosity_mpa_s
from ...ranges import Range
from ..reduce.hearth import dry
from .melting import SYRUP_J_KG_K, melting
from .plan import WARM_MILK_C, CaramelPlan
from .shades import READING_SD_K, Shade, middle_c, off_c

Pour = Literal["butter", "milk", "condensed"]
MELT_LN_SD = 0.30
STEAM_SHARE = 0.10
"""Water that leaves until it is smooth again, share of all of it (estimate)."""
MASS_LN_SD = 0.03
LEFT_SHARE = 0.04
"""What stays in the pan and on the spoon (sweets dossier §2)."""
BUTTER_S, POUR_S, CONDENSED_S = 60.0, 50.0, 60.0
FEWEST_POURS, MOST_POURS = 3, 12
POUR_TO_SUGAR = 0.5
"""A pour is at most so much of the sugar's weight: more sets it hard at once (estimate)."""
FOAMS = 2.0
"""What the poured milk swells to as it boils up, times its volume (estimate)."""
SPECIFIC_HEAT = {"butter": 2.1e3, "milk": 3.9e3, "condensed": 2.4e3}
"""J/kg K"""


@dataclass(frozen=True, slots=True, kw_only=True)
class CaramelForecast:
    """kg, m, s, °C. ``off_c`` the flame goes off; ``ends_c`` where the sugar ends by itself; ``mixed_kg`` once all is in;
    ``stop_kg`` in the pan when it is done; ``served_kg`` in the jar."""

    plan: CaramelPlan
    melt_s: Range
    off_c: Range
    ends_c: float
    rise_k_s: float
    pours: int
    pour_kg: float
    climbs_m: float
    mixed_kg: float
    mixed_c: float
    simmer_s: Range
    stop_kg: Range
    served_kg: Range
    volume_m3: float
    total_solids: float
    sugar: float
    fat: float
    cold_name: str
    parts: Composition

    @property
    def opening_s(self) -> float:
        """From the flame off until all is in and smooth."""
        plan = self.plan
        return BUTTER_S * (plan.butter_kg > 0) + POUR_S * self.pours + CONDENSED_S * (plan.condensed_kg > 0)


@dataclass(frozen=True, slots=True)
class Opened:
    """The caramel with all that went in: what it is, how warm, to what weight and for how long it is simmered."""

    parts: Composition
    celsius: float
    done: Composition
    seconds: float


def opened(plan: CaramelPlan, butter_kg: float, milk_kg: float, condensed_kg: float) -> Opened:
    """:raises Impossible: fields "solids", "flame"."""
    whole = plan.mixed(butter_kg, milk_kg, condensed_kg)
    now = float(whole.per_kg().total_solids)
    if plan.solids is None:
        target = now / (1 - STEAM_SHARE * (1 - now))
    elif plan.solids <= now:
        raise Impossible("solids", "caramel-solids-before-simmering", now=now * 100)
    else:
        target = plan.solids
    celsius = _mixed_c(plan, butter_kg, milk_kg, condensed_kg)
    hearth, kitchen = plan.hearth, plan.kitchen
    dried = dry(whole, target, celsius, hearth, kitchen, hearth.fire(kitchen, hearth.flame))
    done = whole.with_water(float(whole.solids) * (1 / target - 1))
    return Opened(whole, celsius, done, dried.seconds)


def caramelise(plan: CaramelPlan) -> CaramelForecast:
    """Reckon the pan method.

    :raises Impossible: fields "pan", "solids", "melt_on", "flame".
    """
    hearth, kitchen = plan.hearth, plan.kitchen
    heat = melting(plan.sugar_kg, hearth.pan, hearth.burner, plan.melt_on, kitchen.room_c)
    off = off_c(plan.shade)
    pours = pours_of(plan)
    pour_kg = plan.milk_kg / pours if pours else 0.0
    got = opened(plan, plan.butter_kg, plan.milk_kg, plan.condensed_kg)
    climbs = _climbs_m(plan, got.parts, pour_kg)
    mass, share = float(got.done.total), got.done.per_kg()
    thick = float(viscosity_mpa_s(share, COLD_C, aged=True))
    return CaramelForecast(
        plan=plan,
        melt_s=Range.lognormal(heat.seconds(kitchen.room_c, off), MELT_LN_SD),
        off_c=Range.normal(off, READING_SD_K),
        ends_c=middle_c(plan.shade),
        rise_k_s=heat.after(off, 1.0) - off,
        pours=pours,
        pour_kg=pour_kg,
        climbs_m=climbs,
        mixed_kg=float(got.parts.total),
        mixed_c=got.celsius,
        simmer_s=Range.lognormal(got.seconds, hearth.rate.ln_sd),
        stop_kg=Range.lognormal(mass, MASS_LN_SD),
        served_kg=Range.lognormal(mass * (1 - LEFT_SHARE), MASS_LN_SD),
        volume_m3=float(volume_m3(got.done, 20.0)),
        total_solids=float(share.total_solids),
        sugar=float(share.free_sugars),
        fat=float(share.fat),
        cold_name=STAGES[int(stage_index(thick))],
        parts=got.done,
    )


def pours_of(plan: CaramelPlan) -> int:
    """In how many pours the milk goes in."""
    if not plan.milk_kg:
        return 0
    return min(MOST_POURS, max(FEWEST_POURS, math.ceil(plan.milk_kg / (POUR_TO_SUGAR * plan.sugar_kg))))


def _mixed_c(plan: CaramelPlan, butter_kg: float, milk_kg: float, condensed_kg: float) -> float:
    """Heat of all of it shared out, °C: the caramel's is the flame's gift to the milk."""
    room = plan.kitchen.room_c
    heats = [
        (plan.caramel_kg * SYRUP_J_KG_K, middle_c(plan.shade)),
        (butter_kg * SPECIFIC_HEAT["butter"], room),
        (milk_kg * SPECIFIC_HEAT["milk"], WARM_MILK_C),
        (condensed_kg * SPECIFIC_HEAT["condensed"], room),
    ]
    return sum(c * t for c, t in heats) / sum(c for c, _ in heats)


def _climbs_m(plan: CaramelPlan, parts: Composition, pour_kg: float) -> float:
    """How high the last pour boils up; the condensed milk, which goes in after it, lies quiet.

    :raises Impossible: field "pan".
    """
    pan = plan.hearth.pan
    holds = float(volume_m3(parts, 90.0))
    highest = holds + (FOAMS - 1) * pour_kg / 1000.0
    if highest > capacity_m3(pan.shape):
        raise Impossible("pan", "caramel-boils-over", pan=pan.name, holds=holds)
    return float(pan.shape.depth_m(highest))


__all__ = ["CaramelForecast", "Opened", "Pour", "Shade", "caramelise", "opened", "pours_of"]
