"""What a batch has come to, kept in columns beside its log: whether it is finished, what it teaches, and its line in the
Book. Worked out again after each event that can change it, undo included."""

from collections.abc import Mapping
from dataclasses import asdict, replace
from typing import TYPE_CHECKING, Any

from sqlalchemy import select
from sqlalchemy.orm import Session, load_only

from ..core.batch.attention import Hushed, Missed, Snoozed
from ..core.batch.caramel_run import CaramelState
from ..core.batch.curd_run import CurdState
from ..core.batch.events import FaultFound, Judged, Note, Reading, Scraped, Stirred, Undo
from ..core.batch.habit import taught_by
from ..core.batch.kinds import KINDS
from ..core.batch.leftovers import Beside, left_of, syrup_of, whey_of
from ..core.batch.running import BatchState
from ..core.batch.season import facts
from ..core.batch.summary import summary
from ..core.batch.sweet_run import SweetState
from ..core.batch.timed import timed_steps
from ..core.planning.reduce.plan import Rate
from ..core.planning.strain.forecast import StrainPlan
from .tables import BatchRow, LessonRow
from .teaching import DRAIN

if TYPE_CHECKING:
    from .batches import Batch

OUTCOME = load_only(
    BatchRow.finished,
    BatchRow.verdict,
    BatchRow.lesson_ln,
    BatchRow.lesson_sd,
    BatchRow.ln_ratio,
    BatchRow.summary,
    BatchRow.found_by,
)
CHANGES_NOTHING = (Stirred, Scraped, Reading, Note, FaultFound, Missed, Snoozed, Hushed)
"""Happenings after which a reduction's outcome is as it was."""


def found_by(batch: "Batch") -> str:
    """What it is found by: its name and its notes, in small letters."""
    notes = (event.what.text for event in batch.log.counted if isinstance(event.what, Note))
    return " ".join([batch.name, *notes]).lower()


def keep_outcome(session: Session, batch: "Batch", now_s: float) -> None:
    last = batch.events[-1].what
    if isinstance(last, Note | Undo):
        session.get_one(BatchRow, batch.id, options=[OUTCOME]).found_by = found_by(batch)
    if batch.kind.name == "reduce" and isinstance(batch.events[-1].what, CHANGES_NOTHING):
        return
    row = session.get_one(BatchRow, batch.id, options=[OUTCOME])
    state = batch.state(max(now_s, batch.log.newest_s))
    row.finished = state.finished
    _keep_what_it_teaches(row, batch, state, now_s)
    if isinstance(state, SweetState):
        _keep_lessons(session, batch, _taught(batch, state))
    if isinstance(batch.plan, StrainPlan):
        _keep_lessons(session, batch, {} if state.drain_ln is None else {DRAIN + batch.plan.cloth: state.drain_ln})
    told = line_of(batch, state)
    if row.summary != told:
        row.summary = told


def line_of(batch: "Batch", state: BatchState | CurdState | CaramelState | SweetState) -> dict[str, Any]:
    """Its line in the Book, as it is kept."""
    beside = {of: asdict(left) for of, left in _beside(batch, state).items()}
    season = asdict(facts(batch.plan, state, batch.log, batch.forecast))
    return {**asdict(summary(batch.plan, state, batch.forecast)), "beside": beside, "season": season}


def _beside(batch: "Batch", state: Any) -> dict[str, Beside]:
    """What stands there beside what it was made for."""
    if isinstance(state, CurdState):
        return whey_of(batch.log.counted)
    if not isinstance(state, SweetState):
        return {}
    counted, told = batch.log.counted, batch.forecast
    return syrup_of(counted, told, state.done) | left_of(counted, told)


def _taught(batch: "Batch", state: SweetState) -> Mapping[str, float]:
    """By a sweet that is made, and was made here: one on paper was not timed."""
    made = state.done and not state.given_up and "told" not in batch.forecast
    return timed_steps(batch.plan.sweet, state) | taught_by(batch.plan, state) if made else {}


def _keep_lessons(session: Session, batch: "Batch", taught: Mapping[str, float]) -> None:
    kept = {row.key: row for row in session.scalars(select(LessonRow).where(LessonRow.batch_id == batch.id))}
    for key, row in kept.items():
        if key not in taught:
            session.delete(row)
    for key, ln_ratio in taught.items():
        if key not in kept:
            session.add(LessonRow(batch_id=batch.id, key=key, ln_ratio=ln_ratio))
        elif kept[key].ln_ratio != ln_ratio:
            kept[key].ln_ratio = ln_ratio


def _keep_what_it_teaches(row: BatchRow, batch: "Batch", state: Any, now_s: float) -> None:
    if isinstance(state, CurdState):
        row.ln_ratio = state.ln_ratio if batch.kind.name == "curdle" else None
    if not isinstance(state, BatchState):
        return
    judged = batch.log.last(Judged)
    row.verdict = judged.how if judged else None
    lesson = None
    if state.phase == "weighed":
        # judged from the first guess, not from what earlier batches taught: each lesson stands on its own
        kind = KINDS["reduce"]
        plain = kind.log(replace(batch.plan, rate=Rate()), batch.events)
        lesson = kind.state(plain, max(now_s, batch.log.newest_s)).lesson
    row.lesson_ln = lesson.ln_ratio if lesson else None
    row.lesson_sd = lesson.ln_sd if lesson else None
