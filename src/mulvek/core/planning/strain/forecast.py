"""Straining yoghurt: a plan in, the drain curve out, with thickness and sourness at any time.

Curd dossier §9.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from ...composition.composition import Composition
from ...composition.materials import Material
from ...equipment.kitchen import Kitchen
from ...errors import BadInput, Impossible
from ...messages.message import Message
from ...ranges import Range
from ...safety.cautions import Caution
from ..reduce.plan import Amount
from .draining import (
    ENDS,
    HEIGHT_POWER,
    KEEPS_WATER,
    TOO_SOUR,
    Drain,
    End,
    Hung,
    Yoghurt,
    cloth,
    cools_to_c,
    drained_in,
    end_of,
    learn,
    most_whey,
    seconds_to,
    share_after,
    solids_after,
    sourness,
    tastes,
    time_constant_s,
    whey_for,
)

Array = NDArray[np.float64]
LONGEST_S = 36 * 3600.0
ROWS = 73
GEL_SHARE = 0.925
"""Share of a yoghurt's protein that stays in the curd (the rest leaves with the whey)."""
START_ACIDITY = 0.80
HUNG_M = 0.02
OVERNIGHT_S = 10 * 3600.0
LONG_S, HANDY_BAGS, MOST_BAGS = 20 * 3600.0, 4, 8

COUNTER = Caution("danger", Message("hung-on-the-counter"))
COLD = Caution("care", Message("hung-in-the-fridge"))
SOURS = Caution("care", Message("hung-too-sour"))


COLDEST_C, WARMEST_C = -2.0, 35.0
USUAL_CLOTH = "muslin"
SCALE_KG = 0.005
"""How far off whey is weighed."""


def gel_of(yoghurt: Composition) -> Yoghurt:
    """A yoghurt as it drains, from its make-up per kg."""
    protein = GEL_SHARE * float(yoghurt.milk_protein + yoghurt.other)
    return Yoghurt(float(yoghurt.fat), protein, float(yoghurt.total_solids))


def bag_height_m(mass_kg: float) -> float:
    """Of the curd in one bag: a larger one of the same shape is higher."""
    return HUNG_M * math.cbrt(mass_kg)


@dataclass(frozen=True, slots=True, kw_only=True)
class StrainPlan:
    """Yoghurt to strain.

    :param length_m: drained volume over draining area; by the mass in each of the ``bags`` when None: 0.02 for a hung
        kilogram, and a larger bag of the same shape is higher.
    :param place_c: fridge or counter; ``start_c`` of the yoghurt. :param end: how thick ("shrikhand", "29 % solids"),
        or None with ``seconds``.
    """

    yoghurt: Material
    amount: Amount
    cloth: str
    hung: Hung
    place_c: float
    kitchen: Kitchen
    end: str | None = "shrikhand"
    seconds: float | None = None
    start_c: float = 8.0
    acidity: float = START_ACIDITY
    length_m: float | None = None
    bags: int = 1
    readings: tuple[tuple[float, float], ...] = ()
    """(seconds since hung, whey kg) as collected."""
    drain: Drain = field(default_factory=Drain)
    """How this kitchen's hangings in that cloth went."""

    def __post_init__(self) -> None:
        cloth(self.cloth)
        if not 1 <= self.bags <= MOST_BAGS:
            raise BadInput("bags", "bags-out-of-reach", bags=self.bags, most=MOST_BAGS)
        if self.hung not in KEEPS_WATER:
            raise BadInput("hung", "no-such-hanging", hung=self.hung, keeps_water=tuple(KEEPS_WATER))
        if self.end is not None and end_of(self.end) is None:
            named = ", ".join(e.key for e in ENDS)
            raise BadInput("end", "no-such-strain-end", end=self.end, named=named)
        if self.end is None and self.seconds is None:
            raise BadInput("end", "strain-end-twice")
        if not (math.isfinite(self.place_c) and COLDEST_C <= self.place_c <= WARMEST_C):
            raise BadInput("place", "hanging-place-unsafe", place_c=self.place_c)
        for word, value, low, high, unit in (
            ("start_c", self.start_c, 0.0, 45.0, "°C"),
            ("acidity", self.acidity, 0.4, 1.6, "% lactic acid"),
            ("length", self.height_m, 0.005, 0.2, "m"),
        ):
            if not (math.isfinite(value) and low <= value <= high):
                raise BadInput(word, "curd-number-out-of-reach", value=value, unit=unit, low=low, high=high)
        if self.seconds is not None and not 60.0 <= self.seconds <= LONGEST_S:
            raise BadInput("time", "strain-time-out-of-reach", seconds=self.seconds / 3600, longest=LONGEST_S / 3600)
        if self.yoghurt.group != "yoghurt":
            raise BadInput("yoghurt", "milk-is-no-yoghurt", yoghurt=self.yoghurt.name)
        if not 0.1 <= self.mass_kg <= 20:
            raise Impossible("amount", "yoghurt-amount-out-of-reach", amount=self.amount.quantity.understood)
        object.__setattr__(self, "readings", tuple(tuple(r) for r in self.readings))
        last = 0.0
        for seconds, whey in self.readings:
            if not (seconds > 0 and 0 < whey < self.mass_kg and seconds <= LONGEST_S and whey >= last):
                raise BadInput("readings", "whey-reading-unlikely")
            last = whey

    @property
    def mass_kg(self) -> float:
        return self.amount.mass_kg(self.yoghurt.bulk_kg_m3)

    @property
    def height_m(self) -> float:
        """Of the curd in its cloth, as far as draining goes."""
        return bag_height_m(self.mass_kg / self.bags) if self.length_m is None else self.length_m

    @property
    def gel(self) -> Yoghurt:
        return gel_of(self.yoghurt.parts)

    @property
    def slows(self) -> float:
        """How much slower it drains here than through a single muslin of the table."""
        return cloth(self.cloth) * math.exp(self.drain.ln_mean)

    @property
    def table_tau_s(self) -> float:
        """The time constant of draining by the table alone, s."""
        return time_constant_s(self.height_m, self.place_c, self.gel.total_solids, cloth(self.cloth))


