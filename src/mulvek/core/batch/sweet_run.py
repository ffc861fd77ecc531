"""A sweet as it is made: its steps side by side, what was weighed, and when hands are due. A pure function.

Timers of a sweet run over hours and days (setting, soaking, freezing); they follow from its events alone, so that a
reload, a restart or a wrong tap changes nothing that is not taken back.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Literal

from ..messages.figures import say
from ..messages.message import Message
from ..planning.sweets.formula import COOKED_DOWN, LIT, slot_of
from ..planning.sweets.habits import Habit
from ..planning.sweets.plan import ListRow
from ..planning.sweets.steps import FRIED, PlannedStep
from ..ranges import Range
from .attention import Class, Hushed, Missed, Nudge, Snoozed, attended
from .cooking import Cooking, cookings
from .events import (
    Abandoned,
    BaseWeighed,
    Begun,
    Event,
    FaultFound,
    Gone,
    LeftWeighed,
    Note,
    Paused,
    PiecesCounted,
    Resumed,
    RowWeighed,
    StepBegun,
    StepDone,
    StepWeighed,
    Undo,
    Weighed,
)
from .log import Log
from .pauses import away_s, pause_nudge, paused_since

StepPhase = Literal["waits", "ready", "running", "done"]


CAN_HAPPEN = (
    Begun, StepBegun, StepDone, StepWeighed, Gone, Paused, Resumed, RowWeighed, BaseWeighed, Weighed, PiecesCounted, LeftWeighed, Note, FaultFound, Abandoned, Undo, Missed, Snoozed, Hushed
)  # fmt: skip


@dataclass(frozen=True, slots=True, kw_only=True)
class SweetRun:
    """What was planned: steps, the weighing list, what was told. kg."""

    sweet: str
    one: str
    many: str
    steps: tuple[PlannedStep, ...]
    rows: tuple[ListRow, ...]
    told_kg: Range
    told_pieces: Range
    each_kg: float
    stop_kg: float | None
    gives_kg: Mapping[str, float] = field(default_factory=dict)
    """What comes out of those steps in which something is lost, as told; former releases kept none."""
    habit: Habit | None = None
    """What its finished weight tells of this kitchen's hands, as told."""


