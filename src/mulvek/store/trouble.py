"""What ails the disk or the file, in words a cook can act on."""

import sqlite3

from sqlalchemy.exc import DatabaseError

from ..core.errors import Unavailable

_SAID = (
    (
        "locked",
        "The kitchen’s file is held by something else just now.",
        "It goes on by itself when that is done.",
        2.0,
    ),
    ("full", "The disk is full.", "Make room on it: what was said is kept until then.", 15.0),
    ("readonly", "The kitchen’s file may only be read.", "Let Mulvek write to its folder.", 15.0),
    ("malformed", "The kitchen’s file is damaged.", "Stop Mulvek and bring back a copy: mulvek restore.", 60.0),
    ("not a database", "The kitchen’s file is damaged.", "Stop Mulvek and bring back a copy: mulvek restore.", 60.0),
    ("unable to open", "The kitchen’s file cannot be opened.", "Look whether its folder is there.", 15.0),
    ("disk i/o", "The disk does not answer as it should.", "Look whether it is there and sound.", 15.0),
)


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
    return _said(str(error), field) or Unavailable(field, f"The file cannot be used: {error}.", "Look at it.", 60.0)


def _said(text: str, field: str) -> Unavailable | None:
    text = text.lower().replace("-", "").replace("attempt to write a readonly", "readonly")
    for mark, message, fix, retry_s in _SAID:
        if mark in text:
            return Unavailable(field, message, fix, retry_s)
    return None
