"""A sweet and its bases as one making: a base that is lit from it belongs to it, and what it weighs is what the sweet is
reckoned from."""

from collections.abc import Mapping

from ..core.batch.events import BaseWeighed, Gone, Happening, StepBegun, StepDone, Taken, Undo, Weighed
from ..core.batch.kinds import KindName
from ..core.batch.standing import left_kg
from ..core.batch.sweet_run import StepNow, base_step, step_of
from ..core.equipment.quantities import parse
from ..core.errors import BadInput, Conflict, Unreadable
from ..core.planning.sweets.formula import LIT
from ..core.planning.sweets.weighed import fits
from ..store.bases import base_of
from ..store.batches import Batch, Batches
from ..store.planned import Planned
from ..store.shelf import Shelf
from ..wire.happenings import TakeIn
from . import anew


def join(batches: Batches, planned: Planned, now_s: float) -> None:
    """A base begins: its step in the making is under way. Checked before anything is written.

    :raises BadInput, Conflict: fields "parent", "slot".
    """
    if planned.parent_id is None:
        return
    parent = batches.batch(planned.parent_id)
    if parent.kind.name != "sweet":
        raise BadInput("parent", "parent-no-sweet", parent=parent.name)
    state = parent.state(now_s)
    step = step_of(state.steps, planned.slot or "")
    fitting = LIT_KINDS.get(planned.slot or "")
    if step is None or (planned.kind != fitting if fitting else planned.kind == "caramel"):
        raise BadInput("slot", "parent-no-such-base", parent=parent.name)
    if state.finished or step.phase == "done":
        raise Conflict("slot", "base-already-made", parent=parent.name)
    if planned.slot in LIT:
        parent = _done_before(batches, parent, step, now_s)
    if step.phase in ("ready", "waits"):
        batches.log(parent, StepBegun(step.planned.key), now_s, now_s)


def _done_before(batches: Batches, sweet: Batch, step: StepNow, now_s: float) -> Batch:
    """What a step waits for is done when the cook lights it: the powder is wetted, the sugar weighed. A base is not.

    :raises Conflict: field "step".
    """
    for key in step.waits_for:
        before = next(s for s in sweet.state(now_s).steps if s.planned.key == key)
        if before.phase != "done" and not before.planned.base:
            sweet = _done_before(batches, sweet, before, now_s)
            sweet = batches.log(sweet, StepDone(key), now_s, now_s)
    return sweet


def follow(batches: Batches, child: Batch, shelf: Shelf, now_s: float) -> bool:
    """After something happened to a base: what of it goes into each making is told there. Whether anything was. A making
    that is damaged in the file is left alone: the pan goes on."""
    if child.slot in LIT and child.parent_id is not None:
        try:
            return keep_step(batches, batches.batch(child.parent_id), child, shelf, now_s)
        except (Unreadable, Conflict, BadInput):  # the sweet's own log says otherwise: the pan goes on
            return True
    if not isinstance(child.events[-1].what, Weighed | Undo | Taken | Gone):
        return False
    slots = {e.what.to_batch: e.what.slot for e in child.events if isinstance(e.what, Taken)}
    if child.parent_id is not None and child.slot is not None:
        slots[child.parent_id] = child.slot
    told = False
    for number, slot in slots.items():
        try:
            making = batches.batch(number)
        except Unreadable:
            continue
        given = left_kg(child.log, taker=number) + (left_kg(child.log) if number == child.parent_id else 0.0)
        told = _tell(batches, making, slot, child, given, shelf, now_s) or told
    return told


LIT_KINDS: Mapping[str, KindName] = {"CARAMEL": "caramel", "COOK": "reduce"}
"""Of which kind is what is lit for a sweet besides its bases, by its slot."""


def _stage(child: Batch, now_s: float) -> int | None:
    """How many of its phases that are steps of a sweet are behind it; None when it is no more of the sweet."""
    phases, phase = LIT[child.slot or ""], child.state(now_s).phase
    if phase in ("given-up", "abandoned", "poured"):
        return None
    if phase == "heating":
        return 0
    return phases.index(phase) if phase in phases else len(phases)


