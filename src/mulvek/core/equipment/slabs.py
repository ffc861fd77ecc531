"""Slabs and their cutting: how thick a mass stands in a tray, and the grid that gives so many pieces.

Sweets dossier F39.
"""

import math
from dataclasses import dataclass

THICK_M = (0.012, 0.030)
"""A slab thinner or thicker than this wants another tray."""
TRIM = 0.04


def slab_area_m2(mass_kg: float, density_kg_m3: float, thick_m: float) -> float:
    return mass_kg / (density_kg_m3 * thick_m)


def slab_thick_m(mass_kg: float, density_kg_m3: float, length_m: float, width_m: float) -> float:
    """How thick it lies in a tray.

    >>> round(slab_thick_m(1.0, 1087.5, 0.20, 0.20) * 1e3, 3)
    22.989
    """
    return mass_kg / (density_kg_m3 * length_m * width_m)


def slab_piece_kg(density_kg_m3: float, thick_m: float, long_m: float, wide_m: float) -> float:
    """One piece, with its share of what is trimmed off."""
    return long_m * wide_m * thick_m * density_kg_m3 / (1 - TRIM)


@dataclass(frozen=True, slots=True)
class Grid:
    """Cuts: pieces along and across, and a piece's sides in m."""

    along: int
    across: int
    long_m: float
    wide_m: float

    @property
    def pieces(self) -> int:
        return self.along * self.across


def grid_for(length_m: float, width_m: float, wanted: int) -> Grid:
    """The most square grid with at least so many pieces and few to spare.

    >>> grid_for(0.30, 0.20, 40).along, grid_for(0.25, 0.18, 30).across
    (8, 5)
    """

    def score(along: int) -> float:
        across = math.ceil(wanted / along)
        return abs(math.log(length_m / along / (width_m / across))) + 0.08 * (along * across - wanted)

    along = min(range(1, wanted + 1), key=score)
    across = math.ceil(wanted / along)
    return Grid(along, across, length_m / along, width_m / across)


def grid_of(length_m: float, width_m: float, long_m: float, wide_m: float) -> Grid:
    """How many pieces of a size a tray gives, laid the better way round."""
    ways = [
        Grid(int(length_m / a + 1e-9), int(width_m / b + 1e-9), a, b) for a, b in ((long_m, wide_m), (wide_m, long_m))
    ]
    return max(ways, key=lambda g: g.pieces)
