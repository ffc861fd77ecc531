"""Whatever is wrong with what was sent, the answer names the field as it was sent, and nothing of how we are built."""

import copy
import re

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from mulvek.core.properties.steam import pressure_at_altitude_pa, saturation_temperature_c
from tests.sizes import sized

INNARDS = re.compile(r"function-|validator|0x[0-9a-f]{5}|\b[A-Z]\w+(In|Out)\b|functools|pydantic|Traceback")
POT = {"name": "pot", "shape": {"kind": "straight", "diameter_m": 0.24, "height_m": 0.15}}
PLAN = {
    "milk": {"name": "m", "fat_pct": 6.0, "snf_pct": 9.0, "species": "cow"},
    "amount": "2 L",
    "pan": POT,
    "burner": {"name": "left", "kind": "lpg-large", "strength": 1.0},
    "stop": "half its volume",
    "sugar": "90 g",
    "additions": [{"what": "single-cream", "amount": "50 g"}],
    "kitchen": {"altitude_m": 100.0},
}
BODIES = {
    "bench/reduce": PLAN,
    "bench/compare": PLAN | {"pan": 1, "burner": 1},
    "bench/curdle": {"milk": "cow", "amount": "2 L", "pan": POT, "burner": 1, "use": "sponge"},
    "bench/strain": {"yoghurt": "yoghurt", "amount": "1 kg", "readings": [{"minutes": 60.0, "whey_g": 200.0}]},
    "sweets/plan": {"sweet": "kulfi", "want": "24", "pan": POT, "burner": 1, "changes": {"cook": 50.0}},
    "sweets/syrup": {"celsius": 103.0, "wanted": 60.0, "mass": "1 kg"},
    "batches": {"batch": {"kind": "reduce", "name": "B", "plan": PLAN | {"pan": 1, "burner": 1}}},
}
JUNK = st.sampled_from(["x", "", -1, 0, 10**30, 1.5, None, True, [], {}, [1], {"a": 1}, "½", "9" * 300, "nan"])


def places(body, path=()):
    """Every place in a body, the inner ones too."""
    inside = body.items() if isinstance(body, dict) else enumerate(body) if isinstance(body, list) else ()
    for key, value in inside:
        yield (*path, key)
        yield from places(value, (*path, key))


def put(body, path, value):
    found = copy.deepcopy(body)
    here = found
    for key in path[:-1]:
        here = here[key]
    here[path[-1]] = value
    return found


@settings(max_examples=sized(250, 4000), deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(data=st.data())
def test_nonsense_anywhere_is_answered_in_plain_words(client, data):
    route = data.draw(st.sampled_from(sorted(BODIES)))
    place = data.draw(st.sampled_from(sorted(places(BODIES[route]), key=str)))
    body = put(BODIES[route], place, data.draw(JUNK))
    answer = client.post(f"/api/{route}", json=body)
    assert answer.status_code in (200, 201, 404, 409, 422), answer.json
    if answer.status_code < 300:
        return
    told = answer.json
    assert told["fields"], told
    for field in told["fields"]:
        assert not INNARDS.search(field["message"] + field["fix"] + field["path"]), field
        assert field["message"] and field["fix"]


@pytest.mark.parametrize(
    ("route", "wrong", "path", "says"),
    [
        ("bench/reduce", {"burner": {"kind": "x"}}, "burner.kind", "lpg-large"),
        ("bench/reduce", {"burner": "x"}, "burner", "fits none"),
        ("bench/reduce", {"pan": {"name": "p", "shape": {"kind": "straight", "diameter_m": "a", "height_m": 0.1}}}, "pan.shape.diameter_m", "number"),
        ("bench/reduce", {"additions": [{"what": "ghee"}]}, "additions.0.amount", "required"),
        ("bench/reduce", {"extra": 1}, "extra", "not permitted"),
        ("bench/reduce", {"sugar": "3 kg"}, "sugar", "drier than khoya"),
        ("bench/reduce", {"stop": "95 % solids"}, "stop", "drier than khoya"),
        ("bench/strain", {"time": "40 h"}, "time", "40 h"),
        ("bench/strain", {"readings": [{"minutes": 60.0, "whey_g": 950.0}]}, "readings", "never gives so much whey"),
        ("sweets/plan", {"sweet": "burfi", "taken": "95 % solids", "changes": {}}, "taken", "95 % solids"),
    ],
)  # fmt: skip
def test_the_field_that_was_typed_is_named(client, route, wrong, path, says):
    answer = client.post(f"/api/{route}", json=BODIES[route] | wrong)
    assert answer.status_code == 422, answer.json
    [field] = [f for f in answer.json["fields"] if f["path"] == path] or [answer.json["fields"]]
    assert says in field["message"]


@pytest.mark.parametrize("altitude_m", [0.0, 1200.0, 2500.0])
@pytest.mark.parametrize("above", [0.5, 3.0, 8.0, 14.0])
def test_a_syrup_boils_where_the_thermometer_said(client, altitude_m, above):
    water = float(saturation_temperature_c(pressure_at_altitude_pa(altitude_m)))
    read = client.post("/api/sweets/syrup", json={"celsius": water + above, "altitude_m": altitude_m})
    assert read.status_code == 200 and read.json["boils_c"] == pytest.approx(water + above, abs=1e-6)
    again = client.post("/api/sweets/syrup", json={"brix": read.json["brix"], "altitude_m": altitude_m}).json
    assert again["boils_c"] == pytest.approx(water + above, abs=1e-6)


@pytest.mark.parametrize(
    ("sweet", "school", "climbs"),
    [
        ("kulfi", "cream", False),
        ("kulfi", "reduced", True),
        ("carrot-halwa", "khoya", False),
        ("carrot-halwa", "milk", True),
    ],
)
def test_only_what_boils_milk_warns_of_its_climbing(client, sweet, school, climbs):
    told = client.post("/api/sweets/plan", json={"sweet": sweet, "school": school, "want": "1 kg"}).json
    assert any("climbs" in caution["title"] for caution in told["cautions"]) == climbs
