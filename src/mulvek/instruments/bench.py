"""What the stand-ins stand in: a simulated pan that runs by the second, or saved lines played again."""

import threading
import time
from collections import deque
from collections.abc import Iterator, Sequence
from dataclasses import replace

from ..core.batch.channels import CHANNELS
from ..core.composition.materials import material
from ..core.equipment.burners import Burner
from ..core.equipment.kitchen import Kitchen
from ..core.equipment.pans import Pan
from ..core.equipment.quantities import Measures
from ..core.equipment.vessels import Straight
from ..core.planning.reduce.plan import Amount, ReducePlan
from ..core.planning.reduce.stops import read_stop
from ..core.rehearsal.acting import Act
from ..core.rehearsal.cooks.pan import Careful
from ..core.rehearsal.hidden import hide
from ..core.rehearsal.instruments import read
from ..core.rehearsal.worlds.pan import SimPan
from .lines import Line

KEPT_LINES = 6 * 3600
SLOWEST_TICK_S = 1.0


def ordinary_plan() -> ReducePlan:
    """1.6 L of cow's milk in a straight 22 cm pot, boiled down to two thirds: what stands there until told otherwise."""
    return ReducePlan(
        milk=material("cow"),
        amount=Amount.read("1.6 L", "amount", "L", Measures()),
        pan=Pan("straight pot", Straight(0.22, 0.135), "stainless-sandwich", 1.4),
        burner=Burner("burner"),
        flame="medium",
        stop=read_stop("two thirds of its volume"),
        sugar=None,
        sugar_time="end",
        kitchen=Kitchen(),
    )


class Bench:
    """Lines as they come, kept for six hours so that a listener can go on where it left off."""

    def __init__(self, channels: Sequence[str]) -> None:
        self.channels = list(channels)
        self._lines: deque[Line] = deque(maxlen=KEPT_LINES)
        self._more = threading.Condition()
        self._began = time.monotonic()

    def put(self, values: dict[str, float], at_s: float | None = None) -> None:
        with self._more:
            n = self._lines[-1].n + 1 if self._lines else 1
            at = time.monotonic() - self._began if at_s is None else at_s
            self._lines.append(Line(n, round(at, 3), values))
            self._more.notify_all()

    def last(self) -> int:
        """Number of the newest line, 0 before the first."""
        with self._more:
            return self._lines[-1].n if self._lines else 0

    def lines(self) -> list[Line]:
        with self._more:
            return list(self._lines)

    def _beyond(self, n: int) -> list[Line]:
        if not self._lines or self._lines[-1].n <= n:
            return []
        return [line for line in self._lines if line.n > n]

    def follow(self, after: int, patience_s: float = 15.0) -> Iterator[Line | None]:
        """Lines beyond number ``after``, then each new one; None when nothing came for a while."""
        while True:
            with self._more:
                if not (fresh := self._beyond(after)):
                    self._more.wait(patience_s)
                    fresh = self._beyond(after)
            if not fresh:
                yield None
            for line in fresh:
                after = line.n
                yield line


class PanBench(Bench):
    """The instruments in a simulated pan. A careful cook tends it until somebody says what is done to it."""

    def __init__(self, channels: Sequence[str], *, level: int, seed: int, speed: float, drop_outs: float) -> None:
        super().__init__(channels)
        self.level, self.seed, self.speed, self.drop_outs = level, seed, speed, drop_outs
        self._lock = threading.Lock()
        self._plan = ordinary_plan()
        self._pan = SimPan(hide(self._plan, level, seed))
        self._cook: Careful | None = Careful()

    def stand_in(self, plan: ReducePlan, acts: Sequence[Act], at_s: int, water_kg: float | None) -> None:
        """Stand in this pan from now on: all that was done to it so far, how long it has been lit, and the water
        that is thought to be in it now. A pan that is simulated already goes on, with what was done since."""
        with self._lock:
            old = self._pan
            known = self._cook is None and _same(self._plan, plan) and _follows(old.acts, acts)
            if known and (abs(old.at_s - at_s) <= SAME_TIME_S or self.speed > 1):
                for act in acts[len(old.acts) :]:
                    old.act(replace(act, at_s=old.at_s))
                return
        pan = SimPan(hide(plan, self.level, self.seed))
        pan.run_to(at_s, acts)
        if water_kg is not None:
            pan.set_water(water_kg)
        with self._lock:
            self._pan, self._plan, self._cook = pan, plan, None

    def run(self, stop: threading.Event) -> None:
        """A line every second of the pan's own time, ``speed`` times as fast as the clock."""
        due = time.monotonic()
        while not stop.wait(max(0.0, due - time.monotonic())):
            due = max(due + SLOWEST_TICK_S / self.speed, time.monotonic() - 5.0)
            with self._lock:
                pan = self._pan
                if self._cook is not None:
                    for act in self._cook(pan):
                        pan.act(act)
                if not pan.done:
                    pan.step()
                shown = {key: read(pan, key, drop_outs=self.drop_outs) for key in self.channels}
                if shown.get("scale") is not None:
                    shown["scale"] = round(shown["scale"] + pan.pan.mass_kg, 4)  # type: ignore[operator]
            self.put({key: value for key, value in shown.items() if value is not None})


SAME_ACT_S, SAME_TIME_S = 10, 30


def _follows(done: Sequence[Act], told: Sequence[Act]) -> bool:
    """Whether what is told begins with what was done, give or take a few seconds."""
    return len(done) <= len(told) and all(
        a.kind == b.kind and a.flame == b.flame and a.amount == b.amount and abs(a.at_s - b.at_s) <= SAME_ACT_S
        for a, b in zip(done, told, strict=False)
    )


def _same(a: ReducePlan, b: ReducePlan) -> bool:
    return (a.milk, a.amount, a.pan, a.burner, a.stop) == (b.milk, b.amount, b.pan, b.burner, b.stop)


class Replay(Bench):
    """Saved lines played again at their own pace, ``speed`` times as fast."""

    def __init__(self, recorded: Sequence[Line], speed: float) -> None:
        super().__init__([key for key in CHANNELS if any(key in line.values for line in recorded)])
        self.recorded, self.speed = recorded, speed

    def run(self, stop: threading.Event) -> None:
        began = time.monotonic()
        first = self.recorded[0].at_s if self.recorded else 0.0
        for line in self.recorded:
            at = (line.at_s - first) / self.speed
            if stop.wait(max(0.0, began + at - time.monotonic())):
                return
            self.put(dict(line.values), at)
