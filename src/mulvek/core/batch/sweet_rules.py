"""What cannot happen to a sweet that is made, with the fix that the cook is told."""

import math

from ..equipment.quantities import say
from ..errors import BadInput, Conflict
from .events import (
    BaseWeighed,
    Event,
    Gone,
    LeftWeighed,
    Paused,
    PiecesCounted,
    Resumed,
    RowWeighed,
    StepBegun,
    StepDone,
    StepWeighed,
    Weighed,
)
from .leftovers import check_gone, is_gone, left_of
from .log import Log, check_common
from .pauses import check_pause
from .sweet_run import SweetRun, SweetState, may_leave, step_of, sweet_state

MOST_BATCH_KG = 200.0


def check_sweet_event(log: Log, new: Event) -> None:
    """Refuse what cannot happen to this batch.

    :raises Conflict, BadInput: naming what does not fit.
    """
    if check_common(log, new):
        return
    run: SweetRun = log.plan
    state = sweet_state(log, new.at_s)
    what = new.what
    match what:
        case StepBegun(step) | StepDone(step):
            found = next((s for s in state.steps if s.planned.key == step), None)
            if found is None:
                raise BadInput("step", f"There is no step “{step}” here.", "Choose one of its steps.")
            if found.phase == "done" or (found.phase == "running" and isinstance(what, StepBegun)):
                raise Conflict("step", "That is so already.", "Undo it, or go on with the next.")
            running = {s.planned.key for s in state.steps if s.phase == "running" and not s.planned.base}
            if isinstance(what, StepBegun):
                _check_hob(state, what)
            if found.waits_for and not (isinstance(what, StepBegun) and running.issuperset(found.waits_for)):
                first = next(s.planned.say for s in state.steps if s.planned.key == found.waits_for[0])
                raise Conflict("step", f"First: {first}", "Finish that one, then this.")
        case BaseWeighed(slot=slot, batch=_, mass_kg=kg):
            if step_of(state.steps, slot) is None:
                raise BadInput("slot", f"No base “{slot}” is made for this.", "Choose one of its own.")
            _within("mass_kg", kg)
        case Paused() | Resumed():
            fires = any(s.phase == "running" and s.planned.fire and not s.planned.base for s in state.steps)
            check_pause(what, state.paused_at_s, fires)
        case Gone():
            there = what.of in left_of(log.counted, {})
            if what.of == "syrup":
                there = state.done
            elif not what.of:
                there = state.done and not is_gone(log.counted, "")
            check_gone(log.counted, what, there)
        case LeftWeighed(of, kg):
            if of not in may_leave(run):
                raise BadInput("of", f"No {of} is made for this.", "Weigh what is left of its own.")
            _within("mass_kg", kg)
        case StepWeighed(step, kg, late_in):
            _check_midway(state, step, kg, late_in)
        case RowWeighed(row, kg):
            if not 0 <= row < len(run.rows):
                raise BadInput("row", "There is no such line on the weighing list.", "Choose one of them.")
            _within("mass_kg", kg)
        case Weighed(kg):
            _within("mass_kg", kg)
        case PiecesCounted(count) if not 0 < count <= 10000:
            raise BadInput("count", "That is no number of pieces.", "Give 1 to 10 000.")
        case _:
            pass


def _check_midway(state: SweetState, step: str, kg: float, late_in: bool) -> None:
    now = next((s for s in state.steps if s.planned.key == step), None)
    if now is None or now.cooking is None:
        raise BadInput("step", "That step is not cooked down to a weight.", "Weigh one that is.")
    if now.phase != "running":
        raise Conflict("step", "That step does not run.", "Begin it first.")
    _within("mass_kg", kg)
    went_in = now.cooking.in_kg - (0.0 if late_in else now.cooking.late_kg)
    if kg > 1.1 * went_in:
        raise BadInput(
            "mass_kg",
            f"{say(kg, 'mass')} is more than went in ({say(went_in, 'mass')}).",
            "Take the pan's own weight off, or say that it stood in it.",
        )


def _check_hob(state: SweetState, what: StepBegun) -> None:
    """Only what cooks takes a burner and a pan, and none at which another step of it stands that this one does not end."""
    planned = next(s.planned for s in state.steps if s.planned.key == what.step)
    for thing, number, held in (("burner", what.burner, state.burners), ("pan", what.pan, state.pans)):
        if number is None:
            continue
        if not planned.fire or planned.base:
            raise BadInput(thing, "That step is not on the fire.", f"Begin it without a {thing}.")
        there = next((key for key, at in held.items() if at == number and key not in planned.after), None)
        if there is not None:
            said = next(s.planned.say for s in state.steps if s.planned.key == there).rstrip(".")
            where = "on" if thing == "burner" else "in"
            raise Conflict(thing, f"“{said}” is still {where} it.", f"Use another {thing}, or end that first.")


def _within(field: str, kg: float) -> None:
    if not (math.isfinite(kg) and 0 < kg <= MOST_BATCH_KG):
        raise BadInput(field, "That is no kitchen's weight.", f"Give more than 0 and at most {MOST_BATCH_KG:g} kg.")
