"""JSON of a caramel that runs: where it stands."""

from typing import Any, Literal

from pydantic import Field

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
from .caramel import CaramelIn, CaramelOut
from .pans import PanOut
from .standing import Placed, standing


class CaramelBatchOut(Placed):
    """A batch as it stands at ``now_s``; times count from then. °C, kg, s."""

    kind: Literal["caramel"]
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
    told_kg: Range
    said: str
    finished: bool
    given_up: bool
    pan: PanOut
    told: CaramelOut
    plan: CaramelIn

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
        same = {
            field: getattr(state, field)
            for field in cls.model_fields
            if field in CaramelState.__slots__ or field == "finished"
        }
        return cls(
            **same | standing(id, name, created_at_s, now_s, log, state, caramel_nudges(state, now_s)),
            kind="caramel",
            burner_id=burner_id,
            on_scale_kg=state.stop_kg + pan.mass_kg,
            depth_m=_depth_m(pan, state, state.in_pan_kg or state.mixed_kg),
            stop_depth_m=_depth_m(pan, state, state.stop_kg),
            pan=PanOut.of(pan_id, pan),
            pan_id=pan_id,
            told=CaramelOut.of(state.forecast),
            plan=CaramelIn.model_validate(words),
        )


def _depth_m(pan: Pan, state: CaramelState, kg: float) -> float:
    """How deep so much of it stands, as thick as it is to be."""
    hot = float(density_kg_m3(state.forecast.parts, HOT_C))
    return float(pan.shape.depth_m(min(kg / hot, capacity_m3(pan.shape))))
