"""Plans and happenings to and from JSON: each adapter is built when first needed, so that a start need not wait."""

from typing import Any

from pydantic import TypeAdapter

_BUILT: dict[Any, TypeAdapter[Any]] = {}


def adapter(cls: Any) -> TypeAdapter[Any]:
    if cls not in _BUILT:
        _BUILT[cls] = TypeAdapter(cls)
    return _BUILT[cls]
