"""Changes at the last minute: sweeter, thicker, thinner, too few moulds.

Sweets dossier F38: a gram of sugar adds 0.62 ml of liquid as it melts; what it loosens has to dry again.
"""

from dataclasses import dataclass

from ...composition.composition import Composition
from ...errors import BadInput, Impossible
from .boiling import steam_rate_kg_s

LOOSENS, LOOSENS_MOST = 0.62, 1.0
"""Water to boil off for a kg of late sugar to be as stiff as before, kg; thick masses up to the second."""


@dataclass(frozen=True, slots=True)
class Sweeter:
    """Sugar to add, kg; water to drive off after it and minutes on this pan, likely and at most."""

    sugar_kg: float
    steam_kg: float
    minutes: float
    steam_most_kg: float
    minutes_most: float


def sweeter(
    food: Composition, added_sugar: float, mass_kg: float, wanted: float, rate_kg_s: float | None = None
) -> Sweeter:
    """Sugar that brings ``mass_kg`` to a share of added sugar, and the drying it asks for.

    :param wanted: added sugar wanted, kg per kg. :param rate_kg_s: what this pan gives off; else a usual one.
    :raises BadInput: field "sugar", when it is that sweet already.

    >>> change = sweeter(Composition(water=0.47, fat=0.53), 0.0, 1.0, 0.17 / 1.17, 14.25e-3 / 60)
    >>> round(change.sugar_kg * 1e3), round(change.minutes, 3)
    (170, 7.396)
    """
    if not wanted < 0.9:
        raise BadInput("sugar", "late-nearly-all-sugar")
    sugar = mass_kg * (wanted - added_sugar) / (1 - wanted)
    if sugar <= 0:
        raise BadInput("sugar", "late-sweet-already")
    rate = steam_rate_kg_s(1 - food.water) if rate_kg_s is None else rate_kg_s
    return Sweeter(
        sugar, LOOSENS * sugar, LOOSENS * sugar / rate / 60, LOOSENS_MOST * sugar, LOOSENS_MOST * sugar / rate / 60
    )


@dataclass(frozen=True, slots=True)
class Mend:
    """Milk to stir in, or water to boil off, kg; minutes for it; what it weighs then."""

    milk_kg: float
    steam_kg: float
    minutes: float
    weighs_kg: float


def to_moisture(food: Composition, mass_kg: float, milk: Composition, wanted: float) -> Mend:
    """Too thick or too thin: what brings ``mass_kg`` to a moisture (kg per kg).

    :raises Impossible: field "moisture", when milk cannot make it that wet.
    """
    if wanted >= milk.water - 0.02:
        raise Impossible("moisture", "late-too-wet")
    if food.water < wanted:
        more = mass_kg * (wanted - food.water) / (milk.water - wanted)
        return Mend(more, 0.0, 0.0, mass_kg + more)
    gone = mass_kg * (food.water - wanted) / (1 - wanted)
    return Mend(0.0, gone, gone / steam_rate_kg_s(1 - wanted) / 60, mass_kg - gone)
