"""The judgement a cook asks for once the figures stand: when to stop for the thickness wanted cold, whether
it will turn sandy, how it keeps, what colour it takes, what stays behind, and how to mend it."""

import math
from dataclasses import dataclass, replace

import numpy as np

from ...composition.composition import Composition
from ...properties.crystals import SUGAR_CRYSTALS_ABOVE, crystals_in, lactose_at
from ...properties.density import volume_m3
from ...properties.heat_capacity import heat_capacity_j_k
from ...properties.steam import latent_heat_j_kg
from ...properties.texture import COLD_C, STAGE_MIDDLES_MPA_S, STAGES, stage_index, sugar_number, viscosity_mpa_s
from ...ranges import Z80, Range
from ...safety.keeping import activity_doubt, keeping
from .browning import COLOURS, DOSE_LN_SD, colour_index
from .coconut import Split, judge_split
from .plan import ReducePlan
from .scorch import CONTINUOUS_S, pan_loss_kg
from .stops import HOT_C
from .track import Track
from .windows import milk_part_solids, windows

MILK_PH = 6.5


@dataclass(frozen=True, slots=True, kw_only=True)
class EarlyStop:
    """Where to stop hot so that it shows a stage after a night in the fridge."""

    stage: int
    name: str
    depth_m: float
    volume_m3: float
    product_kg: float
    total_solids: float
    at_s: float
    hot_stage: int
    hot_name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class NamedStop:
    """A named window along the track: from its thin end to its thick end, as depths m and seconds."""

    key: str
    name: str
    looks: str
    basis: str
    from_depth_m: float
    to_depth_m: float
    from_s: float
    to_s: float
    inside: bool
    sugar_fits: bool


@dataclass(frozen=True, slots=True)
class Crystals:
    """One way of cooling: crystal width m, chance of sandiness 0-1."""

    key: str
    words: str
    size_m: float
    risk: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Keeping:
    """Water activity (range), sugar number %, the verdict in words; days in the fridge and hours in the room, which
    forecasts of former releases do not hold."""

    water_activity: Range
    sugar_number: float
    sugar_crystals: bool
    words: str
    fridge_days: int | None = None
    room_h: int | None = None


@dataclass(frozen=True, slots=True)
class Colour:
    """Browning dose (minutes of milk at 100 °C) with the colours it may turn out."""

    dose: Range
    name: str
    low_name: str
    high_name: str


@dataclass(frozen=True, slots=True)
class Halves:
    """Why the eye misjudges this pan: shares of depth and of volume at the stop's and at half the start."""

    half_volume_at_depth: float
    half_depth_holds: float


@dataclass(frozen=True, slots=True)
class Losses:
    """What stays behind, kg: scraped, not scraped; and the steam of cooling uncovered."""

    scraped_kg: float
    unscraped_kg: float
    cooling_open_kg: float


SUGAR_ROOM_M3_KG = 0.65e-3
"""Room that sugar takes once dissolved in hot milk (dossier §2)."""


def seconds_to_return(sugar_kg: float, rate_kg_s: float) -> float:
    """Boiling that brings a batch back to its volume before the sugar went in, s (dossier §6).

    >>> round(seconds_to_return(0.073, 12.6e-3 / 60) / 60, 3)
    3.766
    """
    return SUGAR_ROOM_M3_KG * 1e3 * sugar_kg / rate_kg_s


@dataclass(frozen=True, slots=True)
class Sweetened:
    """What the sugar does: room it takes m³, cold stage without and with it, s of boiling to undo the room."""

    adds_m3: float
    cold_without: str
    cold_with: str
    back_s: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Judgement:
    early: tuple[EarlyStop, ...]
    named: tuple[NamedStop, ...]
    crystals: tuple[Crystals, ...]
    lactose_supersaturation: float
    keeping: Keeping
    colour: Colour
    halves: Halves
    losses: Losses
    shortest_stir_s: float
    continuous_from_s: float | None
    milk_part: float
    split: Split | None
    sweetened: Sweetened | None


