"""Things for the command line, which has no Larder: all of them are given whole."""

from collections.abc import Mapping

from ..core.composition.materials import Material
from ..core.equipment.burners import Burner, Flame
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.pans import Pan
from ..core.errors import BadInput
from ..core.planning.reduce.plan import Rate, Thickness
from ..core.planning.strain.draining import Drain
from ..core.planning.sweets.formula import Sweet
from ..core.planning.sweets.habits import HabitName
from ..core.planning.sweets.steps import Pace


class NoLarder:
    """Refuses every number kindly."""

    def __init__(self) -> None:
        self._kitchen = Kitchen()
        self.milks: Mapping[int, Material] = {}
        self.pans: Mapping[int, Pan] = {}
        self.burners: Mapping[int, Burner] = {}
        self.house: Mapping[int, Kept[Material]] = {}
        self.packs: Mapping[int, tuple[float | None, float | None]] = {}
        self.own_sweets: Mapping[str, Sweet] = {}

    def milk(self, milk_id: int) -> Material:
        raise BadInput("milk", "no-larder-for-milk", milk_id=milk_id)

    def pan(self, pan_id: int) -> Pan:
        raise BadInput("pan", "no-larder-for-pan", pan_id=pan_id)

    def burner(self, burner_id: int) -> Burner:
        raise BadInput("burner", "no-larder-for-burner", burner_id=burner_id)

    def kitchen(self) -> Kitchen:
        return self._kitchen

    def ingredient(self, ingredient_id: int) -> Material:
        raise BadInput("additions", "no-larder-for-ingredient", ingredient_id=ingredient_id)

    def curd_yield(self, milk_id: int) -> tuple[float, int]:
        return 0.0, 0

    def drain(self, cloth: str) -> Drain:
        return Drain()

    def habit(self, name: HabitName, sweet: str) -> float:
        return 1.0

    def pace(self, sweet: str, step: str) -> Pace | None:
        return None

    def thickness(self) -> Thickness:
        return Thickness()

    def rate(self, pan_id: int, burner_id: int, flame: Flame) -> Rate:
        return Rate()
