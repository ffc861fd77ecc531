"""The repository of what was counted of plain things, and of what went into batches since."""

from collections.abc import Iterator, Mapping
from dataclasses import replace

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from ..core.batch.stock import Counted, Use, base_uses, sweet_uses
from ..core.batch.sweet_run import base_step
from .aside import each
from .batches import Batch, Batches
from .larder import Larder
from .tables import BatchRow, EventRow, StockRow

LONGEST_MAKING_S = 7 * 86_400.0
"""What was begun longer before a count takes nothing more after it."""


class Stock:
    """Of one kitchen."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def counted(self) -> dict[str, Counted]:
        rows = self.session.execute(select(StockRow.key, StockRow.mass_kg, StockRow.counted_at))
        return {
            key: Counted(float(kg), float(at))
            for key, kg, at in rows
            if isinstance(key, str) and isinstance(kg, int | float) and isinstance(at, int | float)
        }

    def newest(self) -> tuple[int, int]:
        """Changes whenever anything happens to a batch."""
        event = self.session.scalar(select(func.max(EventRow.id)))
        return event or 0, self.session.scalar(select(func.max(BatchRow.id))) or 0

    def count(self, key: str, kg: float, at_s: float) -> None:
        kitchen = Larder(self.session).row().id
        self.session.merge(StockRow(kitchen_id=kitchen, key=key, mass_kg=kg, counted_at=at_s))
        self.session.flush()

    def forget(self, key: str) -> None:
        self.session.execute(delete(StockRow).where(StockRow.key == key))

    def uses(self, counted: Mapping[str, Counted], now_s: float) -> list[Use]:
        """What went into batches since the oldest count that is still believed."""
        since = [c.at_s for c in counted.values() if c.believed(now_s)]
        if not since:
            return []
        asked = select(BatchRow.id).where(BatchRow.created_at > min(since) - LONGEST_MAKING_S)
        found, _ = each(
            Batches(self.session).some(self.session.scalars(asked).all()),
            lambda batch: list(self._of(batch, now_s)),
            lambda batch: batch.name,
        )
        copied = {str(kept.id): kept.base for kept in Larder(self.session).ingredients()}
        return [replace(use, key=copied.get(use.key, use.key)) for uses in found for use in uses]

    def _of(self, batch: Batch, now_s: float) -> Iterator[Use]:
        milk = batch.words.get("milk") if isinstance(batch.words, dict) else None
        if batch.kind.name == "sweet":
            return sweet_uses(batch.log, batch.state(now_s), milk, self._made_for(batch.id))
        return base_uses(batch.log, milk, batch.created_at_s, batch.parent_id is None)

    def _made_for(self, batch_id: int) -> list[str]:
        slots = self.session.scalars(select(BatchRow.slot).where(BatchRow.parent_id == batch_id))
        return [base_step(slot) for slot in slots if slot]