@dataclass(frozen=True, slots=True)
class Reached:
    """When an end is reached, s from hanging it, and whether before it is too sour; None: never."""

    end: End
    seconds: Range | None
    sour: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class StrainForecast:
    """The answer; curve columns of equal length, one row half an hour."""

    plan: StrainPlan
    seconds: Range
    whey_kg: Range
    curd_kg: Range
    total_solids: float
    acidity: float
    taste: str
    too_sour_s: float | None
    most_whey_kg: float
    tau_s: Range
    ends: tuple[Reached, ...]
    overnight_solids: float
    overnight_kg: float
    overnight_taste: str
    at_s: Array
    curve_whey_kg: Array
    curve_low_kg: Array
    curve_high_kg: Array
    curve_solids: Array
    curve_acidity: Array
    cautions: tuple[Caution, ...]


def strain(plan: StrainPlan) -> StrainForecast:
    """Reckon a straining; logged whey moves what is still to come.

    :raises Impossible: field "end", when this yoghurt never gets so thick.
    """
    gel, mass = plan.gel, plan.mass_kg
    most = most_whey(gel, KEEPS_WATER[plan.hung])
    ln_tau = math.log(plan.table_tau_s) + plan.drain.ln_mean
    variance = plan.drain.ln_sd**2
    for read_s, whey_read in plan.readings:
        share = whey_read / (most * mass)
        if share > 0.97:  # more than was thought possible: the limit itself moves
            most, share = whey_read / mass / 0.97, 0.97
        ln_tau, variance = learn(ln_tau, variance, read_s, share, SCALE_KG / (most * mass))
    tau = Range.lognormal(math.exp(ln_tau), math.sqrt(variance))

    def when(end: End) -> Range | None:
        return _reached(gel, end, most, tau)

    def acidity_at(seconds: float) -> float:
        return sourness(plan.acidity, seconds, lambda s: cools_to_c(plan.place_c, plan.start_c, mass, s))

    at = np.linspace(0.0, LONGEST_S, ROWS)
    acid = np.array(_acid_along(plan, mass, at))
    too_sour = float(np.interp(TOO_SOUR, acid, at)) if acid[-1] > TOO_SOUR else None
    goal = end_of(plan.end) if plan.end is not None else None
    if plan.seconds is not None:
        seconds = Range.exact(plan.seconds)
    else:
        assert goal is not None
        found = when(goal)
        if found is None:
            raise Impossible("end", "yoghurt-never-so-thick", goal=goal.name)
        seconds = found
    if plan.seconds is None:
        # how thick is judged by spoon: anywhere within the end's own window
        assert goal is not None
        needed = [
            max(0.0, whey_for(gel.total_solids, ts)) for ts in (goal.low, (goal.low + goal.high) / 2, goal.high)
        ]
        whey = Range(*(min(s, 0.985 * most) * mass for s in needed))
    else:
        whey = Range(*(share_after(plan.seconds, t) * most * mass for t in (tau.high, tau.likely, tau.low)))
    night = share_after(OVERNIGHT_S, tau.likely) * most
    curve = {
        t: np.array([share_after(float(s), t) * most * mass for s in at]) for t in (tau.low, tau.likely, tau.high)
    }
    solids = np.array([solids_after(gel.total_solids, w / mass) for w in curve[tau.likely]])
    ends = []
    for end in sorted({*ENDS, goal or ENDS[0]}, key=lambda e: e.low):
        reach = when(end)
        ends.append(Reached(end, reach, bool(reach and too_sour is not None and reach.likely > too_sour)))
    at_end = acidity_at(seconds.likely)
    return StrainForecast(
        plan=plan,
        seconds=seconds,
        whey_kg=whey,
        curd_kg=Range(mass - whey.high, mass - whey.likely, mass - whey.low),
        total_solids=solids_after(gel.total_solids, whey.likely / mass),
        acidity=at_end,
        taste=tastes(at_end),
        too_sour_s=too_sour,
        most_whey_kg=most * mass,
        tau_s=tau,
        ends=tuple(ends),
        overnight_solids=solids_after(gel.total_solids, night),
        overnight_kg=mass * (1 - night),
        overnight_taste=tastes(acidity_at(OVERNIGHT_S)),
        at_s=at,
        curve_whey_kg=curve[tau.likely],
        curve_low_kg=curve[tau.high],
        curve_high_kg=curve[tau.low],
        curve_solids=solids,
        curve_acidity=acid,
        cautions=_cautions(plan, at_end, seconds.likely),
    )


