"""Book over HTTP: every batch there has been, and one beside its plan."""

from collections.abc import Callable
from typing import Annotated, Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.ranges import Range
from ..formats.batch import BatchRecord
from ..formats.model import LONGEST_WORDS, Out
from ..formats.reduce import told_when_lit
from ..store.aside import each, reading_of
from ..store.database import Database
from ..store.stove import Batch, Stove
from .stove import BatchPath, batch_out

TAGS = [Tag(name="book")]

MOST_KEPT = 5000
"""Lines of weighed batches that need not be worked out again."""


class PageQuery(Out):
    limit: int = Field(30, ge=1, le=100)
    offset: int = Field(0, ge=0, le=2**31)
    find: Annotated[str, Field(max_length=LONGEST_WORDS)] = Field(
        "", description="Words that all stand in the name or in a note"
    )


class BookLine(Out):
    """A batch in the list: what went in, what it gave beside what was told."""

    id: int
    name: str
    created_at_s: float
    phase: str
    amount: str
    milk_name: str
    pan_name: str
    stop: str
    served_kg: Range
    weighed_kg: float | None
    after_boil_s: Range
    took_s: float | None


class BookOut(Out):
    total: int
    lines: list[BookLine]
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


def _line(batch: Batch, now_s: float) -> BookLine:
    state, told = batch.state(now_s), told_when_lit(batch.forecast, batch.plan)
    took = None
    if state.off_at_s is not None and state.boiled_at_s is not None:
        took = state.off_at_s - state.boiled_at_s
    return BookLine(
        id=batch.id,
        name=batch.name,
        created_at_s=batch.created_at_s,
        phase=state.phase,
        amount=batch.plan.amount.quantity.understood,
        milk_name=batch.plan.milk.name,
        pan_name=batch.plan.pan.name,
        stop=batch.plan.stop.text,
        served_kg=told.served_kg,
        weighed_kg=state.weighed_kg,
        after_boil_s=told.after_boil_s,
        took_s=took,
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    kept: dict[tuple[int, int, int | None], BookLine] = {}

    @app.get("/api/book", tags=TAGS, responses={200: BookOut})
    def get_book(query: PageQuery) -> Any:
        """Batches, newest first"""
        now = clock()
        with db.reading() as session:
            stove = Stove(session)
            numbers, total = stove.page(query.limit, query.offset, query.find)
            newest = stove.newest(numbers)
            # numbers of events say nothing across files: another may have been brought back
            marks = {number: (db.renewed, number, newest.get(number)) for number in numbers}
            fresh = stove.some([number for number in numbers if marks[number] not in kept])
        shown, aside = each(fresh, lambda batch: _line(batch, now), lambda batch: batch.name)
        found = {line.id: line for line in shown}
        lines = []
        for number in numbers:
            line = found.get(number) or kept.get(marks[number])
            if line is not None:
                lines.append(line)
                if line.phase == "weighed":  # all that is told of it stands
                    kept[marks[number]] = line
        while len(kept) > MOST_KEPT:
            kept.pop(next(iter(kept)), None)
        return BookOut(total=total, lines=lines, aside=stove.aside + aside)

    @app.get("/api/book/<int:batch_id>", tags=TAGS, responses={200: BatchRecord})
    def get_record(path: BatchPath) -> Any:
        """One batch as it went, beside what was told when it was lit"""
        now = clock()
        with db.reading() as session:
            batch = Stove(session).batch(path.batch_id)
        with reading_of(batch.name):
            return BatchRecord(batch=batch_out(batch, now, None), told=told_when_lit(batch.forecast, batch.plan))
