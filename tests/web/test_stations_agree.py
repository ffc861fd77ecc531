"""Two screens never disagree about the same milk: what one station says of a pan, every other says too."""

import io
import json

import pytest
from hypothesis import HealthCheck, given, settings

from mulvek.cli.main import main
from mulvek.core.planning.curdle.pieces import USES
from mulvek.core.planning.sweets.library import library, things
from tests import sizes
from tests.sizes import sized
from tests.strategies import curdlings, reductions, strainings, sweets
from tests.web.test_api import happens
from tests.web.test_sweet_wishes import told


def bench(client, **words) -> dict:
    plan = {"milk": "full-cream", "pan": 1, "burner": 1, **words}
    answer = client.post("/api/bench/reduce", json=plan)
    assert answer.status_code == 200, answer.json
    return answer.json


SYRUPED = {"sponge": "sponge-balls", "poached": "poached-slices", "fried": "fried-balls"}


@pytest.mark.parametrize("use", SYRUPED)
def test_one_syrup_for_one_kind_of_piece(client, use):
    soak, meant = library()[SYRUPED[use]].usual.soak, USES[use]
    assert (soak.brix, soak.ratio, soak.kind) == (meant.brix, meant.ratio, use)
    assert library()[SYRUPED[use]].usual.piece.grams == pytest.approx(meant.usual_piece_kg * 1e3)
    low, high = meant.piece_kg
    assert low <= meant.usual_piece_kg <= high


@pytest.mark.parametrize("pan", [1, 2])
@pytest.mark.parametrize(("amount", "piece"), [("3 L", "12 g"), ("3.3 L", "10 g"), ("2 L", "15 g")])
def test_as_many_balls_go_into_a_pan_on_the_bench_as_in_sweets(client, pan, amount, piece):
    body = {"milk": "cow", "amount": amount, "pan": pan, "burner": 1, "use": "sponge", "piece": piece}
    answer = client.post("/api/bench/curdle", json=body)
    assert answer.status_code == 200, answer.json
    here = answer.json["pieces"]
    count = here["count"]["likely"]
    there = told(
        client,
        "sponge-balls",
        f"{count:.0f}",
        milk="cow",
        pan=pan,
        each=f"{here['each_kg'] * 1e3} g",
        whole_packs=False,
    )["syrup"]
    assert there["brix"] == here["syrup"]["brix"] and there["boils_c"] == pytest.approx(here["syrup"]["boils_c"])
    assert there["raw_m"] == pytest.approx(here["width_m"], rel=0.01)
    if here["syrup"]["at_once"] < count:
        assert abs(there["at_once"] - here["syrup"]["at_once"]) <= 1  # a ball's density is known to a hundredth
    else:
        assert there["goes"] == here["syrup"]["goes"] == 1


@pytest.mark.parametrize("use", ["sponge", "poached"])
@pytest.mark.parametrize("kg", [0.416, 0.4, 0.3551, 0.52])
def test_the_stove_the_larder_and_sweets_make_as_many_pieces_of_one_chhena(client, clock, use, kg):
    """Hands and board keep as much wherever it is counted."""
    plan = {"milk": "cow", "amount": "2.5 L", "pan": 2, "burner": 1, "use": use}
    pot = client.post("/api/batches", json={"batch": {"kind": "curdle", "name": "Curd", "plan": plan}}).json["id"]
    clock.now += 4000
    here = happens(client, pot, kind="weighed", mass_kg=kg).json["pieces"]["count"]["likely"]
    sweet = library()[SYRUPED[use]]
    shelf = next(t for t in client.get("/api/shelf").json["things"] if t["batch"] == pot and t["kind"] == "curdle")
    said = next(u["says"] for u in shelf["uses"] if u["name"] == sweet.name)
    assert said.split()[0] == f"{here:.0f}"
    ref = next(b["ref"] for b in client.get("/api/sweets/bases").json["bases"])
    words = {"sweet": sweet.key, "have": [{"what": "C", "amount": f"{kg * 1e3} g"}], "bases": {"C": ref}}
    there = client.post("/api/sweets/plan", json={**words, "whole_packs": False}).json
    assert there["pieces"]["likely"] == here


def as_on_the_bench(client, sweet: dict) -> dict:
    """The same milk, sugar and end as a sweet that is one pan of milk boiled down."""
    milk = next(row for row in sweet["rows"] if "milk" in row["name"])
    sugar = sum(row["grams"] for row in sweet["rows"] if row["key"] == "white-sugar")
    finished = sweet["finished"]["likely"] * 1e3 / (1 - library()[sweet["key"]].usual.lose / 100)
    return bench(
        client,
        amount=f"{milk['grams']} g",
        sugar=f"{sugar} g",
        sugar_time="end",
        stop=f"{finished} g with the sugar",
    )


