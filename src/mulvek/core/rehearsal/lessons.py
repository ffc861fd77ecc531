"""The school: lessons as data files, one each in ``core/data/lessons``.

A file says what is practised, on which route, from which words; what is hidden and which instruments there are; what counts;
what a practised hand does, and what a careless one does instead. The lint (tests/core/test_lessons.py) plays every one of
them: practised hands do well, careless ones do not, idle ones still reach the end.
"""

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cache
from importlib.resources import files
from typing import Any, Literal, get_args

from ..errors import NotFound
from .cooks import Cook, run
from .cooks.bath import BathHands
from .cooks.caramel import CaramelHands
from .cooks.cloth import ClothHands
from .cooks.curd import CurdHands
from .cooks.freezer import FreezeHands
from .cooks.frying import FryHands
from .cooks.halwa import HalwaHands
from .cooks.pan import Careful
from .cooks.several import Both
from .luck import FIRST_BELL_S, Level, Luck
from .scenes import BUILD
from .world import World

Shelf = Literal["fire", "curd", "sugar", "cold", "hands"]
SHELVES: Mapping[Shelf, str] = {
    "fire": "The fire",
    "curd": "The curd",
    "sugar": "Sugar, syrup and fat",
    "cold": "Cold and set",
    "hands": "A kitchen of its own mind",
}
assert set(SHELVES) == set(get_args(Shelf))
HANDS: Mapping[str, Any] = {
    "pan": Careful,
    "curd": CurdHands,
    "cloth": ClothHands,
    "caramel": CaramelHands,
    "bath": BathHands,
    "fry": FryHands,
    "freeze": FreezeHands,
    "halwa": HalwaHands,
}
"""Scripted hands of each route; their habits are their fields."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Lesson:
    """One lesson. ``minutes`` it takes at its usual ``speed``; ``starts``: the stage it begins at, what comes before being done
    for the cook; ``ends``: the act it ends with; ``careless``: habits of hands that should not pass, ``idle``: of those that
    leave it alone; ``faults`` of Mend that it teaches to avoid; ``edition``: raised when a change makes other milk of it."""

    key: str
    name: str
    practises: str
    good: str
    learn: str
    shelf: Shelf
    place: int
    draws: str
    minutes: int
    speed: int
    world: str
    plan: Mapping[str, Any]
    level: Level
    counts: Mapping[str, float]
    starts: str = ""
    ends: str = ""
    faults: tuple[str, ...] = ()
    first_bell_s: int = FIRST_BELL_S
    edition: int = 1
    practised: Mapping[str, Any] = field(default_factory=dict)
    careless: Mapping[str, Any] = field(default_factory=dict)
    idle: Mapping[str, Any] = field(default_factory=dict)

    def begin(self, seed: int) -> World:
        """The kitchen of this lesson with the chance of this seed, at the moment it begins."""
        luck = Luck(self.level, seed, self.first_bell_s)
        world = BUILD[self.world](self.plan, luck)
        world.luck = replace(world.luck, first_bell_s=self.first_bell_s)
        if self.counts:
            world.asks = frozenset(self.counts)
        if self.starts:
            run(world, self.cook(), until=self.starts)
            world.begin_here()
        world.ends_with = self.ends
        return world

    def cook(self, habits: Literal["practised", "careless", "idle"] = "practised") -> Cook:
        """Scripted hands for it."""
        chosen: Mapping[str, Any] = getattr(self, habits)
        if self.world != "several":
            return HANDS[self.world](**chosen)  # type: ignore[no-any-return]
        vessels = self.plan["vessels"]
        each = [HANDS[v["world"]](**{**v.get("practised", {}), **v.get(habits, {})}) for v in vessels]
        return Both(each, [int(v.get("begins_s", 0)) for v in vessels])


def _level(row: Mapping[str, Any]) -> Level:
    return Level(
        number=0,
        says=row.get("says", "as the lesson has it"),
        spread=float(row.get("spread", 1.0)),
        noise=float(row.get("noise", 1.0)),
        bells_per_hour=float(row.get("bells_per_hour", 0.0)),
        gas_fades=bool(row.get("gas_fades", False)),
        shows=tuple(row.get("shows", ())),
    )


def _lesson(key: str, row: dict[str, Any]) -> Lesson:
    hidden = row.pop("hidden", {})
    return Lesson(
        key=key,
        level=_level(hidden),
        first_bell_s=int(hidden.get("first_bell_s", FIRST_BELL_S)),
        faults=tuple(row.pop("faults", ())),
        **row,
    )


@cache
def lessons() -> Mapping[str, Lesson]:
    """All of them by key, in the order of the board."""
    folder = files("mulvek.core") / "data" / "lessons"
    found = [
        _lesson(file.name.removesuffix(".toml"), tomllib.loads(file.read_text("utf-8")))
        for file in folder.iterdir()
        if file.name.endswith(".toml")
    ]
    shelves = list(SHELVES)
    return {x.key: x for x in sorted(found, key=lambda x: (shelves.index(x.shelf), x.place, x.key))}


def lesson(key: str) -> Lesson:
    """:raises NotFound: field "lesson"."""
    if key not in lessons():
        raise NotFound("lesson", "no-such-lesson", key=key)
    return lessons()[key]
