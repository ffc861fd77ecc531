"""The Day over HTTP: a checked plan at once; then, from a process of its own, better ones and what would cure it."""

import threading
from collections.abc import Callable
from dataclasses import replace
from functools import partial
from typing import Any

from flask import Response
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.day.check import faults
from ..core.day.packer import improve
from ..core.day.tasks import Plan
from ..core.day.ways import ways
from ..core.errors import BadInput, Conflict, Impossible, Unavailable
from ..files.day_papers import Act, Burns, DayPaper, day_sheets, to_csv, to_ical
from ..files.sheet import to_pdf
from ..store.aside import each, reading_of
from ..store.batches import Batches
from ..store.database import Database
from ..store.days import Days, KeptDay
from ..store.shelf import read_shelf
from ..wire.begin import SweetBegin
from ..wire.day import AskedDay, DayIn, LookIn, MoveIn, read_day, read_written, written_day
from ..wire.day_plan import (
    DayBegin,
    DayLine,
    DayOut,
    DaysOut,
    KeptDayOut,
    LookedOut,
    MovedOut,
    SlipIn,
    SlippedOut,
    Taken,
    answer_day,
    answer_move,
    answer_way,
    errand_of,
    plan_of,
    stays_of,
    taken_out,
)
from .bases import ready_bases
from .begin import planned
from .day_search import SEARCHERS, found_lines
from .larder import ThingPath
from .making import use_up
from .stream import Changes

TAGS = [Tag(name="day")]
MOST_SEARCHES = 2
LONGEST_SLIP_S = 86_400.0


