"""Formulas of the dossiers that only their reference values need: the product reckons these figures otherwise, or not."""

import math

import numpy as np

from mulvek.core.equipment.pans import Pan
from mulvek.core.planning.reduce.scorch import _RESTED_S, STIR_DOSE_S, bottom_film_w_m2_k
from mulvek.core.planning.reduce.windows import Window


def added_water_by_freezing(celsius: float, usual_c: float = -0.522) -> float:
    """Share of added water by a dairy's freezing point slip, °C (sd 1.5 points)."""
    return (usual_c - celsius) / usual_c


def condensed_sugar_kg(milk_kg: float, milk_solids: float, final_milk_solids: float, sugar_number: float) -> float:
    """Sugar for condensed milk of a sugar number, kg (Hunziker): the sugar in sugar and water, kg per kg."""
    final = milk_kg * milk_solids / final_milk_solids
    return sugar_number * (final - milk_kg * milk_solids)


def newton_rate(room_c: float, from_c: float, celsius: float, seconds: float) -> float:
    """Rate of cooling by Newton's law, 1/s."""
    return math.log((from_c - room_c) / (celsius - room_c)) / seconds


def product_window(window: Window, fat_in_solids: tuple[float, float]) -> dict[str, tuple[float, float]]:
    """What the finished product holds across a window, kg per kg: total solids, fat, MSNF.

    :param fat_in_solids: fat as a share of the milk's solids, leanest and richest.
    """
    (m0, m1), (s0, s1) = window.milk_part, window.sugar
    lean, rich = fat_in_solids
    return {
        "total_solids": (m0 * (1 - s0) + s0, m1 * (1 - s1) + s1),
        "fat": (m0 * lean * (1 - s1), m1 * rich * (1 - s0)),
        "msnf": (m0 * (1 - rich) * (1 - s1), m1 * (1 - lean) * (1 - s0)),
    }


def ratio_for_fat(fat: float, milk_fat: float, sugar: float) -> float:
    """How many times the milk part must be concentrated to reach a share of fat; all kg per kg."""
    return fat / (milk_fat * (1 - sugar))


def scorch_index(
    celsius: float, flux_w_m2: float, viscosity: float, pan: Pan, rested_s: float, sucrose_share: float = 0.0
) -> float:
    """How near to baking on after a rest of ``rested_s``: 0-0.5 calm, 0.5-1 soon, above 1 now."""
    row = pan.made_of
    steps = _RESTED_S[rested_s > _RESTED_S]
    rise = row.hot_spot * flux_w_m2 / bottom_film_w_m2_k(viscosity) / (0.35 + 0.65 * np.exp(-steps / 60.0))
    dose = np.sum(2.0 * np.exp((np.minimum(200.0, celsius + rise) - 115.0) / 10.0))
    return float(row.stick * (1 + 2 * sucrose_share) * dose / STIR_DOSE_S)


def shrikhand_solids(curd_solids: float, sugar: float, pulp: float = 0.0, pulp_solids: float = 0.17) -> float:
    """Total solids of shrikhand; sugar and pulp in kg per kg of strained curd."""
    return (curd_solids + sugar + pulp * pulp_solids) / (1 + sugar + pulp)


def sugar_for_solids(curd_solids: float, wanted: float) -> float:
    """Sugar that brings strained curd to total solids, kg per kg of curd."""
    return (wanted - curd_solids) / (1 - wanted)
