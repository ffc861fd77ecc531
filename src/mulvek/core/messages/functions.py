"""What a catalogue may call: figures from SI in kitchen words, numbers with so many digits, and names within a sentence."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cache, partial
from typing import Any

from babel import Locale
from fluent.runtime.types import FluentType, fluent_number

from .figures import say


@dataclass(frozen=True, slots=True)
class Number(FluentType):
    """A number as a kitchen writes it: six digits at most, no thousands marks. Written by our own rule: the library's takes
    ten times as long, and a day's plans say thousands. COUNT makes it one that the catalogue chooses by."""

    value: float

    def format(self, locale: Locale) -> str:
        return _in(locale, f"{self.value:.6g}" if abs(self.value) < 1e6 else f"{self.value:.0f}")


@cache
def _mark(locale: Locale) -> str:
    """What stands before the decimals."""
    return str(locale.number_symbols["latn"]["decimal"])


def _in(locale: Locale, digits: str) -> str:
    mark = _mark(locale)
    return digits if mark == "." else digits.replace(".", mark)


def _number(
    locale: Locale,
    number: Number,
    *,
    minimumFractionDigits: float = 0,
    maximumFractionDigits: float = 0,
    maximumSignificantDigits: float | None = None,
) -> str:
    """Fluent's NUMBER: so many decimals, or so many digits that count."""
    if maximumSignificantDigits is not None:
        return _in(locale, f"{number.value:.{int(maximumSignificantDigits)}g}")
    most, least = int(maximumFractionDigits), int(minimumFractionDigits)
    text = f"{number.value:.{most}f}"
    while most > least and text[-1] == "0":
        text, most = text[:-1], most - 1
    return _in(locale, text.removesuffix("."))


def functions(locale: Locale) -> dict[str, Callable[..., Any]]:
    """By the name under which a catalogue calls them."""
    return {
        "NUMBER": partial(_number, locale),
        "CAP": lambda text: text[:1].upper() + text[1:],
        "LOWER": lambda text: text[:1].lower() + text[1:],
        "COUNT": lambda number: fluent_number(number.value),
        "MASS": lambda kg: _in(locale, say(kg.value, "mass")),
        "VOLUME": lambda m3: _in(locale, say(m3.value, "volume")),
        "LENGTH": lambda m: _in(locale, say(m.value, "length")),
    }
