"""Copies over HTTP, one a day by itself, and a server that starts and stops with plain words."""

import json
import sqlite3
import subprocess
import sys
import urllib.request

import pytest

from mulvek.store.copies import DAY_S
from mulvek.store.verify import verify_file
from tests.conftest import free_port, serving
from tests.kitchens import MILK


def test_saved_seen_downloaded_and_brought_back(client, clock, tmp_path):
    assert client.get("/api/copies").json["copies"] == []
    made = client.post("/api/copies", json={}).json["copies"]
    name = made[0]["name"]
    assert made[0]["at_s"] == clock.now and made[0]["bytes"] > 50_000 and made[0]["why"] == ""
    assert client.get(f"/api/copies/{name}").json["things"]["milks"] == 5
    download = client.get(f"/api/copies/{name}/file")
    (tmp_path / "mine.sqlite3").write_bytes(download.data)
    assert verify_file(tmp_path / "mine.sqlite3").sound
    client.post("/api/larder/milks", json={**MILK, "name": "evening milk"})
    clock.now += 60
    assert client.post(f"/api/copies/{name}/bring-back", json={"sure": False}).status_code == 422
    back = client.post(f"/api/copies/{name}/bring-back", json={"sure": True})
    assert back.status_code == 200
    assert "evening milk" not in [m["name"] for m in client.get("/api/larder").json["milks"]]
    # and what was there can be had again
    again = client.post(f"/api/copies/{back.json['before']}/bring-back", json={"sure": True})
    assert again.status_code == 200
    assert "evening milk" in [m["name"] for m in client.get("/api/larder").json["milks"]]


@pytest.mark.parametrize(
    "name", ["kitchen-20200101T000000.sqlite3", "..%2Fkitchen.sqlite3", "x", "a" * 200 + ".sqlite3"]
)
def test_no_other_file_can_be_had(client, name):
    for path in (f"/api/copies/{name}", f"/api/copies/{name}/file"):
        assert client.get(path).status_code in (404, 422)
    assert client.post(f"/api/copies/{name}/bring-back", json={"sure": True}).status_code in (404, 422)


def test_the_daily_copy_says_what_is_in_its_way_and_goes_on(client, clock):
    daily = client.application.extensions["mulvek_daily"]
    daily.look()
    assert len(client.get("/api/copies").json["copies"]) == 1
    folder = daily.copies.folder
    kept = folder.rename(folder.with_name("away"))
    folder.write_text("a file where the folder should be")
    clock.now += DAY_S
    daily.look()
    assert "cannot be written" in client.get("/api/copies").json["trouble"]
    assert client.post("/api/copies", json={}).status_code == 503
    folder.unlink()
    kept.rename(folder)
    daily.look()
    listed = client.get("/api/copies").json
    assert listed["trouble"] == "" and len(listed["copies"]) == 2


def test_a_stop_leaves_one_file_and_its_copy_even_while_a_tab_listens(tmp_path):
    with serving(tmp_path) as (url, server):
        stream = urllib.request.urlopen(url + "/api/changes", timeout=60)
        assert stream.readline()
        body = json.dumps({"name": "third", "kind": "lpg-large"}).encode()
        request = urllib.request.Request(url + "/api/larder/burners", body, {"Content-Type": "application/json"})
        urllib.request.urlopen(request, timeout=60)
        server.terminate()
        server.join(timeout=60)
        assert server.exitcode == 0
        stream.close()
    assert sorted(p.name for p in tmp_path.iterdir()) == ["copies", "kitchen.sqlite3"]
    with sqlite3.connect(tmp_path / "kitchen.sqlite3") as file:
        assert ("third",) in file.execute("SELECT name FROM burner").fetchall()


def start(*words: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run([sys.executable, "-m", "mulvek", *words], capture_output=True, text=True, timeout=240)


def test_a_start_that_cannot_be_says_one_sentence_and_makes_nothing_worse(tmp_path, templates):
    newer = templates.own(tmp_path / "kitchen.sqlite3")
    with sqlite3.connect(newer) as file:
        file.execute("UPDATE alembic_version SET version_num = '9999'")
    told = start("serve", "--data", str(tmp_path), "--port", str(free_port()))
    assert told.returncode == 2 and "newer Mulvek" in told.stderr and "Traceback" not in told.stderr
    newer.write_bytes(b"SQLite format 3\0" + b"\xff" * 5000)
    damaged = start("serve", "--data", str(tmp_path), "--port", str(free_port()))
    assert damaged.returncode == 2 and "damaged" in damaged.stderr and "Traceback" not in damaged.stderr
    assert newer.read_bytes().endswith(b"\xff" * 5000)
    nowhere = start("serve", "--data", str(newer / "under-a-file"), "--port", "0")
    assert nowhere.returncode == 2 and "Nothing can be written" in nowhere.stderr


def test_a_second_server_and_a_taken_port_are_told_apart(tmp_path):
    with serving(tmp_path) as (url, _):
        port = url.rsplit(":", 1)[1]
        second = start("serve", "--data", str(tmp_path), "--port", str(free_port()))
        assert second.returncode == 2 and url in second.stderr
        taken = start("serve", "--data", str(tmp_path / "other"), "--port", port)
        assert taken.returncode == 2 and f"Port {port} is taken" in taken.stderr and "Traceback" not in taken.stderr
