"""Syrup at work: how pieces swell and sweeten in it, how it drifts, and what is left of it.

Curd dossier §7. Uptake follows diffusion into a sphere (Crank 1975); the diffusivities are fitted to "rests of 2
to 8 hours" and good to a factor of two, the swelling to 15 %.
"""

import math
from dataclasses import dataclass
from typing import Literal

from ...errors import BadInput
from ...properties.crystals import sucrose_solubility
from ...properties.steam import saturation_temperature_c, surface_flux_kg_m2_s
from .cooling import SIDE_W_M2_K, Standing
from .pieces import ball_m

Kind = Literal["sponge", "poached", "fried"]
SHRINKS_ABOVE = {"sponge": 52.0, "poached": 58.0, "fried": 70.0}
"""Syrup stronger than this at the end of the boil, °Brix, keeps a piece from swelling."""
BOILING, WARM, RESTING = 1.0e-8, 4.0e-9, 2.5e-9
"""Diffusivity of sugar in chhena at the boil, at 60 °C, at 25-40 °C, m²/s."""
PIECE_KG_M3 = 1030.0
_TERMS = 200
_LID_W_M2_K = 12.0
_LATENT_KJ = 2257.0


def sphere_uptake(fourier: float) -> float:
    """Share of the way to equal strength after ``fourier`` = D·t/R² (Crank's sphere).

    >>> round(sphere_uptake(0.137), 7)
    0.8420561
    """
    series = sum(math.exp(-n * n * math.pi**2 * fourier) / (n * n) for n in range(1, _TERMS))
    return max(0.0, 1 - 6 / math.pi**2 * series)


def swelling(gain: float, brix: float, uptake: float, kind: Kind) -> float:
    """Mass of a piece over its raw mass; ``gain`` of the full soak in syrup it likes."""
    held = max(0.15, 1 - 0.02 * max(0.0, brix - SHRINKS_ABOVE[kind]))
    return 1 + (gain - 1) * held * uptake


@dataclass(frozen=True, slots=True, kw_only=True)
class Bath:
    """What goes into one pan: ``count`` raw pieces of ``piece_kg``, their non-sugar solids per kg, and the syrup (kg)."""

    kind: Kind
    piece_kg: float
    count: int
    dry: float
    sugar_kg: float
    water_kg: float
    gain: float
    volume_gain: float
    boil_s: float = 0.0
    steam_kg: float = 0.0

    def __post_init__(self) -> None:
        if self.count < 1 or not 0 < self.dry < 1 or self.steam_kg >= self.water_kg:
            raise BadInput("syrup", "syrup-bath-out-of-reach")


@dataclass(frozen=True, slots=True, kw_only=True)
class Soak:
    """After the rest: mass of a piece, its sugar and water (kg per kg), and the syrup left with its strength."""

    uptake: float
    piece_kg: float
    sugar: float
    moisture: float
    brix: float
    left_kg: float
    left_sugar_kg: float


def soak(bath: Bath, rest_s: float, diffusivity: float = RESTING) -> Soak:
    """A bath after its boil and ``rest_s`` of rest.

    >>> b = Bath(
    ...     kind="sponge", piece_kg=0.0113, count=19, dry=0.41, sugar_kg=0.437, water_kg=0.913, gain=2.35,
    ...     volume_gain=2.2, boil_s=14 * 60, steam_kg=0.231)
    >>> round(soak(b, 330 * 60).uptake, 2) > 0.8
    True
    """
    radius = ball_m(bath.piece_kg, PIECE_KG_M3) / 2 * bath.volume_gain ** (1 / 3)
    uptake = sphere_uptake((BOILING * bath.boil_s + diffusivity * rest_s) / radius**2)
    after_boil = 100 * bath.sugar_kg / (bath.sugar_kg + bath.water_kg - bath.steam_kg)
    mass = bath.piece_kg * swelling(bath.gain, after_boil, uptake, bath.kind)
    dry = bath.piece_kg * bath.dry
    inside = bath.count * (mass - dry)
    liquid = bath.sugar_kg + bath.water_kg - bath.steam_kg + bath.count * (bath.piece_kg - dry)
    strength = bath.sugar_kg / (liquid - inside * (1 - uptake))
    sugar = uptake * strength * (mass - dry)
    left = liquid - inside
    return Soak(
        uptake=uptake,
        piece_kg=mass,
        sugar=sugar / mass,
        moisture=(mass - dry - sugar) / mass,
        brix=100 * strength,
        left_kg=left,
        left_sugar_kg=left * strength,
    )


