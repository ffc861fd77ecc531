"""JSON of the shopping list: what the sweets that are being made still want, in the packs of the Larder."""

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from pydantic import Field

from ..core.batch.stock import bought_as
from ..core.batch.sweet_run import SweetRun, SweetState
from ..core.errors import NotFound
from ..core.messages.figures import say
from .model import Out
from .sweet_words import Things

LEAST_KG = 0.5e-3


@dataclass(slots=True)
class Wanted:
    """kg of one thing, and for which sweets."""

    name: str
    kg: float = 0.0
    sweets: list[str] = field(default_factory=list)


class ShoppingLine(Out):
    """``kg`` to buy, beside ``there_kg`` that there are; ``pack_kg``, ``price`` of a pack as the Larder has them; ``packs``
    to buy. None where it has none."""

    key: str
    name: str
    kg: float
    there_kg: float
    said: str
    sweets: list[str]
    packs: int | None
    pack_kg: float | None
    price: float | None = Field(description="Of all these packs, in the kitchen's money")


class ShoppingOut(Out):
    lines: list[ShoppingLine]
    enough: list[str] = Field(description="What is wanted and there is enough of, by its name")
    total: float = Field(description="Of what has a price")


def wanted(makings: Iterable[tuple[str, SweetRun, SweetState, object]]) -> dict[str, Wanted]:
    """By ingredient: lines that were not weighed yet, of steps that have not begun. Water comes from the tap.

    :param makings: name, plan, where it stands and the milk's number of the Larder, if it has one.
    """
    found: dict[str, Wanted] = {}
    for name, run, state, milk in makings:
        waiting = {s.planned.key for s in state.steps if s.phase in ("waits", "ready")}
        for row, kg, weighed in zip(run.rows, state.row_kg, state.rows, strict=True):
            if weighed is not None or row.key == "water" or (row.step and row.step not in waiting):
                continue
            key, bought = bought_as(row, milk)
            thing = found.setdefault(key, Wanted(row.name))
            thing.kg += kg * bought
            if name not in thing.sweets:
                thing.sweets.append(name)
    return {key: thing for key, thing in found.items() if thing.kg >= LEAST_KG}


def shopping(
    makings: Iterable[tuple[str, SweetRun, SweetState, object]], shelf: Things, stock: Mapping[str, float]
) -> ShoppingOut:
    """:param stock: kg that there are of what was counted."""
    asked = wanted(makings)
    short = {key: max(0.0, thing.kg - stock.get(key, 0.0)) for key, thing in asked.items()}
    lines = [_line(key, thing, short[key], stock, shelf) for key, thing in asked.items() if short[key] >= LEAST_KG]
    lines.sort(key=lambda line: -line.kg)
    return ShoppingOut(
        lines=lines,
        enough=sorted(thing.name for key, thing in asked.items() if short[key] < LEAST_KG),
        total=sum(line.price or 0.0 for line in lines),
    )


def _line(key: str, thing: Wanted, kg: float, stock: Mapping[str, float], shelf: Things) -> ShoppingLine:
    pack, price = _pack(key, shelf)
    packs = math.ceil(kg / pack - 1e-6) if pack else None
    return ShoppingLine(
        key=key,
        name=thing.name,
        kg=kg,
        there_kg=stock.get(key, 0.0),
        said=say(kg, "mass"),
        sweets=thing.sweets,
        packs=packs,
        pack_kg=pack,
        price=packs * price if packs is not None and price is not None else None,
    )


def _pack(key: str, shelf: Things) -> tuple[float | None, float | None]:
    """What a pack of it holds, kg, and costs."""
    if key.startswith("milk:"):
        number = int(key.removeprefix("milk:"))
        pack, price = shelf.packs.get(number, (None, None))
        try:
            return (pack * shelf.milk(number).bulk_kg_m3 if pack else None), price
        except NotFound:  # taken out of the Larder meanwhile
            return None, None
    kept = next((k for k in shelf.house.values() if k.base == key or k.thing.key == key), None)
    return (kept.pack, kept.price) if kept else (None, None)
