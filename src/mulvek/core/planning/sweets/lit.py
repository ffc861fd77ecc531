"""What of a sweet is lit besides its bases: a caramel, or the milk that the sweet itself or a part of it is cooked from."""

from collections.abc import Mapping
from dataclasses import dataclass

from ..reduce.plan import enriches
from .build import TO_CARAMELISE, milk_of
from .plan import SweetForecast
from .steps import PlannedStep

SUGAR = "white-sugar"


@dataclass(frozen=True, slots=True, kw_only=True)
class Cooked:
    """Milk (its key, and kg of it) boiled down with all that goes in at the start, kg by key: until it weighs
    ``gives_kg``, or, when it is a base, stands at ``total_solids``, kg per kg."""

    milk: str
    milk_kg: float
    sugar_kg: float
    rest_kg: Mapping[str, float]
    total_solids: float | None
    gives_kg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Caramelised:
    """Sugar, and what is poured onto it, kg; cooked to ``total_solids``, kg per kg, if the school says how dry."""

    sugar_kg: float
    butter_kg: float
    milk: str
    milk_kg: float
    condensed_kg: float
    total_solids: float | None
    gives_kg: float


def cooked(f: SweetForecast) -> Cooked | None:
    """The reduction that the sweet itself is; None when it is none, or something goes in that is not boiled down."""
    boils = [step for step in f.steps if step.follows == "boiling"]
    part = next((p for p in f.built.sides if any(_is_of(s, p.sweet.key) for s in boils)), None)
    if part is None and all(s.key.startswith("part.") for s in boils):
        return None
    built, within = (part, part.sweet.name) if part else (f.built, "")
    base = next(iter(built.bases), None)
    when = "to reduce" if base else "to begin with"
    into = {row.key: row.kg for row in f.rows if row.when == when and row.within == within}
    milk = base.of.key if base else milk_of(built.school, f.plan.pantry).key
    rest = {key: kg for key, kg in into.items() if key not in (milk, SUGAR)}
    if milk not in into or sum(rest.values()) > into[milk]:
        return None
    if not all(enriches(key, f.plan.pantry.thing(key).group) for key in rest):
        return None
    # the account is per kg of it: the milk that goes in says how much is made
    scale = into[milk] / next(row.kg for row in built.rows if row.key == milk and row.when == when)
    return Cooked(
        milk=milk,
        milk_kg=into[milk],
        sugar_kg=into.get(SUGAR, 0.0),
        rest_kg=rest,
        total_solids=float(base.parts.total_solids) if base else None,
        gives_kg=scale * (base.made_kg if base else built.stop_kg),
    )


def _is_of(step: PlannedStep, part: str) -> bool:
    return step.key.startswith(f"part.{part}.")


def caramelised(f: SweetForecast) -> Caramelised | None:
    """The caramel of this batch; None when no sugar of it is caramelised."""
    own = [row for row in f.rows if not row.within]
    sugar = next((row.kg for row in own if row.when == TO_CARAMELISE), None)
    if sugar is None:
        return None
    into = {row.key: row.kg for row in own if row.when == "to begin with"}
    milk, dry = milk_of(f.plan.school, f.plan.pantry).key, f.plan.school.cook
    return Caramelised(
        sugar_kg=sugar,
        butter_kg=into.get("butter", 0.0),
        milk=milk,
        milk_kg=into.get(milk, 0.0),
        condensed_kg=into.get("condensed", 0.0),
        total_solids=None if dry is None else 1 - dry / 100,
        gives_kg=f.stop_kg or 0.0,
    )
