"""What a request must show before it is answered: a host that is served, an origin that is ours, and the right.

Where it stands: a name of another site that leads here is refused by its host (DNS rebinding), another site's page by
its origin, and whoever was not let in by the lack of a cookie that a page cannot read and other sites cannot send.
"""

import logging
from collections.abc import Callable
from urllib.parse import urlsplit

from flask import Flask, Response, abort, request

from ...core.errors import KitchenError
from ...core.messages.catalogue import said
from ...core.messages.message import Message
from ..problems import FieldProblem, problem
from .door import Door
from .home import Hosts
from .rights import NEEDED
from .visitor import Visitor, host_name, visitor

SAFE = frozenset({"GET", "HEAD", "OPTIONS"})
STREAMS = frozenset({"changes"})
OWN_SITE = frozenset({"same-origin", "none"})
_log = logging.getLogger(__name__)
_AUDITED = frozenset({"keep"})


def install(app: Flask, hosts: Hosts, door: Door) -> None:
    @app.before_request
    def _guard() -> Response | None:
        if not hosts.serves(host_name(request)):
            abort(400, said(Message("host-not-served")))
        if (request.method not in SAFE or request.endpoint in STREAMS) and not own_page():
            return refused(403, "title-not-from-here", "asked-by-another-site", "origin")
        if request.endpoint is None:  # no such address: said by the router
            return None
        who, needed = visitor(request, door), NEEDED[request.endpoint]
        if who.may(needed):
            return None
        if who.state != "in":
            return refused(401, "title-at-door", "device-not-in", "device")
        return refused(403, "title-not-by-device", f"device-may-not-{needed}", "device")

    @app.after_request
    def _after(response: Response) -> Response:
        if request.endpoint is not None and response.status_code < 400:
            _write_down(door, visitor(request, door))
        return response


def own_page() -> bool:
    """Whether a page of ours asks, or no page at all. Browsers tell one or both; no other site can forge them."""
    site = request.headers.get("Sec-Fetch-Site")
    if site is not None and site not in OWN_SITE:
        return False
    origin = request.headers.get("Origin")
    if origin is None:
        return True
    parts = urlsplit(origin)
    return (parts.scheme, parts.netloc) == (request.scheme, request.host)


def refused(status: int, title: str, key: str, field: str) -> Response:
    """``title`` and ``key``: of the catalogue."""
    code, what = {401: "not-let-in", 403: "not-allowed"}[status], Message(key)
    found = FieldProblem(path=field, code=code, message=said(what), fix=said(what, "fix"))
    return problem(status, Message(title), f"{found.message} {found.fix}", [found])


def _write_down(door: Door, who: Visitor) -> None:
    """Who was here; what was changed that lasts."""
    changed = request.method not in SAFE
    if who.device is not None and who.state == "in":
        door.seen(who.device, _logged() if changed else "")
    if changed and NEEDED[request.endpoint or ""] in _AUDITED:
        _quietly(lambda: door.note(who.name, request.endpoint or "", **(request.view_args or {})))


def _logged() -> str:
    """What was logged, of a happening."""
    body = request.get_json(silent=True)
    event = body.get("event") if isinstance(body, dict) else None
    kind = event.get("kind") if isinstance(event, dict) else None
    return kind[:40] if isinstance(kind, str) else ""


def _quietly(write: Callable[[], None]) -> None:
    """The change itself is made and acknowledged: a line of the list that cannot be written undoes nothing."""
    try:
        write()
    except KitchenError as error:
        _log.warning("not in the audit list: %s", error)
