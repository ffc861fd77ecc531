"""What a batch is, so that it is known what can go wrong with it."""

from collections.abc import Mapping
from typing import Any

from ..batch.sweet_run import SweetRun
from ..planning.caramel.plan import CaramelPlan
from ..planning.curdle.plan import CurdlePlan
from ..planning.reduce.plan import ReducePlan
from ..planning.strain.forecast import StrainPlan
from .faults import Product, products

KHOYA_SHARE = 0.27
"""Milk without sugar that is taken below this share of its weight is khoya (reduction dossier §7)."""
_BY_MAKING: Mapping[str, tuple[str, ...]] = {
    "curdle": ("curdle",),
    "hang": ("shrikhand",),
    "reduce": ("reduce", "rabri", "condensed"),
}


def product_of(plan: Any, told: Mapping[str, Any], name: str = "") -> Product:
    """Of a batch of any kind.

    :param told: the answer given when it began. :param name: what a sweet is called.
    """
    match plan:
        case ReducePlan():
            return products()[_reduced(plan, told)]
        case CurdlePlan():
            return products()["chhena"]
        case StrainPlan():
            return products()["hung-curd"]
        case CaramelPlan():
            return products()["caramel"]
        case SweetRun():
            known = products().get(plan.sweet)
            return Product(key=plan.sweet, name=name, families=known.families if known else own_families(told))
        case _:
            raise TypeError(f"no product is made by {plan!r}")


def _reduced(plan: ReducePlan, told: Mapping[str, Any]) -> str:
    if plan.milk.species == "coconut":
        return "coconut-milk"
    served = told.get("served_kg")
    gives = served.get("likely") if isinstance(served, Mapping) else None
    khoya = isinstance(gives, int | float) and gives < KHOYA_SHARE * plan.milk_kg and not plan.sugar_kg
    return "khoya" if khoya else "reduced-milk"


def own_families(told: Mapping[str, Any]) -> tuple[str, ...]:
    """A sweet of the cook's own goes wrong as what it is made like: by its shape, then by its bases.

    >>> own_families({"syrup": {"kind": "sponge"}, "bases": [{"do": "curdle"}]})
    ('balls', 'syrup', 'curdle')
    """
    found: list[str] = []
    syrup = told.get("syrup")
    if isinstance(syrup, Mapping):
        found += [{"sponge": "balls", "poached": "poached"}.get(str(syrup.get("kind")), "fried"), "syrup"]
    for made, families in (("fry", ("fried",)), ("frozen", ("kulfi",)), ("slab", ("burfi", "kalakand"))):
        found += families if told.get(made) else ()
    for base in told.get("bases", []):
        found += _BY_MAKING.get(str(base.get("do")), ()) if isinstance(base, Mapping) else ()
    return tuple(dict.fromkeys(found))
