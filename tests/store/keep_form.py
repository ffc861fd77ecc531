"""Keeps the present form of the file for ``test_old_files``, before a migration makes a new one.

    python -m tests.store.keep_form

fills the boathouse, uses it a little, and writes ``old/NNNN.sqlite3.gz`` with ``old/NNNN.json.gz``, what the API says
of it, without curves.
"""

import gzip
import json
from collections.abc import Callable
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from mulvek.demo.boathouse import fill
from mulvek.store.database import Database, newest_schema
from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock

OLD = Path(__file__).parent / "old"
LONGEST_LIST = 40
LISTS = (
    "/api/larder",
    "/api/stove",
    "/api/book?limit=100",
    "/api/rehearsals",
    "/api/door/devices",
)


def keep() -> None:
    with TemporaryDirectory() as folder:
        file = Path(folder) / "kitchen.sqlite3"
        db = Database(file)
        fill(db, EPOCH_S)
        db.close()
        clock = Clock(EPOCH_S + 1200)
        app = create_app(file, clock=clock)
        client = app.test_client()
        _use(client, clock)
        lines = client.get("/api/book?limit=100").json["lines"]
        pans = sorted(line["id"] for line in lines if line["kind"] == "reduce")
        each = [*(f"/api/batches/{line['id']}" for line in lines), *(f"/api/book/{n}" for n in pans)]
        paths = [*(p for p in LISTS if client.get(p).status_code == 200), *each]
        said = {"now_s": clock.now} | {path: _without_curves(client.get(path).json) for path in sorted(paths)}
        stop(app)
        form = newest_schema()
        (OLD / f"{form}.sqlite3.gz").write_bytes(gzip.compress(file.read_bytes(), 9, mtime=0))
        (OLD / f"{form}.json.gz").write_bytes(gzip.compress(json.dumps(said).encode(), 9, mtime=0))


def _use(client: Any, clock: Clock) -> None:
    """Something of every kind happens."""

    def log(url: str, **event: object) -> None:
        clock.now += 10
        answer = client.post(url, json={"event": event})
        assert answer.status_code == 201, answer.json

    def stove(*kinds: str) -> list[Any]:
        return [b for b in client.get("/api/stove").json["batches"] if b["kind"] in kinds]

    first, second = (f"/api/batches/{b['id']}/events" for b in stove("reduce")[:2])
    log(first, kind="stirred")
    log(first, kind="note", text="smells of cardamom")
    log(first, kind="reading", how="depth", value=round(stove("reduce")[0]["depth_m"]["likely"], 3))
    log(second, kind="note", text="for the crews")
    log(second, kind="undo", event_id=stove("reduce")[1]["log"][0]["event_id"])
    for batch in stove("curdle", "strain", "sweet"):
        log(f"/api/batches/{batch['id']}/events", kind="note", text="as it should be")
    _rehearse(client, clock, log)


def _rehearse(client: Any, clock: Clock, log: Callable[..., None]) -> None:
    """One rehearsal to its end, and one that is left on the fire."""
    plan = {"milk": 1, "amount": "1 L", "pan": 2, "burner": 1, "stop": "half its volume"}
    for seed in (5, 6):
        begun = client.post("/api/rehearsals", json={"plan": plan, "level": 2, "seed": seed, "speed": 60})
        assert begun.status_code == 201, begun.json
        events = f"/api/rehearsals/{begun.json['id']}/events"
        log(events, kind="stirred")
        log(events, kind="first_boil")
        log(events, kind="stirred")
        if seed == 5:
            log(events, kind="off")


def _without_curves(said: Any) -> Any:
    """Lists of many figures are drawn, not read."""
    if isinstance(said, dict):
        return {key: _without_curves(value) for key, value in said.items() if not _curve(value)}
    return [_without_curves(value) for value in said] if isinstance(said, list) else said


def _curve(value: Any) -> bool:
    return isinstance(value, list) and len(value) >= LONGEST_LIST and isinstance(value[0], float | list)


if __name__ == "__main__":
    keep()
