"""``mulvek book`` answers as the API does, from the file itself, which it does not touch; in words it says the same."""

import hashlib
import json

import pytest

from mulvek.cli import main
from mulvek.cli.serve import data_file
from mulvek.web.app import create_app, stop


@pytest.fixture
def kitchen(tmp_path, templates):
    """The boathouse's file, and what its server says."""
    file = templates.demo(data_file(tmp_path, demo=True))
    app = create_app(file)
    yield tmp_path, app.test_client()
    stop(app)


def run(capsys, folder, *words):
    code = main(["book", *words, "--data", str(folder), "--demo"])
    out = capsys.readouterr()
    return code, out.out, out.err


def as_json(capsys, folder, *words):
    code, out, _ = run(capsys, folder, *words, "--json")
    assert code == 0
    return json.loads(out)


@pytest.mark.parametrize(
    ("words", "address"),
    [
        (["list"], "/api/book"),
        (["list", "--find", "rabri", "--limit", "5"], "/api/book?find=rabri&limit=5"),
        (["list", "--kind", "sweet"], "/api/book?kind=sweet"),
        (["show", "9"], "/api/book/9/story"),
        (["show", "3"], "/api/book/3/story"),
        (["learned"], "/api/learned"),
    ],
)
def test_in_json_it_is_the_api(kitchen, capsys, words, address):
    folder, client = kitchen
    told = client.get(address).json
    assert as_json(capsys, folder, *words) == json.loads(json.dumps(told))


def test_what_went_wrong_by_its_record(kitchen, capsys):
    folder, client = kitchen
    asked = {"batch": 3, "fault": "too-thick-cold", "answers": {"stopped-by-look": 1.0}}
    told = client.post("/api/mend", json=asked).json
    said = as_json(capsys, folder, "mend", "3", "too-thick-cold", "--said", "stopped-by-look=yes")
    assert [c["key"] for c in said["causes"]] == [c["key"] for c in told["causes"]]
    code, out, _ = run(capsys, folder, "mend", "3", "too-thick-cold")
    assert code == 0 and told["causes"][0]["why"] in out and "Next time" in out
    code, out, _ = run(capsys, folder, "mend", "3")
    assert code == 0 and "too-thick-cold" in out


def test_in_words_it_says_names_weights_and_ranges(kitchen, capsys):
    folder, client = kitchen
    _, out, _ = run(capsys, folder, "list")
    book = client.get("/api/book").json
    assert all(line["name"] in out for line in book["lines"]) and out.endswith(f"of {book['total']}\n")
    _, out, _ = run(capsys, folder, "show", "9")
    assert "Sponge balls for the tea" in out and "balls: 30, told 30 (28 to 33)" in out and "756 g" in out
    _, out, _ = run(capsys, folder, "learned")
    assert "the wide kadhai, left burner, medium" in out and "next: weigh reduced" in out


@pytest.mark.parametrize(
    ("words", "field"),
    [
        (["show", "99"], "batch"),
        (["mend", "3", "moonlight"], "fault"),
        (["mend", "3", "too-thick-cold", "--said", "lid-on-milk=perhaps"], "said"),
        (["list", "--limit", "0"], "limit"),
        (["list", "--year", "12"], "year"),
    ],
)
def test_what_cannot_be_told_names_itself(kitchen, capsys, words, field):
    folder, _ = kitchen
    code, out, err = run(capsys, folder, *words)
    assert code == 2 and err.startswith(f"{field}: ") and not out
    code, out, _ = run(capsys, folder, *words, "--json")
    assert code == 2 and json.loads(out)["field"] == field


def test_the_file_is_not_touched_and_may_be_missing(kitchen, capsys, tmp_path):
    folder, client = kitchen
    client.get("/api/book")
    file = data_file(folder, demo=True)
    before = hashlib.sha256(file.read_bytes()).hexdigest()
    for words in (["list"], ["show", "1"], ["learned"]):
        assert run(capsys, folder, *words)[0] == 0
    assert hashlib.sha256(file.read_bytes()).hexdigest() == before
    code, _, err = run(capsys, tmp_path / "nowhere", "list")
    assert code == 2 and err.startswith("data: ")
