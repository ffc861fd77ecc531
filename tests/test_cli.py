"""The command line answers in words and in the API's own JSON."""

import io
import json

import pytest

from mulvek.cli import main

FLAGS = ["reckon", "reduce", "--milk", "buffalo", "--amount", "2.4 L", "--pan", "kadhai 29 x 8.6 + 32 x 3.2"]


def test_reckon_reduce_in_words_and_json(capsys, monkeypatch):
    assert main(FLAGS) == 0
    assert "Stop when the milk stands" in capsys.readouterr().out
    assert main([*FLAGS, "--json"]) == 0
    answer = json.loads(capsys.readouterr().out)
    body = {
        "milk": "buffalo",
        "amount": "2.4 L",
        "pan": {
            "name": "the pan",
            "shape": {
                "kind": "kadhai",
                "rim_diameter_m": 0.29,
                "bowl_depth_m": 0.086,
                "top_diameter_m": 0.32,
                "wall_height_m": 0.032,
            },
        },
        "burner": {},
        "stop": "half its volume",
        "kitchen": {},
    }
    monkeypatch.setattr("sys.stdin", io.StringIO(json.dumps(body)))
    assert main(["reckon", "reduce", "--json", "-"]) == 0
    assert json.loads(capsys.readouterr().out)["served_kg"] == answer["served_kg"]


@pytest.mark.parametrize(
    ("flags", "field"),
    [
        (["--amount", "0"], "amount"),
        (["--pan", "round"], "pan"),
        (["--fat", "4"], "milk"),
        (["--flame", "hot"], "flame"),
    ],
)
def test_what_cannot_be_reckoned_names_the_flag(capsys, flags, field):
    assert main([*FLAGS, *flags, "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == field