def judge(plan: ReducePlan, track: Track, here: int, product: Composition) -> Judgement:
    """All of it for a forecast whose stop is row ``here`` of its track."""
    lactose = lactose_at(product, COLD_C)
    return Judgement(
        early=early_stops(track),
        named=named_stops(plan, track, here),
        crystals=tuple(Crystals(*row) for row in crystals_in(product, COLD_C)),
        lactose_supersaturation=lactose.supersaturation,
        keeping=_keeping(plan, product),
        colour=_colour(float(track.dose[here])),
        halves=_halves(plan),
        losses=_losses(plan, track, here, product),
        shortest_stir_s=float(np.min(track.stir_s[: here + 1])),
        continuous_from_s=_continuous_from(track, here),
        milk_part=float(milk_part_solids(product)),
        split=judge_split(product, float(track.celsius[here])) if "plant" in plan.milk.flags else None,
        sweetened=_sweetened(plan, track, here, product) if plan.sugar_kg else None,
    )


def early_stops(track: Track) -> tuple[EarlyStop, ...]:
    """Every stage that lies on this way down, at the middle of the stage (dossier §7)."""
    thick = np.log(track.cold_mpa_s)
    found = []
    for stage, name in enumerate(STAGES):
        wanted = math.log(STAGE_MIDDLES_MPA_S[stage])
        if not thick[0] <= wanted <= thick[-1]:
            continue

        def at(column: np.ndarray, wanted: float = wanted) -> float:
            return float(np.interp(wanted, thick, column))

        hot = int(stage_index(math.exp(at(np.log(track.hot_mpa_s)))))
        found.append(
            EarlyStop(
                stage=stage,
                name=name,
                depth_m=at(track.depth_m),
                volume_m3=at(track.volume_m3),
                product_kg=at(track.product_kg),
                total_solids=at(track.total_solids),
                at_s=at(track.at_s),
                hot_stage=hot,
                hot_name=STAGES[hot],
            )
        )
    return tuple(found)


def named_stops(plan: ReducePlan, track: Track, here: int) -> tuple[NamedStop, ...]:
    """The named windows that this way down crosses; coconut milk has its own, milk all the others."""
    plant = "plant" in plan.milk.flags
    sugar = plan.all_parts.free_sugars
    milk = plan.all_parts.solids - sugar
    milk_part = milk / (milk + track.water_kg)
    sugar_share = sugar / track.product_kg
    found = []
    for w in windows().values():
        if plant != (w.product is not None):
            continue
        column, (low, high) = (track.total_solids, w.product) if w.product else (milk_part, w.milk_part)
        if low > column[-1] or high < column[0]:
            continue
        ends = [
            (float(np.interp(s, column, track.depth_m)), float(np.interp(s, column, track.at_s))) for s in (low, high)
        ]
        share = float(np.interp((low + high) / 2, column, sugar_share))
        found.append(
            NamedStop(
                key=w.key,
                name=w.name,
                looks=w.looks,
                basis=w.basis,
                from_depth_m=ends[0][0],
                to_depth_m=ends[1][0],
                from_s=ends[0][1],
                to_s=ends[1][1],
                inside=low <= float(column[here]) <= high,
                sugar_fits=w.sugar[0] - 0.02 <= share <= w.sugar[1] + 0.02,
            )
        )
    return tuple(found)


def _keeping(plan: ReducePlan, product: Composition) -> Keeping:
    """The kitchen's one verdict, with what only a reduction is asked: whether its sugar stays in solution."""
    food = replace(plan.all_parts, water=float(product.water))
    verdict = keeping(food, MILK_PH, room_c=plan.kitchen.room_c, fridge_c=plan.kitchen.fridge_c)
    activity, doubt = verdict.activity, activity_doubt(verdict.activity)
    number = float(sugar_number(product))
    return Keeping(
        water_activity=Range(activity - doubt, activity, min(1.0, activity + doubt)),
        sugar_number=number,
        sugar_crystals=number > SUGAR_CRYSTALS_ABOVE,
        words=f"{verdict.words} {verdict.klass.why}",
        fridge_days=verdict.fridge_days,
        room_h=verdict.room_h,
    )


def _sweetened(plan: ReducePlan, track: Track, here: int, product: Composition) -> Sweetened:
    flakes = plan.stirring == "folded"
    plain = replace(product, sucrose=product.sucrose - plan.sugar_parts.sucrose)
    own = math.exp(plan.thickness.ln_mean)
    without = own * float(viscosity_mpa_s(plain, COLD_C, aged=True, flakes=flakes))
    return Sweetened(
        SUGAR_ROOM_M3_KG * plan.sugar_kg,
        STAGES[int(stage_index(without))],
        STAGES[int(stage_index(float(track.cold_mpa_s[here])))],
        seconds_to_return(plan.sugar_kg, float(track.rate_kg_s[here])),
    )


