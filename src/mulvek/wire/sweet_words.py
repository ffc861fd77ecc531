"""The words of the Sweets sentence: understood, with the cook's own labels, pans and packs."""

import math
import re
from collections.abc import Mapping
from dataclasses import replace
from functools import cache
from typing import Annotated, Literal, Protocol

from pydantic import Field

from ..core.composition.materials import Material, material
from ..core.equipment.burners import Burner, Flame
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.moulds import FAN, STILL_AIR, mould
from ..core.equipment.packs import Pack, unpacked
from ..core.equipment.pans import Pan
from ..core.equipment.quantities import is_unit, parse
from ..core.errors import BadInput
from ..core.messages.message import Message
from ..core.planning.reduce.hearth import Hearth
from ..core.planning.reduce.plan import Rate
from ..core.planning.strain.draining import Drain
from ..core.planning.strain.forecast import USUAL_CLOTH
from ..core.planning.sweets.build import Pantry, ReadyBase, milk_of
from ..core.planning.sweets.costs import Prices
from ..core.planning.sweets.formula import MILK, PROPERTIES, Piece, Sweet
from ..core.planning.sweets.frozen import Freezer
from ..core.planning.sweets.fruits import with_fruit
from ..core.planning.sweets.habits import HabitName, with_habit
from ..core.planning.sweets.knobs import changed, chosen
from ..core.planning.sweets.library import library, things
from ..core.planning.sweets.plan import SweetPlan, usual_pan
from ..core.planning.sweets.steps import Pace, by_hand
from ..core.planning.sweets.stuff import Thing
from .larder import BurnerIn, KitchenIn, MilkIn
from .model import Body, Id, Words
from .pans import PanIn
from .reduce import Key, milk_pack, thing_pack

BatchRef = Annotated[str, Field(pattern=r"^((pan|curd)-)?\d{1,15}$")]
Window = Annotated[list[Annotated[float, Field(ge=0, le=100)]], Field(min_length=2, max_length=2)]


class HaveIn(Body):
    """Something there is: the milk, a base by its letter, or an ingredient."""

    what: Key
    amount: Words = Field(description='"1.1 L", "380 g"')


class PricesIn(Body):
    """What the cook pays and compares with, in the kitchen's money."""

    fuel: Literal["gas", "electric"] = "gas"
    fuel_price: float = Field(0.0, ge=0, le=1e6, description="A kg of LPG, or a kWh")
    hour: float = Field(0.0, ge=0, le=1e6, description="An own hour")
    bought_per_kg: float | None = Field(None, ge=0, le=1e6)
    margin: float = Field(0.25, ge=0, le=0.9)


class SweetIn(Body):
    """The words of the sentence. Say what is wanted, or what there is."""

    sweet: Key = Field(description='A sweet of the library ("kulfi"), or an own one ("own-3")')
    school: Key = ""
    flavour: Key = ""
    want: Words = Field("", description='"24 sticks", "24", "1.2 kg", "600 ml"')
    have: list[HaveIn] = Field(default_factory=list, max_length=8)
    each: Words = Field("", description='One piece: "70 ml" of a mould, "12 g"; usual when empty')
    milk: Id | Key | MilkIn | None = Field(None, description="The school's own when empty")
    fruit: Key = Field("", description="What it is made with where it takes a fruit; mango when empty")
    taken: Words = Field("", description='How far the first base is taken: "half", "a third", "30 % solids", "1.9"')
    changes: dict[Key, float] = Field(default_factory=dict, max_length=40)
    windows: dict[Key, Window] = Field(default_factory=dict, max_length=8)
    bases: dict[Key, BatchRef] = Field(
        default_factory=dict, max_length=4, description="Weighed batches, by base letter"
    )
    mould: Key = "stick"
    moulds: int = Field(12, ge=1, le=1000, description="How many moulds there are")
    tray: Words = Field("", description='"30 x 20 cm"; laid out freely when empty')
    freezer_c: float | None = Field(None, ge=-40, le=-5)
    fan: bool = False
    freezes_kg_day: float = Field(3.0, ge=0.2, le=100)
    pan: Id | PanIn | None = None
    burner: Id | BurnerIn | None = None
    flame: Literal["gentle", "medium", "strong"] = "medium"
    whole_packs: bool = True
    weighed: Words = Field("", description="The leading ingredient as weighed: all else follows")
    finished: Words = Field("", description="The finished sweet as weighed")
    prices: PricesIn | None = None
    kitchen: KitchenIn | None = None


