"""A batch told in the cook's own lines, and what is understood: the sum, the river, what is unusual, the sweet's form."""

from collections.abc import Mapping
from typing import Any, Literal

from pydantic import Field

from ..core.composition.composition import Composition
from ..core.equipment.pans import Pan
from ..core.errors import KitchenError
from ..core.planning.own.account import Account, Asks
from ..core.planning.own.along import Gone, Height, along
from ..core.planning.own.beside import beside, next_time
from ..core.planning.own.form import added_sugar, form_of, many_of
from ..core.planning.own.owing import owed
from ..core.planning.sweets.build import build
from ..core.planning.sweets.forms import read_sweet
from ..core.planning.sweets.library import check, library
from ..core.ranges import Range
from .happenings import Key
from .model import Body, Name, Out
from .sweet_parts import LevelOut
from .sweet_words import Things
from .told_lines import ToldIn, ToldKitchen, ToldLineOut, line_out, options_of


class ToldBaseOut(Out):
    """A base of it: kg in and out, how many times down; ``settled``: by a weight, not by its words, which alone would
    have given ``told_kg``."""

    letter: str
    line: int
    made_by: Literal["reduce", "curdle", "hang"]
    name: str
    start_kg: float
    made_kg: float
    told_kg: float
    times: float
    settled: bool


class LayersOut(Out):
    """What it is made of, kg per kg."""

    fat: float
    protein: float
    lactose: float
    minerals: float
    sugar: float
    water: float
    rest: float

    @classmethod
    def of(cls, parts: Composition) -> "LayersOut":
        sugar = float(parts.free_sugars)
        known = {
            "fat": float(parts.fat),
            "protein": float(parts.protein + parts.npn),
            "lactose": float(parts.lactose),
            "minerals": float(parts.ash),
            "sugar": sugar,
            "water": float(parts.water),
        }
        return cls(**known, rest=max(0.0, 1 - sum(known.values())))


class ToldHeightOut(Out):
    """One change of what is in the pan, by its line, kg; ``beneath``: between this line and the next. ``layers`` of what
    is there from then on."""

    line: int
    beneath: bool
    kg: float
    in_kg: float
    off_kg: float
    off: Gone
    layers: LayersOut

    @classmethod
    def of(cls, height: Height) -> "ToldHeightOut":
        same = ("line", "beneath", "kg", "in_kg", "off_kg", "off")
        return cls(**{name: getattr(height, name) for name in same}, layers=LayersOut.of(height.parts))


class UnusualOut(Out):
    title: str
    text: str
    grave: bool


class BesideOut(Out):
    """The library's sweet it is most like, in how many ways that is made there, and its levels."""

    sweet: str
    name: str
    ways: int
    levels: list[LevelOut]
    owed: dict[str, list[float]] = Field(description="By level: each line's share of it, 0 to 1")
    unusual: list[UnusualOut]


class NextTimeOut(Out):
    """Where to stop the next time: kg in the pan, and on the scale with the pan it is cooked in."""

    of: str
    kg: Range
    on_scale_kg: float | None
    pan: str


class ToldOut(Out):
    """What a told batch comes to, kg. ``asks``: "in" when nothing went in yet, "gave" when it is not told what came of it.
    ``form``: the sweet in the library's form, when it can be kept; else ``problem`` says why not."""

    lines: list[ToldLineOut]
    asks: list[Asks]
    in_kg: float
    steam_kg: float
    whey_kg: float
    bowl_kg: float
    cooked_kg: float
    stuck_kg: float
    finished_kg: float
    weighed: bool
    cooks: bool
    count: int | None
    one: str
    many: str
    each_kg: float | None
    sugar: float
    bases: list[ToldBaseOut]
    river: list[ToldHeightOut] = Field(description="What stands in the pan, from its first line to its last")
    beside: BesideOut | None
    next_time: NextTimeOut | None
    form: dict[str, Any] | None
    problem: str


class ToldKeepIn(Body):
    """Keep a told batch as a sweet of one's own."""

    told: ToldIn
    name: Name
    version: int | None = Field(None, ge=1, description="Of the own sweet that is changed by it")


class ToldBookIn(Body):
    """Write a told batch into the Book alone, as made at ``made_at_s``: now when nothing is said."""

    told: ToldIn
    name: Name
    made_at_s: float | None = Field(None, ge=0, le=1e11)
    key: Key | None = None


def answer_told(body: ToldIn, shelf: Things) -> ToldOut:
    """What is understood of a told batch.

    :raises BadInput: field "answers", when an answer is none of those asked for; "lines", when they are too many.
    """
    kitchen = ToldKitchen.of(shelf)
    body = kitchen.in_single_lines(body)
    read = kitchen.read(body)
    account = kitchen.settle(read, body.answers)
    form, problem = None, ""
    if not account.asks and not any(sum_.problem for sum_ in account.sums):
        try:
            form = form_of(account, body.name, {"lines": body.lines, "answers": body.answers})
            check(read_sweet("own", form), kitchen.pantry)
        except KitchenError as error:
            form, problem = None, f"{error.message} {error.fix}"
    return ToldOut(
        lines=[
            line_out(text, account, i, options_of(i, account, read, body.answers, kitchen), kitchen)
            for i, text in enumerate(body.lines)
        ],
        asks=list(account.asks),
        in_kg=account.in_kg,
        steam_kg=account.steam_kg,
        whey_kg=account.whey_kg,
        bowl_kg=account.into_bowl_kg,
        cooked_kg=account.cooked_kg,
        stuck_kg=account.stuck_kg,
        finished_kg=account.finished_kg,
        weighed=account.weighed,
        cooks=account.cooks,
        count=account.count,
        one=account.unit or "helping",
        many=many_of(account.unit or "helping"),
        each_kg=account.each_kg,
        sugar=added_sugar(account) if account.cooked_kg else 0.0,
        bases=[
            ToldBaseOut(
                letter=b.letter,
                line=b.line,
                made_by=b.made_by,
                name=b.of.name,
                start_kg=b.start_kg,
                made_kg=b.made_kg,
                told_kg=b.told_kg,
                times=b.times,
                settled=b.settled,
            )
            for b in account.bases
        ],
        river=[ToldHeightOut.of(height) for height in along(account)],
        beside=_beside(account, form, body.name, kitchen) if form else None,
        next_time=_next_time(account, kitchen.pan),
        form=form,
        problem=problem,
    )


def _beside(account: Account, form: Mapping[str, Any], name: str, kitchen: ToldKitchen) -> BesideOut:
    sweet = read_sweet("own", form)
    own = build(sweet, sweet.usual, kitchen.pantry)
    found = beside(account, own, library(), kitchen.shelf.kitchen().freezer_c, name)
    return BesideOut(
        sweet=found.like.key,
        name=found.like.name,
        ways=found.ways,
        levels=[LevelOut.of_level(level) for level in found.levels],
        owed={level.key: list(owed(account, level.key)) for level in found.levels},
        unusual=[UnusualOut(title=u.title, text=u.text, grave=u.grave) for u in found.unusual],
    )


def _next_time(account: Account, pan: Pan | None) -> NextTimeOut | None:
    told = next_time(account)
    if told is None:
        return None
    return NextTimeOut(
        of=told.base.of.name if told.base else "all of it",
        kg=told.kg,
        on_scale_kg=told.kg.likely + pan.mass_kg if pan else None,
        pan=pan.name if pan else "",
    )
