"""The way down: where the stop lies, how long each step takes, and the table along the steam that has left."""

import math
from dataclasses import dataclass, replace

import numpy as np

from ...composition.composition import Composition
from ...equipment.burners import Flame
from ...equipment.vessels import surface_m2
from ...errors import Impossible
from ...properties.density import volume_m3
from ...properties.steam import SHELTER, SHELTER_LID, SHELTER_SKIN
from ...properties.texture import COLD_C, stage_index, viscosity_mpa_s
from ...ranges import Z80
from .browning import browning_dose, colour_index
from .evaporation import Array, Fire, HeatUp, Simmer, descent, heat_up, simmer
from .plan import Rate, ReducePlan
from .scorch import pan_loss_kg, skins_kg, stir_interval_s, wall_c
from .stops import HOT_C, water_at_stop_kg

DRIEST_MILK_PART = 0.75
"""Total solids of the milk part (milk solids in milk solids and water) beyond which nothing here holds."""
DRIEST_PRODUCT = 0.80
MIDWAY_SHARE = 0.70
"""Sugar "midway" goes in when the pan is down to this share of the milk's weight, or half-way if sooner."""
DIP_SD_M = 0.002
"""A dip-stick read off the boil, 1 sd."""
PAN_MEASURE_SD = 0.01
SPATTER_AND_TASTING = 0.0075
TRACK_ROWS = 40
HEAT_UP_STEPS = 36


@dataclass(frozen=True, slots=True, kw_only=True)
class Track:
    """The way down, one row a node; every column an array of equal length.

    ``depth_m`` and ``volume_m3`` are hot and as the stop is judged; ``product_kg``, ``served_kg``,
    ``total_solids`` and the stages are of the product, late sugar included.
    """

    at_s: Array
    low_s: Array
    high_s: Array
    steam_kg: Array
    water_kg: Array
    depth_m: Array
    volume_m3: Array
    pan_kg: Array
    product_kg: Array
    served_kg: Array
    total_solids: Array
    pan_solids: Array
    hot_mpa_s: Array
    cold_mpa_s: Array
    concentration: Array
    hot_stage: Array
    cold_stage: Array
    celsius: Array
    rate_kg_s: Array
    stir_s: Array
    dose: Array
    colour: Array


def fire_under(plan: ReducePlan, flame: Flame) -> Fire:
    """The plan's flame to the first boil, then ``flame``."""
    base = plan.pan.shape.base_diameter_m
    return Fire(
        heat_up_w=plan.burner.net_power_w(plan.to_boil, base),
        simmer_w=plan.burner.net_power_w(flame, base),
        wall_loss=plan.burner.wall_loss_w_m2_k,
        room_c=plan.kitchen.room_c,
        pressure_pa=plan.kitchen.pressure_pa,
        heat_up_shelter=SHELTER_LID if plan.lid else SHELTER,
        simmer_shelter=SHELTER if plan.stirring in ("scraped", "now-and-then") else SHELTER_SKIN,
    )


def warm_up(plan: ReducePlan, steps: int = HEAT_UP_STEPS) -> HeatUp:
    start = plan.goal_parts if plan.sugar_time == "start" else plan.base_parts
    return heat_up(start, plan.kitchen.milk_c, plan.pan, fire_under(plan, plan.flame), steps)


def contents_along(plan: ReducePlan, warm: HeatUp, steam: Array, steam_at_stop: float) -> Composition:
    """What is in the pan at each node of steam, with the sugar from when it goes in."""
    goal = plan.goal_parts
    contents = goal.with_water(goal.water - steam)
    if plan.sugar_time == "midway" and plan.sugar_kg:
        gone = midway_steam_kg(plan, warm, steam_at_stop)
        without = plan.base_parts.with_water(plan.base_parts.water - steam)
        contents = Composition(
            *(
                a if a is b or np.array_equal(a, b) else np.where(steam < gone, a, b)
                for (_, a), (_, b) in zip(without.items(), contents.items(), strict=True)
            )
        )
    return contents


