"""How far milk browns: a dose of heat, sugars and protein, and the colour a cook sees.

Reduction dossier §9. Doses count in minutes of milk at 100 °C; ×2.63 per 10 K. The constants are our
estimate: a dose is known to a factor 2 until the cook has said how a batch turned out.
"""

import math
from typing import Any

import numpy as np

from ...composition.composition import Composition, Number
from ...equipment.pans import Pan

COLOURS = ("ivory", "cream", "deep cream", "tan", "caramel", "dark")
COLOUR_LIMITS = np.array([60.0, 180.0, 450.0, 1000.0, 2500.0])
ACTIVATION_K = 115000.0 / 8.314
IRON = 1.3
DOSE_LN_SD = math.log(2.0)


def _arrhenius(celsius: Number) -> Number:
    return np.exp(-ACTIVATION_K * (1 / (celsius + 273.15) - 1 / 373.15))


def browning_rate(
    parts: Composition, celsius: Number, wall_celsius: Number | None = None, *, iron: bool = False
) -> Number:
    """Dose per minute, milk at 100 °C = 1.

    :param wall_celsius: of the hottest spot, where 2 % of the milk is; none when heated evenly.

    >>> from mulvek.core.composition.materials import material
    >>> round(float(browning_rate(material("condensed").parts, 103.0)), 2)
    12.28
    """
    sugars = 100 * (parts.lactose + 2 * parts.reducing + 0.1 * parts.sucrose) / parts.water
    protein = 100 * parts.milk_protein / parts.water
    strength = np.sqrt(sugars * protein) / math.sqrt(5.22 * 3.613)
    heat = _arrhenius(celsius)
    if wall_celsius is not None:
        heat = 0.98 * heat + 0.02 * _arrhenius(wall_celsius)
    return strength * heat * (IRON if iron else 1.0)


def browning_dose(at_s: Any, parts: Composition, celsius: Number, wall_celsius: Number, pan: Pan) -> Any:
    """Dose gathered along a reduction since the first boil (trapezium over the nodes)."""
    rate = browning_rate(parts, celsius, wall_celsius, iron=pan.material == "iron")
    steps = np.diff(at_s, prepend=at_s[0]) / 60
    return np.cumsum(steps * (rate + np.concatenate([rate[:1], rate[:-1]])) / 2)


def colour_index(dose: Number) -> Number:
    """Which of ``COLOURS`` a dose is, 0-5."""
    return np.searchsorted(COLOUR_LIMITS, dose, side="right")
