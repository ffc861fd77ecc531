"""Learning a kitchen's own numbers from its batches: named effects on a table value, shrunk, robust, with drift noticed.

ln(true ÷ told) is a sum of effects (this burner, this pan on this flame, this milk), each zero at first with its own sd: that is
the shrinkage. One Kalman step a batch; a wild one counts for little (Student-t, ν = 4); how far batches scatter is learned
too; a shift that goes on is noticed by a two-sided CUSUM (k 0.6, h 4.5), after which the past is believed less. Day dossier §6.
"""

import math
from collections.abc import Callable, Hashable, Sequence
from dataclasses import dataclass

import numpy as np

Effect = tuple[str, Hashable]
NU = 4.0
FORGETS_SD = 0.008
"""What an effect may have moved between two batches."""
FEW = 5
"""So few batches say nothing yet of how far batches scatter, nor of what has moved between them."""
SLACK, ALARM, CLIPPED = 0.6, 4.5, 2.5
WIDENED_SD = 0.12
SLIP = 6.0
"""So many sd off is a wrong unit or a forgotten tare: it teaches nothing."""
SET_ASIDE = 0.5
"""A batch of less weight is told as set aside."""
CLEAR_SLIP = 3.0
"""So many sd off, it says nothing of how far batches scatter."""
LEAST_SCATTER = 0.2
ASKED_FOR = 10
"""So many batches after it was noticed a drift is still asked about."""


@dataclass(frozen=True, slots=True)
class Seen:
    """What one batch says: ln(true ÷ told) and its own sd, and on which effects it hangs, the most specific last."""

    batch: int
    effects: tuple[Effect, ...]
    ln_ratio: float
    sd: float


@dataclass(frozen=True, slots=True)
class Used:
    """How a batch was taken: ``z`` sd off what was believed before it, and its weight, 1 for all of it."""

    batch: int
    z: float
    weight: float

    @property
    def aside(self) -> bool:
        return self.weight < SET_ASIDE


@dataclass(frozen=True, slots=True)
class Drift:
    """A shift that went on: of all, or of one effect; ``ln_shift`` off what was believed, in these batches."""

    effect: Effect | None
    ln_shift: float
    batches: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Belief:
    """ln of true ÷ told, its sd, that of the next batch, and from how many batches."""

    ln_mean: float
    ln_sd: float
    next_sd: float
    batches: int


class _Cusum:
    """Sums of what lies above and below, each since it was last nothing."""

    def __init__(self) -> None:
        self.sums = [0.0, 0.0]
        self.since: list[list[tuple[int, float]]] = [[], []]

    def add(self, batch: int, z: float, residual: float) -> list[tuple[int, float]] | None:
        """The batches of the shift, when it is one."""
        clipped = max(-CLIPPED, min(CLIPPED, z))
        for side, sign in enumerate((1.0, -1.0)):
            self.sums[side] = max(0.0, self.sums[side] + sign * clipped - SLACK)
            self.since[side] = [*self.since[side], (batch, residual)] if self.sums[side] else []
        side = int(self.sums[1] > self.sums[0])
        return self.since[side] if self.sums[side] > ALARM else None


