"""A batch told in the cook's own lines, and what is understood: the sum, the river, what is unusual, the sweet's form."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, Field

from ..core.composition.composition import Composition
from ..core.equipment.packs import Pack
from ..core.equipment.pans import Pan
from ..core.equipment.quantities import Measures
from ..core.errors import BadInput, KitchenError
from ..core.planning.own.account import Account, Asks, settle
from ..core.planning.own.along import Gone, Height, along
from ..core.planning.own.amounts import Source, loose_words
from ..core.planning.own.beside import beside, next_time
from ..core.planning.own.form import added_sugar, by_itself, form_of, many_of
from ..core.planning.own.lines import LONGEST_BREATH, MOST_LINES, Line, LineKind, end_words, parted, read_line
from ..core.planning.own.names import names_of
from ..core.planning.sweets.build import Pantry, build
from ..core.planning.sweets.forms import read_sweet
from ..core.planning.sweets.library import check, library
from ..core.planning.sweets.plan import usual_pan
from ..core.planning.sweets.stuff import Thing
from ..core.ranges import Range
from .happenings import Key
from .model import Body, Name, Out, Words, _one_line
from .sweet_parts import LevelOut
from .sweet_words import Things, pantry_of


def _place(text: str) -> str:
    if not (text.isascii() and text.isdecimal() and len(text) <= 3):
        raise ValueError("name the place of its line, from 0 on")
    return text


TellLine = Annotated[str, Field(max_length=LONGEST_BREATH), AfterValidator(_one_line)]
LinePlace = Annotated[str, AfterValidator(_place)]
MOVES_THE_SUM = 0.01
"""A doubt is asked about when it can move more of the batch than this."""


class ToldIn(Body):
    """One batch as its cook tells it, a line for each thing done; ``answers``: what a doubtful word meant, by the place
    of its line."""

    name: Words = Field("", description="What it is called")
    lines: list[TellLine] = Field(max_length=MOST_LINES)
    answers: dict[LinePlace, Words] = Field(default_factory=dict, max_length=MOST_LINES)


class ToldOptionOut(Out):
    """What a doubtful word could mean: grams of it, and the share of added sugar that makes (kg per kg; none when it
    would not sweeten)."""

    key: str
    text: str
    grams: float
    sugar: float | None


class ToldLineOut(Out):
    """A line as it is understood; ``grams`` that go in, or came of it; ``source`` how they are known; ``options`` are asked
    when they move the sum; ``loose``: its words that do not settle an amount by themselves."""

    text: str
    kind: LineKind
    key: str
    name: str
    grams: float | None
    source: Source | Literal[""]
    said: str
    loose: str
    options: list[ToldOptionOut]
    answer: str
    problem: str
    fix: str


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


def names_here(shelf: Things, pantry: Pantry) -> dict[tuple[str, ...], Thing]:
    """Names of the tables, of the Larder's own milks, and “milk” alone: the first of those, else packet milk."""
    names = names_of(pantry.things)
    milks = {number: replace(Thing.of(milk), key=f"milk:{number}") for number, milk in shelf.milks.items()}
    names |= names_of({thing.key: thing for thing in milks.values()})
    dairy = [thing for thing in milks.values() if thing.group == "milk"]
    names[("milk",)] = dairy[0] if dairy else pantry.things["full-cream"]
    return names


def answer_told(body: ToldIn, shelf: Things) -> ToldOut:
    """What is understood of a told batch.

    :raises BadInput: field "answers", when an answer is none of those asked for; "lines", when they are too many.
    """
    kitchen = _Kitchen.of(shelf)
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
            _line(text, account, i, _options(i, account, read, body.answers, kitchen), kitchen)
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


