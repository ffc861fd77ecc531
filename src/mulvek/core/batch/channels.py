"""What instruments measure, and when one of their streams is worth a reading of the batch."""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from .events import Reading, ReadingKind

READ_EVERY_S = 120.0
SETTLE_S = 15.0
LEAST_SAMPLES = 5
SILENT_AFTER_S = 10.0
"""An instrument that should speak every second and says nothing for so long has gone silent."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Channel:
    """One kind of instrument. ``step``: the fineness it is kept with, in ``unit``; ``reads``: the reading of a batch
    that it can stand for; ``shaky``: spread of the last seconds beyond which it is not settled."""

    key: str
    name: str
    unit: str
    step: float
    low: float
    high: float
    reads: ReadingKind | None
    shaky: float = math.inf


CHANNELS: Mapping[str, Channel] = {
    c.key: c
    for c in (
        Channel(
            key="scale", name="kitchen scale", unit="kg", step=1e-4, low=0.0, high=300.0, reads="weight", shaky=0.05
        ),
        Channel(
            key="probe",
            name="probe thermometer",
            unit="°C",
            step=0.01,
            low=-40.0,
            high=300.0,
            reads="temperature",
            shaky=2.0,
        ),
        Channel(key="dip", name="dip-stick", unit="m", step=1e-4, low=0.0, high=2.0, reads="depth", shaky=0.005),
        Channel(
            key="refractometer",
            name="refractometer",
            unit="°Bx",
            step=0.01,
            low=0.0,
            high=95.0,
            reads="brix",
            shaky=2.0,
        ),
        Channel(key="lactometer", name="lactometer", unit="CLR", step=0.01, low=-10.0, high=60.0, reads=None),
        Channel(key="ph", name="pH strip", unit="pH", step=0.01, low=0.0, high=14.0, reads=None),
    )
}
BEST_FIRST = ("scale", "dip", "refractometer")
"""Which channel speaks for the water that is left, when several do: the surest alone, as they err together."""


def speaks(present: Collection[str]) -> str | None:
    """The channel whose readings are learned from."""
    return next((key for key in BEST_FIRST if key in present), None)


def settled(channel: Channel, at_s: Sequence[float], values: Sequence[float], now_s: float) -> float | None:
    """The middle of the last quarter minute, in the channel's unit; None when there are too few or it shakes.

    >>> settled(CHANNELS["probe"], [1, 2, 3, 4, 5], [99.8, 100.0, 100.1, 100.0, 99.9], 6)
    100.0
    """
    last = [v for t, v in zip(at_s, values, strict=True) if now_s - SETTLE_S <= t <= now_s]
    if len(last) < LEAST_SAMPLES or float(np.std(last)) > channel.shaky:
        return None
    return float(np.median(last))


def as_reading(channel: Channel, value: float, tare_kg: float) -> Reading | None:
    """The reading of the batch that a settled value stands for: a scale's without the pan's weight."""
    if channel.reads is None:
        return None
    return Reading(channel.reads, value - tare_kg if channel.key == "scale" else value, by=channel.key)
