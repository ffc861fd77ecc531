"""What keeps a kitchen of many years quick: sums instead of lists, packed forecasts, lines told once, indices used."""

import zlib

import pytest
from sqlalchemy import event, text

from mulvek.core.batch.learning import LOOKED_AT
from mulvek.core.errors import NotFound
from mulvek.store.batches import Batches
from mulvek.store.book import Wanted, page
from mulvek.store.database import Database
from mulvek.store.shelf import read_shelf
from mulvek.store.tables import BatchRow, LessonRow
from mulvek.store.teaching import Teaching, Window, rate_key
from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock
from tests.load.large_kitchen import grow


@pytest.fixture
def large(tmp_path, templates):
    """The boathouse with three hundred batches more."""
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    grow(file, 300)
    return file


def test_the_newest_lessons_of_each_burner_are_what_it_is_reckoned_from(large):
    db = Database(large)
    with db.reading() as session:
        found = Teaching(session).rates([1, 2, 3])
        rows = session.query(BatchRow).filter(BatchRow.lesson_ln.is_not(None)).order_by(BatchRow.created_at).all()
        shelf = read_shelf(session)
    for burner, lessons in found.items():
        newest = [row for row in rows if row.burner_id == burner][-LOOKED_AT:]
        assert [(x.batch, x.ln_ratio) for x in lessons] == [(row.id, row.lesson_ln) for row in newest]
        last = lessons[-1]
        told = shelf.rate(last.pan, burner, last.flame)
        assert told.batches > 1 and told.ln_sd < 0.1
    db.close()


