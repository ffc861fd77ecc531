"""The rehearsals' repository. Nothing here is ever read for planning, learning or the Book."""

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from ..core.batch.attention import Attention
from ..core.batch.events import (
    Abandoned,
    Begun,
    Event,
    FirstBoil,
    FlameChanged,
    Happening,
    Lit,
    MilkAdded,
    Note,
    Off,
    Paused,
    Reading,
    Resumed,
    Scraped,
    Stirred,
    StopMoved,
    SugarIn,
    Undo,
)
from ..core.batch.history import History
from ..core.batch.kinds import kind
from ..core.batch.rules import check_event
from ..core.errors import Conflict, NotFound
from ..core.rehearsal.happenings import RehearsalOnly
from .happened import columns, event_of
from .larder import Larder
from .layouts import read
from .planned import Planned
from .tables import RehearsalEventRow, RehearsalRow

ALLOWED = (
    FirstBoil | Reading | Stirred | Scraped | SugarIn | FlameChanged | Off | Paused | Resumed | MilkAdded | Note
    | StopMoved | Abandoned | Undo | Attention | RehearsalOnly
)  # fmt: skip
SAID_ONLY = Reading | Note | StopMoved | Attention
"""What can be taken back: it was said, not done to the milk."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Rehearsal:
    """A stored rehearsal. ``plan`` is None for a lesson, which brings its own. ``pace``: from each real time (s) on, the
    kitchen's time and how fast it runs, 0 while it stands still."""

    id: int
    name: str
    kind: str
    lesson: str | None
    edition: int
    of_batch: int | None
    created_at_s: float
    plan: Any
    words: dict[str, Any]
    forecast: dict[str, Any]
    level: int
    seed: int
    pace: tuple[tuple[float, float, float], ...]
    finished: bool
    points: float | None
    events: tuple[Event, ...]

    @property
    def speed(self) -> float:
        return self.pace[-1][2]

    @property
    def on_stove(self) -> bool:
        """Whether it is a pan of milk with a plan: it has the Stove's own log, sentence and readings."""
        return self.lesson is None and self.kind == "reduce"

    def kitchen_s(self, now_s: float) -> float:
        """The kitchen's time, in seconds since the epoch as if it had begun when the rehearsal did."""
        real, kitchen, speed = self.pace[-1]
        return kitchen + max(0.0, now_s - real) * speed

    @property
    def happenings(self) -> tuple[Event, ...]:
        """The events that a real batch could have."""
        return tuple(e for e in self.events if not isinstance(e.what, RehearsalOnly))


@dataclass(frozen=True, slots=True, kw_only=True)
class Begins:
    """What a rehearsal begins with. ``planned`` is None for a ``lesson``."""

    name: str
    planned: Planned | None
    lesson: str | None = None
    edition: int = 1
    of_batch: int | None = None
    level: int
    seed: int
    speed: float


