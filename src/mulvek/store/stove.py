"""The Stove's repository: batches and their events. An event is on disk before it is acknowledged."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session, load_only

from ..core.batch.events import (
    KINDS,
    Abandoned,
    Carried,
    Event,
    Happening,
    Joined,
    Judged,
    Lit,
    PartTaken,
    PouredInto,
    Resumed,
    Undo,
    Weighed,
)
from ..core.batch.history import History
from ..core.batch.rules import check_event
from ..core.batch.running import BatchState, look, state_of
from ..core.errors import Conflict, NotFound
from ..core.planning.reduce.plan import Rate, ReducePlan
from .aside import each, lines, reading_of
from .curd import Curds
from .larder import Larder
from .layouts import layout_of, read, written
from .planned import Planned
from .recent import recent
from .tables import BatchRow, EventRow

ENDS = (Weighed, Abandoned, PouredInto)
OUTCOME = load_only(BatchRow.finished, BatchRow.verdict, BatchRow.lesson_ln, BatchRow.lesson_sd)


def kind_of(what: Happening) -> str:
    return next(kind for kind, cls in KINDS.items() if type(what) is cls)


@dataclass(frozen=True, slots=True)
class Batch:
    """A stored batch, as core classes. ``words`` is the request it was planned with, ``forecast`` what was
    told then."""

    id: int
    name: str
    created_at_s: float
    history: History
    words: dict[str, Any]
    forecast: dict[str, Any]
    pan_id: int | None
    burner_id: int | None

    @property
    def plan(self) -> ReducePlan:
        """As it was lit."""
        return self.history.plan

    @property
    def events(self) -> tuple[Event, ...]:
        return self.history.events

    def with_(self, event: Event) -> "Batch":
        return replace(self, history=self.history.plus(event))

    def state(self, now_s: float) -> BatchState:
        return look(self.history.at(now_s), now_s)


class Stove:
    """Batches on the fire and the writing of what happens to them."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.aside: list[str] = []

    def batch(self, batch_id: int) -> Batch:
        known = recent(self.session).get(batch_id, self.newest([batch_id]).get(batch_id))
        if known is not None:
            return known
        row = self.session.get(BatchRow, batch_id)
        if row is None:
            raise NotFound("batch", f"There is no batch number {batch_id}.", "Look in the Book for those there are.")
        with reading_of(row.name):
            found = _batch(row, self._events([row.id])[row.id])
        recent(self.session).offer(found)
        return found

    def running(self) -> list[Batch]:
        """Batches not yet weighed, oldest first; one that cannot be read is left out and named in ``aside``."""
        rows = self.session.scalars(select(BatchRow).where(~BatchRow.finished).order_by(BatchRow.created_at)).all()
        return self._readable(rows)

    def page(self, limit: int, offset: int = 0, words: str = "") -> tuple[list[int], int]:
        """Numbers of batches, newest first, and how many there are in all, of those with ``words`` in their name or
        notes."""
        return lines(self.session, BatchRow, EventRow, words, limit, offset)

    def newest(self, batches: Sequence[int]) -> dict[int, int]:
        """Number of the newest event of each of these: while it is the same, nothing happened to it."""
        newest = select(EventRow.batch_id, func.max(EventRow.number)).where(EventRow.batch_id.in_(batches))
        return {batch: event for batch, event in self.session.execute(newest.group_by(EventRow.batch_id))}

    def some(self, numbers: Sequence[int]) -> list[Batch]:
        """These batches, in this order; one that cannot be read is left out and named in ``aside``."""
        rows = {row.id: row for row in self.session.scalars(select(BatchRow).where(BatchRow.id.in_(numbers)))}
        return self._readable([rows[number] for number in numbers])

    def _readable(self, rows: Sequence[BatchRow]) -> list[Batch]:
        here = recent(self.session)
        newest = self.newest([row.id for row in rows])
        known = {number: batch for number, event in newest.items() if (batch := here.get(number, event)) is not None}
        events = self._events([row.id for row in rows if row.id not in known])
        found, self.aside = each(
            rows, lambda row: known.get(row.id) or _batch(row, events[row.id]), lambda row: row.name
        )
        return found

    def light(
        self,
        planned: Planned,
        pan_id: int,
        burner_id: int,
        now_s: float,
        key: str | None = None,
    ) -> int:
        """Begin a batch: its first event is that it was lit.

        :raises Conflict: when that burner has a batch on it.
        """
        if key is not None and (known := self._begun(key)) is not None:
            return known
        return self._begin(planned, pan_id, burner_id, Lit(), now_s, key)

    def on_burner(self, burner_id: int, now_s: float, but: int | None = None) -> str | None:
        """Name of the batch that is on a burner, if any; one that is paused has left it."""
        for other in self.running():
            if other.burner_id == burner_id and other.id != but:
                state = other.state(now_s)
                if state.phase in ("heating", "boiling") and state.paused_at_s is None:
                    return other.name
        return Curds(self.session).on_burner(burner_id, now_s)

    def _free(self, burner_id: int | None, now_s: float, but: int | None = None) -> None:
        """:raises Conflict: field "burner", when something is on it."""
        name = None if burner_id is None else self.on_burner(burner_id, now_s, but)
        if name is not None:
            raise Conflict("burner", f"{name} is still on it.", "Take it off, or use another burner.")

    def _begin(
        self,
        planned: Planned,
        pan_id: int,
        burner_id: int,
        first: Happening,
        now_s: float,
        key: str | None,
    ) -> int:
        self._free(burner_id, now_s)
        row = BatchRow(
            kitchen_id=Larder(self.session).row().id,
            created_at=now_s,
            flame=planned.plan.flame,
            pan_id=pan_id,
            burner_id=burner_id,
            finished=False,
            **planned.columns(),
        )
        self.session.add(row)
        self.session.flush()
        self._write(row.id, Event(1, now_s, first), now_s, key)
        return row.id

    def part(
        self,
        batch: Batch,
        share: float,
        planned: Planned,
        pan_id: int,
        burner_id: int,
        now_s: float,
        key: str | None = None,
    ) -> int:
        """Part of what boils goes on as a batch of its own, as ``planned``. Both are written, or neither."""
        if key is not None and (known := self._begun(key)) is not None:
            return known
        state = batch.state(now_s)
        taken = PartTaken(share, 0)
        check_event(batch.history, Event(batch.history.next_id, now_s, taken))
        assert state.boiled_at_s is not None
        carried = Carried(
            batch.id,
            state.boiled_at_s,
            state.water_kg * share,
            max(0.02 * state.water_kg * share, share * state.water_sd_kg),
            state.sugar_in_kg * share,
        )
        made = self._begin(planned, pan_id, burner_id, carried, now_s, key)
        self._append(batch, PartTaken(share, made), now_s, now_s, None)
        return made

    def pour(self, batch: Batch, into: Batch, now_s: float, key: str | None = None) -> None:
        """Pour one boiling batch into another. Both are written, or neither."""
        if key is not None and self._known(batch.id, key) is not None:
            return
        if batch.id == into.id:
            raise Conflict("into", "It is in there already.", "Choose another batch.")
        state = batch.state(now_s)
        if state.phase != "boiling":
            raise Conflict("kind", "Pour together what boils.", "Wait for the first boil.")
        plan = state.plan
        joined = Joined(
            batch.id,
            plan.milk,
            plan.milk_kg,
            plan.sugar_kind,
            state.sugar_in_kg,
            plan.additions,
            state.water_kg,
            state.water_sd_kg,
        )
        self._append(into, joined, now_s, now_s, None)
        self._append(batch, PouredInto(into.id), now_s, now_s, key)

    def _begun(self, key: str) -> int | None:
        again = select(EventRow.batch_id).where(EventRow.key == key, EventRow.number == 1)
        return self.session.scalars(again).first()

    def _known(self, batch_id: int, key: str) -> Event | None:
        again = select(EventRow).where(EventRow.batch_id == batch_id, EventRow.key == key)
        row = self.session.scalars(again).first()
        return _event(row) if row is not None else None

    def append(
        self,
        batch_id: int,
        what: Happening,
        at_s: float,
        now_s: float,
        key: str | None = None,
        said_s: float | None = None,
    ) -> Event:
        """Check a happening against the batch and write it.

        A repeated ``key`` returns the event it stands for and writes nothing.

        :raises NotFound, Conflict, BadInput, Unlikely: as the core's rules say.
        """
        batch = self.batch(batch_id)
        if key is not None and (known := self._known(batch_id, key)) is not None:
            return known
        return self.log(batch, what, at_s, now_s, key, said_s).events[-1]

    def log(
        self,
        batch: Batch,
        what: Happening,
        at_s: float,
        now_s: float,
        key: str | None = None,
        said_s: float | None = None,
    ) -> Batch:
        """The same for a batch already at hand: the batch with it, or as it was when ``key`` is known."""
        if key is not None and self._known(batch.id, key) is not None:
            return batch
        if isinstance(what, Resumed):
            self._free(batch.burner_id, now_s, batch.id)
        after = self._append(batch, what, at_s, now_s, key, said_s)
        if isinstance(what, Undo):
            self._undo_with_partner(batch, what, now_s)
        return after

    def add(self, batch: Batch, events: Sequence[Event], now_s: float) -> None:
        """Write happenings that were checked against ``batch`` as it was read, all of them or none.

        :raises Conflict: field "batch", when something else was written meanwhile.
        """
        if self.newest([batch.id]).get(batch.id) != batch.events[-1].id:
            raise Conflict("batch", f"Something was logged in {batch.name} meanwhile.", "Try it once more.")
        for event in events:
            self._write(batch.id, event, now_s, None)
            batch = batch.with_(event)
        self._keep_lesson(batch, now_s)

    def _append(
        self, batch: Batch, what: Happening, at_s: float, now_s: float, key: str | None, said_s: float | None = None
    ) -> Batch:
        event = Event(batch.history.next_id, at_s, what, said_s)
        check_event(batch.history, event)
        self._write(batch.id, event, now_s, key)
        after = batch.with_(event)
        self._keep_lesson(after, now_s)
        recent(self.session).offer(after)
        return after

    def _undo_with_partner(self, batch: Batch, undo: Undo, now_s: float) -> None:
        """What two batches share is taken back in both: the part that was taken, the pan that was poured."""
        target = next(e for e in batch.events if e.id == undo.event_id).what
        match target:
            case PartTaken(to_batch=other_id):
                other = self.batch(other_id)
                if other.state(now_s).phase not in ("weighed", "abandoned", "poured into another"):
                    self._append(other, Abandoned(), now_s, now_s, None)
            case Joined(from_batch=other_id) | PouredInto(to_batch=other_id):
                other = self.batch(other_id)
                theirs = next((e for e in reversed(other.history.counted) if _is_partner(e.what, batch.id)), None)
                if theirs is not None:
                    self._append(other, Undo(theirs.id), now_s, now_s, None)
            case Undo():
                ended = next(e for e in batch.events if e.id == target.event_id).what
                if isinstance(ended, PartTaken | Joined | PouredInto):
                    raise Conflict("event_id", "That was between two batches.", "Part or pour it again.")
            case _:
                pass

    def _write(self, batch_id: int, event: Event, now_s: float, key: str | None) -> None:
        kind = kind_of(event.what)
        self.session.add(
            EventRow(
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

    def _keep_lesson(self, batch: Batch, now_s: float) -> None:
        """Whether it is finished and what it taught, worked out again after every event, undo included."""
        history = batch.history
        if not history.has(*ENDS, Judged) and not isinstance(batch.events[-1].what, Undo):
            return  # as it was
        row = self.session.get_one(BatchRow, batch.id, options=[OUTCOME])
        row.verdict = next((e.what.how for e in reversed(history.counted) if isinstance(e.what, Judged)), None)
        if not history.has(*ENDS):
            row.finished, row.lesson_ln, row.lesson_sd = False, None, None
            return
        # judged from the first guess, not from what earlier batches taught: each lesson stands on its own
        state = state_of(replace(batch.plan, rate=Rate()), batch.events, now_s)
        row.finished = state.phase in ("weighed", "abandoned", "poured into another")
        lesson = state.lesson if state.phase == "weighed" else None
        row.lesson_ln = lesson.ln_ratio if lesson else None
        row.lesson_sd = lesson.ln_sd if lesson else None

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


def _event(row: EventRow) -> Event:
    return Event(row.number, row.at_s, read(KINDS[row.kind], row.data, row.layout), row.said_s)


def _batch(row: BatchRow, events: Sequence[EventRow]) -> Batch:
    return Batch(
        row.id,
        row.name,
        row.created_at,
        History(read(ReducePlan, row.plan, row.layout), [_event(event) for event in events]),
        row.words,
        row.forecast,
        row.pan_id,
        row.burner_id,
    )
