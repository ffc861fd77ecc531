"""JSON of a day: its sweets and hours as they are asked, and as they are kept. Times are seconds since the epoch."""

import json
import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Any, Literal

from pydantic import Field, TypeAdapter

from ..core.day.detail import job_of
from ..core.day.roomy import roomy
from ..core.day.tasks import (
    MOST_MINUTES,
    Away,
    Day,
    DayKitchen,
    Hob,
    Job,
    NoGo,
    Pot,
    Shift,
)
from ..core.equipment.vessels import capacity_m3
from ..core.errors import BadInput, KitchenError, Unreadable
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.plan import plan_sweet
from .model import Body, Words
from .sweet_words import SweetIn, Things, read_sweet_plan

MOST_SENT = 40
SHORT_S, LONG_S = 4.0, 60.0
"""How long a calmer plan is looked for, and how long at most."""
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
    said. ``burners``: how many of the Larder's; all when it is not said. ``pace``: roomy has minutes to spare at every step."""

    sweets: list[DaySweetIn] = Field(min_length=1, max_length=MOST_SENT)
    serve_s: float = Field(ge=0, le=1e11)
    start_s: float | None = Field(None, ge=0, le=1e11)
    burners: int | None = Field(None, ge=1, le=8)
    pans_watched: int = Field(3, ge=1, le=4)
    fridge_l: float = Field(40.0, ge=1, le=500)
    freezer_l: float = Field(12.0, ge=0, le=500)
    away: list[AwayIn] = Field(default_factory=list, max_length=20)
    helper: list[HelperIn] = Field(default_factory=list, max_length=12)
    pace: Literal["calm", "roomy"] = "calm"


class PlacedIn(Body):
    """Where a task of a plan stands."""

    key: Words
    start_s: float = Field(ge=0, le=1e11)
    end_s: float = Field(ge=0, le=1e11)
    hob: int | None = Field(None, ge=0, le=100)
    pot: int | None = Field(None, ge=0, le=1000)


class ShownDay(DayIn):
    """A day with the plan of it that is shown; ``pins``: steps that the cook put where they stand."""

    tasks: list[PlacedIn] = Field(default_factory=list, max_length=1000)
    pins: list[Words] = Field(default_factory=list, max_length=1000)


class LookIn(ShownDay):
    """The same day, looked at for so long, from the plan that is shown."""

    seconds: float = Field(SHORT_S, ge=0, le=LONG_S)


class MoveIn(ShownDay):
    """A step goes elsewhere: when it begins, and on which of the day's burners where that changes."""

    task: Words
    to_s: float = Field(ge=0, le=1e11)
    hob: int | None = Field(None, ge=0, le=100)


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
        raise BadInput("serve_s", "serving-past")
    first = max(now_s, min(dues) - USUAL_LEAD_S) if body.start_s is None else max(now_s, body.start_s)
    if first >= min(dues):
        raise BadInput("start_s", "day-begins-after-serving")
    if max(dues) - first > LONGEST_LEAD_S + 24 * 3600:
        raise BadInput("start_s", "day-begins-too-early")
    start_s = math.ceil(first / 300) * 300.0
    hours = _Hours(start_s - LEAD_MIN * 60)
    jobs = []
    for place, (sweet, due) in enumerate(zip(body.sweets, dues, strict=True)):
        words = sweet.plan.model_copy(update={"burner": None})
        try:
            found = job_of(f"{place}", plan_sweet(read_sweet_plan(words, shelf, ready(words))), hours.minute(due))
        except KitchenError as error:
            raise type(error)(f"sweets.{place}.{error.field}", error.says) from error
        found = replace(found, name=sweet.name or found.name, spare=sweet.spare_min)
        jobs.append(roomy(found) if body.pace == "roomy" else found)
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
    for found in jobs:
        _has_room(found, kitchen)
    return AskedDay(origin_s=hours.origin_s, day=Day(kitchen, tuple(jobs)), at_s=now_s)


def _has_room(job: Job, kitchen: DayKitchen) -> None:
    """:raises BadInput: field "fridge_l" or "freezer_l", when it never fits in, whatever the order."""
    for place, free in (("fridge", kitchen.fridge_l), ("freezer", kitchen.freezer_l)):
        wants = max((getattr(task, f"{place}_l") for task in job.tasks), default=0.0)
        wants = max(wants, job.litres if job.at == place else 0.0)
        if wants > free:
            raise BadInput(f"{place}_l", "cold-room-full", place=place, free=free, job=job.name, wants=wants)


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
        raise Unreadable("day", "day-damaged") from error


PAN_M = 0.24
"""Base of the pan on which burners are compared."""


def _hobs(shelf: Things, many: int | None) -> tuple[Hob, ...]:
    """Burners with how much longer each takes than the first, for which the sweets are reckoned."""
    burners = list(shelf.burners.values())[: many or None]
    if not burners:
        return ()
    first = burners[0].net_power_w("strong", PAN_M)
    return tuple(Hob(b.name, min(3.0, max(0.5, first / b.net_power_w("strong", PAN_M)))) for b in burners)
