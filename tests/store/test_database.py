"""The kitchen's file: what is written stays, what does not fit is refused by the database itself."""

import threading

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from mulvek.core.batch.events import FlameChanged, Note, Off, Reading, Scraped, Stirred, Undo, Weighed
from mulvek.core.equipment.burners import Burner
from mulvek.core.errors import Conflict, NotFound
from mulvek.core.planning.reduce.plan import Rate
from mulvek.demo.boathouse import BOATHOUSE, fill
from mulvek.store.batches import Batches
from mulvek.store.book import page
from mulvek.store.database import Database, newest_schema
from mulvek.store.larder import Larder
from mulvek.store.samples import Samples
from mulvek.store.shelf import read_shelf
from mulvek.store.tables import BatchRow, EventRow, MilkRow, PanRow
from tests.kitchens import EPOCH_S as NOW


@pytest.fixture
def db(tmp_path, templates):
    db = Database(templates.demo(tmp_path / "kitchen.sqlite3"))
    yield db
    db.close()


def test_pragmas_and_migrations(db):
    with db.reading() as session:
        pragma = lambda name: session.execute(text(f"PRAGMA {name}")).scalar()  # noqa: E731
        assert pragma("journal_mode") == "wal"
        assert pragma("synchronous") == 2 and pragma("foreign_keys") == 1
        assert session.execute(text("SELECT version_num FROM alembic_version")).scalar() == newest_schema()


def test_the_demo_is_made_once_and_opens_again(db, tmp_path):
    assert not fill(db, NOW)
    again = Database(tmp_path / "kitchen.sqlite3")
    with again.reading() as session:
        larder = Larder(session)
        assert larder.kitchen() == BOATHOUSE
        assert [kept.thing.name for kept in larder.pans()] == [
            "the wide kadhai",
            "the straight pot",
            "the old brass pot",
        ]
        listed, total = page(session, 20)
        batches = Batches(session).some([line.id for line in listed])
        assert total == 14 and batches[0].state(NOW).phase == "boiling"
        assert [b.created_at_s for b in batches] == sorted((b.created_at_s for b in batches), reverse=True)
    again.close()


def test_finished_batches_sharpen_their_own_flame_most(db):
    with db.reading() as session:
        own = read_shelf(session).rate(1, 1, "medium")
        neighbour = read_shelf(session).rate(1, 1, "gentle")
        stranger = read_shelf(session).rate(1, 99, "medium")
    assert own.batches == 4 and own.ln_sd < neighbour.ln_sd < stranger.ln_sd == Rate().ln_sd
    assert own.ln_mean > 0.3


def test_a_batch_keeps_its_pan_when_the_larder_loses_it(db):
    with db.writing() as session:
        before = Batches(session).batch(1).state(NOW)
        session.delete(session.get(PanRow, 1))
    with db.reading() as session:
        batch = Batches(session).batch(1)
        assert batch.pan_id is None and batch.plan.pan.name == "the wide kadhai"
        assert batch.state(NOW) == before


