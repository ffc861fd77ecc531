"""Rehearsals over HTTP: the Stove's own routes in small, on a simulated pan with a clock of its own."""

import math
import threading
from collections.abc import Callable
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.attention import Attention
from ..core.batch.channels import CHANNELS
from ..core.batch.events import Note, Off, standing
from ..core.batch.history import History
from ..core.batch.running import state_of
from ..core.equipment.quantities import say
from ..core.errors import BadInput, Conflict
from ..core.planning.reduce.forecast import forecast
from ..core.rehearsal.account import account
from ..core.rehearsal.acts import acts_of
from ..core.rehearsal.hidden import LEVELS, hide
from ..core.rehearsal.instruments import read
from ..core.rehearsal.pan import LONGEST_RUN_S, SimPan
from ..core.rehearsal.score import score
from ..core.rehearsal.senses import senses
from ..store.database import Database
from ..store.planned import Planned
from ..store.rehearsal import Rehearsal, Rehearsals
from ..store.shelf import read_shelf
from ..wire.batch import BatchOut
from ..wire.happenings import EventIn, PanSwappedIn
from ..wire.model import Out
from ..wire.reduce import ForecastOut, ReduceIn, read_plan, told_when_lit
from ..wire.rehearsal import (
    AccountOut,
    AwayOut,
    HandIn,
    RehearsalLine,
    RehearsalOut,
    RehearsalsOut,
    RehearseIn,
    RunOut,
    ShownOut,
    SpeedIn,
)
from .stream import Changes

TAGS = [Tag(name="rehearsal")]
KEPT_PANS = 8
SEEDS = 100_000


class RehearsalPath(Out):
    rehearsal_id: int = Field(ge=1, le=2**53)


