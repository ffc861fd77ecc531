"""What the cook means to do: the words of the reduction sentence, understood."""

import math
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, Literal, get_args

from ...composition.composition import Composition, together
from ...composition.materials import Group, Material, material
from ...equipment.burners import FLAMES, Burner, Flame
from ...equipment.kitchen import Kitchen
from ...equipment.packs import Pack, unpacked
from ...equipment.pans import Pan
from ...equipment.quantities import Measures, Quantity, parse
from ...errors import BadInput, Impossible
from ...properties.density import density_kg_m3, volume_m3
from .stops import Stop

Stirring = Literal["scraped", "now-and-then", "folded", "lifted"]
"""Scraped down all along; stirred now and then; the skin folded in as flakes; the skin lifted off."""
STIRRINGS: tuple[Stirring, ...] = get_args(Stirring)
SugarTime = Literal["start", "midway", "end"]
SUGAR_TIMES: tuple[SugarTime, ...] = ("start", "midway", "end")
LARGEST_BATCH_KG = 200.0


@dataclass(frozen=True, slots=True)
class Amount:
    """How much, as measured: by weight or by volume, with the spread of that way of measuring (1 sd)."""

    quantity: Quantity
    rel_sd: float

    @classmethod
    def read(cls, text: str, field: str, default_unit: str, measures: Measures, pack: Pack | None = None) -> "Amount":
        """Read "2.4 L", "1.2 kg", "3 glasses"; "2 packets" where it is told what a ``pack`` holds.

        Spread: scale 0.5 %, jug or packet 1.5 %, filled household cups 3 % (dossier §1).
        """
        plain = unpacked(text, field, pack) if pack else text
        quantity = parse(plain, default_unit=default_unit, allow=("volume", "mass"), field=field, measures=measures)
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
class Thickness:
    """What is known of this cook's thickness against the model: ln multiplier, its sd, from how many verdicts."""

    ln_mean: float = 0.0
    ln_sd: float = 0.7
    batches: int = 0


THICKENS = ("fox-nut",)
"""Called nuts, yet starch: ground, they thicken milk."""
KEEPS_OUT: tuple[Group, ...] = ("milk", "sugar", "fruit", "nut", "vegetable", "spice", "fat", "water")


def enriches(key: str, group: str) -> bool:
    """Whether it is boiled down in milk: a powder, cream, a can, soft cheese, khoya, starch.

    >>> enriches("fox-nut", "nut"), enriches("almond", "nut"), enriches("milk-powder", "powder")
    (True, False, True)
    """
    return key in THICKENS or group not in KEEPS_OUT


@dataclass(frozen=True, slots=True)
class Addition:
    """Something that enriches the milk: powder, cream, a can, soft cheese, starch. ``late``: at the end."""

    material: Material
    amount: Amount
    late: bool = False

    @property
    def mass_kg(self) -> float:
        return self.amount.mass_kg(self.material.bulk_kg_m3)

    @property
    def parts(self) -> Composition:
        return self.material.parts.scaled(self.mass_kg)


@dataclass(frozen=True, kw_only=True)
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
    sugar_kind: Material = field(default_factory=lambda: material("white-sugar"))
    additions: tuple[Addition, ...] = ()
    stirring: Stirring = "scraped"
    to_boil: Flame = "strong"
    lid: bool = False
    wetted: bool = False
    thickness: Thickness = Thickness()

    def __post_init__(self) -> None:
        for name, value, known in (
            ("flame", self.flame, FLAMES),
            ("to_boil", self.to_boil, FLAMES),
            ("sugar_time", self.sugar_time, SUGAR_TIMES),
            ("stirring", self.stirring, STIRRINGS),
        ):
            if value not in known:
                raise BadInput(name, "no-such-choice", value=value, known=tuple(known))
        object.__setattr__(self, "additions", tuple(self.additions))
        if not 0.02 <= self.milk_kg <= LARGEST_BATCH_KG:
            raise Impossible("amount", "milk-amount-out-of-reach", amount=self.amount.quantity.understood)
        if sum(a.mass_kg for a in self.additions) > self.milk_kg:
            raise Impossible("additions", "more-added-than-milk")
        if self.sugar_kg > 1.5 * self.milk_kg:
            raise Impossible("sugar", "too-much-sugar")

    def elsewhere(self, **change: Any) -> "ReducePlan":
        """The same milk in another pan, on another flame: what was reckoned of the milk alone is kept."""
        there = replace(self, **change)
        for name in _OF_THE_MILK & self.__dict__.keys():
            there.__dict__[name] = self.__dict__[name]
        return there

    @cached_property
    def milk_kg(self) -> float:
        return self.amount.mass_kg(float(density_kg_m3(self.milk.parts, self.kitchen.milk_c)))

    @cached_property
    def milk_m3(self) -> float:
        """Cold volume of the milk as measured."""
        return self.milk_kg / float(density_kg_m3(self.milk.parts, self.kitchen.milk_c))

    @cached_property
    def sugar_kg(self) -> float:
        return self.sugar.mass_kg(self.sugar_kind.bulk_kg_m3) if self.sugar else 0.0

    @cached_property
    def milk_parts(self) -> Composition:
        return self.milk.parts.scaled(self.milk_kg)

    @cached_property
    def sugar_parts(self) -> Composition:
        return self.sugar_kind.parts.scaled(self.sugar_kg)

    @cached_property
    def base_parts(self) -> Composition:
        """What goes on the fire: the milk and what enriches it from the start."""
        return together([self.milk_parts, *(a.parts for a in self.additions if not a.late)])

    @cached_property
    def base_kg(self) -> float:
        return float(self.base_parts.total)

    @cached_property
    def base_m3(self) -> float:
        """Cold volume of what goes on the fire, sugar not counted."""
        if self.base_parts == self.milk_parts:
            return self.milk_m3
        return float(volume_m3(self.base_parts, self.kitchen.milk_c))

    @cached_property
    def late_parts(self) -> Composition:
        """What still goes in once the stop is reached."""
        late = [a.parts for a in self.additions if a.late]
        return together([self.sugar_parts, *late] if self.sugar_time == "end" else [Composition(), *late])

    @cached_property
    def goal_parts(self) -> Composition:
        """What is in the pan when the stop is judged: sugar that goes in at the end is not yet there."""
        return self.base_parts if self.sugar_time == "end" else self.base_parts.plus(self.sugar_parts)

    @cached_property
    def all_parts(self) -> Composition:
        return self.goal_parts.plus(self.late_parts)

    @cached_property
    def milk_kg_sd(self) -> float:
        return self.milk_kg * self.amount.rel_sd

    @cached_property
    def solids_rel_sd(self) -> float:
        """Spread of the milk's solids: its label figures and the measuring of it."""
        return math.hypot(self.milk.total_solids_sd / float(self.milk.parts.total_solids), self.amount.rel_sd)


_OF_THE_MILK = frozenset(name for name, made in vars(ReducePlan).items() if isinstance(made, cached_property))
