"""The repository of days that were begun."""

from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.errors import Conflict, NotFound
from .aside import each, reading_of
from .larder import Larder
from .tables import DayRow

MOST_LISTED = 40


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptDay:
    """A day as it stands: what was asked, the plan that is followed, and the makings begun for it."""

    id: int
    version: int
    name: str
    created_at_s: float
    serve_at_s: float
    query: str
    asked: dict[str, Any]
    plan: dict[str, Any]
    batches: tuple[int, ...]


class Days:
    """Of one kitchen."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def newest(self) -> tuple[list[KeptDay], list[str]]:
        """The latest to be served first; and the names of those that are damaged."""
        rows = self.session.scalars(select(DayRow).order_by(DayRow.serve_at.desc(), DayRow.id.desc()))
        return each(rows.fetchmany(MOST_LISTED), _kept, lambda row: str(row.name))

    def day(self, day_id: int) -> KeptDay:
        """:raises NotFound: field "day". :raises Unreadable: when it is damaged."""
        row = self._row(day_id)
        with reading_of(str(row.name)):
            return _kept(row)

    def begun(self, key: str) -> KeptDay | None:
        """The day that was begun under this key."""
        row = self.session.scalars(select(DayRow).where(DayRow.key == key)).first()
        return None if row is None else _kept(row)

    def add(self, day: KeptDay, key: str | None) -> KeptDay:
        row = DayRow(
            kitchen_id=Larder(self.session).row().id,
            key=key,
            name=day.name,
            created_at=day.created_at_s,
            serve_at=day.serve_at_s,
            query=day.query,
            asked=day.asked,
            plan=day.plan,
            batches=list(day.batches),
            version=1,
        )
        self.session.add(row)
        self.session.flush()
        return _kept(row)

    def follow(self, day_id: int, version: int, plan: dict[str, Any], asked: dict[str, Any]) -> KeptDay:
        """Another plan from now on, of a day that may have changed with it (``asked``).

        :raises Conflict: field "version", when another screen was quicker.
        """
        row = self._row(day_id)
        if row.version != version:
            raise Conflict("version", "day-changed-elsewhere")
        row.plan, row.asked, row.version = plan, asked, version + 1
        self.session.flush()
        return _kept(row)

    def remove(self, day_id: int) -> None:
        """The day alone: its makings stay."""
        self.session.delete(self._row(day_id))
        self.session.flush()

    def _row(self, day_id: int) -> DayRow:
        row = self.session.get(DayRow, day_id)
        if row is None:
            raise NotFound("day", "no-day-number", day_id=day_id)
        return row


def _kept(row: DayRow) -> KeptDay:
    if not all(isinstance(number, int) for number in row.batches):
        raise TypeError("numbers of makings")
    return KeptDay(
        id=row.id,
        version=row.version,
        name=row.name,
        created_at_s=row.created_at,
        serve_at_s=row.serve_at,
        query=row.query,
        asked=dict(row.asked),
        plan=dict(row.plan),
        batches=tuple(row.batches),
    )
