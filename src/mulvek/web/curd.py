"""Curdlings and strainings on the Stove and in the Book, over HTTP."""

from collections.abc import Callable
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field
from sqlalchemy.orm import Session

from ..core.errors import Conflict
from ..formats.curd import read_curdle
from ..formats.curd_batch import CurdBatchIn, CurdBatchOut, CurdEventIn, CurdleBegin
from ..formats.model import Out
from ..formats.strain import read_strain
from ..store.aside import each
from ..store.curd import CurdBatch, Curds
from ..store.database import Database
from ..store.shelf import read_shelf
from ..store.stove import Stove
from .book import PageQuery
from .happened import moment
from .stove import BatchPath
from .stream import Changes

STOVE, BOOK = [Tag(name="stove")], [Tag(name="book")]


class CurdsOut(Out):
    """Curd batches as they stand now."""

    batches: list[CurdBatchOut]
    total: int
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


def curd_out(batch: CurdBatch, now_s: float) -> CurdBatchOut:
    burner = batch.words.get("burner")
    return CurdBatchOut.of(
        batch.id,
        batch.name,
        batch.route,
        batch.created_at_s,
        batch.plan,
        batch.events,
        batch.state(now_s),
        now_s,
        burner if isinstance(burner, int) else None,
    )


def _burner_is_free(session: Session, burner: object, now_s: float) -> None:
    """:raises Conflict: field "burner", when something is on it."""
    if not isinstance(burner, int):
        return
    name = Stove(session).on_burner(burner, now_s)
    if name is not None:
        raise Conflict("burner", f"{name} is still on it.", "Take it off, or use another burner.")


def listed(batches: list[CurdBatch], aside: list[str], total: int, now_s: float) -> CurdsOut:
    shown, more = each(batches, lambda batch: curd_out(batch, now_s), lambda batch: batch.name)
    return CurdsOut(batches=shown, total=total, aside=aside + more)


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes) -> None:
    @app.get("/api/stove/curds", tags=STOVE, responses={200: CurdsOut})
    def get_curds() -> Any:
        """Curdlings and strainings that are not yet weighed, oldest first"""
        now = clock()
        with db.reading() as session:
            curds = Curds(session)
            running = curds.running()
        return listed(running, curds.aside, len(running), now)

    @app.get("/api/book/curds", tags=BOOK, responses={200: CurdsOut})
    def get_curd_book(query: PageQuery) -> Any:
        """Curdlings and strainings, newest first, weighed beside told"""
        now = clock()
        with db.reading() as session:
            curds = Curds(session)
            page, total = curds.page(query.limit, query.offset, query.find)
        return listed(page, curds.aside, total, now)

    @app.post("/api/stove/curds", tags=STOVE, responses={201: CurdBatchOut})
    def begin_curd(body: CurdBatchIn) -> Any:
        """Begin a curdling or a straining"""
        now, begun = clock(), body.batch
        with db.writing() as session:
            shelf = db.kept(read_shelf)
            plan = (
                read_curdle(begun.plan, shelf) if isinstance(begun, CurdleBegin) else read_strain(begun.plan, shelf)
            )
            milk = begun.plan.milk if isinstance(begun, CurdleBegin) and isinstance(begun.plan.milk, int) else None
            words = begun.plan.model_dump(mode="json")
            curds = Curds(session)
            if begun.key is None or not curds.known(begun.key):
                _burner_is_free(session, words.get("burner"), now)
            made = curds.begin(begun.name.strip(), begun.route, plan, words, milk, now, begun.key)
            batch = curds.batch(made)
        changes.publish()
        return curd_out(batch, now), 201

    @app.get("/api/stove/curds/<int:batch_id>", tags=STOVE, responses={200: CurdBatchOut})
    def get_curd(path: BatchPath) -> Any:
        """One of them as it stands now"""
        now = clock()
        with db.reading() as session:
            return curd_out(Curds(session).batch(path.batch_id), now)

    @app.post("/api/stove/curds/<int:batch_id>/events", tags=STOVE, responses={201: CurdBatchOut})
    def log_curd(path: BatchPath, body: CurdEventIn) -> Any:
        """Log a happening; answered when it is on disk"""
        now = clock()
        with db.writing() as session:
            curds = Curds(session)
            when = moment(body.event, now, curds.batch(path.batch_id).created_at_s)
            curds.append(path.batch_id, body.event.happening(), when.at_s, now, body.event.key, when.said_s)
            batch = curds.batch(path.batch_id)
        changes.publish()
        return curd_out(batch, now), 201
