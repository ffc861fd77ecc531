"""A pan known only by pouring: pairs of "so much water stood so deep".

The width is found as a smooth area that grows from the bottom up, A(h) ≥ 0, whose volume ∫A dh passes the pairs as
near as a ruler and a cup are read: bounded least squares (Lawson & Hanson 1974) with a penalty on the third derivative
of the area, which leaves cylinders, frustums and spherical caps alone, as theirs is nil. A pot that truly narrows
above is fitted without the bound on growth. Wall and depth follow from the area. Reduction dossier §5.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from ..composition.composition import Number
from ..errors import BadInput

Array = NDArray[np.float64]
STEPS, FINE = 40, 321
FEWEST, MOST = 2, 20
DEPTH_SD_M = 0.001
"""A ruler held into water (1 sd)."""
POUR_SD, POUR_SD_M3 = 0.005, 3e-6
"""Measuring jug, as a share and at least so much (1 sd)."""
SMOOTH = (0.3, 1e-2, 1e-4)
"""Weights on the third, second and first derivative of the area: the plainest pan that meets the pairs."""
ODD_SD = 3.0


@dataclass(frozen=True, slots=True)
class Fit:
    """Area (m²) at evenly spaced depths (m); how far each pair lies from the fitted pan, m of depth, and how well it is
    known, m (1 sd)."""

    depths: Array
    areas: Array
    off_m: tuple[float, ...]
    sd_m: tuple[float, ...]

    @property
    def worst(self) -> float:
        """The pair that lies farthest off, in its own sd."""
        return max(abs(off) / sd for off, sd in zip(self.off_m, self.sd_m, strict=True))


def fit_area(pairs: Sequence[tuple[float, float]], height_m: float) -> Fit:
    """The smoothest growing pan through the pairs; one that narrows where only that meets them."""
    growing = _fit(pairs, height_m, grows=True)
    if growing.worst <= ODD_SD:
        return growing
    free = _fit(pairs, height_m, grows=False)
    return free if free.worst <= 1.0 and free.areas.min() > 0.2 * free.areas.max() else growing


def odd_pair(pairs: Sequence[tuple[float, float]], height_m: float) -> int | None:
    """Number from 0 of the pair without which the others make a pan, when with it they do not."""
    if len(pairs) < 4 or fit_area(pairs, height_m).worst <= ODD_SD:
        return None
    rest = [fit_area([*pairs[:i], *pairs[i + 1 :]], height_m).worst for i in range(len(pairs))]
    best = int(np.argmin(rest))
    return best if rest[best] <= ODD_SD / 2 else None


def _sd_m(pairs: Sequence[tuple[float, float]], i: int) -> float:
    """How well pair ``i`` is known, m of depth."""
    before = pairs[i - 1] if i else (0.0, 0.0)
    area = (pairs[i][1] - before[1]) / (pairs[i][0] - before[0])
    return math.hypot(DEPTH_SD_M, math.hypot(POUR_SD * pairs[i][1], POUR_SD_M3) / area)


def _fit(pairs: Sequence[tuple[float, float]], height_m: float, *, grows: bool) -> Fit:
    depths = np.linspace(0.0, height_m, STEPS + 1)
    step = height_m / STEPS
    usual = pairs[-1][1] / pairs[-1][0]
    above = np.clip((np.array([[d] for d, _ in pairs]) - depths[:-1]) / step, 0.0, 1.0)
    # ∫ of the hat functions up to each pair's depth
    volumes = np.zeros((len(pairs), STEPS + 1))
    volumes[:, :-1] += step * (above - above**2 / 2)
    volumes[:, 1:] += step * above**2 / 2
    sd = tuple(_sd_m(pairs, i) for i in range(len(pairs)))
    known = usual * np.array(sd)
    rows = [usual * volumes / known[:, None]]
    aims = [np.array([v for _, v in pairs]) / known]
    for weight, order in zip(SMOOTH, (3, 2, 1), strict=True):
        difference = np.diff(np.eye(STEPS + 1), n=order, axis=0) * float(STEPS) ** order
        rows.append(weight * difference / math.sqrt(STEPS))
        aims.append(np.zeros(len(difference)))
    areas = usual * _bounded(np.vstack(rows), np.concatenate(aims), grows)
    fine, volume = _volumes(depths, areas)
    off = tuple(d - float(np.interp(v, volume, fine)) for d, v in pairs)
    return Fit(depths, areas, off, sd)


def _bounded(matrix: Array, aims: Array, grows: bool) -> Array:
    """Least squares over areas that are nowhere below zero, and grow if they are to."""
    if grows:
        matrix = matrix @ np.tril(np.ones((STEPS + 1, STEPS + 1)))
    found = np.linalg.lstsq(matrix, aims, rcond=None)[0]
    if found.min() < 0:
        from scipy.optimize import lsq_linear  # late: half a second to load, and seldom needed

        found = lsq_linear(matrix, aims, bounds=(0.0, np.inf), method="bvls").x
    return np.asarray(np.cumsum(found) if grows else found)


def _volumes(depths: Array, areas: Array) -> tuple[Array, Array]:
    """Depth, finely, and the volume up to it."""
    fine = np.linspace(0.0, depths[-1], FINE)
    area = np.interp(fine, depths, areas)
    return fine, np.concatenate([[0.0], np.cumsum((area[1:] + area[:-1]) / 2 * fine[1])])


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
    def fit(self) -> Fit:
        return fit_area(self.pairs, self.height_m)

    @cached_property
    def odd_pair(self) -> int | None:
        return odd_pair(self.pairs, self.height_m)

    @cached_property
    def _table(self) -> tuple[Array, Array, Array, Array]:
        """Depths, volumes, radii and wetted area, densely from the bottom up to the rim."""
        h, v = _volumes(self.fit.depths, self.fit.areas)
        radius = np.sqrt(np.maximum(np.interp(h, self.fit.depths, self.fit.areas), 0.0) / math.pi)
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
        raise BadInput("pairs", "pair-count", count=len(pairs), fewest=FEWEST, most=MOST)
    if not (math.isfinite(height_m) and 0.01 <= height_m <= 0.8):
        raise BadInput("height", "pan-height-unlikely")
    before = (0.0, 0.0)
    for number, (depth, volume) in enumerate(pairs, 1):
        if not (math.isfinite(depth) and math.isfinite(volume) and depth > before[0] and volume > before[1]):
            raise BadInput("pairs", "pair-not-deeper", number=number)
        width = 2 * math.sqrt((volume - before[1]) / (depth - before[0]) / math.pi)
        if not 0.03 <= width <= 1.2:
            raise BadInput("pairs", "pair-width-unlikely", number=number, width=width * 100)
        before = (depth, volume)
    if pairs[-1][0] > height_m + 1e-9:
        raise BadInput("height", "pair-above-rim")
