"""A batch's log as it is shown, whatever its kind: newest first, each happening a sentence, with what the undo key would
take back."""

from ..core.batch.attention import Attention
from ..core.batch.events import Begun, Carried, FaultFound, Judged, Lit, Note, Undo, kind_of
from ..core.batch.log import Log
from ..language.happened import Told, sentence
from .model import Out


class LogLine(Out):
    event_id: int
    at_s: float
    kind: str
    text: str
    undone: bool
    undone_by: int | None = None
    said_s: float | None = None


def log_lines(log: Log, told: Told, newest: int | None = None) -> list[LogLine]:
    """So many of the newest happenings, or all."""
    lines = [
        LogLine(
            event_id=event.id,
            at_s=event.at_s,
            kind=kind_of(event.what),
            text=sentence(event, told),
            undone=event.id in log.undone_by,
            undone_by=log.undone_by.get(event.id),
            said_s=event.said_s,
        )
        for event in log.events[-newest if newest else None :]
        if not isinstance(event.what, Undo)
    ]
    return sorted(lines, key=lambda line: (line.at_s, line.event_id), reverse=True)


def undo_id(log: Log) -> int | None:
    """The newest happening that the undo key takes back: no beginning, no remark, no putting off."""
    kept = Undo | Begun | Lit | Carried | Note | Judged | FaultFound | Attention
    return next(
        (e.id for e in reversed(log.events) if not isinstance(e.what, kept) and e.id not in log.undone_by), None
    )
