"""JSON of a day: its sweets and hours as they are asked, and the plan with its acts. Times are seconds since the epoch."""

import json
import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from pydantic import Field, TypeAdapter

from ..core.day import rules
from ..core.day.chance import chances
from ..core.day.check import faults
from ..core.day.cures import Cure, What, shortages
from ..core.day.detail import job_of
from ..core.day.tasks import (
    MOST_MINUTES,
    Away,
    Cold,
    Day,
    DayKitchen,
    Flame,
    Hands,
    Hob,
    NoGo,
    Placed,
    Plan,
    Pot,
    Shift,
)
from ..core.equipment.vessels import capacity_m3
from ..core.errors import BadInput, Conflict, KitchenError, Unreadable
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.plan import plan_sweet
from ..language.day import UNSAID, act_of, cure_words, late_words, short_words
from .happenings import Key
from .model import Body, Name, Out, Words
from .sweet_words import SweetIn, Things, read_sweet_plan

MOST_SENT = 40
LEAD_MIN = 1440
"""Minutes before the day's start that are reckoned with, so that one may begin earlier."""
AFTER_MIN = 18 * 60
USUAL_LEAD_S = 48 * 3600.0
LONGEST_LEAD_S = 72 * 3600.0


class DaySweetIn(Body):
    """A sweet of the day, in the words of its own sentence; ``due_s`` its own hour of serving, ``spare_min`` minutes that it is
    to be ready before that beyond what it needs."""

    plan: SweetIn
    name: Words = ""
    due_s: float | None = Field(None, ge=0, le=1e11)
    spare_min: int = Field(0, ge=0, le=600)


class AwayIn(Body):
    """Hours in which nothing can be done; seated, a look is still possible."""

    start_s: float = Field(ge=0, le=1e11)
    end_s: float = Field(ge=0, le=1e11)
    kind: NoGo
    name: Words = ""


class HelperIn(Body):
    """Hours in which somebody helps."""

    start_s: float = Field(ge=0, le=1e11)
    end_s: float = Field(ge=0, le=1e11)


class DayIn(Body):
    """The words of the Day's sentence. ``start_s``: nothing is done before; two days before serving, or now, when it is not
    said. ``burners``: how many of the Larder's; all when it is not said."""

    sweets: list[DaySweetIn] = Field(min_length=1, max_length=MOST_SENT)
    serve_s: float = Field(ge=0, le=1e11)
    start_s: float | None = Field(None, ge=0, le=1e11)
    burners: int | None = Field(None, ge=1, le=8)
    pans_watched: int = Field(3, ge=1, le=4)
    fridge_l: float = Field(40.0, ge=1, le=500)
    freezer_l: float = Field(12.0, ge=0, le=500)
    away: list[AwayIn] = Field(default_factory=list, max_length=20)
    helper: list[HelperIn] = Field(default_factory=list, max_length=12)


class DayTaskOut(Out):
    """A task in its place. ``load``: hundredths of a pair of hands; ``hob``, ``pot``: which of the day's; ``stay``: of one pan on
    one burner."""

    key: str
    sweet: int
    step: str
    act: str
    said: bool = Field(description="Somebody lifts a hand for it")
    start_s: float
    end_s: float
    hands: Hands
    load: int
    every: int
    flame: Flame | None
    hob: int | None
    pot: int | None
    stay: str
    cold: Cold


class DaySweetOut(Out):
    """A sweet of the day. ``ready_s``: cold, set, done; ``late_min``: of the hour wanted, its buffer kept; ``chance`` of being on
    time, of simulated days."""

    key: str
    name: str
    due_s: float
    ready_s: float
    late_min: int
    buffer_min: int
    chance: float
    at: Cold


Way = Literal["push", "anew"]
"""When something took longer: all that comes after it is pushed, or the rest of the day is worked out anew."""


