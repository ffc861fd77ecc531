"""Instruments with their real process: paired, kept second by second, read from, silent, replayed; CSV in and out."""

import contextlib
import csv
import io
import itertools
import json
import subprocess
import sys
import time
import urllib.error
import urllib.request
from datetime import UTC, datetime

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from sqlalchemy import select

from mulvek.store.database import Database
from mulvek.store.samples import Samples
from mulvek.store.tables import SampleChunkRow
from mulvek.web.pairing import checked_url
from tests.conftest import free_port, serving
from tests.kitchens import EPOCH_S, words
from tests.sizes import sized
from tests.web.test_api import happens
from tests.web.test_stove_changes import boiling


@contextlib.contextmanager
def instruments(port=None, *options):
    port = port or free_port()
    args = [sys.executable, "-m", "mulvek", "instruments", "--port", str(port), "--drop-outs", "0", *options]
    process = subprocess.Popen(args, stdout=subprocess.PIPE)
    assert b"Instruments are on" in process.stdout.readline()
    try:
        yield f"http://127.0.0.1:{port}", process
    finally:
        process.kill()
        process.wait()


def ask(url, body=None):
    request = urllib.request.Request(url, json.dumps(body).encode() if body is not None else None)
    request.add_header("Content-Type", "application/json")
    return json.load(urllib.request.urlopen(request, timeout=60))


def until(check, seconds=120):
    patience = time.monotonic() + seconds
    while not (found := check()):
        assert time.monotonic() < patience, "it never came"
        time.sleep(0.1)
    return found


def pans(url):
    return [batch["id"] for batch in ask(url + "/api/stove")["batches"] if batch["kind"] == "reduce"]


def test_paired_read_silent_and_on_again_after_a_killed_server(tmp_path):
    with instruments() as (device, process):
        with serving(tmp_path, "demo") as (url, server):
            batch = pans(url)[1]
            path = f"{url}/api/batches/{batch}/instruments"
            paired = ask(path, {"url": device})
            assert paired["instruments"][0]["simulated"] and paired["speaks"] == "scale"
            shown = lambda: ask(path)["instruments"][0]  # noqa: E731
            until(lambda: len(shown()["channels"][0]["recent"]) >= 5)
            # the scale, pan and all, settles into a reading without the pan
            read = until(lambda: [x for x in ask(f"{url}/api/batches/{batch}")["log"] if "scale" in x["text"]])
            assert "kitchen scale: weighed" in read[0]["text"]
            seen = {c["channel"]: c["value"] for c in shown()["channels"]}
            state = ask(f"{url}/api/batches/{batch}")
            assert seen["scale"] - 1.4 == pytest.approx(state["mass_kg"]["likely"], abs=0.05)
            server.kill()
        time.sleep(3)
        with serving(tmp_path, "demo") as (url, _):  # it goes on by itself, and fetches what it missed
            path = f"{url}/api/batches/{batch}/instruments"
            until(lambda: ask(path)["instruments"][0]["connected"])
            scale = until(lambda: [c for c in ask(f"{url}/api/book/{batch}/samples")["channels"] if c["count"] > 12])
            gaps = [b - a for a, b in zip(scale[0]["at_s"], scale[0]["at_s"][1:], strict=False)]
            assert max(gaps) < 2.0, "a second was lost while the server was dead"
            # the other pan's batch ends: its instruments are let go by themselves
            other = pans(url)[0]
            theirs = f"{url}/api/batches/{other}"
            assert ask(theirs + "/instruments", {"url": device})["instruments"]
            for kind in ({"kind": "off"}, {"kind": "weighed", "mass_kg": 1.2}):
                ask(theirs + "/events", {"event": kind})
            until(lambda: not ask(theirs + "/instruments")["instruments"])
            process.kill()
            until(lambda: not ask(path)["instruments"][0]["connected"])
            until(lambda: ask(path)["instruments"][0]["channels"][0]["silent_s"])
            assert "keep trying" in until(lambda: ask(path)["instruments"][0]["trouble"])