@dataclass(frozen=True, slots=True, kw_only=True)
class StepNow:
    """A step with where it stands; ``due_s`` from now until its time is up (below zero: over)."""

    planned: PlannedStep
    phase: StepPhase
    began_at_s: float | None
    done_at_s: float | None
    due_s: float | None
    waits_for: tuple[str, ...]
    cooking: Cooking | None = None
    left_s: Range | None = None
    """s that it still takes, by what it weighed midway."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SweetState:
    """Where it stands. ``row_kg``: each line of the weighing list as told now; ``bases``: what came off weighed,
    by slot and batch."""

    steps: tuple[StepNow, ...]
    rows: tuple[float | None, ...]
    row_kg: tuple[float, ...]
    bases: Mapping[str, Mapping[int, BaseWeighed]]
    told_kg: Range
    told_pieces: Range
    stop_kg: float | None
    weighed_kg: float | None
    counted: int | None
    given_up: bool
    done: bool
    paused_at_s: float | None
    nudges: tuple[Nudge, ...]
    said: str
    burners: Mapping[str, int]
    """On which its steps on the fire were begun, while they run."""
    pans: Mapping[str, int]
    """In which they were begun, while they run."""
    facts: Mapping[str, tuple[str, ...]]
    """What hands are told at a step, where it is no more what the plan told."""

    @property
    def finished(self) -> bool:
        """Nothing more is to be done."""
        return self.given_up or (self.done and (self.weighed_kg is not None or self.counted is not None))

    @property
    def on_fire(self) -> bool:
        """A step of its own is on a burner; its bases are batches of their own."""
        return bool(self.burners) and self.paused_at_s is None


def sweet_state(log: Log, now_s: float) -> SweetState:
    """The batch at ``now_s``; events later than that are not yet known."""
    run: SweetRun = log.plan
    counted = log.known(now_s)
    began: dict[str, float] = {}
    done: dict[str, float] = {}
    rows: list[float | None] = [None] * len(run.rows)
    row_kg = [row.kg for row in run.rows]
    bases: dict[str, dict[int, BaseWeighed]] = {}
    told_kg, told_pieces, stop_kg = run.told_kg, run.told_pieces, run.stop_kg
    planned = run.steps
    weighed: float | None = None
    pieces: int | None = None
    given_up = False
    on: dict[str, int] = {}
    pans: dict[str, int] = {}
    facts: dict[str, tuple[str, ...]] = {}
    begun: dict[str, StepBegun] = {}
    midway: dict[str, tuple[float, StepWeighed]] = {}
    for event in counted:
        match event.what:
            case StepBegun(step, burner, pan):
                began[step] = event.at_s
                begun[step] = event.what
                if burner is not None:
                    on[step] = burner
                if pan is not None:
                    pans[step] = pan
                for before in _ended_by(run, step, began, done):
                    done[before] = event.at_s
            case StepDone(step):
                began.setdefault(step, event.at_s)
                done[step] = event.at_s
            case StepWeighed(step):
                midway[step] = event.at_s, event.what
            case RowWeighed(row, kg) if row < len(rows):
                rows[row] = kg
            case BaseWeighed() as base:
                bases.setdefault(base.slot, {})[base.batch] = base
                began.setdefault(base_step(base.slot), event.at_s)
                if base.whole:
                    done[base_step(base.slot)] = event.at_s
                if base.told_kg is not None and base.told_pieces is not None:
                    told_kg, told_pieces, stop_kg = base.told_kg, base.told_pieces, base.stop_kg
                    row_kg = [was if now is None else now for was, now in zip(row_kg, base.rows_kg, strict=True)]
                    planned = _retimed(planned, base.steps_s)
                    facts |= {s.key: said for s, said in zip(planned, base.facts, strict=False) if said is not None}
            case Weighed(kg):
                weighed = kg
            case PiecesCounted(count):
                pieces = count
            case Abandoned():
                given_up = True
            case _:
                pass
    for step, how in begun.items():  # a pan of its own has its own minutes, whatever was weighed since
        planned = tuple(_lasting(s, how.takes_s) if how.takes_s and s.key == step else s for s in planned)
        if how.facts is not None:
            facts[step] = how.facts
    share = told_kg.likely / run.told_kg.likely if run.told_kg.likely else 1.0
    gives = {key: kg * share for key, kg in run.gives_kg.items()}
    gives |= {base_step(slot): sum(b.mass_kg for b in parts.values()) for slot, parts in bases.items()}
    if stop_kg is not None and COOKED_DOWN in gives:
        gives[COOKED_DOWN] = stop_kg
    lines_kg = [told if is_ is None else is_ for told, is_ in zip(row_kg, rows, strict=True)]
    cooks = cookings(planned, run.rows, lines_kg, gives, told_kg.likely)
    steps = tuple(
        _midway(_step(s, began, done, counted, now_s), cooks.get(s.key), midway.get(s.key), counted, now_s)
        for s in planned
    )
    paused = paused_since(counted)
    said = [(e.at_s, e.what) for e in counted if isinstance(e.what, Missed | Snoozed | Hushed)]
    all_done = all(s.phase == "done" for s in steps)
    return SweetState(
        steps=steps,
        rows=tuple(rows),
        row_kg=tuple(row_kg),
        bases=bases,
        told_kg=told_kg,
        told_pieces=told_pieces,
        stop_kg=stop_kg,
        weighed_kg=weighed,
        counted=pieces,
        given_up=given_up,
        done=all_done,
        paused_at_s=paused,
        nudges=() if given_up else attended(_nudges(steps, paused, now_s), said),
        said=_difference(run, told_kg, told_pieces, weighed, pieces),
        burners={} if given_up else _held(steps, on),
        pans={} if given_up else _held(steps, pans),
        facts=facts,
    )


def _held(steps: Sequence[StepNow], by: Mapping[str, int]) -> dict[str, int]:
    """What the steps that run stand on, or in."""
    return {s.planned.key: by[s.planned.key] for s in steps if s.phase == "running" and s.planned.key in by}


def _ended_by(run: SweetRun, step: str, began: Mapping[str, float], done: Mapping[str, float]) -> list[str]:
    """What a step that begins brings to its end: what it comes after and still runs. A base ends when it is weighed."""
    after = next((s.after for s in run.steps if s.key == step), ())
    bases = {s.key for s in run.steps if s.base}
    return [key for key in after if key in began and key not in done and key not in bases]


def _retimed(steps: tuple[PlannedStep, ...], seconds: Sequence[Range | None]) -> tuple[PlannedStep, ...]:
    """The steps with what each takes now; those of an older release told nothing of it."""
    if not seconds:
        return steps
    return tuple(s if now is None else _lasting(s, now) for s, now in zip(steps, seconds, strict=True))


def _lasting(step: PlannedStep, seconds: Range) -> PlannedStep:
    """The step with other minutes; of one in loads so many as these are."""
    each = step.load_s
    loads = max(1, round((seconds.likely - step.heats_s) / each)) if step.loads > 1 and each else step.loads
    return replace(step, seconds=seconds, loads=loads)


def _step(
    planned: PlannedStep,
    began: Mapping[str, float],
    done: Mapping[str, float],
    counted: Sequence[Event],
    now_s: float,
) -> StepNow:
    start, end = began.get(planned.key), done.get(planned.key)
    waits = tuple(key for key in planned.after if key not in done)
    phase: StepPhase
    if end is not None:
        phase = "done"
    elif start is not None:
        phase = "running"
    else:
        phase = "waits" if waits else "ready"
    due = start + planned.seconds.likely - now_s if phase == "running" and start is not None else None
    if due is not None and start is not None and planned.fire and not planned.base:
        # what is off the fire for a while stands still; what sets or freezes goes on
        due += away_s(counted, start, now_s)
    return StepNow(planned=planned, phase=phase, began_at_s=start, done_at_s=end, due_s=due, waits_for=waits)


def _midway(
    step: StepNow,
    cooking: Cooking | None,
    weighed: tuple[float, StepWeighed] | None,
    counted: Sequence[Event],
    now_s: float,
) -> StepNow:
    """The step with what is known of its cooking down; by a weight midway its end is another."""
    step = replace(step, cooking=cooking)
    if (
        cooking is None
        or weighed is None
        or step.began_at_s is None
        or step.due_s is None
        or weighed[0] < step.began_at_s
    ):
        return step
    at_s, what = weighed
    gone = at_s - step.began_at_s - away_s(counted, step.began_at_s, at_s)
    kg = what.mass_kg + (0.0 if what.late_in else cooking.late_kg)
    left = cooking.left_s(step.planned.seconds, gone, kg)
    since = now_s - at_s - away_s(counted, at_s, now_s)
    now = Range(*(max(0.0, end - since) for end in (left.low, left.likely, left.high)))
    return replace(step, due_s=left.likely - since, left_s=now)


def _nudges(steps: Sequence[StepNow], paused_s: float | None, now_s: float) -> list[Nudge]:
    """A running step whose time is up asks for hands; one on the fire more firmly than one that sets or freezes."""
    made = [] if paused_s is None else [pause_nudge(paused_s)]
    for step in steps:
        if step.due_s is None or step.planned.base or (step.planned.fire and paused_s is not None):
            continue
        kind: Class = "hazard" if step.planned.fire else "care"
        check, step_said = step.planned.check, step.planned.say.rstrip(".")
        says = Message("step-check", check=check) if check else Message("step-over", step=step_said)
        due = now_s + step.due_s
        made += _load_nudge(step, now_s)
        made.append(Nudge(key=step.planned.key, episode="0", kind=kind, due_at_s=due, says=says, answer="step_done"))
    return made


LOAD_SHOWN_S = 180.0


def _load_nudge(step: StepNow, now_s: float) -> list[Nudge]:
    """A load that is done makes room for the next; shown for a while, as the next one's clock runs on from it."""
    each, loads, heats = step.planned.load_s, step.planned.loads, step.planned.heats_s
    if loads < 2 or step.due_s is None:
        return []
    gone = step.planned.seconds.likely - step.due_s
    done = int(max(0.0, gone - heats - min(LOAD_SHOWN_S, each / 2)) // each) + 1
    if done >= loads:
        return []
    return [
        Nudge(
            key=f"{step.planned.key}-load",
            episode=str(done),
            kind="care",
            due_at_s=now_s + heats + done * each - gone,
            says=Message(
                "load-fried" if step.planned.key == FRIED else "load-boiled", done=done, loads=loads, next=done + 1
            ),
            answer="load_seen",
        )
    ]


def _difference(run: SweetRun, told_kg: Range, told_pieces: Range, weighed: float | None, pieces: int | None) -> str:
    """What it gave beside what was told, in words."""
    said = []
    if weighed is not None:
        if told_kg.low <= weighed <= told_kg.high:
            said.append("It weighs as told.")
        elif weighed < told_kg.low:
            said.append(f"{say(told_kg.likely - weighed, 'mass')} less than told: drier, or more stayed in the pan.")
        else:
            said.append(f"{say(weighed - told_kg.likely, 'mass')} more than told: it is wetter, so it keeps shorter.")
    if pieces is not None:
        likely = round(told_pieces.likely)
        word = run.one if pieces == 1 else run.many
        said.append(
            f"{pieces} {word}, as told." if pieces == likely else f"{pieces} {word} where {likely} were told."
        )
    return " ".join(said)


def is_of(step: PlannedStep, slot: str) -> bool:
    """Whether this step is done by what is made for this slot."""
    return slot_of(step.follows) == slot if slot in LIT else step.key == base_step(slot)


def step_of(steps: Sequence[StepNow], slot: str) -> StepNow | None:
    """The step that begins when what is made for this slot is lit."""
    return next((s for s in steps if is_of(s.planned, slot)), None)


def may_leave(run: SweetRun) -> list[Literal["sauce", "dough"]]:
    """What of it can be left over besides its bases and its syrup: a sauce of its own, a dough."""
    keys = [step.key for step in run.steps]
    found: list[Literal["sauce", "dough"]] = ["sauce"] if any(key.startswith("part.") for key in keys) else []
    return [*found, "dough"] if "dough" in keys or "knead" in keys else found


def base_step(slot: str) -> str:
    """The step that makes a base of this letter."""
    return f"base-{slot}"