def boil_down(plan: ReducePlan, flame: Flame, warm: HeatUp, steam: Array, steam_at_stop: float) -> Simmer:
    """Time and rate at each node of steam; nodes beyond the stop and half a day are left out."""
    fire = fire_under(plan, flame)
    way = descent(contents_along(plan, warm, steam, steam_at_stop), steam, plan.pan, fire)
    needed = int(np.searchsorted(steam, steam_at_stop)) + 1
    return at_learned_speed(simmer(way, warm.celsius, fire, needed), plan.rate)


def at_learned_speed(run: Simmer, rate: Rate) -> Simmer:
    """The model's way down at the speed that logged batches taught."""
    speed = math.exp(rate.ln_mean)
    return Simmer(run.at_s / speed, run.celsius, run.power_w, run.rate_kg_s * speed)


def midway_steam_kg(plan: ReducePlan, warm: HeatUp, steam_at_stop: float) -> float:
    """Steam gone when "midway" sugar goes in, kg."""
    return min((1 - MIDWAY_SHARE) * plan.base_kg, (warm.steam_kg + steam_at_stop) / 2)


def stop_water_kg(plan: ReducePlan) -> float:
    """Water in the pan when the stop is reached, kg.

    :raises Impossible: field "stop": above the start, above the rim, or drier than khoya.
    """
    goal, stop = plan.goal_parts, plan.stop
    if stop.kind == "depth" and stop.value > plan.pan.shape.height_m:
        raise Impossible("stop", "stop-above-pan", pan=plan.pan.name, height_m=plan.pan.shape.height_m)
    water = water_at_stop_kg(
        stop, goal, plan.base_kg, plan.base_m3, plan.pan.shape, plan.late_parts, flakes=plan.stirring == "folded"
    )
    if water >= float(goal.water):
        raise Impossible("stop", "stop-above-start", stop=stop.text)
    driest = _driest_water_kg(plan)
    if water < driest:
        least = float(volume_m3(goal.with_water(driest), HOT_C))
        if plan.sugar_kg and _too_sweet(plan):
            raise Impossible("sugar", "sugar-drier-than-khoya", sugar_kg=plan.sugar_kg, stop=stop.text, least=least)
        raise Impossible("stop", "stop-drier-than-khoya", stop=stop.text, least=least)
    return water


def _too_sweet(plan: ReducePlan) -> bool:
    """Whether the same stop could be met without the sugar."""
    try:
        stop_water_kg(replace(plan, sugar=None))
    except Impossible:
        return False
    return True


def _sentence_case(text: str) -> str:
    return text[:1].upper() + text[1:]


def _driest_water_kg(plan: ReducePlan) -> float:
    milk_solids, all_solids = float(plan.base_parts.solids), float(plan.all_parts.solids)
    milk_part = milk_solids * (1 / DRIEST_MILK_PART - 1)
    return max(milk_part, all_solids * (1 / DRIEST_PRODUCT - 1) - float(plan.late_parts.water))


def steam_grid(plan: ReducePlan, first: float, last: float | None = None, rows: int = TRACK_ROWS) -> Array:
    """Nodes of steam from the first boil to ``last`` or as dry as it goes, closer together at the start."""
    if last is None:
        last = float(plan.goal_parts.water) - _driest_water_kg(plan)
    return np.asarray(first + (last - first) * np.linspace(0.0, 1.0, rows) ** 1.3)


def grid_through(
    plan: ReducePlan, first: float, stop: float, last: float | None = None, rows: int = TRACK_ROWS
) -> Array:
    """The nodes, with the stop itself among them."""
    grid = steam_grid(plan, first, last, rows)
    nearest = int(np.argmin(np.abs(grid[1:] - stop))) + 1
    grid[nearest] = stop
    return grid


@dataclass(frozen=True, slots=True)
class Spread:
    """1 sd of what a cook who stops here gets, along the track."""

    volume_m3: Array
    depth_m: Array
    mass_kg: Array
    solids_rel: Array


