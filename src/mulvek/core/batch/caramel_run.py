"""Caramelised milk as it is made: how hot the sugar is, what goes in next, what it still simmers. A pure function.

The sugar's speed is a belief about ln(true ÷ told time), moved by each temperature read and each shade seen (reduction
dossier §9); the simmering's is another, moved by the pan on the scale.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

from ..errors import BadInput, Conflict, Impossible
from ..messages.figures import say
from ..planning.caramel.forecast import LEFT_SHARE, MASS_LN_SD, CaramelForecast, Opened, Pour, opened
from ..planning.caramel.plan import CaramelPlan
from ..planning.caramel.shades import SeenShade, shade_at
from ..ranges import Range
from .attention import Attention, Hushed, Missed, Snoozed
from .caramel_heat import Trouble, ends_by_itself, melts, taken_off, told_of, trouble_of
from .events import (
    Abandoned,
    Added,
    Event,
    FaultFound,
    Gone,
    Lit,
    Note,
    Off,
    Paused,
    Reading,
    Resumed,
    Scraped,
    ShadeMoved,
    ShadeSeen,
    StepDone,
    Taken,
    Undo,
    Weighed,
)
from .leftovers import check_gone
from .log import Log, check_common
from .pauses import away_s, check_pause, paused_since
from .standing import check_left

CAN_HAPPEN = (
    Lit, Reading, ShadeSeen, ShadeMoved, Scraped, Off, Paused, Resumed, Added, StepDone, Weighed, Note, FaultFound, Abandoned, Undo, Missed, Snoozed, Hushed,
    Taken, Gone,
)  # fmt: skip
CaramelPhase = Literal["melting", "opening", "simmering", "to-weigh", "weighed", "given-up"]
SIMMER_SD = 0.15
READABLE_C = (20.0, 300.0)
MOST_TIMES = 3.0
ALL_IN = 0.02
"""So little short of the milk that was told is all of it: jugs differ."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PourNow:
    """What goes in next: kg of it, the how manieth pour of how many."""

    what: Pour
    mass_kg: float
    number: int
    of: int


@dataclass(frozen=True, slots=True, kw_only=True)
class CaramelState:
    """Where it stands. s from now; °C; kg. ``celsius`` and ``off_in_s`` while the sugar melts; ``ends_c`` where it ends
    by itself if it is taken off now, or was; ``added_kg`` what has gone in; ``left_s`` of the simmering; ``since_s`` the
    last pour, or whatever this phase began with."""

    phase: CaramelPhase
    lit_at_s: float | None
    celsius: Range | None
    read_at_s: float | None
    rise_k_s: float | None
    shade: SeenShade | None
    off_in_s: Range | None
    ends_c: Range
    ends_shade: SeenShade
    trouble: Trouble
    next_pour: PourNow | None
    added_kg: Mapping[Pour, float]
    mixed_kg: float
    in_pan_kg: float | None
    stop_kg: float
    left_s: Range | None
    told_kg: Range
    weighed_kg: float | None
    said: str
    given_up: bool
    since_s: float | None
    paused_at_s: float | None
    wiped_at_s: float | None
    attended: tuple[tuple[float, Attention], ...]
    forecast: CaramelForecast

    @property
    def finished(self) -> bool:
        """Nothing more is to be done."""
        return self.weighed_kg is not None or self.given_up

    @property
    def on_fire(self) -> bool:
        """Its pan stands on its burner; the milk goes in on a low flame or none."""
        return self.phase in ("melting", "opening", "simmering") and self.paused_at_s is None


@lru_cache(maxsize=64)
def _opened(plan: CaramelPlan, butter_kg: float, milk_kg: float, condensed_kg: float) -> Opened:
    """As it stands with what really went in; what is dry enough already is done."""
    try:
        return opened(plan, butter_kg, milk_kg, condensed_kg)
    except Impossible:
        whole = plan.mixed(butter_kg, milk_kg, condensed_kg)
        return Opened(whole, 100.0, whole, 0.0)


@dataclass(frozen=True, slots=True)
class Poured:
    """What has gone in, in how many pours of milk, when the last did, and whether that is all."""

    kg: Mapping[Pour, float]
    pours: int
    last_s: float | None
    all_in: bool


def _poured(counted: Sequence[Event]) -> Poured:
    kg: dict[Pour, float] = {"butter": 0.0, "milk": 0.0, "condensed": 0.0}
    pours, last_s, all_in = 0, None, False
    for event in counted:
        match event.what:
            case Added(what, mass_kg):
                kg[what] += mass_kg
                pours += what == "milk"
                last_s = event.at_s
            case StepDone():
                all_in, last_s = True, event.at_s
            case _:
                pass
    return Poured(kg, pours, last_s, all_in)


