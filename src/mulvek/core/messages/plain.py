"""Plain sentences put together at once: text, values and figures. A plan says a hundred of them, and the library takes six
times as long for each; what chooses, or refers to other messages, is left to it."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from fluent.syntax import ast as ftl


@dataclass(frozen=True, slots=True)
class Slot:
    """Where a value stands: as it is, or by a function of the catalogue with what it is told (NUMBER's digits)."""

    name: str
    by: Callable[..., Any] | None
    told: Mapping[str, float]


Plain = tuple[str | Slot, ...]


def plain(pattern: ftl.Pattern, functions: Mapping[str, Callable[..., Any]]) -> Plain | None:
    """A sentence as its pieces; None when it is not plain."""
    pieces = [_piece(element, functions) for element in pattern.elements]
    return None if None in pieces else tuple(piece for piece in pieces if piece is not None)


def _piece(
    element: ftl.TextElement | ftl.Placeable, functions: Mapping[str, Callable[..., Any]]
) -> str | Slot | None:
    match element:
        case ftl.TextElement(value=text):
            return text
        case ftl.Placeable(expression=ftl.VariableReference(id=ftl.Identifier(name=name))) if not name.endswith(
            "-fix"
        ):
            return Slot(name, None, {})
        case ftl.Placeable(expression=ftl.FunctionReference() as call):
            return _call(call, functions)
        case _:
            return None


def _call(call: ftl.FunctionReference, functions: Mapping[str, Callable[..., Any]]) -> Slot | None:
    match call.arguments.positional:
        case [ftl.VariableReference(id=ftl.Identifier(name=name))]:
            told = {one.name.name: float(one.value.value) for one in call.arguments.named}
            return Slot(name, functions[call.id.name], told)
        case _:
            return None