def keep_step(batches: Batches, sweet: Batch, child: Batch, shelf: Shelf, now_s: float) -> bool:
    """A sweet's steps that are phases of what is lit for it stand where that stands, and what it gave is what the sweet is
    told from. Whether anything was written. A sweet that is over is left alone."""
    here = _stage(child, now_s)
    state, slot = sweet.state(now_s), child.slot or ""
    if here is None or state.given_up:
        return False
    weighed, before = child.state(now_s).weighed_kg, sweet.log.next_id
    phases = LIT[slot]
    steps = {s.planned.key: phases.index(s.planned.follows) for s in state.steps if s.planned.follows in phases}
    if isinstance(child.events[-1].what, Undo):
        for event in reversed(sweet.log.counted):
            if _beyond(event.what, steps, here, weighed):
                sweet = batches.log(sweet, Undo(event.id), now_s, now_s)
    for key, stage in steps.items():
        phase = next(s.phase for s in sweet.state(now_s).steps if s.planned.key == key)
        if stage == here and phase in ("waits", "ready"):
            sweet = batches.log(sweet, StepBegun(key), now_s, now_s)
        elif stage < here and phase != "done":
            sweet = batches.log(sweet, StepDone(key), now_s, now_s)
    if weighed is not None and weighed != _told_of(sweet, slot, child.id, now_s):
        told = Weighed(weighed) if slot == "CARAMEL" else anew.cooked(sweet, child, weighed, shelf)
        sweet = batches.log(sweet, told, now_s, now_s)
    return sweet.log.next_id > before


def _told_of(sweet: Batch, slot: str, child: int, now_s: float) -> float | None:
    """What the sweet knows that it gave."""
    state = sweet.state(now_s)
    if slot == "CARAMEL":
        return state.weighed_kg  # type: ignore[no-any-return]
    known = state.bases.get(slot, {}).get(child)
    return known.mass_kg if known else None


def _beyond(what: Happening, steps: Mapping[str, int], here: int, weighed_kg: float | None) -> bool:
    """Whether this of a sweet's log is more than what is lit for it has come to."""
    match what:
        case StepBegun(step):
            return steps.get(step, -1) > here
        case StepDone(step):
            return steps.get(step, -1) >= here
        case Weighed() | BaseWeighed(slot="COOK"):
            return weighed_kg is None
        case _:
            return False


def _tell(
    batches: Batches, making: Batch, slot: str, child: Batch, given_kg: float, shelf: Shelf, now_s: float
) -> bool:
    """Tell a making what it has of a base, if that is other than was told."""
    if all(step.planned.key != base_step(slot) for step in making.state(now_s).steps):
        return False  # it was planned from what stood there
    of_it = [
        (e.id, e.what) for e in making.log.counted if isinstance(e.what, BaseWeighed) and e.what.batch == child.id
    ]
    told = of_it[-1][1] if of_it else None
    if not given_kg:
        if told is None:
            return False
        for number, _ in reversed(of_it):
            making = batches.log(making, Undo(number), now_s, now_s)
        left = [base for parts in making.state(now_s).bases.values() for base in parts.values()]
        if left:  # told with this one: told anew without it
            last, other = left[-1], batches.batch(left[-1].batch)
            again = anew.weighed(batches, making, last.slot, other, last.mass_kg, shelf, now_s)
            batches.log(making, again, now_s, now_s)
        return True
    if (told is not None and told.mass_kg == given_kg) or making.state(now_s).given_up:
        return False
    batches.log(making, anew.weighed(batches, making, slot, child, given_kg, shelf, now_s), now_s, now_s)
    return True


