"""What logged batches teach: a flame's true speed in a pan, a milk's true yield of curd, how thick this cook likes it.

Reduction dossier §4, curd dossier §1, by the learner of the day dossier §6; a cell is one pan on one burner on one flame.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache

from ..equipment.burners import Burner, Flame
from ..planning.reduce.plan import Rate, Thickness
from ..planning.strain.draining import TAU_LN_SD, Drain
from ..planning.sweets.habits import HabitName
from ..planning.sweets.steps import Pace
from .effects import Effect, Learned, Seen

SCALE_SD = 0.15
"""1 sd of ln(observed ÷ model) of one finished batch followed by scale (0.20 jug, 0.30 dip-stick)."""
BURNER_SD, LEAST_CELL_SD = 0.28, 0.05
COOK_SD, MILK_SD, CURD_SD = 0.05, math.sqrt(0.12**2 - 0.05**2), 0.07
"""Of ln(true ÷ told) curd: the cook's hand, a milk, and one weighed batch (together the 0.12 of the curd dossier §1)."""
HUNG_SD, CLOTH_SD, DRAINED_SD = 0.20, math.sqrt(TAU_LN_SD**2 - 0.20**2), 0.15
"""Of ln(true ÷ told) time constant of draining: the way one hangs here, a cloth (together the table's 0.35), one hanging."""
HABIT_SD: Mapping[HabitName, float] = {"loss": 0.5, "uptake": 0.08}
HABIT_OF_SWEET_SD: Mapping[HabitName, float] = {"loss": 0.3, "uptake": 0.12}
HABIT_SEEN_SD: Mapping[HabitName, float] = {"loss": 0.35, "uptake": 0.12}
"""Of ln(true ÷ told) of what stays behind, and of what a piece drinks: this cook, one sweet, one time of it."""
HANDS_SD, STEP_SD, TIMED_SD = 0.25, 0.25, 0.25
"""Of ln(taken ÷ told) of a step by hand: the cook's, one step's, and one time of it (practice; the day dossier's buffers)."""
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


@dataclass(frozen=True, slots=True)
class YieldLesson:
    """ln of weighed ÷ told curd of one batch of a milk."""

    batch: int
    milk: int
    ln_ratio: float


@lru_cache(maxsize=8)
def learned_yields(lessons: tuple[YieldLesson, ...]) -> Learned:
    """What weighed curds taught, oldest first: of this cook's hand, and of each milk.

    >>> round(learned_yields((YieldLesson(1, 5, math.log(214 / 233)),)).of(yield_effects(5)).ln_mean, 4)
    -0.0635
    """
    sds = {"cook": COOK_SD, "milk": MILK_SD}
    return Learned.from_(
        [Seen(x.batch, yield_effects(x.milk), x.ln_ratio, CURD_SD) for x in lessons], lambda effect: sds[effect[0]]
    )


def yield_effects(milk: int) -> tuple[Effect, Effect]:
    return ("cook", ""), ("milk", milk)


@dataclass(frozen=True, slots=True)
class DrainLesson:
    """ln of true ÷ table's time constant of one hanging in a cloth."""

    batch: int
    cloth: str
    ln_ratio: float


@lru_cache(maxsize=8)
def learned_drains(lessons: tuple[DrainLesson, ...]) -> Learned:
    """What hangings taught, oldest first: of how one hangs here (its place, its bags), and of each cloth."""
    sds = {"hung": HUNG_SD, "cloth": CLOTH_SD}
    return Learned.from_(
        [Seen(x.batch, drain_effects(x.cloth), x.ln_ratio, DRAINED_SD) for x in lessons],
        lambda effect: sds[effect[0]],
    )


def drain_effects(cloth: str) -> tuple[Effect, Effect]:
    return ("hung", ""), ("cloth", cloth)


def drain_of(learned: Learned, cloth: str) -> Drain:
    """Of the next hanging in a cloth; the table's own while none was weighed here in any.

    >>> lessons = tuple(DrainLesson(n, "muslin", math.log(r)) for n, r in enumerate((1.3, 1.2, 1.25)))
    >>> mine, other = (drain_of(learned_drains(lessons), cloth) for cloth in ("muslin", "paper"))
    >>> round(mine.ln_mean, 2), round(mine.ln_sd, 2), mine.batches, round(other.ln_mean, 2), other.batches
    (0.21, 0.17, 3, 0.07, 0)
    """
    if not learned.used:
        return Drain()
    belief = learned.of(drain_effects(cloth), DRAINED_SD)
    return Drain(belief.ln_mean, min(TAU_LN_SD, belief.next_sd), belief.batches)


@dataclass(frozen=True, slots=True)
class HabitLesson:
    """ln of true ÷ table of what a finished sweet says of its cook's hands."""

    batch: int
    sweet: str
    ln_ratio: float


@lru_cache(maxsize=16)
def learned_habits(name: HabitName, lessons: tuple[HabitLesson, ...]) -> Learned:
    """What finished sweets taught, oldest first: of this cook with any sweet, and with each.

    >>> lessons = tuple(HabitLesson(n, "kulfi", math.log(1.6)) for n in range(4))
    >>> learned = learned_habits("loss", lessons)
    >>> [round(math.exp(learned.of(habit_effects(sweet)).ln_mean), 2) for sweet in ("kulfi", "rabri")]
    [1.54, 1.37]
    """
    sds = {"cook": HABIT_SD[name], "sweet": HABIT_OF_SWEET_SD[name]}
    return Learned.from_(
        [Seen(x.batch, habit_effects(x.sweet), x.ln_ratio, HABIT_SEEN_SD[name]) for x in lessons],
        lambda effect: sds[effect[0]],
    )


def habit_effects(sweet: str) -> tuple[Effect, Effect]:
    return ("cook", ""), ("sweet", sweet)


@dataclass(frozen=True, slots=True)
class StepLesson:
    """ln of taken ÷ told by the table of one step by hand, of one batch; ``step`` is "sweet.step"."""

    batch: int
    step: str
    ln_ratio: float


@lru_cache(maxsize=8)
def learned_hands(lessons: tuple[StepLesson, ...]) -> Learned:
    """What timed steps taught, oldest first: of this cook's hands, and of each step."""
    sds = {"hands": HANDS_SD, "step": STEP_SD}
    return Learned.from_(
        [Seen(x.batch, step_effects(x.step), x.ln_ratio, TIMED_SD) for x in lessons], lambda effect: sds[effect[0]]
    )


def step_effects(step: str) -> tuple[Effect, Effect]:
    return ("hands", ""), ("step", step)


def pace_of(learned: Learned, step: str) -> Pace | None:
    """Of one step in these hands; None before that step was ever timed here.

    >>> lessons = tuple(StepLesson(n, "kulfi.fill", math.log(1.5)) for n in range(4))
    >>> pace = pace_of(learned_hands(lessons), "kulfi.fill")
    >>> round(math.exp(pace.ln_mean), 2), pace.batches, pace_of(learned_hands(lessons), "kulfi.freeze")
    (1.43, 4, None)
    """
    belief = learned.of(step_effects(step), TIMED_SD)
    return Pace(belief.ln_mean, belief.next_sd, belief.batches) if belief.batches else None
