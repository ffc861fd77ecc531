"""The fire and the pan: warming to the first boil, then steam leaving an open pan.

Reduction dossier §4: one energy balance, ``(m·cp + pan)·dT/dt = P − dry loss − E·h``, where steam E is
surface evaporation (still surface, vapour drift) plus what bubbles carry once the milk is within 2 K of
its boiling point. Warming is integrated along temperature, simmering along the steam that has left
(backward Euler): both follow the dossier's 5-second solution to 0.3 % with some hundred steps in all.
"""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ...composition.composition import Composition, Number
from ...equipment.pans import Pan
from ...equipment.vessels import surface_m2
from ...errors import Impossible
from ...properties.density import volume_m3
from ...properties.heat_capacity import heat_capacity_j_k
from ...properties.steam import CONVECTION, RADIATION, SHELTER, latent_heat_j_kg, surface_flux_kg_m2_s
from ...properties.texture import viscosity_mpa_s
from ...properties.water_activity import boiling_point_c, boiling_water_activity
from .scorch import safe_power_w

Array = NDArray[np.float64]

ROLL_BELOW_BOIL_K = 2.5
"""Milk this close to its boiling point has come to the boil as a cook sees it."""
STALL_K_S = 0.2 / 60
"""Warming slower than this above ``STALLS_ABOVE_C``: it steams and will not roll."""
STALLS_ABOVE_C = 85.0
LONGEST_S = 12 * 3600.0
TEMPERATURE_TOLERANCE_K = 1e-2


@dataclass(frozen=True, slots=True, kw_only=True)
class Fire:
    """Heat under the pan and air around it. Powers are net, W; ``wall_loss`` W/m² K."""

    heat_up_w: float
    simmer_w: float
    wall_loss: float
    room_c: float
    pressure_pa: float
    spare_the_bottom: bool = True
    """Turn down to what the bottom bears once the milk is thick."""
    heat_up_shelter: float = SHELTER
    simmer_shelter: float = SHELTER


@dataclass(frozen=True, slots=True)
class HeatUp:
    """From cold to the first boil."""

    seconds: float
    steam_kg: float
    celsius: float
    rolls: bool


@dataclass(frozen=True, slots=True)
class Simmer:
    """From the first boil on, one row a node of steam gone. ``at_s`` counts from the first boil."""

    at_s: Array
    celsius: Array
    power_w: Array
    rate_kg_s: Array


@dataclass(slots=True, kw_only=True)
class Balance:
    """The terms of the energy balance at one instant; ``loss_w_k`` is dry loss per kelvin above the room."""

    power_w: float
    surface_m2: float
    loss_w_k: float
    activity: float
    boils_c: float
    room_c: float
    pressure_pa: float
    shelter: float

    def steam(self, celsius: float) -> tuple[float, float]:
        """Steam leaving, kg/s, and the heat left over to warm the milk, W."""
        latent = latent_heat_j_kg(celsius)
        still = surface_flux_kg_m2_s(celsius, self.pressure_pa, self.activity, self.shelter) * self.surface_m2
        surplus = self.power_w - self.loss_w_k * (celsius - self.room_c) - still * latent
        if surplus <= 0 or celsius <= self.boils_c - 2:
            return still, surplus
        bubbles = min(1.0, (celsius - self.boils_c + 2) / 2) * surplus
        return still + bubbles / latent, surplus - bubbles


def loss_w_k(pan: Pan, fire: Fire, surface: Number, depth_m: Number) -> Number:
    """Dry heat loss of surface and unheated wall, W/K."""
    loss = (CONVECTION + RADIATION) * surface
    if fire.wall_loss:
        wall = np.maximum(0.0, pan.shape.wetted_m2(depth_m) - pan.shape.heated_m2(depth_m))
        loss = loss + fire.wall_loss * wall
    return loss


def heat_up(start: Composition, start_c: float, pan: Pan, fire: Fire, steps: int = 36) -> HeatUp:
    """Warm a cold pan of milk to the first boil.

    :raises Impossible: field "burner", when this flame never brings it there.
    """
    boils = float(boiling_point_c(start, fire.pressure_pa))
    activity = float(boiling_water_activity(start))
    rolls_c = boils - ROLL_BELOW_BOIL_K
    # closer together towards the boil, where it warms ever more slowly
    edges = rolls_c - max(0.0, rolls_c - start_c) * np.linspace(1.0, 0.0, steps + 1) ** 1.6
    depths = pan.shape.depth_m(volume_m3(start, edges))
    surface = surface_m2(pan.shape, depths)
    surfaces, losses = surface.tolist(), loss_w_k(pan, fire, surface, depths).tolist()
    capacities = heat_capacity_j_k(start, edges).tolist()
    water_j_k = heat_capacity_j_k(Composition(water=1.0), edges).tolist()
    at_c = edges.tolist()
    seconds = steam = 0.0
    before: tuple[float, float] | None = None
    for i, celsius in enumerate(at_c):
        balance = Balance(
            power_w=fire.heat_up_w,
            surface_m2=surfaces[i],
            loss_w_k=losses[i],
            activity=activity,
            boils_c=boils,
            room_c=fire.room_c,
            pressure_pa=fire.pressure_pa,
            shelter=fire.heat_up_shelter,
        )
        rate, warming = balance.steam(celsius)
        rises = warming / (capacities[i] - steam * water_j_k[i] + pan.heat_capacity_j_k)  # K/s
        if rises < STALL_K_S and celsius <= STALLS_ABOVE_C:
            raise Impossible("burner", "flame-never-boils", celsius=celsius)
        if before is None:
            if rises < STALL_K_S:
                return HeatUp(0.0, 0.0, celsius, rolls=False)
        else:
            quick, given = before
            share = 1.0 if rises >= STALL_K_S else (quick - STALL_K_S) / (quick - rises)
            step, middle = _stretch(share * (celsius - at_c[i - 1]), quick, max(rises, STALL_K_S))
            seconds += step
            steam += (given + share * middle * (rate - given)) * step
            if rises < STALL_K_S:
                return HeatUp(seconds, steam, at_c[i - 1] + share * (celsius - at_c[i - 1]), rolls=False)
        before = rises, rate
    return HeatUp(seconds, steam, at_c[-1], rolls=True)


