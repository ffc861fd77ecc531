"""JSON of a caramel that runs: where it stands."""

from typing import Any, Literal

from pydantic import Field

from ..core.batch.attention import Nudge
from ..core.batch.caramel_heat import Trouble
from ..core.batch.caramel_nudges import caramel_nudges
from ..core.batch.caramel_run import CaramelPhase, CaramelState, PourNow
from ..core.batch.log import Log
from ..core.equipment.pans import Pan
from ..core.equipment.vessels import capacity_m3
from ..core.planning.caramel.forecast import Pour
from ..core.planning.caramel.shades import SeenShade
from ..core.planning.reduce.stops import HOT_C
from ..core.properties.density import density_kg_m3
from ..core.ranges import Range
from ..language.happened import Told
from .caramel import CaramelIn, CaramelOut
from .log import LogLine, log_lines, undo_id
from .model import Out
from .pans import PanOut


class CaramelBatchOut(Out):
    """A batch as it stands at ``now_s``; times count from then. °C, kg, s."""

    id: int
    kind: Literal["caramel"]
    name: str
    parent_id: int | None = None
    slot: str | None = None
    pan_id: int | None = None
    burner_id: int | None
    created_at_s: float
    now_s: float
    phase: CaramelPhase
    lit_at_s: float | None
    celsius: Range | None
    read_at_s: float | None
    rise_k_s: float | None
    shade: SeenShade | None
    off_in_s: Range | None
    ends_c: Range
    ends_shade: SeenShade
    trouble: Trouble
    next_pour: PourNow | None
    added_kg: dict[Pour, float]
    mixed_kg: float
    in_pan_kg: float | None
    stop_kg: float
    on_scale_kg: float = Field(description="stop_kg with the pan's own weight")
    depth_m: float = Field(description="Of all that is in the pan now, hot")
    stop_depth_m: float
    left_s: Range | None
    weighed_kg: float | None
    told_kg: Range
    said: str
    finished: bool
    given_up: bool
    paused_at_s: float | None
    hushed: bool
    nudges: list[Nudge]
    pan: PanOut
    told: CaramelOut
    plan: CaramelIn
    log: list[LogLine]
    undo_id: int | None
    newest: int = Field(
        description="Number of the newest happening: of two answers, that with the higher is the later"
    )

    @classmethod
    def of(
        cls,
        id: int,
        name: str,
        created_at_s: float,
        log: Log,
        words: dict[str, Any],
        state: CaramelState,
        now_s: float,
        pan_id: int | None,
        burner_id: int | None,
    ) -> "CaramelBatchOut":
        pan = state.forecast.plan.hearth.pan
        nudges = caramel_nudges(state, now_s)
        same = {
            field: getattr(state, field)
            for field in cls.model_fields
            if field in CaramelState.__slots__ or field == "finished"
        }
        return cls(
            id=id,
            kind="caramel",
            name=name,
            burner_id=burner_id,
            created_at_s=created_at_s,
            now_s=now_s,
            on_scale_kg=state.stop_kg + pan.mass_kg,
            depth_m=_depth_m(pan, state, state.in_pan_kg or state.mixed_kg),
            stop_depth_m=_depth_m(pan, state, state.stop_kg),
            pan=PanOut.of(pan_id, pan),
            pan_id=pan_id,
            hushed=any(n.hushed for n in nudges),
            nudges=list(nudges),
            told=CaramelOut.of(state.forecast),
            plan=CaramelIn.model_validate(words),
            log=log_lines(log, Told(log.plan, state)),
            undo_id=undo_id(log),
            newest=log.next_id - 1,
            **same,
        )


def _depth_m(pan: Pan, state: CaramelState, kg: float) -> float:
    """How deep so much of it stands, as thick as it is to be."""
    hot = float(density_kg_m3(state.forecast.parts, HOT_C))
    return float(pan.shape.depth_m(min(kg / hot, capacity_m3(pan.shape))))
