"""Which lines of a told batch make a level what it is: so much of the fat, the sugar, the solids came with each."""

from collections.abc import Mapping

from ...composition.composition import Composition
from ..sweets.formula import PROPERTIES
from ..sweets.stuff import Thing
from .account import Account


def owed(account: Account, level: str) -> tuple[float, ...]:
    """Each line's share of a level, 0 to 1, in the order of the lines: all of them are one, or none has any of it.

    What boils or drains off takes no line's part: water goes from all alike, whey with what was curdled.

    :param level: one of ``PROPERTIES``. :raises KeyError: another.
    """
    if level not in PROPERTIES:
        raise KeyError(level)
    kept = {base.line: base for base in account.bases}
    parts = []
    for place, line in enumerate(account.lines):
        came = 0.0
        if line.kind == "in" and line.thing and line.told:
            base = kept.get(place)
            if base is not None and base.made_by in ("curdle", "hang"):
                came = _of(base.parts)[level] * base.made_kg
            else:
                came = line.told.kg * _of_thing(line.thing)[level]
        parts.append(came)
    whole = sum(parts)
    return tuple(part / whole if whole > 0 else 0.0 for part in parts)


def _of(parts: Composition) -> Mapping[str, float]:
    return {key: float(getattr(parts, key)) for key in PROPERTIES if key != "sugar"} | {"sugar": 0.0}


def _of_thing(thing: Thing) -> Mapping[str, float]:
    return {**_of(thing.parts), "sugar": float(thing.added_sugar)}
