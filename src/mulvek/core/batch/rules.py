"""What may happen when: each happening checked against the batch as it stands, before it is written."""

import math
from dataclasses import replace

from ..equipment.vessels import capacity_m3
from ..errors import BadInput, Conflict, Impossible, Unlikely
from ..planning.reduce.plan import ReducePlan
from ..planning.reduce.track import stop_water_kg
from . import changes
from .attention import Hushed, Missed, Snoozed
from .events import (
    Abandoned,
    Carried,
    Event,
    FaultFound,
    FirstBoil,
    FlameChanged,
    Gone,
    Joined,
    Judged,
    Lit,
    MilkAdded,
    Note,
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
    Taken,
    Undo,
    Weighed,
)
from .fold import Fold
from .history import History
from .leftovers import check_gone
from .log import check_common
from .readings import check_reading
from .running import FINISHED
from .standing import check_left

CAN_HAPPEN = (
    Lit, Carried, FirstBoil, Reading, Stirred, Scraped, SugarIn, FlameChanged, Off, Weighed, Note, Judged, FaultFound, Undo, StopMoved,
    SugarPlanned, MilkAdded, PanSwapped, Paused, Resumed, Abandoned, PartTaken, Joined, PouredInto, Taken, Gone, Missed, Snoozed, Hushed,
)  # fmt: skip


def check_event(history: History, new: Event) -> None:
    """Refuse what cannot happen to this batch.

    :raises Conflict: when it does not fit the state or the order of time.
    :raises BadInput: for a value outside the pan or the scale.
    :raises Unlikely: for a reading that can hardly be true, unless the cook is sure.
    """
    if check_common(history, new):
        return
    if isinstance(new.what, Gone) and new.what.of:
        check_gone(history.counted, new.what, there=False)
    if isinstance(new.what, Taken | Gone):
        check_left(history, new.what)
        return
    now = history.at(new.at_s)
    _check_phase(now, new)
    _check_change(now, new)
    if isinstance(new.what, Reading):
        _check_reading(now, new.what)


def _check_phase(now: Fold, new: Event) -> None:
    phase, what = now.phase, new.what
    match what:
        case FirstBoil() if phase != "heating":
            raise Conflict("kind", "first-boil-past")
        case Reading() if phase != "boiling":
            raise Conflict("kind", "not-boiling-yet")
        case SugarIn(mass_kg):
            if phase not in ("heating", "boiling", "off"):
                raise Conflict("kind", "batch-finished-note-instead")
            _within("mass_kg", mass_kg, 100.0)
        case FlameChanged() | Stirred() | Scraped() if phase not in _ON_FIRE or now.paused_at is not None:
            raise Conflict("kind", "pan-off-fire")
        case Off() if phase not in _ON_FIRE:
            raise Conflict("kind", "pan-already-off")
        case Weighed(mass_kg):
            if phase not in ("off", "weighed"):
                raise Conflict("kind", "still-on-fire")
            _within("mass_kg", mass_kg, 300.0)
        case Paused() if phase not in _ON_FIRE or now.paused_at is not None:
            raise Conflict("kind", "nothing-to-pause")
        case Resumed() if now.paused_at is None:
            raise Conflict("kind", "not-paused")
        case Abandoned() | PouredInto() if phase in FINISHED:
            raise Conflict("kind", "batch-finished")
        case Judged() if phase not in ("off", "weighed"):
            raise Conflict("kind", "not-cold-yet")
        case _:
            pass


_ON_FIRE = ("heating", "boiling")


def _check_change(now: Fold, new: Event) -> None:
    """A change of mind must leave a plan that can be cooked."""
    plan, what = now.plan, new.what
    match what:
        case StopMoved() | SugarPlanned() | MilkAdded() | PanSwapped() | PartTaken() | Joined():
            if now.phase not in _ON_FIRE:
                raise Conflict("kind", "plan-closed-off-fire")
        case _:
            return
    match what:
        case StopMoved(stop):
            stop_water_kg(replace(plan, stop=stop))
        case SugarPlanned(mass_kg):
            if not (math.isfinite(mass_kg) and mass_kg >= now.sugar_kg):
                raise BadInput("mass_kg", "sugar-in-already", sugar_kg=now.sugar_kg)
            changes.with_sugar(plan, mass_kg)
        case MilkAdded(mass_kg, celsius):
            _within("mass_kg", mass_kg, 100.0)
            if not 0 <= celsius <= 100:
                raise BadInput("celsius", "added-milk-temperature")
            _fits(now, changes.with_milk(plan, mass_kg), mass_kg)
        case PanSwapped(pan):
            if now.level(now.water_kg)[1] > 0.97 * capacity_m3(pan.shape):
                raise Impossible("pan", "pan-too-small-for-contents", pan=pan.name)
        case PartTaken(share):
            if now.phase != "boiling":
                raise Conflict("kind", "part-before-boil")
            if not 0.05 <= share <= 0.95:
                raise BadInput("share", "part-share")
            changes.scaled(plan, 1 - share)
        case Joined(milk_kg=milk_kg) as other:
            if now.phase != "boiling":
                raise Conflict("kind", "pour-before-boil")
            _fits(now, changes.joined(plan, other), milk_kg)


def _fits(now: Fold, plan: ReducePlan, more_kg: float) -> None:
    """:raises Impossible: when so much more would stand above the rim, or the stop can no longer be met."""
    if now.level(now.water_kg)[1] + more_kg / 1000.0 > 0.95 * capacity_m3(plan.pan.shape):
        raise Impossible("mass_kg", "no-room-for-more", pan=plan.pan.name)
    stop_water_kg(plan)


def _within(field: str, value: float, high: float) -> None:
    if not (math.isfinite(value) and 0 < value <= high):
        raise BadInput(field, "weight-not-of-batch", high=high)


def _check_reading(now: Fold, reading: Reading) -> None:
    water, sd = check_reading(now.plan, reading, now.solids, now.water_kg)
    if not reading.sure and now.estimate and now.estimate.surprised_by(water, sd):
        depth, volume = now.level(now.water_kg)
        mass = float(now.contents(now.water_kg).total)
        raise Unlikely("value", _unexpected(reading), read=reading.value, depth=depth, volume=volume, mass=mass)


def _unexpected(reading: Reading) -> str:
    """An instrument's reading is said back: nobody typed it."""
    said_back = {"weight": "reading-unexpected-by-scale", "depth": "reading-unexpected-by-depth"}
    return said_back.get(reading.how, "reading-unexpected") if reading.by else "reading-unexpected"
