"""The simulated pan: one second a step, from cold milk to whatever the cook makes of it.

Heat, steam and geometry are the core's own (reduction dossier §4). Foam, skin, the ring on the sides, the
film on the floor, scorching and lumps follow day dossier §5; their constants are tuned by feel, so a
rehearsal is practice, not a prediction.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ..composition.composition import Composition
from ..equipment.burners import Flame
from ..equipment.vessels import surface_m2
from ..planning.curdle.acid import coagulant, curdled_share, ph_after
from ..planning.curdle.milk import CurdMilk
from ..planning.reduce.browning import browning_rate
from ..planning.reduce.evaporation import ROLL_BELOW_BOIL_K, Balance, Fire, loss_w_k
from ..planning.reduce.stops import HOT_C
from ..planning.reduce.track import stop_water_kg
from ..properties.density import volume_m3
from ..properties.heat_capacity import heat_capacity_j_k
from ..properties.steam import SHELTER, SHELTER_LID, SHELTER_SKIN
from ..properties.water_activity import boiling_point_c, boiling_water_activity
from .hidden import Hidden

ActKind = Literal["flame", "stir", "scrape", "fold", "lid", "sugar", "milk", "acid", "pause", "resume", "stop"]
HANDS_S: dict[str, int] = {"flame": 3, "stir": 10, "scrape": 15, "fold": 12, "sugar": 20, "milk": 15, "acid": 15}
"""How long an act keeps the cook at the stove, s."""
REFRESH_S = 8
LONGEST_RUN_S = 6 * 3600
MIXED_FOR_S = 18.0
SKIN_FROM_C = 62.0
SCORCHES_FROM_C = 121.0
FADES_FROM_S, FADES_OVER_S = 2400, 1800
PROBE_LAG_S = 6.0
GRIT_TAKES = 0.02
SPLIT_BELOW = 0.4
"""Less curd than this share is grain in the milk; more and it has split."""
DRY_LEFT_KG = 1e-3
WET_ON_SIDES = 0.35
"""Of what dries on the sides, this share is water."""


@dataclass(frozen=True, slots=True)
class Act:
    """What the cook did: when (s since lighting), what, and how much (sugar, milk, acid: kg; lid: 1 on, 0 off)."""

    at_s: int
    kind: ActKind
    amount: float = 0.0
    flame: Flame | None = None


@dataclass(frozen=True, slots=True)
class Mark:
    """Where the run stood, for its curve: s, kg in the pan, °C."""

    at_s: int
    mass_kg: float
    celsius: float


class SimPan:
    """A pan of milk as it truly is. Masses kg, temperatures °C, times s since it was lit."""

    def __init__(self, hidden: Hidden) -> None:
        plan = hidden.truth
        self.hidden, self.plan, self.pan = hidden, plan, plan.pan
        start = plan.goal_parts if plan.sugar_time == "start" else plan.base_parts
        self.solids, self.water_kg = start.with_water(0.0), float(start.water)
        self.start_kg = float(start.total)
        self.sugar_in_kg = plan.sugar_kg if plan.sugar_time == "start" else 0.0
        self.celsius = self.probe_c = plan.kitchen.milk_c
        self.ph = hidden.ph
        self.at_s = 0
        self.flame: Flame | None = None
        self.lid = self.paused = self.done = False
        self.boiled_at_s: int | None = None
        self.stirred_at_s = 0
        self.busy_s = 0
        self.standing_s = 0.0
        self.foam_m = self.film = self.scorch = self.skin = self.mixed = self.lumps = 0.0
        self.skin_age_s = self.side_age_s = 0.0
        self.side_kg = self.grit_kg = self.spilt_kg = self.folded = self.dose = self.curdled = 0.0
        self.acid_kg = 0.0
        self.acts: list[Act] = []
        self.marks: list[Mark] = []
        self.steam_kg_s = 0.0
        self._refresh()

    # -- what it is ----------------------------------------------------------------------------------

    @property
    def contents(self) -> Composition:
        return self.solids.with_water(self.water_kg)

    @property
    def mass_kg(self) -> float:
        return float(self.solids.solids) + self.water_kg + self.grit_kg

    @property
    def total_solids(self) -> float:
        return 1 - self.water_kg / self.mass_kg

    @property
    def split(self) -> bool:
        return self.curdled >= SPLIT_BELOW

    @property
    def goal_kg(self) -> float:
        """What would be in the pan had it been stopped where the plan says, all its sugar in."""
        plan = self.plan
        return float(plan.goal_parts.with_water(stop_water_kg(plan)).plus(plan.late_parts).total)

    def away_s(self) -> int:
        """For how long the cook is still away, s."""
        for bell in self.hidden.bells:
            if bell.at_s <= self.at_s < bell.at_s + bell.away_s:
                return bell.at_s + bell.away_s - self.at_s
        return 0

    def caller(self) -> str:
        return next((b.who for b in self.hidden.bells if b.at_s <= self.at_s < b.at_s + b.away_s), "")

    def _thick(self) -> float:
        """Thickness against milk, as the floor and the sides feel it."""
        return math.exp(5.5 * max(0.0, self.total_solids - 0.22))

    def _refresh(self) -> None:
        """Terms that change slowly: reckoned every few seconds and after each act."""
        plan, parts = self.plan, self.contents
        self._boils_c = float(boiling_point_c(parts, plan.kitchen.pressure_pa))
        self._activity = float(boiling_water_activity(parts))
        self.depth_m = float(self.pan.shape.depth_m(float(volume_m3(parts, min(self.celsius, HOT_C)))))
        self._surface_m2 = float(surface_m2(self.pan.shape, self.depth_m))
        self._heated_m2 = max(1e-3, float(self.pan.shape.heated_m2(self.depth_m)))
        fire = Fire(
            heat_up_w=0.0,
            simmer_w=0.0,
            wall_loss=plan.burner.wall_loss_w_m2_k,
            room_c=plan.kitchen.room_c,
            pressure_pa=plan.kitchen.pressure_pa,
        )
        self._loss_w_k = float(loss_w_k(self.pan, fire, self._surface_m2, self.depth_m))
        self._capacity = float(heat_capacity_j_k(parts, min(self.celsius, 100.0))) + self.pan.heat_capacity_j_k
        protein = float(self.solids.milk_protein) / self.mass_kg / 0.033
        self._protein, self._sucrose = protein, float(self.solids.sucrose) / self.mass_kg
        self._browns_per_s = float(browning_rate(parts, self.celsius, iron=self.pan.material == "iron")) / 60

    # -- what the cook does --------------------------------------------------------------------------

    def act(self, act: Act) -> None:
        """Do it now. The caller has seen to it that the cook is there."""
        if self.done:
            return
        self.acts.append(act)
        hands = HANDS_S.get(act.kind, 0)
        self.standing_s += hands
        self.busy_s = max(self.busy_s, hands)
        match act.kind:
            case "flame":
                self.flame = act.flame
            case "stir":
                self._stir()
            case "scrape":
                self._scrape()
            case "fold":
                self.folded, self.skin, self.skin_age_s = self.folded + self.skin, 0.0, 0.0
            case "lid":
                self.lid = act.amount > 0
            case "sugar":
                self.grit_kg += act.amount
                self.sugar_in_kg += act.amount
            case "milk":
                self._pour_milk(act.amount)
            case "acid":
                self._pour_acid(act.amount)
            case "pause" | "resume":
                self.paused = act.kind == "pause"
            case "stop":
                self._enrich()
                self.flame, self.done = None, True
        self._refresh()

    def _enrich(self) -> None:
        """Powder, cream and the like that go in at the end, as planned."""
        for late in (a.parts for a in self.plan.additions if a.late):
            self.solids = self.solids.plus(late.with_water(0.0))
            self.water_kg += float(late.water)

    def _stir(self) -> None:
        self.stirred_at_s, self.mixed = self.at_s, 1.0
        if self.skin_age_s > 260:
            self.lumps += 0.03 * self.skin
        self.skin = self.skin_age_s = 0.0
        if self.film > 0.35:
            self.lumps += 0.15 * self.film
        self.film *= 0.25
        self.foam_m *= 0.35
        self._dissolve(0.6)

    def _scrape(self) -> None:
        if self.side_age_s > 600:
            self.lumps += 30 * self.side_kg
        back, self.side_kg, self.side_age_s = 0.9 * self.side_kg, 0.1 * self.side_kg, 0.0
        self._grow(back)
        self.film *= 0.5
        self.stirred_at_s = self.at_s

    def _pour_milk(self, mass_kg: float) -> None:
        added, before = self.plan.milk.parts.scaled(mass_kg), self.mass_kg
        self.solids = self.solids.plus(added.with_water(0.0))
        self.water_kg += float(added.water)
        self.celsius = (self.celsius * before + self.plan.kitchen.milk_c * mass_kg) / (before + mass_kg)

    def _pour_acid(self, mass_kg: float) -> None:
        """A household sour: lemon juice of ordinary strength, kg (as litres)."""
        parts, juice = self.contents, coagulant("lemon")
        milk = CurdMilk(parts.per_kg())
        self.acid_kg += mass_kg
        reached = ph_after(juice, self.acid_kg, float(volume_m3(parts, 20.0)), milk) - (6.7 - self.hidden.ph)
        self.ph = min(self.ph, reached)
        self.curdled = max(self.curdled, curdled_share(self.ph, self.celsius))
        self.water_kg += 0.92 * mass_kg

    def set_water(self, water_kg: float) -> None:
        """Begin from this much water: where a batch that is under way stands."""
        self.water_kg = max(DRY_LEFT_KG, water_kg)
        self._refresh()

    # -- what happens by itself ----------------------------------------------------------------------

    def run_to(self, at_s: int, acts: Sequence[Act] = ()) -> None:
        """As far as ``at_s``, doing what of ``acts`` (in order of time) was not yet done."""
        todo = list(acts[len(self.acts) :])
        while not self.done:
            while todo and todo[0].at_s <= self.at_s and not self.done:
                self.act(todo.pop(0))
            if self.at_s >= at_s or self.done:
                return
            self.step()

    def goes_on_with(self, acts: Sequence[Act], at_s: int) -> bool:
        """Whether this pan is on the way there: the same acts so far, and none since that came before now."""
        done = len(self.acts)
        return self.acts == list(acts[:done]) and at_s >= self.at_s and all(a.at_s >= self.at_s for a in acts[done:])

    def step(self) -> None:
        """One second."""
        self.at_s += 1
        if self.at_s % REFRESH_S == 0:
            self._refresh()
        if self.at_s % 30 == 0:
            self.marks.append(Mark(self.at_s, self.mass_kg, self.celsius))
        self.busy_s = max(0, self.busy_s - 1)
        self.mixed *= math.exp(-1 / MIXED_FOR_S)
        power = self._power_w()
        steam = self._heat(power)
        self._rise(power)
        self._settle(power, steam)
        self.probe_c += (self.celsius - self.probe_c) / PROBE_LAG_S

    def _power_w(self) -> float:
        if self.flame is None or self.paused:
            return 0.0
        share = min(1.0, max(0.0, (self.at_s - FADES_FROM_S) / FADES_OVER_S))
        gas = 1 - (1 - self.hidden.fades_to) * share
        speed = self.hidden.power if self.boiled_at_s is not None else 1.0
        return gas * speed * self.plan.burner.net_power_w(self.flame, self.pan.shape.base_diameter_m)

    def _heat(self, power_w: float) -> float:
        kitchen = self.plan.kitchen
        covered = self.lid or (self.plan.lid and self.boiled_at_s is None)
        shelter = SHELTER_LID if covered else SHELTER_SKIN if self.skin > 1.5 else SHELTER
        balance = Balance(
            power_w=power_w,
            surface_m2=self._surface_m2,
            loss_w_k=self._loss_w_k,
            activity=self._activity,
            boils_c=self._boils_c,
            room_c=kitchen.room_c,
            pressure_pa=kitchen.pressure_pa,
            shelter=shelter,
        )
        steam, warming = balance.steam(self.celsius)
        steam = min(steam, max(0.0, self.water_kg - DRY_LEFT_KG))
        self.celsius = min(self._boils_c, self.celsius + warming / self._capacity)
        self.water_kg -= steam
        self.steam_kg_s = steam
        if self.boiled_at_s is None and self.celsius >= self._boils_c - ROLL_BELOW_BOIL_K:
            self.boiled_at_s = self.at_s
        return steam

    def _rise(self, power_w: float) -> None:
        """Foam: it climbs at the first boil, and over the rim when nobody turns the flame down."""
        near = max(0.0, 1 - (self._boils_c - self.celsius) / ROLL_BELOW_BOIL_K)
        young = self.boiled_at_s is None or self.at_s - self.boiled_at_s < 240
        lift = near * power_w / 1400 * math.sqrt(self._protein) * (0.0035 if young else 0.0016)
        sink = (0.0009 + 0.02 * self.mixed + 0.016 * self.foam_m) if self.foam_m > 0 else 0.0
        self.foam_m = max(0.0, self.foam_m + lift * (2.2 if self.lid else 1.0) - sink)
        over = self.depth_m + self.foam_m - self.pan.shape.height_m
        if over > 0:
            lost = min(0.004, 0.05 * over / self.depth_m)
            self.spilt_kg += lost * self.mass_kg
            self.solids, self.water_kg = self.solids.scaled(1 - lost), self.water_kg * (1 - lost)
            self.grit_kg *= 1 - lost
            self.foam_m *= 0.97

    def _settle(self, power_w: float, steam: float) -> None:
        """Sugar dissolves, the sides dry, a skin grows, the floor takes a film and may scorch; it browns."""
        self._dissolve((0.02 + 0.05 * self.mixed) * max(0.0, self.celsius) / 90)
        thick, ts = self._thick(), self.total_solids
        dried = 0.054 * steam * (1 + 0.05 * thick) * ts
        dried = min(dried, max(0.0, self.water_kg - DRY_LEFT_KG) / WET_ON_SIDES)
        self.side_kg += dried
        self._grow(-dried)
        self.side_age_s += 1 if self.side_kg > 5e-4 else 0
        boiling = min(1.0, steam * 1e3)
        still = max(0.0, 1 - min(1.0, self.mixed * 1.5 + 0.9 * boiling))
        if self.celsius > SKIN_FROM_C:
            fat = float(self.solids.fat) / self.mass_kg
            self.skin += 0.010 * still * (1 + 20 * fat) * self.celsius / 90
            self.skin_age_s += 1 if self.skin > 0.3 else 0
        flux = power_w / self._heated_m2 / 1000
        row, calm = self.pan.made_of, 1 - 0.9 * min(1.0, self.mixed)
        grows = 6e-5 * flux * self._protein * thick * (1 + 2.5 * self._sucrose) * calm * row.stick
        self.film = min(3.0, self.film + grows / (1 + self.film))
        wall = self.celsius + row.hot_spot / 1.25 * flux * 0.28 + flux * self.film * 6.0 * thick**0.15
        beyond = max(0.0, min(60.0, wall - SCORCHES_FROM_C)) * self.film
        self.scorch += beyond * 6e-5 * (1 - 0.7 * min(1.0, self.mixed))
        self.dose += self._browns_per_s * (1 + 0.5 * min(60.0, beyond))

    def _dissolve(self, share: float) -> None:
        if self.grit_kg <= 0:
            return
        gone = self.grit_kg * min(1.0, share) if self.grit_kg > 1e-5 else self.grit_kg
        self.grit_kg -= gone
        kind = self.plan.sugar_kind.parts.scaled(gone)
        self.solids = self.solids.plus(kind.with_water(0.0))
        self.water_kg += float(kind.water)

    def _grow(self, mass_kg: float) -> None:
        """Add or take milk solids in the proportion that is there, with half their weight of water."""
        solids = float(self.solids.solids)
        if solids > 0:
            self.solids = self.solids.scaled(1 + (1 - WET_ON_SIDES) * mass_kg / solids)
            self.water_kg += WET_ON_SIDES * mass_kg
