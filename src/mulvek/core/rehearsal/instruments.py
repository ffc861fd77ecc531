"""The simulated instruments: what a cook could read of the pan, with bias, noise, drift, rounding, range and drop-outs.

Day dossier §5. A kitchen scale shakes while it boils; a probe lags; a dip-stick is read to the millimetre; a hot
drop reads low on a refractometer and none above 62 °Bx; a lactometer floats only in thin, cool milk; a pH strip has
steps of 0.3.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from ..batch.readings import BRIX_TOP, brix
from ..properties.density import density_kg_m3
from .noise import normal, uniform
from .pan import SimPan

DROP_BLOCK_S = 60
DRIFT_OVER_S = 3600.0
LACTOMETER_UP_TO_C, LACTOMETER_UP_TO_TS = 40.0, 0.20
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
    true: Callable[[SimPan], float | None]


def _dip(pan: SimPan) -> float | None:
    lifted = 0.0025 if pan.boiled_at_s is not None and pan.flame and not pan.paused else 0.0
    return pan.depth_m + lifted * {"gentle": 0.3, "medium": 0.55, "strong": 1.0}.get(pan.flame or "", 0.0)


def _drop(pan: SimPan) -> float | None:
    reads = float(brix(pan.contents))
    hot = max(0.0, pan.celsius - 40.0)
    return None if reads > BRIX_TOP or pan.celsius < 10 else reads - 0.05 * hot


def _float(pan: SimPan) -> float | None:
    if pan.celsius > LACTOMETER_UP_TO_C or pan.total_solids > LACTOMETER_UP_TO_TS:
        return None
    return float(density_kg_m3(pan.contents, pan.celsius)) - 1000.0


INSTRUMENTS: Mapping[str, Instrument] = {
    i.key: i
    for i in (
        Instrument(
            key="scale",
            name="kitchen scale",
            unit="kg",
            bias=0.002,
            noise=0.0012,
            drift=0.002,
            step=0.001,
            true=lambda p: p.mass_kg,
        ),
        Instrument(
            key="probe",
            name="probe thermometer",
            unit="°C",
            bias=0.5,
            noise=0.15,
            drift=0.2,
            step=0.1,
            true=lambda p: p.probe_c,
        ),
        Instrument(key="dip", name="dip-stick", unit="m", bias=0.0008, noise=0.001, drift=0.0, step=0.001, true=_dip),
        Instrument(
            key="refractometer",
            name="refractometer",
            unit="°Bx",
            bias=0.4,
            noise=0.3,
            drift=0.2,
            step=0.1,
            true=_drop,
        ),
        Instrument(
            key="lactometer", name="lactometer", unit="CLR", bias=0.3, noise=0.2, drift=0.0, step=0.5, true=_float
        ),
        Instrument(
            key="ph", name="pH strip", unit="pH", bias=0.05, noise=0.05, drift=0.0, step=PH_STEP, true=lambda p: p.ph
        ),
    )
}
SHAKES_KG = 0.007


def read(pan: SimPan, key: str, *, drop_outs: float = 0.0) -> float | None:
    """What the instrument shows now, in its unit; None when it shows nothing.

    :param drop_outs: share of minutes in which it loses contact for a while (0-1).
    """
    what, hidden, at = INSTRUMENTS[key], pan.hidden, pan.at_s
    true = what.true(pan)
    if true is None or _lost(hidden.seed, key, at, drop_outs):
        return None
    shakes = SHAKES_KG if key == "scale" and pan.boiled_at_s is not None and pan.flame and not pan.paused else 0.0
    drift = what.drift * normal(hidden.seed, "drift-" + key, 0) * at / DRIFT_OVER_S
    slip = what.bias * normal(hidden.seed, "bias-" + key, 0) + drift
    slip += (what.noise + shakes) * normal(hidden.seed, "noise-" + key, at)
    shown = true + hidden.level.noise * slip
    return round(max(0.0, round(shown / what.step) * what.step), 6)


def _lost(seed: int, key: str, at_s: int, share: float) -> bool:
    block = at_s // DROP_BLOCK_S
    if share <= 0 or uniform(seed, "drop-" + key, block) >= share:
        return False
    for_s = 15 + uniform(seed, "drop-for-" + key, block) * (DROP_BLOCK_S - 15)
    return at_s % DROP_BLOCK_S < for_s
