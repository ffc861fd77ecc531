"""JSON of a season of the Book."""

from collections.abc import Sequence

from pydantic import Field

from ..core.batch.season import Sum
from ..core.ranges import Range
from .model import Out

MOST_POINTS = 120
"""Of a strip: the newest."""


class SumOut(Out):
    """m³, kg, s, and the kitchen's money, of a month or of all."""

    batches: int
    milk_m3: float
    made_kg: float
    feet_s: float
    paid: float
    saved: float
    lost_kg: float
    lost: dict[str, float]
    milks: dict[str, float]

    @classmethod
    def of(cls, told: Sum) -> "SumOut":
        return cls(**{name: getattr(told, name) for name in cls.model_fields})


class MonthOut(Out):
    month: str = Field(description="2027-01")
    sum: SumOut


class PointOut(Out):
    """What came of a batch against what was told: ``times`` the likely, with the range as shares of it."""

    batch: int
    name: str
    at_s: float
    times: float
    low: float
    high: float
    within: bool

    @classmethod
    def of(cls, batch: int, name: str, at_s: float, got: float, told: Range) -> "PointOut | None":
        """None where nothing can be said: of nothing that was told."""
        if told.likely <= 0:
            return None
        return cls(
            batch=batch,
            name=name,
            at_s=at_s,
            times=got / told.likely,
            low=told.low / told.likely,
            high=told.high / told.likely,
            within=told.low <= got <= told.high,
        )


class StripOut(Out):
    """A figure over the season, newest last."""

    of: str = Field(description="weight, minutes, pieces, or the chhena of a milk")
    milk: str
    points: list[PointOut]
    within: float = Field(description="Share of its batches that came within what was told; told four times in five")
    drift: float | None = Field(description="Times the earlier half that the later half is; none of fewer than six")


class SeasonOut(Out):
    year: int
    years: list[int]
    whole: SumOut
    months: list[MonthOut]
    strips: list[StripOut]
    pending: int = Field(description="Batches of former releases that are still to be added up: ask again")


def strip(of: str, milk: str, points: Sequence[PointOut | None]) -> StripOut:
    """Its newest points; the drift is of the middles of its halves."""
    known = [point for point in points if point is not None]
    ordered = [sorted(p.times for p in half) for half in (known[: len(known) // 2], known[len(known) // 2 :])]
    drift = None
    if len(known) >= 6:
        before, after = (half[len(half) // 2] for half in ordered)
        drift = after / before if before else None
    return StripOut(
        of=of,
        milk=milk,
        points=known[-MOST_POINTS:],
        within=sum(p.within for p in known) / len(known) if known else 0.0,
        drift=drift,
    )
