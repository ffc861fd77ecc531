"""JSON of a reduction that runs: where it stands, its log in words."""

from typing import Literal

from pydantic import Field

from ..core.batch.attention import Hushed
from ..core.batch.events import Judged
from ..core.batch.fold import Phase, Point
from ..core.batch.history import History
from ..core.batch.nudges import nudges
from ..core.batch.readings import brix, spoon_stage
from ..core.batch.running import BatchState
from ..core.equipment.burners import Flame
from ..core.messages.catalogue import said
from ..core.planning.reduce.plan import ReducePlan
from ..core.properties.texture import STAGE_SIGNS
from ..core.ranges import Range
from ..language.happened import changed
from .model import Out
from .pans import PanOut
from .reduce import ForecastOut, ReduceIn
from .standing import Placed, standing


class BatchOut(Placed):
    """A batch as it stands at ``now_s``; ranges in seconds count from then."""

    kind: Literal["reduce"]
    words: ReduceIn
    milk_name: str
    amount: str
    stop: str
    pan: PanOut
    burner_name: str
    phase: Phase
    flame: Flame
    scraped_at_s: float | None
    reheat_s: float
    past_stop_s: float
    spoon_stage: int
    stop_spoon_stage: int
    stop_sign: str
    last_change: str
    celsius: float | None
    brix: float
    sugar_kg: float
    sugar_time: str
    sugar_in_kg: float
    lit_at_s: float | None
    boiled_at_s: float | None
    off_at_s: float | None
    stirred_at_s: float | None
    first_boil_s: Range | None
    to_stop_s: Range | None
    sugar_due_s: Range | None
    depth_m: Range
    stop_depth_m: float
    start_depth_m: float
    volume_m3: float
    concentration: float
    mass_kg: Range
    rate_kg_s: Range | None
    stir_every_s: float | None
    verdict: str | None
    served_kg: Range
    after_boil_s: Range
    depth_keys_m: list[float]
    points: list[Point]
    earlier: int = Field(description="How many older happenings are told only when this batch is asked for by itself")

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        created_at_s: float,
        history: History,
        words: ReduceIn,
        told: ForecastOut,
        state: BatchState,
        now_s: float,
        pan_id: int | None,
        burner_id: int | None,
        lines: int | None = None,
    ) -> "BatchOut":
        """``lines``: how many of the newest of its log are told, all when None."""
        plan, begun = state.plan, history.plan
        copied = {n: getattr(state, n) for n in cls.model_fields if n in BatchState.__slots__ and n != "points"}
        milk_part = state.mass_kg.likely - state.sugar_in_kg
        same = standing(id, name, created_at_s, now_s, history, state, nudges(state, now_s), plan, lines)
        # while nothing is due it is as quiet as it was told to be
        same["hushed"] = next((a.on for _, a in reversed(state.said) if isinstance(a, Hushed)), False)
        return cls(
            **copied | same,
            kind="reduce",
            words=words,
            milk_name=plan.milk.name,
            amount=plan.amount.quantity.understood,
            stop=plan.stop.text,
            pan=PanOut.of(pan_id, plan.pan),
            pan_id=pan_id,
            burner_id=burner_id,
            burner_name=plan.burner.name,
            sugar_kg=plan.sugar_kg,
            sugar_time=plan.sugar_time,
            spoon_stage=spoon_stage(state.contents, flakes=plan.stirring == "folded"),
            stop_spoon_stage=(at_stop := _spoon_at_stop(state)),
            stop_sign=STAGE_SIGNS[at_stop],
            last_change=said(changed(state.fusions[-1], plan)) if state.fusions else "",
            brix=float(brix(state.contents)),
            start_depth_m=told.start_depth_m if plan.pan == begun.pan else _start_depth(plan),
            concentration=plan.base_kg / max(milk_part, 1e-3),
            served_kg=told.served_kg,
            after_boil_s=told.after_boil_s,
            verdict=judged.how if Judged.__name__ in state.marks and (judged := history.last(Judged)) else None,
            depth_keys_m=_depth_keys(state, plan.pan.shape.height_m),
            points=list(state.points),
            earlier=max(0, len(history.events) - lines) if lines else 0,
        )


class BatchRecord(Out):
    """A batch of the Book: as it went, beside what was told when it was lit."""

    batch: BatchOut
    told: ForecastOut


def _spoon_at_stop(state: BatchState) -> int:
    plan = state.plan
    return spoon_stage(plan.goal_parts.with_water(state.stop_water_kg), flakes=plan.stirring == "folded")


def _start_depth(plan: ReducePlan) -> float:
    """How deep all of it would have stood in the pan it is in now, m."""
    return float(plan.pan.shape.depth_m(plan.base_m3))


def _depth_keys(state: BatchState, height_m: float, keys: int = 7) -> list[float]:
    """Depths a millimetre apart around the expected one: a wet finger's choice of readings."""
    middle = round(state.depth_m.likely, 3)
    return [round(d, 4) for i in range(keys) if 0 < (d := middle + (i - keys // 2) * 1e-3) <= height_m]
