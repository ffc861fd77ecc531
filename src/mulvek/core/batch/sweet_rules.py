"""What cannot happen to a sweet that is made, with the fix that the cook is told."""

import math

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
                raise BadInput("step", "no-such-step", step=step)
            if found.phase == "done" or (found.phase == "running" and isinstance(what, StepBegun)):
                raise Conflict("step", "step-so-already")
            running = {s.planned.key for s in state.steps if s.phase == "running" and not s.planned.base}
            if isinstance(what, StepBegun):
                _check_hob(state, what)
            if found.waits_for and not (isinstance(what, StepBegun) and running.issuperset(found.waits_for)):
                first = next(s.planned.say for s in state.steps if s.planned.key == found.waits_for[0])
                raise Conflict("step", "earlier-step-first", first=first)
        case BaseWeighed(slot=slot, batch=_, mass_kg=kg):
            if step_of(state.steps, slot) is None:
                raise BadInput("slot", "no-base-in-slot", slot=slot)
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
                raise BadInput("of", "nothing-made-of-that", of=of)
            _within("mass_kg", kg)
        case StepWeighed(step, kg, late_in):
            _check_midway(state, step, kg, late_in)
        case RowWeighed(row, kg):
            if not 0 <= row < len(run.rows):
                raise BadInput("row", "no-weighing-line")
            _within("mass_kg", kg)
        case Weighed(kg):
            _within("mass_kg", kg)
        case PiecesCounted(count) if not 0 < count <= 10000:
            raise BadInput("count", "pieces-out-of-reach")
        case _:
            pass


def _check_midway(state: SweetState, step: str, kg: float, late_in: bool) -> None:
    now = next((s for s in state.steps if s.planned.key == step), None)
    if now is None or now.cooking is None:
        raise BadInput("step", "step-has-no-weight")
    if now.phase != "running":
        raise Conflict("step", "step-not-running")
    _within("mass_kg", kg)
    went_in = now.cooking.in_kg - (0.0 if late_in else now.cooking.late_kg)
    if kg > 1.1 * went_in:
        raise BadInput("mass_kg", "heavier-than-went-in", kg=kg, went_in=went_in)


def _check_hob(state: SweetState, what: StepBegun) -> None:
    """Only what cooks takes a burner and a pan, and none at which another step of it stands that this one does not end."""
    planned = next(s.planned for s in state.steps if s.planned.key == what.step)
    for thing, number, held in (("burner", what.burner, state.burners), ("pan", what.pan, state.pans)):
        if number is None:
            continue
        if not planned.fire or planned.base:
            raise BadInput(thing, "step-not-on-fire", thing=thing)
        there = next((key for key, at in held.items() if at == number and key not in planned.after), None)
        if there is not None:
            said = next(s.planned.say for s in state.steps if s.planned.key == there).rstrip(".")
            raise Conflict(thing, "taken-by-step", said=said, thing=thing)


def _within(field: str, kg: float) -> None:
    if not (math.isfinite(kg) and 0 < kg <= MOST_BATCH_KG):
        raise BadInput(field, "weight-out-of-reach", most=MOST_BATCH_KG)
