"""The dossier's tables beside its reference values: densities, boiling, pans, evaporation, thickness, halves."""

import math

import numpy as np
import pytest

from mulvek.core.composition.composition import Composition
from mulvek.core.composition.materials import dairy, material, materials, own_milk
from mulvek.core.equipment.burners import BURNER_KINDS, Burner
from mulvek.core.equipment.kitchen import Kitchen
from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.quantities import Measures
from mulvek.core.equipment.vessels import Flared, Kadhai, Straight, surface_m2
from mulvek.core.errors import BadInput
from mulvek.core.messages.catalogue import said
from mulvek.core.planning.reduce.forecast import forecast
from mulvek.core.planning.reduce.plan import Amount, ReducePlan
from mulvek.core.planning.reduce.reasons import FIGURES, reasons
from mulvek.core.planning.reduce.scorch import stir_interval_s
from mulvek.core.planning.reduce.stops import read_stop
from mulvek.core.properties.density import density_kg_m3
from mulvek.core.properties.steam import pressure_at_altitude_pa, saturation_temperature_c
from mulvek.core.properties.texture import STAGES, stage_index, viscosity_mpa_s
from mulvek.core.properties.water_activity import boiling_point_c
from tests.core.test_reference import BASE_M2, K1, POT, SEA_PA, SUGAR, boil, with_solids

COW, BUFFALO = material("cow").parts, material("buffalo").parts


@pytest.mark.parametrize("key", materials())
def test_every_material_closes_and_names_its_source(key):
    row = materials()[key]
    assert row.parts.total == pytest.approx(1.0, abs=1e-12)
    assert min(mass for _, mass in row.parts.items()) >= 0
    assert row.source and row.confidence and row.bulk_kg_m3 > 0


@pytest.mark.parametrize(
    ("key", "by_celsius"),
    [
        ("cow", {5: 1.0317, 20: 1.0294, 60: 1.0136, 95: 0.9923}),
        ("buffalo", {5: 1.0331, 20: 1.0306, 60: 1.0146, 95: 0.9935}),
        ("skim", {5: 1.0350, 20: 1.0329, 60: 1.0172, 95: 0.9956}),
        ("evaporated", {5: 1.0685, 20: 1.0655, 60: 1.0489, 95: 1.0274}),
        ("condensed", {5: 1.3168, 20: 1.3100, 60: 1.2875, 95: 1.2644}),
    ],
)
def test_density_table(key, by_celsius):
    for celsius, expected in by_celsius.items():
        assert density_kg_m3(material(key).parts, float(celsius)) / 1e3 == pytest.approx(expected, abs=1e-4)


@pytest.mark.parametrize(
    ("brix", "expected"), [(10, 1.0381), (20, 1.0810), (30, 1.1270), (40, 1.1764), (50, 1.2296), (60, 1.2865)]
)
def test_sugar_water_weighs_what_the_published_table_says(brix, expected):
    syrup = Composition(water=100.0 - brix, sucrose=float(brix))
    assert density_kg_m3(syrup, 20.0) / 1e3 == pytest.approx(expected, abs=0.0015)


@pytest.mark.parametrize(
    ("metres", "celsius"),
    [
        (0, 99.97),
        (300, 98.98),
        (600, 97.98),
        (1000, 96.65),
        (1600, 94.65),
        (2000, 93.32),
        (2500, 91.64),
        (3000, 89.97),
    ],
)
def test_water_boils_lower_up_the_hill(metres, celsius):
    assert saturation_temperature_c(pressure_at_altitude_pa(float(metres))) == pytest.approx(celsius, abs=0.02)


@pytest.mark.parametrize(
    ("solids", "celsius"), [(27, 100.5), (50, 101.5), (60, 102.4), (65, 103.1), (70, 104.0), (72, 104.5), (76, 105.8)]
)
def test_condensing_milk_boils_hotter(solids, celsius):
    batch = COW.plus(SUGAR.scaled(0.19))
    assert boiling_point_c(with_solids(batch, solids / 100), SEA_PA) == pytest.approx(celsius, abs=0.1)


PAN_TABLE = [  # shape, start cm, depth % at 1/2 and 1/4 of 2 l, free cm² at full and 1/2, wetted cm² at full
    (Straight(0.24, 0.12), 4.42, 50, 25, 452, 452, 786),
    (Flared(0.175, 0.255, 0.092), 6.21, 57, 31, 412, 332, 670),
    (K1, 6.67, 69, 48, 553, 412, 693),
    (Kadhai(0.26, 0.13), 7.83, 68, 47, 447, 346, 639),
    (Kadhai(0.30, 0.075, flat_diameter_m=0.12), 5.50, 64, 41, 583, 438, 715),
]


