"""Curdling, straining and fruit over HTTP: the sentence's words, agreement with the core, bad input."""

import pytest

from tests.kitchens import KADHAI

CURDLE = {"milk": 5, "amount": "3 L", "pan": 2, "burner": 1}


def ask(client, path, body):
    return client.post(f"/api/bench/{path}", json=body)


def test_a_curdling_and_the_wish_for_balls_agree(client):
    told = ask(client, "curdle", CURDLE).json
    for part in ("water", "fat", "protein", "lactose", "ash", "acid"):
        out = sum(told[x][f"{part}_kg"] for x in ("curd", "whey", "washings"))
        if part not in ("water", "acid"):
            assert told["milk"][f"{part}_kg"] == pytest.approx(out, abs=1e-9)
    assert told["curve_c"][0] == pytest.approx(told["boils_c"]) and told["curve_s"][1] == 15
    pieces = told["pieces"]
    assert pieces["count"]["low"] <= pieces["count"]["likely"] <= pieces["count"]["high"]
    names = [s["name"] for s in told["stages"]]
    assert names[:3] == ["to-the-boil", "wait", "acid"] and names[-1] == "knead"
    wish = ask(client, "curdle-wish", {"plan": CURDLE, "want": "30 balls of 12 g"}).json
    again = ask(
        client,
        "curdle",
        {**CURDLE, "amount": f"{wish['milk_m3'] * 1e6:.2f} ml", "piece": wish["piece"], "rinse": wish["rinse"]},
    ).json
    assert again["pieces"]["count"]["likely"] == pytest.approx(30, abs=1)
    assert again["curd_kg"]["likely"] == pytest.approx(wish["curd_kg"], rel=0.01)


def test_the_wait_in_minutes_or_as_a_temperature(client):
    by_heat = ask(client, "curdle", {**CURDLE, "wait": "84 °C"}).json
    assert by_heat["acid_c"]["likely"] == pytest.approx(84.0, abs=0.05)
    by_time = ask(client, "curdle", {**CURDLE, "wait": f"{by_heat['wait_s'] / 60:.3f} minutes"}).json
    assert by_time["acid_c"]["likely"] == pytest.approx(84.0, abs=0.05)
    assert ask(client, "curdle", {**CURDLE, "wait": "not at all"}).json["wait_s"] == 0


def test_own_strength_changes_the_dose(client):
    usual, weak = (ask(client, "curdle", {**CURDLE, "strength": s}).json for s in (None, 4.0))
    assert weak["acid"]["likely"]["likely"] == pytest.approx(1.25 * usual["acid"]["likely"]["likely"], rel=0.03)
    assert usual["acid"]["ph_if_all"] < usual["ph"]
    powder = ask(client, "curdle", {**CURDLE, "coagulant": "citric-acid"}).json
    assert powder["acid"]["unit"] == "g" and powder["acid"]["water_kg"] > 0.1


def test_straining_by_thickness_time_and_whey_weighed(client):
    thick = ask(client, "strain", {}).json
    hours = thick["seconds"]["likely"] / 3600
    timed = ask(client, "strain", {"time": f"{hours:.3f} h"}).json
    assert timed["total_solids"] == pytest.approx(thick["total_solids"], abs=2e-4)
    assert timed["whey_kg"]["high"] > timed["whey_kg"]["low"]
    logged = ask(client, "strain", {"readings": [{"minutes": 180, "whey_g": 420}]}).json
    assert logged["seconds"]["likely"] < thick["seconds"]["likely"]
    counter = ask(client, "strain", {"place": "counter"}).json
    assert counter["too_sour_s"] and counter["cautions"][0]["severity"] == "danger"
    own = client.post("/api/larder/ingredients", json={"name": "club yoghurt", "base": "yoghurt"}).json
    assert ask(client, "strain", {"yoghurt": own["id"]}).json["yoghurt_name"] == "club yoghurt"


