"""A real small file system that fills up or may only be read, and a file whose bits flip: what was acknowledged is
there, what cannot be is said plainly, and one bad page is not the whole kitchen."""

import os
import random
import shutil
import subprocess
import sys

import pytest

from mulvek.store.copies import copy_file
from mulvek.store.verify import verify_file
from mulvek.web.app import create_app, stop
from tests.kitchens import EPOCH_S, Clock, words
from tests.sizes import sized

FLIPS = sized(12, 300)
PAGES = ("/api/stove", "/api/book", "/api/larder", "/api/sweets/bases")


@pytest.fixture
def small_disk(tmp_path):
    """Four megabytes of their own."""
    disk = tmp_path / "disk"
    disk.mkdir()
    made = subprocess.run(["mount", "-t", "tmpfs", "-o", "size=4m", "tmpfs", str(disk)], capture_output=True)
    if made.returncode:
        pytest.skip("only root may mount a file system")
    yield disk
    subprocess.run(["umount", "-l", str(disk)], check=True)


def note(client, batch, text):
    event = {"kind": "note", "text": text + " " + "x" * 1500}
    return client.post(f"/api/batches/{batch}/events", json={"event": event})


def test_a_disk_that_fills_up_loses_nothing_and_goes_on_when_there_is_room(small_disk, templates):
    file = templates.own(small_disk / "kitchen.sqlite3")
    app = create_app(file, clock=Clock(EPOCH_S))
    client = app.test_client()
    batch = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "B", "plan": words()}}).json["id"]
    filler = small_disk / "photographs"
    room = shutil.disk_usage(small_disk).free
    filler.write_bytes(b"\0" * (room - 300_000))
    kept, refused = [], None
    for i in range(400):
        answer = note(client, batch, f"{i}")
        if answer.status_code == 503:
            refused = answer
            break
        assert answer.status_code == 201
        kept.append(f"{i}")
    assert refused is not None and kept
    assert int(refused.headers["Retry-After"]) > 0 and "disk" in refused.json["detail"].lower()
    assert [client.get(page).status_code for page in PAGES] == [200] * len(PAGES)
    assert client.post("/api/bench/reduce", json=words()).status_code == 200
    assert client.post("/api/copies", json={}).status_code == 503
    assert not list((small_disk / "copies").glob("*.sqlite3"))  # no half copy under a whole one's name
    filler.unlink()
    assert note(client, batch, "after").status_code == 201
    stop(app)
    again = create_app(file, clock=Clock(EPOCH_S))
    log = again.test_client().get(f"/api/batches/{batch}").json["log"]
    said = {line["text"].split()[0] for line in log if line["kind"] == "note"}
    assert {*kept, "after"} == said
    stop(again)
    assert verify_file(file).sound


def test_a_read_only_disk_is_told_in_one_sentence_and_left_as_it_is(small_disk, templates):
    file = templates.own(small_disk / "kitchen.sqlite3")
    before = file.read_bytes()
    subprocess.run(["mount", "-o", "remount,ro", str(small_disk)], check=True)
    said = subprocess.run(
        [sys.executable, "-m", "mulvek", "serve", "--port", "0", "--data", str(small_disk)],
        capture_output=True,
        text=True,
        timeout=120,
    )
    assert said.returncode == 2 and "Traceback" not in said.stderr
    assert said.stderr.count("\n") == 1 and "written" in said.stderr
    assert file.read_bytes() == before and os.listdir(small_disk) == ["kitchen.sqlite3"]


@pytest.fixture(scope="module")
def used(tmp_path_factory, templates):
    """The boathouse as one plain file."""
    folder = tmp_path_factory.mktemp("used")
    copy_file(templates.demo(folder / "demo.sqlite3"), folder / "plain.sqlite3")
    return folder / "plain.sqlite3"


@pytest.mark.parametrize("seed", range(FLIPS))
def test_a_flipped_bit_is_no_500(tmp_path, used, seed):
    """Anywhere in the file. It may hit a page of one batch, an index, a header: each page answers or says why not, and
    looking the file through says that something is wrong, or all reads as it was."""
    chance = random.Random(seed)
    file = tmp_path / "kitchen.sqlite3"
    raw = bytearray(used.read_bytes())
    for _ in range(chance.choice((1, 1, 8))):
        raw[chance.randrange(100, len(raw))] ^= 1 << chance.randrange(8)
    file.write_bytes(raw)
    from mulvek.core.errors import KitchenError

    try:
        app = create_app(file, clock=Clock(EPOCH_S))
    except KitchenError as error:
        assert error.message and error.fix
        return
    client = app.test_client()
    answers = {page: client.get(page) for page in PAGES}
    assert all(answer.status_code in (200, 409, 503) for answer in answers.values()), answers
    for answer in answers.values():
        assert answer.status_code == 200 or answer.json["fields"][0]["fix"]
    stop(app)
