"""JSON of Mend: what can go wrong, and of one fault the causes in their order with the lines of the record behind each."""

from collections.abc import Mapping, Sequence

from pydantic import Field

from ..core.batch.events import (
    FaultFound,
    standing,
)
from ..core.equipment.kitchen import Kitchen
from ..core.errors import NotFound
from ..core.mending.faults import Fault, Product, fault, faults, faults_of, products, questions
from ..core.mending.reckoned import reckoned_words
from ..core.mending.rescue import Amounts, amounts
from ..core.mending.weigh import Asked, Confirmed, Word, best_question, weigh, word
from ..core.mending.weigh import Weighed as WeighedCause
from ..core.planning.reduce.plan import ReducePlan
from ..core.planning.sweets.library import library
from ..language.mending import answer_said, rescue_said
from .happenings import Answers, asked_of
from .mend_record import Known, LineOut, MendedBatch, MomentOut, Seen, known_of, moments_of
from .model import Body, Id, Out
from .reduce import ReduceIn

BOWLS = 5
CLEARED = 0.1
"""A cause below this, with something that speaks against it, is named as cleared."""
Slug = str
FaultWord = Field("", max_length=40, pattern=r"^[a-z0-9-]*$")


class MendIn(Body):
    """What went wrong: with a batch, or with what is made and no batch at all. ``fault`` empty asks what there is."""

    batch: Id | None = None
    product: Slug = FaultWord
    fault: Slug = FaultWord
    answers: Answers = Field(default_factory=dict)
    skip: list[Slug] = Field(default_factory=list, max_length=60, description="Readings that the cook does not know")


class FaultOut(Out):
    key: str
    title: str
    signs: str


class ProductOut(Out):
    key: str
    name: str
    faults: list[FaultOut]


class MendChoices(Out):
    """All that is made, with what can go wrong with it."""

    products: list[ProductOut]


class CauseOut(Out):
    """``bowls`` of five, by halves: the fuller, the likelier."""

    key: str
    why: str
    next: str
    word: Word
    bowls: float
    speaks: list[LineOut]
    against: list[LineOut]
    unknown: list[str] = Field(description="What nobody knows of it, as it is asked for")
    confirmed: bool


class AnswerOut(Out):
    text: str
    value: float
    bowls: dict[str, float] = Field(description="Of each cause, if this is the answer")


class QuestionOut(Out):
    """The reading that would tell most. ``measure``: how to know it next time."""

    reading: str
    text: str
    answers: list[AnswerOut]
    measure: str


class FoundFault(Out):
    """What the cook said of it before."""

    fault: str
    cause: str
    next_time: bool
    event: int


class NextIn(Body):
    """``plan``: a reduction's sentence as it stands, for what has to be reckoned from it."""

    of: str = Field(max_length=60, description='A sweet\'s key, or the kind of a base: "kalakand", "curdle"')
    plan: ReduceIn | None = None


class KeptForNext(Out):
    """What the next plan is told: of which batch, what went wrong with it, why, and what to do."""

    batch: MendedBatch
    fault: str
    title: str
    cause: str
    why: str
    next: str
    answers: dict[str, float]
    sets: dict[str, str] = Field(description="What that is in the sentence of the next plan: its words")
    reckoned: list[str] = Field(description="Those of them that were reckoned from the plan that was sent")


class NextPlanOut(Out):
    """What was kept for the next time, newest first."""

    kept: list[KeptForNext]


class MendingOut(Out):
    """The answer. Without a fault only what there is to choose from, and what was found before."""

    batch: MendedBatch | None
    product: str
    product_name: str
    faults: list[FaultOut]
    found: list[FoundFault]
    fault: FaultOut | None
    throw_away: bool
    caution: str
    rescue: str
    causes: list[CauseOut]
    cleared: list[str]
    question: QuestionOut | None
    answered: list[LineOut]
    record: list[MomentOut]


SENTENCES = ("reduce", "curdle", "strain", "caramel")
"""Bases have sentences of their own; everything else has the sweets'."""


def next_time(seen: Seen, what: FaultFound, of: str, plan: ReducePlan | None = None) -> KeptForNext | None:
    """What the next plan of that sweet or base is told of it; a fault or a cause that this release does not know is left
    out. ``plan``: of a reduction as it stands, where that can be read."""
    found = faults().get(what.fault)
    cause = next((c for c in found.causes if c.key == what.cause), None) if found else None
    if found is None or cause is None or not what.next_time:
        return None
    reckoned = reckoned_words(cause.reckons, plan) if plan is not None and of == "reduce" else {}
    return KeptForNext(
        batch=seen.out,
        fault=found.key,
        title=found.title,
        cause=cause.key,
        why=cause.why,
        next=cause.next,
        answers=dict(what.answers),
        sets={**cause.sets.get(of if of in SENTENCES else "sweet", {}), **reckoned},
        reckoned=sorted(reckoned),
    )


