"""The Stove's repository: batches and their events. An event is on disk before it is acknowledged."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from ..core.bases.plan import Rate, ReducePlan
from ..core.errors import Conflict, NotFound
from ..core.stove.events import (
    Event,
    FirstBoil,
    FlameChanged,
    Happening,
    Lit,
    Note,
    Off,
    Reading,
    Stirred,
    SugarIn,
    Undo,
    Weighed,
)
from ..core.stove.rules import check_event
from ..core.stove.running import BatchState, state_of
from .larder import Larder
from .tables import BatchRow, EventRow

KINDS: dict[str, type[Happening]] = {
    "lit": Lit,
    "first_boil": FirstBoil,
    "reading": Reading,
    "stirred": Stirred,
    "sugar_in": SugarIn,
    "flame_changed": FlameChanged,
    "off": Off,
    "weighed": Weighed,
    "note": Note,
    "undo": Undo,
}
_PLAN = TypeAdapter(ReducePlan)
_ADAPTERS = {kind: TypeAdapter(cls) for kind, cls in KINDS.items()}


def kind_of(what: Happening) -> str:
    return next(kind for kind, cls in KINDS.items() if type(what) is cls)


@dataclass(frozen=True, slots=True)
class Batch:
    """A stored batch, as core classes. ``words`` is the request it was planned with, ``forecast`` what was
    told then."""

    id: int
    name: str
    created_at_s: float
    plan: ReducePlan
    words: dict[str, Any]
    forecast: dict[str, Any]
    pan_id: int | None
    burner_id: int | None
    events: tuple[Event, ...]

    def state(self, now_s: float) -> BatchState:
        return state_of(self.plan, self.events, now_s)


class Stove:
    """Batches on the fire and the writing of what happens to them."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def batch(self, batch_id: int) -> Batch:
        row = self.session.get(BatchRow, batch_id)
        if row is None:
            raise NotFound("batch", f"There is no batch number {batch_id}.", "Look in the Book for those there are.")
        return _batch(row, self._events([row.id])[row.id])

    def running(self) -> list[Batch]:
        """Batches not yet weighed, oldest first."""
        rows = list(self.session.scalars(select(BatchRow).where(~BatchRow.finished).order_by(BatchRow.created_at)))
        events = self._events([row.id for row in rows])
        return [_batch(row, events[row.id]) for row in rows]

    def light(
        self,
        name: str,
        plan: ReducePlan,
        words: dict[str, Any],
        forecast: dict[str, Any],
        pan_id: int,
        burner_id: int,
        now_s: float,
        key: str | None = None,
    ) -> int:
        """Begin a batch: its first event is that it was lit.

        :raises Conflict: when that burner has a batch on it.
        """
        if key is not None:
            again = select(EventRow.batch_id).where(EventRow.key == key, EventRow.number == 1)
            if (known := self.session.scalars(again).first()) is not None:
                return known
        for other in self.running():
            if other.burner_id == burner_id and other.state(now_s).phase in ("heating", "boiling"):
                raise Conflict(
                    "burner",
                    f"{other.name} is still on the {plan.burner.name}.",
                    "Take it off, or use another burner.",
                )
        row = BatchRow(
            kitchen_id=Larder(self.session).row().id,
            name=name,
            created_at=now_s,
            plan=_PLAN.dump_python(plan, mode="json"),
            words=words,
            forecast=forecast,
            flame=plan.flame,
            pan_id=pan_id,
            burner_id=burner_id,
            finished=False,
        )
        self.session.add(row)
        self.session.flush()
        self._write(row.id, Event(1, now_s, Lit()), now_s, key)
        return row.id

    def append(self, batch_id: int, what: Happening, at_s: float, now_s: float, key: str | None = None) -> Event:
        """Check a happening against the batch and write it.

        A repeated ``key`` returns the event it stands for and writes nothing.

        :raises NotFound, Conflict, BadInput, Unlikely: as the core's rules say.
        """
        batch = self.batch(batch_id)
        if key is not None:
            known = self.session.scalars(
                select(EventRow).where(EventRow.batch_id == batch_id, EventRow.key == key)
            ).first()
            if known is not None:
                return _event(known)
        last = self.session.scalar(select(func.max(EventRow.number)).where(EventRow.batch_id == batch_id))
        event = Event((last or 0) + 1, at_s, what)
        check_event(batch.plan, batch.events, event)
        self._write(batch_id, event, now_s, key)
        self._keep_lesson(replace(batch, events=(*batch.events, event)), now_s)
        return event

    def _write(self, batch_id: int, event: Event, now_s: float, key: str | None) -> None:
        kind = kind_of(event.what)
        self.session.add(
            EventRow(
                batch_id=batch_id,
                number=event.id,
                at_s=event.at_s,
                recorded_at_s=now_s,
                kind=kind,
                data=_ADAPTERS[kind].dump_python(event.what, mode="json"),
                key=key,
            )
        )
        try:
            self.session.flush()
        except IntegrityError as error:  # the key belongs to another happening
            raise Conflict("key", "That key is used by another happening.", "Send a fresh one.") from error

    def _keep_lesson(self, batch: Batch, now_s: float) -> None:
        """Whether it is finished and what it taught, worked out again after every event, undo included."""
        row = self.session.get(BatchRow, batch.id)
        assert row is not None
        # judged from the first guess, not from what earlier batches taught: each lesson stands on its own
        state = state_of(replace(batch.plan, rate=Rate()), batch.events, now_s)
        row.finished = state.phase == "weighed"
        lesson = state.lesson if row.finished else None
        row.lesson_ln = lesson.ln_ratio if lesson else None
        row.lesson_sd = lesson.ln_sd if lesson else None

    def _events(self, batch_ids: Sequence[int]) -> dict[int, tuple[Event, ...]]:
        rows = self.session.scalars(
            select(EventRow).where(EventRow.batch_id.in_(batch_ids)).order_by(EventRow.number)
        )
        found: dict[int, list[Event]] = {batch_id: [] for batch_id in batch_ids}
        for row in rows:
            found[row.batch_id].append(_event(row))
        return {batch_id: tuple(events) for batch_id, events in found.items()}


def _event(row: EventRow) -> Event:
    return Event(row.number, row.at_s, _ADAPTERS[row.kind].validate_python(row.data))


def _batch(row: BatchRow, events: tuple[Event, ...]) -> Batch:
    return Batch(
        row.id,
        row.name,
        row.created_at,
        _PLAN.validate_python(row.plan),
        row.words,
        row.forecast,
        row.pan_id,
        row.burner_id,
        events,
    )
