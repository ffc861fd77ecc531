"""JSON of a rehearsal: the batch as the Stove shows it, what the cook sees, and the account at the end."""

from typing import Annotated, Literal

from pydantic import Field

from ..core.batch.events import AcidPoured, LidMoved, SkinFolded
from ..core.equipment.quantities import Measures, parse
from ..core.errors import BadInput
from ..core.rehearsal.account import Lesson
from ..core.rehearsal.happenings import RehearsalOnly
from ..core.rehearsal.pan import SimPan
from ..core.rehearsal.score import Score
from .batch import BatchOut
from .happenings import Key
from .model import Body, Out
from .reduce import ReduceIn

Speed = Literal[1, 2, 5, 10, 20, 60]


class RehearseIn(Body):
    """Rehearse a plan of the Larder's pan and burner. ``seed``: the same seed hides the same milk."""

    plan: ReduceIn
    level: int = Field(2, ge=1, le=4)
    seed: int | None = Field(None, ge=0, le=2**31 - 1)
    speed: Speed = 10
    key: Key | None = None


class SpeedIn(Body):
    speed: Speed


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
            raise BadInput("amount", "That is no pour of lemon juice.", "Give up to a litre.")
        return AcidPoured(kg)


ActIn = Annotated[LidIn | FoldIn | AcidIn, Field(discriminator="do")]


class HandIn(Body):
    act: ActIn


class ShownOut(Out):
    """An instrument of the rehearsal; ``value`` in ``unit``, null when it shows nothing."""

    channel: str
    name: str
    unit: str
    how: str | None
    value: float | None


class AwayOut(Out):
    who: str
    left_s: float


class RehearsalOut(Out):
    """A rehearsal as it stands. ``batch.now_s`` is the kitchen's time, which runs ``speed`` times as fast."""

    id: int
    batch: BatchOut
    level: int
    level_says: str
    seed: int
    speed: float
    sees: list[str]
    away: AwayOut | None
    lid: bool
    instruments: list[ShownOut]
    finished: bool
    points: float | None


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
    rehearsals: list[RehearsalLine]


class ActOut(Out):
    at_s: int
    kind: str
    flame: str | None


class RunOut(Out):
    """One run: its score, what was in the pan along it, and what was done."""

    score: Score
    boiled_at_s: int | None
    at_s: list[int]
    mass_kg: list[float]
    acts: list[ActOut]

    @classmethod
    def of(cls, pan: SimPan, score: Score) -> "RunOut":
        return cls(
            score=score,
            boiled_at_s=pan.boiled_at_s,
            at_s=[m.at_s for m in pan.marks],
            mass_kg=[m.mass_kg for m in pan.marks],
            acts=[ActOut(at_s=a.at_s, kind=a.kind, flame=a.flame) for a in pan.acts],
        )


class AccountOut(Out):
    """What it came to, what each slip cost, and the same milk in practised hands."""

    id: int
    name: str
    words: ReduceIn
    level: int
    level_says: str
    seed: int
    goal_kg: float
    truth: list[str]
    yours: RunOut
    expert: RunOut
    lessons: list[Lesson]
