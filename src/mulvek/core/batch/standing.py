"""What a weighed batch still stands there with: what it gave, less what went into others."""

import math

from ..errors import BadInput, Conflict
from .events import Gone, Taken, Weighed
from .log import Log

LEAST_KG = 0.5e-3
"""Less is not there any more: it clings to the bowl."""


def left_kg(log: Log, taker: int | None = None) -> float:
    """What is left of it, kg; what one batch took of it when ``taker`` is its number. Nothing before it is weighed.

    >>> from mulvek.core.batch.events import Event, Lit
    >>> log = Log(None, [Event(1, 0.0, Lit()), Event(2, 9.0, Weighed(0.5)), Event(3, 9.5, Taken(4, "C", 0.2, "kalakand"))])
    >>> round(left_kg(log), 3), left_kg(log, taker=4)
    (0.3, 0.2)
    """
    if taker is not None:
        return sum(e.what.mass_kg for e in log.counted if isinstance(e.what, Taken) and e.what.to_batch == taker)
    weighed = log.last(Weighed)
    if weighed is None or any(isinstance(e.what, Gone) and not e.what.of for e in log.counted):
        return 0.0
    left = float(weighed.mass_kg) - sum(e.what.mass_kg for e in log.counted if isinstance(e.what, Taken))
    return left if left > LEAST_KG else 0.0


def check_left(log: Log, what: Taken | Gone) -> None:
    """:raises Conflict, BadInput: field "batch" or "mass_kg", when there is not so much of it."""
    left = left_kg(log)
    if not left:
        raise Conflict("batch", "nothing-left-of-batch")
    if isinstance(what, Taken) and not (math.isfinite(what.mass_kg) and LEAST_KG < what.mass_kg <= left + LEAST_KG):
        raise BadInput("mass_kg", "only-so-much-left", left=left)
