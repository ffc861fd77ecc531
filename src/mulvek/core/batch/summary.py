"""A batch in one line: what went in, what it gave beside what was told."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, Literal

from ..planning.caramel.plan import CaramelPlan
from ..planning.curdle.pieces import use
from ..planning.curdle.plan import CurdlePlan
from ..planning.reduce.forecast import forecast
from ..planning.reduce.plan import ReducePlan
from ..planning.strain.forecast import StrainPlan
from ..ranges import Range
from .caramel_run import CaramelState
from .curd_run import CurdState
from .running import BatchState
from .sweet_run import SweetRun, SweetState

SummaryPhase = Literal["running", "to-weigh", "weighed", "given-up", "poured"]
_REDUCED: Mapping[str, SummaryPhase] = {
    "off": "to-weigh",
    "weighed": "weighed",
    "abandoned": "given-up",
    "poured": "poured",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Summary:
    """kg and s. ``of``: what went in and what for; ``counted``: pieces of what is called ``one`` or ``many``."""

    phase: SummaryPhase
    of: str
    told_kg: Range
    weighed_kg: float | None
    told_s: Range | None = None
    took_s: float | None = None
    whey_kg: float | None = None
    told_pieces: Range | None = None
    counted: int | None = None
    one: str = ""
    many: str = ""


def summary(plan: Any, state: BatchState | CurdState | CaramelState | SweetState, told: Mapping[str, Any]) -> Summary:
    """Of a batch of any kind; ``told`` is the answer given when it began."""
    match state:
        case BatchState():
            return _of_reduction(plan, state, told)
        case CurdState():
            return _of_curd(plan, state)
        case CaramelState():
            return _of_caramel(plan, state)
        case SweetState():
            return _of_sweet(plan, state)


def _of_reduction(plan: ReducePlan, state: BatchState, told: Mapping[str, Any]) -> Summary:
    took = (
        state.off_at_s - state.boiled_at_s if state.off_at_s is not None and state.boiled_at_s is not None else None
    )
    if "served_kg" in told and "after_boil_s" in told:
        gives, after = Range(**told["served_kg"]), Range(**told["after_boil_s"])
    else:  # kept by a release that told less, or damaged
        fresh = forecast(plan)
        gives, after = fresh.served_kg, fresh.after_boil_s
    return Summary(
        phase=_REDUCED.get(state.phase, "running"),
        of=f"{plan.amount.quantity.understood} of {plan.milk.name} in {plan.pan.name} to {plan.stop.text}",
        told_kg=gives,
        weighed_kg=state.weighed_kg,
        told_s=after,
        took_s=took,
    )


def _of_curd(plan: CurdlePlan | StrainPlan, state: CurdState) -> Summary:
    amount = plan.amount.quantity.understood
    if isinstance(plan, CurdlePlan):
        of = f"{amount} of {plan.milk.name} for {use(plan.use).name}"
    else:
        of = f"{amount} of {plan.yoghurt.name}"
    return Summary(
        phase="given-up" if state.given_up else "weighed" if state.weighed_kg is not None else "running",
        of=of,
        told_kg=state.told_kg,
        weighed_kg=state.weighed_kg,
        whey_kg=state.whey_kg,
    )


_CARAMEL: Mapping[str, SummaryPhase] = {"to-weigh": "to-weigh", "weighed": "weighed", "given-up": "given-up"}


def _of_caramel(plan: CaramelPlan, state: CaramelState) -> Summary:
    sugar = plan.sugar.quantity.understood
    return Summary(
        phase=_CARAMEL.get(state.phase, "running"),
        of=f"{sugar} of sugar to {plan.shade.replace('-', ' ')} in {plan.hearth.pan.name}",
        told_kg=state.told_kg,
        weighed_kg=state.weighed_kg,
    )


def _of_sweet(run: SweetRun, state: SweetState) -> Summary:
    phase: SummaryPhase = "running"
    if state.given_up:
        phase = "given-up"
    elif state.weighed_kg is not None:
        phase = "weighed"
    elif state.done:
        phase = "to-weigh"
    return Summary(
        phase=phase,
        of=state.said,
        told_kg=state.told_kg,
        weighed_kg=state.weighed_kg,
        told_pieces=state.told_pieces,
        counted=state.counted,
        one=run.one,
        many=run.many,
    )
