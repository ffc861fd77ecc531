"""Sweets over HTTP: the library, one's own, the plan, and what is asked around it."""

from typing import Any, Literal

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.errors import BadInput, Impossible, NotFound
from ..core.planning.sweets.library import library_form
from ..core.planning.sweets.weighed import WAYS, fits, made_by
from ..store.bases import weighed_bases
from ..store.database import Database
from ..store.recipes import Recipes
from ..store.shelf import read_shelf
from ..wire.model import Out
from ..wire.sweet_asks import CoolIn, CoolOut, LateIn, LateOut, SwapIn, SwapOut, SyrupIn, SyrupOut
from ..wire.sweet_choices import OwnSweetIn, OwnSweetOut, SweetChoices, sweet_choices
from ..wire.sweet_told import ToldIn, ToldKeepIn, ToldOut, answer_told
from ..wire.sweet_words import SweetIn
from ..wire.sweets import SweetOut, answer_sweet
from .bases import ready_bases
from .larder import RemoveQuery, ThingPath
from .shelf import base_days

TAGS = [Tag(name="sweets")]


class FormQuery(Out):
    sweet: str = Field(max_length=60, description='"kulfi", or an own one: "own-3"')


class FormOut(Out):
    """A sweet as it is written down, to copy and change."""

    form: dict[str, Any]


class BaseChoice(Out):
    """What stands there of a weighed batch and can be a base: ``does`` which ways of making one it fits, ``mass_kg`` what
    is left of it, ``kind`` of which batch."""

    ref: str
    name: str
    kind: Literal["reduce", "curdle", "hang", "caramel"]
    mass_kg: float
    weighed_at_s: float
    fridge_days: int
    total_solids: float
    fat: float
    added_sugar: float
    does: list[str]


class BasesOut(Out):
    bases: list[BaseChoice]


def _told_form(body: ToldKeepIn, db: Database) -> dict[str, Any]:
    """:raises Impossible: field "lines", when the batch is not told whole."""
    told = body.told.model_copy(update={"name": body.name})
    answer = answer_told(told, db.kept(read_shelf))
    if answer.form is None:
        first = next((f"{line.problem} {line.fix}" for line in answer.lines if line.problem), answer.problem)
        raise Impossible(
            "lines", first or "It is not told yet what went in and what came of it.", "Write it as a line."
        )
    return answer.form


def routes(app: OpenAPI, db: Database) -> None:
    @app.get("/api/sweets/choices", tags=TAGS, responses={200: SweetChoices})
    def get_sweet_choices() -> Any:
        """What the sentence chooses from: the cook's own sweets and the library"""
        with db.reading() as session:
            own = {o.key: (o.id, o.version, o.sweet) for o in Recipes(session).all()}
        return sweet_choices(own)

    @app.post("/api/sweets/plan", tags=TAGS, responses={200: SweetOut})
    def reckon_sweet(body: SweetIn) -> Any:
        """Reckon a sweet from what is wanted or from what there is"""
        return answer_sweet(body, db.kept(read_shelf), ready_bases(body, db))

    @app.post("/api/sweets/swap", tags=TAGS, responses={200: SwapOut})
    def swap_ingredient(body: SwapIn) -> Any:
        """What can stand in for an ingredient that is not there, and what it does"""
        return SwapOut.answer(body, db.kept(read_shelf), ready_bases(body.plan, db))

    @app.post("/api/sweets/late", tags=TAGS, responses={200: LateOut})
    def late_change(body: LateIn) -> Any:
        """Sweeter now, too thick, too thin, too few moulds"""
        return LateOut.answer(body, db.kept(read_shelf), ready_bases(body.plan, db))

    @app.post("/api/sweets/cool", tags=TAGS, responses={200: CoolOut})
    def check_cooling(body: CoolIn) -> Any:
        """Whether a pot cools in time, 60 to 21 to 5 °C"""
        return CoolOut.answer(body, db.kept(read_shelf), ready_bases(body.plan, db))

    @app.post("/api/sweets/syrup", tags=TAGS, responses={200: SyrupOut})
    def reckon_syrup(body: SyrupIn) -> Any:
        """A syrup's strength, what it is called, where it boils here, and how to bring it to another"""
        kitchen = db.kept(read_shelf).place
        return SyrupOut.answer(body, kitchen.altitude_m, kitchen.room_c)

    @app.get("/api/sweets/bases", tags=TAGS, responses={200: BasesOut})
    def get_bases() -> Any:
        """Weighed batches of the Stove that a sweet can be built from, newest first"""
        place = db.kept(read_shelf).place
        found = [
            BaseChoice(
                ref=ref,
                name=base.said,
                kind=made_by(base),
                mass_kg=base.mass_kg,
                weighed_at_s=base.at_s,
                fridge_days=base_days(base, place),
                total_solids=base.parts.total_solids,
                fat=base.parts.fat,
                added_sugar=base.added_sugar,
                does=[do for do in WAYS if fits(do, base)],
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

    @app.post("/api/sweets/told", tags=TAGS, responses={200: ToldOut})
    def reckon_told(body: ToldIn) -> Any:
        """One batch in the cook's own lines: what went in, what became of it, and what is unusual about it"""
        return answer_told(body, db.kept(read_shelf))

    @app.post("/api/sweets/told/keep", tags=TAGS, responses={201: OwnSweetOut})
    def keep_told(body: ToldKeepIn) -> Any:
        """Keep a told batch as a sweet of one's own"""
        form = _told_form(body, db)
        with db.writing() as session:
            made = Recipes(session).add(form)
        return OwnSweetOut(id=made, version=1, key=f"own-{made}", form=form), 201

    @app.put("/api/sweets/told/keep/<int:id>", tags=TAGS, responses={200: OwnSweetOut})
    def change_told(path: ThingPath, body: ToldKeepIn) -> Any:
        """Change an own sweet by the lines it is told in"""
        if body.version is None:
            raise BadInput("version", "Which version was changed?", "Give the version you saw.")
        form = _told_form(body, db)
        with db.writing() as session:
            Recipes(session).change(path.id, body.version, form)
        return OwnSweetOut(id=path.id, version=body.version + 1, key=f"own-{path.id}", form=form)

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
