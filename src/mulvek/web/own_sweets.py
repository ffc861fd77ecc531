"""Sweets of one's own over HTTP: written as one tells a batch or in letters, kept, changed, taken out; or a batch made on
paper written into the Book alone."""

from collections.abc import Callable
from dataclasses import replace
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.events import PiecesCounted, StepDone, Weighed
from ..core.errors import BadInput, Impossible, NotFound
from ..core.planning.sweets.forms import read_sweet
from ..core.planning.sweets.library import library_form
from ..core.planning.sweets.plan import plan_sweet
from ..store.batches import Batches
from ..store.database import Database
from ..store.planned import Planned
from ..store.recipes import Recipes
from ..store.shelf import Shelf, read_shelf
from ..wire.model import Out
from ..wire.sweet_batch import run_of
from ..wire.sweet_choices import OwnSweetIn, OwnSweetOut, SweetChoices, sweet_choices
from ..wire.sweet_told import ToldBookIn, ToldKeepIn, ToldOut, answer_told
from ..wire.sweet_words import SweetIn, read_prices, read_sweet_plan
from ..wire.sweets import SweetOut
from ..wire.told_lines import ToldIn
from .happened import FUTURE_S
from .larder import RemoveQuery, ThingPath
from .stream import Changes

TAGS = [Tag(name="sweets")]
ON_PAPER = "own-told"
"""The key of a sweet that stands in the Book alone."""


class FormQuery(Out):
    sweet: str = Field(max_length=60, description='"kulfi", or an own one: "own-3"')


class FormOut(Out):
    """A sweet as it is written down, to copy and change."""

    form: dict[str, Any]


class WrittenOut(Out):
    """The batch that stands in the Book now."""

    batch_id: int


def _told_whole(told: ToldIn, name: str, shelf: Shelf) -> tuple[ToldOut, dict[str, Any]]:
    """:raises Impossible: field "lines", when the batch is not told whole."""
    answer = answer_told(told.model_copy(update={"name": name}), shelf)
    if answer.form is None:
        first = next((f"{line.problem} {line.fix}" for line in answer.lines if line.problem), answer.problem)
        if first:
            raise Impossible("lines", "told-not-whole-for", why=first)
        raise Impossible("lines", "told-not-whole")
    return answer, answer.form


def _on_paper(body: ToldBookIn, shelf: Shelf) -> tuple[Planned, ToldOut]:
    """The plan that the batch would have had, and what came of it."""
    told, form = _told_whole(body.told, body.name, shelf)
    there = replace(shelf, own_sweets={**shelf.own_sweets, ON_PAPER: read_sweet(ON_PAPER, form)})
    want = str(told.count) if told.count else f"{told.finished_kg * 1e3:.0f} g"
    words = SweetIn.model_validate({"sweet": ON_PAPER, "want": want, "whole_packs": False})
    found = plan_sweet(read_sweet_plan(words, there, {}))
    planned = SweetOut.of(found, words, read_prices(words, there)).model_dump(mode="json")
    return Planned(
        kind="sweet",
        name=body.name.strip(),
        plan=run_of(found),
        words=words.model_dump(mode="json"),
        forecast={**planned, "told": form["told"]},
    ), told


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], changes: Changes) -> None:
    @app.get("/api/sweets/form", tags=TAGS, responses={200: FormOut})
    def get_form(query: FormQuery) -> Any:
        """A sweet's form, to copy and make one's own"""
        if not query.sweet.startswith("own-"):
            return FormOut(form=dict(library_form(query.sweet)))
        with db.reading() as session:
            form = next((o.form for o in Recipes(session).all() if o.key == query.sweet), None)
        if form is None:
            raise NotFound("sweet", "no-own-sweet", sweet=query.sweet)
        return FormOut(form=dict(form))

    @app.post("/api/sweets/told", tags=TAGS, responses={200: ToldOut})
    def reckon_told(body: ToldIn) -> Any:
        """One batch in the cook's own lines: what went in, what became of it, and what is unusual about it"""
        return answer_told(body, db.kept(read_shelf))

    @app.post("/api/sweets/told/keep", tags=TAGS, responses={201: OwnSweetOut})
    def keep_told(body: ToldKeepIn) -> Any:
        """Keep a told batch as a sweet of one's own"""
        _, form = _told_whole(body.told, body.name, db.kept(read_shelf))
        with db.writing() as session:
            made = Recipes(session).add(form)
        return OwnSweetOut(id=made, version=1, key=f"own-{made}", form=form), 201

    @app.put("/api/sweets/told/keep/<int:id>", tags=TAGS, responses={200: OwnSweetOut})
    def change_told(path: ThingPath, body: ToldKeepIn) -> Any:
        """Change an own sweet by the lines it is told in"""
        version = _version(body.version)
        _, form = _told_whole(body.told, body.name, db.kept(read_shelf))
        with db.writing() as session:
            Recipes(session).change(path.id, version, form)
        return OwnSweetOut(id=path.id, version=version + 1, key=f"own-{path.id}", form=form)

    @app.post("/api/sweets/told/book", tags=TAGS, responses={201: WrittenOut})
    def write_told(body: ToldBookIn) -> Any:
        """Write a batch that was made on paper into the Book, finished as it was told; no sweet is kept of it"""
        now = clock()
        at = now if body.made_at_s is None else body.made_at_s
        if at > now + FUTURE_S:
            raise BadInput("made_at_s", "made-in-future")
        at = min(at, now)
        plan, told = _on_paper(body, db.kept(read_shelf))
        with db.writing() as session:
            batches = Batches(session)
            if body.key is not None and (known := batches.begun(body.key)) is not None:
                return WrittenOut(batch_id=known), 201
            batch = batches.batch(batches.begin(plan, at, body.key))
            for step in plan.plan.steps:
                batch = batches.log(batch, StepDone(step.key), at, now)
            if told.weighed:
                batch = batches.log(batch, Weighed(told.finished_kg), at, now)
            if told.count:
                batch = batches.log(batch, PiecesCounted(told.count), at, now)
        changes.publish()
        return WrittenOut(batch_id=batch.id), 201

    @app.post("/api/sweets/own", tags=TAGS, responses={201: OwnSweetOut})
    def add_own_sweet(body: OwnSweetIn) -> Any:
        """Keep an own sweet: a changed copy, or a new one"""
        with db.writing() as session:
            made = Recipes(session).add(body.form)
        return OwnSweetOut(id=made, version=1, key=f"own-{made}", form=body.form), 201

    @app.put("/api/sweets/own/<int:id>", tags=TAGS, responses={200: OwnSweetOut})
    def change_own_sweet(path: ThingPath, body: OwnSweetIn) -> Any:
        """Change an own sweet"""
        version = _version(body.version)
        with db.writing() as session:
            Recipes(session).change(path.id, version, body.form)
        return OwnSweetOut(id=path.id, version=version + 1, key=f"own-{path.id}", form=body.form)

    @app.delete("/api/sweets/own/<int:id>", tags=TAGS, responses={200: SweetChoices})
    def remove_own_sweet(path: ThingPath, query: RemoveQuery) -> Any:
        """Take an own sweet out; batches made of it stay as they are"""
        with db.writing() as session:
            Recipes(session).remove(path.id, query.version)
            own = {o.key: (o.id, o.version, o.sweet) for o in Recipes(session).all()}
        return sweet_choices(own)


def _version(version: int | None) -> int:
    """:raises BadInput: field "version"."""
    if version is None:
        raise BadInput("version", "version-missing")
    return version
