"""A sweet and its bases as one making: a base that is lit from it belongs to it, and what it weighs is what the sweet is
reckoned from."""

from typing import Any

from ..core.batch.events import BaseWeighed, StepBegun, Undo, Weighed
from ..core.batch.sweet_run import SweetRun, base_step
from ..core.errors import BadInput, Conflict, KitchenError, Unreadable
from ..core.planning.sweets.build import pooled
from ..core.planning.sweets.plan import plan_sweet
from ..store.aside import reading_of
from ..store.bases import base_of
from ..store.batches import Batch, Batches
from ..store.planned import Planned
from ..store.shelf import Shelf
from ..wire.sweet_batch import run_of
from ..wire.sweet_words import HaveIn, SweetIn, read_sweet_plan


def join(batches: Batches, planned: Planned, now_s: float) -> None:
    """A base begins: its step in the making is under way. Checked before anything is written.

    :raises BadInput, Conflict: fields "parent", "slot".
    """
    if planned.parent_id is None:
        return
    parent = batches.batch(planned.parent_id)
    if parent.kind.name != "sweet":
        raise BadInput("parent", f"{parent.name} is no sweet.", "Name the sweet that it is a base of.")
    state = parent.state(now_s)
    step = next((s for s in state.steps if s.planned.key == base_step(planned.slot or "")), None)
    if step is None:
        raise BadInput("slot", f"{parent.name} has no such base.", "Choose one of its own.")
    if state.finished or step.phase == "done":
        raise Conflict("slot", f"That base of {parent.name} is made.", "Undo it there first, or begin it by itself.")
    if step.phase == "ready":
        batches.log(parent, StepBegun(step.planned.key), now_s, now_s)


def follow(batches: Batches, child: Batch, shelf: Shelf, now_s: float) -> bool:
    """After something happened to a base: what it weighs now is told to its making. Whether anything was. A making that is
    damaged in the file is left alone: the pan goes on."""
    if child.parent_id is None or child.slot is None or not isinstance(child.events[-1].what, Weighed | Undo):
        return False
    try:
        parent = batches.batch(child.parent_id)
    except Unreadable:
        return False
    of_it = [
        (e.id, e.what) for e in parent.log.counted if isinstance(e.what, BaseWeighed) and e.what.batch == child.id
    ]
    number, told = of_it[-1] if of_it else (0, None)
    weighed = child.log.last(Weighed)
    if weighed is None:
        if told is None:
            return False
        parent = batches.log(parent, Undo(number), now_s, now_s)
        left = [base for parts in parent.state(now_s).bases.values() for base in parts.values()]
        if left:  # told with this one: told anew without it
            other = batches.batch(left[-1].batch)
            batches.log(parent, _reckoned(batches, parent, other, left[-1].mass_kg, shelf, now_s), now_s, now_s)
        return True
    if told is not None and told.mass_kg == weighed.mass_kg:
        return False
    if parent.state(now_s).given_up:
        return False
    batches.log(parent, _reckoned(batches, parent, child, weighed.mass_kg, shelf, now_s), now_s, now_s)
    return True


def enough(batches: Batches, sweet: Batch, step: str, shelf: Shelf, now_s: float) -> None:
    """The cook says that a base is done, though less of it is there than was told: the sweet is reckoned from that."""
    for slot, parts in sweet.state(now_s).bases.items():
        last = next(reversed(parts.values()))
        if base_step(slot) == step and not last.whole:
            child = batches.batch(last.batch)
            told = _reckoned(batches, sweet, child, last.mass_kg, shelf, now_s, whole=True)
            batches.log(sweet, told, now_s, now_s)


def _reckoned(
    batches: Batches, parent: Batch, child: Batch, mass_kg: float, shelf: Shelf, now_s: float, *, whole: bool = False
) -> BaseWeighed:
    """The sweet anew, from all its bases that are there; as it was told when no sweet can be made of them."""
    assert child.slot is not None
    weighed = {slot: set(parts) for slot, parts in parent.state(now_s).bases.items()}
    weighed.setdefault(child.slot, set()).add(child.id)
    try:
        found = {slot: [b for n in sorted(of) if (b := base_of(batches.batch(n)))] for slot, of in weighed.items()}
        ready = {slot: pooled(parts) for slot, parts in found.items() if parts}
        there = {slot for slot, base in ready.items() if _whole(parent, slot, base.mass_kg, len(found[slot]))}
        if not whole and child.slot not in there:
            return BaseWeighed(slot=child.slot, batch=child.id, mass_kg=mass_kg, whole=False)
        ready = {slot: base for slot, base in ready.items() if slot in there or (whole and slot == child.slot)}
        with reading_of(parent.name):
            words = SweetIn.model_validate(parent.words)
        have = [HaveIn(what=slot, amount=f"{base.mass_kg * 1e3:.1f} g") for slot, base in ready.items()]
        more = {"bases": {**words.bases, **dict.fromkeys(ready, str(child.id))}, "have": have, "want": ""}
        run = run_of(plan_sweet(read_sweet_plan(words.model_copy(update=more), shelf, ready)))
    except KitchenError:
        return BaseWeighed(slot=child.slot, batch=child.id, mass_kg=mass_kg)
    was: SweetRun = parent.plan
    now = {(row.key, row.when): row.kg for row in run.rows}
    rows = tuple(now.get((row.key, row.when)) for row in was.rows)
    return BaseWeighed(
        slot=child.slot,
        batch=child.id,
        mass_kg=mass_kg,
        whole=True,
        rows_kg=rows,
        told_kg=run.told_kg,
        told_pieces=run.told_pieces,
        stop_kg=run.stop_kg,
    )


NEARLY = 0.85
"""So much of what was told of a base is all of it: scales, milk and pans differ."""


def _whole(parent: Batch, slot: str, mass_kg: float, batches: int) -> bool:
    """Whether a base is there: enough of it, or as many pans of it as were told."""
    told: dict[str, Any] = next((base for base in parent.forecast.get("bases", []) if base.get("letter") == slot), {})
    return batches >= int(told.get("goes", 1)) or mass_kg >= NEARLY * float(told.get("made_kg", 0.0))
