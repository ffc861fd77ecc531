"""What the cook means to do: the words of the reduction sentence, understood."""

import math
from dataclasses import dataclass
from typing import Literal

from ..errors import BadInput, Impossible
from ..heat import FLAMES, Burner, Flame
from ..kitchen import Kitchen
from ..materials.density import density_kg_m3
from ..materials.library import Material, material
from ..materials.parts import Parts
from ..quantities import Measures, Quantity, parse
from ..vessels import Pan
from .stops import Stop

SugarTime = Literal["start", "midway", "end"]
SUGAR_TIMES: tuple[SugarTime, ...] = ("start", "midway", "end")
LARGEST_BATCH_KG = 200.0


@dataclass(frozen=True, slots=True)
class Amount:
    """How much, as measured: by weight or by volume, with the spread of that way of measuring (1 sd)."""

    quantity: Quantity
    rel_sd: float

    @classmethod
    def read(cls, text: str, field: str, default_unit: str, measures: Measures) -> "Amount":
        """Read "2.4 L", "1.2 kg", "3 glasses".

        Spread: scale 0.5 %, jug or packet 1.5 %, filled household cups 3 % (dossier §1).
        """
        quantity = parse(text, default_unit=default_unit, allow=("volume", "mass"), field=field, measures=measures)
        household = "," in quantity.understood
        rel_sd = 0.005 if quantity.dimension == "mass" else 0.03 if household else 0.015
        return cls(quantity, rel_sd)

    def mass_kg(self, bulk_kg_m3: float) -> float:
        if self.quantity.dimension == "mass":
            return self.quantity.value
        return self.quantity.value * bulk_kg_m3


@dataclass(frozen=True, slots=True)
class Rate:
    """What is known of a flame's speed against the model: ln multiplier, its sd, and from how many batches.

    The first guess, 0 ± 0.35, is the spread of burners and settings (dossier §4).
    """

    ln_mean: float = 0.0
    ln_sd: float = 0.35
    batches: int = 0


@dataclass(frozen=True, slots=True)
class ReducePlan:
    """One reduction, ready to be reckoned.

    :raises Impossible: zero or absurd amounts, naming the word.
    """

    milk: Material
    amount: Amount
    pan: Pan
    burner: Burner
    flame: Flame
    stop: Stop
    sugar: Amount | None
    sugar_time: SugarTime
    kitchen: Kitchen
    rate: Rate = Rate()

    def __post_init__(self) -> None:
        if self.flame not in FLAMES:
            raise BadInput("flame", f"There is no flame “{self.flame}”.", f"Use one of: {', '.join(FLAMES)}.")
        if self.sugar_time not in SUGAR_TIMES:
            raise BadInput(
                "sugar_time",
                f"Sugar cannot go in at “{self.sugar_time}”.",
                f"Use one of: {', '.join(SUGAR_TIMES)}.",
            )
        if not 0.02 <= self.milk_kg <= LARGEST_BATCH_KG:
            raise Impossible(
                "amount",
                f"{self.amount.quantity.understood} of milk is not a batch.",
                "Take between 20 ml and 200 L.",
            )
        if self.sugar_kg > 1.5 * self.milk_kg:
            raise Impossible("sugar", "That is more sugar than milk will hold.", "Take less sugar.")

    @property
    def milk_kg(self) -> float:
        return self.amount.mass_kg(float(density_kg_m3(self.milk.parts, self.kitchen.milk_c)))

    @property
    def milk_m3(self) -> float:
        """Cold volume of the milk as measured."""
        return self.milk_kg / float(density_kg_m3(self.milk.parts, self.kitchen.milk_c))

    @property
    def sugar_kg(self) -> float:
        return self.sugar.mass_kg(material("white-sugar").bulk_kg_m3) if self.sugar else 0.0

    @property
    def milk_parts(self) -> Parts:
        return self.milk.parts.scaled(self.milk_kg)

    @property
    def sugar_parts(self) -> Parts:
        return material("white-sugar").parts.scaled(self.sugar_kg)

    @property
    def goal_parts(self) -> Parts:
        """What is in the pan when the stop is judged: sugar that goes in at the end is not yet there."""
        return self.milk_parts if self.sugar_time == "end" else self.all_parts

    @property
    def all_parts(self) -> Parts:
        return self.milk_parts.plus(self.sugar_parts)

    @property
    def milk_kg_sd(self) -> float:
        return self.milk_kg * self.amount.rel_sd

    @property
    def solids_rel_sd(self) -> float:
        """Spread of the milk's solids: its label figures and the measuring of it."""
        return math.hypot(self.milk.total_solids_sd / float(self.milk.parts.total_solids), self.amount.rel_sd)
