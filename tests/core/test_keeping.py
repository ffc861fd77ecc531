"""The kitchen's one verdict on keeping: each line between two classes from both sides, and what shortens it."""

import math

import pytest

from mulvek.core.composition.composition import Composition
from mulvek.core.composition.materials import material
from mulvek.core.properties.density import density_kg_m3
from mulvek.core.properties.heat_capacity import heat_capacity_j_k
from mulvek.core.safety import keeping as k

CONDENSED = material("condensed").parts
MILK = material("cow").parts


@pytest.mark.parametrize(
    ("activity", "doubt"), [(1.0, 0.01), (0.97, 0.01), (0.95, 0.015), (0.93, 0.02), (0.89, 0.03), (0.7, 0.03)]
)
def test_what_is_dry_is_known_less_well(activity, doubt):
    assert k.activity_doubt(activity) == pytest.approx(doubt)


@pytest.mark.parametrize(
    ("activity", "ph", "weighed", "klass"),
    [
        (0.999, 4.6, False, "S"),
        (0.70, 4.6, True, "S"),
        (0.999, 4.601, False, "B"),
        (0.8199, 6.4, True, "E"),
        (0.8201, 6.4, True, "D"),
        (0.8199, 6.4, False, "D"),
        (0.8899, 6.4, False, "D"),
        (0.8901, 6.4, False, "C"),
        (0.9565, 6.4, False, "C"),
        (0.9568, 6.4, False, "B"),
    ],
)
def test_each_line_between_two_classes_from_both_sides(activity, ph, weighed, klass):
    assert k.keeping_class(activity, ph, weighed=weighed).key == klass
    assert k.keeping_class(activity, ph, weighed=weighed, frozen=True).key == "Z"


def test_hours_days_and_weeks_of_each_class_are_the_cautious_ones():
    told = {
        c.key: (c.room_h, c.fridge_days, c.freezer_weeks) for c in (k.FROZEN, k.SOUR, k.DRY, k.FIRM, k.MOIST, k.WET)
    }
    assert told == {
        "Z": ((0, 0, 0), 0, 6),
        "S": ((2, 2, 1), 4, 4),
        "E": ((24, 12, 6), 10, 8),
        "D": ((4, 2, 1), 7, 8),
        "C": ((2, 2, 1), 3, 4),
        "B": ((2, 2, 1), 2, 4),
    }


@pytest.mark.parametrize(("room_c", "hours"), [(5.0, 24), (25.0, 24), (25.1, 12), (32.0, 12), (32.1, 6), (45.0, 6)])
def test_a_warmer_room_gives_fewer_hours(room_c, hours):
    assert k.room_hours(k.DRY, room_c) == hours
    assert k.keeping(CONDENSED, 6.4, room_c=room_c).room_h == {24: 4, 12: 2, 6: 1}[hours]


@pytest.mark.parametrize(
    ("how", "days", "frozen_days"),
    [
        ({}, 7, 56),
        ({"fruit": True}, 5, 42),
        ({"raw_topping": True}, 6, 56),
        ({"fridge_c": 5.0}, 7, 56),
        ({"fridge_c": 5.1}, 3, 56),
        ({"fruit": True, "raw_topping": True}, 4, 42),
        ({"fruit": True, "raw_topping": True, "fridge_c": 8.0}, 2, 42),
        ({"best_frozen_days": 20}, 7, 20),
        ({"best_frozen_days": 90}, 7, 56),
        ({"best_frozen_days": 50, "fruit": True}, 5, 42),
    ],
)
def test_what_shortens_the_days(how, days, frozen_days):
    found = k.keeping(CONDENSED, 6.4, **how)
    assert (found.klass.key, found.fridge_days, found.freezer_days) == ("D", days, frozen_days)
    assert 0.8201 < found.activity < 0.89


def test_wet_food_keeps_a_day_whatever_shortens_it_and_frozen_food_no_hour_in_the_room():
    wet = k.keeping(MILK, 6.6, fruit=True, raw_topping=True, fridge_c=9.0)
    assert (wet.klass.key, wet.fridge_days, wet.room_h) == ("B", 1, 2)
    frozen = k.keeping(MILK, 6.6, frozen=True, raw_topping=True)
    assert (frozen.fridge_days, frozen.room_h, frozen.freezer_days) == (0, 0, 42)
    assert k.keeping(MILK, 4.5).klass.key == "S" and k.keeping(CONDENSED, 6.4, weighed=True).klass.key == "D"


@pytest.mark.parametrize(
    ("found", "says"),
    [
        (k.Keeping(k.WET, 0.99, 1, 1, 28), "At or below 5 °C: 1 day. In the room: 1 hour at most."),
        (k.Keeping(k.FIRM, 0.88, 4, 20, 56), "At or below 5 °C: 20 days. In the room: 4 hours at most."),
        (k.Keeping(k.DRY, 0.8, 24, 21, 56), "At or below 5 °C: 3 weeks. In the room: 24 hours at most."),
        (k.Keeping(k.DRY, 0.8, 2, 22, 56), "At or below 5 °C: 22 days. In the room: 2 hours at most."),
        (k.Keeping(k.FROZEN, 0.97, 0, 0, 42), "Frozen at −18 °C: best within 6 weeks; never freeze it again."),
        (k.Keeping(k.FROZEN, 0.97, 0, 0, 14), "Frozen at −18 °C: best within 14 days; never freeze it again."),
    ],
)
def test_the_verdict_in_words(found, says):
    assert found.words == says


# -- cooling ------------------------------------------------------------------------------------------------------


