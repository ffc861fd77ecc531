"""The first boil against the same balance of heat stepped second by second, and without a jump in any direction."""

import itertools
import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.composition.composition import Composition
from mulvek.core.composition.materials import material
from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.vessels import Kadhai, Straight, surface_m2
from mulvek.core.errors import Impossible
from mulvek.core.planning.reduce.evaporation import (
    ROLL_BELOW_BOIL_K,
    STALL_K_S,
    STALLS_ABOVE_C,
    Balance,
    Fire,
    heat_up,
    loss_w_k,
)
from mulvek.core.properties.density import volume_m3
from mulvek.core.properties.heat_capacity import heat_capacity_j_k
from mulvek.core.properties.steam import pressure_at_altitude_pa
from mulvek.core.properties.water_activity import boiling_point_c, boiling_water_activity
from tests.sizes import sized


def second_by_second(start: Composition, celsius: float, pan: Pan, fire: Fire) -> tuple[float, float]:
    """Seconds to the first boil, or until it warms too slowly to come there; and the steam gone, kg."""
    boils, activity = float(boiling_point_c(start, fire.pressure_pa)), float(boiling_water_activity(start))
    seconds = steam = 0.0
    while celsius < boils - ROLL_BELOW_BOIL_K:
        depth = pan.shape.depth_m(volume_m3(start, celsius))
        surface = surface_m2(pan.shape, depth)
        loss = float(loss_w_k(pan, fire, surface, depth))
        balance = Balance(
            power_w=fire.heat_up_w,
            surface_m2=float(surface),
            loss_w_k=loss,
            activity=activity,
            boils_c=boils,
            room_c=fire.room_c,
            pressure_pa=fire.pressure_pa,
            shelter=fire.heat_up_shelter,
        )
        rate, warming = balance.steam(celsius)
        capacity = float(heat_capacity_j_k(start, celsius)) + pan.heat_capacity_j_k
        capacity -= steam * float(heat_capacity_j_k(Composition(water=1.0), celsius))
        if warming / capacity < STALL_K_S:
            if celsius <= STALLS_ABOVE_C:
                raise Impossible("burner", "flame-never-boils", celsius=celsius)
            break
        celsius += warming / capacity
        steam += rate
        seconds += 1.0
    return seconds, steam


PANS = st.one_of(
    st.builds(lambda w: Pan("pot", Straight(w, 0.2)), st.floats(0.14, 0.36)),
    st.builds(lambda w: Pan("kadhai", Kadhai(w, 0.09), "iron", 2.0), st.floats(0.2, 0.4)),
)
MILKS = st.builds(
    lambda key, kg: material(key).parts.scaled(kg), st.sampled_from(["cow", "buffalo", "skim"]), st.floats(0.3, 4.0)
)


@settings(max_examples=sized(40, 200), deadline=None)
@given(MILKS, PANS, st.floats(150.0, 1800.0), st.floats(4.0, 30.0), st.floats(0.0, 3000.0))
def test_within_two_parts_in_a_hundred_of_a_second_by_second_run(start, pan, power_w, start_c, altitude_m):
    fire = Fire(
        heat_up_w=power_w,
        simmer_w=power_w,
        wall_loss=6.0,
        room_c=25.0,
        pressure_pa=pressure_at_altitude_pa(altitude_m),
    )
    try:
        told = heat_up(start, start_c, pan, fire)
    except Impossible:
        with pytest.raises(Impossible):
            second_by_second(start, start_c, pan, fire)
        return
    try:
        seconds, steam = second_by_second(start, start_c, pan, fire)
    except Impossible:
        # it stalls within a kelvin of where it may: the one sees it a step before the other
        assert told.celsius == pytest.approx(STALLS_ABOVE_C, abs=4.0)
        return
    # five seconds and three grams are nothing to a cook: a small pan that hardly comes to the boil is that near
    assert told.seconds == pytest.approx(seconds, rel=0.02, abs=5.0)
    assert told.steam_kg == pytest.approx(steam, rel=0.06, abs=3e-3)


def test_no_jump_with_the_width_of_the_pan():
    """26, 27, 28 cm: one after the other, also where it no longer rolls."""
    milk, fire = (
        material("buffalo").parts.scaled(2.0),
        Fire(heat_up_w=700.0, simmer_w=700.0, wall_loss=6.0, room_c=25.0, pressure_pa=101325.0),
    )
    told = [heat_up(milk, 8.0, Pan("pot", Straight(mm / 1000, 0.2)), fire) for mm in range(200, 400)]
    assert {w.rolls for w in told} == {True, False}
    for a, b in itertools.pairwise(told):
        assert abs(math.log(b.seconds / a.seconds)) < 0.05, (a, b)
        assert abs(b.celsius - a.celsius) < 0.5


@settings(max_examples=sized(40, 300), deadline=None)
@given(MILKS, PANS, st.floats(300.0, 1800.0))
def test_more_flame_is_never_later(start, pan, power_w):
    def told(watts: float) -> float:
        try:
            found = heat_up(
                start,
                8.0,
                pan,
                Fire(heat_up_w=watts, simmer_w=watts, wall_loss=6.0, room_c=25.0, pressure_pa=101325.0),
            )
        except Impossible:
            return math.inf
        return found.seconds if found.rolls else math.inf

    assert told(power_w * 1.05) <= told(power_w) * (1 + 1e-9)
