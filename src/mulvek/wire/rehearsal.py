"""JSON of a rehearsal: the board of lessons, each vessel with what can be done to it, and the account at the end."""

from collections.abc import Sequence
from typing import Annotated, Literal

from pydantic import Field

from ..core.batch.channels import CHANNELS
from ..core.batch.events import AcidPoured, LidMoved, SkinFolded
from ..core.equipment.quantities import Measures, parse
from ..core.errors import BadInput
from ..core.rehearsal.account import Slip
from ..core.rehearsal.happenings import RehearsalOnly
from ..core.rehearsal.instruments import read
from ..core.rehearsal.lessons import Lesson
from ..core.rehearsal.score import Score
from ..core.rehearsal.world import World
from ..core.rehearsal.worlds.several import Several
from .batch import BatchOut
from .caramel import CaramelIn
from .curd import CurdleIn
from .happenings import Key
from .model import Body, Id, Out
from .reduce import ReduceIn
from .strain import StrainIn

Speed = Literal[0, 1, 2, 5, 10, 20, 60]
"""0: its clock stands still."""
MOST_MARKS = 240


class RehearseIn(Body):
    """What is rehearsed: a lesson, an evening of the Book again, or a plan of any kind; one of them. ``seed``: the same seed
    hides the same milk. A lesson has a level and a speed of its own."""

    lesson: str | None = Field(None, max_length=60)
    batch: Id | None = None
    plan: ReduceIn | None = None
    curdle: CurdleIn | None = None
    strain: StrainIn | None = None
    caramel: CaramelIn | None = None
    level: int = Field(2, ge=1, le=4)
    seed: int | None = Field(None, ge=0, le=2**31 - 1)
    speed: Speed | None = None
    key: Key | None = None


class SpeedIn(Body):
    speed: Speed


class JumpIn(Body):
    """On to the next thing that is to be seen, at most so far of the kitchen's time, s."""

    longest_s: int = Field(3600, ge=1, le=86400)


class LidIn(Body):
    do: Literal["lid"]
    on: bool
    key: Key | None = None

    def what(self, measures: Measures) -> RehearsalOnly:
        return LidMoved(self.on)


class FoldIn(Body):
    do: Literal["fold"]
    key: Key | None = None

    def what(self, measures: Measures) -> RehearsalOnly:
        return SkinFolded()


class AcidIn(Body):
    do: Literal["acid"]
    amount: str = Field(max_length=60, description="Lemon juice, like “2 tablespoons” or “15 ml”")
    key: Key | None = None

    def what(self, measures: Measures) -> RehearsalOnly:
        juice = parse(self.amount, default_unit="ml", allow=("volume", "mass"), field="amount", measures=measures)
        kg = juice.value * (1000.0 if juice.dimension == "volume" else 1.0)
        if not 0 < kg <= 1:
            raise BadInput("amount", "lemon-pour-out-of-reach")
        return AcidPoured(kg)


ActIn = Annotated[LidIn | FoldIn | AcidIn, Field(discriminator="do")]


class HandIn(Body):
    act: ActIn


class DoIn(Body):
    """One of the hands that a vessel offers. ``amount`` in the hand's unit (kg, l, s, pieces), what is usual when not given."""

    do: str = Field(max_length=20)
    of: int = Field(0, ge=0, le=9)
    amount: float | None = Field(None, ge=0, le=1000)
    flame: Literal["gentle", "medium", "strong"] | None = None
    key: Key | None = None


class HandOut(Out):
    """Something that can be done now; see ``DoIn``."""

    do: str
    says: str
    unit: str
    usual: float
    most: float
    flames: bool
    ends: bool


class SignOut(Out):
    says: str
    calls: bool


class ShownOut(Out):
    """An instrument of the rehearsal; ``value`` in ``unit``, null when it shows nothing."""

    channel: str
    name: str
    unit: str
    how: str | None
    value: float | None


class VesselOut(Out):
    """One vessel: what is seen, read and can be done, and numbers to draw it by. ``elsewhere_s``: so long the hands are still
    at another."""

    kind: str
    name: str
    done: bool
    waits: bool
    sees: list[SignOut]
    instruments: list[ShownOut]
    hands: list[HandOut]
    view: dict[str, float]
    elsewhere_s: int

    @classmethod
    def of(cls, world: World, shows: Sequence[str], elsewhere_s: int) -> "VesselOut":
        return cls(
            kind=world.kind,
            name=world.name,
            done=world.done,
            waits=bool(getattr(world, "waits", False)),
            sees=[SignOut(says=s.says, calls=bool(s.calls)) for s in world.signs()],
            instruments=[
                ShownOut(
                    channel=key,
                    name=CHANNELS[key].name,
                    unit=CHANNELS[key].unit,
                    how=CHANNELS[key].reads,
                    value=read(world, key),
                )
                for key in shows
            ],
            hands=[
                HandOut(
                    do=h.key,
                    says=h.says,
                    unit=h.unit,
                    usual=h.usual,
                    most=h.most,
                    flames=h.flames,
                    ends=h.ends or h.key == world.ends_with,
                )
                for h in world.hands()
            ],
            view=dict(world.view()),
            elsewhere_s=elsewhere_s,
        )


