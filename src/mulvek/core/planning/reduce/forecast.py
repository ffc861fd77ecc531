"""The reduction forecast: a plan in, every figure the cook needs out, each with its range.

Reduction dossier §4-§7. The whole way down is reckoned as one track, a table along the steam that has
left, so that a screen can follow a dragged stop without asking again.
"""

import math
from dataclasses import dataclass

import numpy as np

from ...composition.composition import Composition
from ...equipment.burners import Flame
from ...equipment.vessels import capacity_m3
from ...errors import Impossible
from ...messages.figures import say
from ...properties.density import volume_m3
from ...properties.texture import STAGE_SIGNS, STAGES, stage_index, viscosity_ln_sd
from ...ranges import Range
from ...safety.cautions import (
    BARE_MOVEMENT,
    CHILL,
    HONEY,
    IRON,
    LID_OFF,
    LITTLE_WALL,
    MILK_CLIMBS,
    SOUR,
    SPITS,
    TURN_DOWN,
    WEAK_BOIL,
    Caution,
    brings_sugar,
    wet_first,
)
from .evaporation import HeatUp
from .judgement import Judgement, judge
from .plan import ReducePlan, Thickness
from .stops import HOT_C
from .track import Track, boil_down, grid_through, midway_steam_kg, stop_water_kg, track_down, warm_up

LATE_SUGAR_S = 180.0
"""Heat that sugar stirred in at the end needs to melt and loosen through."""
CLIMB = {"gentle": 0.35, "medium": 0.60, "strong": 1.00}
"""How much boiling milk swells, share of its volume (common practice)."""
WET_WITH = {"powder": 1.0, "starch": 2.0}
GRAINS = ("rice", "vermicelli", "semolina")
"""Starch that is not dissolved: it needs no wetting first."""
"""Cold milk to wet a powder with, times its own weight."""
CALM_WALL_M = 0.06
FIRST_BOIL_LN_SD = 0.2


@dataclass(frozen=True, slots=True, kw_only=True)
class Spoon:
    """What a spoon shows: stage 0-7, its words and sign, viscosity mPa s and the stages it may turn out."""

    stage: int
    name: str
    sign: str
    viscosity: Range
    low_stage: int
    high_stage: int


@dataclass(frozen=True, slots=True)
class Headroom:
    """How far the first boil climbs on the plan's flame, and the wall left above it, m."""

    climb_depth_m: float
    spare_m: float
    most_milk_m3: float


@dataclass(frozen=True, slots=True)
class Moment:
    """Something that happens along the way, seconds from the first boil."""

    at_s: float
    name: str
    detail: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Forecast:
    """The answer. Times in s; ``after_boil_s`` counts from the first boil; parts in kg."""

    plan: ReducePlan
    start_kg: float
    start_m3: float
    start_depth_m: float
    headroom: Headroom
    first_boil_s: Range
    boils: bool
    boil_steam_kg: float
    after_boil_s: Range
    stop_depth_m: Range
    stop_m3: Range
    stop_water_kg: float
    pan_kg: Range
    product_m3: float
    product_kg: Range
    served_kg: Range
    total_solids: Range
    pan_solids: float
    steam_kg: float
    rate_kg_s: Range
    hot: Spoon
    cold: Spoon
    before: Composition
    after: Composition
    moments: tuple[Moment, ...]
    cautions: tuple[Caution, ...]
    judgement: Judgement
    track: Track


def forecast(plan: ReducePlan) -> Forecast:
    """Reckon a reduction.

    :raises Impossible: naming the word to change: a pan too small for the milk or its boil, a stop above
        the start or drier than milk goes, a flame that never gets there.
    """
    goal, final = plan.goal_parts, plan.all_parts
    room = headroom(plan)
    stop_water = stop_water_kg(plan)
    warm = warm_up(plan)
    steam_at_stop = float(goal.water) - stop_water
    if steam_at_stop <= warm.steam_kg:
        raise Impossible("stop", "stop-before-boil")
    grid = grid_through(plan, warm.steam_kg, steam_at_stop)
    run = boil_down(plan, plan.flame, warm, grid, steam_at_stop)
    grid = grid[: len(run.at_s)]
    here = int(np.searchsorted(grid, steam_at_stop))
    track, spread = track_down(plan, warm, grid, run)

    product = final.with_water(final.water - steam_at_stop)
    product_kg = float(product.total)
    mass_sd = float(spread.mass_kg[here])
    served = float(track.served_kg[here])
    served_sd = math.hypot(mass_sd, 0.5 * (product_kg - served))
    solids = float(track.total_solids[here])
    solids_sd = solids * float(spread.solids_rel[here])
    hot_v, cold_v = float(track.hot_mpa_s[here]), float(track.cold_mpa_s[here])
    ln_sd = float(viscosity_ln_sd(solids)) * plan.thickness.ln_sd / Thickness().ln_sd
    depth = float(track.depth_m[here])
    after_boil = Range(float(track.low_s[here]), float(track.at_s[here]), float(track.high_s[here]))
    pan_kg = float(track.pan_kg[here])
    start = goal if plan.sugar_time == "start" else plan.base_parts
    start_m3 = float(volume_m3(start, plan.kitchen.milk_c))
    dry, full = goal.with_water(0.0), goal.with_water(goal.water - warm.steam_kg)
    dry_m3, full_m3 = (float(volume_m3(parts, HOT_C)) for parts in (dry, full))
    least, most = (float(plan.pan.shape.depth_m(m3)) for m3 in (dry_m3, full_m3))
    lost = product_kg - served
    return Forecast(
        plan=plan,
        start_kg=float(start.total),
        start_m3=start_m3,
        start_depth_m=float(plan.pan.shape.depth_m(start_m3)),
        headroom=room,
        first_boil_s=Range.lognormal(warm.seconds, FIRST_BOIL_LN_SD),
        boils=warm.rolls,
        boil_steam_kg=warm.steam_kg,
        after_boil_s=after_boil,
        stop_depth_m=Range.between(depth, float(spread.depth_m[here]), least, most),
        stop_m3=Range.between(float(track.volume_m3[here]), float(spread.volume_m3[here]), dry_m3, full_m3),
        stop_water_kg=stop_water,
        pan_kg=Range.between(pan_kg, mass_sd, float(dry.total), float(full.total)),
        product_m3=float(volume_m3(product, HOT_C)),
        product_kg=Range.between(product_kg, mass_sd, float(final.solids), float(final.total) - warm.steam_kg),
        served_kg=Range.between(
            served, served_sd, max(0.0, float(final.solids) - 3 * lost), float(final.total) - warm.steam_kg
        ),
        total_solids=Range.between(solids, solids_sd, float(final.solids) / float(final.total), 1.0),
        pan_solids=float(track.pan_solids[here]),
        steam_kg=steam_at_stop,
        rate_kg_s=Range.lognormal(float(track.rate_kg_s[here]), plan.rate.ln_sd),
        hot=_spoon(hot_v, ln_sd),
        cold=_spoon(cold_v, ln_sd),
        before=plan.base_parts,
        after=product,
        moments=_moments(plan, warm, track, here),
        cautions=_cautions(plan, room, start_m3, warm, hot_v),
        judgement=judge(plan, track, here, product),
        track=track,
    )


