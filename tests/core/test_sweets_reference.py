"""Every reference value of the sweets dossier, R1-R100, and of the curd dossier's syrup and frying, R37-R47."""

import math

import numpy as np
import pytest

from mulvek.core.composition.composition import Composition
from mulvek.core.equipment import moulds as md
from mulvek.core.equipment.slabs import slab_piece_kg, slab_thick_m
from mulvek.core.planning.curdle import soak as sk
from mulvek.core.planning.curdle.syrup import boiling_elevation_k
from mulvek.core.planning.sweets import boiling as bl
from mulvek.core.planning.sweets.build import build
from mulvek.core.planning.sweets.checks import fruit_mix_ph
from mulvek.core.planning.sweets.costs import heat_for, price_with_margin
from mulvek.core.planning.sweets.forms import read_sweet
from mulvek.core.planning.sweets.frying import centre_sets_s, fat_c
from mulvek.core.planning.sweets.late import sweeter
from mulvek.core.planning.sweets.nutrition import kcal_per_100g
from mulvek.core.planning.sweets.portions import GROWS, RESERVE, Lead, count_pieces, for_wish
from mulvek.core.planning.sweets.stuff import Stuff, fried, soaked
from mulvek.core.planning.sweets.swaps import fit
from mulvek.core.properties import freezing as fz
from mulvek.core.properties.heat_capacity import heat_capacity_j_k
from mulvek.core.properties.steam import pressure_at_altitude_pa
from mulvek.core.properties.texture import lactose_solubility
from mulvek.core.properties.water_activity import stored_water_activity
from mulvek.core.safety import keeping as kp
from tests.science import references

from .dossier_sweets import CURDLE, HANG, PANTRY, THINGS, sweet

COW, FULL = THINGS["cow"], THINGS["full-cream"]
KULFI = sweet("kulfi", "reduced").parts
STICK, CONE, POT, TRAY = (md.MOULDS[k] for k in ("stick", "cone", "clay", "tray"))
FREE_CONE = CONE
KALAKAND, BURFI, BASUNDI = (sweet(k) for k in ("kalakand", "burfi", "basundi"))
SHRIKHAND, HALWA, RABRI = sweet("shrikhand"), sweet("carrot-halwa", "milk"), sweet("rabri")
CHHENA = CURDLE(COW, 0.58).parts
BALLS, EXCHANGE = soaked(Stuff(parts=CHHENA, bought={"c": 1.0}), 0.42, 1.1, 6.0, 0.95)
SLAB = fz.cold_density_kg_m3(KALAKAND.parts, 25.0) * 0.92
STICK_W = STICK.transfer_w_m2_k(8.0)


def plank_h(mix: Composition, width_m: float, slab: tuple[float, float] = (1 / 2, 1 / 8)) -> float:
    """F19, the textbook sum for a slab from −18 °C: a cross-check of F18, which it undercuts."""
    latent = 333.5e3 * fz.ice(mix, -14.0)
    gap = fz.freezing_point_c(mix) + 18
    inner = slab[0] * width_m / STICK_W + slab[1] * width_m**2 / fz.conductivity_w_m_k(mix)
    return fz.cold_density_kg_m3(mix, 4.0) * latent / gap * inner / 3600


def pham_h(mix: Composition, width_m: float) -> float:
    """F20, Pham 1986 for a slab: a cross-check of F18."""
    core, start, air = -14.0, 5.0, -18.0
    mean = 1.8 + 0.263 * core + 0.105 * air
    density = fz.cold_density_kg_m3(mix, 4.0)
    first = density * heat_capacity_j_k(mix, 0.0) * (start - mean)
    frozen = fz.ice(mix, core)
    cold = heat_capacity_j_k(mix.with_water(mix.water - frozen), 0.0) / 1e3 + fz.ICE_KJ_KG_K * frozen
    second = density * 1e3 * (333.5 * frozen + cold * (mean - core))
    half = width_m / 2
    sums = first / ((start + mean) / 2 - air) + second / (mean - air)
    return half / STICK_W * sums * (1 + STICK_W * half / fz.conductivity_w_m_k(mix) / 2) / 3600


def litres(built, key: str) -> float:
    return built.stuff.bought[key] / THINGS[key].bulk_kg_m3 * 1e3


def wish(built, key: str, count: int, piece_kg: float):
    pack = 0.5e-3 * THINGS[key].bulk_kg_m3
    return for_wish(Lead(key, built.stuff.bought[key], pack), count * piece_kg)


