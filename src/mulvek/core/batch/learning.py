"""What logged batches teach: a flame's true speed in a pan, as a normal belief about ln(true ÷ model).

Reduction dossier §4 "Learning": normal-normal updating; a cell is one pan on one burner on one flame.
"""

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from ..planning.reduce.plan import Rate, Thickness

FIRST_GUESS_SD = 0.35
SCALE_SD = 0.15
"""1 sd of ln(observed ÷ model) of one finished batch followed by scale (0.20 jug, 0.30 dip-stick)."""
BURNER_SD, PAN_SD = 0.28, 0.21


VERDICTS: Mapping[str, tuple[float, float]] = {"too-thick": (1.2, 0.8), "right": (0.0, 0.5), "too-thin": (-1.2, 0.8)}
"""What a verdict on the cold batch says of ln(true ÷ told thickness), and its sd (dossier §7)."""


def judge_thickness(prior: Thickness, verdicts: Mapping[str, int]) -> Thickness:
    """Belief about this cook's thickness against the model, after so many of each verdict.

    >>> got = judge_thickness(Thickness(), {"too-thick": 2, "right": 1, "too-thin": 1})
    >>> round(got.ln_mean, 4), round(got.ln_sd, 4), got.batches
    (0.1748, 0.3053, 4)
    """
    weight = 1 / prior.ln_sd**2
    total, batches = weight * prior.ln_mean, prior.batches
    for verdict, times in verdicts.items():
        seen, sd = VERDICTS[verdict]
        weight, total, batches = weight + times / sd**2, total + times * seen / sd**2, batches + times
    return Thickness(total / weight, math.sqrt(1 / weight), batches)


@dataclass(frozen=True, slots=True)
class Lesson:
    """What one finished batch says: ln(true ÷ model) and its sd."""

    ln_ratio: float
    ln_sd: float


@dataclass(frozen=True, slots=True)
class Taught:
    """What all lessons of a cell say together: how many they are, their weights 1/sd² summed, and those times the ln
    ratios. Normal beliefs need no more, in whatever order the lessons came.

    >>> Taught.of([Lesson(0.1, 0.5), Lesson(0.2, 0.25)])
    Taught(batches=2, weight=20.0, total=3.6)
    """

    batches: int
    weight: float
    total: float

    @classmethod
    def of(cls, lessons: Sequence[Lesson]) -> "Taught":
        weights = [1 / lesson.ln_sd**2 for lesson in lessons]
        total = sum(w * lesson.ln_ratio for w, lesson in zip(weights, lessons, strict=True))
        return cls(len(lessons), sum(weights), total)


def update(prior: Rate, taught: Taught | None) -> Rate:
    """Belief after more batches.

    >>> got = update(Rate(), Taught.of([Lesson(math.log(r), 0.15) for r in (1.18, 1.07, 1.22)]))
    >>> round(got.ln_mean, 5), round(got.ln_sd, 5), got.batches
    (0.1357, 0.08407, 3)
    """
    if taught is None:
        return prior
    before = 1 / prior.ln_sd**2
    weight = before + taught.weight
    total = prior.ln_mean * before + taught.total
    return Rate(total / weight, math.sqrt(1 / weight), prior.batches + taught.batches)


def pooled_prior(other_cells: Iterable[Taught]) -> Rate:
    """First guess for a new pan or flame on a burner whose other cells are known.

    >>> cells = [[Lesson(math.log(r), 0.15) for r in (1.18, 1.07, 1.22)], [Lesson(math.log(0.94), 0.15)]]
    >>> got = pooled_prior(map(Taught.of, cells))
    >>> round(got.ln_mean, 5), round(got.ln_sd, 5)
    (0.03949, 0.25556)
    """
    precision, total = 1 / BURNER_SD**2, 0.0
    for cell in other_cells:
        if cell.batches:
            weight = 1 / (PAN_SD**2 + 1 / cell.weight)
            precision, total = precision + weight, total + weight * cell.total / cell.weight
    return Rate(total / precision, math.sqrt(1 / precision + PAN_SD**2))
