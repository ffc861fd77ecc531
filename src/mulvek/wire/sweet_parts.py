"""Composition of the Sweets answer, each as it goes over the wire."""

from pydantic import Field

from ..core.planning.sweets.balance import Level
from ..core.planning.sweets.frozen import FrozenAnswer
from ..core.planning.sweets.steps import PlannedStep
from ..core.ranges import Range
from ..core.safety.keeping import Cooling
from .model import Out


class RowOut(Out):
    """A line of the weighing list: grams, exact and as a cook weighs them, the cook's own measure, grams to buy, and
    when it goes in."""

    key: str
    name: str
    grams: float
    said: str
    cups: str
    buy_grams: float
    when: str
    within: str
    swappable: bool
    lead: bool
    number: int


class BaseOut(Out):
    """A base: what it takes and gives (kg), and the words that open it on the Bench."""

    letter: str
    do: str
    name: str
    start_kg: float
    start_words: str
    goes: int
    made_kg: float
    total_solids: float
    to: float
    unit: str
    ready: bool
    said: str
    route: str
    words: dict[str, str]


class KnobOut(Out):
    place: str
    name: str
    value: float
    unit: str
    low: float | None
    high: float | None
    beyond: bool


class LevelOut(Out):
    """A level with its window (%, None without one) and whether it lies "in", "under" or "over" it."""

    key: str
    name: str
    of: str
    share: Range
    window: list[float] | None
    word: str

    @classmethod
    def of_level(cls, level: Level) -> "LevelOut":
        return cls(
            key=level.key,
            name=level.name,
            of=level.of,
            share=level.share,
            window=list(level.window) if level.window else None,
            word=level.word,
        )


class LimitOut(Out):
    """What there is of a thing, what is used and what stays over, kg; ``limits``: the one that runs out first."""

    key: str
    name: str
    have_kg: float
    used_kg: float
    left_kg: float
    limits: bool


class LeadOut(Out):
    """What to start with: exact kg, kg to buy in whole packs, and how to say it; ``rest_kg`` is left over."""

    name: str
    exact_kg: float
    buy_kg: float
    words: str
    packs: str
    rest_kg: float


class CoolingOut(Out):
    cooling: Cooling
    passes: bool


class KeepingOut(Out):
    """How long at most; ``klass`` its class."""

    klass: str
    why: str
    activity: float
    room_h: int
    fridge_days: int
    freezer_days: int
    words: str


class FrozenOut(Out):
    answer: FrozenAnswer
    mould: str
    kind: str
    shape: dict[str, float]
    volume_m3: float
    depth_m: float
    racks: int


class StepOut(Out):
    step: PlannedStep
    starts_s: float
    facts: list[str] = Field(description="What hands need at it, in words")
