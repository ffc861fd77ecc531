"""Batches as last read or written, kept beside the file: a long log is not read and folded again at every look.

What a transaction read or wrote is kept once it is on disk, and what happened since is read and added.
"""

import threading
from collections import OrderedDict
from typing import TYPE_CHECKING

from sqlalchemy.orm import Session

if TYPE_CHECKING:
    from .batches import Batch

MOST = 48
"""More than ever go on at once: else each look at all of them would push the first out."""


class Kept:
    """The batches last in use."""

    def __init__(self) -> None:
        self._batches: OrderedDict[int, Batch] = OrderedDict()
        self._lock = threading.Lock()
        self._cleared = 0

    def clear(self) -> None:
        with self._lock:
            self._batches.clear()
            self._cleared += 1

    def begin(self, session: Session) -> "Recent":
        found = session.info[Recent] = Recent(self, self._cleared)
        return found

    def get(self, batch_id: int) -> "Batch | None":
        with self._lock:
            found = self._batches.get(batch_id)
            if found is not None:
                self._batches.move_to_end(batch_id)
            return found

    def accept(self, batches: "list[Batch]", since: int) -> None:
        with self._lock:
            if since != self._cleared:
                return
            for batch in batches:
                kept = self._batches.get(batch.id)
                if kept is None or kept.log.next_id < batch.log.next_id:  # one that looked earlier may come later
                    self._batches[batch.id] = batch
                self._batches.move_to_end(batch.id)
            while len(self._batches) > MOST:
                self._batches.popitem(last=False)


class Recent:
    """What one session finds kept, and what it has to give."""

    def __init__(self, kept: Kept, since: int) -> None:
        self._kept, self._since = kept, since
        self._offered: dict[int, Batch] = {}

    def get(self, batch_id: int) -> "Batch | None":
        """As it was last read or written; it may be a few events behind the file."""
        return self._kept.get(batch_id)

    def offer(self, batch: "Batch") -> None:
        if batch.events:
            self._offered[batch.id] = batch

    def accepted(self) -> None:
        """What was read or written is on disk."""
        self._kept.accept(list(self._offered.values()), self._since)


def recent(session: Session) -> Recent:
    """Of this session; one that no database opened keeps nothing."""
    found: Recent | None = session.info.get(Recent)
    return found if found is not None else Kept().begin(session)
