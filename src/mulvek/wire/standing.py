"""JSON that every batch says of itself, whatever its kind."""

from collections.abc import Sequence
from typing import Any

from pydantic import Field

from ..core.batch.attention import Nudge
from ..core.batch.log import Log
from ..language.happened import Told
from .log import LogLine, log_lines, undo_id
from .model import Out
from .said import NudgeOut


class Standing(Out):
    """A batch as it stands at ``now_s``. Times are seconds since the epoch, ranges of seconds count from ``now_s``."""

    id: int
    name: str
    created_at_s: float
    now_s: float
    weighed_kg: float | None
    paused_at_s: float | None
    hushed: bool
    nudges: list[NudgeOut]
    log: list[LogLine] = Field(description="Newest first")
    undo_id: int | None
    newest: int = Field(
        description="Number of the newest happening: of two answers, that with the higher is the later"
    )


class Placed(Standing):
    """One that stands in a pan or hangs, for a sweet or by itself."""

    parent_id: int | None = None
    slot: str | None = None
    pan_id: int | None = None
    burner_id: int | None


def standing(
    id: int,
    name: str,
    created_at_s: float,
    now_s: float,
    log: Log,
    state: Any,
    nudges: Sequence[Nudge],
    plan: Any = None,
    lines: int | None = None,
) -> dict[str, Any]:
    """Those fields of it. ``plan``: of now, where it may change on the way; ``lines``: so many of the newest of its log
    are told, all when None."""
    return {
        "id": id,
        "name": name,
        "created_at_s": created_at_s,
        "now_s": now_s,
        "weighed_kg": state.weighed_kg,
        "paused_at_s": state.paused_at_s,
        "hushed": any(n.hushed for n in nudges),
        "nudges": [NudgeOut.of(nudge) for nudge in nudges],
        "log": log_lines(log, Told(plan or log.plan, state), lines),
        "undo_id": undo_id(log),
        "newest": log.next_id - 1,
    }
