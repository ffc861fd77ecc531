"""A pan of milk that is curdled: heat lost while it waits, acid a spoon at a time, whey that clears, rinsing, hanging, kneading.

The milk cools, takes acid and parts by the core's own reckoning (curd dossier §1-§5), so a careful hand on plain milk gets
what the Bench told. What time does to curd left in its whey, and how it gathers as it is stirred, is day dossier §5.
"""

from collections.abc import Sequence
from copy import copy
from dataclasses import dataclass, replace
from functools import cached_property
from typing import ClassVar, Self

from ...equipment.burners import Flame
from ...messages.figures import say
from ...planning.curdle.acid import coagulant, curdled_share, ph_after
from ...planning.curdle.balance import Balance, Draining, split
from ...planning.curdle.cooling import mixed_c, standing
from ...planning.curdle.forecast import curdle
from ...planning.curdle.milk import curd_milk
from ...planning.curdle.pieces import knead_s, texture_index, use
from ...planning.curdle.plan import CurdlePlan
from ..acting import Act, Edit, Hand
from ..hidden import true_burner, true_kitchen, true_milk
from ..judging import ramp
from ..luck import Luck
from ..world import Sign, Told, World
from .curd_told import signs_of, told_of, truths_of
from .pot import Pot, drawn, pan_drawn

CLEAR, ENOUGH = 0.95, 0.97
TOO_COOL_C = (50.0, 66.0)
"""Below the first nothing gathers in grains, from the second on all of it does (day dossier §5: 62 to 74)."""
JUST_STRAINED_S = 120
"""Until then its firmness is judged as if it had hung."""
POURS = 10
"""The acid goes in about so many pours."""
ACID_C = 40.0
SCALDS_BELOW_K = 4.0
"""So near the boil its whey protein still joins the casein."""
GATHERS_S = {True: 14.0, False: 35.0}
"""How soon the curd follows the acid, stirred and not."""
MIXED_FOR_S = 25
CLIMBS_W, CLIMBS_S = 1400.0, 15.0
SPILLS = 0.002
"""Of the milk, a second, once it stands over the rim."""
LEFT_FROM_MIN, LEFT_TO_MIN, LEFT_POINTS = 3.0, 12.0, 18.0
"""Curd that lies in its hot whey firms so much, in points of texture."""
SQUEEZED_TO = (1.45, 1.36, 1.27)
"""kg of water to a kg of dry matter after the first, second and third squeeze."""


@dataclass(frozen=True, slots=True)
class Held(Draining):
    """Drained to this much water, kg per kg of dry matter."""

    water: float = 1.6

    def water_per_dry(self) -> float:
        return self.water


