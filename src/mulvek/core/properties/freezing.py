"""A frozen mix: where it begins to freeze, how much of it is ice, and the heat that takes.

Sweets dossier §1. Freezing point after Leighton 1927 with Pickering's sucrose data (as reprinted in Goff & Hartel
2013), beyond 165 g per 100 g water along Norrish 1966; ice by solving for the water that stays unfrozen. Total
solids 20-60 %, −30 °C to the freezing point; ±0.15 K of it, ±3 points of the water as ice.
"""

import math
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from ..composition.composition import Composition
from .heat_capacity import heat_capacity_j_k
from .texture import lactose_solubility

Array = NDArray[np.float64]
LATENT = 333.5
"""Heat of melting, kJ/kg."""
ICE_KJ_KG_K = 2.06
_SUCROSE_G = np.arange(0.0, 166.0, 3.0)
_DEPRESSION_K = np.array(
    [0, .18, .35, .53, .72, .90, 1.10, 1.29, 1.47, 1.67, 1.86, 2.03, 2.21, 2.40, 2.60, 2.78, 2.99, 3.20, 3.42, 3.63,
     3.85, 4.10, 4.33, 4.54, 4.77, 5.00, 5.26, 5.53, 5.77, 5.99, 6.23, 6.50, 6.80, 7.04, 7.32, 7.56, 7.80, 8.04, 8.33,
     8.62, 8.92, 9.19, 9.45, 9.71, 9.96, 10.22, 10.47, 10.72, 10.97, 11.19, 11.41, 11.63, 11.88, 12.14, 12.40, 12.67]
)  # fmt: skip
_LAST_G, _LAST_K = 165.0, 12.67
_ICE_A, _ICE_B = 9.6934e-3, 4.761e-6
ASH_K, SALT_K = 28.9, 59.0
"""Depression by ash and by common salt, K per (kg per kg of unfrozen water); F8."""
BITE, SPOON = 0.40, 0.36
"""Ice shares of the whole at which a dense mix bites cleanly, and takes a spoon."""


def activity_of_ice(below_k: float) -> float:
    """Water activity of ice so many kelvin below zero (Ferro Fontán & Chirife 1981; F4).

    >>> round(activity_of_ice(18.0), 4)
    0.8386
    """
    return math.exp(-_ICE_A * below_k - _ICE_B * below_k**2)


def below_zero_k(activity: Any) -> Any:
    """Kelvin below zero at which ice has this activity: the inverse of :func:`activity_of_ice`.

    >>> round(float(below_zero_k(0.85)), 2)
    16.63
    """
    y = -np.log(activity)
    return (-_ICE_A + np.sqrt(_ICE_A**2 + 4 * _ICE_B * y)) / (2 * _ICE_B)


def sucrose_activity(grams: Any) -> Any:
    """Water activity of a sucrose solution, g per 100 g water (Norrish 1966; F5).

    >>> round(float(sucrose_activity(205.0)), 4)
    0.8489
    """
    moles = grams / 342.3
    x = moles / (moles + 100 / 18.015)
    return (1 - x) * np.exp(-6.47 * x * x)


_AT_LAST = float(below_zero_k(sucrose_activity(_LAST_G)))


def depression_k(grams: Any) -> Any:
    """Depression of the freezing point by sucrose, g per 100 g water, K (F6); table, then Norrish's slope.

    >>> round(float(depression_k(33.7)), 3), round(float(depression_k(200.0)), 3)
    (2.072, 16.147)
    """
    table = np.interp(grams, _SUCROSE_G, _DEPRESSION_K)
    beyond = np.maximum(grams, _LAST_G)
    return table + below_zero_k(sucrose_activity(beyond)) - _AT_LAST


def sucrose_equivalents(mix: Composition) -> float:
    """Sugars by what they do to ice, kg of sucrose per kg (F7)."""
    return float(mix.sucrose + mix.lactose + 1.9 * (mix.reducing + mix.acid))


def freezing_k(mix: Composition, unfrozen: Any) -> Any:
    """Kelvin below zero at which so much water (kg per kg) is still liquid (F8)."""
    salts = ASH_K * mix.ash + SALT_K * mix.salt
    return depression_k(100 * sucrose_equivalents(mix) / unfrozen) + salts / unfrozen


def freezing_point_c(mix: Composition) -> float:
    """Where ice first forms, °C, ±0.15 (F9)."""
    return -float(freezing_k(mix, mix.water))


_NODES = 6000
_DRIEST = 1e-3


@lru_cache(maxsize=256)
def _way_down(mix: Composition) -> tuple[Array, Array]:
    """Kelvin below zero, rising, and the water still liquid there: F8 along finely spaced water."""
    unfrozen = np.geomspace(mix.water, _DRIEST * mix.water, _NODES)
    return np.asarray(freezing_k(mix, unfrozen)), unfrozen


def ice(mix: Composition, celsius: Any) -> Any:
    """Ice as a share of the whole at a temperature, 0 above the freezing point (F10); shapes as given.

    F8 is solved for the unfrozen water on a table of 6000 nodes (error below 1e-6).
    """
    t = np.asarray(celsius, dtype=float)
    if sucrose_equivalents(mix) + mix.ash + mix.salt < 1e-9:
        found = np.where(t < 0, mix.water, 0.0)
    else:
        below, unfrozen = _way_down(mix)
        found = np.maximum(0.0, mix.water - np.interp(-t, below, unfrozen))
    return float(found) if np.ndim(celsius) == 0 else found


