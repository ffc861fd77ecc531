"""How much a cook's words mean: weighed, told by a measure, guessed from a handful, or in doubt between several spoons.

Sizes nobody has given are our own estimates, each with its spread: a heaped spoon holds 1.55 of a level one (±20 %), a
rice spoon 41 ml (±15 %), a pinch 0.3 g (±40 %).
"""

import re
from dataclasses import dataclass, replace
from typing import Literal

from ...equipment.packs import Pack, unpacked
from ...equipment.quantities import Measures, parse
from ...errors import BadInput, KitchenError
from ...messages.figures import say
from ...messages.message import Message
from ..sweets.stuff import Thing
from .names import handful_kg, one_kg

Source = Literal["weighed", "told", "guess", "doubt"]
HEAPED, RICE_SPOON_M3, DESSERT_SPOON_M3, PINCH_KG = 1.55, 41e-6, 10e-6, 0.3e-3
TRACES = {"cardamom": 0.0010, "saffron": 0.00008, "black-pepper": 0.0015, "salt": 0.0010}
"""What is smelt or tasted in traces, kg per kg finished: taken so where nothing is said (the library's own shares)."""

_SPOON = re.compile(r"((?:(?:very )?(?:heaped|heaping|level|big|large|small|rice|serving|soup|dessert|table|tea)[ -]?)*)spoon(?:ful)?s?\b")  # fmt: skip
_HANDFUL = re.compile(r"\b(big |large |small )?hand(?:ful)?s?\b(?: ?ful)?")
_PINCH = re.compile(r"\b(?:pinch(?:es)?|dash(?:es)?)\b")
_SOFT = re.compile(r"\b(?:about|around|roughly|nearly|almost|some|good|another|more|the|of|x)\b|~")
_LEADING = re.compile(r"^[\s:,=–—-]*(?=[\d¼½¾⅓⅔]|an? |half |one |two |three |four |five |six |eight |ten )([^,;(]+)")
EXAMPLE = Message("example-of-line")


@dataclass(frozen=True, slots=True)
class Option:
    """One thing a word could mean, and what of it that makes, kg."""

    key: str
    text: str
    kg: float


@dataclass(frozen=True, slots=True)
class Told:
    """How much went in, kg, and how that is known. ``spread``: 1 sd, relative; ``options``: what else it could mean."""

    kg: float
    source: Source
    spread: float
    said: str
    options: tuple[Option, ...] = ()
    likely: str = ""

    def taken_as(self, key: str) -> "Told":
        """The same with a doubt answered.

        :raises BadInput: field "answers", when it is none of the options.
        """
        for option in self.options:
            if option.key == key:
                return replace(self, kg=option.kg, source="told", spread=0.08, said=option.text, likely=key)
        raise BadInput("answers", "no-such-answer", key=key)


def read_amount(words: str, thing: Thing, measures: Measures, pack: Pack) -> Told | None:
    """How much of a thing these words say; None where they say nothing.

    :param words: what stands beside its name, like ``"5 big spoons of"``, ``"a handful of"``, ``"2 L"``.
    :param pack: what one pack of it holds, for ``"2 packets"``.
    :raises BadInput: field "line", when they cannot be read.

    >>> from ..sweets.library import things
    >>> sugar, pack = things()["white-sugar"], Pack.of_thing("sugar", None)
    >>> five = read_amount("5 big spoons of", sugar, Measures(), pack)
    >>> five.source, five.likely, [(o.key, round(o.kg * 1e3)) for o in five.options]
    ('doubt', 'rice-spoon', [('level', 64), ('heaped', 99), ('rice-spoon', 174)])
    >>> read_amount("100 g", sugar, Measures(), pack).source
    'weighed'
    """
    text = " ".join(_SOFT.sub(" ", words.lower()).split()).strip(" ,:-–—=")
    if not text:
        return None
    for pattern, reader in ((_SPOON, _spoons), (_HANDFUL, _handfuls), (_PINCH, _pinches)):
        if found := pattern.search(text):
            return reader(found, _count(text[: found.start()]), thing, measures)
    if text in ("little", "a little", "a bit", "bit", "few", "a few"):
        return None
    text = unpacked(text, "line", pack)
    quantity = parse(
        text, default_unit="", allow=("mass", "volume", "none"), field="line", measures=measures, example=EXAMPLE
    )
    if quantity.dimension == "mass":
        return Told(quantity.value, "weighed", 0.005, quantity.understood)
    if quantity.dimension == "volume":
        kg = quantity.value * thing.bulk_kg_m3
        return Told(kg, "told", 0.02 if thing.milk else 0.06, quantity.understood)
    one = one_kg(thing.key)
    if one is None:
        amount = f"{quantity.value:g}"
        raise BadInput("line", "told-amount-of-what", amount=amount, thing=thing.name)
    return Told(quantity.value * one, "guess", 0.25, f"{quantity.value:g} of about {say(one, 'mass')}")


