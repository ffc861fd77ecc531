"""Crystals and keeping: will it turn sandy, will the sugar come out, how much water is left to spoil it.

Reduction dossier §8. Lactose solubility after Hudson 1908 and Whittier 1944, lowered by sugar; sucrose
solubility after Charles 1960; crystal counts are our estimate (a factor 5), the felt sizes published.
"""

import math
from dataclasses import dataclass

from ..composition.composition import Composition
from .density import density_kg_m3
from .texture import lactose_solubility, sugar_number

ALPHA_HYDRATE_KG_M3 = 1545.0
HYDRATE = 360.3 / 342.3
SUGAR_CRYSTALS_ABOVE = 64.5
"""Sugar number beyond which sucrose itself crystallises in the fridge."""

COOLING: tuple[tuple[str, str, float], ...] = (
    ("seeded", "seeded with fine lactose at 30 °C and stirred", 1e8),
    ("stirred", "cooled fast, stirred often", 1e7),
    ("still", "left to cool slowly, still", 1e6),
)
"""Ways of cooling, with the crystals per ml that each gives."""


def sucrose_solubility(celsius: float) -> float:
    """Sucrose that dissolves, g per 100 g of solution, 0-100 °C (Charles 1960).

    >>> round(sucrose_solubility(20.0), 2)
    66.6
    """
    return 64.397 + 0.07251 * celsius + 0.0020569 * celsius**2 - 9.035e-6 * celsius**3


@dataclass(frozen=True, slots=True)
class Lactose:
    """Lactose at a temperature: supersaturation (1 = just full) and what must crystallise, kg per kg."""

    supersaturation: float
    undissolved: float


def lactose_at(parts: Composition, celsius: float) -> Lactose:
    """How far the lactose is over what the water can hold.

    >>> from mulvek.core.composition.materials import material
    >>> can = lactose_at(material("condensed").parts, 15.0)
    >>> round(can.supersaturation, 3), round(can.undissolved * 100, 3)
    (5.261, 8.663)
    """
    share = parts.per_kg()
    water = float(share.water)
    if water <= 0:
        return Lactose(math.inf, float(share.lactose))
    holds = float(lactose_solubility(celsius, sugar_number(share)))
    return Lactose(
        100 * float(share.lactose) / water / holds,
        max(0.0, float(share.lactose) - water * holds / 100),
    )


def crystal_size_m(undissolved: float, density: float, per_ml: float) -> float:
    """Width of the lactose crystals when the undissolved part spreads over so many, m.

    :param undissolved: kg per kg, anhydrous; ``density`` kg/m³ of the product; ``per_ml`` crystals per ml.
    """
    hydrate = undissolved * density * HYDRATE
    return float((6 * hydrate / (math.pi * ALPHA_HYDRATE_KG_M3 * per_ml * 1e6)) ** (1 / 3))


def sandiness(size_m: float, undissolved: float) -> float:
    """Chance that it feels sandy, 0-1: smooth below 12 µm, felt from 15, sandy above 25."""
    if undissolved < 0.005:
        return 0.0
    return 1 / (1 + math.exp(-(size_m * 1e6 - 22) / 4))


def crystals_in(parts: Composition, celsius: float) -> list[tuple[str, str, float, float]]:
    """For each way of cooling: its key, its words, crystal width in m and the chance of sandiness."""
    lactose = lactose_at(parts, celsius)
    density = float(density_kg_m3(parts.per_kg(), celsius))
    found = []
    for key, words, per_ml in COOLING:
        size = crystal_size_m(lactose.undissolved, density, per_ml)
        found.append((key, words, size, sandiness(size, lactose.undissolved)))
    return found
