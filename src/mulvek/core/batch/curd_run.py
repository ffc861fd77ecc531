"""A curdling or a straining as it runs: its plan and what happened in, where it stands out. A pure function.

As with the pan on the fire, nothing here remembers: undo, late entries, reloads and restarts follow from
folding the events again. Curd dossier §1 (the weighed curd) and §9 (whey weighed on the way).
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from ..errors import BadInput, Conflict
from ..messages.figures import say
from ..messages.message import Message
from ..planning.curdle.forecast import CurdForecast, Pieces, Stage, curdle, pieces_of
from ..planning.curdle.pieces import use
from ..planning.curdle.plan import CurdlePlan
from ..planning.strain.forecast import LONGEST_S, StrainForecast, StrainPlan, drain_lesson, strain
from ..ranges import Range
from .attention import Class, Hushed, Missed, Nudge, Snoozed, attended
from .events import (
    Abandoned,
    Begun,
    Event,
    FaultFound,
    Gone,
    Note,
    Paused,
    Poured,
    Resumed,
    StepDone,
    Taken,
    Undo,
    Weighed,
    WheyWeighed,
)
from .leftovers import check_gone, whey_of
from .log import Log, check_common
from .pauses import away_s, check_pause, pause_nudge, paused_since
from .standing import check_left

CAN_HAPPEN = (
    Begun, StepDone, Paused, Resumed, Poured, WheyWeighed, Weighed, Note, FaultFound, Abandoned, Undo, Missed, Snoozed, Hushed,
    Taken, Gone,
)  # fmt: skip
CurdPlan = CurdlePlan | StrainPlan


@dataclass(frozen=True, slots=True, kw_only=True)
class RunningStep:
    """A step with when it began and ended; ``due_s`` from now until its time is up (below zero: over)."""

    name: str
    seconds: float
    sign: str
    began_at_s: float | None
    done_at_s: float | None
    due_s: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class CurdState:
    """Where it stands. ``step``: number of the running one; len(steps) when all are done."""

    steps: tuple[RunningStep, ...]
    step: int
    poured: float
    clear: bool
    whey_kg: float | None
    weighed_kg: float | None
    pieces: Pieces | None
    said: str
    ln_ratio: float | None
    drain_ln: float | None
    """What a weighed hanging says of its cloth: ln of true ÷ table's time constant of draining."""
    given_up: bool
    paused_at_s: float | None
    nudges: tuple[Nudge, ...]
    curdle: CurdForecast | None
    strain: StrainForecast | None

    @property
    def finished(self) -> bool:
        """Nothing more is to be done."""
        return self.weighed_kg is not None or self.given_up

    @property
    def on_fire(self) -> bool:
        """Milk that comes to the boil stands on its burner."""
        return self.curdle is not None and self.step == 0 and not self.finished and self.paused_at_s is None

    @property
    def told_kg(self) -> Range:
        told = self.curdle or self.strain
        return told.curd_kg if told else Range.exact(0.0)


_told = lru_cache(maxsize=64)(curdle)
_hung = lru_cache(maxsize=64)(strain)
"""What was told of a plan, with the readings that it has, does not change between them: it is reckoned once, not at every
look."""


