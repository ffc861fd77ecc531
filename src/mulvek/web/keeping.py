"""Copies of the kitchen's file over HTTP: see them, make one, download one, bring one back; and one a day by itself."""

import logging
import threading
from collections.abc import Callable
from typing import Any

from flask import send_file
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.errors import BadInput, KitchenError, NotFound
from ..store.copies import Copies, Copy, check
from ..store.database import Database
from ..wire.model import Body, Nothing, Out
from .access.door import Door
from .pairing import Readers
from .stream import Changes

TAGS = [Tag(name="keeping")]
LOOK_EACH_S = 900.0
FILE = {
    "description": "OK",
    "content": {"application/vnd.sqlite3": {"schema": {"type": "string", "format": "binary"}}},
}
_log = logging.getLogger(__name__)


class Daily:
    """Makes the daily copy when it is due; says nothing but what went wrong."""

    def __init__(self, copies: Copies, clock: Callable[[], float]) -> None:
        self.copies, self.clock = copies, clock
        self.trouble = ""
        self._stop = threading.Event()

    def start(self) -> None:
        threading.Thread(target=self._run, daemon=True, name="daily copy").start()

    def stop(self) -> None:
        self._stop.set()

    def _run(self) -> None:
        while True:
            self.look()
            if self._stop.wait(LOOK_EACH_S):
                return

    def look(self) -> None:
        try:
            self.copies.make_daily(self.clock())
            self.trouble = ""
        except KitchenError as error:
            self.trouble = str(error)
            _log.warning("no daily copy: %s", error)


class CopyOut(Out):
    """A copy of the kitchen's file. ``why``: empty for a daily one or one made by hand, else what it was made before."""

    name: str
    at_s: float
    bytes: int
    why: str


class CopiesOut(Out):
    """Newest first. ``trouble``: why the last daily copy could not be made."""

    now_s: float
    trouble: str
    copies: list[CopyOut]


class BroughtBackOut(Out):
    """``before``: the copy that keeps what was there."""

    before: str | None


class CopyName(Out):
    name: str = Field(max_length=120, pattern=r"^[A-Za-z0-9-]+\.sqlite3$")


class BringBackIn(Body):
    """``sure``: what is in the kitchen now goes, but for the copy made of it."""

    sure: bool


class HoldsOut(Out):
    """What a copy holds: things by kind, happenings, and when the last of them was recorded."""

    things: dict[str, int]
    happenings: int
    last_s: float | None


def _out(copy: Copy) -> CopyOut:
    return CopyOut(name=copy.path.name, at_s=copy.at_s, bytes=copy.size, why=copy.why)


def routes(
    app: OpenAPI,
    db: Database,
    copies: Copies,
    clock: Callable[[], float],
    changes: Changes,
    readers: Readers,
    door: Door,
) -> None:
    def listed() -> CopiesOut:
        daily: Daily = app.extensions["mulvek_daily"]
        return CopiesOut(now_s=clock(), trouble=daily.trouble, copies=[_out(copy) for copy in copies.all()])

    @app.get("/api/copies", tags=TAGS, responses={200: CopiesOut})
    def get_copies() -> Any:
        """Copies of this kitchen, newest first"""
        return listed()

    @app.post("/api/copies", tags=TAGS, responses={201: CopiesOut})
    def make_copy(body: Nothing) -> Any:
        """Save a copy now"""
        copies.make(clock())
        return listed(), 201

    @app.get("/api/copies/<name>", tags=TAGS, responses={200: HoldsOut})
    def get_copy(path: CopyName) -> Any:
        """What a copy holds"""
        holds = check(copies.named(path.name).path)
        return HoldsOut(things=holds.things, happenings=holds.happenings, last_s=holds.last_s)

    @app.get("/api/copies/<name>/file", tags=TAGS, responses={200: FILE})
    def download_copy(path: CopyName) -> Any:
        """The copy itself: a SQLite file"""
        copy = copies.named(path.name)
        try:
            return send_file(copy.path, mimetype="application/vnd.sqlite3", as_attachment=True)
        except FileNotFoundError as error:
            raise NotFound("copy", "copy-gone") from error

    @app.post("/api/copies/<name>/bring-back", tags=TAGS, responses={200: BroughtBackOut})
    def bring_back(path: CopyName, body: BringBackIn) -> Any:
        """Bring a copy back; what is there now is kept as a copy of its own"""
        copy = copies.named(path.name)
        if not body.sure:
            raise BadInput("sure", "not-sure")
        readers.close()
        try:
            before = db.bring_back(copies, copy.path, clock())
            door.look()
        finally:
            readers.resume()
        changes.publish()
        return BroughtBackOut(before=before.path.name if before else None)