@dataclass(frozen=True, slots=True)
class _Kitchen:
    """What the lines are read and reckoned with."""

    shelf: Things
    pantry: Pantry
    names: Mapping[tuple[str, ...], Thing]
    measures: Measures
    packs: Mapping[str, Pack]
    pan: Pan | None

    @classmethod
    def of(cls, shelf: Things) -> "_Kitchen":
        pantry = pantry_of(shelf)
        packs = {
            kept.base: Pack.of_thing(kept.thing.name, kept.pack)
            for kept in shelf.house.values()
            if kept.base and kept.pack
        }
        packs |= {f"milk:{n}": Pack.of_milk(shelf.milk(n).name, size) for n, (size, _) in shelf.packs.items()}
        pan = usual_pan(shelf.pans)
        return cls(
            shelf=shelf,
            pantry=pantry,
            names=names_here(shelf, pantry),
            measures=shelf.kitchen().measures,
            packs=packs,
            pan=shelf.pan(pan) if pan is not None else None,
        )

    def in_single_lines(self, body: ToldIn) -> ToldIn:
        """The same batch with a line for each thing; answers go with theirs."""
        lines: list[str] = []
        answers: dict[str, str] = {}
        for place, text in enumerate(body.lines):
            if (answer := body.answers.get(str(place))) is not None:
                answers[str(len(lines))] = answer
            lines += parted(text, self.names, self.measures, self.packs)
        if len(lines) > MOST_LINES:
            raise BadInput(
                "lines", f"That is more than {MOST_LINES} things.", "Write one batch, without what it is for."
            )
        return body.model_copy(update={"lines": lines, "answers": answers})

    def read(self, body: ToldIn) -> list[Line]:
        return [read_line(text, self.names, self.measures, self.packs) for text in body.lines]

    def settle(self, lines: Sequence[Line], answers: Mapping[str, str]) -> Account:
        shape = self.pan.shape if self.pan else None
        return settle(lines, self.pantry, shape, {int(place): key for place, key in answers.items()})


def _line(text: str, account: Account, place: int, options: list[ToldOptionOut], kitchen: _Kitchen) -> ToldLineOut:
    line, summed = account.lines[place], account.sums[place]
    problem, fix = summed.problem or ("", "")
    grams = line.told.kg * 1e3 if line.told else None
    said = " ".join(part for part in (_said(line), summed.note) if part)
    if line.kind == "gave" and line.gave and line.gave.kg:
        grams = line.gave.kg * 1e3
        said = f"{account.stuck_kg * 1e3:.0f} g stayed in the pan and on the spoon." if account.weighed else ""
    return ToldLineOut(
        text=text,
        kind=line.kind,
        key=line.thing.key if line.thing else "",
        name=line.thing.name if line.thing else "",
        grams=grams,
        source="weighed" if line.kind == "gave" and grams else line.told.source if line.told else "",
        said=said[:1].upper() + said[1:],
        loose=_loose(line, account, place, kitchen),
        options=options,
        answer=line.told.likely if line.told else "",
        problem=problem,
        fix=fix,
    )


def _said(line: Line) -> str:
    if line.kind in ("step", "down"):
        return _step_said(line)
    if line.thing is None or line.told is None:
        return ""
    return f"{line.thing.name}{'' if line.told.source == 'weighed' else ': ' + line.told.said}."


def _loose(line: Line, account: Account, place: int, kitchen: _Kitchen) -> str:
    """A spoon or a handful; and an end told by eye that a weight has settled otherwise."""
    if line.kind != "in":
        return ""
    settled = any(base.line == place and base.settled and base.made_by == "reduce" for base in account.bases)
    return loose_words(line.text) or (end_words(line.text, kitchen.measures) if settled else "")


def _step_said(line: Line) -> str:
    """What a line of work is taken for: its time, its heat, how far it is boiled, and whether hands are free."""
    parts = []
    if line.stop is not None:
        parts.append(f"boiled down to {line.stop.text}")
    if line.seconds is not None:
        hours = line.seconds / 3600
        parts.append(f"{hours:g} hours" if hours >= 2 else f"{line.seconds / 60:.0f} minutes")
    if line.celsius is not None:
        parts.append(f"{line.celsius:g} °C")
    parts.append("by itself" if by_itself(line) else "on the fire" if line.fire else "by hand")
    return f"A step: {', '.join(parts)}."


def _options(
    place: int, account: Account, read: Sequence[Line], answers: Mapping[str, str], kitchen: _Kitchen
) -> list[ToldOptionOut]:
    """What a doubtful word could mean, when that moves the sum."""
    line = account.lines[place]
    told = line.told
    if told is None or not told.options or not account.cooked_kg:
        return []
    masses = [option.kg for option in told.options]
    if max(masses) - min(masses) < MOVES_THE_SUM * account.cooked_kg:
        return []
    sweetens = line.thing is not None and line.thing.added_sugar > 0
    return [
        ToldOptionOut(
            key=option.key,
            text=option.text,
            grams=option.kg * 1e3,
            sugar=added_sugar(kitchen.settle(read, {**answers, str(place): option.key})) if sweetens else None,
        )
        for option in told.options
    ]


def _beside(account: Account, form: Mapping[str, Any], name: str, kitchen: _Kitchen) -> BesideOut:
    sweet = read_sweet("own", form)
    own = build(sweet, sweet.usual, kitchen.pantry)
    found = beside(account, own, library(), kitchen.shelf.kitchen().freezer_c, name)
    return BesideOut(
        sweet=found.like.key,
        name=found.like.name,
        ways=found.ways,
        levels=[LevelOut.of_level(level) for level in found.levels],
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
