"""A stop means what it says, and a cloth drains as long as its curd is high."""

import pytest

from tests.web.test_stations_agree import bench


def refused(client, **words) -> dict:
    plan = {"milk": "full-cream", "amount": "2 L", "pan": 1, "burner": 1, **words}
    answer = client.post("/api/bench/reduce", json=plan)
    assert answer.status_code == 422, answer.json
    return answer.json


STRAIGHT = {"name": "pot", "shape": {"kind": "straight", "diameter_m": 0.24, "height_m": 0.15}}
BOWL = {"name": "bowl", "shape": {"kind": "kadhai", "rim_diameter_m": 0.3, "bowl_depth_m": 0.12}}


def depth_m(answer: dict) -> float:
    return answer["stop_depth_m"]["likely"]


def test_half_its_depth_is_a_depth(client):
    """In a straight pot half the depth is half the volume, in a bowl it is far less."""
    for pan, same in ((STRAIGHT, True), (BOWL, False)):
        volume = bench(client, amount="2 L", pan=pan, stop="half its volume")
        depth = bench(client, amount="2 L", pan=pan, stop="half its depth")
        assert depth["understood"]["stop"] == "half its depth"
        share = depth_m(depth) / depth_m(volume)
        assert (share == pytest.approx(1.0, rel=1e-6)) == same
        if not same:
            assert depth["served_kg"]["likely"] < 0.8 * volume["served_kg"]["likely"]
        typed = bench(client, amount="2 L", pan=pan, stop=f"{depth_m(depth) * 100} cm deep")
        assert typed["after_boil_s"]["likely"] == pytest.approx(depth["after_boil_s"]["likely"], rel=1e-3)
        again = bench(client, amount="2 L", pan=pan, stop=depth["understood"]["stop"])
        assert again["stop_depth_m"] == depth["stop_depth_m"]


@pytest.mark.parametrize(
    "stop", ["half its sugar", "a third of the sugar", "half its cream", "half of half of", "twice"]
)
def test_what_is_no_stop_is_refused(client, stop):
    told = refused(client, stop=stop, sugar="100 g")
    assert told["fields"][0]["path"] == "stop" and told["fields"][0]["fix"]


@pytest.mark.parametrize(
    "stop", ["31 % solids with the sugar", "600 g with the sugar", "31 % solids counted with sugar"]
)
def test_sugar_counts_where_it_is_said_to(client, stop):
    words = {"amount": "2 L", "sugar": "100 g", "sugar_time": "end"}
    with_it, without = (
        bench(client, stop=stop, **words),
        bench(client, stop=stop.split(" with ")[0].removesuffix(" counted"), **words),
    )
    assert with_it["stop_depth_m"] != without["stop_depth_m"]


def strained(client, **words) -> dict:
    answer = client.post("/api/bench/strain", json={"yoghurt": "yoghurt", **words})
    assert answer.status_code == 200, answer.json
    return answer.json


def test_a_larger_bag_drains_longer_and_a_kilogram_as_ever(client):
    hours = [strained(client, amount=f"{g} g")["seconds"]["likely"] / 3600 for g in (100, 300, 1000, 3000, 10_000)]
    assert hours == sorted(hours) and hours[0] < 0.5 * hours[2] and hours[-1] > 2 * hours[2]
    assert hours[2] == pytest.approx(15.9, abs=0.1)
    for a, b in ((1000, 1010), (5000, 5050)):
        near, far = (strained(client, amount=f"{g} g")["seconds"]["likely"] for g in (a, b))
        assert 1 < far / near < 1.01


def test_a_long_one_is_parted_into_bags_that_take_what_is_told(client):
    five = strained(client, amount="5 kg")
    advice = next(c for c in five["cautions"] if "bags" in c["title"] or "hang" in c["title"])
    assert "hang 4 of 1.25 kg" in advice["title"] or "hang 3 of 1.67 kg" in advice["title"], advice
    bags = int(advice["title"].split("hang ")[1].split(" ")[0])
    alone = strained(client, amount=f"{5 / bags} kg")
    assert f"about {alone['seconds']['likely'] / 3600:.0f} h" in advice["text"]
    assert not any("hang" in c["title"] for c in alone["cautions"])
    assert not any("bags" in c["title"] for c in strained(client, amount="5 kg", time="10 h")["cautions"])
