"""A kilogram of something on its way to a sweet, with the whole account of what it took.

Every operation of the formula language turns one ``Stuff`` into another and keeps the books: what was bought
equals what is there, what boiled off and what was left behind (whey, syrup, what clung to the pan). Sweets
dossier §2, F33 and F35-F37.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace

from ...composition.composition import Composition
from ...composition.materials import Material
from ...properties.density import density_kg_m3
from ..caramel.plan import KEEPS


@dataclass(frozen=True, slots=True, kw_only=True)
class Thing:
    """Something that can be bought: what it is made of per kg, and what a filled measure of it weighs.

    ``added_sugar``: sugar that counts as added, kg per kg. ``unpeeled``: kg to buy for a kg that goes in.
    """

    key: str
    name: str
    parts: Composition
    bulk_kg_m3: float = 1000.0
    added_sugar: float = 0.0
    allergens: tuple[str, ...] = ()
    group: str = "milk"
    solids_sd: float = 0.0
    fat_sd: float = 0.0
    material: Material | None = None

    @classmethod
    def of(cls, material: Material) -> "Thing":
        return cls(
            key=material.key,
            name=material.name,
            parts=material.parts,
            bulk_kg_m3=_poured_kg_m3(material),
            added_sugar=CARAMEL_ADDED if material.key == "caramel" else material.added_sugar,
            allergens=material.allergens,
            group=material.group,
            solids_sd=material.total_solids_sd,
            fat_sd=material.fat_sd,
            material=material,
        )

    @property
    def milk(self) -> bool:
        return self.group in ("milk", "plant")


POURED_C = 10.0
"""Milk is measured cold, out of the fridge, °C."""


def _poured_kg_m3(material: Material) -> float:
    """What a filled measure weighs, kg/m³: of a milk by its parts, as the Bench measures it."""
    if material.group in ("milk", "plant"):
        return float(density_kg_m3(material.parts, POURED_C))
    return material.bulk_kg_m3


CARAMEL_ADDED = 0.90
"""Of caramel, what counts as added sugar."""


@dataclass(frozen=True, slots=True)
class Boil:
    """Water to drive off on the fire: ``start_kg`` in, from one share of solids to another; ``of`` which base, or
    "cook". ``start``: make-up at the start, per kg."""

    of: str
    start_kg: float
    from_solids: float
    to_solids: float
    start: Composition = field(default_factory=Composition)

    @property
    def end_kg(self) -> float:
        return self.start_kg * self.from_solids / self.to_solids


@dataclass(frozen=True, slots=True, kw_only=True)
class Stuff:
    """One kilogram, what was bought for it (kg by key), and where the rest went (kg)."""

    parts: Composition
    bought: Mapping[str, float] = field(default_factory=dict)
    steam_kg: float = 0.0
    left_kg: float = 0.0
    added_sugar: float = 0.0
    boils: tuple[Boil, ...] = ()

    @classmethod
    def bare(cls, thing: Thing) -> "Stuff":
        if thing.key == "caramel":
            sugar = 1 / KEEPS
            return cls(
                parts=thing.parts, bought={"white-sugar": sugar}, steam_kg=sugar - 1, added_sugar=thing.added_sugar
            )
        return cls(parts=thing.parts, bought={thing.key: 1.0}, added_sugar=thing.added_sugar)

    @property
    def missing_kg(self) -> float:
        """Bought less found: zero when the account closes."""
        return sum(self.bought.values()) - (1 + self.steam_kg + self.left_kg)

    def per(self, kept: float) -> "Stuff":
        """The same account for a kilogram of what is left when ``kept`` of this one stays."""
        return Stuff(
            parts=self.parts,
            bought={key: kg / kept for key, kg in self.bought.items()},
            steam_kg=self.steam_kg / kept,
            left_kg=self.left_kg / kept,
            added_sugar=self.added_sugar / kept,
            boils=tuple(replace(b, start_kg=b.start_kg / kept) for b in self.boils),
        )


def blend(things: Iterable[tuple[Stuff, float]]) -> tuple[float, Stuff]:
    """All of them in one bowl: kg, and the blend per kg."""
    pairs = [(stuff, kg) for stuff, kg in things if kg > 0]
    total = sum(kg for _, kg in pairs)
    bought: dict[str, float] = {}
    parts = Composition()
    steam = left = added = 0.0
    boils: list[Boil] = []
    for stuff, kg in pairs:
        share = kg / total
        parts = parts.plus(stuff.parts.scaled(share))
        for key, mass in stuff.bought.items():
            bought[key] = bought.get(key, 0.0) + mass * share
        steam += stuff.steam_kg * share
        left += stuff.left_kg * share
        added += stuff.added_sugar * share
        boils += [replace(b, start_kg=b.start_kg * share) for b in stuff.boils]
    return total, Stuff(
        parts=parts, bought=bought, steam_kg=steam, left_kg=left, added_sugar=added, boils=tuple(boils)
    )


def boiled_down(stuff: Stuff, to_solids: float, of: str) -> Stuff:
    """Water boiled off until so much of it is solids; unchanged when it is that thick already (F33).

    >>> thick = boiled_down(Stuff(parts=Composition(water=0.85, fat=0.15), bought={"milk": 1.0}), 0.30, "milk")
    >>> round(thick.bought["milk"], 9), round(thick.steam_kg, 9), abs(thick.missing_kg) < 1e-12
    (2.0, 1.0, True)
    """
    solids = stuff.parts.total_solids
    kept = solids / to_solids
    if kept >= 1:
        return stuff
    gone = 1 - kept
    parts = replace(stuff.parts, water=stuff.parts.water - gone).scaled(1 / kept)
    rest = stuff.per(kept)
    return replace(
        rest,
        parts=parts,
        steam_kg=rest.steam_kg + gone / kept,
        boils=(*rest.boils, Boil(of, 1 / kept, solids, to_solids, stuff.parts)),
    )


def fried(stuff: Stuff, loses: float, takes: float) -> Stuff:
    """In hot fat: ``loses`` of its mass as water, ``takes`` up fat (F36)."""
    loses = min(loses, stuff.parts.water)
    kept = 1 - loses + takes
    parts = replace(stuff.parts, water=stuff.parts.water - loses, fat=stuff.parts.fat + takes)
    rest = stuff.per(kept)
    return replace(
        rest,
        parts=parts.scaled(1 / kept),
        bought=dict(rest.bought) | {"oil": rest.bought.get("oil", 0.0) + takes / kept},
        steam_kg=rest.steam_kg + loses / kept,
    )


@dataclass(frozen=True, slots=True)
class Soaked:
    """What a soak in syrup comes to. Shares of sugar in sugar + water, kg per kg of pieces."""

    equilibrium: float
    in_piece: float
    left_kg: float
    left_brix: float


def soaked(stuff: Stuff, brix: float, gain: float, ratio: float, reach: float) -> tuple[Stuff, Soaked]:
    """Pieces in ``ratio`` times their mass of syrup: they gain ``gain`` of their mass and come ``reach`` of the
    way to the common strength (F37). ``brix`` and the answer's strengths are mass shares, 0 to 1.
    """
    parts = stuff.parts
    watery = parts.water + parts.sucrose
    own = parts.sucrose / watery
    sugar, water = ratio * brix + parts.sucrose, ratio * (1 - brix) + parts.water
    equal = sugar / (sugar + water)
    strength = own + reach * (equal - own)
    in_sugar = strength * (watery + gain)
    kept = 1 + gain
    rest = stuff.per(kept)
    left = ratio - gain
    bought = dict(rest.bought)
    for key, kg in (("white-sugar", ratio * brix), ("water", ratio * (1 - brix))):
        bought[key] = bought.get(key, 0.0) + kg / kept
    made = replace(
        rest,
        parts=replace(parts, sucrose=in_sugar, water=(1 - strength) * (watery + gain)).scaled(1 / kept),
        bought=bought,
        added_sugar=(stuff.added_sugar + max(0.0, in_sugar - parts.sucrose)) / kept,
        left_kg=rest.left_kg + left / kept,
    )
    return made, Soaked(equal, strength, left, (sugar - in_sugar) / left)


def handled(stuff: Stuff, loss: float) -> Stuff:
    """What pan, spoon and trimming keep: the make-up stays, the account grows."""
    rest = stuff.per(1 - loss)
    return replace(rest, parts=stuff.parts, added_sugar=stuff.added_sugar, left_kg=rest.left_kg + loss / (1 - loss))
