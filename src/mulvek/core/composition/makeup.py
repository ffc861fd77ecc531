"""What a sweet is made of: the eleven parts split where freezing, keeping and labels need it.

A pan of milk needs eleven parts; a sweet also asks which sugar (glucose and fructose press the freezing point
nearly twice as hard as sucrose), which protein and ash is the milk's (MSNF), what is fibre and what is salt.
Sweets dossier §0. The parts stay the one table: a make-up is read off a material's parts and its ``split``.
"""

from collections.abc import Iterator
from dataclasses import dataclass, fields
from operator import add, attrgetter

from .parts import Parts


@dataclass(frozen=True, slots=True)
class Split:
    """Shares of a material that its parts do not tell apart, kg per kg; zero for what is milk."""

    protein: float = 0.0
    fibre: float = 0.0
    fructose: float = 0.0
    salt: float = 0.0


@dataclass(frozen=True, slots=True)
class Makeup:
    """kg in a batch, or kg per kg. ``milk_other`` is non-protein nitrogen and natural citrates of milk; ``starch``
    every digestible carbohydrate that is no sugar; ``acid`` what sours (lactic, citric)."""

    water: float = 0.0
    fat: float = 0.0
    casein: float = 0.0
    whey: float = 0.0
    milk_other: float = 0.0
    plant_protein: float = 0.0
    lactose: float = 0.0
    sucrose: float = 0.0
    glucose: float = 0.0
    fructose: float = 0.0
    starch: float = 0.0
    fibre: float = 0.0
    milk_ash: float = 0.0
    plant_ash: float = 0.0
    salt: float = 0.0
    acid: float = 0.0

    def items(self) -> Iterator[tuple[str, float]]:
        return zip(MAKEUP_NAMES, _masses(self), strict=True)

    @property
    def total(self) -> float:
        return float(sum(_masses(self)))

    @property
    def total_solids(self) -> float:
        """Share of everything but water."""
        return 1 - self.water / self.total

    @property
    def protein(self) -> float:
        return self.casein + self.whey + self.plant_protein

    @property
    def ash(self) -> float:
        """Milk's and plants' ash, without common salt."""
        return self.milk_ash + self.plant_ash

    @property
    def msnf(self) -> float:
        """Milk solids not fat: casein, whey protein, lactose, milk ash, and milk's NPN and citrates (sweets F1).

        >>> round(Makeup(casein=2.6, whey=0.68, lactose=4.75, milk_ash=0.72).msnf, 2)
        8.75
        """
        return self.casein + self.whey + self.milk_other + self.lactose + self.milk_ash

    @property
    def sugars(self) -> float:
        """Every sugar, lactose too."""
        return self.lactose + self.sucrose + self.glucose + self.fructose

    def scaled(self, factor: float) -> "Makeup":
        return Makeup(*[mass * factor for mass in _masses(self)])

    def plus(self, more: "Makeup") -> "Makeup":
        return Makeup(*map(add, _masses(self), _masses(more)))

    def per_kg(self) -> "Makeup":
        return self.scaled(1 / self.total)

    def parts(self) -> Parts:
        """The same in the eleven parts of the pan."""
        return Parts(
            water=self.water,
            fat=self.fat,
            casein=self.casein,
            whey=self.whey,
            lactose=self.lactose,
            minerals=self.milk_ash + self.plant_ash + self.salt,
            sucrose=self.sucrose,
            reducing=self.glucose + self.fructose,
            starch=self.starch,
            other=self.milk_other + self.plant_protein + self.fibre,
            acid=self.acid,
        )


def made_up(parts: Parts, split: Split, *, dairy: bool, soured: bool = False) -> Makeup:
    """A material's make-up. What is milk's needs no split: its ``other`` and natural acid are citrates and NPN.

    >>> made_up(Parts(water=0.9, reducing=0.06, other=0.04), Split(protein=0.01, fructose=0.02), dairy=False).starch
    0.03
    """
    p = Parts(*(float(mass) for _, mass in parts.items()))
    return Makeup(
        water=p.water,
        fat=p.fat,
        casein=p.casein,
        whey=p.whey,
        milk_other=(p.other if soured else p.other + p.acid) if dairy else 0.0,
        plant_protein=split.protein,
        lactose=p.lactose,
        sucrose=p.sucrose,
        glucose=p.reducing - split.fructose,
        fructose=split.fructose,
        starch=p.starch if dairy else p.starch + p.other - split.protein - split.fibre,
        fibre=split.fibre,
        milk_ash=p.minerals if dairy else 0.0,
        plant_ash=0.0 if dairy else p.minerals - split.salt,
        salt=split.salt,
        acid=p.acid if soured or not dairy else 0.0,
    )


MAKEUP_NAMES = tuple(field.name for field in fields(Makeup))
_masses = attrgetter(*MAKEUP_NAMES)
