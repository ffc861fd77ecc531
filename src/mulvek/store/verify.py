"""Looking a kitchen's file through: is it sound, do its parts fit, can every row be read and every batch replayed?"""

import json
from collections.abc import Callable
from dataclasses import dataclass, field
from functools import partial
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from sqlalchemy import select, text
from sqlalchemy.exc import DatabaseError
from sqlalchemy.orm import Session

from ..core.errors import Unavailable
from .batches import Batches
from .copies import check, copy_file
from .database import Database
from .days import Days
from .larder import Larder
from .last_words import LastWords
from .recipes import Recipes
from .rehearsal import Rehearsals
from .samples import Samples
from .shelf import read_shelf
from .tables import BatchRow, DayRow, RehearsalRow, SampleChunkRow


@dataclass(slots=True)
class Found:
    """``damage``: of the file; ``orphans``: rows whose parent is gone; ``unreadable``: rows, each with what it says."""

    damage: list[str] = field(default_factory=list)
    orphans: list[str] = field(default_factory=list)
    unreadable: list[str] = field(default_factory=list)
    replayed: dict[str, int] = field(default_factory=dict)

    @property
    def sound(self) -> bool:
        return not (self.damage or self.orphans or self.unreadable)

    def json(self) -> str:
        said = {"sound": self.sound, "damage": self.damage, "orphans": self.orphans}
        return json.dumps(
            said | {"unreadable": self.unreadable, "replayed": self.replayed}, ensure_ascii=False, indent=2
        )


def verify_file(file: Path) -> Found:
    """Read all of a kitchen's file, in use or not. It is read as a copy lifted to the newest form: nothing is changed.

    :raises BadInput: field "file", when it is no kitchen's file.
    """
    with TemporaryDirectory() as folder:
        try:
            copy_file(file, Path(folder) / file.name)
        except Unavailable as error:
            return Found(damage=[error.message])
        check(Path(folder) / file.name)
        db = Database(Path(folder) / file.name)
        try:
            return verify(db)
        finally:
            db.close()


def verify(db: Database) -> Found:
    """Read all of an open kitchen."""
    found = Found()
    with db.reading() as session:
        found.damage = [row[0] for row in session.execute(text("PRAGMA integrity_check")) if row[0] != "ok"][:20]
        for table, row, parent, _ in session.execute(text("PRAGMA foreign_key_check")):
            found.orphans.append(f"{table} {row} has no {parent}")
        larder = Larder(session)
        parts: dict[str, Callable[[], Any]] = {
            "kitchen": larder.kitchen,
            "milks": larder.milks,
            "pans": larder.pans,
            "burners": larder.burners,
            "ingredients": larder.ingredients,
            "own sweets": Recipes(session).all,
            "last words": LastWords(session).all,
            "lessons": lambda: read_shelf(session),
        }
        for name, read in parts.items():
            _try(found, name, read)
        _replay(found, session)
    return found


def _replay(found: Found, session: Session) -> None:
    batches, rehearsals, samples = Batches(session), Rehearsals(session), Samples(session)

    def last(number: int) -> Any:
        batch = batches.batch(number)
        return batch.state(max(batch.log.newest_s, batch.created_at_s))

    for number, of in session.execute(select(BatchRow.id, BatchRow.kind).order_by(BatchRow.id)).all():
        found.replayed[of] = found.replayed.get(of, 0) + _try(found, f"{of} {number}", partial(last, number))
    numbers = session.scalars(select(RehearsalRow.id).order_by(RehearsalRow.id)).all()
    found.replayed["rehearsal"] = sum(
        _try(found, f"rehearsal {number}", partial(rehearsals.one, number)) for number in numbers
    )
    kept = session.scalars(select(DayRow.id).order_by(DayRow.id)).all()
    found.replayed["day"] = sum(_try(found, f"day {number}", partial(Days(session).day, number)) for number in kept)
    for number in session.scalars(select(SampleChunkRow.batch_id).distinct()).all():
        for channel in samples.channels(number):
            _try(found, f"samples of batch {number}, {channel}", partial(samples.read, number, channel))


def _try(found: Found, name: str, read: Callable[[], Any]) -> bool:
    """Whether it can be read; what cannot is named. A row that a former release wrote may say anything at all."""
    try:
        read()
    except DatabaseError:
        raise
    except Exception as error:
        said = str(error).splitlines()
        found.unreadable.append(f"{name}: {type(error).__name__}, {said[0][:120] if said else 'it says nothing'}")
        return False
    return True
