"""Devices that were let in, and the audit list: what was done at the door, to the Larder and to the copies."""

from typing import Any

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from ..core.errors import NotFound
from .tables import AuditRow, DeviceRow

MOST_LINES = 2000
"""Lines of the audit list that stay."""


class Devices:
    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> list[DeviceRow]:
        """In the order in which they were let in."""
        return list(self.session.scalars(select(DeviceRow).order_by(DeviceRow.id)))

    def row(self, device_id: int) -> DeviceRow:
        """:raises NotFound: field "device"."""
        row = self.session.get(DeviceRow, device_id)
        if row is None:
            raise NotFound("device", "device-not-here")
        return row

    def add(
        self, name: str, allowed: str, token_hash: str, small: bool, now_s: float, ends_s: float | None
    ) -> DeviceRow:
        row = DeviceRow(
            name=name,
            allowed=allowed,
            token_hash=token_hash,
            small=small,
            created_at=now_s,
            ends_at=ends_s,
            over_at=None,
            seen_at=None,
            did="",
        )
        self.session.add(row)
        self.session.flush()
        return row

    def forget(self, device_id: int) -> None:
        self.session.delete(self.row(device_id))

    def note(self, at_s: float, who: str, what: str, **data: Any) -> None:
        """A line of the audit list; the oldest go."""
        row = AuditRow(at_s=at_s, who=who, what=what, data=data)
        self.session.add(row)
        self.session.flush()
        self.session.execute(delete(AuditRow).where(AuditRow.id <= row.id - MOST_LINES))

    def noted(self, limit: int) -> list[AuditRow]:
        """Newest first."""
        return list(self.session.scalars(select(AuditRow).order_by(AuditRow.id.desc()).limit(limit)))
