"""Off the fire for a while, of a batch of any kind: since when, and how long it was away in all."""

from collections.abc import Sequence

from ..errors import Conflict
from .attention import Nudge
from .events import Abandoned, Event, Off, Paused, Resumed, StepBegun, StepDone, Weighed

PUT_BACK_AFTER_S = 900.0
ENDS = (Resumed, StepBegun, StepDone, Off, Weighed, Abandoned)
"""What ends a pause: whoever goes on with it has it back."""


def paused_since(counted: Sequence[Event]) -> float | None:
    """Since when it is off the fire for a while; None when it is not.

    >>> paused_since([Event(2, 10.0, Paused())]), paused_since([Event(2, 10.0, Paused()), Event(3, 40.0, Resumed())])
    (10.0, None)
    """
    since = None
    for event in counted:
        if isinstance(event.what, Paused):
            since = event.at_s if since is None else since
        elif isinstance(event.what, ENDS):
            since = None
    return since


def away_s(counted: Sequence[Event], from_s: float, to_s: float) -> float:
    """How long of that time it was off the fire, s.

    >>> away = [Event(2, 10.0, Paused()), Event(3, 40.0, Resumed()), Event(4, 90.0, Paused())]
    >>> away_s(away, 0.0, 100.0), away_s(away, 20.0, 30.0)
    (40.0, 10.0)
    """
    total, since = 0.0, None
    for event in counted:
        if isinstance(event.what, Paused):
            since = event.at_s if since is None else since
        elif isinstance(event.what, ENDS) and since is not None:
            total += max(0.0, min(event.at_s, to_s) - max(since, from_s))
            since = None
    if since is not None:
        total += max(0.0, to_s - max(since, from_s))
    return total


def check_pause(what: Paused | Resumed, since_s: float | None, on_fire: bool) -> None:
    """:raises Conflict: field "kind"."""
    if isinstance(what, Resumed) and since_s is None:
        raise Conflict("kind", "It is not off the fire.", "Carry on with it.")
    if isinstance(what, Paused) and since_s is not None:
        raise Conflict("kind", "It is off the fire already.", "Put it back, or go on with it.")
    if isinstance(what, Paused) and not on_fire:
        raise Conflict("kind", "Nothing of it is on the fire.", "Only what cooks can be taken off for a while.")


def pause_nudge(since_s: float) -> Nudge:
    return Nudge(
        key="paused",
        episode=str(round(since_s)),
        kind="care",
        due_at_s=since_s + PUT_BACK_AFTER_S,
        act="Put it back, or chill it.",
        strip="paused",
        answer="resumed",
    )
