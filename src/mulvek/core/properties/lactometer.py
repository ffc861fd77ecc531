"""The lactometer: what a floating hydrometer says of a milk, and whether water was added.

Reduction dossier §2. The corrected reading (CLR) is the density in g/l above 1000 at the instrument's own
temperature. Three instruments with three formulas are in use and disagree by up to 0.4 SNF on one sample,
so one stays with one's own; the density itself, inverted through our volume model, is a fourth opinion.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from ..composition.materials import SNF_SPLIT, Species, dairy
from ..errors import BadInput
from ..ranges import Range
from .density import density_kg_m3

Instrument = Literal["15.6", "27", "29"]


@dataclass(frozen=True, slots=True)
class Formula:
    """An instrument: made for ``at_c``; SNF % = CLR/4 + ``fat``·F + ``constant``; CLR rises ``per_k`` a kelvin."""

    at_c: float
    per_k: float
    fat: float
    constant: float
    source: str


INSTRUMENTS: Mapping[Instrument, Formula] = {
    "15.6": Formula(15.6, 0.18, 0.20, 0.14, "Richmond's formula, 15.6 °C (60 °F) instrument"),
    "27": Formula(27.0, 0.20, 0.25, 0.44, "Indian standard variant, 27 °C instrument (check your local code)"),
    "29": Formula(29.0, 0.20, 0.21, 0.36, "co-operative practice, 29 °C (84 °F) instrument"),
}
TRUSTED_WITHIN_K = 5.0
READING_SD, FORMULA_SD, FAT_SD, UNKNOWN_FAT_SD = 0.125, 0.15, 0.07, 0.228
WATER_SD, SPEAK_ABOVE = 0.04, 0.08
"""Natural spread makes added water uncertain by 4 points; below 8 nothing can be said."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Check:
    """What the reading says. Shares in kg per kg; ``added_water`` against the usual SNF, None when unsaid.

    ``by_density_snf``: SNF by the milk's density instead of the instrument's formula; ``snf`` reaches as far as that,
    and ``ways_differ`` says that the formula alone would not.
    """

    corrected: float
    snf: Range
    total_solids: Range
    by_density_snf: float | None
    ways_differ: bool
    usual_snf: float
    added_water: Range
    water_likely: bool
    off_temperature_k: float
    source: str


def corrected_reading(reading: float, celsius: float, instrument: Instrument) -> float:
    """CLR at the instrument's own temperature, good within 5 K of it.

    >>> round(corrected_reading(27.0, 31.5, "27"), 2)
    27.9
    """
    row = INSTRUMENTS[instrument]
    return reading + row.per_k * (celsius - row.at_c)


def snf_pct(clr: float, fat_pct: float, instrument: Instrument) -> float:
    """Solids not fat, g per 100 g, from the corrected reading and fat.

    >>> round(snf_pct(29.5, 4.3, "15.6"), 3), round(snf_pct(28.25, 4.3, "27"), 4)
    (8.375, 8.5775)
    """
    row = INSTRUMENTS[instrument]
    return clr / 4 + row.fat * fat_pct + row.constant


def snf_by_density_pct(reading: float, celsius: float, fat_pct: float, species: Species = "cow") -> float | None:
    """SNF that gives this density at ``celsius``, g per 100 g, by bisection over 3-16; None when outside.

    >>> round(snf_by_density_pct(26.0, 27.0, 4.3), 3)
    8.397
    """
    low, high = 3.0, 16.0
    target = 1000.0 + reading

    def miss(snf: float) -> float:
        return float(density_kg_m3(dairy(fat_pct, snf, species), celsius)) - target

    if miss(low) > 0 or miss(high) < 0:
        return None
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (low, middle) if miss(middle) > 0 else (middle, high)
    return (low + high) / 2


def added_water(snf: float, usual_snf: float) -> float:
    """Share of the milk that is added water, by its SNF against the usual; same unit for both.

    >>> round(added_water(7.61, 8.72) * 100, 2)
    12.73
    """
    return (usual_snf - snf) / usual_snf


def check_milk(
    reading: float,
    celsius: float,
    fat_pct: float,
    instrument: Instrument = "27",
    *,
    fat_known: bool = True,
    species: Species = "cow",
    usual_snf_pct: float | None = None,
) -> Check:
    """All that one reading says.

    :param reading: lactometer degrees, 10-45. :param celsius: of the sample, 0-45. :param fat_pct: 0-12.
    :param fat_known: false when the fat is the class's and not of this milk: a wider answer.
    :param usual_snf_pct: the milk's own usual SNF; the species' typical one when not given.
    :raises BadInput: naming the figure, when no milk floats a lactometer so.
    """
    for field, value, low, high, unit in (
        ("reading", reading, 10.0, 45.0, "degrees"),
        ("celsius", celsius, 0.0, 45.0, "°C"),
        ("fat", fat_pct, 0.0, 12.0, "g per 100 g"),
    ):
        if not (math.isfinite(value) and low <= value <= high):
            raise BadInput(field, "lactometer-reading-unlikely", value=value, unit=unit, low=low, high=high)
    if instrument not in INSTRUMENTS:
        raise BadInput("instrument", "no-such-lactometer", instrument=instrument)
    clr = corrected_reading(reading, celsius, instrument)
    snf = snf_pct(clr, fat_pct, instrument) / 100
    sd = math.hypot(READING_SD, FORMULA_SD, FAT_SD if fat_known else UNKNOWN_FAT_SD) / 100
    fat_sd = 0.003 if fat_known else 0.006
    usual = (usual_snf_pct if usual_snf_pct is not None else SNF_SPLIT[species].total) / 100
    water = added_water(snf, usual)
    by_density = snf_by_density_pct(reading, celsius, fat_pct, species)
    found = Range.between(snf, sd, 0.0, 1.0)
    differ = by_density is not None and not found.low <= by_density / 100 <= found.high
    if by_density is not None:  # two ways to reckon one thing: the range holds both
        found = Range(min(found.low, by_density / 100), snf, max(found.high, by_density / 100))
    return Check(
        corrected=clr,
        snf=found,
        total_solids=Range.between(snf + fat_pct / 100, math.hypot(sd, fat_sd), 0.0, 1.0),
        by_density_snf=None if by_density is None else by_density / 100,
        ways_differ=differ,
        usual_snf=usual,
        added_water=Range.normal(water, math.hypot(WATER_SD, sd / usual), 0.0),
        water_likely=water > SPEAK_ABOVE,
        off_temperature_k=abs(celsius - INSTRUMENTS[instrument].at_c),
        source=INSTRUMENTS[instrument].source,
    )
