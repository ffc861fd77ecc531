"""Packets and tins, people and dozens: understood as the Larder and the sweet have them, or refused at their own word."""

import pytest

from mulvek.core.planning.sweets.library import library
from tests.kitchens import MILK, words
from tests.web.test_sweet_wishes import plan, told

POT = {"milk": 5, "pan": 2, "burner": 1, "use": "sponge"}


@pytest.fixture
def packed(client):
    """The own milk comes in packets of 500 ml, its condensed milk in tins of 400 g."""
    assert client.put("/api/larder/milks/5", json={**MILK, "pack_ml": 500, "version": 1}).status_code == 200
    tin = {"name": "tinned milk", "base": "condensed", "fat_pct": 8.0, "pack_g": 400, "price": 3.5}
    made = client.post("/api/larder/ingredients", json=tin)
    assert made.status_code == 201, made.json
    return client.get("/api/larder").json["ingredients"][-1]["id"]


def reduced(client, **changed):
    answer = client.post("/api/bench/reduce", json=words(**changed))
    assert answer.status_code == 200, answer.json
    return answer.json


@pytest.mark.parametrize(
    ("said", "plain"),
    [
        ("a packet", "500 ml"),
        ("2 packets", "1 L"),
        ("Three pouches of milk", "1500 ml"),
        ("half a carton", "250 ml"),
        ("1½ packs and 100 ml", "750 ml and 100 ml"),
        ("4 bottles", "2 L"),
    ],
)
def test_packets_are_what_the_larder_says_they_hold(client, packed, said, plain):
    assert reduced(client, amount=said) == reduced(client, amount=plain)
    curds = [client.post("/api/bench/curdle", json={**POT, "amount": a}) for a in (said, plain)]
    assert curds[0].status_code == 200 and curds[0].json == curds[1].json
    sweets = [
        told(client, "kulfi", milk=5, have=[{"what": "milk", "amount": amount}])["pieces"] for amount in (said, plain)
    ]
    assert sweets[0] == sweets[1]


def test_a_tin_that_enriches_is_one_of_the_larder(client, packed):
    tins, grams = (
        reduced(client, additions=[{"what": packed, "amount": amount}]) for amount in ("half a tin", "200 g")
    )
    assert tins == grams


def test_pots_of_yoghurt_are_hung_whole(client):
    """By its number in the Larder, or as the yoghurt that the cook's own was copied from."""
    pot = {"name": "hill yoghurt", "base": "yoghurt", "fat_pct": 5.0, "pack_g": 400, "price": 2.0}
    assert client.post("/api/larder/ingredients", json=pot).status_code == 201
    own = client.get("/api/larder").json["ingredients"][-1]["id"]
    for yoghurt in (own, "yoghurt"):
        two, grams = (
            client.post("/api/bench/strain", json={"yoghurt": yoghurt, "amount": amount})
            for amount in ("2 packets", "800 g")
        )
        assert two.status_code == 200 and two.json == grams.json
    shrikhand = [
        told(client, "shrikhand", have=[{"what": "yoghurt", "amount": amount}])["pieces"]
        for amount in ("2 packs", "800 g")
    ]
    assert shrikhand[0] == shrikhand[1]


@pytest.mark.parametrize(
    ("route", "body", "field"),
    [
        ("bench/strain", {"amount": "2 packets"}, "amount"),
        ("bench/reduce", words(amount="2 packets"), "amount"),
        ("bench/reduce", words(additions=[{"what": "condensed", "amount": "a tin"}]), "additions"),
        ("bench/curdle", {**POT, "amount": "two pouches"}, "amount"),
        ("bench/caramel", {"milk": 5, "milk_amount": "a carton", "sugar": "200 g"}, "milk_amount"),
        ("sweets/plan", {"sweet": "kulfi", "have": [{"what": "milk", "amount": "a packet"}], "milk": 5}, "have"),
    ],
)
def test_a_packet_nobody_measured_is_refused_at_its_word(client, route, body, field):
    answer = client.post(f"/api/{route}", json=body)
    assert answer.status_code == 422, answer.json
    assert answer.json["fields"][0]["path"].split(".")[0].split("[")[0] == field
    assert "does not stand in the Larder" in answer.json["detail"]


def test_how_many_packets_must_be_a_number(client, packed):
    answer = client.post("/api/bench/reduce", json=words(amount="some packets"))
    assert answer.status_code == 422 and "“some”" in answer.json["detail"]


@pytest.mark.parametrize("sweet", [s.key for s in library().values() if not s.hidden])
def test_people_are_given_a_helping_each(client, sweet):
    ten = told(client, sweet, "for 10 people", whole_packs=False)
    pieces = ten["pieces"]["likely"]
    assert pieces >= 10
    assert told(client, sweet, f"{pieces:.0f}", whole_packs=False)["pieces"]["likely"] == pieces
    for said in ("ten people", "10 guests", "10 of us", "For 10 persons"):
        assert told(client, sweet, said, whole_packs=False)["finished"] == ten["finished"]
    each = ten["finished"]["likely"] / 10
    assert 0.04 <= each <= 0.35, each


@pytest.mark.parametrize(
    ("said", "count"), [("a dozen", 12), ("two dozen", 24), ("half a dozen pieces", 6), ("1½ dozen", 18)]
)
def test_dozens_are_counted(client, said, count):
    assert told(client, "kulfi", said, whole_packs=False)["pieces"]["likely"] == count


@pytest.mark.parametrize(("sweet", "many"), [("kulfi", "sticks"), ("kalakand", "pieces"), ("rabri", "bowls")])
def test_what_cannot_be_read_is_told_with_an_example_of_this_sweet(client, sweet, many):
    for said in ("a good deal", "enough", "for everybody people"):
        answer = plan(client, sweet, said)
        assert answer.status_code == 422
        assert answer.json["fields"][0]["path"] == "want"
        assert f"12 {many}" in answer.json["detail"]