class Things(Protocol):
    """Where numbers of the Larder are looked up."""

    def milk(self, milk_id: int) -> Material: ...
    def pan(self, pan_id: int) -> Pan: ...
    def burner(self, burner_id: int) -> Burner: ...
    def kitchen(self) -> Kitchen: ...
    def rate(self, pan_id: int, burner_id: int, flame: Flame) -> Rate: ...
    def curd_yield(self, milk_id: int) -> tuple[float, int]: ...
    def drain(self, cloth: str) -> Drain: ...
    def habit(self, name: HabitName, sweet: str) -> float: ...
    def pace(self, sweet: str, step: str) -> Pace | None: ...

    @property
    def milks(self) -> Mapping[int, Material]: ...
    @property
    def pans(self) -> Mapping[int, Pan]: ...
    @property
    def burners(self) -> Mapping[int, Burner]: ...
    @property
    def house(self) -> Mapping[int, Kept[Material]]: ...
    @property
    def packs(self) -> Mapping[int, tuple[float | None, float | None]]: ...
    @property
    def own_sweets(self) -> Mapping[str, Sweet]: ...


def pantry_of(shelf: Things, milk: Thing | None = None, yield_ln: float = 0.0) -> Pantry:
    """Everything to build from: the tables, over them the cook's own labels, and all sweets."""
    own = {kept.base: replace(Thing.of(kept.thing), key=kept.base) for kept in shelf.house.values() if kept.base}
    known = {**things(), **own}
    if milk is not None:
        known[milk.key] = milk
    return Pantry(things=known, sweets={**library(), **shelf.own_sweets}, milk=milk, yield_ln=yield_ln)


def read_milk(words: int | str | MilkIn | None, shelf: Things) -> tuple[Thing | None, float]:
    """The milk as a thing, and what is learned of its curd."""
    if words is None:
        return None, 0.0
    if isinstance(words, int):
        thing = replace(Thing.of(shelf.milk(words)), key=f"milk:{words}")
        return thing, shelf.curd_yield(words)[0]
    found = Thing.of(words.milk() if isinstance(words, MilkIn) else material(words))
    if not found.milk:
        raise BadInput("milk", "not-a-milk", found=found.name)
    return (replace(found, key="milk:label") if isinstance(words, MilkIn) else found), 0.0


_TAKEN = {
    "half": 2.0,
    "a half": 2.0,
    "a third": 3.0,
    "third": 3.0,
    "two thirds": 1.5,
    "a quarter": 4.0,
    "quarter": 4.0,
}


def read_taken(text: str, unit: str, solids: float) -> float:
    """How far a base is taken, in its own unit.

    :raises BadInput: field "taken".

    >>> read_taken("half", "x", 0.15), read_taken("to 30 % solids", "x", 0.15), read_taken("1.9", "x", 0.15)
    (2.0, 2.0, 1.9)
    """
    words = text.strip().lower().removeprefix("to ").removesuffix("its volume").removesuffix("solids").strip()
    if words in _TAKEN:
        times = _TAKEN[words]
        return times if unit == "x" else times * solids * 100
    percent = words.endswith("%")
    try:
        value = float(words.rstrip("%×x ").replace(",", "."))
    except ValueError:
        raise BadInput("taken", "taken-end-unreadable", text=text) from None
    if unit == "x" and percent:
        return value / 100 / solids
    return value if percent or unit == "x" else value * solids * 100 if value < 8 else value