class Simulations:
    """Simulated pans as far as they have run. Only a convenience: each can be run again from its log."""

    def __init__(self) -> None:
        self._pans: dict[int, SimPan] = {}
        self._lock = threading.Lock()

    def at(self, rehearsal: Rehearsal, kitchen_s: float) -> SimPan:
        """The pan at this time of its kitchen."""
        acts = acts_of(rehearsal.plan, rehearsal.events)
        at = int(min(max(0.0, kitchen_s - rehearsal.created_at_s), LONGEST_RUN_S))
        with self._lock:
            pan = self._pans.pop(rehearsal.id, None)
            if pan is None or not (pan.done or pan.goes_on_with(acts, at)):
                pan = SimPan(hide(rehearsal.plan, rehearsal.level, rehearsal.seed))
            pan.run_to(at, acts)
            self._pans[rehearsal.id] = pan
            while len(self._pans) > KEPT_PANS:
                self._pans.pop(next(iter(self._pans)))
            return pan


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes) -> None:
    simulations = Simulations()
    accounts: dict[int, AccountOut] = {}

    def kitchen_time(rehearsal: Rehearsal, now: float) -> float:
        """It stands still once it is over."""
        off = next((e.at_s for e in standing(rehearsal.events) if isinstance(e.what, Off)), None)
        return off if off is not None else rehearsal.kitchen_s(now)

    def shown(rehearsal: Rehearsal, now: float) -> RehearsalOut:
        kitchen = kitchen_time(rehearsal, now)
        pan, level = simulations.at(rehearsal, kitchen), LEVELS[rehearsal.level]
        words = ReduceIn.model_validate(rehearsal.words)
        batch = BatchOut.of(
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
        left = pan.away_s()
        return RehearsalOut(
            id=rehearsal.id,
            batch=batch,
            level=level.number,
            level_says=level.says,
            seed=rehearsal.seed,
            speed=rehearsal.speed,
            sees=senses(pan),
            away=AwayOut(who=pan.caller(), left_s=left) if left and not pan.done else None,
            lid=pan.lid,
            instruments=[
                ShownOut(
                    channel=key,
                    name=CHANNELS[key].name,
                    unit=CHANNELS[key].unit,
                    how=CHANNELS[key].reads,
                    value=read(pan, key),
                )
                for key in level.shows
            ],
            finished=rehearsal.finished,
            points=rehearsal.points,
        )

    def at_the_pan(rehearsal: Rehearsal, kitchen: float) -> None:
        """:raises Conflict: while somebody has called the cook away."""
        pan = simulations.at(rehearsal, kitchen)
        if left := pan.away_s():
            raise Conflict("kind", f"You are away: {pan.caller()} has you for another {left} s.", "Come back to it.")

    def log(rehearsal_id: int, make: Callable[[Rehearsal], Any], key: str | None) -> RehearsalOut:
        now = clock()
        with db.writing() as session:
            repository = Rehearsals(session)
            rehearsal = repository.one(rehearsal_id)
            kitchen, what = kitchen_time(rehearsal, now), make(rehearsal)
            if not isinstance(what, Attention | Note):
                at_the_pan(rehearsal, kitchen)
            repository.append(rehearsal, what, kitchen, now, key)
            rehearsal = repository.one(rehearsal_id)
            if isinstance(what, Off):
                repository.finish(rehearsal_id, score(simulations.at(rehearsal, kitchen)).points)
                rehearsal = repository.one(rehearsal_id)
        changes.publish()
        return shown(rehearsal, now)

    @app.get("/api/rehearsals", tags=TAGS, responses={200: RehearsalsOut})
    def get_rehearsals() -> Any:
        """The latest rehearsals, and the levels there are"""
        with db.reading() as session:
            rows = Rehearsals(session).latest()
        lines = [
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
        ]
        return RehearsalsOut(levels=[level.says for level in LEVELS.values()], rehearsals=lines)

    @app.post("/api/rehearsals", tags=TAGS, responses={201: RehearsalOut})
    def begin_rehearsal(body: RehearseIn) -> Any:
        """Put a simulated pan on the fire"""
        now, words = clock(), body.plan
        if not isinstance(words.pan, int) or not isinstance(words.burner, int):
            raise BadInput("plan", "A rehearsal needs a pan and a burner of the Larder.", "Add them there first.")
        seed = int(now * 1000) % SEEDS if body.seed is None else body.seed
        with db.writing() as session:
            plan = read_plan(words, db.kept(read_shelf))
            hide(plan, body.level, seed)
            told = ForecastOut.of(forecast(plan), words.pan)
            rehearsals = Rehearsals(session)
            planned = Planned(
                name=f"Rehearsal: {plan.amount.quantity.understood} to {plan.stop.text}"[:60],
                plan=plan,
                words=words.model_dump(mode="json"),
                forecast=told.model_dump(mode="json"),
            )
            begun = rehearsals.begin(planned, body.level, seed, float(body.speed), now, body.key)
            rehearsal = rehearsals.one(begun)
        return shown(rehearsal, now), 201

    @app.get("/api/rehearsals/<int:rehearsal_id>", tags=TAGS, responses={200: RehearsalOut})
    def get_rehearsal(path: RehearsalPath) -> Any:
        """A rehearsal as it stands"""
        with db.reading() as session:
            rehearsal = Rehearsals(session).one(path.rehearsal_id)
        return shown(rehearsal, clock())

    @app.post("/api/rehearsals/<int:rehearsal_id>/events", tags=TAGS, responses={201: RehearsalOut})
    def log_rehearsed(path: RehearsalPath, body: EventIn) -> Any:
        """Do or say what the Stove knows"""
        if isinstance(body.event, PanSwappedIn):
            raise Conflict("kind", "Another pan is not rehearsed.", "Begin a rehearsal in that pan.")
        return log(path.rehearsal_id, lambda r: body.event.happening(None, r.plan), body.event.key), 201

    @app.post("/api/rehearsals/<int:rehearsal_id>/acts", tags=TAGS, responses={201: RehearsalOut})
    def act_rehearsed(path: RehearsalPath, body: HandIn) -> Any:
        """Lid, skin, acid: what only a rehearsed pan can feel"""
        return log(path.rehearsal_id, lambda r: body.act.what(r.plan.kitchen.measures), body.act.key), 201

    @app.post("/api/rehearsals/<int:rehearsal_id>/speed", tags=TAGS, responses={200: RehearsalOut})
    def set_rehearsal_speed(path: RehearsalPath, body: SpeedIn) -> Any:
        """Let its clock run faster or slower from now on"""
        now = clock()
        with db.writing() as session:
            rehearsals = Rehearsals(session)
            rehearsals.set_speed(rehearsals.one(path.rehearsal_id), float(body.speed), now)
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
            raise Conflict("rehearsal", "It is still on the fire.", "Take it off first.")
        pan = simulations.at(rehearsal, kitchen_time(rehearsal, clock()))
        told = account(pan)
        found = AccountOut(
            id=rehearsal.id,
            name=rehearsal.name,
            words=ReduceIn.model_validate(rehearsal.words),
            level=rehearsal.level,
            level_says=LEVELS[rehearsal.level].says,
            seed=rehearsal.seed,
            goal_kg=pan.goal_kg,
            truth=_truth(rehearsal, pan),
            yours=RunOut.of(pan, told.score),
            expert=RunOut.of(told.expert, told.expert_score),
            lessons=list(told.lessons),
        )
        accounts[rehearsal.id] = found
        return found


def _truth(rehearsal: Rehearsal, pan: SimPan) -> list[str]:
    """What was hidden, told afterwards."""
    said, true = rehearsal.plan, pan.hidden.truth
    solids = float(true.milk.parts.total_solids) * 100 - float(said.milk.parts.total_solids) * 100
    told = [f"The milk had {abs(solids):.1f} % {'more' if solids > 0 else 'less'} solids than its label."]
    faster = pan.hidden.power / math.exp(said.rate.ln_mean) - 1
    told.append(f"The flame was {abs(faster) * 100:.0f} % {'stronger' if faster > 0 else 'weaker'} than planned.")
    if pan.hidden.fades_to < 1:
        told.append(f"After forty minutes the gas faded to {pan.hidden.fades_to * 100:.0f} %.")
    if abs(true.kitchen.milk_c - said.kitchen.milk_c) >= 1:
        told.append(f"The milk went in at {true.kitchen.milk_c:.0f} °C.")
    called = [b for b in pan.hidden.bells if b.at_s < pan.at_s]
    if called:
        away = sum(b.away_s for b in called) / 60
        told.append(f"You were called away {len(called)} times, {away:.0f} minutes in all.")
    if pan.spilt_kg > 0.001:
        told.append(f"{say(pan.spilt_kg, 'mass')} boiled over.")
    return told
