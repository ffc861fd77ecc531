"""A running batch: its plan and its events in, its state at a given time out. A pure function of both.

Nothing here remembers: undo, late entries, reloads and restarts all follow from folding the events again.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..composition.composition import Composition
from ..equipment.burners import Flame
from ..equipment.vessels import surface_m2
from ..planning.reduce.forecast import FIRST_BOIL_LN_SD
from ..planning.reduce.plan import ReducePlan
from ..planning.reduce.scorch import stir_interval_s
from ..planning.reduce.stops import HOT_C
from ..planning.reduce.track import midway_steam_kg, stop_water_kg
from ..properties.density import volume_m3
from ..properties.texture import viscosity_mpa_s
from ..ranges import Range
from .attention import Attention
from .events import Event
from .fold import Fold, Fusion, Phase, Point, fold
from .learning import Lesson
from .model import warming

FINISHED = ("weighed", "abandoned", "poured")


@dataclass(frozen=True, slots=True, kw_only=True)
class BatchState:
    """The batch at one instant. Times are seconds since the epoch (``*_at_s``) or from now (``*_s``).

    ``plan``: as it stands after all changes of mind. ``too_hot_s``: for how long the flame
    has been more than the bottom bears; ``past_stop_s``: for how long it has been past its stop.
    """

    plan: ReducePlan
    phase: Phase
    paused_at_s: float | None
    scraped_at_s: float | None
    too_hot_s: float | None
    past_stop_s: float
    reheat_s: float
    said: tuple[tuple[float, Attention], ...]
    marks: dict[str, int]
    contents: Composition
    celsius: float | None
    flame: Flame
    lit_at_s: float | None
    boiled_at_s: float | None
    off_at_s: float | None
    stirred_at_s: float | None
    sugar_in_kg: float
    sugar_due_s: Range | None
    first_boil_s: Range | None
    to_stop_s: Range | None
    depth_m: Range
    stop_depth_m: float
    stop_water_kg: float
    volume_m3: float
    mass_kg: Range
    water_kg: float
    water_sd_kg: float
    rate_kg_s: Range | None
    stir_every_s: float | None
    weighed_kg: float | None
    points: tuple[Point, ...]
    fusions: tuple[Fusion, ...]
    lesson: Lesson | None

    @property
    def finished(self) -> bool:
        """Nothing more is to be done."""
        return self.phase in FINISHED

    @property
    def on_fire(self) -> bool:
        """It stands on its burner; one that is paused has left it."""
        return self.phase in ("heating", "boiling") and self.paused_at_s is None


def state_of(plan: ReducePlan, events: Sequence[Event], now_s: float) -> BatchState:
    """State of a batch at ``now_s``; events later than that are not yet known."""
    return look(fold(plan, events, now_s), now_s)


def look(folded: Fold, now_s: float) -> BatchState:
    """The batch as it stands."""
    plan, pan = folded.plan, folded.contents(folded.water_kg)
    shape = plan.pan.shape
    boiling = folded.phase == "boiling"
    celsius = HOT_C if folded.boiled_at else plan.kitchen.milk_c
    volume = float(volume_m3(pan, celsius))
    depth = float(shape.depth_m(volume))
    sd = math.sqrt(folded.estimate.var_water) if folded.estimate else plan.milk_kg_sd
    area = float(surface_m2(shape, depth))
    final = stop_water_kg(plan)
    to_stop = rate = stir = sugar_due = None
    too_hot_s, past_s = None, 0.0
    if folded.estimate and boiling:
        run = folded.run
        to_stop = _cold_first(folded, folded.estimate.seconds_to(folded.target_kg, run.curve), now_s)
        likely = math.exp(folded.estimate.ln_rate) * run.curve(folded.water_kg)
        rate = Range.lognormal(likely, math.sqrt(folded.estimate.var_rate))
        flux = run.power_w(folded.water_kg) / float(shape.heated_m2(depth))
        share, thick = float(pan.sucrose / pan.total), float(viscosity_mpa_s(pan, 97.0))
        stir = float(stir_interval_s(run.celsius(folded.water_kg), flux, thick, plan.pan, share))
        past_s = max(0.0, folded.target_kg - folded.water_kg) / max(likely, 1e-6)
        too_hot_s = _too_hot(folded, likely)
        sugar_due = _sugar_due(folded, final, to_stop)
    stop = plan.goal_parts.with_water(final)
    # the milk may have been measured a little long
    full = pan.with_water(max(folded.water_kg, float(plan.goal_parts.water)) + 4 * plan.milk_kg_sd)
    least, most = (float(shape.depth_m(float(volume_m3(p, celsius)))) for p in (pan.with_water(0.0), full))
    return BatchState(
        plan=plan,
        phase=folded.phase,
        paused_at_s=folded.paused_at,
        scraped_at_s=folded.scraped_at,
        too_hot_s=too_hot_s,
        past_stop_s=past_s,
        reheat_s=max(0.0, folded.hot_again_at - now_s) if boiling else 0.0,
        said=tuple(folded.said),
        marks=dict(folded.marks),
        contents=pan,
        celsius=folded.run.celsius(folded.water_kg) if boiling else None,
        flame=folded.flame,
        lit_at_s=folded.lit_at,
        boiled_at_s=folded.boiled_at,
        off_at_s=folded.off_at,
        stirred_at_s=folded.stirred_at,
        sugar_in_kg=folded.sugar_kg,
        sugar_due_s=sugar_due,
        first_boil_s=_first_boil_due(folded, now_s),
        to_stop_s=to_stop,
        depth_m=Range.between(depth, sd * 1e-3 / area, least, most),
        stop_depth_m=float(shape.depth_m(float(volume_m3(stop, HOT_C)))),
        stop_water_kg=final,
        volume_m3=volume,
        mass_kg=Range.between(float(pan.total), sd, float(pan.solids), float(full.total)),
        water_kg=folded.water_kg,
        water_sd_kg=sd,
        rate_kg_s=rate,
        stir_every_s=stir,
        weighed_kg=folded.weighed_kg,
        points=tuple(folded.points),
        fusions=tuple(folded.fusions),
        lesson=_lesson(folded),
    )


def _too_hot(folded: Fold, rate_kg_s: float) -> float | None:
    """For how long the flame has been more than the bottom bears, s; None while it is not."""
    run, plan, water = folded.run, folded.plan, folded.water_kg
    most = 0.95 * plan.burner.net_power_w(folded.flame, plan.pan.shape.base_diameter_m)
    if run.power_w(water) >= most:
        return None
    above = np.linspace(water, float(folded.solids.water), 40)
    hot = next((float(w) for w in above if run.power_w(float(w)) >= most), above[-1])
    began = max(folded.boiled_at or 0.0, folded.flamed_at)
    return min((hot - water) / max(rate_kg_s, 1e-6), folded.clock - began)


def _first_boil_due(folded: Fold, now_s: float) -> Range | None:
    if folded.phase != "heating" or folded.lit_at is None:
        return None
    due, gone = Range.lognormal(warming(folded.plan).seconds, FIRST_BOIL_LN_SD), now_s - folded.lit_at
    return Range(max(0.0, due.low - gone), max(0.0, due.likely - gone), max(0.0, due.high - gone))


def _sugar_due(folded: Fold, stop_water: float, to_stop: Range) -> Range | None:
    if not folded.plan.sugar_kg or folded.sugar_kg or folded.plan.sugar_time == "start":
        return None
    if folded.plan.sugar_time == "end":
        return to_stop
    assert folded.estimate is not None
    at_stop = float(folded.plan.goal_parts.water) - stop_water
    gone = midway_steam_kg(folded.plan, warming(folded.plan), at_stop)
    return folded.estimate.seconds_to(float(folded.plan.base_parts.water) - gone, folded.run.curve)


def _cold_first(folded: Fold, due: Range, now_s: float) -> Range:
    wait = max(0.0, folded.hot_again_at - now_s)
    return Range(due.low + wait, due.likely + wait, due.high + wait) if due.high else due


def _lesson(folded: Fold) -> Lesson | None:
    """What a finished batch teaches about its flame: only when one flame carried it all the way."""
    if not folded.estimate or folded.off_at is None or len(folded.flames_used) != 1 or not folded.teaches:
        return None
    rate = folded.plan.rate
    found = folded.estimate.lesson(folded.run.ln_reference - rate.ln_mean, rate.ln_mean, rate.ln_sd)
    return Lesson(*found) if found else None