def read_sweet_plan(words: SweetIn, shelf: Things, ready: Mapping[str, ReadyBase] | None = None) -> SweetPlan:
    """Understand the sentence.

    :raises KitchenError: naming the word.
    """
    kitchen = words.kitchen.kitchen() if words.kitchen else shelf.kitchen()
    milk, yield_ln = read_milk(words.milk, shelf)
    pantry = replace(pantry_of(shelf, milk, yield_ln), ready=dict(ready or {}))
    sweet = pantry.sweets.get(words.sweet)
    if sweet is None:
        raise BadInput("sweet", "no-such-sweet", sweet=words.sweet)
    school, pantry = with_fruit(chosen(sweet, words.school, words.flavour), pantry, words.fruit)
    if words.taken.strip() and (letter := next((k for k, b in school.bases.items() if b.do == "reduce"), None)):
        base = school.bases[letter]
        of = milk_of(school, pantry)
        to = read_taken(words.taken, base.unit, of.parts.total_solids)
        try:
            school = changed(school, {f"bases.{letter}": to})
        except BadInput as error:
            raise BadInput("taken", "taken-out-of-reach", taken=words.taken, why=error.says) from error
    school = changed(school, words.changes)
    school, habit = with_habit(school, lambda name: shelf.habit(name, sweet.key), words.changes)
    shape = None
    if school.piece.way == "mould":
        ml = school.piece.ml
        if words.each.strip():
            ml = parse(words.each, default_unit="ml", allow=("volume",), field="each").value * 1e6
        if not 10 <= ml <= 2000:
            raise BadInput("each", "mould-volume-out-of-reach", ml=ml)
        shape = mould(words.mould).scaled_to(ml * 1e-6)
    elif words.each.strip() and school.piece.way != "slab":
        grams = parse(words.each, default_unit="g", allow=("mass",), field="each").value * 1e3
        if not 2 <= grams <= 2000:
            raise BadInput("each", "piece-mass-out-of-reach", grams=grams)
        school = replace(school, piece=replace(school.piece, grams=grams))
    pieces, mass, volume = _wanted(words.want, sweet, school.piece, kitchen) if not words.have else (None, None, None)
    milk_bulk = milk_of(school, pantry).bulk_kg_m3
    unknown = set(words.bases) - set(school.bases)
    if unknown:
        raise BadInput("bases", "school-no-such-base", unknown=min(unknown), bases=tuple(school.bases) or ("none",))
    return SweetPlan(
        sweet=sweet,
        school=school,
        pantry=pantry,
        kitchen=kitchen,
        hearth=_hearth(words, shelf),
        pieces=pieces,
        mass_kg=mass,
        have={
            h.what: _amount(h, pantry, milk_bulk, kitchen, _pack(words, h.what, pantry, shelf)) for h in words.have
        },
        mould=shape,
        tray=_tray(words.tray),
        freezer=Freezer(
            kitchen.freezer_c if words.freezer_c is None else words.freezer_c,
            FAN if words.fan else STILL_AIR,
            words.freezes_kg_day,
        ),
        packs=_packs(words, shelf),
        whole_packs=words.whole_packs,
        drain=shelf.drain(USUAL_CLOTH),
        habit=habit,
        paces={key: pace for key in by_hand(school) if (pace := shelf.pace(sweet.key, key)) is not None},
        weighed_kg=_mass(words.weighed, "weighed", milk_bulk, kitchen),
        finished_weighed_kg=_mass(words.finished, "finished", 1000.0, kitchen),
        windows={k: (low, high) for k, (low, high) in words.windows.items() if k in PROPERTIES and low <= high},
        volume_m3=volume,
    )


_PIECES = frozenset({"of", "piece", "pieces", "portion", "portions", "serving", "servings", "helping", "helpings"})


HELPING_KG = 0.075
"""What one person is given of a sweet: a stick of kulfi, two squares of a slab, three small balls."""
_PEOPLE = re.compile(r"(?:for )?(.+?) (?:people|persons?|guests|heads|of us)")


def _pieces_each(piece: Piece) -> int:
    """How many pieces are one helping."""
    match piece.way:
        case "mould":
            kg = piece.ml * 1e-6 * 1050.0
        case "slab":
            kg = piece.cut_mm[0] * piece.cut_mm[1] * piece.thick_mm * 1e-9 * 1250.0
        case _:
            kg = piece.grams * 1e-3 * (2.0 if piece.before else 1.0)  # a ball takes up its own weight of syrup
    return max(1, round(HELPING_KG / kg)) if kg else 1


def _wanted(text: str, sweet: Sweet, piece: Piece, kitchen: Kitchen) -> tuple[int | None, float | None, float | None]:
    """Pieces, kg or m³: "24 sticks", "24", "two dozen", "for 10 people", "1.2 kg", "600 ml".

    :raises BadInput: field "want", naming the word that is neither.
    """
    example = Message("example-of-want", many=sweet.many)
    words = text.strip().lower().split()
    if not words:
        return None, None, None
    people = _PEOPLE.fullmatch(" ".join(words))
    counted = people[1] if people else " ".join(words[: words.index("dozen") + 1]) if "dozen" in words else ""
    if counted:
        number = parse(counted, default_unit="", allow=("none",), field="want", example=example).value
        return math.ceil(number) * (_pieces_each(piece) if people else 1), None, None
    own = {sweet.one, sweet.many}
    said = next((word for word in words[1:] if word not in _PIECES), None)
    if said is None or said in own:  # a bowl of rabri is its portion, not the cook's measure
        number = parse(words[0], default_unit="", allow=("none",), field="want", example=example).value
        if number != int(number):
            raise BadInput(
                "want",
                "want-not-whole",
                number=words[0],
                many=sweet.many,
                fewer=int(number) or 1,
                more=int(number) + 1,
            )
        return int(number), None, None
    if words[0].isdecimal() and said in _piece_words():
        return int(words[0]), None, None
    found = parse(
        text,
        default_unit="",
        allow=("mass", "volume", "none"),
        field="want",
        example=example,
        measures=kitchen.measures,
    )
    if found.dimension == "none":
        raise BadInput("want", "want-of-what", text=text, many=sweet.many)
    return None, *((found.value, None) if found.dimension == "mass" else (None, found.value))