def test_saved_lines_are_played_again_and_the_lines_can_be_had_in_three_forms(tmp_path):
    saved = tmp_path / "run.csv"
    saved.write_text("at_s,scale,probe\n0,3.0,99.1\n1,2.99,99.2\n2,2.98,\n")
    with instruments(None, "--replay", str(saved), "--speed", "20") as (device, _):
        time.sleep(1)
        assert ask(device + "/") | {"session": ""} == {
            "format": "mulvek-lines/1",
            "session": "",
            "n": 3,
            "name": "simulated kitchen instruments",
            "simulated": False,
            "every_s": 1.0,
            "channels": [
                {"channel": "scale", "name": "kitchen scale", "unit": "kg"},
                {"channel": "probe", "name": "probe thermometer", "unit": "°C"},
            ],
        }
        rows = list(csv.DictReader(io.StringIO(urllib.request.urlopen(device + "/readings.csv").read().decode())))
        assert [r["scale"] for r in rows] == ["3.0", "2.99", "2.98"] and rows[2]["probe"] == ""
        with urllib.request.urlopen(device + "/lines?after=1") as lines:
            assert json.loads(lines.readline()) == {"n": 2, "at_s": 0.05, "scale": 2.99, "probe": 99.2}
        request = urllib.request.Request(device + "/events", headers={"Last-Event-ID": "2"})
        with urllib.request.urlopen(request) as events:
            assert [events.readline() for _ in range(4)][2:] == [b"id: 3\n", b"event: reading\n"]


def test_only_the_kitchens_own_network_is_asked(client, clock):
    batch = boiling(client, clock)["id"]
    for url, says in (
        ("https://127.0.0.1:1", "no instrument"),
        ("http://203.0.113.7:80", "own network"),
        ("http://127.0.0.1:1", "Nothing answers"),
        ("http://127.0.0.1:x", "no instrument"),
        ("file:///etc/passwd", "no instrument"),
        ("http://" + "a" * 70, "There is no"),
    ):
        answer = client.post(f"/api/batches/{batch}/instruments", json={"url": url})
        assert answer.status_code == 422 and says in answer.json["detail"], url
    assert checked_url("localhost:8977") == "http://localhost:8977"
    assert client.delete(f"/api/batches/{batch}/instruments/1").status_code == 404
    assert client.get(f"/api/batches/{batch}/instruments").json["instruments"] == []


def test_twenty_thousand_samples_are_kept_and_shown_thin(tmp_path, client, clock):
    batch = boiling(client, clock)["id"]
    db: Database = client.application.extensions["mulvek_database"]
    spike = 7777
    rows = [(clock.now + i, 2.0 if i == spike else 1.6 - i * 2e-5) for i in range(20_000)]
    for begin in range(0, 20_000, 500):
        with db.writing() as session:
            Samples(session).append(batch, {"scale": rows[begin : begin + 500]})
            Samples(session).append(batch, {"scale": rows[max(0, begin - 5) : begin]})  # sent twice
    clock.now += 20_000
    shown = client.get(f"/api/book/{batch}/samples").json["channels"][0]
    assert shown["count"] == 20_000 and len(shown["at_s"]) <= 600 and max(shown["values"]) == pytest.approx(2.0)
    text = client.get(f"/api/book/{batch}/readings.csv").text
    assert text.count("\n") == 20_001
    # into another batch of the same kitchen, and again: nothing twice
    happens(client, batch, kind="off")
    other = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "Copy", "plan": words()}}).json[
        "id"
    ]
    brought = client.post(f"/api/book/{other}/readings", json={"csv": text})
    assert brought.json == {"readings": 0, "samples": 20_000, "known": 0}
    assert client.post(f"/api/book/{other}/readings", json={"csv": text}).json["known"] == 20_000
    assert client.get(f"/api/book/{other}/samples").json["channels"][0]["at_s"] == pytest.approx(shown["at_s"])


def streamed(*lines):
    """A CSV of a scale's stream: (seconds since EPOCH_S, grams)."""
    at = lambda s: datetime.fromtimestamp(EPOCH_S + s, UTC).isoformat()  # noqa: E731
    return "time,source,what,value,unit\n" + "".join(
        f"{at(s)},scale stream,gross weight,{grams},g\n" for s, grams in lines
    )


def test_late_and_earlier_lines_of_a_stream_are_merged_and_counted_truly(client, clock):
    batch = boiling(client, clock)["id"]
    clock.now += 5000
    url = f"/api/book/{batch}/readings"
    middle = [(s, 1500 - s / 10) for s in range(1000, 2000)]
    rest = [(s, 1500 - s / 10) for s in (*range(0, 1000), *range(1995, 3000))]
    assert client.post(url, json={"csv": streamed(*middle)}).json == {"readings": 0, "samples": 1000, "known": 0}
    assert client.post(url, json={"csv": streamed(*rest)}).json == {"readings": 0, "samples": 2000, "known": 5}
    assert client.post(url, json={"csv": streamed(*middle, *rest)}).json["known"] == 3005
    shown = client.get(f"/api/book/{batch}/samples?points=2000").json["channels"][0]
    assert shown["count"] == 3000 and shown["at_s"] == sorted(shown["at_s"])
    text = client.get(f"/api/book/{batch}/readings.csv").text.splitlines()[1:]
    assert [line.split(",")[3] for line in text[::500]] == [f"{1500 - s / 10:.1f}" for s in range(0, 3000, 500)]