class Curd(World):
    kind = "curd"
    FOLLOWS = ("temperature", "°C")
    LONGEST_S = 4 * 3600
    WEIGHTS: ClassVar = {
        "acid": 0.22,
        "heat": 0.2,
        "texture": 0.16,
        "moisture": 0.2,
        "sour": 0.1,
        "saved": 0.07,
        "standing": 0.05,
    }
    NAMES: ClassVar = {
        "acid": "the acid",
        "heat": "the wait",
        "texture": "texture",
        "moisture": "moisture",
        "sour": "taste",
        "saved": "curd saved",
        "kneaded": "kneading",
        "standing": "standing",
    }
    EDITS = (
        Edit(act="acid", how="later", by=120, says="The acid two minutes later"),
        Edit(act="acid", how="sooner", by=120, says="The acid two minutes sooner"),
        Edit(act="acid", how="later", by=360, says="The acid six minutes later"),
        Edit(act="acid", how="less", says="One pour less"),
        Edit(act="acid", how="halved", by=15, says="Pours of half the size"),
        Edit(act="acid", how="more", by=20, says="One pour more"),
        Edit(act="strain", how="sooner", by=180, says="Strained three minutes sooner"),
        Edit(act="rinse", how="less", says="One rinse less"),
        Edit(act="rinse", how="more", by=30, says="One rinse more"),
        Edit(act="squeeze", how="less", says="One squeeze less"),
        Edit(act="squeeze", how="more", by=20, says="One squeeze more"),
        Edit(act="stop", how="later", by=600, says="Hung ten minutes longer"),
        Edit(act="stop", how="sooner", by=600, says="Hung ten minutes less"),
        Edit(act="stop", how="later", by=1800, says="Hung half an hour longer"),
        Edit(act="strain", how="sooner", by=600, says="Strained ten minutes sooner"),
        Edit(act="squeeze", how="none", says="Not squeezed at all"),
        Edit(act="knead", how="more", by=60, says="A minute more of kneading"),
    )

    def __init__(self, plan: CurdlePlan, luck: Luck) -> None:
        super().__init__(luck, plan.pan.name)
        told = curdle(plan)
        self.told_plan, self.told_kg = plan, told.curd_kg.likely
        self.plan = truth = replace(
            plan,
            kitchen=true_kitchen(plan.kitchen, luck),
            milk=true_milk(plan.milk, luck),
            burner=true_burner(plan.burner, luck),
        )
        cools = plan.cools * luck.times("cools", 0.15)
        kitchen = truth.kitchen
        self.milk, self.milk_kg = curd_milk(truth.milk), truth.milk_kg
        self.rests, _ = standing(truth.milk_m3, plan.pan, kitchen.altitude_m, kitchen.room_c, cools=cools)
        self.needs, self.drains = luck.times("acid", 0.08), luck.times("cloth", 0.15)
        self.what, self.meant = coagulant(plan.coagulant), use(plan.use)
        self.ready_l, self.strong = told.acid.mixture_kg, told.acid.ready / told.acid.mixture_kg
        milk = truth.milk.parts.scaled(self.milk_kg)
        self.pot = Pot(plan.pan, truth.burner, kitchen, milk, kitchen.milk_c)
        self.probe_c = kitchen.milk_c
        self.boiled_at_s: int | None = None
        self.clear_at_s: int | None = None
        self.strained_at_s: int | None = None
        self.stirred_at_s = 0
        self.boil_s = self.hold_s = self.climb = self.spilt_kg = 0.0
        self.mixture_l = self.heat_l = self.gathered = self.left_points = 0.0
        self.ph = self.milk_ph = 6.7
        self.rinses = self.squeezes = 0
        self.water_per_dry = 0.0
        self.kneaded_s = 0.0

    # -- what it is ----------------------------------------------------------------------------------

    @property
    def celsius(self) -> float:
        return self.pot.celsius

    @property
    def flame(self) -> Flame | None:
        return self.pot.flame

    @property
    def stage(self) -> str:
        if self.done:
            return "done"
        if self.strained_at_s is not None:
            return "cloth"
        if self.clear_at_s is not None:
            return "curdled"
        if self.mixture_l:
            return "curdling"
        if self.boiled_at_s is not None:
            return "waiting" if self.flame is None else "boiling"
        return "warming" if self.flame else "cold"

    @property
    def acid_c(self) -> float:
        """Of the milk as the acid met it."""
        return self.heat_l / self.mixture_l if self.mixture_l else self.celsius

    def _balance(self) -> Balance:
        key = (self.ph, self.acid_c, round(self.water_per_dry, 4), self.rinses, self.milk_kg, round(self.boil_s))
        if self._parted is None or self._parted[0] != key:
            pure = self.strong * self.mixture_l
            strength = self.what.strength[1] if self.plan.strength is None else self.plan.strength
            acid, brought = self.what.acid_share(strength) * pure, self.what.holds.scaled(pure)
            parted = split(
                self.milk,
                self.milk_kg,
                celsius=min(97.0, max(60.0, self.acid_c)),
                ph=min(5.9, max(4.8, self.ph)),
                drain=Held("hang", water=self.water_per_dry or 2.9),
                boil_s=self.boil_s,
                acid_water_kg=max(0.0, self.mixture_l - acid - brought.total),
                acid_kg=acid,
                brought=brought,
                rinse_kg=self._rinse_kg * self.rinses,
                rinses=max(1, self.rinses),
            )
            self._parted = key, parted
        return self._parted[1]

    _parted: tuple[object, Balance] | None = None

    @cached_property
    def _thinned(self) -> str:
        return ", thinned" if self.strong < 0.9 else ""

    @cached_property
    def _rinse_kg(self) -> float:
        plan = self.plan
        return (
            plan.rinse_kg / plan.rinses
            if plan.rinses and plan.rinse_kg
            else 0.5 * plan.milk_kg / max(1, self.meant.rinses)
        )

    @property
    def balance(self) -> Balance:
        """Where all of the milk is."""
        return self._balance()

    @property
    def moisture(self) -> float:
        curd = self.balance.curd
        return float(curd.water / curd.total)

    @property
    def texture(self) -> float:
        drained = self.strained_at_s is not None and self.at_s - self.strained_at_s > JUST_STRAINED_S
        moisture = self.moisture if drained else sum(self.meant.moisture) / 2
        index = texture_index(self.acid_c, self.ph, self.hold_s / 60, moisture, self.rinses, self.milk.texture)
        return min(100.0, index + self.left_points)

    @property
    def yield_kg(self) -> float:
        return float(self.balance.curd.total) if self.mixture_l else 0.0

    @property
    def smooth(self) -> float:
        """Share of the kneading that it needs."""
        curd = self.balance.curd
        wants = knead_s(float(curd.fat / curd.solids), self.moisture, float(curd.total), self.milk.process != "none")
        return self.kneaded_s / wants

    # -- what the cook does --------------------------------------------------------------------------

    def hands(self) -> Sequence[Hand]:
        if self.strained_at_s is not None:
            return (
                Hand(key="rinse", says="Rinse it with cool water", busy_s=25),
                Hand(key="squeeze", says="Squeeze the cloth", busy_s=20),
                Hand(key="knead", says="Knead a minute", busy_s=60),
                Hand(key="stop", says="Take it down", busy_s=10, ends=True),
            )
        found = [Hand(key="flame", says="Flame", busy_s=3, flames=True)]
        if self.flame:
            found.append(Hand(key="off", says="Flame off", busy_s=2))
        found.append(Hand(key="stir", says="Stir", busy_s=8))
        if self.boiled_at_s is not None:
            pour = self.ready_l / POURS
            found.append(
                Hand(
                    key="acid",
                    says=f"Pour {self.what.name}{self._thinned}",
                    busy_s=6,
                    unit="l",
                    usual=pour,
                    most=2 * self.ready_l,
                )
            )
        if self.mixture_l:
            found.append(Hand(key="strain", says="Pour it into the cloth", busy_s=40))
        return found

    def _do(self, act: Act) -> None:
        match act.kind:
            case "flame":
                self.pot.flame = act.flame
            case "off":
                self.pot.flame = None
            case "stir":
                self.stirred_at_s, self.climb = self.at_s, self.climb * 0.3
            case "acid":
                self._pour(act.amount or self.ready_l / POURS)
            case "strain":
                self.strained_at_s, self.pot.flame = self.at_s, None
                self.water_per_dry = self._hung(0.0)
            case "rinse":
                self.rinses += 1
            case "squeeze":
                self.squeezes += 1
                self.water_per_dry = min(self.water_per_dry, SQUEEZED_TO[min(self.squeezes, 3) - 1])
            case "knead":
                self.kneaded_s += 60.0

    def _pour(self, litres: float) -> None:
        self.heat_l += litres * self.celsius
        self.mixture_l += litres
        self.pot.celsius = mixed_c(self.milk_kg, self.celsius, litres, ACID_C)
        dose = self.strong * self.mixture_l / self.needs
        self.ph = min(self.ph, ph_after(self.what, dose, self.plan.milk_m3, self.milk, self.plan.strength))
        self.stirred_at_s = self.at_s

    # -- what happens by itself ----------------------------------------------------------------------

    def _pass(self) -> None:
        if self.flame is None and self.boiled_at_s is None:
            return
        if self.strained_at_s is not None:
            self.water_per_dry = min(self.water_per_dry, self._hung(self.at_s - self.strained_at_s))
            return
        power = self.pot.power_w(self.luck.gas(self.at_s))
        if power:
            self.pot.warm(power)
        else:
            self.pot.celsius -= self.rests.loss_w(min(self.celsius, self.pot.boils_c - 0.05)) / self.rests.heat_j_k
        self.probe_c += (self.celsius - self.probe_c) / 6.0
        if self.boiled_at_s is not None and self.celsius > self.pot.boils_c - SCALDS_BELOW_K and not self.mixture_l:
            self.boil_s += 1
        if self.pot.rolls and power and not self.mixture_l:
            self.boiled_at_s = self.at_s if self.boiled_at_s is None else self.boiled_at_s
            self._climb(power)
        elif self.climb:
            self.climb = max(0.0, self.climb - 0.05)
        if self.mixture_l:
            self._gather()

    def _climb(self, power_w: float) -> None:
        self.climb += power_w / CLIMBS_W / CLIMBS_S - 0.02
        self.climb = max(0.0, self.climb)
        if self.climb > 1:
            self.climb = 1.0
            lost = SPILLS * self.milk_kg
            self.spilt_kg, self.milk_kg = self.spilt_kg + lost, self.milk_kg - lost

    @property
    def clears(self) -> float:
        """Share of the casein that gathers, given time: by its pH, and little of it where the milk has grown too cool."""
        return curdled_share(self.ph, self.acid_c) * ramp(self.acid_c, *TOO_COOL_C)

    def _gather(self) -> None:
        stirred = self.at_s - self.stirred_at_s < MIXED_FOR_S
        to = self.clears
        self.gathered += (to - self.gathered) / GATHERS_S[stirred]
        if self.gathered < CLEAR:
            return
        if self.clear_at_s is None:
            self.clear_at_s = self.at_s
        if self.flame:
            self.hold_s += 1
        left = (self.at_s - self.clear_at_s - self.plan.hold_s) / 60
        self.left_points = LEFT_POINTS * ramp(left, LEFT_FROM_MIN, LEFT_TO_MIN)

    def _hung(self, seconds: float) -> float:
        return Draining("hang", seconds * self.drains).water_per_dry() if seconds < 86400 else self.water_per_dry

    # -- what it tells -------------------------------------------------------------------------------

    def true(self, channel: str) -> float | None:
        match channel:
            case "probe":
                return self.probe_c if self.strained_at_s is None else self.plan.kitchen.room_c
            case "scale":
                return self.yield_kg if self.strained_at_s is not None else None
            case "ph":
                return self.ph
        return None

    @property
    def followed(self) -> float:
        return self.celsius

    def view(self) -> dict[str, float]:
        return {
            **pan_drawn(self.plan.pan),
            "depth_m": float(self.plan.pan.shape.depth_m(self.milk_kg / 1020.0)),
            "foam_m": 0.04 * self.climb,
            "flame": drawn(self.flame),
            "curd": self.gathered,
            "cloth": float(self.strained_at_s is not None),
            "wet": ramp(self.water_per_dry, 1.2, 2.9),
        }

    @property
    def outcome(self) -> str:
        if self.strained_at_s is None:
            return "milk, not yet curd" if not self.mixture_l else "curd in its whey"
        return f"{say(self.yield_kg, 'mass')} of chhena, {self.moisture * 100:.0f} % moist"

    def edited(self) -> list[tuple[str, list[Act]]]:
        found = super().edited()
        enough, dose = [], 0.0
        for act in self.acts:
            if act.kind == "acid":
                if self._curdles(dose):
                    continue
                dose += act.amount
            enough.append(act)
        if enough != self.acts:
            found.append(("No pour more than it took to run clear", enough))
        return found

    def _curdles(self, mixture_l: float) -> bool:
        """Whether so much of the thinned acid clears the whey, given time."""
        dose = self.strong * mixture_l / self.needs
        ph = ph_after(self.what, dose, self.plan.milk_m3, self.milk, self.plan.strength)
        return curdled_share(ph, self.acid_c) > ENOUGH

    def copy(self) -> Self:
        other = super().copy()
        other.pot = copy(self.pot)
        return other

    def signs(self) -> Sequence[Sign]:
        return signs_of(self)

    def told(self) -> dict[str, Told]:
        return told_of(self)

    def truths(self) -> list[str]:
        return truths_of(self)

    @property
    def wants_c(self) -> float:
        """How warm the milk should be when the acid goes in."""
        return self.meant.acid_c

    def at_most(self, points: float) -> float:
        return min(points, 80.0) if self.spilt_kg > 0.001 else points
