"""The kitchen's clock: what boils goes on boiling, whatever is done to the computer's clock.

Time runs on with a clock that nobody sets, from where the computer's stood at the start or, when something was on the
fire, from no earlier than its newest happening. A computer's clock that then jumps is told of and followed only when
nothing runs, or when the cook says so: all that runs moves with it, so that no minute is lost or doubled.
"""

import threading
import time
from collections.abc import Callable

LEAST_S, UNREMARKED_S = 1e-3, 60.0
LOOK_AGAIN_S = 5.0


def since_boot() -> float:
    """Seconds of a clock that is never set and goes on while the computer sleeps."""
    return time.clock_gettime(getattr(time, "CLOCK_BOOTTIME", time.CLOCK_MONOTONIC))


class KitchenClock:
    """``newest``: seconds since the epoch of the newest happening of what runs, None when nothing does."""

    def __init__(
        self,
        newest: Callable[[], float | None],
        wall: Callable[[], float] = time.time,
        ticks: Callable[[], float] = since_boot,
    ) -> None:
        self._newest, self._wall, self._ticks = newest, wall, ticks
        self._lock = threading.Lock()
        self._began, self._base = ticks(), max(wall(), newest() or 0.0)
        self._looked = -LOOK_AGAIN_S

    def __call__(self) -> float:
        """Seconds since the epoch, as the kitchen has it."""
        with self._lock:
            now = self._now()
            off = self._wall() - now
            if LEAST_S < off <= UNREMARKED_S:  # the computer's clock was put right by a little
                self._base += off
                return now + off
            if abs(off) > UNREMARKED_S and self._due() and self._newest() is None:
                self._base += off
                return now + off
            return now

    @property
    def off_s(self) -> float:
        """How far the computer's clock is ahead (or behind, below zero); 0 while it is not worth a word."""
        now = self()
        off = self._wall() - now
        return off if abs(off) > UNREMARKED_S else 0.0

    def move(self, by_s: float) -> None:
        """Put it on (or back, below zero), when all that runs was moved with it."""
        with self._lock:
            self._base += by_s

    def _now(self) -> float:
        return self._base + (self._ticks() - self._began)  # the small difference first: nothing is rounded off

    def _due(self) -> bool:
        ticks = self._ticks()
        if ticks - self._looked < LOOK_AGAIN_S:
            return False
        self._looked = ticks
        return True
