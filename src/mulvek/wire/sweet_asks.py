"""What a cook asks around a sweet: substitutes, changes at the last minute, whether a pot cools, what a syrup is."""

from collections.abc import Mapping
from typing import Annotated, Literal

from pydantic import Field

from ..core.composition.composition import Composition
from ..core.equipment.quantities import in_cups, parse
from ..core.errors import BadInput, Impossible
from ..core.messages.figures import say
from ..core.planning.curdle import soak as sk
from ..core.planning.curdle.syrup import boiling_elevation_k, brix_at_elevation, elevation_share, syrup_boils_c
from ..core.planning.sweets.build import ReadyBase, milk_of
from ..core.planning.sweets.late import Mend, Sweeter, sweeter, to_moisture
from ..core.planning.sweets.plan import SweetForecast, plan_sweet
from ..core.planning.sweets.stuff import Thing
from ..core.planning.sweets.swapping import Alternative, alternatives
from ..core.properties.steam import pressure_at_altitude_pa, saturation_temperature_c
from ..core.safety import keeping as kp
from .model import Body, Out, Slugged, Words
from .reduce import Key
from .sweet_parts import CoolingOut, LevelOut
from .sweet_words import SweetIn, Things, read_sweet_plan

_TRIED = ("milk", "powder", "cream", "concentrate", "cheese", "khoya")


class SwapIn(Body):
    """Which ingredient is not there today; ``most``: what there is of others ("whole-powder": "80 g")."""

    plan: SweetIn
    ingredient: Key
    most: dict[Key, Words] = Field(default_factory=dict, max_length=12)
    all_things: bool = Field(False, description="Try everything of the tables, not the Larder's own only")


class SwapPartOut(Out):
    key: str
    name: str
    grams: float
    cups: str


class AlternativeOut(Out):
    """One way round. ``kind``: swap, milk (more of it, boiled longer) or nothing; ``changes`` go into the plan."""

    kind: Literal["swap", "milk", "nothing"]
    words: str
    parts: list[SwapPartOut]
    boil_off_g: float
    minutes: float
    missed_g: dict[str, float]
    good: bool
    levels: list[LevelOut]
    note: str
    changes: dict[str, float]


class SwapOut(Out):
    ingredient: str
    name: str
    grams: float
    ways: list[AlternativeOut]

    @classmethod
    def answer(cls, body: SwapIn, shelf: Things, ready: Mapping[str, ReadyBase] | None = None) -> "SwapOut":
        f = plan_sweet(read_sweet_plan(body.plan, shelf, ready))
        pantry, plan = f.plan.pantry, f.plan
        thing = pantry.thing(body.ingredient, "ingredient")
        house = _house(shelf, pantry.things, body.all_things)
        most = {k: _grams(v, pantry.things, k) for k, v in body.most.items()}
        found = alternatives(plan.sweet, plan.school, pantry, body.ingredient, house, f.batch.finished_kg, most)
        kg = sum(r.kg for r in f.rows if r.key == body.ingredient and not r.within)
        return cls(
            ingredient=body.ingredient,
            name=thing.name,
            grams=kg * 1e3,
            ways=[_way(a, f, pantry.things, thing) for a in found],
        )


def _house(shelf: Things, known: Mapping[str, Thing], everything: bool) -> list[Thing]:
    """What may be used: the Larder's own ingredients and milks, with sugar and water; or all of the tables."""
    own = {kept.base for kept in shelf.house.values() if kept.base}
    basic = {"water", "white-sugar"}
    if everything or not own:
        return [t for k, t in known.items() if t.group in _TRIED or k in basic]
    milks = [t for k, t in known.items() if k.startswith("milk:")] or [known["full-cream"]]
    return [t for k, t in known.items() if (k in own and t.group in _TRIED) or k in basic] + milks


def _grams(text: str, known: Mapping[str, Thing], key: str) -> float:
    bulk = known[key].bulk_kg_m3 if key in known else 1000.0
    q = parse(text, default_unit="g", allow=("mass", "volume"), field="most")
    return q.value if q.dimension == "mass" else q.value * bulk


