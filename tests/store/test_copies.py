"""Copies of the kitchen's file: consistent, checked, kept by their age, brought back; and looking the file through."""

import gzip
import json
import random
import shutil
import sqlite3
import threading
from itertools import pairwise
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.cli.main import main
from mulvek.core.batch.events import Note
from mulvek.core.errors import BadInput, Conflict, NotFound, Unavailable
from mulvek.store import copies as copying
from mulvek.store.batches import Batches
from mulvek.store.copies import DAY_S, Copies, Retention, check, copy_file, to_keep
from mulvek.store.database import Database, newest_schema
from mulvek.store.lock import Lock
from mulvek.store.verify import verify_file
from tests.kitchens import EPOCH_S


@pytest.fixture
def file(tmp_path, templates):
    return templates.demo(tmp_path / "kitchen.sqlite3")


@pytest.fixture
def db(file):
    db = Database(file)
    yield db
    db.close()


def note(db: Database, text: str) -> None:
    with db.writing() as session:
        Batches(session).append(5, Note(text), EPOCH_S, EPOCH_S)


def notes(file) -> set[str]:
    db = Database(file)
    with db.reading() as session:
        found = {e.what.text for e in Batches(session).batch(5).events if isinstance(e.what, Note)}
    db.close()
    return found


def test_a_clean_stop_leaves_one_file(db, file):
    note(db, "last words")
    db.close()
    assert [p.name for p in file.parent.iterdir()] == ["kitchen.sqlite3"]
    assert "last words" in notes(file)


def test_a_copy_is_one_file_and_holds_what_was_acknowledged(db, file, tmp_path):
    note(db, "still in the write-ahead file")
    to = tmp_path / "there" / "copy.sqlite3"
    copy_file(file, to)
    assert [p.name for p in to.parent.iterdir()] == ["copy.sqlite3"]
    assert "still in the write-ahead file" in notes(to)
    assert check(to) == check(file) and check(to).things["reductions"] == 7


def test_copies_made_while_everyone_writes_are_each_sound(db, file, tmp_path):
    stop, acknowledged = threading.Event(), []

    def write(i):
        j = 0
        while not stop.is_set():
            note(db, f"{i}.{j}")
            acknowledged.append(f"{i}.{j}")
            j += 1

    hands = [threading.Thread(target=write, args=(i,)) for i in range(4)]
    for hand in hands:
        hand.start()
    for i in range(5):
        before = set(acknowledged)
        to = tmp_path / f"copy-{i}.sqlite3"
        copy_file(file, to)
        assert before <= notes(to)
    stop.set()
    for hand in hands:
        hand.join()


def test_no_copy_gets_its_name_before_it_is_whole(file, tmp_path, monkeypatch):
    to = tmp_path / "there" / "copy.sqlite3"

    def full(*_):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(copying.os, "fsync", full)
    with pytest.raises(Unavailable, match="No space left"):
        copy_file(file, to)
    assert list(to.parent.iterdir()) == []


def test_a_damaged_file_is_not_copied_as_if_it_were_sound(file, tmp_path):
    data = bytearray(file.read_bytes())
    for at in range(3 * 4096, len(data), 4096):
        data[at : at + 60] = random.Random(1).randbytes(60)
    file.write_bytes(data)
    with pytest.raises(Unavailable, match="damaged"):
        copy_file(file, tmp_path / "copy.sqlite3")
    assert not (tmp_path / "copy.sqlite3").exists()
    found = verify_file(file)
    assert not found.sound and found.damage


@settings(deadline=None)
@given(st.lists(st.integers(0, 3000), min_size=1, max_size=120, unique=True), st.integers(1, 9), st.integers(0, 6))
def test_of_every_span_the_newest_stays_and_the_newest_of_all_always(hours, days, weeks):
    times = [EPOCH_S + 3600.0 * h for h in hours]
    stay = to_keep(times, Retention(days, weeks, 3))
    assert max(times) in stay and stay <= set(times)
    assert len(stay) <= days + weeks + 3
    # once thinned, thinning again takes nothing more
    assert to_keep(stay, Retention(days, weeks, 3)) == stay


def test_one_a_day_by_itself_and_the_old_ones_go(file):
    copies = Copies(file, keep=Retention(days=3, weeks=2, months=2))
    for hour in range(0, 24 * 40, 7):
        copies.make_daily(EPOCH_S + hour * 3600.0)
    left = copies.all()
    assert len(left) <= 7 and all(a.at_s > b.at_s for a, b in pairwise(left))
    assert left[0].at_s > EPOCH_S + 38 * DAY_S
    assert copies.make_daily(left[0].at_s + 60) is None
    by_hand = copies.make(EPOCH_S, "before-0006")
    copies.make_daily(left[0].at_s + 2 * DAY_S)
    assert by_hand.path.exists(), "what was made before a change is not thinned away"
    # a clock that was ahead yesterday does not stop today's copy
    assert copies.make_daily(EPOCH_S + 10 * DAY_S) is not None
    (copies.folder / "notes.txt").write_text("mine")
    assert "notes.txt" not in [c.path.name for c in copies.all()]
    with pytest.raises(NotFound):
        copies.named("../kitchen.sqlite3")


