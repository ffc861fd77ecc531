"""Two batches of one thing side by side, over HTTP."""

from collections.abc import Callable, Mapping
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.errors import BadInput
from ..store.batches import Batch, Batches
from ..store.database import Database
from ..store.mending import found_of
from ..store.shelf import Shelf, read_shelf
from ..wire.beside import PairOut, beside
from ..wire.model import Out
from .mending import made_for, seen_of
from .story import line_told

TAGS = [Tag(name="book")]
NAMED = ("milk", "pan", "burner")
"""Words that stand in a plan by their number in the Larder."""


class PairQuery(Out):
    a: int = Field(ge=1, le=2**53)
    b: int = Field(ge=1, le=2**53)


def _words(batch: Batch, shelf: Shelf) -> Mapping[str, Any]:
    """With what they name in place of its number; what the Larder has no more stays a number."""
    things: Mapping[str, Mapping[int, Any]] = {"milk": shelf.milks, "pan": shelf.pans, "burner": shelf.burners}
    words = dict(batch.words)
    for word in NAMED:
        thing = things[word].get(words.get(word, 0)) if isinstance(words.get(word), int) else None
        if thing is not None:
            words[word] = thing.name
    return words


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    @app.get("/api/book/beside", tags=TAGS, responses={200: PairOut})
    def get_beside(query: PairQuery) -> Any:
        """Two batches of the same, with what differed: first what explains"""
        now, shelf = clock(), db.kept(read_shelf)
        if query.a == query.b:
            raise BadInput("b", "same-batch-twice")
        with db.reading() as session:
            batches = Batches(session)
            both = (batches.batch(query.a), batches.batch(query.b))
            seen = (seen_of(both[0], now), seen_of(both[1], now))
            parts = (made_for(batches, both[0], now), made_for(batches, both[1], now))
            lines = (line_told(both[0], seen[0].state), line_told(both[1], seen[1].state))
        wrong = [key for batch in both for key in found_of(batch.events, batch.id)]
        words = (_words(both[0], shelf), _words(both[1], shelf))
        return beside(lines, seen, parts, words, wrong, shelf.place)
