"""How thick it is, hot and cold, in the cook's spoon stages.

Reduction dossier §7. Apparent viscosity of boiled, stirred milk: serum after Génotelle 1978, crowding of
protein, fat and undissolved lactose after Eilers with the voluminosities of Snoeren, Damman & Klok 1982,
and a gel term for concentrated protein. Its factors 0.25, 0.6 and the tangent at 0.86 are judgement,
as are the stage limits.
Valid 0-100 °C, total solids up to 75 %. Below 35 % ±25 %; above, a factor 2 (one spoon stage).
"""

import numpy as np

from ..composition.composition import Composition, Number
from .density import density_kg_m3, fat_specific_volume

STAGES = (
    "runs like milk",
    "thin cream",
    "coats the spoon",
    "slow ribbon",
    "spoonable",
    "holds its shape",
    "soft dough",
    "firm dough",
)
STAGE_VERBS = (
    "runs like milk",
    "pours like thin cream",
    "coats the spoon",
    "falls in a slow ribbon",
    "mounds on the spoon",
    "holds its shape",
    "kneads like soft dough",
    "is a firm dough",
)
"""The stage as what it does: "It … hot"."""
STAGE_LIMITS_MPA_S = np.array([6.0, 40.0, 400.0, 4e3, 4e4, 4e5, 4e6])
STAGE_MIDDLES_MPA_S = (3.0, 15.0, 125.0, 1250.0, 1.25e4, 1.25e5, 1.25e6, 1.25e7)
STAGE_SIGNS = (
    "the film runs straight off",
    "a veil stays on the spoon",
    "a finger's line stays open",
    "a ribbon lies 2 to 3 seconds",
    "it mounds on the spoon",
    "the spatula's track stays open",
    "it leaves the sides of the pan",
    "it gathers in one lump",
)
COLD_C = 5.0
"""A night in the fridge: the temperature at which "cold" is judged."""

_LACTOSE_C = np.array([0.0, 15.0, 25.0, 39.0, 49.0, 64.0, 74.0, 89.0, 100.0])
_LACTOSE_PER_100_WATER = np.array([11.9, 16.9, 21.6, 31.5, 42.4, 65.8, 86.2, 123.0, 157.0])
_PHI_MAX, _JAM, _GEL = 0.79, 0.86, 0.25


def sugar_number(parts: Composition) -> Number:
    """Sugar in the water phase, g per 100 g of sugars + water (Hunziker)."""
    sugars = parts.free_sugars
    return 100.0 * sugars / (sugars + parts.water)


def lactose_solubility(celsius: Number, sugar_no: Number = 0.0) -> Number:
    """Lactose that dissolves, g anhydrous per 100 g water, 0-100 °C, ±3 % (sugar effect ±30 %).

    Hudson 1908, Whittier 1944; lowered by sugar as exp(-(SN/70)²) after Nickerson & Moore 1972.

    >>> round(float(lactose_solubility(25.0)), 2)
    21.6
    """
    plain = np.exp(np.interp(celsius, _LACTOSE_C, np.log(_LACTOSE_PER_100_WATER)))
    return plain * np.exp(-((sugar_no / 70.0) ** 2))


def syrup_viscosity_mpa_s(sugar_percent: Number, celsius: Number) -> Number:
    """Viscosity of a sugar solution, mPa s (Génotelle 1978).

    >>> round(float(syrup_viscosity_mpa_s(60.0, 20.0)), 2)
    59.74
    """
    x = sugar_percent / (1900 - 18 * sugar_percent)
    return 10 ** (22.46 * x - 0.114 + (30 - celsius) / (91 + celsius) * (1.1 + 43.1 * x**1.25))


def _crowding(s: Number) -> Number:
    """ln of the Eilers factor of fullness s = φ/φmax, along its tangent once jammed."""
    free = np.minimum(s, _JAM)
    ratio = 1.25 * _PHI_MAX * free / (1 - free)
    tangent = 2 * (1.25 * _PHI_MAX / (1 - _JAM) ** 2) / (1 + 1.25 * _PHI_MAX * _JAM / (1 - _JAM))
    return 2 * np.log1p(ratio) + tangent * np.maximum(0.0, s - _JAM)


def viscosity_mpa_s(parts: Composition, celsius: Number, *, aged: bool = False, flakes: bool = False) -> Number:
    """Apparent viscosity, mPa s, capped at 1e9.

    :param aged: chilled for 8 hours or more.
    :param flakes: skin folded in.

    >>> from mulvek.core.composition.materials import material
    >>> round(float(viscosity_mpa_s(material("cow").parts, 20.0)), 3)
    1.841
    """
    share = parts.per_kg()
    water = np.maximum(share.water, 1e-11)
    dissolved = np.minimum(share.lactose, water * lactose_solubility(celsius, sugar_number(share)) / 100)
    solutes = dissolved + share.free_sugars + 0.5 * share.minerals + share.acids
    serum = syrup_viscosity_mpa_s(100 * solutes / (solutes + water), celsius)
    casein_ml_g = 3.57 + 0.012 * np.maximum(0.0, 50.0 - celsius)
    crowd_ml_g = (
        share.casein * casein_ml_g
        + share.whey * 3.09
        + share.fat * fat_specific_volume(celsius) * 1e3
        + (share.lactose - dissolved) * 0.65
        + share.starch * 12
        + share.other * 1.5
    )
    s = density_kg_m3(share, celsius) * 1e-3 * crowd_ml_g / _PHI_MAX
    protein = 100 * share.milk_protein / (water + dissolved + share.free_sugars)
    ln_factor = _crowding(s) + _GEL * np.maximum(0.0, protein - 10) + 0.6 * s * (aged + flakes)
    return np.minimum(1e9, serum * np.exp(np.minimum(ln_factor, 40.0)))


def stage_index(viscosity: Number) -> Number:
    """Which of ``STAGES`` a viscosity (mPa s) belongs to, 0-7."""
    return np.searchsorted(STAGE_LIMITS_MPA_S, viscosity, side="right")


def viscosity_ln_sd(total_solids: Number) -> Number:
    """How far the model may be off, sd of ln: 0.25 in thin milk, 0.7 above 45 % solids, sliding between."""
    return np.interp(total_solids, [0.35, 0.45], [0.25, 0.7])