KHOYA = fit(THINGS["khoya-pindi"].parts, 0.25, [THINGS[k] for k in ("whole-powder", "cream-35", "full-cream")])
CANNED = fit(THINGS["condensed"].parts, 0.4, [THINGS["evaporated"], THINGS["white-sugar"]])
POT_DEPTH, POT_TAU = kp.time_constant_s(BASUNDI.parts, 3.0, 0.24, 9.0)
_, ICED = kp.time_constant_s(BASUNDI.parts, 3.0, 0.24, 120.0, open_top=False)
assert KHOYA and CANNED


# 90 g of sugar wanted in a kilogram, 150 g of condensed milk in it: the rest is the recipe's own (F56)
SWEETENED = read_sweet(
    "sweetened",
    {
        "name": "x",
        "one": "x",
        "many": "x",
        "piece": {"way": "serve", "grams": 10},
        "lose": 0,
        "schools": {"a": {"name": "a", "mix": {"condensed": 0.15, "water": 0.82465}, "finish": {"white-sugar": 9}}},
    },
)
OWN_SUGAR = build(SWEETENED, SWEETENED.usual, PANTRY)


def ball_mm(grams: float, density: float) -> float:
    return (6 * grams / 1e3 / (math.pi * density)) ** (1 / 3) * 1e3


RAW_MM = ball_mm(12.0, fz.cold_density_kg_m3(CHHENA, 25.0))
SWOLLEN_MM = ball_mm(12.0 * 2.1, fz.cold_density_kg_m3(sweet("sponge-balls").parts, 25.0))
HALWA_WISH = wish(HALWA, "full-cream", 12, 0.100)
MANGO = sweet("shrikhand", "fruit")


def days(built, **how) -> int:
    return kp.keeping(built.parts, built.school.ph, fruit=built.school.fruit, **how).fridge_days


