"""JSON of the Larder: kitchen, milks, pans, burners."""

from typing import Annotated, Literal

from pydantic import Field

from ..core.heat import BURNER_KINDS, Burner
from ..core.kitchen import Kitchen
from ..core.materials.library import Material, materials, own_milk
from ..core.quantities import Measures
from ..core.vessels import PAN_MATERIALS, Flared, Kadhai, Pan, PanMaterial, Straight, capacity_m3, outline
from .model import Body, Out

Name = Annotated[str, Field(min_length=1, max_length=60, pattern=r"\S")]
BurnerKindKey = Literal["lpg-large", "lpg-small", "induction", "electric"]


class StraightShape(Body):
    """Straight walls: inside width and height, m."""

    kind: Literal["straight"]
    diameter_m: float
    height_m: float

    def shape(self) -> Straight:
        return Straight(self.diameter_m, self.height_m)


class FlaredShape(Body):
    """Walls that widen evenly: inside width at base and top, height, m."""

    kind: Literal["flared"]
    base_diameter_m: float
    top_diameter_m: float
    height_m: float

    def shape(self) -> Flared:
        return Flared(self.base_diameter_m, self.top_diameter_m, self.height_m)


class KadhaiShape(Body):
    """A round bottom with a flared wall above: widths and heights, m; 0 for what it has not."""

    kind: Literal["kadhai"]
    rim_diameter_m: float
    bowl_depth_m: float
    top_diameter_m: float = 0.0
    wall_height_m: float = 0.0
    flat_diameter_m: float = 0.0

    def shape(self) -> Kadhai:
        return Kadhai(
            self.rim_diameter_m,
            self.bowl_depth_m,
            self.top_diameter_m,
            self.wall_height_m,
            self.flat_diameter_m,
        )


ShapeIn = Annotated[StraightShape | FlaredShape | KadhaiShape, Field(discriminator="kind")]


class PanIn(Body):
    name: Name
    shape: ShapeIn
    material: PanMaterial = "stainless-sandwich"
    mass_kg: float = Field(1.2, description="Weight of the empty pan, kg")

    def pan(self) -> Pan:
        return Pan(self.name.strip(), self.shape.shape(), self.material, self.mass_kg)


class MilkIn(Body):
    """A milk as its label says, g per 100 g."""

    name: Name = "own milk"
    fat_pct: float
    snf_pct: float
    species: Literal["cow", "buffalo"] = "cow"

    def milk(self) -> Material:
        return own_milk("own", self.name.strip(), self.fat_pct, self.snf_pct, self.species)


class BurnerIn(Body):
    name: Name = "burner"
    kind: BurnerKindKey = "lpg-large"
    strength: float = Field(1.0, description="Multiplier of the kind's usual power")

    def burner(self) -> Burner:
        return Burner(self.name.strip(), self.kind, self.strength)


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

    def kitchen(self) -> Kitchen:
        ml = (self.cup_ml, self.glass_ml, self.katori_ml, self.tablespoon_ml, self.teaspoon_ml)
        return Kitchen(self.altitude_m, self.room_c, self.milk_c, Measures(*(x * 1e-6 for x in ml)))


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

    @classmethod
    def of(cls, name: str, kitchen: Kitchen) -> "KitchenOut":
        from ..core.heat import saturation_temperature_c

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
        )


class MilkOut(Out):
    id: int
    name: str
    species: str
    fat_pct: float
    snf_pct: float
    total_solids_pct: float
    density_kg_m3: float
    spread: str

    @classmethod
    def of(cls, id: int, milk: Material) -> "MilkOut":
        from ..core.materials.density import density_kg_m3

        return cls(
            id=id,
            name=milk.name,
            species=milk.species,
            fat_pct=round(float(milk.parts.fat) * 100, 2),
            snf_pct=round(float(milk.parts.msnf) * 100, 2),
            total_solids_pct=round(float(milk.parts.total_solids) * 100, 2),
            density_kg_m3=round(float(density_kg_m3(milk.parts, 20.0)), 1),
            spread=milk.confidence,
        )


class MilkKind(Out):
    """A milk of the tables, to start one's own from."""

    key: str
    name: str
    species: str
    fat_pct: float
    snf_pct: float


class PanOut(Out):
    """A pan and what is needed to draw it: its outline as (radius, height) pairs from the base up, m."""

    id: int | None
    name: str
    kind: str
    material: str
    made_of: str
    mass_kg: float
    height_m: float
    capacity_m3: float
    outline_m: list[list[float]]

    @classmethod
    def of(cls, id: int | None, pan: Pan) -> "PanOut":
        shape = pan.shape
        return cls(
            id=id,
            name=pan.name,
            kind=type(shape).__name__.lower(),
            material=pan.material,
            made_of=pan.made_of.name,
            mass_kg=pan.mass_kg,
            height_m=shape.height_m,
            capacity_m3=capacity_m3(shape),
            outline_m=[[round(r, 5), round(h, 5)] for r, h in outline(shape)],
        )


class BurnerOut(Out):
    id: int
    name: str
    kind: str
    kind_name: str

    @classmethod
    def of(cls, id: int, burner: Burner) -> "BurnerOut":
        return cls(id=id, name=burner.name, kind=burner.kind, kind_name=BURNER_KINDS[burner.kind].name)


class Choice(Out):
    key: str
    name: str


class LarderOut(Out):
    kitchen: KitchenOut
    milks: list[MilkOut]
    pans: list[PanOut]
    burners: list[BurnerOut]
    milk_kinds: list[MilkKind]
    pan_materials: list[Choice]


def milk_kinds() -> list[MilkKind]:
    """Milks of the tables that one pours: not cans, powders or sugars."""
    return [
        MilkKind(
            key=m.key,
            name=m.name,
            species=m.species,
            fat_pct=round(float(m.parts.fat) * 100, 2),
            snf_pct=round(float(m.parts.msnf) * 100, 2),
        )
        for m in materials().values()
        if float(m.parts.water) > 0.8
    ]


def pan_materials() -> list[Choice]:
    return [Choice(key=row.key, name=row.name) for row in PAN_MATERIALS.values()]
