"""Water activity, and the boiling point that follows from it.

Reduction dossier §3. After Norrish 1966, generalised to milk; boiling factor fitted to the sucrose elevation table.
"""

import math

import numpy as np

from ..composition.parts import Number, Parts
from .steam import saturation_temperature_c

_MOLAR_G = {"sucrose": 342.3, "lactose": 342.3, "reducing": 180.16, "acid": 150.0, "minerals": 64.0}
_NORRISH = {"sucrose": 6.47, "lactose": 10.2, "reducing": 2.25}
LACTOSE_DISSOLVED_AT_BOIL = 1.57
"""kg lactose that a kg of water holds at 100 °C (Hudson 1908)."""


def water_activity(parts: Parts, *, boiling: bool, dissolved_lactose: Number | None = None) -> Number:
    """Water activity, 0-1 (Norrish 1966, generalised to milk).

    :param parts: kg or kg per kg; only ratios matter.
    :param boiling: with the factor fitted at the boil (else the one for storage up to 40 °C).
    :param dissolved_lactose: lactose in solution, same unit as the parts; all of it, up to solubility at
        the boil, when not given.

    >>> from mulvek.core.composition.parts import Parts
    >>> round(float(water_activity(Parts(water=40.0, sucrose=60.0), boiling=False)), 4)
    0.8953
    """
    dissolved = parts.water * LACTOSE_DISSOLVED_AT_BOIL if dissolved_lactose is None else dissolved_lactose
    masses = {name: getattr(parts, name) for name in _MOLAR_G}
    masses["lactose"] = np.minimum(parts.lactose, dissolved)
    moles = {name: masses[name] / _MOLAR_G[name] for name in _MOLAR_G}
    water = parts.water / 18.015
    total = water + sum(moles.values()) + parts.other * 0.3 / 200.0
    strength = sum(math.sqrt(k / 6.47) * moles[name] for name, k in _NORRISH.items()) / total
    factor = 6.6 * np.maximum(0.2, 1 - 1.87 * strength) if boiling else 6.47
    return water / total * np.exp(-factor * strength * strength)


def boiling_point_c(parts: Parts, pressure_pa: float) -> Number:
    """Temperature at which this batch boils under ``pressure_pa``, °C."""
    return saturation_temperature_c(pressure_pa / water_activity(parts, boiling=True))
