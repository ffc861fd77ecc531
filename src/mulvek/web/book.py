"""Book over HTTP: every batch there has been, of any kind, and one beside its plan."""

from collections.abc import Callable
from contextlib import suppress
from dataclasses import fields
from typing import Annotated, Any, Literal

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.events import Verdict
from ..core.batch.kinds import KindName
from ..core.errors import NotFound, Unavailable
from ..store.aside import each, reading_of
from ..store.batches import Batches
from ..store.book import Wanted, keep_summaries, page, parts_of, summed
from ..store.database import Database
from ..store.mending import faults_in
from ..wire.batch import BatchRecord
from ..wire.book import BookLine
from ..wire.model import LONGEST_WORDS, Out
from ..wire.reduce import told_when_lit
from .batches import BatchPath
from .told import pan_of

TAGS = [Tag(name="book")]


class PageQuery(Out):
    limit: int = Field(30, ge=1, le=100)
    offset: int = Field(0, ge=0, le=2**31)
    find: Annotated[str, Field(max_length=LONGEST_WORDS)] = Field(
        "", description="Words that all stand in the name, in a note or in what went wrong"
    )
    kind: KindName | Literal[""] = Field("", description="Of one kind alone")
    wrong: bool = Field(False, description="Those with which something went wrong")
    milk: int | None = Field(None, ge=1, le=2**53, description="Of one milk of the Larder")
    pan: int | None = Field(None, ge=1, le=2**53, description="In one pan of the Larder")
    year: int | None = Field(None, ge=1990, le=2200)
    cold: Verdict | Literal[""] = Field("", description="How it was judged once cold")
    bases: bool = Field(True, description="With those that were made for a sweet")

    def wanted(self) -> Wanted:
        asked = {field.name: getattr(self, field.name) for field in fields(Wanted) if field.name != "words"}
        return Wanted(words=self.find, **asked)


class BookOut(Out):
    total: int
    lines: list[BookLine]
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


def listed(db: Database, query: PageQuery, now_s: float) -> BookOut:
    """A page of the list."""
    with db.reading() as session:
        lines, total = page(session, query.limit, query.offset, query.wanted())
        parts = parts_of(session, [line.id for line in lines])
        wrong = faults_in(session, [line.id for line in lines])
        fresh, aside = summed(session, [line.id for line in lines if not line.summary], now_s)
    if fresh:  # a former release kept none with them; on a full disk they are worked out anew each time
        with suppress(Unavailable), db.writing() as session:
            keep_summaries(session, fresh)
    whole = (line if line.summary else line.with_(fresh.get(line.id)) for line in lines)
    shown, more = each(
        [line for line in whole if line.summary],
        lambda line: BookLine.of_summary(
            line.id,
            line.kind,
            line.name,
            line.created_at_s,
            line.summary or {},
            wrong.get(line.id, []),
            parts.get(line.id, []),
        ),
        lambda line: line.name,
    )
    return BookOut(total=total, lines=shown, aside=aside + more)


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    @app.get("/api/book", tags=TAGS, responses={200: BookOut})
    def get_book(query: PageQuery) -> Any:
        """Batches of every kind, newest first"""
        return listed(db, query, clock())

    @app.get("/api/book/<int:batch_id>", tags=TAGS, responses={200: BatchRecord})
    def get_record(path: BatchPath) -> Any:
        """One reduction as it went, beside what was told when it was lit"""
        now = clock()
        with db.reading() as session:
            batch = Batches(session).batch(path.batch_id)
        if batch.kind.name != "reduce":
            raise NotFound("batch", "batch-is-no-reduction", batch=batch.name)
        with reading_of(batch.name):
            return BatchRecord(batch=pan_of(batch, now, None), told=told_when_lit(batch.forecast, batch.plan))
