"""The event stream: tells open tabs that something changed. A batch that changed comes with it, so that a second
screen need not ask; for anything else the tabs ask again.

Each open stream holds one server thread; beyond ``MOST_STREAMS`` a tab is turned away and polls instead.
"""

import threading
from collections import deque
from collections.abc import Callable, Iterator

from flask import Flask, Response, request, stream_with_context
from pydantic import BaseModel

from .problems import problem

HEARTBEAT_S = 10.0
KEPT = 32
MOST_STREAMS = 60
LOOK_S = 1.0


ASK = "{}"
"""The message that tells nothing but to ask again."""


class Changes:
    """Numbered messages, the newest kept for those who are a little behind."""

    def __init__(self) -> None:
        self._count = 0
        self._kept: deque[str] = deque(maxlen=KEPT)
        self._raised = threading.Condition()
        self.stopped = False
        self.open = threading.BoundedSemaphore(MOST_STREAMS)

    def publish(self, batch: BaseModel | None = None) -> None:
        """Tell all; ``batch``: the only one that changed, as it stands now."""
        message = ASK if batch is None else f'{{"pan":{batch.model_dump_json()}}}'
        with self._raised:
            self._count += 1
            self._kept.append(message)
            self._raised.notify_all()

    def wait_beyond(self, seen: int, seconds: float) -> tuple[int, list[str]]:
        """The count and the messages beyond ``seen``, as soon as there are any or after ``seconds``."""
        with self._raised:
            self._raised.wait_for(lambda: self._count > seen, timeout=seconds)
            missed = self._count - seen
            fresh = [ASK] if missed > len(self._kept) else list(self._kept)[len(self._kept) - missed :]
            return self._count, fresh if missed else []

    def lines(self, gone: Callable[[], bool] = lambda: False) -> Iterator[str]:
        """What one tab is told; ends when it is ``gone`` or the server stops, so that its place is free at once."""
        seen, quiet = self._count, 0.0
        yield f"retry: 2000\ndata: {ASK}\n\n"
        while not self.stopped and not gone():
            seen, fresh = self.wait_beyond(seen, LOOK_S)
            quiet = 0.0 if fresh else quiet + LOOK_S
            if fresh:
                yield "".join(f"data: {message}\n\n" for message in fresh)
            elif quiet >= HEARTBEAT_S:
                quiet = 0.0
                yield ": still here\n\n"


def routes(app: Flask, changes: Changes) -> None:
    def stream() -> Response:
        if not changes.open.acquire(blocking=False):
            return problem(503, "Too many open tabs", "This tab asks every few seconds instead.")
        gone = request.environ.get("waitress.client_disconnected", lambda: False)
        response = Response(
            stream_with_context(changes.lines(gone)),
            mimetype="text/event-stream",
            headers={"Cache-Control": "no-cache", "X-Accel-Buffering": "no"},
        )
        response.call_on_close(changes.open.release)
        return response

    app.add_url_rule("/api/changes", "changes", stream)
