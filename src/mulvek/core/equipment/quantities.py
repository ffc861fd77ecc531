"""Units and the cook's own cups: reading "2½ cups" or "1.2 kg", and saying them back.

SI inside: every quantity is kg, m³ or m (or a plain fraction for per cent). A household measure
has only the size that this cook gave it; sources of the defaults are the customary sizes listed in
the reduction dossier §1 (metric cup 250 ml, glass 200 ml, katori 150 ml, spoons 15 and 5 ml).
"""

import math
import re
import unicodedata
from dataclasses import dataclass, fields

from ..errors import BadInput
from ..messages.figures import Dimension, say
from ..messages.message import Choice, Message
from .lands import LAND_UNITS, with_lands

MEASURE_NAMES = {
    "cup": "cup_m3",
    "glass": "glass_m3",
    "katori": "katori_m3",
    "bowl": "katori_m3",
    "tablespoon": "tablespoon_m3",
    "tbsp": "tablespoon_m3",
    "tbs": "tablespoon_m3",
    "teaspoon": "teaspoon_m3",
    "tsp": "teaspoon_m3",
}


@dataclass(frozen=True, slots=True)
class Measures:
    """What this cook's cups and spoons hold, m³ each (1e-6 to 2e-3)."""

    cup_m3: float = 250e-6
    glass_m3: float = 200e-6
    katori_m3: float = 150e-6
    tablespoon_m3: float = 15e-6
    teaspoon_m3: float = 5e-6

    def __post_init__(self) -> None:
        for field in fields(self):
            value = getattr(self, field.name)
            if not 1e-6 <= value <= 2e-3:
                what = field.name.removesuffix("_m3")
                raise BadInput(what, "measure-size-unlikely", what=what, value=value * 1000000.0)


_SI: dict[str, tuple[Dimension, float]] = {
    "ml": ("volume", 1e-6),
    "millilitre": ("volume", 1e-6),
    "milliliter": ("volume", 1e-6),
    "cc": ("volume", 1e-6),
    "cl": ("volume", 1e-5),
    "dl": ("volume", 1e-4),
    "l": ("volume", 1e-3),
    "lt": ("volume", 1e-3),
    "ltr": ("volume", 1e-3),
    "litre": ("volume", 1e-3),
    "liter": ("volume", 1e-3),
    "g": ("mass", 1e-3),
    "gm": ("mass", 1e-3),
    "gram": ("mass", 1e-3),
    "gramme": ("mass", 1e-3),
    "kg": ("mass", 1.0),
    "kilo": ("mass", 1.0),
    "kilogram": ("mass", 1.0),
    "oz": ("mass", 0.028349523125),
    "ounce": ("mass", 0.028349523125),
    "lb": ("mass", 0.45359237),
    "pound": ("mass", 0.45359237),
    "mm": ("length", 1e-3),
    "cm": ("length", 1e-2),
    "inch": ("length", 0.0254),
    "in": ("length", 0.0254),
    "%": ("percent", 0.01),
    "percent": ("percent", 0.01),
}

_SI |= {unit: ("volume", m3) for unit, m3 in LAND_UNITS.items()}

_WORDS = {
    "a": 1.0,
    "an": 1.0,
    "one": 1.0,
    "two": 2.0,
    "three": 3.0,
    "four": 4.0,
    "five": 5.0,
    "six": 6.0,
    "seven": 7.0,
    "eight": 8.0,
    "nine": 9.0,
    "ten": 10.0,
    "twelve": 12.0,
    "half": 0.5,
    "third": 1 / 3,
    "quarter": 0.25,
    "fifth": 0.2,
    "sixth": 1 / 6,
}

_TOKEN = re.compile(
    r"\s*(?:(?P<num>(?:\d{1,3}(?:[\u2009\u202f ,]\d{3})+(?!\d)|\d+)(?:[.,]\d+)?|[.,]\d+)"
    r"|(?P<frac>[¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])"
    r"|(?P<slash>[/⁄])|(?P<minus>[-−])|(?P<word>[^\W\d_]+|%)|(?P<join>[+&])|(?P<other>\S))"
)


@dataclass(frozen=True, slots=True)
class Quantity:
    """A number with its dimension, in SI, and the words it was understood from."""

    value: float
    dimension: Dimension
    understood: str


def _plural(unit: str, n: float) -> str:
    if n <= 1 or unit in _SI or unit in ("tbsp", "tsp"):
        return unit
    return unit + ("es" if unit.endswith("ss") else "s")


def _singular(word: str) -> str:
    for name in (word, word.removesuffix("s"), word.removesuffix("es")):
        if name in _SI or name in MEASURE_NAMES:
            return name
    return ""


def is_unit(word: str) -> bool:
    """Whether it is a unit or one of the kitchen's measures.

    >>> is_unit("glasses"), is_unit("sticks")
    (True, False)
    """
    return bool(_singular(word.lower()))


