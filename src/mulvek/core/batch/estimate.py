"""The live estimate: how much water is left and how fast it goes, corrected by every reading.

Reduction dossier §4 "Live filter": an extended Kalman filter of two states, water W (kg) and λ = ln k
(k kg/s, the rate where the pan's own curve f(W) is 1), with dW/dt = −e^λ·f(W). Both drift slowly, so that
old readings count less than new ones.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from ..ranges import Z80, Range

WATER_DRIFT = 1e-3**2 / 60
"""Variance that the water gains per second, kg²/s (1 g per root minute)."""
RATE_DRIFT = 0.001 / 60
"""Variance that λ gains per second (10 % in ten minutes)."""
FLAME_CHANGE_SD = 0.15
SURPRISE = 4.0
LONGEST_STEP_S = 60.0
MOST_STEPS = 24 * 60

Curve = Callable[[float], float]
"""f(W): rate at W kg of water, as a share of the reference rate."""


@dataclass(frozen=True, slots=True)
class Estimate:
    """Belief about water (kg) and λ (ln of kg/s), with its covariance."""

    water_kg: float
    ln_rate: float
    var_water: float
    cov: float
    var_rate: float

    def predicted(self, seconds: float, curve: Curve, driest_kg: float = 0.0) -> "Estimate":
        """The belief ``seconds`` later, stepped a minute at a time for the first day; a pan that has come down to
        ``driest_kg`` of water, where ``curve`` ends, stays there."""
        here = self
        steps = min(max(1, math.ceil(seconds / LONGEST_STEP_S)), MOST_STEPS)
        for done in range(steps if seconds > 0 else 0):
            if here.water_kg <= driest_kg:
                left = seconds * (1 - done / steps)
                return replace(
                    here,
                    water_kg=min(self.water_kg, driest_kg),
                    var_water=here.var_water + WATER_DRIFT * left,
                    var_rate=here.var_rate + RATE_DRIFT * left,
                )
            here = here._step(seconds / steps, curve)
        return here

    def _step(self, dt: float, curve: Curve) -> "Estimate":
        w = self.water_kg
        nudge = 1e-3 * max(w, 1e-3)
        k = math.exp(self.ln_rate)
        slope = k * (curve(w + nudge) - curve(w - nudge)) / (2 * nudge)
        gone = k * curve(w) * dt
        a, b = 1 - dt * slope, -gone
        return Estimate(
            max(0.0, w - gone),
            self.ln_rate,
            a * a * self.var_water + 2 * a * b * self.cov + b * b * self.var_rate + WATER_DRIFT * dt,
            a * self.cov + b * self.var_rate,
            self.var_rate + RATE_DRIFT * dt,
        )

    def surprised_by(self, water_kg: float, sd_kg: float) -> bool:
        """Whether a reading lies more than four sd from what was expected."""
        return abs(water_kg - self.water_kg) > SURPRISE * math.sqrt(self.var_water + sd_kg**2)

    def updated(self, water_kg: float, sd_kg: float) -> "Estimate":
        """The belief after a reading of the water, with the reading's own sd."""
        total = self.var_water + sd_kg**2
        k_water, k_rate = self.var_water / total, self.cov / total
        miss = water_kg - self.water_kg
        return Estimate(
            max(0.0, self.water_kg + k_water * miss),
            self.ln_rate + k_rate * miss,
            (1 - k_water) * self.var_water,
            (1 - k_water) * self.cov,
            self.var_rate - k_rate * self.cov,
        )

    def scaled(self, share: float) -> "Estimate":
        """The belief about a share of the pan; how fast its share goes is as sure as before."""
        return replace(
            self, water_kg=self.water_kg * share, var_water=self.var_water * share * share, cov=self.cov * share
        )

    def doubted(self, water_kg: float) -> "Estimate":
        """Make room for a reading that the cook insists on: the water may be anywhere up to there."""
        return replace(self, var_water=self.var_water + (water_kg - self.water_kg) ** 2)

    def on_new_flame(self, ln_ratio: float) -> "Estimate":
        """After the flame changed by ``ln_ratio`` of the model's rates."""
        return replace(self, ln_rate=self.ln_rate + ln_ratio, var_rate=self.var_rate + FLAME_CHANGE_SD**2)

    def seconds_to(self, water_kg: float, curve: Curve, slices: int = 60) -> Range:
        """Time until so much water is left, s; zero when it is already less."""
        span = self.water_kg - water_kg
        if span <= 0:
            return Range.exact(0.0)
        edges = np.linspace(water_kg, self.water_kg, slices + 1)
        middles = (edges[1:] + edges[:-1]) / 2
        k = math.exp(self.ln_rate)
        t = sum(span / slices / (k * curve(float(w))) for w in middles)
        variance = (
            self.var_water / span**2
            + self.var_rate
            - 2 * self.cov / span
            + RATE_DRIFT * t / 3
            + WATER_DRIFT * t / span**2
        )
        sd = math.sqrt(max(variance, 1e-9))
        # lognormal, additive once the spread is over a half: close to the stop
        c = min(sd, 0.5)
        low = max(0.0, t - t * sd * (1 - math.exp(-Z80 * c)) / c)
        return Range(low, t, t + t * sd * (math.exp(Z80 * c) - 1) / c)

    def lesson(self, ln_model: float, prior_mean: float, prior_sd: float) -> tuple[float, float] | None:
        """(ln ratio, sd) that this batch teaches: the prior it began with is divided out again.

        None when nothing was learned.
        """
        information = 1 / self.var_rate - 1 / prior_sd**2
        if information <= 0:
            return None
        y = ((self.ln_rate - ln_model) / self.var_rate - prior_mean / prior_sd**2) / information
        return y, math.sqrt(1 / information + 0.10**2)
