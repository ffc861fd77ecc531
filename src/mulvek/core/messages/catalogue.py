"""What messages say, a language at a time: Fluent files in a folder named for it, one a room of the house.

A file is parsed when the first of its messages is said: most of them are errors that nobody meets today.
"""

import re
from collections.abc import Callable, Iterator, Mapping
from contextlib import suppress
from contextvars import ContextVar
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files
from importlib.resources.abc import Traversable
from typing import Any

from babel import Locale
from babel.lists import format_list
from fluent.runtime import FluentBundle, FluentResource
from fluent.syntax import ast as ftl

from .functions import Number, functions
from .message import Choice, Message, Value
from .plain import Plain, plain

LANGUAGE: ContextVar[str] = ContextVar("language", default="en")
"""The language that is spoken now."""

LONGEST = 2500
_KEY = re.compile(r"^([a-z][a-z0-9-]*) =", re.M)


@dataclass(slots=True)
class Catalogue:
    """The messages of one language. ``texts``: the files by room; ``rooms``: in which of them a key stands."""

    language: str
    texts: Mapping[str, str]
    rooms: Mapping[str, str] = field(init=False)
    _locale: Locale = field(init=False)
    _calls: dict[str, Callable[..., Any]] = field(init=False)
    _parsed: dict[str, FluentBundle] = field(init=False, default_factory=dict)
    _plain: dict[tuple[str, str | None], Plain] = field(init=False, default_factory=dict)

    def __post_init__(self) -> None:
        self._locale = Locale.parse(self.language)
        self._calls = functions(self._locale)
        self.rooms = {key: room for room, text in self.texts.items() for key in _KEY.findall(text)}

    def say(self, message: Message, part: str | None = None) -> str:
        """The sentence, or its ``part`` ("fix"); the key itself where the catalogue lacks it: never an error."""
        room = self.rooms.get(message.key)
        if room is None:
            return message.key
        bundle = self._parsed.get(room) or self._parse(room)
        pieces = self._plain.get((message.key, part))
        if pieces is not None:
            with suppress(KeyError, AttributeError):  # a value that is not there, or no number: the library says so
                return self._put_together(pieces, message)
        found = bundle.get_message(message.key)
        pattern = found.value if part is None else found.attributes.get(part)
        return "" if pattern is None else str(bundle.format_pattern(pattern, dict(self._values(message)))[0])

    def _put_together(self, pieces: Plain, message: Message) -> str:
        said = []
        for piece in pieces:
            if isinstance(piece, str):
                said.append(piece)
                continue
            value = self._value(message.values[piece.name])
            if piece.by is not None:
                value = piece.by(value, **piece.told)
            said.append(value if isinstance(value, str) else value.format(self._locale))
        return "".join(said)

    def _parse(self, room: str) -> FluentBundle:
        bundle = FluentBundle([self.language], use_isolating=False, functions=self._calls)
        resource = FluentResource(self.texts[room])
        bundle.add_resource(resource)
        for entry in resource.body:
            if isinstance(entry, ftl.Message):
                parts = [(None, entry.value), *((one.id.name, one.value) for one in entry.attributes)]
                for part, pattern in parts:
                    pieces = plain(pattern, self._calls) if pattern is not None else None
                    if pieces is not None:
                        self._plain[entry.id.name, part] = pieces
        self._parsed[room] = bundle
        return bundle

    def _values(self, message: Message) -> Iterator[tuple[str, Any]]:
        """What stands in the sentence. A message in a message brings its fix with it: ``$why`` and ``$why-fix``."""
        for name, value in message.values.items():
            yield name, self._value(value)
            if isinstance(value, Message):
                yield f"{name}-fix", self.say(value, "fix")

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
