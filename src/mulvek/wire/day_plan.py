"""JSON of a day's plan: its acts and sweets as they are shown, taken back as they were shown, and a day that is followed."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from pydantic import Field

from ..core.day import rules
from ..core.day.ahead import Do, together
from ..core.day.chance import chances, worth
from ..core.day.check import faults
from ..core.day.cures import Cure, What, shortages
from ..core.day.pins import bound, in_the_way, settle
from ..core.day.search import Errand, Found, Said
from ..core.day.shift import broken_waits, moved
from ..core.day.tasks import (
    Cold,
    Day,
    Hands,
    Placed,
    Plan,
)
from ..core.day.ways import Way, WayOn
from ..core.equipment.burners import Flame
from ..core.errors import BadInput, Conflict, Impossible
from ..language.day import (
    UNSAID,
    act_of,
    ahead_words,
    cure_words,
    fault_words,
    late_words,
    short_words,
    taken_words,
    wait_words,
)
from .day import AskedDay, DayIn, MoveIn, PlacedIn, ShownDay
from .happenings import Key
from .model import Body, Name, Out, Words


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
    after: list["WaitOut"] = Field(default_factory=list)
    helper: bool = Field(False, description="A helper can do it")


class WaitOut(Out):
    """What a task comes after, and how many minutes after it at the least."""

    task: str
    least: int


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


class AheadOut(Out):
    """What can be got ready the evening before, in words."""

    do: Do
    text: str


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
    ahead: list[AheadOut] = Field(default_factory=list, description="What can be got ready the evening before")
    helped: list[SittingOut] = Field(default_factory=list, description="When a helper is there")
    away: list["NoGoOut"] = Field(default_factory=list, description="When nothing can be done, or a glance at most")


class NoGoOut(Out):
    start_s: float
    end_s: float
    seated: bool


class CureOut(Out):
    """One change, and by how much the day is late with it."""

    what: What
    of: str
    minutes: int
    said: str
    late_min: int


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
        raise Conflict("tasks", "plan-of-another-day")
    return Plan(placed, rules.lateness(day, placed))


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
                    after=[WaitOut(task=wait.task, least=wait.least) for wait in task.after],
                    helper=task.helper,
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
        cost=worth(day, plan, chance),
        planned_at_s=asked.at_s,
        burners=len(day.kitchen.hobs),
        ahead=[
            AheadOut(do=one.do, text=ahead_words(one))
            for one in together([one for job in day.jobs for one in job.ahead])
        ],
        helped=[SittingOut(start_s=asked.seconds(s.start), end_s=asked.seconds(s.end)) for s in day.kitchen.helper],
        away=[
            NoGoOut(start_s=asked.seconds(a.start), end_s=asked.seconds(a.end), seated=a.kind == "seated")
            for a in day.kitchen.away
        ],
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
    """One line of a search: a better plan, or a change and what it does; ``said``: there is no solver here, or it proved that
    no plan that is as sure is calmer; ``over`` when nothing more comes."""

    plan: DayOut | None = None
    cure: CureOut | None = None
    said: Said | None = None
    over: bool = False


def looked(asked: AskedDay, found: Found) -> LookedOut:
    """A find of a search as a line."""
    if isinstance(found, Cure):
        return LookedOut(cure=answer_cure(found, asked.day))
    if isinstance(found, Plan):
        return LookedOut(plan=answer_day(asked, found))
    return LookedOut(said=found)


class MovedOut(Out):
    """The plan with a step moved: ``pins``, steps that stay where the cook put them; ``moved``: what begins at another time or
    on another burner than in the plan before."""

    plan: DayOut
    pins: list[str]
    moved: list[str]


def errand_of(asked: AskedDay, body: ShownDay, seconds: float) -> Errand:
    """What is to be looked for, from the plan that is shown.

    :raises Conflict: field "tasks", when that plan is of another day. :raises BadInput: field "pins".
    """
    before = plan_of(asked, body.tasks) if body.tasks else None
    if before is not None and faults(asked.day, before):
        raise Conflict("tasks", "day-plan-broken")
    return Errand(day=asked.day, seconds=seconds, before=before, pins=pins_of(body, before))


def pins_of(body: ShownDay, before: Plan | None) -> dict[str, Placed]:
    """:raises BadInput: field "pins", naming one that is no step of the plan."""
    if body.pins and before is None:
        raise BadInput("pins", "pins-without-plan")
    placed = before.placed if before is not None else {}
    for key in body.pins:
        if key not in placed:
            raise BadInput("pins", "pin-no-such-step", key=key)
    return {key: placed[key] for key in body.pins}


def answer_move(asked: AskedDay, body: MoveIn) -> MovedOut:
    """A step put elsewhere, and the rest worked out around it.

    :raises Impossible: field "task", saying what is in the way. :raises BadInput: naming what cannot be read.
    """
    day, before = asked.day, plan_of(asked, body.tasks)
    if body.task not in before.placed:
        raise BadInput("task", "move-no-such-step", task=body.task)
    if body.hob is not None and body.hob >= len(day.kitchen.hobs):
        raise BadInput("hob", "move-no-such-burner")
    new = bound(day, before, body.task, asked.minute(body.to_s), body.hob)
    pins = pins_of(body, before) | new
    after = settle(day, before, pins)
    if after is None:
        why = in_the_way(day, before, pins)
        raise Impossible("task", fault_words(why[0] if why else ""))
    return MovedOut(plan=answer_day(asked, after), pins=sorted(pins), moved=moved(before, after))


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
    taken: list["TakenOut"] = Field(default_factory=list, description="Ways that were taken when something slipped")


class Taken(Body):
    """A way that was taken, as it is kept: which step ended otherwise, when, by how many minutes than it was planned then."""

    at_s: float
    task: Words
    end_s: float
    way: Way
    of: str = ""
    minutes: int = 0

    def same(self, kept: Mapping[str, Any]) -> bool:
        """It is that one, told again."""
        return all(kept.get(key) == getattr(self, key) for key in ("task", "end_s", "way"))


class TakenOut(Out):
    """A way that was taken, in words."""

    at_s: float
    said: str


def taken_out(plan: DayOut, taken: Taken) -> TakenOut:
    sweet = next((plan.sweets[t.sweet].name for t in plan.tasks if t.key == taken.task), "")
    return TakenOut(at_s=taken.at_s, said=taken_words(sweet, taken.minutes, taken.way, taken.of))


class WayOut(Out):
    """One way on: the plan then, what begins at another time, and waits that are longer than they should be; ``of``: the hours
    that are given up for it."""

    way: Way
    of: str
    plan: DayOut
    moved: list[str]
    waits: list[str]


def answer_way(asked: AskedDay, before: Plan, on: WayOn) -> WayOut:
    told = answer_day(replace(asked, day=on.day), on.plan, checked=False)
    acts = {task.key: task.act for task in told.tasks}
    waits = [wait_words(acts[key], over) for key, over in broken_waits(on.day, on.plan)]
    return WayOut(way=on.way, of=on.of, plan=told, moved=moved(before, on.plan), waits=waits)


class SlippedOut(Out):
    """What comes of it: everything pushed as far as it must be; where that is better, the rest worked out anew, or an hour at
    table given up. The day as it is followed, which is as it was unless a way was taken."""

    day: KeptDayOut
    ways: list[WayOut]
