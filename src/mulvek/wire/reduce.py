"""JSON of the reduction planner: the sentence in, the forecast out. The command line speaks it too."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Annotated, Any, Literal, Protocol

from pydantic import Field, ValidationError

from ..core.composition.composition import Composition
from ..core.composition.materials import Material, material
from ..core.equipment.burners import Burner, Flame
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.packs import Pack
from ..core.equipment.pans import Pan
from ..core.errors import BadInput
from ..core.messages.catalogue import said
from ..core.planning.reduce.forecast import Forecast, Headroom, Moment, Spoon, forecast
from ..core.planning.reduce.judgement import Judgement
from ..core.planning.reduce.plan import Addition, Amount, Rate, ReducePlan, Thickness, enriches
from ..core.planning.reduce.reasons import reasons, rests_on
from ..core.planning.reduce.stops import read_stop
from ..core.planning.strain.draining import Drain
from ..core.ranges import Range
from .larder import BurnerIn, KitchenIn, MilkIn
from .model import Body, Id, Out, Slugged, Words
from .pans import PanIn, PanOut
from .said import CautionOut, WhyOut

Key = Annotated[str, Field(max_length=40)]
NO_SUGAR = ("", "0", "none", "no", "no sugar", "0 g")


class AdditionIn(Body):
    """Something that enriches the milk: a number of the Larder's ingredients or a name of the tables."""

    what: Id | Key
    amount: Words = Field(description='"30 g", "2 tbsp", "1 cup"; a bare number is g')
    late: bool = Field(False, description="Stirred in at the end instead of the start")


class ReduceIn(Body):
    """The words of the sentence. A milk, pan or burner is a number of the Larder or given whole; a milk may
    also be a name of the tables ("cow", "buffalo", "toned"). Amounts are in the cook's own words."""

    milk: Id | str | MilkIn = Field(description="Larder number, table name, or label figures")
    amount: Words = Field(description='"2.4 L", "1.2 kg", "3 glasses"; a bare number is ml')
    pan: Id | PanIn
    burner: Id | BurnerIn
    flame: Literal["gentle", "medium", "strong"] = "medium"
    stop: Words = Field(description='"half its volume", "4.4 cm", "600 g", "31 % solids"')
    sugar: Words = Field("", description='"110 g", "½ cup"; empty for none; a bare number is g')
    sugar_time: Literal["start", "midway", "end"] = "end"
    sugar_kind: Id | Key = Field("white-sugar", description="Larder number of an ingredient, or a table name")
    additions: list[AdditionIn] = Field(default_factory=list, max_length=4)
    stirring: Annotated[Literal["scraped", "now-and-then", "folded", "lifted"], Slugged] = "scraped"
    to_boil: Literal["gentle", "medium", "strong"] = Field("strong", description="Flame up to the first boil")
    lid: bool = Field(False, description="Lid on until the first boil")
    wetted: bool = Field(False, description="Water stood in the pan before the milk")
    kitchen: KitchenIn | None = Field(None, description="Instead of the Larder's kitchen")


class Things(Protocol):
    """Where numbers of the Larder are looked up."""

    def milk(self, milk_id: int) -> Material: ...
    def pan(self, pan_id: int) -> Pan: ...
    def burner(self, burner_id: int) -> Burner: ...
    def kitchen(self) -> Kitchen: ...
    def ingredient(self, ingredient_id: int) -> Material: ...
    @property
    def packs(self) -> Mapping[int, tuple[float | None, float | None]]: ...
    @property
    def house(self) -> Mapping[int, Kept[Material]]: ...
    def thickness(self) -> Thickness: ...
    def curd_yield(self, milk_id: int) -> tuple[float, int]: ...
    def drain(self, cloth: str) -> Drain: ...
    def rate(self, pan_id: int, burner_id: int, flame: Flame) -> Rate: ...