@pytest.mark.parametrize(("shape", "start", "half", "quarter", "free", "free_half", "wetted"), PAN_TABLE)
def test_pan_table(shape, start, half, quarter, free, free_half, wetted):
    full, at_half, at_quarter = (float(shape.depth_m(v)) for v in (2e-3, 1e-3, 0.5e-3))
    assert full * 100 == pytest.approx(start, abs=0.006)
    assert at_half / full * 100 == pytest.approx(half, abs=0.6)
    assert at_quarter / full * 100 == pytest.approx(quarter, abs=0.6)
    assert surface_m2(shape, full) * 1e4 == pytest.approx(free, abs=0.6)
    assert surface_m2(shape, at_half) * 1e4 == pytest.approx(free_half, abs=0.6)
    assert shape.wetted_m2(full) * 1e4 == pytest.approx(wetted, abs=0.6)
    assert 0 < shape.heated_m2(full) <= shape.wetted_m2(full)


@pytest.mark.parametrize(
    "make",
    [
        lambda: Straight(0.0, 0.1),
        lambda: Straight(0.2, math.nan),
        lambda: Flared(0.2, 3.0, 0.1),
        lambda: Kadhai(0.2, 0.15),
        lambda: Kadhai(0.3, 0.08, flat_diameter_m=0.3),
        lambda: Pan("p", Straight(0.2, 0.1), mass_kg=0.0),
        lambda: Pan("p", Straight(0.2, 0.1), material="glass"),
        lambda: Burner("b", "candle"),
        lambda: Kitchen(altitude_m=9000.0),
        lambda: Measures(cup_m3=0.0),
        lambda: own_milk("k", "n", 30.0, 8.7, "cow"),
        lambda: dairy(60.0, 45.0),
        lambda: material("moon"),
    ],
)
def test_things_that_cannot_be_are_refused_with_a_fix(make):
    with pytest.raises(BadInput) as error:
        make()
    assert error.value.field and error.value.fix


@pytest.mark.parametrize(
    ("watts", "solids", "minutes"),
    [
        (264, 18, 48), (264, 25.6, 84), (264, 35, 107), (264, 45, 121), (264, 62, 134),
        (594, 18, 25), (594, 25.6, 39), (594, 35, 49), (594, 45, 54), (594, 55, 58), (594, 68, 64),
        (1320, 18, 14), (1320, 25.6, 20), (1320, 35, 25), (1320, 45, 29), (1320, 62, 36),
    ],
)  # fmt: skip
def test_minutes_from_cold_table(watts, solids, minutes):
    assert boil(1.03, 1.03 * 12.82 / solids, float(watts))[1] == pytest.approx(
        minutes, abs=1.2
    )  # printed in whole minutes


@pytest.mark.parametrize(
    ("kind", "cm", "flame", "rate", "celsius"),
    [
        ("lpg-large", 20, "gentle", 6.0, 92), ("lpg-large", 28, "gentle", 6.1, 82), ("lpg-large", 30, "medium", 15.1, 93),
        ("lpg-small", 24, "medium", 8.0, 91), ("lpg-small", 20, "strong", 18.5, 100), ("lpg-large", 24, "strong", 34.0, 100),
    ],
)  # fmt: skip
def test_rates_by_burner_and_pan_table(kind, cm, flame, rate, celsius):
    pan = Pan("p", Straight(cm / 100, 0.2))
    net = Burner("b", kind).net_power_w(flame, cm / 100)
    got = boil(1.5, 1.1, net, pan, spare=False)
    assert got[3] == pytest.approx(rate, abs=0.3) and got[2] == pytest.approx(celsius, abs=1.0)


COLD_TABLE = [  # sugar g/l, stage that begins cold, at total solids %, hot mPa s there
    (0, 1, 20.2, 0.848), (0, 2, 34.2, 3.0), (0, 3, 40.7, 12.8), (0, 4, 45.1, 41.8), (0, 5, 49.0, 159),
    (60, 2, 42.4, 2.9), (60, 3, 52.0, 10.7), (60, 4, 57.6, 34.3), (60, 5, 62.2, 110),
    (196, 3, 62.3, 9.32), (196, 4, 71.1, 29.6), (196, 5, 76.5, 76.8),
]  # fmt: skip


