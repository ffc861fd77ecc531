"""What the log of a caramel says. Sweets dossier, caramel."""

from ...batch.caramel_run import CaramelState
from ...batch.events import Added, Lit, Off, Reading, Scraped, ShadeSeen
from ...batch.log import Log
from ...planning.caramel.plan import CaramelPlan
from ...planning.caramel.shades import middle_c
from .materials import of_pan
from .noted import Noted, Record, first, minutes_between


def of_caramel(log: Log, state: CaramelState) -> dict[str, Noted]:
    """Readings by their key, in their units."""
    record, counted = Record(), log.counted
    plan: CaramelPlan = log.plan
    of_pan(record, plan.hearth.pan)
    off = first(counted, Off)
    hottest = max(
        (e for e in counted if isinstance(e.what, Reading) and e.what.how == "temperature"),
        key=lambda e: e.what.value,  # type: ignore[union-attr]
        default=None,
    )
    seen = [e for e in counted if isinstance(e.what, ShadeSeen)]
    if hottest is not None:
        record.note("caramel-heat", hottest.what.value, hottest)  # type: ignore[union-attr]
    elif seen:
        record.note("caramel-heat", max(middle_c(e.what.shade) for e in seen), seen[-1])  # type: ignore[union-attr]
    lit = first(counted, Lit)
    record.note("melting-minutes", minutes_between(lit, off), off)
    pours = [e for e in counted if isinstance(e.what, Added) and e.what.what == "milk"]
    if len(pours) > 1:
        record.note("seconds-pouring", pours[-1].at_s - pours[0].at_s, pours[-1])
    wipes = [e for e in counted if isinstance(e.what, Scraped)]
    if wipes and lit is not None:
        record.note("wipe-gap", minutes_between(lit, wipes[0]), wipes[0])
    return record.found
