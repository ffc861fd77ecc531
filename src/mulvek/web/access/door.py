"""The door of one kitchen: who stands in the doorway, who was let in, and what each may do."""

import hashlib
import logging
import secrets
import threading
import time
from collections.abc import Callable
from dataclasses import dataclass, field, replace
from typing import Literal

from ...core.errors import BadInput, Conflict, KitchenError, NotFound
from ...store.database import Database
from ...store.devices import Devices
from ...store.tables import AuditRow, DeviceRow
from .numbers import MOST_WRONG, Numbers, Wait

THINGS = ("ladle", "sieve", "mould", "kettle", "whisk", "spoon", "grater", "cup")
"""What both screens show, so that it is the phone in one's hand that is let in."""
HERE = "here"
"""The computer itself, in the audit list."""
SEEN_EACH_S = 300.0
_log = logging.getLogger(__name__)
State = Literal["out", "knocking", "in", "refused", "sent-away", "over"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Device:
    """A device that was let in; times s since the epoch. ``over_at``: when it was sent away."""

    id: int
    name: str
    allowed: str
    token_hash: str
    small: bool
    created_at: float
    ends_at: float | None
    over_at: float | None
    seen_at: float | None
    did: str

    def state(self, now_s: float) -> State:
        if self.over_at is not None:
            return "sent-away"
        return "over" if self.ends_at is not None and now_s >= self.ends_at else "in"


@dataclass(frozen=True, slots=True, kw_only=True)
class Knock:
    """A device in the doorway, shown as ``thing`` on both screens."""

    token_hash: str
    thing: str
    name: str
    small: bool
    at_s: float
    refused: bool = False


def hashed(token: str) -> str:
    """What is kept of a secret: it has 256 random bits, so that a plain hash is enough."""
    return hashlib.sha256(token.encode()).hexdigest()


def _device(row: DeviceRow) -> Device:
    return Device(**{name: getattr(row, name) for name in Device.__slots__})


@dataclass(slots=True, kw_only=True)
class Door:
    """``home``: whether the house's network is served at all."""

    db: Database
    clock: Callable[[], float]
    ticks: Callable[[], float] = time.monotonic
    home: bool = False
    knock: Knock | None = None
    numbers: Numbers = field(init=False)
    _devices: dict[int, Device] = field(default_factory=dict)
    _lock: threading.RLock = field(default_factory=threading.RLock)

    def __post_init__(self) -> None:
        self.numbers = Numbers(self.ticks)
        self.look()

    def look(self) -> None:
        """Read the devices from the file: at the start, and after a copy was brought back."""
        with self._lock, self.db.reading() as session:
            self._devices = {row.id: _device(row) for row in Devices(session).all()}

    # -- from outside ---------------------------------------------------------------------------------

    def known(self, token: str) -> Device | None:
        """The device with this secret, whether or not it may still come in."""
        looked_for = hashed(token)
        return next((d for d in list(self._devices.values()) if d.token_hash == looked_for), None)

    def may(self, device_id: int) -> bool:
        """Whether it is still let in."""
        device = self._devices.get(device_id)
        return device is not None and device.state(self.clock()) == "in"

    def knocked(self, typed: str, name: str, small: bool) -> str:
        """Stand in the doorway, with the right numbers; gives the secret of the one who knocked.

        :raises BadInput: field "code", when they are wrong. :raises Conflict: field "code", when it is too soon for
            another guess, or the door is shut.
        """
        with self._lock:
            found = self.numbers.guess(typed)
            if isinstance(found, Wait):
                raise TooSoon(found.seconds)
            if not found:
                out = self.numbers.guessed_out
                if self.numbers.wrong <= MOST_WRONG:  # a guesser does not fill the list
                    self.note("someone", "guessed-out" if out else "guessed-wrong")
                if out or not self.numbers.code:
                    raise Conflict("code", "door-shut")
                raise BadInput("code", "wrong-door-numbers")
            token = secrets.token_urlsafe(32)
            self.knock = Knock(
                token_hash=hashed(token), thing=secrets.choice(THINGS), name=name, small=small, at_s=self.clock()
            )
            self.note(name or "someone", "knocked")
            return token

    def entered(self, token: str) -> str | None:
        """A new secret for one that was let in: what was known in the doorway opens nothing any more."""
        device = self.known(token)
        if device is None or not self.may(device.id):
            return None
        fresh = secrets.token_urlsafe(32)
        self._change(device.id, token_hash=hashed(fresh), seen_at=self.clock())
        return fresh

    def left(self, device_id: int) -> None:
        """It goes by itself."""
        self._change(device_id, over_at=self.clock())
        self.note(self._devices[device_id].name, "left")

    def standing(self, token: str) -> Knock | None:
        knock = self.knock
        return knock if knock is not None and knock.token_hash == hashed(token) else None

    def seen(self, device: Device, did: str = "") -> None:
        """It was here, and logged this. Nothing fails when it cannot be written down."""
        now = self.clock()
        with self._lock:
            held = self._devices.get(device.id)
            if held is None:
                return
            due = held.seen_at is None or abs(now - held.seen_at) > SEEN_EACH_S or (did and did != held.did)
            self._devices[device.id] = replace(held, seen_at=now, did=did or held.did)
        if due:
            try:
                self._change(device.id, seen_at=now, did=did or held.did)
            except KitchenError as error:
                _log.warning("when %s was seen is not written: %s", device.name, error)

    # -- from the computer ----------------------------------------------------------------------------

    def devices(self) -> list[Device]:
        return list(self._devices.values())

    def open(self) -> None:
        """New numbers; whoever stood in the doorway goes."""
        with self._lock:
            self.knock = None
            self.numbers.renew()
            self.note(HERE, "opened")

    def shut(self) -> None:
        with self._lock:
            self.numbers.void()

    def let_in(self, thing: str, name: str, allowed: str, ends_s: float | None) -> Device:
        """Let in the one in the doorway that shows ``thing``.

        :raises Conflict: field "thing". :raises BadInput: field "ends_s".
        """
        with self._lock:
            knock = self._at_the_door(thing)
            if ends_s is not None and ends_s <= self.clock():
                raise BadInput("ends_s", "door-time-past")
            with self.db.writing() as session:
                devices = Devices(session)
                row = devices.add(name, allowed, knock.token_hash, knock.small, self.clock(), ends_s)
                devices.note(self.clock(), HERE, "let-in", name=name, allowed=allowed, ends_s=ends_s)
                device = _device(row)
            self._devices[device.id] = device
            self.knock = None
            return device

    def turn_away(self, thing: str) -> None:
        """:raises Conflict: field "thing"."""
        with self._lock:
            self.knock = replace(self._at_the_door(thing), refused=True)
            self.note(HERE, "turned-away", name=self.knock.name)

    def _at_the_door(self, thing: str) -> Knock:
        if self.knock is None or self.knock.refused or self.knock.thing != thing:
            raise Conflict("thing", "nobody-at-door", thing=thing)
        return self.knock

    def change(self, device_id: int, name: str, allowed: str, ends_s: float | None) -> Device:
        """:raises NotFound: field "device". :raises Conflict: field "device", when it was sent away."""
        with self._lock:
            if self._held(device_id).over_at is not None:
                raise Conflict("device", "device-sent-away")
            device = self._change(device_id, name=name, allowed=allowed, ends_at=ends_s)
            self.note(HERE, "changed-device", name=name, allowed=allowed, ends_s=ends_s)
            return device

    def send_away(self, device_id: int) -> None:
        """At once: its open stream ends, its next request is refused.

        :raises NotFound: field "device".
        """
        with self._lock:
            name = self._held(device_id).name
            self._change(device_id, over_at=self.clock())
            self.note(HERE, "sent-away", name=name)

    def forget(self, device_id: int) -> None:
        """:raises NotFound: field "device"."""
        with self._lock:
            name = self._held(device_id).name
            with self.db.writing() as session:
                devices = Devices(session)
                devices.forget(device_id)
                devices.note(self.clock(), HERE, "forgot", name=name)
            del self._devices[device_id]

    # -- the list -------------------------------------------------------------------------------------

    def note(self, who: str, what: str, **values: object) -> None:
        with self.db.writing() as session:
            Devices(session).note(self.clock(), who, what, **values)

    def noted(self, limit: int) -> list[AuditRow]:
        with self.db.reading() as session:
            return Devices(session).noted(limit)

    def _held(self, device_id: int) -> Device:
        if device_id not in self._devices:
            raise NotFound("device", "device-not-here")
        return self._devices[device_id]

    def _change(self, device_id: int, **values: object) -> Device:
        with self._lock:
            with self.db.writing() as session:
                row = Devices(session).row(device_id)
                for name, value in values.items():
                    setattr(row, name, value)
                device = _device(row)
            self._devices[device_id] = device
            return device


class TooSoon(Conflict):
    """Another guess before its time; ``retry_s`` is how long to wait."""

    def __init__(self, retry_s: float) -> None:
        super().__init__("code", "knocked-too-soon", seconds=max(1, round(retry_s)))
        self.retry_s = retry_s
