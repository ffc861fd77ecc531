"""What may happen when: each happening checked against the batch as it stands, before it is written."""

import math
from collections.abc import Sequence

from ..bases.plan import ReducePlan
from ..errors import BadInput, Conflict, Unlikely
from ..quantities import say
from ..vessels import capacity_m3
from .events import (
    Event,
    FirstBoil,
    FlameChanged,
    Lit,
    Note,
    Off,
    Reading,
    Stirred,
    SugarIn,
    Undo,
    Weighed,
    standing,
)
from .running import Fold, fold, reading_water

CLOCK_SLACK_S = 5.0
LONGEST_NOTE = 2000


def check_event(plan: ReducePlan, events: Sequence[Event], new: Event) -> None:
    """Refuse what cannot happen to this batch.

    :raises Conflict: when it does not fit the state or the order of time.
    :raises BadInput: for a value outside the pan or the scale.
    :raises Unlikely: for a reading that can hardly be true, unless the cook is sure.
    """
    counted = standing(events)
    if isinstance(new.what, Undo):
        _check_undo(events, counted, new.what)
        return
    lit = next((e.at_s for e in counted if isinstance(e.what, Lit)), None)
    if lit is not None and new.at_s < lit - CLOCK_SLACK_S:
        raise Conflict("at", "That lies before the batch was lit.", "Give a later time.")
    now = fold(plan, events, new.at_s)
    _check_phase(now, new)
    if isinstance(new.what, Reading):
        _check_reading(now, new.what)


def _check_undo(events: Sequence[Event], counted: Sequence[Event], undo: Undo) -> None:
    target = next((e for e in events if e.id == undo.event_id), None)
    if target is None:
        raise Conflict("event_id", f"This batch has no event {undo.event_id}.", "Choose one of its own.")
    if isinstance(target.what, Lit):
        raise Conflict("event_id", "Lighting the flame cannot be undone.", "Take the batch off instead.")
    if not isinstance(target.what, Undo) and target not in counted:
        raise Conflict("event_id", "That is undone already.", "Undo the undo to bring it back.")


def _check_phase(now: Fold, new: Event) -> None:
    phase, what = now.phase, new.what
    match what:
        case Lit() if phase != "planned":
            raise Conflict("kind", "This batch is lit already.", "Carry on with it.")
        case FirstBoil() if phase != "heating":
            raise Conflict("kind", "The first boil is past.", "Undo it first if it was too early.")
        case Reading() if phase not in ("boiling",):
            raise Conflict("kind", "Readings count from the first boil.", "Press First boil when it rolls.")
        case SugarIn(mass_kg):
            if phase not in ("heating", "boiling", "off"):
                raise Conflict("kind", "This batch is finished.", "Write a note instead.")
            _within("mass_kg", mass_kg, 100.0)
        case FlameChanged() | Stirred() if phase not in ("heating", "boiling"):
            raise Conflict("kind", "It is off the fire.", "Undo Take it off to carry on.")
        case Off() if phase not in ("heating", "boiling"):
            raise Conflict("kind", "It is off already.", "Weigh it now.")
        case Weighed(mass_kg):
            if phase not in ("off", "weighed"):
                raise Conflict("kind", "It is still on the fire.", "Take it off first.")
            _within("mass_kg", mass_kg, 300.0)
        case Note(text):
            if not text.strip() or len(text) > LONGEST_NOTE:
                raise BadInput("text", "A note holds 1 to 2000 letters.", "Shorten it.")
        case _:
            pass


def _within(field: str, value: float, high: float) -> None:
    if not (math.isfinite(value) and 0 < value <= high):
        raise BadInput(field, "That is no weight of a batch.", f"Give more than 0 and at most {high:g} kg.")


def _check_reading(now: Fold, reading: Reading) -> None:
    plan, pan = now.plan, now.plan.pan
    if not (math.isfinite(reading.value) and reading.value > 0):
        raise BadInput("value", "A reading is above zero.", "Read again and type what you see.")
    height, brim = pan.shape.height_m, capacity_m3(pan.shape)
    if reading.how == "depth" and reading.value > height:
        raise BadInput(
            "value",
            f"{say(reading.value, 'length')} is above the rim: {pan.name} is {say(height, 'length')} deep.",
            "Measure from the deepest point up to the milk.",
        )
    if reading.how == "volume" and reading.value > brim:
        raise BadInput(
            "value",
            f"{say(reading.value, 'volume')} is more than {pan.name} holds ({say(brim, 'volume')}).",
            "Read the jug again.",
        )
    water, sd = reading_water(plan, reading, now.solids)
    most = float(now.solids.water) + 4 * (sd + plan.milk_kg_sd)
    if water < 0 or water > most:
        what = "less than its solids alone" if water < 0 else "more than went in"
        raise BadInput("value", f"That would be {what}.", "Read again: off the boil, the pan’s weight taken off.")
    if not reading.sure and now.estimate and now.estimate.surprised_by(water, sd):
        depth, volume = now.level(now.water_kg)
        raise Unlikely(
            "value",
            f"I expected about {say(depth, 'length')} ({say(volume, 'volume')}).",
            "Read again, or say you are sure and I shall learn from it.",
        )
