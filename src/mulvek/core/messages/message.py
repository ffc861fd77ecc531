"""What is said to people: a key and the values in it. The words stand in the catalogue of each language."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import partial
from types import MappingProxyType
from typing import Union

Value = Union[str, int, float, "Message", "Choice", tuple[str, ...]]
"""Text as it is (a name of the Larder), a number (SI, said by a function of the catalogue), a message, or several texts."""


@dataclass(frozen=True, slots=True)
class Choice:
    """Any one of these: said with "or"."""

    of: tuple["str | Message", ...]


class Message:
    """A sentence to be said later, in the language of whoever hears it. Cannot be changed.

    >>> Message("no-mould", key="boat", moulds=("cone", "pot")).values["key"]
    'boat'
    """

    __slots__ = ("key", "values")
    key: str
    values: Mapping[str, Value]

    def __init__(self, name: str, /, **values: Value) -> None:
        object.__setattr__(self, "key", name)
        object.__setattr__(self, "values", MappingProxyType(values))

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError(f"a message cannot be changed: {name}")

    def __reduce__(self) -> tuple[object, tuple[str]]:
        return partial(Message, **self.values), (self.key,)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Message) and (self.key, self.values) == (other.key, other.values)

    def __hash__(self) -> int:
        return hash((self.key, frozenset(self.values.items())))

    def __repr__(self) -> str:
        return f"Message({', '.join((repr(self.key), *self._pairs()))})"

    def _pairs(self) -> Iterator[str]:
        return (f"{name}={value!r}" for name, value in self.values.items())
