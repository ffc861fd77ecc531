"""The wait after the boil: how a pan of milk off the flame cools until the acid goes in.

Curd dossier §3: evaporation of the surface, convection of surface and wall; RK4 in 15-second steps. ±2.5 °C
after three minutes until a thermometer has been read once.
"""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ...equipment.pans import Pan
from ...properties.steam import pressure_at_altitude_pa

Array = NDArray[np.float64]
STEP_S = 15.0
MASS_TRANSFER, TOP_W_M2_K, SIDE_W_M2_K = 0.0045, 12.0, 10.0
ELEVATION_K = 0.16
HUMIDITY = 0.5
STIRRED, SKIN, LID = 1.0, 0.6, 0.08
"""How freely steam leaves: stirred now and then, under a skin, under a lid."""
SD_K_PER_ROOT_MIN = 2.5 / math.sqrt(3.0)


def boils_c(pressure_kpa: float) -> float:
    """Water's boiling point, °C, 60-102 kPa (Antoine form).

    >>> round(boils_c(pressure_at_altitude_pa(1180.0) / 1e3), 3)
    96.087
    """
    return 1730.63 / (8.07131 - math.log10(pressure_kpa / 0.133322)) - 233.426


def saturation_kpa(celsius: float) -> float:
    return float(0.133322 * 10 ** (8.07131 - 1730.63 / (233.426 + celsius)))


def _vapour_kg_m3(celsius: float) -> float:
    return 18.015 * saturation_kpa(celsius) / (8.314 * (celsius + 273.15))


def steam_flux(celsius: float, room_c: float, humidity: float, pressure_kpa: float) -> float:
    """Steam from hot milk standing open, kg/m² s, ±30 %.

    >>> round(steam_flux(86.0, 24.0, 0.5, 101.325), 7)
    0.0024148
    """
    here = min(0.97, saturation_kpa(celsius) / pressure_kpa)
    room = humidity * saturation_kpa(room_c) / pressure_kpa
    drive = _vapour_kg_m3(celsius) - humidity * _vapour_kg_m3(room_c)
    return MASS_TRANSFER * drive * math.log((1 - room) / (1 - here)) / (here - room)


@dataclass(frozen=True, slots=True)
class Standing:
    """A pan of hot milk off the flame."""

    width_m: float
    milk_m3: float
    heat_j_k: float
    room_c: float
    pressure_kpa: float
    open_share: float = STIRRED
    cools: float = 1.0

    def loss_w(self, celsius: float) -> float:
        """Heat it loses, W."""
        d, v = self.width_m, self.milk_m3
        latent = (2501 - 2.42 * celsius) * 1e3
        top = self.open_share * steam_flux(celsius, self.room_c, HUMIDITY, self.pressure_kpa) * latent
        warm = celsius - self.room_c
        side = SIDE_W_M2_K * (4 * v / d + math.pi * d * d / 8) * warm
        return self.cools * ((math.pi * d * d / 4) * (top + TOP_W_M2_K * warm) + side)


def standing(
    milk_m3: float, pan: Pan, altitude_m: float, room_c: float, open_share: float = STIRRED, cools: float = 1.0
) -> tuple[Standing, float]:
    """A pan just off the boil, and its temperature then. ``cools``: its own speed against the model."""
    depth = float(pan.shape.depth_m(milk_m3))
    width = 2 * float(pan.shape.radius_m(min(depth, pan.shape.height_m)))
    pressure = pressure_at_altitude_pa(altitude_m) / 1e3
    heat = milk_m3 * 1e3 * 3900.0 + pan.heat_capacity_j_k
    return Standing(width, milk_m3, heat, room_c, pressure, open_share, cools), boils_c(pressure) + ELEVATION_K


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
