"""The repository of curdlings and strainings. An event is on disk before it is acknowledged."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from ..core.batch.curd_run import (
    CURD_KINDS,
    CurdEvent,
    CurdHappening,
    CurdPlan,
    CurdState,
    check_curd_event,
    curd_state,
)
from ..core.batch.log import Begun
from ..core.errors import NotFound
from ..core.planning.curdle.plan import CurdlePlan
from ..core.planning.strain.forecast import StrainPlan
from .aside import each, lines, reading_of
from .larder import Larder
from .layouts import layout_of, read, written
from .tables import CurdBatchRow, CurdEventRow

Route = Literal["curdle", "strain"]
_PLANS: dict[str, type[Any]] = {"curdle": CurdlePlan, "strain": StrainPlan}


@dataclass(frozen=True, slots=True)
class CurdBatch:
    """A batch as it is kept: plan and words of when it began, and what happened since."""

    id: int
    name: str
    created_at_s: float
    route: Route
    plan: CurdPlan
    words: dict[str, Any]
    milk_id: int | None
    events: tuple[CurdEvent, ...]

    def state(self, now_s: float) -> CurdState:
        return curd_state(self.plan, self.events, now_s)


class Curds:
    """Curd batches and the writing of what happens to them."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.aside: list[str] = []

    def batch(self, batch_id: int) -> CurdBatch:
        row = self.session.get(CurdBatchRow, batch_id)
        if row is None:
            raise NotFound("batch", f"There is no curd batch number {batch_id}.", "Look in the Book.")
        with reading_of(row.name):
            return self._read(row)

    def _read(self, row: CurdBatchRow) -> CurdBatch:
        events = self.session.scalars(
            select(CurdEventRow).where(CurdEventRow.batch_id == row.id).order_by(CurdEventRow.number)
        )
        return CurdBatch(
            row.id,
            row.name,
            row.created_at,
            "curdle" if row.route == "curdle" else "strain",
            read(_PLANS[row.route], row.plan, row.layout),
            row.words,
            row.milk_id,
            tuple(CurdEvent(e.number, e.at_s, read(CURD_KINDS[e.kind], e.data, e.layout), e.said_s) for e in events),
        )

    def running(self) -> list[CurdBatch]:
        """Batches not yet weighed, oldest first; one that cannot be read is left out and named in ``aside``."""
        return self._readable(
            self.session.scalars(
                select(CurdBatchRow).where(~CurdBatchRow.finished).order_by(CurdBatchRow.created_at)
            ).all()
        )

    def page(self, limit: int, offset: int = 0, words: str = "") -> tuple[list[CurdBatch], int]:
        """Newest first, and how many there are in all, of those with ``words`` in their name or notes."""
        numbers, total = lines(self.session, CurdBatchRow, CurdEventRow, words, limit, offset)
        return self._readable([self.session.get_one(CurdBatchRow, number) for number in numbers]), total

    def _readable(self, rows: Sequence[CurdBatchRow]) -> list[CurdBatch]:
        found, self.aside = each(rows, self._read, lambda row: row.name)
        return found

    def on_burner(self, burner_id: int, now_s: float) -> str | None:
        """Name of the batch that comes to the boil on a burner, if any."""
        for batch in self.running():
            if batch.words.get("burner") == burner_id and batch.state(now_s).step == 0:
                return batch.name
        return None

    def known(self, key: str) -> int | None:
        """The batch that was begun under this key."""
        again = select(CurdEventRow.batch_id).where(CurdEventRow.key == key, CurdEventRow.number == 1)
        return self.session.scalars(again).first()

    def begin(
        self,
        name: str,
        route: Route,
        plan: CurdPlan,
        words: dict[str, Any],
        milk_id: int | None,
        now_s: float,
        key: str | None = None,
    ) -> int:
        """Begin a batch; the same key begins it once."""
        if key is not None and (known := self.known(key)) is not None:
            return known
        row = CurdBatchRow(
            kitchen_id=Larder(self.session).row().id,
            name=name,
            created_at=now_s,
            route=route,
            plan=written(plan, _PLANS[route]),
            layout=layout_of(_PLANS[route]),
            words=words,
            milk_id=milk_id,
            finished=False,
        )
        self.session.add(row)
        self.session.flush()
        self._write(row.id, CurdEvent(1, now_s, Begun()), now_s, key)
        return row.id

    def append(
        self,
        batch_id: int,
        what: CurdHappening,
        at_s: float,
        now_s: float,
        key: str | None = None,
        said_s: float | None = None,
    ) -> None:
        """Check a happening against the batch and write it; a repeated key writes nothing.

        :raises NotFound, Conflict, BadInput: as the core's rules say.
        """
        batch = self.batch(batch_id)
        known = select(CurdEventRow.id).where(CurdEventRow.batch_id == batch_id, CurdEventRow.key == key)
        if key is not None and self.session.scalars(known).first() is not None:
            return
        last = self.session.scalar(select(func.max(CurdEventRow.number)).where(CurdEventRow.batch_id == batch_id))
        event = CurdEvent((last or 0) + 1, at_s, what, said_s)
        check_curd_event(batch.plan, batch.events, event)
        self._write(batch_id, event, now_s, key)
        state = replace(batch, events=(*batch.events, event)).state(now_s)
        row = self.session.get(CurdBatchRow, batch_id)
        assert row is not None
        row.finished = state.weighed_kg is not None or state.given_up
        row.ln_ratio = state.ln_ratio if batch.route == "curdle" else None

    def _write(self, batch_id: int, event: CurdEvent, now_s: float, key: str | None) -> None:
        kind = next(name for name, cls in CURD_KINDS.items() if type(event.what) is cls)
        self.session.add(
            CurdEventRow(
                batch_id=batch_id,
                number=event.id,
                at_s=event.at_s,
                recorded_at_s=now_s,
                said_s=event.said_s,
                kind=kind,
                data=written(event.what),
                layout=layout_of(type(event.what)),
                key=key,
            )
        )
        self.session.flush()
