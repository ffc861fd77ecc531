"""A batch's log as it is shown: newest first, in words, with what the undo key would take back."""

from collections.abc import Callable, Sequence
from typing import TypeVar

from ..core.batch.attention import Attention
from ..core.batch.log import Begun, Logged, Remark, TakenBack, counting
from .batch import LogLine

W = TypeVar("W")


def log_lines(events: Sequence[Logged[W]], words: Callable[[Logged[W]], str]) -> list[LogLine]:
    ids = {e.id for e in counting(events)}
    lines = [
        LogLine(
            event_id=e.id,
            at_s=e.at_s,
            kind=type(e.what).__name__.lower(),
            text=words(e),
            undone=e.id not in ids,
            said_s=e.said_s,
        )
        for e in events
        if not isinstance(e.what, TakenBack)
    ]
    return sorted(lines, key=lambda line: (line.at_s, line.event_id), reverse=True)


def undo_id(events: Sequence[Logged[W]]) -> int | None:
    """The newest happening that the undo key takes back: no beginning, no remark, no putting off."""
    return max((e.id for e in counting(events) if not isinstance(e.what, Begun | Remark | Attention)), default=None)
