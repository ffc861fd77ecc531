"""The Larder over HTTP: versions, what was changed elsewhere, taking out, small tests, bad input; the Bench's questions."""

import gzip
import json
import sqlite3
from pathlib import Path
from urllib.parse import quote

import pytest

from mulvek.web.app import create_app, stop
from tests.conftest import serving
from tests.kitchens import KADHAI, MILK, words

THINGS = {
    "milks": {**MILK, "name": "new"},
    "pans": {**KADHAI, "name": "new"},
    "burners": {"name": "new", "kind": "induction"},
    "ingredients": {"name": "new", "base": "condensed", "fat_pct": 8.0, "pack_g": 400, "price": 3.5},
}


def listed(client, kind: str) -> list[dict]:
    return client.get("/api/larder").json[kind]


@pytest.mark.parametrize("kind", THINGS)
def test_a_thing_is_added_changed_and_taken_out_by_its_version(client, kind):
    body = THINGS[kind]
    made = client.post(f"/api/larder/{kind}", json=body)
    assert made.status_code == 201 and made.json["version"] == 1
    at = f"/api/larder/{kind}/{made.json['id']}"
    changed = client.put(at, json={**body, "name": "renamed", "version": 1})
    assert changed.status_code == 200 and changed.json["version"] == 2
    late = client.put(at, json={**body, "name": "too late", "version": 1})
    assert late.status_code == 409 and late.json["fields"][0]["path"] == "version"
    assert "still here" in late.json["fields"][0]["fix"]
    taken = client.put(
        at,
        json={**body, "name": listed(client, kind)[0]["name"] if kind != "ingredients" else "renamed", "version": 2},
    )
    assert taken.status_code == (422 if kind != "ingredients" else 200)
    version = next(t["version"] for t in listed(client, kind) if t["id"] == made.json["id"])
    assert client.delete(f"{at}?version={version + 5}").status_code == 409
    assert client.delete(f"{at}?version={version}").status_code == 200
    assert made.json["id"] not in [t["id"] for t in listed(client, kind)]
    for answer in (client.put(at, json={**body, "version": 2}), client.delete(f"{at}?version=1")):
        assert answer.status_code == 404


def test_the_kitchen_too_is_changed_by_its_version(client):
    kitchen = listed(client, "kitchen")
    body = {k: v for k, v in kitchen.items() if k != "boils_water_c"}
    assert client.put("/api/larder/kitchen", json={**body, "fridge_c": 6.5, "freezer_c": -21.0}).status_code == 200
    assert listed(client, "kitchen")["fridge_c"] == 6.5
    late = client.put("/api/larder/kitchen", json={**body, "altitude_m": 900.0})
    assert late.status_code == 409 and listed(client, "kitchen")["altitude_m"] == kitchen["altitude_m"]


def test_taking_out_leaves_batches_whole(client, clock):
    batch = client.post("/api/batches", json={"batch": {"kind": "reduce", "name": "B", "plan": words()}}).json
    refused = client.delete("/api/larder/burners/1?version=1")
    assert refused.status_code == 409 and "Finish" in refused.json["detail"]
    assert client.delete("/api/larder/pans/2?version=1").status_code == 200
    assert client.delete("/api/larder/milks/5?version=1").status_code == 200
    clock.now += 900
    assert (
        client.post(f"/api/batches/{batch['id']}/events", json={"event": {"kind": "first_boil"}}).status_code == 201
    )
    now = client.get(f"/api/batches/{batch['id']}").json
    assert now["pan"]["name"] == "wide kadhai" and now["milk_name"] == "farm milk" and now["pan_id"] is None
    gone = client.post("/api/bench/reduce", json=words())
    assert gone.status_code == 404 and gone.json["fields"][0]["path"] in ("milk", "pan")


