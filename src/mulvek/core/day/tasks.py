"""What a day is made of: tasks with their waits, sweets with their hour, the kitchen's burners, pans, hands and cold room.

Times are whole minutes from the midnight before the first day; masses kg, volumes L.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal

from ..equipment.burners import Flame
from ..errors import BadInput
from ..ranges import Range
from .ahead import Ahead

Hands = Literal["none", "look", "busy", "lock"]
Cold = Literal["room", "fridge", "freezer"]
NoGo = Literal["away", "asleep", "seated"]


@dataclass(frozen=True, slots=True)
class Wait:
    """Between the end of ``task`` and the start of what comes after it: at least and at most so many minutes; none: as
    long as it likes."""

    task: str
    least: int = 0
    most: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Task:
    """One thing to do. ``minutes`` on the burner its sweet was reckoned for; ``every``: of looks; ``run``: one stay of a pan
    on a burner, with the other tasks of that name; ``window``: any of its minutes will do; ``slow``: its longest is
    planned, as nothing makes it quicker; ``step``: of the sweet's own plan."""

    key: str
    step: str
    say: str
    minutes: Range
    after: tuple[Wait, ...] = ()
    hands: Hands = "none"
    every: int = 0
    flame: Flame | None = None
    run: str = ""
    window: bool = False
    slow: bool = False
    helper: bool = False
    fridge_l: float = 0.0
    freezer_l: float = 0.0
    slack: float = 1.0
    """More minutes are planned for it than it likely takes, so many times."""

    @property
    def load(self) -> int:
        """Of one pair of hands' hundred: all for a lock, a look with its walk is 0.7 minutes (day dossier §1).

        >>> Task(key="", step="", say="", minutes=Range.exact(9), hands="look", every=3).load
        24
        """
        match self.hands:
            case "lock":
                return 100
            case "busy":
                return 65
            case "look":
                return min(50, -(-70 // self.every))
        return 0

    @property
    def planned(self) -> int:
        """Minutes that are planned for it, at least one."""
        return max(1, round((self.minutes.high if self.slow else self.minutes.likely) * self.slack))


@dataclass(frozen=True, slots=True, kw_only=True)
class Job:
    """A sweet for the day: its tasks, each after those it waits for, and when it is eaten. ``fresh``: it may be ready so many
    minutes before; ``needs_l``: the fullest pan of each run, so that a pan can be found for it; ``spare``: minutes kept
    before serving beyond what its own chances ask."""

    key: str
    name: str
    due: int
    tasks: tuple[Task, ...]
    at: Cold = "fridge"
    litres: float = 0.0
    fresh: int = 24 * 60
    needs_l: Mapping[str, float] = field(default_factory=dict)
    spare: int = 0
    ahead: tuple[Ahead, ...] = ()
    """What of it can be got ready the evening before."""

    @property
    def last(self) -> str:
        return self.tasks[-1].key


@dataclass(frozen=True, slots=True)
class Hob:
    """A burner; ``factor``: how much longer its heating takes than on the one the sweets were reckoned for."""

    name: str
    factor: float = 1.0


@dataclass(frozen=True, slots=True)
class Pot:
    """A pan and what it holds, L, when as full as milk may stand in it."""

    name: str
    litres: float


@dataclass(frozen=True, slots=True)
class Away:
    """When nothing can be done, from minute to minute; seated, a look is still possible."""

    start: int
    end: int
    kind: NoGo
    name: str = ""


@dataclass(frozen=True, slots=True)
class Shift:
    """When a helper is there."""

    start: int
    end: int


@dataclass(frozen=True, slots=True, kw_only=True)
class DayKitchen:
    """What there is to cook with, from ``start`` to ``end``; ``pans_watched``: at most so many pans on the fire at once;
    ``earliest``: to which minute one could begin earlier at all."""

    hobs: tuple[Hob, ...]
    pots: tuple[Pot, ...]
    start: int
    end: int
    fridge_l: float = 40.0
    freezer_l: float = 12.0
    away: tuple[Away, ...] = ()
    helper: tuple[Shift, ...] = ()
    pans_watched: int = 3
    earliest: int = 0

    def __post_init__(self) -> None:
        if not self.hobs:
            raise BadInput("burners", "day-without-burner")
        if not self.pots:
            raise BadInput("pans", "day-without-pan")
        if not 0 <= self.start < self.end <= MOST_MINUTES:
            raise BadInput("start", "day-start-out-of-reach")
        hours = [*((a.start, a.end) for a in self.away), *((s.start, s.end) for s in self.helper)]
        for start, end in hours:
            if start >= end:
                raise BadInput("hours", "hours-end-before-begin")


MOST_MINUTES = 5 * 1440
MOST_JOBS = 30
"""More sweets than that are no kitchen's day."""


@dataclass(frozen=True, slots=True)
class Day:
    """What is asked: sweets in a kitchen."""

    kitchen: DayKitchen
    jobs: tuple[Job, ...]

    def __post_init__(self) -> None:
        if not self.jobs:
            raise BadInput("sweets", "day-without-sweets")
        if len(self.jobs) > MOST_JOBS:
            raise BadInput("sweets", "too-many-sweets", count=len(self.jobs), most=MOST_JOBS)

    @property
    def tasks(self) -> dict[str, Task]:
        return {task.key: task for job in self.jobs for task in job.tasks}


@dataclass(frozen=True, slots=True)
class Placed:
    """A task of the plan: from minute to minute, on which burner and in which pan when it is on the fire."""

    start: int
    end: int
    hob: int | None = None
    pot: int | None = None


@dataclass(frozen=True, slots=True)
class Plan:
    """Every task with its place; ``late``: minutes by which each sweet is later than wanted, its buffer kept."""

    placed: Mapping[str, Placed]
    late: Mapping[str, int]

    @property
    def lateness(self) -> int:
        return sum(self.late.values())
