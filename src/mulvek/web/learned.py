"""What this kitchen has learned, over HTTP: looked at, frozen, begun anew, batches left out, and saved as a table."""

import csv
import io
from collections.abc import Callable
from datetime import UTC, datetime
from typing import Any

from flask import Response
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.errors import NotFound
from ..store.database import Database
from ..store.shelf import read_shelf
from ..store.teaching import Teaching, Window
from ..wire.learned import (
    AllLearnedOut,
    CountsIn,
    OwnIn,
)
from .learned_numbers import KitchenLearned, is_known

TAGS = [Tag(name="book")]


def as_csv(told: AllLearnedOut) -> str:
    """A line a number."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["family", "key", "name", "times the table", "low", "high", "batches", "set aside", "frozen"])
    for n in told.numbers:
        aside = sum(t.aside for t in n.taught_by)
        figures = (f"{x:.4f}" for x in (n.times.likely, n.times.low, n.times.high))
        writer.writerow([n.family, n.key, n.name, *figures, n.batches, aside, "yes" if n.frozen else "no"])
    return out.getvalue()


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    def whole() -> AllLearnedOut:
        with db.reading() as session:
            return KitchenLearned(session, db.kept(read_shelf)).whole()

    @app.get("/api/learned", tags=TAGS, responses={200: AllLearnedOut})
    def get_learned() -> Any:
        """What batches taught of this kitchen's own numbers, and what to measure next"""
        return whole()

    @app.get("/api/learned.csv", tags=TAGS)
    def learned_csv() -> Any:
        """The same as a table"""
        day = datetime.fromtimestamp(clock(), UTC).date()
        names = {"Content-Disposition": f'attachment; filename="learned-{day}.csv"'}
        return Response(as_csv(whole()), mimetype="text/csv", headers=names)

    @app.put("/api/learned", tags=TAGS, responses={200: AllLearnedOut})
    def own_learned(body: OwnIn) -> Any:
        """Freeze a number, let it learn again, or begin it anew"""
        now = clock()
        if not is_known(body.family, body.key, db.kept(read_shelf)):
            raise NotFound("key", "no-such-learned-number", key=body.key)
        with db.writing() as session:
            teaching = Teaching(session)
            window = teaching.windows.get((body.family, body.key), Window())
            match body.do:
                case "freeze":
                    window = Window(window.from_s, now)
                case "thaw":
                    window = Window(window.from_s, None)
                case "anew":
                    window = Window(now if body.from_s is None else body.from_s, None)
                case "all":
                    window = Window()
            teaching.keep_window(body.family, body.key, window)
        return whole()

    @app.put("/api/learned/counts", tags=TAGS, responses={200: AllLearnedOut})
    def leave_out(body: CountsIn) -> Any:
        """Leave a batch out of all that is learned, or let it count again"""
        with db.writing() as session:
            Teaching(session).leave_out(body.batch, not body.counts)
        return whole()
