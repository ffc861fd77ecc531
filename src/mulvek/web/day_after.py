"""A begun day beside its plan, over HTTP: what was ready when, and what it taught."""

from collections.abc import Callable
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.events import PiecesCounted, Weighed
from ..core.batch.sweet_run import SweetState
from ..core.batch.timed import timed_steps
from ..core.day.after import NOTED_S, Act, feet_s, steps_after
from ..core.ranges import Range
from ..store.aside import reading_of
from ..store.batches import Batch, Batches
from ..store.database import Database
from ..store.days import Days
from ..wire.day_plan import DayOut
from ..wire.model import Out
from .larder import ThingPath

TAGS = [Tag(name="day")]


class StepAfterOut(Out):
    """A step that took otherwise than planned; ``teaches``: the next plans go by it."""

    step: str
    say: str
    told_s: float
    took_s: float
    began_s: float
    teaches: bool


class SweetAfterOut(Out):
    """A sweet of the day. ``ready_s``: when it was, none before that; ``feet``: seconds of hands, as planned and as they were."""

    name: str
    batch: int
    due_s: float
    told_s: float
    ready_s: float | None
    told_pieces: Range
    counted: int | None
    feet_told_s: float
    feet_s: float
    steps: list[StepAfterOut] = Field(description="Those that took longer or shorter, the most first")


class DayAfterOut(Out):
    over: bool = Field(description="All of it is made")
    sweets: list[SweetAfterOut]


def _ready_s(batch: Batch, state: SweetState) -> float | None:
    """When the last of its steps was done; weighed or counted it is too where that was sooner."""
    if not state.done:
        return None
    steps = [s.done_at_s for s in state.steps if s.done_at_s is not None]
    said = [e.at_s for e in batch.log.counted if isinstance(e.what, Weighed | PiecesCounted)]
    return min(max(steps), said[-1]) if steps and said else max(steps, default=None)


def _after(batch: Batch, sweet: Any, acts: list[Act], now_s: float) -> SweetAfterOut:
    state: SweetState = batch.state(max(now_s, batch.log.newest_s))
    found = {one.step: one for one in steps_after(acts, state)}
    told, taken = feet_s(acts, found)
    teach = timed_steps(batch.plan.sweet, state)
    noted = sorted((s for s in found.values() if abs(s.longer_s) >= NOTED_S), key=lambda s: -abs(s.longer_s))
    return SweetAfterOut(
        name=batch.name,
        batch=batch.id,
        due_s=sweet.due_s,
        told_s=sweet.ready_s,
        ready_s=_ready_s(batch, state),
        told_pieces=state.told_pieces,
        counted=state.counted,
        feet_told_s=told,
        feet_s=taken,
        steps=[
            StepAfterOut(
                step=s.step,
                say=s.say,
                told_s=s.told_s[1] - s.told_s[0],
                took_s=s.done_s - s.began_s,
                began_s=s.began_s,
                teaches=f"{batch.plan.sweet}.{s.step}" in teach,
            )
            for s in noted
        ],
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    @app.get("/api/days/<int:id>/after", tags=TAGS, responses={200: DayAfterOut})
    def day_after(path: ThingPath) -> Any:
        """What was ready when, beside its plan"""
        now = clock()
        with db.reading() as session:
            day = Days(session).day(path.id)
            batches = Batches(session).some(day.batches)
        with reading_of(day.name):
            plan = DayOut.model_validate(day.plan)
        by_number = {batch.id: batch for batch in batches}
        found = []
        for i, number in enumerate(day.batches):
            if number in by_number:  # one that is damaged is left out
                acts = [
                    Act(step=t.step, start_s=t.start_s, end_s=t.end_s, load=t.load)
                    for t in plan.tasks
                    if t.sweet == i
                ]
                found.append(_after(by_number[number], plan.sweets[i], acts, now))
        return DayAfterOut(over=all(s.ready_s is not None for s in found), sweets=found)
