"""A batch's plan and all that happened to it, folded once: one happening more is taken without taking all again."""

from bisect import bisect_right
from collections.abc import Sequence
from functools import cached_property

from ..planning.reduce.plan import ReducePlan
from .events import Event, Undo, standing
from .fold import Fold

STAGE = 64
"""So many happenings apart the fold is kept, so that a late one need not take all before it again."""
Stages = tuple[tuple[int, Fold], ...]


class History:
    """Never changed: ``plus`` gives another."""

    def __init__(self, plan: ReducePlan, events: Sequence[Event]) -> None:
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

    @cached_property
    def _stages(self) -> Stages:
        """How many were taken, and the batch after them; the last after all. Kept: only copies are waited on."""
        return self._taken(())

    def _taken(self, kept: Stages) -> Stages:
        """Stages of all that counts, from the last of ``kept`` on."""
        count, folded = (kept[-1][0], kept[-1][1].copy()) if kept else (0, Fold(self.plan))
        made = [stage for stage in kept if stage[0] % STAGE == 0]
        for event in self.counted[count:]:
            folded.take(event)
            count += 1
            if count % STAGE == 0:
                made.append((count, folded.copy()))
        if not made or made[-1][0] != count:
            made.append((count, folded))
        return tuple(made)

    def has(self, *kinds: type) -> bool:
        """Whether anything of these kinds counts."""
        return any(kind.__name__ in self._stages[-1][1].marks for kind in kinds)

    @property
    def next_id(self) -> int:
        return self.events[-1].id + 1 if self.events else 1

    def at(self, now_s: float) -> Fold:
        """The batch folded up to ``now_s``; events later than that are not yet known."""
        known = bisect_right(self.counted, now_s, key=lambda e: e.at_s)
        count, folded = next(((n, f) for n, f in reversed(self._stages) if n <= known), (0, Fold(self.plan)))
        folded = folded.copy()
        for event in self.counted[count:known]:
            folded.take(event)
        folded.wait_until(now_s)
        return folded

    def plus(self, event: Event) -> "History":
        """With one happening more, the newest that was written."""
        more = History.__new__(History)
        more.plan, more.events = self.plan, (*self.events, event)
        if not isinstance(event.what, Undo):
            place = bisect_right(self.counted, (event.at_s, event.id), key=lambda e: (e.at_s, e.id))
            more.counted = (*self.counted[:place], event, *self.counted[place:])
            more.undone_by = self.undone_by
            more._stages = more._taken(tuple(stage for stage in self._stages if stage[0] <= place))
        return more
