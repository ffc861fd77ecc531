"""What fried bread drinks of the milk over it: mass closes, thick milk goes in less, syrup takes its room."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.core.planning.sweets.build import Built, Pantry, build
from mulvek.core.planning.sweets.drinking import drinks, pores_l_kg
from mulvek.core.planning.sweets.knobs import changed
from mulvek.core.planning.sweets.library import library, things

PANTRY = Pantry(things=things(), sweets=library())
BREAD = library()["bread-rabri"]
SCHOOLS = tuple(BREAD.schools)


def made(school: str, **changes: float) -> Built:
    places = {place.replace("_", "."): value for place, value in changes.items()}
    return build(BREAD, changed(BREAD.schools[school], places), PANTRY)


def test_the_room_by_hand():
    """A kilogram of bread: 0.365 kg water, 0.033 fat; fried it loses 0.18 and takes 0.14; 0.384 kg of 62 °Brix syrup."""
    fat, water = 0.033 + 0.14, 0.365 - 0.18
    room = 4.0 * 0.9 - (0.96 - fat - water) / 1.45 - water - fat / 0.92 - 0.40 * 0.96 / 1.279
    assert pores_l_kg(made("fried")) == pytest.approx(room, abs=0.01)


@pytest.mark.parametrize("school", SCHOOLS)
@given(kg=st.floats(0.1, 20))
def test_what_is_poured_is_drunk_or_stands_around(school: str, kg: float):
    built = made(school)
    told = drinks(built, kg)
    assert told is not None and 0 < told.drunk.low < told.drunk.likely <= told.drunk.high
    for inside, outside in (
        (told.drunk.low, told.around.high),
        (told.drunk.likely, told.around.likely),
        (told.drunk.high, told.around.low),
    ):
        assert inside + outside == pytest.approx(built.topped_kg * kg) and outside >= -1e-12
    assert told.rabri_kg <= told.around.likely
    assert told.drunk.likely == pytest.approx(drinks(built, 1.0).drunk.likely * kg)


def test_thick_milk_goes_in_less_and_more_syrup_leaves_less_room():
    share = {s: drinks(made(s), 1.0).drunk.likely / made(s).topped_kg for s in SCHOOLS}
    assert share["deep"] < 0.5 * share["fried"]
    rooms = [pores_l_kg(made("fried", soak_gain=gain)) for gain in (0.2, 0.3, 0.4, 0.5)]
    assert rooms == sorted(rooms, reverse=True) and rooms[-1] > 0


def test_little_milk_is_drunk_whole():
    told = drinks(made("fried", top_share=0.05), 1.0)
    assert told.drunk.low == told.drunk.high and told.around.likely == pytest.approx(0)


def test_nothing_is_told_of_what_is_no_bread():
    assert drinks(build(library()["kulfi"], library()["kulfi"].usual, PANTRY), 1.0) is None
    bare = replace(BREAD.schools["fried"], top=None)
    assert drinks(build(BREAD, bare, PANTRY), 1.0) is None
