"""Slabs in trays and balls in syrup or fat, sized for this batch."""

import math
from dataclasses import dataclass

from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...equipment.slabs import THICK_M, Grid, grid_for, grid_of, slab_area_m2, slab_thick_m
from ...properties.density import density_kg_m3
from ...ranges import Range
from ..curdle import soak as sk
from ..curdle.pieces import USES, VOID, at_once, ball_m, syrup_surface_m
from ..curdle.syrup import syrup_boils_c, syrup_density_kg_m3
from ..reduce.hearth import Hearth
from .build import Built
from .frying import GENTLE_C, browns_s, centre_sets_s, fat_c, fat_taken_kg
from .portions import FIRM_C, kept_of, slab_density_kg_m3

CURVE_H = (0.0, 0.5, 1.0, 2.0, 3.0, 4.0, 6.0, 8.0, 12.0)
GAIN_LN_SD, SUGAR_SD = 0.15, 0.05
BOIL_S = {"sponge": 16 * 60.0, "poached": 15 * 60.0, "fried": 0.0}
REST_D = {"sponge": sk.RESTING, "poached": sk.RESTING, "fried": sk.WARM}


@dataclass(frozen=True, slots=True, kw_only=True)
class SlabAnswer:
    """A mass in a tray: m, how it is cut, and what a piece weighs, kg; ``word``: whether the tray suits."""

    length_m: float
    width_m: float
    thick_m: float
    grid: Grid
    each_kg: float
    word: str


