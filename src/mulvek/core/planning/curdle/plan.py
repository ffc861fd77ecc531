"""A curdling as it is planned."""

import math
from dataclasses import dataclass

from ...composition.materials import Material
from ...equipment.burners import Burner
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...errors import BadInput, Impossible
from ...properties.density import density_kg_m3
from ..reduce.plan import Amount
from .acid import coagulant
from .balance import Draining
from .pieces import use

LONGEST_WAIT_S = 1200.0


@dataclass(frozen=True, slots=True, kw_only=True)
class CurdlePlan:
    """One curdling, ready to be reckoned.

    ``wait_s`` between the boil and the acid; ``strength`` None for the coagulant's usual; ``dilute_to`` the
    strength (same unit) it is thinned to; ``rinse_kg`` all rinse water.
    """

    milk: Material
    amount: Amount
    pan: Pan
    burner: Burner
    wait_s: float
    coagulant: str
    draining: Draining
    use: str
    kitchen: Kitchen
    strength: float | None = None
    dilute_to: float = 2.5
    rinse_kg: float = 0.0
    rinses: int = 0
    rinse_c: float = 20.0
    piece_kg: float | None = None
    binder: float = 0.0
    boil_s: float = 120.0
    batches: int = 0
    ln_yield: float = 0.0
    cools: float = 1.0
    """How much faster than the model this pan cools in this kitchen, from a thermometer read once."""
    hold_s: float = 30.0
    """On the heat once it has curdled: what firms paneer."""
    syrup: tuple[float, float] | None = None
    """°Brix, and kg to a kg of raw pieces; plans of former releases do not hold it."""

    def __post_init__(self) -> None:
        what = coagulant(self.coagulant)
        use(self.use)
        self.draining.water_per_dry()
        for field, value, low, high, unit in (
            ("wait", self.wait_s, 0.0, LONGEST_WAIT_S, "s"),
            ("dilute_to", self.dilute_to, 0.5, 8.0, "%"),
            ("rinse", self.rinse_kg, 0.0, 20.0, "kg"),
            ("rinses", float(self.rinses), 0.0, 5.0, "times"),
            ("rinse_c", self.rinse_c, 0.0, 40.0, "°C"),
            ("hold", self.hold_s, 0.0, 600.0, "s"),
            ("piece", self.piece_kg if self.piece_kg is not None else 0.01, 0.003, 0.2, "kg"),
            ("binder", self.binder, 0.0, 0.3, "of it"),
            ("read_c", self.cools, 0.2, 5.0, "times the model's cooling"),
        ):
            if not (math.isfinite(value) and low <= value <= high):
                raise BadInput(field, "curd-number-out-of-reach", value=value, unit=unit, low=low, high=high)
        if self.strength is not None and not 0.2 * what.strength[0] <= self.strength <= 3 * what.strength[2]:
            raise BadInput("strength", "acid-not-so-strong", what=what.name, strength=what.strength[1])
        if not 0.1 <= self.milk_kg <= 100:
            raise Impossible("amount", "curd-amount-out-of-reach", amount=self.amount.quantity.understood)

    @property
    def milk_kg(self) -> float:
        return self.amount.mass_kg(self._density)

    @property
    def milk_m3(self) -> float:
        return self.milk_kg / self._density

    @property
    def _density(self) -> float:
        return float(density_kg_m3(self.milk.parts, self.kitchen.milk_c))
