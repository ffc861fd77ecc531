"""A batch folded from its events: what is in the pan, how fast it goes, where it stood when things happened."""

import math
from collections.abc import Sequence
from copy import copy
from dataclasses import dataclass, replace
from typing import Literal

from ..composition.composition import Composition, together
from ..equipment.burners import Flame
from ..equipment.pans import Pan
from ..equipment.quantities import Quantity
from ..errors import KitchenError
from ..planning.reduce.plan import Amount, ReducePlan
from ..planning.reduce.scorch import pan_loss_kg
from ..planning.reduce.stops import HOT_C
from ..planning.reduce.track import SPATTER_AND_TASTING, stop_water_kg
from ..properties.density import volume_m3
from ..properties.texture import viscosity_mpa_s
from . import changes
from .attention import Attention, Hushed, Missed, Snoozed
from .estimate import Estimate
from .events import (
    Abandoned,
    Carried,
    Event,
    FirstBoil,
    FlameChanged,
    Joined,
    Lit,
    MilkAdded,
    Off,
    PanSwapped,
    PartTaken,
    Paused,
    PouredInto,
    Reading,
    Resumed,
    Scraped,
    Stirred,
    StopMoved,
    SugarIn,
    SugarPlanned,
    Weighed,
    standing,
)
from .model import WayDown, warming, way_down
from .readings import reading_water

Phase = Literal["planned", "heating", "boiling", "off", "weighed", "abandoned", "poured"]

HEATING_STEAM_SD = 0.25