def _planned(plan: CaramelPlan, counted: Sequence[Event]) -> CaramelPlan:
    """The plan with the shade that is meant now."""
    shade = next((e.what.shade for e in reversed(counted) if isinstance(e.what, ShadeMoved)), plan.shade)
    return plan if shade == plan.shade else replace(plan, shade=shade)


def _phase(offs: int, simmers: bool, weighed: bool, given_up: bool) -> CaramelPhase:
    if given_up:
        return "given-up"
    if weighed:
        return "weighed"
    if simmers:
        return "to-weigh" if offs > 1 else "simmering"
    return "opening" if offs else "melting"


def caramel_state(log: Log, now_s: float) -> CaramelState:
    """The batch at ``now_s``; events later than that are not yet known."""
    counted = log.known(now_s)
    plan = _planned(log.plan, counted)
    told = told_of(plan)
    lit = next((e.at_s for e in counted if isinstance(e.what, Lit)), None)
    offs = [e.at_s for e in counted if isinstance(e.what, Off)]
    poured = _poured(counted)
    weighed = next((e.what.mass_kg for e in reversed(counted) if isinstance(e.what, Weighed)), None)
    given_up = any(isinstance(e.what, Abandoned) for e in counted)
    next_pour = None if not offs or poured.all_in else _next_pour(told, poured)
    simmers = bool(offs) and next_pour is None
    phase = _phase(len(offs), simmers, weighed is not None, given_up)
    sugar = None if lit is None else melts(plan, counted, lit, offs[0] if offs else now_s)
    melting = sugar if phase == "melting" else None
    if sugar is not None and offs:
        sugar = taken_off(sugar, told)
    after = [e for e in counted if offs and e.at_s > offs[0]]
    ends = ends_by_itself(sugar, after, bool(offs), told)
    since = poured.last_s or (offs[0] if offs else None)
    made = _opened(plan, *(poured.kg.values() if simmers else (plan.butter_kg, plan.milk_kg, plan.condensed_kg)))
    in_pan, left = _simmers(plan, made, counted, since, now_s) if simmers and since is not None else (None, None)
    told_kg = Range.lognormal(float(made.done.total) * (1 - LEFT_SHARE), MASS_LN_SD)
    return CaramelState(
        phase=phase,
        lit_at_s=lit,
        celsius=Range.normal(melting.celsius, melting.sd) if melting else None,
        read_at_s=sugar.read_at_s if sugar else None,
        rise_k_s=melting.rise_k_s if melting else None,
        shade=shade_at(sugar.celsius) if sugar else None,
        off_in_s=melting.off_in_s if melting else None,
        ends_c=ends,
        ends_shade=shade_at(ends.likely),
        trouble=trouble_of(plan, sugar, ends, bool(offs)) if sugar and phase in ("melting", "opening") else "",
        next_pour=next_pour,
        added_kg=poured.kg,
        mixed_kg=plan.caramel_kg + sum(poured.kg.values()),
        in_pan_kg=in_pan,
        stop_kg=float(made.done.total),
        left_s=left if phase == "simmering" else None,
        told_kg=told_kg,
        weighed_kg=weighed,
        said=difference(told_kg, weighed) if weighed is not None else "",
        given_up=given_up,
        paused_at_s=paused_since(counted),
        since_s=offs[1] if phase == "to-weigh" else since,
        wiped_at_s=max((e.at_s for e in counted if isinstance(e.what, Scraped)), default=None),
        attended=tuple((e.at_s, e.what) for e in counted if isinstance(e.what, Missed | Snoozed | Hushed)),
        forecast=told,
    )


def _next_pour(told: CaramelForecast, poured: Poured) -> PourNow | None:
    plan = told.plan
    if plan.butter_kg and not poured.kg["butter"]:
        return PourNow(what="butter", mass_kg=plan.butter_kg, number=1, of=1)
    left = plan.milk_kg - poured.kg["milk"]
    if left > ALL_IN * plan.milk_kg:
        more = max(1, math.ceil(left / told.pour_kg - 5 * ALL_IN))
        mass = min(left, told.pour_kg)
        return PourNow(what="milk", mass_kg=mass, number=poured.pours + 1, of=poured.pours + more)
    if plan.condensed_kg and not poured.kg["condensed"]:
        return PourNow(what="condensed", mass_kg=plan.condensed_kg, number=1, of=1)
    return None


