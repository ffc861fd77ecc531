"""A sweet with fruit is made of whichever there is: its own water, sugars and acid, and what it does to milk."""

import pytest

from mulvek.core.errors import BadInput
from mulvek.core.messages.catalogue import said as say
from mulvek.core.planning.sweets.build import Pantry, build
from mulvek.core.planning.sweets.checks import fruit_mix_ph
from mulvek.core.planning.sweets.fruits import USUAL, fruit_cautions, pulps, takes_fruit, with_fruit
from mulvek.core.planning.sweets.library import library, things

PANTRY = Pantry(things=things(), sweets=library())
PULPS = pulps(things())
SCHOOLS = [
    (sweet.key, school.key)
    for sweet in library().values()
    if not sweet.hidden
    for school in sweet.schools.values()
    if takes_fruit(school, library())
]


def made(sweet: str, school: str, fruit: str):
    return build(library()[sweet], *with_fruit(library()[sweet].schools[school], PANTRY, fruit))


def test_what_takes_a_fruit():
    assert set(SCHOOLS) == {
        ("kulfi", "fruit"),
        ("kulfi", "cooked-fruit"),
        ("kulfi", "cream-fruit"),
        ("shrikhand", "fruit"),
    }
    assert next(iter(PULPS)) == USUAL and {"strawberry", "guava", "custard-apple", "lychee"} <= set(PULPS)
    assert not {"lemon-juice", "dried-fig"} & set(PULPS)


@pytest.mark.parametrize(("sweet", "school"), SCHOOLS)
@pytest.mark.parametrize("fruit", PULPS)
def test_the_account_closes_with_that_very_fruit(sweet, school, fruit):
    """Its acid is all there, however far it was cooked down; mango is what the library says; no mango stays behind."""
    built = made(sweet, school, fruit)
    raw = built.stuff.bought[fruit]
    assert abs(built.stuff.missing_kg) < 1e-9 and (fruit == USUAL or USUAL not in built.stuff.bought)
    if sweet == "kulfi":  # its milk brings no acid of its own; what clings to pan and spoon takes its share
        kept = raw * things()[fruit].parts.acid / (1 + built.stuff.left_kg)
        assert built.parts.acid == pytest.approx(kept, rel=0.05)
    assert with_fruit(library()[sweet].schools[school], PANTRY, "") == (library()[sweet].schools[school], PANTRY)


def test_a_watery_fruit_is_cooked_further_down_from_more_of_it():
    bought = {
        fruit: made("kulfi", "cooked-fruit", fruit).stuff.bought[fruit] for fruit in ("strawberry", "mango", "banana")
    }
    assert bought["strawberry"] > bought["mango"] > bought["banana"]


@pytest.mark.parametrize(
    ("school", "fruit", "said"),
    [
        ("cream-fruit", "kiwi", ["splits the milk warm", "Raw kiwi pulp"]),
        ("cream-fruit", "papaya", ["Raw papaya pulp"]),
        ("cooked-fruit", "pineapple", []),  # cooked, its enzyme is gone; its acid is not enough
        ("cooked-fruit", "strawberry", ["splits the milk warm"]),
        ("fruit", "banana", []),
        ("fruit", "mango", []),
    ],
)
def test_what_it_does_to_the_milk_is_said(school, fruit, said):
    built = made("kulfi", school, fruit)
    told = fruit_cautions(built, things(), frozen=True)
    assert len(told) == len(said) and all(part in say(c.says) for part, c in zip(said, told, strict=True))
    assert all(c.severity == "danger" for c in told)
    ph = fruit_mix_ph(built.parts.acid, built.parts.msnf)
    assert 4.6 < ph < 6.8


def test_sourer_fruit_more_acid_milk():
    ph = {f: fruit_mix_ph(b.parts.acid, b.parts.msnf) for f in PULPS if (b := made("kulfi", "fruit", f))}
    order = sorted(PULPS, key=lambda f: things()[f].parts.acid)
    assert [round(ph[f], 6) for f in order] == sorted((round(ph[f], 6) for f in order), reverse=True)


@pytest.mark.parametrize(
    ("sweet", "school", "fruit"),
    [("kulfi", "fruit", "durian"), ("kulfi", "reduced", "guava"), ("kheer", "rice", "guava")],
)
def test_no_such_fruit_or_none_at_all(sweet, school, fruit):
    with pytest.raises(BadInput) as wrong:
        with_fruit(library()[sweet].schools[school], PANTRY, fruit)
    assert wrong.value.field == "fruit" and wrong.value.fix
