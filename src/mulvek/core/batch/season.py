"""What a batch was to its season: the milk that was bought, the time on the feet, the money, what was thrown away; and all of
a season summed by month and by milk."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any

from ..planning.curdle.plan import CurdlePlan
from .caramel_run import CaramelState
from .course import BASE_OF
from .curd_run import CurdState
from .events import Gone, Reason
from .log import Log
from .running import BatchState
from .standing import left_kg
from .sweet_run import SweetState

MILK_KG_M3 = 1030.0
"""Of milk that a sweet's list told by weight."""
ON_FEET = ("to-the-boil", "wait", "acid", "strain", "rinse", "weigh", "knead")
"""Stages of a curd at which somebody stands; it hangs, is pressed and cools by itself."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Facts:
    """m³, s, kg, and the kitchen's money. ``milk``: its name; ``gone``: why what was left is there no more."""

    milk: str = ""
    milk_m3: float = 0.0
    feet_s: float = 0.0
    paid: float | None = None
    saved: float | None = None
    lost_kg: float = 0.0
    gone: Reason | None = None


def facts(
    plan: Any, state: BatchState | CurdState | CaramelState | SweetState, log: Log, told: Mapping[str, Any]
) -> Facts:
    """Of one batch; ``told`` is the answer given when it began."""
    why = next((e.what.why for e in log.counted if isinstance(e.what, Gone) and not e.what.of), None)
    lost = _lost_kg(log, state) if why not in (None, "used-up") else 0.0
    match state:
        case BatchState():
            stood = (state.off_at_s or 0.0) - (state.lit_at_s or 0.0) if state.off_at_s and state.lit_at_s else 0.0
            return Facts(
                milk=state.plan.milk.name, milk_m3=state.plan.milk_m3, feet_s=max(0.0, stood), lost_kg=lost, gone=why
            )
        case CurdState() if isinstance(plan, CurdlePlan):
            return Facts(
                milk=plan.milk.name, milk_m3=plan.milk_m3, feet_s=_curd_feet_s(state), lost_kg=lost, gone=why
            )
        case CaramelState():
            milk = plan.milk.name if plan.milk_kg else ""
            return Facts(milk=milk, milk_m3=plan.milk_kg / MILK_KG_M3, lost_kg=lost, gone=why)
        case SweetState():
            return _of_sweet(plan, state, told, lost, why)
        case _:
            return Facts(lost_kg=lost, gone=why)


def _lost_kg(log: Log, state: Any) -> float:
    """What was left when it was thrown away: all of a sweet, of a base what no sweet had taken."""
    if isinstance(state, SweetState):
        return state.weighed_kg or 0.0
    counted = [e for e in log.counted if not (isinstance(e.what, Gone) and not e.what.of)]
    return left_kg(type(log)(log.plan, counted))


def _curd_feet_s(state: CurdState) -> float:
    return sum(
        s.done_at_s - s.began_at_s
        for s in state.steps
        if s.began_at_s is not None and s.done_at_s is not None and s.name in ON_FEET
    )


def _of_sweet(run: Any, state: SweetState, told: Mapping[str, Any], lost: float, why: Reason | None) -> Facts:
    """Milk of bases that were made by themselves is theirs; steps that were not timed took what was told."""
    feet = 0.0
    for step in state.steps:
        if step.phase == "done" and step.planned.hands and not step.planned.base and not step.planned.follows:
            took = (step.done_at_s or 0.0) - (step.began_at_s or 0.0)
            feet += took if took > 0 else step.planned.seconds.likely
    milk = 0.0
    if not state.bases:
        lists = zip(run.rows, state.rows, state.row_kg, strict=True)
        milk = sum(kg if weighed is None else weighed for row, weighed, kg in lists if row.when in BASE_OF)
    cost = told.get("cost") or {}
    known = bool(cost.get("ingredients"))
    return Facts(
        milk=str(told.get("milk") or ""),
        milk_m3=milk / MILK_KG_M3,
        feet_s=feet,
        paid=float(cost["total"]) if known else None,
        saved=float(cost["saved"]) if known and cost.get("saved") is not None else None,
        lost_kg=lost,
        gone=why,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Made:
    """A batch of the season as its line tells it; ``month`` "2027-01"; ``own``: begun by itself, not as a base."""

    month: str
    own: bool
    weighed_kg: float
    facts: Facts


@dataclass(slots=True, kw_only=True)
class Sum:
    """Of a month, or of all: how much, how long, for how much."""

    batches: int = 0
    milk_m3: float = 0.0
    made_kg: float = 0.0
    feet_s: float = 0.0
    paid: float = 0.0
    saved: float = 0.0
    lost_kg: float = 0.0
    lost: dict[str, float] = field(default_factory=dict)
    milks: dict[str, float] = field(default_factory=dict)

    def add(self, made: Made, price_m3: Mapping[str, float]) -> None:
        """What a sweet gave and cost has its bases in it: of them only the milk and the time count on."""
        facts = made.facts
        self.batches += 1
        self.milk_m3 += facts.milk_m3
        self.made_kg += made.weighed_kg if made.own else 0.0
        self.feet_s += facts.feet_s
        if facts.paid is not None:
            self.paid += facts.paid
        elif made.own:
            self.paid += facts.milk_m3 * price_m3.get(facts.milk, 0.0)
        self.saved += facts.saved or 0.0
        self.lost_kg += facts.lost_kg
        if facts.lost_kg and facts.gone:
            self.lost[facts.gone] = self.lost.get(facts.gone, 0.0) + facts.lost_kg
        if facts.milk_m3:
            self.milks[facts.milk] = self.milks.get(facts.milk, 0.0) + facts.milk_m3


def by_month(made: Iterable[Made], price_m3: Mapping[str, float]) -> tuple[Sum, dict[str, Sum]]:
    """All of it, and each month that has any. ``price_m3``: of a milk by its name, for what was no sweet.

    >>> milk = Facts(milk="cow", milk_m3=2e-3)
    >>> made = [Made(month="2027-01", own=True, weighed_kg=0.5, facts=milk)] * 2
    >>> whole, months = by_month(made, {"cow": 1200.0})
    >>> whole.made_kg, round(whole.paid, 2), months["2027-01"].milks
    (1.0, 4.8, {'cow': 0.004})
    """
    whole, months = Sum(), dict[str, Sum]()
    for one in made:
        whole.add(one, price_m3)
        months.setdefault(one.month, Sum()).add(one, price_m3)
    return whole, dict(sorted(months.items()))
