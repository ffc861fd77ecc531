"""The kitchen's file: what is written stays, what does not fit is refused by the database itself."""

import threading

import pytest
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from mulvek.core.bases.plan import Rate
from mulvek.core.errors import Conflict, NotFound
from mulvek.core.stove.events import Note, Reading, Stirred
from mulvek.demo.boathouse import BOATHOUSE, fill
from mulvek.store.book import Book
from mulvek.store.database import Database
from mulvek.store.larder import Larder
from mulvek.store.stove import Stove
from mulvek.store.tables import BatchRow, EventRow, PanRow

NOW = 1_800_000_000.0


@pytest.fixture
def db(tmp_path):
    db = Database(tmp_path / "kitchen.sqlite3")
    assert fill(db, NOW)
    yield db
    db.close()


def test_pragmas_and_migrations(db):
    with db.reading() as session:
        pragma = lambda name: session.execute(text(f"PRAGMA {name}")).scalar()  # noqa: E731
        assert pragma("journal_mode") == "wal"
        assert pragma("synchronous") == 2 and pragma("foreign_keys") == 1
        assert session.execute(text("SELECT version_num FROM alembic_version")).scalar() == "0001"


def test_the_demo_is_made_once_and_opens_again(db, tmp_path):
    assert not fill(db, NOW)
    again = Database(tmp_path / "kitchen.sqlite3")
    with again.reading() as session:
        larder = Larder(session)
        assert larder.kitchen() == BOATHOUSE
        assert [pan.name for pan in larder.pans().values()] == ["the wide kadhai", "the straight pot"]
        batches, total = Book(session).page(10, 0)
        assert total == 5 and batches[0].state(NOW).phase == "boiling"
        assert [b.created_at_s for b in batches] == sorted((b.created_at_s for b in batches), reverse=True)
    again.close()


def test_finished_batches_sharpen_their_own_flame_most(db):
    with db.reading() as session:
        own = Larder(session).rate(1, 1, "medium")
        neighbour = Larder(session).rate(1, 1, "gentle")
        stranger = Larder(session).rate(1, 99, "medium")
    assert own.batches == 3 and own.ln_sd < neighbour.ln_sd < stranger.ln_sd == Rate().ln_sd
    assert own.ln_mean > 0.3


def test_a_batch_keeps_its_pan_when_the_larder_loses_it(db):
    with db.writing() as session:
        before = Stove(session).batch(1).state(NOW)
        session.delete(session.get(PanRow, 1))
    with db.reading() as session:
        batch = Stove(session).batch(1)
        assert batch.pan_id is None and batch.plan.pan.name == "the wide kadhai"
        assert batch.state(NOW) == before


def test_two_hands_never_get_the_same_number(db):
    def write(i):
        with db.writing() as session:
            Stove(session).append(5, Note(f"note {i}"), NOW, NOW)

    hands = [threading.Thread(target=write, args=(i,)) for i in range(8)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    with db.reading() as session:
        numbers = [event.id for event in Stove(session).batch(5).events]
    assert numbers == list(range(1, len(numbers) + 1))


def test_what_is_refused_leaves_nothing_behind(db):
    with db.reading() as session:
        before = Stove(session).batch(5).events
    with pytest.raises(Conflict), db.writing() as session:
        stove = Stove(session)
        stove.append(5, Stirred(), NOW, NOW)
        stove.append(1, Reading("depth", 0.05), NOW, NOW)
    with db.reading() as session:
        assert Stove(session).batch(5).events == before
    with pytest.raises(NotFound), db.writing() as session:
        Stove(session).append(404, Stirred(), NOW, NOW)


def test_the_database_holds_its_own_line(db):
    with pytest.raises(IntegrityError), db.writing() as session:
        session.add(EventRow(batch_id=77, number=1, at_s=0.0, recorded_at_s=0.0, kind="note", data={}, key=None))
    with pytest.raises(IntegrityError), db.writing() as session:
        session.get(BatchRow, 1).lesson_sd = None
