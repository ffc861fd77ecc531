"""The event stream: tells open tabs that something changed. A batch that changed comes with it, so that a second
screen need not ask; for anything else the tabs ask again.

Each open stream holds one server thread; beyond ``MOST_STREAMS`` a tab is turned away and polls instead.
"""

import threading
from collections import OrderedDict
from collections.abc import Callable, Iterator
from functools import cached_property

from flask import Flask, Response, request
from pydantic import BaseModel

from ..core.messages.catalogue import said
from ..core.messages.message import Message
from .access.door import Door
from .access.visitor import visitor
from .problems import problem

HEARTBEAT_S = 10.0
KEPT = 32
MOST_STREAMS = 60
LOOK_S = 1.0
GAP_S = 0.5
"""A tab that was just told something is told the next together with all that comes meanwhile."""


class News:
    """What is told: to ask again, or a batch as it stands, written out once however many are told."""

    def __init__(self, count: int, batch: BaseModel | None) -> None:
        self.count = count
        self._batch = batch

    @cached_property
    def text(self) -> str:
        return "{}" if self._batch is None else f'{{"batch":{self._batch.model_dump_json()}}}'


class Changes:
    """Numbered messages: of each batch the newest, for those who are a little behind."""

    def __init__(self) -> None:
        self._count = self._forgotten = 0
        self._newest: OrderedDict[int | None, News] = OrderedDict()
        self._raised = threading.Condition()
        self.over = threading.Event()
        self.open = threading.BoundedSemaphore(MOST_STREAMS)

    def publish(self, of: int | None = None, batch: BaseModel | None = None) -> None:
        """Tell all; ``of``, ``batch``: number of the only one that changed, and how it stands now."""
        with self._raised:
            self._count += 1
            self._newest.pop(of, None)
            self._newest[of] = News(self._count, batch)
            if len(self._newest) > KEPT:
                self._forgotten = self._newest.popitem(last=False)[1].count
            self._raised.notify_all()

    def wait_beyond(self, seen: int, seconds: float) -> tuple[int, list[str]]:
        """The count and what is to be told beyond ``seen``, as soon as there is anything or after ``seconds``."""
        with self._raised:
            self._raised.wait_for(lambda: self._count > seen, timeout=seconds)
            count, fresh = self._count, [m for m in self._newest.values() if m.count > seen]
            ask = self._newest.get(None)
            if fresh and (self._forgotten > seen or (ask is not None and ask.count > seen)):
                fresh = [News(count, None)]
        return count, [message.text for message in fresh]

    def lines(self, gone: Callable[[], bool] = lambda: False) -> Iterator[str]:
        """What one tab is told; ends when it is ``gone`` (closed, or sent away) or the server stops, so that its place
        is free at once."""
        seen, quiet = self._count, 0.0
        yield "retry: 2000\ndata: {}\n\n"
        while not self.over.is_set() and not gone():
            seen, fresh = self.wait_beyond(seen, LOOK_S)
            quiet = 0.0 if fresh else quiet + LOOK_S
            if fresh:
                yield "".join(f"data: {message}\n\n" for message in fresh)
                self.over.wait(GAP_S)
            elif quiet >= HEARTBEAT_S:
                quiet = 0.0
                yield ": still here\n\n"


def routes(app: Flask, changes: Changes, door: Door) -> None:
    def stream() -> Response:
        if not changes.open.acquire(blocking=False):
            return problem(503, Message("title-too-many-tabs"), said(Message("tab-asks-instead")))
        closed = request.environ.get("waitress.client_disconnected", lambda: False)
        device = visitor(request, door).device
        response = Response(
            changes.lines(lambda: closed() or (device is not None and not door.may(device.id))),
            mimetype="text/event-stream",
            headers={"Cache-Control": "no-cache", "X-Accel-Buffering": "no"},
        )
        response.call_on_close(changes.open.release)
        return response

    app.add_url_rule("/api/changes", "changes", stream)
