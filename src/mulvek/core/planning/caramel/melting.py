"""Dry sugar in a pan on the flame: how hot it is and when it reaches its shade.

Energy balance: sucrose takes up 1.24 kJ/kg K as crystals and about 2.1 as syrup, and 135 kJ/kg where it melts (CRC
Handbook; it melts over a stretch, not at a point). Beside it the flame warms the part of the pan that touches the
sugar (an estimate, set so that 200 g take the day dossier's 6 to 11 minutes), and what a hot syrup gives to the room.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ...equipment.burners import Burner, Flame
from ...equipment.pans import Pan
from ...equipment.vessels import surface_m2
from ...errors import Impossible
from ...properties.steam import CONVECTION, RADIATION

CRYSTAL_J_KG_K, SYRUP_J_KG_K, MELTS_J_KG = 1240.0, 2100.0, 135_000.0
MELTS_C = (140.0, 165.0)
PAN_SHARE = 0.35
LOSES_AT_C = 140.0
"""The room takes as much as from syrup of this temperature, all along."""
HOTTEST_C = 240.0
LEAST_W = 15.0
SYRUP_KG_M3 = 1400.0


@dataclass(frozen=True, slots=True)
class Melting:
    """Heat taken up between nodes of temperature, and what the flame brings. °C, J, W; rows rise evenly."""

    celsius: Sequence[float]
    joules: Sequence[float]
    net_w: float

    def seconds(self, from_c: float, to_c: float) -> float:
        """On this flame from one temperature to another, s; below zero when it is past it."""
        at = np.interp([from_c, to_c], self.celsius, self.joules)
        return float(at[1] - at[0]) / self.net_w

    def after(self, from_c: float, seconds: float) -> float:
        """Temperature so many seconds later, °C."""
        start = float(np.interp(from_c, self.celsius, self.joules))
        return float(np.interp(start + seconds * self.net_w, self.joules, self.celsius))


def melting(sugar_kg: float, pan: Pan, burner: Burner, flame: Flame, room_c: float) -> Melting:
    """:raises Impossible: field "melt_on", when the room takes all that the flame brings."""
    base = pan.shape.base_diameter_m
    syrup = surface_m2(pan.shape, pan.shape.depth_m(sugar_kg / SYRUP_KG_M3))
    lost = (CONVECTION + RADIATION) * float(syrup) * (LOSES_AT_C - room_c)
    net = burner.net_power_w(flame, base) - lost
    if net < LEAST_W:
        raise Impossible("melt_on", "flame-never-melts-sugar")
    pan_j_k = PAN_SHARE * pan.heat_capacity_j_k
    low, high = MELTS_C
    nodes = (room_c, low, high, HOTTEST_C)
    slopes = (CRYSTAL_J_KG_K, CRYSTAL_J_KG_K + MELTS_J_KG / (high - low), SYRUP_J_KG_K)
    heat = np.cumsum(
        [0.0, *((sugar_kg * c + pan_j_k) * (b - a) for c, a, b in zip(slopes, nodes, nodes[1:], strict=False))]
    )
    return Melting(nodes, heat.tolist(), net)