def take(batches: Batches, making: Batch, body: TakeIn, shelf: Shelf, now_s: float) -> None:
    """A base of a making is taken from what stands weighed, whole or in part: written in both.

    :raises BadInput, Conflict: naming what does not fit.
    """
    if body.key is not None and batches.has(body.batch, body.key):
        return
    told = next((b for b in making.forecast.get("bases", []) if b.get("letter") == body.slot), None)
    step = next((s for s in _steps(making, now_s) if s.planned.key == base_step(body.slot)), None)
    if told is None or step is None:
        raise BadInput("slot", "parent-no-such-base", parent=making.name)
    if making.state(now_s).finished or step.phase == "done":
        raise Conflict("slot", "base-already-there", making=making.name)
    child = batches.batch(body.batch)
    base = base_of(child)
    if base is None or not fits(str(told["do"]), base):
        raise BadInput("batch", "batch-no-base-for-this", child=child.name)
    if child.parent_id is not None and not _still_apart(batches, child, now_s):
        raise Conflict("batch", "batch-used-elsewhere", child=child.name)
    left, has = left_kg(child.log), sum(b.mass_kg for b in making.state(now_s).bases.get(body.slot, {}).values())
    needed = max(0.0, float(told["made_kg"]) - has)
    mass = (
        parse(body.amount, default_unit="g", allow=("mass",), field="amount").value if body.amount.strip() else None
    )
    what = Taken(making.id, body.slot, min(left, needed) if mass is None else mass, making.name)
    child = batches.log(child, what, now_s, now_s, body.key)
    if step.phase == "ready":
        batches.log(making, StepBegun(step.planned.key), now_s, now_s)
    follow(batches, child, shelf, now_s)


def use_up(batches: Batches, sweet: Batch, now_s: float) -> None:
    """A sweet begins that was planned from what stands there: that much of it is taken."""
    for base in sweet.forecast.get("bases", []):
        ref = sweet.words.get("bases", {}).get(base["letter"])
        if ref is not None:
            child = batches.batch(batches.number_of(ref))
            mass = min(left_kg(child.log), float(base["made_kg"]))
            batches.log(child, Taken(sweet.id, base["letter"], mass, sweet.name), now_s, now_s)


def give_back(batches: Batches, sweet: Batch, undone: Undo, shelf: Shelf, now_s: float) -> None:
    """What a making took of a base is taken back there: it stands in its bowl again. What was told of it before that does
    not come back: the bowl has been weighed anew since."""
    target = next(e.what for e in sweet.events if e.id == undone.event_id)
    if isinstance(target, BaseWeighed):
        child = batches.batch(target.batch)
        for event in child.log.counted:
            if isinstance(event.what, Taken) and event.what.to_batch == sweet.id:
                child = batches.log(child, Undo(event.id), now_s, now_s)
                follow(batches, child, shelf, now_s)
        sweet = batches.batch(sweet.id)
        for event in reversed(sweet.log.counted):
            if isinstance(event.what, BaseWeighed) and event.what.batch == child.id:
                sweet = batches.log(sweet, Undo(event.id), now_s, now_s)


def _steps(making: Batch, now_s: float) -> tuple[StepNow, ...]:
    if making.kind.name != "sweet":
        raise BadInput("slot", "taken-for-no-sweet", making=making.name)
    steps: tuple[StepNow, ...] = making.state(now_s).steps
    return steps


def _still_apart(batches: Batches, child: Batch, now_s: float) -> bool:
    """Whether the sweet that a base was made for has only bases so far."""
    assert child.parent_id is not None
    owner = batches.batch(child.parent_id)
    steps = _steps(owner, now_s)
    return owner.state(now_s).given_up or all(step.planned.base or step.phase in ("waits", "ready") for step in steps)


def enough(batches: Batches, sweet: Batch, step: str, shelf: Shelf, now_s: float) -> None:
    """The cook says that a base is done, though less of it is there than was told: the sweet is reckoned from that."""
    for slot, parts in sweet.state(now_s).bases.items():
        last = next(reversed(parts.values()))
        if base_step(slot) == step and not last.whole:
            child = batches.batch(last.batch)
            told = anew.weighed(batches, sweet, slot, child, last.mass_kg, shelf, now_s, whole=True)
            batches.log(sweet, told, now_s, now_s)