def test_a_pot_cools_as_its_surface_and_what_it_holds_say():
    depth, tau = k.time_constant_s(MILK, 2.0, 0.2, 70.0)
    floor, density = math.pi * 0.01, float(density_kg_m3(MILK, 40.0))
    assert depth == pytest.approx(2.0 / density / floor)
    surface = math.pi * 0.2 * depth + 2 * floor
    assert tau == pytest.approx(2.0 * float(heat_capacity_j_k(MILK, 0.0)) / (70.0 * surface))
    covered = k.time_constant_s(MILK, 2.0, 0.2, 70.0, open_top=False)[1]
    assert covered == pytest.approx(tau * surface / (surface - floor))
    assert k.time_constant_s(MILK, 2.0, 0.2, 35.0)[1] == pytest.approx(2 * tau)


def test_a_still_pot_is_slower_by_what_has_to_come_out_of_its_middle():
    """The slowest wave of a cylinder: π/2 over half the depth that heat comes out of, 2.405 over the radius."""
    capacity = float(density_kg_m3(MILK, 40.0)) * float(heat_capacity_j_k(MILK, 0.0))
    for open_top, parts in ((True, 2), (False, 1)):
        depth, stirred = k.time_constant_s(MILK, 2.0, 0.2, 70.0, open_top=open_top)
        still = k.time_constant_s(MILK, 2.0, 0.2, 70.0, open_top=open_top, stirred=False)[1]
        wave = (math.pi / 2 / (depth / parts)) ** 2 + (2.405 / 0.1) ** 2
        assert still - stirred == pytest.approx(capacity / 0.5 / wave, rel=1e-3)


def test_seconds_between_two_temperatures():
    assert k.seconds_between(1000.0, 60.0, 21.0, 4.0) == pytest.approx(1000 * math.log(56 / 17))
    assert k.seconds_between(1000.0, 60.0, 21.0, 21.0) is None and k.seconds_between(1000.0, 60.0, 5.0, 20.0) is None
    assert k.seconds_between(1000.0, 60.0, 21.0, 20.99) is not None


def test_the_warmest_that_a_fridge_takes_over_is_cold_in_four_hours():
    for tau in (6000.0, 9000.0, 20000.0):
        warm = k.hand_over_c(tau, 3.0)
        assert 5 < warm < 60 and k.seconds_between(tau, warm, 5.0, 3.0) == pytest.approx(4 * 3600)
    assert k.hand_over_c(600.0, 3.0) == 60.0  # however warm: it is so small
    assert k.hand_over_c(6000.0, 5.0) is None and k.hand_over_c(6000.0, 7.0) is None


@pytest.mark.parametrize(
    ("first", "second", "passes"),
    [
        (7200.0, 14400.0, True),
        (7200.1, 14400.0, False),
        (7200.0, 14400.1, False),
        (None, 100.0, False),
        (100.0, None, False),
    ],
)
def test_two_hours_to_21_and_four_more_to_5(first, second, passes):
    assert k.Cooling(0.05, 1000.0, first, second, None).passes is passes


def test_the_ways_to_cool_a_pot_in_their_order():
    by = {
        name: k.cooling(MILK, 2.0, 0.2, place, transfer, stirred=stirred)
        for name, place, transfer, stirred in (
            ("room", 25.0, k.AIR, False),
            ("fridge", 4.0, k.FRIDGE, False),
            ("ice", 0.0, k.ICE_STILL, False),
            ("stirred in ice", 0.0, k.ICE_STIRRED, True),
        )
    }
    assert by["room"].first_s is None and by["room"].second_s is None and by["room"].hand_over_c is None
    assert by["fridge"].first_s > by["ice"].first_s > by["stirred in ice"].first_s
    assert not by["room"].passes and not by["fridge"].passes and by["stirred in ice"].passes
    one = by["stirred in ice"]
    assert one.first_s == pytest.approx(one.tau_s * math.log(60 / 21))
    assert one.second_s == pytest.approx(one.tau_s * math.log(21 / 5))
    assert (k.AIR, k.FRIDGE, k.ICE_STILL, k.ICE_STIRRED) == (10.0, 9.0, 70.0, 120.0)
    assert one.depth_m == k.time_constant_s(MILK, 2.0, 0.2, 120.0)[0] > 0.05


def test_less_water_never_keeps_shorter():
    days = [
        k.keeping(Composition(water=water, sucrose=1 - water), 6.4).fridge_days
        for water in (0.95, 0.8, 0.65, 0.5, 0.4, 0.33, 0.25)
    ]
    assert days == sorted(days) and days[0] == 2 and days[-1] == 7


def test_dry_food_keeps_longer_once_it_was_weighed():
    dry = Composition(water=0.08, glucose=0.5, fructose=0.42)
    assert k.keeping(dry, 6.4).klass is k.FIRM and k.keeping(dry, 6.4, weighed=True).klass is k.DRY
    usual, said = k.keeping(dry, 6.4, weighed=True), k.keeping(dry, 6.4, weighed=True, room_c=25.0, fridge_c=5.0)
    assert usual == said and usual.room_h == 24 and usual.fridge_days == 10


def test_how_a_pot_stands_counts_where_it_cools_too():
    still = k.cooling(MILK, 2.0, 0.2, 3.0, k.ICE_STILL, stirred=False, open_top=False)
    stirred = k.cooling(MILK, 2.0, 0.2, 3.0, k.ICE_STILL)
    assert still.tau_s > 1.5 * stirred.tau_s
    assert still.hand_over_c == k.hand_over_c(still.tau_s, 3.0) is not None
    assert k.hand_over_c(14400 / math.log(57 / 2) + 1, 3.0) == pytest.approx(60.0, abs=0.06)
    assert k.hand_over_c(14400 / math.log(57 / 2) + 400, 3.0) < 56
