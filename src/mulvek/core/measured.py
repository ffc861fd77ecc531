"""A pan known only by pouring: pairs of "so much water stood so deep".

Reduction dossier §5. Depth is interpolated against √volume for a round bottom, against volume for a flat
one, by a monotone cubic (Fritsch & Carlson 1980, end slopes and weighted harmonic means after Fritsch &
Butland 1984) through (0, 0): each is nearly a straight line so. Radius and wall follow from dV/dh.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from .errors import BadInput
from .materials.parts import Number

Array = NDArray[np.float64]
NODES = 257
FEWEST, MOST = 2, 20


def monotone_slopes(x: Array, y: Array) -> Array:
    """Slopes of the monotone cubic through rising points."""
    h = np.diff(x)
    d = np.diff(y) / h
    if len(x) == 2:
        return np.array([d[0], d[0]])
    w1, w2 = 2 * h[1:] + h[:-1], h[1:] + 2 * h[:-1]
    inner = (w1 + w2) / (w1 / d[:-1] + w2 / d[1:])
    return np.array([_end(h[0], h[1], d[0], d[1]), *inner, _end(h[-1], h[-2], d[-1], d[-2])])


def _end(h0: float, h1: float, d0: float, d1: float) -> float:
    """Three-point slope at an end, kept from overshooting."""
    slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1)
    return min(max(slope, 0.0), 3 * d0)


def hermite(x: Array, y: Array, slopes: Array, at: Array) -> Array:
    """The cubic at ``at``."""
    i = np.clip(np.searchsorted(x, at, side="left") - 1, 0, len(x) - 2)
    h = x[i + 1] - x[i]
    t = (at - x[i]) / h
    low = (2 * t**3 - 3 * t * t + 1) * y[i] + (t**3 - 2 * t * t + t) * h * slopes[i]
    return np.asarray(low + (3 * t * t - 2 * t**3) * y[i + 1] + (t**3 - t * t) * h * slopes[i + 1])


@dataclass(frozen=True)
class Measured:
    """A pan fitted to pairs (depth m, volume m³), both rising.

    :param height_m: inside height up to the rim, at or above the deepest pair.
    :raises BadInput: field "pairs", naming the pair that does not rise.

    >>> pan = Measured(((0.02, 0.5e-3), (0.04, 1e-3), (0.08, 2e-3)), 0.1)
    >>> round(float(pan.depth_m(1e-3)) * 100, 2), round(float(pan.volume_m3(0.08)) * 1e6)
    (4.0, 2000)
    """

    pairs: tuple[tuple[float, float], ...]
    height_m: float

    def __post_init__(self) -> None:
        object.__setattr__(self, "pairs", tuple(tuple(pair) for pair in self.pairs))
        _check_pairs(self.pairs, self.height_m)

    @cached_property
    def _power(self) -> float:
        """Volume rises as depth to this power near the bottom: 1 flat, 2 round; the nearer of the two."""
        (d1, v1), (d2, v2) = self.pairs[:2]
        return 1.0 if math.log(v2 / v1) / math.log(d2 / d1) < 1.4 else 2.0

    @cached_property
    def _table(self) -> tuple[Array, Array, Array, Array]:
        """Depths, volumes, radii and wetted area, densely from the bottom up to the rim."""
        depths = np.array([0.0, *(d for d, _ in self.pairs)])
        power = self._power
        roots = np.array([0.0, *(v for _, v in self.pairs)]) ** (1 / power)
        slopes = monotone_slopes(roots, depths)
        fine = np.linspace(0.0, roots[-1], NODES)
        h = hermite(roots, depths, slopes, fine)
        v = fine**power
        if self.height_m > h[-1] + 1e-9:
            # above the last pair the wall goes on as the last stretch widens
            area = power * roots[-1] ** (power - 1) / slopes[-1]
            h = np.append(h, self.height_m)
            v = np.append(v, v[-1] + area * (self.height_m - h[-2]))
        area = np.gradient(v, h)
        radius = np.sqrt(np.maximum(area, 0.0) / math.pi)
        wall = np.pi * (radius[1:] + radius[:-1]) * np.hypot(np.diff(radius), np.diff(h))
        wetted = np.pi * radius[0] ** 2 + np.concatenate([[0.0], np.cumsum(wall)])
        return h, v, radius, wetted

    @property
    def base_diameter_m(self) -> float:
        """Width of what a flame meets: the pan a fifth of the way up, where round and flat bottoms agree."""
        return 2 * float(self.radius_m(0.2 * self.height_m))

    def volume_m3(self, depth_m: Number) -> Number:
        return np.interp(depth_m, self._table[0], self._table[1])

    def depth_m(self, volume_m3: Number) -> Number:
        return np.interp(volume_m3, self._table[1], self._table[0])

    def radius_m(self, depth_m: Number) -> Number:
        return np.interp(depth_m, self._table[0], self._table[2])

    def wetted_m2(self, depth_m: Number) -> Number:
        return np.interp(depth_m, self._table[0], self._table[3])

    def heated_m2(self, depth_m: Number) -> Number:
        return np.minimum(self.wetted_m2(depth_m), math.pi * self.base_diameter_m**2 / 4)


def _check_pairs(pairs: Sequence[tuple[float, float]], height_m: float) -> None:
    if not FEWEST <= len(pairs) <= MOST:
        raise BadInput("pairs", f"{len(pairs)} pairs do not make a pan.", f"Pour {FEWEST} to {MOST} times.")
    if not (math.isfinite(height_m) and 0.01 <= height_m <= 0.8):
        raise BadInput("height", "That is no pan's height.", "Measure the inside: 1 to 80 cm.")
    before = (0.0, 0.0)
    for number, (depth, volume) in enumerate(pairs, 1):
        if not (math.isfinite(depth) and math.isfinite(volume) and depth > before[0] and volume > before[1]):
            raise BadInput(
                "pairs",
                f"Pair {number} does not stand deeper and hold more than the one before.",
                "Give them in the order you poured, all water counted.",
            )
        width = 2 * math.sqrt((volume - before[1]) / (depth - before[0]) / math.pi)
        if not 0.03 <= width <= 1.2:
            raise BadInput(
                "pairs",
                f"Pair {number} makes a pan {width * 100:.0f} cm wide there.",
                "Check its depth (cm) and its volume (all the water so far).",
            )
        before = (depth, volume)
    if pairs[-1][0] > height_m + 1e-9:
        raise BadInput("height", "The deepest pair stands above the rim.", "Measure the height to the rim.")
