"""JSON of pans: shapes by their inside measures or by pouring, and what is needed to draw them."""

from dataclasses import asdict
from typing import Annotated, Any, Literal

from pydantic import Field

from ..core.equipment.measured import Measured
from ..core.equipment.pans import PAN_MATERIALS, Pan, PanMaterial
from ..core.equipment.vessels import Flared, Kadhai, Straight, capacity_m3, outline
from .model import Body, Choice, Name, Out, Version


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


class Pair(Body):
    """So deep with so much water in it, all of it counted."""

    depth_m: float
    volume_m3: float


class MeasuredShape(Body):
    """A pan fitted to water poured in, shallowest first; inside height up to the rim, m."""

    kind: Literal["measured"]
    pairs: list[Pair] = Field(min_length=2, max_length=20)
    height_m: float

    def shape(self) -> Measured:
        return Measured(tuple((p.depth_m, p.volume_m3) for p in self.pairs), self.height_m)


ShapeIn = Annotated[StraightShape | FlaredShape | KadhaiShape | MeasuredShape, Field(discriminator="kind")]


class PanIn(Body):
    name: Name
    shape: ShapeIn
    material: PanMaterial = "stainless-sandwich"
    mass_kg: float = Field(1.2, description="Weight of the empty pan, kg")

    def pan(self) -> Pan:
        return Pan(self.name.strip(), self.shape.shape(), self.material, self.mass_kg)


class PanChange(PanIn):
    version: Version


class PanOut(Out):
    """A pan and what is needed to draw it: its outline as (radius, height) pairs from the base up, m."""

    id: int | None
    version: int
    name: str
    kind: str
    shape: dict[str, Any]
    material: str
    made_of: str
    mass_kg: float
    height_m: float
    capacity_m3: float
    outline_m: list[list[float]]
    off_m: list[float] = Field(description="Known by pouring: how far each pair lies from the fitted pan, m deep")
    odd_pair: int | None = Field(description="The pair, from 0, that does not belong to the others")

    @classmethod
    def of(cls, id: int | None, pan: Pan, version: int = 1) -> "PanOut":
        shape = pan.shape
        return cls(
            id=id,
            version=version,
            name=pan.name,
            kind=type(shape).__name__.lower(),
            shape=asdict(shape),
            material=pan.material,
            made_of=pan.made_of.name,
            mass_kg=pan.mass_kg,
            height_m=shape.height_m,
            capacity_m3=capacity_m3(shape),
            outline_m=[[round(r, 5), round(h, 5)] for r, h in outline(shape)],
            off_m=[round(off, 5) for off in shape.fit.off_m] if isinstance(shape, Measured) else [],
            odd_pair=shape.odd_pair if isinstance(shape, Measured) else None,
        )


def pan_materials() -> list[Choice]:
    return [Choice(key=row.key, name=row.name) for row in PAN_MATERIALS.values()]
