"""What the hot wall does: how much flame the bottom bears, how often to stir, what stays on the pan.

Reduction dossier §4 and §9. The forms are film heat transfer and a dose that doubles with wall heat; all
constants here are our estimate (order of magnitude right, ±50 %).
"""

import numpy as np

from .materials.parts import Number
from .vessels import Pan

SAFE_WALL_K = 30.0
"""How much hotter than the milk the wall may be before milk bakes on."""
DEFAULT_HOT_SPOT = 1.25
STIR_DOSE_S = 60.0
CONTINUOUS_S = 20.0
"""Below this interval one simply does not stop stirring."""


def bottom_film_w_m2_k(viscosity: Number) -> Number:
    """Heat transfer from wall to milk, W/m² K, by hot viscosity (mPa s); scraping helps once it is thick."""
    thin = np.clip(viscosity, 0.3, 2000.0)
    return 1800 * (thin / 0.5) ** -0.30 * (1 + viscosity**2 / (viscosity**2 + 1e4))


def safe_power_w(viscosity: Number, heated_m2: Number, hot_spot: float = DEFAULT_HOT_SPOT) -> Number:
    """Most net heat that this bottom bears without baking the milk on, W (±30 %)."""
    return bottom_film_w_m2_k(viscosity) * SAFE_WALL_K * heated_m2 / hot_spot


_RESTED_S = np.arange(0.0, 300.0, 2.0)
_SETTLED = 0.35 + 0.65 * np.exp(-_RESTED_S / 60.0)


def stir_interval_s(
    celsius: Number, flux_w_m2: Number, viscosity: Number, pan: Pan, sucrose_share: Number = 0.0
) -> Number:
    """Seconds that the bottom may rest between two stirs, 5 to 300; below 20 stir without a pause.

    :param celsius: of the milk; ``flux_w_m2`` through the heated bottom; ``viscosity`` hot, mPa s.
    :param sucrose_share: sugar, kg per kg.
    """
    row = pan.made_of
    rise = np.asarray(row.hot_spot * flux_w_m2 / bottom_film_w_m2_k(viscosity))
    wall = np.minimum(200.0, np.asarray(celsius)[..., None] + rise[..., None] / _SETTLED)
    dose = np.cumsum(2.0 * np.exp((wall - 115.0) / 10.0), axis=-1)
    allowed = STIR_DOSE_S / (row.stick * (1 + np.asarray(sucrose_share)[..., None] * 2))
    return np.clip(2.0 * (1 + np.sum(dose < allowed, axis=-1)), 5.0, 300.0)


def pan_loss_kg(mass_kg: Number, viscosity: Number, wetted_m2: Number, ring_m2: Number) -> Number:
    """Product left on a scraped pan, as a dried ring above it and on the spoon, kg (±50 %).

    :param ring_m2: wall between the highest and the last level, m².
    """
    film_m = 0.07e-3 * np.minimum(np.maximum(viscosity, 0.3), 2000.0) ** 0.30 / (1 + viscosity / 2e4) ** 0.35
    left = 1050.0 * (wetted_m2 * film_m * 0.35 + ring_m2 * 0.08e-3 * 0.25 + 0.015 * film_m * 0.5)
    return np.minimum(0.25 * mass_kg, left)
