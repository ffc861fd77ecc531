"""Balls in their syrup: boil, room to swell, a lid, water that boils off, hands that touch too soon.

Breaking and cracking by the curd dossier's chances (§5), swelling and the room it needs by §6, strength by what boils off
(§7, ±25 %). Each ball has a luck of its own; how the swelling falls when it is touched is tuned by feel.
"""

from collections.abc import Sequence
from copy import copy
from dataclasses import dataclass, field
from typing import ClassVar, Self

from ...composition.composition import Composition
from ...equipment.burners import Burner, Flame
from ...equipment.kitchen import Kitchen
from ...equipment.pans import Pan
from ...planning.curdle.pieces import (
    at_once,
    ball_m,
    break_chance,
    crack_chance,
    syrup_surface_m,
    use,
)
from ...planning.curdle.soak import PIECE_KG_M3, SHRINKS_ABOVE
from ..acting import Act, Edit, Hand
from ..hidden import true_burner, true_kitchen
from ..judging import clamp, level_word, points, ramp
from ..luck import Luck
from ..noise import uniform
from ..world import Sign, Told, World
from .pot import Pot, drawn, pan_drawn

SWELLS_S = 230.0
FIRST_S = 300
"""So long they are not to be touched, nor the lid lifted."""
COOKED_S = 12 * 60.0
LONGEST_COOKED_S = 22 * 60.0
CUP_L = 0.1
LEAST_WATER_KG = 0.02
TOO_STRONG_BY = 8.0
"""°Brix above what was planned that harden the outside."""


@dataclass(frozen=True, kw_only=True)
class BathPlan:
    """Kneaded chhena in pieces and the syrup for them. ``smooth``: share of the kneading done."""

    use: str = "sponge"
    count: int = 20
    piece_kg: float = 0.012
    moisture: float = 0.57
    texture: float = 48.0
    smooth: float = 1.0
    brix: float = 42.0
    syrup_kg: float = 1.4
    pan: Pan
    burner: Burner
    kitchen: Kitchen = field(default_factory=Kitchen)


@dataclass(slots=True)
class Go:
    """Pieces that went in together."""

    first: int
    count: int
    dropped_s: int
    boiling: bool
    swelled: float = 0.0
    peak: float = 0.0
    cooked_s: float = 0.0
    bumped: float = 0.0
    crowd: float = 0.0
    lifted_s: int | None = None


