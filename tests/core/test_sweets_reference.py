"""Every reference value of the sweets dossier, R1-R100, and of the curd dossier's syrup and frying, R37-R47."""

import math

import numpy as np
import pytest

from mulvek.core.composition.makeup import Makeup
from mulvek.core.equipment import moulds as md
from mulvek.core.equipment.slabs import slab_piece_kg, slab_thick_m
from mulvek.core.planning.curdle import soak as sk
from mulvek.core.planning.curdle.syrup import boiling_elevation_k
from mulvek.core.planning.sweets import boiling as bl
from mulvek.core.planning.sweets.build import build
from mulvek.core.planning.sweets.checks import fruit_mix_ph
from mulvek.core.planning.sweets.costs import heat_for, price_with_margin
from mulvek.core.planning.sweets.formula import read_sweet
from mulvek.core.planning.sweets.frying import centre_sets_s, fat_c
from mulvek.core.planning.sweets.late import sweeter
from mulvek.core.planning.sweets.nutrition import kcal_per_100g
from mulvek.core.planning.sweets.portions import GROWS, RESERVE, Lead, count_pieces, for_wish
from mulvek.core.planning.sweets.stuff import Stuff, fried, soaked
from mulvek.core.planning.sweets.swaps import fit
from mulvek.core.properties import freezing as fz
from mulvek.core.properties.steam import pressure_at_altitude_pa
from mulvek.core.properties.texture import lactose_solubility
from mulvek.core.safety import keeping as kp

from .dossier_sweets import CURDLE, HANG, PANTRY, THINGS, sweet

COW, FULL = THINGS["cow"], THINGS["full-cream"]
KULFI = sweet("kulfi", "reduced").makeup
STICK, CONE, POT, TRAY = (md.MOULDS[k] for k in ("stick", "cone", "clay", "tray"))
FREE_CONE = CONE
KALAKAND, BURFI, BASUNDI = (sweet(k) for k in ("kalakand", "burfi", "basundi"))
SHRIKHAND, HALWA, RABRI = sweet("shrikhand"), sweet("carrot-halwa", "milk"), sweet("rabri")
CHHENA = CURDLE(COW, 0.58).makeup
BALLS, EXCHANGE = soaked(Stuff(CHHENA, {"c": 1.0}), 0.42, 1.1, 6.0, 0.95)
SLAB = fz.cold_density_kg_m3(KALAKAND.makeup, 25.0) * 0.92
STICK_W = STICK.transfer_w_m2_k(8.0)


def plank_h(mix: Makeup, width_m: float, slab: tuple[float, float] = (1 / 2, 1 / 8)) -> float:
    """F19, the textbook sum for a slab from −18 °C: a cross-check of F18, which it undercuts."""
    latent = 333.5e3 * fz.ice(mix, -14.0)
    gap = fz.freezing_point_c(mix) + 18
    inner = slab[0] * width_m / STICK_W + slab[1] * width_m**2 / fz.conductivity_w_m_k(mix)
    return fz.cold_density_kg_m3(mix, 4.0) * latent / gap * inner / 3600


def pham_h(mix: Makeup, width_m: float) -> float:
    """F20, Pham 1986 for a slab: a cross-check of F18."""
    core, start, air = -14.0, 5.0, -18.0
    mean = 1.8 + 0.263 * core + 0.105 * air
    density = fz.cold_density_kg_m3(mix, 4.0)
    first = density * 1e3 * fz.heat_capacity_kj_kg_k(mix) * (start - mean)
    frozen = fz.ice(mix, core)
    cold = fz.solids_heat_kj_kg_k(mix) + 4.18 * (mix.water - frozen) + 2.06 * frozen
    second = density * 1e3 * (333.5 * frozen + cold * (mean - core))
    half = width_m / 2
    sums = first / ((start + mean) / 2 - air) + second / (mean - air)
    return half / STICK_W * sums * (1 + STICK_W * half / fz.conductivity_w_m_k(mix) / 2) / 3600


