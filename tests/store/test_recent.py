"""Batches kept beside the file: never other than what is on disk, whoever wrote it, whatever was taken back."""

import pytest

from mulvek.core.batch.events import Note, Stirred, Undo
from mulvek.store import recent
from mulvek.store.batches import Batches
from mulvek.store.book import page
from mulvek.store.database import Database
from tests.kitchens import EPOCH_S, Templates

NOW = EPOCH_S + 7200.0


@pytest.fixture
def db(tmp_path, templates: Templates):
    found = Database(templates.demo(tmp_path / "kitchen.sqlite3"))
    yield found
    found.close()


def running(db: Database) -> int:
    with db.reading() as session:
        return Batches(session).running("reduce")[0].id


def read(db: Database, batch_id: int):
    with db.reading() as session:
        return Batches(session).batch(batch_id)


def anew(db: Database, batch_id: int):
    other = Database(db.path)
    try:
        return read(other, batch_id)
    finally:
        other.close()


def test_read_once_while_nothing_happens_and_right_after_all_that_does(db):
    one = running(db)
    first = read(db, one)
    assert read(db, one) is first
    for what in (Stirred(), Note("thicker"), Undo(first.log.next_id)):
        with db.writing() as session:
            Batches(session).append(one, what, NOW, NOW)
        kept, fresh = read(db, one), anew(db, one)
        assert kept.events == fresh.events and kept.state(NOW + 60) == fresh.state(NOW + 60)
        assert read(db, one) is kept
    with db.reading() as session:
        assert kept in Batches(session).running()


def test_what_was_not_written_after_all_is_not_kept(db):
    one = running(db)
    before = read(db, one)
    with pytest.raises(ZeroDivisionError), db.writing() as session:
        Batches(session).append(one, Note("never"), NOW, NOW)
        raise ZeroDivisionError
    assert read(db, one).events == before.events
    with db.writing() as session:  # takes the number that the other did not get
        Batches(session).append(one, Note("this one"), NOW, NOW)
    assert read(db, one).events[-1].what == Note("this one") == anew(db, one).events[-1].what


def test_what_another_hand_wrote_is_read(db):
    one = running(db)
    read(db, one)
    other = Database(db.path)
    with other.writing() as session:
        Batches(session).append(one, Note("from elsewhere"), NOW, NOW)
    other.close()
    assert read(db, one).events[-1].what == Note("from elsewhere")


def test_nothing_outlives_a_change_of_the_whole_file(db):
    one = running(db)
    before = read(db, one)
    with db.reading() as session:
        Batches(session).batch(one)
        db.changed()  # while it was read: what it read may be of the old file
    assert read(db, one) is not before
    after = read(db, one)
    assert read(db, one) is after


def test_only_the_newest_are_kept(db, monkeypatch):
    monkeypatch.setattr(recent, "MOST", 2)
    with db.reading() as session:
        numbers = [line.id for line in page(session, 3)[0]]
    first = read(db, numbers[0])
    second = read(db, numbers[1])
    assert read(db, numbers[0]) is first  # the one last in use
    read(db, numbers[2])
    assert read(db, numbers[1]) is not second
    assert read(db, numbers[1]).events == second.events


def test_what_another_hand_wrote_is_added_to_what_was_read(db):
    one = running(db)
    before = read(db, one)
    other = Database(db.path)
    with other.writing() as session:
        for word in ("one", "two"):
            Batches(session).append(one, Note(word), NOW, NOW)
    other.close()
    after = read(db, one)
    assert [event.what for event in after.events[-2:]] == [Note("one"), Note("two")]
    assert all(a is b for a, b in zip(before.events, after.events, strict=False))  # not read again
    fresh = anew(db, one)
    assert after.events == fresh.events and after.state(NOW + 60) == fresh.state(NOW + 60)
    with db.reading() as session:
        assert after in Batches(session).running()


def test_a_look_that_began_earlier_puts_nothing_back(db):
    one = running(db)
    with db.reading() as early:
        Batches(early).newest([one])  # its view of the file is that of now
        with db.writing() as session:
            Batches(session).append(one, Note("meanwhile"), NOW, NOW)
        Batches(early).batch(one)
    assert read(db, one).events[-1].what == Note("meanwhile")
    with db.reading() as early:
        db.changed()  # nothing is kept: the old look reads its own
        Batches(early).newest([one])
        with db.writing() as session:
            Batches(session).append(one, Note("and this"), NOW, NOW)
            newest = Batches(session).batch(one)
        Batches(early).batch(one)
    assert read(db, one).events == newest.events
