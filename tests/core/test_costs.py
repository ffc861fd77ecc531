"""Fuel and money of a batch, each against a sum done by hand (sweets dossier F47, F49)."""

import pytest

from mulvek.core.planning.sweets.costs import MAIN_SHARE, Heat, Prices, cost, heat_for, price_with_margin, spent

HEAT = Heat(3600.0, 200.0, 1.5)


@pytest.mark.parametrize(
    ("batch", "kj"),
    [
        ({"milk_kg": 2.0}, 717.6),  # 2 kg by 92 K at 3.9 kJ/(kg K)
        ({"steam_kg": 1.0}, 2257.0),
        ({"minutes": 10.0}, 60.0),  # 100 W for 600 s
        ({"milk_kg": 2.0, "steam_kg": 1.0, "minutes": 10.0}, 3034.6),
        ({"syrup_kg": 1.5}, 915.0),  # 250 kJ a kg, and 540 for the boil in it
        ({"fried": True}, 610.0),
        ({"milk_kg": 2.0, "syrup_kg": 1.5, "fried": True}, 2242.6),
    ],
)
def test_each_part_of_the_heat_is_added(batch, kj):
    heat = heat_for(**{"milk_kg": 0.0, "steam_kg": 0.0, "minutes": 0.0, **batch})
    assert heat.pan_kj == pytest.approx(kj, rel=1e-9)
    assert heat.lpg_g == pytest.approx(kj / 23.05, rel=1e-9), "half of 46.1 kJ/g gets into the pan"
    assert heat.kwh == pytest.approx(kj / 2952.0, rel=1e-9), "82 % of 3600 kJ/kWh gets into the pan"


def test_a_litre_of_milk_to_half_as_the_dossier_has_it():
    """R: 1661 kJ, 72 g LPG or 0.56 kWh; to khoya 2383 kJ, 103 g or 0.81 kWh; within what its minutes leave open."""
    half = heat_for(1.03, 0.515, 20.0)
    assert half.pan_kj == pytest.approx(1661, rel=0.02)
    assert half.lpg_g == pytest.approx(72, rel=0.02) and half.kwh == pytest.approx(0.56, rel=0.02)


@pytest.mark.parametrize(("fuel", "costs"), [("gas", 20.0), ("electric", 150.0)])
def test_fuel_is_paid_by_the_kilo_or_by_the_kilowatt_hour(fuel, costs):
    told = cost({"milk": 1.0}, Prices(per_kg={"milk": 60.0}, fuel=fuel, fuel_price=100.0), HEAT, 0.0, 10, 1.0)
    assert told.fuel == pytest.approx(costs) and told.total == pytest.approx(60.0 + costs)
    assert told.heat is HEAT


def test_each_piece_with_and_without_the_hour_and_against_the_shop():
    prices = Prices(per_kg={"milk": 60.0}, hour=80.0, bought_per_kg=900.0, margin=0.2)
    told = cost({"milk": 2.0}, prices, HEAT, 1.5, 12, 0.7)
    assert (told.ingredients, told.own_time, told.total) == (120.0, 120.0, 120.0)
    assert told.each == pytest.approx(10.0) and told.each_with_time == pytest.approx(20.0)
    assert told.sell_each == pytest.approx(25.0)
    assert told.bought_each == pytest.approx(52.5) and told.saved == pytest.approx(510.0)
    alone = cost({"milk": 2.0}, Prices(per_kg={"milk": 60.0}), HEAT, 1.5, 0, 0.7)
    assert alone.bought_each is None and alone.saved is None
    assert alone.each == 120.0, "what is not counted in pieces is one"
    assert cost({"milk": 2.0}, Prices(per_kg={"milk": 60.0}), HEAT, 0.0, 1, 0.7).each == 120.0


def test_water_and_what_was_made_here_need_no_price():
    told = cost({"water": 5.0, "base:chhena": 0.4, "milk": 1.0}, Prices(per_kg={"milk": 60.0}), HEAT, 0.0, 1, 1.0)
    assert told.unpriced == () and not told.partial


@pytest.mark.parametrize(("kg", "partial"), [(0.99, False), (1.0, False), (1.02, True)])
def test_a_tenth_of_what_is_bought_is_a_main_thing(kg, partial):
    """Water does not count among what is bought."""
    told = cost({"water": 50.0, "milk": 10.0 - kg, "nuts": kg}, Prices(per_kg={"milk": 60.0}), HEAT, 0.0, 1, 1.0)
    assert told.unpriced == ("nuts",) and told.partial is partial
    assert MAIN_SHARE == 0.1


def test_a_margin_is_a_share_of_the_price():
    assert price_with_margin(15.0, 0.0) == 15.0 and price_with_margin(15.0, 0.4) == pytest.approx(25.0)


def test_what_was_spent_moves_by_what_has_a_price_alone():
    same = spent(100.0, {"milk": 2.0}, {"milk": 2.0}, {"milk": 60.0})
    assert (same.planned, same.spent, same.each, same.saved) == (100.0, 100.0, None, None)
    used = {"milk": 2.5, "ghee": 0.1, "fig": 9.0}
    more = spent(
        100.0, {"milk": 2.0, "sugar": 0.2}, used, {"milk": 60.0, "ghee": 600.0, "sugar": 50.0, "saffron": 9e3}
    )
    assert more.spent == pytest.approx(100 + 30 + 60 - 10), "ghee that was not told, sugar that was left out"
    sold = spent(100.0, {}, {}, {}, pieces=8, bought_each=20.0, more=20.0)
    assert (sold.spent, sold.each, sold.saved) == (120.0, 15.0, 40.0)
    assert spent(100.0, {}, {}, {}, pieces=0, bought_each=20.0).each is None
    assert spent(100.0, {}, {}, {}, pieces=0, bought_each=20.0).saved is None
