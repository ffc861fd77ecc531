"""Larder over HTTP: see the kitchen and its things, add a milk or a pan, set the cups."""

from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from sqlalchemy.orm import Session

from ..formats.larder import (
    BurnerOut,
    KitchenIn,
    KitchenOut,
    LarderOut,
    MilkIn,
    MilkOut,
    PanIn,
    PanOut,
    milk_kinds,
    pan_materials,
)
from ..store.database import Database
from ..store.larder import Larder

TAGS = [Tag(name="larder")]


def larder_out(session: Session) -> LarderOut:
    larder = Larder(session)
    return LarderOut(
        kitchen=KitchenOut.of(larder.row().name, larder.kitchen()),
        milks=[MilkOut.of(i, milk) for i, milk in larder.milks().items()],
        pans=[PanOut.of(i, pan) for i, pan in larder.pans().items()],
        burners=[BurnerOut.of(i, burner) for i, burner in larder.burners().items()],
        milk_kinds=milk_kinds(),
        pan_materials=pan_materials(),
    )


def routes(app: OpenAPI, db: Database) -> None:
    @app.get("/api/larder", tags=TAGS, responses={200: LarderOut})
    def get_larder() -> Any:
        """The kitchen and all its things"""
        with db.reading() as session:
            return larder_out(session)

    @app.put("/api/larder/kitchen", tags=TAGS, responses={200: LarderOut})
    def set_kitchen(body: KitchenIn) -> Any:
        """Set where the kitchen is and what its cups hold"""
        kitchen = body.kitchen()
        with db.writing() as session:
            Larder(session).change_kitchen(body.name.strip(), kitchen)
            return larder_out(session)

    @app.post("/api/larder/milks", tags=TAGS, responses={201: MilkOut})
    def add_milk(body: MilkIn) -> Any:
        """Add a milk by its label"""
        milk = body.milk()
        with db.writing() as session:
            return MilkOut.of(Larder(session).add_milk(milk), milk), 201

    @app.post("/api/larder/pans", tags=TAGS, responses={201: PanOut})
    def add_pan(body: PanIn) -> Any:
        """Add a pan by its measures"""
        pan = body.pan()
        with db.writing() as session:
            return PanOut.of(Larder(session).add_pan(pan), pan), 201

    @app.post("/api/larder/pan-drawings", tags=TAGS, responses={200: PanOut})
    def draw_pan(body: PanIn) -> Any:
        """What a pan of these measures looks like and holds; nothing is kept"""
        return PanOut.of(None, body.pan())
