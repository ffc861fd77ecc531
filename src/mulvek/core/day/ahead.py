"""What of a sweet can be got ready the evening before: weighed dry, taken out, tied, counted, and the room it wants."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from ..composition.materials import Group
from ..planning.sweets.hanging import hung_in
from ..planning.sweets.plan import SweetForecast

Do = Literal["weigh", "take-out", "moulds", "cloths", "tray", "freezer"]
DRY: tuple[Group, ...] = ("sugar", "starch", "nut", "spice", "powder")
"""What keeps a night in a bowl on the shelf; milk, cheese, fruit and fat stay cold until they are used."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ahead:
    """One thing to get ready: ``kg`` of it, or so many; m³ of a mould, the sides of a tray in m, litres of the freezer."""

    do: Do
    name: str = ""
    kg: float = 0.0
    count: int = 0
    m3: float = 0.0
    sides_m: tuple[float, float] = (0.0, 0.0)
    litres: float = 0.0


def ahead_of(f: SweetForecast, freezer_l: float = 0.0) -> tuple[Ahead, ...]:
    """Of one sweet. ``freezer_l``: so much room it takes there at the end."""
    things, found = f.plan.pantry.things, []
    for row in f.rows:
        thing = things.get(row.key)
        if thing is not None and thing.group in DRY and row.kg > 0:
            found.append(Ahead(do="weigh", name=row.name, kg=row.kg))
    for base in f.bases:
        if base.made.ready is not None:
            found.append(Ahead(do="take-out", name=base.made.ready.said or base.made.of.name, kg=base.made_kg))
        elif base.made.base.do == "curdle":
            found.append(Ahead(do="cloths", count=1))
        elif base.made.base.do == "hang":
            found.append(Ahead(do="cloths", count=hung_in(base.made, base.start_kg, f.plan.kitchen, f.plan.drain)[0]))
    if f.frozen is not None and f.plan.mould is not None:
        count = max(1, int(f.pieces.likely))
        found.append(Ahead(do="moulds", name=f.plan.mould.name, count=count, m3=f.plan.mould.volume_m3))
    if f.slab is not None:
        found.append(Ahead(do="tray", count=1, sides_m=(f.slab.length_m, f.slab.width_m)))
    if freezer_l > 0:
        found.append(Ahead(do="freezer", litres=freezer_l))
    return tuple(together(found))


def together(things: Sequence[Ahead]) -> list[Ahead]:
    """The same thing of several sweets is one line; in the order in which it is first met.

    >>> sugar = Ahead(do="weigh", name="white sugar", kg=0.2)
    >>> [(one.name, round(one.kg, 3)) for one in together([sugar, Ahead(do="weigh", name="rice", kg=0.1), sugar])]
    [('white sugar', 0.4), ('rice', 0.1)]
    """
    found: dict[tuple[str, str, float, tuple[float, float]], Ahead] = {}
    for one in things:
        key = (one.do, one.name, one.m3, one.sides_m)
        was = found.get(key)
        found[key] = (
            one
            if was is None
            else replace(one, kg=was.kg + one.kg, count=was.count + one.count, litres=was.litres + one.litres)
        )
    return list(found.values())
