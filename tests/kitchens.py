"""Kitchens for tests, copied from templates instead of made: an own small one, and the boathouse with its batches."""

import hashlib
import shutil
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from sqlalchemy import Engine
from sqlalchemy.dialects.sqlite.pysqlite import SQLiteDialect_pysqlite
from sqlalchemy.util import LRUCache
from werkzeug.routing import Rule
from werkzeug.serving import make_server

import mulvek
from mulvek.demo.boathouse import fill
from mulvek.store.database import Database
from mulvek.web.app import create_app, stop

_writer_of = Rule._compile_builder


def _writer_when_asked(self: Rule, append_unknown: bool = True) -> Callable[..., Any]:
    """What writes a route's address is compiled when an address is written. Nothing of ours writes any, and it is two
    thirds of the time that a new kitchen takes."""
    return lambda rule, **values: _writer_of(self, append_unknown).__get__(rule, None)(**values)


Rule._compile_builder = _writer_when_asked  # type: ignore[method-assign]

_statements: LRUCache[Any, Any] = LRUCache(2000)
_new_engine = Engine.__init__


def _with_statements(self: Engine, *args: Any, **more: Any) -> None:
    """What a statement is in SQLite's words is worked out once for all kitchens of a run, not in each anew."""
    _new_engine(self, *args, **more)
    self._compiled_cache = _statements


Engine.__init__ = _with_statements  # type: ignore[method-assign]
SQLiteDialect_pysqlite.__eq__ = lambda self, other: type(self) is type(other)  # type: ignore[method-assign]
SQLiteDialect_pysqlite.__hash__ = lambda self: hash(type(self))  # type: ignore[method-assign]

EPOCH_S = 1_800_000_000.0
"""When the kitchens of the tests were made."""

KADHAI = {
    "name": "wide kadhai",
    "shape": {
        "kind": "kadhai",
        "rim_diameter_m": 0.29,
        "bowl_depth_m": 0.086,
        "top_diameter_m": 0.32,
        "wall_height_m": 0.032,
    },
}
MILK = {"name": "farm milk", "fat_pct": 6.9, "snf_pct": 9.73, "species": "buffalo"}


def words(**changed: object) -> dict[str, object]:
    """A plan for the own kitchen's pan and milk."""
    return {"milk": 5, "amount": "2 L", "pan": 2, "burner": 1, "stop": "half its volume", "sugar": "90 g", **changed}


class Clock:
    """A clock the tests can set."""

    def __init__(self, now: float = EPOCH_S) -> None:
        self.now = now

    def __call__(self) -> float:
        return self.now


class Templates:
    """Files made once and kept for as long as the code that made them stands; each test works on a copy of its own."""

    def __init__(self, cache: Path) -> None:
        self._folder = cache / _made_by()
        self._folder.mkdir(exist_ok=True, parents=True)

    def _copy(self, name: str, make: Callable[[Path], None], to: Path) -> Path:
        template = self._folder / name
        if not template.exists():
            with TemporaryDirectory(dir=self._folder) as fresh:
                make(Path(fresh) / name)
                (Path(fresh) / name).replace(template)  # whole or not at all: another worker may be at it too
        return Path(shutil.copyfile(template, to))

    def own(self, to: Path) -> Path:
        """A new kitchen with one pan (number 2) and one milk (number 5) of its own."""
        return self._copy("own.sqlite3", _make_own, to)

    def demo(self, to: Path) -> Path:
        """The boathouse kitchen as it stands at EPOCH_S."""
        return self._copy("demo.sqlite3", _make_demo, to)


def _made_by() -> str:
    """Changes with every line of the code and with every installed release."""
    source = Path(mulvek.__file__).parent
    files = [f for kind in ("*.py", "*.toml") for f in source.rglob(kind)]
    stamp = hashlib.sha256((source.parents[1] / "requirements.txt").read_bytes())
    for file in [Path(__file__), *sorted(files)]:
        stamp.update(file.read_bytes())
    return stamp.hexdigest()[:16]


def _make_own(path: Path) -> None:
    app = create_app(path, clock=Clock())
    client = app.test_client()
    assert client.post("/api/larder/pans", json=KADHAI).status_code == 201
    assert client.post("/api/larder/milks", json=MILK).status_code == 201
    stop(app)


def _make_demo(path: Path) -> None:
    db = Database(path)
    fill(db, EPOCH_S)
    db.close()  # all of it is in the one file now


class Stand:
    """One server for all tests of a run, in this process; what it serves is changed from test to test."""

    def __init__(self) -> None:
        self.app: Callable[..., Any] | None = None
        self._server = make_server("127.0.0.1", 0, self._answer, threaded=True)
        self._server.daemon_threads = True  # type: ignore[attr-defined]
        self.url = f"http://127.0.0.1:{self._server.server_port}"
        threading.Thread(target=self._server.serve_forever, kwargs={"poll_interval": 0.02}, daemon=True).start()

    def _answer(self, environ: dict[str, Any], start_response: Callable[..., Any]) -> Any:
        if self.app is None:
            start_response("503 Between tests", [("Content-Type", "text/plain")])
            return [b""]
        return self.app(environ, start_response)

    @contextmanager
    def serving(self, app: Any) -> Iterator[str]:
        self.app = app
        try:
            yield self.url
        finally:
            self.app = None
            stop(app)

    def stop(self) -> None:
        self._server.shutdown()
        self._server.server_close()
