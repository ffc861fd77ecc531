"""Balls in hot fat: heat that falls when they go in, a heart that sets slowly, a colour that comes fast.

Heart and colour by the core's own reckoning (curd dossier §8); what a load takes out of the fat by the heat that raw balls
and their steam take up (250 W/m² K to their surface, an estimate).
"""

import math
from collections.abc import Sequence
from copy import copy
from dataclasses import dataclass, field, replace
from typing import ClassVar, Self

from ...equipment.burners import FLAMES, Burner, Flame
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...messages.figures import say
from ...planning.curdle.pieces import ball_m
from ...planning.curdle.soak import PIECE_KG_M3
from ...planning.sweets.frying import browns_s, centre_sets_s, fat_c, fat_taken_kg
from ..acting import Act, Edit, Hand
from ..hidden import true_burner, true_kitchen
from ..judging import clamp, level_word, off_by, points, ramp
from ..luck import Luck
from ..world import Sign, Told, World
from .pot import drawn, pan_drawn

FAT_J_KG_K, FAT_LOSS_W_M2_K, TO_BALLS_W_M2_K = 2100.0, 18.0, 250.0
SETS_FROM_C, CRUST_AT_C = 100.0, 130.0
TURN_EVERY_S, UNEVEN_OVER_S = 50.0, 260.0
SMOKES_C, OILY_BELOW_C = 195.0, 128.0
SET_AFTER = 1.08
SLOWER = "In where a crumb creeps up, turned, and out when the heart was set"
CREEPS_BELOW_K = 12.0
COVERS = 0.55
"""Share of the fat's surface that balls may cover."""


@dataclass(frozen=True, kw_only=True)
class FryPlan:
    """Raw balls of a sugary dough and the fat for them."""

    count: int = 16
    piece_kg: float = 0.018
    sugar_pct: float = 3.0
    fat_kg: float = 1.0
    pan: Pan
    burner: Burner
    kitchen: Kitchen = field(default_factory=Kitchen)


@dataclass(slots=True)
class Frying:
    """Balls that went in together: shares of their colour and of a set heart, and what went wrong."""

    count: int
    dropped_s: int
    colour: float = 0.0
    heart: float = 0.0
    cool_s: float = 0.0
    uneven: float = 0.0
    turned_s: int = 0
    lifted_s: int | None = None


