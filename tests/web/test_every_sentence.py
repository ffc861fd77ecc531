"""Whatever is wrong, all that is said of it comes from the catalogue: in a language that nobody speaks, no English is left."""

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.kitchens import EPOCH_S
from tests.sizes import sized
from tests.web.test_plain_errors import BODIES, JUNK, places, put

POT = {"name": "pot", "shape": {"kind": "straight", "diameter_m": 0.24, "height_m": 0.15}}


def of_catalogue(text):
    return text.startswith("⟦") and text.endswith("⟧")


def all_of_catalogue(answer):
    told = answer.json
    assert of_catalogue(told["title"]), told
    assert told["fields"], told
    for field in told["fields"]:
        assert of_catalogue(field["message"]) and of_catalogue(field["fix"]), field


@settings(max_examples=sized(150, 2000), deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(data=st.data())
def test_nonsense_anywhere(client, pseudo, data):
    route = data.draw(st.sampled_from(sorted(BODIES)))
    place = data.draw(st.sampled_from(sorted(places(BODIES[route]), key=str)))
    answer = client.post(f"/api/{route}", json=put(BODIES[route], place, data.draw(JUNK)))
    if answer.status_code >= 300:
        all_of_catalogue(answer)


@pytest.mark.parametrize(
    ("path", "body", "status"),
    [
        ("larder/pans", {"name": "p", "material": "steel", "mass_kg": 1.0, "shape": {"kind": "straight", "diameter_m": 9.0, "height_m": 0.1}}, 422),
        ("larder/pans", {"name": "p", "material": "paper", "mass_kg": 1.0, "shape": POT["shape"]}, 422),
        ("larder/milks", {"name": "m", "fat_pct": 40.0, "snf_pct": 9.0, "species": "cow"}, 422),
        ("sweets/told", {"name": "x", "lines": ["2 L cow milk to half", "gave 14 sticks, 9000 g"], "answers": {}}, 200),
        ("rehearsals", {}, 422),
        ("rehearsals", {"lesson": "no-such-lesson"}, 404),
        ("batches", {"batch": {"kind": "reduce", "name": "B", "plan": {}}}, 422),
        ("day/plan", {"serve_s": 1.0, "sweets": [{"plan": {"sweet": "kulfi", "want": "12"}}]}, 422),
        ("batches/5/instruments", {"url": "not an address"}, 422),
        ("mend", {"product": "soup", "fault": "grainy"}, 404),
    ],
)  # fmt: skip
def test_what_each_station_refuses(client, pseudo, path, body, status):
    answer = client.post(f"/api/{path}", json=body)
    if answer.status_code in (404, 405) and not answer.json.get("fields"):
        pytest.fail(f"no route {path}: {answer.json}")
    assert answer.status_code == status, answer.json
    if status >= 300:
        all_of_catalogue(answer)
    else:
        wrong = [line for line in answer.json["lines"] if line["problem"]]
        assert wrong and all(of_catalogue(line["problem"]) and of_catalogue(line["fix"]) for line in wrong)


@pytest.mark.parametrize("path", ["batches/99999", "days/99999", "rehearsals/99999"])
def test_what_is_not_there(client, pseudo, path):
    answer = client.get(f"/api/{path}")
    assert answer.status_code == 404
    all_of_catalogue(answer)


def test_another_sites_page(client, pseudo):
    answer = client.post("/api/bench/reduce", json={}, headers={"Origin": "http://elsewhere.example"})
    assert answer.status_code == 403
    all_of_catalogue(answer)


def test_what_cannot_be_counted(client, pseudo):
    answer = client.put("/api/stock", json={"line": "plenty of sugar"})
    assert answer.status_code == 422
    all_of_catalogue(answer)


@pytest.mark.parametrize(
    ("route", "body"),
    [
        ("bench/reduce", BODIES["bench/reduce"] | {"sugar_kind": "honey", "stop": "soft dough cold"}),
        ("bench/curdle", BODIES["bench/curdle"]),
        ("bench/strain", BODIES["bench/strain"]),
        ("bench/strain", {"yoghurt": "yoghurt", "amount": "8 kg", "place": "counter"}),
        ("bench/caramel", {"pan": POT, "burner": {"name": "left", "kind": "lpg-large"}, "butter": "30 g"}),
        ("sweets/plan", BODIES["sweets/plan"]),
        ("sweets/plan", {"sweet": "sponge-balls", "want": "40", "pan": POT, "burner": 1}),
    ],
)
def test_cautions_and_steps(client, pseudo, route, body):
    answer = client.post(f"/api/{route}", json=body)
    assert answer.status_code == 200, answer.json
    told = answer.json
    said = [caution[part] for caution in told["cautions"] for part in ("title", "text")]
    assert said
    if route == "bench/caramel":
        said += [step[part] for step in told["steps"] for part in ("do", "sign")]
    if route == "sweets/plan":
        facts = [fact for step in told["steps"] for fact in step["facts"]]
        assert facts
        said += facts
    assert all(of_catalogue(text) for text in said), [text for text in said if not of_catalogue(text)]


def test_a_day_in_words(client, pseudo):
    asked = {"serve_s": EPOCH_S + 5 * 3600, "sweets": [{"plan": {"sweet": "kalakand", "want": "20", "pan": 1}}]}
    answer = client.post("/api/day/plan", json=asked)
    assert answer.status_code == 200, answer.json
    told = answer.json
    acts = [task["act"] for task in told["tasks"] if task["act"].endswith("⟧")]
    said = [*acts, *told["said"], *(one["text"] for one in told["ahead"])]
    assert len(acts) > 3
    assert all(of_catalogue(text) for text in said), said


@pytest.mark.parametrize(
    ("route", "body"),
    [
        ("bench/reduce", BODIES["bench/reduce"]),
        ("bench/reduce", {k: v for k, v in BODIES["bench/reduce"].items() if k not in ("sugar", "additions")}),
        ("bench/curdle", BODIES["bench/curdle"]),
        ("bench/strain", BODIES["bench/strain"]),
        ("bench/caramel", {"pan": POT, "burner": {"name": "left", "kind": "lpg-large"}}),
        ("sweets/plan", {"sweet": "kulfi", "want": "24", "pan": POT, "burner": 1}),
        ("sweets/plan", {"sweet": "fried-balls", "want": "40", "pan": POT, "burner": 1}),
        ("sweets/plan", {"sweet": "kalakand", "want": "24", "pan": POT, "burner": 1}),
    ],
)
def test_every_why(client, pseudo, route, body):
    told = client.post(f"/api/{route}", json=body).json
    for figure, why in told["whys"].items():
        said = [why[part] for part in ("title", "formula", "source", "uncertainty", "sharpen")]
        said += [term[part] for term in why["terms"] for part in ("name", "value")]
        said += [term["note"] for term in why["terms"] if term["note"]]
        assert len(why["terms"]) >= 2 and all(of_catalogue(text) for text in said), (figure, said)
    assert of_catalogue(told.get("rests_on", "⟦⟧"))
