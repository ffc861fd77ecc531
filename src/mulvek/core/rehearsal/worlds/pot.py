"""Watery stuff in a pan on a flame: how it warms and what steam leaves, by the core's own energy balance."""

from dataclasses import dataclass

from ...composition.composition import Composition
from ...equipment.burners import FLAMES, Burner, Flame
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...equipment.vessels import Kadhai, surface_m2
from ...planning.reduce.evaporation import ROLL_BELOW_BOIL_K, Balance, Fire, loss_w_k
from ...properties.density import volume_m3
from ...properties.heat_capacity import heat_capacity_j_k
from ...properties.steam import SHELTER, SHELTER_LID
from ...properties.water_activity import boiling_point_c, boiling_water_activity

DRAWN = {"gentle": 1.0, "medium": 2.0, "strong": 3.0}
"""How large a flame is drawn."""


def drawn(flame: Flame | None) -> float:
    return DRAWN[flame] if flame else 0.0


def pan_drawn(pan: Pan) -> dict[str, float]:
    """The pan's own measures for its drawing, m."""
    rim = float(pan.shape.height_m)
    return {
        "rim_m": rim,
        "wide_m": 2 * float(pan.shape.radius_m(rim)),
        "floor_m": float(pan.shape.base_diameter_m),
        "round": float(isinstance(pan.shape, Kadhai)),
    }


@dataclass(slots=True)
class Pot:
    """What stands on the burner, kg and °C. ``refresh`` after its contents have changed."""

    pan: Pan
    burner: Burner
    kitchen: Kitchen
    parts: Composition
    celsius: float
    flame: Flame | None = None
    lid: bool = False
    steam_kg_s: float = 0.0
    _powers: dict[Flame, float] | None = None
    _terms: tuple[float, float, float, float, float] = (0.0, 0.0, 0.0, 0.0, 0.0)

    def __post_init__(self) -> None:
        base = self.pan.shape.base_diameter_m
        self._powers = {flame: self.burner.net_power_w(flame, base) for flame in FLAMES}
        self.refresh()

    @property
    def boils_c(self) -> float:
        return self._terms[3]

    @property
    def rolls(self) -> bool:
        """Whether it boils."""
        return self.celsius >= self.boils_c - ROLL_BELOW_BOIL_K

    @property
    def depth_m(self) -> float:
        return float(self.pan.shape.depth_m(float(volume_m3(self.parts, min(90.0, self.celsius)))))

    def refresh(self) -> None:
        kitchen, depth = self.kitchen, self.depth_m
        surface = float(surface_m2(self.pan.shape, depth))
        fire = Fire(
            heat_up_w=0.0,
            simmer_w=0.0,
            wall_loss=self.burner.wall_loss_w_m2_k,
            room_c=kitchen.room_c,
            pressure_pa=kitchen.pressure_pa,
        )
        self._terms = (
            surface,
            float(loss_w_k(self.pan, fire, surface, depth)),
            float(boiling_water_activity(self.parts)),
            float(boiling_point_c(self.parts, kitchen.pressure_pa)),
            float(heat_capacity_j_k(self.parts, min(self.celsius, 100.0))) + self.pan.heat_capacity_j_k,
        )

    def power_w(self, gas: float = 1.0) -> float:
        return gas * self._powers[self.flame] if self.flame and self._powers else 0.0

    def warm(self, power_w: float, seconds: float = 1.0) -> float:
        """Heat it for so long; the steam that leaves, kg (not yet taken from its parts)."""
        surface, loss, activity, boils, capacity = self._terms
        balance = Balance(
            power_w=power_w,
            surface_m2=surface,
            loss_w_k=loss,
            activity=activity,
            boils_c=boils,
            room_c=self.kitchen.room_c,
            pressure_pa=self.kitchen.pressure_pa,
            shelter=SHELTER_LID if self.lid else SHELTER,
        )
        steam, warming = balance.steam(self.celsius)
        self.celsius = min(boils, self.celsius + seconds * warming / capacity)
        self.steam_kg_s = steam
        return steam * seconds
