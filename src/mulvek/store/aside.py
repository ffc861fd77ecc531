"""A row that cannot be read harms only itself: it is named, and the rest is served."""

import logging
from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from typing import Any, TypeVar

from ..core.errors import KitchenError, Unreadable

T = TypeVar("T")
S = TypeVar("S")
_MEANS_UNREADABLE = (ValueError, TypeError, KeyError, AttributeError, IndexError, ArithmeticError, AssertionError)
"""What decoding or replaying a damaged row raises; pydantic's own error is a ValueError."""
_log = logging.getLogger(__name__)


@contextmanager
def reading_of(name: str) -> Iterator[None]:
    """:raises Unreadable: field "batch", when what is read within cannot be."""
    try:
        yield
    except Unreadable:
        raise
    except (KitchenError, *_MEANS_UNREADABLE) as error:
        _log.warning("%s cannot be read: %s", name, error)
        raise Unreadable("batch", "row-damaged", name=name) from error


def each(items: Iterable[T], read: Callable[[T], S], name: Callable[[T], str]) -> tuple[list[S], list[str]]:
    """All that can be read, and the names of those that cannot."""
    found: list[S] = []
    aside: list[str] = []
    for item in items:
        try:
            with reading_of(name(item)):
                found.append(read(item))
        except Unreadable:
            aside.append(name(item))
    return found, aside


def as_table(said: object) -> dict[str, Any]:
    """A kept object; an empty one of what is damaged."""
    return said if isinstance(said, dict) else {}
