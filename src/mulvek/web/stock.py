"""What there is of plain things, over HTTP: counted by a line in the cook's words, less what the log says went out."""

from collections.abc import Callable
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from sqlalchemy.orm import Session

from ..core.batch.stock import left
from ..store.database import Database
from ..store.shelf import Shelf, read_shelf
from ..store.stock import Stock
from ..wire.stock import StockIn, StockOut, StockPath, fresh, read_count, stock_out

TAGS = [Tag(name="larder")]


def there(session: Session, shelf: Shelf, now_s: float) -> dict[str, float]:
    """kg of each plain thing that was counted and is believed."""
    stock = Stock(session)
    counted = stock.counted()
    return left(counted, stock.uses(now_s), now_s, fresh(counted, shelf)) if counted else {}


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    @app.get("/api/stock", tags=TAGS, responses={200: StockOut})
    def get_stock() -> Any:
        """What there is of plain things: counted, less what went into batches since"""
        now, shelf = clock(), db.kept(read_shelf)
        with db.reading() as session:
            return stock_out(Stock(session).counted(), there(session, shelf, now), shelf, now)

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
