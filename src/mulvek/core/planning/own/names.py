"""Which material a cook means: the longest name of the tables, or of the Larder, that stands in the line."""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from ...composition.materials import read_table
from ..sweets.stuff import Thing

_WORD = re.compile(r"[^\W_]+(?:[-'’][^\W_]+)*")


@dataclass(frozen=True, slots=True)
class Named:
    """A thing with what stands before and after its name."""

    thing: Thing
    before: str
    after: str


@cache
def _called() -> Mapping[str, Mapping[str, object]]:
    table: Mapping[str, Mapping[str, object]] = read_table("called.toml")
    return table


def one_kg(key: str) -> float | None:
    """What one weighs when it is counted, kg; None where nobody counts it."""
    grams = _called().get(key, {}).get("one_g")
    return float(grams) / 1e3 if isinstance(grams, int | float) else None


def handful_kg(key: str, bulk_kg_m3: float) -> float:
    """A handful of it, kg: by the table, else the 50 ml that a hand holds."""
    grams = _called().get(key, {}).get("handful_g")
    return float(grams) / 1e3 if isinstance(grams, int | float) else 50e-6 * bulk_kg_m3


def plain(word: str) -> str:
    """One form of a word, whether there are one or many.

    >>> plain("Pistachios"), plain("cherries"), plain("mangoes"), plain("cow's")
    ('pistachio', 'cherry', 'mango', "cow's")
    """
    low = word.lower().replace("’", "'")
    if low.endswith("ies") and len(low) > 4:
        return low[:-3] + "y"
    if low.endswith(("sses", "xes", "ches", "shes", "oes")):
        return low[:-2]
    return low[:-1] if low.endswith("s") and not low.endswith(("ss", "'s", "us")) else low


def _key_words(name: str) -> tuple[str, ...]:
    return tuple(plain(word) for word in _WORD.findall(name))


def names_of(things: Mapping[str, Thing]) -> dict[tuple[str, ...], Thing]:
    """Every name that can stand in a line, as plain words: the tables' and the Larder's own, then what cooks call them."""
    found: dict[tuple[str, ...], Thing] = {}
    for key, thing in things.items():
        for word in _called().get(key, {}).get("words", ()):  # type: ignore[attr-defined]
            found.setdefault(_key_words(word), thing)
    for thing in things.values():
        found[_key_words(thing.name)] = thing
        found.setdefault(_key_words(thing.name.split(",")[0]), thing)
    return found


def find(line: str, names: Mapping[tuple[str, ...], Thing]) -> Named | None:
    """The thing a line speaks of; of two the longer name, of two as long the first.

    >>> from ..sweets.library import things
    >>> found = find("5 spoons of sugar, at the end", names_of(things()))
    >>> found.thing.key, found.before, found.after
    ('white-sugar', '5 spoons of', ', at the end')
    """
    words = list(_WORD.finditer(line))
    plains = [plain(word.group()) for word in words]
    longest = max((len(name) for name in names), default=0)
    for size in range(min(longest, len(words)), 0, -1):
        for start in range(len(words) - size + 1):
            thing = names.get(tuple(plains[start : start + size]))
            spoon = start + size < len(plains) and plains[start + size].startswith("spoon")
            if thing is not None and not spoon:  # a rice spoon is no rice
                end = words[start + size - 1].end()
                return Named(thing, line[: words[start].start()].strip(), line[end:].strip())
    return None
