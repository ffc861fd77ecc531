"""The Day over HTTP: a checked plan at once; then, from a process of its own, better ones and what would cure it."""

import pickle
import subprocess
import sys
import threading
from collections.abc import Callable, Iterator
from typing import Any

from flask import Response
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.day.check import faults
from ..core.day.cures import Cure
from ..core.day.packer import improve
from ..core.day.tasks import Plan
from ..core.errors import Impossible, Unavailable
from ..store.database import Database
from ..store.shelf import read_shelf
from ..wire.day import AskedDay, DayIn, DayOut, LookedOut, answer_cure, answer_day, read_day

TAGS = [Tag(name="day")]
MOST_SEARCHES = 2
SHORT_S, LONG_S = 4.0, 60.0


class LookIn(DayIn):
    """The same day, looked at for so long."""

    seconds: float = Field(SHORT_S, ge=0, le=LONG_S)


def first_plan(asked: AskedDay) -> Plan:
    """The first plan that the checker passes.

    :raises Impossible: field "sweets", when none was found.
    """
    for plan in improve(asked.day, rounds=4):
        if not faults(asked.day, plan):
            return plan
    raise Impossible(
        "sweets",
        "No order was found in which all of it can be made.",
        "Begin earlier, serve later, or leave one out.",
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    places = threading.BoundedSemaphore(MOST_SEARCHES)

    @app.post("/api/day/plan", tags=TAGS, responses={200: DayOut})
    def plan_day(body: DayIn) -> Any:
        """When each thing is begun, on which burner, so that all is ready in time"""
        asked = read_day(body, db.kept(read_shelf), clock())
        return answer_day(asked, first_plan(asked))

    @app.post("/api/day/look", tags=TAGS, responses={200: LookedOut})
    def look_day(body: LookIn) -> Any:
        """Better plans and what would help, a line of JSON each, for as long as one looks"""
        asked = read_day(body, db.kept(read_shelf), clock())
        if not places.acquire(blocking=False):
            raise Unavailable("day", "Two days are being worked out already.", "Wait a moment, and look again.", 5.0)
        return Response(_lines(asked, body.seconds, places), mimetype="application/x-ndjson")


def _lines(asked: AskedDay, seconds: float, places: threading.BoundedSemaphore) -> Iterator[str]:
    """What the search finds, as it finds it; it is stopped when nobody listens any more."""
    command = [sys.executable, "-m", "mulvek.core.day.search"]
    try:
        with subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE) as process:
            try:
                assert process.stdin is not None and process.stdout is not None
                process.stdin.write(pickle.dumps((asked.day, seconds)))
                process.stdin.close()
                for line in process.stdout:
                    yield _told(asked, pickle.loads(bytes.fromhex(line.decode()))).model_dump_json() + "\n"
            finally:
                process.kill()
        yield LookedOut(over=True).model_dump_json() + "\n"
    finally:
        places.release()


def _told(asked: AskedDay, found: Plan | Cure) -> LookedOut:
    if isinstance(found, Cure):
        return LookedOut(cure=answer_cure(found, asked.day))
    return LookedOut(plan=answer_day(asked, found))
