"""Grated carrot dried twice: its own juice first, then the milk; sugar that loosens it again; ghee at the end.

The pan is the pan of milk's own (heat, steam, sticking, scorching); how long vegetable takes to soften, and that sugar stops
it, is public cookery (pectin holds where sugar binds the water), tuned by feel.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import ClassVar

from ...composition.composition import Composition
from ...composition.materials import Material, material
from ...equipment.burners import Burner, Flame
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...equipment.quantities import Measures
from ...messages.figures import say
from ...planning.reduce.plan import Amount, ReducePlan
from ...planning.reduce.stops import read_stop
from ..acting import Act, Edit, Hand
from ..hidden import hide
from ..judging import level_word, points, ramp
from ..luck import Luck
from ..world import Sign, Told
from .pan import FLAME, SCRAPE, STIR, STOP, SimPan

SOFT_S = 15 * 60.0
SOFTENS_FROM_C, SUGAR_SLOWS = 85.0, 0.08
JUICE_LEFT = 0.45
"""Of its own water, so much is left when the first drying is done."""
EDITS = (
    Edit(act="milk", how="later", by=300, says="The milk five minutes later"),
    Edit(act="milk", how="later", by=900, says="The milk a quarter of an hour later"),
    Edit(act="sugar", how="later", by=300, says="The sugar five minutes later"),
    Edit(act="stop", how="later", by=240, says="Dried four minutes longer"),
    Edit(act="stop", how="sooner", by=180, says="Three minutes less"),
    Edit(act="flame", how="flame", says="A weaker flame all along"),
)


@dataclass(frozen=True, kw_only=True)
class HalwaPlan:
    """kg of everything; ``solids``: share it is dried to."""

    vegetable: str = "carrot"
    vegetable_kg: float = 1.0
    milk: str = "full-cream"
    milk_kg: float = 1.0
    sugar_kg: float = 0.15
    ghee_kg: float = 0.06
    solids: float = 0.50
    flame: Flame = "medium"
    pan: Pan
    burner: Burner
    kitchen: Kitchen = field(default_factory=Kitchen)


class Halwa(SimPan):
    kind = "halwa"
    WEIGHTS: ClassVar = {"first": 0.15, "soft": 0.2, "target": 0.3, "scorch": 0.25, "standing": 0.1}
    NAMES: ClassVar = {
        **SimPan.NAMES,
        "first": "the first drying",
        "soft": "softness",
        "target": "the second drying",
    }

    def __init__(self, plan: HalwaPlan, luck: Luck) -> None:
        grated: Material = replace(material(plan.vegetable), group="milk", flags=())
        reduce = ReducePlan(
            milk=grated,
            amount=Amount.read(f"{plan.vegetable_kg} kg", "amount", "kg", Measures()),
            pan=plan.pan,
            burner=plan.burner,
            flame=plan.flame,
            stop=read_stop("two thirds of its volume"),
            sugar=None,
            sugar_time="end",
            kitchen=plan.kitchen,
        )
        self.halwa = plan
        super().__init__(hide(reduce, luck.level, luck.seed))
        self.juice_kg = self.water_kg
        self.milk_in_kg = self.ghee_in_kg = self.softened = 0.0
        self.juice_left: float | None = None

    @property
    def stage(self) -> str:
        if self.done:
            return "done"
        if self.milk_in_kg:
            return "second" if self.sugar_in_kg else "milk"
        return "first" if self.flame else "cold"

    @property
    def dry_kg(self) -> float:
        """All its solids, once all is in."""
        plan = self.halwa
        milk = material(plan.milk).parts.scaled(plan.milk_kg)
        start = self.plan.milk.parts.scaled(plan.vegetable_kg)
        return float(start.solids + milk.solids) + plan.sugar_kg + plan.ghee_kg

    @property
    def goal_kg(self) -> float:
        return self.dry_kg / self.halwa.solids

    def hands(self) -> Sequence[Hand]:
        plan, found = self.halwa, [FLAME, STIR, SCRAPE]
        if not self.milk_in_kg:
            found.append(
                Hand(key="milk", says="The milk in", busy_s=15, unit="kg", usual=plan.milk_kg, most=plan.milk_kg)
            )
        if not self.sugar_in_kg:
            found.append(
                Hand(key="sugar", says="The sugar in", busy_s=15, unit="kg", usual=plan.sugar_kg, most=plan.sugar_kg)
            )
        if not self.ghee_in_kg:
            found.append(
                Hand(key="ghee", says="The ghee in", busy_s=15, unit="kg", usual=plan.ghee_kg, most=plan.ghee_kg)
            )
        return (*found, STOP)

    def hand(self, act: Act) -> Hand | None:
        return next((hand for hand in self.hands() if hand.key == act.kind), None)

    def _do(self, act: Act) -> None:
        plan = self.halwa
        match act.kind:
            case "milk":
                self.juice_left = self.water_kg / self.juice_kg
                mass = act.amount or plan.milk_kg
                self.milk_in_kg += mass
                self._pour(material(plan.milk).parts.scaled(mass), plan.kitchen.milk_c)
            case "sugar":
                super()._do(replace(act, amount=act.amount or plan.sugar_kg))
            case "ghee":
                mass = act.amount or plan.ghee_kg
                self.ghee_in_kg += mass
                self._pour(material("ghee").parts.scaled(mass), 60.0)
                self.film *= 0.6
            case _:
                super()._do(act)
        self._refresh()

    def _pour(self, added: Composition, its_c: float) -> None:
        before, mass = self.mass_kg, float(added.total)
        self.solids = self.solids.plus(added.with_water(0.0))
        self.water_kg += float(added.water)
        self.celsius = (self.celsius * before + its_c * mass) / (before + mass)

    def _pass(self) -> None:
        super()._pass()
        self.foam_m = min(self.foam_m, 0.01)
        if self.celsius > SOFTENS_FROM_C and self.water_kg > 0.2 * self.mass_kg:
            self.softened += (SUGAR_SLOWS if self.sugar_in_kg else 1.0) / SOFT_S

    def signs(self) -> Sequence[Sign]:
        found = [s for s in super().signs() if s.key in ("burnt", "toast", "drags", "grit")]
        wet = self.water_kg / self.mass_kg
        if not self.milk_in_kg:
            left = self.water_kg / self.juice_kg
            words = ((0.85, "Juice gathers in the pan."), (JUICE_LEFT + 0.06, "It hisses; less juice runs."))
            dry = "Hardly any juice runs from the heap."
            found.append(
                Sign("juice", level_word(left, (*words, (0.0, dry))), ("milk",) if left < JUICE_LEFT + 0.06 else ())
            )
        else:
            words = (
                (0.75, "Milk bubbles up between the shreds."),
                (0.62, "It mounds; milk shows when it is parted."),
            )
            more = (
                (self._wet_goal + 0.03, "It is wet, and closes behind the spoon."),
                (self._wet_goal - 0.02, "It leaves the pan in one mass."),
            )
            found.append(Sign("wet", level_word(wet, (*words, *more, (0.0, "It is dry and catches.")))))
        soft = ((1.0, "A shred crushes between the fingers."), (0.5, "A shred bends."), (0.0, "A shred snaps."))
        found.append(Sign("soft", level_word(self.softened, soft)))
        return found

    @property
    def _wet_goal(self) -> float:
        return 1 - self.halwa.solids

    @property
    def still(self) -> bool:
        return False

    def view(self) -> dict[str, float]:
        return {**super().view(), "shreds": 1.0, "milk": float(self.milk_in_kg > 0)}

    @property
    def outcome(self) -> str:
        return f"{say(self.mass_kg, 'mass')}, {'soft' if self.softened > 0.95 else 'with bite'}"

    def told(self) -> dict[str, Told]:
        told = super().told()
        left = self.juice_left if self.juice_left is not None else 1.0
        missing = 45.0 * (not self.milk_in_kg) + 30.0 * (not self.sugar_in_kg) + 15.0 * (not self.ghee_in_kg)
        off = abs(self.off_target)
        wet = "watery" if self.off_target > 0.05 else "dry" if self.off_target < -0.05 else "as it should be"
        return {
            **told,
            "first": Told(
                points(230 * max(0.0, left - JUICE_LEFT - 0.05)),
                f"{left * 100:.0f} % of its juice left when the milk went in",
            ),
            "soft": Told(
                100 * ramp(self.softened, 0.35, 0.97), "soft" if self.softened > 0.95 else "the shreds stayed hard"
            ),
            "target": Told(points(420 * max(0.0, off - 0.025) + missing), f"{say(self.mass_kg, 'mass')}, {wet}"),
        }

    def edited(self) -> list[tuple[str, list[Act]]]:
        return self.edited_by(EDITS)
