"""What logged batches teach: a flame's true speed in a pan, as a normal belief about ln(true ÷ model).

Reduction dossier §4 "Learning": normal-normal updating; a cell is one pan on one burner on one flame.
"""

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from .bases.plan import Rate, Thickness

FIRST_GUESS_SD = 0.35
SCALE_SD = 0.15
"""1 sd of ln(observed ÷ model) of one finished batch followed by scale (0.20 jug, 0.30 dip-stick)."""
BURNER_SD, PAN_SD = 0.28, 0.21


VERDICTS: Mapping[str, tuple[float, float]] = {"too thick": (1.2, 0.8), "right": (0.0, 0.5), "too thin": (-1.2, 0.8)}
"""What a verdict on the cold batch says of ln(true ÷ told thickness), and its sd (dossier §7)."""


def judge_thickness(prior: Thickness, verdicts: Iterable[str]) -> Thickness:
    """Belief about this cook's thickness against the model, after verdicts.

    >>> got = judge_thickness(Thickness(), ["too thick", "too thick", "right", "too thin"])
    >>> round(got.ln_mean, 4), round(got.ln_sd, 4), got.batches
    (0.1748, 0.3053, 4)
    """
    for verdict in verdicts:
        seen, sd = VERDICTS[verdict]
        gain = prior.ln_sd**2 / (prior.ln_sd**2 + sd**2)
        mean = prior.ln_mean + gain * (seen - prior.ln_mean)
        prior = Thickness(mean, math.sqrt(1 - gain) * prior.ln_sd, prior.batches + 1)
    return prior


@dataclass(frozen=True, slots=True)
class Lesson:
    """What one finished batch says: ln(true ÷ model) and its sd."""

    ln_ratio: float
    ln_sd: float


def update(prior: Rate, lessons: Iterable[Lesson]) -> Rate:
    """Belief after more batches.

    >>> got = update(Rate(), [Lesson(math.log(r), 0.15) for r in (1.18, 1.07, 1.22)])
    >>> round(got.ln_mean, 5), round(got.ln_sd, 5), got.batches
    (0.1357, 0.08407, 3)
    """
    weight = 1 / prior.ln_sd**2
    total, n = prior.ln_mean * weight, prior.batches
    for lesson in lessons:
        w = 1 / lesson.ln_sd**2
        weight, total, n = weight + w, total + w * lesson.ln_ratio, n + 1
    return Rate(total / weight, math.sqrt(1 / weight), n)


def pooled_prior(other_cells: Sequence[Sequence[Lesson]]) -> Rate:
    """First guess for a new pan or flame on a burner whose other cells are known.

    >>> cells = [[Lesson(math.log(r), 0.15) for r in (1.18, 1.07, 1.22)], [Lesson(math.log(0.94), 0.15)]]
    >>> got = pooled_prior(cells)
    >>> round(got.ln_mean, 5), round(got.ln_sd, 5)
    (0.03949, 0.25556)
    """
    precision, total = 1 / BURNER_SD**2, 0.0
    for lessons in filter(None, other_cells):
        spread = 1 / sum(1 / lesson.ln_sd**2 for lesson in lessons)
        mean = spread * sum(lesson.ln_ratio / lesson.ln_sd**2 for lesson in lessons)
        weight = 1 / (PAN_SD**2 + spread)
        precision, total = precision + weight, total + weight * mean
    return Rate(total / precision, math.sqrt(1 / precision + PAN_SD**2))
