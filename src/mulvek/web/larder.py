"""Larder over HTTP: the kitchen and its things, to see, add, change and take out; and the small tests."""

from collections.abc import Sequence
from typing import Any, TypeVar

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field
from sqlalchemy.orm import Session

from ..core.composition.materials import materials
from ..core.equipment.kitchen import Kept
from ..core.planning.sweets.currency import check_currency
from ..store.batches import Batches
from ..store.database import Database
from ..store.larder import Larder
from ..store.shelf import read_shelf
from ..wire.larder import (
    BurnerChange,
    BurnerIn,
    BurnerOut,
    IngredientChange,
    IngredientIn,
    IngredientOut,
    KitchenIn,
    KitchenOut,
    LarderOut,
    MaterialOut,
    MilkChange,
    MilkIn,
    MilkOut,
    burner_kinds,
    enrichers,
    milk_kinds,
    sugars,
)
from ..wire.model import Out
from ..wire.pans import PanChange, PanIn, PanOut, pan_materials
from ..wire.trials import BurnerTrialIn, BurnerTrialOut, CupTrialIn, CupTrialOut, LactometerIn, LactometerOut

TAGS = [Tag(name="larder")]
T = TypeVar("T")


class ThingPath(Out):
    id: int = Field(ge=1, le=2**53)


class RemoveQuery(Out):
    version: int = Field(ge=1, le=2**31, description="The version you saw")


class MaterialsOut(Out):
    """The tables, with source and confidence of every row."""

    materials: list[MaterialOut]


def larder_out(session: Session) -> LarderOut:
    larder = Larder(session)
    row = larder.row()
    milks, pans, burners, ingredients = larder.milks(), larder.pans(), larder.burners(), larder.ingredients()
    versions = [row.version, *(k.version for k in milks), *(k.version for k in pans), *(k.version for k in burners)]
    told = LarderOut(
        aside=[],
        kitchen=KitchenOut.of(row.name, larder.kitchen(), row.version, row.currency),
        milks=[MilkOut.of(kept) for kept in milks],
        pans=[PanOut.of(kept.id, kept.thing, kept.version) for kept in pans],
        burners=[BurnerOut.of(kept) for kept in burners],
        ingredients=[IngredientOut.of(kept) for kept in ingredients],
        sugars=sugars(),
        enrichers=enrichers(),
        burner_kinds=burner_kinds(),
        milk_kinds=milk_kinds(),
        pan_materials=pan_materials(),
        untouched=_untouched(versions, len(pans), len(ingredients), Batches(session).any()),
    )
    return told.model_copy(update={"aside": larder.aside})


def _untouched(versions: Sequence[int], pans: int, ingredients: int, begun: bool) -> bool:
    """Whether nobody has said anything of this kitchen yet."""
    return set(versions) == {1} and pans == 1 and not ingredients and not begun


def _one(things: Sequence[Kept[T]], thing_id: int) -> Kept[T]:
    return next(kept for kept in things if kept.id == thing_id)


def routes(app: OpenAPI, db: Database) -> None:
    @app.get("/api/larder", tags=TAGS, responses={200: LarderOut})
    def get_larder() -> Any:
        """The kitchen and all its things"""
        told = db.kept(larder_out)
        with db.reading() as session:
            begun = Batches(session).any()  # what is kept does not notice that a first batch was begun
        return told.model_copy(update={"untouched": told.untouched and not begun})

    @app.get("/api/larder/materials", tags=TAGS, responses={200: MaterialsOut})
    def get_materials() -> Any:
        """The tables of materials"""
        return MaterialsOut(materials=[MaterialOut.of(m) for m in materials().values()])

    @app.put("/api/larder/kitchen", tags=TAGS, responses={200: LarderOut})
    def set_kitchen(body: KitchenIn) -> Any:
        """Set where the kitchen is and what its cups hold"""
        kitchen, currency = body.kitchen(), check_currency(body.currency) if body.currency else None
        with db.writing() as session:
            Larder(session).change_kitchen(body.name.strip(), kitchen, body.version, currency)
            return larder_out(session)

    _milk_routes(app, db)
    _pan_routes(app, db)
    _burner_routes(app, db)
    _ingredient_routes(app, db)
    _trial_routes(app, db)


def _milk_routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/larder/milks", tags=TAGS, responses={201: MilkOut})
    def add_milk(body: MilkIn) -> Any:
        """Add a milk by its label"""
        with db.writing() as session:
            larder = Larder(session)
            new = larder.add_milk(body.milk(), body.pack_m3, body.price)
            return MilkOut.of(_one(larder.milks(), new)), 201

    @app.put("/api/larder/milks/<int:id>", tags=TAGS, responses={200: MilkOut})
    def change_milk(path: ThingPath, body: MilkChange) -> Any:
        """Change a milk"""
        with db.writing() as session:
            larder = Larder(session)
            larder.change_milk(path.id, body.version, body.milk(), body.pack_m3, body.price)
            return MilkOut.of(_one(larder.milks(), path.id))

    @app.delete("/api/larder/milks/<int:id>", tags=TAGS, responses={200: LarderOut})
    def remove_milk(path: ThingPath, query: RemoveQuery) -> Any:
        """Take a milk out"""
        return _remove(db, "milk", path.id, query.version)


