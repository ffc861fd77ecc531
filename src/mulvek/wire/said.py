"""What the core says in messages, as the JSON that is shown: said in the language that is spoken now."""

from collections.abc import Iterable, Mapping
from typing import Self

from ..core.batch.attention import Class, Nudge
from ..core.messages.catalogue import said
from ..core.safety.cautions import Caution, Severity
from ..core.why import Why, of_page
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


class TermOut(Out):
    """One figure that went into a formula."""

    name: str
    value: str
    note: str = ""


class WhyOut(Out):
    """The working behind one figure; ``rule``: where it stands in ``docs/science``, page and anchor (what was told before
    there were rules has none)."""

    title: str
    formula: str
    terms: list[TermOut]
    source: str
    uncertainty: str
    sharpen: str
    rule: str = ""

    @classmethod
    def of(cls, why: Why) -> Self:
        terms = [
            TermOut(name=said(t), value=said(t, "value"), note=said(t, "note")) for t in (t.says for t in why.terms)
        ]
        return cls(
            title=said(why.says),
            formula=said(why.says, "formula"),
            terms=terms,
            source=said(why.says, "source"),
            uncertainty=said(why.says, "uncertainty"),
            sharpen=said(why.says, "sharpen"),
            rule=why.rule,
        )

    @classmethod
    def each(cls, page: str, whys: Mapping[str, Why]) -> dict[str, Self]:
        """By figure, each with its rule on that page of docs/science."""
        return {key: cls.of(why) for key, why in of_page(page, whys).items()}


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