class PlacedIn(Body):
    """Where a task of a plan stands."""

    key: Words
    start_s: float = Field(ge=0, le=1e11)
    end_s: float = Field(ge=0, le=1e11)
    hob: int | None = Field(None, ge=0, le=100)
    pot: int | None = Field(None, ge=0, le=1000)


class DayBegin(Body):
    """Begin a day by a plan that was shown: its makings, and the plan to follow. ``planned_at_s``: when it was worked out."""

    name: Name
    query: str = Field("", max_length=8000)
    day: DayIn
    planned_at_s: float = Field(ge=0, le=1e11)
    tasks: list[PlacedIn] = Field(min_length=1, max_length=1000)
    key: Key | None = None


class SlipIn(Body):
    """A task that ends otherwise than planned; of the day as it was seen (``version``). ``take``: the way that is followed."""

    task: Words
    end_s: float = Field(ge=0, le=1e11)
    version: int = Field(ge=1, le=2**31)
    take: Way | None = None


class SittingOut(Out):
    start_s: float
    end_s: float


class DayOut(Out):
    """A plan that the checker passed. ``spare_min``: between the last sweet that is ready and its hour; ``chance`` that all are
    on time; ``said``: which are late, and what there is too little of; ``cost``: the less the better, among plans of one day."""

    start_s: float
    end_s: float
    tasks: list[DayTaskOut]
    sweets: list[DaySweetOut]
    hobs: list[str]
    pots: list[str]
    sittings: list[SittingOut]
    standing_min: int
    spare_min: int
    late_min: int
    chance: float
    said: list[str]
    cost: float
    planned_at_s: float
    burners: int


class CureOut(Out):
    """One change, and by how much the day is late with it."""

    what: What
    of: str
    minutes: int
    said: str
    late_min: int


@dataclass(frozen=True, slots=True)
class _Hours:
    """Minutes of a day and seconds since the epoch; ``origin_s``: the second of its minute 0."""

    origin_s: float

    def minute(self, seconds: float) -> int:
        return round((seconds - self.origin_s) / 60)

    def seconds(self, minute: int) -> float:
        return self.origin_s + minute * 60


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedDay(_Hours):
    """A day as the core plans it, and when it was asked."""

    day: Day
    at_s: float


def read_day(
    body: DayIn,
    shelf: Things,
    now_s: float,
    begun_s: float | None = None,
    ready: Callable[[SweetIn], Mapping[str, ReadyBase]] = lambda _: {},
) -> AskedDay:
    """The day that is asked; ``begun_s``: it began then, and its hours are read as they were; ``ready``: the weighed bases
    that a sweet names.

    :raises KitchenError: naming the sweet and its word, or the hour that cannot be.
    """
    dues = [sweet.due_s or body.serve_s for sweet in body.sweets]
    now_s = now_s if begun_s is None else begun_s
    if min(dues) <= now_s:
        raise BadInput("serve_s", "That hour is over.", "Serve later today, or on another day.")
    first = max(now_s, min(dues) - USUAL_LEAD_S) if body.start_s is None else max(now_s, body.start_s)
    if first >= min(dues):
        raise BadInput("start_s", "It begins when it is eaten already.", "Begin earlier.")
    if max(dues) - first > LONGEST_LEAD_S + 24 * 3600:
        raise BadInput("start_s", "That is a long way ahead.", "Begin at most three days before serving.")
    start_s = math.ceil(first / 300) * 300.0
    hours = _Hours(start_s - LEAD_MIN * 60)
    jobs = []
    for place, (sweet, due) in enumerate(zip(body.sweets, dues, strict=True)):
        words = sweet.plan.model_copy(update={"burner": None})
        try:
            found = job_of(f"{place}", plan_sweet(read_sweet_plan(words, shelf, ready(words))), hours.minute(due))
        except KitchenError as error:
            raise type(error)(f"sweets.{place}.{error.field}", error.message, error.fix) from error
        jobs.append(replace(found, name=sweet.name or found.name, spare=sweet.spare_min))
    kitchen = DayKitchen(
        hobs=_hobs(shelf, body.burners),
        pots=tuple(Pot(p.name, round(capacity_m3(p.shape) * 500, 2)) for p in shelf.pans.values()),
        start=LEAD_MIN,
        end=min(MOST_MINUTES, hours.minute(max(dues)) + AFTER_MIN),
        fridge_l=body.fridge_l,
        freezer_l=body.freezer_l,
        away=tuple(Away(hours.minute(a.start_s), hours.minute(a.end_s), a.kind, a.name) for a in body.away),
        helper=tuple(Shift(hours.minute(h.start_s), hours.minute(h.end_s)) for h in body.helper),
        pans_watched=body.pans_watched,
        earliest=max(0, hours.minute(math.ceil(now_s / 300) * 300.0)),
    )
    return AskedDay(origin_s=hours.origin_s, day=Day(kitchen, tuple(jobs)), at_s=now_s)


