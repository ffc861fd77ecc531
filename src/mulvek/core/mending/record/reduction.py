"""What the log of a reduction says: how it was stirred, heated, sugared, stopped and weighed. Reduction dossier §4, §7, §9."""

from collections.abc import Sequence
from itertools import pairwise

from ...batch.events import (
    Event,
    FirstBoil,
    MilkAdded,
    Off,
    Reading,
    Scraped,
    Stirred,
    SugarIn,
    Weighed,
)
from ...batch.history import History
from ...batch.running import BatchState, look
from ...batch.summary import Summary
from ...equipment.vessels import capacity_m3
from ...planning.reduce.plan import ReducePlan
from .materials import of_milk, of_pan
from .noted import Noted, Record, first, last, minutes_between

READ_BEFORE_STOP_S = 360.0
"""A level or a weight so shortly before the stop decided it."""
LONGEST_IN_PAN_MIN = 30.0
"""Weighed later than this it stood elsewhere."""
COLD_MILK_C = 40.0
"""Milk poured in below this is cold."""
LEVELS = ("depth", "weight", "volume")
UNREFINED = ("raw-sugar", "jaggery")


def of_reduction(log: History, state: BatchState, told: Summary) -> dict[str, Noted]:
    """Readings by their key, in their units.

    :param told: the batch's line in the Book: what it gave and took beside what was told.
    """
    record, plan, counted = Record(), log.plan, log.counted
    boiled, off, weighed = first(counted, FirstBoil), last(counted, Off), last(counted, Weighed)
    of_milk(record, plan.milk)
    of_pan(record, plan.pan)
    _of_plan(record, plan)
    until = off.at_s if off else max((e.at_s for e in counted), default=0.0)
    if boiled is not None:
        _of_stirring(record, [e for e in counted if boiled.at_s < e.at_s <= until], boiled.at_s, until)
    _of_heat(record, plan, state)
    _of_sugar(record, log, off)
    cold = [e for e in counted if isinstance(e.what, MilkAdded) and e.what.celsius < COLD_MILK_C]
    record.note("cold-milk-added", bool(cold), cold[-1] if cold else None)
    _of_stop(record, counted, off)
    if off and told.took_s and told.told_s and told.told_s.likely > 0:
        record.note("fire-time", told.took_s / told.told_s.likely, off)
    if weighed is not None:
        minutes = minutes_between(off, weighed)
        record.note(
            "pan-to-bowl", minutes if minutes is not None and minutes <= LONGEST_IN_PAN_MIN else None, weighed
        )
        _of_weight(record, plan, weighed, told)
    return record.found


def _of_plan(record: Record, plan: ReducePlan) -> None:
    record.note("pan-full", plan.base_m3 / capacity_m3(plan.pan.shape) * 100)
    record.note("pan-wetted", plan.wetted)
    record.note("lid-on-milk", plan.lid)
    record.note("measured-in-cups", plan.amount.rel_sd >= 0.03)
    record.note("cold-known", plan.thickness.batches > 0)
    if plan.sugar_kg:
        record.note("raw-sugar-hot", plan.sugar_kind.key in UNREFINED)
        record.note("brown-sugar", plan.sugar_kind.key in ("brown-sugar", *UNREFINED))
    record.note("sugar-in-khoya", plan.sugar_kg > 0)


def _of_stirring(record: Record, events: Sequence[Event], boiled_s: float, until_s: float) -> None:
    """Gaps in minutes; where no stir was logged at all, nobody knows."""
    stirs = [e for e in events if isinstance(e.what, Stirred | Scraped)]
    scrapes = [e for e in events if isinstance(e.what, Scraped)]
    if stirs:
        gap, closed_by = _longest_gap(stirs, boiled_s, until_s)
        record.note("longest-gap", gap, closed_by)
        record.note("mean-gap", (until_s - boiled_s) / 60 / (len(stirs) + 1), stirs[-1])
        record.note("stirs-in-ten", len(stirs) / max(1.0, (until_s - boiled_s) / 600), stirs[-1])
    if scrapes:
        gap, closed_by = _longest_gap(scrapes, boiled_s, until_s)
        record.note("scrape-gap", gap, closed_by)