def read_plan(words: ReduceIn, things: Things) -> ReducePlan:
    """Understand the sentence.

    :raises KitchenError: naming the word that cannot be understood or fulfilled.
    """
    kitchen = words.kitchen.kitchen() if words.kitchen else things.kitchen()
    milk = read_milk(words.milk, things)
    pan = words.pan.pan() if isinstance(words.pan, PanIn) else things.pan(words.pan)
    burner = words.burner.burner() if isinstance(words.burner, BurnerIn) else things.burner(words.burner)
    rate = Rate(ln_sd=burner.first_guess_sd(words.flame))
    if isinstance(words.pan, int) and isinstance(words.burner, int):
        rate = things.rate(words.pan, words.burner, words.flame)
    no_sugar = words.sugar.strip().lower() in NO_SUGAR
    return ReducePlan(
        milk=milk,
        amount=Amount.read(
            words.amount, "amount", "ml", kitchen.measures, milk_pack(words.milk, milk.name, things.packs)
        ),
        pan=pan,
        burner=burner,
        flame=words.flame,
        stop=read_stop(words.stop, kitchen.measures),
        sugar=None if no_sugar else Amount.read(words.sugar, "sugar", "g", kitchen.measures),
        sugar_time=words.sugar_time,
        kitchen=kitchen,
        rate=rate,
        sugar_kind=_sugar_kind(words.sugar_kind, things),
        additions=tuple(_addition(a, things, kitchen) for a in words.additions),
        stirring=words.stirring,
        to_boil=words.to_boil,
        lid=words.lid,
        wetted=words.wetted,
        thickness=things.thickness(),
    )


def _sugar_kind(kind: int | str, things: Things) -> Material:
    found = things.ingredient(kind) if isinstance(kind, int) else material(kind, "sugar_kind")
    if found.group != "sugar":
        raise BadInput("sugar_kind", "not-a-sugar", found=found.name)
    return found


def _addition(words: AdditionIn, things: Things, kitchen: Kitchen) -> Addition:
    found = things.ingredient(words.what) if isinstance(words.what, int) else material(words.what, "additions")
    if not enriches(found.key, found.group):
        raise BadInput("additions", "not-an-addition", found=found.name)
    pack = thing_pack(words.what, found.name, things.house)
    return Addition(found, Amount.read(words.amount, "additions", "g", kitchen.measures, pack), words.late)


def thing_pack(what: int | str, name: str, house: Mapping[int, Kept[Material]]) -> Pack:
    """What a pack of something holds, by its number in the Larder, or by the material that the cook's own was copied from."""
    own = house.get(what) if isinstance(what, int) else next((k for k in house.values() if k.base == what), None)
    return Pack.of_thing(name, own.pack if own else None)


def milk_pack(milk: object, name: str, packs: Mapping[int, tuple[float | None, float | None]]) -> Pack:
    """What a packet of a milk of the Larder holds."""
    size, _ = packs.get(milk, (None, None)) if isinstance(milk, int) else (None, None)
    return Pack.of_milk(name, size)


def read_milk(milk: int | str | MilkIn, things: Things) -> Material:
    """A milk by number, by name or by its label."""
    if isinstance(milk, MilkIn):
        return milk.milk()
    if isinstance(milk, int):
        return things.milk(milk)
    found = material(milk)
    if found.group not in ("milk", "plant"):
        raise BadInput("milk", "not-a-milk-to-reduce", found=found.name)
    return found


@dataclass(frozen=True, slots=True)
class Understood:
    """What was understood of each free word."""

    amount: str
    stop: str
    sugar: str


@dataclass(frozen=True, slots=True)
class Added:
    """What enriches the milk, as understood."""

    name: str
    amount: str
    mass_kg: float
    late: bool


class Strata(Out):
    """A batch by weight, kg: what stays and the water that leaves."""

    fat_kg: float
    protein_kg: float
    lactose_kg: float
    minerals_kg: float
    sugar_kg: float
    water_kg: float
    total_kg: float

    @classmethod
    def of(cls, parts: Composition) -> "Strata":
        return cls(
            fat_kg=float(parts.fat),
            protein_kg=float(parts.protein),
            lactose_kg=float(parts.lactose),
            minerals_kg=float(parts.solids - parts.fat - parts.protein - parts.sugars),
            sugar_kg=float(parts.free_sugars),
            water_kg=float(parts.water),
            total_kg=float(parts.total),
        )


