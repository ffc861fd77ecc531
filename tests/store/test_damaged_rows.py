"""One row that cannot be read harms only itself, in whichever table and however it is damaged."""

import sqlite3
from contextlib import closing

import pytest

from mulvek.store.verify import verify_file
from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock

DAMAGE = {
    "a plan of nothing": "UPDATE batch SET plan = '{{}}' WHERE id = {id}",
    "a plan that is no object": "UPDATE batch SET plan = '[1]' WHERE id = {id}",
    "an unknown kind": "UPDATE event SET kind = 'sung' WHERE batch_id = {id} AND number = 2",
    "data of nothing": "UPDATE event SET data = 'null' WHERE batch_id = {id} AND number = 2",
    "data of another kind": "UPDATE event SET data = '{{\"moon\": 1}}' WHERE batch_id = {id} AND number = 2",
}
KINDS = {"pan": 1, "curd": 7, "sweet": 9}
"""Numbers of the boathouse's."""


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("how", DAMAGE)
def test_it_is_named_and_the_rest_is_served(tmp_path, templates, kind, how):
    number = KINDS[kind]
    one = f"/api/batches/{number}"
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    with sqlite3.connect(file) as made:
        made.execute(DAMAGE[how].format(id=number))
        made.execute(f"UPDATE batch SET finished = 0 WHERE id = {number}")
        (name,) = made.execute(f"SELECT name FROM batch WHERE id = {number}").fetchone()
    app = create_app(file, clock=lambda: EPOCH_S)
    client = app.test_client()
    running, written = client.get("/api/stove"), client.get("/api/book")
    assert (running.status_code, written.status_code) == (200, 200)
    if how in ("data of nothing", "data of another kind") and not running.json["aside"]:
        assert client.get(one).status_code == 200  # a happening that carries no data cannot be damaged in it
        return
    assert running.json["aside"] == [name] and running.json["batches"]
    assert name not in [b["name"] for b in running.json["batches"]]
    # its line in the Book stands by itself
    assert written.json["aside"] == [] and name in [line["name"] for line in written.json["lines"]]
    answer = client.get(one)
    assert answer.status_code == 409 and name in answer.json["detail"] and "mulvek verify" in answer.json["detail"]
    logged = client.post(one + "/events", json={"event": {"kind": "note", "text": "x"}})
    assert logged.status_code == 409
    for path in (
        "/api/larder",
        "/api/sweets/bases",
        "/api/rehearsals",
        "/api/stove",
    ):
        assert client.get(path).status_code == 200, path
    plan = {"milk": 1, "amount": "1 L", "pan": 3, "burner": 3, "stop": "half its volume"}
    begun = {"batch": {"kind": "reduce", "name": "on", "plan": plan}}
    assert client.post("/api/batches", json=begun).status_code == 201
    stop(app)
    assert next(line.split(":")[0] for line in verify_file(file).unreadable).endswith(f" {number}")


@pytest.mark.parametrize("damage", ["[1]", '{"phase": "asleep"}', "{", '"x"'])
def test_a_line_of_the_book_that_cannot_be_read_is_named_and_the_rest_is_there(tmp_path, templates, damage):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    with sqlite3.connect(file) as made:
        made.execute("UPDATE batch SET summary = ? WHERE id = 9", (damage,))
    app = create_app(file, clock=lambda: EPOCH_S)
    book = app.test_client().get("/api/book").json
    left = [line["id"] for line in book["lines"]]
    for page in ("shelf", "shopping"):
        assert app.test_client().get(f"/api/{page}").status_code == 200
    # what is no JSON at all is worked out anew
    assert (len(left), book["aside"]) == ((14, []) if damage == "{" else (13, ["Sponge balls for the tea"]))
    stop(app)


@pytest.mark.parametrize(
    ("table", "column", "listed"),
    [("pan", "shape", "pans"), ("milk", "flags", "milks"), ("burner", "kind", "burners")],
)
def test_a_damaged_thing_of_the_larder_is_named_and_the_rest_is_there(tmp_path, templates, table, column, listed):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    with closing(sqlite3.connect(file)) as db:
        db.execute(f"UPDATE {table} SET {column} = '?' WHERE id = (SELECT max(id) FROM {table})")
        [name] = db.execute(f"SELECT name FROM {table} ORDER BY id DESC LIMIT 1").fetchone()
        left = db.execute(f"SELECT count(*) - 1 FROM {table}").fetchone()[0]
        db.commit()
    app = create_app(file, clock=Clock(EPOCH_S))
    client = app.test_client()
    larder = client.get("/api/larder").json
    assert larder["aside"] == [name] and len(larder[listed]) == left
    plan = {"milk": 1, "amount": "1 L", "pan": 1, "burner": 1, "stop": "half its volume"}
    assert client.post("/api/bench/reduce", json=plan).status_code == 200
    stop(app)
