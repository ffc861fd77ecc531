"""A hundred years of a batch a day against an empty kitchen: python -m tests.load.large_kitchen [BATCHES]

Prints the middle of what a cook waits for in both, and their ratio; the goals are those of docs/developing.md.
"""

import json
import sqlite3
import statistics
import sys
import tempfile
import time
from collections.abc import Callable
from contextlib import closing
from http.client import HTTPConnection
from pathlib import Path

from mulvek.store.copies import copy_file
from tests.conftest import serving
from tests.kitchens import Templates

GOALS = {"plan": 1.2, "Stove": 1.5, "Book page": 2.0, "light": 1.5, "start": 1.1}


def grow(file: Path, batches: int) -> None:
    """Repeat the finished batches of the boathouse with their happenings, each a day earlier."""
    with closing(sqlite3.connect(file)) as db:
        db.execute("PRAGMA synchronous=OFF")
        copied, told = (
            ",".join(row[1] for row in db.execute(f"PRAGMA table_info({table})") if row[1] not in own)
            for table, own in (
                ("batch", ("id", "created_at", "former", "parent_id", "slot")),
                ("event", ("id", "batch_id", "key")),
            )
        )
        done = db.execute("SELECT id, kind FROM batch WHERE finished").fetchall()
        pans = [number for number, kind in done if kind == "reduce"]
        others = [number for number, kind in done if kind != "reduce"]
        for i in range(batches):
            # a curd or a sweet for every ten pans
            for source in (pans[i % len(pans)], others[i % len(others)])[: 2 if i % 10 == 9 else 1]:
                made = db.execute(
                    f"INSERT INTO batch (created_at, {copied}) SELECT created_at - ?, {copied} FROM batch WHERE id = ?",
                    (86_400.0 * (i + 1), source),
                ).lastrowid
                db.execute(
                    f"INSERT INTO event (batch_id, {told}) SELECT ?, {told} FROM event WHERE batch_id = ?",
                    (made, source),
                )
        db.commit()


def middle(work: Callable[[], object], times: int = 40) -> float:
    """Median, ms."""
    took = []
    for _ in range(times):
        began = time.perf_counter()
        work()
        took.append((time.perf_counter() - began) * 1e3)
    return statistics.median(took)


def measured(folder: Path) -> dict[str, float]:
    def start() -> None:
        with serving(folder):
            pass

    figures = {"start": middle(start, 5)}
    with serving(folder) as (url, _):
        connection = HTTPConnection(url.removeprefix("http://"))

        def ask(method: str, path: str, body: object = None) -> object:
            connection.request(method, path, json.dumps(body), {"Content-Type": "application/json"})
            answer = connection.getresponse()
            said = json.loads(answer.read())
            assert answer.status < 300, said
            return said

        words = {"milk": 1, "amount": "1 L", "pan": 1, "burner": 3, "stop": "half its volume"}
        running = ask("GET", "/api/stove")["batches"][-1]["id"]  # type: ignore[index]
        note = {"event": {"kind": "note", "text": "x"}}

        def plan_after_an_event() -> None:
            ask("POST", f"/api/batches/{running}/events", note)
            ask("POST", "/api/bench/reduce", words)

        def light() -> None:
            lit = ask("POST", "/api/batches", {"batch": {"kind": "reduce", "name": "x", "plan": words}})["id"]  # type: ignore[index]
            ask("POST", f"/api/batches/{lit}/events", {"event": {"kind": "abandoned"}})

        figures |= {
            "plan": middle(lambda: ask("POST", "/api/bench/reduce", words)),
            "plan after an event": middle(plan_after_an_event),
            "Stove": middle(lambda: ask("GET", "/api/stove")),
            "Book page": middle(lambda: ask("GET", "/api/book")),
            "Book, searched": middle(lambda: ask("GET", "/api/book?find=rabri"), 5),
            "Book, the oldest page": middle(lambda: ask("GET", "/api/book?offset=36000"), 5),
            "Book, without bases": middle(lambda: ask("GET", "/api/book?bases=false"), 10),
            "Book, one milk": middle(lambda: ask("GET", "/api/book?milk=2"), 10),
            "a story": middle(lambda: ask("GET", "/api/book/12/story"), 10),
            "side by side": middle(lambda: ask("GET", "/api/book/beside?a=1&b=3"), 10),
            "the season": middle(lambda: ask("GET", "/api/season"), 10),
            "what was learned": middle(lambda: ask("GET", "/api/learned"), 10),
            "light": middle(light, 10),
        }
        began = time.perf_counter()
        copy_file(folder / "kitchen.sqlite3", folder / "copy.sqlite3")
        figures["backup"] = (time.perf_counter() - began) * 1e3
    return figures


def main(batches: int) -> None:
    with tempfile.TemporaryDirectory() as home:
        templates = Templates(Path(home))
        found = []
        for name, count in (("small", 0), ("large", batches)):
            folder = Path(home) / name
            folder.mkdir()
            file = templates.demo(folder / "kitchen.sqlite3")
            grow(file, count)
            print(f"{name}: {file.stat().st_size / 1e6:.0f} MB", flush=True)
            found.append(measured(folder))
        small, large = found
        for name, ms in large.items():
            ratio, goal = ms / small[name], GOALS.get(name)
            verdict = "" if goal is None else f"   goal {goal:g}: {'met' if ratio <= goal else 'MISSED'}"
            print(f"{name:24} {small[name]:9.1f} ms {ms:9.1f} ms   × {ratio:5.2f}{verdict}", flush=True)


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 36_500)
