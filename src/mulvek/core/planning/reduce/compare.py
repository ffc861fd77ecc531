"""Which pan, which flame? The same milk and stop in every pan of the kitchen, on every flame of one burner."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from ...equipment.burners import FLAMES, Flame
from ...equipment.pans import Pan
from ...errors import Impossible, KitchenError
from ...ranges import Range
from .evaporation import Array, Descent, HeatUp, Simmer, descent, simmer
from .forecast import headroom
from .plan import Rate, ReducePlan
from .scorch import CONTINUOUS_S, stir_interval_s
from .stops import Stop
from .track import around, at_learned_speed, contents_along, fire_under, steam_grid, stop_water_kg, warm_up

ROWS = 9
HANDS_ON_S = 10.0
"""What one stir costs the cook, s."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Way:
    """One pan on one flame: whole time in s with its range, shortest and continuous stirring, cook's time."""

    pan_id: int
    flame: Flame
    total_s: Range
    shortest_stir_s: float
    continuous_s: float
    hands_on_s: float
    depth_m: float
    best: bool = False


@dataclass(frozen=True, slots=True)
class Unfit:
    """A pan that cannot be used for this, and why."""

    pan_id: int
    why: str


def compare(
    plan: ReducePlan, pans: Mapping[int, Pan], rate: Callable[[int, str], Rate]
) -> tuple[list[Way], list[Unfit]]:
    """Every pan that takes it on every flame, the best marked; and those that do not, with the reason.

    Best: least of the cook's own time at the pan, a minute of waiting counting as a tenth.
    """
    ways: list[Way] = []
    unfit: list[Unfit] = []
    plan = replace(plan, stop=fixed_stop(plan))
    for pan_id, pan in pans.items():
        try:
            ways += _in_pan(plan.elsewhere(pan=pan), pan_id, partial(rate, pan_id))
        except KitchenError as error:
            unfit.append(Unfit(pan_id, error.message))
    if ways:
        best = min(ways, key=lambda way: way.hands_on_s + 0.1 * way.total_s.likely)
        ways = [replace(way, best=way is best) for way in ways]
    return ways, unfit


def fixed_stop(plan: ReducePlan) -> Stop:
    """The stop in words that mean the same in any pan: a level becomes the volume it stands for here."""
    if plan.stop.kind != "depth":
        return plan.stop
    return Stop("volume", float(plan.pan.shape.volume_m3(plan.stop.value)))


def _in_pan(plan: ReducePlan, pan_id: int, rate: Callable[[Flame], Rate]) -> list[Way]:
    """The flames that this pan takes, gentlest first. Steam, contents and walls are the same for all."""
    headroom(plan, "gentle")
    warm = warm_up(plan, steps=9)
    gone = float(plan.goal_parts.water) - stop_water_kg(plan)
    if gone <= warm.steam_kg:
        raise Impossible("stop", "stop-before-boil-in-pan")
    steam = steam_grid(plan, warm.steam_kg, gone, ROWS)
    contents = contents_along(plan, warm, steam, gone)
    way = descent(contents, steam, plan.pan, fire_under(plan, "gentle"))
    runs: dict[Flame, tuple[Simmer, Rate]] = {}
    for flame in FLAMES:
        try:
            headroom(plan, flame)
            run = simmer(way, warm.celsius, fire_under(plan, flame))
        except KitchenError:
            continue
        known = rate(flame)
        runs[flame] = at_learned_speed(run, known), known
    if not runs:
        return []
    # all flames at once: the scorch rule is a sum over every second of rest
    celsius = np.array([run.celsius for run, _ in runs.values()])
    flux = np.array([run.power_w for run, _ in runs.values()]) / way.heated_m2
    sugar = np.broadcast_to(contents.sucrose / contents.total, flux.shape)
    stirs = stir_interval_s(celsius, flux, way.viscosity, plan.pan, sugar, wetted=plan.wetted)
    return [_way(pan_id, flame, warm, way, *of, stir) for (flame, of), stir in zip(runs.items(), stirs, strict=True)]


def _way(pan_id: int, flame: Flame, warm: HeatUp, way: Descent, run: Simmer, rate: Rate, stir: Array) -> Way:
    spent = np.diff(run.at_s)
    every = (stir[1:] + stir[:-1]) / 2
    continuous = float(np.sum(spent[every < CONTINUOUS_S]))
    stirs = float(np.sum((spent / every)[every >= CONTINUOUS_S]))
    last = run.at_s[-1:]
    low, high = around(last, last * rate.ln_sd)
    return Way(
        pan_id=pan_id,
        flame=flame,
        total_s=Range(warm.seconds + float(low[0]), warm.seconds + float(last[0]), warm.seconds + float(high[0])),
        shortest_stir_s=float(np.min(stir)),
        continuous_s=continuous,
        hands_on_s=continuous + stirs * HANDS_ON_S,
        depth_m=float(way.depth_m[-1]),
    )
