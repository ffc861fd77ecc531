"""What logged batches teach: a flame's true speed in a pan, a milk's true yield of curd, how thick this cook likes it.

Reduction dossier §4, curd dossier §1, by the learner of the day dossier §6; a cell is one pan on one burner on one flame.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from ..equipment.burners import Burner, Flame
from ..planning.reduce.plan import Rate, Thickness
from ..planning.strain.draining import TAU_LN_SD, Drain
from ..planning.sweets.steps import Pace
from .effects import Effect, Learned, Seen

SCALE_SD = 0.15
"""1 sd of ln(observed ÷ model) of one finished batch followed by scale (0.20 jug, 0.30 dip-stick)."""
BURNER_SD, LEAST_CELL_SD = 0.28, 0.05
LOOKED_AT = 120
"""So many of the newest lessons of a burner, or of a milk: what lies further back weighs nothing any more."""


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
class RateLesson:
    """A lesson with the batch it came from, and its cell."""

    batch: int
    pan: int
    flame: str
    ln_ratio: float
    ln_sd: float


def rate_effects(pan: int, flame: str) -> tuple[Effect, Effect]:
    return ("burner", ""), ("cell", (pan, flame))


@lru_cache(maxsize=64)
def learned_rates(burner: Burner, lessons: tuple[RateLesson, ...]) -> Learned:
    """What the batches of one burner taught, oldest first. A timed burner is known better to begin with."""
    own = min(BURNER_SD, burner.ln_sd or BURNER_SD)

    def prior(effect: Effect) -> float:
        kind, key = effect
        if kind == "burner":
            return own
        flame: Flame = key[1]  # type: ignore[index]
        return max(LEAST_CELL_SD, math.sqrt(max(0.0, burner.first_guess_sd(flame) ** 2 - own**2)))

    return Learned.from_([Seen(x.batch, rate_effects(x.pan, x.flame), x.ln_ratio, x.ln_sd) for x in lessons], prior)


def rate_of(learned: Learned, pan: int, flame: str) -> Rate:
    """What is believed of one pan on that burner on one flame.

    >>> lessons = tuple(RateLesson(n, 2, "medium", math.log(r), 0.15) for n, r in enumerate((1.18, 1.07, 1.22)))
    >>> told = rate_of(learned_rates(Burner("left"), lessons), 2, "medium")
    >>> round(told.ln_mean, 2), round(told.ln_sd, 2), told.batches
    (0.14, 0.08, 3)
    """
    belief = learned.of(rate_effects(pan, flame))
    return Rate(belief.ln_mean, belief.ln_sd, belief.batches)


Keyed = Literal["yield", "drain", "loss", "uptake", "step"]
"""What is learned by a key: a milk, a cloth, a sweet, a step of a sweet."""


@dataclass(frozen=True, slots=True)
class Spread:
    """sd of ln(true ÷ told): of what all of a kitchen's have in common, of one by itself, and of one batch of it."""

    common: float
    own: float
    seen: float

    @property
    def table(self) -> float:
        """Of the table's figure, before any batch."""
        return math.hypot(self.common, self.own)


SPREADS: Mapping[Keyed, Spread] = {
    "yield": Spread(0.05, math.sqrt(0.12**2 - 0.05**2), 0.07),  # the cook's hand, a milk; curd dossier §1
    "drain": Spread(0.20, math.sqrt(TAU_LN_SD**2 - 0.20**2), 0.15),  # how one hangs here, a cloth; curd dossier §9
    "loss": Spread(0.5, 0.3, 0.35),  # the cook, a sweet; day dossier §6
    "uptake": Spread(0.08, 0.12, 0.12),
    "step": Spread(0.25, 0.25, 0.25),  # the cook's hands, a step; practice, the day dossier's buffers
}


@dataclass(frozen=True, slots=True)
class KeyLesson:
    """ln of true ÷ told by the table, as one batch says it of one key."""

    batch: int
    key: str
    ln_ratio: float


@lru_cache(maxsize=32)
def learned_of(family: Keyed, lessons: tuple[KeyLesson, ...]) -> Learned:
    """What batches taught of a family, oldest first: of all of it here, and of each by itself.

    >>> round(learned_of("yield", (KeyLesson(1, "5", math.log(214 / 233)),)).of(effects_of("5")).ln_mean, 4)
    -0.0635
    >>> learned = learned_of("loss", tuple(KeyLesson(n, "kulfi", math.log(1.6)) for n in range(4)))
    >>> [round(math.exp(learned.of(effects_of(sweet)).ln_mean), 2) for sweet in ("kulfi", "rabri")]
    [1.54, 1.37]
    """
    spread = SPREADS[family]
    sds = {"common": spread.common, "own": spread.own}
    seen = [Seen(x.batch, effects_of(x.key), x.ln_ratio, spread.seen) for x in lessons]
    return Learned.from_(seen, lambda effect: sds[effect[0]])


def effects_of(key: str) -> tuple[Effect, Effect]:
    return ("common", ""), ("own", key)


def drain_of(learned: Learned, cloth: str) -> Drain:
    """Of the next hanging in a cloth; the table's own while none was weighed here in any.

    >>> lessons = tuple(KeyLesson(n, "muslin", math.log(r)) for n, r in enumerate((1.3, 1.2, 1.25)))
    >>> mine, other = (drain_of(learned_of("drain", lessons), cloth) for cloth in ("muslin", "paper"))
    >>> round(mine.ln_mean, 2), round(mine.ln_sd, 2), mine.batches, round(other.ln_mean, 2), other.batches
    (0.21, 0.17, 3, 0.07, 0)
    """
    if not learned.used:
        return Drain()
    belief = learned.of(effects_of(cloth), SPREADS["drain"].seen)
    return Drain(belief.ln_mean, min(TAU_LN_SD, belief.next_sd), belief.batches)


def pace_of(learned: Learned, step: str) -> Pace | None:
    """Of one step ("sweet.step") in these hands; None before that step was ever timed here.

    >>> lessons = tuple(KeyLesson(n, "kulfi.fill", math.log(1.5)) for n in range(4))
    >>> pace = pace_of(learned_of("step", lessons), "kulfi.fill")
    >>> round(math.exp(pace.ln_mean), 2), pace.batches, pace_of(learned_of("step", lessons), "kulfi.freeze")
    (1.43, 4, None)
    """
    belief = learned.of(effects_of(step), SPREADS["step"].seen)
    return Pace(belief.ln_mean, belief.next_sd, belief.batches) if belief.batches else None
