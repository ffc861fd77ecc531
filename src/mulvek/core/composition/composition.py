"""What a milk, a curd, a sugar, a mix or a whole batch is made of: eighteen components, and the sums over them.

The one composition of every station. Reduction dossier §1 and sweets dossier §0: as fine as any property asks (which
sugar presses the freezing point, which protein and ash are the milk's, what is salt), with the coarser sums beside.
Batches mix by adding the mass of each component, which is exact.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, fields
from operator import add, attrgetter
from typing import Any

Number = Any
"""A float, or an array of floats for a whole track at once. Written ``Any`` because NumPy's operators
lose the union; every function below accepts both and returns the same shape."""


@dataclass(frozen=True, slots=True)
class Composition:
    """Masses of the components: kg in a batch, or kg per kg of a material. Floats or equal-shape arrays.

    ``npn`` is milk's non-protein nitrogen, ``citrates`` its natural acids; ``acid`` what sours (lactic, citric) and a
    plant's own acids. Lactose is counted anhydrous; galactose counts as ``glucose``. ``starch`` thickens,
    ``carbohydrate`` is any other that is digested and is no sugar. ``milk_ash`` and ``plant_ash`` are without common
    ``salt``.
    """

    water: Number = 0.0
    fat: Number = 0.0
    casein: Number = 0.0
    whey: Number = 0.0
    npn: Number = 0.0
    citrates: Number = 0.0
    plant_protein: Number = 0.0
    lactose: Number = 0.0
    sucrose: Number = 0.0
    glucose: Number = 0.0
    fructose: Number = 0.0
    starch: Number = 0.0
    carbohydrate: Number = 0.0
    fibre: Number = 0.0
    milk_ash: Number = 0.0
    plant_ash: Number = 0.0
    salt: Number = 0.0
    acid: Number = 0.0

    def items(self) -> Iterator[tuple[str, Number]]:
        return zip(COMPONENTS, _masses(self), strict=True)

    @property
    def total(self) -> Number:
        return sum(_masses(self))

    @property
    def solids(self) -> Number:
        """Everything but water, same unit as the components."""
        return sum(_masses(self)[1:])

    @property
    def total_solids(self) -> Number:
        """Total solids as a fraction of the whole, 0 to 1."""
        return self.solids / self.total

    @property
    def milk_protein(self) -> Number:
        """Casein and whey protein."""
        return self.casein + self.whey

    @property
    def protein(self) -> Number:
        """Milk's and plants'."""
        return self.casein + self.whey + self.plant_protein

    @property
    def milk_other(self) -> Number:
        """Milk's non-protein nitrogen and natural citrates."""
        return self.npn + self.citrates

    @property
    def msnf(self) -> Number:
        """Milk solids not fat: casein, whey protein, lactose, milk ash, and milk's NPN and citrates (sweets F1).

        >>> round(Composition(casein=2.6, whey=0.68, lactose=4.75, milk_ash=0.72).msnf, 2)
        8.75
        """
        return self.casein + self.whey + self.npn + self.citrates + self.lactose + self.milk_ash

    @property
    def reducing(self) -> Number:
        """Glucose, fructose and galactose."""
        return self.glucose + self.fructose

    @property
    def free_sugars(self) -> Number:
        """Sugars that no milk holds: sucrose, glucose, fructose."""
        return self.sucrose + self.glucose + self.fructose

    @property
    def sugars(self) -> Number:
        """Every sugar, lactose too."""
        return self.lactose + self.sucrose + self.glucose + self.fructose

    @property
    def digestible(self) -> Number:
        """Starch and every other digestible carbohydrate that is no sugar."""
        return self.starch + self.carbohydrate

    @property
    def ash(self) -> Number:
        """Milk's and plants' ash, without common salt."""
        return self.milk_ash + self.plant_ash

    @property
    def minerals(self) -> Number:
        """All ash, with common salt."""
        return self.milk_ash + self.plant_ash + self.salt

    @property
    def acids(self) -> Number:
        """What sours and milk's natural citrates."""
        return self.citrates + self.acid

    @property
    def other(self) -> Number:
        """Plant protein, fibre, non-protein nitrogen, and carbohydrate that neither sweetens nor thickens."""
        return self.npn + self.plant_protein + self.carbohydrate + self.fibre

    def scaled(self, factor: Number) -> "Composition":
        return Composition(*[mass * factor for mass in _masses(self)])

    def plus(self, more: "Composition") -> "Composition":
        return Composition(*map(add, _masses(self), _masses(more)))

    def with_water(self, water: Number) -> "Composition":
        """The same solids in other water: how a reduction moves. ``water`` may be an array."""
        return Composition(water, *_masses(self)[1:])

    def per_kg(self) -> "Composition":
        return self.scaled(1.0 / self.total)


def together(things: Sequence[Composition]) -> Composition:
    """All of them in one pan."""
    total, *rest = things
    for more in rest:
        total = total.plus(more)
    return total


COMPONENTS = tuple(field.name for field in fields(Composition))
_masses = attrgetter(*COMPONENTS)
