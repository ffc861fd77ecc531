"""What may happen when: each happening checked against the batch as it stands, before it is written."""

import math
from collections.abc import Sequence
from dataclasses import replace

from ..equipment.quantities import say
from ..equipment.vessels import capacity_m3
from ..errors import BadInput, Conflict, Impossible, Unlikely
from ..planning.reduce.plan import ReducePlan
from ..planning.reduce.track import stop_water_kg
from . import changes
from .attention import LONGEST_SNOOZE_S, Snoozed
from .events import (
    Abandoned,
    Carried,
    Event,
    FirstBoil,
    FlameChanged,
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
    Undo,
    Weighed,
)
from .fold import Fold
from .history import History
from .readings import check_reading

CLOCK_SLACK_S = 5.0
LONGEST_NOTE = 2000


def check_event(history: History, new: Event) -> None:
    """Refuse what cannot happen to this batch.

    :raises Conflict: when it does not fit the state or the order of time.
    :raises BadInput: for a value outside the pan or the scale.
    :raises Unlikely: for a reading that can hardly be true, unless the cook is sure.
    """
    counted = history.counted
    if isinstance(new.what, Undo):
        _check_undo(history.events, counted, new.what)
        return
    lit = next((e.at_s for e in counted if isinstance(e.what, Lit)), None)
    if lit is not None and new.at_s < lit - CLOCK_SLACK_S:
        raise Conflict("at", "That lies before the batch was lit.", "Give a later time.")
    now = history.at(new.at_s)
    _check_phase(now, new)
    _check_change(now, new)
    if isinstance(new.what, Reading):
        _check_reading(now, new.what)


def _check_undo(events: Sequence[Event], counted: Sequence[Event], undo: Undo) -> None:
    target = next((e for e in events if e.id == undo.event_id), None)
    if target is None:
        raise Conflict("event_id", f"This batch has no event {undo.event_id}.", "Choose one of its own.")
    if isinstance(target.what, Lit | Carried):
        raise Conflict("event_id", "How a batch began cannot be undone.", "Abandon it instead.")
    if not isinstance(target.what, Undo) and target not in counted:
        raise Conflict("event_id", "That is undone already.", "Undo the undo to bring it back.")


def _check_phase(now: Fold, new: Event) -> None:
    phase, what = now.phase, new.what
    match what:
        case Lit() if phase != "planned":
            raise Conflict("kind", "This batch is lit already.", "Carry on with it.")
        case FirstBoil() if phase != "heating":
            raise Conflict("kind", "The first boil is past.", "Undo it first if it was too early.")
        case Reading() if phase != "boiling":
            raise Conflict("kind", "Readings count from the first boil.", "Press First boil when it rolls.")
        case SugarIn(mass_kg):
            if phase not in ("heating", "boiling", "off"):
                raise Conflict("kind", "This batch is finished.", "Write a note instead.")
            _within("mass_kg", mass_kg, 100.0)
        case FlameChanged() | Stirred() | Scraped() if phase not in _ON_FIRE or now.paused_at is not None:
            raise Conflict("kind", "It is off the fire.", "Put it back first, or undo Take it off.")
        case Off() if phase not in _ON_FIRE:
            raise Conflict("kind", "It is off already.", "Weigh it now.")
        case Weighed(mass_kg):
            if phase not in ("off", "weighed"):
                raise Conflict("kind", "It is still on the fire.", "Take it off first.")
            _within("mass_kg", mass_kg, 300.0)
        case Paused() if phase not in _ON_FIRE or now.paused_at is not None:
            raise Conflict("kind", "It is not on the fire.", "Nothing to pause.")
        case Resumed() if now.paused_at is None:
            raise Conflict("kind", "It is not paused.", "Carry on.")
        case Abandoned() | PouredInto() if phase in _FINISHED:
            raise Conflict("kind", "This batch is finished.", "It is in the Book.")
        case Snoozed(_, _, seconds) if not 0 < seconds <= LONGEST_SNOOZE_S:
            raise BadInput("seconds", "A snooze is up to half an hour.", "Give 1 to 1800 seconds.")
        case Judged() if phase not in ("off", "weighed"):
            raise Conflict("kind", "It is not cold yet.", "Say how it turned out once it is off and cooled.")
        case Note(text):
            if not text.strip() or len(text) > LONGEST_NOTE:
                raise BadInput("text", "A note holds 1 to 2000 letters.", "Shorten it.")
        case _:
            pass


