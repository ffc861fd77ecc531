"""JSON of a curdling or a straining that runs: where it stands."""

from typing import Any, Literal

from pydantic import Field

from ..core.batch.curd_run import CurdState, RunningStep
from ..core.batch.log import Log
from ..core.planning.curdle.forecast import Pieces
from ..core.ranges import Range
from .curd import CurdForecastOut, CurdleIn
from .standing import Placed, standing
from .strain import StrainForecastOut, StrainIn


def _read(kind: str, words: dict[str, Any]) -> CurdleIn | StrainIn | None:
    model: type[CurdleIn] | type[StrainIn] = CurdleIn if kind == "curdle" else StrainIn
    try:
        return model.model_validate(words)
    except (TypeError, ValueError):
        return None


class CurdBatchOut(Placed):
    """A batch as it stands at ``now_s``; ``due_s`` of a step counts from then."""

    kind: Literal["curdle", "strain"]
    words: CurdleIn | StrainIn | None = Field(description="Of its plan; none where they are damaged")
    steps: list[RunningStep]
    step: int
    poured: float
    clear: bool
    whey_kg: float | None
    told_kg: Range
    pieces: Pieces | None
    said: str
    given_up: bool
    curdle: CurdForecastOut | None
    strain: StrainForecastOut | None

    @classmethod
    def of(
        cls,
        id: int,
        kind: Literal["curdle", "strain"],
        name: str,
        created_at_s: float,
        log: Log,
        words: dict[str, Any],
        state: CurdState,
        now_s: float,
        burner_id: int | None,
    ) -> "CurdBatchOut":
        return cls(
            **standing(id, name, created_at_s, now_s, log, state, state.nudges),
            kind=kind,
            words=_read(kind, words),
            burner_id=burner_id,
            steps=list(state.steps),
            step=state.step,
            poured=state.poured,
            clear=state.clear,
            whey_kg=state.whey_kg,
            told_kg=state.told_kg,
            pieces=state.pieces,
            said=state.said,
            given_up=state.given_up,
            curdle=CurdForecastOut.of(state.curdle) if state.curdle else None,
            strain=StrainForecastOut.of(state.strain) if state.strain else None,
        )