def _colour(dose: float) -> Colour:
    spread = Range.lognormal(max(dose, 1e-6), DOSE_LN_SD / Z80)
    low, likely, high = (COLOURS[int(colour_index(d))] for d in (spread.low, spread.likely, spread.high))
    return Colour(spread, likely, low, high)


def _halves(plan: ReducePlan) -> Halves:
    shape, start = plan.pan.shape, plan.base_m3
    depth = float(shape.depth_m(start))
    return Halves(
        float(shape.depth_m(start / 2)) / depth,
        float(shape.volume_m3(depth / 2)) / start,
    )


def _losses(plan: ReducePlan, track: Track, here: int, product: Composition) -> Losses:
    shape, depth = plan.pan.shape, float(track.depth_m[here])
    wetted = float(shape.wetted_m2(depth))
    ring = max(0.0, float(shape.wetted_m2(float(track.depth_m[0]))) - wetted)
    mass, thick = float(product.total), float(track.hot_mpa_s[here])
    scraped, unscraped = (float(pan_loss_kg(mass, thick, wetted, ring, scraped=s)) for s in (True, False))
    return Losses(scraped, unscraped, cooling_loss_kg(product, HOT_C))


def cooling_loss_kg(product: Composition, from_c: float, to_c: float = 25.0, open_share: float = 0.30) -> float:
    """Steam that leaves while an uncovered bowl cools, kg (dossier §4; share 0.30 ± 0.15, 0.05 covered)."""
    middle = (from_c + to_c) / 2
    heat = float(heat_capacity_j_k(product, middle)) * (from_c - to_c)
    return heat * open_share / float(latent_heat_j_kg(middle))


def _continuous_from(track: Track, here: int) -> float | None:
    every, at = np.log(track.stir_s[: here + 1]), track.at_s
    never = np.flatnonzero(every < math.log(CONTINUOUS_S))
    if not len(never):
        return None
    n = int(never[0])
    if n == 0:
        return float(at[0])
    passed = (every[n - 1] - math.log(CONTINUOUS_S)) / (every[n - 1] - every[n])
    return float(at[n - 1] + passed * (at[n] - at[n - 1]))


@dataclass(frozen=True, slots=True)
class Mending:
    """How to bring a batch from where it stands to where it should: milk to stir in, or minutes back."""

    milk_kg: Range
    milk_m3: float
    seconds: Range
    total_solids_now: float
    total_solids_wanted: float


def milk_to_thin_kg(batch: Composition, wanted_solids: float, milk: Composition) -> float:
    """Milk (per kg parts) that brings a batch down to total solids, kg per kg; 0 when it is there.

    >>> from mulvek.core.composition.materials import dairy
    >>> thick = Composition(water=0.318 * 0.236, lactose=0.318 * 0.764)
    >>> round(milk_to_thin_kg(thick, 0.725, dairy(4.1, 8.72)) * 1e3, 2)
    20.78
    """
    mass, solids = float(batch.total), float(batch.total_solids)
    return max(0.0, mass * (solids - wanted_solids) / (wanted_solids - float(milk.total_solids)))


def mend(plan: ReducePlan, track: Track, water_now_kg: float, water_wanted_kg: float) -> Mending:
    """Spoonfuls of milk for a batch gone too far, minutes on the heat for one that stopped short."""
    product = plan.all_parts
    now, wanted = product.with_water(water_now_kg), product.with_water(water_wanted_kg)
    wanted_solids = float(wanted.total_solids)
    milk = milk_to_thin_kg(now, wanted_solids, plan.milk.parts)
    water = track.water_kg[::-1]
    then, there = (float(np.interp(w, water, track.at_s[::-1])) for w in (water_now_kg, water_wanted_kg))
    seconds = max(0.0, there - then)
    spread = plan.milk.total_solids_sd / float(plan.milk.parts.total_solids)
    return Mending(
        Range.normal(milk, milk * max(0.1, spread), 0.0),
        float(volume_m3(plan.milk.parts.scaled(milk), 20.0)),
        Range.lognormal(seconds, plan.rate.ln_sd) if seconds else Range.exact(0.0),
        float(now.total_solids),
        wanted_solids,
    )
