"""Sweets over HTTP: what there is to choose, the plan, and what is asked around it."""

from typing import Any, Literal

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.planning.sweets.weighed import WAYS, fits, made_by
from ..store.bases import weighed_bases
from ..store.database import Database
from ..store.recipes import Recipes
from ..store.shelf import read_shelf
from ..wire.model import Out
from ..wire.sweet_asks import CoolIn, CoolOut, LateIn, LateOut, SwapIn, SwapOut, SyrupIn, SyrupOut
from ..wire.sweet_choices import SweetChoices, sweet_choices
from ..wire.sweet_words import SweetIn
from ..wire.sweets import SweetOut, answer_sweet
from .bases import ready_bases
from .shelf import base_days

TAGS = [Tag(name="sweets")]


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
