"""A stored batch as it is told to a screen, whatever its kind."""

from collections import OrderedDict
from contextlib import suppress
from typing import Any

from ..store.batches import Batch
from ..store.shelf import Shelf
from ..wire.batch import BatchOut
from ..wire.caramel_batch import CaramelBatchOut
from ..wire.curd_batch import CurdBatchOut
from ..wire.reduce import ForecastOut, ReduceIn, told_when_lit
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


_MOST_TOLD = 64
_told: OrderedDict[int, tuple[dict[str, Any], ForecastOut]] = OrderedDict()


def _when_lit(batch: Batch) -> ForecastOut:
    """What was told when it was lit, read once: while a batch is kept its stored forecast is the same object."""
    known = _told.get(batch.id)
    if known is None or known[0] is not batch.forecast:
        known = _told[batch.id] = (batch.forecast, told_when_lit(batch.forecast, batch.plan))
        while len(_told) > _MOST_TOLD:
            with suppress(KeyError):  # another request may have taken it out
                _told.popitem(last=False)
    return known[1]


def pan_of(batch: Batch, now_s: float, lines: int | None = LINES_TOLD) -> BatchOut:
    """The same of a reduction."""
    return BatchOut.of(
        batch.id,
        batch.name,
        batch.created_at_s,
        batch.history,
        ReduceIn.model_validate(batch.words),
        _when_lit(batch),
        batch.state(now_s),
        now_s,
        batch.in_pan,
        batch.burner_id,
        lines,
    )
