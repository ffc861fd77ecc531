"""JSON of straining: the words of its sentence, and the drain curve that answers them."""

from typing import Annotated, Literal

from pydantic import Field

from ..core.composition.materials import Material, material
from ..core.equipment.quantities import parse_seconds
from ..core.errors import BadInput
from ..core.messages.catalogue import said
from ..core.planning.reduce.plan import Amount
from ..core.planning.strain.draining import KEEPS_WATER, most_whey
from ..core.planning.strain.forecast import StrainForecast, StrainPlan
from ..core.planning.strain.reasons import hours_rest_on, strain_reasons
from ..core.ranges import Range
from .larder import KitchenIn
from .model import Body, Id, Out, Slugged, Words
from .reduce import Key, Things, thing_pack
from .said import CautionOut, WhyOut


class WheyIn(Body):
    """Whey collected so far, weighed, and the minutes since it was hung."""

    minutes: float = Field(gt=0, le=2880)
    whey_g: float = Field(gt=0, le=20_000)


class StrainIn(Body):
    """The words of the straining sentence."""

    yoghurt: Id | Key = Field("yoghurt", description="A yoghurt of the tables, or a number of the Larder's own")
    amount: Words = Field("1 kg", description="A bare number is g")
    cloth: Annotated[Key, Slugged] = "muslin"
    hung: Literal["hung", "sieve", "weighted"] = "hung"
    bags: int = Field(1, description="Into how many cloths it is parted, 1 to 8")
    place: Literal["fridge", "counter"] = "fridge"
    end: Words = Field(
        "shrikhand", description='soft, spoonable, shrikhand, firm or "29 % solids"; empty when a time is given'
    )
    time: Words = Field("", description='How long instead of how thick: "10 h"')
    start_c: float = 8.0
    acidity: float = Field(0.80, description="% lactic acid: 0.7 fresh and mild, 1.0 a day old")
    readings: list[WheyIn] = Field(default_factory=list, max_length=40)
    kitchen: KitchenIn | None = None


def read_strain(words: StrainIn, things: Things) -> StrainPlan:
    """:raises KitchenError: naming the word."""
    kitchen = words.kitchen.kitchen() if words.kitchen else things.kitchen()
    yoghurt: Material = (
        things.ingredient(words.yoghurt) if isinstance(words.yoghurt, int) else material(words.yoghurt, "yoghurt")
    )
    seconds = parse_seconds(words.time, "time") if words.time.strip() else None
    plan = StrainPlan(
        yoghurt=yoghurt,
        amount=Amount.read(
            words.amount, "amount", "g", kitchen.measures, thing_pack(words.yoghurt, yoghurt.name, things.house)
        ),
        cloth=words.cloth,
        hung=words.hung,
        bags=words.bags,
        place_c=kitchen.fridge_c if words.place == "fridge" else kitchen.room_c,
        kitchen=kitchen,
        end=None if seconds is not None else words.end or None,
        seconds=seconds,
        start_c=words.start_c,
        acidity=words.acidity,
        drain=things.drain(words.cloth),
        readings=tuple((r.minutes * 60, r.whey_g / 1e3) for r in words.readings),
    )
    most = plan.mass_kg * most_whey(plan.gel, min(KEEPS_WATER.values()))
    if any(whey > MORE_THAN_ANY * most for _, whey in plan.readings):
        raise BadInput("readings", "whey-more-than-yoghurt-gives", mass_kg=plan.mass_kg)
    return plan


MORE_THAN_ANY = 1.08
"""Whey beyond what a weighted cloth leaves behind, by more than a yoghurt's label may be wrong."""


class EndOut(Out):
    """A thickness along the way: total solids from, to; seconds from hanging it, None when never."""

    key: str
    name: str
    low: float
    high: float
    seconds: Range | None
    sour: bool


class StrainForecastOut(Out):
    """The whole answer; the curve is columns of equal length, one row half an hour."""

    amount: str
    yoghurt_name: str
    mass_kg: float
    place_c: float
    seconds: Range
    whey_kg: Range
    curd_kg: Range
    total_solids: float
    acidity: float
    taste: str
    too_sour_s: float | None
    most_whey_kg: float
    ends: list[EndOut]
    overnight_solids: float
    overnight_kg: float
    overnight_taste: str
    at_s: list[float]
    curve_whey_kg: list[float]
    curve_low_kg: list[float]
    curve_high_kg: list[float]
    curve_solids: list[float]
    curve_acidity: list[float]
    rests_on: str
    cautions: list[CautionOut]
    whys: dict[str, WhyOut]

    @classmethod
    def of(cls, f: StrainForecast) -> "StrainForecastOut":
        plan = f.plan
        arrays = [n for n in cls.model_fields if n.startswith("curve_") or n == "at_s"]
        same: tuple[str, ...] = (
            "seconds",
            "whey_kg",
            "curd_kg",
            "total_solids",
            "acidity",
            "taste",
            "too_sour_s",
            "most_whey_kg",
        )
        same += ("overnight_solids", "overnight_kg", "overnight_taste")
        return cls(
            **{name: getattr(f, name) for name in same},
            **{name: getattr(f, name).tolist() for name in arrays},
            amount=plan.amount.quantity.understood,
            yoghurt_name=plan.yoghurt.name,
            mass_kg=plan.mass_kg,
            place_c=plan.place_c,
            ends=[
                EndOut(key=r.end.key, name=r.end.name, low=r.end.low, high=r.end.high, seconds=r.seconds, sour=r.sour)
                for r in f.ends
            ],
            rests_on=said(hours_rest_on(plan)),
            cautions=CautionOut.each(f.cautions),
            whys=WhyOut.each("strain", strain_reasons(f)),
        )
