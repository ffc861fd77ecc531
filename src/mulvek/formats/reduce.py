"""JSON of the reduction planner: the sentence in, the forecast out. The command line speaks it too."""

from dataclasses import dataclass
from typing import Annotated, Literal, Protocol

from pydantic import Field

from ..core.bases.plan import Amount, Rate, ReducePlan
from ..core.bases.reasons import reasons, rests_on
from ..core.bases.reduce import Forecast, Headroom, Moment, Spoon
from ..core.bases.stops import read_stop
from ..core.cautions import Caution
from ..core.errors import BadInput
from ..core.heat import Burner
from ..core.kitchen import Kitchen
from ..core.materials.library import Material, material
from ..core.materials.parts import Parts
from ..core.ranges import Range
from ..core.vessels import Pan
from ..core.why import Why
from .larder import BurnerIn, KitchenIn, MilkIn, PanIn, PanOut
from .model import Body, Id, Out

Words = Annotated[str, Field(max_length=80)]


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
    kitchen: KitchenIn | None = Field(None, description="Instead of the Larder's kitchen")


class Things(Protocol):
    """Where numbers of the Larder are looked up."""

    def milk(self, milk_id: int) -> Material: ...
    def pan(self, pan_id: int) -> Pan: ...
    def burner(self, burner_id: int) -> Burner: ...
    def kitchen(self) -> Kitchen: ...
    def rate(self, pan_id: int, burner_id: int, flame: str) -> Rate: ...


def read_plan(words: ReduceIn, things: Things) -> ReducePlan:
    """Understand the sentence.

    :raises KitchenError: naming the word that cannot be understood or fulfilled.
    """
    kitchen = words.kitchen.kitchen() if words.kitchen else things.kitchen()
    milk = _milk(words.milk, things)
    pan = words.pan.pan() if isinstance(words.pan, PanIn) else things.pan(words.pan)
    burner = words.burner.burner() if isinstance(words.burner, BurnerIn) else things.burner(words.burner)
    rate = Rate()
    if isinstance(words.pan, int) and isinstance(words.burner, int):
        rate = things.rate(words.pan, words.burner, words.flame)
    no_sugar = words.sugar.strip().lower() in ("", "0", "none", "no", "no sugar", "0 g")
    return ReducePlan(
        milk=milk,
        amount=Amount.read(words.amount, "amount", "ml", kitchen.measures),
        pan=pan,
        burner=burner,
        flame=words.flame,
        stop=read_stop(words.stop, kitchen.measures),
        sugar=None if no_sugar else Amount.read(words.sugar, "sugar", "g", kitchen.measures),
        sugar_time=words.sugar_time,
        kitchen=kitchen,
        rate=rate,
    )


def _milk(milk: int | str | MilkIn, things: Things) -> Material:
    if isinstance(milk, MilkIn):
        return milk.milk()
    if isinstance(milk, int):
        return things.milk(milk)
    found = material(milk)
    if float(found.parts.water) < 0.7:
        raise BadInput("milk", f"{found.name.capitalize()} is not a milk to reduce.", "Choose a liquid milk.")
    return found


@dataclass(frozen=True, slots=True)
class Understood:
    """What was understood of each free word."""

    amount: str
    stop: str
    sugar: str


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
    def of(cls, parts: Parts) -> "Strata":
        return cls(
            fat_kg=float(parts.fat),
            protein_kg=float(parts.protein),
            lactose_kg=float(parts.lactose),
            minerals_kg=float(parts.minerals + parts.other + parts.acid + parts.starch),
            sugar_kg=float(parts.sucrose + parts.reducing),
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
    cautions: list[Caution]
    rests_on: str
    batches_behind: int
    whys: dict[str, Why]
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
            cautions=list(f.cautions),
            rests_on=rests_on(f),
            batches_behind=plan.rate.batches,
            whys=reasons(f),
            track=TrackOut.model_construct(**{n: getattr(f.track, n).tolist() for n in TrackOut.model_fields}),
        )
