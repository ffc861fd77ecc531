"""What was found wrong with batches, from their logs."""

from collections import defaultdict
from collections.abc import Collection, Sequence
from dataclasses import dataclass

from sqlalchemy import ColumnElement, Select, literal_column, or_, select
from sqlalchemy.orm import Session

from ..core.batch.events import Event, FaultFound, Undo, standing
from .aside import each
from .batches import Batch, Batches
from .happened import event_of
from .tables import EventRow

FOUND = "fault_found"
AS_INDEXED: ColumnElement[str] = literal_column(f"'{FOUND}'")
"""Written out: SQLite takes the index only for what it can read in the question itself."""
NEWEST_LOOKED_AT = 60


@dataclass(frozen=True, slots=True)
class Found:
    """What a batch was found to have, the newest word of it."""

    batch: int
    event: Event
    what: FaultFound


def found_of(events: Sequence[Event], batch: int) -> dict[str, Found]:
    """What stands of it, by fault; a later word of the same fault takes the place of an earlier."""
    return {e.what.fault: Found(batch, e, e.what) for e in standing(events) if isinstance(e.what, FaultFound)}


def confirmed(session: Session, fault: str) -> dict[str, int]:
    """How often each cause of a fault was held for the true one, over all batches."""
    counts: dict[str, int] = defaultdict(int)
    for found in _all(session):
        if found.what.fault == fault and found.what.cause:
            counts[found.what.cause] += 1
    return dict(counts)


def newest_found(session: Session) -> list[tuple[Batch, Found]]:
    """What was found last, with its batch; what cannot be read is left out."""
    found = sorted(_all(session), key=lambda one: -one.event.at_s)[:NEWEST_LOOKED_AT]
    batches = {batch.id: batch for batch in Batches(session).some(list({one.batch for one in found}))}
    return [(batches[one.batch], one) for one in found if one.batch in batches]


def with_fault(keys: Collection[str] | None = None) -> Select[int]:
    """Numbers of the batches in whose log a fault stands: of these, or any."""
    found = select(EventRow.batch_id).where(EventRow.kind == AS_INDEXED)
    return found if keys is None else found.where(EventRow.data["fault"].as_string().in_(keys))


def faults_in(session: Session, numbers: Collection[int]) -> dict[int, list[str]]:
    """The faults that each of these batches was found to have, by their keys."""
    found: dict[int, list[str]] = defaultdict(list)
    for one in _all(session, numbers):
        found[one.batch].append(one.what.fault)
    return dict(found)


def found_lately(session: Session) -> list[Found]:
    """What was found last, the newest first, without reading the batches."""
    return sorted(_all(session), key=lambda found: -found.event.at_s)[:NEWEST_LOOKED_AT]


def _all(session: Session, among: Collection[int] | None = None) -> list[Found]:
    """Of every batch, or of these. Few batches have a fault: the index holds those alone."""
    faulty = with_fault() if among is None else with_fault().where(EventRow.batch_id.in_(among))
    numbers = set(session.scalars(faulty))
    rows = session.scalars(
        select(EventRow)
        .where(EventRow.batch_id.in_(numbers), or_(EventRow.kind == FOUND, EventRow.kind == "undo"))
        .order_by(EventRow.number)
    ).all()
    events: dict[int, list[Event]] = defaultdict(list)
    read, _ = each(rows, lambda row: (row.batch_id, event_of(row)), lambda row: str(row.number))
    for batch, event in read:
        events[batch].append(event)
    return [found for batch, log in events.items() for found in found_of(_of_faults(log), batch).values()]


def _of_faults(log: Sequence[Event]) -> list[Event]:
    """The finds, and the undos that take them back; undos of other things say nothing here."""
    known = {e.id for e in log if isinstance(e.what, FaultFound)}
    for event in log:
        if isinstance(event.what, Undo) and event.what.event_id in known:
            known.add(event.id)
    return [e for e in log if e.id in known]
