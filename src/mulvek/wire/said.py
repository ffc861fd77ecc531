"""What the core says in messages, as the JSON that is shown: said in the language that is spoken now."""

from collections.abc import Iterable
from typing import Self

from ..core.batch.attention import Class, Nudge
from ..core.messages.catalogue import said
from ..core.safety.cautions import Caution, Severity
from .model import Out


class CautionOut(Out):
    """A bold start, and the rest of the sentence."""

    severity: Severity
    title: str
    text: str

    @classmethod
    def of(cls, caution: Caution) -> Self:
        return cls(severity=caution.severity, title=said(caution.says), text=said(caution.says, "text"))

    @classmethod
    def each(cls, cautions: Iterable[Caution]) -> list[Self]:
        return [cls.of(caution) for caution in cautions]


class NudgeOut(Out):
    """Something to do, as a sentence and, for the strip of burners, in two or three words. ``answer`` ends it."""

    key: str
    episode: str
    kind: Class
    due_at_s: float
    act: str
    strip: str
    answer: str
    missed: bool
    hushed: bool

    @classmethod
    def of(cls, nudge: Nudge) -> Self:
        return cls(
            key=nudge.key,
            episode=nudge.episode,
            kind=nudge.kind,
            due_at_s=nudge.due_at_s,
            act=said(nudge.says),
            strip=said(nudge.says, "strip"),
            answer=nudge.answer,
            missed=nudge.missed,
            hushed=nudge.hushed,
        )
