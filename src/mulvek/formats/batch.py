"""JSON of a batch: what happens to it, where it stands, its log in words."""

from dataclasses import replace

from pydantic import Field

from ..core.batch.attention import Attention, Hushed, Missed, Nudge, Snoozed
from ..core.batch.channels import CHANNELS
from ..core.batch.events import (
    Abandoned,
    Carried,
    Event,
    FirstBoil,
    FlameChanged,
    Happening,
    Joined,
    Judged,
    Lit,
    MilkAdded,
    Note,
    Off,
    PanSwapped,
    PartTaken,
    Paused,
    PouredInto,
    Reading,
    Resumed,
    Scraped,
    Stirred,
    StopMoved,
    SugarIn,
    SugarPlanned,
    Undo,
    Weighed,
)
from ..core.batch.fold import Fusion, Phase, Point
from ..core.batch.history import History
from ..core.batch.nudges import nudges
from ..core.batch.readings import brix, spoon_stage
from ..core.batch.running import BatchState
from ..core.equipment.burners import Flame
from ..core.equipment.quantities import say
from ..core.planning.reduce.plan import ReducePlan
from ..core.properties.texture import STAGE_SIGNS, STAGES
from ..core.ranges import Range
from ..core.rehearsal.happenings import AcidPoured, LidMoved, SkinFolded
from .happenings import Key
from .model import Body, Name, Out
from .pans import PanOut
from .reduce import ForecastOut, ReduceIn


class BatchIn(Body):
    """Light a plan. ``plan`` names a pan and a burner of the Larder."""

    name: Name
    plan: ReduceIn
    key: Key | None = None


class LogLine(Out):
    event_id: int
    at_s: float
    kind: str
    text: str
    undone: bool
    undone_by: int | None = None
    said_s: float | None = None


class BatchOut(Out):
    """A batch as it stands at ``now_s``; ranges in seconds count from then."""

    id: int
    name: str
    now_s: float
    words: ReduceIn
    milk_name: str
    amount: str
    stop: str
    pan: PanOut
    pan_id: int | None
    burner_id: int | None
    burner_name: str
    phase: Phase
    flame: Flame
    paused_at_s: float | None
    scraped_at_s: float | None
    reheat_s: float
    past_stop_s: float
    hushed: bool
    nudges: list[Nudge]
    spoon_stage: int
    stop_spoon_stage: int
    stop_sign: str
    last_change: str
    celsius: float | None
    brix: float
    sugar_kg: float
    sugar_time: str
    sugar_in_kg: float
    created_at_s: float
    lit_at_s: float | None
    boiled_at_s: float | None
    off_at_s: float | None
    stirred_at_s: float | None
    first_boil_s: Range | None
    to_stop_s: Range | None
    sugar_due_s: Range | None
    depth_m: Range
    stop_depth_m: float
    start_depth_m: float
    volume_m3: float
    concentration: float
    mass_kg: Range
    rate_kg_s: Range | None
    stir_every_s: float | None
    weighed_kg: float | None
    verdict: str | None
    served_kg: Range
    after_boil_s: Range
    depth_keys_m: list[float]
    points: list[Point]
    log: list[LogLine] = Field(description="Newest first")
    earlier: int = Field(description="How many older happenings are told only when this batch is asked for by itself")
    undo_id: int | None

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        created_at_s: float,
        history: History,
        words: ReduceIn,
        told: ForecastOut,
        state: BatchState,
        now_s: float,
        pan_id: int | None,
        burner_id: int | None,
        lines: int | None = None,
    ) -> "BatchOut":
        """``lines``: how many of the newest of its log are told, all when None."""
        plan, begun, counted = state.plan, history.plan, history.counted
        copied = {n: getattr(state, n) for n in cls.model_fields if n in BatchState.__slots__ and n != "points"}
        milk_part = state.mass_kg.likely - state.sugar_in_kg
        return cls(
            **copied,
            id=id,
            name=name,
            now_s=now_s,
            words=words,
            milk_name=plan.milk.name,
            amount=plan.amount.quantity.understood,
            stop=plan.stop.text,
            pan=PanOut.of(pan_id, plan.pan),
            pan_id=pan_id,
            burner_id=burner_id,
            burner_name=plan.burner.name,
            sugar_kg=plan.sugar_kg,
            sugar_time=plan.sugar_time,
            created_at_s=created_at_s,
            nudges=list(nudges(state, now_s)),
            hushed=next((a.on for _, a in reversed(state.said) if isinstance(a, Hushed)), False),
            spoon_stage=spoon_stage(state.contents, flakes=plan.stirring == "folded"),
            stop_spoon_stage=(at_stop := _spoon_at_stop(state)),
            stop_sign=STAGE_SIGNS[at_stop],
            last_change=changed(state.fusions[-1], plan) if state.fusions else "",
            brix=float(brix(state.contents)),
            start_depth_m=told.start_depth_m if plan.pan == begun.pan else _start_depth(plan),
            concentration=plan.base_kg / max(milk_part, 1e-3),
            served_kg=told.served_kg,
            after_boil_s=told.after_boil_s,
            verdict=next((e.what.how for e in reversed(counted) if isinstance(e.what, Judged)), None)
            if Judged.__name__ in state.marks
            else None,
            depth_keys_m=_depth_keys(state, plan.pan.shape.height_m),
            points=list(state.points),
            log=_log(history, state, lines),
            earlier=max(0, len(history.events) - lines) if lines else 0,
            undo_id=next((e.id for e in reversed(history.events) if _undoable(e, history)), None),
        )


class BatchRecord(Out):
    """A batch of the Book: as it went, beside what was told when it was lit."""

    batch: BatchOut
    told: ForecastOut


