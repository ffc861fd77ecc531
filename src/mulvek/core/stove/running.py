"""A running batch: its plan and its events in, its state at a given time out. A pure function of both.

Nothing here remembers: undo, late entries, reloads and restarts all follow from folding the events again.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from ..bases.plan import Amount, ReducePlan
from ..bases.reduce import FIRST_BOIL_LN_SD
from ..bases.stops import HOT_C
from ..bases.track import DIP_SD_M, SPATTER_AND_TASTING, midway_steam_kg, stop_water_kg
from ..errors import KitchenError
from ..heat import Flame
from ..learning import Lesson
from ..materials.density import volume_m3, water_at_volume_kg
from ..materials.library import material
from ..materials.parts import Parts
from ..quantities import Quantity
from ..ranges import Range
from ..scorch import pan_loss_kg, stir_interval_s
from ..texture import viscosity_mpa_s
from ..vessels import surface_m2
from .estimate import Estimate
from .events import Event, FirstBoil, FlameChanged, Lit, Off, Reading, Stirred, SugarIn, Weighed, standing
from .model import WayDown, warming, way_down

Phase = Literal["planned", "heating", "boiling", "off", "weighed"]

HEATING_STEAM_SD = 0.25


@dataclass(frozen=True, slots=True)
class Point:
    """Where the batch stood: from a reading, or as estimated when something happened. Time from first boil."""

    at_s: float
    volume_m3: float
    depth_m: float
    mass_kg: float
    read: bool


@dataclass(frozen=True, slots=True)
class Fusion:
    """What one reading changed. Depths in m; ``later_s`` > 0 when the stop moved later."""

    event_id: int
    depth_m: float
    expected_depth_m: float
    later_s: float


@dataclass(frozen=True, slots=True)
class BatchState:
    """The batch at one instant. Times are seconds since the epoch (``*_at_s``) or from now (``*_s``)."""

    phase: Phase
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
    volume_m3: float
    mass_kg: Range
    water_kg: float
    rate_kg_s: Range | None
    stir_every_s: float | None
    weighed_kg: float | None
    points: tuple[Point, ...]
    fusions: tuple[Fusion, ...]
    lesson: Lesson | None


def state_of(plan: ReducePlan, events: Sequence[Event], now_s: float) -> BatchState:
    """State of a batch at ``now_s``; events later than that are not yet known."""
    return fold(plan, events, now_s).state(now_s)


def fold(plan: ReducePlan, events: Sequence[Event], now_s: float) -> "Fold":
    """All that stands up to ``now_s``, taken in order."""
    folded = Fold(plan)
    for event in standing(events):
        if event.at_s <= now_s:
            folded.take(event)
    folded.wait_until(now_s)
    return folded


def reading_water(plan: ReducePlan, reading: Reading, solids: Parts) -> tuple[float, float]:
    """Water that a reading means, and its sd, kg (dossier §4 and §6)."""
    shape = plan.pan.shape
    if reading.how == "weight":
        return reading.value - float(solids.solids), max(0.005, 0.005 * reading.value)
    if reading.how == "volume":
        return float(water_at_volume_kg(solids, reading.value, HOT_C)), 25.0 * reading.value
    water = float(water_at_volume_kg(solids, float(shape.volume_m3(reading.value)), HOT_C))
    return water, 1e3 * float(surface_m2(shape, reading.value)) * DIP_SD_M


class Fold:
    """The state while events are taken one after another."""

    def __init__(self, plan: ReducePlan) -> None:
        self.plan = plan
        self.phase: Phase = "planned"
        self.flame: Flame = plan.flame
        self.flames_used: set[Flame] = set()
        self.lit_at: float | None = None
        self.boiled_at: float | None = None
        self.off_at: float | None = None
        self.stirred_at: float | None = None
        self.sugar_kg = plan.sugar_kg if plan.sugar_time == "start" else 0.0
        self.weighed_kg: float | None = None
        self.estimate: Estimate | None = None
        self.clock = 0.0
        self.points: list[Point] = []
        self.fusions: list[Fusion] = []

    # -- what is in the pan ---------------------------------------------------------------------------

    @property
    def solids(self) -> Parts:
        """Milk and the sugar so far; the water in it is the water at the start."""
        sugar = material("white-sugar").parts.scaled(self.sugar_kg)
        return self.plan.milk_parts.plus(sugar)

    @property
    def planned(self) -> ReducePlan:
        """The plan with the sugar that really went in."""
        if self.plan.sugar_time == "end" or abs(self.sugar_kg - self.plan.sugar_kg) < 1e-9:
            return self.plan
        if not self.sugar_kg:
            return self.plan
        return replace(self.plan, sugar=Amount(Quantity(self.sugar_kg, "mass", "as put in"), 0.005))

    @property
    def target_kg(self) -> float:
        try:
            return stop_water_kg(self.planned)
        except KitchenError:
            return stop_water_kg(self.plan)

    @property
    def run(self) -> WayDown:
        return way_down(self.plan, self.flame)

    @property
    def water_kg(self) -> float:
        return self.estimate.water_kg if self.estimate else float(self.solids.water)

    def contents(self, water_kg: float) -> Parts:
        return self.solids.with_water(water_kg)

    # -- events ---------------------------------------------------------------------------------------

    def wait_until(self, at_s: float) -> None:
        if self.estimate and self.phase == "boiling" and at_s > self.clock:
            self.estimate = self.estimate.predicted(at_s - self.clock, self.run.curve)
        self.clock = max(self.clock, at_s)

    def take(self, event: Event) -> None:
        self.wait_until(event.at_s)
        match event.what:
            case Lit():
                self.phase, self.lit_at, self.clock = "heating", event.at_s, event.at_s
                self.stirred_at = event.at_s
            case FirstBoil():
                self._first_boil(event.at_s)
            case Reading() as reading:
                self._read(event, reading)
            case Stirred():
                self.stirred_at = event.at_s
            case SugarIn(mass_kg):
                self._sugar(mass_kg)
            case FlameChanged(flame):
                self._change_flame(flame)
            case Off():
                self.phase, self.off_at = "off", event.at_s
                self._mark(read=False)
            case Weighed(mass_kg):
                self.phase, self.weighed_kg = "weighed", mass_kg
                self._weigh(mass_kg)
            case _:
                pass

    def _first_boil(self, at_s: float) -> None:
        plan, steam = self.plan, warming(self.plan).steam_kg
        sd = math.hypot(plan.milk_kg_sd, HEATING_STEAM_SD * steam)
        self.phase, self.boiled_at, self.clock = "boiling", at_s, at_s
        self.flames_used = {self.flame}
        self.estimate = Estimate(
            float(self.solids.water) - steam, self.run.ln_reference, sd * sd, 0.0, plan.rate.ln_sd**2
        )
        self._mark(read=False)

    def _read(self, event: Event, reading: Reading) -> None:
        if not self.estimate or self.phase != "boiling":
            return
        water, sd = reading_water(self.plan, reading, self.solids)
        before = self.estimate.seconds_to(self.target_kg, self.run.curve).likely
        expected, _ = self.level(self.estimate.water_kg)
        if reading.sure and self.estimate.surprised_by(water, sd):
            self.estimate = self.estimate.doubted(water)
        self.estimate = self.estimate.updated(water, sd)
        after = self.estimate.seconds_to(self.target_kg, self.run.curve).likely
        self.fusions.append(Fusion(event.id, self.level(water)[0], expected, after - before))
        self._mark(read=True, water_kg=water)

    def _sugar(self, mass_kg: float) -> None:
        self.sugar_kg += mass_kg
        if self.estimate:
            water = mass_kg * float(material("white-sugar").parts.water)
            self.estimate = replace(self.estimate, water_kg=self.estimate.water_kg + water)

    def _change_flame(self, flame: Flame) -> None:
        before = self.run.ln_reference
        self.flame = flame
        self.flames_used.add(flame)
        if self.estimate:
            self.estimate = self.estimate.on_new_flame(self.run.ln_reference - before)

    def _weigh(self, mass_kg: float) -> None:
        """The scale has the last word on what was left when it came off."""
        if not self.estimate:
            return
        lost = self._pan_loss(self.contents(self.estimate.water_kg))
        water = mass_kg + lost - float(self.solids.solids)
        sd = math.hypot(max(0.005, 0.005 * mass_kg), 0.5 * lost)
        self.estimate = self.estimate.doubted(water) if self.estimate.surprised_by(water, sd) else self.estimate
        self.estimate = self.estimate.updated(max(0.0, water), sd)

    def _pan_loss(self, product: Parts) -> float:
        shape = self.plan.pan.shape
        depth = float(shape.depth_m(float(volume_m3(product, HOT_C))))
        top = float(shape.depth_m(self.plan.milk_m3))
        ring = max(0.0, float(shape.wetted_m2(top)) - float(shape.wetted_m2(depth)))
        mass = float(product.total)
        film = pan_loss_kg(mass, viscosity_mpa_s(product, HOT_C), shape.wetted_m2(depth), ring)
        return float(film) + SPATTER_AND_TASTING * mass

    # -- looking at it --------------------------------------------------------------------------------

    def level(self, water_kg: float) -> tuple[float, float]:
        """Depth (m) and volume (m³) that so much water stands at, hot."""
        volume = float(volume_m3(self.contents(max(0.0, water_kg)), HOT_C))
        return float(self.plan.pan.shape.depth_m(volume)), volume

    def _mark(self, *, read: bool, water_kg: float | None = None) -> None:
        if self.boiled_at is None:
            return
        water = max(0.0, self.water_kg if water_kg is None else water_kg)
        depth, volume = self.level(water)
        mass = float(self.contents(water).total)
        self.points.append(Point(self.clock - self.boiled_at, volume, depth, mass, read))

    def state(self, now_s: float) -> BatchState:
        plan, pan = self.plan, self.contents(self.water_kg)
        shape = plan.pan.shape
        boiling = self.phase == "boiling"
        celsius = HOT_C if self.boiled_at else plan.kitchen.milk_c
        volume = float(volume_m3(pan, celsius))
        depth = float(shape.depth_m(volume))
        sd = math.sqrt(self.estimate.var_water) if self.estimate else plan.milk_kg_sd
        area = float(surface_m2(shape, depth))
        final = stop_water_kg(plan)
        to_stop = rate = stir = sugar_due = None
        if self.estimate and boiling:
            run = self.run
            to_stop = self.estimate.seconds_to(self.target_kg, run.curve)
            likely = math.exp(self.estimate.ln_rate) * run.curve(self.water_kg)
            rate = Range.lognormal(likely, math.sqrt(self.estimate.var_rate))
            flux = run.power_w(self.water_kg) / float(shape.heated_m2(depth))
            share = float(pan.sucrose / pan.total)
            stir = float(
                stir_interval_s(run.celsius(self.water_kg), flux, viscosity_mpa_s(pan, 97.0), plan.pan, share)
            )
            sugar_due = self._sugar_due(final, to_stop)
        stop = plan.goal_parts.with_water(final)
        return BatchState(
            phase=self.phase,
            flame=self.flame,
            lit_at_s=self.lit_at,
            boiled_at_s=self.boiled_at,
            off_at_s=self.off_at,
            stirred_at_s=self.stirred_at,
            sugar_in_kg=self.sugar_kg,
            sugar_due_s=sugar_due,
            first_boil_s=self._first_boil_due(now_s),
            to_stop_s=to_stop,
            depth_m=Range.normal(depth, sd * 1e-3 / area, 0.0),
            stop_depth_m=float(shape.depth_m(float(volume_m3(stop, HOT_C)))),
            volume_m3=volume,
            mass_kg=Range.normal(float(pan.total), sd, 0.0),
            water_kg=self.water_kg,
            rate_kg_s=rate,
            stir_every_s=stir,
            weighed_kg=self.weighed_kg,
            points=tuple(self.points),
            fusions=tuple(self.fusions),
            lesson=self._lesson(),
        )

    def _first_boil_due(self, now_s: float) -> Range | None:
        if self.phase != "heating" or self.lit_at is None:
            return None
        due, gone = Range.lognormal(warming(self.plan).seconds, FIRST_BOIL_LN_SD), now_s - self.lit_at
        return Range(max(0.0, due.low - gone), max(0.0, due.likely - gone), max(0.0, due.high - gone))

    def _sugar_due(self, stop_water: float, to_stop: Range) -> Range | None:
        if not self.plan.sugar_kg or self.sugar_kg or self.plan.sugar_time == "start":
            return None
        if self.plan.sugar_time == "end":
            return to_stop
        assert self.estimate is not None
        at_stop = float(self.plan.goal_parts.water) - stop_water
        gone = midway_steam_kg(self.plan, warming(self.plan), at_stop)
        return self.estimate.seconds_to(float(self.plan.milk_parts.water) - gone, self.run.curve)

    def _lesson(self) -> Lesson | None:
        """What a finished batch teaches about its flame: only when one flame carried it all the way."""
        if not self.estimate or self.off_at is None or len(self.flames_used) != 1:
            return None
        rate = self.plan.rate
        found = self.estimate.lesson(self.run.ln_reference - rate.ln_mean, rate.ln_mean, rate.ln_sd)
        return Lesson(*found) if found else None
