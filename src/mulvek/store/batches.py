"""The repository of batches of every kind and of their happenings. An event is on disk before it is acknowledged."""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from sqlalchemy import func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from ..core.batch.events import (
    Abandoned,
    Event,
    Happening,
    Joined,
    PanSwapped,
    PartTaken,
    PouredInto,
    Resumed,
    StepBegun,
    Undo,
)
from ..core.batch.history import History
from ..core.batch.kinds import Kind, KindName, kind
from ..core.batch.log import Log
from ..core.errors import Conflict, NotFound
from .aside import each, reading_of
from .happened import columns, event_of
from .larder import Larder
from .layouts import read
from .outcomes import keep_outcome
from .planned import Planned
from .recent import recent
from .tables import BatchRow, EventRow

Hob = Literal["burner", "pan"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Batch:
    """A stored batch, as core classes. ``words`` is the request it was planned with, ``forecast`` what was
    told then."""

    id: int
    kind: Kind
    name: str
    created_at_s: float
    log: Log
    words: dict[str, Any]
    forecast: dict[str, Any]
    parent_id: int | None
    slot: str | None
    pan_id: int | None
    burner_id: int | None

    @property
    def plan(self) -> Any:
        """As it was begun."""
        return self.log.plan

    @property
    def history(self) -> History:
        """A reduction's log, which can be asked for the pan at any time."""
        assert isinstance(self.log, History), f"{self.name} is no reduction"
        return self.log

    @property
    def events(self) -> Sequence[Event]:
        return self.log.events

    def with_(self, event: Event) -> "Batch":
        return replace(self, log=self.log.plus(event))

    def state(self, now_s: float) -> Any:
        return self.kind.state(self.log, now_s)

    def stands_at(self, at: Hob, number: int, now_s: float) -> bool:
        """Whether it is on that burner now, or cooks in that pan."""
        if self.kind.name == "sweet":
            state = self.state(now_s)
            return state.on_fire and number in (state.burners if at == "burner" else state.pans).values()
        return number == (self.burner_id if at == "burner" else self.in_pan) and bool(self.state(now_s).on_fire)

    @property
    def in_pan(self) -> int | None:
        """The pan of the Larder that it is in: as begun, or the one that it was poured into since."""
        poured = [e.what.pan_id for e in self.log.counted if isinstance(e.what, PanSwapped)]
        return poured[-1] if poured else self.pan_id


class Batches:
    """Batches and the writing of what happens to them."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.aside: list[str] = []

    # -- reading --------------------------------------------------------------------------------------

    def batch(self, batch_id: int) -> Batch:
        known = self._kept(batch_id, self.newest([batch_id]).get(batch_id))
        if known is not None:
            return known
        row = self.session.get(BatchRow, batch_id)
        if row is None:
            raise NotFound("batch", "no-batch-number", batch_id=batch_id)
        with reading_of(row.name):
            found = _batch(row, self._events([row.id])[row.id])
        recent(self.session).offer(found)
        return found

    def number_of(self, ref: str) -> int:
        """A batch by its number, or by what it was called while its kind had a table of its own ("curd-3").

        :raises NotFound: field "batch".
        """
        pan = re.fullmatch(r"(?:pan-)?(\d+)", ref)  # these kept their numbers
        of = BatchRow.id == int(pan[1]) if pan else BatchRow.former == ref
        found = self.session.scalar(select(BatchRow.id).where(of))
        if found is None:
            raise NotFound("batch", "no-batch-called", ref=ref)
        return found

    def running(self, *kinds: KindName) -> list[Batch]:
        """Batches that are not finished, oldest first; one that cannot be read is left out and named in ``aside``."""
        of = select(BatchRow.id, BatchRow.name).where(~BatchRow.finished)
        if kinds:
            of = of.where(BatchRow.kind.in_(kinds))
        return self._readable(
            [(number, name) for number, name in self.session.execute(of.order_by(BatchRow.created_at, BatchRow.id))]
        )

    def newest(self, batches: Sequence[int]) -> dict[int, int]:
        """Number of the newest event of each of these: while it is the same, nothing happened to it."""
        if not batches:
            return {}
        newest = select(EventRow.batch_id, func.max(EventRow.number)).where(EventRow.batch_id.in_(batches))
        return {batch: event for batch, event in self.session.execute(newest.group_by(EventRow.batch_id))}

    def some(self, numbers: Sequence[int]) -> list[Batch]:
        """These batches, in this order; one that cannot be read is left out and named in ``aside``."""
        of = select(BatchRow.id, BatchRow.name).where(BatchRow.id.in_(numbers))
        names = {number: name for number, name in self.session.execute(of)}
        return self._readable([(number, names[number]) for number in numbers])

    def _readable(self, named: Sequence[tuple[int, str]]) -> list[Batch]:
        """Those that are kept as they are, the others from the file."""
        newest = self.newest([number for number, _ in named])
        found = {
            number: batch for number, event in newest.items() if (batch := self._kept(number, event)) is not None
        }
        rows, events = self._rows([number for number, _ in named if number not in found])

        def read(number: int) -> Batch:
            if number not in found:
                found[number] = _batch(rows[number], events[number])
                recent(self.session).offer(found[number])
            return found[number]

        batches, self.aside = each(named, lambda one: read(one[0]), lambda one: one[1])
        return batches

    def _rows(self, numbers: Sequence[int]) -> tuple[dict[int, BatchRow], dict[int, list[EventRow]]]:
        """Batches as they stand in the file, with all that happened to each."""
        if not numbers:
            return {}, {}
        rows = self.session.scalars(select(BatchRow).where(BatchRow.id.in_(numbers)))
        return {row.id: row for row in rows}, self._events(numbers)

    def _kept(self, batch_id: int, newest: int | None) -> Batch | None:
        """A batch as it is kept, with what happened since; none that is not kept or whose new events cannot be read."""
        known = None if newest is None else recent(self.session).get(batch_id)
        if known is None or newest is None or known.log.next_id > newest:
            return known
        later = select(EventRow).where(EventRow.batch_id == batch_id, EventRow.number >= known.log.next_id)
        rows = self.session.scalars(later.order_by(EventRow.number)).all()
        found, _ = each(rows, event_of, lambda row: str(row.number))
        if len(found) < len(rows):
            return None
        for event in found:
            known = known.with_(event)
        recent(self.session).offer(known)
        return known

    def made_for(self, batch_id: int) -> list[int]:
        """Numbers of the batches that were begun for this one."""
        return list(self.session.scalars(select(BatchRow.id).where(BatchRow.parent_id == batch_id)))

    def any(self) -> bool:
        """Whether anything was ever begun."""
        return self.session.scalar(select(BatchRow.id).limit(1)) is not None

    def standing_at(self, at: Hob, number: int, now_s: float, but: int | None = None) -> str | None:
        """Name of the batch that is on a burner now, or cooks in a pan, if any."""
        for other in self.running():
            if other.id != but and other.stands_at(at, number, now_s):
                return other.name
        return None

    # -- writing --------------------------------------------------------------------------------------

    def begin(
        self,
        planned: Planned,
        now_s: float,
        key: str | None = None,
        *,
        first: Happening | None = None,
    ) -> int:
        """Begin a batch; a repeated ``key`` gives the one it stands for.

        The Bench proposes a pan that is free; one that the cook names is hers: she may have two alike.

        :raises Conflict: field "burner", when something is on it.
        """
        if key is not None and (known := self.begun(key)) is not None:
            return known
        if planned.burner_id is not None:
            self._free("burner", planned.burner_id, now_s)
        row = BatchRow(
            found_by=planned.name.lower(),
            kitchen_id=Larder(self.session).row().id,
            created_at=now_s,
            finished=False,
            **planned.columns(),
        )
        self.session.add(row)
        self.session.flush()
        self._write(row.id, Event(1, now_s, first or kind(planned.kind).begins), now_s, key)
        return row.id

    def begun(self, key: str) -> int | None:
        """The batch that was begun under this key."""
        again = select(EventRow.batch_id).where(EventRow.key == key, EventRow.number == 1)
        return self.session.scalars(again).first()

    def append(self, batch_id: int, what: Happening, at_s: float, now_s: float, key: str | None = None) -> Batch:
        """``log`` for a batch by its number."""
        return self.log(self.batch(batch_id), what, at_s, now_s, key)

    def log(
        self,
        batch: Batch,
        what: Happening,
        at_s: float,
        now_s: float,
        key: str | None = None,
        said_s: float | None = None,
    ) -> Batch:
        """Check a happening against the batch and write it: the batch with it, or as it was when ``key`` is known.

        :raises Conflict, BadInput, Unlikely: as the core's rules say.
        """
        if key is not None and self.has(batch.id, key):
            return batch
        if isinstance(what, StepBegun):
            self._known(what)
        for at, number in _takes(batch, what, now_s):
            self._free(at, number, now_s, batch.id)
        after = self._append(batch, Event(batch.log.next_id, at_s, what, said_s), now_s, key)
        if isinstance(what, Undo):
            self._undo_with_partner(batch, what, now_s)
        return after

    def _append(self, batch: Batch, event: Event, now_s: float, key: str | None = None) -> Batch:
        batch.kind.check(batch.log, event)
        self._write(batch.id, event, now_s, key)
        after = batch.with_(event)
        keep_outcome(self.session, after, now_s)
        recent(self.session).offer(after)
        return after

    def _undo_with_partner(self, batch: Batch, undo: Undo, now_s: float) -> None:
        """What two batches share is taken back in both: the part that was taken, the pan that was poured."""
        target = next(e for e in batch.events if e.id == undo.event_id).what
        match target:
            case PartTaken(to_batch=other_id):
                other = self.batch(other_id)
                if not other.state(now_s).finished:
                    self._append(other, Event(other.log.next_id, now_s, Abandoned()), now_s)
            case Joined(from_batch=other_id) | PouredInto(to_batch=other_id):
                other = self.batch(other_id)
                theirs = next((e for e in reversed(other.log.counted) if _is_partner(e.what, batch.id)), None)
                if theirs is not None:
                    self._append(other, Event(other.log.next_id, now_s, Undo(theirs.id)), now_s)
            case Undo():
                ended = next(e for e in batch.events if e.id == target.event_id).what
                if isinstance(ended, PartTaken | Joined | PouredInto):
                    raise Conflict("event_id", "undo-between-batches")
            case _:
                pass

    def add(self, batch: Batch, events: Iterable[Event], now_s: float) -> None:
        """Write happenings that were checked against ``batch`` as it was read, all of them or none.

        :raises Conflict: field "batch", when something else was written meanwhile.
        """
        if self.newest([batch.id]).get(batch.id) != batch.events[-1].id:
            raise Conflict("batch", "batch-changed-meanwhile", batch=batch.name)
        for event in events:
            self._write(batch.id, event, now_s, None)
            batch = batch.with_(event)
        keep_outcome(self.session, batch, now_s)

    def _known(self, what: StepBegun) -> None:
        """:raises NotFound: field "burner" or "pan"."""
        larder = Larder(self.session)
        if what.burner is not None and all(kept.id != what.burner for kept in larder.burners()):
            raise NotFound("burner", "no-burner-number", burner=what.burner)
        if what.pan is not None and all(kept.id != what.pan for kept in larder.pans()):
            raise NotFound("pan", "no-pan-number", pan=what.pan)

    def _free(self, at: Hob, number: int, now_s: float, but: int | None = None) -> None:
        """:raises Conflict: field "burner" or "pan", when something is on it, or cooks in it."""
        name = self.standing_at(at, number, now_s, but)
        if name is not None:
            raise Conflict(at, "taken-by-batch", name=name, at=at)

    def has(self, batch_id: int, key: str) -> bool:
        """Whether a happening of this batch was sent under this key."""
        again = select(EventRow.id).where(EventRow.batch_id == batch_id, EventRow.key == key)
        return self.session.scalars(again).first() is not None

    def _write(self, batch_id: int, event: Event, now_s: float, key: str | None) -> None:
        self.session.add(EventRow(batch_id=batch_id, **columns(event, now_s, key)))
        try:
            self.session.flush()
        except IntegrityError as error:  # the key belongs to another happening
            raise Conflict("key", "event-key-used") from error

    def _events(self, batch_ids: Sequence[int]) -> dict[int, list[EventRow]]:
        rows = self.session.scalars(
            select(EventRow).where(EventRow.batch_id.in_(batch_ids)).order_by(EventRow.number)
        )
        found: dict[int, list[EventRow]] = {batch_id: [] for batch_id in batch_ids}
        for row in rows:
            if row.batch_id in found:  # else a damaged index led to it
                found[row.batch_id].append(row)
        return found


def _is_partner(what: Happening, batch_id: int) -> bool:
    match what:
        case Joined(from_batch=other) | PouredInto(to_batch=other):
            return other == batch_id
    return False


def _takes(batch: Batch, what: Happening, now_s: float) -> list[tuple[Hob, int]]:
    """Burners and pans at which it stands from now on. What comes back to the fire is in its pan already."""
    if isinstance(what, StepBegun):
        at: tuple[tuple[Hob, int | None], ...] = (("burner", what.burner), ("pan", what.pan))
        return [(hob, number) for hob, number in at if number is not None]
    if not isinstance(what, Resumed):
        return []
    if batch.kind.name == "sweet":
        return [("burner", number) for number in batch.state(now_s).burners.values()]
    return [] if batch.burner_id is None else [("burner", batch.burner_id)]


def _batch(row: BatchRow, events: Sequence[EventRow]) -> Batch:
    of = kind(row.kind)
    return Batch(
        id=row.id,
        kind=of,
        name=row.name,
        created_at_s=row.created_at,
        log=of.log(read(of.plan, row.plan, row.layout), [event_of(event) for event in events]),
        words=row.words,
        forecast=row.forecast,
        parent_id=row.parent_id,
        slot=row.slot,
        pan_id=row.pan_id,
        burner_id=row.burner_id,
    )
