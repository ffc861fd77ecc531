"""Pictures of what a batch gave, over HTTP."""

import base64
import binascii
from typing import Any

from flask import send_file
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..core.errors import BadInput
from ..store.batches import Batches
from ..store.database import Database
from ..store.photos import Photos
from ..wire.model import Body, Out
from .batches import BatchPath

TAGS = [Tag(name="book")]
LONGEST_IMAGE = 8_000_000
"""Letters of base64: six megabytes."""


class PhotoIn(Body):
    image: str = Field(min_length=1, max_length=LONGEST_IMAGE, description="A JPEG, PNG or WebP, as base64")


class PhotoPath(BatchPath):
    number: int = Field(ge=1, le=10_000)


class PhotosOut(Out):
    """The numbers of a batch's pictures, oldest first."""

    photos: list[int]


def routes(app: OpenAPI, db: Database) -> None:
    photos = Photos(db.path)

    def known(batch_id: int) -> None:
        """:raises NotFound: field "batch"."""
        with db.reading() as session:
            Batches(session).batch(batch_id)

    @app.get("/api/batches/<int:batch_id>/photos", tags=TAGS, responses={200: PhotosOut})
    def get_photos(path: BatchPath) -> Any:
        """Which pictures there are of a batch"""
        known(path.batch_id)
        return PhotosOut(photos=photos.of(path.batch_id))

    @app.post("/api/batches/<int:batch_id>/photos", tags=TAGS, responses={201: PhotosOut})
    def add_photo(path: BatchPath, body: PhotoIn) -> Any:
        """Keep a picture of it, shrunk and without what the camera wrote into it"""
        known(path.batch_id)
        try:
            image = base64.b64decode(body.image, validate=True)
        except binascii.Error as error:
            raise BadInput("image", "picture-not-base64") from error
        photos.add(path.batch_id, image)
        return PhotosOut(photos=photos.of(path.batch_id)), 201

    @app.get("/api/batches/<int:batch_id>/photos/<int:number>", tags=TAGS)
    def get_photo(path: PhotoPath) -> Any:
        """A picture, as JPEG"""
        return send_file(photos.path(path.batch_id, path.number), mimetype="image/jpeg", max_age=0)

    @app.delete("/api/batches/<int:batch_id>/photos/<int:number>", tags=TAGS, responses={200: PhotosOut})
    def remove_photo(path: PhotoPath) -> Any:
        """Take a picture away"""
        photos.remove(path.batch_id, path.number)
        return PhotosOut(photos=photos.of(path.batch_id))
