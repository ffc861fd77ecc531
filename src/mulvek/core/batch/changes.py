"""Changes of mind on the way: the plan as it stands after each, and the minutes to be hot again."""

from dataclasses import replace

from ..composition.composition import Composition, together
from ..composition.materials import Material
from ..equipment.burners import Flame
from ..equipment.quantities import Quantity
from ..messages.figures import say
from ..planning.curdle.cooling import cooling_curve, standing
from ..planning.reduce.plan import Addition, Amount, ReducePlan
from ..properties.density import volume_m3
from ..properties.heat_capacity import heat_capacity_j_k
from ..properties.steam import SHELTER_SKIN
from .events import Joined

LONGEST_PAUSE_S = 4 * 3600.0
"""A pause longer than this is cold all through: it is not reckoned further."""


def weighed_amount(mass_kg: float, rel_sd: float) -> Amount:
    return Amount(Quantity(mass_kg, "mass", say(mass_kg, "mass")), rel_sd)


def scaled(plan: ReducePlan, share: float) -> ReducePlan:
    """The same plan for a share of everything."""
    return replace(
        plan,
        amount=weighed_amount(plan.milk_kg * share, plan.amount.rel_sd),
        sugar=weighed_amount(plan.sugar_kg * share, 0.005) if plan.sugar else None,
        additions=tuple(replace(a, amount=weighed_amount(a.mass_kg * share, 0.005)) for a in plan.additions),
    )


def with_milk(plan: ReducePlan, more_kg: float) -> ReducePlan:
    return replace(plan, amount=weighed_amount(plan.milk_kg + more_kg, plan.amount.rel_sd))


def with_sugar(plan: ReducePlan, sugar_kg: float) -> ReducePlan:
    return replace(plan, sugar=weighed_amount(sugar_kg, 0.005) if sugar_kg else None)


def blended(a: Material, a_kg: float, b: Material, b_kg: float) -> Material:
    """Two milks poured together; of one and the same nothing changes."""
    if a.parts == b.parts:
        return a
    share = a_kg / (a_kg + b_kg)
    mixed = together([a.parts.scaled(share), b.parts.scaled(1 - share)])
    return replace(
        a,
        key="blend",
        name=f"{a.name} and {b.name}",
        parts=mixed,
        fat_sd=share * a.fat_sd + (1 - share) * b.fat_sd,
        snf_sd=share * a.snf_sd + (1 - share) * b.snf_sd,
        flags=tuple({*a.flags, *b.flags}),
    )


def joined(plan: ReducePlan, other: Joined) -> ReducePlan:
    """The plan with another batch's milk, sugar and additions in it. A different sugar counts as an addition."""
    additions = (*plan.additions, *other.additions)
    sugar_kg, sugar_kind = plan.sugar_kg, plan.sugar_kind
    if other.sugar_kg and not plan.sugar_kg:
        sugar_kg, sugar_kind = other.sugar_kg, other.sugar_kind
    elif other.sugar_kg and other.sugar_kind.parts == plan.sugar_kind.parts:
        sugar_kg += other.sugar_kg
    elif other.sugar_kg:
        additions = (*additions, Addition(other.sugar_kind, weighed_amount(other.sugar_kg, 0.005)))
    return replace(
        plan,
        milk=blended(plan.milk, plan.milk_kg, other.milk, other.milk_kg),
        amount=weighed_amount(plan.milk_kg + other.milk_kg, max(plan.amount.rel_sd, 0.01)),
        sugar=weighed_amount(sugar_kg, 0.005) if sugar_kg else None,
        sugar_kind=sugar_kind,
        additions=additions,
    )


def cooled_k(plan: ReducePlan, contents: Composition, seconds: float) -> float:
    """How much it cools off the fire under its skin, K (curd dossier §3, ±30 %)."""
    volume = float(volume_m3(contents, 90.0))
    pan, hot = standing(volume, plan.pan, plan.kitchen.altitude_m, plan.kitchen.room_c, SHELTER_SKIN)
    _, celsius = cooling_curve(pan, hot, min(seconds, LONGEST_PAUSE_S))
    return float(celsius[0] - celsius[-1])


def reheat_s(plan: ReducePlan, flame: Flame, contents: Composition, kelvin: float) -> float:
    """Seconds until it simmers again after it lost ``kelvin``, on this flame."""
    heat = float(heat_capacity_j_k(contents, 80.0)) + plan.pan.heat_capacity_j_k
    return kelvin * heat / plan.burner.net_power_w(flame, plan.pan.shape.base_diameter_m)


def chilled_k(contents: Composition, added: Composition, added_c: float, hot_c: float) -> float:
    """How far cold milk poured in cools the pan, K."""
    cold = float(heat_capacity_j_k(added, 50.0))
    return cold / (cold + float(heat_capacity_j_k(contents, 80.0))) * (hot_c - added_c)