def headroom(plan: ReducePlan, flame: Flame | None = None) -> Headroom:
    """How far the first boil climbs, on the plan's flame or on another.

    :raises Impossible: field "pan", when the milk or its boil does not fit.
    """
    shape, start, flame = plan.pan.shape, plan.base_m3, flame or plan.flame
    brim = capacity_m3(shape)
    if plan.sugar_time == "start" and plan.sugar_kg:
        start = float(volume_m3(plan.goal_parts, plan.kitchen.milk_c))
    most = brim / (1 + CLIMB[flame])
    if start > most:
        if start > brim:
            raise Impossible("pan", "pan-brim-below-milk", pan=plan.pan.name, brim=brim, start=start)
        raise Impossible("pan", "pan-boils-over", pan=plan.pan.name, most=most, flame=flame, start=start)
    climb = float(shape.depth_m(start * (1 + CLIMB[flame])))
    return Headroom(climb, shape.height_m - climb, most)


def _spoon(viscosity: float, ln_sd: float) -> Spoon:
    spread = Range.lognormal(viscosity, ln_sd)
    stage = int(stage_index(viscosity))
    return Spoon(
        stage=stage,
        name=STAGES[stage],
        sign=STAGE_SIGNS[stage],
        viscosity=spread,
        low_stage=int(stage_index(spread.low)),
        high_stage=int(stage_index(spread.high)),
    )


def _moments(plan: ReducePlan, warm: HeatUp, track: Track, here: int) -> tuple[Moment, ...]:
    stop_s = float(track.at_s[here])
    half_depth = float(np.interp(stop_s / 2, track.at_s, track.depth_m))
    moments = [Moment(-warm.seconds, "light it", ""), Moment(0.0, "first boil", "")]
    if plan.flame != "strong":
        moments.append(Moment(0.0, "flame down", plan.flame))
    moments.append(Moment(stop_s / 2, "dip", f"expect {say(half_depth, 'length')}"))
    off = stop_s
    if plan.sugar_kg:
        if plan.sugar_time == "midway":
            gone = midway_steam_kg(plan, warm, float(track.steam_kg[here]))
            when = float(np.interp(gone, track.steam_kg, track.at_s))
            moments.append(Moment(when, "sugar in", say(plan.sugar_kg, "mass")))
        elif plan.sugar_time == "end":
            moments.append(Moment(stop_s, "sugar in", say(plan.sugar_kg, "mass")))
            off += LATE_SUGAR_S
    moments.append(Moment(off, "off", ""))
    return tuple(sorted(moments, key=lambda m: m.at_s))


def _of_the_schools(plan: ReducePlan) -> list[Caution]:
    """What the chosen way of doing it asks for."""
    found = []
    if plan.lid:
        found.append(LID_OFF)
    if plan.sugar_kg and "sour" in plan.sugar_kind.flags:
        found.append(SOUR)
    if plan.sugar_kg and plan.sugar_kind.key == "honey":
        found.append(HONEY)
    if plan.pan.material == "iron":
        found.append(IRON)
    if "plant" in plan.milk.flags:
        found.append(BARE_MOVEMENT)
    for more in plan.additions:
        if more.material.group in WET_WITH and more.material.key not in GRAINS:
            found.append(wet_first(more.material.name, WET_WITH[more.material.group] * more.mass_kg))
        sugar = float(more.parts.free_sugars)
        if sugar > 0.005 and more.material.group == "concentrate":
            found.append(brings_sugar(more.material.name, sugar))
    return found


def _cautions(plan: ReducePlan, room: Headroom, start_m3: float, warm: HeatUp, hot_v: float) -> tuple[Caution, ...]:
    shape = plan.pan.shape
    found = [MILK_CLIMBS]
    if plan.flame != "strong" and start_m3 * (1 + CLIMB["strong"]) > capacity_m3(shape):
        found = [TURN_DOWN]
    elif shape.height_m - float(shape.depth_m(start_m3)) < CALM_WALL_M:
        found.append(LITTLE_WALL)
    if not warm.rolls:
        found.append(WEAK_BOIL)
    if hot_v > 100:
        found.append(SPITS)
    found += _of_the_schools(plan)
    found.append(CHILL)
    return tuple(found)
