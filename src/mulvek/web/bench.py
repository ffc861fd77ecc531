"""Bench over HTTP: reckon a plan. Nothing is kept."""

from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.bases.reduce import forecast
from ..formats.reduce import ForecastOut, ReduceIn, read_plan
from ..store.database import Database
from ..store.larder import Larder


def routes(app: OpenAPI, db: Database) -> None:
    @app.post("/api/bench/reduce", tags=[Tag(name="bench")], responses={200: ForecastOut})
    def reckon_reduce(body: ReduceIn) -> Any:
        """Reckon a reduction: level, minutes, yield and thickness, with the whole way down"""
        with db.reading() as session:
            plan = read_plan(body, Larder(session))
        return ForecastOut.of(forecast(plan), body.pan if isinstance(body.pan, int) else None)