class Fry(World):
    kind = "fry"
    FOLLOWS = ("the fat", "°C")
    MARK_EVERY_S = 10
    LONGEST_S = 2 * 3600
    WEIGHTS: ClassVar = {"heart": 0.32, "colour": 0.28, "even": 0.15, "fat": 0.15, "standing": 0.1}
    NAMES: ClassVar = {
        "heart": "the heart",
        "colour": "colour",
        "even": "evenness",
        "fat": "fat taken up",
        "standing": "standing",
    }
    EDITS = (
        Edit(act="drop", how="later", by=60, says="The first balls in a minute later"),
        Edit(act="drop", how="sooner", by=60, says="The first balls in a minute sooner"),
        Edit(act="drop", how="amount", by=0.5, says="Half as many at once"),
        Edit(act="flame", how="flame", says="A weaker flame all along"),
        Edit(act="lift", how="later", by=90, says="A minute and a half longer in the fat"),
        Edit(act="lift", how="sooner", by=60, says="A minute less in the fat"),
        Edit(act="drop", how="every", to="turn", by=45, says="Turned every three quarters of a minute"),
    )

    def __init__(self, plan: FryPlan, luck: Luck) -> None:
        super().__init__(luck, plan.pan.name)
        self.plan = plan
        self.burner, self.kitchen = true_burner(plan.burner, luck), true_kitchen(plan.kitchen, luck)
        base = plan.pan.shape.base_diameter_m
        self._powers = {flame: self.burner.net_power_w(flame, base) for flame in FLAMES}
        self.celsius = self.probe_c = self.kitchen.room_c
        self.flame: Flame | None = None
        self.left = plan.count
        self.goes: list[Frying] = []
        self.width_m = ball_m(plan.piece_kg, PIECE_KG_M3)
        self.sets_s = centre_sets_s(self.width_m / 2, self.kitchen.room_c)
        self.smoked = False
        self.right_at_s: int | None = None
        """When a crumb first crept up: raw balls go in, and the fat goes on warming under them."""

    @property
    def go(self) -> Frying | None:
        return self.goes[-1] if self.goes and self.goes[-1].lifted_s is None else None

    @property
    def stage(self) -> str:
        if self.done:
            return "done"
        return "frying" if self.go else "hot" if self.celsius > OILY_BELOW_C else "warming" if self.flame else "cold"

    @property
    def wants_c(self) -> float:
        """Where colour comes just after the heart."""
        return fat_c(self.sets_s, self.plan.sugar_pct)

    @property
    def handy(self) -> int:
        """How many have room."""
        depth = float(self.plan.pan.shape.depth_m(self.plan.fat_kg / 920.0))
        wide = 2 * float(self.plan.pan.shape.radius_m(depth))
        return max(1, int(COVERS * (wide / self.width_m) ** 2))

    def hands(self) -> Sequence[Hand]:
        found = [Hand(key="flame", says="Flame", busy_s=3, flames=True)]
        if self.flame:
            found.append(Hand(key="off", says="Flame off", busy_s=2))
        if self.go:
            found += [
                Hand(key="turn", says="Turn them", busy_s=6),
                Hand(key="lift", says="Lift them out", busy_s=15, ends=self.left == 0),
            ]
        elif self.left:
            usual = float(min(self.left, self.handy))
            found.append(
                Hand(key="drop", says="Slide balls in", busy_s=15, unit="pieces", usual=usual, most=float(self.left))
            )
        if self.goes and not self.go:
            found.append(Hand(key="stop", says="Leave it at that", busy_s=0, ends=True))
        return found

    def _do(self, act: Act) -> None:
        go = self.go
        match act.kind:
            case "flame":
                self.flame = act.flame
            case "off":
                self.flame = None
            case "turn":
                if go:
                    go.turned_s = self.at_s
            case "drop":
                many = min(self.left, max(1, round(act.amount) or self.handy))
                self.goes.append(Frying(many, self.at_s, turned_s=self.at_s))
                self.left -= many
            case "lift":
                if go:
                    go.lifted_s = self.at_s

    def _pass(self) -> None:
        shape = self.plan.pan.shape
        power = self._powers[self.flame] * self.luck.gas(self.at_s) if self.flame else 0.0
        wide = float(shape.radius_m(float(shape.depth_m(self.plan.fat_kg / 920.0))))
        loss = FAT_LOSS_W_M2_K * 2.2 * math.pi * wide**2 * (self.celsius - self.kitchen.room_c)
        go = self.go
        if go:
            surface = go.count * math.pi * self.width_m**2
            # the crust dries as they fry, and takes less
            loss += (
                TO_BALLS_W_M2_K * surface * max(0.0, self.celsius - 100.0) * (0.35 + 0.65 * ramp(go.heart, 1.0, 0.0))
            )
        capacity = self.plan.fat_kg * FAT_J_KG_K + self.plan.pan.heat_capacity_j_k
        self.celsius += (power - loss) / capacity
        self.probe_c += (self.celsius - self.probe_c) / 6.0
        if self.right_at_s is None and self.celsius >= self.wants_c - CREEPS_BELOW_K:
            self.right_at_s = self.at_s
        self.smoked = self.smoked or self.celsius > SMOKES_C
        if go:
            go.heart += clamp((self.celsius - SETS_FROM_C) / (CRUST_AT_C - SETS_FROM_C), 0.0, 1.1) / self.sets_s
            go.colour += 1 / browns_s(self.celsius, self.plan.sugar_pct) if self.celsius > 100 else 0.0
            go.cool_s += self.celsius < OILY_BELOW_C
            if self.at_s - go.turned_s > TURN_EVERY_S:
                go.uneven += 1 / UNEVEN_OVER_S

    def signs(self) -> Sequence[Sign]:
        found: list[Sign] = []
        if self.celsius > SMOKES_C:
            found.append(Sign("smokes", "The fat smokes!", ("off", "flame")))
        go = self.go
        if go:
            if go.colour > 1.25:
                found.append(Sign("dark", "They are darker than you want.", ("lift", "off")))
            elif go.colour > 0.85:
                calls = ("lift",) if go.heart >= 0.97 else ("flame", "off")
                found.append(Sign("brown", "They are an even nut brown.", calls))
            else:
                words = ((0.5, "They are golden."), (0.2, "They take a first colour."), (0.0, "They are pale."))
                found.append(Sign("colour", level_word(go.colour, words)))
            hearts = ((1.0, "One broken open is set through."), (0.6, "One broken open is soft in the middle."))
            found.append(Sign("heart", level_word(go.heart, (*hearts, (0.0, "One broken open is raw.")))))
            if self.at_s - go.turned_s > TURN_EVERY_S:
                found.append(Sign("turn", "They brown on one side.", ("turn",)))
            bubbles = ((165, "It hisses and foams."), (145, "Brisk bubbles ring each."), (128, "Fine bubbles rise."))
            found.append(Sign("state", level_word(self.celsius, (*bubbles, (0, "They lie still in the fat.")))))
        else:
            crumb = (
                (178, "A crumb browns at once."),
                (155, "A crumb sizzles at the top at once."),
                (132, "A crumb rises slowly, with fine bubbles."),
                (110, "A crumb lies, then creeps up."),
                (0, "A crumb stays on the bottom."),
            )
            found.append(Sign("state", level_word(self.celsius, crumb)))
            if self.left:
                found.append(Sign("ready", f"{self.left} balls {'wait' if self.goes else 'lie ready'}."))
        return found

    def true(self, channel: str) -> float | None:
        return self.probe_c if channel == "probe" else None

    @property
    def followed(self) -> float:
        return self.celsius

    @property
    def goal(self) -> float:
        return self.wants_c

    def view(self) -> dict[str, float]:
        go = self.go
        return {
            **pan_drawn(self.plan.pan),
            "depth_m": float(self.plan.pan.shape.depth_m(self.plan.fat_kg / 920.0)),
            "flame": drawn(self.flame),
            "balls": float(go.count if go else 0),
            "ball_m": self.width_m,
            "brown": clamp(go.colour if go else 0.0, 0.0, 1.6),
            "fat": 1.0,
        }

    @property
    def outcome(self) -> str:
        return (
            f"{self.plan.count - self.left} of {self.plan.count} fried, {say(self._fat_kg(), 'mass')} of fat in them"
        )

    def _fat_kg(self) -> float:
        """Cool fat soaks in: a half more for all their time in it."""
        each = fat_taken_kg(self.width_m)
        return sum(go.count * each * (1 + 1.2 * ramp(go.cool_s / self.sets_s, 0.1, 0.8)) for go in self.goes)

    def edited(self) -> list[tuple[str, list[Act]]]:
        return [*super().edited(), *self._slower()]

    def _slower(self) -> list[tuple[str, list[Act]]]:
        """The first balls in as soon as a crumb crept up, turned, and out when a heart sets; later acts as they were."""
        drop = next((i for i, act in enumerate(self.acts) if act.kind == "drop"), None)
        lift = next((i for i, act in enumerate(self.acts) if act.kind == "lift"), None)
        if drop is None or lift is None or self.right_at_s is None or self.right_at_s >= self.acts[drop].at_s:
            return []
        out = self.right_at_s + int(SET_AFTER * self.sets_s)
        later = max(0, out - self.acts[lift].at_s)
        dropped, lifted = replace(self.acts[drop], at_s=self.right_at_s), replace(self.acts[lift], at_s=out)
        turns = [Act(at, "turn") for at in range(self.right_at_s + int(TURN_EVERY_S), out, int(TURN_EVERY_S))]
        between = [act for act in self.acts[drop + 1 : lift] if act.at_s < out]
        rest = [replace(act, at_s=act.at_s + later) for act in self.acts[lift + 1 :]]
        before = [act for act in self.acts[:drop] if act.at_s <= self.right_at_s]
        return [
            (
                SLOWER,
                [*before, dropped, *turns, *between, lifted, *rest],
            )
        ]

    def copy(self) -> Self:
        other = super().copy()
        other.goes = [copy(go) for go in self.goes]
        return other

    def truths(self) -> list[str]:
        times = self.burner.strength / self.plan.burner.strength
        return [
            *off_by(times, "The flame was {} % stronger than told.", "The flame was {} % weaker than told."),
            f"The heart of a ball sets in {self.sets_s / 60:.0f} minutes; colour comes as soon at {self.wants_c:.0f} °C.",
        ]

    def told(self) -> dict[str, Told]:
        fried = sum(go.count for go in self.goes)

        def mean(of) -> float:  # type: ignore[no-untyped-def]
            return sum(of(go) * go.count for go in self.goes) / fried if fried else 0.0

        share = fried / self.plan.count
        raw = mean(lambda go: ramp(go.heart, 0.97, 0.5))
        pale, dark = mean(lambda go: ramp(go.colour, 0.78, 0.3)), mean(lambda go: ramp(go.colour, 1.2, 2.0))
        uneven = mean(lambda go: clamp(go.uneven))
        oily = mean(lambda go: ramp(go.cool_s / self.sets_s, 0.15, 0.8))
        usual = max(120.0, 0.45 * (self.at_s - self.began_s))
        return {
            "heart": Told(share * points(115 * raw), "raw within" if raw > 0.15 else "set through"),
            "colour": Told(
                share * points(100 * pale + 110 * dark),
                "too dark" if dark > 0.15 else "pale" if pale > 0.15 else "nut brown",
            ),
            "even": Told(share * points(110 * uneven), "brown on one side" if uneven > 0.25 else "even"),
            "fat": Told(
                share * points(90 * oily + (40 if self.smoked else 0)),
                "the fat smoked" if self.smoked else "soaked with fat" if oily > 0.3 else "dry to the touch",
            ),
            "standing": Told(points(60 * max(0.0, self.standing_s / usual - 1)), self.at_it),
        }
