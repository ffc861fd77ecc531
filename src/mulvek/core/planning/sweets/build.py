"""Running a formula: from bases and a pantry to one kilogram of finished sweet, with its account.

Sweets dossier §2. Nothing here knows how much is wanted; everything is per kilogram finished.
"""

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace

from ...composition.composition import Composition, together
from ...errors import BadInput, Impossible
from ..caramel.plan import KEEPS
from .curds import Curd, chhena, hung_curd
from .formula import MILK, SUGARS, Base, School, Sweet
from .stuff import Soaked, Stuff, Thing, blend, boiled_down, fried, handled, soaked


@dataclass(frozen=True, kw_only=True)
class Pantry:
    """What a formula is built from: things and sweets by key, how curd is made, and bases that are there already.

    ``ready``: a base that was weighed, by its letter: its make-up per kg and the added sugar in it.
    """

    things: Mapping[str, Thing]
    sweets: Mapping[str, Sweet]
    milk: Thing | None = None
    curdle: Callable[[Thing, float], Curd] = chhena
    hang: Callable[[Thing, float], Curd] = hung_curd
    yield_ln: float = 0.0
    ready: Mapping[str, "ReadyBase"] = field(default_factory=dict)

    def thing(self, key: str, field: str = "ingredient") -> Thing:
        """:raises BadInput: when there is none of that name."""
        if key not in self.things:
            raise BadInput(field, "no-such-part", key=key)
        return self.things[key]


@dataclass(frozen=True, slots=True)
class ReadyBase:
    """A base as it was weighed: per kg, and how much there is. ``said``: where it comes from; ``at_s``: when it was
    weighed, s since the epoch; ``caramel``: caramelised milk, which is no base of a sweet; ``gave_kg``:
    what there was of it at first."""

    parts: Composition
    added_sugar: float
    mass_kg: float
    said: str = ""
    at_s: float = 0.0
    caramel: bool = False
    gave_kg: float = 0.0


def pooled(bases: Sequence[ReadyBase]) -> ReadyBase:
    """Several of them poured together.

    >>> half = ReadyBase(Composition(water=0.7, fat=0.3), 0.1, 1.0, "first pan")
    >>> both = pooled([half, ReadyBase(Composition(water=0.5, fat=0.5), 0.0, 3.0, "second pan")])
    >>> both.mass_kg, round(both.parts.fat, 3), round(both.added_sugar, 3), both.said
    (4.0, 0.45, 0.025, 'first pan, second pan')
    """
    mass = sum(base.mass_kg for base in bases)
    shares = [base.mass_kg / mass for base in bases]
    return ReadyBase(
        together([base.parts.scaled(share) for base, share in zip(bases, shares, strict=True)]),
        sum(base.added_sugar * share for base, share in zip(bases, shares, strict=True)),
        mass,
        ", ".join(base.said for base in bases),
    )


TO_CARAMELISE = "to caramelise, dry"


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeBase:
    """A base of a built sweet: kg of it and of what it is made from, per kg finished."""

    letter: str
    base: Base
    of: Thing
    start_kg: float
    made_kg: float
    parts: Composition
    ready: ReadyBase | None = None


@dataclass(frozen=True, slots=True)
class Row:
    """One line of the weighing list: kg per kg finished; ``when`` it goes in; ``within`` which sweet, if another."""

    key: str
    name: str
    kg: float
    when: str
    within: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Built:
    """One kilogram finished: its account, bases and weighing list, and what it weighed at each stage (kg):
    ``stop_kg`` as it comes off the fire, ``cooked_kg`` once all is stirred in."""

    sweet: Sweet
    school: School
    stuff: Stuff
    bases: tuple[MadeBase, ...]
    rows: tuple[Row, ...]
    mixed_kg: float
    into_pan_kg: float
    cooked_kg: float
    stop_kg: float
    own_sugar_kg: float
    sugar_over_kg: float
    pieces_before: Composition
    before_soak_kg: float
    soak: Soaked | None
    syrup_kg: float
    topped_kg: float
    sides: tuple["Built", ...] = ()

    @property
    def parts(self) -> Composition:
        return self.stuff.parts

    @property
    def mix_unit_kg(self) -> float:
        """kg of what the mix counts as one, per kg finished."""
        return self.mixed_kg / sum(self.school.mix.values())

    @property
    def end_per_mix(self) -> float:
        """kg finished per kg of what was mixed."""
        return 1 / self.mixed_kg


