"""A year of the Book over HTTP: milk, sweets, hours and money by month, and how what came stood to what was told."""

import math
from collections.abc import Callable
from contextlib import suppress
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.batch.learning import SPREADS
from ..core.batch.season import by_month
from ..core.errors import Unavailable
from ..core.ranges import Range
from ..store.book import keep_summaries, summed
from ..store.database import Database
from ..store.season import MOST_ANEW, Season, local, milk_strips, season, years
from ..store.shelf import read_shelf
from ..wire.model import Out
from ..wire.season import MonthOut, PointOut, SeasonOut, StripOut, SumOut, strip

TAGS = [Tag(name="book")]


class YearQuery(Out):
    year: int | None = Field(None, ge=1990, le=2200, description="The newest with anything in it when left out")


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    def curds(found: list[tuple[int, int, str, float, float]]) -> list[StripOut]:
        """Of each milk: one that has thinned shows."""
        milks = db.kept(read_shelf).milks
        told = Range.lognormal(1.0, SPREADS["yield"].seen)
        strips = []
        for milk in dict.fromkeys(milk for milk, *_ in found):
            mine = [
                PointOut.of(number, name, at_s, math.exp(ln), told)
                for of, number, name, at_s, ln in found
                if of == milk
            ]
            if milk in milks:
                strips.append(strip("chhena", milks[milk].name, mine))
        return strips

    def prices() -> dict[str, float]:
        """Of a m³ of each milk, at what its packs cost today."""
        shelf = db.kept(read_shelf)
        return {
            shelf.milks[number].name: price / pack
            for number, (pack, price) in shelf.packs.items()
            if pack and price is not None
        }

    @app.get("/api/season", tags=TAGS, responses={200: SeasonOut})
    def get_season(query: YearQuery) -> Any:
        """What a year came to, by month and by milk"""
        now = clock()
        with db.reading() as session:
            known = years(session)
            year = query.year or next(iter(known), local(now).year)
            found = season(session, year)
            anew, _ = summed(session, found.old[:MOST_ANEW], now)
        if anew:
            with suppress(Unavailable), db.writing() as session:
                keep_summaries(session, anew)
        with db.reading() as session:
            if anew:
                found = season(session, year)
            milk = milk_strips(session, year)
        whole, months = by_month(found.made, prices())
        return SeasonOut(
            year=year,
            years=known,
            whole=SumOut.of(whole),
            months=[MonthOut(month=month, sum=SumOut.of(told)) for month, told in months.items()],
            strips=[*_strips(found), *curds(milk)],
            pending=len(found.old) if anew else 0,
        )


def _strips(found: Season) -> list[StripOut]:
    figures = (("weight", found.weights), ("minutes", found.minutes), ("pieces", found.pieces))
    return [
        strip(of, "", [PointOut.of(s.batch, s.name, s.at_s, s.got, s.told) for s in stood])
        for of, stood in figures
        if stood
    ]
