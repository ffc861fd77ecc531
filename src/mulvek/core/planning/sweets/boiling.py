"""Stove minutes at a glance: a quick estimate for ranking swaps and costing fuel, where a pan is not yet chosen.

Sweets dossier F29-F32. The Bench's own evaporation model (``core.bases``) reckons a real pan; this one only has to
tell five minutes from forty. ±30 %.
"""

import math

import numpy as np

LATENT_KJ_KG, HEAT_KJ_KG_K = 2257.0, 3.9
USUAL_WIDTH_M, USUAL_POWER_KW, USUAL_SHARE, USUAL_LOSS_KW = 0.26, 2.0, 0.5, 0.10
LEAST_KW = 0.03
_STEPS = 200
_MIDDLES = np.arange(_STEPS) + 0.5


BEARS = ((0.30, 0.60), (25.0, 8.0))
"""Heat a pan's bottom bears without scorching, kW/m²: 25 to 30 % solids, falling to 8 at 60 % (F29)."""


def most_heat_kw_m2(solids: float) -> float:
    """Heat a pan's bottom bears without scorching, kW/m², at this share of solids (F29).

    >>> round(most_heat_kw_m2(0.45), 2)
    16.5
    """
    return float(np.interp(solids, *BEARS))


def boil_off_s(
    start_kg: float,
    from_solids: float,
    to_solids: float,
    width_m: float = USUAL_WIDTH_M,
    into_pan_kw: float = USUAL_POWER_KW * USUAL_SHARE,
) -> float:
    """To boil a mass from one share of solids to another, s (F30).

    >>> round(boil_off_s(1.03, 0.15, 0.285) / 60, 2)
    20.39
    """
    if to_solids <= from_solids:
        return 0.0
    area = math.pi * width_m**2 / 4
    solids = start_kg * from_solids
    step = (start_kg - solids / to_solids) / _STEPS
    bears = np.interp(solids / (start_kg - _MIDDLES * step), *BEARS)
    heat = np.maximum(LEAST_KW, np.minimum(into_pan_kw, bears * area) - USUAL_LOSS_KW)
    return float(np.sum(step * LATENT_KJ_KG / heat))


def heat_up_s(
    mass_kg: float, from_c: float = 8.0, to_c: float = 100.3, into_pan_kw: float = USUAL_POWER_KW * USUAL_SHARE
) -> float:
    """To bring it to the boil, s (F31).

    >>> round(heat_up_s(1.03) / 60, 3)
    6.505
    """
    return mass_kg * HEAT_KJ_KG_K * (to_c - from_c) / (into_pan_kw - USUAL_LOSS_KW / 2)


def steam_rate_kg_s(
    solids: float, width_m: float = USUAL_WIDTH_M, into_pan_kw: float = USUAL_POWER_KW * USUAL_SHARE
) -> float:
    """Water leaving a pan at this share of solids."""
    area = math.pi * width_m**2 / 4
    return max(LEAST_KW, min(into_pan_kw, most_heat_kw_m2(solids) * area) - USUAL_LOSS_KW) / LATENT_KJ_KG


def goes(volume_m3: float, pan_m3: float) -> int:
    """How many goes a pan needs that may stand half full (F32).

    >>> goes(0.008, math.pi * 0.26**2 / 4 * 0.10)
    4
    """
    return max(1, math.ceil(volume_m3 / (0.5 * pan_m3) - 1e-9))
