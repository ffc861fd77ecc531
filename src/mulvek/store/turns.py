"""One writer at a time, in the order of asking, so that nobody is passed over and the file is never found locked."""

import threading
from collections import deque
from collections.abc import Iterator
from contextlib import contextmanager

from ..core.errors import Unavailable


class Turns:
    """A queue in front of the one pen."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._waiting: deque[threading.Event] = deque()
        self._holder: int | None = None

    @contextmanager
    def turn(self, patience_s: float) -> Iterator[None]:
        """Wait for one's turn.

        :raises Unavailable: when it does not come in time. :raises RuntimeError: when this thread has it already.
        """
        me = threading.get_ident()
        with self._lock:
            if self._holder == me:
                raise RuntimeError("this thread is writing already")
            mine = threading.Event()
            self._waiting.append(mine)
            if self._waiting[0] is mine:
                mine.set()
        try:
            if not mine.wait(patience_s):
                raise Unavailable("kitchen", "too-much-being-written", retry_s=2.0)
            self._holder = me
            yield
        finally:
            with self._lock:
                if self._holder == me:
                    self._holder = None
                self._waiting.remove(mine)
                if self._waiting:
                    self._waiting[0].set()