def litres(built, key: str) -> float:
    return built.stuff.bought[key] / THINGS[key].bulk_kg_m3 * 1e3


def wish(built, key: str, count: int, piece_kg: float):
    pack = 0.5e-3 * THINGS[key].bulk_kg_m3
    return for_wish(Lead(key, built.stuff.bought[key], pack), count * piece_kg)


KHOYA = fit(THINGS["khoya-pindi"].makeup, 0.25, [THINGS[k] for k in ("whole-powder", "cream-35", "full-cream")])
CANNED = fit(THINGS["condensed"].makeup, 0.4, [THINGS["evaporated"], THINGS["white-sugar"]])
POT_DEPTH, POT_TAU = kp.time_constant_s(BASUNDI.makeup, 3.0, 0.24, 9.0)
_, ICED = kp.time_constant_s(BASUNDI.makeup, 3.0, 0.24, 120.0, open_top=False)
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
SWOLLEN_MM = ball_mm(12.0 * 2.1, fz.cold_density_kg_m3(sweet("sponge-balls").makeup, 25.0))
HALWA_WISH = wish(HALWA, "full-cream", 12, 0.100)
MANGO = sweet("shrikhand", "fruit")


def days(built, **how) -> int:
    return kp.keeping(built.makeup, built.school.ph, fruit=built.school.fruit, **how).fridge_days