def build(sweet: Sweet, school: School, pantry: Pantry, depth: int = 0) -> Built:
    """One kilogram of a sweet by one school.

    :raises BadInput: a name that is nothing. :raises Impossible: a make-up that cannot be (solids past 100 %).
    """
    if depth > 4:
        raise BadInput("mix", "sweets-made-of-each-other")
    bases: dict[str, tuple[Stuff, MadeBase]] = {
        letter: _base(letter, base, school, pantry) for letter, base in school.bases.items()
    }
    nested: list[Built] = []

    def stuff_of(key: str) -> Stuff:
        if key in bases:
            return bases[key][0]
        if key == MILK:
            return Stuff.bare(milk_of(school, pantry))
        if key in pantry.things:
            return Stuff.bare(pantry.things[key])
        if key in pantry.sweets:
            part = pantry.sweets[key]
            made = build(part, part.usual, replace(pantry, ready={}), depth + 1)
            nested.append(made)
            return replace(made.stuff, boils=tuple(replace(b, of=f"part.{key}") for b in made.stuff.boils))
        raise BadInput("mix", "no-such-part", key=key)

    mixed, mix = blend((stuff_of(key), kg) for key, kg in school.mix.items())
    finish = {key: pct / 100 for key, pct in school.finish.items() if pct > 0}
    extras = {key: Stuff.bare(pantry.thing(key, "finish")) for key in finish}
    carried = mix.added_sugar * mixed if any(key in SUGARS for key in finish) else 0.0
    done, own = _finished(
        mix.parts, mixed, {k: (s, extras[k].parts.total_solids) for k, s in finish.items()}, carried, school.cook
    )
    over = max(0.0, -own)
    late = _late(finish, done, max(0.0, own))
    off_the_fire = {key: kg for key, kg in late.items() if kg > 0 and school.stirred_in_after_cooking(key)}
    into_pan, stuff = blend([(mix, mixed), *((extras[k], kg) for k, kg in late.items() if k not in off_the_fire)])
    stop = into_pan
    if school.cook is not None and done < into_pan + sum(off_the_fire.values()) - 1e-12:
        stop = done - sum(off_the_fire.values())
        dry = into_pan * stuff.parts.total_solids
        if dry >= stop:
            raise Impossible("cook", "cook-drier-than-dry")
        stuff = boiled_down(stuff, dry / stop, "cook")
    cooked, stuff = blend([(stuff, stop), *((extras[key], kg) for key, kg in off_the_fire.items())])
    mass = cooked
    if school.fry:
        stuff = fried(stuff, school.fry.loses / 100, school.fry.takes / 100)
        mass *= 1 - school.fry.loses / 100 + school.fry.takes / 100
    before, before_kg = stuff.parts, mass
    exchange: Soaked | None = None
    syrup = 0.0
    if school.soak and school.soak.within:
        _, stuff = blend([(stuff, 1.0), (stuff_of(school.soak.within), school.soak.gain)])
        mass *= 1 + school.soak.gain
    elif school.soak:
        syrup = school.soak.ratio * mass
        stuff, exchange = soaked(
            stuff, school.soak.brix / 100, school.soak.gain, school.soak.ratio, school.soak.reach
        )
        mass *= 1 + school.soak.gain
    topped = 0.0
    if school.top:
        topped = school.top.share * mass
        _, stuff = blend([(stuff, 1.0), (stuff_of(school.top.of), school.top.share)])
        mass *= 1 + school.top.share
    stuff = handled(stuff, school.lose / 100)
    mass *= 1 - school.lose / 100
    each = 1 / mass
    made = tuple(
        replace(b, start_kg=b.start_kg * kg * each, made_kg=kg * each)
        for letter, (_, b) in bases.items()
        if (kg := school.mix.get(letter, 0.0)) > 0
    )
    return Built(
        sweet=sweet,
        school=school,
        stuff=stuff,
        bases=made,
        rows=tuple(_rows(school, pantry, made, late, each, syrup * each, nested, before_kg, topped)),
        mixed_kg=mixed * each,
        into_pan_kg=into_pan * each,
        cooked_kg=cooked * each,
        stop_kg=stop * each,
        own_sugar_kg=max(0.0, own) * each,
        sugar_over_kg=over * each,
        pieces_before=before,
        before_soak_kg=before_kg * each,
        soak=exchange,
        syrup_kg=syrup * each,
        topped_kg=topped * each,
        sides=tuple(nested),
    )


def milk_of(school: School, pantry: Pantry) -> Thing:
    """The cook's milk, where this school takes such a milk: a cow's does not stand in for a coconut's, nor it for hers."""
    own = pantry.thing(school.milk, "milk")
    return pantry.milk if pantry.milk is not None and pantry.milk.group == own.group else own


