"""Milk as the curd sees it: fat, casein, what else is protein, lactose, ash, and how it was treated.

Curd dossier §1. Protein counts N × 6.38, NPN included; from a label it is a share of the SNF.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from ...composition.materials import Material
from ...errors import BadInput

Process = Literal["none", "hom", "uht"]

PROTEIN_OF_SNF: Mapping[str, float] = {"cow": 0.375, "buffalo": 0.40}
LACTOSE_OF_SNF: Mapping[str, float] = {"cow": 0.54, "buffalo": 0.515}
ASH_OF_SNF = 0.085
CASEIN_SHARE: Mapping[str, float] = {"cow": 0.78, "buffalo": 0.80}
NPN_SHARE = 0.05


@dataclass(frozen=True, slots=True)
class CurdMilk:
    """kg per kg of milk. ``texture``: how much firmer its curd is than cow's, index points."""

    fat: float
    protein: float
    casein_share: float
    lactose: float
    ash: float
    process: Process = "none"
    texture: float = 0.0

    @property
    def casein(self) -> float:
        return self.protein * self.casein_share

    @property
    def npn(self) -> float:
        return NPN_SHARE * self.protein

    @property
    def whey_protein(self) -> float:
        return self.protein - self.casein - self.npn

    @property
    def water(self) -> float:
        return 1.0 - self.fat - self.protein - self.lactose - self.ash


def curd_milk(milk: Material) -> CurdMilk:
    """The same of a milk of the Larder or the tables.

    :raises BadInput: field "milk", when it holds no casein.
    """
    if "plant" in milk.flags or float(milk.parts.casein) <= 0:
        raise BadInput("milk", f"{milk.name.capitalize()} does not curdle: it holds no casein.", "Choose a milk.")
    snf, fat = float(milk.parts.msnf), float(milk.parts.fat)
    species = milk.species
    process: Process = "uht" if "uht" in milk.flags else "hom" if "homogenised" in milk.flags else "none"
    lean = 6.0 * max(0.0, 1 - fat / 0.041)
    texture = (
        -8.0 if process == "uht" else 12.0 if species == "buffalo" else lean + (3.0 if process == "hom" else 0.0)
    )
    return CurdMilk(
        fat,
        PROTEIN_OF_SNF[species] * snf,
        CASEIN_SHARE[species],
        LACTOSE_OF_SNF[species] * snf,
        ASH_OF_SNF * snf,
        process,
        texture,
    )


def yield_ln_sd(batches: int) -> float:
    """Predictive spread of the curd's weight, sd of ln: 0.14 with no record, 0.08 after three."""
    variance = 0.0144
    for _ in range(batches):
        gain = variance / (variance + 0.0049)
        variance = (1 - gain) * variance + 0.0004
    return math.sqrt(variance + 0.0049)
