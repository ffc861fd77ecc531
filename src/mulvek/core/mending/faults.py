"""The faults that milk sweets have, their causes and what speaks for each: data, checked when it is loaded.

Day dossier §4. Chances and weights are one kitchen's judgement to start from; confirmed causes move them.
"""

import re
import tomllib
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files
from typing import Any

from ..errors import NotFound
from .reckoned import RECKONS, Reckons

ALL = "all"
"""The family of every product."""
_SHOWS = re.compile(r"([a-z0-9-]+) (?:(-?[\d.]+)\.\.(-?[\d.]+)|(yes|no)) \+([\d.]+) -([\d.]+)")
_FILES = ("fire", "chhena", "balls", "fried", "set", "frozen", "others")


@dataclass(frozen=True, slots=True, kw_only=True)
class Evidence:
    """How a reading speaks: log-odds from ``-against`` at ``near`` to ``+speaks`` at ``far``. Yes is 1, no is 0."""

    reading: str
    near: float
    far: float
    speaks: float
    against: float

    @classmethod
    def read(cls, text: str) -> "Evidence":
        """
        >>> Evidence.read("acid-heat 88..95 +2.2 -1.6")
        Evidence(reading='acid-heat', near=88.0, far=95.0, speaks=2.2, against=1.6)
        >>> Evidence.read("seams no +1.3 -0.9").far
        0.0
        """
        found = _SHOWS.fullmatch(text)
        if found is None:
            raise ValueError(f"“{text}” is no evidence: write “reading 3..7 +2.0 -1.5” or “reading yes +1 -0.5”")
        reading, near, far, either, speaks, against = found.groups()
        ends = (float(near), float(far)) if either is None else (0.0, 1.0) if either == "yes" else (1.0, 0.0)
        return cls(reading=reading, near=ends[0], far=ends[1], speaks=float(speaks), against=float(against))

    def strength(self, value: float | None) -> float:
        """Log-odds that a reading gives; nought when there is none.

        >>> e = Evidence.read("acid-heat 88..95 +2.2 -1.6")
        >>> e.strength(88), e.strength(120), e.strength(None)
        (-1.6, 2.2, 0.0)
        """
        if value is None:
            return 0.0
        part = min(1.0, max(0.0, (value - self.near) / (self.far - self.near)))
        return part * (self.speaks + self.against) - self.against


@dataclass(frozen=True, slots=True, kw_only=True)
class Cause:
    """``chance`` that it plays a part when the fault is seen, 0 to 1; ``why`` and ``next`` go on a sentence. ``sets``: what
    that is in the sentence of the next plan, its words by station ("reduce", "curdle", "strain", "caramel", "sweet");
    ``reckons``: the same of a reduction, where the word has to be reckoned from that plan."""

    key: str
    chance: float
    why: str
    next: str
    shows: tuple[Evidence, ...]
    sets: Mapping[str, Mapping[str, str]] = field(default_factory=dict)
    reckons: Mapping[str, Reckons] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """``reckoned``: the rescue with amounts in it, for when they are known."""

    key: str
    title: str
    on: tuple[str, ...]
    signs: str
    rescue: str
    reckoned: str
    caution: str
    throw_away: bool
    causes: tuple[Cause, ...]

    @property
    def readings(self) -> tuple[str, ...]:
        """All that tells its causes apart."""
        return tuple(dict.fromkeys(shown.reading for cause in self.causes for shown in cause.shows))

    def evidence(self, reading: str) -> list[Evidence]:
        return [shown for cause in self.causes for shown in cause.shows if shown.reading == reading]

    def cause(self, key: str) -> Cause:
        """:raises NotFound: field "cause"."""
        found = next((cause for cause in self.causes if cause.key == key), None)
        if found is None:
            known = ", ".join(cause.key for cause in self.causes)
            raise NotFound("cause", "no-such-cause", title=self.title, key=key, known=known)
        return found


@dataclass(frozen=True, slots=True, kw_only=True)
class Question:
    """A reading: how it is said and asked for. ``under``: how a value below nought is said; ``low`` and ``high``: its ends
    in words, for whoever has no instrument; ``yes`` and ``no`` of what is either."""

    key: str
    ask: str
    says: str = ""
    under: str = ""
    yes: str = ""
    no: str = ""
    unit: str = ""
    low: str = ""
    high: str = ""
    measure: str = ""

    @property
    def either(self) -> bool:
        return bool(self.yes)


@dataclass(frozen=True, slots=True, kw_only=True)
class Product:
    """What is made; ``families``: of which faults it can have, the nearest first. A sweet's name stands in the library."""

    key: str
    name: str
    families: tuple[str, ...]


def _table(name: str) -> dict[str, Any]:
    data = files("mulvek.core.data.mending").joinpath(f"{name}.toml").read_text(encoding="utf-8")
    return tomllib.loads(data)


@cache
def questions() -> Mapping[str, Question]:
    """Every reading by its key."""
    return {key: Question(key=key, **row) for group in _table("readings").values() for key, row in group.items()}


@cache
def faults() -> Mapping[str, Fault]:
    """Every fault by its key, in the order in which they are offered."""
    found = {row["key"]: _fault(row) for name in _FILES for row in _table(name)["fault"]}
    _check(found.values())
    return found


def fault(key: str) -> Fault:
    """:raises NotFound: field "fault"."""
    if key not in faults():
        raise NotFound("fault", "no-such-fault", key=key)
    return faults()[key]


def _fault(row: Mapping[str, Any]) -> Fault:
    causes = tuple(
        Cause(**{**cause, "shows": tuple(Evidence.read(text) for text in cause["shows"])}) for cause in row["causes"]
    )
    plain = {"reckoned": "", "caution": "", "throw_away": False}
    return Fault(**{**plain, **row, "on": tuple(row["on"]), "causes": causes})


def _check(found: Iterable[Fault]) -> None:
    """A reading that is known, its ends apart, and in a fault for one cause only: so no reading can speak twice."""
    for one in found:
        for reading in one.readings:
            question = questions()[reading]
            shown = one.evidence(reading)
            if len(shown) > 1:
                raise ValueError(f"{one.key}: “{reading}” speaks for more than one cause")
            if question.either != ({shown[0].near, shown[0].far} == {0.0, 1.0}) or shown[0].near == shown[0].far:
                raise ValueError(f"{one.key}: “{reading}” is asked for in another way")
        if any(set(cause.reckons.values()) - RECKONS for cause in one.causes):
            raise ValueError(f"{one.key}: a word is reckoned as one of {', '.join(sorted(RECKONS))}")
        if any(not 0 < cause.chance < 1 for cause in one.causes):
            raise ValueError(f"{one.key}: a chance lies between 0 and 1")


@cache
def products() -> Mapping[str, Product]:
    """What can be made, by its key: bases, and the sweets of the library."""
    table = _table("products")
    bases = {
        key: Product(key=key, name=row["name"], families=tuple(row["of"])) for key, row in table["bases"].items()
    }
    sweets = {key: Product(key=key, name="", families=tuple(of)) for key, of in table["sweets"].items()}
    return bases | sweets


def faults_of(families: Iterable[str]) -> list[Fault]:
    """What can go wrong with a product of these families, of its nearest family first.

    >>> [f.key for f in faults_of(["kulfi"])][:2], faults_of(["kulfi"])[-1].key
    (['kulfi-icy', 'kulfi-hard'], 'turned-early')
    """
    order = [*families, ALL]
    return sorted(
        (f for f in faults().values() if set(f.on) & set(order)),
        key=lambda f: min(order.index(family) for family in f.on if family in order),
    )
