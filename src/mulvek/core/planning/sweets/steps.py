"""The work of a sweet as a graph of steps with times: what waits for what, what can run side by side."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType

from ...ranges import Range
from .build import Built
from .formula import School

MEETS = "meet"
"""The step in which what was made apart comes together."""
BOILED = "boil"
"""The step in which pieces are boiled in their syrup."""
FRIED = "fry"
"""The step in which they are fried."""
FAT_HEATS_S, FAT_HOT_AGAIN_S = Range(300.0, 480.0, 900.0), Range(30.0, 60.0, 120.0)
"""Until the fat is as hot as it must be, and until it is so again after a load (common practice)."""
BASE_HANDLING_S = {"reduce": 5 * 60.0, "curdle": 55 * 60.0, "hang": 0.0}
"""What a base takes beyond its boiling: pouring out; wait, acid, draining and cooling of chhena."""
_VERBS = {"reduce": "Reduce the milk", "curdle": "Curdle, rinse and drain the milk", "hang": "Hang the yoghurt"}
_SIGNS = {
    "reduce": "The level or the weight named on the Bench.",
    "curdle": "Weigh the chhena: it replaces what was told.",
    "hang": "It holds a spoon and no longer drips. Weigh it.",
}


@dataclass(frozen=True, slots=True)
class Pace:
    """How long a step takes this cook against the table: ln of it, its sd for the next batch, from how many batches."""

    ln_mean: float
    next_sd: float
    batches: int

    def of(self, seconds: Range) -> Range:
        """The same step in these hands: never less sure than the table for having been tried."""
        here = seconds.scaled(math.exp(self.ln_mean))
        tried = Range.lognormal(here.likely, self.next_sd)
        return tried if tried.high - tried.low < here.high - here.low else here


@dataclass(frozen=True, slots=True, kw_only=True)
class PlannedStep:
    """One step: s it takes, keys of what must be done before, whether hands or fire are busy; ``base`` its letter;
    ``follows`` the phase it is of what is lit for it; ``loads`` one after the other, ``seconds`` of all of them, with the
    ``heats_s`` that pass before the first goes in; ``pace`` what these hands take against the table, from ``tried``
    batches."""

    key: str
    say: str
    seconds: Range
    hands: bool
    fire: bool
    after: tuple[str, ...]
    check: str
    caution: str
    base: str = ""
    follows: str = ""
    loads: int = 1
    heats_s: float = 0.0
    pace: float = 1.0
    tried: int = 0

    @property
    def load_s(self) -> float:
        """What one load takes, s."""
        return (self.seconds.likely - self.heats_s) / self.loads


def planned_steps(
    built: Built,
    reckoned: Mapping[str, Range],
    bags: Mapping[str, int],
    loads: Mapping[str, int],
    paces: Mapping[str, Pace] = MappingProxyType({}),
) -> list[PlannedStep]:
    """Bases and sweets that are parts of it first, side by side; then the school's own steps.

    :param reckoned: s of "cook", "fry", "soak", "freeze", "cool", "base.X" and "part.sweet" where they are known. :param bags: into how many a base is parted that hangs.
    :param loads: in how many the pieces of a step go through its pan, one after the other. :param paces: of the school's
        own steps, where these hands are known.
    """
    made: list[PlannedStep] = []
    for b in built.bases:
        if b.ready is not None:
            continue
        extra = BASE_HANDLING_S[b.base.do]
        boil = reckoned.get(f"base.{b.letter}", Range.exact(0.0))
        seconds = Range(boil.low + 0.8 * extra, boil.likely + extra, boil.high + 1.3 * extra)
        made.append(
            PlannedStep(
                key=f"base-{b.letter}",
                say=f"{_VERBS[b.base.do]}{f', in {n} bags' if (n := bags.get(b.letter, 1)) > 1 else ''}.",
                seconds=seconds,
                hands=b.base.do == "reduce",
                fire=b.base.do != "hang",
                after=(),
                check=_SIGNS[b.base.do],
                caution="boil" if b.base.do != "hang" else "cooling",
                base=b.letter,
            )
        )
    for part in built.sides:
        made += _part_steps(part, reckoned)
    waited_for = {key for s in made for key in s.after}
    ready = tuple(s.key for s in made if s.key not in waited_for)
    own = built.school.steps
    meets = any(s.key == MEETS for s in own)
    later = "part." if meets else f"part.{built.school.top.of}." if built.school.top else None
    on_top = tuple(key for key in ready if later and key.startswith(later))
    bases = tuple(key for key in ready if key not in on_top)
    topped = MEETS if meets else next((s.key for s in reversed(own) if s.hands and not isinstance(s.takes, str)), "")
    before: tuple[str, ...] = bases
    for step in built.school.steps:
        seconds = _seconds(step.takes, built.school, reckoned)
        goes = loads.get(step.key, 1)
        if not isinstance(step.takes, str):  # what is reckoned is of all loads
            seconds = seconds.scaled(goes)
        pace = paces.get(step.key)
        after = before if step.after is None else step.after or ()
        if step.after:
            after = (*bases, *step.after)
        if step.key == topped:  # what goes on top, or is cooled apart, is waited for only there
            after = (*after, *on_top)
        made.append(
            PlannedStep(
                key=step.key,
                say=step.say,
                seconds=pace.of(seconds) if pace else seconds,
                hands=step.hands,
                fire=step.fire,
                after=after,
                check=step.check,
                caution=step.caution,
                follows=step.follows,
                loads=goes,
                heats_s=FAT_HEATS_S.likely if step.takes == FRIED else 0.0,
                pace=math.exp(pace.ln_mean) if pace else 1.0,
                tried=pace.batches if pace else 0,
            )
        )
        before = (step.key,)
    return made


NOT_OF_A_PART = ("cool", "freeze")
"""What is made for another sweet goes on into it: it is not cooled or frozen first."""


def _part_steps(part: Built, reckoned: Mapping[str, Range]) -> list[PlannedStep]:
    """The steps of a sweet that goes into another, one after the other: what is boiled down for it is lit as any milk."""
    made: list[PlannedStep] = []
    for inner in part.sides:
        made += _part_steps(inner, reckoned)
    name, key = part.sweet.name, f"part.{part.sweet.key}"
    boil = reckoned.get(key, Range.exact(0.0))
    before = tuple(s.key for s in made[-1:])
    for b in part.bases:
        extra = BASE_HANDLING_S[b.base.do]
        made.append(
            PlannedStep(
                key=f"{key}.base-{b.letter}",
                say=f"{_VERBS[b.base.do]}, for the {name}.",
                seconds=Range(boil.low + 0.8 * extra, boil.likely + extra, boil.high + 1.3 * extra),
                hands=b.base.do == "reduce",
                fire=b.base.do != "hang",
                after=before,
                check=_SIGNS[b.base.do],
                caution="boil" if b.base.do != "hang" else "cooling",
                follows="boiling" if b.base.do == "reduce" else "",
            )
        )
        before = (made[-1].key,)
    for step in part.school.steps:
        if step.takes in NOT_OF_A_PART:
            continue
        cooks = step.takes == "cook"
        made.append(
            PlannedStep(
                key=f"{key}.{step.key}",
                say=f"The {name}: {step.say[:1].lower()}{step.say[1:]}",
                seconds=boil if cooks else _seconds(step.takes, part.school, reckoned),
                hands=step.hands,
                fire=step.fire,
                after=before,
                check=step.check,
                caution=step.caution,
                follows="boiling" if cooks and step.fire else "",
            )
        )
        before = (made[-1].key,)
    return made


def _seconds(takes: float | str, school: School, reckoned: Mapping[str, Range]) -> Range:
    if isinstance(takes, str):
        return reckoned.get(takes, Range.exact(600.0))
    s = takes * 60
    return Range(0.8 * s, s, 1.3 * s)


def by_hand(school: School) -> list[str]:
    """Keys of the steps that go at the pace of a cook's hands: no flame and no cold sets their time."""
    return [
        step.key
        for step in school.steps
        if step.hands and not step.fire and not step.follows and not isinstance(step.takes, str)
    ]


def earliest_s(steps: Sequence[PlannedStep]) -> dict[str, float]:
    """When each step can begin, s from the start, if every pair of hands is free (the Day minds the hands)."""
    begins: dict[str, float] = {}
    ends: dict[str, float] = {}
    for step in steps:
        begins[step.key] = max((ends[key] for key in step.after), default=0.0)
        ends[step.key] = begins[step.key] + step.seconds.likely
    return begins


def total_s(steps: Sequence[PlannedStep], until: str | None = None) -> Range:
    """From the first flame to the end, or to where ``until`` begins; low, likely and high along the longest way."""

    def length(pick: str) -> float:
        ends: dict[str, float] = {}
        for step in steps:
            begins = max((ends[key] for key in step.after), default=0.0)
            if step.key == until:
                return begins
            ends[step.key] = begins + float(getattr(step.seconds, pick))
        return max(ends.values(), default=0.0)

    return Range(length("low"), length("likely"), length("high"))
