"""What there is of plain things, over HTTP: counted by a line in the cook's words, less what the log says went out."""

from collections.abc import Callable
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.batch.stock import Counted, Use, left
from ..store.database import Database
from ..store.shelf import read_shelf
from ..store.stock import Stock
from ..wire.stock import StockIn, StockOut, StockPath, fresh, read_count, stock_out

TAGS = [Tag(name="larder")]


class Cupboard:
    """What was counted and what went into batches since, worked out anew only after something happened."""

    def __init__(self, db: Database, clock: Callable[[], float]) -> None:
        self._db, self._clock = db, clock
        self._known: tuple[object, list[Use]] = (None, [])

    def look(self) -> tuple[dict[str, Counted], dict[str, float]]:
        """What was counted, and kg that are left of what is believed."""
        now = self._clock()
        with self._db.reading() as session:
            stock = Stock(session)
            counted = stock.counted()
            state = (stock.newest(), counted)
            known = self._known
            if known[0] != state:
                self._known = known = (state, stock.uses(counted, now))
        spoiling = fresh(counted, self._db.kept(read_shelf)) if counted else set()
        return counted, left(counted, known[1], now, spoiling)


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], cupboard: Cupboard) -> None:
    @app.get("/api/stock", tags=TAGS, responses={200: StockOut})
    def get_stock() -> Any:
        """What there is of plain things: counted, less what went into batches since"""
        now = clock()
        return stock_out(*cupboard.look(), db.kept(read_shelf), now)

    @app.put("/api/stock", tags=TAGS, responses={200: StockOut})
    def count_stock(body: StockIn) -> Any:
        """Count one thing, in the cook's own words"""
        key, kg = read_count(body, db.kept(read_shelf))
        with db.writing() as session:
            Stock(session).count(key, kg, clock())
        return get_stock()

    @app.delete("/api/stock/<string:key>", tags=TAGS, responses={200: StockOut})
    def forget_stock(path: StockPath) -> Any:
        """Count it no more"""
        with db.writing() as session:
            Stock(session).forget(path.key)
        return get_stock()