def test_a_change_is_planned_with_at_once(client):
    before = client.post("/api/bench/reduce", json=words()).json
    milk = {**MILK, "fat_pct": 4.0, "snf_pct": 8.5, "version": 1}
    assert client.put("/api/larder/milks/5", json=milk).status_code == 200
    after = client.post("/api/bench/reduce", json=words()).json
    assert after["total_solids"]["likely"] < before["total_solids"]["likely"] - 0.04


def test_timing_a_burner_narrows_the_minutes(client):
    before = client.post("/api/bench/reduce", json=words(flame="strong")).json["after_boil_s"]
    trial = client.post(
        "/api/larder/burner-trials", json={"burner": 1, "pan": 1, "boil_minutes": 4.0, "lost_g": 340}
    ).json
    change = {"name": "large burner", "strength": trial["strength"], "ln_sd": trial["ln_sd"], "version": 1}
    assert client.put("/api/larder/burners/1", json=change).status_code == 200
    after = client.post("/api/bench/reduce", json=words(flame="strong")).json["after_boil_s"]
    assert after["high"] / after["low"] < 0.75 * before["high"] / before["low"]
    strong = next(b["strong_w"] for b in listed(client, "burners") if b["id"] == 1)
    assert strong["low"] < trial["strong_w"]["likely"] < strong["high"]


def test_lactometer_and_cups(client):
    read = client.post("/api/larder/lactometer", json={"reading": 27.0, "milk": 5}).json
    assert read["check"]["snf"]["likely"] == pytest.approx(0.01 * (27 / 4 + 0.25 * 6.9 + 0.44))
    assert read["check"]["water_likely"] and "added water" in read["words"]
    cold = client.post("/api/larder/lactometer", json={"reading": 29.0, "celsius": 12.0}).json
    assert "5 °C off" in cold["words"]
    cup = client.post("/api/larder/cup-trials", json={"water_g": 146.3}).json["ml"]
    assert cup["likely"] == pytest.approx(146.73, abs=0.02)
    spoons = client.post("/api/larder/cup-trials", json={"spoons": 10}).json["ml"]
    assert spoons["likely"] == 150 and spoons["high"] - spoons["low"] > cup["high"] - cup["low"]


def test_the_tables_are_served_whole_with_their_sources(client):
    rows = client.get("/api/larder/materials").json["materials"]
    assert len(rows) >= 51 and all(r["source"] and r["confidence"] for r in rows)
    assert all(sum(r["parts_pct"].values()) == pytest.approx(100, abs=0.06) for r in rows)
    larder = client.get("/api/larder").json
    assert {"jaggery", "honey"} <= {s["key"] for s in larder["sugars"]}
    assert {"whole-powder", "corn-starch", "evaporated", "soft-cheese"} <= {e["key"] for e in larder["enrichers"]}