@dataclass(frozen=True, slots=True)
class Point:
    """Where the batch stood: from a reading, or as estimated when something happened. Time from first boil."""

    at_s: float
    volume_m3: float
    depth_m: float
    mass_kg: float
    read: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Fusion:
    """What one reading changed. Depths in m; ``later_s`` > 0 when the stop moved later.

    ``rate_ratio``: how much faster it now seems to go; ``more_kg``: how much more water was left than thought.
    """

    event_id: int
    depth_m: float
    expected_depth_m: float
    later_s: float
    rate_ratio: float
    more_kg: float
    half_width_s: tuple[float, float]


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
        self.scraped_at: float | None = None
        self.paused_at: float | None = None
        self.hot_again_at = 0.0
        self.flamed_at = 0.0
        self.said: list[tuple[float, Attention]] = []
        self.marks: dict[str, int] = {}
        self.teaches = True
        self.sugar_kg = plan.sugar_kg if plan.sugar_time == "start" else 0.0
        self.weighed_kg: float | None = None
        self.estimate: Estimate | None = None
        self.clock = 0.0
        self._runs: dict[Flame, WayDown] = {}
        self._solids: tuple[ReducePlan | None, float, Composition] = (None, 0.0, Composition())
        self.points: list[Point] = []
        self.fusions: list[Fusion] = []

    def copy(self) -> "Fold":
        """The same, that goes on by itself."""
        other = copy(self)
        other.flames_used, other.said, other.marks = set(self.flames_used), list(self.said), dict(self.marks)
        other.points, other.fusions, other._runs = list(self.points), list(self.fusions), dict(self._runs)
        return other

    # -- what is in the pan ---------------------------------------------------------------------------

    @property
    def solids(self) -> Composition:
        """Milk and the sugar so far; the water in it is the water at the start. Asked for at every event, and kept
        until plan or sugar change."""
        plan, sugar_kg, parts = self._solids
        if plan is not self.plan or sugar_kg != self.sugar_kg:
            parts = self.plan.base_parts.plus(self.plan.sugar_kind.parts.scaled(self.sugar_kg))
            self._solids = (self.plan, self.sugar_kg, parts)
        return parts

    @property
    def planned(self) -> ReducePlan:
        """The plan with the sugar that really went in."""
        if self.plan.sugar_time == "end" or not self.sugar_kg or abs(self.sugar_kg - self.plan.sugar_kg) < 1e-9:
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
        if self.flame not in self._runs:
            self._runs[self.flame] = way_down(self.plan, self.flame)
        return self._runs[self.flame]

    @property
    def water_kg(self) -> float:
        return self.estimate.water_kg if self.estimate else float(self.solids.water)

    def contents(self, water_kg: float) -> Composition:
        return self.solids.with_water(water_kg)

    # -- events ---------------------------------------------------------------------------------------

    def wait_until(self, at_s: float) -> None:
        since = max(self.clock, self.hot_again_at)  # cold milk or a pause: no steam until it is hot again
        if self.estimate and self.phase == "boiling" and self.paused_at is None and at_s > since:
            self.estimate = self._not_drier(self.estimate.predicted(at_s - since, self.run.curve, self._driest_kg))
        self.clock = max(self.clock, at_s)

    @property
    def _driest_kg(self) -> float:
        """A pan forgotten for hours: the model ends at the driest that it knows."""
        return min(self.run.driest_kg, float(self.solids.water))

    def _not_drier(self, estimate: Estimate) -> Estimate:
        floor = self._driest_kg
        return replace(estimate, water_kg=floor) if estimate.water_kg < floor else estimate

    def take(self, event: Event) -> None:
        self.wait_until(event.at_s)
        self.marks[type(event.what).__name__] = event.id
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
            case Scraped():
                self.stirred_at = self.scraped_at = event.at_s
            case Missed() | Snoozed() | Hushed() as attention:
                self.said.append((event.at_s, attention))
            case Paused():
                self.paused_at = event.at_s
            case Resumed():
                self._resume(event.at_s)
            case Abandoned():
                self.phase = "abandoned"
            case PouredInto():
                self.phase = "poured"
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
                self._change(event)

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
        water, sd = reading_water(self.plan, reading, self.solids, self.estimate.water_kg)
        before, was = self.estimate.seconds_to(self.target_kg, self.run.curve), self.estimate
        expected, _ = self.level(self.estimate.water_kg)
        if reading.sure and self.estimate.surprised_by(water, sd):
            self.estimate = self.estimate.doubted(water)
        self.estimate = self._not_drier(self.estimate.updated(water, sd))
        after = self.estimate.seconds_to(self.target_kg, self.run.curve)
        self.fusions.append(
            Fusion(
                event_id=event.id,
                depth_m=self.level(water)[0],
                expected_depth_m=expected,
                later_s=after.likely - before.likely,
                rate_ratio=math.exp(self.estimate.ln_rate - was.ln_rate),
                more_kg=self.estimate.water_kg - was.water_kg,
                half_width_s=((before.high - before.low) / 2, (after.high - after.low) / 2),
            )
        )
        self._mark(read=True, water_kg=water)

    def _sugar(self, mass_kg: float) -> None:
        self.sugar_kg += mass_kg
        if self.estimate:
            water = mass_kg * float(self.plan.sugar_kind.parts.water)
            self.estimate = replace(self.estimate, water_kg=self.estimate.water_kg + water)

    def _change_flame(self, flame: Flame) -> None:
        before = self.run.ln_reference
        self.flame, self.flamed_at = flame, self.clock
        self.flames_used.add(flame)
        if self.estimate:
            self.estimate = self.estimate.on_new_flame(self.run.ln_reference - before)

    # -- changes of mind ------------------------------------------------------------------------------

    def _change(self, event: Event) -> None:
        match event.what:
            case StopMoved(stop):
                self._replan(replace(self.plan, stop=stop))
            case SugarPlanned(mass_kg):
                self._replan(changes.with_sugar(self.plan, mass_kg))
            case MilkAdded(mass_kg, celsius):
                self._milk(mass_kg, celsius)
            case PanSwapped(pan):
                self._swap(pan)
            case PartTaken(share):
                self._keep_share(1 - share)
            case Joined() as other:
                self._join(other)
            case Carried() as carried:
                self._carry(event.at_s, carried)
            case _:
                pass

    def _replan(self, plan: ReducePlan) -> None:
        """Go on under another plan: what was learned of the rate stays, against the new plan's own model."""
        was = self.run.ln_reference
        self.plan, self._runs = plan, {}
        if self.estimate:
            self.estimate = replace(self.estimate, ln_rate=self.estimate.ln_rate + self.run.ln_reference - was)

    def _resume(self, at_s: float) -> None:
        if self.paused_at is not None and self.phase == "boiling":
            pan = self.contents(self.water_kg)
            lost = changes.cooled_k(self.plan, pan, at_s - self.paused_at)
            self.hot_again_at = at_s + changes.reheat_s(self.plan, self.flame, pan, lost)
        self.paused_at = None

    def _milk(self, mass_kg: float, celsius: float) -> None:
        added, pan = self.plan.milk.parts.scaled(mass_kg), self.contents(self.water_kg)
        self._replan(changes.with_milk(self.plan, mass_kg))
        self.teaches = False
        if self.estimate:
            sd = 0.015 * mass_kg
            self.estimate = replace(
                self.estimate,
                water_kg=self.estimate.water_kg + float(added.water),
                var_water=self.estimate.var_water + sd * sd,
            )
            lost = changes.chilled_k(pan, added, celsius, HOT_C)
            wait = changes.reheat_s(self.plan, self.flame, pan.plus(added), lost)
            self.hot_again_at = max(self.hot_again_at, self.clock) + wait

    def _swap(self, pan: Pan) -> None:
        here = self.contents(self.water_kg)
        kept = 1 - self._pan_loss(here) / float(here.total) if self.estimate else 1.0
        self._keep_share(kept)
        self._replan(replace(self.plan, pan=pan))
        self.teaches = False

    def _keep_share(self, share: float) -> None:
        """Go on with this share of all that is in the pan."""
        self._replan(changes.scaled(self.plan, share))
        self.sugar_kg *= share
        self.teaches = False
        if self.estimate:
            self.estimate = self.estimate.scaled(share)

    def _join(self, other: Joined) -> None:
        same = not self.plan.sugar_kg or other.sugar_kind.parts == self.plan.sugar_kind.parts
        self._replan(changes.joined(self.plan, other))
        self.sugar_kg += other.sugar_kg if same else 0.0
        self.teaches = False
        if self.estimate:
            self.estimate = replace(
                self.estimate,
                water_kg=self.estimate.water_kg + other.water_kg,
                var_water=self.estimate.var_water + other.water_sd_kg**2,
            )

    def _carry(self, at_s: float, carried: Carried) -> None:
        self.phase, self.boiled_at, self.clock = "boiling", carried.boiled_at_s, at_s
        self.lit_at = self.stirred_at = at_s
        self.sugar_kg, self.teaches = carried.sugar_kg, False
        rate_sd = self.plan.rate.ln_sd
        self.estimate = Estimate(
            carried.water_kg, self.run.ln_reference, carried.water_sd_kg**2, 0.0, rate_sd * rate_sd
        )
        self._mark(read=False)

    def _weigh(self, mass_kg: float) -> None:
        """The scale has the last word on what was left when it came off."""
        if not self.estimate:
            return
        enriched = together([Composition(), *(a.parts for a in self.plan.additions if a.late)])
        lost = self._pan_loss(self.contents(self.estimate.water_kg).plus(enriched))
        water = mass_kg + lost - float(enriched.total) - float(self.solids.solids)
        sd = math.hypot(max(0.005, 0.005 * mass_kg), 0.5 * lost)
        self.estimate = self.estimate.doubted(water) if self.estimate.surprised_by(water, sd) else self.estimate
        self.estimate = self.estimate.updated(max(0.0, water), sd)

    def _pan_loss(self, product: Composition) -> float:
        shape = self.plan.pan.shape
        depth = float(shape.depth_m(float(volume_m3(product, HOT_C))))
        top = float(shape.depth_m(self.plan.base_m3))
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


def fold(plan: ReducePlan, events: Sequence[Event], now_s: float) -> Fold:
    """All that stands up to ``now_s``, taken in order."""
    folded = Fold(plan)
    for event in standing(events):
        if event.at_s <= now_s:
            folded.take(event)
    folded.wait_until(now_s)
    return folded
