"""What a rescue takes, reckoned from what stands there now: a mass balance of its solids and its water."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from ..batch.curd_run import CurdState
from ..batch.log import Log
from ..batch.running import BatchState
from ..batch.summary import summary
from ..batch.sweet_run import SweetState
from ..composition.composition import Composition
from ..composition.materials import Material, material
from ..planning.curdle.plan import CurdlePlan
from ..planning.reduce.judgement import milk_to_thin_kg
from ..properties.density import volume_m3
from ..ranges import Range

GOOD_CHHENA_WATER = 0.61
"""In the middle of what kneads well, 58 to 63 % (curd dossier §5)."""
LEAST_KG = 0.002
MINUTES_SD = 0.25
"""ln sd of minutes back on the fire: another heat-up, another layer."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Amounts:
    """kg; ``steam_s`` s. What does not apply is None: ``milk_back`` to loosen it (m³ too) and the ``target`` weight it has then,
    ``steam_off`` to thicken it; ``water_off`` of a curd and the weight it is ``drained`` to; ``acid_more`` litres or kg."""

    milk_back_kg: float | None = None
    milk_back_m3: float | None = None
    steam_off_kg: float | None = None
    steam_s: Range | None = None
    target_kg: float | None = None
    water_off_kg: float | None = None
    drained_kg: float | None = None
    acid_more: float | None = None
    acid_unit: str = ""


def amounts(log: Log, state: Any, told: Mapping[str, Any]) -> Amounts:
    """Of a batch of any kind, as far as its record goes."""
    match state:
        case BatchState(weighed_kg=float(weighed)):
            line = summary(log.plan, state, told)
            off = log.plan.base_kg + log.plan.sugar_kg - weighed
            rate = off / line.took_s if line.took_s else None
            return _to_told(weighed, line.told_kg.likely, float(log.plan.all_parts.solids), log.plan.milk, rate)
        case SweetState(weighed_kg=float(weighed)):
            levels = {row.get("key"): row.get("share") for row in told.get("levels", []) if isinstance(row, Mapping)}
            target = state.told_kg.likely
            dry = _dry_share(levels)
            return _to_told(weighed, target, target * dry, material("cow"), None) if dry else Amounts()
        case CurdState(curdle=forecast) if forecast is not None and isinstance(log.plan, CurdlePlan):
            more = forecast.acid.ready - state.poured
            dry_kg = float(forecast.balance.curd.total - forecast.balance.curd.water)
            drained = dry_kg / (1 - GOOD_CHHENA_WATER)
            wet = state.weighed_kg is not None and state.weighed_kg > drained + LEAST_KG
            return Amounts(
                acid_more=more if more > 0 else None,
                acid_unit=forecast.acid.unit,
                drained_kg=drained if wet else None,
                water_off_kg=state.weighed_kg - drained if wet and state.weighed_kg else None,
            )
        case _:
            return Amounts()


def _dry_share(levels: Mapping[Any, Any]) -> float | None:
    """Total solids that a sweet was told to have, kg per kg."""
    for level in ("total_solids", "water"):
        share = levels.get(level)
        if isinstance(share, Mapping) and isinstance(share.get("likely"), int | float):
            likely = float(share["likely"])
            return likely if level == "total_solids" else 1 - likely
    return None


def _to_told(mass_kg: float, target_kg: float, solids_kg: float, milk: Material, rate_kg_s: float | None) -> Amounts:
    """Back to what was told: steam off what is too heavy, milk into what is too dry."""
    if target_kg <= 0:
        return Amounts()
    over = mass_kg - target_kg
    if over > LEAST_KG:
        minutes = Range.lognormal(over / rate_kg_s, MINUTES_SD) if rate_kg_s and rate_kg_s > 0 else None
        return Amounts(steam_off_kg=over, steam_s=minutes, target_kg=target_kg)
    if solids_kg / target_kg <= milk.parts.total_solids:  # milk would only thicken it
        return Amounts()
    # of what it is made matters only what is solid of it
    now = Composition(water=max(0.0, mass_kg - solids_kg), lactose=solids_kg)
    back = milk_to_thin_kg(now, solids_kg / target_kg, milk.parts)
    if back <= LEAST_KG:
        return Amounts()
    volume = float(volume_m3(milk.parts.scaled(back), 20.0))
    return Amounts(milk_back_kg=back, milk_back_m3=volume, target_kg=mass_kg + back)
