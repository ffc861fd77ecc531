"""The board of lessons: best, tries, what the last one cost, and which is proposed."""

from collections.abc import Mapping, Sequence

from sqlalchemy.orm import Session

from ..core.mending.faults import faults
from ..core.rehearsal.lessons import lessons
from ..store.mending import found_lately
from ..store.rehearsal import Rehearsals
from ..store.tables import BatchRow, RehearsalRow
from ..wire.rehearsal import BecauseOut, LessonOut, NextOut

GOOD = 85.0
"""Points from which a lesson is known."""
Tries = Mapping[str, Sequence[RehearsalRow]]


def board(session: Session) -> tuple[list[LessonOut], NextOut | None]:
    """Every lesson with its tries, and the one to take next."""
    tries = Rehearsals(session).tries()
    return [_line(key, tries.get(key, ())) for key in lessons()], _next(session, tries)


def _line(key: str, tries: Sequence[RehearsalRow]) -> LessonOut:
    lesson = lessons()[key]
    points = [round(row.points or 0.0, 1) for row in tries]
    cost = tries[-1].cost if tries else None
    return LessonOut(
        key=key,
        name=lesson.name,
        practises=lesson.practises,
        learn=lesson.learn,
        shelf=lesson.shelf,
        draws=lesson.draws,
        minutes=lesson.minutes,
        best=max(points, default=None),
        tries=points,
        cost=cost["points"] if cost else None,
        cost_says=cost["says"] if cost else "",
    )


def _next(session: Session, tries: Tries) -> NextOut | None:
    """What the Book's latest fault asks for, unless that was done well since; else what went worst; else the first untried."""
    best = {key: max((row.points or 0.0 for row in rows), default=0.0) for key, rows in tries.items()}
    for found in found_lately(session):
        for key, lesson in lessons().items():
            since = [r for r in tries.get(key, ()) if r.created_at > found.event.at_s and (r.points or 0) >= GOOD]
            if found.what.fault in lesson.faults and not since:
                batch = session.get_one(BatchRow, found.batch)
                because = BecauseOut(
                    batch=batch.id,
                    name=batch.name,
                    at_s=batch.created_at,
                    fault=faults()[found.what.fault].title,
                )
                return NextOut(lesson=key, because=because)
    untried = next((key for key in lessons() if key not in best), None)
    worst = min((key for key in best if key in lessons() and best[key] < GOOD), key=lambda k: best[k], default=None)
    chosen = worst or untried
    return NextOut(lesson=chosen, because=None) if chosen else None
