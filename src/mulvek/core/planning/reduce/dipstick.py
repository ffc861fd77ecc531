"""The dip-stick of one pan and one plan: where the marks stand, from the stick's foot up."""

from dataclasses import dataclass
from typing import Literal

from ...equipment.vessels import capacity_m3
from .forecast import Forecast

EVERY_M3 = 100e-6
CLOSEST_M = 0.0025
"""Marks closer than this cannot be told apart on a wet stick: every second one is left out."""


@dataclass(frozen=True, slots=True)
class Mark:
    """A mark at a depth, m. ``volume`` marks stand for milk off the boil; ``start`` is cold."""

    depth_m: float
    kind: Literal["volume", "start", "stop"]
    volume_m3: float


def marks(f: Forecast) -> list[Mark]:
    """The start, the stop and every 100 ml (200, 500 where they would crowd) up to the start, lowest first."""
    shape = f.plan.pan.shape
    top = min(capacity_m3(shape), max(f.start_m3, f.stop_m3.likely) * 1.02)
    found = [
        Mark(f.start_depth_m, "start", f.start_m3),
        Mark(f.stop_depth_m.likely, "stop", f.stop_m3.likely),
    ]
    last = 0.0
    for i in range(1, int(top / EVERY_M3) + 1):
        depth = float(shape.depth_m(i * EVERY_M3))
        if depth - last >= CLOSEST_M:
            found.append(Mark(depth, "volume", i * EVERY_M3))
            last = depth
    return sorted(found, key=lambda m: m.depth_m)