def slab_answer(built: Built, finished_kg: float, tray: tuple[float, float] | None, wanted: int | None) -> SlabAnswer:
    """In the cook's tray, or in one laid out for the thickness; cut for the pieces wanted or to the usual size."""
    density = slab_density_kg_m3(built)
    piece = built.school.piece
    long, wide = (mm / 1e3 for mm in piece.cut_mm)
    if tray is None:
        area = slab_area_m2(finished_kg, density, piece.thick_mm / 1e3)
        across = max(1, round(math.sqrt(area / 1.25) / wide))
        width = across * wide
        tray = (area / width if wanted else max(1, round(area / width / long)) * long, width)
    thick = slab_thick_m(finished_kg, density, *tray)
    grid = grid_for(*tray, wanted) if wanted else grid_of(*tray, long, wide)
    word = (
        "thin: take a smaller tray"
        if thick < THICK_M[0]
        else "thick: take a larger tray"
        if thick > THICK_M[1]
        else ""
    )
    return SlabAnswer(
        length_m=tray[0],
        width_m=tray[1],
        thick_m=thick,
        grid=grid,
        each_kg=finished_kg / max(1, grid.pieces),
        word=word,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class SyrupAnswer:
    """Syrup and pieces in it. kg, m, °Brix, °C; ``boil_off_kg`` leaves while the pieces boil under a lid, and
    ``top_up_kg`` of hot water brings the strength back; curves by ``curve_h`` of rest; ``makes`` what is left can still do."""

    kind: str
    brix: float
    stage: str
    boils_c: float
    kg: float
    sugar_kg: float
    water_kg: float
    pan_m: float
    raw_m: float
    swollen_m: float
    at_once: int
    goes: int
    boil_off_kg: float
    top_up_kg: float
    hours: float
    curve_h: tuple[float, ...]
    curve_kg: tuple[float, ...]
    curve_sugar: tuple[float, ...]
    piece_kg: Range
    sugar: Range
    left_kg: float
    left_brix: float
    left_keeps_days: int
    crystals: float
    makes: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class FryAnswer:
    """Fat's heat °C and time s: until the heart sets, until it is brown; fat taken up by all, kg. ``seconds`` of a load;
    so many pieces ``at_once`` have room in the pan, the rest in as many ``goes``."""

    fat_c: Range
    sets_s: Range
    browns_s: float
    window_c: Range
    seconds: Range
    taken_kg: float
    at_once: int
    goes: int


FRY_COVER = 0.6
"""So much of the fat's surface may be covered: what floats there has room to be turned, and the fat stays hot (common
practice)."""


def _fried_in(count: int, area_m2: float, pan: Pan) -> tuple[int, int]:
    """How many of ``count`` pieces, of this area in all, have room at once, and in how many goes they are fried.

    >>> from ...equipment.vessels import Straight
    >>> _fried_in(20, 20 * math.pi * 0.02**2, Pan("pot", Straight(0.20, 0.1)))
    (10, 2)
    """
    surface = math.pi / 4 * syrup_surface_m(pan) ** 2
    goes = max(1, math.ceil(area_m2 / (FRY_COVER * surface) - 1e-9))
    return math.ceil(count / goes), goes


def syrup_answer(
    built: Built, count: int, finished_kg: float, hearth: Hearth, kitchen: Kitchen
) -> SyrupAnswer | None:
    """None when nothing is soaked in syrup."""
    school = built.school
    if school.soak is None or school.soak.within or built.soak is None:
        return None
    pan = hearth.pan
    strength, kg = school.soak.brix, built.syrup_kg * finished_kg
    raw_kg = built.before_soak_kg * finished_kg * kept_of(built) / max(1, count)
    raw_m = ball_m(raw_kg, VOID * float(density_kg_m3(built.pieces_before, FIRM_C)))
    hours = sum(school.soak.hours) / 2
    kind = school.soak.kind
    together, peak = count, raw_m
    width = syrup_surface_m(pan)
    curve_kg: tuple[float, ...] = ()
    curve_sugar: tuple[float, ...] = ()
    if kind in sk.SHRINKS_ABOVE:
        use = USES[kind]
        assert use.swells is not None
        peak = raw_m * use.swells[1] ** (1 / 3)
        together = at_once(use, max(1, count), raw_m, pan)
        dry = built.pieces_before.total_solids - built.pieces_before.sucrose
        bath = sk.Bath(
            kind=kind,  # type: ignore[arg-type]
            piece_kg=raw_kg,
            count=max(1, count),
            dry=dry,
            sugar_kg=kg * strength / 100,
            water_kg=kg * (1 - strength / 100),
            gain=use.gains,
            volume_gain=use.swells[1],
            boil_s=BOIL_S[kind],
        )
        told = [sk.soak(bath, h * 3600, REST_D[kind]) for h in CURVE_H]
        curve_kg = tuple(t.piece_kg for t in told)
        curve_sugar = tuple(t.sugar for t in told)
    boil_off = 0.0
    if kind in sk.SHRINKS_ABOVE:
        power = hearth.burner.net_power_w(hearth.flame, pan.shape.base_diameter_m)
        volume = kg / syrup_density_kg_m3(strength)
        _, rate = sk.syrup_boils_off_kg_s(power, width, volume, kitchen.pressure_pa, lid=True, room_c=kitchen.room_c)
        boil_off = rate * BOIL_S[kind]
    water = kg * (1 - strength / 100)
    left_kg = built.soak.left_kg * built.before_soak_kg * finished_kg
    left_brix = 100 * built.soak.left_brix
    return SyrupAnswer(
        kind=kind,
        brix=strength,
        stage=sk.stage(strength),
        boils_c=syrup_boils_c(kitchen.altitude_m, strength),
        kg=kg,
        sugar_kg=kg * strength / 100,
        water_kg=kg * (1 - strength / 100),
        pan_m=width,
        raw_m=raw_m,
        swollen_m=peak,
        at_once=together,
        goes=math.ceil(count / max(1, together)),
        boil_off_kg=boil_off,
        top_up_kg=sk.water_to_restore_kg(kg * strength / 100, strength, water - boil_off),
        hours=hours,
        curve_h=CURVE_H if curve_kg else (),
        curve_kg=curve_kg,
        curve_sugar=curve_sugar,
        piece_kg=Range.lognormal(raw_kg * (1 + school.soak.gain), GAIN_LN_SD),
        sugar=Range.between(built.parts.sucrose, SUGAR_SD, 0.0, 1.0),
        left_kg=left_kg,
        left_brix=left_brix,
        left_keeps_days=sk.keeps_days(left_brix),
        crystals=sk.supersaturation(left_brix, kitchen.room_c),
        makes=_still_makes(left_kg, left_brix),
    )


def _still_makes(left_kg: float, brix: float) -> tuple[str, ...]:
    """What leftover syrup is still good for, thinned, strengthened or boiled down."""
    made = []
    for name, wanted in ((use.name, use.brix) for use in USES.values() if use.swells):
        if wanted <= brix:
            water = sk.thin_with_kg(left_kg, brix, wanted)
            made.append(
                f"{name}: {(left_kg + water) * 1e3:.0f} g at {wanted:.0f} °Brix with {water * 1e3:.0f} g of water"
            )
        else:
            off = sk.boil_off_kg(left_kg, brix, wanted)
            made.append(f"{name}: {(left_kg - off) * 1e3:.0f} g at {wanted:.0f} °Brix, {off * 1e3:.0f} g boiled off")
    return tuple(made)


def fry_answer(built: Built, count: int, finished_kg: float, pan: Pan, kitchen: Kitchen) -> FryAnswer | None:
    """None when nothing is fried; balls by the curd dossier, bread and discs by the school's own figures."""
    fry = built.school.fry
    if fry is None:
        return None
    soaked = built.before_soak_kg * finished_kg
    raw = soaked / (1 - fry.loses / 100 + fry.takes / 100)
    taken = raw * fry.takes / 100
    if built.school.piece.way != "ball":
        middle = sum(fry.celsius) / 2
        together, goes = _fried_in(count, raw / (fry.kg_m3 * fry.thick_mm * 1e-3), pan)
        return FryAnswer(
            fat_c=Range(fry.celsius[0], middle, fry.celsius[1]),
            sets_s=Range(fry.seconds[0], sum(fry.seconds) / 2, fry.seconds[1]),
            browns_s=sum(fry.seconds) / 2,
            window_c=Range(fry.celsius[0], middle, fry.celsius[1]),
            seconds=Range(fry.seconds[0], sum(fry.seconds) / 2, fry.seconds[1]),
            taken_kg=taken,
            at_once=together,
            goes=goes,
        )
    each = raw * kept_of(built) / max(1, count)
    radius = (6 * each / (math.pi * 1060.0)) ** (1 / 3) / 2
    sets = centre_sets_s(radius, kitchen.room_c)
    together, goes = _fried_in(count, count * math.pi * radius**2, pan)
    sugar = 100 * built.school.mix.get("white-sugar", 0.0) / sum(built.school.mix.values())
    heat = fat_c(sets, sugar)
    return FryAnswer(
        fat_c=Range.normal(heat, 8.0),
        sets_s=Range.lognormal(sets, 0.25),
        browns_s=browns_s(heat, sugar),
        window_c=Range(GENTLE_C[0], heat, GENTLE_C[1]),
        seconds=Range(sets, 1.2 * sets, 1.4 * sets),
        taken_kg=max(taken, count * fat_taken_kg(2 * radius)),
        at_once=together,
        goes=goes,
    )
