"""What ails the disk or the file, in words a cook can act on."""

import sqlite3

from sqlalchemy.exc import DatabaseError

from ..core.errors import Unavailable

_SAID = (
    ("locked", "file-locked", 2.0),
    ("full", "disk-full", 15.0),
    ("readonly", "file-read-only", 15.0),
    ("malformed", "file-damaged", 60.0),
    ("not a database", "file-damaged", 60.0),
    ("unable to open", "file-not-opened", 15.0),
    ("disk i/o", "disk-silent", 15.0),
)
"""What SQLite's own words hold, the message for it, and when to try again, s."""


def damaged() -> Unavailable:
    """The same for a file whose schema is not the one it was made with."""
    found = _said("malformed", "kitchen")
    assert found is not None
    return found


def plainly(error: DatabaseError) -> Unavailable | None:
    """The same in plain words with a time to try again; none for an error that is not the disk's."""
    return _said(str(error.orig), "kitchen")


def plainly_said(error: sqlite3.Error, field: str) -> Unavailable:
    """The same for an error of the driver itself, in its own words where we have none."""
    return _said(str(error), field) or Unavailable(field, "file-unusable", error=str(error), retry_s=60.0)


def _said(text: str, field: str) -> Unavailable | None:
    text = text.lower().replace("-", "").replace("attempt to write a readonly", "readonly")
    for mark, key, retry_s in _SAID:
        if mark in text:
            return Unavailable(field, key, retry_s=retry_s)
    return None
