"""The names and addresses at which this computer is found in the house."""

import ipaddress
import socket
import time
from collections.abc import Iterable
from contextlib import suppress

from .visitor import LOOPBACK_NAMES

LOOKED_FOR_S = 30.0
SOMEWHERE = "192.0.2.1"
"""An address of nobody (RFC 5737): asked only which of ours leads out; nothing is sent."""


def addresses() -> list[str]:
    """IPv4 addresses of this computer in the house, the one that others find it at first."""
    found: list[str] = []
    with suppress(OSError), socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:  # it may be in no network
        probe.connect((SOMEWHERE, 9))
        found.append(probe.getsockname()[0])
    with suppress(OSError):
        found += [str(info[4][0]) for info in socket.getaddrinfo(socket.gethostname(), None, socket.AF_INET)]
    return [a for a in dict.fromkeys(found) if not ipaddress.ip_address(a).is_loopback]


def own_names() -> list[str]:
    """What the house may call this computer."""
    name = socket.gethostname().lower().split(".")[0]
    return [name, f"{name}.local", f"{name}.lan", f"{name}.home"]


def _is_ours(address: str) -> bool:
    """Whether an address belongs to this computer: only then can anything be bound to it."""
    try:
        found = ipaddress.ip_address(address.strip("[]"))
    except ValueError:
        return False
    family = socket.AF_INET6 if found.version == 6 else socket.AF_INET
    try:
        with socket.socket(family, socket.SOCK_DGRAM) as probe:
            probe.bind((str(found), 0))
    except OSError:
        return False
    return not found.is_unspecified and not found.is_multicast


class Hosts:
    """What a request may call us. ``home``: also this computer's own names and present addresses."""

    def __init__(self, names: Iterable[str] = (), home: bool = False) -> None:
        self.names = {*LOOPBACK_NAMES, *(name.lower() for name in names), *(own_names() if home else ())}
        self.home = home
        self._ours: dict[str, float] = {}

    def serves(self, name: str) -> bool:
        name = name.lower()
        if name in self.names:
            return True
        if not self.home:
            return False
        now = time.monotonic()
        if self._ours.get(name, -LOOKED_FOR_S) > now - LOOKED_FOR_S:
            return True
        if not _is_ours(name):
            self._ours.pop(name, None)
            return False
        self._ours[name] = now
        return True
