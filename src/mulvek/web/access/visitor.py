"""Who is asking: the computer itself, or a device with the secret in its cookie."""

from dataclasses import dataclass

from flask import Request, g

from .door import HERE, Device, Door, State
from .rights import holds

COOKIE = "mulvek_device"
LOOPBACK_NAMES = ("127.0.0.1", "localhost", "[::1]")
_PASSED_ON = ("Forwarded", "X-Forwarded-For", "X-Forwarded-Host", "X-Real-IP", "Via")


@dataclass(frozen=True, slots=True)
class Visitor:
    """``here``: at the computer that Mulvek runs on. ``token``: the secret that was shown, known or not."""

    here: bool
    device: Device | None
    state: State
    token: str

    def may(self, needed: str) -> bool:
        """Whether a right that a route asks for is held."""
        if needed == "open" or self.here:
            return True
        if needed == "here" or self.device is None or self.state != "in":
            return False
        return holds(self.device.allowed, needed)

    @property
    def name(self) -> str:
        """As in the audit list."""
        return HERE if self.here or self.device is None else self.device.name


def host_name(request: Request) -> str:
    """The name or address that was asked for, without the port."""
    host = request.host
    return host if host.endswith("]") else host.rsplit(":", 1)[0]


def visitor(request: Request, door: Door) -> Visitor:
    """Looked at once a request; a programme that passes requests on makes nobody the computer itself."""
    if "visitor" not in g:
        g.visitor = _look(request, door)
    found: Visitor = g.visitor
    return found


def _look(request: Request, door: Door) -> Visitor:
    peer = request.remote_addr or ""
    if (
        (peer == "::1" or peer.startswith("127."))
        and host_name(request) in LOOPBACK_NAMES
        and not request.environ.get("mulvek.front")
        and not any(name in request.headers for name in _PASSED_ON)
    ):
        return Visitor(True, None, "in", "")
    token = request.cookies.get(COOKIE, "")
    device = door.known(token) if token else None
    if device is not None:
        return Visitor(False, device, device.state(door.clock()), token)
    knock = door.standing(token) if token else None
    return Visitor(False, None, "out" if knock is None else "refused" if knock.refused else "knocking", token)