def _way(a: Alternative, f: SweetForecast, known: Mapping[str, Thing], thing: Thing) -> AlternativeOut:
    measures = f.plan.kitchen.measures
    parts = [
        SwapPartOut(
            key=p.thing.key,
            name=p.thing.name,
            grams=p.mass_kg * 1e3,
            cups=in_cups(p.mass_kg, p.thing.bulk_kg_m3, measures, p.thing.group == "milk"),
        )
        for p in (a.swap.parts if a.swap else ())
        if p.mass_kg > 0
    ]
    if a.kind == "nothing":
        words = "Leave it out"
    elif a.kind == "milk":
        words = f"More milk, {a.minutes:.0f} minutes longer"
    else:
        words = ", ".join(f"{p.grams:.0f} g {p.name}" for p in parts)
    good = a.swap.good if a.swap else a.kind == "milk" or all(level.word == "in" for level in a.levels)
    note = a.note if good or a.kind != "swap" else f"No good match. {a.note}"
    missed = {k: v * 1e3 for k, v in a.swap.missed.items()} if a.swap else {}
    boil = a.swap.steam_kg * 1e3 if a.swap else 0.0
    return AlternativeOut(
        kind=a.kind,  # type: ignore[arg-type]
        words=words,
        parts=parts,
        boil_off_g=boil,
        minutes=a.minutes,
        missed_g=missed,
        good=good,
        levels=[LevelOut.of_level(level) for level in a.levels],
        note=note,
        changes=dict(a.changes),
    )


class LateIn(Body):
    """A change at the last minute, of what is in the pan now.

    ``sweeter``: to ``to`` % added sugar; ``moisture``: to ``to`` % water; ``moulds``: there are only ``to`` of them.
    """

    plan: SweetIn
    kind: Literal["sweeter", "moisture", "moulds"]
    to: float = Field(ge=0, le=2000)
    mass: Words = Field("", description="What is in the pan now; all of it as planned when empty")
    water: float | None = Field(None, ge=1, le=97, description="% water it has now; as planned when empty")


class LateOut(Out):
    words: str
    detail: str
    sweeter: Sweeter | None
    mend: Mend | None
    left_kg: float | None

    @classmethod
    def answer(cls, body: LateIn, shelf: Things, ready: Mapping[str, ReadyBase] | None = None) -> "LateOut":
        f = plan_sweet(read_sweet_plan(body.plan, shelf, ready))
        food = f.built.parts
        mass = f.stop_kg or f.finished.likely
        if body.mass.strip():
            mass = parse(body.mass, default_unit="g", allow=("mass",), field="mass").value
            if not 0.01 <= mass <= 200:
                raise BadInput("mass", "late-mass-out-of-reach")
        if body.water is not None:
            solids = food.scaled((1 - body.water / 100) / food.total_solids)
            food = type(food)(**{**dict(solids.items()), "water": body.water / 100})
        if body.kind == "sweeter":
            return cls._sweeter(f, sweeter(food, f.built.stuff.added_sugar, mass, body.to / 100, _rate(f)))
        if body.kind == "moisture":
            return cls._moisture(f, mass, body, to_moisture(food, mass, _milk(f), body.to / 100))
        return cls._moulds(f, int(body.to))

    @classmethod
    def _sweeter(cls, f: SweetForecast, s: Sweeter) -> "LateOut":
        cups = in_cups(s.sugar_kg, 850.0, f.plan.kitchen.measures)
        words = f"Stir in {say(s.sugar_kg, 'mass')} of sugar{f' ({cups})' if cups else ''}."
        if f.built.school.cook is None:
            return cls(words=words, detail="It will be a little looser.", sweeter=s, mend=None, left_kg=None)
        detail = (
            f"It turns looser at once: {say(s.steam_kg, 'mass')} of water more to drive off, "
            f"{s.minutes:.0f} minutes ({s.minutes:.0f}–{s.minutes_most:.0f})."
        )
        return cls(words=words, detail=detail, sweeter=s, mend=None, left_kg=None)

    @classmethod
    def _moisture(cls, f: SweetForecast, mass: float, body: LateIn, m: Mend) -> "LateOut":
        if m.milk_kg:
            words = f"Stir in {say(m.milk_kg, 'mass')} of warm milk, a little at a time."
        elif m.steam_kg > 0.0005:
            words = f"Cook on to {say(m.weighs_kg, 'mass')}: about {m.minutes:.0f} minutes."
        else:
            words = "It is right as it is."
        detail = f"Then it weighs {say(m.weighs_kg, 'mass')} with {body.to:g} % water."
        return cls(words=words, detail=detail, sweeter=None, mend=m, left_kg=None)

    @classmethod
    def _moulds(cls, f: SweetForecast, moulds: int) -> "LateOut":
        if f.frozen is None:
            raise BadInput("kind", "sweet-not-in-moulds")
        left = max(0.0, f.finished.likely - moulds * f.each_kg)
        if left < f.each_kg:
            words, detail = "They are enough.", "Nothing is left over."
        else:
            words = f"Fill {moulds}; {say(left, 'mass')} of mix is left."
            hours = f.frozen.freeze_s.likely / 3600
            depth = left / 1080 / (0.20 * 0.15)
            detail = (
                f"Keep it at or below 5 °C and fill again when the first are hard, in about {hours:.0f} hours; or freeze "
                f"it {depth * 100:.1f} cm deep in a 20 × 15 cm tray and cut it. Use it the same day."
            )
        return cls(words=words, detail=detail, sweeter=None, mend=None, left_kg=left)


