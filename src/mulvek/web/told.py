"""A stored batch as it is told to a screen, whatever its kind."""

from ..store.batches import Batch
from ..store.shelf import Shelf
from ..wire.batch import BatchOut
from ..wire.caramel_batch import CaramelBatchOut
from ..wire.curd_batch import CurdBatchOut
from ..wire.reduce import ReduceIn, told_when_lit
from ..wire.standing import Placed
from ..wire.sweet_batch import SweetBatchOut
from ..wire.sweet_words import SweetIn

AnyBatch = BatchOut | CurdBatchOut | CaramelBatchOut | SweetBatchOut
LINES_TOLD = 24
"""Of a long log: so many of the newest lines, unless all are asked for."""


def told_of(batch: Batch, now_s: float, shelf: Shelf, lines: int | None = LINES_TOLD) -> AnyBatch:
    """As it stands; with so many lines of its log, the newest, or all of them."""
    found = _told_of(batch, now_s, shelf, lines)
    if isinstance(found, Placed):
        found.parent_id, found.slot, found.pan_id = batch.parent_id, batch.slot, batch.in_pan
    return found


def goes_on(told: AnyBatch) -> bool:
    """It stands where it stood: on its burner, hanging, being made."""
    match told:
        case BatchOut():
            return told.phase in ("heating", "boiling")
        case CurdBatchOut():
            return told.weighed_kg is None and not told.given_up
        case SweetBatchOut() | CaramelBatchOut():
            return not told.finished


def _told_of(batch: Batch, now_s: float, shelf: Shelf, lines: int | None) -> AnyBatch:
    same = (batch.name, batch.created_at_s, batch.log)
    match batch.kind.name:
        case "reduce":
            return pan_of(batch, now_s, lines)
        case "caramel":
            return CaramelBatchOut.of(
                batch.id, *same, batch.words, batch.state(now_s), now_s, batch.in_pan, batch.burner_id
            )
        case "sweet":
            words, state = SweetIn.model_validate(batch.words), batch.state(now_s)
            return SweetBatchOut.of(batch.id, *same, words, batch.forecast, state, now_s, shelf)
        case kind:
            return CurdBatchOut.of(batch.id, kind, *same, batch.words, batch.state(now_s), now_s, batch.burner_id)


def pan_of(batch: Batch, now_s: float, lines: int | None = LINES_TOLD) -> BatchOut:
    """The same of a reduction."""
    return BatchOut.of(
        batch.id,
        batch.name,
        batch.created_at_s,
        batch.history,
        ReduceIn.model_validate(batch.words),
        told_when_lit(batch.forecast, batch.plan),
        batch.state(now_s),
        now_s,
        batch.in_pan,
        batch.burner_id,
        lines,
    )
