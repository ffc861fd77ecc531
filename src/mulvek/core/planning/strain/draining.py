"""Yoghurt hung in a cloth: how much whey, how fast, how thick, how sour.

Curd dossier §9. Whey leaves by a stretched exponential towards a limit set by fat and protein; acid forms
on by a law that doubles in 7 °C. Times are known to a third until a reading is taken.
"""

import math
import re
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from ...errors import BadInput

Cloth = Literal["muslin", "double-muslin", "fine-mesh", "kitchen-towel", "paper"]
CLOTHS: Mapping[str, float] = {
    "muslin": 1.0,
    "double-muslin": 1.15,
    "fine-mesh": 0.85,
    "kitchen-towel": 1.4,
    "paper": 1.6,
}
"""How much slower each drains than a single muslin."""
Hung = Literal["hung", "sieve", "weighted"]
KEEPS_WATER: Mapping[str, float] = {"hung": 7.0, "sieve": 8.0, "weighted": 5.5}
WHEY_SOLIDS, WHEY_DENSITY = 0.058, 1024.0
_TAU_H, _POWER, _Q10, _REF_M = 4.0, 0.70, 1.35, 0.02
HEIGHT_POWER = 1.2
"""How draining time grows with the height of the curd."""
_SOUR_5, _SOUR_Q10, _SOUR_LIMIT = 0.006, 2.7, 2.2
TAU_LN_SD = 0.35
TOO_SOUR, SOUR, FRESH = 1.3, 1.1, 0.9
COUNTER_S = 7200.0


@dataclass(frozen=True, slots=True)
class Drain:
    """What is known of how slowly a cloth drains here: ln of true ÷ table's time constant, its sd for the next hanging,
    and from how many. The first guess is the table's own (±35 %)."""

    ln_mean: float = 0.0
    ln_sd: float = TAU_LN_SD
    batches: int = 0


@dataclass(frozen=True, slots=True)
class End:
    """A thickness one strains to: total solids from and up to, kg per kg."""

    key: str
    name: str
    low: float
    high: float


ENDS: tuple[End, ...] = (
    End("soft", "soft", 0.18, 0.20),
    End("spoonable", "spoonable", 0.20, 0.22),
    End("shrikhand", "ready for shrikhand", 0.24, 0.28),
    End("firm", "firm", 0.30, 0.33),
)


THINNEST, THICKEST, SPOON_SD = 0.15, 0.40, 0.01


def end_of(words: str) -> End | None:
    """An end by its name, or by its total solids; None of what is neither.

    >>> end_of("shrikhand").name, end_of("29 % solids").low, end_of("stiff")
    ('ready for shrikhand', 0.28, None)
    """
    named = next((end for end in ENDS if end.key == words), None)
    share = re.fullmatch(r"(?:to )?(\d{1,2}(?:[.,]\d+)?) ?%(?: (?:total )?solids)?", words.strip().lower())
    if named is not None or share is None:
        return named
    solids = float(share[1].replace(",", ".")) / 100
    if not THINNEST <= solids <= THICKEST:
        return None
    return End("solids", f"{solids * 100:g} % solids", round(solids - SPOON_SD, 4), round(solids + SPOON_SD, 4))


@dataclass(frozen=True, slots=True)
class Yoghurt:
    """kg per kg; ``gel_protein`` is the protein that stays in the curd."""

    fat: float
    gel_protein: float
    total_solids: float


def most_whey(yoghurt: Yoghurt, keeps: float = KEEPS_WATER["hung"]) -> float:
    """The most whey that can leave, share of the start.

    >>> round(most_whey(Yoghurt(0.039, 0.0312, 0.131)), 4)
    0.7114
    """
    return 1 - (yoghurt.fat + yoghurt.gel_protein * (1 + keeps))


def solids_after(total_solids: float, whey_share: float) -> float:
    """Total solids once so much whey has left, kg per kg."""
    return (total_solids - WHEY_SOLIDS * whey_share) / (1 - whey_share)


def whey_for(total_solids: float, wanted: float) -> float:
    """Whey that must leave to reach total solids, share of the start."""
    return (wanted - total_solids) / (wanted - WHEY_SOLIDS)


