"""JSON of a curdling or a straining that runs: begin it, what happens, where it stands."""

from typing import Annotated, Literal

from pydantic import Field

from ..core.batch.attention import Hushed, Missed, Nudge, Snoozed
from ..core.batch.curd_run import (
    CurdEvent,
    CurdHappening,
    CurdPlan,
    CurdState,
    CurdWeighed,
    Poured,
    RunningStep,
    StepDone,
    WheyWeighed,
)
from ..core.batch.log import Begun, GivenUp, Remark, TakenBack
from ..core.equipment.quantities import say
from ..core.planning.curdle.forecast import Pieces
from ..core.ranges import Range
from .batch import LogLine, attention_words
from .curd import CurdForecastOut, CurdleIn
from .happenings import EventBody, HushedIn, Key, MissedIn, SnoozedIn
from .log import log_lines, undo_id
from .model import Body, Id, Name, NoteText, Out
from .strain import StrainForecastOut, StrainIn


class CurdleBegin(Body):
    route: Literal["curdle"]
    name: Name
    plan: CurdleIn
    key: Key | None = None


class StrainBegin(Body):
    route: Literal["strain"]
    name: Name
    plan: StrainIn
    key: Key | None = None


class CurdBatchIn(Body):
    """Begin a plan."""

    batch: Annotated[CurdleBegin | StrainBegin, Field(discriminator="route")]


class StepDoneIn(EventBody):
    kind: Literal["step_done"]

    def happening(self) -> CurdHappening:
        return StepDone()


class PouredIn(EventBody):
    """Acid poured now: litres of a liquid, kg of a powder. ``clear``: the whey runs clear."""

    kind: Literal["poured"]
    amount: float
    clear: bool = False

    def happening(self) -> CurdHappening:
        return Poured(self.amount, self.clear)


class WheyWeighedIn(EventBody):
    """All the whey so far, kg."""

    kind: Literal["whey"]
    mass_kg: float

    def happening(self) -> CurdHappening:
        return WheyWeighed(self.mass_kg)


class CurdWeighedIn(EventBody):
    kind: Literal["weighed"]
    mass_kg: float

    def happening(self) -> CurdHappening:
        return CurdWeighed(self.mass_kg)


class RemarkIn(EventBody):
    kind: Literal["note"]
    text: NoteText

    def happening(self) -> CurdHappening:
        return Remark(self.text)


class TakenBackIn(EventBody):
    kind: Literal["undo"]
    event_id: Id

    def happening(self) -> CurdHappening:
        return TakenBack(self.event_id)


class GivenUpIn(EventBody):
    kind: Literal["abandoned"]

    def happening(self) -> CurdHappening:
        return GivenUp()


AnyCurdEvent = (
    StepDoneIn | PouredIn | WheyWeighedIn | CurdWeighedIn | RemarkIn | TakenBackIn
    | GivenUpIn | MissedIn | SnoozedIn | HushedIn
)  # fmt: skip


class CurdEventIn(Body):
    event: Annotated[AnyCurdEvent, Field(discriminator="kind")]


class CurdBatchOut(Out):
    """A batch as it stands at ``now_s``; ``due_s`` of a step counts from then."""

    id: int
    name: str
    route: Literal["curdle", "strain"]
    burner_id: int | None
    created_at_s: float
    now_s: float
    steps: list[RunningStep]
    step: int
    poured: float
    clear: bool
    whey_kg: float | None
    weighed_kg: float | None
    told_kg: Range
    pieces: Pieces | None
    said: str
    given_up: bool
    hushed: bool
    nudges: list[Nudge]
    curdle: CurdForecastOut | None
    strain: StrainForecastOut | None
    log: list[LogLine]
    undo_id: int | None

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        route: Literal["curdle", "strain"],
        created_at_s: float,
        plan: CurdPlan,
        events: tuple[CurdEvent, ...],
        state: CurdState,
        now_s: float,
        burner_id: int | None,
    ) -> "CurdBatchOut":
        told = state.curdle.curd_kg if state.curdle else state.strain.curd_kg if state.strain else Range.exact(0.0)
        return cls(
            id=id,
            name=name,
            route=route,
            burner_id=burner_id,
            created_at_s=created_at_s,
            now_s=now_s,
            steps=list(state.steps),
            step=state.step,
            poured=state.poured,
            clear=state.clear,
            whey_kg=state.whey_kg,
            weighed_kg=state.weighed_kg,
            told_kg=told,
            pieces=state.pieces,
            said=state.said,
            given_up=state.given_up,
            hushed=any(n.hushed for n in state.nudges),
            nudges=list(state.nudges),
            curdle=CurdForecastOut.of(state.curdle) if state.curdle else None,
            strain=StrainForecastOut.of(state.strain) if state.strain else None,
            log=log_lines(events, lambda e: _words(e, state)),
            undo_id=undo_id(events),
        )


def _words(event: CurdEvent, state: CurdState) -> str:
    match event.what:
        case Begun():
            return "begun"
        case StepDone():
            step = next((s.name for s in state.steps if s.done_at_s == event.at_s), "step")
            return f"{step}: done"
        case Poured(amount, clear):
            unit = state.curdle.acid.unit if state.curdle else "ml"
            return f"{amount * 1e3:.0f} {unit} of acid in{', the whey runs clear' if clear else ''}"
        case WheyWeighed(mass_kg):
            return f"{say(mass_kg, 'mass')} of whey"
        case CurdWeighed(mass_kg):
            return f"gave {say(mass_kg, 'mass')}"
        case Remark(text):
            return text
        case GivenUp():
            return "given up"
        case Missed() | Snoozed() | Hushed() as attention:
            return attention_words(attention)
        case _:
            return ""