pieces = st.lists(st.lists(st.integers(0, 4000), min_size=1, max_size=60), min_size=1, max_size=6)


@given(pieces)
@settings(deadline=None, max_examples=sized(25, 200))
def test_in_whatever_order_lines_come_each_is_kept_once(tmp_path_factory, templates, come):
    db = Database(templates.demo(tmp_path_factory.mktemp("merge") / "k.sqlite3"))
    kept, expected = 0, {}
    for piece in come:
        with db.writing() as session:
            kept += Samples(session).append(2, {"probe": [(EPOCH_S + s, s / 100) for s in piece]})
        expected |= {EPOCH_S + s: s / 100 for s in piece}
        with db.reading() as session:
            at, values = Samples(session).read(2, "probe")
            of = select(SampleChunkRow).where(SampleChunkRow.batch_id == 2, SampleChunkRow.channel == "probe")
            chunks = session.scalars(of.order_by(SampleChunkRow.began_s)).all()
        assert dict(zip(at.round(2).tolist(), values.round(2).tolist(), strict=True)) == expected
        assert kept == len(expected) == sum(chunk.count for chunk in chunks)
        assert all(a.ended_s < b.began_s for a, b in itertools.pairwise(chunks))
    db.close()


@pytest.mark.parametrize(
    ("time", "says"),
    [
        ("9999-12-31T23:59:59Z", "9999-12-31T23:59:59Z lies in the future"),
        ("1969-01-01T00:00:00Z", "before 1970"),
        ("0001-01-01T00:00:00Z", "before 1970"),
        ("2026-13-01T00:00:00Z", "is no time"),
        ("2026-05-02T16:30:00", "is no time"),
    ],
)
def test_a_line_of_another_age_is_refused_by_name_and_nothing_is_kept(client, clock, time, says):
    batch = boiling(client, clock)["id"]
    text = streamed((-10, 1500)) + f"{time},scale stream,gross weight,1499,g\n"
    refused = client.post(f"/api/book/{batch}/readings", json={"csv": text})
    assert refused.status_code == 422 and "Line 3" in refused.json["detail"] and says in refused.json["detail"]
    assert client.get(f"/api/book/{batch}/samples").json["channels"] == []


def test_a_long_import_lets_others_write_in_between(client, clock, monkeypatch):
    batch = boiling(client, clock)["id"]
    clock.now += 20_000
    db = client.application.extensions["mulvek_database"]
    turns, turn = [], db._turns.turn

    def counted(patience_s):
        turns.append(patience_s)
        return turn(patience_s)

    monkeypatch.setattr(db._turns, "turn", counted)
    text = streamed(*((s, 1500) for s in range(12_000)))
    assert client.post(f"/api/book/{batch}/readings", json={"csv": text}).json["samples"] == 12_000
    assert len(turns) >= 8


def test_readings_go_out_as_csv_and_all_or_none_come_in(client, clock):
    batch = boiling(client, clock)["id"]
    clock.now += 600
    depth = client.get(f"/api/batches/{batch}").json["depth_keys_m"][3]
    happens(client, batch, kind="reading", how="depth", value=depth)
    text = client.get(f"/api/book/{batch}/readings.csv").text
    assert client.post(f"/api/book/{batch}/readings", json={"csv": text}).json["known"] == 1
    happens(client, batch, kind="undo", event_id=3)
    before = client.get(f"/api/batches/{batch}").json
    wrong = (
        text
        + text.splitlines()[1].replace("depth", "weight").replace("cm", "kg").replace("weight,", "weight,9")
        + "\n"
    )
    refused = client.post(f"/api/book/{batch}/readings", json={"csv": wrong})
    assert refused.status_code == 422 and "Line 3" in refused.json["detail"]
    assert client.get(f"/api/batches/{batch}").json["log"] == before["log"]
    assert client.post(f"/api/book/{batch}/readings", json={"csv": text}).json["readings"] == 1
    again = client.get(f"/api/batches/{batch}").json
    assert again["to_stop_s"]["high"] < before["to_stop_s"]["high"]
