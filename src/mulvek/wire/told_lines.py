"""One batch told in the cook's own lines: how each is read in this kitchen, and what is said of it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from ..core.equipment.packs import Pack
from ..core.equipment.pans import Pan
from ..core.equipment.quantities import Measures
from ..core.errors import BadInput
from ..core.messages.catalogue import said
from ..core.planning.own.account import Account, settle
from ..core.planning.own.amounts import Source, loose_words
from ..core.planning.own.form import added_sugar, by_itself
from ..core.planning.own.lines import LONGEST_BREATH, MOST_LINES, Line, LineKind, end_words, parted, read_line
from ..core.planning.own.names import names_of
from ..core.planning.sweets.build import Pantry
from ..core.planning.sweets.plan import usual_pan
from ..core.planning.sweets.stuff import Thing
from .model import Body, Out, Words, _one_line
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


def names_here(shelf: Things, pantry: Pantry) -> dict[tuple[str, ...], Thing]:
    """Names of the tables, of the Larder's own milks, and “milk” alone: the first of those, else packet milk."""
    names = names_of(pantry.things)
    milks = {number: replace(Thing.of(milk), key=f"milk:{number}") for number, milk in shelf.milks.items()}
    names |= names_of({thing.key: thing for thing in milks.values()})
    dairy = [thing for thing in milks.values() if thing.group == "milk"]
    names[("milk",)] = dairy[0] if dairy else pantry.things["full-cream"]
    return names


@dataclass(frozen=True, slots=True)
class ToldKitchen:
    """What the lines are read and reckoned with."""

    shelf: Things
    pantry: Pantry
    names: Mapping[tuple[str, ...], Thing]
    measures: Measures
    packs: Mapping[str, Pack]
    pan: Pan | None

    @classmethod
    def of(cls, shelf: Things) -> "ToldKitchen":
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
            raise BadInput("lines", "too-many-told-lines", most=MOST_LINES)
        return body.model_copy(update={"lines": lines, "answers": answers})

    def read(self, body: ToldIn) -> list[Line]:
        return [read_line(text, self.names, self.measures, self.packs) for text in body.lines]

    def settle(self, lines: Sequence[Line], answers: Mapping[str, str]) -> Account:
        shape = self.pan.shape if self.pan else None
        return settle(lines, self.pantry, shape, {int(place): key for place, key in answers.items()})


def line_out(
    text: str, account: Account, place: int, options: list[ToldOptionOut], kitchen: ToldKitchen
) -> ToldLineOut:
    line, summed = account.lines[place], account.sums[place]
    wrong = summed.problem
    grams = line.told.kg * 1e3 if line.told else None
    words = " ".join(part for part in (_said(line), summed.note) if part)
    if line.kind == "gave" and line.gave and line.gave.kg:
        grams = line.gave.kg * 1e3
        words = f"{account.stuck_kg * 1e3:.0f} g stayed in the pan and on the spoon." if account.weighed else ""
    return ToldLineOut(
        text=text,
        kind=line.kind,
        key=line.thing.key if line.thing else "",
        name=line.thing.name if line.thing else "",
        grams=grams,
        source="weighed" if line.kind == "gave" and grams else line.told.source if line.told else "",
        said=words[:1].upper() + words[1:],
        loose=_loose(line, account, place, kitchen),
        options=options,
        answer=line.told.likely if line.told else "",
        problem=said(wrong) if wrong else "",
        fix=said(wrong, "fix") if wrong else "",
    )


def _said(line: Line) -> str:
    if line.kind in ("step", "down"):
        return _step_said(line)
    if line.thing is None or line.told is None:
        return ""
    return f"{line.thing.name}{'' if line.told.source == 'weighed' else ': ' + line.told.said}."


def _loose(line: Line, account: Account, place: int, kitchen: ToldKitchen) -> str:
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


def options_of(
    place: int, account: Account, read: Sequence[Line], answers: Mapping[str, str], kitchen: ToldKitchen
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
