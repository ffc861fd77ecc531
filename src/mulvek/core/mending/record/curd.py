"""What the log of a curdling or a straining says. Curd dossier §1-§6 and §9."""

import numpy as np

from ...batch.curd_run import CurdState
from ...batch.events import Poured, Weighed, WheyWeighed
from ...batch.log import Log
from ...planning.curdle.plan import CurdlePlan
from ...planning.strain.forecast import StrainPlan
from .materials import of_milk
from .noted import Noted, Record, last

FRIDGE_C = 10.0
"""What hangs colder than this hangs in a fridge."""


def of_curd(log: Log, state: CurdState) -> dict[str, Noted]:
    """Readings by their key, in their units."""
    record = Record()
    if isinstance(log.plan, CurdlePlan):
        _of_curdling(record, log, state, log.plan)
    else:
        _of_straining(record, log, state, log.plan)
    return record.found


def _took(state: CurdState, *names: str) -> float | None:
    """Minutes that these steps took together, once all are done."""
    steps = [s for s in state.steps if s.name in names]
    ends = [s.done_at_s - s.began_at_s for s in steps if s.done_at_s is not None and s.began_at_s is not None]
    return sum(ends) / 60 if steps and len(ends) == len(steps) else None


def _of_curdling(record: Record, log: Log, state: CurdState, plan: CurdlePlan) -> None:
    told = state.curdle
    assert told is not None, "a curdling is told by its own forecast"
    of_milk(record, plan.milk)
    waited = _took(state, "wait")
    waited_s = plan.wait_s if waited is None else waited * 60
    record.note("acid-heat", float(np.interp(waited_s, told.curve_s, told.curve_c)))
    poured = last(log.counted, Poured)
    if poured is not None and told.acid.likely.likely > 0:
        record.note("acid-used", state.poured / told.acid.likely.likely, poured)
    if poured is not None:
        record.note("whey-clear", state.clear, poured)
    record.note("acid-minutes", _took(state, "acid"))
    record.note("acid-strength", plan.dilute_to)
    record.note("minutes-in-whey", _took(state, "strain"))
    record.note("rinses", float(plan.rinses))
    if plan.rinses:
        record.note("rinse-heat", plan.rinse_c)
    record.note("hanging", _took(state, plan.draining.way))
    record.note("kneading", _took(state, "knead"))
    if plan.piece_kg is not None:
        record.note("ball-weight", plan.piece_kg * 1e3)
    weighed = last(log.counted, Weighed)
    if weighed is not None:
        mass_kg = float(weighed.what.mass_kg)  # type: ignore[union-attr]
        dry_kg = float(told.balance.curd.total - told.balance.curd.water)
        record.note("chhena-water", max(0.0, 1 - dry_kg / mass_kg) * 100, weighed)


def _of_straining(record: Record, log: Log, state: CurdState, plan: StrainPlan) -> None:
    record.note("hung-in-fridge", plan.place_c < FRIDGE_C)
    minutes = _took(state, "hang")
    record.note("hanging-hours", None if minutes is None else minutes / 60)
    weighed, whey = last(log.counted, Weighed), last(log.counted, WheyWeighed)
    if weighed is not None:
        record.note("whey-off", (1 - weighed.what.mass_kg / plan.mass_kg) * 100, weighed)  # type: ignore[union-attr]
    elif whey is not None:
        record.note("whey-off", whey.what.mass_kg / plan.mass_kg * 100, whey)  # type: ignore[union-attr]
