"""JSON of the Larder: kitchen, milks, pans, burners."""

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from ..core.composition.materials import Material, Species, materials, own_material, own_milk
from ..core.equipment.burners import BURNER_KINDS, Burner
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.quantities import Measures
from ..core.properties.density import density_kg_m3
from ..core.properties.steam import saturation_temperature_c
from ..core.ranges import Range
from .model import Body, Choice, Name, Out, Version
from .pans import PanOut

BurnerKindKey = Literal["lpg-large", "lpg-small", "induction", "electric"]


Price = Annotated[float, Field(gt=0, le=1e6)]


class MilkIn(Body):
    """A milk as its label says, g per 100 g. For coconut milk "SNF" is its other solids."""

    name: Name = "own milk"
    fat_pct: float
    snf_pct: float
    species: Species = "cow"
    homogenised: bool = False
    uht: bool = False
    snf_sd_pct: float | None = Field(None, gt=0, le=2, description="Spread of SNF, when a lactometer gave it")
    pack_ml: float | None = Field(None, ge=50, le=50_000)
    price: Price | None = Field(None, description="Of one pack, in the kitchen's money")

    def milk(self) -> Material:
        flags = tuple(flag for flag in ("homogenised", "uht") if getattr(self, flag))
        milk = own_milk("own", self.name.strip(), self.fat_pct, self.snf_pct, self.species, flags=flags)
        return milk if self.snf_sd_pct is None else replace(milk, snf_sd=self.snf_sd_pct / 100)

    @property
    def pack_m3(self) -> float | None:
        return None if self.pack_ml is None else self.pack_ml * 1e-6


class MilkChange(MilkIn):
    version: Version


class BurnerIn(Body):
    name: Name = "burner"
    kind: BurnerKindKey = "lpg-large"
    strength: float = Field(1.0, description="Multiplier of the kind's usual power")
    ln_sd: float | None = Field(None, ge=0.01, le=0.35, description="How well it is known, once timed")

    def burner(self) -> Burner:
        return Burner(self.name.strip(), self.kind, self.strength, self.ln_sd)


class BurnerChange(BurnerIn):
    version: Version


class IngredientIn(Body):
    """The cook's own copy of a material of the tables."""

    name: Name
    base: str = Field(max_length=40, description="Key of the material in the tables")
    fat_pct: float | None = None
    snf_pct: float | None = None
    sugar_pct: float | None = None
    bulk_g_ml: float | None = Field(None, description="What a level cup weighs, g per ml")
    pack_g: float | None = Field(None, ge=1, le=50_000)
    price: Price | None = None

    def own(self) -> Material:
        bulk = None if self.bulk_g_ml is None else self.bulk_g_ml * 1e3
        return own_material("own", self.name.strip(), self.base, self.fat_pct, self.snf_pct, self.sugar_pct, bulk)

    @property
    def pack_kg(self) -> float | None:
        return None if self.pack_g is None else self.pack_g * 1e-3


class IngredientChange(IngredientIn):
    version: Version


class KitchenIn(Body):
    """Where it is and what its cups hold. Volumes in ml, as they are measured."""

    name: Name = "my kitchen"
    altitude_m: float = 0.0
    room_c: float = 27.0
    milk_c: float = Field(10.0, description="Milk when measured and set on the fire, °C")
    cup_ml: float = 250.0
    glass_ml: float = 200.0
    katori_ml: float = 150.0
    tablespoon_ml: float = 15.0
    teaspoon_ml: float = 5.0
    fridge_c: float = 4.0
    freezer_c: float = -18.0
    currency: str = Field(
        "", max_length=8, description="Code of the money of all prices, ISO 4217; as it was when empty"
    )
    version: Version | None = None

    def kitchen(self) -> Kitchen:
        ml = (self.cup_ml, self.glass_ml, self.katori_ml, self.tablespoon_ml, self.teaspoon_ml)
        measures = Measures(*(x * 1e-6 for x in ml))
        return Kitchen(
            altitude_m=self.altitude_m,
            room_c=self.room_c,
            milk_c=self.milk_c,
            measures=measures,
            fridge_c=self.fridge_c,
            freezer_c=self.freezer_c,
        )


class KitchenOut(Out):
    name: str
    altitude_m: float
    boils_water_c: float
    room_c: float
    milk_c: float
    cup_ml: float
    glass_ml: float
    katori_ml: float
    tablespoon_ml: float
    teaspoon_ml: float
    fridge_c: float
    freezer_c: float
    currency: str
    version: int

    @classmethod
    def of(cls, name: str, kitchen: Kitchen, version: int, currency: str) -> "KitchenOut":
        m = kitchen.measures
        return cls(
            name=name,
            altitude_m=kitchen.altitude_m,
            boils_water_c=round(float(saturation_temperature_c(kitchen.pressure_pa)), 1),
            room_c=kitchen.room_c,
            milk_c=kitchen.milk_c,
            cup_ml=round(m.cup_m3 * 1e6, 3),
            glass_ml=round(m.glass_m3 * 1e6, 3),
            katori_ml=round(m.katori_m3 * 1e6, 3),
            tablespoon_ml=round(m.tablespoon_m3 * 1e6, 3),
            teaspoon_ml=round(m.teaspoon_m3 * 1e6, 3),
            fridge_c=kitchen.fridge_c,
            freezer_c=kitchen.freezer_c,
            currency=currency,
            version=version,
        )