def _number(text: str, field: str) -> float:
    plain = re.sub(r"[\u2009\u202f ]", "", text)
    if re.fullmatch(r"\d{1,3}(,\d{3})+(\.\d+)?", plain):
        plain = plain.replace(",", "")
    value = float(plain.replace(",", "."))
    if not math.isfinite(value) or value > 1e6:
        raise BadInput(field, "number-too-large", text=text)
    return value


EXAMPLE = Message("example-of-amount")


class _Reader:
    """One pass over the cook's words, gathering amounts of one dimension."""

    def __init__(self, text: str, field: str, measures: Measures, example: Message) -> None:
        self.text, self.field, self.measures, self.example = text, field, measures, example
        self.tokens = [(m.lastgroup or "other", m.group().strip()) for m in _TOKEN.finditer(text)]

    def nonsense(self, word: str) -> BadInput:
        return BadInput(self.field, "word-unreadable", word=word, text=self.text, example=self.example)

    def amounts(self) -> list[tuple[float, str]]:
        """(number, unit name) pairs; a unit of "" is one the cook left out."""
        found: list[tuple[float, str]] = []
        number: float | None = None
        fresh = False
        i = 0
        while i < len(self.tokens):
            kind, token = self.tokens[i]
            word = token.lower()
            if kind == "num":
                value = _number(token, self.field)
                if i + 2 < len(self.tokens) and self.tokens[i + 1][0] == "slash":
                    if self.tokens[i + 2][0] != "num" or not _number(self.tokens[i + 2][1], self.field):
                        raise self.nonsense(token + "/")
                    value /= _number(self.tokens[i + 2][1], self.field)
                    i += 2
                    if number is not None and value >= 1:
                        raise self.nonsense(token)
                elif number is not None:
                    raise self.nonsense(token)
                number, fresh = (number or 0.0) + value, True
            elif kind == "frac":
                if i and self.tokens[i - 1][0] == "frac":
                    raise self.nonsense(token)
                number, fresh = (number or 0.0) + unicodedata.numeric(token), True
            elif kind == "word" and word == "dozen":
                number, fresh = 12.0 * (1.0 if number is None else number), True
            elif kind == "word" and word in _WORDS and not (word == "a" and number is not None):
                value = _WORDS[word]
                counted = number is not None and value < 1 and number >= 1 and not self._joined(i)
                if number is None:
                    number = value
                elif counted:  # "two thirds"
                    number *= value
                else:  # "two and a half"
                    number += value
                fresh = True
            elif kind == "word" and word.removesuffix("s") in _WORDS and number is not None:
                number *= _WORDS[word.removesuffix("s")]
            elif (kind == "word" and word in ("and", "of", "a", "about", "full", "milk", "sugar")) or kind == "join":
                pass
            elif kind == "minus":
                raise BadInput(self.field, "amount-negative", text=self.text)
            elif kind == "word" and (unit := _singular(word)):
                if number is None:
                    raise self.nonsense(token)
                found.append((number, unit))
                number, fresh = None, False
            else:
                raise self.nonsense(token)
            i += 1
        if number is not None and fresh:
            found.append((number, ""))
        return found

    def _joined(self, i: int) -> bool:
        return any(token.lower() == "and" for _, token in self.tokens[max(0, i - 2) : i])


_SMALLER = {unit: "g" for unit in ("kg", "kilo", "kilogram")} | {
    unit: "ml" for unit in ("l", "lt", "ltr", "litre", "liter")
}
"""What a bare number after a unit means: "1 kg 250"."""


def parse(
    text: str,
    *,
    default_unit: str,
    allow: tuple[Dimension, ...],
    field: str = "amount",
    measures: Measures = Measures(),
    example: Message = EXAMPLE,
) -> Quantity:
    """Read a cook's amount.

    :param text: what was typed, like ``"2½ cups"``, ``"1 kg 200 g"``, ``"three glasses"`` or ``"750"``.
    :param default_unit: the unit of a bare number, like ``"ml"``.
    :param allow: the dimensions that make sense here.
    :param field: the word of the sentence, named in errors.
    :param example: what to write instead of nonsense.
    :raises BadInput: on nonsense, a wrong dimension, or an amount that is not above zero and finite.

    >>> parse("2½ cups", default_unit="ml", allow=("volume",))
    Quantity(value=0.000625, dimension='volume', understood='2½ cups, 625 ml')
    >>> parse("1 kg 200 g", default_unit="g", allow=("mass",)).value
    1.2
    >>> parse("750", default_unit="ml", allow=("volume", "mass")).understood
    '750 ml'
    >>> parse("2 US pints", default_unit="ml", allow=("volume",)).understood
    '946 ml'
    """
    if len(text) > 80:
        raise BadInput(field, "amount-too-long")
    reader = _Reader(with_lands(text, field), field, measures, example)
    pairs = reader.amounts()
    if not pairs:
        raise BadInput(field, "no-amount")
    total, dimension, household = 0.0, None, False
    for i, (number, name) in enumerate(pairs):
        unit = name or (_SMALLER.get(pairs[i - 1][1], default_unit) if i else default_unit)
        if unit in MEASURE_NAMES:
            dim: Dimension = "volume"
            factor, household = getattr(measures, MEASURE_NAMES[unit]), True
        elif unit in _SI:
            dim, factor = _SI[unit]
        else:
            dim, factor = "none", 1.0
        if dimension not in (None, dim):
            raise BadInput(field, "amount-mixes-dimensions", text=text, one=dimension, other=dim)
        dimension = dim
        total += number * factor
    assert dimension is not None
    if dimension not in allow:
        wanted = Choice(tuple(Message(f"a-{d}") for d in allow))
        raise BadInput(field, "wrong-dimension", text=text, given=Message(f"a-{dimension}"), wanted=wanted)
    if not total > 0:
        raise BadInput(field, "amount-is-nothing", text=text)
    plain = say(total, dimension)
    spoken = " ".join(f"{say_number(n)} {_plural(u, n)}".strip() for n, u in pairs if u)
    return Quantity(total, dimension, f"{spoken}, {plain}" if household else plain)


