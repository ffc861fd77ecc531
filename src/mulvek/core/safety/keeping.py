"""How long a sweet keeps, and whether this pot cools in time. Cautious guides: local food law comes first.

Sweets dossier §7. Water activity by Norrish 1966 for each sugar in all solvent water (Ross 1975); growth limits of
ICMSF 1996; cooling 60 → 21 → 5 °C in 2 and 4 hours. The line between classes C and B is 0.97, the cautious one.
"""

import math
from dataclasses import dataclass

from ..composition.composition import Composition
from ..properties.density import density_kg_m3
from ..properties.heat_capacity import heat_capacity_j_k
from ..properties.water_activity import stored_water_activity


@dataclass(frozen=True, slots=True)
class Class:
    """A keeping class: hours in a room to 25, to 32 and above °C; days in the fridge; weeks frozen; why."""

    key: str
    room_h: tuple[int, int, int]
    fridge_days: int
    freezer_weeks: int
    why: str


FROZEN = Class("Z", (0, 0, 0), 0, 6, "Cold stops growth, not the loss of texture; never freeze it again.")
SOUR = Class("S", (2, 2, 1), 4, 4, "Its acid stops most that makes ill; yeasts and souring go on.")
DRY = Class("E", (24, 12, 6), 10, 8, "Too dry for what makes ill; mould and rancid fat remain.")
FIRM = Class("D", (4, 2, 1), 7, 8, "Moist enough for trouble in the warm, sweet enough to slow it in the cold.")
MOIST = Class("C", (2, 2, 1), 3, 4, "Moist and sweet, handled after cooking.")
WET = Class("B", (2, 2, 1), 2, 4, "Wet milk food.")
SOUR_PH, DRY_AW, FIRM_AW, MOIST_AW = 4.6, 0.85, 0.92, 0.97


def activity_doubt(activity: float) -> float:
    """How much wetter it may be than reckoned (F51): 0.01 for what is wet, 0.03 for what is dry."""
    return min(0.03, max(0.01, 0.01 + 0.25 * (0.97 - activity)))


def keeping_class(activity: float, ph: float, *, frozen: bool = False, weighed: bool = False) -> Class:
    """The first class that fits (F51), judged on the wet side of the doubt.

    :param weighed: the finished mass was weighed, so that its water is known to a point; class E asks for it.

    >>> keeping_class(0.958, 6.4).key, keeping_class(0.813, 6.3).key, keeping_class(0.813, 6.3, weighed=True).key
    ('B', 'D', 'E')
    """
    if frozen:
        return FROZEN
    if ph <= SOUR_PH:
        return SOUR
    wet = activity + activity_doubt(activity)
    if wet <= DRY_AW and weighed:
        return DRY
    return FIRM if wet <= FIRM_AW else MOIST if wet <= MOIST_AW else WET


@dataclass(frozen=True, slots=True)
class Keeping:
    """How long at most, from the day of making (day 0); ``freezer_days``: as long as it is at its best frozen."""

    klass: Class
    activity: float
    room_h: int
    fridge_days: int
    freezer_days: int

    @property
    def words(self) -> str:
        """The verdict, the same wherever it is said."""
        if self.klass is FROZEN:
            return f"Frozen at −18 °C: best within {_days(self.freezer_days)}; never freeze it again."
        hours = f"{self.room_h} hour{'s' if self.room_h > 1 else ''}"
        return f"At or below 5 °C: {_days(self.fridge_days)}. In the room: {hours} at most."


def _days(days: int) -> str:
    """
    >>> _days(1), _days(10), _days(42)
    ('1 day', '10 days', '6 weeks')
    """
    if days >= 21 and days % 7 == 0:
        return f"{days // 7} weeks"
    return f"{days} day{'s' if days != 1 else ''}"


