"""Batches of every kind over HTTP: begin one, log what happens to it, see how it stands and what is on the Stove."""

from collections.abc import Callable
from dataclasses import replace
from typing import Annotated, Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field, RootModel

from ..core.batch.changes import scaled
from ..core.batch.events import StepBegun, StepDone, Undo
from ..core.batch.running import BatchState
from ..core.errors import BadInput, Conflict
from ..core.planning.reduce.forecast import forecast
from ..store.aside import each
from ..store.batches import Batch, Batches
from ..store.database import Database
from ..store.parting import part, pour
from ..store.planned import Planned
from ..store.shelf import Shelf, read_shelf
from ..wire.begin import BatchIn
from ..wire.happenings import EventIn, PanSwappedIn, PartIn, PourIn, TakeIn
from ..wire.model import Out
from ..wire.reduce import ForecastOut
from . import anew
from .begin import planned
from .happened import moment
from .making import enough, follow, give_back, join, take, use_up
from .pairing import Readers
from .stream import Changes
from .told import LINES_TOLD, AnyBatch, goes_on, told_of

TAGS = [Tag(name="batches")]


class AnyBatchOut(RootModel[Annotated[AnyBatch, Field(discriminator="kind")]]):
    """A batch as it stands, of its kind."""


class BatchPath(Out):
    batch_id: int = Field(ge=1, le=2**53)


class FormerPath(Out):
    former: str = Field(max_length=40, pattern=r"^(pan|curd|sweet)-[0-9]{1,15}$")


class StoveOut(Out):
    """All that is not finished, oldest first, as it stands now."""

    now_s: float
    batches: list[Annotated[AnyBatch, Field(discriminator="kind")]]
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


def _parted(batch: Batch, body: PartIn, shelf: Shelf, now_s: float) -> Planned:
    """The plan of what is taken out of a pan."""
    state = batch.state(now_s)
    if not isinstance(state, BatchState):
        raise Conflict("kind", "only-milk-is-parted")
    if not 0.05 <= body.share <= 0.95:
        raise BadInput("share", "part-share")
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
    return Planned(
        name=body.name.strip(),
        plan=plan,
        words=words,
        forecast=ForecastOut.of(forecast(plan), body.pan).model_dump(mode="json"),
        flame=state.flame,
        pan_id=body.pan,
        burner_id=body.burner,
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes, readers: Readers) -> None:
    def out(batch: Batch, now_s: float, lines: int | None = LINES_TOLD) -> AnyBatch:
        return told_of(batch, now_s, db.kept(read_shelf), lines)

    @app.get("/api/stove", tags=TAGS, responses={200: StoveOut})
    def get_stove() -> Any:
        """What is on the fire, hangs, or is being made"""
        now = clock()
        with db.reading() as session:
            batches = Batches(session)
            running = batches.running()
        shown, aside = each(running, lambda batch: out(batch, now), lambda batch: batch.name)
        return StoveOut(now_s=now, batches=shown, aside=batches.aside + aside)

    @app.post("/api/batches", tags=TAGS, responses={201: AnyBatchOut})
    def begin_batch(body: BatchIn) -> Any:
        """Begin a batch: keep its plan and what was told, and start it"""
        now = clock()
        plan = planned(body.batch, db)
        with db.writing() as session:
            batches = Batches(session)
            key = body.batch.key
            fresh = key is None or batches.begun(key) is None
            if fresh:
                join(batches, plan, now)
            batch = batches.batch(batches.begin(plan, now, key))
            if fresh and batch.kind.name == "sweet":
                use_up(batches, batch, now)
        changes.publish()
        return out(batch, now), 201

    @app.get("/api/batches/<int:batch_id>", tags=TAGS, responses={200: AnyBatchOut})
    def get_batch(path: BatchPath) -> Any:
        """One batch as it stands now, with all of its log"""
        now = clock()
        with db.reading() as session:
            return out(Batches(session).batch(path.batch_id), now, None)

    @app.get("/api/batches/former/<former>", tags=TAGS, responses={200: AnyBatchOut})
    def get_former(path: FormerPath) -> Any:
        """The same, of one that was known as curd-3 or sweet-2 while these had numbers of their own"""
        now = clock()
        with db.reading() as session:
            batches = Batches(session)
            return out(batches.batch(batches.number_of(path.former)), now, None)

    @app.post("/api/batches/<int:batch_id>/events", tags=TAGS, responses={201: AnyBatchOut})
    def log_event(path: BatchPath, body: EventIn) -> Any:
        """Log a happening; answered when it is on disk"""
        now, event = clock(), body.event
        with db.writing() as session:
            batches = Batches(session)
            batch = batches.batch(path.batch_id)
            shelf = db.kept(read_shelf) if isinstance(event, PanSwappedIn) else None
            what = event.happening(shelf, batch.plan)
            if isinstance(what, StepBegun):
                what = anew.in_pan(batches, batch, what, db.kept(read_shelf), now)
            when = moment(event, now, batch.created_at_s)
            batch = batches.log(batch, what, when.at_s, now, event.key, when.said_s)
            followed = follow(batches, batch, db.kept(read_shelf), now)
            if isinstance(what, Undo) and batch.kind.name == "sweet":
                give_back(batches, batch, what, db.kept(read_shelf), now)
                batch = batches.batch(batch.id)
            if isinstance(what, StepDone) and batch.kind.name == "sweet":
                enough(batches, batch, what.step, db.kept(read_shelf), now)
                batch = batches.batch(batch.id)
        told = out(batch, now)
        # what ends a batch or touches two of them is more than one batch's news
        if followed or event.kind == "undo" or not goes_on(told):
            changes.publish()
        else:
            changes.publish(told.id, told)
        readers.acted(path.batch_id)
        return told, 201

    @app.post("/api/batches/<int:batch_id>/take", tags=TAGS, responses={201: AnyBatchOut})
    def take_base(path: BatchPath, body: TakeIn) -> Any:
        """Take a base of this sweet from what stands weighed; answers with the sweet"""
        now = clock()
        with db.writing() as session:
            batches = Batches(session)
            take(batches, batches.batch(path.batch_id), body, db.kept(read_shelf), now)
            batch = batches.batch(path.batch_id)
        changes.publish()
        return out(batch, now), 201

    @app.post("/api/batches/<int:batch_id>/part", tags=TAGS, responses={201: AnyBatchOut})
    def part_batch(path: BatchPath, body: PartIn) -> Any:
        """Take part of what boils into a pan of its own; answers with the new batch"""
        now = clock()
        with db.writing() as session:
            batches = Batches(session)
            batch = batches.batch(path.batch_id)
            parted = _parted(batch, body, db.kept(read_shelf), now)
            answer = batches.batch(part(batches, batch, body.share, parted, now, body.key))
        changes.publish()
        return out(answer, now), 201

    @app.post("/api/batches/<int:batch_id>/pour", tags=TAGS, responses={201: AnyBatchOut})
    def pour_batch(path: BatchPath, body: PourIn) -> Any:
        """Pour a batch into another that boils; answers with the one that goes on"""
        now = clock()
        with db.writing() as session:
            batches = Batches(session)
            pour(batches, batches.batch(path.batch_id), batches.batch(body.into), now, body.key)
            answer = batches.batch(body.into)
        changes.publish()
        return out(answer, now), 201