def test_two_hands_never_get_the_same_number(db):
    def write(i):
        with db.writing() as session:
            Batches(session).append(5, Note(f"note {i}"), NOW, NOW)

    hands = [threading.Thread(target=write, args=(i,)) for i in range(8)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    with db.reading() as session:
        numbers = [event.id for event in Batches(session).batch(5).events]
    assert numbers == list(range(1, len(numbers) + 1))


def test_what_is_refused_leaves_nothing_behind(db):
    with db.reading() as session:
        before = Batches(session).batch(5).events
    with pytest.raises(Conflict), db.writing() as session:
        stove = Batches(session)
        stove.append(5, Stirred(), NOW, NOW)
        stove.append(1, Reading("depth", 0.05), NOW, NOW)
    with db.reading() as session:
        assert Batches(session).batch(5).events == before
    with pytest.raises(NotFound), db.writing() as session:
        Batches(session).append(404, Stirred(), NOW, NOW)


def test_the_database_holds_its_own_line(db):
    with pytest.raises(IntegrityError), db.writing() as session:
        session.add(EventRow(batch_id=77, number=1, at_s=0.0, recorded_at_s=0.0, kind="note", data={}, key=None))
    with pytest.raises(IntegrityError), db.writing() as session:
        session.get(BatchRow, 1).lesson_sd = None


def test_two_hands_at_one_curd_batch_never_get_the_same_number(db):
    with db.reading() as session:
        hung = Batches(session).running("strain")[0]

    def write(i):
        with db.writing() as session:
            Batches(session).append(hung.id, Note(f"note {i}"), NOW, NOW, key=f"hand-note-{i}")

    hands = [threading.Thread(target=write, args=(i,)) for i in range(8)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    write(3)  # sent again: it happened once
    with db.reading() as session:
        events = Batches(session).batch(hung.id).events
    assert [e.id for e in events] == list(range(1, len(events) + 1))
    assert sorted(e.what.text for e in events if isinstance(e.what, Note)) == [f"note {i}" for i in range(8)]


def test_the_shelf_is_read_again_only_after_something_was_written(db):
    first = db.kept(read_shelf)
    assert db.kept(read_shelf) is first
    with db.writing() as session:
        Larder(session).add_burner(Burner("spare", "induction"))
    second = db.kept(read_shelf)
    assert second is not first and len(second.burners) == len(first.burners) + 1
    with pytest.raises(NotFound), db.writing() as session:
        Larder(session).add_burner(Burner("never", "induction"))
        Larder(session).remove("pan", 404, 1)
    assert [b.name for b in db.kept(read_shelf).burners.values()][-1] == "spare"


def test_a_happening_leaves_the_shelf_as_it_is_until_its_batch_ends(db):
    """A plan after a note must not sum the lessons of thirty thousand batches again; after a weighing it must."""
    shelf = db.kept(read_shelf)

    def say(*what):
        with db.writing() as session:
            for one in what:
                Batches(session).append(6, one, NOW, NOW)

    say(Note("not so thick"), Stirred())
    with db.writing() as session:
        Samples(session).append(6, {"scale": [(NOW, 2.0)]})
        Batches(session).append(Batches(session).running("strain")[0].id, Note("whey is clear"), NOW, NOW)
    assert db.kept(read_shelf) is shelf
    say(Off(), Weighed(1.1))
    lessons = lambda s: sum(len(learned.used) for learned in s.rates.values())  # noqa: E731
    assert lessons(db.kept(read_shelf)) == lessons(shelf) + 1
    with db.reading() as session:
        weighed = Batches(session).batch(6).events[-1]
    say(Undo(weighed.id))
    assert lessons(db.kept(read_shelf)) == lessons(shelf)


def test_demo_curds_are_there_and_teach_their_milk(db):
    with db.reading() as session:
        batches = Batches(session)
        made, (hung,) = batches.batch(batches.number_of("7")), batches.running("curdle", "strain")
        shelf, milk_id = read_shelf(session), session.get(BatchRow, made.id).milk_id
    assert (
        made.kind.name == "curdle"
        and hung.kind.name == "strain"
        and made.state(NOW).weighed_kg
        and made.state(NOW).said == "As told."
    )
    assert hung.state(NOW).step == 0 and hung.state(NOW).whey_kg == 0.41
    ln_yield, batches = shelf.curd_yield(milk_id)
    assert batches == 1 and -0.1 < ln_yield < 0
    other, none = shelf.curd_yield(999)  # the cook's hand is in every curd, a little
    assert none == 0 and 0.6 * ln_yield < other < 0
    with db.writing() as session:
        session.delete(session.get(MilkRow, milk_id))
    with db.reading() as session:
        kept = Batches(session).batch(made.id)
        assert session.get(BatchRow, made.id).milk_id is None
    assert kept.plan.milk.name == made.plan.milk.name


@settings(max_examples=15, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.lists(st.booleans(), min_size=8, max_size=8))
def test_any_interleaving_of_two_pans_leaves_each_as_it_is_alone(db, turns):
    """Two pans share a file and nothing else."""
    steps = [Stirred(), Reading("depth", 0.05, sure=True), Scraped(), FlameChanged("gentle")]
    states = []
    for order in (turns, [True] * 8 + [False] * 8):
        with pytest.raises(InterruptedError), db.writing() as session:
            stove, done = Batches(session), {5: 0, 6: 0}
            for first in [*order, *[True] * 8, *[False] * 8]:
                batch = 5 if first else 6
                if done[batch] < len(steps):
                    at = NOW + 10.0 * done[batch]
                    stove.append(batch, steps[done[batch]], at, NOW + 100)
                    done[batch] += 1
            states.append([stove.batch(b).state(NOW + 200) for b in (5, 6)])
            raise InterruptedError  # nothing of it is to stay
    assert states[0] == states[1]
