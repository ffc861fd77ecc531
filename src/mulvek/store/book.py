"""The Book: all batches of all kinds in one list, found by name and note, told from their summaries alone."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import func, or_, select
from sqlalchemy.orm import Session

from ..core.mending.faults import faults
from .aside import each
from .batches import Batches
from .mending import with_fault
from .outcomes import line_of
from .tables import BatchRow, EventRow


@dataclass(frozen=True, slots=True)
class Line:
    """A batch of the list; ``summary`` is None while none is kept with it."""

    id: int
    kind: str
    name: str
    created_at_s: float
    summary: dict[str, Any] | None

    def with_(self, summary: dict[str, Any] | None) -> "Line":
        return replace(self, summary=summary)


def page(
    session: Session, limit: int, offset: int = 0, words: str = "", kind: str = "", wrong: bool = False
) -> tuple[list[Line], int]:
    """Batches, newest first, and how many there are in all, of those where each word stands in the name, in a note or in
    what went wrong; of one kind, or with a fault alone, where that is asked. Case is passed over as SQLite does it: for
    plain Latin letters."""
    found = select(BatchRow.id)
    if kind:
        found = found.where(BatchRow.kind == kind)
    if wrong:
        found = found.where(BatchRow.id.in_(with_fault()))
    for word in words.split():
        pattern = f"%{word.replace('!', '!!').replace('%', '!%').replace('_', '!_')}%"
        text = EventRow.data["text"].as_string()
        noted = select(EventRow.batch_id).where(EventRow.kind == "note", text.ilike(pattern, escape="!"))
        faulty = with_fault([f.key for f in faults().values() if word.lower() in f.title.lower()])
        named = BatchRow.name.ilike(pattern, escape="!")
        found = found.where(or_(named, BatchRow.id.in_(noted), BatchRow.id.in_(faulty)))
    newest = found.order_by(BatchRow.created_at.desc(), BatchRow.id.desc()).limit(limit).offset(offset)
    if not (words or kind or wrong):  # the number of all is known without looking at any
        numbers, total = list(session.scalars(newest)), session.scalar(select(func.count(BatchRow.id))) or 0
        return _lines(session, numbers), total
    counted = session.execute(newest.add_columns(func.count().over())).all()
    if counted or not offset:
        return _lines(session, [row[0] for row in counted]), counted[0][1] if counted else 0
    beyond = session.scalar(select(func.count()).select_from(found.subquery())) or 0
    return [], beyond


def _lines(session: Session, numbers: Sequence[int]) -> list[Line]:
    columns = (BatchRow.id, BatchRow.kind, BatchRow.name, BatchRow.created_at, BatchRow.summary)
    rows = {row[0]: row for row in session.execute(select(*columns).where(BatchRow.id.in_(numbers)))}
    return [Line(*rows[number]) for number in numbers]


def summed(session: Session, numbers: Sequence[int], now_s: float) -> tuple[dict[int, dict[str, Any]], list[str]]:
    """Summaries of batches that a former release kept without one, and the names of those that cannot be read. Kept
    with them when the session writes."""
    batches = Batches(session)
    found, aside = each(
        batches.some(numbers),
        lambda batch: (batch.id, line_of(batch, batch.state(max(now_s, batch.log.newest_s)))),
        lambda batch: batch.name,
    )
    return dict(found), batches.aside + aside


def keep_summaries(session: Session, found: dict[int, dict[str, Any]]) -> None:
    for number, told in found.items():
        session.get_one(BatchRow, number).summary = told