@cache
def _piece_words() -> frozenset[str]:
    """What any sweet of the library is counted in, but for what is a measure too: four glasses of rabri are 800 ml."""
    words = {word for sweet in library().values() for word in (sweet.one, sweet.many)}
    return frozenset(word for word in words if not is_unit(word))


def _mass(text: str, field: str, bulk: float, kitchen: Kitchen) -> float | None:
    if not text.strip():
        return None
    q = parse(text, default_unit="g", allow=("mass", "volume"), field=field, measures=kitchen.measures)
    kg = q.value if q.dimension == "mass" else q.value * bulk
    if not 0.005 <= kg <= 200:
        raise BadInput(field, "want-out-of-reach", q=q.understood)
    return kg


def _pack(words: SweetIn, what: str, pantry: Pantry, shelf: Things) -> Pack:
    if what == MILK:
        return milk_pack(words.milk, "the milk", shelf.packs)
    return thing_pack(what, pantry.things[what].name if what in pantry.things else what, shelf.house)


def _amount(have: HaveIn, pantry: Pantry, milk_bulk: float, kitchen: Kitchen, pack: Pack) -> float:
    thing = pantry.things.get(have.what)
    bulk = milk_bulk if have.what == MILK else thing.bulk_kg_m3 if thing else 1000.0
    kg = _mass(unpacked(have.amount, "have", pack), "have", bulk, kitchen)
    if kg is None:
        raise BadInput("have", "have-how-much")
    return kg


def _tray(text: str) -> tuple[float, float] | None:
    """Sides in m. "30 x 20 cm"."""
    words = text.lower().replace("×", "x").strip()
    if not words:
        return None
    sides = [side for side in words.removesuffix("cm").split("x") if side.strip()]
    if len(sides) != 2:
        raise BadInput("tray", "tray-unreadable", text=text)
    found = [parse(side, default_unit="cm", allow=("length",), field="tray").value for side in sides]
    if not all(0.05 <= side <= 1.0 for side in found):
        raise BadInput("tray", "tray-sides-out-of-reach")
    return max(found), min(found)


def pan_of(words: SweetIn, shelf: Things) -> int | PanIn | None:
    """The pan that it is planned in: the widest when nothing is said."""
    return words.pan if words.pan is not None else usual_pan(shelf.pans)


def burner_of(words: SweetIn, shelf: Things) -> int | BurnerIn | None:
    """The burner that it is planned on: the first when nothing is said."""
    return words.burner if words.burner is not None else next(iter(shelf.burners), None)


def _hearth(words: SweetIn, shelf: Things) -> Hearth:
    """Pan, burner and flame."""
    pan_id = pan_of(words, shelf)
    burner_id = burner_of(words, shelf)
    if pan_id is None or burner_id is None:
        raise BadInput("pan", "no-pan-or-burner")
    pan = shelf.pan(pan_id) if isinstance(pan_id, int) else pan_id.pan()
    burner = shelf.burner(burner_id) if isinstance(burner_id, int) else burner_id.burner()
    known = isinstance(pan_id, int) and isinstance(burner_id, int)
    rate = shelf.rate(pan_id, burner_id, words.flame) if known else Rate()  # type: ignore[arg-type]
    return Hearth(pan, burner, words.flame, rate)


def _packs(words: SweetIn, shelf: Things) -> dict[str, float]:
    """What a pack holds, kg, of the cook's own things and milk."""
    found = {kept.base: kept.pack for kept in shelf.house.values() if kept.base and kept.pack}
    if isinstance(words.milk, int) and (pack := shelf.packs.get(words.milk, (None, None))[0]):
        found[f"milk:{words.milk}"] = pack * shelf.milk(words.milk).bulk_kg_m3
    return found


def read_prices(words: SweetIn, shelf: Things) -> Prices:
    """What the cook pays: the words', and per kg of everything that has a pack and a price."""
    found = {k.base: k.price / k.pack for k in shelf.house.values() if k.base and k.pack and k.price is not None}
    if isinstance(words.milk, int):
        pack, price = shelf.packs.get(words.milk, (None, None))
        if pack and price is not None:
            found[f"milk:{words.milk}"] = price / (pack * shelf.milk(words.milk).bulk_kg_m3)
    p = words.prices
    if p is None:
        return Prices(per_kg=found)
    return Prices(
        per_kg=found,
        fuel=p.fuel,
        fuel_price=p.fuel_price,
        hour=p.hour,
        bought_per_kg=p.bought_per_kg,
        margin=p.margin,
    )