_FRACTIONS = {0.25: "¼", 1 / 3: "⅓", 0.5: "½", 2 / 3: "⅔", 0.75: "¾"}


def say_number(value: float) -> str:
    """A count of cups the way a cook says it.

    >>> say_number(2.5), say_number(0.75), say_number(3.0), say_number(1.27)
    ('2½', '¾', '3', '1.27')
    """
    whole = math.floor(value)
    for fraction, sign in _FRACTIONS.items():
        if abs(value - whole - fraction) < 0.005:
            return f"{whole or ''}{sign}"
    return f"{value:.2f}".rstrip("0").rstrip(".")


_STEPS = ((2.0, 0.1), (10.0, 0.5), (100.0, 1.0), (500.0, 5.0), (5000.0, 10.0), (math.inf, 50.0))
"""Below so many g or ml a cook measures in such steps."""


def say_measured(value: float, dimension: Dimension) -> str:
    """A mass or volume to fetch, rounded as a cook measures it.

    >>> say_measured(0.999e-3, "volume"), say_measured(0.00327, "mass"), say_measured(2.574, "mass")
    ('1 L', '3.5 g', '2.57 kg')
    """
    small = value * (1e3 if dimension == "mass" else 1e6)
    step = next(step for below, step in _STEPS if small < below)
    return say(round(small / step) * step / (1e3 if dimension == "mass" else 1e6), dimension)


_CUPS_AND_SPOONS = (("cup", 1 / 4), ("tbsp", 1 / 2), ("tsp", 1 / 4))


def in_cups(mass_kg: float, bulk_kg_m3: float, measures: Measures, liquid: bool = False) -> str:
    """A mass in the cook's own measures, to the nearest quarter cup or glass, half tablespoon or quarter teaspoon.

    Empty where no measure says it within a sixth.

    >>> in_cups(0.190, 850.0, Measures()), in_cups(2.67, 1030.0, Measures(), liquid=True), in_cups(0.0005, 400.0, Measures())
    ('1 cup', '13 glasses', '¼ tsp')
    """
    volume = mass_kg / bulk_kg_m3
    sizes = {"cup": measures.cup_m3, "tbsp": measures.tablespoon_m3, "tsp": measures.teaspoon_m3}
    if liquid and volume >= 0.9 * measures.glass_m3:
        sizes = {"glass": measures.glass_m3, **sizes}
    for name, step in (("glass", 1 / 4), *_CUPS_AND_SPOONS):
        if name not in sizes:
            continue
        many = volume / sizes[name]
        if name in ("glass", "cup"):  # nobody measures a quarter of the twenty-third
            step *= 1 if many < 4 else 2 if many < 10 else 4
        count = round(many / step) * step
        if count >= step and abs(count * sizes[name] / volume - 1) < 1 / 6:
            return f"{say_number(count)} {_plural(name, count)}"
    return ""


_DURATION = re.compile(r"([\d.,½¼¾]+)\s*(h|hours?|hrs?|m|min|mins|minutes?|s|sec|seconds?)?(?=\s|$|[\d½¼¾])")


def parse_seconds(text: str, field: str) -> float:
    """A stretch of time in the cook's words, s; a bare number is minutes.

    :raises BadInput: when it is none.

    >>> parse_seconds("40 minutes", "t"), parse_seconds("1 h 30", "t"), parse_seconds("½ hour", "t")
    (2400.0, 5400.0, 1800.0)
    """
    words = text.strip().lower().replace(" and ", " ")
    if words in ("", "0", "none", "not at all", "no time"):
        return 0.0
    found = _DURATION.findall(words)
    if not found or _DURATION.sub("", words).strip():
        raise BadInput(field, "duration-unreadable", text=text)
    seconds = 0.0
    for number, unit in found:
        value = parse(number, default_unit="", allow=("none",), field=field).value
        seconds += value * (3600.0 if unit.startswith("h") else 1.0 if unit.startswith("s") else 60.0)
    return seconds
