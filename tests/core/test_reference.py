"""Every published or worked reference value of the reduction dossier that this code touches, R01-R100."""

import math

import numpy as np
import pytest

from mulvek.core.batch.estimate import Estimate
from mulvek.core.batch.events import Reading
from mulvek.core.batch.learning import RateLesson, judge_thickness, learned_rates, rate_of
from mulvek.core.batch.readings import reading_water
from mulvek.core.composition.composition import Composition
from mulvek.core.composition.materials import material
from mulvek.core.equipment.burners import Burner
from mulvek.core.equipment.kitchen import Kitchen
from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.quantities import Measures
from mulvek.core.equipment.vessels import Flared, Kadhai, Straight
from mulvek.core.planning.reduce.browning import browning_rate
from mulvek.core.planning.reduce.coconut import fat_volume_fraction
from mulvek.core.planning.reduce.evaporation import Fire, descent, heat_up, simmer
from mulvek.core.planning.reduce.forecast import CLIMB, forecast
from mulvek.core.planning.reduce.judgement import cooling_loss_kg, milk_to_thin_kg, seconds_to_return
from mulvek.core.planning.reduce.plan import Amount, ReducePlan, Thickness
from mulvek.core.planning.reduce.scorch import safe_power_w, stir_interval_s
from mulvek.core.planning.reduce.stops import HOT_C, read_stop
from mulvek.core.planning.reduce.windows import windows
from mulvek.core.properties.crystals import crystal_size_m, lactose_at, sucrose_solubility
from mulvek.core.properties.density import density_kg_m3, volume_m3, water_at_volume_kg, water_density_kg_m3
from mulvek.core.properties.heat_capacity import heat_capacity_j_k
from mulvek.core.properties.lactometer import (
    added_water,
    corrected_reading,
    snf_by_density_pct,
    snf_pct,
)
from mulvek.core.properties.steam import (
    SURFACE_CONSTANT,
    latent_heat_j_kg,
    pressure_at_altitude_pa,
    saturation_pressure_pa,
    saturation_temperature_c,
    surface_flux_kg_m2_s,
)
from mulvek.core.properties.texture import lactose_solubility, sugar_number, syrup_viscosity_mpa_s, viscosity_mpa_s
from mulvek.core.properties.water_activity import boiling_point_c, stored_water_activity
from mulvek.wire.trials import CupTrialIn, CupTrialOut
from tests.core.dossier_formulas import (
    added_water_by_freezing,
    condensed_sugar_kg,
    product_window,
    ratio_for_fat,
    scorch_index,
)
from tests.science import references

COW, BUFFALO = material("cow"), material("buffalo")
EVAPORATED, CONDENSED = material("evaporated").parts, material("condensed").parts
SUGAR = material("white-sugar").parts
K1 = Kadhai(0.29, 0.086, 0.31, 0.024)
FLAT = Kadhai(0.30, 0.075, flat_diameter_m=0.12)
FRUSTUM = Flared(0.175, 0.255, 0.092)
POT = Pan("pot", Straight(0.24, 0.14))
SEA_PA = 101325.0
BASE_M2 = math.pi * 0.12**2


def with_solids(parts: Composition, share: float) -> Composition:
    return parts.with_water(parts.solids * (1 / share - 1))


def elevation(parts: Composition) -> float:
    return float(boiling_point_c(parts, SEA_PA) - saturation_temperature_c(SEA_PA))


def plan(amount="1370 ml", stop="685 ml", sugar="83 g", when="end", pan=None, milk=COW, milk_c=24.0, **more):
    measures = Measures()
    return ReducePlan(
        milk=milk,
        amount=Amount.read(amount, "amount", "ml", measures),
        pan=pan or Pan("K1", K1),
        burner=Burner("b"),
        flame="medium",
        stop=read_stop(stop),
        sugar=Amount.read(sugar, "sugar", "g", measures) if sugar else None,
        sugar_time=when,
        kitchen=Kitchen(milk_c=milk_c),
        **more,
    )