def _base(letter: str, base: Base, school: School, pantry: Pantry) -> tuple[Stuff, MadeBase]:
    """One kilogram of a base, and what it took."""
    of = milk_of(school, pantry) if base.of == MILK else pantry.thing(base.of, "milk")
    ready = pantry.ready.get(letter)
    if ready is not None:
        stuff = Stuff(parts=ready.parts, bought={f"base:{letter}": 1.0}, added_sugar=ready.added_sugar)
        return stuff, MadeBase(
            letter=letter, base=base, of=of, start_kg=0.0, made_kg=1.0, parts=ready.parts, ready=ready
        )
    bare = Stuff.bare(of)
    if base.do == "reduce":
        solids = of.parts.total_solids
        to = solids * base.to if base.unit == "x" else base.to / 100
        if not to < 0.98:
            raise Impossible(f"bases.{letter}", "base-drier-than-milk")
        made = boiled_down(bare, to, letter)
        return made, MadeBase(
            letter=letter, base=base, of=of, start_kg=made.bought[of.key], made_kg=1.0, parts=made.parts
        )
    curd = (pantry.curdle if base.do == "curdle" else pantry.hang)(of, base.to / 100)
    kept = curd.mass_kg * (math.exp(pantry.yield_ln) if base.do == "curdle" else 1.0)
    made = replace(bare.per(kept), parts=curd.parts, left_kg=(1 - kept) / kept)
    return made, MadeBase(letter=letter, base=base, of=of, start_kg=1 / kept, made_kg=1.0, parts=curd.parts)


def _finished(
    mix: Composition, mixed_kg: float, shares: Mapping[str, tuple[float, float]], carried: float, cook: float | None
) -> tuple[float, float]:
    """Finished mass and the recipe's own sugar, kg (F35, F56). ``shares``: of the finished mass, and its solids.

    Sugar that the mix carries already (a sweetened base) counts against the sugar asked for.
    """
    if cook is None:
        rest = 1 - sum(share for share, _ in shares.values())
        finished = (mixed_kg - carried) / rest
    else:
        rest = (1 - cook / 100) - sum(share * dry for share, dry in shares.values())
        if rest <= 0.01:
            raise Impossible("finish", "no-room-for-milk")
        finished = (mixed_kg * mix.total_solids - carried) / rest
    sugar = sum(share for key, (share, _) in shares.items() if key in SUGARS)
    own = sugar * finished - carried
    if own < 0:  # it is too sweet already: none of its own goes in
        others = {key: s for key, s in shares.items() if key not in SUGARS}
        finished, _ = _finished(mix, mixed_kg, others, 0.0, cook)
    return finished, own


def _late(finish: Mapping[str, float], done_kg: float, own_kg: float) -> dict[str, float]:
    """kg of each thing that goes in at the end; the sugars share what is still the recipe's own."""
    sugars = sum(share for key, share in finish.items() if key in SUGARS)
    return {key: own_kg * share / sugars if key in SUGARS else share * done_kg for key, share in finish.items()}


def _rows(
    school: School,
    pantry: Pantry,
    bases: tuple[MadeBase, ...],
    late: Mapping[str, float],
    each: float,
    syrup: float,
    nested: list[Built],
    before_kg: float,
    topped: float,
) -> list[Row]:
    rows: list[Row] = []
    words = {"reduce": "to reduce", "curdle": "to curdle", "hang": "to hang"}
    for b in bases:
        if b.ready is not None:
            rows.append(Row(f"base:{b.letter}", b.ready.said or b.of.name, b.made_kg, "as weighed"))
        else:
            rows.append(Row(b.of.key, b.of.name, b.start_kg, words[b.base.do]))
    letters = {b.letter for b in bases}
    for key, kg in school.mix.items():
        if key in letters or kg <= 0 or (key in pantry.sweets and key not in pantry.things):
            continue
        thing = milk_of(school, pantry) if key == MILK else pantry.things.get(key)
        if key == "caramel":
            sugar = pantry.thing("white-sugar")
            rows.append(Row(sugar.key, sugar.name, kg * each / KEEPS, TO_CARAMELISE))
        elif thing is not None:
            rows.append(Row(thing.key, thing.name, kg * each, "to begin with"))
    for key, kg in late.items():
        if kg > 0:
            thing = pantry.thing(key)
            rows.append(Row(key, thing.name, kg * each, "at the end"))
    if school.fry:
        oil = pantry.thing("oil")
        takes = school.fry.takes / 100
        fried_kg = before_kg * each / (1 - school.fry.loses / 100 + takes)
        rows.append(Row("oil", oil.name, takes * fried_kg, "taken up in frying"))
    if school.soak and syrup:
        brix = school.soak.brix / 100
        rows.append(Row("white-sugar", pantry.thing("white-sugar").name, syrup * brix, "for the syrup"))
        rows.append(Row("water", pantry.thing("water").name, syrup * (1 - brix), "for the syrup"))
    for part in nested:
        key = part.sweet.key
        kg = school.mix.get(key, 0.0) * each
        if school.soak and school.soak.within == key:
            kg = school.soak.gain * before_kg * each
        if school.top and school.top.of == key:
            kg = topped * each
        rows += [replace(row, kg=row.kg * kg, within=part.sweet.name) for row in part.rows]
    return rows