def track_down(plan: ReducePlan, warm: HeatUp, steam: Array, run: Simmer) -> tuple[Track, Spread]:
    goal, final, shape = plan.goal_parts, plan.all_parts, plan.pan.shape
    judged = goal.with_water(goal.water - steam)
    product = final.with_water(final.water - steam)
    volume = volume_m3(judged, HOT_C)
    depth = shape.depth_m(volume)
    solids = product.total_solids
    flakes = plan.stirring == "folded"
    own = math.exp(plan.thickness.ln_mean)
    hot = own * viscosity_mpa_s(product, HOT_C, flakes=flakes)
    cold = own * viscosity_mpa_s(product, COLD_C, aged=True, flakes=flakes)
    in_pan = viscosity_mpa_s(judged, HOT_C, flakes=flakes) if float(plan.late_parts.total) else hot
    top = float(shape.depth_m(float(volume_m3(goal.with_water(goal.water - warm.steam_kg), HOT_C))))
    ring = np.maximum(0.0, shape.wetted_m2(top) - shape.wetted_m2(depth))
    mass = product.total
    scraped = plan.stirring == "scraped"
    loss = pan_loss_kg(mass, hot, shape.wetted_m2(depth), ring, scraped=scraped) + SPATTER_AND_TASTING * mass
    if plan.stirring == "lifted":
        loss = loss + np.minimum(0.3 * mass, skins_kg(run.at_s, surface_m2(shape, depth)))
    spread = _spread(plan, judged.total, volume, depth)
    steam_sd = np.hypot(spread.mass_kg, plan.milk_kg_sd)
    time_sd = np.hypot(run.at_s * plan.rate.ln_sd, steam_sd / run.rate_kg_s)
    low, high = around(run.at_s, time_sd)
    flux = run.power_w / shape.heated_m2(depth)
    sugar = judged.sucrose / judged.total
    stir = stir_interval_s(run.celsius, flux, in_pan, plan.pan, sugar, wetted=plan.wetted)
    dose = browning_dose(run.at_s, judged, run.celsius, wall_c(run.celsius, flux, in_pan, plan.pan), plan.pan)
    track = Track(
        at_s=run.at_s,
        low_s=low,
        high_s=high,
        steam_kg=steam,
        water_kg=product.water,
        depth_m=depth,
        volume_m3=volume,
        pan_kg=judged.total,
        product_kg=mass,
        served_kg=mass - loss,
        total_solids=solids,
        pan_solids=judged.total_solids,
        hot_mpa_s=hot,
        cold_mpa_s=cold,
        concentration=plan.base_kg / (plan.base_kg - steam),
        hot_stage=stage_index(hot),
        cold_stage=stage_index(cold),
        celsius=run.celsius,
        rate_kg_s=run.rate_kg_s,
        stir_s=stir,
        dose=dose,
        colour=colour_index(dose),
    )
    return track, spread


def around(at_s: Array, sd_s: Array) -> tuple[Array, Array]:
    """80 % interval of a time: lognormal, additive once the spread is over a half (dossier §4)."""
    sd = sd_s / np.maximum(at_s, 1.0)
    c = np.minimum(sd, 0.5)
    below, above = sd * (1 - np.exp(-Z80 * c)) / c, sd * (np.exp(Z80 * c) - 1) / c
    return np.maximum(0.0, at_s * (1 - below)), at_s * (1 + above)


def _spread(plan: ReducePlan, pan_kg: Array, volume: Array, depth: Array) -> Spread:
    """How well a cook hits this stop: by scale, or by dip-stick. A stop by solids is found by the pan's weight, as no
    stick shows solids, and has the milk's own spread in it."""
    kind = plan.stop.kind
    area = surface_m2(plan.pan.shape, depth)
    density = pan_kg / volume
    composition = np.zeros_like(pan_kg)
    by_solids = kind in ("total_solids", "milk_part")
    if by_solids:
        composition = pan_kg * plan.milk.total_solids_sd / float(plan.milk.parts.total_solids)
    weighed = by_solids or kind in ("mass", "mass_ratio")
    reading = np.maximum(0.005, 0.005 * pan_kg) if weighed else density * area * DIP_SD_M
    mass = np.hypot(reading, composition)
    mark = np.hypot(composition, 0.005 * pan_kg if weighed else 0.0) / density
    return Spread(
        volume_m3=mass / density,
        depth_m=np.hypot(PAN_MEASURE_SD * depth, mark / area),
        mass_kg=mass,
        solids_rel=np.hypot(plan.solids_rel_sd, mass / pan_kg) if not by_solids else reading / pan_kg + 0 * mass,
    )
