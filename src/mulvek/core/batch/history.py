"""A reduction's log, folded once: one happening more is taken without taking all again."""

from bisect import bisect_right
from functools import cached_property

from ..planning.reduce.plan import ReducePlan
from .fold import Fold
from .log import Log

STAGE = 64
"""The fold is kept after so many happenings, after as many again, and then ever further back: a late one takes no more
anew than lie behind it, and a long log costs little more than a short one."""
Stages = tuple[tuple[int, Fold], ...]


class History(Log):
    plan: ReducePlan

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
        made = _fewer(made)
        if not made or made[-1][0] != count:
            made.append((count, folded))
        return tuple(made)

    def has(self, *kinds: type) -> bool:
        """Whether anything of these kinds counts."""
        return any(kind.__name__ in self._stages[-1][1].marks for kind in kinds)

    def at(self, now_s: float) -> Fold:
        """The batch folded up to ``now_s``; events later than that are not yet known."""
        known = bisect_right(self.counted, now_s, key=lambda e: e.at_s)
        count, folded = next(((n, f) for n, f in reversed(self._stages) if n <= known), (0, Fold(self.plan)))
        folded = folded.copy()
        for event in self.counted[count:known]:
            folded.take(event)
        folded.wait_until(now_s)
        return folded

    def _goes_on(self, before: "History", place: int) -> None:
        self._stages = self._taken(tuple(stage for stage in before._stages if stage[0] <= place))


def _fewer(stages: list[tuple[int, Fold]]) -> list[tuple[int, Fold]]:
    """Of what lies ever further back, ever fewer: about two for each doubling of the distance."""
    found: list[tuple[int, Fold]] = []
    for stage in reversed(stages):
        back = stages[-1][0] - stage[0]
        if len(found) < 2 or stages[-1][0] - found[-2][0] < back / 2 or stage is stages[0]:
            found.append(stage)
    return found[::-1]
