"""Files that former releases wrote, with what those releases said of them: opened now, they say the same.

``old/NNNN.sqlite3.gz`` is the boathouse and a used kitchen as the last release of that form of the file left it (0002
never left the house: it is 0001 lifted one step), ``NNNN.json.gz`` what its own API answered, without curves.
"""

import gzip
import json
import re
from pathlib import Path

import pytest

from mulvek.store.copies import check
from mulvek.store.database import newest_schema
from mulvek.store.verify import verify_file
from mulvek.web.app import create_app, stop

OLD = Path(__file__).parent / "old"
FORMS = sorted(file.name.split(".")[0] for file in OLD.glob("*.sqlite3.gz"))
SINCE = {
    "text": "a reading is told in other words",
    "strip": "the strip’s words",
    "milk_kinds": "more milks in the tables",
    "sugars": "more sugars",
    "enrichers": "more to enrich with",
    "cups": "cups are told in coarser steps, the more there are",
    "id": "a pan told in a forecast has no number of the Larder",
    "suits": "a curd may suit nearly",
    "value": "figures of a why, rounded: the steam law is one",
    "note": "which protein is meant",
    "protein_kg": "what is no protein stands by itself",
    "uncertainty": "ends of ranges that stay within what can be",
}
"""Fields whose words or choices a later release has changed; never a figure of a batch."""


@pytest.fixture(params=FORMS)
def old(request, tmp_path):
    file = tmp_path / "kitchen.sqlite3"
    file.write_bytes(gzip.decompress((OLD / f"{request.param}.sqlite3.gz").read_bytes()))
    said = json.loads(gzip.decompress((OLD / f"{request.param}.json.gz").read_bytes()))
    return request.param, file, said


POURED = ("capacity_m3", "outline_m")
"""Of a pan that is known by pouring alone: it is fitted smoothly now."""
RECKONED = re.compile(r"/batches/\d+/(curdle|pieces|told_kg|steps|nudges)")
"""A curdling is reckoned from its plan at every look: one composition, one density and one steam law move it by less
than a twentieth, its counts by one."""
BOUNDED = re.compile(r"/(depth_m|mass_kg|texture)/(low|high)$")
"""Ends that were cut off where they left what mass balance allows; now the whole range stays inside."""


def _as_near(at, then, now):
    """What is reckoned anew at every look may move by a hundredth, and by a quarter of a minute: the first boil is
    stepped more finely than it was."""
    if RECKONED.search(at):
        return now == pytest.approx(then, rel=0.06, abs=1.0 if isinstance(then, int) else 1e-9)
    if BOUNDED.search(at):
        return now == pytest.approx(then, rel=0.1)
    seconds = re.search(r"(_s|/seconds)(/(low|likely|high))?$", at)
    return now == pytest.approx(then, rel=0.01, abs=15.0 if seconds else 1e-9)


WORDS_THEN = {
    **{
        w: w.replace(" ", "-")
        for w in ("to the boil", "light squeeze", "hard squeeze", "now and then", "too thick", "too thin")
    },
    "poured into another": "poured",
}
"""What was sent in plain words and is a slug now."""
COARSER = {
    "minerals": ("milk_ash", "plant_ash", "salt"),
    "reducing": ("glucose", "fructose"),
    "other": ("npn", "plant_protein", "carbohydrate", "fibre"),
    "acid": ("citrates", "acid"),
}
"""Of the eleven parts a material had: what each is told apart into."""


def in_eleven(parts):
    return {**parts, **{name: sum(parts[p] for p in finer) for name, finer in COARSER.items()}}


def differences(then, now, at=""):
    """What is gone or otherwise; what is new is welcome."""
    if at.endswith("/parts_pct") and "reducing" in then:
        now = in_eleven(now)
    if re.search(r"/log/\d+/kind$", at):
        return  # it is the name under which it is sent
    if isinstance(then, dict):
        for key, value in then.items():
            if key in SINCE and not (key == "id" and "/told/pan" not in at):
                continue
            if key in POURED and then.get("kind") == "measured":
                continue
            if not isinstance(now, dict) or key not in now:
                yield f"{at}/{key} is gone"
            else:
                yield from differences(value, now[key], f"{at}/{key}")
    elif isinstance(then, list):
        if not isinstance(now, list) or len(then) != len(now):
            yield f"{at}: {len(then)} lines, now {now if not isinstance(now, list) else len(now)}"
        else:
            for i, (a, b) in enumerate(zip(then, now, strict=True)):
                yield from differences(a, b, f"{at}/{i}")
    elif isinstance(then, float | int) and not isinstance(then, bool) and isinstance(now, float | int):
        told = re.search("/told(/|$)", at) or not re.search("/(batch|batches)(/|$)", at)
        if now != pytest.approx(then, rel=1e-4, abs=1e-9) and (told or not _as_near(at, then, now)):
            yield f"{at}: {then}, now {now}"
    elif then != now and not (isinstance(then, str) and now == WORDS_THEN.get(then)):
        yield f"{at}: {then!r}, now {now!r}"


def test_there_is_a_file_of_every_form():
    assert [f"{i:04}" for i in range(1, len(FORMS) + 1)] == FORMS
    assert FORMS[-1] in (newest_schema(), f"{int(newest_schema()) - 1:04}")


KINDS = {"curds": ("curdle", "strain"), "sweets": ("sweet",), "pans": ("reduce",)}
"""While each kind had a table, numbers and addresses of its own."""
PHASES = {"off": "to-weigh", "abandoned": "given-up", "poured into another": "poured"}


