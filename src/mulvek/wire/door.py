"""The door as it is sent: who one is here, the numbers, the doorway, what was let in, and the audit list."""

from typing import Annotated, Any, Literal

from pydantic import Field

from .model import Body, Name, Out

Right = Literal["look", "log", "cook", "keep"]
Ends = Annotated[float, Field(ge=0, le=1e11)]


class MeOut(Out):
    """Who asks. ``here``: the computer that Mulvek runs on. ``state``: in, out, in the doorway (``knocking``, showing
    ``thing``), ``refused`` there, ``sent-away``, or ``over``. ``home``: whether the house's network is served."""

    state: Literal["out", "knocking", "in", "refused", "sent-away", "over"]
    here: bool
    home: bool
    name: str
    allowed: Right | None
    ends_s: float | None
    thing: str
    now_s: float


class KnockIn(Body):
    """The six numbers, what the device would be called, and whether its screen is small."""

    code: str = Field(pattern=r"^[0-9]{6}$")
    name: str = Field("", max_length=60)
    small: bool = True


class KnockOut(Out):
    """Who stands in the doorway; times s since the epoch."""

    thing: str
    name: str
    small: bool
    at_s: float


class DeviceOut(Out):
    """A device that was let in. ``did``: the last thing it logged; ``ends_s``: none when for good."""

    id: int
    name: str
    allowed: Right
    small: bool
    state: Literal["in", "sent-away", "over"]
    created_s: float
    ends_s: float | None
    over_s: float | None
    seen_s: float | None
    did: str


class DoorOut(Out):
    """``code``: the six numbers, empty when there are none; ``left_s``: how long they are still good, of
    ``good_for_s``. ``qr``: rows of 0 and 1 of the code for the camera, of the first of ``urls``. ``guessed_out``: void
    because of wrong tries. ``fingerprint``: of the certificate, where there is one."""

    home: bool
    now_s: float
    urls: list[str]
    fingerprint: str
    code: str
    left_s: float
    good_for_s: float
    guessed_out: bool
    qr: list[str]
    knock: KnockOut | None
    devices: list[DeviceOut]


class LetInIn(Body):
    """Let in the one that shows ``thing``."""

    thing: str = Field(max_length=20)
    name: Name
    allowed: Right
    ends_s: Ends | None


class TurnAwayIn(Body):
    thing: str = Field(max_length=20)


class DeviceIn(Body):
    name: Name
    allowed: Right
    ends_s: Ends | None


class AuditLineOut(Out):
    """``who``: "here" for the computer itself, else the device's name; ``what``: a slug; ``data``: its values."""

    at_s: float
    who: str
    what: str
    data: dict[str, Any]


class AuditOut(Out):
    """Newest first."""

    lines: list[AuditLineOut]