def keeping(
    food: Composition,
    ph: float,
    *,
    frozen: bool = False,
    fruit: bool = False,
    raw_topping: bool = False,
    weighed: bool = False,
    room_c: float = 25.0,
    fridge_c: float = 4.0,
    best_frozen_days: int | None = None,
) -> Keeping:
    """Hours and days for any food of this kitchen (F52): fresh fruit × 0.75, a raw topping one day less, a warm fridge
    half. The one verdict: Bench, Sweets, label, Stove and Book ask it.

    :param food: kg or kg per kg. :param best_frozen_days: before a frozen one turns sandy.

    >>> from mulvek.core.composition.materials import material
    >>> keeping(material("condensed").parts, 6.4).words
    'At or below 5 °C: 7 days. In the room: 4 hours at most.'
    """
    activity = stored_water_activity(food)
    found = keeping_class(activity, ph, frozen=frozen, weighed=weighed)
    days: float = found.fridge_days
    frozen_days: float = 7 * found.freezer_weeks
    if fruit:
        days, frozen_days = days * 0.75, frozen_days * 0.75
    if best_frozen_days is not None:
        frozen_days = min(frozen_days, best_frozen_days)
    if raw_topping:
        days -= 1
    if fridge_c > 5.0:
        days *= 0.5
    return Keeping(
        found,
        activity,
        room_hours(found, room_c),
        max(1, int(days)) if found.fridge_days else 0,
        int(frozen_days),
    )


def room_hours(found: Class, room_c: float) -> int:
    """Hours in the open at a room's warmth.

    >>> room_hours(FIRM, 30.0)
    2
    """
    return found.room_h[0 if room_c <= 25 else 1 if room_c <= 32 else 2]


COOL_START_C, COOL_MIDDLE_C, COOL_END_C = 60.0, 21.0, 5.0
FIRST_S, SECOND_S = 2 * 3600.0, 4 * 3600.0
AIR, FRIDGE, ICE_STILL, ICE_STIRRED = 10.0, 9.0, 70.0, 120.0
"""Heat taken by room air, fridge air, iced water around a still pot and around a stirred one, W/m² K (±30 %)."""
_CONDUCTS = 0.5


@dataclass(frozen=True, slots=True)
class Cooling:
    """A pot cooling in one place: depth m, time constant s, seconds to 21 °C and on to 5 °C (None: never), whether
    each is in time, and the temperature at or below which the fridge can take over."""

    depth_m: float
    tau_s: float
    first_s: float | None
    second_s: float | None
    hand_over_c: float | None

    @property
    def passes(self) -> bool:
        first = self.first_s is not None and self.first_s <= FIRST_S
        return first and self.second_s is not None and self.second_s <= SECOND_S


def time_constant_s(
    food: Composition, mass_kg: float, wide_m: float, transfer: float, *, open_top: bool = True, stirred: bool = True
) -> tuple[float, float]:
    """Depth m and time constant s of a round pot of ``wide_m`` (F53)."""
    density = float(density_kg_m3(food, 40.0))
    capacity = float(heat_capacity_j_k(food, 0.0))
    volume = mass_kg / density
    floor = math.pi * wide_m**2 / 4
    depth = volume / floor
    area = math.pi * wide_m * depth + floor * (2 if open_top else 1)
    tau = density * capacity * volume / (transfer * area)
    if not stirred:
        half = depth / 2 if open_top else depth
        spread = _CONDUCTS / (density * capacity)
        tau += 1 / (spread * (math.pi**2 / (4 * half * half) + 5.783 / (wide_m / 2) ** 2))
    return depth, tau


def seconds_between(tau_s: float, from_c: float, to_c: float, place_c: float) -> float | None:
    """None when the place is not cold enough."""
    return None if place_c >= to_c - 1e-9 else tau_s * math.log((from_c - place_c) / (to_c - place_c))


def hand_over_c(tau_s: float, place_c: float) -> float | None:
    """Warmest a pot may go into this fridge to be at 5 °C within 4 hours (F54); None when it never can."""
    if place_c >= COOL_END_C:
        return None
    colder = SECOND_S / tau_s
    if colder > math.log((COOL_START_C - place_c) / (COOL_END_C - place_c)):  # however warm: it is so small
        return COOL_START_C
    return place_c + (COOL_END_C - place_c) * math.exp(colder)


def cooling(
    food: Composition, mass_kg: float, wide_m: float, place_c: float, transfer: float, **how: bool
) -> Cooling:
    """From 60 °C in one place, 60 → 21 → 5 °C. A room never passes."""
    depth, tau = time_constant_s(food, mass_kg, wide_m, transfer, **how)
    return Cooling(
        depth,
        tau,
        seconds_between(tau, COOL_START_C, COOL_MIDDLE_C, place_c),
        seconds_between(tau, COOL_MIDDLE_C, COOL_END_C, place_c),
        hand_over_c(tau, place_c),
    )