_ON_FIRE = ("heating", "boiling")
_FINISHED = ("weighed", "abandoned", "poured into another")


def _check_change(now: Fold, new: Event) -> None:
    """A change of mind must leave a plan that can be cooked."""
    plan, what = now.plan, new.what
    match what:
        case StopMoved() | SugarPlanned() | MilkAdded() | PanSwapped() | PartTaken() | Joined():
            if now.phase not in _ON_FIRE:
                raise Conflict("kind", "It is off the fire.", "Undo Take it off to change the plan.")
        case _:
            return
    match what:
        case StopMoved(stop):
            stop_water_kg(replace(plan, stop=stop))
        case SugarPlanned(mass_kg):
            if not (math.isfinite(mass_kg) and mass_kg >= now.sugar_kg):
                raise BadInput("mass_kg", f"{say(now.sugar_kg, 'mass')} is in already.", "Plan as much or more.")
            changes.with_sugar(plan, mass_kg)
        case MilkAdded(mass_kg, celsius):
            _within("mass_kg", mass_kg, 100.0)
            if not 0 <= celsius <= 100:
                raise BadInput("celsius", "Milk is between 0 and 100 °C.", "Say how warm it is.")
            _fits(now, changes.with_milk(plan, mass_kg), mass_kg)
        case PanSwapped(pan):
            if now.level(now.water_kg)[1] > 0.97 * capacity_m3(pan.shape):
                raise Impossible("pan", f"{pan.name} is too small for what is in there.", "Choose a larger pan.")
        case PartTaken(share):
            if now.phase != "boiling":
                raise Conflict("kind", "Part it once it boils.", "Wait for the first boil.")
            if not 0.05 <= share <= 0.95:
                raise BadInput("share", "Take between a twentieth and nearly all.", "Give 5 to 95 %.")
            changes.scaled(plan, 1 - share)
        case Joined(milk_kg=milk_kg) as other:
            if now.phase != "boiling":
                raise Conflict("kind", "Pour together what boils.", "Wait for the first boil.")
            _fits(now, changes.joined(plan, other), milk_kg)


def _fits(now: Fold, plan: ReducePlan, more_kg: float) -> None:
    """:raises Impossible: when so much more would stand above the rim, or the stop can no longer be met."""
    if now.level(now.water_kg)[1] + more_kg / 1000.0 > 0.95 * capacity_m3(plan.pan.shape):
        raise Impossible("mass_kg", f"{plan.pan.name} has no room for that.", "Add less, or change to a larger pan.")
    stop_water_kg(plan)


def _within(field: str, value: float, high: float) -> None:
    if not (math.isfinite(value) and 0 < value <= high):
        raise BadInput(field, "That is no weight of a batch.", f"Give more than 0 and at most {high:g} kg.")


def _check_reading(now: Fold, reading: Reading) -> None:
    water, sd = check_reading(now.plan, reading, now.solids, now.water_kg)
    if not reading.sure and now.estimate and now.estimate.surprised_by(water, sd):
        depth, volume = now.level(now.water_kg)
        mass = say(float(now.contents(now.water_kg).total), "mass")
        raise Unlikely(
            "value",
            f"{_as_read(reading)}I expected about {say(depth, 'length')} ({say(volume, 'volume')}, {mass}).",
            "Read again, or say you are sure and I shall learn from it.",
        )


def _as_read(reading: Reading) -> str:
    """An instrument's reading is said back: nobody typed it."""
    if not reading.by or reading.how not in ("weight", "depth"):
        return ""
    return f"It reads {say(reading.value, 'mass' if reading.how == 'weight' else 'length')}. "
