"""Killed in the middle of anything that writes: pans, curds, sweets, the Larder, imports, copies, bringing one back,
lifting an old file. What was acknowledged is there once; what was not is there whole or not at all."""

import gzip
import os
import random
import select
import shutil
import signal
import sqlite3
import time
from contextlib import closing
from pathlib import Path

import pytest

from mulvek.core.errors import KitchenError
from mulvek.store.copies import Copies, check
from mulvek.store.database import Database, newest_schema
from mulvek.store.verify import verify_file
from mulvek.web.app import create_app
from tests.kitchens import EPOCH_S, Clock
from tests.sizes import sized

ROUNDS = sized(14, 600)
"""Of everything that a kitchen writes while it is served."""
SWAPS = sized(8, 250)
LIFTS = sized(8, 150)
BATCHES = {"pan": 5, "curd": 8, "sweet": 10}
"""That run in the boathouse."""
OLD = Path(__file__).parent / "old"


def killed_while(work, chance, longest_s, lines=1):
    """Run ``work(say)`` in a process of its own and kill it at some moment after so many lines of it; gives what it
    said was on disk."""
    out, into = os.pipe()
    if (child := os.fork()) == 0:
        try:
            os.close(out)
            work(lambda text: os.write(into, f"{text}\n".encode()))
        finally:
            os._exit(0)
    os.close(into)
    said = b""
    while said.count(b"\n") < lines and select.select([out], [], [], 60)[0] and (piece := os.read(out, 65536)):
        said += piece
    time.sleep(chance.random() * longest_s)
    os.kill(child, signal.SIGKILL)
    os.waitpid(child, 0)
    while piece := os.read(out, 65536):
        said += piece
    os.close(out)
    return said.decode().splitlines()


def everything(file, round_):
    """One after another, each said when it is acknowledged."""

    def work(say):
        client = create_app(file, clock=Clock(EPOCH_S + round_)).test_client()
        say("ready")
        for i in range(10_000):
            name = f"killed-{round_}-{i}"
            note = {"event": {"kind": "note", "text": name, "key": name}}
            for kind, batch in BATCHES.items():
                url = f"/api/batches/{batch}/events"
                answer = client.post(url, json=note)
                assert answer.status_code == 201, answer.json
                say(f"{kind} {name}")
            milk = {"name": name, "fat_pct": 4.0, "snf_pct": 8.7, "species": "cow"}
            assert client.post("/api/larder/milks", json=milk).status_code == 201
            say(f"milk {name}")
            at = time.strftime("%Y-%m-%dT%H:%M:%SZ", time.gmtime(EPOCH_S - 1_000_000 - round_ * 1000 - i))
            lines = f"time,source,what,value,unit\n{at},scale stream,gross weight,{round_ + 1}.{i % 10},g\n"
            assert client.post("/api/book/1/readings", json={"csv": lines}).status_code == 201
            say(f"line {at}")
            if i % 3 == 2:
                copies = client.post("/api/copies", json={})
                assert copies.status_code == 201
                say(f"copy {copies.json['copies'][0]['name']}")

    return work


def test_nothing_acknowledged_is_lost_or_doubled_wherever_it_is_killed(tmp_path, templates):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    chance, acknowledged = random.Random(11), []
    for round_ in range(ROUNDS):
        said = killed_while(everything(file, round_), chance, 0.05, 1 + chance.randrange(18))
        acknowledged += [line for line in said if line != "ready"]
    assert {line.split(" ")[0] for line in acknowledged} == {*BATCHES, "milk", "line", "copy"}
    assert verify_file(file).sound
    client = create_app(file, clock=Clock(EPOCH_S + ROUNDS)).test_client()
    there = {}
    for kind, batch in BATCHES.items():
        there[kind] = [line["text"] for line in client.get(f"/api/batches/{batch}").json["log"]]
    there["milk"] = [milk["name"] for milk in client.get("/api/larder").json["milks"]]
    there["line"] = [line.split(".")[0] + "Z" for line in client.get("/api/book/1/readings.csv").text.splitlines()]
    there["copy"] = [copy["name"] for copy in client.get("/api/copies").json["copies"]]
    for line in acknowledged:
        kind, name = line.split(" ", 1)
        assert there[kind].count(name) == 1, line
    for copy in Copies(file).all():
        assert check(copy.path).schema == newest_schema()


def test_killed_while_a_copy_is_brought_back_it_is_the_old_kitchen_or_the_new(tmp_path, templates):
    file = templates.demo(tmp_path / "kitchen.sqlite3")
    copies, chance = Copies(file), random.Random(12)
    first = copies.make(EPOCH_S)
    db = Database(file)
    with db.writing() as session:
        session.connection().exec_driver_sql("UPDATE kitchen SET name = 'the later kitchen'")
    db.close()
    later = copies.make(EPOCH_S + 10)
    seen = set()
    for round_ in range(SWAPS):
        wanted = (first, later)[round_ % 2]

        def work(say, to=wanted.path, at=EPOCH_S + 100 + round_):
            db = Database(file)
            say("ready")
            db.bring_back(copies, to, at)
            say("done")
            time.sleep(5)

        said = killed_while(work, chance, 0.12)
        with closing(sqlite3.connect(file)) as raw:
            [name] = raw.execute("SELECT name FROM kitchen").fetchone()
        if "done" in said:
            assert (name == "the later kitchen") == (wanted is later)
        seen.add(name)
        assert verify_file(file).sound
        for copy in copies.all():
            if copy.why:
                check(copy.path)
                copy.path.unlink()  # or the next rounds are about copying thousands
    assert seen


@pytest.mark.parametrize("form", ["0001", "0005", "0006"])
def test_killed_while_an_old_file_is_lifted_it_is_old_or_new_and_whole(tmp_path, form):
    file, chance = tmp_path / "kitchen.sqlite3", random.Random(int(form))
    whole = gzip.decompress((OLD / f"{form}.sqlite3.gz").read_bytes())
    (tmp_path / "whole").write_bytes(whole)
    held = check(tmp_path / "whole")
    for _ in range(LIFTS):
        for left in tmp_path.glob("kitchen*"):
            left.unlink()
        shutil.copyfile(tmp_path / "whole", file)

        def work(say):
            say("ready")
            Database(file)
            say("done")
            time.sleep(5)

        killed_while(work, chance, 0.6)
        now = check(file)
        assert now.schema in (form, newest_schema())
        assert (now.happenings, now.last_s) == (held.happenings, held.last_s)
        try:
            Database(file).close()
        except KitchenError as error:
            raise AssertionError(f"it does not open again: {error}") from error
        assert check(file).schema == newest_schema()
