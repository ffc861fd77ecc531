"""What there is of plain things (sugar, cardamom, a milk): counted once, then less by what went into batches since."""

from collections import defaultdict
from collections.abc import Collection, Iterable, Iterator, Mapping
from dataclasses import dataclass
from typing import Any

from ..planning.caramel.plan import CaramelPlan
from ..planning.reduce.plan import ReducePlan
from ..planning.strain.forecast import StrainPlan
from ..planning.sweets.plan import ListRow
from .course import BASE_OF
from .events import Carried, RowWeighed, SugarIn
from .log import Log
from .sweet_run import SweetRun, SweetState, base_step

DAY_S = 86_400.0
BELIEVED_S = 60 * DAY_S
"""A count is believed for two months: longer, and what went out unseen is more than what the log knows of."""
FRESH_S = 3 * DAY_S
"""What spoils is believed to be there for three days."""
SPOILS = ("milk", "cream", "yoghurt", "cheese", "khoya", "fruit", "vegetable")
DRY = 0.7
"""With more solids than this (dried fruit) it keeps."""


@dataclass(frozen=True, slots=True)
class Counted:
    """kg that were there, and when."""

    kg: float
    at_s: float

    def believed(self, now_s: float, spoils: bool = False) -> bool:
        return now_s - self.at_s <= (FRESH_S if spoils else BELIEVED_S)


@dataclass(frozen=True, slots=True)
class Use:
    """kg of one thing that went into a batch, and when."""

    key: str
    kg: float
    at_s: float


def bought_as(row: ListRow, milk: object) -> tuple[str, float]:
    """What a line of the weighing list is bought as, and kg to buy for each kg of the line (peel, stones).

    :param milk: number of the plan's milk in the Larder, if it is one of its.
    """
    is_milk = isinstance(milk, int) and row.when in ("to reduce", "to curdle") and not row.within
    return f"milk:{milk}" if is_milk else row.key, row.buy_kg / row.kg if row.kg else 1.0


def sweet_uses(log: Log, state: SweetState, milk: object, made: Collection[str]) -> Iterator[Use]:
    """What went into a sweet by its own steps: a weighed line when it was weighed, another when its step began.

    :param made: slots' steps whose base is made as a batch of its own: its milk is that batch's, and so is that of a base
        that was taken from what stood weighed.
    """
    run: SweetRun = log.plan
    began = {s.planned.key: s.began_at_s if s.began_at_s is not None else s.done_at_s for s in state.steps}
    elsewhere = {*made, *(base_step(slot) for slot in state.bases)}
    weighed = {e.what.row: e.at_s for e in log.counted if isinstance(e.what, RowWeighed)}
    for number, (row, kg) in enumerate(zip(run.rows, state.row_kg, strict=True)):
        at = weighed.get(number, began.get(row.step) if row.step else None)
        if at is None or row.key == "water" or (row.when in BASE_OF and row.step in elsewhere):
            continue
        key, bought = bought_as(row, milk)
        there = state.rows[number]
        yield Use(key, (kg if there is None else there) * bought, at)


def base_uses(log: Log, milk: object, at_s: float, lone: bool) -> Iterator[Use]:
    """What went into a reduction, a curd, a hanging or a caramel. What was parted from another took nothing new along.

    :param lone: made for no sweet, whose own list has the sugar.
    """
    plan: Any = log.plan
    parted = any(isinstance(e.what, Carried) for e in log.counted)
    if isinstance(plan, StrainPlan):
        yield Use(plan.yoghurt.key, plan.mass_kg, at_s)
    elif isinstance(milk, int) and not parted:
        yield Use(f"milk:{milk}", plan.milk_kg, at_s)
    if not lone:
        return
    if isinstance(plan, ReducePlan):
        kind = plan.sugar_kind.key
        yield from (Use(kind, e.what.mass_kg, e.at_s) for e in log.counted if isinstance(e.what, SugarIn))
        if not parted:
            if plan.sugar_time == "start":
                yield Use(kind, plan.sugar_kg, at_s)
            yield from (Use(a.material.key, a.mass_kg, at_s) for a in plan.additions)
    elif isinstance(plan, CaramelPlan):
        yield Use("white-sugar", plan.sugar_kg, at_s)
        yield Use(plan.butter_kind.key, plan.butter_kg, at_s)
        yield Use(plan.condensed_kind.key, plan.condensed_kg, at_s)


def spoils(group: str, total_solids: float, flags: Collection[str] = ()) -> bool:
    """Whether it is gone in days: fresh dairy, fruit and vegetables; not what is dried or stands unopened for months.

    >>> spoils("milk", 0.13), spoils("milk", 0.13, ["uht"]), spoils("fruit", 0.8), spoils("sugar", 1.0)
    (True, False, False, False)
    """
    return group in SPOILS and total_solids < DRY and "uht" not in flags


def left(
    counted: Mapping[str, Counted], uses: Iterable[Use], now_s: float, fresh: Collection[str] = ()
) -> dict[str, float]:
    """kg that are still there of each thing whose count is believed; never below none.

    :param fresh: keys of what spoils.

    >>> left({"jaggery": Counted(1.0, 10.0)}, [Use("jaggery", 0.3, 20.0), Use("jaggery", 9.0, 5.0)], 30.0)
    {'jaggery': 0.7}
    >>> left({"milk:1": Counted(1.0, 0.0)}, [], 4 * DAY_S, fresh=["milk:1"])
    {}
    """
    used: dict[str, float] = defaultdict(float)
    for use in uses:
        if use.key in counted and use.at_s > counted[use.key].at_s:
            used[use.key] += use.kg
    return {key: max(0.0, c.kg - used[key]) for key, c in counted.items() if c.believed(now_s, key in fresh)}