@pytest.mark.parametrize(("sugar", "stage", "solids", "hot"), COLD_TABLE)
def test_where_each_cold_stage_begins(sugar, stage, solids, hot):
    batch = COW.scaled(1.03).plus(SUGAR.scaled(sugar / 1000))
    before, after = (with_solids(batch, (solids + step) / 100) for step in (-0.15, 0.15))
    stages = [int(stage_index(viscosity_mpa_s(b, 5.0, aged=True))) for b in (before, after)]
    assert stages == [stage - 1, stage], STAGES[stage]
    assert viscosity_mpa_s(with_solids(batch, solids / 100), 95.0) == pytest.approx(hot, rel=0.03)


def test_sugar_loosens():
    thick = with_solids(COW.scaled(1.03), 0.45)
    sweet = thick.plus(SUGAR.scaled(0.06))
    for celsius, before, after in ((5.0, 2197, 563), (60.0, 72, 33), (95.0, 41, 17)):
        assert viscosity_mpa_s(thick, celsius) == pytest.approx(before, rel=0.02)
        assert viscosity_mpa_s(sweet, celsius) == pytest.approx(after, rel=0.03)


@pytest.mark.parametrize(
    ("material_", "solids", "expected"),
    [
        ("stainless-sandwich", 25, (136, 68, 22)),
        ("non-stick", 25, (218, 100, 32)),
        ("iron", 35, (98, 38, 6)),
        ("stainless-thin", 45, (36, 6, 5)),
    ],
)
def test_stir_interval_table(material_, solids, expected):
    pan = Pan("p", POT.shape, material_)
    hot = viscosity_mpa_s(with_solids(COW, solids / 100), 97.0)
    got = [float(stir_interval_s(98.0, watts / BASE_M2, hot, pan)) for watts in (264, 594, 1320)]
    assert got == pytest.approx(expected, abs=4)


def half(stop: str, when: str):
    measures = Measures()
    sugar = Amount.read("60 g", "sugar", "g", measures)
    return ReducePlan(
        milk=material("cow"),
        amount=Amount.read("1 L", "amount", "ml", measures),
        pan=POT,
        burner=Burner("b"),
        flame="medium",
        stop=read_stop(stop),
        sugar=sugar,
        sugar_time=when,
        kitchen=Kitchen(milk_c=20.0),
    )


@pytest.mark.parametrize(
    ("stop", "when", "grams", "solids", "concentration", "cold"),
    [
        ("half its volume", "start", 535, 35.9, 2.17, "thin cream"),
        ("half its volume", "midway", 535, 35.9, 2.17, "thin cream"),
        ("half its volume", "end", 572, 33.6, 2.01, "thin cream"),
        ("half by weight", "start", 514, 37.3, 2.27, "thin cream"),
        ("half by weight", "end", 575, 33.4, 2.00, "thin cream"),
        ("33 % solids", "start", 582, 33.0, 1.97, "thin cream"),
        ("33 % solids", "end", 459, 41.8, 2.58, "thin cream"),
        ("33 % solids with the sugar", "end", 582, 33.0, 1.97, "thin cream"),
        ("a quarter of its volume", "start", 295, 65.2, 4.39, "holds its shape"),
        ("a quarter of its volume", "end", 332, 57.8, 3.78, "spoonable"),
    ],
)
def test_unequal_halves_table(stop, when, grams, solids, concentration, cold):
    f = forecast(half(stop, when))
    assert f.product_kg.likely * 1e3 == pytest.approx(grams, abs=1.5)
    assert f.total_solids.likely * 100 == pytest.approx(solids, abs=0.1)
    assert f.plan.milk_kg / (f.product_kg.likely - 0.06) == pytest.approx(concentration, abs=0.01)
    assert f.cold.name == cold


def test_minutes_of_a_litre_to_half_and_to_a_quarter():
    for stop, minutes in (("half its volume", 36), ("a quarter of its volume", 53)):
        assert forecast(half(stop, "start")).after_boil_s.likely / 60 == pytest.approx(minutes, abs=1.2)


def test_every_figure_explains_itself_with_this_batchs_numbers():
    f = forecast(half("half its volume", "end"))
    whys = reasons(f)
    assert tuple(whys) == FIGURES
    for why in whys.values():
        assert said(why.says) and len(why.terms) >= 2
        assert all(said(why.says, part) for part in ("formula", "source", "uncertainty", "sharpen"))
    assert any(said(term.says, "value") == "500 ml" for term in whys["depth"].terms)
    assert any(said(term.says, "value") == "60 g" for term in whys["solids"].terms)


def test_a_hob_is_a_hob():
    for kind in BURNER_KINDS:
        powers = [Burner("b", kind).net_power_w(flame, 0.24) for flame in ("gentle", "medium", "strong")]
        assert np.all(np.diff(powers) > 0)
