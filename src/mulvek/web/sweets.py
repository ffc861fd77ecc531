"""Sweets over HTTP: the library, one's own, the plan, what is asked around it; and sweets on the Stove."""

from collections.abc import Callable, Mapping
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.equipment.quantities import Measures
from ..core.errors import BadInput, NotFound
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.library import library_form
from ..core.planning.sweets.plan import plan_sweet
from ..core.planning.sweets.weighed import fits
from ..formats.model import Out
from ..formats.sweet_asks import CoolIn, CoolOut, LateIn, LateOut, SwapIn, SwapOut, SyrupIn, SyrupOut
from ..formats.sweet_batch import SweetBatchOut, SweetBegin, SweetEventIn, run_of
from ..formats.sweet_choices import OwnSweetIn, OwnSweetOut, SweetChoices, sweet_choices
from ..formats.sweet_words import SweetIn, read_prices, read_sweet_plan
from ..formats.sweets import SweetOut, answer_sweet
from ..store.aside import each
from ..store.database import Database
from ..store.recipes import Recipes
from ..store.shelf import read_shelf
from ..store.sweets import SweetBatch, Sweets, weighed_base, weighed_bases
from .book import PageQuery
from .happened import moment
from .larder import RemoveQuery, ThingPath
from .stove import BatchPath
from .stream import Changes

TAGS, STOVE, BOOK = [Tag(name="sweets")], [Tag(name="stove")], [Tag(name="book")]


class FormQuery(Out):
    sweet: str = Field(max_length=60, description='"kulfi", or an own one: "own-3"')


class FormOut(Out):
    """A sweet as it is written down, to copy and change."""

    form: dict[str, Any]


class BaseChoice(Out):
    """A weighed batch that can stand for a base: ``does`` which ways of making one it fits."""

    ref: str
    name: str
    mass_kg: float
    total_solids: float
    fat: float
    added_sugar: float
    does: list[str]


class BasesOut(Out):
    bases: list[BaseChoice]


class SweetBatchesOut(Out):
    batches: list[SweetBatchOut]
    total: int
    aside: list[str] = Field(description="Names of those that are damaged in the file and cannot be read")


