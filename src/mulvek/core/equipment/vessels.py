"""Pan shapes: depth ↔ volume ↔ surface, exact both ways, and the outline they are drawn from.

Depths are measured at the deepest point, upright. Formulas: reduction dossier §5 (cylinder, frustum and
spherical cap from solid geometry; inverses by cube root and by the cosine form of the cubic).
All functions take floats or arrays; a depth or volume outside the pan is the caller's error to prevent.
"""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Protocol

import numpy as np

from ..composition.composition import Number
from ..errors import BadInput

FLAME_DISC_M = 0.20
"""Width of a burner's flame, which bounds how much of a round bottom it heats (estimate)."""


class Shape(Protocol):
    """What every pan can tell of its inside. m, m² and m³."""

    @property
    def height_m(self) -> float: ...
    @property
    def base_diameter_m(self) -> float: ...
    def volume_m3(self, depth_m: Number) -> Number: ...
    def depth_m(self, volume_m3: Number) -> Number: ...
    def radius_m(self, depth_m: Number) -> Number: ...
    def wetted_m2(self, depth_m: Number) -> Number: ...
    def heated_m2(self, depth_m: Number) -> Number: ...


def capacity_m3(shape: Shape) -> float:
    """Brimful volume, m³."""
    return float(shape.volume_m3(shape.height_m))


def surface_m2(shape: Shape, depth_m: Number) -> Number:
    """Free surface at a depth, m²."""
    return math.pi * shape.radius_m(depth_m) ** 2


def outline(shape: Shape, points: int = 48) -> list[tuple[float, float]]:
    """(radius, height) of the inside wall from the base's rim up, m: what the pan is drawn from."""
    heights = np.linspace(0.0, shape.height_m, points)
    return [(float(r), float(h)) for r, h in zip(shape.radius_m(heights), heights, strict=True)]


def _check(field: str, value: float, low: float, high: float) -> None:
    if not (math.isfinite(value) and low <= value <= high):
        raise BadInput(
            field,
            "pan-measure-unlikely",
            measure=field.replace("_", " "),
            cm=value * 100,
            low=low * 100,
            high=high * 100,
        )


@dataclass(frozen=True)
class Flared:
    """Flat base, straight wall that widens (or narrows) evenly: a frustum.

    >>> pan = Flared(base_diameter_m=0.175, top_diameter_m=0.255, height_m=0.092)
    >>> round(float(pan.volume_m3(0.063)) * 1e6, 2)
    2039.19
    """

    base_diameter_m: float
    top_diameter_m: float
    height_m: float

    def __post_init__(self) -> None:
        _check("base_diameter", self.base_diameter_m, 0.04, 1.0)
        _check("top_diameter", self.top_diameter_m, 0.04, 1.0)
        _check("height", self.height_m, 0.01, 0.8)

    @property
    def _slope(self) -> float:
        return (self.top_diameter_m - self.base_diameter_m) / 2 / self.height_m

    def radius_m(self, depth_m: Number) -> Number:
        return self.base_diameter_m / 2 + self._slope * depth_m

    def volume_m3(self, depth_m: Number) -> Number:
        r, k = self.base_diameter_m / 2, self._slope
        return math.pi * depth_m * (r * r + depth_m * (r * k + k * k * depth_m / 3))

    def depth_m(self, volume_m3: Number) -> Number:
        r, k = self.base_diameter_m / 2, self._slope
        if abs(k) < 1e-9:
            return volume_m3 / (math.pi * r * r)
        return (np.cbrt(r**3 + 3 * k * volume_m3 / math.pi) - r) / k

    def wetted_m2(self, depth_m: Number) -> Number:
        r = self.base_diameter_m / 2
        wall = math.pi * (r + self.radius_m(depth_m)) * depth_m * math.hypot(1, self._slope)
        return math.pi * r * r + wall

    def heated_m2(self, depth_m: Number) -> Number:
        return math.pi * (self.base_diameter_m / 2) ** 2 + 0 * depth_m


@dataclass(frozen=True)
class Straight:
    """A cylinder: saucepan, stockpot, tin.

    >>> round(float(Straight(diameter_m=0.24, height_m=0.12).depth_m(2000e-6)) * 100, 2)
    4.42
    """

    diameter_m: float
    height_m: float

    def __post_init__(self) -> None:
        _check("diameter", self.diameter_m, 0.04, 1.0)
        _check("height", self.height_m, 0.01, 0.8)

    @property
    def base_diameter_m(self) -> float:
        return self.diameter_m

    @property
    def _area(self) -> float:
        return math.pi * (self.diameter_m / 2) ** 2

    def radius_m(self, depth_m: Number) -> Number:
        return self.diameter_m / 2 + 0 * depth_m

    def volume_m3(self, depth_m: Number) -> Number:
        return self._area * depth_m

    def depth_m(self, volume_m3: Number) -> Number:
        return volume_m3 / self._area

    def wetted_m2(self, depth_m: Number) -> Number:
        return self._area + math.pi * self.diameter_m * depth_m

    def heated_m2(self, depth_m: Number) -> Number:
        return self._area + 0 * depth_m


