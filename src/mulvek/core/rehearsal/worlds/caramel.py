"""Dry sugar on the flame: it melts, colours and goes on colouring; butter, milk in pours, and smooth again.

The sugar's heat is the core's own (``planning.caramel.melting``); crystals, hot edges and lumps are day dossier §5's kind:
tuned by feel.
"""

from collections.abc import Sequence
from typing import ClassVar

import numpy as np

from ...equipment.burners import Flame
from ...messages.figures import say
from ...planning.caramel.forecast import caramelise
from ...planning.caramel.melting import SYRUP_J_KG_K, Melting, melting
from ...planning.caramel.plan import WARM_MILK_C, CaramelPlan
from ...planning.caramel.shades import BURNT_C, CARRY_OVER_K, FROM_C, SEEN, middle_c, shade_at
from ..acting import Act, Edit, Hand
from ..hidden import true_burner, true_kitchen
from ..judging import level_word, off_by, points, ramp
from ..luck import Luck
from ..world import Sign, Told, World
from .pot import drawn, pan_drawn

MELTING_C = (145.0, 166.0)
EDGE_K_S, EDGE_MOST_K = 0.10, 16.0
"""The edge runs hotter than the middle while nobody swirls: K a second by a gentle flame's power, and at most."""
SPOON_SEEDS = 0.12
"""Stirred with a spoon while it melts, so much of it goes back to crystals."""
POUR_TO_SUGAR = 0.62
"""More milk at once, a kg of sugar, sets it hard and spits."""
POUR_RESTS_S = 25
MILK_J_KG_K, BUTTER_J_KG_K, LATENT_J_KG = 3900.0, 2100.0, 2.257e6
MELTS_LUMPS_S = 160.0
CARRIES_S = 25.0
SLOWEST_S = 3600
OPENED_C = 104.0


