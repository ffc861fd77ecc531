"""The kitchen's clock over HTTP: how far the computer's is off, and going by the computer's."""

from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..store.database import Database
from ..store.times import move_running
from ..wire.model import Nothing, Out
from .kitchen_clock import KitchenClock
from .pairing import Readers
from .stream import Changes

TAGS = [Tag(name="clock")]


class ClockOut(Out):
    """Seconds since the epoch. ``off_s``: how far the computer's clock is ahead of the kitchen's; 0 while they agree."""

    now_s: float
    off_s: float


def routes(app: OpenAPI, db: Database, clock: KitchenClock, changes: Changes, readers: Readers) -> None:
    def said() -> ClockOut:
        return ClockOut(now_s=clock(), off_s=clock.off_s)

    @app.get("/api/clock", tags=TAGS, responses={200: ClockOut})
    def get_clock() -> Any:
        """What time it is in the kitchen"""
        return said()

    @app.post("/api/clock/take", tags=TAGS, responses={200: ClockOut})
    def take_clock(body: Nothing) -> Any:
        """Go by the computer's clock: all that runs moves with it, minute for minute"""
        readers.close()
        try:
            by_s = clock.off_s
            with db.writing() as session:
                move_running(session, by_s)
            clock.move(by_s)  # only what is on disk has moved
        finally:
            readers.resume()
        db.changed()
        changes.publish()
        return said()