def time_constant_s(length_m: float, celsius: float, total_solids: float, cloth: float = 1.0) -> float:
    """Time constant of draining, s (±35 %).

    :param length_m: drained volume over draining area; a hung kilogram about 0.02.
    """
    hours = _TAU_H * math.pow(length_m / _REF_M, HEIGHT_POWER) * math.pow(_Q10, -(celsius - 5) / 10)
    return 3600 * hours * math.exp(8 * (total_solids - 0.125)) * cloth


def seconds_to(share_of_most: float, tau_s: float) -> float:
    """Time until so much of the most has left, s; 0 to 0.99."""
    return float(tau_s * (-math.log(1 - share_of_most)) ** (1 / _POWER))


def share_after(seconds: float, tau_s: float) -> float:
    return 1 - math.exp(-(float(seconds / tau_s) ** _POWER))


def learn(
    ln_tau: float, variance: float, seconds: float, share_of_most: float, scale_share: float
) -> tuple[float, float]:
    """ln τ and its variance after whey was weighed (τ and ``seconds`` in one unit).

    :param scale_share: the scale's error over the most whey.

    >>> got = learn(math.log(time_constant_s(0.026, 5.0, 0.131, 1.15) / 3600), 0.35**2, 3.2, 0.41, 0.02)
    >>> round(math.exp(got[0]), 6)
    7.708697
    """
    seen, noise = _seen(seconds, share_of_most, scale_share)
    gain = variance / (variance + noise)
    return ln_tau + gain * (seen - ln_tau), (1 - gain) * variance + 0.0025


def _seen(seconds: float, x: float, scale_share: float) -> tuple[float, float]:
    """ln τ as whey of share ``x`` of the most says it, and its variance."""
    seen = math.log(seconds) - math.log(-math.log(1 - x)) / _POWER
    return seen, 0.01 + (scale_share**2 + (0.05 * x) ** 2) / (_POWER * (1 - x) * (-math.log(1 - x))) ** 2


LEAST_SHARE, MOST_SHARE = 0.05, 0.95
"""Of the most whey: less was hardly begun, and near the end time says nothing any more."""


def drained_in(readings: Iterable[tuple[float, float]], scale_share: float) -> float | None:
    """ln τ of a whole hanging, by all that was weighed of it, each by what it is worth; None where nothing tells.

    :param readings: seconds since it was hung, and the whey so far as a share of the most.

    >>> tau = drained_in([(3.2, 0.41)], 0.02)
    >>> round(math.exp(tau), 2), drained_in([(90.0, 0.99)], 0.02)
    (7.98, None)
    """
    seen = [_seen(s, x, scale_share) for s, x in readings if s > 0 and LEAST_SHARE <= x <= MOST_SHARE]
    if not seen:
        return None
    weights = [1 / noise for _, noise in seen]
    return sum(w * ln_tau for w, (ln_tau, _) in zip(weights, seen, strict=True)) / sum(weights)


def cools_to_c(place_c: float, start_c: float, mass_kg: float, seconds: float) -> float:
    """Temperature in a fridge or on the counter after so long, °C."""
    return place_c + (start_c - place_c) * math.exp(-seconds / 3600 / (3 * mass_kg ** (2 / 3)))


def sourness(start: float, seconds: float, celsius_at: Callable[[float], float]) -> float:
    """Acidity after so long, % lactic acid, in steps of six minutes.

    >>> round(sourness(0.83, 9 * 3600.0, lambda s: cools_to_c(5.0, 27.0, 1.83, s)), 6)
    0.927023
    """
    acid, steps = start, max(1, round(seconds / 360.0))
    step_h = seconds / 3600 / steps
    for i in range(steps):
        rate = _SOUR_5 * _SOUR_Q10 ** ((min(42.0, celsius_at((i + 0.5) * seconds / steps)) - 5) / 10)
        acid = _SOUR_LIMIT - (_SOUR_LIMIT - acid) * math.exp(-rate * step_h / _SOUR_LIMIT)
    return acid


def tastes(acidity: float) -> str:
    """What an acidity (% lactic) tastes like."""
    if acidity < FRESH:
        return "mild"
    if acidity < SOUR:
        return "fresh"
    return "sour" if acidity <= TOO_SOUR else "too sour for a sweet"


def cloth(key: str) -> float:
    """:raises BadInput: field "cloth"."""
    if key not in CLOTHS:
        raise BadInput("cloth", "no-such-cloth", key=key, cloths=tuple(CLOTHS))
    return CLOTHS[key]