_DAY = TypeAdapter(Day)


def written_day(asked: AskedDay) -> dict[str, Any]:
    """A day as it is kept once it began: whatever becomes of the Larder, its work stays what it was."""
    return {
        "day": _DAY.dump_python(asked.day, mode="json"),
        "origin_s": asked.origin_s,
        "at_s": asked.at_s,
    }


def read_written(kept: Mapping[str, Any]) -> AskedDay:
    """:raises Unreadable: field "day", when it is damaged."""
    try:
        day = _DAY.validate_json(json.dumps(kept["day"]))
        return AskedDay(day=day, origin_s=float(kept["origin_s"]), at_s=float(kept["at_s"]))
    except (ValueError, KeyError, TypeError) as error:
        raise Unreadable("day", "This day is damaged in the file.", "Its makings stand on the Stove.") from error


PAN_M = 0.24
"""Base of the pan on which burners are compared."""


def _hobs(shelf: Things, many: int | None) -> tuple[Hob, ...]:
    """Burners with how much longer each takes than the first, for which the sweets are reckoned."""
    burners = list(shelf.burners.values())[: many or None]
    if not burners:
        return ()
    first = burners[0].net_power_w("strong", PAN_M)
    return tuple(Hob(b.name, min(3.0, max(0.5, first / b.net_power_w("strong", PAN_M)))) for b in burners)


def plan_of(asked: AskedDay, tasks: Sequence[PlacedIn | DayTaskOut]) -> Plan:
    """A plan that was shown, read again.

    :raises Conflict: field "tasks", when it cannot be cooked (any more).
    """
    day = asked.day
    placed = {
        task.key: Placed(asked.minute(task.start_s), asked.minute(task.end_s), task.hob, task.pot) for task in tasks
    }
    there = {
        "hob": range(len(day.kitchen.hobs)),
        "pot": range(len(day.kitchen.pots)),
    }
    gone = any(
        (p.hob is not None and p.hob not in there["hob"]) or (p.pot is not None and p.pot not in there["pot"])
        for p in placed.values()
    )
    if gone or placed.keys() != day.tasks.keys():
        raise Conflict("tasks", "That plan is of another day.", "Have it worked out once more.")
    late = {job.key: max(0, placed[job.last].end + rules.buffer(job) - job.due) for job in day.jobs}
    return Plan(placed, late)


