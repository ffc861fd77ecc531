"""What the lines of one batch come to: kg in, boiled off, stuck and finished. What was weighed settles the rest.

Mass closes: in = boiled off + whey + stuck + finished. A stop told by eye gives way to a weight, for an eye errs by a
tenth and a scale by a hundredth.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Literal

from ...composition.composition import Composition, together
from ...equipment.vessels import Shape, Straight
from ...errors import BadInput, Impossible, KitchenError
from ...messages.message import Message
from ..reduce.stops import water_at_stop_kg
from ..sweets.build import Pantry
from ..sweets.stuff import Thing
from .amounts import TRACES
from .lines import Gave, Line, MadeBy

STUCK, MOST_STUCK = 0.025, 0.06
"""What pan and spoon keep of a batch where nothing tells it, and the most that is believed before an end told by eye is
doubted instead."""
LEAST_KG = 0.005
"""Less than this is no batch yet: a pinch of something, before the rest is written."""
NO_PAN = Straight(0.1, 0.1)
DRIEST = 0.85
CHHENA_WATER, HUNG_WATER = 0.56, 0.72
"""Of a curd that nobody weighed: what the library drains to."""
Asks = Literal["in", "gave"]
"""What only the cook can tell: what went in, or what came of it."""
_CURD_WATER = {"curdle": (0.45, 0.70), "hang": (0.56, 0.84)}


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnBase:
    """A base of the batch, kg: what it was made from, what it must have been (``made_kg``), and what its words alone would
    have made of it (``told_kg``). ``line``: its place among the lines; ``made_by`` none: boiled or drained not at all."""

    letter: str
    line: int
    made_by: MadeBy
    of: Thing
    start_kg: float
    made_kg: float
    told_kg: float
    parts: Composition
    settled: bool = False

    @property
    def times(self) -> float:
        """Solids per kg against those of the milk: how many times down."""
        return float(self.parts.total_solids / self.of.parts.total_solids)


@dataclass(frozen=True, slots=True, kw_only=True)
class LineSum:
    """What a line adds: kg, and what its doubt means for the sum."""

    kg: float = 0.0
    note: str = ""
    problem: Message | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Account:
    """One batch, kg. ``into_bowl_kg``: all that came together; ``cooked_kg``: after what was boiled off it then;
    ``finished_kg``: what came of it. ``asks``: what only the cook can tell: "gave", "in"."""

    lines: tuple[Line, ...]
    sums: tuple[LineSum, ...]
    bases: tuple[OwnBase, ...] = ()
    into_bowl_kg: float = 0.0
    cooked_kg: float = 0.0
    finished_kg: float = 0.0
    steam_kg: float = 0.0
    whey_kg: float = 0.0
    weighed: bool = False
    cooks: bool = False
    count: int | None = None
    unit: str = ""
    each_kg: float | None = None
    parts: Composition = field(default_factory=Composition)
    asks: tuple[Asks, ...] = ()

    @property
    def in_kg(self) -> float:
        return sum(line.told.kg for line in self.lines if line.kind == "in" and line.told)

    @property
    def stuck_kg(self) -> float:
        return self.cooked_kg - self.finished_kg


def settle(
    lines: Sequence[Line], pantry: Pantry, pan: Shape | None = None, answers: Mapping[int, str] | None = None
) -> Account:
    """Work out a batch from its lines.

    :param pan: of the milk, for an end told by depth. :param answers: what a doubtful word meant, by the line's place.
    :raises BadInput: field "answers", when an answer is none of the options.
    """
    taken = _answered(lines, answers or {})
    sums = [LineSum(kg=line.told.kg if line.told else 0.0, problem=line.problem) for line in taken]
    gave = next((line.gave for line in reversed(taken) if line.gave), None)
    went_in = [(i, line) for i, line in enumerate(taken) if line.kind == "in"]
    if sum(line.told.kg for _, line in went_in if line.told) < LEAST_KG:
        return Account(lines=tuple(taken), sums=tuple(sums), asks=("in",))
    taken, went_in = _with_traces(taken, went_in, gave.kg if gave else None)
    for i, line in went_in:
        sums[i] = replace(sums[i], kg=line.told.kg if line.told else 0.0)
    bases: list[OwnBase] = []
    for i, line in went_in:
        try:
            base = _base(i, line, taken, bases, pantry, pan)
        except KitchenError as error:
            sums[i] = replace(sums[i], problem=error.says)
            continue
        if base is not None:
            bases.append(base)
            if base.made_by != "reduce":
                usual = f"As such milk usually gives: {base.made_kg * 1e3:.0f} g."
                sums[i] = replace(sums[i], note="It gave what you weighed." if line.weighed else usual)
    based = {b.line for b in bases}
    rest = [line for i, line in went_in if i not in based]
    added = together([Composition(), *(x.thing.parts.scaled(x.told.kg) for x in rest if x.thing and x.told)])
    return _finish(taken, sums, bases, added, gave)


def _answered(lines: Sequence[Line], answers: Mapping[int, str]) -> list[Line]:
    taken = list(lines)
    for i, key in answers.items():
        told = taken[i].told if 0 <= i < len(taken) else None
        if told is None or not told.options:
            continue  # the line was written anew since
        taken[i] = replace(taken[i], told=told.taken_as(key))
    return taken


def _with_traces(
    lines: list[Line], went_in: list[tuple[int, Line]], gave_kg: float | None
) -> tuple[list[Line], list[tuple[int, Line]]]:
    """Spices that nobody measures, at their usual share of the finished."""
    rough = gave_kg or 0.6 * sum(line.told.kg for _, line in went_in if line.told)
    for i, line in went_in:
        if line.told and line.told.kg == 0 and line.thing and line.thing.key in TRACES:
            lines[i] = replace(line, told=replace(line.told, kg=TRACES[line.thing.key] * rough))
    return lines, [(i, lines[i]) for i, _ in went_in]


def _base(
    i: int, line: Line, lines: Sequence[Line], before: Sequence[OwnBase], pantry: Pantry, pan: Shape | None
) -> OwnBase | None:
    """What the milk of a line became before it met the rest; None where it went in as it was."""
    assert line.thing is not None and line.told is not None
    thing, start = line.thing, line.told.kg
    parts = thing.parts.scaled(start)
    if line.made_by in ("curdle", "hang"):
        return _curd(i, line, thing, start, before, pantry)
    stop = line.stop
    if stop is None and thing.milk:  # "boiled down to half" on the next line, before anything else went in
        after = next((nxt for nxt in lines[i + 1 :] if nxt.kind in ("in", "down")), None)
        alone = after is not None and after.kind == "down" and not any(x.kind == "in" for x in lines[:i])
        stop = after.stop if alone and after is not None else None
    if stop is None:
        return None
    if pan is None and stop.kind in ("depth", "depth_ratio"):
        raise BadInput("line", "depth-needs-its-pan")
    m3 = start / thing.bulk_kg_m3
    water = water_at_stop_kg(stop, parts, start, m3, pan or NO_PAN, Composition())
    made = float(water + parts.solids)
    if not 0 < water <= parts.water * 1.001:
        raise Impossible("line", "told-stop-out-of-reach")
    return OwnBase(
        letter=_letter("R", before),
        line=i,
        made_by="reduce",
        of=thing,
        start_kg=start,
        made_kg=made,
        told_kg=made,
        parts=parts.with_water(water).per_kg(),
    )


def _letter(letter: str, before: Sequence[OwnBase]) -> str:
    taken = {b.letter for b in before}
    return letter if letter not in taken else min(set("ABDEFGIJKLMNOPQSTUVWXYZ") - taken)


def _curd(i: int, line: Line, thing: Thing, start: float, before: Sequence[OwnBase], pantry: Pantry) -> OwnBase:
    made_by: MadeBy = "curdle" if line.made_by == "curdle" else "hang"
    drain = pantry.curdle if made_by == "curdle" else pantry.hang
    water = CHHENA_WATER if made_by == "curdle" else HUNG_WATER
    low, high = _CURD_WATER[made_by]
    told = drain(thing, water)
    curd, settled = told, False
    if line.weighed is not None:
        wanted = line.weighed / start
        least, most = drain(thing, low).mass_kg, drain(thing, high).mass_kg
        if not 0.9 * least <= wanted <= 1.15 * most:
            said = f"{least * start * 1e3:.0f} to {most * start * 1e3:.0f} g"
            raise Impossible("line", "told-curd-too-much", said=said)
        for _ in range(40):
            water = (low + high) / 2
            curd = drain(thing, water)
            low, high = (water, high) if curd.mass_kg < wanted else (low, water)
        settled = True
    return OwnBase(
        letter=_letter("C" if made_by == "curdle" else "H", before),
        line=i,
        made_by=made_by,
        of=thing,
        start_kg=start,
        made_kg=curd.mass_kg * start,
        told_kg=told.mass_kg * start,
        parts=curd.parts,
        settled=settled,
    )


@dataclass(frozen=True, slots=True)
class _Bowl:
    """All that came together and what it was cooked to, kg; ``asks``: it is not told."""

    bases: tuple[OwnBase, ...]
    into_kg: float
    cooked_kg: float
    finished_kg: float
    cooks: bool = False
    asks: bool = False


def _finish(
    lines: list[Line], sums: list[LineSum], bases: list[OwnBase], added: Composition, gave: Gave | None
) -> Account:
    cook = _cooked_together(lines, bases)
    weighed = False
    if gave is not None and gave.kg is not None:
        place = max(i for i, line in enumerate(lines) if line.gave is gave)
        fault = _wrong_weight(gave.kg, added, bases)
        sums[place] = replace(sums[place], problem=fault)
        weighed = fault is None
    if weighed and gave is not None and gave.kg is not None:
        bowl = _by_weight(gave.kg, bases, added, cook is not None)
        for before, after in zip(bases, bowl.bases, strict=True):
            if after.settled and not before.settled:
                sums[after.line] = replace(sums[after.line], note=_by_scale(before, after))
    else:
        bowl = _by_words(bases, added, cook)
    count, each = gave.count if gave else None, gave.each_kg if gave else None
    if each is None and count:
        each = bowl.finished_kg / count
    elif each and count is None:
        count = max(1, round(bowl.finished_kg / each))
    whole = _together(added, bowl.bases)
    return Account(
        lines=tuple(lines),
        sums=tuple(sums),
        bases=bowl.bases,
        into_bowl_kg=bowl.into_kg,
        cooked_kg=bowl.cooked_kg,
        finished_kg=bowl.finished_kg,
        steam_kg=bowl.into_kg
        - bowl.cooked_kg
        + sum(b.start_kg - b.made_kg for b in bowl.bases if b.made_by == "reduce"),
        whey_kg=sum(b.start_kg - b.made_kg for b in bowl.bases if b.made_by != "reduce"),
        weighed=weighed,
        cooks=bowl.cooks,
        count=count,
        unit=gave.unit if gave else "",
        each_kg=each,
        parts=whole.with_water(whole.water - (bowl.into_kg - bowl.cooked_kg)).per_kg(),
        asks=("gave",) if gave is None or bowl.asks else (),
    )


def _together(added: Composition, bases: Sequence[OwnBase]) -> Composition:
    return together([added, *(b.parts.scaled(b.made_kg) for b in bases)])


def _by_words(bases: Sequence[OwnBase], added: Composition, cook: Line | None) -> _Bowl:
    """Nothing was weighed at the end: what the lines alone come to."""
    whole = _together(added, bases)
    bowl = float(whole.total)
    end = _told_end(cook, float(whole.solids), bowl) if cook is not None else bowl
    cooked = bowl if end is None else end
    return _Bowl(tuple(bases), bowl, cooked, cooked * (1 - STUCK), cook is not None, end is None)


def _by_weight(gave_kg: float, bases: Sequence[OwnBase], added: Composition, cooked_on: bool) -> _Bowl:
    """What was weighed at the end settles what the words leave open: how far all of it, or the milk, was boiled."""
    whole = _together(added, bases)
    bowl, solids = float(whole.total), float(whole.solids)
    stuck = 1 - gave_kg / bowl
    reduced = next((b for b in bases if b.made_by == "reduce"), None)
    if 0 <= stuck <= MOST_STUCK and not cooked_on:
        return _Bowl(tuple(bases), bowl, bowl, gave_kg)
    if reduced is not None and not cooked_on:
        made = _boiled_to(reduced, gave_kg / (1 - STUCK) - (bowl - reduced.made_kg))
        into = bowl - reduced.made_kg + made.made_kg
        if gave_kg >= into * (1 - MOST_STUCK):
            return _Bowl(tuple(made if b is reduced else b for b in bases), into, into, min(gave_kg, into))
    cooked = min(bowl, max(gave_kg / (1 - STUCK), solids / 0.98))
    return _Bowl(tuple(bases), bowl, cooked, min(gave_kg, cooked), cooked < bowl)


def _cooked_together(lines: Sequence[Line], bases: Sequence[OwnBase]) -> Line | None:
    """The line that says that all in the pan was cooked on; not the one that is the end of a base."""
    first = min((i for i, line in enumerate(lines) if line.kind == "in"), default=0)
    base_ends = {
        i
        for b in bases
        if b.made_by == "reduce" and lines[b.line].stop is None
        for i, line in enumerate(lines)
        if line.kind == "down" and i > b.line
    }
    own = sorted(base_ends)[:1]
    later = [
        line
        for i, line in enumerate(lines)
        if line.kind == "down" and i > first and i not in own and (line.stop is not None or line.fire)
    ]
    return later[-1] if later else None


def _told_end(line: Line, solids: float, bowl: float) -> float | None:
    """kg that all of it is cooked to by its words; None where they tell a sign, or lead nowhere."""
    stop = line.stop
    if stop is None:
        return None
    match stop.kind:
        case "mass":
            kg = stop.value
        case "total_solids":
            kg = solids / stop.value
        case "mass_ratio" | "volume_ratio":
            kg = stop.value * bowl
        case _:
            return None
    return kg if solids / 0.98 < kg <= bowl * 1.001 else None


def _boiled_to(base: OwnBase, wanted_kg: float) -> OwnBase:
    start = base.of.parts.scaled(base.start_kg)
    solids = float(start.solids)
    made = min(max(wanted_kg, solids / DRIEST), base.start_kg)
    return replace(base, made_kg=made, parts=start.with_water(made - solids).per_kg(), settled=True)


def _by_scale(told: OwnBase, made: OwnBase) -> str:
    heavier = "less" if made.made_kg < told.told_kg else "more"
    return (
        f"Your words alone would weigh {told.told_kg * 1e3:.0f} g, and you weighed {heavier}: "
        f"so it was {made.made_kg * 1e3:.0f} g, {made.times:.3g} times down."
    )


def _wrong_weight(gave_kg: float, added: Composition, bases: Sequence[OwnBase]) -> Message | None:
    """Why so much cannot have come of it, and what to look at; None when it can."""
    most = float(added.total) + sum(b.start_kg if b.made_by == "reduce" else b.made_kg for b in bases)
    solids = float(_together(added, bases).solids)
    if gave_kg > most * 1.005:
        return Message("told-more-came-than-went-in", gave=gave_kg * 1e3, most=most * 1e3)
    if gave_kg < solids * (1 - MOST_STUCK) / 0.98:
        return Message("told-less-came-than-solids", gave=gave_kg * 1e3, solids=solids * 1e3)
    return None
