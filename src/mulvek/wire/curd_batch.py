"""JSON of a curdling or a straining that runs: where it stands."""

from typing import Literal

from pydantic import Field

from ..core.batch.attention import Nudge
from ..core.batch.curd_run import CurdState, RunningStep
from ..core.batch.log import Log
from ..core.planning.curdle.forecast import Pieces
from ..core.ranges import Range
from ..language.happened import Told
from .curd import CurdForecastOut
from .log import LogLine, log_lines, undo_id
from .model import Out
from .strain import StrainForecastOut


class CurdBatchOut(Out):
    """A batch as it stands at ``now_s``; ``due_s`` of a step counts from then."""

    id: int
    kind: Literal["curdle", "strain"]
    name: str
    parent_id: int | None = None
    slot: str | None = None
    pan_id: int | None = None
    burner_id: int | None
    created_at_s: float
    now_s: float
    steps: list[RunningStep]
    step: int
    poured: float
    clear: bool
    whey_kg: float | None
    weighed_kg: float | None
    told_kg: Range
    pieces: Pieces | None
    said: str
    given_up: bool
    paused_at_s: float | None
    hushed: bool
    nudges: list[Nudge]
    curdle: CurdForecastOut | None
    strain: StrainForecastOut | None
    log: list[LogLine]
    undo_id: int | None
    newest: int = Field(
        description="Number of the newest happening: of two answers, that with the higher is the later"
    )

    @classmethod
    def of(
        cls,
        id: int,
        kind: Literal["curdle", "strain"],
        name: str,
        created_at_s: float,
        log: Log,
        state: CurdState,
        now_s: float,
        burner_id: int | None,
    ) -> "CurdBatchOut":
        return cls(
            id=id,
            kind=kind,
            name=name,
            burner_id=burner_id,
            created_at_s=created_at_s,
            now_s=now_s,
            steps=list(state.steps),
            step=state.step,
            poured=state.poured,
            clear=state.clear,
            whey_kg=state.whey_kg,
            weighed_kg=state.weighed_kg,
            told_kg=state.told_kg,
            pieces=state.pieces,
            said=state.said,
            given_up=state.given_up,
            paused_at_s=state.paused_at_s,
            hushed=any(n.hushed for n in state.nudges),
            nudges=list(state.nudges),
            curdle=CurdForecastOut.of(state.curdle) if state.curdle else None,
            strain=StrainForecastOut.of(state.strain) if state.strain else None,
            log=log_lines(log, Told(log.plan, state)),
            undo_id=undo_id(log),
            newest=log.next_id - 1,
        )
