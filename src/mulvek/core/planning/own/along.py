"""What stands in the pan from line to line of a told batch, and what it is made of there."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from ...composition.composition import Composition
from .account import Account, OwnBase

Gone = Literal["", "steam", "whey"]
WATER_SHARE = 0.98
"""Of the water that is there, more than this does not boil off."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Height:
    """One change of what is in the pan, kg: what came ``in_kg`` with the line, or went ``off_kg`` after it; ``kg`` is there
    from then on, of these ``parts`` (kg per kg). ``beneath``: it happened between this line and the next."""

    line: int
    kg: float
    parts: Composition
    in_kg: float = 0.0
    off_kg: float = 0.0
    off: Gone = ""
    beneath: bool = False


def along(account: Account) -> tuple[Height, ...]:
    """Every change from the first line to the last; mass closes at each: before + in = after + off."""
    return tuple(_heights(account))


def _heights(account: Account) -> Iterator[Height]:
    there = Composition()
    bases = {base.line: base for base in account.bases}
    boiled_at = _boiled_at(account) if account.cooks else None
    for place, line in enumerate(account.lines):
        if line.kind == "in" and line.thing and line.told and line.told.kg > 0:
            there = there.plus(line.thing.parts.scaled(line.told.kg))
            yield _height(place, there, in_kg=line.told.kg)
            if (base := bases.get(place)) is not None:
                there = _without_what_left(there, line.thing.parts.scaled(line.told.kg), base)
                off: Gone = "steam" if base.made_by == "reduce" else "whey"
                yield _height(place, there, off_kg=base.start_kg - base.made_kg, off=off, beneath=True)
        off_kg = account.into_bowl_kg - account.cooked_kg
        if place == boiled_at and place < _last_in(account) and off_kg > WATER_SHARE * there.water:
            boiled_at = _last_in(account)  # so much leaves only once all of it is together
        elif place == boiled_at:
            there = there.with_water(there.water - off_kg)
            yield _height(place, there, off_kg=off_kg, off="steam", beneath=line.kind != "down")


def _height(
    place: int, there: Composition, in_kg: float = 0.0, off_kg: float = 0.0, off: Gone = "", beneath: bool = False
) -> Height:
    return Height(
        line=place,
        kg=float(there.total),
        parts=there.per_kg(),
        in_kg=in_kg,
        off_kg=off_kg,
        off=off,
        beneath=beneath,
    )


def _without_what_left(there: Composition, milk: Composition, base: OwnBase) -> Composition:
    return there.plus(milk.scaled(-1.0)).plus(base.parts.scaled(base.made_kg))


def _boiled_at(account: Account) -> int:
    """The line at which all of it was cooked on: the last that boils it down, or the last that went in."""
    downs = [place for place, line in enumerate(account.lines) if line.kind == "down"]
    return downs[-1] if downs else _last_in(account)


def _last_in(account: Account) -> int:
    return max(place for place, line in enumerate(account.lines) if line.kind == "in")