VALUES = [
    ("R1", 100 * COW.parts.msnf),
    ("R2", fz.cold_density_kg_m3(COW.parts, 20.0)),
    ("R3", heat_capacity_j_k(FULL.parts, 0.0) / 1e3),
    ("R4", fz.depression_k(33.7)),
    ("R5", fz.depression_k(100.0)),
    ("R6", fz.depression_k(200.0)),
    ("R7", fz.depression_k(300.0)),
    ("R8", fz.sucrose_activity(205.0)),
    ("R9", fz.below_zero_k(0.85)),
    ("R10", fz.activity_of_ice(18.0)),
    ("R11", fz.freezing_point_c(COW.parts)),
    ("R12", fz.depression_k(100 * (0.545 * 11 + 15) / 61.7) + 2.37 * 11 / 61.7),
    ("R13", 100 * KULFI.total_solids),
    ("R14", 100 * fz.sucrose_equivalents(KULFI) / KULFI.water),
    ("R15", fz.freezing_point_c(KULFI)),
    ("R16", 100 * fz.ice(KULFI, -12.0)),
    ("R17", 100 * fz.ice(KULFI, -18.0)),
    ("R18", 100 * fz.ice(KULFI, -18.0) / KULFI.water),
    ("R19", fz.heat_content_kj_kg(KULFI, 5.0) - fz.heat_content_kj_kg(KULFI, -14.0)),
    ("R20", fz.sweetness(KULFI)),
    ("R21", fz.sweetness(KULFI) * fz.felt_share(-10.0)),
    ("R22", fz.celsius_at_ice(KULFI, 0.40)),
    ("R23", fz.celsius_at_ice(KULFI, 0.36)),
    ("R24", 100 * fz.expansion(KULFI)),
    ("R25", md.fill_share(KULFI)),
    ("R26", fz.sandiness(KULFI).figure),
    ("R27", fz.iciness(KULFI, 5.0).figure),
    ("R28", CONE.volume_m3 * 1e6),
    ("R29", STICK.volume_m3 * 1e6),
    ("R30", POT.volume_m3 * 1e6),
    ("R31", CONE.area_m2 * 1e4),
    ("R32", STICK_W),
    ("R33", md.freezing_s(KULFI, STICK, 8.0) / 3600),
    ("R34", md.freezing_s(KULFI, CONE, 8.0) / 3600),
    ("R35", plank_h(KULFI, 0.02)),
    ("R36", pham_h(KULFI, 0.02)),
    ("R37", md.freezing_s(KULFI, TRAY, 15.0) / 3600),
    ("R38", md.crowded_s(2.0, 3.0) / 3600),
    ("R39", md.standing_s(KULFI, STICK, fz.celsius_at_ice(KULFI, 0.40)) / 60),
    ("R40", md.dip_s(KULFI, 0.001, 0.2)),
    ("R41", count_pieces(1.0 * (1 - md.FILL_LOSS), fz.cold_density_kg_m3(KULFI, 4.0) * STICK.volume_m3 * md.fill_share(KULFI))),
    ("R42", float(lactose_solubility(5.0))),
    ("R43", bl.most_heat_kw_m2(0.45)),
    ("R44", bl.boil_off_s(1.03, 0.15, 0.285) / 60),
    ("R45", bl.boil_off_s(1.03, 0.15, 0.68) / 60),
    ("R46", bl.heat_up_s(1.03) / 60),
    ("R47", bl.goes(8e-3, math.pi * 0.26**2 / 4 * 0.10)),
    ("R48", 100 * CURDLE(COW, 0.55).mass_kg),
    ("R49", 100 * CURDLE(COW, 0.55).parts.fat),
    ("R50", 100 * HANG(THINGS["yoghurt"], 0.72).mass_kg),
    ("R51", KALAKAND.cooked_kg / KALAKAND.bases[0].made_kg),
    ("R52", KALAKAND.stuff.bought["cow"]),
    ("R53", 100 * KALAKAND.parts.fat),
    ("R54", BURFI.stuff.bought["full-cream"]),
    ("R55", BURFI.stuff.steam_kg),
    ("R56", HALWA.stuff.steam_kg),
    ("R57", 100 * EXCHANGE.equilibrium),
    ("R58", 100 * BALLS.parts.sucrose),
    ("R59", 100 * fried(Stuff.bare(THINGS["bread"]), 0.18, 0.14).parts.fat),
    ("R60", sweeter(Composition(water=0.47, fat=0.53), 0.0, 1.0, 0.17 / 1.17, 14.25e-3 / 60).minutes),
    ("R61", SLAB),
    ("R62", slab_thick_m(1.0, SLAB, 0.20, 0.20) * 1e3),
    ("R63", RAW_MM),
    ("R64", SWOLLEN_MM),
    ("R65", int(0.55 * 260**2 / SWOLLEN_MM**2)),
    ("R66", stored_water_activity(BASUNDI.parts)),
    ("R67", stored_water_activity(KALAKAND.parts)),
    ("R68", stored_water_activity(BURFI.parts)),
    ("R69", stored_water_activity(SHRIKHAND.parts)),
    ("R70", slab_piece_kg(SLAB, 0.020, 0.030, 0.030) * 1e3),
    ("R71", wish(KALAKAND, "cow", 24, slab_piece_kg(SLAB, 0.02, 0.03, 0.03)).exact_kg / 1.03),
    ("R72", count_pieces(3.0 / litres(sweet("peda"), "full-cream"), 0.018)),
    ("R73", KHOYA.amounts[0] * 1e3),
    ("R74", KHOYA.amounts[1] * 1e3),
    ("R75", KHOYA.amounts[2] * 1e3),
    ("R76", CANNED.amounts[0] * 1e3),
    ("R77", CANNED.amounts[1] * 1e3),
    ("R78", CANNED.steam_kg * 1e3),
    ("R79", 100 * 0.68 / FULL.parts.total_solids),
    ("R80", bl.boil_off_s(0.1 * 0.68 / 0.15, 0.15, 0.68) / 60),
    ("R81", OWN_SUGAR.own_sugar_kg * 1e3),
    ("R82", (m := sweet("condensed-milk").parts).sucrose / (m.sucrose + m.water)),
    # the dossier's own ±1 °C: the curd dossier's elevation governs syrup and reads 0.7 K lower here
    ("R83", 100 + boiling_elevation_k(72.0)),
    ("R84", sk.boil_off_kg(1.0, 50.0, 70.0)),
    ("R85", fruit_mix_ph(0.0030, 0.12)),
    ("R86", heat_for(0.0, 1.0, 41.84).lpg_g),
    ("R87", kcal_per_100g(KALAKAND.parts)),
    ("R88", kcal_per_100g(THINGS["condensed"].parts)),
    ("R89", price_with_margin(15.0, 0.25)),
    ("R91", POT_TAU / 60),
    ("R92", (kp.seconds_between(POT_TAU, 60.0, 21.0, 4.0) or 0) / 3600),
    ("R93", kp.hand_over_c(POT_TAU, 4.0) or 0),
    ("R94", (kp.seconds_between(ICED, 60.0, 21.0, 0.5) or 0) / 60),
    ("R95", days(KALAKAND)),
    ("R95 topped", days(KALAKAND, raw_topping=True)),
    ("R95 warm fridge", days(KALAKAND, fridge_c=7.0)),
    ("R96", days(MANGO)),
    ("R97", fz.freezing_point_c(sweet("kulfi", finish__white_sugar=13.0).parts) - fz.freezing_point_c(KULFI)),
    ("R98", kp.room_hours(kp.FIRM, 30.0)),
    ("R99", 100 * sweet("caramel-milk").stuff.added_sugar),
    ("R100", HALWA.stuff.bought["carrot"] * HALWA_WISH.finished_kg * 1.14e3),
]  # fmt: skip


