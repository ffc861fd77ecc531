"""What a sweet costs: ingredients, fuel, a price with margin, and against the shop. Sweets F47, F49."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

LPG_KJ_G = 46.1
GAS_SHARE, GAS_RANGE = 0.50, (0.40, 0.60)
INDUCTION_SHARE = 0.82
EVAPORATION_KJ_KG, MILK_KJ_KG_K, WARMED_K, STANDING_KW = 2257.0, 3.9, 92.0, 0.10
SYRUP_KJ_KG, SYRUP_BOIL_KJ, FRYING_KJ = 250.0, 540.0, 610.0
Fuel = Literal["gas", "electric"]


@dataclass(frozen=True, slots=True)
class Heat:
    """Heat into the pan, kJ, and what it takes: g of LPG, or kWh on induction."""

    pan_kj: float
    lpg_g: float
    kwh: float


def heat_for(milk_kg: float, steam_kg: float, minutes: float, syrup_kg: float = 0.0, fried: bool = False) -> Heat:
    """Heat and fuel of a batch (F47): warming the milk, driving off steam, standing losses, syrup and frying.

    >>> round(heat_for(0.0, 1.0, 41.84).lpg_g, 2)
    108.81
    """
    pan = milk_kg * MILK_KJ_KG_K * WARMED_K + steam_kg * EVAPORATION_KJ_KG + STANDING_KW * minutes * 60
    if syrup_kg:
        pan += SYRUP_KJ_KG * syrup_kg + SYRUP_BOIL_KJ
    if fried:
        pan += FRYING_KJ
    return Heat(pan, pan / (LPG_KJ_G * GAS_SHARE), pan / 3600 / INDUCTION_SHARE)


def price_with_margin(cost: float, margin: float) -> float:
    """What to ask so that ``margin`` (0 to below 1) of the price is left (F49).

    >>> price_with_margin(15.0, 0.25)
    20.0
    """
    return cost / (1 - margin)


@dataclass(frozen=True, slots=True, kw_only=True)
class Prices:
    """What the cook pays, in the kitchen's money: ``per_kg`` by ingredient, fuel per kg of LPG or per kWh, an own hour.

    ``bought_per_kg``: the same sweet in a shop. ``margin``: share of the price that is to be left.
    """

    per_kg: Mapping[str, float]
    fuel: Fuel = "gas"
    fuel_price: float = 0.0
    hour: float = 0.0
    bought_per_kg: float | None = None
    margin: float = 0.25


@dataclass(frozen=True, slots=True, kw_only=True)
class Cost:
    """Of the whole batch and a piece. ``unpriced``: what has no price and is missing from the sum; ``partial``: a main
    thing is among them, so that the sum is nobody's cost of a piece."""

    ingredients: float
    unpriced: tuple[str, ...]
    partial: bool
    heat: Heat
    fuel: float
    own_time: float
    total: float
    each: float
    each_with_time: float
    sell_each: float
    bought_each: float | None
    saved: float | None


MAIN_SHARE = 0.10
"""What weighs more than this share of all that is bought is a main thing."""


def cost(
    used_kg: Mapping[str, float], prices: Prices, heat: Heat, hands_h: float, pieces: int, finished_kg: float
) -> Cost:
    """What a batch costs. ``used_kg`` by ingredient; water is free."""
    known = {k: kg for k, kg in used_kg.items() if k in prices.per_kg}
    missing = tuple(k for k in used_kg if k not in prices.per_kg and k != "water" and not k.startswith("base:"))
    ingredients = sum(kg * prices.per_kg[k] for k, kg in known.items())
    fuel = prices.fuel_price * (heat.lpg_g / 1e3 if prices.fuel == "gas" else heat.kwh)
    own = prices.hour * hands_h
    bought_kg = sum(kg for k, kg in used_kg.items() if k != "water")
    partial = any(used_kg[k] > MAIN_SHARE * bought_kg for k in missing)
    total, count = ingredients + fuel, max(1, pieces)
    bought = None if prices.bought_per_kg is None else prices.bought_per_kg * finished_kg
    return Cost(
        ingredients=ingredients,
        unpriced=missing,
        partial=partial,
        heat=heat,
        fuel=fuel,
        own_time=own,
        total=total,
        each=total / count,
        each_with_time=(total + own) / count,
        sell_each=price_with_margin((total + own) / count, prices.margin),
        bought_each=None if bought is None else bought / count,
        saved=None if bought is None else bought - total,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Spent:
    """What a batch was told to cost and what it did, with ``each`` piece; ``saved`` against the same bought."""

    planned: float
    spent: float
    each: float | None
    saved: float | None


def spent(
    planned: float,
    told_kg: Mapping[str, float],
    used_kg: Mapping[str, float],
    per_kg: Mapping[str, float],
    pieces: int | None = None,
    bought_each: float | None = None,
    more: float = 0.0,
) -> Spent:
    """What a batch cost by what truly went in; what has no price changes nothing. ``more``: what was paid besides.

    >>> spent(20.0, {"milk": 2.0, "fig": 0.1}, {"milk": 2.5, "fig": 0.2}, {"milk": 4.0}, pieces=11, bought_each=3.0)
    Spent(planned=20.0, spent=22.0, each=2.0, saved=11.0)
    """
    keys = per_kg.keys() & (told_kg.keys() | used_kg.keys())
    total = planned + more + sum((used_kg.get(key, 0.0) - told_kg.get(key, 0.0)) * per_kg[key] for key in keys)
    return Spent(
        planned=planned,
        spent=total,
        each=total / pieces if pieces else None,
        saved=None if bought_each is None or not pieces else bought_each * pieces - total,
    )
