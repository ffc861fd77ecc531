"""What keeps a kitchen of many years quick: sums instead of lists, packed forecasts, lines told once, indices used."""

import math
import zlib

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import text

from mulvek.core.batch.learning import VERDICTS, Lesson, Taught, judge_thickness, pooled_prior, update
from mulvek.core.planning.reduce.plan import Rate, Thickness
from mulvek.store.batches import Batches
from mulvek.store.database import Database
from mulvek.store.shelf import read_shelf
from mulvek.store.tables import BatchRow
from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock
from tests.load.large_kitchen import grow

lessons = st.lists(
    st.builds(Lesson, st.floats(-1.5, 1.5), st.floats(0.05, 0.6)),
    min_size=1,
    max_size=30,
)


@given(lessons)
def test_the_sum_of_lessons_says_what_they_say_one_after_another(seen):
    one_by_one = Rate()
    for lesson in seen:
        one_by_one = update(one_by_one, Taught.of([lesson]))
    at_once = update(Rate(), Taught.of(seen))
    assert at_once.ln_mean == pytest.approx(one_by_one.ln_mean, abs=1e-9)
    assert at_once.ln_sd == pytest.approx(one_by_one.ln_sd) and at_once.batches == len(seen)
    assert at_once.ln_sd < Rate().ln_sd
    assert min(0.0, *(x.ln_ratio for x in seen)) - 1e-9 <= at_once.ln_mean
    assert at_once.ln_mean <= max(0.0, *(x.ln_ratio for x in seen)) + 1e-9


@given(st.lists(lessons, max_size=5))
def test_a_pooled_guess_lies_among_its_cells(cells):
    pooled = pooled_prior(map(Taught.of, cells))
    means = [0.0, *(t.total / t.weight for t in map(Taught.of, cells))]
    assert min(means) - 1e-9 <= pooled.ln_mean <= max(means) + 1e-9


@given(st.dictionaries(st.sampled_from(sorted(VERDICTS)), st.integers(0, 400)))
def test_verdicts_in_whatever_number_only_make_surer(said):
    judged = judge_thickness(Thickness(), said)
    assert judged.batches == sum(said.values())
    assert judged.ln_sd <= Thickness().ln_sd and math.isfinite(judged.ln_mean)


@pytest.fixture
def large(tmp_path, templates):
    """The boathouse with three hundred batches more."""
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    grow(file, 300)
    return file


def test_lessons_are_summed_by_the_file_as_they_would_be_one_by_one(large):
    db = Database(large)
    with db.reading() as session:
        shelf = read_shelf(session)
        rows = session.query(BatchRow).filter(BatchRow.lesson_ln.is_not(None)).all()
    for (burner, pan, flame), seen in _by_cell(rows).items():
        found = shelf.lessons[burner][pan, flame]
        by_hand = Taught.of(seen)
        assert found.batches == by_hand.batches
        assert (found.weight, found.total) == pytest.approx((by_hand.weight, by_hand.total))
    db.close()


def _by_cell(rows):
    cells = {}
    for row in rows:
        if row.burner_id is not None and row.pan_id is not None:
            cell = cells.setdefault((row.burner_id, row.pan_id, row.flame), [])
            cell.append(Lesson(row.lesson_ln, row.lesson_sd))
    return cells


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
        "SELECT burner_id, pan_id, flame, count(*), sum(lesson_ln), sum(lesson_sd) FROM batch "
        "WHERE finished = 1 AND lesson_ln IS NOT NULL GROUP BY burner_id, pan_id, flame",
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
