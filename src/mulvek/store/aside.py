"""A row that cannot be read harms only itself: it is named, and the rest is served."""

import logging
from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from typing import TypeVar

from sqlalchemy import func, or_, select
from sqlalchemy.orm import Session

from ..core.errors import KitchenError, Unreadable
from .tables import BatchRow, CurdBatchRow, CurdEventRow, EventRow, SweetBatchRow, SweetEventRow

T = TypeVar("T")
S = TypeVar("S")
AnyBatch = BatchRow | CurdBatchRow | SweetBatchRow
AnyEvent = EventRow | CurdEventRow | SweetEventRow
_MEANS_UNREADABLE = (ValueError, TypeError, KeyError, AttributeError, IndexError, ArithmeticError, AssertionError)
"""What decoding or replaying a damaged row raises; pydantic's own error is a ValueError."""
_log = logging.getLogger(__name__)


@contextmanager
def reading_of(name: str) -> Iterator[None]:
    """:raises Unreadable: field "batch", when what is read within cannot be."""
    try:
        yield
    except Unreadable:
        raise
    except (KitchenError, *_MEANS_UNREADABLE) as error:
        _log.warning("%s cannot be read: %s", name, error)
        text = f"{name} is damaged in the file and cannot be read."
        raise Unreadable("batch", text, "All else is as it was; mulvek verify names the row.") from error


def each(items: Iterable[T], read: Callable[[T], S], name: Callable[[T], str]) -> tuple[list[S], list[str]]:
    """All that can be read, and the names of those that cannot."""
    found: list[S] = []
    aside: list[str] = []
    for item in items:
        try:
            with reading_of(name(item)):
                found.append(read(item))
        except Unreadable:
            aside.append(name(item))
    return found, aside


def lines(
    session: Session, batches: type[AnyBatch], events: type[AnyEvent], words: str, limit: int, offset: int
) -> tuple[list[int], int]:
    """Numbers of batches, newest first, and how many there are in all, of those where each word stands in the name or
    in a note. Case is passed over as SQLite does it: for plain Latin letters."""
    found = select(batches.id)
    for word in words.split():
        pattern = f"%{word.replace('!', '!!').replace('%', '!%').replace('_', '!_')}%"
        text = events.data["text"].as_string()
        noted = select(events.batch_id).where(events.kind == "note", text.ilike(pattern, escape="!"))
        found = found.where(or_(batches.name.ilike(pattern, escape="!"), batches.id.in_(noted)))
    newest = found.order_by(batches.created_at.desc(), batches.id.desc()).limit(limit).offset(offset)
    if not words:  # the number of all is known without looking at any
        return list(session.scalars(newest)), session.scalar(select(func.count(batches.id))) or 0
    counted = session.execute(newest.add_columns(func.count().over())).all()
    if counted or not offset:
        return [row[0] for row in counted], counted[0][1] if counted else 0
    return [], session.scalar(select(func.count()).select_from(found.subquery())) or 0  # beyond the last page