def of_kind(batches, kind):
    """Those of a kind, with the numbers they had, in the form of then."""
    found = [b for b in batches if b["kind"] in KINDS[kind]]
    numbers = {b["id"]: i + 1 for i, b in enumerate(sorted(found, key=lambda b: b["id"]))}
    return [{**b, "route": b["kind"], "id": b["id"] if kind == "pans" else numbers[b["id"]]} for b in found]


def asked(client, path, then):
    """What is said now where ``path`` was asked then."""
    one_log = any("kind" in each for each in then.get("lines", then.get("batches", [])))
    if path == "/api/stove" and not one_log:
        now = client.get(path).json
        return now | {"batches": of_kind(now["batches"], "pans")}
    if (old := re.fullmatch(r"/api/(stove|book)/(curds|sweets)", path)) is None:
        answer = client.get(path)
        assert answer.status_code == 200, path
        return _book_of_then(answer.json, then) if path.startswith("/api/book?") and not one_log else answer.json
    where, kind = old.groups()
    book = client.get("/api/book?limit=100").json
    lines = [line["id"] for line in book["lines"] if line["kind"] in KINDS[kind]]
    every = of_kind([client.get(f"/api/batches/{number}").json for number in sorted(lines)], kind)
    running = {b["name"] for b in client.get("/api/stove").json["batches"]}
    found = [b for b in every if where == "book" or b["name"] in running]
    found.sort(key=lambda b: b["created_at_s"] * (-1 if where == "book" else 1))
    return {"batches": found, "total": len(found), "aside": book["aside"]}


def _book_of_then(book, then):
    lines = [line for line in book["lines"] if line["kind"] == "reduce"]
    for line, before in zip(lines, then["lines"], strict=True):
        words = [before[key] for key in ("amount", "milk_name", "pan_name", "stop")]
        assert all(word in line["of"] for word in words)
        line |= {key: before[key] for key in ("amount", "milk_name", "pan_name", "stop")}
        if line["phase"] == PHASES.get(before["phase"], before["phase"]) or line["phase"] == "running":
            line["phase"] = before["phase"]
        line |= {"served_kg": line["told_kg"], "after_boil_s": line["told_s"]}
    return book | {"lines": lines, "total": len(lines)}


def test_it_opens_and_says_what_it_said(old):
    form, file, said = old
    assert check(file).schema == form
    held = check(file)
    app = create_app(file, clock=lambda: said["now_s"])
    client = app.test_client()
    for path, then in said.items():
        if path != "now_s":
            assert list(differences(then, asked(client, path, then))) == [], path
    stop(app)
    now = check(file)
    assert (now.schema, now.happenings, now.last_s) == (newest_schema(), held.happenings, held.last_s)
    assert held.things.items() <= now.things.items()
    assert verify_file(file).sound


def test_it_goes_on(old):
    """What runs in an old file takes happenings, plans lean on what it taught, and the browser's old ones still fit."""
    _, file, said = old
    app = create_app(file, clock=lambda: said["now_s"] + 60)
    client = app.test_client()
    running = client.get("/api/stove").json["batches"]
    assert running
    for batch in running:
        url = f"/api/batches/{batch['id']}/events"
        event = {"kind": "note", "text": "still here", "key": "waited-in-a-browser", "at_s": said["now_s"] - 5}
        assert client.post(url, json={"event": event}).status_code == 201
        log = client.post(url, json={"event": event}).json["log"]
        assert [line["text"] for line in log].count("still here") == 1
    pan = next(batch["id"] for batch in running if batch["kind"] == "reduce")
    plan = client.get(f"/api/book/{pan}").json["batch"]
    words = {"milk": 1, "amount": "1 L", "pan": 1, "burner": 1, "stop": "half its volume"}
    assert plan["name"] and client.post("/api/bench/reduce", json=words).json["batches_behind"] >= 1
    for then in (b for b in said.get("/api/book/curds", {}).get("batches", [])):
        now = client.get(f"/api/batches/former/curd-{then['id']}").json
        assert (now["name"], now["kind"]) == (then["name"], then["route"])
    assert client.get("/api/batches/former/pan-1").json["id"] == 1
    assert client.get("/api/batches/former/sweet-77").status_code == 404
    stop(app)


def test_a_rehearsal_of_the_old_form_is_read_goes_on_and_is_accounted_for(tmp_path):
    """Before 0015 there were pans of milk alone: one is over, one is still on its fire."""
    file = tmp_path / "kitchen.sqlite3"
    file.write_bytes(gzip.decompress((OLD / "0014.sqlite3.gz").read_bytes()))
    said = json.loads(gzip.decompress((OLD / "0014.json.gz").read_bytes()))
    app = create_app(file, clock=lambda: said["now_s"] + 5)
    try:
        client = app.test_client()
        going, over = client.get("/api/rehearsals").json["rehearsals"]
        assert [line["id"] for line in said["/api/rehearsals"]["rehearsals"]] == [going["id"], over["id"]]
        account = client.get(f"/api/rehearsals/{over['id']}/account").json
        assert account["yours"]["score"]["points"] == pytest.approx(over["points"]) and account["words"]
        assert account["lesson"] is None and account["yours"]["traces"][0]["kind"] == "pan"
        shown = client.get(f"/api/rehearsals/{going['id']}").json
        assert shown["batch"]["phase"] == "boiling" and shown["vessels"][0]["sees"]
        stirred = client.post(f"/api/rehearsals/{going['id']}/events", json={"event": {"kind": "stirred"}})
        assert stirred.status_code == 201
    finally:
        stop(app)