VALUES = [
    ("R1", 100 * COW.makeup.msnf, 8.75, 0.01),
    ("R2", fz.cold_density_kg_m3(COW.makeup, 20.0), 1023.2, "0.2%"),
    ("R3", fz.heat_capacity_kj_kg_k(FULL.makeup), 3.8237, "0.5%"),
    ("R4", fz.depression_k(33.7), 2.0720, 0.005),
    ("R5", fz.depression_k(100.0), 7.1333, 0.005),
    ("R6", fz.depression_k(200.0), 16.147, 0.02),
    ("R7", fz.depression_k(300.0), 27.070, 0.05),
    ("R8", fz.sucrose_activity(205.0), 0.8489, 0.001),
    ("R9", fz.below_zero_k(0.85), 16.630, 0.01),
    ("R10", fz.activity_of_ice(18.0), 0.8386, 0.0005),
    ("R11", fz.freezing_point_c(COW.makeup), -0.5557, 0.01),
    ("R12", fz.depression_k(100 * (0.545 * 11 + 15) / 61.7) + 2.37 * 11 / 61.7, 2.5142, 0.01),
    ("R13", 100 * KULFI.total_solids, 39.446, 0.05),
    ("R14", 100 * fz.sucrose_equivalents(KULFI) / KULFI.water, 33.688, 0.1),
    ("R15", fz.freezing_point_c(KULFI), -2.7141, 0.01),
    ("R16", 100 * fz.ice(KULFI, -12.0), 44.539, 0.2),
    ("R17", 100 * fz.ice(KULFI, -18.0), 49.446, 0.2),
    ("R18", 100 * fz.ice(KULFI, -18.0) / KULFI.water, 81.655, 0.3),
    ("R19", fz.heat_content_kj_kg(KULFI, 5.0) - fz.heat_content_kj_kg(KULFI, -14.0), 202.88, "1%"),
    ("R20", fz.sweetness(KULFI), 13.432, 0.05),
    ("R21", fz.sweetness(KULFI) * fz.felt_share(-10.0), 10.208, 0.05),
    ("R22", fz.celsius_at_ice(KULFI, 0.40), -8.957, 0.1),
    ("R23", fz.celsius_at_ice(KULFI, 0.36), -7.282, 0.1),
    ("R24", 100 * fz.expansion(KULFI), 4.396, 0.1),
    ("R25", md.fill_share(KULFI), 0.9387, 0.002),
    ("R26", fz.sandiness(KULFI).figure, 0.2043, 0.001),
    ("R27", fz.iciness(KULFI, 5.0).figure, 45.3, 1.0),
    ("R28", CONE.volume_m3 * 1e6, 79.063, "0.1%"),
    ("R29", STICK.volume_m3 * 1e6, 73.813, "0.1%"),
    ("R30", POT.volume_m3 * 1e6, 120.428, "0.1%"),
    ("R31", CONE.area_m2 * 1e4, 109.462, "0.1%"),
    ("R32", STICK_W, 7.6923, "0.1%"),
    ("R33", md.freezing_s(KULFI, STICK, 8.0) / 3600, 5.346, "1%"),
    ("R34", md.freezing_s(KULFI, CONE, 8.0) / 3600, 5.321, "1%"),
    ("R35", plank_h(KULFI, 0.02), 4.175, "1%"),
    ("R36", pham_h(KULFI, 0.02), 5.761, "1%"),
    ("R37", md.freezing_s(KULFI, TRAY, 15.0) / 3600, 5.439, "1%"),
    ("R38", md.crowded_s(2.0, 3.0) / 3600, 16.0, 1e-9),
    ("R39", md.standing_s(KULFI, STICK, fz.celsius_at_ice(KULFI, 0.40)) / 60, 10.24, "2%"),
    ("R40", md.dip_s(KULFI, 0.001, 0.2), 25.26, "2%"),
    ("R41", count_pieces(1.0 * (1 - md.FILL_LOSS), fz.cold_density_kg_m3(KULFI, 4.0) * STICK.volume_m3 * md.fill_share(KULFI)), 12, 0),
    ("R42", float(lactose_solubility(5.0)), 13.407, 0.05),
    ("R43", bl.most_heat_kw_m2(0.45), 16.50, 0.01),
    ("R44", bl.boil_off_s(1.03, 0.15, 0.285) / 60, 20.392, "1%"),
    ("R45", bl.boil_off_s(1.03, 0.15, 0.68) / 60, 38.300, "1%"),
    ("R46", bl.heat_up_s(1.03) / 60, 6.505, "1%"),
    ("R47", bl.goes(8e-3, math.pi * 0.26**2 / 4 * 0.10), 4, 0),
    ("R48", 100 * CURDLE(COW, 0.55).mass_kg, 15.755, 0.05),
    ("R49", 100 * CURDLE(COW, 0.55).makeup.fat, 22.672, 0.1),
    ("R50", 100 * HANG(THINGS["yoghurt"], 0.72).mass_kg, 29.960, 0.05),
    ("R51", KALAKAND.cooked_kg / KALAKAND.bases[0].made_kg, 1.22069, 0.001),
    ("R52", KALAKAND.stuff.bought["cow"], 6.5752, 0.005),
    ("R53", 100 * KALAKAND.makeup.fat, 24.232, 0.05),
    ("R54", BURFI.stuff.bought["full-cream"], 3.8481, 0.005),
    ("R55", BURFI.stuff.steam_kg, 3.1043, 0.005),
    ("R56", HALWA.stuff.steam_kg, 1.3043, 0.005),
    ("R57", 100 * EXCHANGE.equilibrium, 38.298, 0.05),
    ("R58", 100 * BALLS.makeup.sucrose, 29.106, 0.05),
    ("R59", 100 * fried(Stuff.bare(THINGS["bread"]), 0.18, 0.14).makeup.fat, 18.021, 0.05),
    ("R60", sweeter(Makeup(water=0.47, fat=0.53), 0.0, 1.0, 0.17 / 1.17, 14.25e-3 / 60).minutes, 7.396, 0.02),
    ("R61", SLAB, 1087.5, "0.3%"),
    ("R62", slab_thick_m(1.0, SLAB, 0.20, 0.20) * 1e3, 22.989, "0.3%"),
    ("R63", RAW_MM, 28.040, "0.3%"),
    ("R64", SWOLLEN_MM, 34.790, "0.5%"),
    ("R65", int(0.55 * 260**2 / SWOLLEN_MM**2), 30, 0),
    ("R66", kp.stored_water_activity(BASUNDI.makeup), 0.9813, 0.003),
    ("R67", kp.stored_water_activity(KALAKAND.makeup), 0.8917, 0.003),
    ("R68", kp.stored_water_activity(BURFI.makeup), 0.8132, 0.003),
    ("R69", kp.stored_water_activity(SHRIKHAND.makeup), 0.9531, 0.003),
    ("R70", slab_piece_kg(SLAB, 0.020, 0.030, 0.030) * 1e3, 20.390, "0.3%"),
    ("R71", wish(KALAKAND, "cow", 24, slab_piece_kg(SLAB, 0.02, 0.03, 0.03)).exact_kg / 1.03, 3.1864, "0.5%"),
    ("R72", count_pieces(3.0 / litres(sweet("peda"), "full-cream"), 0.018), 43, 0),
    ("R73", KHOYA.amounts[0] * 1e3, 133.72, 0.3),
    ("R74", KHOYA.amounts[1] * 1e3, 88.24, 0.3),
    ("R75", KHOYA.amounts[2] * 1e3, 28.05, 0.5),
    ("R76", CANNED.amounts[0] * 1e3, 460.85, 0.5),
    ("R77", CANNED.amounts[1] * 1e3, 172.40, 0.3),
    ("R78", CANNED.steam_kg * 1e3, 233.03, 0.5),
    ("R79", 100 * 0.68 / FULL.makeup.total_solids, 453.333, 0.05),
    ("R80", bl.boil_off_s(0.1 * 0.68 / 0.15, 0.15, 0.68) / 60, 16.857, "1%"),
    ("R81", OWN_SUGAR.own_sugar_kg * 1e3, 25.35, 0.05),
    ("R82", (m := sweet("condensed-milk").makeup).sucrose / (m.sucrose + m.water), 0.5868, 0.002),
    # the dossier's own ±1 °C: the curd dossier's elevation governs syrup and reads 0.7 K lower here
    ("R83", 100 + boiling_elevation_k(72.0), 106.50, 1.0),
    ("R84", sk.boil_off_kg(1.0, 50.0, 70.0), 0.2857, 0.001),
    ("R85", fruit_mix_ph(0.0030, 0.12), 5.453, 0.01),
    ("R86", heat_for(0.0, 1.0, 41.84).lpg_g, 108.81, "0.5%"),
    ("R87", kcal_per_100g(KALAKAND.makeup), 417.08, 0.5),
    ("R88", kcal_per_100g(THINGS["condensed"].makeup), 327.80, 0.3),
    ("R89", price_with_margin(15.0, 0.25), 20.00, 0.01),
    ("R91", POT_TAU / 60, 133.99, "1%"),
    ("R92", (kp.seconds_between(POT_TAU, 60.0, 21.0, 4.0) or 0) / 3600, 2.662, "1%"),
    ("R93", kp.hand_over_c(POT_TAU, 4.0) or 0, 10.00, 0.2),
    ("R94", (kp.seconds_between(ICED, 60.0, 21.0, 0.5) or 0) / 60, 15.99, "1%"),
    ("R95", days(KALAKAND), 3, 0),
    ("R95 topped", days(KALAKAND, raw_topping=True), 2, 0),
    ("R95 warm fridge", days(KALAKAND, fridge_c=7.0), 1, 0),
    ("R96", days(MANGO), 3, 0),
    ("R97", fz.freezing_point_c(sweet("kulfi", finish__white_sugar=13.0).makeup) - fz.freezing_point_c(KULFI), -0.1145, 0.005),
    ("R98", kp.room_hours(kp.FIRM, 30.0), 2, 0),
    ("R99", 100 * sweet("caramel-milk").stuff.added_sugar, 42.660, 0.05),
    ("R100", HALWA.stuff.bought["carrot"] * HALWA_WISH.finished_kg * 1.14e3, 1599.8, "0.5%"),
]  # fmt: skip