def _spoon_at_stop(state: BatchState) -> int:
    plan = state.plan
    return spoon_stage(plan.goal_parts.with_water(state.stop_water_kg), flakes=plan.stirring == "folded")


def _start_depth(plan: ReducePlan) -> float:
    """How deep all of it would have stood in the pan it is in now, m."""
    return float(plan.pan.shape.depth_m(plan.base_m3))


def _depth_keys(state: BatchState, height_m: float, keys: int = 7) -> list[float]:
    """Depths a millimetre apart around the expected one: a wet finger's choice of readings."""
    middle = round(state.depth_m.likely, 3)
    return [round(d, 4) for i in range(keys) if 0 < (d := middle + (i - keys // 2) * 1e-3) <= height_m]


def _undoable(event: Event, history: History) -> bool:
    kept = isinstance(event.what, Undo | Lit | Carried | Note | Judged | Attention)
    return not kept and event.id not in history.undone_by


def _log(history: History, state: BatchState, lines: int | None) -> list[LogLine]:
    fusions = {f.event_id: f for f in state.fusions}
    told = [
        LogLine(
            event_id=event.id,
            at_s=event.at_s,
            kind=type(event.what).__name__.lower(),
            text=_words(event, state.plan, fusions.get(event.id)),
            undone=event.id in history.undone_by,
            undone_by=history.undone_by.get(event.id),
            said_s=event.said_s,
        )
        for event in history.events[-lines if lines else None :]
        if not isinstance(event.what, Undo)
    ]
    return sorted(told, key=lambda line: (line.at_s, line.event_id), reverse=True)


def _words(event: Event, plan: ReducePlan, fused: Fusion | None) -> str:
    match event.what:
        case Reading() as reading:
            return _read(reading) + (f", {changed(fused, plan)}" if fused else "")
        case SugarIn(mass_kg):
            return f"{say(mass_kg, 'mass')} of sugar in"
        case FlameChanged(flame):
            return f"{flame} flame"
        case Weighed(mass_kg):
            return f"gave {say(mass_kg, 'mass')}"
        case Note(text):
            return text
        case Judged(how):
            return f"cold it was {how}"
        case StopMoved(stop):
            return f"stop at {stop.text} instead"
        case SugarPlanned(mass_kg):
            return f"{say(mass_kg, 'mass')} of sugar planned" if mass_kg else "no sugar planned"
        case MilkAdded(mass_kg):
            return f"{say(mass_kg, 'mass')} of milk added"
        case PanSwapped(pan):
            return f"moved into {pan.name}"
        case PartTaken(share, to_batch):
            return f"{share * 100:.0f} % taken out into batch {to_batch}"
        case Carried(from_batch):
            return f"parted from batch {from_batch}"
        case Joined(from_batch):
            return f"batch {from_batch} poured in"
        case PouredInto(to_batch):
            return f"poured into batch {to_batch}"
        case LidMoved(on):
            return "lid on" if on else "lid off"
        case AcidPoured(mass_kg):
            return f"{say(mass_kg, 'mass')} of lemon juice in"
        case Missed() | Snoozed() | Hushed() as attention:
            return attention_words(attention)
        case other:
            return _PLAIN.get(type(other), "")


def attention_words(said: Attention) -> str:
    match said:
        case Missed(nudge):
            return f"{_NUDGED.get(nudge, nudge)} was missed"
        case Snoozed(nudge, _, seconds):
            return f"{_NUDGED.get(nudge, nudge)} put off {max(1, round(seconds / 60))} min"
        case Hushed(on):
            return "sounds off for what can wait" if on else "sounds on again"


_PLAIN: dict[type[Happening | SkinFolded], str] = {
    Lit: "lit",
    FirstBoil: "first boil",
    Stirred: "stirred",
    Scraped: "scraped the sides",
    Off: "taken off",
    Paused: "off the fire for a while",
    Resumed: "back on the fire",
    Abandoned: "given up",
    SkinFolded: "skin folded in",
}
_NUDGED = {
    "stir": "the stir",
    "scrape": "the scraping",
    "boilover": "the watch for the boil",
    "flame": "turning down",
    "check": "a reading",
    "chill": "the chilling",
    "sugar": "the sugar",
    "stop": "the stop",
    "paused": "the pause",
}


def _read(reading: Reading) -> str:
    if reading.by in CHANNELS:
        return f"the {CHANNELS[reading.by].name}: {_read(replace(reading, by=''))}"
    match reading.how:
        case "depth":
            return f"read {say(reading.value, 'length')}"
        case "weight":
            return f"weighed {say(reading.value, 'mass')} in the pan"
        case "volume":
            return f"measured {say(reading.value, 'volume')}"
        case "spoon":
            return f"on the spoon it {STAGES[int(reading.value)]}"
        case "temperature":
            return f"read {reading.value:.1f} °C"
        case "brix":
            return f"read {reading.value:.1f} °Bx"


RATE_TOLD, MINUTES_TOLD_S = 0.03, 45.0


def changed(fused: Fusion, plan: ReducePlan) -> str:
    """What a reading changed, and why, in words."""
    minutes = round(abs(fused.later_s) / 60)
    if abs(fused.later_s) < MINUTES_TOLD_S:
        before, after = fused.half_width_s
        return "as I thought" + (f", now ±{after / 60:.0f} min" if before - after > 30 else "")
    later = f"{minutes} min {'later' if fused.later_s > 0 else 'sooner'} than I thought"
    if abs(fused.rate_ratio - 1) >= RATE_TOLD and (fused.rate_ratio < 1) == (fused.later_s > 0):
        return f"{later}: the flame is {'weaker' if fused.rate_ratio < 1 else 'stronger'} than {plan.flame}"
    return f"{later}: there was {'more' if fused.later_s > 0 else 'less'} in the pan"
