"""What happens between two batches on the fire: part of one goes on by itself, or one is poured into another."""

from ..core.batch.events import Carried, Event, Joined, PartTaken, PouredInto
from ..core.errors import Conflict
from .batches import Batch, Batches
from .planned import Planned


def part(batches: Batches, batch: Batch, share: float, planned: Planned, now_s: float, key: str | None = None) -> int:
    """Part of what boils goes on as a batch of its own, as ``planned``. Both are written, or neither."""
    if key is not None and (known := batches.begun(key)) is not None:
        return known
    state = batch.state(now_s)
    batch.kind.check(batch.log, Event(batch.log.next_id, now_s, PartTaken(share, 0)))
    carried = Carried(
        batch.id,
        state.boiled_at_s,
        state.water_kg * share,
        max(0.02 * state.water_kg * share, share * state.water_sd_kg),
        state.sugar_in_kg * share,
    )
    made = batches.begin(planned, now_s, key, first=carried)
    batches.log(batch, PartTaken(share, made), now_s, now_s)
    return made


def pour(batches: Batches, batch: Batch, into: Batch, now_s: float, key: str | None = None) -> None:
    """Pour one boiling batch into another. Both are written, or neither."""
    if key is not None and batches.has(batch.id, key):
        return
    if batch.id == into.id:
        raise Conflict("into", "already-poured-in")
    state = batch.state(now_s)
    if batch.kind.name != "reduce" or into.kind.name != "reduce" or state.phase != "boiling":
        raise Conflict("kind", "pour-before-boil")
    plan = state.plan
    joined = Joined(
        from_batch=batch.id,
        milk=plan.milk,
        milk_kg=plan.milk_kg,
        sugar_kind=plan.sugar_kind,
        sugar_kg=state.sugar_in_kg,
        additions=plan.additions,
        water_kg=state.water_kg,
        water_sd_kg=state.water_sd_kg,
    )
    batches.log(into, joined, now_s, now_s)
    batches.log(batch, PouredInto(into.id), now_s, now_s, key)
