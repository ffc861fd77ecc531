"""Weighed batches as bases of a sweet."""

from collections.abc import Mapping
from contextlib import suppress
from dataclasses import replace

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.batch.caramel_run import CaramelState
from ..core.batch.curd_run import CurdState
from ..core.batch.events import Weighed
from ..core.batch.running import BatchState
from ..core.batch.standing import left_kg
from ..core.errors import KitchenError, NotFound
from ..core.planning.curdle.plan import CurdlePlan
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.weighed import caramelised, curdled, hung, reduced
from .batches import Batch, Batches
from .tables import BatchRow

MOST_BASES = 12
_ROOMS = (("reduce",), ("curdle", "strain"), ("caramel",))


def weighed_bases(session: Session) -> Mapping[str, ReadyBase]:
    """The newest weighed batches of which something is left, by their number, as bases of a sweet."""
    batches, found = Batches(session), dict[str, ReadyBase]()
    for kinds in _ROOMS:
        newest = (
            select(BatchRow.id)
            .where(BatchRow.finished, BatchRow.kind.in_(kinds))
            .order_by(BatchRow.created_at.desc(), BatchRow.id.desc())
            .limit(MOST_BASES)
        )
        for number in session.scalars(newest).all():
            try:
                batch = batches.batch(number)
                base = base_of(batch)
            except KitchenError:  # damaged, or of what no sweet can be built from
                continue
            left = left_kg(batch.log)
            if base is not None and left and _by_itself(batches, batch):
                weighed = next(e.at_s for e in reversed(batch.log.counted) if isinstance(e.what, Weighed))
                found[str(number)] = replace(base, mass_kg=left, gave_kg=base.mass_kg, at_s=weighed)
    return found


def _by_itself(batches: Batches, batch: Batch) -> bool:
    """Whether no making has it."""
    if batch.parent_id is None:
        return True
    with suppress(KitchenError):
        making = batches.batch(batch.parent_id)
        return bool(making.state(making.log.newest_s).given_up)
    return True  # a making that is damaged holds nothing up


def weighed_base(session: Session, bases: Mapping[str, ReadyBase], ref: str) -> ReadyBase:
    """:raises NotFound: field "bases"."""
    number = ref.removeprefix("pan-")
    if number not in bases:
        with suppress(NotFound):
            number = str(Batches(session).number_of(number))
    if number not in bases:
        raise NotFound("bases", "batch-not-standing", ref=ref)
    return bases[number]


def base_of(batch: Batch) -> ReadyBase | None:
    """A weighed batch as a base; None of one that is none."""
    state = batch.state(max(batch.log.newest_s, batch.created_at_s))
    if not state.weighed_kg:
        return None
    if isinstance(state, BatchState):
        return reduced(state.plan, state.sugar_in_kg, state.weighed_kg, batch.name)
    if isinstance(state, CaramelState):
        return None if state.given_up else caramelised(batch.plan, state.added_kg, state.weighed_kg, batch.name)
    if not isinstance(state, CurdState) or state.given_up:
        return None
    if isinstance(batch.plan, CurdlePlan) and state.curdle:
        return curdled(batch.plan, state.curdle, state.weighed_kg, batch.name)
    return hung(state.strain, state.weighed_kg, batch.name) if state.strain else None