def _pan_routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/larder/pans", tags=TAGS, responses={201: PanOut})
    def add_pan(body: PanIn) -> Any:
        """Add a pan by its measures"""
        pan = body.pan()
        with db.writing() as session:
            return PanOut.of(Larder(session).add_pan(pan), pan), 201

    @app.put("/api/larder/pans/<int:id>", tags=TAGS, responses={200: PanOut})
    def change_pan(path: ThingPath, body: PanChange) -> Any:
        """Change a pan"""
        with db.writing() as session:
            larder = Larder(session)
            larder.change_pan(path.id, body.version, body.pan())
            kept = _one(larder.pans(), path.id)
            return PanOut.of(kept.id, kept.thing, kept.version)

    @app.delete("/api/larder/pans/<int:id>", tags=TAGS, responses={200: LarderOut})
    def remove_pan(path: ThingPath, query: RemoveQuery) -> Any:
        """Take a pan out"""
        return _remove(db, "pan", path.id, query.version)

    @app.post("/api/larder/pan-drawings", tags=TAGS, responses={200: PanOut})
    def draw_pan(body: PanIn) -> Any:
        """What a pan of these measures looks like and holds; nothing is kept"""
        return PanOut.of(None, body.pan())


def _burner_routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/larder/burners", tags=TAGS, responses={201: BurnerOut})
    def add_burner(body: BurnerIn) -> Any:
        """Add a burner"""
        with db.writing() as session:
            larder = Larder(session)
            new = larder.add_burner(body.burner())
            return BurnerOut.of(_one(larder.burners(), new)), 201

    @app.put("/api/larder/burners/<int:id>", tags=TAGS, responses={200: BurnerOut})
    def change_burner(path: ThingPath, body: BurnerChange) -> Any:
        """Change a burner, or keep what timing it found"""
        with db.writing() as session:
            larder = Larder(session)
            larder.change_burner(path.id, body.version, body.burner())
            return BurnerOut.of(_one(larder.burners(), path.id))

    @app.delete("/api/larder/burners/<int:id>", tags=TAGS, responses={200: LarderOut})
    def remove_burner(path: ThingPath, query: RemoveQuery) -> Any:
        """Take a burner out"""
        return _remove(db, "burner", path.id, query.version)


def _ingredient_routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/larder/ingredients", tags=TAGS, responses={201: IngredientOut})
    def add_ingredient(body: IngredientIn) -> Any:
        """Keep an own copy of a material of the tables"""
        with db.writing() as session:
            larder = Larder(session)
            new = larder.add_ingredient(body.base, body.own(), body.pack_kg, body.price)
            return IngredientOut.of(_one(larder.ingredients(), new)), 201

    @app.put("/api/larder/ingredients/<int:id>", tags=TAGS, responses={200: IngredientOut})
    def change_ingredient(path: ThingPath, body: IngredientChange) -> Any:
        """Change an own ingredient"""
        with db.writing() as session:
            larder = Larder(session)
            larder.change_ingredient(path.id, body.version, body.base, body.own(), body.pack_kg, body.price)
            return IngredientOut.of(_one(larder.ingredients(), path.id))

    @app.delete("/api/larder/ingredients/<int:id>", tags=TAGS, responses={200: LarderOut})
    def remove_ingredient(path: ThingPath, query: RemoveQuery) -> Any:
        """Take an ingredient out"""
        return _remove(db, "ingredient", path.id, query.version)


def _trial_routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/larder/lactometer", tags=TAGS, responses={200: LactometerOut})
    def read_lactometer(body: LactometerIn) -> Any:
        """What a lactometer reading says of a milk; nothing is kept"""
        milk = db.kept(read_shelf).milk(body.milk) if body.milk is not None else None
        return LactometerOut.of(body.check(milk))

    @app.post("/api/larder/burner-trials", tags=TAGS, responses={200: BurnerTrialOut})
    def time_burner(body: BurnerTrialIn) -> Any:
        """A burner's strength from water timed on it; nothing is kept"""
        shelf = db.kept(read_shelf)
        return BurnerTrialOut.of(body.calibrate(shelf.burner(body.burner), shelf.pan(body.pan), shelf.kitchen()))

    @app.post("/api/larder/cup-trials", tags=TAGS, responses={200: CupTrialOut})
    def weigh_cup(body: CupTrialIn) -> Any:
        """What a cup holds, from its weight of water or from level spoons; nothing is kept"""
        return CupTrialOut.of(body)


def _remove(db: Database, what: str, thing_id: int, version: int) -> LarderOut:
    with db.writing() as session:
        Larder(session).remove(what, thing_id, version)
        session.flush()
        return larder_out(session)
