"""Stove over HTTP: light a plan, log what happens, see what is on the fire."""

from collections.abc import Callable
from dataclasses import replace
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.changes import scaled
from ..core.errors import BadInput
from ..core.planning.reduce.forecast import forecast
from ..formats.batch import BatchIn, BatchOut
from ..formats.happenings import EventIn, PanSwappedIn, PartIn, PourIn
from ..formats.model import Out
from ..formats.reduce import ForecastOut, ReduceIn, read_plan, told_when_lit
from ..store.aside import each
from ..store.database import Database
from ..store.planned import Planned
from ..store.shelf import read_shelf
from ..store.stove import Batch, Stove
from .happened import moment
from .pairing import Readers
from .stream import Changes

TAGS = [Tag(name="stove")]


class BatchPath(Out):
    batch_id: int = Field(ge=1, le=2**53)


class StoveOut(Out):
    """All that is not yet weighed, oldest first, as it stands now."""

    now_s: float
    batches: list[BatchOut]
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


LINES_TOLD = 24


def batch_out(batch: Batch, now_s: float, lines: int | None = LINES_TOLD) -> BatchOut:
    """As it stands; with so many lines of its log, the newest, or all of them."""
    return BatchOut.of(
        batch.id,
        batch.name,
        batch.created_at_s,
        batch.history,
        ReduceIn.model_validate(batch.words),
        told_when_lit(batch.forecast, batch.plan),
        batch.state(now_s),
        now_s,
        batch.pan_id,
        batch.burner_id,
        lines,
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes, readers: Readers) -> None:
    @app.get("/api/stove", tags=TAGS, responses={200: StoveOut})
    def get_stove() -> Any:
        """What is on the fire"""
        now = clock()
        with db.reading() as session:
            stove = Stove(session)
            running = stove.running()
        shown, aside = each(running, lambda batch: batch_out(batch, now), lambda batch: batch.name)
        return StoveOut(now_s=now, batches=shown, aside=stove.aside + aside)

    @app.post("/api/stove/batches", tags=TAGS, responses={201: BatchOut})
    def light_batch(body: BatchIn) -> Any:
        """Light it: keep the plan and its forecast, and start the batch"""
        now = clock()
        words = body.plan
        if not isinstance(words.pan, int) or not isinstance(words.burner, int):
            raise BadInput("plan", "A batch needs a pan and a burner of the Larder.", "Add them there first.")
        with db.writing() as session:
            plan = read_plan(words, db.kept(read_shelf))
            told = ForecastOut.of(forecast(plan), words.pan)
            planned = Planned(body.name.strip(), plan, words.model_dump(mode="json"), told.model_dump(mode="json"))
            batch_id = Stove(session).light(planned, words.pan, words.burner, now, body.key)
            batch = Stove(session).batch(batch_id)
        changes.publish()
        return batch_out(batch, now), 201

    @app.get("/api/stove/batches/<int:batch_id>", tags=TAGS, responses={200: BatchOut})
    def get_batch(path: BatchPath) -> Any:
        """One batch as it stands now"""
        now = clock()
        with db.reading() as session:
            return batch_out(Stove(session).batch(path.batch_id), now, None)

    @app.post("/api/stove/batches/<int:batch_id>/events", tags=TAGS, responses={201: BatchOut})
    def log_event(path: BatchPath, body: EventIn) -> Any:
        """Log a happening; answered when it is on disk"""
        now = clock()
        with db.writing() as session:
            stove = Stove(session)
            batch = stove.batch(path.batch_id)
            shelf = db.kept(read_shelf) if isinstance(body.event, PanSwappedIn) else None
            what = body.event.happening(shelf, batch.plan)
            when = moment(body.event, now, batch.created_at_s)
            batch = stove.log(batch, what, when.at_s, now, body.event.key, when.said_s)
        told = batch_out(batch, now)
        # what ends a batch or touches two of them is more than one batch's news
        if told.phase in ("heating", "boiling") and body.event.kind != "undo":
            changes.publish(told.id, told)
        else:
            changes.publish()
        readers.acted(path.batch_id)
        return told, 201

    @app.post("/api/stove/batches/<int:batch_id>/part", tags=TAGS, responses={201: BatchOut})
    def part_batch(path: BatchPath, body: PartIn) -> Any:
        """Take part of what boils into a pan of its own; answers with the new batch"""
        now = clock()
        with db.writing() as session:
            stove, shelf = Stove(session), db.kept(read_shelf)
            batch = stove.batch(path.batch_id)
            state = batch.state(now)
            if not 0.05 <= body.share <= 0.95:
                raise BadInput("share", "Take between a twentieth and nearly all.", "Give 5 to 95 %.")
            plan = replace(
                scaled(state.plan, body.share),
                pan=shelf.pan(body.pan),
                burner=shelf.burner(body.burner),
                flame=state.flame,
                rate=shelf.rate(body.pan, body.burner, state.flame),
            )
            words = batch.words | {
                "pan": body.pan,
                "burner": body.burner,
                "flame": state.flame,
                "amount": f"{plan.milk_kg * 1e3:.0f} g",
                "sugar": f"{plan.sugar_kg * 1e3:.0f} g" if plan.sugar_kg else "",
                "stop": plan.stop.text,
            }
            told = ForecastOut.of(forecast(plan), body.pan).model_dump(mode="json")
            planned = Planned(body.name.strip(), plan, words, told)
            made = stove.part(batch, body.share, planned, body.pan, body.burner, now, body.key)
            answer = stove.batch(made)
        changes.publish()
        return batch_out(answer, now), 201

    @app.post("/api/stove/batches/<int:batch_id>/pour", tags=TAGS, responses={201: BatchOut})
    def pour_batch(path: BatchPath, body: PourIn) -> Any:
        """Pour a batch into another that boils; answers with the one that goes on"""
        now = clock()
        with db.writing() as session:
            stove = Stove(session)
            stove.pour(stove.batch(path.batch_id), stove.batch(body.into), now, body.key)
            answer = stove.batch(body.into)
        changes.publish()
        return batch_out(answer, now), 201
