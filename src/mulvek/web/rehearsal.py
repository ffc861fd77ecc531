"""Rehearsals over HTTP: lessons, free play with a plan, an evening of the Book again; each on a clock of its own."""

import math
from collections.abc import Callable
from dataclasses import replace
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.attention import Attention
from ..core.batch.events import HandDid, Note, Off, standing
from ..core.batch.history import History
from ..core.batch.kinds import KindName
from ..core.batch.nudges import nudges
from ..core.batch.running import state_of
from ..core.errors import BadInput, Conflict
from ..core.planning.reduce.forecast import forecast
from ..core.planning.reduce.plan import Rate, ReducePlan
from ..core.rehearsal.account import account
from ..core.rehearsal.acting import Act
from ..core.rehearsal.lessons import SHELVES, lesson
from ..core.rehearsal.luck import LEVELS
from ..core.rehearsal.score import Score, score
from ..core.rehearsal.world import World
from ..core.rehearsal.worlds.several import Several
from ..store.batches import Batches
from ..store.database import Database
from ..store.planned import Planned
from ..store.rehearsal import Begins, Rehearsal, Rehearsals
from ..store.shelf import read_shelf
from ..store.tables import BatchRow
from ..wire.batch import BatchOut
from ..wire.caramel import read_caramel
from ..wire.curd import read_curdle
from ..wire.happenings import EventIn, PanSwappedIn
from ..wire.model import LONGEST_NAME, Out
from ..wire.reduce import ForecastOut, ReduceIn, read_plan, told_when_lit
from ..wire.rehearsal import (
    AccountOut,
    AwayOut,
    DoIn,
    HandIn,
    JumpIn,
    LessonBrief,
    LessonShelfOut,
    NoticeOut,
    RehearsalLine,
    RehearsalOut,
    RehearsalsOut,
    RehearseIn,
    RunOut,
    SpeedIn,
    vessels_of,
)
from ..wire.strain import read_strain
from .school import board
from .simulations import Simulations, begun, lesson_of, level_of_rehearsal, practised, weights_of, world_of
from .stream import Changes

TAGS = [Tag(name="rehearsal")]
SEEDS = 100_000
USUAL_SPEED, AGAIN_LEVEL = 10.0, 1
LONGEST_JUMP_S, KEPT_ACCOUNTS = 3600, 16
KNOWN_SD = 0.02
"""How well a flame is known that cooked that very evening."""


