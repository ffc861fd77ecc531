"""Minutes of a sweet's boiling in a real pan on a real flame: the Bench's evaporation model, coarsely stepped.

Reduction dossier §4 governs every boiling down, vegetables and all; what a pan cannot hold half full is boiled in
several goes. First guess ±35 % until this kitchen's batches have taught the flame (``Rate``).
"""

from dataclasses import dataclass

from ...equipment.kitchen import Kitchen
from ...equipment.vessels import capacity_m3
from ...errors import Impossible
from ...properties.density import volume_m3
from ...ranges import Range
from ..reduce.evaporation import LONGEST_S
from ..reduce.hearth import Hearth, dry
from .boiling import boil_off_s, goes
from .stuff import Boil

THINNEST = 0.02
_DRIEST = 0.80
"""Solids beyond which the flow of heat is no longer the model's: from there on the quick estimate goes on."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Boiling:
    """How long one boiling takes, s, all its goes together; ``rate_kg_s`` water leaving at its end."""

    of: str
    seconds: Range
    steam_kg: float
    goes: int
    rate_kg_s: float
    too_small: bool


def boiling(boil: Boil, kg: float, hearth: Hearth, kitchen: Kitchen, hot: bool) -> Boiling:
    """``kg`` of a boil's start taken to its end; ``hot``: it comes boiling from the base before.

    :raises Impossible: when the flame never does it.
    """
    start = boil.start.scaled(kg)
    cold = float(volume_m3(start, 20.0))
    several = goes(cold, capacity_m3(hearth.pan.shape))
    parts = start.scaled(1 / several)
    fire = hearth.fire(kitchen)
    dried = dry(parts, min(boil.to_solids, _DRIEST), None if hot else kitchen.milk_c, hearth, kitchen, fire)
    seconds = dried.seconds
    if boil.to_solids > _DRIEST:
        width = 2 * float(hearth.pan.shape.radius_m(hearth.pan.shape.height_m / 3))
        from_solids = max(_DRIEST, boil.from_solids)
        mass = float(parts.solids) / from_solids
        seconds += boil_off_s(mass, from_solids, boil.to_solids, width, fire.simmer_w / 1e3)
    return Boiling(
        of=boil.of,
        seconds=Range.lognormal(seconds * several, hearth.rate.ln_sd),
        steam_kg=dried.steam_kg * several,
        goes=several,
        rate_kg_s=dried.rate_kg_s,
        too_small=several > 1,
    )


def boilings(
    boils: tuple[Boil, ...], finished_kg: float, hearth: Hearth, kitchen: Kitchen, poured_hot: bool = False
) -> list[Boiling]:
    """Every boiling of a batch; what this flame does not do in half a day is told by the quick estimate. ``poured_hot``:
    what is cooked down goes into the pan hot."""
    made = []
    bases = [b for b in boils if b.of != "cook"]
    for boil in boils:
        kg = boil.start_kg * finished_kg
        if kg < 1e-4 or 1 - boil.from_solids < THINNEST:
            continue
        hot = boil.of == "cook" and (poured_hot or bool(bases))
        try:
            made.append(boiling(boil, kg, hearth, kitchen, hot))
        except Impossible:
            shape, burner = hearth.pan.shape, hearth.burner
            power_kw = burner.net_power_w(hearth.flame, shape.base_diameter_m) / 1e3
            width = 2 * float(shape.radius_m(shape.height_m / 3))
            # it takes half a day or more: never less than the last that could be reckoned
            seconds = max(LONGEST_S, boil_off_s(kg, boil.from_solids, boil.to_solids, width, power_kw))
            made.append(
                Boiling(
                    of=boil.of,
                    seconds=Range.lognormal(seconds, hearth.rate.ln_sd),
                    steam_kg=kg - boil.end_kg * finished_kg,
                    goes=1,
                    rate_kg_s=0.0,
                    too_small=False,
                )
            )
    return made