def _rate(f: SweetForecast) -> float | None:
    last = next((b for b in reversed(f.boilings) if b.of == "cook" and b.rate_kg_s > 0), None)
    return last.rate_kg_s if last else None


def _milk(f: SweetForecast) -> Composition:
    milk = milk_of(f.plan.school, f.plan.pantry)
    return milk.parts


class CoolIn(Body):
    """Does this pot cool in time? ``wide_cm`` of the pot or dish, how it stands."""

    plan: SweetIn
    wide_cm: float = Field(ge=5, le=100)
    way: Annotated[Literal["fridge", "room", "ice", "stirred-ice"], Slugged] = "fridge"
    dishes: int = Field(1, ge=1, le=50, description="Shared over so many of them")


_WAYS = {
    "fridge": (kp.FRIDGE, True, False),
    "room": (kp.AIR, True, False),
    "ice": (kp.ICE_STILL, False, False),
    "stirred-ice": (kp.ICE_STIRRED, False, True),
}


class CoolOut(Out):
    check: CoolingOut
    words: str

    @classmethod
    def answer(cls, body: CoolIn, shelf: Things, ready: Mapping[str, ReadyBase] | None = None) -> "CoolOut":
        f = plan_sweet(read_sweet_plan(body.plan, shelf, ready))
        kitchen = f.plan.kitchen
        transfer, top, stirred = _WAYS[body.way]
        place = {"fridge": kitchen.fridge_c, "room": kitchen.room_c}.get(body.way, 0.5)
        mass = f.finished.likely / body.dishes
        food = f.built.parts
        got = kp.cooling(food, mass, body.wide_cm / 100, place, transfer, open_top=top, stirred=stirred)
        fridge = kp.cooling(food, mass, body.wide_cm / 100, kitchen.fridge_c, kp.FRIDGE, stirred=False)
        if got.passes:
            words = f"In time: below 21 °C after {_h(got.first_s)}, below 5 °C {_h(got.second_s)} later."
        elif body.way in ("room", "fridge") and fridge.hand_over_c is not None:
            words = (
                f"Too slow{' : a room never does it' if body.way == 'room' else ''}. Stir it in iced water to "
                f"{min(21.0, fridge.hand_over_c):.0f} °C first, then the fridge; or share it over shallower dishes."
            )
        else:
            words = "Too slow. Stir it, renew the ice, or share it over shallower dishes."
        return cls(check=CoolingOut(cooling=got, passes=got.passes), words=words.replace(" :", ":"))


def _h(seconds: float | None) -> str:
    return "never" if seconds is None else f"{seconds / 3600:.1f} h" if seconds > 5400 else f"{seconds / 60:.0f} min"


_LEMON_PH = 3.5
Brix = Annotated[float, Field(ge=5, le=90)]