def test_what_is_left_out_frozen_or_begun_anew_teaches_no_more(large):
    db = Database(large)
    with db.writing() as session:
        teaching = Teaching(session)
        lessons = teaching.rates([1])[1]
        cell = [x for x in lessons if (x.pan, x.flame) == (lessons[-1].pan, lessons[-1].flame)]
        began = {row.id: row.created_at for row in session.query(BatchRow)}
        key = rate_key(1, cell[-1].pan, cell[-1].flame)
        teaching.leave_out(cell[-1].batch, True)
        assert cell[-1] not in teaching.rates([1])[1]
        teaching.leave_out(cell[-1].batch, False)
        assert cell[-1] in teaching.rates([1])[1]
        middle = began[cell[len(cell) // 2].batch]
        for window, stays in (
            (Window(from_s=middle), cell[len(cell) // 2 :]),
            (Window(until_s=middle), cell[: len(cell) // 2 + 1]),
        ):
            teaching.keep_window("rate", key, window)
            here = [x for x in Teaching(session).rates([1])[1] if (x.pan, x.flame) == (cell[-1].pan, cell[-1].flame)]
            assert here == stays
        # other pans and flames of that burner are as they were
        others = [x for x in lessons if x not in cell]
        assert [x for x in Teaching(session).rates([1])[1] if x not in cell] == others
        with pytest.raises(NotFound):
            teaching.leave_out(99_999, True)
    db.close()


def test_the_book_says_the_same_a_second_time_and_news_of_a_line_at_once(large):
    clock = Clock(EPOCH_S)
    app = create_app(large, clock=clock)
    client = app.test_client()
    page = "/api/book?limit=50&offset=20"
    assert client.get(page).json == client.get(page).json
    before = client.get("/api/book").json
    weighed = next(x for x in before["lines"] if (x["kind"], x["phase"]) == ("reduce", "weighed"))
    log = client.get(f"/api/book/{weighed['id']}").json["batch"]["log"]
    [on_the_scale] = [line["event_id"] for line in log if line["kind"] == "weighed"]
    undo = {"event": {"kind": "undo", "event_id": on_the_scale}}
    assert client.post(f"/api/batches/{weighed['id']}/events", json=undo).status_code == 201
    after = {line["id"]: line for line in client.get("/api/book").json["lines"]}
    assert (after[weighed["id"]]["weighed_kg"], after[weighed["id"]]["phase"]) == (None, "to-weigh")
    stop(app)


def test_lines_of_the_book_do_not_outlive_a_copy_that_was_brought_back(large):
    """Two files may number different events alike."""
    app = create_app(large, clock=Clock(EPOCH_S))
    client = app.test_client()
    line = next(line for line in client.get("/api/book").json["lines"] if line["phase"] == "weighed")
    client.post("/api/copies", json={})
    db = app.extensions["mulvek_database"]
    with db.writing() as session:
        where = {"id": line["id"], "name": "otherwise called"}
        session.execute(text("UPDATE batch SET name = :name WHERE id = :id"), where)
    client.post("/api/copies", json={})
    later = client.get("/api/copies").json["copies"][0]["name"]
    assert client.post(f"/api/copies/{later}/bring-back", json={"sure": True}).status_code == 200
    named = {found["id"]: found["name"] for found in client.get("/api/book").json["lines"]}
    assert named[line["id"]] == "otherwise called"
    stop(app)


def test_searching_counts_what_it_finds_also_beyond_the_last_page(large):
    app = create_app(large, clock=Clock(EPOCH_S))
    client = app.test_client()
    all_of_it = client.get("/api/book?limit=100&find=rabri").json
    assert 0 < all_of_it["total"] < 310
    for offset in (0, all_of_it["total"] - 1, all_of_it["total"], all_of_it["total"] + 50):
        page = client.get(f"/api/book?limit=10&find=rabri&offset={offset}").json
        assert page["total"] == all_of_it["total"]
        assert len(page["lines"]) == max(0, min(10, page["total"] - offset))
    stop(app)


def test_forecasts_are_packed_and_former_ones_read_and_damaged_ones_harm_nothing(large):
    db = Database(large)
    with db.reading() as session:
        told = Batches(session).batch(1).forecast
        raw = session.execute(text("SELECT forecast FROM batch WHERE id = 1")).scalar_one()
    assert isinstance(raw, bytes) and len(raw) * 2 < len(zlib.decompress(raw))
    for damaged, reads in ((zlib.decompress(raw).decode(), told), (raw[:-40], {}), ("{", {}), (b"", {}), ("[1]", {})):
        with db.writing() as session:
            session.execute(text("UPDATE batch SET forecast = :raw WHERE id = 1"), {"raw": damaged})
        db.changed()  # by a hand that it does not know of
        with db.reading() as session:
            assert Batches(session).batch(1).forecast == reads
    db.close()
    app = create_app(large, clock=Clock(EPOCH_S))
    assert app.test_client().get("/api/book/1").json["told"]["after_boil_s"]["likely"] > 0
    stop(app)


@pytest.mark.parametrize(
    "query",
    [
        "SELECT id FROM batch ORDER BY created_at DESC, id DESC LIMIT 50 OFFSET 100",
        "SELECT id FROM batch WHERE finished = 0 ORDER BY created_at",
        "SELECT id FROM batch WHERE burner_id = 1 AND lesson_ln IS NOT NULL AND finished AND NOT left_out "
        "ORDER BY created_at DESC LIMIT 120",
        "SELECT verdict, count(*) FROM batch WHERE verdict IS NOT NULL GROUP BY verdict",
        "SELECT batch_id FROM event WHERE kind = 'note'",
        "SELECT batch_id, max(id) FROM event WHERE batch_id IN (1, 2) GROUP BY batch_id",
    ],
)
def test_lists_and_sums_go_by_an_index(large, query):
    db = Database(large)
    with db.reading() as session:
        plan = [row[3] for row in session.execute(text(f"EXPLAIN QUERY PLAN {query}"))]
    assert all("INDEX" in step for step in plan if step.startswith(("SCAN", "SEARCH"))), plan
    assert not any("TEMP B-TREE FOR ORDER BY" in step for step in plan), plan
    db.close()


WORDED = [
    {},
    {"bases": False},
    {"kind": "reduce"},
    {"milk": 1, "bases": False},
    {"pan": 1},
    {"cold": "too-thick", "kind": "reduce", "bases": False},
]


@pytest.mark.parametrize("asked", WORDED, ids=str)
def test_words_are_looked_for_in_one_index_whatever_else_is_asked(large, asked):
    """Any other index would walk through the pages of each batch, for a tenth of a second in a kitchen of many years."""
    db = Database(large)
    sent = []
    event.listen(db.engine, "before_cursor_execute", lambda c, cursor, sql, values, *_: sent.append((sql, values)))
    with db.reading() as session:
        lines, total = page(session, 5, 0, Wanted(words="RABRI 50%_", **asked))
        assert (lines, total) == ([], 0)  # as they are written: no signs of a pattern
        found = page(session, 500, 0, Wanted(words="first TRY", **asked))
        every = page(session, 500, 0, Wanted(**asked))[0]
        (sql, values) = next(one for one in sent if "instr" in one[0])
        plan = [row[3] for row in session.connection().exec_driver_sql(f"EXPLAIN QUERY PLAN {sql}", values)]
    assert "SCAN batch USING COVERING INDEX ix_batch_found" in plan and not any("SEARCH batch" in s for s in plan), (
        plan
    )
    named = [line.id for line in every if "first try" in line.name.lower()]
    assert [line.id for line in found[0]] == named and found[1] == len(named)
    assert named or asked
    db.close()


@pytest.mark.parametrize("family", ["drain", "loss", "uptake"])
def test_lessons_of_a_kind_are_found_by_their_key(large, family):
    db = Database(large)
    sent = []
    with db.writing() as session:
        for batch, key in ((1, f"{family}:a"), (2, f"{family}:b"), (3, f"{family}s:c"), (4, "kulfi.fill")):
            session.add(LessonRow(batch_id=batch, key=key, ln_ratio=0.1 * batch))
    event.listen(db.engine, "before_cursor_execute", lambda c, cursor, sql, values, *_: sent.append((sql, values)))
    with db.reading() as session:
        teaching = Teaching(session)
        found = teaching.of(family)
        (sql, values) = sent[-1]
        plan = [row[3] for row in session.connection().exec_driver_sql(f"EXPLAIN QUERY PLAN {sql}", values)]
        steps = {x.key for x in teaching.of("step")}
    assert [(x.batch, round(x.ln_ratio, 6)) for x in sorted(found, key=lambda x: x.batch)] == [(1, 0.1), (2, 0.2)]
    assert any("ix_lesson_key" in step for step in plan), plan
    assert "kulfi.fill" in steps and not any(":" in step for step in steps)
    db.close()
