"""What the hot wall does: how much flame the bottom bears, how often to stir, what stays on the pan.

Reduction dossier §4 and §9. The forms are film heat transfer and a dose that doubles with wall heat; all
constants here are our estimate (order of magnitude right, ±50 %).
"""

import numpy as np

from ...composition.composition import Number
from ...equipment.pans import Pan

SAFE_WALL_K = 30.0
"""How much hotter than the milk the wall may be before milk bakes on."""
DEFAULT_HOT_SPOT = 1.25
STIR_DOSE_S = 60.0
WETTED_STICK = 0.85
"""How much less milk holds to a pan that was wetted before it went in."""
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
    celsius: Number,
    flux_w_m2: Number,
    viscosity: Number,
    pan: Pan,
    sucrose_share: Number = 0.0,
    *,
    wetted: bool = False,
) -> Number:
    """Seconds that the bottom may rest between two stirs, 5 to 300; below 20 stir without a pause.

    :param celsius: of the milk; ``flux_w_m2`` through the heated bottom; ``viscosity`` hot, mPa s.
    :param sucrose_share: sugar, kg per kg.
    :param wetted: water stood in the pan before the milk went in.
    """
    row = pan.made_of
    rise = np.asarray(row.hot_spot * flux_w_m2 / bottom_film_w_m2_k(viscosity))
    wall = np.minimum(200.0, np.asarray(celsius)[..., None] + rise[..., None] / _SETTLED)
    dose = np.cumsum(2.0 * np.exp((wall - 115.0) / 10.0), axis=-1)
    allowed = STIR_DOSE_S / (
        row.stick * (WETTED_STICK if wetted else 1.0) * (1 + np.asarray(sucrose_share)[..., None] * 2)
    )
    before = np.sum(dose < allowed, axis=-1, keepdims=True)
    dose = np.concatenate([np.zeros_like(dose[..., :1]), dose], axis=-1)
    last = np.minimum(before, dose.shape[-1] - 2)
    low, high = (np.take_along_axis(dose, at, axis=-1) for at in (last, last + 1))
    part = np.clip((allowed - low) / (high - low), 0.0, 1.0)
    return np.clip(2.0 * (last + part)[..., 0], 5.0, 300.0)


def wall_c(celsius: Number, flux_w_m2: Number, viscosity: Number, pan: Pan) -> Number:
    """Temperature of the hottest spot of a bottom that is kept stirred, °C, at most 200."""
    rise = pan.made_of.hot_spot * flux_w_m2 / bottom_film_w_m2_k(viscosity)
    return np.minimum(200.0, celsius + rise)


SKIN_EVERY_S = 480.0
SKIN_KG_M2 = 0.004 / 0.0452
"""A skin lifted off a 24 cm pan takes 4 ± 2 g with it, a quarter of it fat (estimate); one forms in 8 minutes."""


def skins_kg(seconds: Number, surface_m2: Number) -> Number:
    """What skins lifted off take with them, kg (±50 %); between two skins half of the next is counted."""
    return np.maximum(0.0, seconds / SKIN_EVERY_S - 0.5) * SKIN_KG_M2 * surface_m2


def pan_loss_kg(
    mass_kg: Number, viscosity: Number, wetted_m2: Number, ring_m2: Number, *, scraped: bool = True
) -> Number:
    """Product left on the pan, as a dried ring above it and on the spoon, kg (±50 %).

    :param ring_m2: wall between the highest and the last level, m².
    """
    film_m = 0.07e-3 * np.minimum(np.maximum(viscosity, 0.3), 2000.0) ** 0.30 / (1 + viscosity / 2e4) ** 0.35
    film, ring = (0.35, 0.25) if scraped else (1.0, 1.0)
    left = 1050.0 * (wetted_m2 * film_m * film + ring_m2 * 0.08e-3 * ring + 0.015 * film_m * 0.5)
    return np.minimum(0.25 * mass_kg, left)
