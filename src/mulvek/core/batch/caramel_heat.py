"""How hot the sugar of a caramel is: from the flame, moved by each temperature read and each shade seen.

The speed is a belief about ln(true ÷ told time), normal with the model's own spread (reduction dossier §9, §4).
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

from ..planning.caramel.forecast import MELT_LN_SD, CaramelForecast, caramelise
from ..planning.caramel.melting import HOTTEST_C, melting
from ..planning.caramel.plan import CaramelPlan
from ..planning.caramel.shades import (
    BURNT_C,
    CARRY_OVER_K,
    FROM_C,
    READING_SD_K,
    SEEN,
    ends_c,
    middle_c,
    shade_at,
)
from ..ranges import Range
from .events import Event, Reading, ShadeSeen

Trouble = Literal["", "too-dark", "bitter", "burnt"]
SURPRISED = 2.5
"""sd beyond which a reading is believed alone."""
MOST_PACE = 2.5
"""A flame is at most so much slower or faster than told: beyond that it was read wrong."""
PROBE_SD_K, SEEN_OFF_SD_K, PACE_SD = 2.0, 5.0, 0.10


@lru_cache(maxsize=64)
def told_of(plan: CaramelPlan) -> CaramelForecast:
    """What was told when it was lit."""
    return caramelise(plan)


@dataclass(frozen=True, slots=True)
class Sugar:
    """The sugar as it melts: °C now with its spread, K/s, and s until it is to come off."""

    celsius: float
    sd: float
    rise_k_s: float
    off_in_s: Range
    read_at_s: float | None
    read_c: float | None


def melts(plan: CaramelPlan, counted: Sequence[Event], lit_s: float, now_s: float) -> Sugar:
    """The sugar at ``now_s``, or when it came off; what was read later does not count."""
    hearth, room = plan.hearth, plan.kitchen.room_c
    heat = melting(plan.sugar_kg, hearth.pan, hearth.burner, plan.melt_on, room)
    off = told_of(plan).off_c.likely
    mean, weight = 0.0, 1 / MELT_LN_SD**2
    at_s, at_c, sd, read_at = lit_s, room, 1.0, None
    for event in counted:
        seen = _seen(event)
        if seen is None or event.at_s > now_s:
            continue
        celsius, seen_sd = seen
        told_s, took_s = heat.seconds(at_c, celsius), event.at_s - at_s
        if celsius - at_c > 2 * seen_sd and took_s > 5:
            spread = math.hypot(math.hypot(sd, seen_sd) / (celsius - at_c), PACE_SD)
            mean = (mean * weight + math.log(took_s / told_s) / spread**2) / (weight + 1 / spread**2)
            weight += 1 / spread**2
        # what was read before counts on in what is read now
        pace, pace_sd = _pace(mean), 1 / math.sqrt(weight)
        ran_c = heat.after(at_c, max(0.0, took_s) / pace)
        ran_sd = math.hypot(sd, pace_sd * (ran_c - at_c))
        gain = ran_sd**2 / (ran_sd**2 + seen_sd**2)
        if abs(celsius - ran_c) > SURPRISED * math.hypot(ran_sd, seen_sd):
            gain = 1.0  # it was lit before that was said, or the flame moved: what is seen is so
        at_s, read_at = event.at_s, event.at_s
        at_c, sd = ran_c + gain * (celsius - ran_c), math.sqrt(gain) * seen_sd
    pace, pace_sd = _pace(mean), 1 / math.sqrt(weight)
    gone = max(0.0, now_s - at_s)
    now_c = heat.after(at_c, gone / pace)
    left = max(0.0, heat.seconds(now_c, off)) * pace
    rise = (heat.after(now_c, 1.0) - now_c) / pace
    spread = math.hypot(pace_sd * max(gone, left), sd / rise if rise > 1e-3 else 0.0)
    return Sugar(
        min(now_c, HOTTEST_C),
        math.hypot(sd, pace_sd * (now_c - at_c)),
        rise,
        Range.normal(left, spread, 0.0),
        read_at,
        at_c if read_at is not None else None,
    )


def _pace(ln_mean: float) -> float:
    return min(MOST_PACE, max(1 / MOST_PACE, math.exp(ln_mean)))


def _seen(event: Event) -> tuple[float, float] | None:
    """A temperature and its spread, read or told by the shade."""
    match event.what:
        case Reading(how="temperature", value=celsius):
            return celsius, PROBE_SD_K
        case ShadeSeen(shade):
            return middle_c(shade), math.hypot(READING_SD_K, (ends_c(shade) - FROM_C[shade]) / 4)
        case _:
            return None


def taken_off(sugar: Sugar, told: CaramelForecast) -> Sugar:
    """As it came off: a cook who does so sees the shade, which tells as much as the clock, or more."""
    weight, seen = 1 / sugar.sd**2, 1 / SEEN_OFF_SD_K**2
    celsius = (sugar.celsius * weight + told.off_c.likely * seen) / (weight + seen)
    return replace(sugar, celsius=celsius, sd=1 / math.sqrt(weight + seen))


def ends_by_itself(sugar: Sugar | None, after: Sequence[Event], off: bool, told: CaramelForecast) -> Range:
    """Where the sugar ends by itself: from the goal before it is lit, then from what it has; as read ``after`` it was
    off."""
    if sugar is None:
        return Range.normal(told.ends_c, READING_SD_K)
    read = [seen for event in after if (seen := _seen(event)) is not None]
    if read:
        celsius, sd = max(read)
        return Range.normal(celsius, sd)
    least, likely, most = CARRY_OVER_K
    from_c = sugar.celsius if off or sugar.read_at_s is not None else told.off_c.likely
    from_c = from_c if off else max(from_c, told.off_c.likely)
    return Range(from_c + least - sugar.sd, from_c + likely, from_c + most + sugar.sd)


def trouble_of(plan: CaramelPlan, sugar: Sugar, ends: Range, off: bool) -> Trouble:
    """What is wrong with the colour that it comes to. Lost it is only as somebody saw it: the clock alone may think so of
    a pan that was taken off long ago."""
    hot = ends.likely
    if not off:
        seen = CARRY_OVER_K[1] + (sugar.read_c or 0.0)
        hot = min(hot, max(seen, FROM_C["dark"] - 1e-6))
    if hot >= BURNT_C:
        return "burnt"
    if hot >= FROM_C["dark"]:
        return "bitter"
    return "too-dark" if SEEN.index(shade_at(hot)) > SEEN.index(plan.shade) else ""
