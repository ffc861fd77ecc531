"""Milk as the curd sees it: its parts as every station has them, how it was treated, and how well its yield is known.

Curd dossier §1. Non-protein nitrogen and the natural citrates stay with the serum.
"""

import math
from dataclasses import dataclass
from typing import Literal

from ...composition.composition import Composition
from ...composition.materials import Material
from ...errors import BadInput

Process = Literal["none", "hom", "uht"]


@dataclass(frozen=True, slots=True)
class CurdMilk:
    """``parts``: kg per kg of milk. ``texture``: how much firmer its curd is than cow's, index points."""

    parts: Composition
    process: Process = "none"
    texture: float = 0.0


def curd_milk(milk: Material) -> CurdMilk:
    """The same of a milk of the Larder or the tables.

    :raises BadInput: field "milk", when it holds no casein.
    """
    if "plant" in milk.flags or float(milk.parts.casein) <= 0:
        raise BadInput("milk", "milk-without-casein", milk=milk.name)
    process: Process = "uht" if "uht" in milk.flags else "hom" if "homogenised" in milk.flags else "none"
    lean = 6.0 * max(0.0, 1 - float(milk.parts.fat) / 0.041)
    texture = (
        -8.0 if process == "uht" else 12.0 if milk.species == "buffalo" else lean + (3.0 if process == "hom" else 0.0)
    )
    return CurdMilk(milk.parts, process, texture)


def yield_ln_sd(batches: int) -> float:
    """Predictive spread of the curd's weight, sd of ln: 0.14 with no record, 0.08 after three."""
    variance = 0.0144
    for _ in range(batches):
        gain = variance / (variance + 0.0049)
        variance = (1 - gain) * variance + 0.0004
    return math.sqrt(variance + 0.0049)