def vessels_of(world: World, shows: Sequence[str]) -> list[VesselOut]:
    if isinstance(world, Several):
        return [VesselOut.of(vessel, shows, world.elsewhere_s(i)) for i, vessel in enumerate(world.vessels)]
    return [VesselOut.of(world, shows, 0)]


class AwayOut(Out):
    who: str
    left_s: float


class LessonBrief(Out):
    key: str
    name: str
    practises: str
    good: str

    @classmethod
    def of(cls, lesson: Lesson) -> "LessonBrief":
        return cls(key=lesson.key, name=lesson.name, practises=lesson.practises, good=lesson.good)


class RehearsalOut(Out):
    """A rehearsal as it stands. ``passed_s`` of the kitchen's time, which runs ``speed`` times as fast; ``batch``: a pan of
    milk with a plan, as the Stove shows it; ``serve_s``: when it should be on the table."""

    id: int
    name: str
    lesson: LessonBrief | None
    batch: BatchOut | None
    level: int
    level_says: str
    seed: int
    speed: float
    passed_s: float
    serve_s: int | None
    away: AwayOut | None
    vessels: list[VesselOut]
    finished: bool
    points: float | None


class LessonOut(Out):
    """A lesson on the board. ``tries``: points of each, oldest first; ``cost``: what cost most of the last, in points and in
    what happened."""

    key: str
    name: str
    practises: str
    learn: str
    shelf: str
    draws: str
    minutes: int
    best: float | None
    tries: list[float]
    cost: float | None
    cost_says: str


class LessonShelfOut(Out):
    key: str
    name: str


class BecauseOut(Out):
    """A batch of the Book and what was found wrong with it."""

    batch: int
    name: str
    at_s: float
    fault: str


class NextOut(Out):
    """The lesson that is proposed; ``because`` of the Book, or of the lessons themselves when null."""

    lesson: str
    because: BecauseOut | None


class RehearsalLine(Out):
    id: int
    name: str
    created_at_s: float
    level: int
    seed: int
    finished: bool
    points: float | None


class RehearsalsOut(Out):
    levels: list[str]
    shelves: list[LessonShelfOut]
    lessons: list[LessonOut]
    next: NextOut | None
    rehearsals: list[RehearsalLine]


class ActOut(Out):
    at_s: int
    kind: str
    says: str
    flame: str | None


class TraceOut(Out):
    """One vessel along a run: the value that its curve follows, what is drawn and what was seen at each mark, what was done."""

    kind: str
    name: str
    follows: str
    unit: str
    goal: float | None
    began_s: int
    at_s: list[int]
    value: list[float]
    view: list[dict[str, float]]
    sees: list[list[str]]
    acts: list[ActOut]

    @classmethod
    def of(cls, world: World) -> "TraceOut":
        thin = max(1, -(-len(world.marks) // MOST_MARKS))
        marks = [m for i, m in enumerate(world.marks) if i % thin == 0 or i == len(world.marks) - 1]
        follows, unit = world.FOLLOWS
        return cls(
            kind=world.kind,
            name=world.name,
            follows=follows,
            unit=unit,
            goal=world.goal,
            began_s=world.began_s,
            at_s=[m.at_s - world.began_s for m in marks],
            value=[round(m.value, 5) for m in marks],
            view=[{key: round(x, 4) for key, x in m.view.items()} for m in marks],
            sees=[list(m.signs) for m in marks],
            acts=[
                ActOut(at_s=a.at_s - world.began_s, kind=a.kind, says=world.done_as(a), flame=a.flame)
                for a in world.acts
            ],
        )


class RunOut(Out):
    """One run: its score, and each vessel along it."""

    score: Score
    traces: list[TraceOut]

    @classmethod
    def of(cls, world: World, score: Score) -> "RunOut":
        vessels = world.vessels if isinstance(world, Several) else (world,)
        return cls(score=score, traces=[TraceOut.of(vessel) for vessel in vessels])


class NoticeOut(Out):
    """A sign that asked for something: when it was there, and how long the cook took; null: never done."""

    says: str
    at_s: int
    after_s: int | None


class AccountOut(Out):
    """What it came to, what each slip cost, what the senses said, and the same milk in practised hands. ``changed``: the
    lesson is another since; the points stand as they were given."""

    id: int
    name: str
    lesson: LessonBrief | None
    words: ReduceIn | None
    level: int
    level_says: str
    seed: int
    changed: bool
    truth: list[str]
    yours: RunOut
    expert: RunOut
    slips: list[Slip]
    notices: list[NoticeOut]
