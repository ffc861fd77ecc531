"""One pen: writers wait in the order of asking, nobody finds the file locked, and the disk's troubles are plain words."""

import sqlite3
import threading
import time

import pytest
from sqlalchemy import event, text
from sqlalchemy.exc import OperationalError

from mulvek.core.batch.events import Note
from mulvek.core.errors import Unavailable
from mulvek.store.batches import Batches
from mulvek.store.database import Database
from mulvek.store.larder import Larder
from mulvek.store.trouble import plainly
from mulvek.store.turns import Turns
from tests.kitchens import EPOCH_S


def test_turns_come_in_the_order_of_asking():
    turns, order, begun = Turns(), [], threading.Semaphore(0)

    def write(i):
        begun.release()
        with turns.turn(10):
            order.append(i)

    with turns.turn(1):
        hands = []
        for i in range(12):
            hands.append(threading.Thread(target=write, args=(i,)))
            hands[-1].start()
            begun.acquire()
            while len(turns._waiting) < i + 2:
                time.sleep(0.001)
        assert order == []
    for hand in hands:
        hand.join()
    assert order == list(range(12))


def test_who_waits_too_long_is_told_and_leaves_the_queue():
    turns, held, let_go = Turns(), threading.Event(), threading.Event()

    def hold():
        with turns.turn(1):
            held.set()
            let_go.wait(10)

    hand = threading.Thread(target=hold)
    hand.start()
    held.wait(10)
    with pytest.raises(Unavailable) as told, turns.turn(0.01):
        pass
    assert told.value.retry_s > 0
    let_go.set()
    hand.join()
    with turns.turn(0.01):
        pass


def test_a_writer_within_a_writer_is_a_mistake_not_a_wait():
    turns = Turns()
    with turns.turn(1), pytest.raises(RuntimeError), turns.turn(1):
        pass
    with turns.turn(0.01):
        pass


def test_many_writers_at_once_are_all_kept(tmp_path, templates):
    db = Database(templates.demo(tmp_path / "kitchen.sqlite3"))
    troubles = []

    def write(i):
        try:
            for j in range(10):
                with db.writing() as session:
                    Batches(session).append(5, Note(f"{i}.{j}"), EPOCH_S, EPOCH_S)
        except Exception as error:
            troubles.append(error)

    hands = [threading.Thread(target=write, args=(i,)) for i in range(16)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    assert troubles == []
    with db.reading() as session:
        events = Batches(session).batch(5).events
    assert len({e.what.text for e in events if isinstance(e.what, Note) and "." in e.what.text}) == 160
    assert [e.id for e in events] == list(range(1, len(events) + 1))
    db.close()


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ("database is locked", "held by something else"),
        ("database or disk is full", "disk is full"),
        ("attempt to write a readonly database", "only be read"),
        ("database disk image is malformed", "damaged"),
        ("file is not a database", "damaged"),
        ("unable to open database file", "cannot be opened"),
        ("disk I/O error", "does not answer"),
    ],
)
def test_the_disks_troubles_are_plain_words(said, words):
    found = plainly(OperationalError("INSERT", {}, sqlite3.OperationalError(said)))
    assert found is not None and words in found.message and found.fix and found.retry_s > 0


def test_an_error_of_ours_is_not_blamed_on_the_disk():
    assert plainly(OperationalError("INSERT", {}, sqlite3.OperationalError("no such column: milk"))) is None


def test_a_file_held_by_another_program_answers_503_with_a_time_and_keeps_nothing_half(client, monkeypatch):
    db = client.application.extensions["mulvek_database"]
    event.listen(db.engine, "connect", lambda c, _: c.execute("PRAGMA busy_timeout=20"))
    db.engine.dispose()
    other = sqlite3.connect(db.path)
    other.execute("BEGIN EXCLUSIVE")
    answer = client.post("/api/larder/burners", json={"name": "third", "kind": "lpg-large"})
    assert answer.status_code == 503 and int(answer.headers["Retry-After"]) >= 1
    assert "held by something else" in answer.json["detail"]
    other.rollback()
    other.close()
    assert client.post("/api/larder/burners", json={"name": "third", "kind": "lpg-large"}).status_code == 201


def test_a_full_disk_refuses_and_loses_nothing(tmp_path, templates):
    """SQLite's own page limit says just what a full disk says."""
    db = Database(templates.demo(tmp_path / "kitchen.sqlite3"))
    with db.reading() as session:
        pages = session.execute(text("PRAGMA page_count")).scalar()
        before = len(Batches(session).batch(5).events)
    event.listen(db.engine, "connect", lambda c, _: c.execute(f"PRAGMA max_page_count={pages}"))
    db.engine.dispose()
    kept = 0
    with pytest.raises(Unavailable) as told:
        for _ in range(500):
            with db.writing() as session:
                Batches(session).append(5, Note("x" * 1500), EPOCH_S, EPOCH_S)
            kept += 1
    assert "full" in told.value.message
    db.close()
    again = Database(tmp_path / "kitchen.sqlite3")
    with again.reading() as session:
        assert len(Batches(session).batch(5).events) == before + kept
        assert Larder(session).milks()
    again.close()