def curd_state(log: Log, now_s: float) -> CurdState:
    """The batch at ``now_s``; events later than that are not yet known."""
    plan: CurdPlan = log.plan
    counted = log.known(now_s)
    began = next((e.at_s for e in counted if isinstance(e.what, Begun)), None)
    whey = [(e.at_s, e.what.mass_kg) for e in counted if isinstance(e.what, WheyWeighed)]
    poured = [e.what for e in counted if isinstance(e.what, Poured)]
    weighed = next((e.what.mass_kg for e in reversed(counted) if isinstance(e.what, Weighed)), None)
    given_up = any(isinstance(e.what, Abandoned) for e in counted)
    said = [(e.at_s, e.what) for e in counted if isinstance(e.what, Missed | Snoozed | Hushed)]
    curded = hung = None
    if isinstance(plan, CurdlePlan):
        curded = _told(plan)
        stages = list(curded.stages)
    else:
        hung = _hung(replace(plan, readings=_growing(plan, began, whey)))
        stages = [
            Stage("hang", hung.seconds.likely, "it holds a spoon and no longer drips"),
            Stage("weigh", 60.0, "scraped from its cloth"),
        ]
    ends = _step_ends(counted, stages)
    starts = [began, *ends]
    steps = []
    for i, stage in enumerate(stages):
        start = starts[i] if i < len(starts) else None
        end = ends[i] if i < len(ends) else None
        due = start + stage.seconds - now_s if start is not None and end is None else None
        if due is not None and start is not None and stage.name == "to-the-boil":
            due += away_s(counted, start, now_s)
        steps.append(
            RunningStep(
                name=stage.name, seconds=stage.seconds, sign=stage.sign, began_at_s=start, done_at_s=end, due_s=due
            )
        )
    paused = paused_since(counted)
    told = curded.curd_kg if curded else hung.curd_kg if hung else Range.exact(0.0)
    pieces = None
    if isinstance(plan, CurdlePlan) and curded and use(plan.use).piece_kg:
        known = Range.exact(weighed) if weighed is not None else curded.curd_kg
        pieces = pieces_of(plan, known, curded.balance, curded.texture.likely)
    return CurdState(
        steps=tuple(steps),
        step=len(ends),
        poured=sum(p.amount for p in poured),
        clear=any(p.clear for p in poured),
        whey_kg=whey[-1][1] if whey else None,
        weighed_kg=weighed,
        pieces=pieces,
        said=difference(plan, curded, told, weighed) if weighed is not None else "",
        ln_ratio=math.log(weighed / told.likely) if weighed and not given_up else None,
        drain_ln=_drained(log, weighed, began, ends, whey) if weighed and not given_up else None,
        given_up=given_up,
        paused_at_s=paused,
        nudges=() if given_up else attended(_nudges(steps, len(ends), paused, now_s), said),
        curdle=curded,
        strain=hung,
    )


BOILOVER_AHEAD_S = 120.0
SPLIT_WITHIN_S = 150.0
"""Hot curd goes tough: it is strained so long after the acid at the latest (day dossier §3)."""
WEIGH_WITHIN_S = 900.0
_OVER = frozenset(
    ("wait", "acid", "strain", "rinse", "hang", "light-squeeze", "hard-squeeze", "press", "fridge", "weigh", "knead")
)


def _nudges(steps: Sequence[RunningStep], here: int, paused_s: float | None, now_s: float) -> list[Nudge]:
    """What the running step asks for. Milk near the boil and hot curd are hazards; the rest can wait a little."""
    if here >= len(steps) or steps[here].began_at_s is None:
        return []
    if paused_s is not None:
        return [pause_nudge(paused_s)]
    step = steps[here]
    began = step.began_at_s or 0.0
    episode = str(here)
    if step.name == "to-the-boil":
        due = now_s + (step.due_s or 0.0) - min(BOILOVER_AHEAD_S, step.seconds)
        return [
            Nudge(
                key="boilover",
                episode=episode,
                kind="hazard",
                due_at_s=due,
                says=Message("curd-watch-boil"),
                answer="step_done",
            )
        ]
    says = (
        Message(f"over-{step.name}")
        if step.name in _OVER
        else Message("over-otherwise", step=step.name.replace("-", " "))
    )
    within = {"acid": SPLIT_WITHIN_S, "weigh": WEIGH_WITHIN_S}.get(step.name, step.seconds)
    kind: Class = "hazard" if step.name in ("wait", "acid") else "care"
    answer = "weighed" if step.name == "weigh" else "step_done"
    return [Nudge(key=step.name, episode=episode, kind=kind, due_at_s=began + within, says=says, answer=answer)]


def _growing(
    plan: StrainPlan, began_s: float | None, whey: Sequence[tuple[float, float]]
) -> tuple[tuple[float, float], ...]:
    """Readings of the whey that a forecast can lean on: since it was hung, within the days it may hang, never less. A
    former release took others."""
    found: list[tuple[float, float]] = []
    for at, kg in whey:
        seconds = at - (at if began_s is None else began_s)
        if 0 < seconds <= LONGEST_S and (found[-1][1] if found else 0.0) <= kg < plan.mass_kg:
            found.append((seconds, kg))
    return tuple(found)