def boil(kg: float, to_kg: float, watts: float, pan=POT, spare=True):
    """(minutes to first boil, total minutes, °C, g/min) by the dossier's own set-up: 10 °C milk, 1320 W."""
    start = COW.parts.scaled(kg)
    fire = Fire(
        heat_up_w=1320.0, simmer_w=watts, wall_loss=0.0, room_c=27.0, pressure_pa=SEA_PA, spare_the_bottom=spare
    )
    warm = heat_up(start, 10.0, pan, fire)
    steam = warm.steam_kg + (kg - to_kg - warm.steam_kg) * np.linspace(0, 1, 60) ** 1.3
    run = simmer(descent(start.with_water(start.water - steam), steam, pan, fire), warm.celsius, fire)
    return warm.seconds / 60, (warm.seconds + run.at_s[-1]) / 60, run.celsius[-1], run.rate_kg_s[-1] * 6e4


MEDIUM, GENTLE = boil(1.5, 1.1, 594.0, spare=False), boil(1.5, 1.1, 264.0, spare=False)
EARLY, LATE = forecast(plan(when="start")), forecast(plan(when="end"))
START = COW.parts.scaled(1370e-6 * float(density_kg_m3(COW.parts, 24.0)))
STEP = Estimate(1.120, math.log(14.2e-3 / 60), 0.02**2, 0.0, 0.25**2)._step(600, lambda w: 1.0)
SEEN = STEP.updated(0.968, 0.008)
ETA = SEEN.seconds_to(0.475, lambda w: 1.0)
LESSON = SEEN.lesson(math.log(14.2e-3 / 60), 0.0, 0.25)
LESSONS = tuple(RateLesson(n, 1, "medium", math.log(r), 0.15) for n, r in enumerate((1.18, 1.07, 1.22)))
LEARNED = rate_of(learned_rates(Burner("left"), LESSONS), 1, "medium")
CELLS = (*LESSONS, RateLesson(9, 2, "medium", math.log(0.94), 0.15))
POOLED = rate_of(learned_rates(Burner("left"), CELLS), 3, "medium")
OFFSET = judge_thickness(Thickness(), {"too-thick": 2, "right": 1, "too-thin": 1})
DIP = reading_water(plan(), Reading("depth", 0.041), START, 1.0)
QUICK = (
    COW.parts.scaled(412)
    .plus(EVAPORATED.scaled(170))
    .plus(CONDENSED.scaled(95))
    .plus(material("whole-powder").parts.scaled(18))
)
SUGARED = COW.parts.scaled(1.03).plus(SUGAR.scaled(0.06))

COW_TS = float(COW.parts.total_solids) * 1e3
COW_FAT = 4.1 / 12.82
DENSE = float(density_kg_m3(COW.parts, 20.0)) / 1e3
CONDENSING = condensed_sugar_kg(1.840 * DENSE, 0.1282, 0.295, 0.634)
UNDISSOLVED = lactose_at(CONDENSED, 15.0).undissolved
COCONUT = with_solids(material("coconut").parts.scaled(0.4).plus(SUGAR.scaled(0.08)), 0.65)
HOT_25 = float(viscosity_mpa_s(with_solids(COW.parts, 0.25), 97.0))


def plain_choi_okos_kg_m3(parts: Composition, t: float) -> float:
    """The published dry-solid densities used plain: the low figure that our dissolved volumes correct."""
    room = parts.water / (997.18 + 3.1439e-3 * t - 3.7574e-3 * t * t) + parts.fat / (925.59 - 0.41757 * t)
    room += (parts.milk_protein + parts.other) / (1329.9 - 0.5184 * t) + parts.minerals / (2423.8 - 0.28063 * t)
    return float(parts.total / (room + (parts.lactose + parts.acids) / (1599.1 - 0.31046 * t)))


def khoya_share(milk: str, solids: float) -> float:
    """Product per milk at a solids stop, nothing lost."""
    told = forecast(plan(amount="1 L", stop=f"{solids * 100:g} % solids", sugar="", milk=material(milk)))
    return told.product_kg.likely / told.plan.milk_kg


