"""Where something is boiled, and how long anything takes there from one share of solids to another.

Reduction dossier §4 governs every boiling down, whatever is in the pan; the way down is stepped coarsely here.
"""

import math
from dataclasses import dataclass

import numpy as np

from ...composition.composition import Composition
from ...equipment.burners import Burner, Flame
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...properties.water_activity import boiling_point_c
from .evaporation import Fire, descent, heat_up, simmer
from .plan import Rate

NODES, WARMING_STEPS = 14, 12
NEAR_BOIL_K = 0.5


@dataclass(frozen=True, slots=True)
class Hearth:
    """Where it is boiled: pan, burner, flame and what is known of that flame here."""

    pan: Pan
    burner: Burner
    flame: Flame
    rate: Rate

    def fire(self, kitchen: Kitchen, to_boil: Flame = "strong") -> Fire:
        base = self.pan.shape.base_diameter_m
        return Fire(
            heat_up_w=self.burner.net_power_w(to_boil, base),
            simmer_w=self.burner.net_power_w(self.flame, base),
            wall_loss=self.burner.wall_loss_w_m2_k,
            room_c=kitchen.room_c,
            pressure_pa=kitchen.pressure_pa,
        )


@dataclass(frozen=True, slots=True)
class Drying:
    """s it takes, warming included; kg of steam; kg/s of water leaving at its end."""

    seconds: float
    steam_kg: float
    rate_kg_s: float


def dry(
    parts: Composition, to_solids: float, from_c: float | None, hearth: Hearth, kitchen: Kitchen, fire: Fire
) -> Drying:
    """Boil ``parts`` (kg) down to this share of solids.

    :param from_c: how warm it begins, °C; it comes boiling when None.
    :raises Impossible: fields "burner", "flame", when the flame never does it.
    """
    steam_all = max(0.0, float(parts.water) - float(parts.solids) * (1 / to_solids - 1))
    boils = float(boiling_point_c(parts, kitchen.pressure_pa)) - NEAR_BOIL_K
    if from_c is None or from_c >= boils:
        seconds, celsius, gone = 0.0, boils, 0.0
    else:
        warm = heat_up(parts, from_c, hearth.pan, fire, WARMING_STEPS)
        seconds, celsius, gone = warm.seconds, warm.celsius, min(warm.steam_kg, 0.9 * steam_all)
    rate = 0.0
    if steam_all > gone:
        steam = np.linspace(gone, steam_all, NODES)
        run = simmer(descent(parts.with_water(parts.water - steam), steam, hearth.pan, fire), celsius, fire)
        speed = math.exp(hearth.rate.ln_mean)
        seconds += float(run.at_s[-1]) / speed
        rate = float(run.rate_kg_s[-1]) * speed
    return Drying(seconds, steam_all, rate)


def steam_rate_kg_s(parts: Composition, hearth: Hearth, kitchen: Kitchen) -> float:
    """Water leaving as ``parts`` (kg) begins to boil down, kg/s.

    :raises Impossible: fields "burner", "flame", when the flame never brings it to the boil.
    """
    fire = hearth.fire(kitchen)
    steam = np.linspace(0.0, 0.02 * float(parts.water), 3)
    boils = float(boiling_point_c(parts, kitchen.pressure_pa))
    run = simmer(descent(parts.with_water(parts.water - steam), steam, hearth.pan, fire), boils, fire)
    return float(run.rate_kg_s[1]) * math.exp(hearth.rate.ln_mean)
