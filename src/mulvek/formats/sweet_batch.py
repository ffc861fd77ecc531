"""JSON of a sweet on the Stove: begin it, what happens, where it stands."""

from collections.abc import Mapping
from typing import Annotated, Any, Literal

from pydantic import Field

from ..core.batch.attention import Hushed, Missed, Nudge, Snoozed
from ..core.batch.log import Begun, GivenUp, Remark
from ..core.batch.sweet_run import (
    PiecesCounted,
    RowWeighed,
    StepBegun,
    StepEnded,
    StepPhase,
    SweetEvent,
    SweetHappening,
    SweetRun,
    SweetState,
    SweetWeighed,
)
from ..core.equipment.quantities import Measures, in_cups, say
from ..core.planning.sweets.plan import SweetForecast
from ..core.ranges import Range
from ..core.safety.cautions import Caution
from ..core.safety.hazards import HAZARDS
from .batch import LogLine, attention_words
from .curd_batch import GivenUpIn, RemarkIn, TakenBackIn
from .happenings import EventBody, HushedIn, Key, MissedIn, SnoozedIn
from .log import log_lines, undo_id
from .model import Body, Name, Out
from .sweet_words import SweetIn


class SweetBegin(Body):
    """Begin a plan of the Sweets station."""

    name: Name
    plan: SweetIn
    key: Key | None = None


class StepBegunIn(EventBody):
    kind: Literal["step_begun"]
    step: str = Field(max_length=60)

    def happening(self) -> SweetHappening:
        return StepBegun(self.step)


class StepEndedIn(EventBody):
    kind: Literal["step_done"]
    step: str = Field(max_length=60)

    def happening(self) -> SweetHappening:
        return StepEnded(self.step)


class RowWeighedIn(EventBody):
    """A line of the weighing list, kg."""

    kind: Literal["row_weighed"]
    row: int = Field(ge=0, le=200)
    mass_kg: float

    def happening(self) -> SweetHappening:
        return RowWeighed(self.row, self.mass_kg)


class SweetWeighedIn(EventBody):
    kind: Literal["weighed"]
    mass_kg: float

    def happening(self) -> SweetHappening:
        return SweetWeighed(self.mass_kg)


class PiecesCountedIn(EventBody):
    kind: Literal["counted"]
    count: int

    def happening(self) -> SweetHappening:
        return PiecesCounted(self.count)


AnySweetEvent = (
    StepBegunIn | StepEndedIn | RowWeighedIn | SweetWeighedIn | PiecesCountedIn | RemarkIn | TakenBackIn
    | GivenUpIn | MissedIn | SnoozedIn | HushedIn
)  # fmt: skip


class SweetEventIn(Body):
    event: Annotated[AnySweetEvent, Field(discriminator="kind")]

    def happening(self) -> SweetHappening:
        return self.event.happening()  # type: ignore[return-value]


def run_of(f: SweetForecast) -> SweetRun:
    """What is kept of a plan when it goes on the Stove."""
    words = {s.caution for s in f.steps if s.caution} | set(f.plan.sweet.cautions)
    return SweetRun(
        f.plan.sweet.key,
        f.plan.sweet.one,
        f.plan.sweet.many,
        f.steps,
        f.rows,
        f.finished,
        f.pieces,
        f.each_kg,
        f.stop_kg,
        {word: HAZARDS[word] for word in words if word in HAZARDS},
    )


class SweetStepOut(Out):
    """A step as it stands; ``due_s`` from ``now_s`` on (below zero: over)."""

    key: str
    say: str
    phase: StepPhase
    seconds: Range
    hands: bool
    fire: bool
    check: str
    caution: Caution | None
    base: str
    bench: str
    bench_words: dict[str, str]
    began_at_s: float | None
    done_at_s: float | None
    due_s: float | None
    waits_for: list[str]


class SweetRowOut(Out):
    number: int
    name: str
    grams: float
    cups: str
    when: str
    within: str
    weighed_kg: float | None


