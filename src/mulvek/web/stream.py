"""The event stream: tells open tabs that something changed, so that they ask again.

Each open stream holds one server thread; beyond ``MOST_STREAMS`` a tab is turned away and polls instead.
"""

import threading
from collections.abc import Iterator

from flask import Flask, Response, stream_with_context

from .problems import problem

HEARTBEAT_S = 10.0
MOST_STREAMS = 20


class Changes:
    """A counter that waits to be raised."""

    def __init__(self) -> None:
        self._count = 0
        self._raised = threading.Condition()
        self.open = threading.BoundedSemaphore(MOST_STREAMS)

    def publish(self) -> None:
        with self._raised:
            self._count += 1
            self._raised.notify_all()

    def wait_beyond(self, seen: int, seconds: float) -> int:
        """The count, as soon as it is above ``seen`` or after ``seconds``."""
        with self._raised:
            self._raised.wait_for(lambda: self._count > seen, timeout=seconds)
            return self._count

    def lines(self) -> Iterator[str]:
        seen = self.wait_beyond(-1, 0)
        yield f"retry: 2000\ndata: {seen}\n\n"
        while True:
            count = self.wait_beyond(seen, HEARTBEAT_S)
            yield f"data: {count}\n\n" if count > seen else ": still here\n\n"
            seen = count


def routes(app: Flask, changes: Changes) -> None:
    def stream() -> Response:
        if not changes.open.acquire(blocking=False):
            return problem(503, "Too many open tabs", "This tab asks every few seconds instead.")
        response = Response(
            stream_with_context(changes.lines()),
            mimetype="text/event-stream",
            headers={"Cache-Control": "no-cache", "X-Accel-Buffering": "no"},
        )
        response.call_on_close(changes.open.release)
        return response

    app.add_url_rule("/api/changes", "changes", stream)
