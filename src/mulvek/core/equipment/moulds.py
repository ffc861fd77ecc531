"""Moulds: what they hold, how long they take to freeze, to stand before eating, and to dip free.

Sweets dossier §1 (F14-F23, F28). Times at home are ±35 % to freeze, ±40 % to stand, ×½ to ×2 to dip.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from ..composition.composition import Composition
from ..composition.materials import read_table
from ..errors import BadInput
from ..properties.density import density_kg_m3
from ..properties.freezing import (
    cold_density_kg_m3,
    conductivity_w_m_k,
    expansion,
    freezing_point_c,
    heat_content_kj_kg,
    ice,
)

HEADSPACE = 0.02
FILL_LOSS = 0.03
"""Mix that stays in bowl and jug."""
STILL_AIR, FAN = 8.0, 15.0
"""Heat taken by freezer air from a mould, W/m² K."""
FREEZE_LN_SD, STAND_LN_SD, DIP_LN_SD = 0.27, 0.26, 0.54
USUAL_CAPACITY_KG = 3.0
"""What a home freezer brings to −18 °C in a day when its label is not known."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Mould:
    """A mould's inside: m³, m² of cooled surface, m to its core; its wall and how free it stands.

    ``own_heat``: what the mould itself brings, share of the mix's heat. ``dips``: whether it is dipped to free it.
    """

    key: str
    name: str
    volume_m3: float
    area_m2: float
    to_core_m: float
    wall_m: float
    wall_w_m_k: float
    free: float
    own_heat: float
    dips: bool
    depth_m: float
    shape: Mapping[str, float]
    kind: str

    def scaled_to(self, volume_m3: float) -> "Mould":
        """The same shape, larger or smaller."""
        by = (volume_m3 / self.volume_m3) ** (1 / 3)
        return Mould(
            key=self.key,
            name=self.name,
            volume_m3=volume_m3,
            area_m2=self.area_m2 * by**2,
            to_core_m=self.to_core_m * by,
            wall_m=self.wall_m,
            wall_w_m_k=self.wall_w_m_k,
            free=self.free,
            own_heat=self.own_heat,
            dips=self.dips,
            depth_m=self.depth_m * by,
            shape={name: measure * by for name, measure in self.shape.items()},
            kind=self.kind,
        )

    def transfer_w_m2_k(self, film: float) -> float:
        """Through film and wall (F16)."""
        return 1 / (1 / film + self.wall_m / self.wall_w_m_k)


def geometry(kind: str, m: Mapping[str, float]) -> tuple[float, float, float, float]:
    """Volume m³, surface m², distance to the core m, depth m, from measures in m (F15).

    >>> [round(x, 9) for x in geometry("cone", {"top": 0.045, "bottom": 0.025, "height": 0.080})[:2]]
    [7.9063e-05, 0.010946221]
    """
    if kind == "cone":
        top, bottom, height = m["top"] / 2, m["bottom"] / 2, m["height"]
        side = math.hypot(height, top - bottom)
        volume = math.pi * height / 3 * (top * top + top * bottom + bottom * bottom)
        area = math.pi * (top + bottom) * side + math.pi * (top * top + bottom * bottom)
        return volume, area, (top + bottom) / 2, height
    if kind == "stick":
        a, b, c, d, h = m["width"], m["thick"], m["bottom_width"], m["bottom_thick"], m["height"]
        return h / 6 * (a * b + c * d + (a + c) * (b + d)), a * b + c * d + h * (a + c + b + d), (b + d) / 4, h
    if kind == "pot":
        r, h = m["diameter"] / 2, m["height"]
        area = 2 * math.pi * r * h + math.pi * (2 * r * h - h * h)
        return math.pi * h * h * (3 * r - h) / 3, area, min(r, h / 2), h
    if kind == "tray":
        x, y, d = m["length"], m["width"], m["height"]
        return x * y * d, 2 * x * y + 2 * (x + y) * d, d / 2, d
    raise BadInput("mould", "no-mould-kind", kind=kind)


def _mould(key: str, row: Mapping[str, Any]) -> Mould:
    shape = {name: mm / 1000 for name, mm in row["mm"].items()}
    volume, area, core, depth = geometry(row["kind"], shape)
    return Mould(
        key=key,
        name=row["name"],
        volume_m3=volume,
        area_m2=area,
        to_core_m=core,
        wall_m=row["wall_mm"] / 1000,
        wall_w_m_k=row["wall_w_m_k"],
        free=row["free"],
        own_heat=row.get("own_heat", 0.0),
        dips=row.get("dips", True),
        depth_m=depth,
        shape=shape,
        kind=row["kind"],
    )


