"""What stands there beside what batches were made for, read from their lines alone, newest first."""

from dataclasses import dataclass

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.batch.leftovers import LEFTOVERS, Beside, Leftover
from .aside import as_table
from .tables import BatchRow

LOOKED_AT = 60


@dataclass(frozen=True, slots=True)
class Left:
    """Of which batch, what, how much, and what of syrup was told that it still makes."""

    batch: int
    name: str
    of: Leftover
    there: Beside
    makes: list[str]
    days: int = 0
    """In the fridge, as it was told when the sweet began; 0 when nothing was."""


def leftovers(session: Session) -> list[Left]:
    rows = session.execute(
        select(BatchRow.id, BatchRow.name, BatchRow.summary)
        .where(BatchRow.finished, BatchRow.kind.in_(("curdle", "strain", "sweet")))
        .order_by(BatchRow.created_at.desc(), BatchRow.id.desc())
        .limit(LOOKED_AT)
    )
    found = []
    for number, name, summary in rows.all():
        beside = as_table(as_table(summary).get("beside"))
        for of in LEFTOVERS:
            there = as_table(beside.get(of))
            # a damaged line is left out; the Book names it
            if set(there) == {"kg", "at_s", "total_solids"} and all(
                isinstance(v, int | float) for v in there.values()
            ):
                makes = _makes(session, number) if of == "syrup" else []
                days = _days(session, number, of) if of == "sauce" else 0
                found.append(Left(number, name, of, Beside(**there), makes, days))
    return found


def _makes(session: Session, number: int) -> list[str]:
    """What was told of a sweet's syrup when it began."""
    told = session.scalar(select(BatchRow.forecast).where(BatchRow.id == number))
    makes = as_table(as_table(told).get("syrup")).get("makes")
    return [said for said in makes if isinstance(said, str)] if isinstance(makes, list) else []


def _days(session: Session, number: int, of: Leftover) -> int:
    told = session.scalar(select(BatchRow.forecast).where(BatchRow.id == number))
    days = as_table(as_table(as_table(told).get("leaves")).get(of)).get("fridge_days")
    return days if isinstance(days, int) else 0
