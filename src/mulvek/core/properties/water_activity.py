"""Water activity at the boil, with the boiling point that follows from it, and in store.

Reduction dossier §3. After Norrish 1966, generalised to milk; boiling factor fitted to the sucrose elevation table.
"""

import math

import numpy as np

from ..composition.composition import Composition, Number
from .freezing import ASH_K, SALT_K
from .steam import saturation_temperature_c

_MOLAR_G = {"sucrose": 342.3, "lactose": 342.3, "reducing": 180.16, "acids": 150.0, "minerals": 64.0}
_NORRISH = {"sucrose": 6.47, "lactose": 10.2, "reducing": 2.25}
LACTOSE_DISSOLVED_AT_BOIL = 1.57
"""kg lactose that a kg of water holds at 100 °C (Hudson 1908)."""


def boiling_water_activity(parts: Composition) -> Number:
    """Water activity at the boil, 0-1: with the factor fitted there.

    :param parts: kg or kg per kg; only ratios matter. Lactose counts up to what dissolves at the boil.

    >>> round(float(boiling_water_activity(Composition(water=40.0, sucrose=60.0))), 4)
    0.899
    """
    masses = {name: getattr(parts, name) for name in _MOLAR_G}
    masses["lactose"] = np.minimum(parts.lactose, parts.water * LACTOSE_DISSOLVED_AT_BOIL)
    moles = {name: masses[name] / _MOLAR_G[name] for name in _MOLAR_G}
    water = parts.water / 18.015
    total = water + sum(moles.values()) + parts.other * 0.3 / 200.0
    strength = sum(math.sqrt(k / 6.47) * moles[name] for name, k in _NORRISH.items()) / total
    factor = 6.6 * np.maximum(0.2, 1 - 1.87 * strength)
    return water / total * np.exp(-factor * strength * strength)


def boiling_point_c(parts: Composition, pressure_pa: float) -> Number:
    """Temperature at which this batch boils under ``pressure_pa``, °C."""
    return saturation_temperature_c(pressure_pa / boiling_water_activity(parts))


_SUGARS = {  # molar mass, Norrish's constant, most that dissolves per kg of solvent water
    "sucrose": (342.3, 6.47, 2.0),
    "lactose": (342.3, 10.2, 0.20),
    "glucose": (180.16, 2.25, 1.0),
    "fructose": (180.16, 2.25, 3.0),
}


def stored_water_activity(food: Composition) -> float:
    """Water activity at room warmth, 0 to 1; ±0.03 below 0.9, ±0.01 above 0.95 (F41).

    Each sugar by Norrish in all the solvent water (Ross 1975), as far as it dissolves; the one figure for keeping.

    >>> round(stored_water_activity(Composition(water=40.0, sucrose=60.0)), 4)
    0.8953
    """
    solvent = max(0.5 * food.water, food.water - 0.25 * food.protein - 0.15 * food.digestible)
    log = 0.0
    for name, (molar, k, most) in _SUGARS.items():
        mass = min(getattr(food, name), most * solvent)
        if mass > 0:
            moles = mass / molar
            x = moles / (moles + solvent / 18.015)
            log += math.log(1 - x) - k * x * x
    log -= food.acid / 90.08 / (solvent / 18.015)
    log -= 9.6934e-3 * (0.6 * ASH_K * food.ash + SALT_K * food.salt) / solvent
    return math.exp(log)
