"""Which fruit: what the library writes with mango is made of whichever fruit the cook has, with the water, the sugars and
the acid of that very fruit.

Make-up and raw enzymes as in ``data/materials.toml``; what acid does to milk: curd dossier §10, ``checks.splits``.
"""

from collections.abc import Mapping
from dataclasses import replace

from ...errors import BadInput
from ...messages.message import Message
from ...safety.cautions import Caution
from .build import Built, Pantry
from .checks import splits
from .formula import School, Sweet
from .stuff import Thing

USUAL = "mango"
_NO_PULP = frozenset({"lemon-juice", "dried-fig"})
"""Of the fruit group, what is no pulp to make a sweet of."""


def pulps(things: Mapping[str, Thing]) -> dict[str, str]:
    """Fruits to choose from, by key: their names, mango first."""
    found = {key: thing.name for key, thing in things.items() if thing.group == "fruit" and key not in _NO_PULP}
    return (
        {USUAL: found.pop(USUAL)} | dict(sorted(found.items(), key=lambda item: item[1])) if USUAL in found else found
    )


def takes_fruit(school: School, sweets: Mapping[str, Sweet]) -> bool:
    """Whether it is made with a fruit that can be another."""
    inner = (s for key in school.mix if key in sweets for s in sweets[key].schools.values())
    return USUAL in school.mix or any(USUAL in made.mix for made in inner)


def _made_of(school: School, key: str) -> School:
    def named(words: Mapping[str, object]) -> dict[str, object]:
        return {
            key if k == USUAL else f"mix.{key}" if k == f"mix.{USUAL}" else k: value for k, value in words.items()
        }

    return replace(school, mix=named(school.mix), vary=named(school.vary))  # type: ignore[arg-type]


def with_fruit(school: School, pantry: Pantry, key: str) -> tuple[School, Pantry]:
    """The school and what it is built from, with another fruit; unchanged for none or the usual one.

    :raises BadInput: field "fruit", when there is no such fruit or the school has none.
    """
    if key in ("", USUAL):
        return school, pantry
    known = pulps(pantry.things)
    if key not in known:
        raise BadInput("fruit", "no-such-fruit", key=key, known=tuple(known))
    if not takes_fruit(school, pantry.sweets):
        raise BadInput("fruit", "sweet-takes-no-fruit")
    inner = {
        name: replace(sweet, schools={k: _made_of(s, key) for k, s in sweet.schools.items()})
        for name, sweet in pantry.sweets.items()
        if name in school.mix
    }
    return _made_of(school, key), replace(pantry, sweets=dict(pantry.sweets) | inner)


def fruit_cautions(built: Built, things: Mapping[str, Thing], frozen: bool) -> list[Caution]:
    """What the fruit does to the milk: its enzymes, raw, break the protein down and turn it bitter; its acid splits it.

    Enzymes by the material's own flag; acid against the milk's buffer where milk is frozen with it (a hung curd is sour
    already).
    """
    made = []
    sour = splits(built.parts.acid, built.parts.msnf) if built.school.fruit and frozen else None
    if sour == "warm":
        made.append(Caution("danger", Message("fruit-splits-milk-warm")))
    elif sour == "even cold":
        made.append(Caution("danger", Message("fruit-splits-milk-cold")))
    for key in built.school.mix:
        material = things[key].material if key in things else None
        if material is not None and "protease" in material.flags:
            made.append(Caution("danger", Message("raw-fruit-turns-milk-bitter", fruit=material.name)))
    return made
