"""Stored JSON of an older layout is lifted step by step when it is read; of a newer one, it is set aside."""

import sqlite3

import pytest

from mulvek.core.batch.events import Note, Reading
from mulvek.core.errors import Unreadable
from mulvek.store import layouts
from mulvek.store.database import Database
from mulvek.store.layouts import layout_of, read, written
from mulvek.store.stove import Stove
from tests.kitchens import EPOCH_S


def in_centimetres(old):
    """A layout that never was: depths in cm under another name."""
    return {**{k: v for k, v in old.items() if k != "cm"}, "value": old["cm"] / 100}


def with_how(old):
    return {"how": "depth", **old}


@pytest.fixture
def lifted(monkeypatch):
    monkeypatch.setattr(layouts, "LIFTS", {"Reading": (in_centimetres, with_how)})


def test_each_layout_so_far_is_read(lifted):
    assert layout_of(Reading) == 3 and layout_of(Note) == 1
    for layout, data in ((1, {"cm": 4.3}), (2, {"value": 0.043}), (3, written(Reading("depth", 0.043)))):
        assert read(Reading, data, layout) == Reading("depth", pytest.approx(0.043))
    assert read(Note, written(Note("soft")), 1) == Note("soft")


def test_lifting_leaves_what_is_stored_as_it_is(lifted):
    data = {"cm": 4.3}
    read(Reading, data, 1)
    assert data == {"cm": 4.3}


def test_a_newer_layout_is_not_guessed_at():
    with pytest.raises(Unreadable, match="newer Mulvek"):
        read(Note, {"text": "soft"}, 2)


def test_old_rows_in_the_file_are_lifted_and_new_ones_say_their_layout(tmp_path, templates, lifted):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    with sqlite3.connect(file) as made:
        made.execute("UPDATE event SET data = '{\"cm\": 5.2}', layout = 1 WHERE kind = 'reading'")
    db = Database(file)
    with db.writing() as session:
        Stove(session).append(6, Note("still here"), EPOCH_S, EPOCH_S)
    with db.reading() as session:
        events = Stove(session).batch(1).events
    depths = [e.what.value for e in events if isinstance(e.what, Reading)]
    assert depths and depths == [pytest.approx(0.052)] * len(depths)
    db.close()
    with sqlite3.connect(file) as kept:
        assert kept.execute("SELECT layout FROM event WHERE kind = 'note' AND batch_id = 6").fetchall() == [(1,)]
