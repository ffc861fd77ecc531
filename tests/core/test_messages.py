"""Every sentence has a key, every key a sentence, and what is put into one is what it asks for."""

import ast
import pickle
import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from pathlib import Path

import pytest
from fluent.syntax import FluentParser
from fluent.syntax import ast as ftl
from fluent.syntax.visitor import Visitor

import mulvek
from mulvek.core.errors import BadInput, KitchenError, Unavailable
from mulvek.core.messages.catalogue import LANGUAGE, Catalogue, catalogue, said
from mulvek.core.messages.message import Choice, Message
from mulvek.core.messages.plain import Plain, Slot

SOURCE = Path(mulvek.__file__).parent
ERRORS = {"BadInput", "Impossible", "Unlikely", "NotFound", "Conflict", "Unreadable", "Unavailable"}
ERRORS_OWN = {"retry_s"}
"""What an error takes for itself."""


@dataclass(frozen=True)
class _Call:
    """A message or an error that is written with its key: where, and the names of the values that it is given."""

    where: str
    key: str
    given: frozenset[str]
    error: bool


@dataclass(frozen=True)
class _Written:
    """What the source says; ``beginnings`` of keys that are put together with a slug: "device-may-not-"."""

    calls: tuple[_Call, ...]
    texts: frozenset[str]
    beginnings: tuple[str, ...]


@cache
def _written() -> _Written:
    """All of it read once; no tree of it is kept, which all tests after these would carry along."""
    calls: list[_Call] = []
    texts: set[str] = set()
    beginnings: set[str] = set()
    for file in sorted(SOURCE.rglob("*.py")):
        for node in ast.walk(ast.parse(file.read_text("utf-8"))):
            match node:
                case ast.Constant(value=str() as text):
                    texts.add(text)
                case ast.JoinedStr(values=[ast.Constant(value=str() as first), *_]):
                    if re.fullmatch(r"([a-z]+-)+", first):
                        beginnings.add(first)
                case ast.Call(func=ast.Name(id=name), args=args) if name == "Message" or name in ERRORS:
                    place = 0 if name == "Message" else 1
                    given = frozenset(k.arg for k in node.keywords if k.arg is not None) - ERRORS_OWN
                    where = f"{file.relative_to(SOURCE)}:{node.lineno}"
                    keys = _literals(args[place]) if len(args) > place else []
                    calls += [_Call(where, key, given, error=place == 1) for key in keys]
    return _Written(tuple(calls), frozenset(texts), tuple(beginnings))


class _Asks(Visitor):
    def __init__(self) -> None:
        self.values: set[str] = set()
        self.messages: set[str] = set()

    def visit_VariableReference(self, node: ftl.VariableReference) -> None:
        self.values.add(node.id.name)

    def visit_MessageReference(self, node: ftl.MessageReference) -> None:
        self.messages.add(node.id.name)


def _entries() -> Iterator[tuple[str, ftl.EntryType]]:
    for room, text in catalogue("en").texts.items():
        for entry in FluentParser().parse(text).body:
            yield room, entry


def _asked() -> dict[str, set[str]]:
    """By key, the values that its sentence and its fix ask for, through other messages too."""
    direct: dict[str, _Asks] = {}
    for _, entry in _entries():
        if isinstance(entry, ftl.Message):
            direct[entry.id.name] = asks = _Asks()
            asks.visit(entry)

    def of(key: str) -> set[str]:
        asks = direct[key]
        return asks.values.union(*(of(other) for other in asks.messages))

    return {key: of(key) for key in direct}


def _literals(node: ast.expr) -> list[str]:
    if isinstance(node, ast.IfExp):
        return _literals(node.body) + _literals(node.orelse)
    return [node.value] if isinstance(node, ast.Constant) and isinstance(node.value, str) else []


def test_every_file_can_be_read_and_no_key_stands_twice() -> None:
    seen: dict[str, str] = {}
    for room, entry in _entries():
        assert not isinstance(entry, ftl.Junk), (room, entry.content)
        if isinstance(entry, ftl.Message):
            assert entry.id.name not in seen, (entry.id.name, room, seen[entry.id.name])
            seen[entry.id.name] = room
    assert seen == dict(catalogue("en").rooms)


def test_every_message_that_is_said_stands_in_the_catalogue() -> None:
    known = catalogue("en").rooms
    assert [call for call in _written().calls if call.key not in known] == []


def test_every_message_of_the_catalogue_is_said_somewhere() -> None:
    said_in = _written()
    idle = [
        key for key in catalogue("en").rooms if key not in said_in.texts and not key.startswith(said_in.beginnings)
    ]
    assert idle == []


def test_a_sentence_gets_the_values_that_it_asks_for_and_no_others() -> None:
    asked, wrong = _asked(), []
    for call in _written().calls:
        wants = {name.removesuffix("-fix") for name in asked[call.key]}
        if wants - call.given:
            wrong.append(f"{call.where} {call.key} lacks {sorted(wants - call.given)}")
        elif call.given - wants and call.key != "file-held":  # said with its place where that is known
            wrong.append(f"{call.where} {call.key} does not say {sorted(call.given - wants)}")
    assert wrong == []


def test_every_error_says_what_to_do() -> None:
    """A key that an error is raised with has a fix."""
    fixes = {
        e.id.name
        for _, e in _entries()
        if isinstance(e, ftl.Message) and any(a.id.name == "fix" for a in e.attributes)
    }
    raised = {call.key for call in _written().calls if call.error}
    assert len(raised) > 400 and raised <= fixes, raised - fixes


