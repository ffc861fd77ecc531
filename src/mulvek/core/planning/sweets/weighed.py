"""A weighed batch of the Stove as the base of a sweet: what is really in it.

The solids are what went in; the water is what the scale says. So every sweet is built from what the base gave.
"""

from collections.abc import Mapping
from dataclasses import replace
from typing import Literal

from ...errors import Conflict
from ..caramel.forecast import Pour, opened
from ..caramel.plan import CaramelPlan
from ..curdle.forecast import CurdForecast
from ..curdle.plan import CurdlePlan
from ..reduce.plan import ReducePlan
from ..strain.draining import solids_after
from ..strain.forecast import StrainForecast
from .build import ReadyBase
from .curds import chhena, hung_curd
from .stuff import CARAMEL_ADDED, Stuff, Thing, blend

Way = Literal["reduce", "curdle", "hang"]


def reduced(plan: ReducePlan, sugar_kg: float, weighed_kg: float, said: str) -> ReadyBase:
    """Milk that was boiled down, with the sugar and the additions that went in.

    :raises Conflict: when it weighs less than its own solids.
    """
    things = [(Thing.of(plan.milk), plan.milk_kg), (Thing.of(plan.sugar_kind), sugar_kg)]
    things += [(Thing.of(a.material), a.mass_kg) for a in plan.additions]
    total, mixed = blend((Stuff.bare(thing), kg) for thing, kg in things)
    whole = mixed.parts.scaled(total)
    water = weighed_kg - (whole.total - whole.water)
    if water < 0:
        raise Conflict("bases", "weighs-less-than-solids")
    return ReadyBase(
        replace(whole, water=water).scaled(1 / weighed_kg), mixed.added_sugar * total / weighed_kg, weighed_kg, said
    )


def curdled(plan: CurdlePlan, told: CurdForecast, weighed_kg: float, said: str) -> ReadyBase:
    """Chhena: the told dry matter, the weighed water."""
    dry = told.balance.curd.total - told.balance.curd.water
    moisture = min(0.80, max(0.30, 1 - dry / weighed_kg))
    return ReadyBase(chhena(Thing.of(plan.milk), moisture).parts, 0.0, weighed_kg, said)


def hung(told: StrainForecast, weighed_kg: float, said: str) -> ReadyBase:
    """Hung curd: by the whey that has left."""
    plan = told.plan
    share = min(0.9, max(0.0, 1 - weighed_kg / plan.mass_kg))
    solids = solids_after(float(plan.yoghurt.parts.total_solids), share)
    made = hung_curd(Thing.of(plan.yoghurt), 1 - solids).parts if share > 0.02 else plan.yoghurt.parts
    return ReadyBase(made, 0.0, weighed_kg, said)


def caramelised(plan: CaramelPlan, added_kg: Mapping[Pour, float], weighed_kg: float, said: str) -> ReadyBase:
    """Caramelised milk: what went in, simmered as far as it was told."""
    done = opened(plan, added_kg["butter"], added_kg["milk"], added_kg["condensed"]).done
    sugar = CARAMEL_ADDED * plan.caramel_kg + plan.condensed_kind.added_sugar * added_kg["condensed"]
    return ReadyBase(done.per_kg(), sugar / float(done.total), weighed_kg, said, caramel=True)


WAYS: tuple[Way, ...] = ("reduce", "curdle", "hang")
SOUR_PH = 4.5
"""Of hung curd."""


def made_by(base: ReadyBase) -> Way | Literal["caramel"]:
    """How it was made, as its make-up tells."""
    if base.caramel:
        return "caramel"
    return next((do for do in WAYS if fits(do, base)), "reduce")


def fits(do: str, base: ReadyBase) -> bool:
    """Whether such a base can stand for one made by ``do``."""
    if base.caramel:
        return False
    parts = base.parts
    curd = parts.casein > 2.0 * parts.lactose
    if do == "curdle":
        return curd and bool(parts.acid < 0.006)
    if do == "hang":
        return bool(parts.acid >= 0.004)
    return not curd and bool(parts.acid < 0.004)
