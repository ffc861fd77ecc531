"""The Book's repository: every batch there has been, newest first."""

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from .stove import Batch, Stove
from .tables import BatchRow


class Book:
    def __init__(self, session: Session) -> None:
        self.session = session

    def page(self, limit: int, offset: int) -> tuple[list[Batch], int]:
        """Batches, newest first, and how many there are in all."""
        ids = self.session.scalars(
            select(BatchRow.id).order_by(BatchRow.created_at.desc(), BatchRow.id.desc()).limit(limit).offset(offset)
        )
        stove = Stove(self.session)
        total = self.session.scalar(select(func.count()).select_from(BatchRow)) or 0
        return [stove.batch(batch_id) for batch_id in ids], total