@pytest.mark.parametrize(("number", "got"), VALUES, ids=[number for number, _ in VALUES])
def test_reference(number: str, got: float) -> None:
    assert references("sweets")[number].holds(float(got))


def test_same_shaped_pan_scales_with_the_cube_root() -> None:
    """R90: four times the milk in a pan of the same shape, power with its area, takes 4^⅓ as long."""
    small = bl.boil_off_s(1.0, 0.15, 0.28, 0.20, 0.5 + 0.1)
    large = bl.boil_off_s(4.0, 0.15, 0.28, 0.20 * 4 ** (1 / 3), 0.5 * 4 ** (2 / 3) + 0.1)
    assert large / small == pytest.approx(4 ** (1 / 3), abs=0.001)


BATH = sk.Bath(
    kind="sponge",
    piece_kg=0.0113,
    count=19,
    dry=0.41,
    sugar_kg=0.437,
    water_kg=0.913,
    gain=2.3,
    volume_gain=2.3,
    boil_s=14 * 60.0,
    steam_kg=0.231,
)
SOAKED = sk.soak(BATH, 330 * 60.0)
SEA = pressure_at_altitude_pa(0.0)


SYRUP_VALUES = [
    ("R37", sk.supersaturation(71.0, 22.0)),
    ("R38", sk.syrup_boils_off_kg_s(640, 0.27, 1.24e-3, SEA, lid=False)[1] * 6e4),
    ("R39", sk.syrup_boils_off_kg_s(640, 0.22, 1.24e-3, SEA, lid=True)[1] * 6e4),
    ("R40", sk.water_to_restore_kg(0.437, 35.0, 0.640) * 1e3),
    ("R41", sk.sphere_uptake(0.137)),
    ("R42", SOAKED.piece_kg * 1e3),
    ("R43", SOAKED.brix),
    ("R44", SOAKED.left_sugar_kg * 1e3),
    ("R45", sk.inverted(sk.inversion_rate(105.5, 3.6), 660.0)),
    ("R46", centre_sets_s(0.0147, 27.0) / 60),
    ("R47", fat_c(centre_sets_s(0.0147, 27.0), 3.0)),
]
"""Rows of the curd's table."""


@pytest.mark.parametrize(("number", "got"), SYRUP_VALUES, ids=[number for number, _ in SYRUP_VALUES])
def test_syrup_and_frying(number: str, got: float) -> None:
    assert references("curd")[number].holds(float(got))


# the dossier's table of evaluated sweets: water, fat, protein, lactose, added sugar % and kcal per 100 g
EVALUATED = {
    ("basundi", ""): (64.0, 10.9, 6.2, 8.2, 9.0, 193),
    ("kheer", "rice"): (66.0, 7.8, 4.8, 5.8, 9.0, 171),
    ("kheer", "fox-nut"): (66.0, 9.8, 5.1, 6.1, 8.0, 180),
    ("rabri", "slow"): (41.0, 18.0, 10.3, 14.4, 14.0, 317),
    ("rabri", "quick"): (50.0, 15.0, 10.7, 9.4, 13.0, 268),
    ("bread-rabri", ""): (52.3, 10.3, 5.6, 4.5, 12.8, 236),
    ("milk-poli", ""): (49.7, 12.3, 6.2, 3.7, 6.0, 257),
    ("kalakand", ""): (23.0, 24.2, 19.0, 10.7, 20.0, 417),
    ("burfi", "reduced"): (16.0, 23.7, 12.8, 17.7, 27.0, 443),
    ("peda", ""): (13.0, 22.8, 13.1, 18.2, 30.0, 450),
    ("instant-khoya", ""): (28.0, 23.6, 17.8, 26.4, 0.0, 390),
    ("caramel-milk", ""): (27.0, 13.0, 5.6, 8.1, 42.7, 351),
    ("condensed-milk", ""): (28.0, 12.9, 7.4, 10.3, 39.8, 346),
    ("coconut-condensed", ""): (32.0, 26.2, 2.6, 0.0, 33.4, 398),
    ("sponge-balls", ""): (50.9, 10.0, 8.0, 1.0, 29.1, 242),
    ("poached-slices", ""): (43.6, 15.3, 9.7, 4.3, 25.7, 296),
    ("fried-balls", ""): (30.7, 19.8, 11.0, 1.1, 29.8, 371),
    ("shrikhand", "plain"): (49.6, 8.6, 7.3, 2.0, 31.0, 241),
    ("shrikhand", "fruit"): (56.2, 7.4, 6.4, 1.6, 24.0, 208),
    ("carrot-halwa", "milk"): (47.0, 13.8, 4.6, 4.2, 17.0, 268),
    ("kulfi", "reduced"): (60.6, 11.1, 6.3, 8.3, 12.0, 207),
    ("kulfi", "enriched"): (63.0, 8.0, 5.7, 8.2, 13.0, 183),
    ("kulfi", "cream"): (59.1, 14.6, 5.4, 7.8, 11.9, 231),
    ("kulfi", "fruit"): (63.4, 8.6, 5.0, 6.8, 11.0, 184),
}


