"""Pans: a shape, what it is made of, and its weight."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from ..composition.materials import read_table
from ..errors import BadInput
from .measured import Measured
from .vessels import Flared, Kadhai, Straight

AnyShape = Straight | Flared | Kadhai | Measured
PanMaterial = Literal["stainless-sandwich", "stainless-thin", "aluminium", "non-stick", "iron", "brass", "enamel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class PanMaterialRow:
    """What a pan is made of: specific heat J/kg K, how uneven its heat is, how much milk sticks to it."""

    key: str
    name: str
    heat_capacity_j_kg_k: float
    hot_spot: float
    stick: float
    source: str


PAN_MATERIALS: Mapping[str, PanMaterialRow] = {
    key: PanMaterialRow(key=key, **row) for key, row in read_table("pans.toml").items()
}


@dataclass(frozen=True)
class Pan:
    """One pan of this kitchen: its inside shape, what it is made of and its weight."""

    name: str
    shape: AnyShape
    material: PanMaterial = "stainless-sandwich"
    mass_kg: float = 1.2

    def __post_init__(self) -> None:
        if self.material not in PAN_MATERIALS:
            known = ", ".join(PAN_MATERIALS)
            raise BadInput("material", "no-pan-material", material=self.material, known=known)
        if not 0.05 <= self.mass_kg <= 30:
            raise BadInput("mass", "pan-mass-unlikely", mass_kg=self.mass_kg)

    @property
    def made_of(self) -> PanMaterialRow:
        return PAN_MATERIALS[self.material]

    @property
    def heat_capacity_j_k(self) -> float:
        return self.mass_kg * self.made_of.heat_capacity_j_kg_k