MOULDS: Mapping[str, Mould] = {key: _mould(key, row) for key, row in read_table("moulds.toml").items()}


def mould(key: str) -> Mould:
    """:raises BadInput: field "mould"."""
    if key not in MOULDS:
        raise BadInput("mould", "no-mould", key=key, moulds=tuple(MOULDS))
    return MOULDS[key]


def fill_share(mix: Composition, celsius: float = -18.0) -> float:
    """How full to fill, share of the mould, so that it does not lift its lid (F14)."""
    return (1 - HEADSPACE) / (1 + expansion(mix, celsius))


def grams_in(mix: Composition, volume_m3: float, celsius: float = -18.0) -> float:
    """Mix that goes into one mould, g."""
    return float(density_kg_m3(mix, 4.0)) * volume_m3 * fill_share(mix, celsius) * 1e3


def _heat_over_gap(mix: Composition, from_c: float, to_c: float, air_c: float, points: int) -> float:
    """∫ dH/|T − T_air|, J/kg K."""
    t = np.linspace(from_c, to_c, points)
    middles = (t[1:] + t[:-1]) / 2
    return 1e3 * float(np.sum(np.abs(np.diff(heat_content_kj_kg(mix, t)) / (middles - air_c))))


def freezing_s(
    mix: Composition,
    mould: Mould,
    film: float,
    air_c: float = -18.0,
    mix_c: float = 5.0,
    core_c: float | None = None,
    points: int = 400,
) -> float:
    """Until the core is hard, s (F18; within 2.1 % of a finite-volume run, the air's ``film`` is the doubt).

    ``core_c`` is −14 °C, or 4 K above a warmer freezer.
    """
    core = max(-14.0, air_c + 4.0) if core_c is None else core_c
    transfer = mould.transfer_w_m2_k(film)
    inside = 1 + transfer * mould.to_core_m / conductivity_w_m_k(mix) / 2
    mass = cold_density_kg_m3(mix, 4.0) * mould.volume_m3
    spread = _heat_over_gap(mix, core, mix_c, air_c, points)
    return inside * mass / (mould.area_m2 * mould.free * transfer) * spread * (1 + mould.own_heat)


def crowded_s(mass_kg: float, capacity_kg_day: float = USUAL_CAPACITY_KG) -> float:
    """What the freezer itself needs for so much at once, s (F21).

    >>> crowded_s(2.0) / 3600
    16.0
    """
    return 86400 * mass_kg / capacity_kg_day


def standing_s(
    mix: Composition, mould: Mould, serve_c: float, from_c: float = -18.0, room_c: float = 27.0, points: int = 200
) -> float:
    """From freezer to eating, core at ``serve_c``, s (F22); the outer third is there in half the time."""
    transfer = 14.0
    inside = 1 + transfer * mould.to_core_m / conductivity_w_m_k(mix) / 2
    mass = cold_density_kg_m3(mix, 4.0) * mould.volume_m3
    if serve_c <= from_c:
        return 0.0
    return inside * mass / (mould.area_m2 * transfer) * _heat_over_gap(mix, from_c, serve_c, room_c, points)


def dip_s(mix: Composition, wall_m: float, wall_w_m_k: float, water_c: float = 40.0, from_c: float = -18.0) -> float:
    """In warm water until it slides out, s (F23)."""
    transfer = 1 / (1 / 400 + wall_m / wall_w_m_k)
    loose = freezing_point_c(mix) - 2
    capacity = (
        1e3 * (float(heat_content_kj_kg(mix, loose)) - float(heat_content_kj_kg(mix, from_c))) / (loose - from_c)
    )
    density = cold_density_kg_m3(mix, from_c, float(ice(mix, from_c)))
    effusivity = math.sqrt(conductivity_w_m_k(mix) * density * capacity)
    wanted = (loose - from_c) / (water_c - from_c)
    low, high = 1e-6, 5.0
    for _ in range(60):
        z = (low + high) / 2
        low, high = (z, high) if 1 - math.exp(z * z) * math.erfc(z) < wanted else (low, z)
    return 0.72 * (low * effusivity / transfer) ** 2