class SweetBatchOut(Out):
    """A batch as it stands at ``now_s``."""

    id: int
    name: str
    sweet: str
    one: str
    many: str
    created_at_s: float
    now_s: float
    steps: list[SweetStepOut]
    rows: list[SweetRowOut]
    told_kg: Range
    told_pieces: Range
    each_kg: float
    stop_kg: float | None
    weighed_kg: float | None
    counted: int | None
    done: bool
    finished: bool
    given_up: bool
    said: str
    keeping: str
    hushed: bool
    nudges: list[Nudge]
    plan: SweetIn
    log: list[LogLine]
    undo_id: int | None

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        created_at_s: float,
        run: SweetRun,
        plan: SweetIn,
        told: Mapping[str, Any],
        events: tuple[SweetEvent, ...],
        state: SweetState,
        now_s: float,
        measures: Measures,
    ) -> "SweetBatchOut":
        bases = {b["letter"]: b for b in told.get("bases", [])}
        return cls(
            id=id,
            name=name,
            sweet=run.sweet,
            one=run.one,
            many=run.many,
            created_at_s=created_at_s,
            now_s=now_s,
            steps=[
                SweetStepOut(
                    key=s.planned.key,
                    say=s.planned.say,
                    phase=s.phase,
                    seconds=s.planned.seconds,
                    hands=s.planned.hands,
                    fire=s.planned.fire,
                    check=s.planned.check,
                    caution=run.cautions.get(s.planned.caution),
                    base=s.planned.base,
                    bench=bases.get(s.planned.base, {}).get("route", ""),
                    bench_words=bases.get(s.planned.base, {}).get("words", {}),
                    began_at_s=s.began_at_s,
                    done_at_s=s.done_at_s,
                    due_s=s.due_s,
                    waits_for=list(s.waits_for),
                )
                for s in state.steps
            ],
            rows=[
                SweetRowOut(
                    number=i,
                    name=r.name,
                    grams=r.kg * 1e3,
                    cups=in_cups(r.kg, r.bulk_kg_m3, measures),
                    when=r.when,
                    within=r.within,
                    weighed_kg=state.rows[i],
                )
                for i, r in enumerate(run.rows)
            ],
            told_kg=run.told_kg,
            told_pieces=run.told_pieces,
            each_kg=run.each_kg,
            stop_kg=run.stop_kg,
            weighed_kg=state.weighed_kg,
            counted=state.counted,
            done=state.done,
            finished=state.given_up or (state.done and (state.weighed_kg is not None or state.counted is not None)),
            given_up=state.given_up,
            said=state.said,
            keeping=keeping_words(told),
            hushed=any(n.hushed for n in state.nudges),
            nudges=list(state.nudges),
            plan=plan,
            log=log_lines(events, lambda e: _words(e.what, run)),
            undo_id=undo_id(events),
        )


def keeping_words(told: Mapping[str, Any]) -> str:
    """How it keeps, from the answer given when it was begun."""
    keep, frozen = told.get("keeping"), told.get("frozen")
    if not isinstance(keep, dict):
        return ""
    if "words" in keep:
        return str(keep["words"])
    if frozen:  # told by a former release
        return f"Frozen at −18 °C: best within {keep['freezer_weeks']} weeks; never freeze it again."
    return f"In the fridge at or below 5 °C: {keep['fridge_days']} days. In the room: {keep['room_h']} hours at most."


def _words(what: SweetHappening, run: SweetRun) -> str:
    names = {s.key: s.say.split(":")[0].rstrip(".") for s in run.steps}
    match what:
        case Begun():
            return "begun"
        case StepBegun(step):
            return f"{names.get(step, step)}: begun"
        case StepEnded(step):
            return f"{names.get(step, step)}: done"
        case RowWeighed(row, mass_kg):
            name = run.rows[row].name if row < len(run.rows) else "a line"
            return f"{say(mass_kg, 'mass')} of {name} weighed"
        case SweetWeighed(mass_kg):
            return f"gave {say(mass_kg, 'mass')}"
        case PiecesCounted(count):
            return f"{count} {run.one if count == 1 else run.many}"
        case Remark(text):
            return text
        case GivenUp():
            return "given up"
        case Missed() | Snoozed() | Hushed() as attention:
            return attention_words(attention)
        case _:
            return ""