def loose_words(text: str) -> str:
    """The words of a line that are no measure: a spoon, a handful, a pinch. As they are written; empty when there are none.

    >>> loose_words("5 Big spoons of sugar, at the end"), loose_words("2 L milk")
    ('Big spoons', '')
    """
    for pattern in (_SPOON, _HANDFUL, _PINCH):
        if found := pattern.search(text.lower()):
            return text[found.start() : found.end()].strip()
    return ""


def leading_amount(after: str) -> str:
    """The amount where it is written behind the name: "sugar: 100 g".

    >>> leading_amount(": 100 g, at the end"), leading_amount("at the end")
    ('100 g', '')
    """
    found = _LEADING.match(after)
    if found is None:
        return ""
    words = found[1].strip()
    try:
        parse(words, default_unit="", allow=("mass", "volume", "none"), field="line")
    except KitchenError:
        return words if _SPOON.search(words) or _HANDFUL.search(words) or _PINCH.search(words) else ""
    return words


def _count(text: str) -> float:
    words = text.strip()
    return 1.0 if words in ("", "a", "an") else parse(words, default_unit="", allow=("none",), field="line").value


def _spoons(found: re.Match[str], count: float, thing: Thing, measures: Measures) -> Told:
    kind, bulk = found[1], thing.bulk_kg_m3
    level = count * measures.tablespoon_m3 * bulk
    heap = HEAPED if "heap" in kind else 1.0
    if "tea" in kind or "small" in kind:
        return Told(count * measures.teaspoon_m3 * bulk * heap, "told", 0.12, "your teaspoon")
    if "rice" in kind or "serving" in kind:
        return Told(count * RICE_SPOON_M3 * bulk * heap, "told", 0.15, "a rice spoon of 41 ml")
    if "dessert" in kind:
        return Told(count * DESSERT_SPOON_M3 * bulk * heap, "told", 0.12, "a dessert spoon of 10 ml")
    if any(word in kind for word in ("table", "soup", "level", "heap")):
        return Told(level * heap, "told", 0.10 if heap == 1.0 else 0.20, "your tablespoon" + ", heaped" * (heap > 1))
    options = (
        Option("level", "your tablespoon, level", level),
        Option("heaped", "your tablespoon, heaped", level * HEAPED),
        Option("rice-spoon", "a rice spoon of 41 ml", count * RICE_SPOON_M3 * bulk),
    )
    likely = options[2] if "big" in kind or "large" in kind else options[0]
    return Told(likely.kg, "doubt", 0.35, likely.text, options, likely.key)


def _handfuls(found: re.Match[str], count: float, thing: Thing, measures: Measures) -> Told:
    size = {"big ": 1.4, "large ": 1.4, "small ": 0.7}.get(found[1] or "", 1.0)
    one = handful_kg(thing.key, thing.bulk_kg_m3) * size
    return Told(count * one, "guess", 0.2, f"a handful taken as {say(one, 'mass')}")


def _pinches(found: re.Match[str], count: float, thing: Thing, measures: Measures) -> Told:
    return Told(count * PINCH_KG, "guess", 0.4, "a pinch taken as 0.3 g")
