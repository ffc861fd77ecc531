"""The repository of sweets on the Stove, and of weighed bases. An event is on disk before it is acknowledged."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from ..core.batch.log import Begun
from ..core.batch.sweet_run import (
    SWEET_KINDS,
    SweetEvent,
    SweetHappening,
    SweetRun,
    SweetState,
    check_sweet_event,
    sweet_state,
)
from ..core.errors import Conflict, KitchenError, NotFound
from ..core.planning.curdle.plan import CurdlePlan
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.weighed import curdled, hung, reduced
from .aside import each, lines, reading_of
from .curd import Curds
from .larder import Larder
from .layouts import layout_of, read, written
from .stove import Stove
from .tables import BatchRow, CurdBatchRow, SweetBatchRow, SweetEventRow

MOST_BASES = 12


@dataclass(frozen=True, slots=True)
class SweetBatch:
    """A sweet as it is kept: its run and words of when it began, and what happened since."""

    id: int
    name: str
    created_at_s: float
    run: SweetRun
    words: dict[str, Any]
    told: dict[str, Any]
    events: tuple[SweetEvent, ...]

    def state(self, now_s: float) -> SweetState:
        return sweet_state(self.run, self.events, now_s)


class Sweets:
    """Sweets on the Stove and the writing of what happens to them."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.aside: list[str] = []

    def batch(self, batch_id: int) -> SweetBatch:
        row = self.session.get(SweetBatchRow, batch_id)
        if row is None:
            raise NotFound("batch", f"There is no sweet batch number {batch_id}.", "Look in the Book.")
        with reading_of(row.name):
            return self._read(row)

    def _read(self, row: SweetBatchRow) -> SweetBatch:
        events = self.session.scalars(
            select(SweetEventRow).where(SweetEventRow.batch_id == row.id).order_by(SweetEventRow.number)
        )
        return SweetBatch(
            row.id,
            row.name,
            row.created_at,
            read(SweetRun, row.plan, row.layout),
            row.words,
            row.told,
            tuple(
                SweetEvent(e.number, e.at_s, read(SWEET_KINDS[e.kind], e.data, e.layout), e.said_s) for e in events
            ),
        )

    def running(self) -> list[SweetBatch]:
        """Those not yet done, oldest first; one that cannot be read is left out and named in ``aside``."""
        return self._readable(
            self.session.scalars(
                select(SweetBatchRow).where(~SweetBatchRow.finished).order_by(SweetBatchRow.created_at)
            ).all()
        )

    def page(self, limit: int, offset: int = 0, words: str = "") -> tuple[list[SweetBatch], int]:
        """Newest first, and how many there are in all, of those with ``words`` in their name or notes."""
        numbers, total = lines(self.session, SweetBatchRow, SweetEventRow, words, limit, offset)
        return self._readable([self.session.get_one(SweetBatchRow, number) for number in numbers]), total

    def _readable(self, rows: Sequence[SweetBatchRow]) -> list[SweetBatch]:
        found, self.aside = each(rows, self._read, lambda row: row.name)
        return found

    def begin(
        self, name: str, run: SweetRun, words: dict[str, Any], told: dict[str, Any], now_s: float, key: str | None
    ) -> int:
        """Begin a batch; the same key begins it once."""
        if key is not None:
            again = select(SweetEventRow.batch_id).where(SweetEventRow.key == key, SweetEventRow.number == 1)
            if (known := self.session.scalars(again).first()) is not None:
                return known
        row = SweetBatchRow(
            kitchen_id=Larder(self.session).row().id,
            name=name,
            created_at=now_s,
            plan=written(run),
            layout=layout_of(SweetRun),
            words=words,
            told=told,
            finished=False,
        )
        self.session.add(row)
        self.session.flush()
        self._write(row.id, SweetEvent(1, now_s, Begun()), now_s, key)
        return row.id

    def append(
        self,
        batch_id: int,
        what: SweetHappening,
        at_s: float,
        now_s: float,
        key: str | None = None,
        said_s: float | None = None,
    ) -> None:
        """Check a happening against the batch and write it; a repeated key writes nothing.

        :raises NotFound, Conflict, BadInput: as the core's rules say.
        """
        batch = self.batch(batch_id)
        known = select(SweetEventRow.id).where(SweetEventRow.batch_id == batch_id, SweetEventRow.key == key)
        if key is not None and self.session.scalars(known).first() is not None:
            return
        last = self.session.scalar(select(func.max(SweetEventRow.number)).where(SweetEventRow.batch_id == batch_id))
        event = SweetEvent((last or 0) + 1, at_s, what, said_s)
        check_sweet_event(batch.run, batch.events, event)
        self._write(batch_id, event, now_s, key)
        state = replace(batch, events=(*batch.events, event)).state(now_s)
        row = self.session.get(SweetBatchRow, batch_id)
        assert row is not None
        row.finished = state.given_up or (state.done and (state.weighed_kg is not None or state.counted is not None))

    def _write(self, batch_id: int, event: SweetEvent, now_s: float, key: str | None) -> None:
        kind = next(name for name, cls in SWEET_KINDS.items() if type(event.what) is cls)
        self.session.add(
            SweetEventRow(
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
        try:
            self.session.flush()
        except IntegrityError as error:  # the key belongs to another happening
            raise Conflict("key", "That key is used by another happening.", "Send a fresh one.") from error


def weighed_bases(session: Session) -> Mapping[str, ReadyBase]:
    """The newest weighed batches of the Stove by their reference ("pan-12", "curd-3"), as bases of a sweet."""
    found: dict[str, ReadyBase] = {}
    pans = session.scalars(
        select(BatchRow.id).where(BatchRow.finished).order_by(BatchRow.created_at.desc()).limit(MOST_BASES)
    )
    for number in pans.all():
        base = _pan(session, number)
        if base is not None:
            found[f"pan-{number}"] = base
    curds = session.scalars(
        select(CurdBatchRow.id)
        .where(CurdBatchRow.finished)
        .order_by(CurdBatchRow.created_at.desc())
        .limit(MOST_BASES)
    )
    for number in curds.all():
        base = _curd(session, number)
        if base is not None:
            found[f"curd-{number}"] = base
    return found


def weighed_base(bases: Mapping[str, ReadyBase], ref: str) -> ReadyBase:
    """:raises NotFound: field "bases"."""
    if ref not in bases:
        raise NotFound("bases", f"There is no weighed batch {ref} among the newest.", "Choose one of the list.")
    return bases[ref]


def _pan(session: Session, number: int) -> ReadyBase | None:
    try:
        batch = Stove(session).batch(number)
        state = batch.state(max((e.at_s for e in batch.events), default=batch.created_at_s))
        return reduced(state.plan, state.sugar_in_kg, state.weighed_kg, batch.name) if state.weighed_kg else None
    except KitchenError:  # damaged, or of what no sweet can be built from
        return None


def _curd(session: Session, number: int) -> ReadyBase | None:
    try:
        batch = Curds(session).batch(number)
        state = batch.state(max((e.at_s for e in batch.events), default=batch.created_at_s))
    except KitchenError:
        return None
    if state.weighed_kg is None or state.given_up:
        return None
    if isinstance(batch.plan, CurdlePlan) and state.curdle:
        return curdled(batch.plan, state.curdle, state.weighed_kg, batch.name)
    return hung(state.strain, state.weighed_kg, batch.name) if state.strain else None