@pytest.mark.parametrize(("key", "wanted"), EVALUATED.items(), ids=["-".join(k).strip("-") for k in EVALUATED])
def test_evaluated_sweets(key: tuple[str, str], wanted: tuple[float, ...]) -> None:
    built = sweet(*key)
    m = built.parts
    got = np.array([m.water, m.fat, m.protein, m.lactose, built.stuff.added_sugar]) * 100
    assert np.allclose(got, wanted[:5], atol=0.051), got
    assert kcal_per_100g(m) == pytest.approx(wanted[5], abs=0.51)
    assert abs(built.stuff.missing_kg) < 1e-9 and m.total == pytest.approx(1.0, abs=1e-9)


FORWARD = [  # finished kg and pieces from 3 L of full cream, buffalo and toned
    ("basundi", 0.110, (1.765, 16), (1.766, 16), (1.768, 16)),
    ("rabri", 0.075, (0.991, 13), (1.088, 14), (0.761, 10)),
    ("burfi", 0.0200, (0.803, 40), (0.881, 44), (0.617, 29)),
    ("condensed-milk", 0.030, (1.395, 46), (1.456, 48), (1.251, 41)),
]


@pytest.mark.parametrize(("key", "each", "full", "buffalo", "toned"), FORWARD)
def test_forward_from_three_litres(key: str, each: float, full, buffalo, toned) -> None:
    for milk, (kg, _) in (("full-cream", full), ("buffalo", buffalo), ("toned", toned)):
        assert 3.0 / litres(sweet(key, milk=milk), milk) == pytest.approx(kg, abs=0.0015)


def test_cooling_gate() -> None:
    """The dossier's cases: a deep pot never cools in a room, too slowly in the fridge; iced and stirred it does."""
    deep = kp.cooling(BASUNDI.parts, 3.0, 0.24, 28.0, kp.AIR)
    assert deep.first_s is None and deep.hand_over_c is None and not deep.passes
    assert not kp.cooling(BASUNDI.parts, 3.0, 0.24, 4.0, kp.FRIDGE).passes
    assert kp.cooling(BASUNDI.parts, 3.0, 0.24, 0.5, kp.ICE_STIRRED, open_top=False).passes
    bowl = kp.cooling(RABRI.parts, 1.0, 0.14, 3.0, kp.FRIDGE, stirred=False)
    assert bowl.first_s == pytest.approx(2.22 * 3600, rel=0.02) and not bowl.passes
    assert bowl.hand_over_c == pytest.approx(19.0, abs=0.5)
    assert kp.cooling(RABRI.parts, 0.5, 0.22, 3.0, kp.FRIDGE, stirred=False).passes


def test_batch_grows_to_whole_packs_or_leaves_a_rest() -> None:
    grown = wish(BASUNDI, "full-cream", 12, 0.110)
    assert (grown.buy_kg / 0.515, grown.rest_kg) == (pytest.approx(5), pytest.approx(0.0, abs=1e-9))
    assert grown.finished_kg == pytest.approx(1.470, abs=0.001)
    kept = wish(sweet("peda"), "full-cream", 30, 0.018)
    assert kept.finished_kg == pytest.approx(0.551, abs=0.001) and kept.rest_kg / 1.03 == pytest.approx(
        0.39, abs=0.01
    )
    assert kept.finished_kg == pytest.approx(kept.wanted_kg * (1 + RESERVE)) and GROWS == 1.2