def sweet_out(batch: SweetBatch, now_s: float, measures: Measures) -> SweetBatchOut:
    return SweetBatchOut.of(
        batch.id,
        batch.name,
        batch.created_at_s,
        batch.run,
        SweetIn.model_validate(batch.words),
        batch.told,
        batch.events,
        batch.state(now_s),
        now_s,
        measures,
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes) -> None:
    def ready(words: SweetIn) -> Mapping[str, ReadyBase]:
        """The weighed batches that the words name as bases."""
        if not words.bases:
            return {}
        known = db.kept(weighed_bases)
        return {letter: weighed_base(known, ref) for letter, ref in words.bases.items()}

    def out(batch: SweetBatch, now_s: float) -> SweetBatchOut:
        return sweet_out(batch, now_s, db.kept(read_shelf).place.measures)

    def listed(batches: list[SweetBatch], aside: list[str], total: int, now_s: float) -> SweetBatchesOut:
        shown, more = each(batches, lambda batch: out(batch, now_s), lambda batch: batch.name)
        return SweetBatchesOut(batches=shown, total=total, aside=aside + more)

    @app.get("/api/sweets/choices", tags=TAGS, responses={200: SweetChoices})
    def get_sweet_choices() -> Any:
        """What the sentence chooses from: the cook's own sweets and the library"""
        with db.reading() as session:
            own = {o.key: (o.id, o.version, o.sweet) for o in Recipes(session).all()}
        return sweet_choices(own)

    @app.post("/api/sweets/plan", tags=TAGS, responses={200: SweetOut})
    def reckon_sweet(body: SweetIn) -> Any:
        """Reckon a sweet from what is wanted or from what there is"""
        return answer_sweet(body, db.kept(read_shelf), ready(body))

    @app.post("/api/sweets/swap", tags=TAGS, responses={200: SwapOut})
    def swap_ingredient(body: SwapIn) -> Any:
        """What can stand in for an ingredient that is not there, and what it does"""
        return SwapOut.answer(body, db.kept(read_shelf), ready(body.plan))

    @app.post("/api/sweets/late", tags=TAGS, responses={200: LateOut})
    def late_change(body: LateIn) -> Any:
        """Sweeter now, too thick, too thin, too few moulds"""
        return LateOut.answer(body, db.kept(read_shelf), ready(body.plan))

    @app.post("/api/sweets/cool", tags=TAGS, responses={200: CoolOut})
    def check_cooling(body: CoolIn) -> Any:
        """Whether a pot cools in time, 60 to 21 to 5 °C"""
        return CoolOut.answer(body, db.kept(read_shelf), ready(body.plan))

    @app.post("/api/sweets/syrup", tags=TAGS, responses={200: SyrupOut})
    def reckon_syrup(body: SyrupIn) -> Any:
        """A syrup's strength, what it is called, where it boils here, and how to bring it to another"""
        kitchen = db.kept(read_shelf).place
        return SyrupOut.answer(body, kitchen.altitude_m, kitchen.room_c)

    @app.get("/api/sweets/bases", tags=TAGS, responses={200: BasesOut})
    def get_bases() -> Any:
        """Weighed batches of the Stove that a sweet can be built from, newest first"""
        found = [
            BaseChoice(
                ref=ref,
                name=base.said,
                mass_kg=base.mass_kg,
                total_solids=base.parts.total_solids,
                fat=base.parts.fat,
                added_sugar=base.added_sugar,
                does=[do for do in ("reduce", "curdle", "hang") if fits(do, base.parts)],
            )
            for ref, base in db.kept(weighed_bases).items()
        ]
        return BasesOut(bases=found)

    @app.get("/api/sweets/form", tags=TAGS, responses={200: FormOut})
    def get_form(query: FormQuery) -> Any:
        """A sweet's form, to copy and make one's own"""
        if not query.sweet.startswith("own-"):
            return FormOut(form=dict(library_form(query.sweet)))
        with db.reading() as session:
            form = next((o.form for o in Recipes(session).all() if o.key == query.sweet), None)
        if form is None:
            raise NotFound("sweet", f"There is no own sweet “{query.sweet}”.", "Choose one of the list.")
        return FormOut(form=dict(form))

    @app.post("/api/sweets/own", tags=TAGS, responses={201: OwnSweetOut})
    def add_own_sweet(body: OwnSweetIn) -> Any:
        """Keep an own sweet: a changed copy, or a new one"""
        with db.writing() as session:
            made = Recipes(session).add(body.form)
        return OwnSweetOut(id=made, version=1, key=f"own-{made}", form=body.form), 201

    @app.put("/api/sweets/own/<int:id>", tags=TAGS, responses={200: OwnSweetOut})
    def change_own_sweet(path: ThingPath, body: OwnSweetIn) -> Any:
        """Change an own sweet"""
        if body.version is None:
            raise BadInput("version", "Which version was changed?", "Give the version you saw.")
        with db.writing() as session:
            Recipes(session).change(path.id, body.version, body.form)
        return OwnSweetOut(id=path.id, version=body.version + 1, key=f"own-{path.id}", form=body.form)

    @app.delete("/api/sweets/own/<int:id>", tags=TAGS, responses={200: SweetChoices})
    def remove_own_sweet(path: ThingPath, query: RemoveQuery) -> Any:
        """Take an own sweet out; batches made of it stay as they are"""
        with db.writing() as session:
            Recipes(session).remove(path.id, query.version)
        return get_sweet_choices()

    @app.get("/api/stove/sweets", tags=STOVE, responses={200: SweetBatchesOut})
    def get_sweets() -> Any:
        """Sweets that are being made, oldest first"""
        now = clock()
        with db.reading() as session:
            sweets = Sweets(session)
            running = sweets.running()
        return listed(running, sweets.aside, len(running), now)

    @app.get("/api/book/sweets", tags=BOOK, responses={200: SweetBatchesOut})
    def get_sweet_book(query: PageQuery) -> Any:
        """Sweets, newest first, weighed and counted beside told"""
        now = clock()
        with db.reading() as session:
            sweets = Sweets(session)
            page, total = sweets.page(query.limit, query.offset, query.find)
        return listed(page, sweets.aside, total, now)

    @app.post("/api/stove/sweets", tags=STOVE, responses={201: SweetBatchOut})
    def begin_sweet(body: SweetBegin) -> Any:
        """Begin a sweet: keep its steps, weighing list and answer"""
        now = clock()
        shelf = db.kept(read_shelf)
        forecast = plan_sweet(read_sweet_plan(body.plan, shelf, ready(body.plan)))
        told = SweetOut.of(forecast, body.plan, read_prices(body.plan, shelf))
        with db.writing() as session:
            sweets = Sweets(session)
            made = sweets.begin(
                body.name.strip(),
                run_of(forecast),
                body.plan.model_dump(mode="json"),
                told.model_dump(mode="json"),
                now,
                body.key,
            )
            batch = sweets.batch(made)
        changes.publish()
        return out(batch, now), 201

    @app.get("/api/stove/sweets/<int:batch_id>", tags=STOVE, responses={200: SweetBatchOut})
    def get_sweet(path: BatchPath) -> Any:
        """One of them as it stands now"""
        now = clock()
        with db.reading() as session:
            return out(Sweets(session).batch(path.batch_id), now)

    @app.post("/api/stove/sweets/<int:batch_id>/events", tags=STOVE, responses={201: SweetBatchOut})
    def log_sweet(path: BatchPath, body: SweetEventIn) -> Any:
        """Log a happening; answered when it is on disk"""
        now = clock()
        with db.writing() as session:
            sweets = Sweets(session)
            when = moment(body.event, now, sweets.batch(path.batch_id).created_at_s)
            sweets.append(path.batch_id, body.happening(), when.at_s, now, body.event.key, when.said_s)
            batch = sweets.batch(path.batch_id)
        changes.publish()
        return out(batch, now), 201
