"""Grams along the steps of every sweet: none from nowhere, and what does not go on is said where it is lost."""

import pytest

from mulvek.core.planning.sweets.library import library
from tests.web.test_making import POT, begin, happens, look

SCHOOLS = [(key, school) for key, sweet in library().items() for school in sweet.schools]
OFF = {"steam", "whey", "syrup", "behind"}


def closes(batch, lost):
    """What is weighed in is what comes out and what is lost; no step gives more than is in it."""
    went_in = sum(row["grams"] for row in batch["rows"]) / 1e3
    off = 0.0
    for step in batch["steps"]:
        less = step["in_kg"] - step["out_kg"]
        assert less > -1e-6 * step["in_kg"], (step["key"], step["in_kg"], step["out_kg"])
        assert step["leaves"] in OFF
        if step["leaves"] == "behind":  # what sticks to spoon, tray and mould, of it and of its parts
            assert less <= lost * step["in_kg"] + 1e-9, step["key"]
        off += less
    assert went_in == pytest.approx(batch["told_kg"]["likely"] + off, rel=1e-6)


def sticks(key, school):
    """The share that no hand gets out of its vessels: its own, and of a part the part's too."""
    parts = [library()[of] for of in (library()[key].schools[school].mix) if of in library()]
    of = library()[key].schools[school]
    parts += [
        library()[x] for x in ((of.top.of if of.top else ""), (of.soak.within if of.soak else "")) if x in library()
    ]
    return (of.lose + sum(part.usual.lose for part in parts)) / 100


@pytest.mark.parametrize(("key", "school"), SCHOOLS)
def test_grams_close_along_the_steps(client, key, school):
    batch = begin(client, "sweet", {"sweet": key, "school": school, "want": "12"})
    closes(batch, sticks(key, school))


@pytest.mark.parametrize("key", ["sponge-balls", "fried-balls", "poached-slices"])
def test_syrup_that_is_not_drunk_is_said_where_they_leave_it(client, key):
    batch = begin(client, "sweet", {"sweet": key, "want": "12"})
    soak = next(step for step in batch["steps"] if step["key"] == "soak")
    assert soak["leaves"] == "syrup"
    words = {"sweet": key, "want": "12"}
    told = client.post("/api/sweets/plan", json=words).json["syrup"]
    assert soak["in_kg"] - soak["out_kg"] == pytest.approx(told["left_kg"], rel=0.02)


def test_grams_close_from_what_was_weighed(client, clock):
    """A chhena an eighth light: syrup, pieces and what stays of the syrup go down with it."""
    sweet = begin(client, "sweet", {"sweet": "fried-balls", "want": "20", "pan": 2, "burner": 1})
    asked = next(step["bench_words"] for step in sweet["steps"] if step["base"] == "C")
    milk = {**POT, "milk": asked["milk"], "use": asked["use"], "amount": asked["amount"]}
    curd = begin(client, "curdle", milk, parent=sweet["id"], slot="C")
    happens(client, curd["id"], kind="weighed", mass_kg=round(curd["told_kg"]["likely"] * 0.88, 4))
    now = look(client, sweet["id"])
    closes(now, sticks("fried-balls", "cow"))
    was, is_ = (next(s for s in b["steps"] if s["key"] == "soak") for b in (sweet, now))
    share = now["told_kg"]["likely"] / sweet["told_kg"]["likely"]
    assert 0.8 < share < 0.95
    assert is_["in_kg"] - is_["out_kg"] == pytest.approx(share * (was["in_kg"] - was["out_kg"]), rel=0.01)
