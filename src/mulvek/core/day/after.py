"""A day that is over beside its plan: when each sweet was ready, and which of its steps took otherwise than planned."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ..batch.sweet_run import SweetState

NOTED_S = 180.0
"""A step that took so much more or less than planned is worth a line."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Act:
    """A task as it was planned: ``load`` in hundredths of a pair of hands; ``step`` of the sweet's own plan."""

    step: str
    start_s: float
    end_s: float
    load: int


@dataclass(frozen=True, slots=True, kw_only=True)
class StepAfter:
    """A step of a sweet: as planned, and as it was; s since the epoch. ``longer_s``: than planned, below nought for sooner."""

    step: str
    say: str
    told_s: tuple[float, float]
    began_s: float
    done_s: float

    @property
    def longer_s(self) -> float:
        return (self.done_s - self.began_s) - (self.told_s[1] - self.told_s[0])


def span(acts: Sequence[Act], step: str) -> tuple[float, float] | None:
    """From when until when a step was planned, all its acts together."""
    of = [act for act in acts if act.step == step]
    return (min(a.start_s for a in of), max(a.end_s for a in of)) if of else None


def steps_after(acts: Sequence[Act], state: SweetState) -> list[StepAfter]:
    """The steps that were both planned and timed, in the order of the plan."""
    found = []
    for step in state.steps:
        told = span(acts, step.planned.key)
        if told is None or step.began_at_s is None or step.done_at_s is None or step.done_at_s <= step.began_at_s:
            continue
        found.append(
            StepAfter(
                step=step.planned.key,
                say=step.planned.say,
                told_s=told,
                began_s=step.began_at_s,
                done_s=step.done_at_s,
            )
        )
    return sorted(found, key=lambda s: s.told_s)


def feet_s(acts: Sequence[Act], after: Mapping[str, StepAfter]) -> tuple[float, float]:
    """Seconds of hands as planned, and as each timed step truly took them: as much longer as it took longer.

    >>> acts = [Act(step="a", start_s=0, end_s=600, load=100), Act(step="b", start_s=600, end_s=1200, load=50)]
    >>> a = StepAfter(step="a", say="", told_s=(0, 600), began_s=0, done_s=900)
    >>> feet_s(acts, {"a": a})
    (900.0, 1200.0)
    """
    told = taken = 0.0
    for act in acts:
        hands = (act.end_s - act.start_s) * act.load / 100
        one = after.get(act.step)
        planned = one.told_s[1] - one.told_s[0] if one else 0.0
        told += hands
        taken += hands * (planned + one.longer_s) / planned if one and planned else hands
    return told, taken
