"""Causes weighed by what is recorded, each by itself: two can both be true. Day dossier §4.

logit(chance) = logit(base rate) + what its readings give, at most ± 3.5. A reading that is missing moves nothing. A base rate
counts as eight cases; confirmed causes of this kitchen are added to them (a Beta's mean).
"""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from .faults import Cause, Evidence, Fault, questions

CAP = 3.5
BASE_CASES = 8.0
LEAST_MOVE = 0.1
"""A question that would move all chances by less in sum is not worth asking."""
Word = Literal["almost-surely", "very-likely", "likely", "possible", "unlikely", "hardly"]
_WORDS: tuple[tuple[float, Word], ...] = (
    (0.93, "almost-surely"), (0.8, "very-likely"), (0.6, "likely"), (0.3, "possible"), (0.1, "unlikely"),
)  # fmt: skip

Confirmed = Mapping[str, int]
"""How often each cause of a fault was held for the true one in this kitchen."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Weighed:
    """A cause with its chance, 0 to 1; what speaks for it and against it, strongest first; what is not known of it."""

    cause: Cause
    chance: float
    speaks: tuple[str, ...]
    against: tuple[str, ...]
    unknown: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked:
    """The reading that would tell most, and what it may be answered."""

    reading: str
    answers: tuple[float, ...]
    moves: float


def word(chance: float) -> Word:
    """
    >>> word(0.95), word(0.65), word(0.05)
    ('almost-surely', 'likely', 'hardly')
    """
    return next((name for least, name in _WORDS if chance > least), "hardly")


def base_rate(cause: Cause, confirmed: Confirmed) -> float:
    """Its chance before anything is read, with what this kitchen confirmed."""
    return (BASE_CASES * cause.chance + confirmed.get(cause.key, 0)) / (BASE_CASES + sum(confirmed.values()))


def _chance(cause: Cause, noted: Mapping[str, float], confirmed: Confirmed) -> float:
    rate = base_rate(cause, confirmed)
    given = sum(shown.strength(noted.get(shown.reading)) for shown in cause.shows)
    return 1 / (1 + math.exp(-(math.log(rate / (1 - rate)) + min(CAP, max(-CAP, given)))))


def weigh(fault: Fault, noted: Mapping[str, float], confirmed: Confirmed | None = None) -> list[Weighed]:
    """Its causes, the likeliest first.

    :param noted: what is known, by reading, in its unit; yes is 1, no is 0.

    >>> from .faults import fault
    >>> first = weigh(fault("balls-break"), {"chhena-water": 67.5, "syrup-rolling": 1, "touched-early": 0})[0]
    >>> first.cause.key, round(first.chance, 2), first.speaks
    ('wet', 0.92, ('chhena-water',))
    """
    found = [_weighed(cause, noted, confirmed or {}) for cause in fault.causes]
    return sorted(found, key=lambda one: -one.chance)


def _weighed(cause: Cause, noted: Mapping[str, float], confirmed: Confirmed) -> Weighed:
    given = [(shown.strength(noted[shown.reading]), shown.reading) for shown in cause.shows if shown.reading in noted]
    return Weighed(
        cause=cause,
        chance=_chance(cause, noted, confirmed),
        speaks=tuple(reading for strength, reading in sorted(given, reverse=True) if strength > 0),
        against=tuple(reading for strength, reading in sorted(given) if strength <= 0),
        unknown=tuple(shown.reading for shown in cause.shows if shown.reading not in noted),
    )


def answers_of(shown: Sequence[Evidence]) -> tuple[float, ...]:
    """What a reading may be answered with: yes and no, or its lower end, its middle and its upper end."""
    ends = sorted({end for one in shown for end in (one.near, one.far)})
    if questions()[shown[0].reading].either:
        return (1.0, 0.0)
    return (ends[0], (ends[0] + ends[-1]) / 2, ends[-1])


def best_question(
    fault: Fault, noted: Mapping[str, float], confirmed: Confirmed | None = None, skip: Collection[str] = ()
) -> Asked | None:
    """The reading not known whose answer, at either end, would move the chances most; none that is worth asking.

    :param skip: readings that nobody can tell.

    >>> from .faults import fault
    >>> best_question(fault("kulfi-stuck"), {}).reading
    'freezing-hours'
    """
    now = {one.cause.key: one.chance for one in weigh(fault, noted, confirmed)}
    best: Asked | None = None
    for reading in fault.readings:
        if reading in noted or reading in skip:
            continue
        answers = answers_of(fault.evidence(reading))
        moves = 0.0
        for value in (answers[0], answers[-1]):
            then = weigh(fault, {**noted, reading: value}, confirmed)
            moves += sum(abs(one.chance - now[one.cause.key]) for one in then) / 2
        if moves >= LEAST_MOVE and (best is None or moves > best.moves):
            best = Asked(reading=reading, answers=answers, moves=moves)
    return best
