"""Steam: air pressure up here, the saturation line, latent heat, and how fast steam leaves an open pan below the boil.

Reduction dossier §3 and §4. Saturation line of Wagner & Pruss 1993.
"""

import math

import numpy as np

from ..composition.composition import Number


def pressure_at_altitude_pa(altitude_m: float) -> float:
    """Air pressure at ``altitude_m`` (0-4500), Pa, standard atmosphere."""
    return float(101325.0 * (1 - 2.25577e-5 * altitude_m) ** 5.25588)


_SAT = (-7.85951783, 1.84408259, -11.7866497, 22.6807411, -15.9618719, 1.80122502)
_SAT_POWERS = (1.0, 1.5, 3.0, 3.5, 4.0, 7.5)
_T_CRITICAL_K, _P_CRITICAL_PA = 647.096, 22.064e6


def saturation_pressure_pa(celsius: float) -> float:
    """Vapour pressure of water, Pa, 0-200 °C (Wagner & Pruss).

    >>> round(saturation_pressure_pa(95.0))
    84609
    """
    kelvin = celsius + 273.15
    x = 1 - kelvin / _T_CRITICAL_K
    root = math.sqrt(x)
    x3 = x * x * x
    a, b, c, d, e, f = _SAT
    series = a * x + b * x * root + c * x3 + d * x3 * root + e * x3 * x + f * x3 * x3 * x * root
    return _P_CRITICAL_PA * math.exp(_T_CRITICAL_K / kelvin * series)


_GRID_C = np.linspace(0.0, 200.0, 2001)
_GRID_LN_P = np.log([saturation_pressure_pa(t) for t in _GRID_C])


def saturation_temperature_c(pressure_pa: Number) -> Number:
    """Temperature at which water boils at a pressure, °C, 0.7 kPa to 1.5 MPa.

    Looked up on the saturation line every 0.1 K, linear in ln p (error below 1e-4 K).

    >>> round(float(saturation_temperature_c(pressure_at_altitude_pa(1600.0))), 2)
    94.65
    """
    return np.interp(np.log(pressure_pa), _GRID_LN_P, _GRID_C)


def latent_heat_j_kg(celsius: Number) -> Number:
    """Heat of evaporation of water, J/kg, 0-110 °C, ±0.1 %."""
    return 1e3 * (2500.9 - 2.3 * celsius - 0.00145 * celsius * celsius)


CONVECTION = RADIATION = 6.0
"""Dry heat loss of the surface, W/m² K each (estimate)."""
SURFACE_CONSTANT = CONVECTION * 0.622 / (1007.0 * 0.90)
"""Mass transfer of vapour by the heat-transfer analogy, kg/m² s."""
SHELTER = 0.60
"""Share of a free surface's evaporation that a pan's rim lets through (±30 %, estimate)."""
SHELTER_SKIN, SHELTER_LID = 0.35, 0.06
"""The same under a skin that is left to form, and under a lid."""
ROOM_VAPOUR_PA = 1500.0


def surface_flux_kg_m2_s(
    celsius: float, pressure_pa: float, activity: float = 1.0, shelter: float = SHELTER
) -> float:
    """Steam from a still surface below the boil, kg/m² s; vapour-drift corrected (dossier §4).

    >>> round(surface_flux_kg_m2_s(90.0, 101325.0) * 3600, 2)
    10.36
    """
    vapour = min(activity * saturation_pressure_pa(celsius), 0.999 * pressure_pa)
    if vapour <= ROOM_VAPOUR_PA:
        return 0.0
    drift = math.log((pressure_pa - ROOM_VAPOUR_PA) / (pressure_pa - vapour))
    return shelter * SURFACE_CONSTANT * drift
