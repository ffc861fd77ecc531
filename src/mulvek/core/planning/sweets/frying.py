"""Frying chhena balls: how long until the heart sets, how hot so that colour comes just after, how much fat stays.

Curd dossier §8: first term of the sphere's heating series; browning Q10 2.2 a 10 K. ±25 % of time, ±8 °C.
"""

import math

CRUST_C, SET_C = 103.0, 90.0
DIFFUSIVITY = 1.3e-7
BROWN_C, BROWN_MIN, BROWN_Q10 = 140.0, 9.0, 2.2
OIL_KG_M2 = 0.35
"""Fat that stays on a fried surface, 0.2-0.6 kg/m²."""
GENTLE_C = (130.0, 150.0)


def centre_sets_s(radius_m: float, start_c: float = 25.0) -> float:
    """Until the heart of a raw ball is set, s.

    >>> round(centre_sets_s(0.0147, 27.0) / 60, 5)
    6.90219
    """
    fourier = math.log(2 * (CRUST_C - start_c) / (CRUST_C - SET_C)) / math.pi**2
    return fourier * radius_m**2 / DIFFUSIVITY


def browns_s(celsius: float, sugar_pct: float = 3.0) -> float:
    """Until it is brown in fat of this heat, s; ``sugar_pct`` of the dough."""
    minutes = BROWN_MIN * math.pow(BROWN_Q10, -(celsius - BROWN_C) / 10) * math.exp(-0.08 * sugar_pct)
    return 60 * minutes


def fat_c(sets_s: float, sugar_pct: float = 3.0) -> float:
    """Heat of the fat at which colour comes a fifth after the heart is set, °C.

    >>> round(fat_c(centre_sets_s(0.0147, 27.0), 3.0), 4)
    138.0096
    """
    minutes = 1.2 * sets_s / 60
    return BROWN_C + 10 * math.log(BROWN_MIN * math.exp(-0.08 * sugar_pct) / minutes) / math.log(BROWN_Q10)


def fat_taken_kg(diameter_m: float) -> float:
    """Fat that stays on one ball."""
    return OIL_KG_M2 * math.pi * diameter_m**2
