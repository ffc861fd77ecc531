"""What a milk, a sugar or a whole batch is made of: eleven parts, and the sums over them.

The eleven parts and their meaning follow the reduction dossier §1. Batches mix by adding the mass
of each part, which is exact.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, fields
from operator import add, attrgetter
from typing import Any

Number = Any
"""A float, or an array of floats for a whole track at once. Written ``Any`` because NumPy's operators
lose the union; every function below accepts both and returns the same shape."""


@dataclass(frozen=True, slots=True)
class Parts:
    """Masses of the eleven parts: kg in a batch, or kg per kg of a material. Floats or equal-shape arrays.

    ``other`` is plant protein, fibre and non-protein nitrogen; ``reducing`` is glucose, fructose and
    galactose; lactose is counted anhydrous.
    """

    water: Number = 0.0
    fat: Number = 0.0
    casein: Number = 0.0
    whey: Number = 0.0
    lactose: Number = 0.0
    minerals: Number = 0.0
    sucrose: Number = 0.0
    reducing: Number = 0.0
    starch: Number = 0.0
    other: Number = 0.0
    acid: Number = 0.0

    def items(self) -> Iterator[tuple[str, Number]]:
        return zip(PART_NAMES, _masses(self), strict=True)

    @property
    def total(self) -> Number:
        return self.solids + self.water

    @property
    def solids(self) -> Number:
        """Everything but water, same unit as the parts."""
        return (
            self.fat
            + self.casein
            + self.whey
            + self.lactose
            + self.minerals
            + self.sucrose
            + self.reducing
            + self.starch
            + self.other
            + self.acid
        )

    @property
    def total_solids(self) -> Number:
        """Total solids as a fraction of the whole, 0 to 1."""
        return self.solids / self.total

    @property
    def protein(self) -> Number:
        return self.casein + self.whey

    @property
    def msnf(self) -> Number:
        """Milk solids not fat (casein, whey protein, lactose, minerals, NPN, acid), same unit as the parts."""
        return self.casein + self.whey + self.lactose + self.minerals + self.other + self.acid

    def scaled(self, factor: Number) -> "Parts":
        return Parts(*[mass * factor for mass in _masses(self)])

    def plus(self, more: "Parts") -> "Parts":
        return Parts(*map(add, _masses(self), _masses(more)))

    def with_water(self, water: Number) -> "Parts":
        """The same solids in other water: how a reduction moves. ``water`` may be an array."""
        return Parts(water, *_masses(self)[1:])

    def per_kg(self) -> "Parts":
        return self.scaled(1.0 / self.total)


def sum_parts(things: Sequence[Parts]) -> Parts:
    """All of them in one pan."""
    total, *rest = things
    for more in rest:
        total = total.plus(more)
    return total


PART_NAMES = tuple(field.name for field in fields(Parts))
_masses = attrgetter(*PART_NAMES)