def named(product: Product) -> str:
    """What it is called: by its base, or by the library."""
    if product.name:
        return product.name
    return library()[product.key].name if product.key in library() else product.key


def product_named(key: str) -> Product:
    """:raises NotFound: field "product"."""
    found = products().get(key)
    if found is None:
        raise NotFound("product", "no-such-product", key=key)
    return found


def mend_choices() -> MendChoices:
    return MendChoices(
        products=[
            ProductOut(key=p.key, name=named(p), faults=_faults_out(faults_of(p.families)))
            for p in sorted(products().values(), key=lambda p: (p.key in library(), named(p)))
        ]
    )


def _fault_out(found: Fault) -> FaultOut:
    return FaultOut(key=found.key, title=found.title, signs=found.signs)


def _faults_out(found: Sequence[Fault]) -> list[FaultOut]:
    return [_fault_out(one) for one in found]


def mending(
    body: MendIn, of: Seen | None, made_for: Sequence[Seen], kitchen: Kitchen, confirmed: Confirmed
) -> MendingOut:
    """The whole answer.

    :param made_for: the batches that went into it. :param confirmed: how often each cause was the true one here.
    :raises NotFound: fields "fault", "product". :raises BadInput: field "answers".
    """
    product = of.product if of else product_named(body.product) if body.product else None
    answer = MendingOut(
        batch=of.out if of else None,
        product=product.key if product else "",
        product_name=named(product) if product else "",
        faults=_faults_out(faults_of(product.families)) if product else [],
        found=_found_before(of),
        fault=None,
        throw_away=False,
        caution="",
        rescue="",
        causes=[],
        cleared=[],
        question=None,
        answered=[],
        record=[],
    )
    if not body.fault:
        return answer
    found = fault(body.fault)
    asked_of(found, body.answers)
    known = {r: k for r, k in known_of(body.answers, of, made_for, kitchen).items() if r in found.readings}
    noted = {reading: one.noted.value for reading, one in known.items()}
    weighed = weigh(found, noted, confirmed)
    held = {one.cause for one in answer.found if one.fault == found.key}
    asked = best_question(found, noted, confirmed, body.skip)
    cleared = [one for one in weighed if one.chance < CLEARED and one.against and one.cause.key not in held]
    return answer.model_copy(
        update={
            "fault": _fault_out(found),
            "throw_away": found.throw_away,
            "caution": found.caution,
            "rescue": rescue_said(found, amounts(of.log, of.state, of.told) if of else Amounts()),
            "causes": [_cause(one, known, one.cause.key in held) for one in weighed if one not in cleared],
            "cleared": [known[one.against[0]].line(one.against[0]).text for one in cleared],
            "question": _question(found, asked, noted, confirmed) if asked else None,
            "answered": [known[reading].line(reading) for reading in body.answers],
            "record": moments_of([*made_for, *([of] if of else [])], known),
        }
    )


def _found_before(of: Seen | None) -> list[FoundFault]:
    """What the cook said of it; the latest word of each fault."""
    if of is None:
        return []
    said = {e.what.fault: (e.id, e.what) for e in standing(of.log.events) if isinstance(e.what, FaultFound)}
    return [
        FoundFault(fault=key, cause=what.cause, next_time=what.next_time, event=event)
        for key, (event, what) in said.items()
    ]


def _bowls(chance: float) -> float:
    """
    >>> _bowls(0.92), _bowls(0.04), _bowls(0.55)
    (4.5, 0.0, 3.0)
    """
    return round(chance * BOWLS * 2) / 2


def _cause(one: WeighedCause, known: Mapping[str, Known], confirmed: bool) -> CauseOut:
    return CauseOut(
        key=one.cause.key,
        why=one.cause.why,
        next=one.cause.next,
        word=word(one.chance),
        bowls=_bowls(one.chance),
        speaks=[known[reading].line(reading) for reading in one.speaks],
        against=[known[reading].line(reading) for reading in one.against],
        unknown=[questions()[reading].ask for reading in one.unknown],
        confirmed=confirmed,
    )


def _question(found: Fault, asked: Asked, noted: Mapping[str, float], confirmed: Confirmed) -> QuestionOut:
    question = questions()[asked.reading]

    def bowls(value: float) -> dict[str, float]:
        then = weigh(found, {**noted, asked.reading: value}, confirmed)
        return {one.cause.key: _bowls(one.chance) for one in then}

    return QuestionOut(
        reading=asked.reading,
        text=question.ask,
        answers=[
            AnswerOut(text=answer_said(question, value, asked.answers), value=value, bowls=bowls(value))
            for value in asked.answers
        ],
        measure=question.measure,
    )
