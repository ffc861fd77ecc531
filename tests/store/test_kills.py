"""Killed again and again without warning, while happenings and a stream are written: nothing acknowledged is lost."""

import os
import random
import select
import signal
import time

from mulvek.core.batch.events import Note
from mulvek.store.batches import Batches
from mulvek.store.database import Database
from mulvek.store.samples import Samples
from mulvek.web.app import create_app
from tests.kitchens import KADHAI, MILK, words
from tests.sizes import sized

KILLS = sized(40, 200)


def writer(path, batch: int, round_: int, pipe: int) -> None:
    """In a process of its own: log and stream as the server does, and say what is on disk."""
    db, i = Database(path), 0
    while True:
        text, at = f"{round_}.{i}", 2_000_000_000.0 + round_ * 1000 + i
        with db.writing() as session:
            Batches(session).append(batch, Note(text), at, at)
        with db.writing() as session:
            Samples(session).append(batch, {"scale": [(at, 1.0)], "probe": [(at, 99.0)]})
        os.write(pipe, f"{text}\n".encode())
        i += 1


def test_killed_again_and_again(tmp_path):
    path = tmp_path / "kitchen.sqlite3"
    app = create_app(path)
    client = app.test_client()
    client.post("/api/larder/pans", json=KADHAI)
    client.post("/api/larder/milks", json=MILK)
    batch = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "B", "plan": words()}}).json["id"]
    app.extensions["mulvek_database"].close()
    chance, acknowledged = random.Random(4), []
    for round_ in range(KILLS):
        out, into = os.pipe()
        if (child := os.fork()) == 0:
            try:
                os.close(out)
                writer(path, batch, round_, into)
            finally:
                os._exit(1)
        os.close(into)
        # mostly early, so that the two hundred logs stay short; sometimes a few happenings in
        select.select([out], [], [], 30)
        time.sleep(chance.random() * 0.03)
        os.kill(child, signal.SIGKILL)
        os.waitpid(child, 0)
        said = b""
        while piece := os.read(out, 65536):
            said += piece
        os.close(out)
        acknowledged += said.decode().split()
    assert len(acknowledged) >= KILLS
    app = create_app(path)
    log = app.test_client().get(f"/api/batches/{batch}").json["log"]
    assert {line["text"] for line in log} >= set(acknowledged)
    numbers = sorted(line["event_id"] for line in log)
    assert numbers == list(range(1, len(numbers) + 1))
    with app.extensions["mulvek_database"].reading() as session:
        kept = set(Samples(session).read(batch, "scale")[0].round(2).tolist())
        assert kept == set(Samples(session).read(batch, "probe")[0].round(2).tolist())
    for text in acknowledged:
        round_, i = text.split(".")
        assert 2_000_000_000.0 + int(round_) * 1000 + int(i) in kept
