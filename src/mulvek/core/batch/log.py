"""What every batch's log has in common: a happening with its number and time, remarks, giving up, and taking back.

Undo adds an event; what was taken back can be taken back again, so nothing is ever erased.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Generic, TypeVar

from ..errors import BadInput, Conflict
from .attention import LONGEST_SNOOZE_S, Snoozed

W = TypeVar("W")
LONGEST_NOTE = 2000


@dataclass(frozen=True, slots=True)
class Begun:
    """It is under way: the flame is on, the cloth is hung, the first thing weighed."""


@dataclass(frozen=True, slots=True)
class Remark:
    text: str


@dataclass(frozen=True, slots=True)
class GivenUp:
    """Thrown out or let be: it stays in the Book and teaches nothing."""


@dataclass(frozen=True, slots=True)
class TakenBack:
    """Takes back the event of this number."""

    event_id: int


@dataclass(frozen=True)  # no slots: a generic alias could not make one
class Logged(Generic[W]):
    """One happening: its number in the batch and when, seconds since the epoch. ``said_s``: when it was said to have
    been, where that could not be."""

    id: int
    at_s: float
    what: W
    said_s: float | None = None


def counting(events: Sequence[Logged[W]]) -> list[Logged[W]]:
    """The events that count, in order of time: without those taken back, and without the taking back.

    >>> log = [Logged(1, 0, Begun()), Logged(2, 5, Remark("a")), Logged(3, 6, TakenBack(2))]
    >>> [e.id for e in counting(log)], [e.id for e in counting([*log, Logged(4, 7, TakenBack(3))])]
    ([1], [1, 2])
    """
    undone: set[int] = set()
    for event in sorted(events, key=lambda e: e.id, reverse=True):
        if isinstance(event.what, TakenBack) and event.id not in undone:
            undone.add(event.what.event_id)
    counted = (e for e in events if e.id not in undone and not isinstance(e.what, TakenBack))
    return sorted(counted, key=lambda e: (e.at_s, e.id))


def check_common(events: Sequence[Logged[W]], new: Logged[W]) -> bool:
    """Refuse what no log bears; true when nothing more need be asked.

    :raises Conflict, BadInput: naming what does not fit.
    """
    counted = counting(events)
    what = new.what
    if isinstance(what, TakenBack):
        target = next((e for e in events if e.id == what.event_id), None)
        if target is None or isinstance(target.what, Begun):
            raise Conflict("event_id", "That cannot be taken back.", "Choose another happening of this batch.")
        if not isinstance(target.what, TakenBack) and target not in counted:
            raise Conflict("event_id", "That is taken back already.", "Take the undo back to bring it in again.")
        return True
    began = next((e.at_s for e in counted if isinstance(e.what, Begun)), None)
    if isinstance(what, Begun):
        if began is not None:
            raise Conflict("kind", "This batch has begun.", "Carry on with it.")
        return True
    if began is None or new.at_s < began:
        raise Conflict("at_s", "That lies before it began.", "Give a later time.")
    if isinstance(what, Snoozed) and not 0 < what.seconds <= LONGEST_SNOOZE_S:
        raise BadInput("seconds", "A snooze is up to half an hour.", "Give 1 to 1800 seconds.")
    if isinstance(what, Remark) and (not what.text.strip() or len(what.text) > LONGEST_NOTE):
        raise BadInput("text", "A note holds 1 to 2000 letters.", "Shorten it.")
    gone = any(isinstance(e.what, GivenUp) and e.at_s <= new.at_s for e in counted)
    if gone and not isinstance(what, Remark):
        raise Conflict("kind", "It was given up.", "Undo that to carry on.")
    return False