def first_plan(asked: AskedDay) -> Plan:
    """The first plan that the checker passes.

    :raises Impossible: field "sweets", when none was found.
    """
    for plan in improve(asked.day, rounds=4):
        if not faults(asked.day, plan):
            return plan
    raise Impossible("sweets", "day-without-order")


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes) -> None:
    places = threading.BoundedSemaphore(MOST_SEARCHES)
    ready = partial(ready_bases, db=db)

    @app.post("/api/day/plan", tags=TAGS, responses={200: DayOut})
    def plan_day(body: DayIn) -> Any:
        """When each thing is begun, on which burner, so that all is ready in time"""
        asked = read_day(body, db.kept(read_shelf), clock(), ready=ready)
        answer = answer_day(asked, first_plan(asked))
        SEARCHERS.warm_up()  # a calmer one is looked for next
        return answer

    @app.post("/api/day/move", tags=TAGS, responses={200: MovedOut})
    def move_day(body: MoveIn) -> Any:
        """A step of the plan that is shown put elsewhere, with the rest worked out around it"""
        return answer_move(read_day(body, db.kept(read_shelf), clock(), ready=ready), body)

    @app.post("/api/day/look", tags=TAGS, responses={200: LookedOut})
    def look_day(body: LookIn) -> Any:
        """Better plans and what would help, a line of JSON each, for as long as one looks"""
        asked = read_day(body, db.kept(read_shelf), clock(), ready=ready)
        errand = errand_of(asked, body, body.seconds)
        if not places.acquire(blocking=False):
            raise Unavailable("day", "days-being-solved", retry_s=5.0)
        answer = Response(found_lines(asked, errand), mimetype="application/x-ndjson")
        answer.call_on_close(places.release)  # one that nobody read a line of gives its place back too
        return answer

    @app.get("/api/days", tags=TAGS, responses={200: DaysOut})
    def get_days() -> Any:
        """Days that were begun, the latest to be served first"""
        with db.reading() as session:
            days, aside = Days(session).newest()
        lines, more = each(days, _line, lambda day: day.name)
        return DaysOut(days=lines, aside=aside + more)

    @app.get("/api/days/<int:id>", tags=TAGS, responses={200: KeptDayOut})
    def get_day(path: ThingPath) -> Any:
        """One of them, with the plan that is followed"""
        with db.reading() as session:
            return _kept(Days(session).day(path.id))

    @app.post("/api/days", tags=TAGS, responses={201: KeptDayOut})
    def begin_day(body: DayBegin) -> Any:
        """Begin a day: every sweet's making at once, and the plan to follow"""
        now = clock()
        if body.key is not None:
            with db.reading() as session:
                if (known := Days(session).begun(body.key)) is not None:
                    return _kept(known), 201  # sent twice: what it used of the shelf is gone by now
        asked = read_day(body.day, db.kept(read_shelf), now, min(now, body.planned_at_s), ready)
        plan = plan_of(asked, body.tasks)
        if faults(asked.day, plan):
            raise Conflict("tasks", "day-plan-broken")
        answer = answer_day(asked, plan)
        begun = [
            SweetBegin.model_validate(
                {"kind": "sweet", "name": sweet.name or answer.sweets[i].name.capitalize(), "plan": sweet.plan.model_dump(mode="json")}
            )
            for i, sweet in enumerate(body.day.sweets)
        ]  # fmt: skip
        plans = [planned(sweet, db) for sweet in begun]
        with db.writing() as session:
            days, batches = Days(session), Batches(session)
            if body.key is not None and (known := days.begun(body.key)) is not None:
                return _kept(known), 201
            numbers = tuple(batches.begin(plan, now) for plan in plans)
            for number in numbers:
                use_up(batches, batches.batch(number), now)
            day = days.add(
                KeptDay(
                    id=0,
                    version=1,
                    name=body.name.strip(),
                    created_at_s=now,
                    serve_at_s=body.day.serve_s,
                    query=body.query,
                    asked=written_day(asked),
                    plan=answer.model_dump(mode="json"),
                    batches=numbers,
                ),
                body.key,
            )
        changes.publish()
        return _kept(day), 201

    @app.post("/api/days/<int:id>/slip", tags=TAGS, responses={200: SlippedOut})
    def slip_day(path: ThingPath, body: SlipIn) -> Any:
        """Something ends later or sooner than planned: what comes of it, and if it is taken, followed from now on"""
        now = clock()
        with db.reading() as session:
            day = Days(session).day(path.id)
        before, asked = _kept(day).plan, read_written(day.asked)
        choice = Taken(at_s=now, task=body.task, end_s=body.end_s, way=body.take) if body.take else None
        if choice and (told_already := day.asked.get("taken")) and choice.same(told_already[-1]):
            return SlippedOut(day=_kept(day), ways=[])  # sent twice: its answer was lost on the way
        plan = plan_of(asked, before.tasks)
        if body.task not in plan.placed:
            raise BadInput("task", "day-no-such-step", task=body.task)
        if body.end_s > max(now, asked.seconds(plan.placed[body.task].end)) + LONGEST_SLIP_S:
            raise BadInput("end_s", "slip-too-late")
        found = ways(asked.day, plan, asked.minute(now), {body.task: asked.minute(body.end_s)})
        told = [answer_way(asked, plan, way) for way in found]
        if choice is not None:
            way = next((way for way in told if way.way == choice.way), None)
            if way is None:
                raise Conflict("take", "slip-choice-gone")
            followed = next(way.day for way in found if way.way == choice.way)
            minutes = round((body.end_s - asked.seconds(plan.placed[body.task].end)) / 60)
            choice = choice.model_copy(update={"of": way.of, "minutes": minutes})
            kept = written_day(replace(asked, day=followed)) | {
                "taken": [*day.asked.get("taken", []), choice.model_dump(mode="json")]
            }
            with db.writing() as session:
                day = Days(session).follow(path.id, body.version, way.plan.model_dump(mode="json"), kept)
            changes.publish()
        return SlippedOut(day=_kept(day), ways=told)

    def paper(day_id: int) -> DayPaper:
        with db.reading() as session:
            return paper_of(_kept(Days(session).day(day_id)))

    @app.get("/api/days/<int:id>/sheet.pdf", tags=TAGS)
    def day_pdf(path: ThingPath) -> Any:
        """The sheet for the wall, A4"""
        day = paper(path.id)
        return Response(to_pdf(*day_sheets(day), title=day.name), mimetype="application/pdf")

    @app.get("/api/days/<int:id>/day.ics", tags=TAGS)
    def day_ical(path: ThingPath) -> Any:
        """Its acts for a calendar, with alarms"""
        return Response(to_ical(paper(path.id)), mimetype="text/calendar")

    @app.get("/api/days/<int:id>/day.csv", tags=TAGS)
    def day_csv(path: ThingPath) -> Any:
        """Its acts as CSV"""
        return Response(to_csv(paper(path.id)), mimetype="text/csv")

    @app.delete("/api/days/<int:id>", tags=TAGS, responses={200: DaysOut})
    def remove_day(path: ThingPath) -> Any:
        """Take a day out of the list; its makings stay"""
        with db.writing() as session:
            Days(session).remove(path.id)
        return get_days()


def _line(day: KeptDay) -> DayLine:
    names = [str(sweet["name"]) for sweet in day.plan["sweets"]]
    return DayLine(id=day.id, name=day.name, serve_s=day.serve_at_s, sweets=names, query=day.query)


def _kept(day: KeptDay) -> KeptDayOut:
    """:raises Unreadable: when its plan is damaged."""
    with reading_of(day.name):
        return KeptDayOut(
            id=day.id,
            version=day.version,
            name=day.name,
            serve_s=day.serve_at_s,
            query=day.query,
            plan=(plan := DayOut.model_validate(day.plan)),
            batches=list(day.batches),
            taken=[taken_out(plan, Taken.model_validate(one)) for one in day.asked.get("taken", [])],
        )


def paper_of(day: KeptDayOut) -> DayPaper:
    plan = day.plan
    return DayPaper(
        id=day.id,
        name=day.name,
        serve_s=day.serve_s,
        sweets=[sweet.name for sweet in plan.sweets],
        hobs=plan.hobs,
        acts=[
            Act(key=t.key, at_s=t.start_s, end_s=t.end_s, sweet=plan.sweets[t.sweet].name, text=t.act)
            for t in plan.tasks
            if t.said
        ],
        burns=[Burns(hob=hob, start_s=start, end_s=end) for hob, start, end in stays_of(plan)],
        spare_min=plan.spare_min,
        ahead=[one.text for one in plan.ahead],
    )
