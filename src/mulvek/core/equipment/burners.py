"""Burners: the heat that a setting brings into a pan, and how well it is known. Reduction dossier §4."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from ..composition.materials import read_table
from ..errors import BadInput

Flame = Literal["gentle", "medium", "strong"]
FLAMES: tuple[Flame, ...] = ("gentle", "medium", "strong")


@dataclass(frozen=True, slots=True, kw_only=True)
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
            raise BadInput("burner", "no-burner-kind", kind=self.kind, known=known)
        if not 0.2 <= self.strength <= 5.0:
            raise BadInput("burner", "burner-strength-out-of-reach")

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
