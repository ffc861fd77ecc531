"""Where the cooking happens: height above the sea, warmth of the room and of the milk, the cook's cups."""

import math
from dataclasses import dataclass, field
from typing import Generic, TypeVar

from ..errors import BadInput
from ..properties.steam import pressure_at_altitude_pa
from .quantities import Measures

T = TypeVar("T")


@dataclass(frozen=True, slots=True)
class Kept(Generic[T]):
    """A thing of the kitchen with its number and version; what a pack of it holds (m³ of a milk, else kg)
    and costs, in the kitchen's money; ``base``: the material of the tables it was copied from."""

    id: int
    version: int
    thing: T
    pack: float | None = None
    price: float | None = None
    base: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Kitchen:
    """Surroundings of every batch. ``milk_c`` is how cold the milk is when measured and set on the fire."""

    altitude_m: float = 0.0
    room_c: float = 27.0
    milk_c: float = 10.0
    measures: Measures = field(default_factory=Measures)
    fridge_c: float = 4.0
    freezer_c: float = -18.0

    def __post_init__(self) -> None:
        for name, value, low, high, unit in (
            ("altitude", self.altitude_m, -400.0, 4500.0, "m"),
            ("room", self.room_c, 0.0, 50.0, "°C"),
            ("milk_c", self.milk_c, 0.0, 60.0, "°C"),
            ("fridge_c", self.fridge_c, -2.0, 15.0, "°C"),
            ("freezer_c", self.freezer_c, -40.0, 0.0, "°C"),
        ):
            if not (math.isfinite(value) and low <= value <= high):
                raise BadInput(name, "kitchen-number-out-of-reach", value=value, unit=unit, low=low, high=high)

    @property
    def pressure_pa(self) -> float:
        return pressure_at_altitude_pa(self.altitude_m)
