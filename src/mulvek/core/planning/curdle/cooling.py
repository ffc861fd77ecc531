"""The wait after the boil: how a pan of milk off the flame cools until the acid goes in.

Curd dossier §3: steam from the surface by the one law of ``properties.steam``, convection of surface and wall; RK4 in
15-second steps. ±2.5 °C after three minutes until a thermometer has been read once.
"""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ...equipment.pans import Pan
from ...properties.steam import (
    SHELTER,
    latent_heat_j_kg,
    pressure_at_altitude_pa,
    saturation_temperature_c,
    surface_flux_kg_m2_s,
)

Array = NDArray[np.float64]
STEP_S = 15.0
TOP_W_M2_K, SIDE_W_M2_K = 12.0, 10.0
ELEVATION_K = 0.16
SD_K_PER_ROOT_MIN = 2.5 / math.sqrt(3.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """A pan of hot milk off the flame."""

    width_m: float
    milk_m3: float
    heat_j_k: float
    room_c: float
    pressure_pa: float
    shelter: float = SHELTER
    cools: float = 1.0

    def loss_w(self, celsius: float) -> float:
        """Heat it loses, W."""
        d, v = self.width_m, self.milk_m3
        top = surface_flux_kg_m2_s(celsius, self.pressure_pa, shelter=self.shelter) * float(latent_heat_j_kg(celsius))
        warm = celsius - self.room_c
        side = SIDE_W_M2_K * (4 * v / d + math.pi * d * d / 8) * warm
        return self.cools * ((math.pi * d * d / 4) * (top + TOP_W_M2_K * warm) + side)


def standing(
    milk_m3: float, pan: Pan, altitude_m: float, room_c: float, shelter: float = SHELTER, cools: float = 1.0
) -> tuple[Standing, float]:
    """A pan just off the boil, and its temperature then. ``cools``: its own speed against the model."""
    depth = float(pan.shape.depth_m(milk_m3))
    width = 2 * float(pan.shape.radius_m(min(depth, pan.shape.height_m)))
    pressure = pressure_at_altitude_pa(altitude_m)
    boils = float(saturation_temperature_c(pressure)) + ELEVATION_K
    heat = milk_m3 * 1e3 * 3900.0 + pan.heat_capacity_j_k
    return Standing(
        width_m=width,
        milk_m3=milk_m3,
        heat_j_k=heat,
        room_c=room_c,
        pressure_pa=pressure,
        shelter=shelter,
        cools=cools,
    ), boils


def cooling_curve(pan: Standing, from_c: float, seconds: float) -> tuple[Array, Array]:
    """Seconds and °C from the flame's going off, every 15 s (the same as 5 s to 0.001 °C)."""
    steps = max(1, round(seconds / STEP_S))

    def rate(celsius: float) -> float:
        return -pan.loss_w(celsius) / pan.heat_j_k

    celsius = [from_c]
    for _ in range(steps):
        t = celsius[-1]
        k1 = rate(t)
        k2 = rate(t + STEP_S / 2 * k1)
        k3 = rate(t + STEP_S / 2 * k2)
        celsius.append(t + STEP_S / 6 * (k1 + 2 * k2 + 2 * k3 + rate(t + STEP_S * k3)))
    return np.arange(steps + 1, dtype=np.float64) * STEP_S, np.array(celsius)


def mixed_c(milk_kg: float, milk_c: float, acid_kg: float, acid_c: float) -> float:
    """Temperature once the acid is stirred in, °C."""
    milk, acid = milk_kg * 3.9, acid_kg * 4.18
    return (milk * milk_c + acid * acid_c) / (milk + acid)