VALUES = [
    ("R01", COW.parts.total_solids * 100),
    ("R02", START.total * 1e3),
    ("R03", water_density_kg_m3(20.0)),
    ("R04", water_density_kg_m3(95.0)),
    ("R05", density_kg_m3(COW.parts, 20.0) / 1e3),
    ("R06", density_kg_m3(COW.parts, 95.0) / 1e3),
    ("R07", plain_choi_okos_kg_m3(COW.parts, 20.0) / 1e3),
    ("R08", density_kg_m3(EVAPORATED, 15.6) / 1e3),
    ("R09", density_kg_m3(CONDENSED, 20.0) / 1e3),
    ("R10", snf_pct(29.5, 4.3, "15.6")),
    ("R11", snf_pct(28.25, 4.3, "27")),
    ("R12", corrected_reading(27.0, 31.5, "27")),
    ("R13", snf_by_density_pct(26.0, 27.0, 4.3)),
    ("R14", added_water(7.61, 8.72) * 100),
    ("R15", added_water_by_freezing(-0.491) * 100),
    ("R16", heat_capacity_j_k(COW.parts, 20.0) / 1e3),
    ("R17", heat_capacity_j_k(CONDENSED, 20.0) / 1e3),
    ("R18", saturation_pressure_pa(95.0)),
    ("R19", latent_heat_j_kg(100.0) / 1e3),
    ("R20", saturation_temperature_c(pressure_at_altitude_pa(1600.0))),
    ("R21", elevation(COW.parts)),
    ("R22", elevation(Composition(water=40.0, sucrose=60.0))),
    ("R23", elevation(Composition(water=20.0, sucrose=80.0))),
    ("R24", elevation(CONDENSED)),
    ("R25", SURFACE_CONSTANT),
    ("R26", surface_flux_kg_m2_s(90.0, SEA_PA) * 3600),
    ("R27", Burner("b").net_power_w("medium", 0.24)),
    ("R28", MEDIUM[0]),
    ("R29", MEDIUM[3]),
    ("R30", GENTLE[2]),
    ("R31", LEARNED.ln_mean),
    ("R32", LEARNED.ln_sd),
    ("R33", STEP.water_kg * 1e3),
    ("R34", SEEN.water_kg * 1e3),
    ("R35", math.exp(SEEN.ln_rate) * 6e4),
    ("R36", ETA.likely / 60),
    ("R37", ETA.low / 60),
    ("R38", ETA.high / 60),
    ("R39", LESSON[0]),
    ("R40", LESSON[1]),
    ("R41", K1.volume_m3(0.086) * 1e6),
    ("R42", K1.depth_m(1370e-6) * 100),
    ("R43", K1.depth_m(685e-6) * 100),
    ("R44", K1.depth_m(685e-6) / K1.depth_m(1370e-6)),
    ("R45", K1.depth_m(3200e-6) * 100),
    ("R46", FRUSTUM.volume_m3(0.063) * 1e6),
    ("R47", FRUSTUM.depth_m(1111e-6) * 100),
    ("R48", FLAT.volume_m3(0.052) * 1e6),
    ("R49", EARLY.product_kg.likely * 1e3),
    ("R50", LATE.product_kg.likely * 1e3),
    ("R51", EARLY.plan.milk_kg / (EARLY.product_kg.likely - 0.083)),
    ("R52", LATE.plan.milk_kg / (LATE.product_kg.likely - 0.083)),
    ("R53", LATE.product_m3 * 1e6),
    ("R54", EARLY.total_solids.likely * 100),
    ("R55", LATE.total_solids.likely * 100),
    ("R56", CONDENSING * 1e3),
    ("R57", CONDENSING / 0.634 * 1e3 + 1.840 * DENSE * COW_TS),
    ("R58", CONDENSING * 1e3 / 1.840),
    ("R59", khoya_share("cow", 0.71) * 98),
    ("R60", khoya_share("buffalo", 0.74) * 98),
    ("R61", khoya_share("buffalo", 0.68) * 98),
    ("R62", milk_to_thin_kg(Composition(water=0.318 * 0.236, lactose=0.318 * 0.764), 0.725, COW.parts) * 1e3),
    ("R63", viscosity_mpa_s(COW.parts, 20.0)),
    ("R64", viscosity_mpa_s(CONDENSED, 20.0)),
    ("R65", syrup_viscosity_mpa_s(60.0, 20.0)),
    ("R66", lactose_solubility(25.0)),
    ("R67", lactose_solubility(17.0, 63.4)),
    ("R68", sucrose_solubility(20.0)),
    ("R69", lactose_at(CONDENSED, 15.0).supersaturation),
    ("R70", lactose_at(CONDENSED, 15.0).undissolved * 100),
    ("R71", crystal_size_m(UNDISSOLVED, density_kg_m3(CONDENSED, 15.0), 1e8) * 1e6),
    ("R72", stored_water_activity(material("condensed").parts)),
    ("R73", sugar_number(CONDENSED)),
    ("R74", QUICK.total_solids * 100),
    ("R75", QUICK.sucrose),
    ("R76", stir_interval_s(97.0, 594 / BASE_M2, viscosity_mpa_s(COW.parts, 95.0), POT)),
    ("R77", browning_rate(CONDENSED, 103.0)),
    ("R78", POOLED.ln_mean),
    ("R79", POOLED.ln_sd),
    ("R80", boil(1.03, 1.03 * 12.82 / 25.6, 594.0)[1]),
    ("R81", safe_power_w(viscosity_mpa_s(with_solids(COW.parts, 0.45), 97.0), BASE_M2)),
    ("R82-83", viscosity_mpa_s(with_solids(SUGARED, 0.5762), 95.0)),
    ("R82", math.log(float(viscosity_mpa_s(with_solids(SUGARED, 0.5762), 5.0, aged=True)) / 4000)),
    ("R84", with_solids(SUGARED, 0.5762).total * 1e3),
    ("R85", OFFSET.ln_mean),
    ("R86", OFFSET.ln_sd),
    ("R87", 2750 / (1 + CLIMB["medium"])),
    ("R88", fat_volume_fraction(COCONUT, 95.0)),
    ("R89", stored_water_activity(Composition(water=40.0, sucrose=60.0))),
    (
        "R91",
        boil(1.40888, START.with_water(water_at_volume_kg(START, 685e-6, HOT_C)).total, 594.0, Pan("K1", K1))[1],
    ),
    ("R92", DIP[0] * 1e3),
    ("R93", DIP[1] * 1e3),
    ("R94", ratio_for_fat(0.10, 0.041, 0.14)),
    ("R95", BUFFALO.total_solids_sd / BUFFALO.parts.total_solids * 100),
    ("R95 cow", COW.total_solids_sd / COW.parts.total_solids * 100),
    ("R96", scorch_index(98.0, 594 / BASE_M2, HOT_25, POT, 40.0)),
    ("R97", seconds_to_return(0.073, 12.6e-3 / 60) / 60),
    ("R98", product_window(windows()["basundi"], (COW_FAT, COW_FAT))["fat"][0] * 100),
    ("R99", CupTrialOut.of(CupTrialIn(water_g=146.3, celsius=25.0)).ml.likely),
    ("R100", cooling_loss_kg(EVAPORATED.scaled(0.52), 95.0) * 1e3),
]


@pytest.mark.parametrize(("number", "got"), VALUES, ids=[number for number, _ in VALUES])
def test_reference_value(number, got):
    assert references("reduction")[number].holds(float(got))


@pytest.mark.parametrize("shape", [K1, FLAT, FRUSTUM, Straight(0.24, 0.12)])
def test_depth_and_volume_invert_each_other(shape):
    depths = np.linspace(0.0, shape.height_m, 60)
    assert np.abs(shape.depth_m(shape.volume_m3(depths)) - depths).max() < 1e-10
    # the volume is the integral of the free surface
    fine = np.linspace(0.0, shape.height_m, 4001)
    areas = math.pi * shape.radius_m((fine[1:] + fine[:-1]) / 2) ** 2
    assert float(areas.sum() * (fine[1] - fine[0])) == pytest.approx(float(shape.volume_m3(shape.height_m)), rel=1e-5)


def test_volume_of_a_batch_is_what_the_pan_shows():
    assert float(volume_m3(LATE.after, HOT_C)) == pytest.approx(LATE.product_m3)
