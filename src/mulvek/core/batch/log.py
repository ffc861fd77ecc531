"""A batch's plan and all that happened to it, whatever its kind, and what no log of any kind bears.

Undo adds an event; what was taken back can be taken back again, so nothing is ever erased.
"""

from bisect import bisect_right
from collections.abc import Sequence
from functools import cached_property
from typing import Any, Self

from ..errors import BadInput, Conflict
from .attention import LONGEST_SNOOZE_S, Snoozed
from .events import Abandoned, Begun, Carried, Event, FaultFound, Happening, Lit, Note, Undo, standing

LONGEST_NOTE = 2000
CLOCK_SLACK_S = 5.0


class Log:
    """Never changed: ``plus`` gives another."""

    def __init__(self, plan: Any, events: Sequence[Event]) -> None:
        self.plan = plan
        self.events = tuple(sorted(events, key=lambda e: e.id))

    @cached_property
    def counted(self) -> tuple[Event, ...]:
        """The events that count, in order of time."""
        return tuple(standing(self.events))

    @cached_property
    def undone_by(self) -> dict[int, int]:
        """Numbers of what was undone, each with that of the undo that did it."""
        counted = {event.id for event in self.counted}
        return {
            event.what.event_id: event.id
            for event in self.events
            if isinstance(event.what, Undo) and event.what.event_id not in counted
        }

    @property
    def next_id(self) -> int:
        return self.events[-1].id + 1 if self.events else 1

    @property
    def newest_s(self) -> float:
        """When the latest of it happened; nought while nothing has."""
        return max((event.at_s for event in self.events), default=0.0)

    @cached_property
    def began_s(self) -> float | None:
        return next((e.at_s for e in self.counted if isinstance(e.what, Begun | Lit)), None)

    def has(self, *kinds: type) -> bool:
        """Whether anything of these kinds counts."""
        return any(isinstance(event.what, kinds) for event in self.counted)

    def known(self, now_s: float) -> tuple[Event, ...]:
        """What counts of all that had happened by then."""
        return self.counted[: bisect_right(self.counted, now_s, key=lambda e: e.at_s)]

    def last(self, kind: type[Happening]) -> Any:
        """The latest that counts of this kind, if any."""
        return next((e.what for e in reversed(self.counted) if isinstance(e.what, kind)), None)

    def plus(self, event: Event) -> Self:
        """With one happening more, the newest that was written."""
        more = type(self).__new__(type(self))
        more.plan, more.events = self.plan, (*self.events, event)
        if not isinstance(event.what, Undo):
            place = bisect_right(self.counted, (event.at_s, event.id), key=lambda e: (e.at_s, e.id))
            more.counted = (*self.counted[:place], event, *self.counted[place:])
            more.undone_by = self.undone_by
            more._goes_on(self, place)
        return more

    def _goes_on(self, before: Self, place: int) -> None:
        """Take over from the log before one happening more, which counts at ``place``."""


def check_common(log: Log, new: Event) -> bool:
    """Refuse what no log bears; true when nothing more need be asked.

    :raises Conflict, BadInput: naming what does not fit.
    """
    what = new.what
    if isinstance(what, Undo):
        _check_undo(log, what)
        return True
    if isinstance(what, Begun | Lit | Carried):
        if log.events:
            raise Conflict("kind", "already-begun")
        return True
    if log.began_s is not None and new.at_s < log.began_s - CLOCK_SLACK_S:
        raise Conflict("at_s", "before-it-began")
    if not log.events:
        raise Conflict("kind", "has-not-begun")
    if isinstance(what, Snoozed) and not 0 < what.seconds <= LONGEST_SNOOZE_S:
        raise BadInput("seconds", "snooze-too-long")
    if isinstance(what, Note):
        if not what.text.strip() or len(what.text) > LONGEST_NOTE:
            raise BadInput("text", "note-too-long")
        return True
    if isinstance(what, FaultFound):
        return True
    if log.has(Abandoned) and any(isinstance(e.what, Abandoned) for e in log.known(new.at_s)):
        raise Conflict("kind", "was-given-up")
    return False


def _check_undo(log: Log, undo: Undo) -> None:
    target = next((e for e in log.events if e.id == undo.event_id), None)
    if target is None:
        raise Conflict("event_id", "no-such-event", event_id=undo.event_id)
    if isinstance(target.what, Begun | Lit | Carried):
        raise Conflict("event_id", "begin-not-undone")
    if not isinstance(target.what, Undo) and target not in log.counted:
        raise Conflict("event_id", "already-undone")
