"""JSON of the Book: a batch in one line, and the story of one with all that came into it."""

from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import Field

from ..core.batch.course import Reach
from ..core.batch.events import FaultFound, Gone, Note, NoteOf, Reason
from ..core.batch.kinds import KindName
from ..core.batch.leftovers import Beside
from ..core.batch.log import Log
from ..core.batch.summary import SummaryPhase
from ..core.mending.faults import faults
from ..core.ranges import Range
from .model import Out


class BookLine(Out):
    """A batch in the list: what went in, what it gave beside what was told."""

    id: int
    kind: KindName
    name: str
    created_at_s: float
    phase: SummaryPhase
    of: str
    told_kg: Range
    weighed_kg: float | None
    told_s: Range | None
    took_s: float | None
    whey_kg: float | None
    told_pieces: Range | None
    counted: int | None
    one: str
    many: str
    wrong: list[str] = Field(description="What was found wrong with it, in words")
    parts: list[str] = Field(description="Names of what was made for it")
    beside: dict[str, Beside] = Field(
        default_factory=dict, description="What stands there beside it: whey of a curd, syrup of a sweet"
    )

    @classmethod
    def of_summary(
        cls,
        id: int,
        kind: str,
        name: str,
        created_at_s: float,
        summary: Mapping[str, Any],
        found: Sequence[str],
        parts: Sequence[str],
    ) -> "BookLine":
        """``found``: keys of the faults that it was found to have; ``parts``: names of what was made for it."""
        wrong = [faults()[key].title for key in found if key in faults()]
        same = {
            "id": id,
            "kind": kind,
            "name": name,
            "created_at_s": created_at_s,
            "wrong": wrong,
            "parts": list(parts),
        }
        told = {key: value for key, value in summary.items() if key != "season"}
        return cls.model_validate(told | same)


class RelativeOut(Out):
    """Another batch of the same making: a base that came into it, or the sweet that it went into."""

    id: int
    kind: KindName
    name: str
    slot: str
    kg: float = Field(description="As much as went from the one into the other")


class NoteOut(Out):
    event_id: int
    at_s: float
    text: str
    about: NoteOf


class OtherOut(Out):
    """Another batch of the same thing."""

    id: int
    name: str
    created_at_s: float


class MoneyOut(Out):
    """In the kitchen's money: as it was told, and by what was weighed since, at the Larder's prices of today."""

    planned: float
    spent: float
    each: float | None
    saved: float | None = Field(description="Against the same bought")


class KeptOut(Out):
    """How long it was told to keep, and how long it did."""

    told: str
    made_at_s: float | None
    gone_at_s: float | None
    why: Reason | None


class StoryOut(Out):
    """A batch of any kind as the Book tells it."""

    line: BookLine
    river: list[Reach]
    parts: list[RelativeOut]
    went_into: list[RelativeOut]
    first_kg: Range = Field(description="What was told when it began, before a base came off otherwise")
    first_pieces: Range | None
    money: MoneyOut | None
    kept: KeptOut
    notes: list[NoteOut]
    others: list[OtherOut] = Field(description="The newest others of the same thing, to lay beside it")
    next_time: list[str] = Field(description="What is to be done otherwise next time, in words")


def notes_of(log: Log) -> list[NoteOut]:
    return [
        NoteOut(event_id=e.id, at_s=e.at_s, text=e.what.text, about=e.what.about)
        for e in log.counted
        if isinstance(e.what, Note)
    ]


def kept_of(log: Log, made_at_s: float | None, told: str) -> KeptOut:
    gone = next(((e.at_s, e.what.why) for e in log.counted if isinstance(e.what, Gone) and not e.what.of), None)
    at_s, why = gone or (None, None)
    return KeptOut(told=told, made_at_s=made_at_s, gone_at_s=at_s, why=why)


def next_time_of(log: Log) -> list[str]:
    """What was chosen to be done otherwise, of each cause that was held for the true one."""
    causes = [
        next((c for c in faults()[e.what.fault].causes if c.key == e.what.cause), None)
        for e in log.counted
        if isinstance(e.what, FaultFound) and e.what.next_time and e.what.fault in faults()
    ]
    return [cause.next for cause in causes if cause is not None]