class Bath(World):
    kind = "bath"
    FOLLOWS = ("the syrup", "°Bx")
    LONGEST_S = 3 * 3600
    WEIGHTS: ClassVar = {"whole": 0.28, "swelled": 0.22, "round": 0.15, "heart": 0.2, "syrup": 0.1, "standing": 0.05}
    NAMES: ClassVar = {
        "whole": "whole balls",
        "swelled": "swelling",
        "round": "shape",
        "heart": "the heart",
        "syrup": "the syrup",
        "standing": "standing",
    }
    EDITS = (
        Edit(act="drop", how="later", by=120, says="The balls in two minutes later, at a rolling boil"),
        Edit(act="drop", how="amount", by=0.5, says="Half as many at once"),
        Edit(act="lift", how="later", by=180, says="Boiled three minutes longer"),
        Edit(act="lift", how="sooner", by=180, says="Boiled three minutes less"),
        Edit(act="turn", how="none", says="Nothing touched"),
        Edit(act="drop", how="every", to="water", by=90, says="A cup of hot water every minute and a half"),
        Edit(act="water", how="more", by=60, says="One cup more of hot water"),
        Edit(act="water", how="less", says="One cup less of hot water"),
    )

    def __init__(self, plan: BathPlan, luck: Luck) -> None:
        super().__init__(luck, plan.pan.name)
        self.plan, self.meant = plan, use(plan.use)
        kitchen = true_kitchen(plan.kitchen, luck)
        sugar = plan.syrup_kg * plan.brix / 100
        self.sugar_kg, self.water_kg = sugar, plan.syrup_kg - sugar
        parts = Composition(water=self.water_kg, sucrose=sugar)
        self.pot = Pot(plan.pan, true_burner(plan.burner, luck), kitchen, parts, 60.0)
        self.moisture = plan.moisture + luck.slip("moisture", 0.008)
        self.smooth, self.texture = plan.smooth, plan.texture
        self.count, self.piece_kg = plan.count, plan.piece_kg
        self.waits = False
        """For balls that are not made yet."""
        self.left = self.count
        self.goes: list[Go] = []
        self.lid_at_s: int | None = None
        self.steam_kg = self.added_kg = 0.0
        self.least_brix = self.most_brix = plan.brix

    # -- what it is ----------------------------------------------------------------------------------

    @property
    def go(self) -> Go | None:
        """What is in the pan now."""
        return self.goes[-1] if self.goes and self.goes[-1].lifted_s is None else None

    @property
    def stage(self) -> str:
        if self.done:
            return "done"
        return "cooking" if self.go else "boiling" if self.pot.rolls else "warming" if self.pot.flame else "cold"

    @property
    def brix(self) -> float:
        return 100 * self.sugar_kg / (self.sugar_kg + self.water_kg)

    @property
    def flame(self) -> Flame | None:
        return self.pot.flame

    @property
    def shakes(self) -> bool:
        return self.pot.rolls and bool(self.pot.flame)

    def width_m(self, swelled: float) -> float:
        """Of a ball, once so much of its swelling is there (0-1)."""
        assert self.meant.swells is not None
        volume = 1 + (self.meant.swells[1] - 1) * swelled
        return float(ball_m(self.piece_kg, PIECE_KG_M3) * volume ** (1 / 3))

    @property
    def handy(self) -> int:
        """How many have room."""
        return at_once(self.meant, max(1, self.count), ball_m(self.piece_kg, PIECE_KG_M3), self.plan.pan)

    def crowd(self, go: Go, swelled: float) -> float:
        """Share of the surface they cover over what they may."""
        wide = syrup_surface_m(self.plan.pan)
        return float(go.count * (self.width_m(swelled) / wide) ** 2 / self.meant.cover)

    def take(self, made_kg: float, moisture: float, texture: float, smooth: float) -> None:
        """Balls of chhena that was just made."""
        self.waits = False
        self.moisture, self.texture, self.smooth = moisture, texture, smooth
        self.count = self.left = max(1, int(made_kg * 0.98 / self.piece_kg))

    def hands(self) -> Sequence[Hand]:
        found = [Hand(key="flame", says="Flame", busy_s=3, flames=True)]
        found.append(Hand(key="lid", says="Lid off" if self.pot.lid else "Lid on", busy_s=2))
        if self.go:
            found += [
                Hand(key="turn", says="Turn them", busy_s=12),
                Hand(key="lift", says="Lift them out", busy_s=25, ends=self.left == 0),
            ]
        elif self.left and not self.waits:
            many = float(self.left)
            usual = float(min(self.left, self.handy))
            found.append(Hand(key="drop", says="Slide balls in", busy_s=20, unit="pieces", usual=usual, most=many))
        found.append(Hand(key="water", says="Hot water in", busy_s=8, unit="l", usual=CUP_L, most=2.0))
        if self.goes and not self.go:
            found.append(Hand(key="stop", says="Leave it at that", busy_s=0, ends=True))
        return found

    def _do(self, act: Act) -> None:
        go = self.go
        match act.kind:
            case "flame":
                self.pot.flame = act.flame
            case "lid":
                self.pot.lid = not self.pot.lid
                if go and not self.pot.lid and self.at_s - go.dropped_s < FIRST_S:
                    go.swelled, go.bumped = go.swelled * 0.8, go.bumped + 0.2
            case "turn":
                if go and self.at_s - go.dropped_s < FIRST_S:
                    go.swelled, go.bumped = go.swelled * 0.85, go.bumped + 0.35
            case "drop":
                many = min(self.left, max(1, round(act.amount) or self.handy))
                self.goes.append(Go(self.count - self.left, many, self.at_s, self.pot.rolls))
                self.left -= many
                self.pot.celsius -= many * self.piece_kg * 3.2e3 * 70 / ((self.sugar_kg + self.water_kg) * 3.4e3)
            case "lift":
                if go:
                    go.lifted_s = self.at_s
            case "water":
                litres = act.amount or CUP_L
                self.added_kg += litres
                self.water_kg += litres
                self._refresh()

    def _refresh(self) -> None:
        self.pot.parts = Composition(water=self.water_kg, sucrose=self.sugar_kg)
        self.pot.refresh()

    # -- what happens by itself ----------------------------------------------------------------------

    def _pass(self) -> None:
        if self.pot.flame is None and self.go is None:
            return
        steam = min(
            self.pot.warm(self.pot.power_w(self.luck.gas(self.at_s))), max(0.0, self.water_kg - LEAST_WATER_KG)
        )
        self.steam_kg += steam
        self.water_kg -= steam
        if self.at_s % 10 == 0:
            self._refresh()
        self.most_brix = max(self.most_brix, self.brix)
        if (go := self.go) is None:
            return
        rolls = self.pot.rolls and bool(self.pot.flame)
        vigour = (1.0 if self.pot.lid or self.pot.flame == "strong" else 0.75) if rolls else 0.15
        held = max(0.15, 1 - 0.02 * max(0.0, self.brix - SHRINKS_ABOVE[self.plan.use]))
        room = min(1.0, 1 / max(1e-6, self.crowd(go, 1.0))) ** 0.6
        tight = clamp(1 - (self.texture - 60) / 60)
        to = vigour * held * room * tight * (1 - 0.5 * clamp(go.bumped))
        go.swelled += (to - go.swelled) / SWELLS_S
        go.peak = max(go.peak, go.swelled)
        go.crowd = max(go.crowd, self.crowd(go, go.swelled))
        go.cooked_s += vigour if vigour > 0.5 else 0.2

    # -- what it tells -------------------------------------------------------------------------------

    def signs(self) -> Sequence[Sign]:
        found: list[Sign] = []
        go = self.go
        if go and self._broken(go):
            found.append(Sign("broken", f"Crumbs drift in the syrup: {self._broken(go)} have opened."))
        if self.brix > self.plan.brix + TOO_STRONG_BY - 2:
            found.append(Sign("strong", "The syrup runs thick from the spoon.", ("water",)))
        if go:
            found.append(self._balls(go))
        if not self.pot.rolls:
            words = ((90, "The syrup trembles."), (70, "The syrup steams."), (-9, "The syrup is warm."))
            calls = ("flame",) if go else ()
            found.append(Sign("state", level_word(self.pot.celsius, words), calls))
        else:
            found.append(
                Sign(
                    "state",
                    "The syrup rolls." if self.pot.flame == "strong" or self.pot.lid else "The syrup boils gently.",
                )
            )
        if self.waits:
            found.append(Sign("ready", "The balls are not made yet."))
        elif self.left and not go:
            more = f"{self.left} balls wait." if self.goes else f"{self.left} balls lie ready."
            found.append(Sign("ready", more, ("drop",) if self.pot.rolls else ()))
        return found

    def _balls(self, go: Go) -> Sign:
        if go.crowd > 1.05:
            return Sign("crowd", "They press on one another and ride up the side.")
        if go.cooked_s >= COOKED_S:
            return Sign("cooked", "They are large and spring back; a pressed one sinks and fills again.", ("lift",))
        words = ((0.7, "They have all but doubled and bob."), (0.3, "They swell and turn by themselves."))
        return Sign("swell", level_word(go.swelled, (*words, (0.0, "They lie low in the syrup."))))

    def true(self, channel: str) -> float | None:
        match channel:
            case "probe":
                return self.pot.celsius
            case "refractometer":
                return self.brix if self.brix < 62 else None
        return None

    @property
    def followed(self) -> float:
        return self.brix

    @property
    def goal(self) -> float:
        return self.plan.brix

    def view(self) -> dict[str, float]:
        go = self.go
        return {
            **pan_drawn(self.plan.pan),
            "depth_m": self.pot.depth_m,
            "flame": drawn(self.pot.flame),
            "lid": float(self.pot.lid),
            "balls": float(go.count if go else 0),
            "ball_m": self.width_m(go.swelled if go else 0.0),
            "rolls": float(self.pot.rolls),
        }

    # -- what became of them -------------------------------------------------------------------------

    def _chance(self, go: Go) -> tuple[float, float]:
        weak = (0.0 if go.boiling else 0.35) + 0.35 * clamp(go.bumped) + 0.25 * ramp(go.crowd, 1.1, 1.8)
        breaks = clamp(break_chance(self.moisture) + weak + 0.25 * ramp(self.smooth, 0.8, 0.4))
        return breaks, crack_chance(self.moisture, self.texture, clamp(1 - self.smooth))

    def _broken(self, go: Go) -> int:
        breaks, cracks = self._chance(go)
        lot = [uniform(self.luck.seed, "ball", i) for i in range(go.first, go.first + go.count)]
        shown = clamp((self.at_s - go.dropped_s) / 240) if go.lifted_s is None else 1.0
        return sum(1 for p in lot if p < breaks * shown or p > 1 - 0.5 * cracks * shown)

    @property
    def outcome(self) -> str:
        whole = sum(go.count - self._broken(go) for go in self.goes)
        return f"{whole} whole balls of {self.count}"

    def copy(self) -> Self:
        other = super().copy()
        other.pot, other.goes = copy(self.pot), [copy(go) for go in self.goes]
        return other

    def truths(self) -> list[str]:
        return [f"The chhena was {self.moisture * 100:.0f} % moist."]

    def told(self) -> dict[str, Told]:
        cooked = sum(go.count for go in self.goes)
        broken = sum(self._broken(go) for go in self.goes)
        share = (cooked - broken) / self.count

        def mean(of) -> float:  # type: ignore[no-untyped-def]
            return sum(of(go) * go.count for go in self.goes) / cooked if cooked else 0.0

        swelled = mean(lambda go: go.peak)
        crowd = mean(lambda go: ramp(go.crowd, 1.0, 1.6))
        bumped = mean(lambda go: clamp(go.bumped))
        raw = mean(lambda go: ramp(go.cooked_s, COOKED_S * 0.95, COOKED_S * 0.5))
        long = mean(lambda go: ramp(go.cooked_s, LONGEST_COOKED_S, 2 * LONGEST_COOKED_S))
        strong = ramp(self.most_brix, self.plan.brix + TOO_STRONG_BY, self.plan.brix + 25)
        off = abs(self.brix - self.plan.brix)
        usual = max(90.0, 0.3 * (self.at_s - self.began_s))
        return {
            "whole": Told(100 * clamp(share / 0.94), f"{cooked - broken} of {self.count} whole"),
            "swelled": Told(100 * clamp(swelled / 0.8), f"to {1 + 1.3 * swelled:.1f} times their size"),
            "round": Told(
                points(75 * crowd + 70 * bumped), "squashed" if crowd > 0.2 else "dented" if bumped > 0.2 else "round"
            ),
            "heart": Told(
                points(100 * raw + 60 * long + 80 * strong),
                "raw" if raw > 0.2 else "hard" if strong > 0.3 else "soft",
            ),
            "syrup": Told(points(6 * max(0.0, off - 4)), f"{self.brix:.0f} °Bx; {self.plan.brix:.0f} is meant"),
            "standing": Told(points(70 * max(0.0, self.standing_s / usual - 1)), self.at_it),
        }
