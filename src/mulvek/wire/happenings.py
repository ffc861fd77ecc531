"""JSON of what happens to a batch of any kind: derived from the happenings themselves, but where a cook's words are read."""

from collections.abc import Mapping
from dataclasses import MISSING, fields
from typing import Annotated, Any, Literal, Union, get_type_hints

from pydantic import Field, create_model

from ..core.batch.events import KINDS as HAPPENINGS
from ..core.batch.events import FaultFound, Happening, MilkAdded, PanSwapped, StopMoved, SugarPlanned, Verdict
from ..core.errors import BadInput, Conflict
from ..core.mending.faults import Fault, fault
from ..core.planning.caramel.shades import SeenShade, Shade
from ..core.planning.reduce.plan import Amount, ReducePlan
from ..core.planning.reduce.stops import read_stop
from ..core.properties.density import density_kg_m3
from .model import Body, Id, Name, NoteText, Slugged, Words
from .reduce import NO_SUGAR, Things

Key = Annotated[
    str,
    Field(min_length=8, max_length=64, pattern=r"^[A-Za-z0-9_-]+$", description="The sender's own, once an event"),
]
Slug = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[a-z0-9_-]+$")]


Answers = Annotated[dict[str, float], Field(max_length=60)]
"""What a cook said of readings, by reading: a number in its unit; 1 for yes and 0 for no."""


def asked_of(found: Fault, answers: Mapping[str, float]) -> dict[str, float]:
    """:raises BadInput: field "answers", when one tells nothing of this fault."""
    for reading in answers:
        if reading not in found.readings:
            known = ", ".join(found.readings)
            raise BadInput("answers", "no-such-mend-reading", reading=reading, known=known)
    return dict(answers)


class EventBody(Body):
    key: Key | None = None
    at_s: float | None = Field(None, description="When it happened, seconds since the epoch; now when left out")
    waited: bool = Field(False, description="It waited in the browser: its time is taken as near as can be")

    def happening(self, things: Things | None, plan: Any) -> Happening:
        """What it means to the core. Most say just what they are."""
        of = HAPPENINGS[self.kind]  # type: ignore[attr-defined]
        return of(
            **{field.name: getattr(self, field.name) for field in fields(of) if field.name in type(self).model_fields}
        )


def _reduced(plan: Any) -> ReducePlan:
    if not isinstance(plan, ReducePlan):
        raise Conflict("kind", "does-not-happen-to-kind")
    return plan


class StopMovedIn(EventBody):
    """Another goal, in the words of the sentence."""

    kind: Literal["stop_moved"]
    stop: Words

    def happening(self, things: Things | None, plan: Any) -> Happening:
        return StopMoved(read_stop(self.stop, _reduced(plan).kitchen.measures))


class SugarPlannedIn(EventBody):
    """How much sugar in all is to go in: "110 g", "½ cup"; "none" for none."""

    kind: Literal["sugar_planned"]
    sugar: Words

    def happening(self, things: Things | None, plan: Any) -> Happening:
        if self.sugar.strip().lower() in NO_SUGAR:
            return SugarPlanned(0.0)
        amount = Amount.read(self.sugar, "sugar", "g", _reduced(plan).kitchen.measures)
        return SugarPlanned(amount.mass_kg(plan.sugar_kind.bulk_kg_m3))


class MilkAddedIn(EventBody):
    """More of the same milk: "200 ml", "1 cup"."""

    kind: Literal["milk_added"]
    amount: Words
    celsius: float | None = Field(None, description="How warm it is; the kitchen's milk when left out")

    def happening(self, things: Things | None, plan: Any) -> Happening:
        kitchen = _reduced(plan).kitchen
        celsius = kitchen.milk_c if self.celsius is None else self.celsius
        amount = Amount.read(self.amount, "amount", "ml", kitchen.measures)
        return MilkAdded(amount.mass_kg(float(density_kg_m3(plan.milk.parts, kitchen.milk_c))), celsius)


class PanSwappedIn(EventBody):
    kind: Literal["pan_swapped"]
    pan: Id

    def happening(self, things: Things | None, plan: Any) -> Happening:
        assert things is not None
        return PanSwapped(things.pan(self.pan), self.pan)