def _simmers(
    plan: CaramelPlan, made: Opened, counted: Sequence[Event], since_s: float, now_s: float
) -> tuple[float, Range]:
    """kg in the pan now, and s that are left."""
    start, stop = float(made.parts.total), float(made.done.total)
    mean, weight = 0.0, 1 / plan.hearth.rate.ln_sd**2
    at_s, at_kg, rated = since_s, start, max(start - stop, 1e-9)
    for event in counted:
        if isinstance(event.what, Reading) and event.what.how == "weight" and event.at_s >= since_s:
            kg, took = event.what.value, event.at_s - at_s - away_s(counted, at_s, event.at_s)
            model = made.seconds * (at_kg - kg) / rated
            if took > 20 and model > 20:
                mean = (mean * weight + math.log(took / model) / SIMMER_SD**2) / (weight + 1 / SIMMER_SD**2)
                weight += 1 / SIMMER_SD**2
            at_s, at_kg = event.at_s, kg
    pace = math.exp(mean)
    gone = rated / made.seconds * (now_s - at_s - away_s(counted, at_s, now_s)) / pace if made.seconds > 0 else 0.0
    kg = max(stop, at_kg - gone) if at_kg > stop else at_kg
    return kg, Range.lognormal(max(0.0, made.seconds * (kg - stop) / rated * pace), 1 / math.sqrt(weight))


def difference(told: Range, weighed_kg: float) -> str:
    """Why it weighs other than told, in words."""
    if told.low <= weighed_kg <= told.high:
        return "As told."
    if weighed_kg < told.low:
        return f"{say(told.likely - weighed_kg, 'mass')} less than told: drier, so it sets firmer cold; warm milk loosens it."
    return f"{say(weighed_kg - told.likely, 'mass')} more than told: it is wetter, pours cold and keeps shorter."


def check_caramel_event(log: Log, new: Event) -> None:
    """Refuse what cannot happen to this batch.

    :raises Conflict, BadInput: naming what does not fit.
    """
    if check_common(log, new):
        return
    what = new.what
    if isinstance(what, Taken | Gone):
        if isinstance(what, Gone) and what.of:
            check_gone(log.counted, what, there=False)
        check_left(log, what)
        return
    state = caramel_state(log, new.at_s)
    phase = state.phase
    plan: CaramelPlan = log.plan
    match what:
        case Reading(how="temperature", value=celsius):
            if phase not in ("melting", "opening"):
                raise Conflict("how", "sugar-no-longer-alone")
            if not READABLE_C[0] <= celsius <= READABLE_C[1]:
                raise BadInput("value", "sugar-temperature-unlikely", celsius=celsius)
        case Reading(how="weight", value=kg):
            if phase != "simmering":
                raise Conflict("how", "weigh-while-it-simmers")
            _within("value", kg, 1.1 * state.mixed_kg)
        case Reading():
            raise Conflict("how", "caramel-reading-kind")
        case ShadeSeen() if phase not in ("melting", "opening"):
            raise Conflict("kind", "shade-set-by-milk")
        case ShadeMoved() if phase != "melting":
            raise Conflict("kind", "shade-set-off-flame")
        case Off() if phase not in ("melting", "simmering"):
            raise Conflict("kind", "caramel-off-flame")
        case Added(what=pour, mass_kg=kg):
            if phase != "opening":
                raise Conflict("kind", "nothing-goes-in-now")
            planned = {"butter": plan.butter_kg, "milk": plan.milk_kg, "condensed": plan.condensed_kg}[pour]
            _within("mass_kg", kg, max(MOST_TIMES * planned, plan.sugar_kg))
        case StepDone() if phase != "opening" or not state.added_kg["milk"] + state.added_kg["condensed"]:
            raise Conflict("kind", "no-milk-poured-yet")
        case Scraped() if phase not in ("melting", "simmering"):
            raise Conflict("kind", "nothing-to-wipe-down")
        case Paused() | Resumed():
            check_pause(what, state.paused_at_s, phase == "simmering")
        case Weighed(kg):
            if phase not in ("simmering", "to-weigh", "weighed"):
                raise Conflict("kind", "not-all-poured-yet")
            _within("mass_kg", kg, state.mixed_kg)
        case _:
            pass


def _within(field: str, kg: float, most: float) -> None:
    if not (math.isfinite(kg) and 0 < kg <= most):
        raise BadInput(field, "weight-not-of-caramel", most=most)
