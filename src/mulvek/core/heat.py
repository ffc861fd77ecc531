"""Boiling and evaporation: when this milk boils up here, and how fast steam leaves an open pan.

Reduction dossier §3 and §4. Heat capacity after Choi & Okos 1986, saturation line of Wagner & Pruss,
water activity after Norrish 1966 (boiling factor fitted to the sucrose elevation table).
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

import numpy as np

from .errors import BadInput
from .materials.library import read_table
from .materials.parts import Number, Parts

Flame = Literal["gentle", "medium", "strong"]
FLAMES: tuple[Flame, ...] = ("gentle", "medium", "strong")

_CP = {  # kJ/kg K: a + b·t + c·t²
    "water": (4.1762, -9.0864e-5, 5.4731e-6),
    "fat": (1.9842, 1.4733e-3, -4.8008e-6),
    "protein": (2.0082, 1.2089e-3, -1.3129e-6),
    "carbohydrate": (1.5488, 1.9625e-3, -5.9399e-6),
    "ash": (1.0926, 1.8896e-3, -3.6817e-6),
}


def heat_capacity_j_k(parts: Parts, celsius: Number) -> Number:
    """Heat that warms the batch (parts in kg) by 1 K, J/K, 0-100 °C, ±2 % (Choi & Okos 1986)."""
    groups = {
        "water": parts.water,
        "fat": parts.fat,
        "protein": parts.casein + parts.whey + parts.other,
        "carbohydrate": parts.lactose + parts.sucrose + parts.reducing + parts.starch + parts.acid,
        "ash": parts.minerals,
    }
    return 1e3 * sum(
        mass * (_CP[group][0] + celsius * (_CP[group][1] + celsius * _CP[group][2]))
        for group, mass in groups.items()
        if not (isinstance(mass, float) and mass == 0.0)
    )


def pressure_at_altitude_pa(altitude_m: float) -> float:
    """Air pressure at ``altitude_m`` (0-4500), Pa, standard atmosphere."""
    return float(101325.0 * (1 - 2.25577e-5 * altitude_m) ** 5.25588)


_SAT = (-7.85951783, 1.84408259, -11.7866497, 22.6807411, -15.9618719, 1.80122502)
_SAT_POWERS = (1.0, 1.5, 3.0, 3.5, 4.0, 7.5)
_T_CRITICAL_K, _P_CRITICAL_PA = 647.096, 22.064e6


def saturation_pressure_pa(celsius: float) -> float:
    """Vapour pressure of water, Pa, 0-200 °C (Wagner & Pruss).

    >>> round(saturation_pressure_pa(95.0))
    84609
    """
    kelvin = celsius + 273.15
    x = 1 - kelvin / _T_CRITICAL_K
    root = math.sqrt(x)
    x3 = x * x * x
    a, b, c, d, e, f = _SAT
    series = a * x + b * x * root + c * x3 + d * x3 * root + e * x3 * x + f * x3 * x3 * x * root
    return _P_CRITICAL_PA * math.exp(_T_CRITICAL_K / kelvin * series)


_GRID_C = np.linspace(0.0, 200.0, 2001)
_GRID_LN_P = np.log([saturation_pressure_pa(t) for t in _GRID_C])


def saturation_temperature_c(pressure_pa: Number) -> Number:
    """Temperature at which water boils at a pressure, °C, 0.7 kPa to 1.5 MPa.

    Looked up on the saturation line every 0.1 K, linear in ln p (error below 1e-4 K).

    >>> round(float(saturation_temperature_c(pressure_at_altitude_pa(1600.0))), 2)
    94.65
    """
    return np.interp(np.log(pressure_pa), _GRID_LN_P, _GRID_C)


def latent_heat_j_kg(celsius: Number) -> Number:
    """Heat of evaporation of water, J/kg, 0-110 °C, ±0.1 %."""
    return 1e3 * (2500.9 - 2.3 * celsius - 0.00145 * celsius * celsius)


_MOLAR_G = {"sucrose": 342.3, "lactose": 342.3, "reducing": 180.16, "acid": 150.0, "minerals": 64.0}
_NORRISH = {"sucrose": 6.47, "lactose": 10.2, "reducing": 2.25}
LACTOSE_DISSOLVED_AT_BOIL = 1.57
"""kg lactose that a kg of water holds at 100 °C (Hudson 1908)."""


def water_activity(parts: Parts, *, boiling: bool, dissolved_lactose: Number | None = None) -> Number:
    """Water activity, 0-1 (Norrish 1966, generalised to milk).

    :param parts: kg or kg per kg; only ratios matter.
    :param boiling: with the factor fitted at the boil (else the one for storage up to 40 °C).
    :param dissolved_lactose: lactose in solution, same unit as the parts; all of it, up to solubility at
        the boil, when not given.

    >>> from mulvek.core.materials.parts import Parts
    >>> round(float(water_activity(Parts(water=40.0, sucrose=60.0), boiling=False)), 4)
    0.8953
    """
    dissolved = parts.water * LACTOSE_DISSOLVED_AT_BOIL if dissolved_lactose is None else dissolved_lactose
    masses = {name: getattr(parts, name) for name in _MOLAR_G}
    masses["lactose"] = np.minimum(parts.lactose, dissolved)
    moles = {name: masses[name] / _MOLAR_G[name] for name in _MOLAR_G}
    water = parts.water / 18.015
    total = water + sum(moles.values()) + parts.other * 0.3 / 200.0
    strength = sum(math.sqrt(k / 6.47) * moles[name] for name, k in _NORRISH.items()) / total
    factor = 6.6 * np.maximum(0.2, 1 - 1.87 * strength) if boiling else 6.47
    return water / total * np.exp(-factor * strength * strength)


def boiling_point_c(parts: Parts, pressure_pa: float) -> Number:
    """Temperature at which this batch boils under ``pressure_pa``, °C."""
    return saturation_temperature_c(pressure_pa / water_activity(parts, boiling=True))


CONVECTION = RADIATION = 6.0
"""Dry heat loss of the surface, W/m² K each (estimate)."""
SURFACE_CONSTANT = CONVECTION * 0.622 / (1007.0 * 0.90)
"""Mass transfer of vapour by the heat-transfer analogy, kg/m² s."""
SHELTER = 0.60
"""Share of a free surface's evaporation that a pan's rim lets through (±30 %, estimate)."""
SHELTER_SKIN, SHELTER_LID = 0.35, 0.06
"""The same under a skin that is left to form, and under a lid."""
ROOM_VAPOUR_PA = 1500.0


def surface_flux_kg_m2_s(
    celsius: float, pressure_pa: float, activity: float = 1.0, shelter: float = SHELTER
) -> float:
    """Steam from a still surface below the boil, kg/m² s; vapour-drift corrected (dossier §4).

    >>> round(surface_flux_kg_m2_s(90.0, 101325.0) * 3600, 2)
    10.36
    """
    vapour = min(activity * saturation_pressure_pa(celsius), 0.999 * pressure_pa)
    if vapour <= ROOM_VAPOUR_PA:
        return 0.0
    drift = math.log((pressure_pa - ROOM_VAPOUR_PA) / (pressure_pa - vapour))
    return shelter * SURFACE_CONSTANT * drift


@dataclass(frozen=True, slots=True)
class BurnerKind:
    """A kind of burner: nominal power W, share that reaches a 24 cm pan, heat lost by the wall W/m² K."""

    key: str
    name: str
    power_w: float
    efficiency: float
    wall_loss: float
    source: str


_BURNERS = read_table("burners.toml")
BURNER_KINDS: Mapping[str, BurnerKind] = {key: BurnerKind(key=key, **row) for key, row in _BURNERS["kinds"].items()}
FLAME_SHARE: Mapping[str, float] = _BURNERS["flames"]


UNTIMED_SD, PAN_FIT_SD = 0.35, 0.10
SETTING_SD = math.sqrt(UNTIMED_SD**2 - 0.20**2)


@dataclass(frozen=True, slots=True)
class Burner:
    """One burner of this kitchen. ``strength`` multiplies the kind's nominal power (1 = as built).

    ``ln_sd``: how well a strong flame of it is known (sd of ln), once it was timed with water.
    """

    name: str
    kind: str = "lpg-large"
    strength: float = 1.0
    ln_sd: float | None = None

    def __post_init__(self) -> None:
        if self.kind not in BURNER_KINDS:
            known = ", ".join(BURNER_KINDS)
            raise BadInput("burner", f"There is no burner kind “{self.kind}”.", f"Use one of: {known}.")
        if not 0.2 <= self.strength <= 5.0:
            raise BadInput("burner", "A burner's strength is 0.2 to 5.", "Use 1 for an ordinary one.")

    def first_guess_sd(self, flame: Flame) -> float:
        """Spread of ln(true ÷ model rate) before any batch was logged on this flame.

        0.35 untimed: power and setting together (dossier §4). Timing takes out the power's 0.20; what a
        knob's lower settings mean stays unknown.

        >>> Burner("left").first_guess_sd("medium"), round(Burner("left", ln_sd=0.06).first_guess_sd("strong"), 2)
        (0.35, 0.12)
        """
        if self.ln_sd is None:
            return UNTIMED_SD
        setting = PAN_FIT_SD if flame == "strong" else SETTING_SD
        return min(UNTIMED_SD, math.hypot(self.ln_sd, setting))

    def net_power_w(self, flame: Flame, base_diameter_m: float) -> float:
        """Heat that reaches the milk, W: nominal × setting × efficiency for this base (dossier §4).

        >>> round(Burner("left").net_power_w("medium", 0.24), 1)
        594.0
        """
        kind = BURNER_KINDS[self.kind]
        fit = min(1.15, max(0.75, 1 + 0.010 * (base_diameter_m * 100 - 24)))
        return kind.power_w * self.strength * FLAME_SHARE[flame] * kind.efficiency * fit

    @property
    def wall_loss_w_m2_k(self) -> float:
        return BURNER_KINDS[self.kind].wall_loss
