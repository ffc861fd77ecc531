"""Off the fire for a while, of a batch of any kind: since when, and how long it was away in all."""

import math
from collections.abc import Sequence

from ..errors import Conflict
from ..messages.message import Message
from .attention import Nudge
from .events import Abandoned, Event, Off, Paused, Resumed, StepBegun, StepDone, Weighed

PUT_BACK_AFTER_S = 900.0
ENDS = (Resumed, StepBegun, StepDone, Off, Weighed, Abandoned)
"""What ends a pause: whoever goes on with it has it back."""


def _pauses(counted: Sequence[Event]) -> list[tuple[float, float]]:
    """From when to when it was off the fire; the last without an end while it still is."""
    found: list[tuple[float, float]] = []
    for event in counted:
        off = bool(found) and found[-1][1] == math.inf
        if isinstance(event.what, Paused) and not off:
            found.append((event.at_s, math.inf))
        elif isinstance(event.what, ENDS) and off:
            found[-1] = (found[-1][0], event.at_s)
    return found


def paused_since(counted: Sequence[Event]) -> float | None:
    """Since when it is off the fire for a while; None when it is not.

    >>> paused_since([Event(2, 10.0, Paused())]), paused_since([Event(2, 10.0, Paused()), Event(3, 40.0, Resumed())])
    (10.0, None)
    """
    return next((since for since, until in _pauses(counted) if until == math.inf), None)


def away_s(counted: Sequence[Event], from_s: float, to_s: float) -> float:
    """How long of that time it was off the fire, s.

    >>> away = [Event(2, 10.0, Paused()), Event(3, 40.0, Resumed()), Event(4, 90.0, Paused())]
    >>> away_s(away, 0.0, 100.0), away_s(away, 20.0, 30.0)
    (40.0, 10.0)
    """
    return sum((max(0.0, min(until, to_s) - max(since, from_s)) for since, until in _pauses(counted)), 0.0)


def check_pause(what: Paused | Resumed, since_s: float | None, on_fire: bool) -> None:
    """:raises Conflict: field "kind"."""
    if isinstance(what, Resumed) and since_s is None:
        raise Conflict("kind", "not-resting")
    if isinstance(what, Paused) and since_s is not None:
        raise Conflict("kind", "already-resting")
    if isinstance(what, Paused) and not on_fire:
        raise Conflict("kind", "nothing-to-rest")


def pause_nudge(since_s: float) -> Nudge:
    return Nudge(
        key="paused",
        episode=str(round(since_s)),
        kind="care",
        due_at_s=since_s + PUT_BACK_AFTER_S,
        says=Message("put-it-back"),
        answer="resumed",
    )
