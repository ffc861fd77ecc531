"""What is asked of a sweet, in any words and any size: one count, one weight, one milk, or a plain refusal."""

import pytest

from mulvek.core.planning.sweets.library import library

SCHOOLS = [(s.key, school) for s in library().values() if not s.hidden for school in s.schools]


def plan(client, sweet: str, want: str = "", **more):
    return client.post("/api/sweets/plan", json={"sweet": sweet, "want": want, **more})


def told(client, sweet: str, want: str = "", **more) -> dict:
    answer = plan(client, sweet, want, **more)
    assert answer.status_code == 200, answer.json
    return answer.json


@pytest.mark.parametrize(("sweet", "school"), SCHOOLS)
def test_the_smallest_and_the_largest_batch_are_answered(client, sweet, school):
    for want in ("1", "20 g", "100 kg"):
        for pan in (1, 2):
            answer = told(client, sweet, want, school=school, pan=pan)
            finished = answer["finished"]
            assert 0 < finished["low"] <= finished["likely"] <= finished["high"]
            assert (
                answer["fridge"]["cooling"]["hand_over_c"] is None
                or answer["fridge"]["cooling"]["hand_over_c"] <= 60.0
            )
            if answer["stop_kg"] is not None:
                assert 0 < answer["stop_kg"] <= answer["into_pan_kg"] * (1 + 1e-9)


def test_a_piece_takes_less_of_a_cold_place_the_smaller_it_is(client):
    hand_over = [
        told(client, "burfi", want)["fridge"]["cooling"]["hand_over_c"] for want in ("5 kg", "500 g", "50 g", "20 g")
    ]
    assert hand_over == sorted(hand_over) and hand_over[-1] == 60.0


@pytest.mark.parametrize(
    ("sweet", "want", "pieces"),
    [
        ("kulfi", "24 sticks", 24),
        ("kulfi", "24 pieces", 24),
        ("rabri", "3", 3),
        ("rabri", "2 bowls", 2),
        ("rabri", "twelve", 12),
        ("sponge-balls", "24 balls", 24),
        ("milk-drinks", "4 glasses", 4),
    ],
)
def test_so_many_pieces(client, sweet, want, pieces):
    assert pieces <= told(client, sweet, want, whole_packs=False)["pieces"]["likely"] <= pieces + 1


@pytest.mark.parametrize("sweet", ["rabri", "kheer", "kulfi", "burfi", "shrikhand"])
def test_a_volume_is_the_weight_that_fills_it(client, sweet):
    litre = told(client, sweet, "1 L", whole_packs=False)["finished"]["likely"]
    assert 0.9 < litre < 1.4
    for words in ("1000 ml", "1 litre", "5 glasses"):
        assert told(client, sweet, words, whole_packs=False)["finished"]["likely"] == pytest.approx(litre)
    weighed = told(client, sweet, f"{litre / 1.02} kg", whole_packs=False)["finished"]["likely"]
    assert weighed == pytest.approx(litre, rel=1e-6)


@pytest.mark.parametrize(
    ("want", "names"),
    [
        ("3.5", "3.5 is no whole number of bowls"),
        ("5 cm", "depth"),
        ("24 thalis", "thalis"),
        ("12 %", "per cent"),
        ("-3", "negative"),
        ("0", "nothing"),
        ("1e9", "1e9"),
        ("half", "half"),
        ("2001", "2001"),
        ("200 L", "no kitchen's batch"),
    ],
)
def test_what_is_neither_is_refused_by_its_name(client, want, names):
    refused = plan(client, "rabri", want)
    assert refused.status_code == 422 and names in refused.json["detail"], refused.json
    assert refused.json["fields"][0]["path"] == "want" and refused.json["fields"][0]["fix"]


@pytest.mark.parametrize("sweet", ["kalakand", "burfi"])
@pytest.mark.parametrize("want", ["24", "27", "39", "600 g", "1 kg"])
@pytest.mark.parametrize("tray", ["", "30 x 20 cm"])
def test_a_slab_is_cut_into_the_pieces_that_are_told(client, sweet, want, tray):
    answer = told(client, sweet, want, tray=tray)
    grid = answer["slab"]["grid"]
    assert answer["pieces"]["likely"] == grid["along"] * grid["across"]
    assert answer["each_kg"] * answer["pieces"]["likely"] == pytest.approx(answer["finished"]["likely"])
    if want.isdecimal():
        assert answer["pieces"]["likely"] >= int(want)


@pytest.mark.parametrize(
    ("sweet", "school", "later"),
    [
        ("rabri", "slow", {"white-sugar", "cardamom"}),
        ("kheer", "rice", {"white-sugar", "almond", "cardamom"}),
        ("carrot-halwa", "milk", {"ghee", "cashew", "cardamom"}),
        ("kulfi", "enriched", {"white-sugar", "cardamom"}),
        ("burfi", "reduced", set()),
        ("condensed-milk", "sugar-in", set()),
    ],
)
def test_the_weight_to_cook_to_is_what_is_in_the_pan_then(client, sweet, school, later):
    """Obeyed, all of it weighs what was told: nothing still in its bowl is on the scale."""
    answer = told(client, sweet, "1 kg", school=school, whole_packs=False)
    stirred_in = sum(row["grams"] for row in answer["rows"] if row["key"] in later) / 1e3
    kept = 1 - library()[sweet].schools[school].lose / 100
    assert (answer["stop_kg"] + stirred_in) * kept == pytest.approx(answer["finished"]["likely"], rel=1e-6)
    assert answer["into_pan_kg"] - answer["stop_kg"] >= -1e-9
    why = answer["whys"]["stop"]["terms"]
    assert any("stirred in" in term["name"] for term in why) == bool(later)


def test_coconut_stays_coconut_whatever_milk_is_in_the_house(client):
    usual, asked = told(client, "coconut-condensed", "1 kg"), told(client, "coconut-condensed", "1 kg", milk=5)
    assert asked["milk"] == usual["milk"] == "coconut milk, full-fat"
    assert asked["allergens"] == usual["allergens"] == ["coconut"]
    assert asked["levels"] == usual["levels"] and asked["rows"] == usual["rows"]
    drink = told(client, "milk-drinks", "4", school="coconut", milk=5)
    assert drink["milk"] == "farm milk" and {"coconut", "milk"} <= set(drink["allergens"])
    assert any("coconut" in row["name"] for row in drink["rows"])
    swapped = plan(client, "rabri", "1 kg", milk="coconut")
    assert swapped.status_code == 200 and "coconut" not in swapped.json["allergens"]
