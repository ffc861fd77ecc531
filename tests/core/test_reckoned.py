"""Words of the next sentence that are reckoned from the plan they are for."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.quantities import parse
from mulvek.core.equipment.vessels import Straight
from mulvek.core.mending.faults import faults
from mulvek.core.mending.reckoned import RECKONS, reckoned_words
from mulvek.core.planning.reduce.forecast import forecast
from mulvek.core.planning.reduce.stops import read_stop
from tests.core.test_judgement import plan
from tests.sizes import sized

POT = Pan("pot", Straight(2 * math.sqrt(5e-3 / (math.pi * 0.2)), 0.2))  # holds 5 L


def litres(amount: float):
    """So much milk in the 5 L pot; 1.03 kg a litre."""
    return plan(pan=POT, kg=amount * 1.032)


@pytest.mark.parametrize(
    ("amount", "says"),
    [(2.0, {}), (2.9, {}), (3.05, {"amount": "3 L"}), (4.0, {"amount": "3 L"})],
)
def test_milk_that_leaves_room_is_three_fifths_of_the_pan(amount, says):
    assert reckoned_words({"amount": "room"}, litres(amount)) == says


def test_what_leaves_room_is_said_as_it_is_measured_and_never_more_than_there_is_room_for():
    small = Pan("small", Straight(0.2, 0.111))  # 3.487 L: three fifths are 2.092
    assert reckoned_words({"amount": "room"}, plan(pan=small, kg=2.6)) == {"amount": "2.05 L"}
    tiny = Pan("tiny", Straight(0.1, 0.1))  # 0.785 L: 0.471
    assert reckoned_words({"amount": "room"}, plan(pan=tiny, kg=0.6)) == {"amount": "450 ml"}


def test_a_stop_is_the_weight_that_the_pan_holds_then_without_the_sugar_of_the_end():
    told = plan("a third of its volume", sugar=110, kg=2.4)
    f = forecast(told)
    words = reckoned_words({"stop": "weight"}, told)
    assert parse(words["stop"], default_unit="g", allow=("mass",)).value == pytest.approx(
        float(told.goal_parts.solids) + f.stop_water_kg, rel=2e-3
    )
    assert words["stop"].endswith(" g") and told.sugar_kg == pytest.approx(0.11)
    with_it = plan("a third of its volume", sugar=110, kg=2.4, sugar_time="start")
    assert parse(reckoned_words({"stop": "weight"}, with_it)["stop"], default_unit="g", allow=("mass",)).value > 0.8


def test_a_stop_is_the_level_that_the_dip_stick_shows():
    told = plan("half its volume")
    words = reckoned_words({"stop": "level"}, told)
    assert words["stop"] == f"{forecast(told).stop_depth_m.likely * 100:.1f} cm"


@settings(max_examples=sized(60, 600), deadline=None)
@given(
    st.floats(0.8, 2.6), st.sampled_from(["half its volume", "a third", "30 % solids", "basundi", "soft dough cold"])
)
def test_put_in_the_sentence_it_is_the_same_stop(kg, stop):
    told = plan(stop, kg=kg)
    before = forecast(told)
    for how, near in (("weight", 0.012), ("level", 0.12)):
        again = plan(read_stop(reckoned_words({"stop": how}, told)["stop"]), kg=kg)
        assert forecast(again).stop_water_kg == pytest.approx(before.stop_water_kg, rel=near)
        assert reckoned_words({"stop": how}, again) == reckoned_words({"stop": how}, told)


def test_what_cannot_be_reckoned_is_left_out():
    assert reckoned_words({"stop": "weight", "amount": "room"}, plan("99 % solids")) == {}
    assert reckoned_words({}, plan()) == {}


def test_only_words_of_a_reduction_are_reckoned():
    used = {(word, how) for f in faults().values() for c in f.causes for word, how in c.reckons.items()}
    assert used == {("stop", "weight"), ("stop", "level"), ("amount", "room")}
    assert {how for _, how in used} == RECKONS