def test_wish_mend_compare_and_caramel_agree_with_the_plan(client):
    told = client.post("/api/bench/reduce", json=words()).json
    wish = client.post(
        "/api/bench/wish", json={"plan": words(), "want": f"{told['served_kg']['likely'] * 1e3:.3f} g"}
    ).json
    assert wish["milk_kg"] == pytest.approx(told["milk_kg"], rel=0.01) and wish["packs"] is None
    packed = {**MILK, "pack_ml": 500, "price": 30.0, "version": 1}
    client.put("/api/larder/milks/5", json=packed)
    wish = client.post("/api/bench/wish", json={"plan": words(), "want": "20 cups"}).json
    assert wish["packs"] == -(-wish["milk_m3"] // 0.5e-3) and wish["cost"] == pytest.approx(
        wish["milk_m3"] / 0.5e-3 * 30, rel=0.01
    )
    assert wish["served_m3"] == pytest.approx(20 * 250e-6, rel=1e-4)
    thick = client.post("/api/bench/mend", json={"plan": words(), "now": "700 g"}).json
    assert thick["mending"]["milk_kg"]["likely"] > 0.1 and "tablespoons" in thick["words"] and thick["spoonfuls"] > 5
    thin = client.post("/api/bench/mend", json={"plan": words(), "now": "two thirds of its volume"}).json
    assert thin["mending"]["seconds"]["likely"] > 300 and "Back on the heat" in thin["words"]
    table = client.post("/api/bench/compare", json=words()).json
    way = next(w for w in table["ways"] if w["pan_id"] == 2 and w["flame"] == "medium")
    assert way["total_s"]["likely"] == pytest.approx(
        told["first_boil_s"]["likely"] + told["after_boil_s"]["likely"], rel=0.03
    )
    caramel = client.post("/api/bench/caramel", json={"milk": 5}).json
    assert caramel["steps"][1]["celsius"]["likely"] == 167.5 and caramel["cautions"][0]["severity"] == "danger"


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [
        ("larder/milks", {**MILK, "fat_pct": 40}, "fat_pct"),
        ("larder/milks", {**MILK, "pack_ml": -1}, "pack_ml"),
        (
            "larder/pans",
            {"name": "x", "shape": {"kind": "measured", "height_m": 0.1, "pairs": []}},
            "shape.pairs",
        ),
        ("larder/burners", {"name": "x", "strength": 90}, "burner"),
        ("larder/ingredients", {"name": "x", "base": "moondust"}, "milk"),
        ("larder/lactometer", {"reading": 90}, "reading"),
        ("larder/burner-trials", {"burner": 1, "pan": 1}, "boil_s"),
        ("larder/burner-trials", {"burner": 1, "pan": 99, "lost_g": 300}, "pan"),
        ("larder/cup-trials", {}, "water_g"),
        ("bench/reduce", words(sugar_kind="cow"), "sugar_kind"),
        ("bench/reduce", words(sugar_kind=77), "ingredient"),
        ("bench/reduce", words(additions=[{"what": "almond", "amount": "30 g"}]), "additions"),
        ("bench/reduce", words(additions=[{"what": "whole-powder", "amount": "lots"}]), "additions"),
        ("bench/reduce", words(stop="firm dough cold", sugar="900 g"), "sugar"),
        ("bench/wish", {"plan": words(), "want": "0"}, "want"),
        ("bench/wish", {"plan": words(stop="4 cm"), "want": "600 g"}, "stop"),
        ("bench/mend", {"plan": words(), "now": "purple"}, "now"),
        ("bench/caramel", {"shade": "pink"}, "shade"),
        ("bench/caramel", {"sugar": "heaps"}, "sugar"),
    ],
)
def test_bad_input_names_its_field(client, path, body, field):
    answer = client.post(f"/api/{path}", json=body)
    assert answer.status_code in (404, 422), answer.json
    assert answer.json["fields"][0]["path"] == field and answer.json["detail"]


def test_the_dip_stick_by_address(client):
    plan = quote(json.dumps(words(stop="rabri")))
    svg = client.get(f"/api/bench/dip-stick.svg?plan={plan}")
    assert svg.mimetype == "image/svg+xml" and "wide kadhai" in svg.text and "5 cm" in svg.text
    assert client.get(f"/api/bench/dip-stick.pdf?plan={plan}").data.startswith(b"%PDF")
    for bad in ("", quote("{"), quote(json.dumps({"milk": 1}))):
        answer = client.get(f"/api/bench/dip-stick.svg?plan={bad}")
        assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "plan"


def test_the_kitchens_money_is_kept_and_checked(client):
    kitchen = client.get("/api/larder").json["kitchen"]
    assert kitchen["currency"] == "INR"
    body = {k: v for k, v in kitchen.items() if k not in ("boils_water_c", "version")}
    changed = client.put("/api/larder/kitchen", json={**body, "currency": "eur"}).json["kitchen"]
    assert changed["currency"] == "EUR"
    # whoever does not name it leaves it as it is
    del body["currency"]
    assert client.put("/api/larder/kitchen", json=body).json["kitchen"]["currency"] == "EUR"
    answer = client.put("/api/larder/kitchen", json={**body, "currency": "shells"})
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == "currency"
    assert "INR" in answer.json["fields"][0]["fix"]
    assert client.get("/api/larder").json["kitchen"]["currency"] == "EUR"


