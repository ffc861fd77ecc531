"""Mend over HTTP: what went wrong, why, what to do now and next time."""

from collections.abc import Callable
from contextlib import suppress
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.batch.events import BaseWeighed
from ..core.errors import KitchenError
from ..core.planning.reduce.plan import ReducePlan
from ..core.planning.sweets.formula import LIT
from ..store.aside import each, reading_of
from ..store.batches import Batch, Batches
from ..store.database import Database
from ..store.mending import confirmed, newest_found
from ..store.shelf import read_shelf
from ..wire.mend_record import Seen
from ..wire.mending import (
    MendChoices,
    MendIn,
    MendingOut,
    NextIn,
    NextPlanOut,
    mend_choices,
    mending,
    next_time,
)
from ..wire.reduce import read_plan

TAGS = [Tag(name="mend")]


def seen_of(batch: Batch, now_s: float) -> Seen:
    with reading_of(batch.name):
        return Seen(
            id=batch.id,
            kind=batch.kind.name,
            name=batch.name,
            created_at_s=batch.created_at_s,
            log=batch.log,
            state=batch.state(max(now_s, batch.log.newest_s)),
            told=batch.forecast,
            is_base=batch.slot is not None and batch.slot not in LIT,
        )


def made_for(batches: Batches, of: Batch, now_s: float) -> list[Seen]:
    """The batches that were lit for this one, or whose weighed base went into it; one that cannot be read is left out."""
    numbers = {e.what.batch for e in of.log.counted if isinstance(e.what, BaseWeighed)} | set(batches.made_for(of.id))
    found, _ = each(
        batches.some(sorted(numbers - {of.id})), lambda batch: seen_of(batch, now_s), lambda batch: batch.name
    )
    return found


def mended(db: Database, body: MendIn, now_s: float) -> MendingOut:
    """What went wrong, from the record of the batch that is named and of what was made for it."""
    kitchen = db.kept(read_shelf).place
    with db.reading() as session:
        batches = Batches(session)
        batch = batches.batch(body.batch) if body.batch is not None else None
        of = seen_of(batch, now_s) if batch else None
        parts = made_for(batches, batch, now_s) if batch else []
        held = confirmed(session, body.fault) if body.fault else {}
    return mending(body, of, parts, kitchen, held)


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    def _as_it_stands(body: NextIn) -> ReducePlan | None:
        """A sentence that cannot be read is said to be so where it stands."""
        with suppress(KitchenError):
            return read_plan(body.plan, db.kept(read_shelf)) if body.plan is not None else None
        return None

    @app.get("/api/mend/choices", tags=TAGS, responses={200: MendChoices})
    def get_mend_choices() -> Any:
        """All that is made, with what can go wrong with it"""
        return mend_choices()

    @app.post("/api/mend", tags=TAGS, responses={200: MendingOut})
    def diagnose(body: MendIn) -> Any:
        """What went wrong: the causes in their order, what speaks for each, what to ask, what to do"""
        return mended(db, body, clock())

    @app.post("/api/mend/next", tags=TAGS, responses={200: NextPlanOut})
    def get_next_time(body: NextIn) -> Any:
        """What was kept for the next time that this is made"""
        now, plan = clock(), _as_it_stands(body)
        with db.reading() as session:
            found = newest_found(session)
        wanted = [(batch, one.what) for batch, one in found if one.what.next_time]
        seen, _ = each(wanted, lambda pair: (seen_of(pair[0], now), pair[1]), lambda pair: pair[0].name)
        kept = [next_time(batch, what, body.of, plan) for batch, what in seen if batch.is_of(body.of)]
        return NextPlanOut(kept=[one for one in kept if one is not None])
