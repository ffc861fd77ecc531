"""Coconut condensed milk: gently, hardly stirred, or the oil comes out.

Reduction dossier §9, low confidence: the split index weighs the crowding of fat, heat above 85 °C and
stirring. Below 0.40 safe, up to 0.70 oil beads likely, above it splits.
"""

from dataclasses import dataclass

from ...composition.composition import Composition, Number
from ...properties.density import density_kg_m3, fat_specific_volume

SAFE, SPLITS = 0.40, 0.70
STIRS_PER_MIN = 0.5
BARE_MOVEMENT_C = 85.0


def fat_volume_fraction(parts: Composition, celsius: float) -> Number:
    """Share of the volume that is fat, 0-1."""
    share = parts.per_kg()
    return density_kg_m3(share, celsius) * share.fat * fat_specific_volume(celsius)


def split_index(parts: Composition, celsius: float, stirs_per_min: float = STIRS_PER_MIN) -> Number:
    """How near the emulsion is to splitting.

    :param celsius: of the pan, 60-105. :param stirs_per_min: slow strokes of the spoon.
    """
    crowded = 0.5 * (fat_volume_fraction(parts, celsius) / 0.55) ** 2
    return crowded + 0.3 * max(0.0, (celsius - 85.0) / 12.0) + 0.2 * stirs_per_min / 4.0


@dataclass(frozen=True, slots=True)
class Split:
    """The index at the stop, at a bare movement and as hot as this plan runs, and what it means."""

    fat_fraction: float
    gentle: float
    planned: float
    words: str


def judge_split(product: Composition, celsius: float) -> Split:
    """Whether it holds together as planned."""
    gentle = float(split_index(product, BARE_MOVEMENT_C))
    planned = float(split_index(product, celsius))
    words = "holds together" if planned < SAFE else "oil beads are likely" if planned <= SPLITS else "splits"
    return Split(float(fat_volume_fraction(product, celsius)), gentle, planned, words)
