"""What the cook means to do: the words of the caramel sentence, understood."""

from dataclasses import dataclass, field
from functools import cached_property

from ...composition.composition import Composition, together
from ...composition.materials import Material, material
from ...equipment.burners import FLAMES, Flame
from ...equipment.kitchen import Kitchen
from ...errors import BadInput, Impossible
from ...properties.density import density_kg_m3
from ..reduce.hearth import Hearth
from ..reduce.plan import Amount
from .shades import FROM_C, Shade

KEEPS = 0.96
"""What dry sugar weighs once it is caramel; the rest leaves as steam (sweets dossier §2, an estimate)."""
SUGAR_KG = (0.02, 5.0)
MILK_TO_SUGAR = 20.0
WARM_MILK_C = 60.0
POURS_TO = 60.0
SOLIDS = (0.40, 0.80)


@dataclass(frozen=True, kw_only=True)
class CaramelPlan:
    """Caramelised milk by the pan method. ``solids``: share it is simmered to; None: as soon as it is smooth.

    :raises BadInput, Impossible: naming the word to change.
    """

    shade: Shade
    sugar: Amount
    butter: Amount | None
    milk: Material
    milk_amount: Amount | None
    condensed: Amount | None
    hearth: Hearth
    kitchen: Kitchen
    melt_on: Flame = "gentle"
    solids: float | None = None
    butter_kind: Material = field(default_factory=lambda: material("butter"))
    condensed_kind: Material = field(default_factory=lambda: material("condensed"))

    def __post_init__(self) -> None:
        if self.shade not in list(FROM_C)[1:-1]:
            known = ", ".join(list(FROM_C)[1:-1])
            raise BadInput("shade", "no-such-shade", shade=self.shade, known=known)
        if self.melt_on not in FLAMES:
            raise BadInput("melt_on", "no-such-flame", melt_on=self.melt_on, flames=tuple(FLAMES))
        if not SUGAR_KG[0] <= self.sugar_kg <= SUGAR_KG[1]:
            raise Impossible("sugar", "caramel-sugar-out-of-reach")
        if self.milk_kg + self.condensed_kg <= 0:
            raise Impossible("milk", "caramel-without-milk")
        if self.milk_kg + self.condensed_kg > MILK_TO_SUGAR * self.sugar_kg:
            raise Impossible("milk", "caramel-too-much-milk")
        if self.solids is not None and not SOLIDS[0] <= self.solids <= SOLIDS[1]:
            raise Impossible("solids", "caramel-solids-out-of-reach")

    @cached_property
    def sugar_kg(self) -> float:
        return self.sugar.mass_kg(850.0)

    @cached_property
    def butter_kg(self) -> float:
        return self.butter.mass_kg(self.butter_kind.bulk_kg_m3) if self.butter else 0.0

    @cached_property
    def milk_kg(self) -> float:
        cold = float(density_kg_m3(self.milk.parts, self.kitchen.milk_c))
        return self.milk_amount.mass_kg(cold) if self.milk_amount else 0.0

    @cached_property
    def condensed_kg(self) -> float:
        return self.condensed.mass_kg(self.condensed_kind.bulk_kg_m3) if self.condensed else 0.0

    @cached_property
    def caramel_kg(self) -> float:
        return KEEPS * self.sugar_kg

    def mixed(self, butter_kg: float, milk_kg: float, condensed_kg: float) -> Composition:
        """The caramel with so much of each, kg."""
        return together(
            [
                material("caramel").parts.scaled(self.caramel_kg),
                self.butter_kind.parts.scaled(butter_kg),
                self.milk.parts.scaled(milk_kg),
                self.condensed_kind.parts.scaled(condensed_kg),
            ]
        )
