"""A sweet reckoned anew while it is made: from what its bases weighed, from what came off the fire, in another pan."""

from collections.abc import Collection, Mapping
from dataclasses import replace
from typing import Any

from ..core.batch.events import BaseWeighed, StepBegun
from ..core.batch.standing import left_kg
from ..core.batch.sweet_run import SweetRun
from ..core.errors import KitchenError
from ..core.planning.sweets.build import ReadyBase, pooled
from ..core.planning.sweets.formula import LIT
from ..core.planning.sweets.plan import SweetForecast, plan_sweet
from ..language.step_facts import step_facts
from ..store.aside import reading_of
from ..store.bases import base_of
from ..store.batches import Batch, Batches
from ..store.shelf import Shelf
from ..wire.sweet_words import HaveIn, SweetIn, pan_of, read_sweet_plan


def cooked(sweet: Batch, child: Batch, mass_kg: float, shelf: Shelf) -> BaseWeighed:
    """The sweet from what came off the fire, with what is still stirred in; as it was told when no sweet is made of it."""
    run: SweetRun = sweet.plan
    # what is made for a sweet goes into it: how much that takes is its own affair
    if any(s.key.startswith("part.") for s in run.steps if s.follows):
        return BaseWeighed(slot="COOK", batch=child.id, mass_kg=mass_kg)
    late = sum(row.kg for row in run.rows if row.when == "at the end" and not row.within)
    try:
        finished = _words(sweet).model_copy(update={"finished": f"{(mass_kg + late) * 1e3:.1f} g"})
        told = plan_sweet(read_sweet_plan(finished, _as_begun(run, shelf), {}))
    except KitchenError:
        return BaseWeighed(slot="COOK", batch=child.id, mass_kg=mass_kg)
    return BaseWeighed(
        slot="COOK",
        batch=child.id,
        mass_kg=mass_kg,
        rows_kg=(None,) * len(run.rows),
        told_kg=told.finished,
        told_pieces=told.pieces,
        stop_kg=run.stop_kg,
        facts=_facts(run, told),
    )


def weighed(
    batches: Batches,
    making: Batch,
    slot: str,
    child: Batch,
    mass_kg: float,
    shelf: Shelf,
    now_s: float,
    *,
    whole: bool = False,
) -> BaseWeighed:
    """The sweet anew, from all its bases that are there; as it was told when no sweet can be made of them."""
    given, enough = _given(making, now_s)
    given.setdefault(slot, {})[child.id] = mass_kg
    taken_from = child.name if child.parent_id != making.id else ""
    try:
        ready = _there(batches, making, given, {slot} if whole else enough - {slot})
        if slot not in ready:
            return BaseWeighed(slot=slot, batch=child.id, mass_kg=mass_kg, whole=False, taken_from=taken_from)
        told = _planned(making, ready, shelf)
    except KitchenError:
        return BaseWeighed(slot=slot, batch=child.id, mass_kg=mass_kg, taken_from=taken_from)
    was: SweetRun = making.plan
    steps = {step.key: step for step in told.steps}
    now = {(row.key, row.when): row.kg for row in told.rows}
    return BaseWeighed(
        slot=slot,
        batch=child.id,
        mass_kg=mass_kg,
        whole=True,
        rows_kg=tuple(now.get((row.key, row.when)) for row in was.rows),
        told_kg=told.finished,
        told_pieces=told.pieces,
        stop_kg=told.stop_kg,
        steps_s=tuple(steps[s.key].seconds if s.key in steps else None for s in was.steps),
        facts=_facts(was, told),
        taken_from=taken_from,
    )


def in_pan(batches: Batches, making: Batch, what: StepBegun, shelf: Shelf, now_s: float) -> StepBegun:
    """A step that begins in another pan than was planned, with its minutes, loads and figures there."""
    if making.kind.name != "sweet" or what.pan is None or what.pan not in shelf.pans:
        return what
    try:
        if what.pan == pan_of(_words(making), shelf):
            return what
        told = _planned(making, _there(batches, making, *_given(making, now_s)), shelf, what.pan)
    except KitchenError:  # no plan can be made of it: it was told on paper, or by a former release
        return what
    step = next((s for s in told.steps if s.key == what.step), None)
    return what if step is None else replace(what, takes_s=step.seconds, facts=tuple(step_facts(step, told)))


def _facts(was: SweetRun, told: SweetForecast) -> tuple[tuple[str, ...] | None, ...]:
    """What hands are told at each step of the plan; None at one that is no more."""
    steps = {step.key: step for step in told.steps}
    return tuple(tuple(step_facts(steps[s.key], told)) if s.key in steps else None for s in was.steps)


def _given(making: Batch, now_s: float) -> tuple[dict[str, dict[int, float]], set[str]]:
    """What a making has of each base, kg by batch; and which of them are there."""
    bases = {of: parts for of, parts in making.state(now_s).bases.items() if of not in LIT}
    given = {of: {number: base.mass_kg for number, base in parts.items()} for of, parts in bases.items()}
    return given, {of for of, parts in bases.items() if next(reversed(parts.values())).whole}


def _there(
    batches: Batches, making: Batch, given: Mapping[str, Mapping[int, float]], enough: Collection[str]
) -> dict[str, ReadyBase]:
    """The bases that are there, of what was given, kg by batch; ``enough``: those that are, however little."""
    given = dict(given)
    for of, ref in _words(making).bases.items():  # planned from what stood there
        number = batches.number_of(ref)
        given[of] = {number: left_kg(batches.batch(number).log, taker=making.id)}
    found = {
        of: [b for n, kg in sorted(parts.items()) if (b := _base(batches, n, kg))] for of, parts in given.items()
    }
    ready = {of: pooled(parts) for of, parts in found.items() if parts}
    made = {of: sum(batches.batch(n).parent_id == making.id for n in parts) for of, parts in given.items()}
    return {of: b for of, b in ready.items() if of in enough or _whole(making, of, b.mass_kg, made[of])}


def _planned(making: Batch, ready: Mapping[str, ReadyBase], shelf: Shelf, pan: int | None = None) -> SweetForecast:
    """The sweet anew, from its bases that are there; in another pan than it was planned in, where one is given."""
    words = _words(making)
    more: dict[str, Any] = {"pan": pan} if pan is not None else {}
    if ready:
        have = [HaveIn(what=of, amount=f"{base.mass_kg * 1e3:.1f} g") for of, base in ready.items()]
        more |= {"have": have, "want": ""}
    return plan_sweet(read_sweet_plan(words.model_copy(update=more), _as_begun(making.plan, shelf), ready))


def _as_begun(run: SweetRun, shelf: Shelf) -> Shelf:
    """What this kitchen's hands are told to do stays as it was when it was begun, whatever was learned since."""
    return replace(shelf, begun_with=run.habit.times if run.habit else 1.0)


def _words(making: Batch) -> SweetIn:
    with reading_of(making.name):
        return SweetIn.model_validate(making.words)


def _base(batches: Batches, number: int, mass_kg: float) -> ReadyBase | None:
    base = base_of(batches.batch(number))
    return base and replace(base, mass_kg=mass_kg)


NEARLY = 0.85
"""So much of what was told of a base is all of it: scales, milk and pans differ."""


def _whole(parent: Batch, slot: str, mass_kg: float, made: int) -> bool:
    """Whether a base is there: enough of it, or as many pans made for it as were told."""
    told: dict[str, Any] = next((base for base in parent.forecast.get("bases", []) if base.get("letter") == slot), {})
    return made >= int(told.get("goes", 1)) or mass_kg >= NEARLY * float(told.get("made_kg", 0.0))
