"""Milks and sugars by name: the tables in ``*.toml``, checked when they are loaded.

A milk known only by its label, fat F and solids-not-fat S, gets its parts from the split of the
species' own solids (reduction dossier §1, composition tables of De 1980 and Walstra et al. 2006).
"""

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cache
from importlib.resources import files
from typing import Any, Literal, get_args

from ..errors import BadInput
from .composition import Composition

Species = Literal["cow", "buffalo", "coconut"]
"""Whose milk: it decides how the solids that are not fat divide."""
Group = Literal[
    "milk", "plant", "concentrate", "powder", "cream", "yoghurt", "cheese", "khoya",
    "sugar", "starch", "fruit", "vegetable", "nut", "spice", "fat", "water",
]  # fmt: skip
GROUPS: tuple[Group, ...] = get_args(Group)

SNF_SPLIT: Mapping[Species, Composition] = {
    "cow": Composition(casein=2.55, whey=0.60, lactose=4.55, milk_ash=0.72, npn=0.14, citrates=0.16),
    "buffalo": Composition(casein=3.30, whey=0.65, lactose=4.70, milk_ash=0.79, npn=0.12, citrates=0.17),
    "coconut": Composition(
        plant_protein=2.2,
        sucrose=1.7,
        glucose=0.4,
        fructose=0.4,
        carbohydrate=0.9,
        fibre=0.3,
        plant_ash=0.7,
        acid=0.1,
    ),
}
"""How a species' solids-not-fat divide, g per 100 g of its typical milk."""


def dairy(fat: float, snf: float, species: Species = "cow", sucrose: float = 0.0) -> Composition:
    """Composition per kg of a dairy liquid or solid known by its label.

    :param fat: fat, g per 100 g, 0 to 100.
    :param snf: solids not fat, g per 100 g, 0 to 100.
    :param sucrose: added sugar, g per 100 g.
    :raises BadInput: when the three leave no room for water.

    >>> round(dairy(4.1, 8.72).total_solids * 100, 2)
    12.82
    """
    water = 100.0 - fat - snf - sucrose
    if min(fat, snf, sucrose) < 0 or not water > 0:
        raise BadInput("fat", "fat-and-snf-too-much")
    split = SNF_SPLIT[species]
    solids = split.scaled(snf / split.total)
    return solids.plus(Composition(water=water, fat=fat, sucrose=sucrose)).scaled(0.01)