class Caramel(World):
    kind = "caramel"
    FOLLOWS = ("the sugar", "°C")
    MARK_EVERY_S = 5
    LONGEST_S = SLOWEST_S
    WEIGHTS: ClassVar = {"shade": 0.45, "even": 0.1, "crystals": 0.2, "pour": 0.15, "lumps": 0.1}
    NAMES: ClassVar = {
        "shade": "the shade",
        "even": "evenness",
        "crystals": "crystals",
        "pour": "pouring",
        "lumps": "smoothness",
        "standing": "standing",
    }
    EDITS = (
        Edit(act="off", how="sooner", by=20, says="Off the flame twenty seconds sooner"),
        Edit(act="off", how="later", by=15, says="Off the flame fifteen seconds later"),
        Edit(act="stir", how="instead", to="swirl", says="Swirled, not stirred"),
        Edit(act="milk", how="halved", by=30, says="Each pour in two, half a minute apart"),
        Edit(act="swirl", how="more", by=30, says="One swirl more"),
        Edit(act="flame", how="flame", says="A weaker flame"),
        Edit(act="stop", how="later", by=60, says="A minute longer until it is smooth"),
    )

    def __init__(self, plan: CaramelPlan, luck: Luck) -> None:
        super().__init__(luck, plan.hearth.pan.name)
        self.plan, self.forecast = plan, caramelise(plan)
        kitchen, hearth = true_kitchen(plan.kitchen, luck), plan.hearth
        burner = true_burner(hearth.burner, luck)
        self.heat = burner.strength / hearth.burner.strength
        self._heats: dict[Flame, Melting] = {}
        for flame in ("gentle", "medium", "strong"):
            self._heats[flame] = melting(plan.sugar_kg, hearth.pan, burner, flame, kitchen.room_c)
        self._nodes = self._heats["gentle"]
        self.joules = 0.0
        self.celsius = self.probe_c = self.hottest_c = kitchen.room_c
        self.carry_k = CARRY_OVER_K[1] * luck.times("carry", 0.15)
        self.flame: Flame | None = None
        self.off_at_s: int | None = None
        self.carried = 0.0
        self.edge_k = self.crystals = self.hard = self.spat_kg = 0.0
        self.most_edge_k = 0.0
        self.butter_kg = self.milk_kg = self.condensed_kg = 0.0
        self.poured_at_s = -POUR_RESTS_S
        self.opened_c: float | None = None
        self.shade_c: float | None = None

    # -- what it is ----------------------------------------------------------------------------------

    @property
    def stage(self) -> str:
        if self.done:
            return "done"
        if self.shade_c is not None:
            return "opening"
        low, _ = MELTING_C
        return "cold" if not self.joules else "melting" if self.celsius < low else "colouring"

    @property
    def seen_c(self) -> float:
        """What its colour tells of, by its darkest part that one minds."""
        return max(self.hottest_c, self.celsius) + 0.4 * self.edge_k if self.shade_c is None else self.shade_c

    @property
    def mass_kg(self) -> float:
        return self.plan.caramel_kg + self.butter_kg + self.milk_kg + self.condensed_kg - self.spat_kg

    @property
    def yield_kg(self) -> float:
        return self.mass_kg

    def hands(self) -> Sequence[Hand]:
        plan, found = self.plan, [Hand(key="flame", says="Flame", busy_s=2, flames=True)]
        if self.flame:
            found.append(Hand(key="off", says="Off the flame", busy_s=2))
        found += [
            Hand(key="swirl", says="Swirl the pan", busy_s=6),
            Hand(key="stir", says="Stir with the spoon", busy_s=8),
        ]
        if self.joules:
            butter, milk = plan.butter_kg - self.butter_kg, plan.milk_kg - self.milk_kg
            condensed = plan.condensed_kg - self.condensed_kg
            if butter > 1e-6:
                found.append(Hand(key="butter", says="Butter in", busy_s=15, unit="kg", usual=butter, most=butter))
            if milk > 1e-6:
                each = min(milk, self.forecast.pour_kg)
                found.append(Hand(key="milk", says="A pour of hot milk", busy_s=12, unit="kg", usual=each, most=milk))
            if condensed > 1e-6:
                found.append(
                    Hand(
                        key="condensed",
                        says="Condensed milk in",
                        busy_s=20,
                        unit="kg",
                        usual=condensed,
                        most=condensed,
                    )
                )
        if self.milk_kg + self.condensed_kg > 0 or self.celsius > BURNT_C:
            found.append(Hand(key="stop", says="It is done", busy_s=0, ends=True))
        return found

    def _do(self, act: Act) -> None:
        match act.kind:
            case "flame":
                self.flame, self.off_at_s = act.flame, None
            case "off":
                self.flame, self.off_at_s = None, self.at_s
            case "swirl":
                self.edge_k *= 0.25
            case "stir":
                self.edge_k *= 0.2
                low, high = MELTING_C
                if self.shade_c is None and low - 20 < self.celsius < high:
                    self.crystals = min(1.0, self.crystals + SPOON_SEEDS)
                self.hard *= 0.8
            case "butter":
                self._fix_shade()
                self.butter_kg += act.amount or self.plan.butter_kg
                self._mix(self.butter_kg, BUTTER_J_KG_K, self.plan.kitchen.room_c)
            case "milk":
                self._fix_shade()
                self._pour(act.amount or self.forecast.pour_kg)
            case "condensed":
                self._fix_shade()
                self.condensed_kg += act.amount or self.plan.condensed_kg
                self._mix(self.condensed_kg, 2400.0, self.plan.kitchen.room_c)
            case "stop":
                self.flame = None

    def _fix_shade(self) -> None:
        """Whatever goes in first fixes the shade."""
        if self.shade_c is None:
            self.shade_c = self.seen_c

    def _pour(self, mass_kg: float) -> None:
        mass_kg = min(mass_kg, self.plan.milk_kg - self.milk_kg)
        size = mass_kg / self.plan.sugar_kg
        rushed = self.at_s - self.poured_at_s < POUR_RESTS_S
        over = (
            max(0.0, size - POUR_TO_SUGAR)
            + (0.35 * size if rushed else 0.0)
            + (0.15 if self.flame == "strong" else 0.0)
        )
        hot = ramp(self.celsius, 110.0, 160.0)
        self.spat_kg += min(0.3, 0.35 * over) * mass_kg * hot
        self.hard = min(1.0, self.hard + 0.12 * hot + 0.9 * over * hot)
        self.milk_kg += mass_kg
        self.poured_at_s = self.at_s
        self._mix(mass_kg, MILK_J_KG_K, WARM_MILK_C)

    def _mix(self, mass_kg: float, j_kg_k: float, its_c: float) -> None:
        now = (
            self.plan.caramel_kg * SYRUP_J_KG_K
            + self.milk_kg * MILK_J_KG_K
            + self.plan.hearth.pan.heat_capacity_j_k * 0.35
        )
        mixed = (now * self.celsius + mass_kg * j_kg_k * its_c) / (now + mass_kg * j_kg_k)
        self.celsius = max(OPENED_C, mixed) if self.celsius > OPENED_C else mixed

    # -- what happens by itself ----------------------------------------------------------------------

    def _pass(self) -> None:
        power = self._heats[self.flame].net_w * self.luck.gas(self.at_s) if self.flame else 0.0
        if self.shade_c is None:
            self._colour(power)
        else:
            self._simmer(power)
        self.probe_c += (self.celsius - self.probe_c) / 5.0
        self.hottest_c = max(self.hottest_c, self.celsius)

    def _colour(self, power: float) -> None:
        if self.flame:
            self.joules += power
            self.carried = 0.0
            self.edge_k = min(
                EDGE_MOST_K, self.edge_k + EDGE_K_S * power / self._nodes.net_w * ramp(self.celsius, 90, 150)
            )
        elif self.off_at_s is not None and self.joules:
            slope = float(np.interp(self.celsius, (0.0, 140.0, 166.0), (1300.0, 4000.0, 2500.0))) * self.plan.sugar_kg
            gone = (self.at_s - self.off_at_s) / CARRIES_S
            self.joules += self.carry_k * slope * 1.2 / CARRIES_S * max(0.0, 1 - gone) * 1.6 - 6.0 * (gone > 1.5)
            self.edge_k *= 0.985
        self.joules = max(0.0, self.joules)
        self.celsius = float(np.interp(self.joules, self._nodes.joules, self._nodes.celsius))
        self.most_edge_k = max(self.most_edge_k, self.edge_k * ramp(self.celsius, 150, 160))

    def _simmer(self, power: float) -> None:
        if power:
            self.celsius = min(OPENED_C, self.celsius + power / 2500.0) if self.celsius < OPENED_C else self.celsius
        elif self.celsius > 60:
            self.celsius -= 0.03
        if self.celsius > 88 and self.hard:
            self.hard = max(0.0, self.hard - self.hard / MELTS_LUMPS_S * (1.0 if power else 0.35) - 2e-4)

    # -- what it tells -------------------------------------------------------------------------------

    def signs(self) -> Sequence[Sign]:
        found: list[Sign] = []
        if self.shade_c is None:
            shade, wanted = shade_at(self.seen_c), self.plan.shade
            if self.seen_c > BURNT_C:
                found.append(Sign("burnt", "It smokes black and bitter.", ("off", "stop")))
            elif SEEN.index(shade) > SEEN.index(wanted):
                found.append(
                    Sign("past", f"It is {shade.replace('-', ' ')}: past the shade.", ("off", "butter", "milk"))
                )
            elif shade == wanted and self.flame:
                found.append(Sign("shade", f"It is {shade.replace('-', ' ')}.", ("off", "butter", "milk")))
            if self.edge_k > 6:
                found.append(Sign("edge", "The edge is darker than the middle.", ("swirl", "stir")))
            words = ((FROM_C["straw"], f"It is {shade.replace('-', ' ')}."), (MELTING_C[1], "It is clear syrup."))
            melts = (
                *words,
                (MELTING_C[0], "Half of it has melted; clear pools in white sugar."),
                (110.0, "The rim of it melts."),
            )
            found.append(Sign("state", level_word(self.celsius, (*melts, (-99, "Dry white sugar.")))))
        else:
            if self.spat_kg > 0.002:
                found.append(Sign("spat", "It boiled up and spat over."))
            if self.hard > 0.25:
                found.append(Sign("hard", "Hard caramel turns in the milk.", ("stir", "flame")))
            how = ((0.25, "It is lumpy."), (0.06, "A few threads are left in it."), (0.0, "It is smooth."))
            found.append(Sign("state", level_word(self.hard, how)))
        if self.crystals > 0.1:
            found.append(Sign("crystals", "White crystals clump on the spoon."))
        return found

    def true(self, channel: str) -> float | None:
        match channel:
            case "probe":
                return self.probe_c
            case "scale":
                return self.mass_kg
        return None

    @property
    def followed(self) -> float:
        return self.celsius

    @property
    def goal(self) -> float:
        return middle_c(self.plan.shade)

    def view(self) -> dict[str, float]:
        return {
            **pan_drawn(self.plan.hearth.pan),
            "depth_m": max(0.006, self.mass_kg / 1250.0 / 0.04),
            "shade_c": self.seen_c,
            "flame": drawn(self.flame),
            "milk": min(
                1.0, (self.milk_kg + self.condensed_kg) / max(1e-6, self.plan.milk_kg + self.plan.condensed_kg)
            ),
            "edge": self.edge_k / EDGE_MOST_K,
            "crystals": self.crystals,
            "hard": self.hard,
        }

    @property
    def outcome(self) -> str:
        return f"{say(self.mass_kg, 'mass')}, {shade_at(self.seen_c).replace('-', ' ')}"

    def truths(self) -> list[str]:
        carried = self.carry_k / CARRY_OVER_K[1]
        return [
            *off_by(self.heat, "The flame was {} % stronger than told.", "The flame was {} % weaker than told."),
            *off_by(carried, "The pan kept {} % more heat than most.", "The pan kept {} % less heat than most."),
        ]

    def told(self) -> dict[str, Told]:
        off = self.seen_c - middle_c(self.plan.shade)
        far = max(0.0, abs(off) - 3.5)
        shade = shade_at(self.seen_c).replace("-", " ")
        how = "as it should be" if far == 0 else "too dark" if off > 0 else "too pale"
        wants = self.plan.milk_kg + self.plan.condensed_kg
        share = (self.milk_kg + self.condensed_kg) / wants if wants else 1.0
        spat = self.spat_kg / max(1e-6, wants)
        usual = max(120.0, 0.7 * (self.at_s - self.began_s))
        return {
            "shade": Told(points((9 if off > 0 else 6) * far), f"{shade}, {how}"),
            "even": Told(
                points(7 * max(0.0, self.most_edge_k - 5)), "dark at the edge" if self.most_edge_k > 6 else "even"
            ),
            "crystals": Told(points(190 * self.crystals), "it crystallised" if self.crystals > 0.1 else "clear"),
            "pour": Told(
                points(900 * max(0.0, spat - 0.005) + 100 * (1 - share)),
                f"{say(self.spat_kg, 'mass')} spat over"
                if spat > 0.01
                else "quietly"
                if share > 0.98
                else "not all went in",
            ),
            "lumps": Told(
                points(160 * max(0.0, self.hard - 0.04)), "lumps of caramel left" if self.hard > 0.1 else "smooth"
            ),
            "standing": Told(points(70 * max(0.0, self.standing_s / usual - 1)), self.at_it),
        }

    def at_most(self, points: float) -> float:
        return min(points, 35.0) if self.seen_c > BURNT_C else points
