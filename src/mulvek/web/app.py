"""The application factory: stations, problems, pages and the API document around one kitchen's file."""

import time
from collections.abc import Callable, Collection
from pathlib import Path
from typing import Any

from flask import jsonify
from flask_openapi3.models.info import Info
from flask_openapi3.openapi import OpenAPI
from pydantic import BaseModel

from .. import __version__
from ..store.copies import Copies
from ..store.database import Database
from ..store.first_kitchen import ensure_stocked
from . import (
    bench,
    book,
    curd,
    instruments,
    keeping,
    larder,
    pages,
    problems,
    rehearsal,
    security,
    stove,
    stream,
    sweets,
)
from .pairing import Readers
from .problems import Problem, on_invalid

LOCAL_HOSTS = ("127.0.0.1", "localhost", "[::1]")


def create_app(
    database: Path,
    *,
    clock: Callable[[], float] = time.time,
    hosts: Collection[str] = LOCAL_HOSTS,
    copies: Copies | None = None,
) -> OpenAPI:
    """The whole server on one file. ``clock`` gives seconds since the epoch; ``copies``: where copies of it go."""
    app = OpenAPI(
        "mulvek",
        info=Info(title="Mulvek", version=__version__),
        security_schemes={},  # None makes the document invalid
        responses=dict.fromkeys((400, 404, 409, 413, 415, 422, 503), Problem),
        validation_error_model=Problem,
        validation_error_callback=on_invalid,
        validate_response=True,
        validate_response_callback=_reply,
        operation_id_callback=lambda **kw: kw["name"],
        doc_ui=False,
        static_folder=None,
    )
    db = Database(database)
    ensure_stocked(db)
    app.extensions["mulvek_database"] = db
    app.extensions["mulvek_changes"] = changes = stream.Changes()
    copies = copies or Copies(database)
    app.extensions["mulvek_daily"] = keeping.Daily(copies, clock)
    problems.install(app)
    security.install(app, hosts)
    larder.routes(app, db)
    bench.routes(app, db)
    app.extensions["mulvek_readers"] = readers = Readers(db, clock, changes)
    stove.routes(app, db, clock, changes, readers)
    instruments.routes(app, db, clock, changes, readers)
    rehearsal.routes(app, db, clock, changes)
    book.routes(app, db, clock)
    curd.routes(app, db, clock, changes)
    sweets.routes(app, db, clock, changes)
    keeping.routes(app, db, copies, clock, changes, readers)
    stream.routes(app, changes)
    app.add_url_rule("/openapi.json", "openapi", lambda: jsonify(app.api_doc))
    pages.routes(app)
    readers.resume()
    return app


def stop(app: OpenAPI) -> None:
    """Let go of everything: streams, instruments, the daily copy, the file."""
    app.extensions["mulvek_changes"].stopped = True
    app.extensions["mulvek_daily"].stop()
    app.extensions["mulvek_readers"].close()
    app.extensions["mulvek_database"].close()


def _reply(response: Any, responses: Any = None) -> Any:
    """Let a view return a model, or (model, status)."""
    body, status = response if isinstance(response, tuple) else (response, 200)
    if not isinstance(body, BaseModel):
        return response
    declared = (responses or {}).get(int(status))
    if declared is not None and not isinstance(body, declared):
        raise TypeError(f"view returned {type(body).__name__}, not {declared.__name__}")
    return body.model_dump_json(), status, {"Content-Type": "application/json"}
