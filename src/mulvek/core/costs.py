"""What a sweet costs: ingredients, fuel, a price with margin, and against the shop. Sweets F47, F49."""

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


def pieces_to_break_even(fixed: float, price: float, cost: float) -> float | None:
    """Pieces that pay the fixed costs; None when a piece earns nothing."""
    return fixed / (price - cost) if price > cost else None
