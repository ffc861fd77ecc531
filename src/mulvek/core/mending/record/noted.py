"""What the record of a batch says of a reading."""

from collections.abc import Iterable
from dataclasses import dataclass

from ...batch.events import Event
from ..faults import questions


@dataclass(frozen=True, slots=True, kw_only=True)
class Noted:
    """A reading's value in its unit (yes 1, no 0), and the batch's event that told it; none: it follows from the plan."""

    value: float
    event: int | None = None


class Record:
    """Readings as they are found; what is not known is left out."""

    def __init__(self) -> None:
        self.found: dict[str, Noted] = {}

    def note(self, reading: str, value: float | None, event: Event | None = None) -> None:
        """Either is true or false; any other a number in the reading's unit."""
        question = questions()[reading]
        if value is not None:
            assert isinstance(value, bool) == question.either, reading
            self.found[reading] = Noted(value=float(value), event=event.id if event else None)


def first(events: Iterable[Event], *kinds: type) -> Event | None:
    return next((event for event in events if isinstance(event.what, kinds)), None)


def last(events: Iterable[Event], *kinds: type) -> Event | None:
    return next((event for event in reversed(list(events)) if isinstance(event.what, kinds)), None)


def minutes_between(begins: Event | None, ends: Event | None) -> float | None:
    """Minutes from one event to another; None when either is missing, or they stand the other way round."""
    if begins is None or ends is None or ends.at_s < begins.at_s:
        return None
    return (ends.at_s - begins.at_s) / 60