def test_brought_back_while_it_is_open_and_what_was_there_is_kept(db, file):
    copies = Copies(file)
    note(db, "early")
    copy = copies.make(EPOCH_S)
    note(db, "late")
    before = db.bring_back(copies, copy.path, EPOCH_S + 60)
    with db.reading() as session:
        texts = {e.what.text for e in Batches(session).batch(5).events if isinstance(e.what, Note)}
    assert "early" in texts and "late" not in texts
    assert before is not None and "late" in notes(before.path)
    note(db, "and on")
    assert "and on" in notes(file)


def test_a_file_beyond_reading_is_put_aside_with_its_write_ahead_file(tmp_path, templates):
    file = tmp_path / "kitchen.sqlite3"
    good = templates.demo(tmp_path / "good.sqlite3")
    file.write_text("no database at all")
    file.with_name(file.name + "-wal").write_text("left over")
    assert Copies(file).bring_back(good, EPOCH_S) is None
    assert verify_file(file).sound
    aside = sorted(p.name for p in tmp_path.iterdir() if "damaged" in p.name)
    assert aside[0].endswith(".sqlite3") and aside[-1].endswith("-wal")


def test_what_is_no_kitchen_or_a_newer_one_is_not_brought_back(file, tmp_path):
    other = tmp_path / "other.sqlite3"
    with sqlite3.connect(other) as made:
        made.execute("CREATE TABLE x (y)")
    newer = tmp_path / "newer.sqlite3"
    shutil.copyfile(file, newer)
    with sqlite3.connect(newer) as made:
        made.execute("UPDATE alembic_version SET version_num = '9999'")
    for wrong, says in (
        (other, "no kitchen"),
        (newer, "newer"),
        (tmp_path / "none", "no file"),
        (tmp_path, "no file"),
    ):
        with pytest.raises(BadInput, match=says):
            Copies(file).bring_back(wrong, EPOCH_S)
    assert verify_file(file).sound
    with pytest.raises(Unavailable, match="newer"):
        Database(newer)


def test_before_a_file_is_lifted_to_a_newer_form_it_is_copied(tmp_path):
    file = tmp_path / "kitchen.sqlite3"
    file.write_bytes(gzip.decompress((Path(__file__).parent / "old" / "0004.sqlite3.gz").read_bytes()))
    Database(file).close()
    (copy,) = Copies(file).all()
    assert copy.why == f"before-{newest_schema()}" and check(copy.path).schema == "0004"
    assert check(file).schema == newest_schema() and check(file).things["reductions"] == 8


def test_one_unreadable_row_and_an_orphan_are_named(file):
    with sqlite3.connect(file) as made:
        made.execute("UPDATE event SET data = '{\"mass_kg\": \"heavy\"}' WHERE kind = 'weighed' AND batch_id = 2")
        made.execute("DELETE FROM batch WHERE id = 7")
    found = verify_file(file)
    assert not found.sound and not found.damage
    assert [line.split(":")[0] for line in found.unreadable] == ["reduce 2"]
    assert any("event" in line for line in found.orphans)
    assert found.replayed == {
        "reduce": 6,
        "curdle": 1,
        "strain": 1,
        "caramel": 1,
        "sweet": 3,
        "rehearsal": 0,
        "day": 1,
    }


def test_the_second_server_is_told_where_the_first_is(tmp_path):
    file = tmp_path / "kitchen.sqlite3"
    first = Lock(file)
    first.tell("http://127.0.0.1:8000")
    with pytest.raises(Conflict, match=r"http://127\.0\.0\.1:8000"):
        Lock(file)
    first.release()
    Lock(file).release()
    assert list(tmp_path.iterdir()) == []


def test_backup_restore_and_verify_at_the_command_line(db, file, tmp_path, capsys):
    data = ["--data", str(tmp_path)]
    note(db, "early")
    copy = str(tmp_path / "usb" / "boathouse.sqlite3")
    assert main(["backup", *data, "--to", copy]) == 0
    assert "7 reductions" in capsys.readouterr().out
    note(db, "late")
    assert main(["backup", *data, "--to", str(file)]) == 2
    assert main(["restore", copy, *data]) == 0
    assert "Nothing is changed yet" in capsys.readouterr().out and "late" in notes(file)
    db.close()
    assert main(["restore", copy, *data, "--yes"]) == 0
    assert "Brought back" in capsys.readouterr().out
    assert notes(file) >= {"early"} and "late" not in notes(file)
    assert main(["verify", *data]) == 0 and "sound" in capsys.readouterr().out
    assert main(["verify", *data, "--json"]) == 0
    assert json.loads(capsys.readouterr().out)["replayed"]["reduce"] == 7
    with sqlite3.connect(file) as made:
        made.execute("UPDATE batch SET plan = '{}' WHERE id = 1")
    assert main(["verify", *data]) == 1 and "reduce 1" in capsys.readouterr().out
    assert main(["verify", "--data", str(tmp_path / "nowhere")]) == 2
    holder = Lock(file)
    assert main(["restore", copy, *data, "--yes"]) == 2
    assert "Another Mulvek" in capsys.readouterr().err
    holder.release()
