"""A column of JSON that is kept packed: what was told of a batch is ten times what was asked."""

import json
import zlib
from typing import Any

from sqlalchemy import Dialect, String
from sqlalchemy.types import TypeDecorator


class PackedJSON(TypeDecorator[dict[str, Any]]):
    """An object, as zlib of its JSON. Rows of former releases hold the JSON itself; one that is damaged reads as empty,
    so that the rest of its batch can be told."""

    impl = String
    cache_ok = True

    def process_bind_param(self, value: dict[str, Any] | None, dialect: Dialect) -> Any:
        return None if value is None else zlib.compress(json.dumps(value, separators=(",", ":")).encode(), 6)

    def process_result_value(self, value: Any, dialect: Dialect) -> dict[str, Any] | None:
        if value is None:
            return None
        try:
            found = json.loads(zlib.decompress(value) if isinstance(value, bytes) else value)
        except (zlib.error, ValueError):
            found = {}
        return found if isinstance(found, dict) else {}
