"""The model's own way down for a plan: what the live estimate starts from and is steered along."""

import math
from bisect import bisect_right
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..equipment.burners import Flame
from ..planning.reduce.evaporation import Array, HeatUp
from ..planning.reduce.plan import ReducePlan
from ..planning.reduce.track import boil_down, steam_grid, stop_water_kg, warm_up


@dataclass(frozen=True, slots=True)
class WayDown:
    """The model's own way down on one flame: rate against water, what it starts from, and the water at its end."""

    curve: Callable[[float], float]
    ln_reference: float
    power_w: Callable[[float], float]
    celsius: Callable[[float], float]
    driest_kg: float


def _lookup(water: Array, values: Array) -> Callable[[float], float]:
    """Linear between the nodes, level beyond them; by bisection, as it is asked for one water at a time."""
    rising, ordered = water[::-1].tolist(), values[::-1].tolist()
    slopes = (np.diff(ordered) / np.diff(rising)).tolist()
    last = len(slopes)

    def at(w: float) -> float:
        i = bisect_right(rising, w) - 1
        if i < 0:
            return float(ordered[0])
        return float(ordered[i] + slopes[i] * (w - rising[i]) if i < last else ordered[last])

    return at


@lru_cache(maxsize=64)
def warming(plan: ReducePlan) -> HeatUp:
    """From cold to the first boil, reckoned once a plan."""
    return warm_up(plan)


@lru_cache(maxsize=64)
def way_down(plan: ReducePlan, flame: Flame) -> WayDown:
    warm = warming(plan)
    steam = steam_grid(plan, warm.steam_kg)
    goal_water = float(plan.goal_parts.water)
    run = boil_down(plan, flame, warm, steam, goal_water - stop_water_kg(plan))
    steam = steam[: len(run.at_s)]
    reference = float(np.median(run.rate_kg_s))
    water = goal_water - steam
    return WayDown(
        _lookup(water, run.rate_kg_s / reference),
        math.log(reference),
        _lookup(water, run.power_w),
        _lookup(water, run.celsius),
        float(water[-1]),
    )