def _longest_gap(stirs: Sequence[Event], boiled_s: float, until_s: float) -> tuple[float, Event]:
    """Minutes, and the event that ended it: the last one when it ran on to the end."""
    times = [boiled_s, *(e.at_s for e in stirs), until_s]
    gaps = [(later - before, i) for i, (before, later) in enumerate(pairwise(times))]
    gap, at = max(gaps)
    return gap / 60, stirs[min(at, len(stirs) - 1)]


def _of_heat(record: Record, plan: ReducePlan, state: BatchState) -> None:
    """W through each cm² of heated wall, on the plan's flame half way and on the last flame at the end."""
    shape = plan.pan.shape
    for reading, flame, depth_m in (
        ("mean-heat", plan.flame, float(shape.depth_m(plan.base_m3 * 0.75))),
        ("late-heat", state.flame, state.stop_depth_m),
    ):
        power_w = plan.burner.net_power_w(flame, shape.base_diameter_m)
        record.note(reading, power_w / float(shape.heated_m2(max(depth_m, 1e-3))) / 1e4)


def _of_sugar(record: Record, log: History, off: Event | None) -> None:
    plan = log.plan
    went_in = last(log.counted, SugarIn)
    if went_in is not None:
        left = look(log.at(went_in.at_s - 1e-3), went_in.at_s).mass_kg.likely
        record.note("sugar-in-at", min(100.0, left / plan.base_kg * 100), went_in)
        record.note("minutes-after-sugar", minutes_between(went_in, off), went_in)
    elif plan.sugar_kg and plan.sugar_time == "start":
        record.note("sugar-in-at", 100.0)


def _of_stop(record: Record, counted: Sequence[Event], off: Event | None) -> None:
    levels = [e for e in counted if isinstance(e.what, Reading) and e.what.how in LEVELS]
    if levels:
        record.note("read-by-depth", all(e.what.how == "depth" for e in levels), levels[-1])  # type: ignore[union-attr]
    hottest = max(
        (e for e in counted if isinstance(e.what, Reading) and e.what.how == "temperature"),
        key=lambda e: e.what.value,  # type: ignore[union-attr]
        default=None,
    )
    if hottest is not None:
        record.note("coconut-heat", hottest.what.value, hottest)  # type: ignore[union-attr]
    if off is not None:
        shortly = [e for e in levels if off.at_s - READ_BEFORE_STOP_S <= e.at_s <= off.at_s]
        record.note("stopped-by-look", not shortly, shortly[-1] if shortly else off)


def _of_weight(record: Record, plan: ReducePlan, weighed: Event, told: Summary) -> None:
    """%, of what it weighs, from the solids that went in."""
    mass_kg: float = weighed.what.mass_kg  # type: ignore[union-attr]
    if told.told_kg.likely > 0:
        record.note("over-target", (mass_kg / told.told_kg.likely - 1) * 100, weighed)
    parts = plan.all_parts
    record.note("starch", float(parts.starch) / mass_kg * 100, weighed)
    powder_kg = sum(a.mass_kg for a in plan.additions if a.material.group == "powder")
    record.note("powder", powder_kg / mass_kg * 100, weighed)
    record.note("khoya-yield", mass_kg / plan.milk_kg * 100, weighed)
    water_kg = mass_kg - float(parts.solids)
    if water_kg > 0.02 * mass_kg:
        record.note("lactose-in-water", float(parts.lactose) / water_kg * 100, weighed)
        sugar_kg = float(parts.sucrose)
        record.note("sugar-in-water", sugar_kg / (sugar_kg + water_kg) * 100, weighed)
