"""Yoghurt hanging in its cloth: whey that drips, curd that sours, a fridge or the counter.

Drains and sours by the core's own reckoning (curd dossier §9), with a cloth and a yoghurt of their own mind.
"""

from collections.abc import Sequence
from typing import ClassVar

from ...messages.figures import say
from ...planning.strain.draining import (
    KEEPS_WATER,
    TOO_SOUR,
    end_of,
    most_whey,
    share_after,
    solids_after,
    sourness,
    tastes,
    time_constant_s,
)
from ...planning.strain.forecast import StrainPlan, gel_of
from ..acting import Act, Edit, Hand
from ..hidden import true_milk
from ..judging import level_word, off_by, points, ramp
from ..luck import Luck
from ..world import Sign, Told, World

SCRAPED = 0.06
"""Of a time constant: what fresh curd against the cloth is worth."""
MOST_SCRAPES = 4
OPEN_LIMIT_S = 2 * 3600
FRIDGE_C = 5.0
CHILLED_C = 12.0
PLACE_TAKES_S = 3 * 3600.0
"""How slowly a bag follows its place, time constant for a kilogram."""


class Cloth(World):
    kind = "cloth"
    TICK_S = 20
    MARK_EVERY_S = 300
    LONGEST_S = 20 * 3600
    FOLLOWS = ("whey in the bowl", "kg")
    WEIGHTS: ClassVar = {"thick": 0.6, "sour": 0.2, "cold": 0.2}
    NAMES: ClassVar = {"thick": "thickness", "sour": "taste", "cold": "kept cold"}
    EDITS = (
        Edit(act="stop", how="later", by=1800, says="Hung half an hour longer"),
        Edit(act="stop", how="sooner", by=1800, says="Hung half an hour less"),
        Edit(act="stop", how="later", by=5400, says="Hung an hour and a half longer"),
        Edit(act="stop", how="sooner", by=5400, says="Hung an hour and a half less"),
        Edit(act="stop", how="later", by=14400, says="Hung four hours longer"),
        Edit(act="fridge", how="sooner", by=3600, says="Into the fridge an hour sooner"),
        Edit(act="scrape", how="more", by=600, says="The curd turned over once more"),
    )

    def __init__(self, plan: StrainPlan, luck: Luck) -> None:
        super().__init__(luck, "the cloth")
        yoghurt = true_milk(plan.yoghurt, luck)
        self.plan, self.gel = plan, gel_of(yoghurt.parts)
        self.mass_kg = plan.mass_kg
        self.most_kg = self.mass_kg * most_whey(self.gel, KEEPS_WATER[plan.hung])
        self.slows = plan.slows * luck.times("cloth", 0.2)
        self.room_c = plan.kitchen.room_c + luck.slip("room", 3.0)
        self.place_c = plan.place_c if plan.place_c < CHILLED_C else self.room_c
        self.celsius = plan.start_c
        self.acidity = plan.acidity + luck.slip("acidity", 0.05)
        self.hung_s: int | None = None
        self.drained = 0.0
        """Time hung, in time constants at the temperature of each moment."""
        self.scrapes = 0
        self.open_s = 0.0
        self._rate = 0.0

    # -- what it is ----------------------------------------------------------------------------------

    @property
    def stage(self) -> str:
        return "done" if self.done else "hanging" if self.hung_s is not None else "ready"

    @property
    def whey_kg(self) -> float:
        return self.most_kg * share_after(self.drained, 1.0) if self.drained else 0.0

    @property
    def solids(self) -> float:
        return solids_after(self.gel.total_solids, self.whey_kg / self.mass_kg)

    @property
    def yield_kg(self) -> float:
        return self.mass_kg - self.whey_kg

    def hands(self) -> Sequence[Hand]:
        if self.hung_s is None:
            return (Hand(key="hang", says="Hang it up", busy_s=60),)
        elsewhere = (
            Hand(key="fridge", says="Into the fridge", busy_s=30)
            if self.place_c > CHILLED_C
            else Hand(key="counter", says="Out on the counter", busy_s=30)
        )
        return (
            Hand(key="scrape", says="Turn the curd over in its cloth", busy_s=60),
            elsewhere,
            Hand(key="stop", says="Take it down", busy_s=60, ends=True),
        )

    def _do(self, act: Act) -> None:
        match act.kind:
            case "hang":
                self.hung_s = self.at_s
            case "scrape":
                self.scrapes += 1
                self.drained += SCRAPED * (self.scrapes <= MOST_SCRAPES)
            case "fridge":
                self.place_c = min(FRIDGE_C, self.plan.place_c)
            case "counter":
                self.place_c = self.room_c

    def _pass(self) -> None:
        tick = float(self.TICK_S)
        self.celsius += (self.place_c - self.celsius) * tick / (PLACE_TAKES_S * self.mass_kg ** (2 / 3))
        self.acidity = sourness(self.acidity, tick, lambda _: self.celsius)
        if self.place_c > CHILLED_C:
            self.open_s += tick
        if self.hung_s is not None:
            tau = time_constant_s(self.plan.height_m, self.place_c, self.gel.total_solids, self.slows)
            before = self.whey_kg
            self.drained += tick / tau
            self._rate = (self.whey_kg - before) / tick

    # -- what it tells -------------------------------------------------------------------------------

    @property
    def window(self) -> tuple[float, float]:
        """Solids that are meant."""
        end = end_of(self.plan.end or "shrikhand")
        assert end is not None
        return end.low, end.high

    def signs(self) -> Sequence[Sign]:
        found: list[Sign] = []
        if self.open_s > OPEN_LIMIT_S and self.place_c > CHILLED_C:
            found.append(Sign("open", "It has stood open for two hours.", ("fridge", "stop")))
        if self.hung_s is None:
            return [Sign("state", "It stands ready beside its cloth.", ("hang",))]
        a_second = self._rate * 1e3 / 0.05
        drips = (
            (2.0, "Whey runs in a thread."),
            (0.5, "A drop or two a second."),
            (0.1, "A drop every few seconds."),
        )
        found.append(Sign("drips", level_word(a_second, (*drips, (0.0, "A drop now and then.")))))
        low, high = self.window
        thick = ((high, "It crumbles from the spoon."), (low, "It stands in peaks and leaves the cloth clean."))
        found.append(
            Sign(
                "thick",
                level_word(self.solids, (*thick, (low - 0.04, "It mounds softly."), (0.0, "It slides off a spoon."))),
            )
        )
        found.append(Sign("taste", f"It tastes {tastes(self.acidity)}."))
        return found

    @property
    def still(self) -> bool:
        return self.hung_s is not None and not (self.open_s > OPEN_LIMIT_S and self.place_c > CHILLED_C)

    def true(self, channel: str) -> float | None:
        match channel:
            case "scale":
                return self.whey_kg
            case "probe":
                return self.celsius
        return None

    @property
    def followed(self) -> float:
        return self.whey_kg

    @property
    def goal(self) -> float:
        low, high = self.window
        wanted, start = (low + high) / 2, self.gel.total_solids
        left, right = 0.0, self.most_kg / self.mass_kg
        for _ in range(40):
            middle = (left + right) / 2
            left, right = (middle, right) if solids_after(start, middle) < wanted else (left, middle)
        return self.mass_kg * left

    def view(self) -> dict[str, float]:
        return {
            "curd": 1.0,
            "wet": ramp(self.whey_kg / self.most_kg, 1.0, 0.0),
            "whey": self.whey_kg / self.mass_kg,
            "drips": min(1.0, self._rate * 1e4),
            "cold": float(self.place_c < CHILLED_C),
            "cloth": float(self.hung_s is not None),
        }

    @property
    def outcome(self) -> str:
        return f"{say(self.yield_kg, 'mass')} of {self.solids * 100:.0f} % solids, {tastes(self.acidity)}"

    def truths(self) -> list[str]:
        slower = self.slows / self.plan.slows
        return [
            *off_by(slower, "The cloth drained {} % slower than most.", "The cloth drained {} % faster than most."),
            f"The room had {self.room_c:.0f} °C; the yoghurt began at {self.plan.acidity + self.luck.slip('acidity', 0.05):.2f} % acid.",
        ]

    def told(self) -> dict[str, Told]:
        low, high = self.window
        thin, stiff = max(0.0, low - self.solids), max(0.0, self.solids - high)
        hours = (self.at_s - self.hung_s) / 3600 if self.hung_s is not None else 0.0
        hung = f"{hours:.1f} h, {self.solids * 100:.0f} % solids"
        out = max(0.0, self.open_s - OPEN_LIMIT_S) / 3600
        return {
            "thick": Told(
                points(2600 * thin + 1600 * stiff),
                f"{hung}: {'wet' if thin else 'stiff' if stiff else 'as it should be'}",
            ),
            "sour": Told(points(500 * max(0.0, self.acidity - 0.93 * TOO_SOUR)), tastes(self.acidity)),
            "cold": Told(
                points(80 * out), f"{self.open_s / 3600:.1f} h in the open" if out else "never long in the open"
            ),
        }

    def at_most(self, points: float) -> float:
        """What stood open for long is not to be eaten."""
        return min(points, 60.0) if self.open_s > 2 * OPEN_LIMIT_S else points
