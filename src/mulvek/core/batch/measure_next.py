"""What to measure next: of all that is made in this kitchen, which one weighing or timing would narrow the answers most.

By the learner's own sums (day dossier §6): a belief of variance v, seen once more with sd s, has v·s² ÷ (v + s²) left.
"""

import math
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from ..ranges import Z80

Measure = Literal["weigh-reduced", "time-burner", "weigh-curd", "weigh-hung", "time-step"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """Something that could be measured: now known to ``ln_sd``, by one more time with ``seen_sd``; ``uses`` of the newest
    plans rest on it."""

    how: Measure
    key: str
    name: str
    ln_sd: float
    seen_sd: float
    uses: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Worth:
    """Half the width of the 80 % range now and after, as a share of the figure."""

    candidate: Candidate
    now: float
    after: float


def half_width(ln_sd: float) -> float:
    """As a share of the figure: 0.09 is ± 9 %.

    >>> round(half_width(0.07), 3)
    0.094
    """
    return math.expm1(Z80 * ln_sd)


def worth(candidate: Candidate) -> Worth:
    """What one time more would narrow.

    >>> of = Candidate(how="weigh-curd", key="5", name="milk", ln_sd=0.12, seen_sd=0.07, uses=4)
    >>> round(worth(of).now, 2), round(worth(of).after, 2)
    (0.17, 0.08)
    """
    v, s = candidate.ln_sd**2, candidate.seen_sd**2
    after = math.sqrt(v * s / (v + s))
    return Worth(candidate=candidate, now=half_width(candidate.ln_sd), after=half_width(after))


def ranked(candidates: Iterable[Candidate], most: int = 3) -> list[Worth]:
    """Those first that narrow most over all plans that rest on them; what nothing rests on is left out."""
    found = [worth(candidate) for candidate in candidates if candidate.uses]
    found.sort(key=lambda w: (-(w.now - w.after) * w.candidate.uses, w.candidate.how, w.candidate.key))
    return found[:most]