class MilkOut(Out):
    id: int
    version: int
    name: str
    species: str
    fat_pct: float
    snf_pct: float
    total_solids_pct: float
    density_kg_m3: float
    spread: str
    homogenised: bool
    uht: bool
    pack_ml: float | None
    price: float | None

    @classmethod
    def of(cls, kept: Kept[Material]) -> "MilkOut":
        milk = kept.thing
        return cls(
            id=kept.id,
            version=kept.version,
            name=milk.name,
            species=milk.species,
            fat_pct=round(float(milk.parts.fat) * 100, 2),
            snf_pct=round(float(milk.parts.total_solids - milk.parts.fat) * 100, 2),
            total_solids_pct=round(float(milk.parts.total_solids) * 100, 2),
            density_kg_m3=round(float(density_kg_m3(milk.parts, 20.0)), 1),
            spread=milk.confidence,
            homogenised="homogenised" in milk.flags,
            uht="uht" in milk.flags,
            pack_ml=None if kept.pack is None else round(kept.pack * 1e6, 1),
            price=kept.price,
        )


class MaterialOut(Out):
    """A row of the tables, or the cook's own copy: parts in g per 100 g."""

    key: str
    name: str
    group: str
    parts_pct: dict[str, float]
    free_sugars_pct: float = Field(description="Sucrose, glucose and fructose")
    total_solids_pct: float
    bulk_g_ml: float
    bulk_sd: float
    flags: list[str]
    allergens: list[str]
    ph: float | None
    note: str
    source: str
    confidence: str

    @classmethod
    def of(cls, m: Material) -> "MaterialOut":
        return cls(
            key=m.key,
            name=m.name,
            group=m.group,
            parts_pct={name: round(float(mass) * 100, 2) for name, mass in m.parts.items()},
            free_sugars_pct=round(float(m.parts.free_sugars) * 100, 2),
            total_solids_pct=round(float(m.parts.total_solids) * 100, 2),
            bulk_g_ml=round(m.bulk_kg_m3 / 1e3, 3),
            bulk_sd=m.bulk_sd,
            flags=list(m.flags),
            allergens=list(m.allergens),
            ph=m.ph,
            note=m.note,
            source=m.source,
            confidence=m.confidence,
        )


class IngredientOut(Out):
    """One of the cook's own ingredients."""

    id: int
    version: int
    base: str
    material: MaterialOut
    pack_g: float | None
    price: float | None

    @classmethod
    def of(cls, kept: Kept[Material]) -> "IngredientOut":
        return cls(
            id=kept.id,
            version=kept.version,
            base=kept.base,
            material=MaterialOut.of(kept.thing),
            pack_g=None if kept.pack is None else round(kept.pack * 1e3, 2),
            price=kept.price,
        )


class MilkKind(Out):
    """A milk of the tables, to start one's own from."""

    key: str
    name: str
    species: str
    fat_pct: float
    snf_pct: float


class BurnerOut(Out):
    """``strong_w``: heat that reaches the milk on a strong flame in a 24 cm pan, W, 80 % range."""

    id: int
    version: int
    name: str
    kind: str
    kind_name: str
    strength: float
    ln_sd: float | None
    strong_w: Range

    @classmethod
    def of(cls, kept: Kept[Burner]) -> "BurnerOut":
        burner = kept.thing
        return cls(
            id=kept.id,
            version=kept.version,
            name=burner.name,
            kind=burner.kind,
            kind_name=BURNER_KINDS[burner.kind].name,
            strength=burner.strength,
            ln_sd=burner.ln_sd,
            strong_w=Range.lognormal(burner.net_power_w("strong", 0.24), burner.first_guess_sd("strong")),
        )


class LarderOut(Out):
    kitchen: KitchenOut
    milks: list[MilkOut]
    pans: list[PanOut]
    burners: list[BurnerOut]
    ingredients: list[IngredientOut]
    sugars: list[Choice]
    enrichers: list[Choice]
    burner_kinds: list[Choice]
    milk_kinds: list[MilkKind]
    pan_materials: list[Choice]
    untouched: bool = Field(description="All of it is as a new kitchen has it, and nothing was ever begun")
    aside: list[str] = Field(description="Names of things that are damaged in the file and cannot be read")


def milk_kinds() -> list[MilkKind]:
    """Milks of the tables that one pours: not cans, powders or sugars."""
    return [
        MilkKind(
            key=m.key,
            name=m.name,
            species=m.species,
            fat_pct=round(float(m.parts.fat) * 100, 2),
            snf_pct=round(float(m.parts.total_solids - m.parts.fat) * 100, 2),
        )
        for m in materials().values()
        if m.group == "milk" or (m.group == "plant" and m.key == "coconut")
    ]


def burner_kinds() -> list[Choice]:
    return [Choice(key=key, name=row.name) for key, row in BURNER_KINDS.items()]


def sugars() -> list[Choice]:
    return [Choice(key=m.key, name=m.name) for m in materials().values() if m.group == "sugar"]


THICKENERS = ("corn-starch", "rice", "vermicelli", "fox-nut")


def enrichers() -> list[Choice]:
    """What milk is enriched with."""
    fitting = ("powder", "cream", "concentrate", "cheese", "khoya")
    return [Choice(key=m.key, name=m.name) for m in materials().values() if m.group in fitting or m.key in THICKENERS]
