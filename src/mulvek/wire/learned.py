"""JSON of what a kitchen has learned: each number against the table's, what it rests on, and what to measure next."""

import math
from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from pydantic import Field

from ..core.batch.effects import Belief, Effect, Learned, Used
from ..core.batch.measure_next import Measure, Worth
from ..core.ranges import Z80, Range
from .model import Body, Id, Out

Family = Literal["rate", "yield", "drain", "loss", "uptake", "step", "thickness"]


class TaughtBy(Out):
    """A batch that taught a number: its own figure against the table's, and how much it counted."""

    batch: int
    name: str
    at_s: float
    times: float
    weight: float = Field(description="1 for all of it; below one half it was set aside as wild")
    aside: bool


class DriftOut(Out):
    """A shift that went on over these batches; of what they said against what was believed."""

    times: float
    batches: list[int]
    since_s: float


class LearnedOut(Out):
    """One number. ``times``: what it is against the table's, an 80 % range; a rate in kg/s too."""

    family: Family
    key: str
    name: str
    times: Range
    table_times: Range = Field(description="What the table alone would say of it")
    table_kg_s: float | None
    batches: int
    trust: float = Field(description="Half the 80 % width for the next batch, as a share")
    taught_by: list[TaughtBy]
    frozen: bool
    anew_s: float | None
    drift: DriftOut | None


class MeasureOut(Out):
    how: Measure
    key: str
    name: str
    uses: int
    now: float
    after: float


class LeftOutOut(Out):
    batch: int
    name: str
    at_s: float


class AllLearnedOut(Out):
    numbers: list[LearnedOut]
    verdicts: dict[str, int]
    thickness: Range = Field(description="How thick this cook likes it against what was told; 1 is as told")
    thickness_frozen: bool
    next: list[MeasureOut]
    left_out: list[LeftOutOut]


class OwnIn(Body):
    """What is to become of a number: it stays as it is, learns again, begins anew from now, or from a time on (the new
    normal after a drift)."""

    family: Family
    key: str = Field(max_length=80)
    do: Literal["freeze", "thaw", "anew", "all"]
    from_s: float | None = Field(None, description="With anew: from then on; from now when left out")


class CountsIn(Body):
    batch: Id
    counts: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Number:
    """Where a number is looked up: its effects, what one batch scatters, how much the table alone is in doubt."""

    family: Family
    key: str
    name: str
    effects: tuple[Effect, Effect]
    seen_sd: float
    table_sd: float
    table_kg_s: float | None = None


def times(belief: Belief) -> Range:
    return Range.lognormal(math.exp(belief.ln_mean), belief.ln_sd)


def learned_out(
    number: Number,
    learned: Learned,
    lessons: Iterable[tuple[int, float]],
    named: Mapping[int, tuple[str, float]],
    window: tuple[float | None, float | None],
) -> LearnedOut:
    """``lessons``: batch and ln ratio of those of this number; ``named``: each batch's name and when it began."""
    used: Mapping[int, Used] = {u.batch: u for u in learned.used}
    taught = [
        TaughtBy(
            batch=batch,
            name=named[batch][0],
            at_s=named[batch][1],
            times=math.exp(ratio),
            weight=used[batch].weight,
            aside=used[batch].aside,
        )
        for batch, ratio in lessons
        if batch in used and batch in named
    ]
    belief = learned.of(number.effects, number.seen_sd)
    begun, until = window
    return LearnedOut(
        family=number.family,
        key=number.key,
        name=number.name,
        times=times(belief),
        table_times=Range.lognormal(1.0, number.table_sd),
        table_kg_s=number.table_kg_s,
        batches=belief.batches,
        trust=math.expm1(Z80 * belief.next_sd),
        taught_by=taught[::-1],
        frozen=until is not None,
        anew_s=begun,
        drift=_drift(learned, {t.batch for t in taught}, named),
    )


def _drift(learned: Learned, here: Collection[int], named: Mapping[int, tuple[str, float]]) -> DriftOut | None:
    """One that shows in the batches of this number."""
    drift = learned.drift
    batches = [b for b in drift.batches if b in here] if drift else []
    if drift is None or not batches:
        return None
    return DriftOut(
        times=math.exp(drift.ln_shift), batches=batches, since_s=min(named[b][1] for b in batches if b in named)
    )


def measures(found: Sequence[Worth]) -> list[MeasureOut]:
    return [
        MeasureOut(
            how=w.candidate.how,
            key=w.candidate.key,
            name=w.candidate.name,
            uses=w.candidate.uses,
            now=w.now,
            after=w.after,
        )
        for w in found
    ]
