"""A year of the Book read from its lines alone: what each batch was to its season, and how it stood to what was told."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from pydantic import ValidationError
from sqlalchemy import ColumnElement, func, select
from sqlalchemy.orm import Session

from ..core.batch.season import Facts, Made
from ..core.ranges import Range
from .adapters import adapter
from .tables import BatchRow

MOST_ANEW = 150
"""Lines of former releases that are worked out anew at one asking."""


@dataclass(frozen=True, slots=True)
class Stood:
    """A figure of a batch: what came, and what was told."""

    batch: int
    name: str
    at_s: float
    got: float
    told: Range


@dataclass(frozen=True, slots=True, kw_only=True)
class Season:
    made: list[Made]
    weights: list[Stood]
    minutes: list[Stood]
    pieces: list[Stood]
    old: list[int]
    """Numbers of those whose line says nothing of the season yet."""


def local(at_s: float) -> datetime:
    return datetime.fromtimestamp(at_s).astimezone()


def within(year: int) -> tuple[ColumnElement[bool], ColumnElement[bool]]:
    """Of batches that began in that year, as the kitchen has it."""
    begins, ends = (datetime(y, 1, 1).astimezone().timestamp() for y in (year, year + 1))
    return BatchRow.created_at >= begins, BatchRow.created_at < ends


def years(session: Session) -> list[int]:
    """In which anything was made, newest first."""
    first, last = session.execute(select(func.min(BatchRow.created_at), func.max(BatchRow.created_at))).one()
    if first is None:
        return []
    return list(range(local(last).year, local(first).year - 1, -1))


def season(session: Session, year: int) -> Season:
    """All that is over of a year; what goes on, was given up or was poured together counts not, nor does a damaged line."""
    found = Season(made=[], weights=[], minutes=[], pieces=[], old=[])
    for number, name, at_s, parent, line in _lines(session, year):
        if line is None or "season" not in line:
            found.old.append(number)
            continue
        if line.get("phase") not in ("weighed", "to-weigh"):
            continue
        try:
            facts = adapter(Facts).validate_python(line["season"])
            weighed = float(line.get("weighed_kg") or 0.0)
            month = local(at_s).strftime("%Y-%m")
            made = Made(month=month, own=parent is None, weighed_kg=weighed, facts=facts)
            _stood(found, number, name, at_s, line)
        except (ValidationError, TypeError, ValueError, AttributeError):
            continue
        found.made.append(made)
    return found


def _lines(session: Session, year: int) -> Iterator[Any]:
    columns = (BatchRow.id, BatchRow.name, BatchRow.created_at, BatchRow.parent_id, BatchRow.summary)
    of = (*within(year), BatchRow.finished)
    return iter(session.execute(select(*columns).where(*of).order_by(BatchRow.created_at, BatchRow.id)))


def _stood(found: Season, number: int, name: str, at_s: float, line: dict[str, Any]) -> None:
    for into, got, told in (
        (found.weights, line.get("weighed_kg"), line.get("told_kg")),
        (found.minutes, line.get("took_s"), line.get("told_s")),
        (found.pieces, line.get("counted"), line.get("told_pieces")),
    ):
        if got and told:
            into.append(Stood(number, name, at_s, float(got), Range(**told)))


def milk_strips(session: Session, year: int) -> list[tuple[int, int, str, float, float]]:
    """Of each weighed chhena of a year: milk, batch, name, when, and ln of what came ÷ what was told."""
    rows = session.execute(
        select(BatchRow.milk_id, BatchRow.id, BatchRow.name, BatchRow.created_at, BatchRow.ln_ratio)
        .where(BatchRow.milk_id.is_not(None), BatchRow.ln_ratio.is_not(None))
        .where(*within(year))
        .order_by(BatchRow.created_at, BatchRow.id)
    )
    return [
        (milk, number, name, at_s, ln) for milk, number, name, at_s, ln in rows if milk is not None and ln is not None
    ]