def answer_day(asked: AskedDay, plan: Plan, checked: bool = True) -> DayOut:
    """A plan as it is shown; one that slipped is shown even where a wait is longer than it should be."""
    day = asked.day
    if checked and (wrong := faults(day, plan)):
        raise AssertionError(f"a plan that cannot be cooked: {wrong[0]}")
    chance = chances(day, plan)
    order = {job.key: place for place, job in enumerate(day.jobs)}
    tasks = []
    for job in day.jobs:
        for task in job.tasks:
            place = plan.placed[task.key]
            cold: Cold = "fridge" if task.fridge_l else "freezer" if task.freezer_l else "room"
            tasks.append(
                DayTaskOut(
                    key=task.key,
                    sweet=order[job.key],
                    step=task.step,
                    act=act_of(task, place, day),
                    said=task.key.rsplit("/", 1)[-1] not in UNSAID,
                    start_s=asked.seconds(place.start),
                    end_s=asked.seconds(place.end),
                    hands=task.hands,
                    load=task.load,
                    every=task.every,
                    flame=task.flame,
                    hob=place.hob,
                    pot=place.pot,
                    stay=task.run,
                    cold=cold,
                )
            )
    sittings = rules.standing([(t, plan.placed[t.key]) for job in day.jobs for t in job.tasks])
    ready = {job.key: plan.placed[job.last].end for job in day.jobs}
    late = dict(plan.late)
    said = late_words(day.jobs, late)
    return DayOut(
        start_s=asked.seconds(min(p.start for p in plan.placed.values())),
        end_s=asked.seconds(max(job.due + late[job.key] for job in day.jobs)),
        tasks=sorted(tasks, key=lambda t: (t.start_s, t.end_s)),
        sweets=[
            DaySweetOut(
                key=job.key,
                name=job.name,
                due_s=asked.seconds(job.due),
                ready_s=asked.seconds(ready[job.key]),
                late_min=late[job.key],
                buffer_min=rules.buffer(job),
                chance=chance.each[job.key],
                at=job.at,
            )
            for job in day.jobs
        ],
        hobs=[hob.name for hob in day.kitchen.hobs],
        pots=[pot.name for pot in day.kitchen.pots],
        sittings=[SittingOut(start_s=asked.seconds(a), end_s=asked.seconds(b)) for a, b in sittings],
        standing_min=sum(b - a for a, b in sittings),
        spare_min=min(job.due - ready[job.key] for job in day.jobs),
        late_min=plan.lateness,
        chance=chance.all,
        said=said + [short_words(short, day) for short in shortages(day)] if said else [],
        cost=rules.cost(day, dict(plan.placed), late),
        planned_at_s=asked.at_s,
        burners=len(day.kitchen.hobs),
    )


def stays_of(plan: DayOut) -> list[tuple[int, float, float]]:
    """When each burner is lit: which, from, to."""
    found: dict[str, tuple[int, float, float]] = {}
    for task in plan.tasks:
        if task.hob is not None:
            _, start, end = found.get(task.stay, (task.hob, task.start_s, task.end_s))
            found[task.stay] = (task.hob, min(start, task.start_s), max(end, task.end_s))
    return list(found.values())


def answer_cure(cure: Cure, day: Day) -> CureOut:
    return CureOut(what=cure.what, of=cure.of, minutes=cure.minutes, said=cure_words(cure, day), late_min=cure.late)


class LookedOut(Out):
    """One line of a search: a better plan, or a change and what it does; ``over`` when nothing more comes."""

    plan: DayOut | None = None
    cure: CureOut | None = None
    over: bool = False


class DayLine(Out):
    """A day in the list."""

    id: int
    name: str
    serve_s: float
    sweets: list[str]
    query: str


class DaysOut(Out):
    days: list[DayLine]
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


class KeptDayOut(Out):
    """A day that was begun: the plan that is followed, and the making of each sweet."""

    id: int
    version: int
    name: str
    serve_s: float
    query: str
    plan: DayOut
    batches: list[int]


class WayOut(Out):
    """One way on: the plan then, what begins at another time, and waits that are longer than they should be."""

    way: Way
    plan: DayOut
    moved: list[str]
    waits: list[str]


class SlippedOut(Out):
    """What comes of it: everything pushed as far as it must be, and if there is one, the rest worked out anew. The day as it
    is followed, which is as it was unless a way was taken."""

    day: KeptDayOut
    ways: list[WayOut]