def test_a_poured_pan_says_how_well_its_pours_agree(client):
    pairs = [
        {"depth_m": d, "volume_m3": v} for d, v in ((0.02, 8e-4), (0.04, 1.6e-3), (0.06, 2.4e-3), (0.08, 3.2e-3))
    ]
    pan = {"name": "pot", "shape": {"kind": "measured", "pairs": pairs, "height_m": 0.1}}
    drawn = client.post("/api/larder/pan-drawings", json=pan).json
    assert drawn["odd_pair"] is None and max(map(abs, drawn["off_m"])) < 2e-4 and len(drawn["off_m"]) == 4
    pairs[2]["depth_m"] = 0.068
    assert client.post("/api/larder/pan-drawings", json=pan).json["odd_pair"] == 2
    straight = {"name": "pot", "shape": {"kind": "straight", "diameter_m": 0.24, "height_m": 0.1}}
    assert client.post("/api/larder/pan-drawings", json=straight).json["off_m"] == []


def test_larder_edits_survive_a_restart(tmp_path):
    import urllib.request

    def call(url, method, body):
        request = urllib.request.Request(
            url, json.dumps(body).encode(), {"Content-Type": "application/json"}, method=method
        )
        return json.loads(urllib.request.urlopen(request).read())

    with serving(tmp_path) as (url, _):
        made = call(url + "/api/larder/ingredients", "POST", THINGS["ingredients"])
        call(
            f"{url}/api/larder/ingredients/{made['id']}",
            "PUT",
            {**THINGS["ingredients"], "name": "kept", "version": 1},
        )
        call(f"{url}/api/larder/milks/1", "PUT", {**MILK, "pack_ml": 500, "price": 31.5, "version": 1})
    with serving(tmp_path) as (url, _):
        larder = json.loads(urllib.request.urlopen(url + "/api/larder").read())
    assert [(i["material"]["name"], i["version"], i["price"]) for i in larder["ingredients"]] == [("kept", 2, 3.5)]
    assert larder["milks"][0]["pack_ml"] == 500 and larder["milks"][0]["price"] == 31.5


def test_a_file_of_the_first_kitchen_is_brought_up_to_date(tmp_path):
    path, first = tmp_path / "kitchen.sqlite3", Path(__file__).parents[1] / "store" / "old" / "0001.sqlite3.gz"
    path.write_bytes(gzip.decompress(first.read_bytes()))
    with sqlite3.connect(path) as old:
        old.execute("UPDATE pan SET name = 'grandmother’s pot' WHERE id = 1")
    client = create_app(path).test_client()
    larder = client.get("/api/larder").json
    assert larder["pans"][0]["name"] == "grandmother’s pot" and larder["pans"][0]["version"] == 1
    assert larder["kitchen"]["freezer_c"] == -18 and larder["ingredients"] == []
    assert client.post("/api/larder/ingredients", json=THINGS["ingredients"]).status_code == 201


def test_a_kitchen_is_untouched_until_anything_is_said_of_it(tmp_path):
    app = create_app(tmp_path / "new.sqlite3")
    client = app.test_client()
    kitchen = client.get("/api/larder").json
    assert kitchen["untouched"] and len(kitchen["milks"]) == 4
    pot = {"kind": "straight", "diameter_m": 0.2, "height_m": 0.115}
    pan = {"name": "the 20 cm pot", "shape": pot, "material": "aluminium", "mass_kg": 0.8, "version": 1}
    assert client.put("/api/larder/pans/1", json=pan).status_code == 200
    assert not client.get("/api/larder").json["untouched"]
    stop(app)