def celsius_at_ice(mix: Composition, share: float) -> float:
    """Temperature at which this share of the whole is ice, °C, not under −30 (F24)."""
    unfrozen = mix.water - share
    if unfrozen <= 0.005:
        return -30.0
    return max(-30.0, -float(freezing_k(mix, unfrozen)))


def heat_content_kj_kg(mix: Composition, celsius: Any) -> Any:
    """Enthalpy above 0 °C liquid, kJ/kg (F11)."""
    frozen = ice(mix, celsius)
    liquid = heat_capacity_j_k(mix.with_water(mix.water - frozen), 0.0) / 1e3
    return (liquid + ICE_KJ_KG_K * frozen) * celsius - LATENT * frozen


def cold_density_kg_m3(mix: Composition, celsius: float, frozen: float = 0.0) -> float:
    """Density with ``frozen`` of it (kg per kg) as ice, kg/m³, −40 to 40 °C (Choi & Okos 1986; F2).

    It reads milk 0.7 % low: fills and slabs use ``materials.density``; here only ratios and heat matter.
    """
    t = celsius
    carbohydrate = mix.sugars + mix.digestible + mix.acid
    room = (
        (mix.water - frozen) / (997.18 + 0.0031439 * t - 0.0037574 * t * t)
        + frozen / (916.89 - 0.13071 * t)
        + mix.fat / (925.59 - 0.41757 * t)
        + (mix.protein + mix.milk_other) / (1329.9 - 0.5184 * t)
        + carbohydrate / (1599.1 - 0.31046 * t)
        + mix.fibre / (1311.5 - 0.36589 * t)
        + mix.minerals / (2423.8 - 0.28063 * t)
    )
    return float(1 / room)


def expansion(mix: Composition, celsius: float = -18.0) -> float:
    """How much it swells as it freezes from 4 °C, share of its volume (F14)."""
    return cold_density_kg_m3(mix, 4.0) / cold_density_kg_m3(mix, celsius, ice(mix, celsius)) - 1


def conductivity_w_m_k(mix: Composition) -> float:
    """Of the frozen mix, W/m K (F17)."""
    return 0.5 + 1.4 * float(ice(mix, -15.0))


POD_LACTOSE, POD_GLUCOSE, POD_FRUCTOSE = 0.16, 0.74, 1.3


def sweetness(mix: Composition) -> float:
    """Sweetness, g of sucrose per 100 g that would taste the same, warm (F12)."""
    by_kind = POD_LACTOSE * mix.lactose + POD_GLUCOSE * mix.glucose + POD_FRUCTOSE * mix.fructose
    return float(100 * (mix.sucrose + by_kind))


def felt_share(celsius: float) -> float:
    """How much of the sweetness is felt at a temperature: 1 at 30 °C and warmer, not under 0.6 (F13, ±0.1).

    >>> round(felt_share(-10.0), 2)
    0.76
    """
    return 1.0 if celsius >= 30 else max(0.6, 1 - 0.006 * (30 - celsius))


@dataclass(frozen=True, slots=True)
class Verdict:
    """A judgement in a word, its figure, and for how many days it is good."""

    word: str
    figure: float
    days: int = 0


SANDY = 0.185
"""From here on a frozen mix grows sandy within days."""


def sandiness(mix: Composition) -> Verdict:
    """Lactose grains in a frozen mix by MSNF ÷ (MSNF + water) (F26; days are our estimate)."""
    ratio = mix.msnf / (mix.msnf + mix.water)
    for below, word, days in ((0.15, "low", 30), (SANDY, "watch", 21), (0.22, "high", 10)):
        if ratio < below:
            return Verdict(word, ratio, days)
    return Verdict("very high", ratio, 7)


def _clamp(x: float) -> float:
    return max(0.0, min(1.0, x))


def iciness(mix: Composition, freeze_h: float, store_c: float = -18.0) -> Verdict:
    """How icy it will eat, 0 to 100: ice, slow freezing, a warm store, a thin body (F25; our judgement)."""
    body = mix.protein + mix.digestible + mix.fibre
    score = (
        40 * _clamp((float(ice(mix, -18.0)) - 0.38) / 0.14)
        + 30 * _clamp((freeze_h - 2) / 8)
        + 15 * _clamp((store_c + 18) / 6)
        + 15 * _clamp((0.07 - body) / 0.04)
    )
    return Verdict("low" if score < 35 else "medium" if score <= 55 else "high", score)


def hardness(share: float) -> str:
    """What a share of ice of the whole eats like (Muse & Hartel 2004; ±3 K).

    >>> hardness(0.33), hardness(0.45)
    ('spoon-soft', 'firm')
    """
    for below, word in ((0.30, "slumps"), (0.36, "spoon-soft"), (0.42, "good bite"), (0.46, "firm")):
        if share < below:
            return word
    return "hard: let it stand"


def grains(mix: Composition, celsius: float) -> Verdict:
    """Whether lactose grains are to be felt in a chilled sweet: lactose over what its water holds (F27)."""
    ratio = 100 * mix.lactose / mix.water / float(lactose_solubility(celsius))
    return Verdict("low" if ratio < 1.6 else "watch" if ratio < 2.1 else "likely", ratio)