@dataclass(frozen=True)
class Kadhai:
    """Round bottom (spherical cap, with a flat patch if it has one) and a flared wall above it.

    :param rim_diameter_m: where the round part ends.
    :param bowl_depth_m: depth of the round part there.
    :param top_diameter_m, wall_height_m: the wall above; zero height for a pan that ends at the bowl's rim.
    :param flat_diameter_m: the flat patch in the middle; zero for a true round.

    >>> pan = Kadhai(0.29, 0.086, top_diameter_m=0.31, wall_height_m=0.024)
    >>> round(float(pan.depth_m(1370e-6)) * 100, 4), round(float(pan.depth_m(3200e-6)) * 100, 4)
    (5.445, 8.6404)
    """

    rim_diameter_m: float
    bowl_depth_m: float
    top_diameter_m: float = 0.0
    wall_height_m: float = 0.0
    flat_diameter_m: float = 0.0

    def __post_init__(self) -> None:
        _check("rim_diameter", self.rim_diameter_m, 0.08, 1.0)
        _check("bowl_depth", self.bowl_depth_m, 0.01, 0.5)
        _check("wall_height", self.wall_height_m, 0.0, 0.3)
        if self.wall_height_m:
            _check("top_diameter", self.top_diameter_m, 0.08, 1.2)
        if not 0 <= self.flat_diameter_m < self.rim_diameter_m:
            raise BadInput("flat_diameter", "flat-patch-too-wide")
        if self.bowl_depth_m > self._centre_m + 1e-9:
            raise BadInput("bowl_depth", "bowl-too-deep")

    @cached_property
    def _centre_m(self) -> float:
        """Height of the sphere's centre above the flat."""
        a, b, d = self.rim_diameter_m / 2, self.flat_diameter_m / 2, self.bowl_depth_m
        return (a * a + d * d - b * b) / (2 * d)

    @cached_property
    def _sphere_m(self) -> float:
        return math.hypot(self.flat_diameter_m / 2, self._centre_m)

    @cached_property
    def _sunk_m(self) -> float:
        """How far the sphere would reach below the flat patch."""
        return self._sphere_m - self._centre_m

    @cached_property
    def _wall(self) -> Flared | None:
        if not self.wall_height_m:
            return None
        return Flared(self.rim_diameter_m, self.top_diameter_m, self.wall_height_m)

    @property
    def height_m(self) -> float:
        return self.bowl_depth_m + self.wall_height_m

    @property
    def base_diameter_m(self) -> float:
        """The width that a flame meets: of the heated area's disc, not of the flat patch."""
        return min(self.rim_diameter_m, math.sqrt(1.5) * FLAME_DISC_M)

    def _cap(self, x: Number) -> Number:
        return math.pi * x * x * (self._sphere_m - x / 3)

    def _bowl_m3(self, depth_m: Number) -> Number:
        return self._cap(depth_m + self._sunk_m) - self._cap(self._sunk_m)

    def volume_m3(self, depth_m: Number) -> Number:
        bowl = self._bowl_m3(np.minimum(depth_m, self.bowl_depth_m))
        if self._wall is None:
            return bowl
        return bowl + self._wall.volume_m3(np.maximum(0.0, depth_m - self.bowl_depth_m))

    def depth_m(self, volume_m3: Number) -> Number:
        brim = self._bowl_m3(self.bowl_depth_m)
        sphere = self._sphere_m
        cap = np.minimum(volume_m3, brim) + self._cap(self._sunk_m)
        angle = np.arccos(np.clip(1 - 3 * cap / (2 * math.pi * sphere**3), -1.0, 1.0))
        depth = sphere + 2 * sphere * np.cos((angle + 4 * math.pi) / 3) - self._sunk_m
        if self._wall is None:
            return depth
        return np.where(
            volume_m3 > brim,
            self.bowl_depth_m + self._wall.depth_m(np.maximum(0.0, volume_m3 - brim)),
            depth,
        )

    def radius_m(self, depth_m: Number) -> Number:
        x = np.minimum(depth_m, self.bowl_depth_m) + self._sunk_m
        bowl = np.sqrt(np.maximum(0.0, x * (2 * self._sphere_m - x)))
        if self._wall is None:
            return bowl
        wall = self._wall.radius_m(np.maximum(0.0, depth_m - self.bowl_depth_m))
        return np.where(depth_m > self.bowl_depth_m, wall, bowl)

    def wetted_m2(self, depth_m: Number) -> Number:
        flat = math.pi * (self.flat_diameter_m / 2) ** 2
        bowl = flat + 2 * math.pi * self._sphere_m * np.minimum(depth_m, self.bowl_depth_m)
        if self._wall is None:
            return bowl
        above = np.maximum(0.0, depth_m - self.bowl_depth_m)
        return bowl + self._wall.wetted_m2(above) - math.pi * (self.rim_diameter_m / 2) ** 2

    def heated_m2(self, depth_m: Number) -> Number:
        disc = math.pi * FLAME_DISC_M**2 / 4
        return np.minimum(0.8 * self.wetted_m2(depth_m), 1.5 * disc)
