"""A burner timed with water: a litre to the boil, and what it loses in ten minutes of boiling.

Both are inverted through the same energy balance that plans use (dossier §4), so that whatever the model
gets wrong about loss and fit is wrong in the same way and mostly cancels.
"""

import math
from dataclasses import dataclass, replace

from ...composition.composition import Composition
from ...equipment.burners import Burner
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...equipment.vessels import surface_m2
from ...errors import BadInput, Impossible
from ...properties.density import water_density_kg_m3
from ...properties.steam import CONVECTION, RADIATION, latent_heat_j_kg, saturation_temperature_c
from ...ranges import Range
from .evaporation import Fire, heat_up

TIMING_LN_SD = 0.06
"""A minute hand, the start temperature and "now it boils", 1 sd of ln."""
WEIGHING_KG = 0.005
MODEL_LN_SD = 0.05
STRENGTHS = (0.2, 5.0)
DISAGREE = 0.30


@dataclass(frozen=True, slots=True)
class Calibration:
    """The burner as timed, its power on a strong flame as a range in W, and how the two timings agree."""

    burner: Burner
    net_power_w: Range
    by_heating: float | None
    by_loss: float | None
    agree: bool


def calibrate(
    burner: Burner,
    pan: Pan,
    kitchen: Kitchen,
    *,
    water_m3: float = 1e-3,
    water_c: float = 20.0,
    boil_s: float | None = None,
    lost_kg: float | None = None,
    lost_in_s: float = 600.0,
) -> Calibration:
    """Find a burner's strength on its strong flame.

    :param water_m3: water in the pan; ``water_c`` its temperature when the flame was lit.
    :param boil_s: seconds to the full boil. :param lost_kg: weight lost in ``lost_in_s`` of boiling.
    :raises BadInput: naming the reading that cannot be.
    """
    if boil_s is None and lost_kg is None:
        raise BadInput("boil_s", "burner-nothing-timed")
    for field, value, low, high, unit in (
        ("water", water_m3 * 1e3, 0.3, 5.0, "L"),
        ("water_c", water_c, 1.0, 60.0, "°C"),
        ("boil_s", boil_s, 45.0, 3600.0, "s"),
        ("lost_kg", lost_kg, 0.01, 3.0, "kg"),
        ("lost_in_s", lost_in_s, 120.0, 3600.0, "s"),
    ):
        if value is not None and not (math.isfinite(value) and low <= value <= high):
            raise BadInput(field, "burner-timing-out-of-reach", value=value, unit=unit, low=low, high=high)
    if water_m3 > 0.8 * float(pan.shape.volume_m3(pan.shape.height_m)):
        raise BadInput("water", "pan-too-small-for-water", pan=pan.name)
    water_kg = water_m3 * float(water_density_kg_m3(water_c))
    if lost_kg is not None and lost_kg > 0.9 * water_kg:
        raise BadInput("lost_kg", "burner-boiled-dry")
    whole = burner.net_power_w("strong", pan.shape.base_diameter_m) / burner.strength
    found: list[tuple[float, float]] = []
    heating = loss = None
    if boil_s is not None:
        heating = _strength_by_heating(whole, burner, pan, kitchen, water_kg, water_c, boil_s)
        found.append((heating, math.hypot(TIMING_LN_SD, MODEL_LN_SD)))
    if lost_kg is not None:
        loss = _power_by_loss(burner, pan, kitchen, water_kg, lost_kg, lost_in_s) / whole
        found.append((loss, math.hypot(math.sqrt(2) * WEIGHING_KG / lost_kg, MODEL_LN_SD)))
    for strength, _ in found:
        if not STRENGTHS[0] <= strength <= STRENGTHS[1]:
            kind = "boil_s" if strength == heating else "lost_kg"
            raise BadInput(kind, "burner-strength-unlikely", strength=strength)
    weight = sum(1 / sd**2 for _, sd in found)
    strength = math.exp(sum(math.log(s) / sd**2 for s, sd in found) / weight)
    sd = 1 / math.sqrt(weight)
    agree = heating is None or loss is None or abs(math.log(heating / loss)) < DISAGREE
    timed = replace(burner, strength=round(strength, 3), ln_sd=round(sd if agree else 0.2, 3))
    return Calibration(timed, Range.lognormal(whole * strength, timed.ln_sd or sd), heating, loss, agree)


def _strength_by_heating(
    whole: float, burner: Burner, pan: Pan, kitchen: Kitchen, water_kg: float, water_c: float, boil_s: float
) -> float:
    water = Composition(water=water_kg)

    def seconds(strength: float) -> float:
        fire = Fire(
            heat_up_w=whole * strength,
            simmer_w=0.0,
            wall_loss=burner.wall_loss_w_m2_k,
            room_c=kitchen.room_c,
            pressure_pa=kitchen.pressure_pa,
        )
        try:
            warm = heat_up(water, water_c, pan, fire, steps=24)
        except Impossible:
            return math.inf
        return warm.seconds if warm.rolls else math.inf

    low, high = math.log(0.1), math.log(10.0)
    for _ in range(40):
        middle = (low + high) / 2
        low, high = (middle, high) if seconds(math.exp(middle)) > boil_s else (low, middle)
    return math.exp((low + high) / 2)


def _power_by_loss(
    burner: Burner, pan: Pan, kitchen: Kitchen, water_kg: float, lost_kg: float, lost_in_s: float
) -> float:
    boils = float(saturation_temperature_c(kitchen.pressure_pa))
    volume = (water_kg - lost_kg / 2) / float(water_density_kg_m3(boils))
    depth = float(pan.shape.depth_m(volume))
    dry = (CONVECTION + RADIATION) * float(surface_m2(pan.shape, depth))
    wall = max(0.0, float(pan.shape.wetted_m2(depth)) - float(pan.shape.heated_m2(depth)))
    dry += burner.wall_loss_w_m2_k * wall
    return lost_kg / lost_in_s * float(latent_heat_j_kg(boils)) + dry * (boils - kitchen.room_c)