class RehearsalPath(Out):
    rehearsal_id: int = Field(ge=1, le=2**53)


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes) -> None:
    simulations = Simulations()
    accounts: dict[int, AccountOut] = {}

    def kitchen_time(rehearsal: Rehearsal, now: float) -> float:
        """It stands still once it is over, and when it has run as long as any does."""
        over = rehearsal.events[-1].at_s if rehearsal.finished and rehearsal.events else None
        off = next((e.at_s for e in standing(rehearsal.events) if isinstance(e.what, Off)), over)
        if off is not None:
            return off
        return min(rehearsal.kitchen_s(now), rehearsal.created_at_s + simulations.longest_s(rehearsal))

    def shown(rehearsal: Rehearsal, now: float) -> RehearsalOut:
        kitchen = kitchen_time(rehearsal, now)
        world, level = simulations.at(rehearsal, kitchen), level_of_rehearsal(rehearsal)
        known, left = lesson_of(rehearsal), world.away_s()
        return RehearsalOut(
            id=rehearsal.id,
            name=rehearsal.name,
            lesson=LessonBrief.of(known) if known else None,
            batch=_batch(rehearsal, kitchen) if rehearsal.on_stove else None,
            level=level.number,
            level_says=level.says,
            seed=rehearsal.seed,
            speed=rehearsal.speed,
            passed_s=kitchen - rehearsal.created_at_s,
            serve_s=world.serve_s if isinstance(world, Several) else None,
            away=AwayOut(who=world.caller(), left_s=left) if left and not world.done else None,
            vessels=vessels_of(world, level.shows),
            finished=rehearsal.finished,
            points=rehearsal.points,
        )

    def at_the_pan(world: World) -> None:
        """:raises Conflict: while somebody has called the cook away."""
        if left := world.away_s():
            raise Conflict("kind", "called-away", caller=world.caller(), left=left)

    def finish(repository: Rehearsals, rehearsal: Rehearsal, world: World) -> Rehearsal:
        judged = score(world, weights_of(rehearsal))
        repository.finish(rehearsal.id, judged.points, _cost(judged))
        return repository.one(rehearsal.id)

    def log(rehearsal_id: int, make: Callable[[Rehearsal], Any], key: str | None) -> RehearsalOut:
        now = clock()
        with db.writing() as session:
            repository = Rehearsals(session)
            rehearsal = repository.one(rehearsal_id)
            if not rehearsal.on_stove:
                raise Conflict("kind", "hand-of-the-stove")
            kitchen, what = kitchen_time(rehearsal, now), make(rehearsal)
            if not isinstance(what, Attention | Note):
                at_the_pan(simulations.at(rehearsal, kitchen))
            repository.append(rehearsal, what, kitchen, now, key)
            rehearsal = repository.one(rehearsal_id)
            if isinstance(what, Off):
                rehearsal = finish(repository, rehearsal, simulations.at(rehearsal, kitchen))
        changes.publish()
        return shown(rehearsal, now)

    @app.get("/api/rehearsals", tags=TAGS, responses={200: RehearsalsOut})
    def get_rehearsals() -> Any:
        """The board of lessons, the rehearsals without one, and the levels there are"""
        with db.reading() as session:
            lines, proposed = board(session)
            rows = Rehearsals(session).latest()
        return RehearsalsOut(
            levels=[level.says for level in LEVELS.values()],
            shelves=[LessonShelfOut(key=key, name=name) for key, name in SHELVES.items()],
            lessons=lines,
            next=proposed,
            rehearsals=[
                RehearsalLine(
                    id=row.id,
                    name=row.name,
                    created_at_s=row.created_at,
                    level=row.level,
                    seed=row.seed,
                    finished=row.finished,
                    points=row.points,
                )
                for row in rows
            ],
        )

    @app.post("/api/rehearsals", tags=TAGS, responses={201: RehearsalOut})
    def begin_rehearsal(body: RehearseIn) -> Any:
        """Begin a lesson, a plan, or an evening of the Book again, without milk"""
        now = clock()
        seed = int(now * 1000) % SEEDS if body.seed is None else body.seed
        with db.writing() as session:
            rehearsals = Rehearsals(session)
            number = rehearsals.begin(_begins(body, seed, db, Batches(session)), now, body.key)
            rehearsal = rehearsals.one(number)
        return shown(rehearsal, now), 201

    @app.get("/api/rehearsals/<int:rehearsal_id>", tags=TAGS, responses={200: RehearsalOut})
    def get_rehearsal(path: RehearsalPath) -> Any:
        """A rehearsal as it stands"""
        with db.reading() as session:
            rehearsal = Rehearsals(session).one(path.rehearsal_id)
        return shown(rehearsal, clock())

    @app.post("/api/rehearsals/<int:rehearsal_id>/events", tags=TAGS, responses={201: RehearsalOut})
    def log_rehearsed(path: RehearsalPath, body: EventIn) -> Any:
        """Do or say what the Stove knows, at a pan of milk"""
        if isinstance(body.event, PanSwappedIn):
            raise Conflict("kind", "another-pan-not-rehearsed")
        return log(path.rehearsal_id, lambda r: body.event.happening(None, r.plan), body.event.key), 201

    @app.post("/api/rehearsals/<int:rehearsal_id>/acts", tags=TAGS, responses={201: RehearsalOut})
    def act_rehearsed(path: RehearsalPath, body: HandIn) -> Any:
        """Lid, skin, acid: what only a rehearsed pan can feel"""
        return log(path.rehearsal_id, lambda r: body.act.what(r.plan.kitchen.measures), body.act.key), 201

    @app.post("/api/rehearsals/<int:rehearsal_id>/hands", tags=TAGS, responses={201: RehearsalOut})
    def use_hand(path: RehearsalPath, body: DoIn) -> Any:
        """Do one of the things that a vessel offers"""
        now = clock()
        with db.writing() as session:
            repository = Rehearsals(session)
            rehearsal = repository.one(path.rehearsal_id)
            if rehearsal.on_stove:
                raise Conflict("do", "pan-has-stove-hands")
            if not (body.key and repository.has(rehearsal.id, body.key)) and not rehearsal.finished:
                kitchen = kitchen_time(rehearsal, now)
                world = simulations.at(rehearsal, kitchen)
                at_the_pan(world)
                what = _hand(world, body)
                repository.append(rehearsal, what, kitchen, now, body.key)
                rehearsal = repository.one(rehearsal.id)
                world = simulations.at(rehearsal, kitchen)
                if world.done:
                    rehearsal = finish(repository, rehearsal, world)
        changes.publish()
        return shown(rehearsal, now), 201

    @app.post("/api/rehearsals/<int:rehearsal_id>/speed", tags=TAGS, responses={200: RehearsalOut})
    def set_rehearsal_speed(path: RehearsalPath, body: SpeedIn) -> Any:
        """Let its clock run faster or slower from now on, or stand still"""
        now = clock()
        with db.writing() as session:
            rehearsals = Rehearsals(session)
            rehearsal = rehearsals.one(path.rehearsal_id)
            rehearsals.pace(rehearsal, now, rehearsal.kitchen_s(now), float(body.speed))
            rehearsal = rehearsals.one(path.rehearsal_id)
        changes.publish()
        return shown(rehearsal, now)

    @app.post("/api/rehearsals/<int:rehearsal_id>/jump", tags=TAGS, responses={200: RehearsalOut})
    def jump_rehearsal(path: RehearsalPath, body: JumpIn) -> Any:
        """Let time go by until something new is to be seen"""
        now = clock()
        with db.writing() as session:
            rehearsals = Rehearsals(session)
            rehearsal = rehearsals.one(path.rehearsal_id)
            if rehearsal.finished:
                raise Conflict("rehearsal", "rehearsal-over")
            kitchen = rehearsal.kitchen_s(now)
            until = simulations.next_thing_s(
                rehearsal, kitchen, min(body.longest_s, _longest_jump_s(rehearsal, kitchen))
            )
            rehearsals.pace(rehearsal, now, max(kitchen, until), rehearsal.speed)
            rehearsal = rehearsals.one(path.rehearsal_id)
        changes.publish()
        return shown(rehearsal, now)

    @app.get("/api/rehearsals/<int:rehearsal_id>/account", tags=TAGS, responses={200: AccountOut})
    def get_account(path: RehearsalPath) -> Any:
        """What it came to, what each slip cost, and the same run in practised hands"""
        if (known := accounts.get(path.rehearsal_id)) is not None:
            return known
        with db.reading() as session:
            rehearsal = Rehearsals(session).one(path.rehearsal_id)
        if not rehearsal.finished:
            raise Conflict("rehearsal", "rehearsal-still-going")
        world = simulations.at(rehearsal, kitchen_time(rehearsal, clock()))
        found = accounts[rehearsal.id] = _account(rehearsal, world)
        while len(accounts) > KEPT_ACCOUNTS:
            accounts.pop(next(iter(accounts)))
        return found