def _reached(gel: Yoghurt, end: End, most: float, tau: Range) -> Range | None:
    share = whey_for(gel.total_solids, (end.low + end.high) / 2) / most
    if not 0 <= share < 0.985:
        return None if share >= 0.985 else Range.exact(0.0)
    return Range(*(seconds_to(share, t) for t in (tau.low, tau.likely, tau.high)))


def bags_for(seconds: float) -> int:
    """Into how many it is better parted, when one bag takes so long."""
    return min(HANDY_BAGS, max(1, math.ceil(float((seconds / LONG_S) ** (3 / HEIGHT_POWER)))))


def drain_lesson(plan: StrainPlan, readings: Sequence[tuple[float, float]]) -> float | None:
    """ln of true ÷ table's time constant, as whey weighed on the way (s since it was hung, kg) says; None where nothing
    tells."""
    most_kg = most_whey(plan.gel, KEEPS_WATER[plan.hung]) * plan.mass_kg
    ln_tau = drained_in([(s, kg / most_kg) for s, kg in readings], SCALE_KG / most_kg)
    return None if ln_tau is None else ln_tau - math.log(plan.table_tau_s)


def hanging_s(
    yoghurt: Composition, mass_kg: float, end: End, place_c: float, drain: Drain | None = None
) -> Range | None:
    """How long so much yoghurt (its make-up per kg) hangs in one muslin at ``place_c`` until ``end``, s: the figure of
    :func:`strain`, without its curve. None when it never gets so thick. ``drain``: of that muslin.

    >>> from mulvek.core.composition.materials import material
    >>> round(hanging_s(material("yoghurt").parts, 1.0, end_of("shrikhand"), 4.0).likely / 3600, 1)
    15.9
    """
    gel, known = gel_of(yoghurt), drain or Drain()
    tau = time_constant_s(bag_height_m(mass_kg), place_c, gel.total_solids, cloth(USUAL_CLOTH))
    told = Range.lognormal(tau * math.exp(known.ln_mean), known.ln_sd)
    return _reached(gel, end, most_whey(gel, KEEPS_WATER["hung"]), told)


def _acid_along(plan: StrainPlan, mass: float, at: Array) -> list[float]:
    """Acidity at each row, carried on from the row before."""
    found = [plan.acidity]
    for i in range(1, len(at)):
        start = float(at[i - 1])
        found.append(
            sourness(
                found[-1],
                float(at[i]) - start,
                lambda s, start=start: cools_to_c(plan.place_c, plan.start_c, mass, start + s),  # type: ignore[misc]
            )
        )
    return found


def _cautions(plan: StrainPlan, at_end: float, seconds: float) -> tuple[Caution, ...]:
    found = [COUNTER if plan.place_c > 8 else COLD]
    if plan.seconds is None and seconds > LONG_S and plan.bags == 1 and not plan.readings:
        bags = bags_for(seconds)
        hours = seconds / 3600 * bags ** (-HEIGHT_POWER / 3)
        each = plan.mass_kg / bags
        found.append(Caution("care", Message("hung-in-more-bags", bags=bags, each_kg=each, hours=hours)))
    if at_end > TOO_SOUR:
        found.append(SOURS)
    return tuple(found)
