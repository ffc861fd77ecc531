"""A happening and its row, of a batch or of a rehearsal."""

from typing import Any

from ..core.batch.events import KINDS, Event, kind_of
from .layouts import layout_of, read, written
from .tables import Happened


def columns(event: Event, now_s: float, key: str | None) -> dict[str, Any]:
    return {
        "number": event.id,
        "at_s": event.at_s,
        "recorded_at_s": now_s,
        "said_s": event.said_s,
        "kind": kind_of(event.what),
        "data": written(event.what),
        "layout": layout_of(type(event.what)),
        "key": key,
    }


def event_of(row: Happened) -> Event:
    return Event(row.number, row.at_s, read(KINDS[row.kind], row.data, row.layout), row.said_s)