def test_fruit_curdles_hot_before_cold(client):
    body = {"fruit": "strawberry", "fruit_amount": "200 g", "milk_amount": "500 g", "concentration": 1.0}
    cold, hot = (ask(client, "fruit", {**body, "celsius": c}).json["mixing"] for c in (8.0, 85.0))
    assert not cold["curdles"] and hot["curdles"] and hot["most_kg"] < cold["most_kg"]
    cooked = ask(client, "fruit", {**body, "cooked_to": 0.5}).json["mixing"]
    assert cooked["ph"] < cold["ph"] and cooked["most_kg"] < cold["most_kg"]
    # half as much of it, cooked to half, is the same acid and the same pH
    half = ask(client, "fruit", {**body, "fruit_amount": "100 g", "cooked_to": 0.5}).json["mixing"]
    assert half["ph"] == pytest.approx(cold["ph"], abs=1e-6)
    assert "85 °C" in ask(client, "fruit", {**body, "fruit": "kiwi"}).json["mixing"]["words"]
    choices = client.get("/api/bench/curd-choices").json
    assert {"lemon", "vinegar", "sour-whey"} <= {c["key"] for c in choices["coagulants"]}
    assert len(choices["fruits"]) == 20 and len(choices["uses"]) == 6


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [
        ("curdle", {**CURDLE, "amount": "moonful"}, "amount"),
        ("curdle", {**CURDLE, "wait": "a while"}, "wait"),
        ("curdle", {**CURDLE, "wait": "30 °C"}, "wait"),
        ("curdle", {**CURDLE, "coagulant": "cola"}, "coagulant"),
        ("curdle", {**CURDLE, "strength": -2}, "strength"),
        ("curdle", {**CURDLE, "drain_time": "-3 h"}, "drain_time"),
        ("curdle", {**CURDLE, "use": "roof"}, "use"),
        ("curdle", {**CURDLE, "piece": "5 kg"}, "piece"),
        ("curdle", {**CURDLE, "binder": "90 %"}, "binder"),
        ("curdle", {**CURDLE, "amount": "5 L"}, "pan"),
        ("curdle-wish", {"plan": CURDLE, "want": "30 balls of air"}, "want"),
        ("curdle-wish", {"plan": CURDLE, "want": "90 kg"}, "want"),
        ("strain", {"yoghurt": "cow"}, "yoghurt"),
        ("strain", {"end": "stone"}, "end"),
        ("strain", {"time": "soon"}, "time"),
        ("strain", {"cloth": "sail"}, "cloth"),
        ("strain", {"readings": [{"minutes": 60, "whey_g": 5000}]}, "readings"),
        ("fruit", {"fruit": "stone"}, "fruit"),
        ("fruit", {"celsius": 300.0}, "celsius"),
        ("fruit", {"cooked_to": 0.01}, "cooked_to"),
        ("fruit", {"fruit_amount": "some"}, "fruit_amount"),
    ],
)
def test_bad_words_name_themselves(client, path, body, field):
    answer = ask(client, path, body)
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == field and answer.json["detail"]


def test_a_pan_given_whole_and_a_milk_by_name(client):
    body = {"milk": "cow", "amount": "2 L", "pan": KADHAI, "burner": {}, "kitchen": {"altitude_m": 1600}}
    told = ask(client, "curdle", body).json
    assert told["boils_c"] == pytest.approx(94.9, abs=0.1) and told["pan"]["id"] is None


def test_a_thermometer_read_once_moves_the_answer(client):
    usual = ask(client, "curdle", CURDLE).json
    colder = ask(client, "curdle", {**CURDLE, "read_minutes": 3, "read_c": usual["acid_c"]["likely"] - 4}).json
    assert colder["acid_c"]["likely"] == pytest.approx(usual["acid_c"]["likely"] - 4, abs=0.02)
    wrong = ask(client, "curdle", {**CURDLE, "read_minutes": 3, "read_c": 150.0})
    assert wrong.status_code == 422 and wrong.json["fields"][0]["path"] == "read_c"
    bound = ask(client, "curdle", {**CURDLE, "binder": "4 %"}).json["pieces"]
    assert bound["binder_kg"] > 0 and bound["syrup"]["brix"] == 42
