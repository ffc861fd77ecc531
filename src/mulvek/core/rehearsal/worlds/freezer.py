"""Moulds in a freezer: sticks at the right moment, a door that warms it, a dip to free them, and how long before one bites.

How long they freeze, dip and stand is the core's own (sweets dossier §1); how ice grows meanwhile is spread evenly over it.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import ClassVar

from ...composition.composition import Composition
from ...equipment import moulds as md
from ...equipment.kitchen import Kitchen
from ...messages.figures import say
from ...planning.sweets.frozen import Freezer
from ...properties import freezing as fz
from ..acting import Act, Edit, Hand
from ..judging import clamp, level_word, off_by, points, ramp
from ..luck import Luck
from ..world import Sign, Told, World

SLUSH, FIRM = 0.22, 0.62
"""Shares of the freezing between which a stick stands and still goes in."""
DOOR_S, DOOR_KEEPS = 15, 0.35
"""Opened so long, the air loses this share of its cold, and wins it back in a quarter of an hour."""
DOOR_BACK_S = 900.0
BITE_K = 1.5
LEAST_STAND_S = 60.0
CHILLED_C = 5.0


@dataclass(frozen=True, kw_only=True)
class FreezePlan:
    """A mix (its make-up per kg) in so many moulds, and the freezer for them."""

    mix: Composition
    mould: str = "stick"
    count: int = 8
    freezer: Freezer = field(default_factory=Freezer)
    kitchen: Kitchen = field(default_factory=Kitchen)
    sticks: bool = True


class Freeze(World):
    kind = "freeze"
    TICK_S = 10
    MARK_EVERY_S = 120
    LONGEST_S = 30 * 3600
    FOLLOWS = ("at the core", "°C")
    WEIGHTS: ClassVar = {"sticks": 0.25, "frozen": 0.25, "mould": 0.2, "bite": 0.3}
    NAMES: ClassVar = {
        "sticks": "sticks",
        "frozen": "frozen through",
        "mould": "out of the mould",
        "bite": "the bite",
        "door": "the door",
        "standing": "standing",
    }
    EDITS = (
        Edit(act="stick", how="later", by=1200, says="The sticks twenty minutes later"),
        Edit(act="stick", how="sooner", by=1200, says="The sticks twenty minutes sooner"),
        Edit(act="out", how="later", by=3600, says="Frozen an hour longer"),
        Edit(act="dip", how="amount", by=0.5, says="Dipped half as long"),
        Edit(act="dip", how="amount", by=2, says="Dipped twice as long"),
        Edit(act="dip", how="amount", by=0.25, says="Dipped a quarter as long"),
        Edit(act="stick", how="later", by=5400, says="The sticks an hour and a half later"),
        Edit(act="serve", how="later", by=180, says="Served three minutes later"),
        Edit(act="serve", how="later", by=480, says="Served eight minutes later"),
        Edit(act="serve", how="sooner", by=180, says="Served three minutes sooner"),
        Edit(act="look", how="none", says="The door left shut"),
    )

    def __init__(self, plan: FreezePlan, luck: Luck) -> None:
        super().__init__(luck, "the freezer")
        self.plan, self.mould = plan, md.mould(plan.mould)
        self.waits = False
        self.room_c = plan.kitchen.room_c + luck.slip("room", 3.0)
        self.slow = luck.times("freezer", 0.18)
        self.loose = luck.times("dip", 0.2)
        self.warmer = 0.0
        """How much of the freezer's cold is lost for the moment, 0-1."""
        self.in_s: int | None = None
        self.out_s: int | None = None
        self.frozen = self.stood = 0.0
        self.stuck_at: float | None = None
        self.looks = 0
        self.dipped_s = 0.0
        self.free = False
        self.served_c: float | None = None
        self.take(plan.mix)

    def take(self, mix: Composition) -> None:
        """The mix that goes in, kg per kg."""
        plan, self.mix = self.plan, mix
        cold = plan.freezer.celsius
        grams = md.grams_in(mix, self.mould.volume_m3, cold)
        self.each_kg = grams / 1e3
        alone = md.freezing_s(mix, self.mould, plan.freezer.film, cold, points=120)
        crowd = md.crowded_s(plan.count * self.each_kg, plan.freezer.capacity_kg_day)
        self.told_s = max(alone, crowd)
        self.begins_c = fz.freezing_point_c(mix)
        self.bite_c = fz.celsius_at_ice(mix, fz.BITE)
        self.stands_s = max(LEAST_STAND_S, md.standing_s(mix, self.mould, self.bite_c, cold, self.room_c, points=80))
        self.dips_s = md.dip_s(mix, self.mould.wall_m, self.mould.wall_w_m_k) if self.mould.dips else 0.0

    @property
    def stage(self) -> str:
        if self.done:
            return "done"
        if self.out_s is not None:
            return "out"
        return "freezing" if self.in_s is not None else "ready"

    @property
    def celsius(self) -> float:
        """At the core."""
        cold = self.plan.freezer.celsius
        if self.out_s is not None:
            return min(self.begins_c, self._deep + (self.bite_c - cold) * self.stood)
        x = self.frozen
        if x < 0.12:
            return CHILLED_C + (self.begins_c - CHILLED_C) * x / 0.12
        ice = float(fz.ice(self.mix, cold)) * clamp((x - 0.12) / 0.88) ** 0.8
        return max(cold, fz.celsius_at_ice(self.mix, ice)) if ice > 0 else self.begins_c

    _deep = -18.0

    @property
    def yield_kg(self) -> float:
        return self.plan.count * self.each_kg

    def hands(self) -> Sequence[Hand]:
        if self.waits:
            return ()
        if self.in_s is None:
            return (Hand(key="in", says="Fill the moulds and put them in", busy_s=120),)
        if self.out_s is None:
            found = [Hand(key="look", says="Open the door and look", busy_s=20)]
            if self.plan.sticks and self.stuck_at is None:
                found.append(Hand(key="stick", says="Sticks in", busy_s=60))
            return (*found, Hand(key="out", says="Take them out", busy_s=20))
        found = []
        if self.mould.dips and not self.free:
            found.append(Hand(key="dip", says="Dip in warm water", busy_s=20, unit="s", usual=10.0, most=240.0))
        if self.dipped_s or not self.mould.dips:
            found.append(Hand(key="pull", says="Pull one out", busy_s=10))
        return (*found, Hand(key="serve", says="Serve them", busy_s=20, ends=True))

    def _do(self, act: Act) -> None:
        match act.kind:
            case "in":
                self.in_s = self.at_s
            case "look":
                self.looks += 1
                self._door()
            case "stick":
                self.stuck_at = self.frozen
                self._door()
            case "out":
                self._deep = self.celsius
                self.out_s = self.at_s
            case "dip":
                self.dipped_s += act.amount or 10.0
            case "pull":
                self.free = self.free or self.dipped_s >= 0.85 * self.dips_s * self.loose
            case "serve":
                self.served_c = self.celsius

    def _door(self) -> None:
        self.warmer = min(1.0, self.warmer + DOOR_KEEPS)

    def _pass(self) -> None:
        tick = float(self.TICK_S)
        self.warmer *= 1 - tick / DOOR_BACK_S
        if self.out_s is not None:
            self.stood += tick / self.stands_s
        elif self.in_s is not None:
            self.frozen = min(1.6, self.frozen + tick * (1 - self.warmer) / (self.told_s * self.slow))

    @property
    def still(self) -> bool:
        return self.in_s is not None and self.out_s is None and not self._sticks_now

    @property
    def _sticks_now(self) -> bool:
        return self.plan.sticks and self.stuck_at is None and SLUSH <= self.frozen <= FIRM

    def signs(self) -> Sequence[Sign]:
        if self.in_s is None:
            return [
                Sign(
                    "state",
                    "The mix stands ready, cold." if not self.waits else "There is no mix yet.",
                    () if self.waits else ("in",),
                )
            ]
        found: list[Sign] = []
        if self.out_s is None:
            words = (
                (1.0, "Tapped, it rings hard."),
                (FIRM, "It is hard at the rim and gives a little in the middle."),
                (0.4, "A knife stands in it, and goes in."),
                (SLUSH, "It is slush: a stick stands."),
                (0.12, "Ice needles at the rim; a stick leans."),
                (0.0, "It is liquid."),
            )
            calls = ("stick",) if self._sticks_now else ("out",) if self.frozen > 1.02 else ()
            found.append(Sign("state", level_word(self.frozen, words), calls))
            if self.warmer > 0.5:
                found.append(Sign("door", "Mist stands before the freezer: it has grown warm."))
            return found
        feels = ((1.35, "It softens and drips."), (0.85, "The teeth go in cleanly."), (0.4, "It is hard to bite."))
        found.append(Sign("state", level_word(self.stood, (*feels, (0.0, "It is stone hard.")))))
        if self.mould.dips:
            loose = self.dips_s * self.loose
            dips = ((1.8, "Its outside melts and runs."), (0.85, "It turns in its mould."), (0.0, "It sits fast."))
            found.append(Sign("dip", level_word(self.dipped_s / loose, dips)))
        return found

    def true(self, channel: str) -> float | None:
        return self.celsius if channel == "probe" else None

    @property
    def followed(self) -> float:
        return self.celsius

    @property
    def goal(self) -> float:
        return self.bite_c

    def view(self) -> dict[str, float]:
        return {
            "frozen": clamp(self.frozen),
            "sticks": float(self.stuck_at is not None),
            "lean": ramp(self.stuck_at, SLUSH, 0.05) if self.stuck_at is not None else 0.0,
            "out": float(self.out_s is not None),
            "soft": clamp(self.stood, 0.0, 1.6),
            "warm": self.warmer,
        }

    @property
    def outcome(self) -> str:
        at = self.served_c if self.served_c is not None else self.celsius
        return f"{self.plan.count} of {say(self.each_kg, 'mass')}, {_c(at)} at the core"

    def truths(self) -> list[str]:
        return off_by(self.slow, "The freezer was {} % slower than told.", "The freezer was {} % quicker than told.")

    def told(self) -> dict[str, Told]:
        stick, says = 0.0, "none went in"
        if not self.plan.sticks:
            stick, says = 100.0, "no sticks"
        elif self.stuck_at is not None:
            lean, late = ramp(self.stuck_at, SLUSH, 0.05), ramp(self.stuck_at, FIRM, 0.85)
            stick = points(100 * lean + 100 * late)
            says = "they lean" if lean > 0.2 else "they would not go in" if late > 0.2 else "straight"
        hard = self.frozen if self.out_s is not None else 0.0
        dips = self.dipped_s / (self.dips_s * self.loose) if self.mould.dips else 1.0
        torn, ran = ramp(dips, 0.85, 0.3), ramp(dips, 1.7, 3.5)
        at = self.served_c if self.served_c is not None else self.celsius
        off = max(0.0, abs(at - self.bite_c) - BITE_K)
        looks = max(0, self.looks - 4)
        return {
            "sticks": Told(stick, says),
            "frozen": Told(100 * clamp((hard - 0.6) / 0.38), "to the core" if hard >= 0.98 else "soft at the core"),
            "mould": Told(
                points(100 * torn + 80 * ran), "torn" if torn > 0.2 else "melted" if ran > 0.2 else "clean"
            ),
            "bite": Told(points(15 * off), f"served at {_c(at)}; a clean bite is at {_c(self.bite_c)}"),
            "door": Told(points(12 * looks), f"opened {self.looks} times"),
            "standing": Told(100.0, self.at_it),
        }


def _c(celsius: float) -> str:
    return f"{celsius:.0f} °C".replace("-", "−")