def _begins(body: RehearseIn, seed: int, db: Database, batches: Batches) -> Begins:
    """:raises BadInput: naming the word that cannot be; field "lesson" when none or several things are asked for."""
    asked = [x for x in (body.lesson, body.batch, body.plan, body.curdle, body.strain, body.caramel) if x is not None]
    if len(asked) != 1:
        raise BadInput("lesson", "rehearse-what")
    if body.lesson is not None:
        known = lesson(body.lesson)
        speed = float(known.speed if body.speed is None else body.speed)
        return Begins(
            name=known.name, planned=None, lesson=known.key, edition=known.edition, level=0, seed=seed, speed=speed
        )
    speed = USUAL_SPEED if body.speed is None else float(body.speed)
    if body.batch is not None:
        planned = _again(batches, body.batch)
        world_of(planned.plan, AGAIN_LEVEL, seed)
        return Begins(
            name=planned.name, planned=planned, of_batch=body.batch, level=AGAIN_LEVEL, seed=seed, speed=speed
        )
    planned = _planned(body, db)
    world_of(planned.plan, body.level, seed)
    return Begins(name=planned.name, planned=planned, level=body.level, seed=seed, speed=speed)


def _planned(body: RehearseIn, db: Database) -> Planned:
    shelf = db.kept(read_shelf)
    if body.curdle is not None:
        curdling = read_curdle(body.curdle, shelf)
        return _named(f"{curdling.amount.quantity.understood} to chhena", curdling, "curdle")
    if body.strain is not None:
        straining = read_strain(body.strain, shelf)
        return _named(f"{straining.amount.quantity.understood} to hang", straining, "strain")
    if body.caramel is not None:
        sugared = read_caramel(body.caramel, shelf)
        return _named(f"{sugared.sugar.quantity.understood} to caramel", sugared, "caramel")
    words = body.plan
    assert words is not None
    if not isinstance(words.pan, int) or not isinstance(words.burner, int):
        raise BadInput("plan", "rehearsal-needs-pan-and-burner")
    plan = read_plan(words, shelf)
    told = ForecastOut.of(forecast(plan), words.pan).model_dump(mode="json")
    named = _named(f"{plan.amount.quantity.understood} to {plan.stop.text}", plan, "reduce")
    return replace(named, words=words.model_dump(mode="json"), forecast=told)