class TrackOut(Out):
    """The way down: columns of equal length, one row a step of steam. Times from the first boil."""

    at_s: list[float]
    low_s: list[float]
    high_s: list[float]
    steam_kg: list[float]
    water_kg: list[float]
    depth_m: list[float]
    volume_m3: list[float]
    pan_kg: list[float]
    product_kg: list[float]
    served_kg: list[float]
    total_solids: list[float]
    pan_solids: list[float]
    concentration: list[float]
    hot_stage: list[int]
    cold_stage: list[int]
    celsius: list[float]
    rate_kg_s: list[float]
    stir_s: list[float]
    colour: list[int]


class ForecastOut(Out):
    """The whole answer. SI units as named; ranges hold in four cases of five; stages count from 0."""

    understood: Understood
    milk_name: str
    pan: PanOut
    flame: str
    milk_kg: float
    milk_m3: float
    sugar_kg: float
    sugar_time: str
    start_kg: float
    start_m3: float
    start_depth_m: float
    headroom: Headroom
    first_boil_s: Range
    boils: bool
    after_boil_s: Range
    stop_depth_m: Range
    stop_m3: Range
    pan_kg: Range
    pan_solids: float
    product_kg: Range
    product_m3: float
    served_kg: Range
    total_solids: Range
    steam_kg: float
    rate_kg_s: Range
    hot: Spoon
    cold: Spoon
    before: Strata
    after: Strata
    moments: list[Moment]
    cautions: list[CautionOut]
    rests_on: str
    batches_behind: int
    sugar_name: str
    added: list[Added]
    judgement: Judgement
    whys: dict[str, WhyOut]
    track: TrackOut

    @classmethod
    def of(cls, f: Forecast, pan_id: int | None = None) -> "ForecastOut":
        plan = f.plan
        copied = {
            name: getattr(f, name)
            for name in cls.model_fields
            if name in Forecast.__slots__ and name not in ("before", "after", "moments", "cautions", "track")
        }
        return cls(
            **copied,
            understood=Understood(
                plan.amount.quantity.understood,
                plan.stop.text,
                plan.sugar.quantity.understood if plan.sugar else "no sugar",
            ),
            milk_name=plan.milk.name,
            pan=PanOut.of(pan_id, plan.pan),
            flame=plan.flame,
            milk_kg=plan.milk_kg,
            milk_m3=plan.milk_m3,
            sugar_kg=plan.sugar_kg,
            sugar_time=plan.sugar_time,
            before=Strata.of(f.before),
            after=Strata.of(f.after),
            moments=list(f.moments),
            cautions=CautionOut.each(f.cautions),
            rests_on=said(rests_on(f)),
            batches_behind=plan.rate.batches,
            sugar_name=plan.sugar_kind.name,
            added=[Added(a.material.name, a.amount.quantity.understood, a.mass_kg, a.late) for a in plan.additions],
            whys=WhyOut.each("reduce", reasons(f)),
            track=TrackOut.model_construct(**{n: getattr(f.track, n).tolist() for n in TrackOut.model_fields}),
        )


def told_when_lit(stored: dict[str, Any], plan: ReducePlan) -> ForecastOut:
    """A kept forecast. One kept by an earlier release is filled up with what was not yet told then."""
    try:
        return ForecastOut.model_validate(stored)
    except ValidationError:
        pass
    fresh = ForecastOut.of(forecast(plan)).model_dump(mode="json")
    track = stored.get("track", {})
    whole = track if track.keys() >= fresh["track"].keys() else fresh["track"]  # columns of one track belong together
    told = {**fresh, **stored, "pan": {**fresh["pan"], **stored.get("pan", {})}, "track": whole}
    return ForecastOut.model_validate(told)
