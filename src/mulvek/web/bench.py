"""Bench over HTTP: reckon a plan and what a cook asks around it. Nothing is kept."""

from functools import partial
from typing import Any

from flask import Response
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field, ValidationError

from ..core.errors import BadInput
from ..core.planning.reduce.compare import compare
from ..core.planning.reduce.forecast import forecast
from ..core.planning.strain.forecast import strain
from ..files.dipstick import sheet
from ..files.sheet import to_pdf, to_svg
from ..store.database import Database
from ..store.shelf import read_shelf
from ..wire.bench import CompareOut, MendIn, MendOut, WishIn, WishOut
from ..wire.caramel import CaramelIn, CaramelOut, answer_caramel
from ..wire.curd import (
    CurdChoices,
    CurdForecastOut,
    CurdleIn,
    CurdWishIn,
    CurdWishOut,
    answer_curdle,
    curd_choices,
)
from ..wire.fruit import FruitIn, FruitOut
from ..wire.model import Out
from ..wire.reduce import ForecastOut, ReduceIn, read_plan
from ..wire.strain import StrainForecastOut, StrainIn, read_strain

TAGS = [Tag(name="bench")]


class PlanQuery(Out):
    plan: str = Field(max_length=4000, description="The plan, as JSON")


def routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/bench/reduce", tags=TAGS, responses={200: ForecastOut})
    def reckon_reduce(body: ReduceIn) -> Any:
        """Reckon a reduction: level, minutes, yield and thickness, with the whole way down"""
        plan = read_plan(body, db.kept(read_shelf))
        return ForecastOut.of(forecast(plan), body.pan if isinstance(body.pan, int) else None)

    @app.post("/api/bench/compare", tags=TAGS, responses={200: CompareOut})
    def compare_pans(body: ReduceIn) -> Any:
        """Which pan, which flame: the kitchen's pans on every flame of the plan's burner"""
        shelf = db.kept(read_shelf)
        plan = read_plan(body, shelf)
        burner = body.burner if isinstance(body.burner, int) else 0
        ways, unfit = compare(plan, shelf.pans, partial(_rate, shelf, burner))
        return CompareOut(ways=ways, unfit=unfit)

    @app.post("/api/bench/wish", tags=TAGS, responses={200: WishOut})
    def wish(body: WishIn) -> Any:
        """From the wish back: milk for so much of the product"""
        return WishOut.answer(body, db.kept(read_shelf))

    @app.post("/api/bench/mend", tags=TAGS, responses={200: MendOut})
    def mend_batch(body: MendIn) -> Any:
        """Too thick or too thin: milk to stir in, or minutes back on the heat"""
        return MendOut.answer(body, db.kept(read_shelf))

    @app.post("/api/bench/caramel", tags=TAGS, responses={200: CaramelOut})
    def caramel(body: CaramelIn) -> Any:
        """Caramelised milk by the pan method: steps, temperatures and what it gives"""
        return answer_caramel(body, db.kept(read_shelf))

    @app.get("/api/bench/curd-choices", tags=TAGS, responses={200: CurdChoices})
    def get_curd_choices() -> Any:
        """What the sentences of curdling and straining choose from"""
        return curd_choices()

    @app.post("/api/bench/curdle", tags=TAGS, responses={200: CurdForecastOut})
    def reckon_curdle(body: CurdleIn) -> Any:
        """Reckon a curdling: when the acid goes in, how much, what curd and how many pieces"""
        return answer_curdle(body, db.kept(read_shelf))

    @app.post("/api/bench/curdle-wish", tags=TAGS, responses={200: CurdWishOut})
    def curdle_wish(body: CurdWishIn) -> Any:
        """From the wish back: milk for so much chhena, or so many balls"""
        return CurdWishOut.answer(body, db.kept(read_shelf))

    @app.post("/api/bench/strain", tags=TAGS, responses={200: StrainForecastOut})
    def reckon_strain(body: StrainIn) -> Any:
        """Reckon a straining: whey, thickness and sourness with time; logged whey moves what is to come"""
        return StrainForecastOut.of(strain(read_strain(body, db.kept(read_shelf))))

    @app.post("/api/bench/fruit", tags=TAGS, responses={200: FruitOut})
    def mix_fruit(body: FruitIn) -> Any:
        """Whether fruit curdles this milk, cold or hot"""
        return FruitOut.answer(body, db.kept(read_shelf))

    def drawing(query: PlanQuery) -> Any:
        try:
            words = ReduceIn.model_validate_json(query.plan)
        except ValidationError as error:
            first = error.errors(include_url=False)[0]
            where = ".".join(str(part) for part in first["loc"])
            raise BadInput("plan", "plan-cannot-be-read", where=where, why=first["msg"]) from None
        return sheet(forecast(read_plan(words, db.kept(read_shelf))))

    @app.get("/api/bench/dip-stick.svg", tags=TAGS)
    def dip_stick_svg(query: PlanQuery) -> Any:
        """The dip-stick of this plan, to print 1:1, as SVG"""
        return Response(to_svg(drawing(query)), mimetype="image/svg+xml")

    @app.get("/api/bench/dip-stick.pdf", tags=TAGS)
    def dip_stick_pdf(query: PlanQuery) -> Any:
        """The dip-stick of this plan, to print 1:1, as PDF"""
        return Response(to_pdf(drawing(query), title="Mulvek dip-stick"), mimetype="application/pdf")


def _rate(shelf: Any, burner_id: int, pan_id: int, flame: Any) -> Any:
    return shelf.rate(pan_id, burner_id, flame)
