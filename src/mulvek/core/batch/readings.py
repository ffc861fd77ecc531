"""What a reading says about the water that is left, and how surely.

Reduction dossier §4 and §6 for depth, weight and volume; §3 (boiling point) for a temperature, §7 (spoon
stages) for a spoon. Degrees Brix after day dossier §5: a refractometer sees sugars whole, protein by 0.55
and minerals by 0.3, and no fat.
"""

import math

import numpy as np

from ..composition.composition import Composition, Number
from ..equipment.vessels import capacity_m3, surface_m2
from ..errors import BadInput
from ..planning.reduce.evaporation import Array
from ..planning.reduce.plan import ReducePlan
from ..planning.reduce.stops import HOT_C
from ..planning.reduce.track import DIP_SD_M
from ..properties.density import water_at_volume_kg
from ..properties.texture import STAGE_LIMITS_MPA_S, STAGES, viscosity_mpa_s
from ..properties.water_activity import boiling_point_c
from .events import Reading

SPOON_LN_SD = 0.7
"""Spread of ln viscosity between model and spoon (dossier §7)."""
PROBE_SD_K = 0.5
BRIX_SD = 1.0
BRIX_TOP = 62.0
"""Beyond this, or hot, a kitchen refractometer shows nothing."""
BELOW_THE_BOIL_K = 0.7
_GRID = np.linspace(1.0, 0.04, 97)


def brix(parts: Composition) -> Number:
    """Degrees Brix that a refractometer shows for milk, cooled (day dossier §5, ±1).

    >>> from mulvek.core.composition.composition import Composition
    >>> round(float(brix(Composition(water=80.0, sucrose=20.0))), 1)
    20.0
    """
    seen = parts.sugars + 0.55 * parts.milk_protein + 0.3 * parts.minerals
    return 100.0 * seen / (parts.total - parts.fat)


def reading_water(plan: ReducePlan, reading: Reading, solids: Composition, expected_kg: float) -> tuple[float, float]:
    """Water that a reading means, and its sd, kg; sd is infinite when it says nothing of the water.

    :param solids: all that is in the pan, with the water of the start.
    :param expected_kg: water that is thought to be left.
    """
    shape, value = plan.pan.shape, reading.value
    match reading.how:
        case "weight":
            return value - float(solids.solids), max(0.005, 0.005 * value)
        case "volume":
            return float(water_at_volume_kg(solids, value, HOT_C)), 25.0 * value
        case "depth":
            water = float(water_at_volume_kg(solids, float(shape.volume_m3(value)), HOT_C))
            return water, 1e3 * float(surface_m2(shape, value)) * DIP_SD_M
    waters = float(solids.water) * _GRID
    along = solids.with_water(waters)
    if reading.how == "spoon":
        thick = np.log(viscosity_mpa_s(along, HOT_C, flakes=plan.stirring == "folded"))
        return _within_stage(waters, thick, int(value), expected_kg)
    if reading.how == "brix":
        return _along(waters, np.asarray(brix(along)), value, BRIX_SD)
    boils = np.asarray(boiling_point_c(along, plan.kitchen.pressure_pa))
    if value < float(boils[0]) - BELOW_THE_BOIL_K:  # it simmers below the boil: the flame's doing, not the water's
        return expected_kg, math.inf
    return _along(waters, boils, value, PROBE_SD_K)


def _within_stage(waters: Array, thick: Array, stage: int, expected_kg: float) -> tuple[float, float]:
    """A stage is an interval: what was expected if it lies inside, else the nearer limit."""
    low = math.log(STAGE_LIMITS_MPA_S[stage - 1]) if stage else float(thick[0])
    high = math.log(STAGE_LIMITS_MPA_S[stage]) if stage < len(STAGE_LIMITS_MPA_S) else float(thick[-1])
    expected = float(np.interp(-expected_kg, -waters, thick))
    return _along(waters, thick, min(max(expected, low), high), math.hypot(SPOON_LN_SD, (high - low) / math.sqrt(12)))


def _along(waters: Array, rising: Array, value: float, sd: float) -> tuple[float, float]:
    """Water at which a curve that rises as water leaves reaches ``value``; beyond its ends, the end."""
    i = int(np.clip(np.searchsorted(rising, value), 1, len(waters) - 1))
    here = float(np.interp(value, rising, waters))
    slope = (rising[i] - rising[i - 1]) / (waters[i - 1] - waters[i])
    return here, float(sd / max(slope, 1e-9))


def check_reading(plan: ReducePlan, reading: Reading, solids: Composition, expected_kg: float) -> tuple[float, float]:
    """The reading's water and sd; refused when it cannot be of this pan.

    :raises BadInput: field "value".
    """
    pan, value = plan.pan, reading.value
    if not (math.isfinite(value) and (value > 0 or (reading.how == "spoon" and value == 0))):
        raise BadInput("value", "reading-not-positive")
    match reading.how:
        case "depth" if value > pan.shape.height_m:
            raise BadInput("value", "depth-above-rim", value=value, pan=pan.name, deep=pan.shape.height_m)
        case "volume" if value > (brim := capacity_m3(pan.shape)):
            raise BadInput("value", "volume-above-brim", value=value, pan=pan.name, brim=brim)
        case "spoon" if value not in range(len(STAGES)):
            raise BadInput("value", "no-spoon-stage", stages=tuple(STAGES))
        case "temperature" if not 40 <= value <= 130:
            raise BadInput("value", "milk-temperature-unlikely", value=value)
        case "brix" if value > BRIX_TOP:
            raise BadInput("value", "brix-above-refractometer", most=BRIX_TOP)
    water, sd = reading_water(plan, reading, solids, expected_kg)
    most = float(solids.water) + 4 * (sd + plan.milk_kg_sd)
    if water < 0 or water > most:
        raise BadInput("value", "reading-beyond-milk", than="solids" if water < 0 else "whole")
    return water, sd


def spoon_stage(parts: Composition, *, flakes: bool = False) -> int:
    """The stage (0-7) that the hot spoon shows."""
    return int(np.searchsorted(STAGE_LIMITS_MPA_S, float(viscosity_mpa_s(parts, HOT_C, flakes=flakes))))