def _drained(
    log: Log,
    weighed: float,
    began_s: float | None,
    ends: Sequence[float],
    whey: Sequence[tuple[float, float]],
) -> float | None:
    """By the whey weighed on the way, and by what the curd weighs when it is taken down."""
    plan: CurdPlan = log.plan
    if not isinstance(plan, StrainPlan) or began_s is None:
        return None
    down = (ends[0] - began_s, plan.mass_kg - weighed)
    return drain_lesson(plan, [*_growing(plan, began_s, whey), down])


def _step_ends(counted: Sequence[Event], stages: Sequence[Stage]) -> list[float]:
    """When each finished step ended. Weighing the curd ends the weighing and all before it."""
    weighing = next(i for i, s in enumerate(stages) if s.name == "weigh")
    ends: list[float] = []
    for event in counted:
        if isinstance(event.what, StepDone) and len(ends) < len(stages):
            ends.append(event.at_s)
        elif isinstance(event.what, Weighed):
            ends += [event.at_s] * (weighing + 1 - len(ends))
    return ends


def difference(plan: CurdPlan, curded: CurdForecast | None, told: Range, weighed_kg: float) -> str:
    """Why the curd weighs other than told, in words: the likely causes first."""
    if told.low <= weighed_kg <= told.high:
        return "As told."
    less = weighed_kg < told.low
    if curded is None:
        return (
            "Less than told: it hung longer or the yoghurt was thinner."
            if less
            else "More than told: it is wetter; let it hang on."
        )
    dry = curded.balance.curd.total - curded.balance.curd.water
    if less:
        return (
            f"{say(told.likely - weighed_kg, 'mass')} less than told. Milky whey means too little acid or too cool a pan; "
            "clear whey means leaner milk, drier curd, or curd left in the cloth."
        )
    moisture = 1 - dry / weighed_kg
    return (
        f"{say(weighed_kg - told.likely, 'mass')} more than told. If it is all water it stands at {moisture * 100:.0f} % "
        "moisture: drain it further before you knead. Or the milk was richer than its label."
    )


def check_curd_event(log: Log, new: Event) -> None:
    """Refuse what cannot happen to this batch.

    :raises Conflict, BadInput: naming what does not fit.
    """
    if check_common(log, new):
        return
    plan: CurdPlan = log.plan
    what = new.what
    state = curd_state(log, new.at_s)
    most = plan.milk_kg if isinstance(plan, CurdlePlan) else plan.mass_kg
    match what:
        case StepDone() if state.step >= len(state.steps):
            raise Conflict("kind", "all-steps-done")
        case Poured(amount):
            if not isinstance(plan, CurdlePlan):
                raise Conflict("kind", "no-acid-into-yoghurt")
            _within("amount", amount, 2.0 * most)
        case WheyWeighed(mass_kg):
            _within("mass_kg", mass_kg, 2.0 * most if isinstance(plan, CurdlePlan) else 0.999 * most)
            others = ((e.at_s, e.what.mass_kg) for e in log.counted if isinstance(e.what, WheyWeighed))
            if any(kg > mass_kg if at <= new.at_s else kg < mass_kg for at, kg in others):
                raise BadInput("mass_kg", "whey-below-the-last")
        case Weighed(mass_kg):
            _within("mass_kg", mass_kg, most)
        case Paused() | Resumed():
            check_pause(what, state.paused_at_s, state.on_fire)
        case Gone(of="whey"):
            check_gone(log.counted, what, bool(whey_of(log.counted)))
        case Gone(of="syrup"):
            check_gone(log.counted, what, there=False)
        case Taken() | Gone():
            check_left(log, what)
        case _:
            pass


def _within(field: str, value: float, most: float) -> None:
    if not (math.isfinite(value) and 0 < value <= most):
        raise BadInput(field, "amount-not-of-curd", most=most)
