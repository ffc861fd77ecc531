"""JSON of two batches of one thing side by side."""

from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import Field

from ..core.equipment.kitchen import Kitchen
from ..core.errors import Conflict
from ..core.mending.beside import differences
from ..core.mending.faults import Fault, fault, faults, faults_of, questions
from ..language.mending import reading_said
from .book import BookLine
from .mend_record import Known, Seen, known_of
from .model import Out

OF_THE_PLAN = ("milk", "amount", "pan", "burner", "flame", "stop", "sugar", "sugar_time", "school", "flavour", "want", "each", "taken", "coagulant", "wait", "drain", "use", "end", "cloth", "shade", "solids")  # fmt: skip
"""Words of a plan that are laid side by side, in this order."""


class PairDifference(Out):
    """``explains``: how much it speaks, in log-odds; ``why``: for what it would be the cause, in words; empty for nothing."""

    reading: str
    first: str
    second: str
    explains: float
    why: str
    fault: str


class PairWord(Out):
    word: str
    first: str
    second: str


class PairOut(Out):
    """Two batches: their lines, what their records say otherwise, what the plans did, what was alike."""

    first: BookLine
    second: BookLine
    differs: list[PairDifference]
    words: list[PairWord]
    same: list[str] = Field(description="What both records say, in words")
    unknown: list[str] = Field(description="What only one of them tells, in words with whose it is")


def beside(
    lines: tuple[BookLine, BookLine],
    seen: tuple[Seen, Seen],
    made_for: tuple[Sequence[Seen], Sequence[Seen]],
    words: tuple[Mapping[str, Any], Mapping[str, Any]],
    wrong: Sequence[str],
    kitchen: Kitchen,
) -> PairOut:
    """``wrong``: faults that either was found to have; they say what is to be explained.

    :raises Conflict: field "b", when they are not of one thing.
    """
    if seen[0].product.key != seen[1].product.key:
        raise Conflict("b", "beside-other-sweet", seen=seen[1].name, product=seen[0].product.name)
    known = [_told(known_of({}, s, m, kitchen)) for s, m in zip(seen, made_for, strict=True)]
    values = [{reading: k.noted.value for reading, k in one.items()} for one in known]
    found, same = differences(values[0], values[1], _to_explain(seen[0], wrong))
    return PairOut(
        first=lines[0],
        second=lines[1],
        differs=[
            PairDifference(
                reading=d.reading,
                first=_said(d.reading, d.first),
                second=_said(d.reading, d.second),
                explains=d.explains,
                why=fault(d.fault).cause(d.cause).why if d.fault else "",
                fault=fault(d.fault).title if d.fault else "",
            )
            for d in found
        ],
        words=_words(words),
        same=[_said(reading, values[0][reading]) for reading in same],
        unknown=[
            f"{name}: {_said(reading, mine[reading])}"
            for name, mine, other in ((lines[0].name, values[0], values[1]), (lines[1].name, values[1], values[0]))
            for reading in sorted(mine.keys() - other.keys())
        ],
    )


def _told(known: Mapping[str, Known]) -> dict[str, Known]:
    """What the batches themselves tell: the Larder is today's for both."""
    return {reading: k for reading, k in known.items() if k.origin in ("log", "plan")}


def _to_explain(seen: Seen, wrong: Sequence[str]) -> list[Fault]:
    return [faults()[key] for key in wrong if key in faults()] or faults_of(seen.product.families)


def _said(reading: str, value: float) -> str:
    return reading_said(questions()[reading], value)


def _words(words: tuple[Mapping[str, Any], Mapping[str, Any]]) -> list[PairWord]:
    found = []
    for word in OF_THE_PLAN:
        first, second = (_plain(of.get(word)) for of in words)
        if first != second:
            found.append(PairWord(word=word, first=first, second=second))
    return found


def _plain(value: Any) -> str:
    """A word as it stood; of one that is not told in words, nothing."""
    return value if isinstance(value, str) else "" if value is None or isinstance(value, dict | list) else str(value)