LABEL_SD = 0.0015
"""Spread of a label's fat and of its SNF, kg per kg, 1 sd."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Material:
    """One row of the tables, or a cook's own milk.

    ``parts`` are kg per kg; ``fat_sd`` and ``snf_sd`` the spread of its label figures in kg per kg (1 sd);
    ``bulk_kg_m3`` what a filled cup of it weighs (as poured or spooned, not as dissolved).
    """

    key: str
    name: str
    parts: Composition
    bulk_kg_m3: float
    fat_sd: float
    snf_sd: float
    source: str
    confidence: str
    species: Species = "cow"
    note: str = ""
    group: Group = "milk"
    flags: tuple[str, ...] = ()
    allergens: tuple[str, ...] = ()
    ph: float | None = None
    bulk_sd: float = 0.03

    @property
    def added_sugar(self) -> float:
        """Sugar that counts as added, kg per kg: of sugars and of sweetened cans; not a fruit's or milk's own."""
        if self.group not in ("sugar", "concentrate"):
            return 0.0
        return float(self.parts.free_sugars)

    @property
    def total_solids_sd(self) -> float:
        """1 sd of total solids, kg per kg; fat and SNF vary apart."""
        return float((self.fat_sd**2 + self.snf_sd**2) ** 0.5)


def own_milk(
    key: str,
    name: str,
    fat: float,
    snf: float,
    species: Species,
    label_sd: float = LABEL_SD * 100,
    flags: tuple[str, ...] = (),
) -> Material:
    """A milk as the cook reads it off the label (g per 100 g), spread ``label_sd`` for fat and for SNF.

    For coconut milk "SNF" is its other solids.

    :raises BadInput: naming the figure, when it cannot be a milk (fat 0-12, SNF 4-15; coconut 2-35, 1-15).
    """
    plant = species == "coconut"
    fats, solids = ((2.0, 35.0), (1.0, 15.0)) if plant else ((0.0, 12.0), (4.0, 15.0))
    for field, value, low, high in (("fat", fat, *fats), ("snf", snf, *solids)):
        if not low <= value <= high:
            raise BadInput(
                field,
                "label-not-of-milk",
                of=field,
                value=value,
                low=low,
                high=high,
            )
    return Material(
        key=key,
        name=name,
        parts=dairy(fat, snf, species),
        bulk_kg_m3=1030.0,
        fat_sd=label_sd / 100,
        snf_sd=label_sd / 100,
        source="the label, as entered",
        confidence="class label: ±0.15",
        species=species,
        group="plant" if plant else "milk",
        flags=(*flags, "plant") if plant else flags,
        allergens=("coconut",) if plant else ("milk",),
    )


def _material(key: str, row: Mapping[str, Any]) -> Material:
    label = row.get("label")
    if label:
        parts = dairy(label["fat"], label["snf"], row.get("species", "cow"), label.get("sucrose", 0.0))
    else:
        solids = Composition(**row["parts"])
        parts = solids.with_water(100.0 - solids.total).scaled(0.01)
    if row["group"] not in GROUPS:
        raise ValueError(f"material {key}: no group {row['group']}")
    if abs(parts.total - 1.0) > 1e-12 or min(mass for _, mass in parts.items()) < 0:
        raise ValueError(f"material {key}: the parts do not add up to 100")
    return Material(
        key=key,
        name=row["name"],
        parts=parts,
        bulk_kg_m3=row["bulk_g_ml"] * 1e3,
        fat_sd=row.get("fat_sd", 0.0) / 100,
        snf_sd=row.get("snf_sd", 0.0) / 100,
        source=row["source"],
        confidence=row["confidence"],
        species=row.get("species", "cow"),
        note=row.get("note", ""),
        group=row["group"],
        flags=tuple(row.get("flags", ())),
        allergens=tuple(row.get("allergens", ("milk",) if row["group"] in ("milk", "concentrate") else ())),
        ph=row.get("ph"),
        bulk_sd=row.get("bulk_sd", 0.03),
    )


def read_table(name: str) -> dict[str, Any]:
    """One of the core's own TOML tables."""
    return tomllib.loads((files("mulvek.core") / "data" / name).read_text(encoding="utf-8"))


@cache
def materials() -> Mapping[str, Material]:
    """All materials by key, in the order of the table."""
    return {key: _material(key, row) for key, row in read_table("materials.toml").items()}


def material(key: str, field: str = "milk") -> Material:
    """One material of the tables.

    :raises BadInput: when there is none of that name, listing those there are.
    """
    try:
        return materials()[key]
    except KeyError:
        known = ", ".join(materials())
        raise BadInput(field, "no-such-material", key=key, known=known) from None


def own_material(
    key: str,
    name: str,
    base: str,
    fat: float | None = None,
    snf: float | None = None,
    sugar: float | None = None,
    bulk_kg_m3: float | None = None,
) -> Material:
    """The cook's own copy of a material of the tables, with what its label says instead (g per 100 g).

    :raises BadInput: when the base is unknown or the label leaves no room for the rest.
    """
    start = material(base)
    parts = start.parts
    if (fat, snf, sugar) != (None, None, None):
        if not set(start.allergens) & {"milk"}:
            raise BadInput("fat", "label-only-for-milk", name=name)
        fat = float(parts.fat) * 100 if fat is None else fat
        snf = float(parts.msnf + parts.acid) * 100 if snf is None else snf
        sugar = float(parts.sucrose) * 100 if sugar is None else sugar
        for field, value in (("fat", fat), ("snf", snf), ("sugar", sugar)):
            if not 0 <= value <= 100:
                raise BadInput(field, "label-share-impossible", value=value)
        if snf < 0.1 and fat < 99:
            raise BadInput("snf", "snf-of-solids")
        parts = dairy(fat, snf, start.species, sugar)
        if start.group == "yoghurt":
            parts = replace(parts, citrates=0.0, acid=parts.citrates)
    bulk = start.bulk_kg_m3 if bulk_kg_m3 is None else bulk_kg_m3
    if not 20 <= bulk <= 2000:
        raise BadInput("bulk", "bulk-density-unlikely", bulk=bulk)
    return replace(start, key=key, name=name, parts=parts, bulk_kg_m3=bulk, source="your own copy: " + start.source)
