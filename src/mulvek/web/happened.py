"""When a happening happened: now, when the cook says, or when it was said before it could be sent."""

from dataclasses import dataclass

from ..core.errors import BadInput
from ..wire.happenings import EventBody

FUTURE_S = 30.0


@dataclass(frozen=True, slots=True)
class Moment:
    """``said_s``: the time that was said, where it could not be."""

    at_s: float
    said_s: float | None = None


def moment(event: EventBody, now_s: float, began_s: float) -> Moment:
    """The time of a happening of a batch that began at ``began_s``; seconds since the epoch.

    One that waited in a browser is never refused for its time, as a clock may have been put on or back meanwhile: it
    is taken as near to it as can be.

    :raises BadInput: field "at_s", when the cook types a time that has not come yet.
    """
    at = event.at_s
    if at is None:
        return Moment(now_s)
    if event.waited:
        taken = min(max(at, began_s), now_s)
        return Moment(taken, at if abs(taken - at) > FUTURE_S else None)
    if at > now_s + FUTURE_S:
        raise BadInput("at_s", "happened-in-future")
    return Moment(min(at, now_s))
