"""JSON of the shelf: what stands there, until when, and what it can still make."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Literal

from pydantic import Field

from ..core.batch.leftovers import DOUGH_SHARE
from ..core.errors import KitchenError
from ..core.messages.figures import say
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.formula import Base, School, Sweet
from ..core.planning.sweets.leaves import as_rabri_kg
from ..core.planning.sweets.library import library
from ..core.planning.sweets.plan import plan_sweet
from ..core.planning.sweets.weighed import fits
from .model import Out
from .sweet_words import SweetIn, Things, read_sweet_plan

ShelfKind = Literal["reduce", "curdle", "hang", "caramel", "whey", "syrup", "sauce", "dough"]
MOST_USES = 4
USUAL_SOLIDS = 0.13
"""Of milk that is told by how many times it is boiled down."""
NEAR = (0.7, 1.5)


@dataclass(frozen=True, slots=True, kw_only=True)
class Use:
    """One thing to make of it: ``says`` how much that gives; ``words`` the sentence of Sweets, none when it is no sweet."""

    name: str
    says: str
    words: Mapping[str, str]


class ShelfThing(Out):
    """kg; s since the epoch. ``of``: empty for what the batch was made for, else what stands beside it."""

    batch: int
    of: Literal["", "whey", "syrup", "sauce", "dough"]
    kind: ShelfKind
    name: str
    mass_kg: float
    gave_kg: float = Field(description="What there was of it at first")
    since_s: float
    fridge_days: int
    total_solids: float
    uses: list[Use]


class ShelfOut(Out):
    now_s: float
    things: list[ShelfThing]


def uses(ref: str, base: ReadyBase, things: Things) -> list[Use]:
    """What the library can make of it, and how much: those first that it goes furthest in."""
    if base.caramel:
        return []
    found = []
    for sweet, school, letter in _fitting(base):
        have = {"what": letter, "amount": f"{base.mass_kg * 1e3:.1f} g"}
        words = SweetIn.model_validate(
            {"sweet": sweet.key, "school": school.key, "bases": {letter: ref}, "have": [have], "whole_packs": False}
        )
        try:
            f = plan_sweet(read_sweet_plan(words, things, {letter: base}))
        except KitchenError:  # too much, or too little of it, for this one
            continue
        count = int(f.pieces.likely)
        said = f"{count} {sweet.one if count == 1 else sweet.many}"
        if sweet.name.endswith(sweet.many):
            said = str(count)
        address = {
            "sweet": sweet.key,
            "school": school.key,
            "from": "have",
            "have": f"{letter}={base.mass_kg * 1e3:.0f} g",
            "base": f"{letter}={ref}",
        }
        found.append((f.finished.likely, Use(name=sweet.name, says=said, words=address)))
    return [use for _, use in sorted(found, key=lambda pair: -pair[0])[:MOST_USES]]


def _fitting(base: ReadyBase) -> Iterator[tuple[Sweet, School, str]]:
    """Sweets with a base of its kind: by their usual school, or the first that has one."""
    for sweet in library().values():
        schools = [sweet.usual, *(s for s in sweet.schools.values() if s is not sweet.usual)]
        for school in schools:
            letter = next(
                (letter for letter, of in school.bases.items() if fits(of.do, base) and _near(of, base)), None
            )
            if letter is not None:
                yield sweet, school, letter
                break


def _near(of: Base, base: ReadyBase) -> bool:
    """Milk that is boiled down about as far as the sweet wants it; curds are told by their make-up alone."""
    if of.do != "reduce":
        return True
    wanted = {"ts": of.to / 100, "water": 1 - of.to / 100}.get(of.unit, of.to * USUAL_SOLIDS)
    return bool(NEAR[0] <= base.parts.total_solids / wanted <= NEAR[1])


def whey_uses(kg: float) -> list[Use]:
    """Whey kneads dough; left to sour it curdles the next milk."""
    return [Use(name="dough", says=f"kneads {say(kg / DOUGH_SHARE, 'mass')} of flour", words={})]


def sauce_uses(kg: float, solids: float) -> list[Use]:
    """A sauce is boiled on to rabri."""
    return [Use(name="rabri", says=f"{say(as_rabri_kg(kg, solids), 'mass')}, boiled on", words={})]


def syrup_uses(makes: list[str]) -> list[Use]:
    """As it was told when its sweet began."""
    return [Use(name=name, says=said, words={}) for name, _, said in (line.partition(": ") for line in makes)][
        :MOST_USES
    ]