class FaultFoundIn(EventBody):
    """What went wrong with it, and the cause that the cook holds for the true one; empty for none."""

    kind: Literal["fault_found"]
    fault: Slug
    cause: Annotated[str, Field(max_length=40, pattern=r"^[a-z0-9-]*$")] = ""
    answers: Answers = Field(default_factory=dict)
    next_time: bool = Field(False, description="The next plan of its like is to be told of it")

    def happening(self, things: Things | None, plan: Any) -> Happening:
        found = fault(self.fault)
        if self.cause:
            found.cause(self.cause)
        answers = asked_of(found, self.answers)
        return FaultFound(fault=found.key, answers=answers, cause=self.cause, next_time=self.next_time)


IN_WORDS: Mapping[str, type[EventBody]] = {
    "stop_moved": StopMovedIn,
    "sugar_planned": SugarPlannedIn,
    "milk_added": MilkAddedIn,
    "pan_swapped": PanSwappedIn,
    "fault_found": FaultFoundIn,
}
NEVER_SENT = {
    "begun",
    "lit",
    "part_taken",
    "carried",
    "joined",
    "poured_into",
    "base_weighed",
    "taken",
    "lid_moved",
    "skin_folded",
    "acid_poured",
    "hand_did",
}
"""How a batch begins, what happens between two of them, what is only rehearsed: each has an address of its own."""
Letter = Annotated[str, Field(min_length=1, max_length=8, pattern=r"^[A-Z][A-Z0-9]*$")]
Step = Annotated[str, Field(max_length=60)]
_NARROWER: Mapping[tuple[str, str], Any] = {
    ("note", "text"): NoteText,
    ("undo", "event_id"): Id,
    ("judged", "how"): Annotated[Verdict, Slugged],
    ("shade_seen", "shade"): Annotated[SeenShade, Slugged],
    ("shade_moved", "shade"): Annotated[Shade, Slugged],
    ("missed", "nudge"): Slug,
    ("missed", "episode"): Slug,
    ("snoozed", "nudge"): Slug,
    ("snoozed", "episode"): Slug,
    ("step_begun", "step"): Step,
    ("step_done", "step"): Step,
    ("step_weighed", "step"): Step,
    ("row_weighed", "row"): Annotated[int, Field(ge=0, le=200)],
}
NEVER_TYPED = {("reading", "by"), ("step_begun", "takes_s"), ("step_begun", "facts")}
"""Set here, never by the sender."""


def _wire(kind: str, of: type) -> type[EventBody]:
    hints = get_type_hints(of)
    sent: dict[str, Any] = {"kind": (Literal[kind], ...)}
    for field in fields(of):
        if (kind, field.name) not in NEVER_TYPED:
            default = ... if field.default is MISSING else field.default
            sent[field.name] = (_NARROWER.get((kind, field.name), hints[field.name]), default)
    return create_model(f"{of.__name__}In", __base__=EventBody, __doc__=of.__doc__, **sent)


WIRES: Mapping[str, type[EventBody]] = {
    kind: IN_WORDS.get(kind) or _wire(kind, of) for kind, of in HAPPENINGS.items() if kind not in NEVER_SENT
}


class EventIn(Body):
    """One happening."""

    event: Annotated[Union[tuple(WIRES.values())], Field(discriminator="kind")]  # type: ignore[valid-type]  # noqa: UP007


class PartIn(Body):
    """Part of what boils goes into a pan of its own, on a burner of its own."""

    share: float = Field(description="Share of what stands in the pan, 0.05 to 0.95")
    name: Name
    pan: Id
    burner: Id
    key: Key | None = None


class TakeIn(Body):
    """A base of this making is taken from what stands weighed: all of it, or as much as is said."""

    slot: Letter
    batch: Id
    amount: Words = Field("", description='"280 g"; as much as is needed and left when empty')
    key: Key | None = None


class PourIn(Body):
    """This batch is poured into another that boils."""

    into: Id
    key: Key | None = None