class Learned:
    """What batches taught so far. ``prior``: sd of an effect before any.

    >>> learned = Learned(lambda effect: {"burner": 0.28, "cell": 0.21}[effect[0]])
    >>> for n, ratio in enumerate((1.18, 1.07, 1.22)):
    ...     learned.add(Seen(n, (("burner", 1), ("cell", "kadhai")), math.log(ratio), 0.15))
    >>> told = learned.of((("burner", 1), ("cell", "kadhai")))
    >>> round(told.ln_mean, 2), round(told.ln_sd, 2), told.batches
    (0.14, 0.08, 3)
    >>> round(learned.of((("burner", 1), ("cell", "pot"))).ln_mean, 2)  # another pan on the same burner
    0.09
    """

    def __init__(self, prior: Callable[[Effect], float]) -> None:
        self._prior = prior
        self._at: dict[Effect, int] = {}
        self._mean = np.zeros(0)
        self._cov = np.zeros((0, 0))
        self._count: dict[Effect, int] = {}
        self._scatter, self._said = 1.0, [3.0, 3.0]
        self._cusums: dict[Effect | None, _Cusum] = {}
        self.used: list[Used] = []
        self.drifts: list[tuple[int, Drift]] = []
        """With how many batches had been seen when each was noticed."""

    @classmethod
    def from_(cls, seen: Sequence[Seen], prior: Callable[[Effect], float]) -> "Learned":
        learned = cls(prior)
        for one in seen:
            learned.add(one)
        return learned

    def of(self, effects: Sequence[Effect], sd: float = 0.0) -> Belief:
        """What is believed of a batch with these effects; ``sd``: what a single one scatters."""
        known = [self._at[e] for e in effects if e in self._at]
        variance = float(self._cov[np.ix_(known, known)].sum()) + sum(
            self._prior(e) ** 2 for e in effects if e not in self._at
        )
        following = math.sqrt(variance + self._scatter * sd * sd)
        count = self._count.get(effects[-1], 0)
        return Belief(float(self._mean[known].sum()), math.sqrt(variance), following, count)

    @property
    def drift(self) -> Drift | None:
        """The newest that is still to be asked about."""
        if self.drifts and len(self.used) - self.drifts[-1][0] < ASKED_FOR:
            return self.drifts[-1][1]
        return None

    def add(self, seen: Seen) -> None:
        at = [self._place(effect) for effect in seen.effects]
        gain = self._cov[:, at].sum(axis=1)
        noise = self._scatter * seen.sd**2
        residual = seen.ln_ratio - float(self._mean[at].sum())
        before = float(gain[at].sum()) + noise
        z = residual / math.sqrt(before)
        weight = min(1.0, (NU + 1) / (NU + z * z))
        if abs(z) > SLIP:
            weight = 0.0
        else:
            after = float(gain[at].sum()) + noise / weight
            self._mean = self._mean + gain * (residual / after)
            self._cov = self._cov - np.outer(gain, gain) / after
        if len(self.used) >= FEW:
            self._cov[at, at] += FORGETS_SD**2
        for effect in seen.effects:
            self._count[effect] += weight >= SET_ASIDE
        if abs(z) < CLEAR_SLIP and len(self.used) >= FEW:
            self._said[0] += 0.9
            self._said[1] += 0.9 * z * z * self._scatter
            self._scatter = max(LEAST_SCATTER**2, 0.5 * self._scatter + 0.5 * self._said[1] / self._said[0])
        self.used.append(Used(seen.batch, z, weight))
        self._watch(seen, z, residual)

    def _place(self, effect: Effect) -> int:
        if effect not in self._at:
            n = len(self._at)
            grown = np.zeros((n + 1, n + 1))
            grown[:n, :n] = self._cov
            grown[n, n] = self._prior(effect) ** 2
            self._cov, self._mean = grown, np.append(self._mean, 0.0)
            self._at[effect], self._count[effect] = n, 0
        return self._at[effect]

    def _watch(self, seen: Seen, z: float, residual: float) -> None:
        for effect in (None, seen.effects[-1]):
            shift = self._cusums.setdefault(effect, _Cusum()).add(seen.batch, z, residual)
            if shift is not None:
                self._cusums = {}
                self._widen(seen.effects[0] if effect is None else effect)
                by = float(np.median([r for _, r in shift]))
                self.drifts.append((len(self.used), Drift(effect, by, tuple(n for n, _ in shift))))
                return

    def _widen(self, effect: Effect) -> None:
        """The past is believed less of what moved: what is common to all, or the one."""
        at = self._at[effect]
        self._cov[at, at] += WIDENED_SD**2
        self._count = {e: min(n, 1) if e[0] == effect[0] else n for e, n in self._count.items()}
