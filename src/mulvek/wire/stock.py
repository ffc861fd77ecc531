"""JSON of what there is of plain things: counted in the cook's own words, less what went into batches since."""

from collections.abc import Iterable, Mapping

from pydantic import Field

from ..core.batch.stock import Counted, spoils
from ..core.errors import BadInput, NotFound
from ..core.messages.figures import say
from ..core.planning.own.lines import read_line
from ..core.planning.sweets.stuff import Thing
from .model import Body, Out, Words
from .sweet_words import Things, pantry_of
from .told_lines import ToldKitchen

MOST_KG = 500.0


class StockIn(Body):
    """What there is of one thing, as it is counted now: ``2 kg sugar``."""

    line: Words


class StockLine(Out):
    """``counted_kg`` were there at ``counted_s``; ``left_kg`` are told now, None when the count is too old to believe."""

    key: str
    name: str
    counted_kg: float
    counted_s: float
    left_kg: float | None
    said: str = Field(description="What is left, or was counted, in words")


class StockOut(Out):
    now_s: float
    things: list[StockLine]


class StockPath(Out):
    key: str = Field(max_length=60)


def read_count(body: StockIn, shelf: Things) -> tuple[str, float]:
    """The thing and kg of it that a line says.

    :raises BadInput: field "line", when it names no thing, no amount, or more than any kitchen holds.
    """
    kitchen = ToldKitchen.of(shelf)
    line = read_line(body.line, kitchen.names, kitchen.measures, kitchen.packs)
    if line.problem:
        raise BadInput("line", line.problem)
    if line.thing is None or line.told is None:
        raise BadInput("line", "stock-without-amount")
    if line.told.kg > MOST_KG:
        raise BadInput("line", "stock-too-much")
    return line.thing.key, line.told.kg


def _thing(key: str, shelf: Things) -> Thing | None:
    """None when it was taken out of the Larder."""
    if not key.startswith("milk:"):
        return pantry_of(shelf).things.get(key)
    try:
        return Thing.of(shelf.milk(int(key.removeprefix("milk:"))))
    except (NotFound, ValueError):
        return None


def fresh(keys: Iterable[str], shelf: Things) -> set[str]:
    """Those of them that spoil in days."""
    found = {key: _thing(key, shelf) for key in keys}
    return {
        key
        for key, t in found.items()
        if t and spoils(t.group, t.parts.total_solids, t.material.flags if t.material else ())
    }


def stock_out(counted: Mapping[str, Counted], left: Mapping[str, float], shelf: Things, now_s: float) -> StockOut:
    lines = [
        StockLine(
            key=key,
            name=thing.name,
            counted_kg=count.kg,
            counted_s=count.at_s,
            left_kg=left.get(key),
            said=say(left.get(key, count.kg), "mass"),
        )
        for key, count in counted.items()
        if (thing := _thing(key, shelf)) is not None
    ]
    return StockOut(now_s=now_s, things=sorted(lines, key=lambda line: line.name.lower()))