def _stretch(kelvin: float, first_k_s: float, last_k_s: float) -> tuple[float, float]:
    """Time over a stretch where the warming changes evenly with the temperature from one rate to the other, s; and how
    far along it stands on an average of the time, 0 to 1."""
    ratio, change = math.log(first_k_s / last_k_s), first_k_s - last_k_s
    if abs(ratio) < 1e-5:
        return kelvin / first_k_s, 0.5
    return kelvin * ratio / change, first_k_s / change - 1 / ratio


@dataclass(frozen=True, slots=True)
class Descent:
    """What boiling down meets at each node whatever the flame: rows of the balance's terms, and for the
    wall the hot viscosity and the heated area."""

    rows: list[tuple[float, ...]]
    depth_m: Array
    heated_m2: Array
    viscosity: Array


def descent(contents: Composition, steam_kg: Array, pan: Pan, fire: Fire) -> Descent:
    """Prepare a way down.

    :param contents: what is in the pan at each node (arrays, kg).
    :param steam_kg: steam gone at each node, rising, from the value at the first boil.
    """
    boils = boiling_point_c(contents, fire.pressure_pa)
    depths = pan.shape.depth_m(volume_m3(contents, np.minimum(boils, 100.0)))
    heated, surfaces = pan.shape.heated_m2(depths), surface_m2(pan.shape, depths)
    cool, hot = (viscosity_mpa_s(contents, t) for t in (80.0, 100.0))
    rows = zip(
        np.diff(steam_kg, prepend=steam_kg[0]).tolist(),
        surfaces.tolist(),
        loss_w_k(pan, fire, surfaces, depths).tolist(),
        boiling_water_activity(contents).tolist(),
        boils.tolist(),
        (heat_capacity_j_k(contents, np.minimum(boils, 100.0)) + pan.heat_capacity_j_k).tolist(),
        np.log(safe_power_w(cool, heated)).tolist(),
        np.log(safe_power_w(hot, heated)).tolist(),
        strict=True,
    )
    return Descent(list(rows), depths, heated, hot)


def simmer(way: Descent, from_c: float, fire: Fire, needed: int | None = None) -> Simmer:
    """Boil down along a prepared way, as far as half a day goes.

    :param from_c: milk temperature at the first boil.
    :param needed: rows that must be reached; all when not given. Later ones may be left out.
    :raises Impossible: field "flame", when those would take more than half a day.
    """
    temperature, at = min(from_c, way.rows[0][4]), 0.0
    found: list[tuple[float, float, float, float]] = []
    for gone, surface, loss, activity, boiling, capacity, cool, hot in way.rows:
        watts = fire.simmer_w
        if fire.spare_the_bottom:
            part = (min(temperature, 100.0) - 80.0) / 20.0
            watts = min(watts, math.exp(cool + part * (hot - cool)))
        balance = Balance(
            power_w=watts,
            surface_m2=surface,
            loss_w_k=loss,
            activity=activity,
            boils_c=boiling,
            room_c=fire.room_c,
            pressure_pa=fire.pressure_pa,
            shelter=fire.simmer_shelter,
        )
        if gone:
            temperature = _next_temperature(balance, temperature, capacity, gone)
        rate, _ = balance.steam(temperature)
        if gone:
            at += gone / rate if rate > 0 else math.inf
        if not at < LONGEST_S:
            if needed is not None and len(found) >= needed:
                break
            raise Impossible("flame", "flame-takes-too-long")
        found.append((at, temperature, watts, rate))
    return Simmer(*np.array(found).T)


def _next_temperature(balance: Balance, before_c: float, capacity_j_k: float, gone_kg: float) -> float:
    """Temperature after ``gone_kg`` more steam: the root of the implicit step, by bracketed secant."""

    def miss(celsius: float) -> float:
        rate, left = balance.steam(celsius)
        return capacity_j_k * (celsius - before_c) * rate - left * gone_kg

    # The answer lies near: a step of a quarter kelvin usually brackets it, then two or three secants do.
    low, high = min(before_c, balance.boils_c) - 20.0, balance.boils_c
    last, f_last = before_c, miss(before_c)
    if f_last > 0:
        high, guess = min(high, before_c), before_c - 0.25
    else:
        low, guess = max(low, before_c), min(before_c + 0.25, high)
    for _ in range(40):
        value = miss(guess)
        if value > 0:
            high = guess
        else:
            low = guess
        step = value * (guess - last) / (value - f_last) if value != f_last else 0.0
        last, f_last = guess, value
        after = guess - step
        if not low < after < high:
            after = (low + high) / 2
        if abs(after - guess) < TEMPERATURE_TOLERANCE_K:
            return after
        guess = after
    return guess
