"""What messages say, a language at a time: Fluent files in a folder named for it, one a room of the house.

A file is parsed when the first of its messages is said: most of them are errors that nobody meets today.
"""

import re
from collections.abc import Callable, Iterator, Mapping
from contextvars import ContextVar
from dataclasses import dataclass, field
from functools import cache, partial
from importlib.resources import files
from importlib.resources.abc import Traversable
from typing import Any

from babel import Locale
from babel.lists import format_list
from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.types import FluentType, fluent_number

from .figures import say
from .message import Choice, Message, Value

LANGUAGE: ContextVar[str] = ContextVar("language", default="en")
"""The language that is spoken now."""

LONGEST = 2500
_KEY = re.compile(r"^([a-z][a-z0-9-]*) =", re.M)


@dataclass(frozen=True, slots=True)
class Number(FluentType):
    """A number as a kitchen writes it: six digits at most, no thousands marks. Written by our own rule: the library's takes
    ten times as long, and a day's plans say thousands. COUNT makes it one that the catalogue chooses by."""

    value: float

    def format(self, locale: Locale) -> str:
        return _in(locale, f"{self.value:.6g}" if abs(self.value) < 1e6 else f"{self.value:.0f}")


def _in(locale: Locale, digits: str) -> str:
    mark = locale.number_symbols["latn"]["decimal"]
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


def _functions(locale: Locale) -> dict[str, Callable[..., Any]]:
    """What a catalogue may call: figures from SI in kitchen words, and a name at the head of a sentence or within."""
    return {
        "NUMBER": partial(_number, locale),
        "CAP": lambda text: text[:1].upper() + text[1:],
        "LOWER": lambda text: text[:1].lower() + text[1:],
        "COUNT": lambda number: fluent_number(number.value),
        "MASS": lambda kg: _in(locale, say(kg.value, "mass")),
        "VOLUME": lambda m3: _in(locale, say(m3.value, "volume")),
        "LENGTH": lambda m: _in(locale, say(m.value, "length")),
        "PERCENT": lambda share: _in(locale, say(share.value, "percent")),
    }


@dataclass(slots=True)
class Catalogue:
    """The messages of one language. ``texts``: the files by room; ``rooms``: in which of them a key stands."""

    language: str
    texts: Mapping[str, str]
    rooms: Mapping[str, str] = field(init=False)
    _parsed: dict[str, FluentBundle] = field(init=False, default_factory=dict)
    _said: dict[tuple[str, str | None], str] = field(init=False, default_factory=dict)
    """What has no values, once it was said."""

    def __post_init__(self) -> None:
        self.rooms = {key: room for room, text in self.texts.items() for key in _KEY.findall(text)}

    def say(self, message: Message, part: str | None = None) -> str:
        """The sentence, or its ``part`` ("fix"); the key itself where the catalogue lacks it: never an error."""
        plain = (message.key, part)
        if not message.values and plain in self._said:
            return self._said[plain]
        room = self.rooms.get(message.key)
        if room is None:
            return message.key
        bundle = self._bundle(room)
        found = bundle.get_message(message.key)
        pattern = found.value if part is None else found.attributes.get(part)
        text = str(bundle.format_pattern(pattern, dict(self._values(message)))[0]) if pattern is not None else ""
        if not message.values:
            self._said[plain] = text
        return text

    def _values(self, message: Message) -> Iterator[tuple[str, Any]]:
        """What stands in the sentence. A message in a message brings its fix with it: ``$why`` and ``$why-fix``."""
        for name, value in message.values.items():
            yield name, self._value(value)
            if isinstance(value, Message):
                yield f"{name}-fix", self.say(value, "fix")

    def _bundle(self, room: str) -> FluentBundle:
        if room not in self._parsed:
            bundle = FluentBundle(
                [self.language], use_isolating=False, functions=_functions(Locale.parse(self.language))
            )
            bundle.add_resource(FluentResource(self.texts[room]))
            self._parsed[room] = bundle
        return self._parsed[room]

    def _value(self, value: Value) -> Any:
        match value:
            case Message():
                return _short(self.say(value))
            case tuple():
                return format_list(value, "unit", self.language)
            case Choice(of):
                return format_list([self._value(one) for one in of], "or", self.language)
            case int() | float():
                return Number(value)
            case _:
                return _short(str(value))


def _short(text: str) -> str:
    """What the library takes into a sentence; longer is nothing that anybody reads."""
    return text if len(text) <= LONGEST else f"{text[: LONGEST - 1]}…"


@cache
def catalogue(language: str) -> Catalogue:
    """The catalogue of a language that this house speaks ("en")."""
    return Catalogue(language, {_room(file): file.read_text("utf-8") for file in _files(language)})


def said(message: Message, part: str | None = None) -> str:
    """A message in the language that is spoken now.

    >>> said(Message("amount-is-nothing", text="0 g")), said(Message("amount-is-nothing", text="0 g"), "fix")
    ('“0 g” is nothing.', 'Give an amount above zero.')
    """
    return catalogue(LANGUAGE.get()).say(message, part)


def stands(key: str) -> bool:
    """Whether the language that is spoken now has such a message."""
    return key in catalogue(LANGUAGE.get()).rooms


def _files(language: str) -> list[Traversable]:
    folder = files("mulvek.core.messages") / language
    return sorted((f for f in folder.iterdir() if f.name.endswith(".ftl")), key=lambda f: f.name)


def _room(file: Traversable) -> str:
    return file.name.removesuffix(".ftl")
