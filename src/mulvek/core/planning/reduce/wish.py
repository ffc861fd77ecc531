"""From the wish back: so much wanted, how much milk to buy and take."""

from dataclasses import dataclass, replace
from math import ceil

from ...composition.composition import Composition
from ...equipment.quantities import Measures, Quantity, say_number
from ...errors import Impossible
from ...properties.density import density_kg_m3, volume_m3
from ...properties.texture import viscosity_mpa_s
from .plan import LARGEST_BATCH_KG, Amount, ReducePlan
from .scorch import pan_loss_kg
from .stops import HOT_C
from .track import SPATTER_AND_TASTING, stop_water_kg

SCALABLE = ("volume_ratio", "mass_ratio", "total_solids", "milk_part", "cold_stage")
SERVED_C = 20.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Wish:
    """Milk that gives what was wanted. ``served_kg`` and ``served_m3`` are the wish come true, at 20 °C."""

    milk_kg: float
    milk_m3: float
    sugar_kg: float
    served_kg: float
    served_m3: float
    plan: ReducePlan


def milk_for(plan: ReducePlan, wanted: Quantity) -> Wish:
    """How much milk gives ``wanted`` (kg, or m³ at 20 °C); sugar and all else in the plan's own proportion.

    :raises Impossible: field "stop" when it names an amount itself, field "want" when out of reach.
    """
    if plan.stop.kind not in SCALABLE:
        raise Impossible("stop", "wish-stop-is-amount", stop=plan.stop.text)
    factor = 1.0
    for _ in range(30):
        scaled = scale(plan, factor)
        served, volume = what_is_served(scaled)
        got = served if wanted.dimension == "mass" else volume
        if abs(got / wanted.value - 1) < 1e-6:
            break
        factor *= wanted.value / got
        if not 0.02 <= factor * plan.milk_kg <= LARGEST_BATCH_KG:
            raise Impossible("want", "wish-out-of-reach", wanted=wanted.understood)
    return Wish(
        milk_kg=scaled.milk_kg,
        milk_m3=scaled.milk_m3,
        sugar_kg=scaled.sugar_kg,
        served_kg=served,
        served_m3=volume,
        plan=scaled,
    )


def scale(plan: ReducePlan, factor: float) -> ReducePlan:
    """The same plan with ``factor`` times everything that goes in."""

    def more(amount: Amount) -> Amount:
        q = amount.quantity
        return replace(amount, quantity=replace(q, value=q.value * factor))

    return replace(
        plan,
        amount=more(plan.amount),
        sugar=more(plan.sugar) if plan.sugar else None,
        additions=tuple(replace(a, amount=more(a.amount)) for a in plan.additions),
    )


def what_is_served(plan: ReducePlan) -> tuple[float, float]:
    """What comes off the pan at the stop, kg and m³ at 20 °C, without reckoning the time."""
    product = plan.all_parts.with_water(stop_water_kg(plan) + float(plan.late_parts.water))
    lost = _left_behind_kg(plan, product)
    served = float(product.total) - lost
    return served, float(volume_m3(product, SERVED_C)) * served / float(product.total)


def _left_behind_kg(plan: ReducePlan, product: Composition) -> float:
    shape, brim = plan.pan.shape, plan.pan.shape.height_m
    depth = min(brim, float(shape.depth_m(float(volume_m3(product, HOT_C)))))
    top = min(brim, float(shape.depth_m(plan.base_m3)))
    wetted = float(shape.wetted_m2(depth))
    ring = max(0.0, float(shape.wetted_m2(top)) - wetted)
    mass = float(product.total)
    thick = viscosity_mpa_s(product, HOT_C, flakes=plan.stirring == "folded")
    film = float(pan_loss_kg(mass, thick, wetted, ring, scraped=plan.stirring == "scraped"))
    return film + SPATTER_AND_TASTING * mass


def packs(milk_m3: float, pack_m3: float) -> tuple[int, float]:
    """Whole packs to buy, and what is left of the last, m³.

    >>> n, rest = packs(3.1e-3, 0.5e-3)
    >>> n, round(rest * 1e6)
    (7, 400)
    """
    n = ceil(milk_m3 / pack_m3 - 1e-9)
    return n, n * pack_m3 - milk_m3


def in_measures(volume_m3_: float, measures: Measures) -> str:
    """A volume in the cook's own large measures, to the nearest quarter.

    >>> in_measures(1.5e-3, Measures())
    '6 cups or 7½ glasses'
    """

    def count(name: str, size: float, many: str) -> str:
        n = round(volume_m3_ / size * 4) / 4
        return f"{say_number(n)} {name if n <= 1 else many}"

    return f"{count('cup', measures.cup_m3, 'cups')} or {count('glass', measures.glass_m3, 'glasses')}"


def cost(milk_kg: float, pack_m3: float, price: float, parts: Composition) -> float:
    """What the milk costs by the price of a pack, money of the kitchen."""
    return milk_kg / (pack_m3 * float(density_kg_m3(parts, SERVED_C))) * price