def _named(what: str, plan: object, kind: KindName) -> Planned:
    return Planned(name=f"Rehearsal: {what}"[:LONGEST_NAME], plan=plan, kind=kind, words={})


def _again(batches: Batches, number: int) -> Planned:
    """The same evening: its own milk and pan, and the flame as it was found to be."""
    batch = batches.batch(number)
    plan, row = batch.plan, batches.session.get_one(BatchRow, number)
    if isinstance(plan, ReducePlan) and row.lesson_ln is not None:
        plan = replace(plan, rate=Rate(ln_mean=row.lesson_ln, ln_sd=KNOWN_SD, batches=1))
    return Planned(
        name=f"{batch.name}, again"[:LONGEST_NAME],
        plan=plan,
        kind=batch.kind.name,
        words=batch.words,
        forecast=batch.forecast,
    )


def _batch(rehearsal: Rehearsal, kitchen: float) -> BatchOut:
    words = ReduceIn.model_validate(rehearsal.words)
    return BatchOut.of(
        rehearsal.id,
        rehearsal.name,
        rehearsal.created_at_s,
        History(rehearsal.plan, rehearsal.events),
        words,
        told_when_lit(rehearsal.forecast, rehearsal.plan),
        state_of(rehearsal.plan, rehearsal.events, kitchen),
        kitchen,
        words.pan if isinstance(words.pan, int) else None,
        words.burner if isinstance(words.burner, int) else None,
    )


def _hand(world: World, body: DoIn) -> HandDid:
    """What the learner does, checked against what the vessel offers.

    :raises Conflict: field "do". :raises BadInput: fields "of", "amount", "flame".
    """
    many = len(world.vessels) if isinstance(world, Several) else 1
    if body.of >= many:
        raise BadInput("of", "no-such-vessel", many=many - 1)
    if isinstance(world, Several) and (left := world.elsewhere_s(body.of)):
        raise Conflict("do", "hands-elsewhere", vessels=world.vessels[world.at].name, left=left)
    amount = body.amount or 0.0
    act = Act(world.at_s, body.do, amount, body.flame, body.of)
    hand = world.hand(act)
    if hand is None:
        raise Conflict("do", "hand-not-offered")
    if hand.flames and body.flame is None:
        raise BadInput("flame", "rehearse-which-flame")
    if hand.unit and not 0 <= amount <= max(hand.most, hand.usual):
        raise BadInput("amount", "hand-amount-too-much", most=hand.most, unit=hand.unit)
    if hand.unit and not amount:
        amount = hand.usual
    return HandDid(body.do, amount, body.flame if hand.flames else None, body.of)


def _longest_jump_s(rehearsal: Rehearsal, kitchen: float) -> int:
    """As far as the Stove's next reminder, where it has one."""
    if not rehearsal.on_stove:
        return LONGEST_JUMP_S
    state = state_of(rehearsal.plan, rehearsal.events, kitchen)
    due = [n.due_at_s - kitchen for n in nudges(state, kitchen) if n.due_at_s > kitchen + 1]
    return int(min(LONGEST_JUMP_S, *(max(1.0, math.ceil(d)) for d in due))) if due else LONGEST_JUMP_S


def _cost(judged: Score) -> dict[str, Any]:
    dear = judged.dearest
    return {"points": round(dear.cost, 1), "says": dear.says, "part": dear.name}


def _account(rehearsal: Rehearsal, world: World) -> AccountOut:
    known, level = lesson_of(rehearsal), level_of_rehearsal(rehearsal)
    told = account(world, lambda: begun(rehearsal), practised(rehearsal), weights_of(rehearsal))
    return AccountOut(
        id=rehearsal.id,
        name=rehearsal.name,
        lesson=LessonBrief.of(known) if known else None,
        words=ReduceIn.model_validate(rehearsal.words) if rehearsal.on_stove and rehearsal.of_batch is None else None,
        level=level.number,
        level_says=level.says,
        seed=rehearsal.seed,
        changed=known is not None and known.edition != rehearsal.edition,
        truth=[*world.truths(), *world.called_away()],
        yours=RunOut.of(world, told.score),
        expert=RunOut.of(told.expert, told.expert_score),
        slips=list(told.slips),
        notices=[
            NoticeOut(
                says=n.says,
                at_s=n.at_s - world.began_s,
                after_s=None if n.acted_s is None else n.acted_s - n.at_s,
            )
            for n in told.notices
        ],
    )
