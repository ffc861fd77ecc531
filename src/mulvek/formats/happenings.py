"""JSON of what happens to a batch: each happening as it is sent, and what it means to the core."""

from typing import Annotated, Literal

from pydantic import Field

from ..core.batch.attention import Attention, Hushed, Missed, Snoozed
from ..core.batch.events import (
    Abandoned,
    FirstBoil,
    FlameChanged,
    Happening,
    Judged,
    MilkAdded,
    Note,
    Off,
    PanSwapped,
    Paused,
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
from ..core.planning.reduce.plan import Amount, ReducePlan
from ..core.planning.reduce.stops import read_stop
from ..core.properties.density import density_kg_m3
from .model import Body, Id, Name, NoteText, Words
from .reduce import NO_SUGAR, Things

Key = Annotated[
    str,
    Field(min_length=8, max_length=64, pattern=r"^[A-Za-z0-9_-]+$", description="The sender's own, once an event"),
]


class EventBody(Body):
    key: Key | None = None
    at_s: float | None = Field(None, description="When it happened, seconds since the epoch; now when left out")
    waited: bool = Field(False, description="It waited in the browser: its time is taken as near as can be")


class FirstBoilIn(EventBody):
    kind: Literal["first_boil"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return FirstBoil()


class ReadingIn(EventBody):
    """A depth (m), the contents' weight without the pan (kg) or a volume (m³), off the boil; a spoon stage
    (0-7, hot), a temperature (°C, boiling) or degrees Brix (cooled drop)."""

    kind: Literal["reading"]
    how: Literal["depth", "weight", "volume", "spoon", "temperature", "brix"]
    value: float
    sure: bool = Field(False, description="Stand by a reading that looks unlikely")

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Reading(self.how, self.value, self.sure)


class StirredIn(EventBody):
    kind: Literal["stirred"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Stirred()


class SugarInBody(EventBody):
    kind: Literal["sugar_in"]
    mass_kg: float

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return SugarIn(self.mass_kg)


class FlameIn(EventBody):
    kind: Literal["flame_changed"]
    flame: Literal["gentle", "medium", "strong"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return FlameChanged(self.flame)


class OffIn(EventBody):
    kind: Literal["off"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Off()


class WeighedIn(EventBody):
    kind: Literal["weighed"]
    mass_kg: float

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Weighed(self.mass_kg)


class NoteIn(EventBody):
    kind: Literal["note"]
    text: NoteText

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Note(self.text)


class JudgedIn(EventBody):
    """How it turned out once cold."""

    kind: Literal["judged"]
    how: Literal["too thick", "right", "too thin"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Judged(self.how)


class UndoIn(EventBody):
    kind: Literal["undo"]
    event_id: Id

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Undo(self.event_id)


class ScrapedIn(EventBody):
    kind: Literal["scraped"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Scraped()


class StopMovedIn(EventBody):
    """Another goal, in the words of the sentence."""

    kind: Literal["stop_moved"]
    stop: Words

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return StopMoved(read_stop(self.stop, plan.kitchen.measures))


class SugarPlannedIn(EventBody):
    """How much sugar in all is to go in: "110 g", "½ cup"; "none" for none."""

    kind: Literal["sugar_planned"]
    sugar: Words

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        if self.sugar.strip().lower() in NO_SUGAR:
            return SugarPlanned(0.0)
        amount = Amount.read(self.sugar, "sugar", "g", plan.kitchen.measures)
        return SugarPlanned(amount.mass_kg(plan.sugar_kind.bulk_kg_m3))


class MilkAddedIn(EventBody):
    """More of the same milk: "200 ml", "1 cup"."""

    kind: Literal["milk_added"]
    amount: Words
    celsius: float | None = Field(None, description="How warm it is; the kitchen's milk when left out")

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        celsius = plan.kitchen.milk_c if self.celsius is None else self.celsius
        amount = Amount.read(self.amount, "amount", "ml", plan.kitchen.measures)
        return MilkAdded(amount.mass_kg(float(density_kg_m3(plan.milk.parts, plan.kitchen.milk_c))), celsius)


class PanSwappedIn(EventBody):
    kind: Literal["pan_swapped"]
    pan: Id

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        assert things is not None
        return PanSwapped(things.pan(self.pan), self.pan)


class PausedIn(EventBody):
    """Off the fire for a while."""

    kind: Literal["paused"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Paused()


class ResumedIn(EventBody):
    kind: Literal["resumed"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Resumed()


class AbandonedIn(EventBody):
    kind: Literal["abandoned"]

    def happening(self, things: Things | None, plan: ReducePlan) -> Happening:
        return Abandoned()


Slug = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[a-z0-9_-]+$")]


class MissedIn(EventBody):
    """Nobody answered this nudge."""

    kind: Literal["missed"]
    nudge: Slug
    episode: Slug

    def happening(self, things: Things | None = None, plan: ReducePlan | None = None) -> Attention:
        return Missed(self.nudge, self.episode)


class SnoozedIn(EventBody):
    """Seen; ask again in ``seconds``."""

    kind: Literal["snoozed"]
    nudge: Slug
    episode: Slug
    seconds: float

    def happening(self, things: Things | None = None, plan: ReducePlan | None = None) -> Attention:
        return Snoozed(self.nudge, self.episode, self.seconds)


class HushedIn(EventBody):
    """No sounds for what can wait."""

    kind: Literal["hushed"]
    on: bool

    def happening(self, things: Things | None = None, plan: ReducePlan | None = None) -> Attention:
        return Hushed(self.on)


AnyEventIn = (
    FirstBoilIn | ReadingIn | StirredIn | ScrapedIn | SugarInBody | FlameIn | OffIn | WeighedIn | NoteIn | JudgedIn
    | UndoIn | StopMovedIn | SugarPlannedIn | MilkAddedIn | PanSwappedIn | PausedIn | ResumedIn | AbandonedIn
    | MissedIn | SnoozedIn | HushedIn
)  # fmt: skip


class EventIn(Body):
    """One happening."""

    event: Annotated[AnyEventIn, Field(discriminator="kind")]


class PartIn(Body):
    """Part of what boils goes into a pan of its own, on a burner of its own."""

    share: float = Field(description="Share of what stands in the pan, 0.05 to 0.95")
    name: Name
    pan: Id
    burner: Id
    key: Key | None = None


class PourIn(Body):
    """This batch is poured into another that boils."""

    into: Id
    key: Key | None = None
