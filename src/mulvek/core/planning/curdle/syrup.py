"""Syrup for chhena balls: how much of it, how strong, what it boils at here, how many balls at once.

Curd dossier §6 and §7. Density after the standard sucrose tables; boiling elevation to 0.3 K up to 75 Brix.
"""

import math
from dataclasses import dataclass

from ...equipment.pans import Pan
from ...properties.steam import pressure_at_altitude_pa, saturation_temperature_c
from .pieces import Use, at_once, syrup_surface_m

LEAST_DEPTH_M = 0.03


def syrup_density_kg_m3(brix: float) -> float:
    """At 20 °C, kg/m³; 0-85 Brix."""
    b = brix / 100
    return 1e3 * (0.99823 + 0.38586 * b + 0.12648 * b**2 + 0.06732 * b**3 - 0.02592 * b**4)


def boiling_elevation_k(brix: float) -> float:
    """How much hotter than water a syrup boils at sea level, K; 15-88 Brix."""
    ratio = brix / (100 - brix)
    return 2.6 * ratio**2 / (ratio + 0.4)


def brix_at_elevation(kelvin: float) -> float:
    """Brix by a thermometer, K above one's own boiling water.

    >>> round(brix_at_elevation(5.6), 5)
    71.41753
    """
    root = math.sqrt(kelvin * kelvin + 4 * 2.6 * 0.4 * kelvin)
    return 100 * (kelvin + root) / (2 * 2.6 + kelvin + root)


def elevation_share(water_c: float) -> float:
    """How much less a syrup's boiling point is raised where water boils at ``water_c``."""
    return ((water_c + 273.15) / 373.15) ** 2


def syrup_boils_c(altitude_m: float, brix: float) -> float:
    """°C at which a syrup of this strength boils up here.

    >>> round(syrup_boils_c(1180.0, 73.5), 3)
    102.219
    """
    water = float(saturation_temperature_c(pressure_at_altitude_pa(altitude_m)))
    return water + boiling_elevation_k(brix) * elevation_share(water)


def syrup_m3(swollen_m: float, count: int, raw_m3: float, surface_m2: float, depth_factor: float = 1.0) -> float:
    """Syrup so deep that swollen balls float freely, m³; half of the raw balls' own room taken off.

    >>> round(syrup_m3(0.0364, 19, 11e-6, math.pi * 0.234**2 / 4, 1.25) * 1e6, 3)
    1852.239
    """
    return max(surface_m2 * max(LEAST_DEPTH_M, depth_factor * swollen_m) - 0.5 * count * raw_m3, 0.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Syrup:
    """Syrup for one go in a pan: kg, m³, °Brix, °C; ``at_once`` balls, in ``goes`` goes for all of them."""

    volume_m3: float
    brix: float
    sugar_kg: float
    water_kg: float
    boils_c: float
    at_once: int
    goes: int


def syrup_for(
    use: Use, syrup: tuple[float, float], count: int, raw_m: float, pan: Pan, altitude_m: float, chhena_kg: float
) -> Syrup:
    """What to boil for these pieces in this pan (the surface at a third of its height).

    :param syrup: its °Brix, and kg of it to a kg of raw pieces at the least.
    """
    assert use.swells is not None
    brix, ratio = syrup
    width = syrup_surface_m(pan)
    peak = raw_m * math.pow(use.swells[1], 1 / 3)
    count = max(1, count)
    together = at_once(use, count, raw_m, pan)
    raw_m3 = math.pi * raw_m**3 / 6
    volume = syrup_m3(peak, together, raw_m3, math.pi * width**2 / 4)
    mass = max(volume * syrup_density_kg_m3(brix), ratio * chhena_kg * together / count)
    sugar = mass * brix / 100
    return Syrup(
        volume_m3=mass / syrup_density_kg_m3(brix),
        brix=brix,
        sugar_kg=sugar,
        water_kg=mass - sugar,
        boils_c=syrup_boils_c(altitude_m, brix),
        at_once=together,
        goes=math.ceil(count / together),
    )