@pytest.mark.parametrize(("name", "got", "wanted", "within"), VALUES, ids=[row[0] for row in VALUES])
def test_reference(name: str, got: float, wanted: float, within: float | str) -> None:
    allowed = float(within[:-1]) / 100 * abs(wanted) if isinstance(within, str) else within
    assert abs(got - wanted) <= allowed + 1e-12


def test_same_shaped_pan_scales_with_the_cube_root() -> None:
    """R90: four times the milk in a pan of the same shape, power with its area, takes 4^⅓ as long."""
    small = bl.boil_off_s(1.0, 0.15, 0.28, 0.20, 0.5 + 0.1)
    large = bl.boil_off_s(4.0, 0.15, 0.28, 0.20 * 4 ** (1 / 3), 0.5 * 4 ** (2 / 3) + 0.1)
    assert large / small == pytest.approx(4 ** (1 / 3), abs=0.001)


BATH = sk.Bath("sponge", 0.0113, 19, 0.41, 0.437, 0.913, 2.3, 2.3, 14 * 60.0, 0.231)
SOAKED = sk.soak(BATH, 330 * 60.0)
SEA = pressure_at_altitude_pa(0.0)


@pytest.mark.parametrize(
    ("name", "got", "wanted", "within"),
    [
        ("R37", sk.supersaturation(71.0, 22.0), 1.204086699, 1e-5),
        ("R38", sk.syrup_boils_off_kg_s(640, 0.27, 1.24e-3, SEA, lid=False)[1] * 6e4, 14.75352433, 0.05),
        ("R39", sk.syrup_boils_off_kg_s(640, 0.22, 1.24e-3, SEA, lid=True)[1] * 6e4, 15.25268067, 0.02),
        ("R40", sk.water_to_restore_kg(0.437, 35.0, 0.640) * 1e3, 171.5714286, 0.01),
        ("R41", sk.sphere_uptake(0.137), 0.8420561122, 1e-6),
        ("R42", SOAKED.piece_kg * 1e3, 24.39829321, 0.01),
        ("R43", SOAKED.brix, 36.26610126, 0.01),
        ("R44", SOAKED.left_sugar_kg * 1e3, 315.5631078, 0.2),
        ("R45", sk.inverted(sk.inversion_rate(105.5, 3.6), 660.0), 0.09635812503, 1e-5),
        ("R46", centre_sets_s(0.0147, 27.0) / 60, 6.90218654, 0.005),
        ("R47", fat_c(centre_sets_s(0.0147, 27.0), 3.0), 138.0095914, 0.02),
    ],
)
def test_syrup_and_frying(name: str, got: float, wanted: float, within: float) -> None:
    assert abs(got - wanted) <= within


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
    m = built.makeup
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
    deep = kp.cooling(BASUNDI.makeup, 3.0, 0.24, 28.0, kp.AIR)
    assert deep.first_s is None and deep.hand_over_c is None and not deep.passes
    assert not kp.cooling(BASUNDI.makeup, 3.0, 0.24, 4.0, kp.FRIDGE).passes
    assert kp.cooling(BASUNDI.makeup, 3.0, 0.24, 0.5, kp.ICE_STIRRED, open_top=False).passes
    bowl = kp.cooling(RABRI.makeup, 1.0, 0.14, 3.0, kp.FRIDGE, stirred=False)
    assert bowl.first_s == pytest.approx(2.22 * 3600, rel=0.02) and not bowl.passes
    assert bowl.hand_over_c == pytest.approx(19.0, abs=0.5)
    assert kp.cooling(RABRI.makeup, 0.5, 0.22, 3.0, kp.FRIDGE, stirred=False).passes


def test_batch_grows_to_whole_packs_or_leaves_a_rest() -> None:
    grown = wish(BASUNDI, "full-cream", 12, 0.110)
    assert (grown.buy_kg / 0.515, grown.rest_kg) == (pytest.approx(5), pytest.approx(0.0, abs=1e-9))
    assert grown.finished_kg == pytest.approx(1.470, abs=0.001)
    kept = wish(sweet("peda"), "full-cream", 30, 0.018)
    assert kept.finished_kg == pytest.approx(0.551, abs=0.001) and kept.rest_kg / 1.03 == pytest.approx(
        0.39, abs=0.01
    )
    assert kept.finished_kg == pytest.approx(kept.wanted_kg * (1 + RESERVE)) and GROWS == 1.2
