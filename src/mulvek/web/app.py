"""The application factory: stations, problems, pages and the API document around one kitchen's file."""

import time
from collections.abc import Callable, Collection
from pathlib import Path
from typing import Any, get_args

from flask import jsonify
from flask_openapi3.models.info import Info
from flask_openapi3.openapi import OpenAPI
from pydantic import BaseModel, RootModel

from .. import __version__
from ..store.copies import Copies
from ..store.database import Database
from ..store.first_kitchen import ensure_stocked
from ..store.times import newest_running
from . import (
    batches,
    bench,
    beside,
    book,
    day,
    day_after,
    instruments,
    keeping,
    larder,
    last_words,
    learned,
    mending,
    own_sweets,
    pages,
    photos,
    problems,
    reading,
    rehearsal,
    season,
    security,
    shelf,
    stock,
    story,
    stream,
    sweets,
)
from . import clock as clock_routes
from .access import guard, rights
from .access import routes as access_routes
from .access.door import Door
from .access.home import Hosts
from .access.routes import Served
from .document import Documented
from .kitchen_clock import KitchenClock, since_boot
from .pairing import Readers
from .problems import Problem, on_invalid


def create_app(
    database: Path,
    *,
    clock: Callable[[], float] = time.time,
    ticks: Callable[[], float] | None = None,
    names: Collection[str] = (),
    home: Served | None = None,
    copies: Copies | None = None,
) -> Documented:
    """The whole server on one file.

    ``clock`` gives seconds since the epoch, as the computer has them; ``ticks`` those of a clock that nobody sets (its
    own for the computer's clock, else ``clock`` itself); ``home``: how the house finds it, if the house is served, and
    ``names`` what else it may be called; ``copies``: where copies of the file go.
    """
    app = Documented(
        "mulvek",
        info=Info(title="Mulvek", version=__version__),
        security_schemes={},  # None makes the document invalid
        responses=dict.fromkeys((400, 401, 403, 404, 409, 413, 415, 422, 429, 503), Problem),
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
    ticks = ticks or (since_boot if clock is time.time else clock)
    clock = KitchenClock(lambda: _newest(db), clock, ticks)
    app.extensions["mulvek_database"] = db
    app.extensions["mulvek_clock"] = clock
    app.extensions["mulvek_changes"] = changes = stream.Changes()
    copies = copies or Copies(database)
    app.extensions["mulvek_daily"] = keeping.Daily(copies, clock)
    problems.install(app)
    app.extensions["mulvek_door"] = door = Door(db=db, clock=clock, ticks=ticks, home=home is not None)
    guard.install(app, Hosts(names, home is not None), door)
    security.install(app)
    access_routes.routes(app, door, home or Served(), changes)
    larder.routes(app, db)
    bench.routes(app, db)
    app.extensions["mulvek_readers"] = readers = Readers(db, clock, changes)
    batches.routes(app, db, clock, changes, readers)
    instruments.routes(app, db, clock, changes, readers)
    rehearsal.routes(app, db, clock, changes)
    book.routes(app, db, clock)
    story.routes(app, db, clock)
    photos.routes(app, db)
    beside.routes(app, db, clock)
    learned.routes(app, db, clock)
    season.routes(app, db, clock)
    mending.routes(app, db, clock)
    day.routes(app, db, clock, changes)
    day_after.routes(app, db, clock)
    sweets.routes(app, db)
    own_sweets.routes(app, db, clock, changes)
    last_words.routes(app, db)
    cupboard = stock.Cupboard(db, clock)
    shelf.routes(app, db, clock, cupboard)
    stock.routes(app, db, clock, cupboard)
    clock_routes.routes(app, db, clock, changes, readers)
    keeping.routes(app, db, copies, clock, changes, readers, door)
    stream.routes(app, changes, door)
    app.add_url_rule("/openapi.json", "openapi", lambda: jsonify(app.document))
    reading.routes(app)
    pages.routes(app)
    rights.all_stand(app)
    readers.resume()
    return app


def _newest(db: Database) -> float | None:
    with db.reading() as session:
        return newest_running(session)


def stop(app: OpenAPI) -> None:
    """Let go of everything: streams, instruments, the daily copy, the file."""
    app.extensions["mulvek_changes"].over.set()
    app.extensions["mulvek_daily"].stop()
    app.extensions["mulvek_readers"].close()
    app.extensions["mulvek_database"].close()


def _reply(response: Any, responses: Any = None) -> Any:
    """Let a view return a model, or (model, status)."""
    body, status = response if isinstance(response, tuple) else (response, 200)
    if not isinstance(body, BaseModel):
        return response
    declared = (responses or {}).get(int(status))
    if declared is not None and not _declared(body, declared):
        raise TypeError(f"view returned {type(body).__name__}, not {declared.__name__}")
    return body.model_dump_json(), status, {"Content-Type": "application/json"}


def _declared(body: BaseModel, declared: type[BaseModel]) -> bool:
    """Whether the model is the declared one, or one of those it may be."""
    if not issubclass(declared, RootModel):
        return isinstance(body, declared)
    return isinstance(body, get_args(declared.model_fields["root"].annotation))
