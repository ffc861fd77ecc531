"""What can happen to a batch on the fire. A batch is the list of these; everything else follows from it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ..heat import Flame

ReadingKind = Literal["depth", "weight", "volume"]


@dataclass(frozen=True, slots=True)
class Lit:
    """The flame is on under the cold milk."""


@dataclass(frozen=True, slots=True)
class FirstBoil:
    """It came to the boil: the cook's clock starts."""


@dataclass(frozen=True, slots=True)
class Reading:
    """A depth (m), the weight of the contents without the pan (kg) or a volume (m³), off the boil.

    ``sure``: the cook was asked and stands by a reading that looks unlikely.
    """

    how: ReadingKind
    value: float
    sure: bool = False


@dataclass(frozen=True, slots=True)
class Stirred:
    """Stirred or scraped."""


@dataclass(frozen=True, slots=True)
class SugarIn:
    mass_kg: float


@dataclass(frozen=True, slots=True)
class FlameChanged:
    flame: Flame


@dataclass(frozen=True, slots=True)
class Off:
    """Taken off the fire."""


@dataclass(frozen=True, slots=True)
class Weighed:
    """What it gave, without the pan, kg."""

    mass_kg: float


@dataclass(frozen=True, slots=True)
class Note:
    text: str


@dataclass(frozen=True, slots=True)
class Undo:
    """Takes back the event of this number; undoing an undo brings it in again."""

    event_id: int


Happening = Lit | FirstBoil | Reading | Stirred | SugarIn | FlameChanged | Off | Weighed | Note | Undo


@dataclass(frozen=True, slots=True)
class Event:
    """One happening: its number in the batch (1, 2, …) and when, in seconds since the epoch."""

    id: int
    at_s: float
    what: Happening


def standing(events: Sequence[Event]) -> list[Event]:
    """The events that count, in order of time: without undone ones and without the undos themselves.

    >>> log = [Event(1, 0, Lit()), Event(2, 5, Stirred()), Event(3, 6, Undo(2)), Event(4, 7, Undo(3))]
    >>> [e.id for e in standing(log[:3])], [e.id for e in standing(log)]
    ([1], [1, 2])
    """
    undone: set[int] = set()
    for event in sorted(events, key=lambda e: e.id, reverse=True):
        if isinstance(event.what, Undo) and event.id not in undone:
            undone.add(event.what.event_id)
    return sorted(
        (e for e in events if e.id not in undone and not isinstance(e.what, Undo)),
        key=lambda e: (e.at_s, e.id),
    )