class Rehearsals:
    def __init__(self, session: Session) -> None:
        self.session = session

    def one(self, rehearsal_id: int) -> Rehearsal:
        row = self.session.get(RehearsalRow, rehearsal_id)
        if row is None:
            raise NotFound("rehearsal", "no-rehearsal-number", rehearsal_id=rehearsal_id)
        events = self.session.scalars(
            select(RehearsalEventRow)
            .where(RehearsalEventRow.rehearsal_id == rehearsal_id)
            .order_by(RehearsalEventRow.number)
        )
        return Rehearsal(
            id=row.id,
            name=row.name,
            kind=row.kind,
            lesson=row.lesson,
            edition=row.edition,
            of_batch=row.of_batch,
            created_at_s=row.created_at,
            plan=read(kind(row.kind).plan, row.plan, row.layout) if row.lesson is None else None,
            words=row.words,
            forecast=row.forecast,
            level=row.level,
            seed=row.seed,
            pace=tuple((a, b, c) for a, b, c in row.pace),
            finished=row.finished,
            points=row.points,
            events=tuple(event_of(event) for event in events),
        )

    def latest(self, count: int = 12) -> list[RehearsalRow]:
        """The newest that are no lessons, and lessons that are still going."""
        free = RehearsalRow.lesson.is_(None) | ~RehearsalRow.finished
        return list(
            self.session.scalars(select(RehearsalRow).where(free).order_by(RehearsalRow.id.desc()).limit(count))
        )

    def tries(self) -> Mapping[str, list[RehearsalRow]]:
        """Finished tries of each lesson, oldest first."""
        rows = select(RehearsalRow).where(RehearsalRow.lesson.is_not(None), RehearsalRow.finished)
        found: dict[str, list[RehearsalRow]] = defaultdict(list)
        for row in self.session.scalars(rows.order_by(RehearsalRow.id)):
            found[row.lesson or ""].append(row)
        return found

    def begin(self, begins: Begins, now_s: float, key: str | None) -> int:
        """Begin it. A repeated ``key`` gives the one it stands for."""
        if key is not None:
            known = select(RehearsalEventRow.rehearsal_id).where(
                RehearsalEventRow.key == key, RehearsalEventRow.number == 1
            )
            if (again := self.session.scalars(known).first()) is not None:
                return again
        planned = begins.planned
        kept = planned.kept() if planned else {"plan": {}, "words": {}, "forecast": {}}
        row = RehearsalRow(
            **kept
            | {
                "kitchen_id": Larder(self.session).row().id,
                "name": begins.name,
                "kind": planned.kind if planned else "lesson",
                "lesson": begins.lesson,
                "edition": begins.edition,
                "of_batch": begins.of_batch,
                "created_at": now_s,
                "level": begins.level,
                "seed": begins.seed,
                "pace": [[now_s, now_s, begins.speed]],
                "finished": False,
                "points": None,
            }
        )
        self.session.add(row)
        self.session.flush()
        first = Lit() if planned and planned.kind == "reduce" else Begun()
        self._write(row.id, Event(1, now_s, first), now_s, key)
        return row.id

    def append(
        self, rehearsal: Rehearsal, what: Happening | RehearsalOnly, kitchen_s: float, now_s: float, key: str | None
    ) -> None:
        """Log what the cook does, as on the Stove.

        :raises Conflict: for what cannot be rehearsed, and for undoing what was done to the milk.
        """
        if key is not None and self.has(rehearsal.id, key):
            return
        if rehearsal.finished:
            raise Conflict("kind", "rehearsal-over")
        if not isinstance(what, ALLOWED):
            raise Conflict("kind", "kind-not-rehearsed")
        if isinstance(what, Undo):
            target = next((e for e in rehearsal.events if e.id == what.event_id), None)
            if target is not None and not isinstance(target.what, SAID_ONLY | Undo):
                raise Conflict("event_id", "rehearsed-stays-done")
        number = 1 + (
            self.session.scalar(
                select(func.max(RehearsalEventRow.number)).where(RehearsalEventRow.rehearsal_id == rehearsal.id)
            )
            or 0
        )
        event = Event(number, kitchen_s, what)
        if not isinstance(what, RehearsalOnly):
            check_event(History(rehearsal.plan, rehearsal.happenings), event)
        self._write(rehearsal.id, event, now_s, key)

    def pace(self, rehearsal: Rehearsal, now_s: float, kitchen_s: float, speed: float) -> None:
        """From now on its clock stands there and runs so fast."""
        row = self.session.get_one(RehearsalRow, rehearsal.id)
        row.pace = [*row.pace, [now_s, kitchen_s, speed]]

    def finish(self, rehearsal_id: int, points: float, cost: dict[str, Any]) -> None:
        row = self.session.get_one(RehearsalRow, rehearsal_id)
        row.finished, row.points, row.cost = True, points, cost

    def has(self, rehearsal_id: int, key: str) -> bool:
        """Whether something of it was sent under this key."""
        known = select(RehearsalEventRow.id).where(
            RehearsalEventRow.rehearsal_id == rehearsal_id, RehearsalEventRow.key == key
        )
        return self.session.scalars(known).first() is not None

    def _write(self, rehearsal_id: int, event: Event, now_s: float, key: str | None) -> None:
        self.session.add(RehearsalEventRow(rehearsal_id=rehearsal_id, **columns(event, now_s, key)))
        self.session.flush()