def syrup_boils_off_kg_s(
    power_w: float, width_m: float, volume_m3: float, pressure_pa: float, *, lid: bool, room_c: float = 24.0
) -> tuple[float, float]:
    """°C of a pan of syrup on this net power, and water leaving, kg/s (±25 %).

    *Energy, not the lid, sets the loss*: at one flame a lid changes little, but it lets a low flame boil.
    """
    boils = float(saturation_temperature_c(pressure_pa))
    top = math.pi * width_m**2 / 4
    side = SIDE_W_M2_K * (4 * volume_m3 / width_m + math.pi * width_m**2 / 8) * (boils - room_c)
    if lid:
        loss = side + _LID_W_M2_K * top * (boils - room_c)
        return (boils, (power_w - loss) / _LATENT_KJ / 1e3) if power_w > loss else (boils - 1, 0.0)
    pan = Standing(width_m=width_m, milk_m3=volume_m3, heat_j_k=1.0, room_c=room_c, pressure_pa=pressure_pa)
    if power_w > pan.loss_w(boils - 1.5):
        return boils, max(0.0, power_w - side) / _LATENT_KJ / 1e3
    low, high = room_c + 1, boils - 1.5
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (low, middle) if pan.loss_w(middle) > power_w else (middle, high)
    return low, top * surface_flux_kg_m2_s(low, pressure_pa)


def supersaturation(brix: float, celsius: float) -> float:
    """Sugar per water over what it holds; above 1.15 on cooling crystals are likely.

    >>> round(supersaturation(71.0, 22.0), 4)
    1.2118
    """
    full = sucrose_solubility(celsius)
    return brix / (100 - brix) / (full / (100 - full))


def water_to_restore_kg(sugar_kg: float, brix: float, water_kg: float) -> float:
    """Hot water that brings a boiled syrup back to its strength.

    >>> round(water_to_restore_kg(0.437, 35.0, 0.640), 7)
    0.1715714
    """
    return sugar_kg * (100 / brix - 1) - water_kg


def boil_off_kg(mass_kg: float, brix: float, wanted: float) -> float:
    """Water to drive off from one strength to a higher one.

    >>> round(boil_off_kg(1.0, 50.0, 70.0), 4)
    0.2857
    """
    return mass_kg * (1 - brix / wanted)


def thin_with_kg(mass_kg: float, brix: float, wanted: float) -> float:
    """Water that thins a syrup."""
    return mass_kg * (brix / wanted - 1)


def sugar_to_strengthen_kg(mass_kg: float, brix: float, wanted: float) -> float:
    """Sugar that strengthens a syrup without boiling."""
    return mass_kg * (wanted - brix) / (100 - wanted)


def inversion_rate(celsius: float, ph: float) -> float:
    """Sugar turning to glucose and fructose, share per second (factor 2)."""
    return 5.8e-5 * 10**-ph * math.exp(108000 / 8.314 * (1 / 298.15 - 1 / (celsius + 273.15)))


def inverted(rate: float, seconds: float) -> float:
    """Share inverted after so long.

    >>> round(inverted(inversion_rate(105.5, 3.6), 660.0), 6)
    0.096358
    """
    return 1 - math.exp(-rate * seconds)


def keeps_days(brix: float) -> int:
    """Leftover syrup, strained and boiled 2 minutes, in the fridge, for one cooked sweet more (cautious)."""
    return 3 if brix < 55 else 5 if brix <= 65 else 7


STAGES: tuple[tuple[float, float, str], ...] = (
    (20, 40, "thin boil, for sponge balls"),
    (40, 52, "poaching syrup"),
    (52, 66, "sticky, before any thread"),
    (66, 72, "half a thread"),
    (72, 77, "one thread"),
    (77, 80.5, "two threads"),
    (80.5, 84, "three threads"),
    (84, 86.5, "soft ball"),
    (86.5, 89, "firm ball"),
)


def stage(brix: float) -> str:
    """What a cook calls this strength, ±1.5 Brix.

    >>> stage(73.5)
    'one thread'
    """
    for low, high, name in STAGES:
        if low <= brix < high:
            return name
    return "sugared water" if brix < 20 else "past firm ball: it browns"
