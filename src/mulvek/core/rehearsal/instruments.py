"""The simulated instruments: what a cook could read, with bias, noise, drift, rounding, range and drop-outs.

Day dossier §5. A kitchen scale shakes while it boils; a pH strip has steps of 0.3. What each can see of a route at all is
that route's own (``World.true``): a hot drop reads low on a refractometer, a lactometer floats only in thin, cool milk.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from .noise import normal, uniform
from .world import World

DROP_BLOCK_S = 60
DRIFT_OVER_S = 3600.0
PH_STEP = 0.3


@dataclass(frozen=True, slots=True, kw_only=True)
class Instrument:
    """One instrument. ``bias`` and ``noise`` 1 sd and ``drift`` an hour, in ``unit``; ``step``: what it rounds to."""

    key: str
    name: str
    unit: str
    bias: float
    noise: float
    drift: float
    step: float
    least: float = 0.0


INSTRUMENTS: Mapping[str, Instrument] = {
    i.key: i
    for i in (
        Instrument(key="scale", name="kitchen scale", unit="kg", bias=0.002, noise=0.0012, drift=0.002, step=0.001),
        Instrument(
            key="probe",
            name="probe thermometer",
            unit="°C",
            bias=0.5,
            noise=0.15,
            drift=0.2,
            step=0.1,
            least=-40.0,
        ),
        Instrument(key="dip", name="dip-stick", unit="m", bias=0.0008, noise=0.001, drift=0.0, step=0.001),
        Instrument(key="refractometer", name="refractometer", unit="°Bx", bias=0.4, noise=0.3, drift=0.2, step=0.1),
        Instrument(key="lactometer", name="lactometer", unit="CLR", bias=0.3, noise=0.2, drift=0.0, step=0.5),
        Instrument(key="ph", name="pH strip", unit="pH", bias=0.05, noise=0.05, drift=0.0, step=PH_STEP),
    )
}
SHAKES_KG = 0.007


def read(world: World, key: str, *, drop_outs: float = 0.0) -> float | None:
    """What the instrument shows now, in its unit; None when it shows nothing.

    :param drop_outs: share of minutes in which it loses contact for a while (0-1).
    """
    what, luck, at = INSTRUMENTS[key], world.luck, world.at_s
    true = world.true(key)
    if true is None or _lost(luck.seed, key, at, drop_outs):
        return None
    shakes = SHAKES_KG if key == "scale" and world.shakes else 0.0
    drift = what.drift * normal(luck.seed, "drift-" + key, 0) * at / DRIFT_OVER_S
    slip = what.bias * normal(luck.seed, "bias-" + key, 0) + drift
    slip += (what.noise + shakes) * normal(luck.seed, "noise-" + key, at)
    shown = true + luck.level.noise * slip
    return round(max(what.least, round(shown / what.step) * what.step), 6)


def _lost(seed: int, key: str, at_s: int, share: float) -> bool:
    block = at_s // DROP_BLOCK_S
    if share <= 0 or uniform(seed, "drop-" + key, block) >= share:
        return False
    for_s = 15 + uniform(seed, "drop-for-" + key, block) * (DROP_BLOCK_S - 15)
    return at_s % DROP_BLOCK_S < for_s
