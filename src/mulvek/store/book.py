"""The Book: all batches of all kinds in one list, found by name and note, told from their summaries alone."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import islice
from typing import Any

from sqlalchemy import ColumnElement, func, or_, select
from sqlalchemy.orm import InstrumentedAttribute, Session

from ..core.mending.faults import faults
from .aside import as_table, each
from .batches import Batch, Batches
from .mending import with_fault
from .outcomes import line_of
from .season import within
from .tables import BatchRow


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


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """Which batches: all where nothing is said. ``words`` each stand in the name, in a note or in what went wrong;
    ``bases``: those too that were made for a sweet. Large and small letters are alike."""

    words: str = ""
    kind: str = ""
    wrong: bool = False
    milk: int | None = None
    pan: int | None = None
    year: int | None = None
    cold: str = ""
    bases: bool = True


ALL = Wanted()


def _chosen(wanted: Wanted) -> list[ColumnElement[bool]]:
    """What is asked of each."""
    found: list[ColumnElement[bool]] = []
    for column, value in (
        (BatchRow.kind, wanted.kind),
        (BatchRow.milk_id, wanted.milk),
        (BatchRow.pan_id, wanted.pan),
        (BatchRow.verdict, wanted.cold),
    ):
        if value not in ("", None):
            found.append((_looked_through(column) if wanted.words else column) == value)
    if wanted.wrong:
        found.append(BatchRow.id.in_(with_fault()))
    if wanted.year is not None:
        found += within(wanted.year)
    if not wanted.bases:
        parent = BatchRow.parent_id
        found.append(_looked_through(parent) == "" if wanted.words else parent.is_(None))
    return found + [_has(word) for word in wanted.words.split()]


def _looked_through(column: InstrumentedAttribute[Any]) -> ColumnElement[Any]:
    """A column, nothing being "", that SQLite takes no index of its own for: where words are asked for, all of it stands in
    the index that has them (ix_batch_found), and any other would walk through the pages of each batch."""
    return func.ifnull(column, "")


def _has(word: str) -> ColumnElement[bool]:
    small = word.lower()
    found: ColumnElement[bool] = func.instr(BatchRow.found_by, small) > 0
    wrong = [f.key for f in faults().values() if small in f.title.lower()]
    return or_(found, BatchRow.id.in_(with_fault(wrong))) if wrong else found


def page(session: Session, limit: int, offset: int = 0, wanted: Wanted = ALL) -> tuple[list[Line], int]:
    """Batches, newest first, and how many there are in all."""
    found = select(BatchRow.id).where(*_chosen(wanted))
    newest = found.order_by(BatchRow.created_at.desc(), BatchRow.id.desc()).limit(limit).offset(offset)
    if wanted in (ALL, replace(ALL, bases=False)):  # the number of all is known without looking at any
        numbers = list(session.scalars(newest))
        total = session.scalar(select(func.count(BatchRow.id)).where(*_chosen(wanted))) or 0
        return _lines(session, numbers), total
    counted = session.execute(newest.add_columns(func.count().over())).all()
    if counted or not offset:
        return _lines(session, [row[0] for row in counted]), counted[0][1] if counted else 0
    beyond = session.scalar(select(func.count()).select_from(found.subquery())) or 0
    return [], beyond


MOST_OTHERS, LOOKED_AT = 6, 120


def same_thing(session: Session, batch: Batch) -> list[tuple[int, str, float]]:
    """The newest others that are over of the same sweet, or of the same kind: number, name, when."""
    columns = (BatchRow.id, BatchRow.name, BatchRow.created_at, BatchRow.words)
    newest = select(*columns).where(BatchRow.kind == batch.kind.name, BatchRow.finished, BatchRow.id != batch.id)
    rows = session.execute(newest.order_by(BatchRow.created_at.desc(), BatchRow.id.desc()).limit(LOOKED_AT))
    sweet = batch.words.get("sweet")
    same = ((number, name, at_s) for number, name, at_s, words in rows if as_table(words).get("sweet") == sweet)
    return list(islice(same, MOST_OTHERS))


def parts_of(session: Session, numbers: Sequence[int]) -> dict[int, list[str]]:
    """What was made for each of these, by name, oldest first."""
    rows = session.execute(
        select(BatchRow.parent_id, BatchRow.name).where(BatchRow.parent_id.in_(numbers)).order_by(BatchRow.id)
    )
    found: dict[int, list[str]] = {}
    for parent, name in rows:
        if parent is not None:
            found.setdefault(parent, []).append(name)
    return found


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