class SyrupIn(Body):
    """A syrup: by sugar and water, by °Brix and mass, or by a thermometer; and the strength wanted."""

    sugar: Words = ""
    water: Words = ""
    brix: Brix | None = None
    mass: Words = ""
    celsius: float | None = Field(None, ge=80, le=140, description="As it boils; water_c: what plain water showed")
    water_c: float | None = Field(None, ge=80, le=103)
    wanted: Brix | None = None
    altitude_m: float | None = Field(None, ge=-400, le=4500)


class SyrupOut(Out):
    """Strength, what a cook calls it, where it boils here; crystals on cooling; what brings it to the wanted."""

    brix: float
    stage: str
    boils_c: float
    kg: float | None
    sugar_kg: float | None
    crystals: float
    keeps_days: int
    boil_off_kg: float | None
    add_water_kg: float | None
    add_sugar_kg: float | None
    words: str

    @classmethod
    def answer(cls, body: SyrupIn, altitude_m: float, room_c: float) -> "SyrupOut":
        height = altitude_m if body.altitude_m is None else body.altitude_m
        brix, kg = _strength(body, height)
        wanted, off, thin, sugar = body.wanted, None, None, None
        words = (
            f"{sk.stage(brix).capitalize()}: {brix:.1f} °Brix, boils at {syrup_boils_c(height, brix):.1f} °C here."
        )
        if wanted is not None and kg is not None:
            if wanted > brix + 0.05:
                off, sugar = sk.boil_off_kg(kg, brix, wanted), sk.sugar_to_strengthen_kg(kg, brix, wanted)
                words += (
                    f" To {wanted:g} °Brix boil off {say(off, 'mass')}, or stir in {say(sugar, 'mass')} of sugar."
                )
            elif wanted < brix - 0.05:
                thin = sk.thin_with_kg(kg, brix, wanted)
                words += f" To {wanted:g} °Brix stir in {say(thin, 'mass')} of hot water."
        crystals = sk.supersaturation(brix, room_c)
        if crystals > 1.15:
            turned = sk.inverted(sk.inversion_rate(syrup_boils_c(height, brix), _LEMON_PH), 300.0)
            words += (
                " It can crystallise as it cools: wash the sides down, and do not stir; ½ ml of lemon for 250 g of sugar "
                f"turns about {turned * 100:.0f} % of it in 5 minutes at the boil, and that stays clear."
            )
        return cls(
            brix=brix,
            stage=sk.stage(brix),
            boils_c=syrup_boils_c(height, brix),
            kg=kg,
            sugar_kg=None if kg is None else kg * brix / 100,
            crystals=crystals,
            keeps_days=sk.keeps_days(brix),
            boil_off_kg=off,
            add_water_kg=thin,
            add_sugar_kg=sugar,
            words=words,
        )


def _strength(body: SyrupIn, altitude_m: float) -> tuple[float, float | None]:
    """°Brix, and kg when known. :raises BadInput: naming what is missing."""
    if body.sugar.strip() and body.water.strip():
        sugar = _syrup_kg(body.sugar, "sugar", 850.0)
        water = _syrup_kg(body.water, "water", 1000.0)
        return 100 * sugar / (sugar + water), sugar + water
    kg = _syrup_kg(body.mass, "mass", 1250.0) if body.mass.strip() else None
    if body.celsius is not None:
        plain = (
            body.water_c
            if body.water_c is not None
            else float(saturation_temperature_c(pressure_at_altitude_pa(altitude_m)))
        )
        above = (body.celsius - plain) / elevation_share(plain)
        if not boiling_elevation_k(5) <= above <= boiling_elevation_k(90):
            raise Impossible("celsius", "syrup-boils-nowhere")
        return brix_at_elevation(above), kg
    if body.brix is not None:
        return body.brix, kg
    raise BadInput("brix", "syrup-missing")


def _syrup_kg(text: str, field: str, bulk: float) -> float:
    q = parse(text, default_unit="g", allow=("mass", "volume"), field=field)
    kg = q.value if q.dimension == "mass" else q.value * bulk
    if not 0.001 <= kg <= 200:
        raise BadInput(field, "syrup-amount-out-of-reach", q=q.understood)
    return kg
