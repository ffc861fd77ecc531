"""The repository of the cook's own sweets: copies made theirs, and new ones, in the library's form."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.errors import BadInput, Conflict, NotFound
from ..core.planning.sweets.build import Pantry
from ..core.planning.sweets.forms import read_sweet
from ..core.planning.sweets.formula import Sweet
from ..core.planning.sweets.library import check, library, things
from .larder import Larder
from .tables import SweetRow

MOST_OWN = 200


@dataclass(frozen=True, slots=True)
class OwnSweet:
    """A cook's own sweet with its number and version, and the form it was written in."""

    id: int
    version: int
    sweet: Sweet
    form: Mapping[str, Any]

    @property
    def key(self) -> str:
        return self.sweet.key


class Recipes:
    """Own sweets of one kitchen."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> list[OwnSweet]:
        rows = self.session.scalars(select(SweetRow).order_by(SweetRow.id))
        return [OwnSweet(row.id, row.version, read_sweet(f"own-{row.id}", row.form), row.form) for row in rows]

    def add(self, form: Mapping[str, Any]) -> int:
        """:raises BadInput, Impossible: naming the place in the form. :raises Conflict: on a name twice."""
        name = self._checked(form, None)
        if len(self.session.scalars(select(SweetRow.id)).all()) >= MOST_OWN:
            raise Conflict("name", "too-many-own-sweets", most=MOST_OWN)
        row = SweetRow(kitchen_id=Larder(self.session).row().id, name=name, form=dict(form))
        self.session.add(row)
        self.session.flush()
        return row.id

    def change(self, sweet_id: int, version: int, form: Mapping[str, Any]) -> None:
        row = self._row(sweet_id, version)
        row.name = self._checked(form, sweet_id)
        row.form = dict(form)
        row.version += 1
        self.session.flush()

    def remove(self, sweet_id: int, version: int) -> None:
        """:raises Conflict: when another own sweet is made of it."""
        row = self._row(sweet_id, version)
        key = f"own-{sweet_id}"
        for other in self.all():
            if other.id != sweet_id and any(
                key in s.mix or (s.top and s.top.of == key) or (s.soak and s.soak.within == key)
                for s in other.sweet.schools.values()
            ):
                raise Conflict("sweet", "sweet-is-used", sweet=other.sweet.name)
        self.session.delete(row)
        self.session.flush()

    def _row(self, sweet_id: int, version: int) -> SweetRow:
        row = self.session.get(SweetRow, sweet_id)
        if row is None:
            raise NotFound("sweet", "no-own-sweet-number", sweet_id=sweet_id)
        if row.version != version:
            raise Conflict("version", "sweet-changed-elsewhere")
        return row

    def _checked(self, form: Mapping[str, Any], but: int | None) -> str:
        sweet = read_sweet(f"own-{but}" if but else "own", form)
        others = {own.key: own.sweet for own in self.all() if own.id != but}
        check(sweet, Pantry(things=things(), sweets={**library(), **others}))
        for own in self.all():
            if own.id != but and own.sweet.name.casefold() == sweet.name.casefold():
                raise Conflict("name", "sweet-name-taken", sweet=sweet.name)
        if len(sweet.name) > 80:
            raise BadInput("name", "sweet-name-too-long")
        return sweet.name
