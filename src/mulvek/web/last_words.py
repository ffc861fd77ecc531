"""What each station's sentence said last, over HTTP."""

from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..store.database import Database
from ..store.last_words import LastWords
from ..wire.last_words import LastWordsIn, LastWordsOut, LastWordsPath

TAGS = [Tag(name="stations")]


def routes(app: OpenAPI, db: Database) -> None:
    @app.get("/api/last-words", tags=TAGS, responses={200: LastWordsOut})
    def get_last_words() -> Any:
        """What each station's sentence said last, for whoever opens it next"""
        with db.reading() as session:
            return LastWordsOut.model_validate({"words": LastWords(session).all()})

    @app.put("/api/last-words/<string:station>", tags=TAGS, responses={200: LastWordsOut})
    def keep_last_words(path: LastWordsPath, body: LastWordsIn) -> Any:
        """Keep what a station's sentence says now"""
        with db.writing() as session:
            LastWords(session).keep(path.station, body.query)
        return get_last_words()