TINY = Catalogue(
    "en",
    {
        "kitchen": """
pans = { COUNT($count) ->
    [one] One pan
   *[other] { $count } pans
 } of { MASS($kg) }, { CAP($name) }.
    .fix = Use { $ways }, not { NUMBER($share, maximumFractionDigits: 1) }.
told = Line { $line }: { $why }
    .fix = { $why-fix }
""",
    },
)


def test_numbers_names_and_lists_are_said_as_a_kitchen_says_them() -> None:
    one = Message("pans", count=1, kg=1.248, name="brass pot", ways=Choice(("jug", "cup", "spoon")), share=0.25)
    assert TINY.say(one) == "One pan of 1.25 kg, Brass pot."
    assert (
        TINY.say(Message("pans", count=12000, kg=0.31, name="a", ways=("b", "c"), share=1))
        == "12000 pans of 310 g, A."
    )
    assert TINY.say(one, "fix") == "Use jug, cup, or spoon, not 0.2."
    two = Message("pans", count=2, kg=1.0, name="a", ways=("b", "c"), share=1 / 3)
    assert TINY.say(two, "fix") == "Use b, c, not 0.3."


@pytest.mark.parametrize("number", [0, 1, 12, 2026, 36500, 0.25, 12.5, 1234.5678, 0.000123, 1e6, -4.25, 0.1 + 0.2])
def test_a_plain_number_is_said_in_six_digits(number: float) -> None:
    assert TINY.say(Message("told", line=number, why="x")) == f"Line {f'{number:.6g}'.replace('1e+06', '1000000')}: x"


def test_numbers_that_are_none_are_said_too() -> None:
    for odd in (float("nan"), float("inf"), -float("inf"), 1e300):
        assert TINY.say(Message("told", line=odd, why="x")).startswith("Line ")


def test_what_is_longer_than_a_page_is_cut() -> None:
    long = "milk " * 2000
    assert len(TINY.say(Message("told", line=1, why=long))) < 2600
    assert TINY.say(Message("told", line=1, why=Message("told", line=2, why=long))).endswith("…")


def test_a_message_in_a_message_brings_its_fix() -> None:
    inner = Message("pans", count=1, kg=0.5, name="pot", ways=("cup",), share=2)
    outer = Message("told", line=7, why=inner)
    assert TINY.say(outer) == "Line 7: One pan of 500 g, Pot."
    assert TINY.say(outer, "fix") == "Use cup, not 2."


def _anything(name: str, pieces: Plain, english: Catalogue) -> str | float:
    """A number where a function asks for one, else a name."""
    calls = {piece.by for piece in pieces if isinstance(piece, Slot) and piece.name == name and piece.by is not None}
    of_names = {english._calls["CAP"], english._calls["LOWER"]}
    return len(name) / 7 if calls - of_names else f"the {name}"


def test_what_is_put_together_at_once_is_what_the_library_says() -> None:
    """Every plain sentence and part of the catalogue both ways, with values that it asks for."""
    english, plain = catalogue("en"), 0
    for room, entry in _entries():
        if not isinstance(entry, ftl.Message):
            continue
        english.say(Message(entry.id.name))  # its room is read
        for part in (None, *(one.id.name for one in entry.attributes)):
            pieces = english._plain.get((entry.id.name, part))
            if pieces is None:
                continue
            names = {piece.name for piece in pieces if isinstance(piece, Slot)}
            message = Message(entry.id.name, **{name: _anything(name, pieces, english) for name in names})
            found = english._parsed[room].get_message(entry.id.name)
            pattern = found.value if part is None else found.attributes[part]
            by_library, wrong = english._parsed[room].format_pattern(pattern, dict(english._values(message)))
            assert english.say(message, part) == by_library and not wrong, (entry.id.name, part)
            plain += 1
    assert plain > 900


def test_a_value_that_is_not_there_or_no_number_stops_nobody() -> None:
    assert TINY.say(Message("told", line=3)).startswith("Line 3: ")
    assert catalogue("en").say(Message("span-min", low="few")).endswith(" min")


def test_a_key_that_is_missing_is_said_as_it_is() -> None:
    assert TINY.say(Message("nothing-here", what="x")) == "nothing-here"
    assert TINY.say(Message("told", line=1, why="x"), "no-such-part") == ""


def test_a_message_is_a_value_that_stays_as_it_is() -> None:
    one = Message("no-mould", key="boat", moulds=("cone", "pot"))
    assert one == Message("no-mould", moulds=("cone", "pot"), key="boat")
    assert one != Message("no-mould", key="boot", moulds=("cone", "pot"))
    assert len({one, Message("no-mould", key="boat", moulds=("cone", "pot"))}) == 1
    assert pickle.loads(pickle.dumps(one)) == one
    with pytest.raises(AttributeError):
        one.key = "other"


@pytest.mark.parametrize(
    "error",
    [BadInput("amount", "amount-is-nothing", text="0 g"), Unavailable("kitchen", "disk-full", retry_s=15.0)],
    ids=lambda e: type(e).__name__,
)
def test_an_error_comes_through_another_process_whole(error: KitchenError) -> None:
    again = pickle.loads(pickle.dumps(error))
    assert (type(again), again.field, again.message, again.fix) == (
        type(error),
        error.field,
        error.message,
        error.fix,
    )
    assert getattr(again, "retry_s", None) == getattr(error, "retry_s", None)


def test_what_is_said_is_in_the_language_that_is_spoken(pseudo: None) -> None:
    assert LANGUAGE.get() == "pseudo"
    assert said(Message("amount-is-nothing", text="0 g")) == "⟦“0 g” ïš ñøţĥïñĝ.⟧"
