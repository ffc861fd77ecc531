"""JSON of a batch: what happens to it, where it stands, its log in words."""

from typing import Annotated, Literal

from pydantic import Field

from ..core.bases.plan import ReducePlan
from ..core.heat import Flame
from ..core.quantities import say
from ..core.ranges import Range
from ..core.stove.events import (
    Event,
    FirstBoil,
    FlameChanged,
    Happening,
    Lit,
    Note,
    Off,
    Reading,
    Stirred,
    SugarIn,
    Undo,
    Weighed,
    standing,
)
from ..core.stove.running import BatchState, Phase, Point
from .larder import PanOut
from .model import Body, Id, Out
from .reduce import ForecastOut, ReduceIn

Key = Annotated[
    str,
    Field(min_length=8, max_length=64, pattern=r"^[A-Za-z0-9_-]+$", description="The sender's own, once an event"),
]


class BatchIn(Body):
    """Light a plan. ``plan`` names a pan and a burner of the Larder."""

    name: str = Field(min_length=1, max_length=60, pattern=r"\S")
    plan: ReduceIn
    key: Key | None = None


class _EventBody(Body):
    key: Key | None = None
    at_s: float | None = Field(None, description="When it happened, seconds since the epoch; now when left out")


class FirstBoilIn(_EventBody):
    kind: Literal["first_boil"]

    def happening(self) -> Happening:
        return FirstBoil()


class ReadingIn(_EventBody):
    """A depth (m), the contents' weight without the pan (kg), or a volume (m³), off the boil."""

    kind: Literal["reading"]
    how: Literal["depth", "weight", "volume"]
    value: float
    sure: bool = Field(False, description="Stand by a reading that looks unlikely")

    def happening(self) -> Happening:
        return Reading(self.how, self.value, self.sure)


class StirredIn(_EventBody):
    kind: Literal["stirred"]

    def happening(self) -> Happening:
        return Stirred()


class SugarInBody(_EventBody):
    kind: Literal["sugar_in"]
    mass_kg: float

    def happening(self) -> Happening:
        return SugarIn(self.mass_kg)


class FlameIn(_EventBody):
    kind: Literal["flame_changed"]
    flame: Literal["gentle", "medium", "strong"]

    def happening(self) -> Happening:
        return FlameChanged(self.flame)


class OffIn(_EventBody):
    kind: Literal["off"]

    def happening(self) -> Happening:
        return Off()


class WeighedIn(_EventBody):
    kind: Literal["weighed"]
    mass_kg: float

    def happening(self) -> Happening:
        return Weighed(self.mass_kg)


class NoteIn(_EventBody):
    kind: Literal["note"]
    text: str = Field(max_length=2000)

    def happening(self) -> Happening:
        return Note(self.text)


class UndoIn(_EventBody):
    kind: Literal["undo"]
    event_id: Id

    def happening(self) -> Happening:
        return Undo(self.event_id)


AnyEventIn = FirstBoilIn | ReadingIn | StirredIn | SugarInBody | FlameIn | OffIn | WeighedIn | NoteIn | UndoIn


class EventIn(Body):
    """One happening."""

    event: Annotated[AnyEventIn, Field(discriminator="kind")]


class LogLine(Out):
    event_id: int
    at_s: float
    kind: str
    text: str
    undone: bool


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
    served_kg: Range
    after_boil_s: Range
    depth_keys_m: list[float]
    points: list[Point]
    log: list[LogLine]
    undo_id: int | None

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        created_at_s: float,
        plan: ReducePlan,
        words: ReduceIn,
        told: ForecastOut,
        events: tuple[Event, ...],
        state: BatchState,
        now_s: float,
        pan_id: int | None,
        burner_id: int | None,
    ) -> "BatchOut":
        copied = {n: getattr(state, n) for n in cls.model_fields if n in BatchState.__slots__ and n != "points"}
        counted = standing(events)
        undoable = [e for e in counted if not isinstance(e.what, Lit | Note)]
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
            start_depth_m=told.start_depth_m,
            concentration=plan.milk_kg / max(milk_part, 1e-3),
            served_kg=told.served_kg,
            after_boil_s=told.after_boil_s,
            depth_keys_m=_depth_keys(state, plan.pan.shape.height_m),
            points=list(state.points),
            log=_log(events, counted, state),
            undo_id=max(undoable, key=lambda e: e.id).id if undoable else None,
        )


class BatchRecord(Out):
    """A batch of the Book: as it went, beside what was told when it was lit."""

    batch: BatchOut
    told: ForecastOut


def _depth_keys(state: BatchState, height_m: float, keys: int = 7) -> list[float]:
    """Depths a millimetre apart around the expected one: a wet finger's choice of readings."""
    middle = round(state.depth_m.likely, 3)
    return [round(d, 4) for i in range(keys) if 0 < (d := middle + (i - keys // 2) * 1e-3) <= height_m]


def _log(events: tuple[Event, ...], counted: list[Event], state: BatchState) -> list[LogLine]:
    standing_ids = {e.id for e in counted}
    expected = {f.event_id: f.expected_depth_m for f in state.fusions}
    lines = [
        LogLine(
            event_id=event.id,
            at_s=event.at_s,
            kind=type(event.what).__name__.lower(),
            text=_words(event, expected),
            undone=event.id not in standing_ids,
        )
        for event in events
        if not isinstance(event.what, Undo)
    ]
    return sorted(lines, key=lambda line: (line.at_s, line.event_id), reverse=True)


def _words(event: Event, expected: dict[int, float]) -> str:
    match event.what:
        case Lit():
            return "lit"
        case FirstBoil():
            return "first boil"
        case Reading("depth", value):
            text = f"read {say(value, 'length')}"
            return text + (f", forecast {say(expected[event.id], 'length')}" if event.id in expected else "")
        case Reading("weight", value):
            return f"weighed {say(value, 'mass')} in the pan"
        case Reading("volume", value):
            return f"measured {say(value, 'volume')}"
        case Stirred():
            return "stirred"
        case SugarIn(mass_kg):
            return f"{say(mass_kg, 'mass')} of sugar in"
        case FlameChanged(flame):
            return f"{flame} flame"
        case Off():
            return "taken off"
        case Weighed(mass_kg):
            return f"gave {say(mass_kg, 'mass')}"
        case Note(text):
            return text
        case _:
            return ""