@pytest.mark.parametrize("sweet", ["rabri", "condensed-milk"])
def test_a_reduced_milk_keeps_as_long_on_the_bench_as_in_sweets(client, sweet):
    made = told(client, sweet, "600 g", milk="full-cream", whole_packs=False)
    here, there = as_on_the_bench(client, made)["judgement"]["keeping"], made["keeping"]
    assert here["fridge_days"] == there["fridge_days"] and here["room_h"] == there["room_h"]
    assert here["words"].startswith(there["words"])
    assert here["water_activity"]["likely"] == pytest.approx(there["activity"], abs=0.002)
    assert f"{there['fridge_days']} day" in there["words"] and there["words"] in made["label"]


@pytest.mark.parametrize(("sugar", "stop"), [("", "half its volume"), ("90 g", "half its volume"), ("", "khoya")])
def test_what_is_told_when_lit_is_what_the_book_says(client, clock, sugar, stop):
    words = {"milk": "full-cream", "amount": "2 L", "pan": 1, "burner": 1, "stop": stop, "sugar": sugar}
    here = bench(client, **words)["judgement"]["keeping"]
    batch = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "B", "plan": words}}).json["id"]
    assert client.get(f"/api/book/{batch}").json["told"]["judgement"]["keeping"] == here
    assert here["water_activity"]["low"] < here["water_activity"]["likely"] <= here["water_activity"]["high"] <= 1
    assert happens(client, batch, kind="first_boil").status_code == 201


def test_sweeter_and_drier_never_keeps_shorter(client):
    days = [
        bench(client, amount="1 L", sugar=sugar, sugar_time="start", stop=stop)["judgement"]["keeping"]["fridge_days"]
        for sugar, stop in (("", "half its volume"), ("100 g", "half its volume"), ("180 g", "450 g"))
    ]
    assert days == sorted(days) and days[0] == 2 and days[-1] > 2


@pytest.mark.parametrize(("sweet", "want"), [("kulfi", "24"), ("rabri", "4"), ("shrikhand", "6"), ("burfi", "24")])
def test_the_stove_the_label_and_the_plan_keep_a_sweet_as_long(client, clock, sweet, want):
    words = {"sweet": sweet, "want": want}
    plan = told(client, sweet, want)
    assert plan["keeping"]["words"] in plan["label"]
    begun = client.post("/api/batches", json={"batch": {"kind": "sweet", "name": "Supper", "plan": words}})
    assert begun.status_code == 201, begun.json
    assert begun.json["keeping"] == plan["keeping"]["words"]
    assert client.get(f"/api/batches/{begun.json['id']}").json["keeping"] == plan["keeping"]["words"]


ASKED = {
    "reduce": ("/api/bench/reduce", reductions),
    "curdle": ("/api/bench/curdle", curdlings),
    "strain": ("/api/bench/strain", strainings),
    "sweet": ("/api/sweets/plan", sweets()),
}


@pytest.mark.parametrize("kind", ASKED)
def test_the_command_line_says_what_the_server_says(kind, client, monkeypatch, capsys):
    """One request in one kitchen: the same answer to the last figure, or the same word to change."""
    url, requests = ASKED[kind]

    @settings(
        max_examples=sized(40, 1000),
        deadline=None,
        derandomize=not sizes.full,
        suppress_health_check=[HealthCheck.function_scoped_fixture, HealthCheck.filter_too_much],
    )
    @given(requests)
    def ask(body):
        body = {**body, "kitchen": body.get("kitchen", {})}
        served = client.post(url, json=body)
        monkeypatch.setattr("sys.stdin", io.StringIO(json.dumps(body)))
        capsys.readouterr()
        code = main(["reckon", kind, "--json", "-"])
        said = capsys.readouterr()
        if served.status_code == 200:
            assert code == 0 and json.loads(said.out) == served.json
        else:
            assert code == 2 and json.loads(said.out)["message"] == served.json["fields"][0]["message"]

    ask()


@pytest.mark.parametrize("milk", ["buffalo", "cow", "double-toned", "skim", "coconut"])
def test_two_litres_of_milk_weigh_on_the_bench_what_they_weigh_in_sweets(client, milk):
    """A jug that was told in Sweets comes back as the same jug when its base is planned on the Bench."""
    told = bench(client, milk=milk, amount="2 L", stop="three quarters")
    assert things()[milk].bulk_kg_m3 * 2e-3 == pytest.approx(told["milk_kg"], rel=1e-3)
