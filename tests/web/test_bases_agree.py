"""What Sweets says of a base is what the Bench says when that base is opened there, for every sweet and school."""

import pytest

from mulvek.core.planning.sweets.library import library
from tests.web.test_sweet_wishes import told

BASED = [(key, school) for key, sweet in library().items() for school, of in sweet.schools.items() if of.bases]
ROOM = {"/curdle": "curdle", "/strain": "strain", "": "reduce"}


def opened(client, base: dict, **more) -> dict:
    """The base as the Bench opens it, by the words that Sweets sends there."""
    room, words = ROOM[base["route"]], dict(base["words"])
    for name in ("rinses", "bags"):
        words |= {name: int(words[name])} if name in words else {}
    if room != "strain":
        words = {"pan": 2, "burner": 1, **{k: v for k, v in words.items() if k not in ("pan", "burner")}}
    answer = client.post(f"/api/bench/{room}", json=words | more)
    assert answer.status_code == 200, (words, answer.json)
    return answer.json


@pytest.mark.parametrize("want", ["8", "24"])
@pytest.mark.parametrize(("sweet", "school"), BASED)
def test_a_base_gives_on_the_bench_what_sweets_told(client, sweet, school, want):
    plan = told(client, sweet, want, school=school, whole_packs=False)
    for base in plan["bases"]:
        if base["start_kg"] < 0.15:
            continue  # a spoonful of the sweet: nobody opens it alone
        there = opened(client, base)
        each = base["made_kg"] / base["goes"]
        match ROOM[base["route"]]:
            case "reduce":
                assert there["product_kg"]["likely"] == pytest.approx(each, rel=0.02)
                assert there["total_solids"]["likely"] == pytest.approx(base["total_solids"], abs=0.005)
            case "curdle":
                assert there["use"]["suits"] == "yes", there["use"]  # of the milk that the sweet is written for
                assert there["moisture"]["likely"] == pytest.approx(base["to"] / 100, abs=0.01)
                assert there["curd_kg"]["likely"] == pytest.approx(each, rel=0.05)  # its own range is ± 17 %
            case "strain":
                assert there["curd_kg"]["likely"] == pytest.approx(base["made_kg"], rel=0.02)
                assert there["total_solids"] == pytest.approx(base["total_solids"], abs=0.003)
                step = next(s["step"] for s in plan["steps"] if s["step"]["base"] == base["letter"])
                assert there["seconds"]["likely"] == pytest.approx(step["seconds"]["likely"], rel=0.02)


@pytest.mark.parametrize("bags", [1, 2, 4])
def test_more_bags_are_sooner_thick_and_give_the_same(client, bags):
    words = {"amount": "2.4 kg", "end": "26 % solids", "yoghurt": "yoghurt"}
    one = client.post("/api/bench/strain", json=words).json
    parted = client.post("/api/bench/strain", json={**words, "bags": bags}).json
    assert parted["curd_kg"] == one["curd_kg"]
    assert (parted["seconds"]["likely"] < one["seconds"]["likely"]) == (bags > 1)
    assert any(end["name"] == "26 % solids" for end in parted["ends"])


@pytest.mark.parametrize(
    ("field", "sent"), [("end", "stiff"), ("end", "80 % solids"), ("end", "10 %"), ("bags", 0), ("bags", 9)]
)
def test_an_end_or_a_bag_that_cannot_be_is_named(client, field, sent):
    answer = client.post("/api/bench/strain", json={"amount": "1 kg", field: sent})
    assert answer.status_code == 422 and answer.json["fields"][0]["path"] == field
    assert "15 to 40" in answer.json["fields"][0]["fix"] or "1 to 8" in answer.json["fields"][0]["fix"]
