"""The door over HTTP: for a device outside, to knock and enter; for the computer, to open, let in and send away."""

from collections.abc import Callable
from typing import Any

from flask import Response, after_this_request, request
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ...core.errors import Conflict
from ...core.messages.message import Message
from ...wire.door import (
    AuditLineOut,
    AuditOut,
    DeviceIn,
    DeviceOut,
    DoorOut,
    KnockIn,
    KnockOut,
    LetInIn,
    MeOut,
    TurnAwayIn,
)
from ...wire.model import Nothing, Out
from ..problems import FieldProblem, problem
from ..stream import Changes
from .door import Device, Door, TooSoon
from .numbers import GOOD_FOR_S
from .visitor import COOKIE, Visitor, visitor

TAGS = [Tag(name="door")]
A_YEAR_S, DOORWAY_S = 400 * 86_400, 900
"""Longest life of a cookie, as browsers allow; and of one that only stands in the doorway."""


class DevicePath(Out):
    device_id: int = Field(ge=1, le=2**53)


class LinesQuery(Out):
    limit: int = Field(200, ge=1, le=2000)


class Served:
    """Where the house finds this computer, and the fingerprint of its certificate if it has one."""

    def __init__(self, urls: Callable[[], list[str]] = list, fingerprint: str = "") -> None:
        self.urls, self.fingerprint = urls, fingerprint


def routes(app: OpenAPI, door: Door, served: Served, changes: Changes) -> None:
    @app.errorhandler(TooSoon)
    def _too_soon(error: TooSoon) -> Response:
        field = FieldProblem(path=error.field, code="too-soon", message=error.message, fix=error.fix)
        response = problem(429, Message("title-too-soon"), str(error), [field])
        response.headers["Retry-After"] = str(max(1, round(error.retry_s)))
        return response

    def me(who: Visitor) -> MeOut:
        device, knock = who.device, door.standing(who.token) if who.token else None
        inside = who.here or who.state == "in"
        return MeOut(
            state=who.state,
            here=who.here,
            home=door.home,
            name=device.name if device else knock.name if knock else "",
            allowed="keep" if who.here else device.allowed if device and inside else None,  # type: ignore[arg-type]
            ends_s=device.ends_at if device else None,
            thing=knock.thing if knock and not inside else "",
            now_s=door.clock(),
        )

    @app.get("/api/me", tags=TAGS, responses={200: MeOut})
    def get_me() -> Any:
        """Who this device is here, and what it may do"""
        who = visitor(request, door)
        if who.device is not None and who.state == "in":
            _remember(who.token, who.device, door.clock())
        return me(who)

    @app.post("/api/door/knock", tags=TAGS, responses={201: MeOut})
    def knock(body: KnockIn) -> Any:
        """Stand in the doorway, with the six numbers of the computer's screen"""
        token = door.knocked(body.code, body.name.strip(), body.small)
        _remember(token, None, door.clock())
        changes.publish()
        return me(Visitor(False, None, "knocking", token)), 201

    @app.post("/api/door/enter", tags=TAGS, responses={200: MeOut})
    def enter(body: Nothing) -> Any:
        """Come in, once let in; gives a new secret"""
        who = visitor(request, door)
        fresh = door.entered(who.token) if who.token else None
        device = door.known(fresh) if fresh else None
        if fresh is None or device is None:
            raise Conflict("device", "device-not-let-in")
        _remember(fresh, device, door.clock())
        return me(Visitor(False, device, "in", fresh))

    @app.post("/api/door/leave", tags=TAGS, responses={200: MeOut})
    def leave(body: Nothing) -> Any:
        """Go, and be let in no more"""
        who = visitor(request, door)
        if who.device is not None and who.state == "in":
            door.left(who.device.id)
        after_this_request(lambda response: _forgotten(response))
        return me(Visitor(who.here, None, "in" if who.here else "out", ""))

    @app.get("/api/door", tags=TAGS, responses={200: DoorOut})
    def get_door() -> Any:
        """The door as the computer sees it"""
        return _door_out(door, served)

    @app.post("/api/door/open", tags=TAGS, responses={201: DoorOut})
    def open_door(body: Nothing) -> Any:
        """New numbers"""
        if not door.home:
            raise Conflict("door", "door-only-this-computer")
        door.open()
        return _door_out(door, served), 201

    @app.post("/api/door/shut", tags=TAGS, responses={200: DoorOut})
    def shut_door(body: Nothing) -> Any:
        """No numbers any more"""
        door.shut()
        return _door_out(door, served)

    @app.post("/api/door/let-in", tags=TAGS, responses={201: DoorOut})
    def let_in(body: LetInIn) -> Any:
        """Let in who stands in the doorway"""
        door.let_in(body.thing, body.name, body.allowed, body.ends_s)
        return _door_out(door, served), 201

    @app.post("/api/door/turn-away", tags=TAGS, responses={200: DoorOut})
    def turn_away(body: TurnAwayIn) -> Any:
        """Not one of ours"""
        door.turn_away(body.thing)
        return _door_out(door, served)

    @app.put("/api/door/devices/<int:device_id>", tags=TAGS, responses={200: DoorOut})
    def change_device(path: DevicePath, body: DeviceIn) -> Any:
        """Another name, right or end"""
        door.change(path.device_id, body.name, body.allowed, body.ends_s)
        return _door_out(door, served)

    @app.post("/api/door/devices/<int:device_id>/send-away", tags=TAGS, responses={200: DoorOut})
    def send_away(path: DevicePath, body: Nothing) -> Any:
        """Send a device away, at once"""
        door.send_away(path.device_id)
        return _door_out(door, served)

    @app.delete("/api/door/devices/<int:device_id>", tags=TAGS, responses={200: DoorOut})
    def forget_device(path: DevicePath) -> Any:
        """Forget a device"""
        door.forget(path.device_id)
        return _door_out(door, served)

    @app.get("/api/audit", tags=TAGS, responses={200: AuditOut})
    def get_audit(query: LinesQuery) -> Any:
        """What was done at the door, to the Larder and to the copies, newest first"""
        return AuditOut(lines=[AuditLineOut.model_validate(row) for row in door.noted(query.limit)])


def _remember(token: str, device: Device | None, now_s: float) -> None:
    """The cookie of this answer: no script reads it, no other site sends it."""
    ends = device.ends_at if device is not None else None
    left = DOORWAY_S if device is None else A_YEAR_S if ends is None else min(A_YEAR_S, max(1, round(ends - now_s)))

    @after_this_request
    def _set(response: Response) -> Response:
        response.set_cookie(
            COOKIE, token, max_age=left, httponly=True, samesite="Strict", secure=request.is_secure, path="/"
        )
        return response


def _forgotten(response: Response) -> Response:
    response.delete_cookie(COOKIE, httponly=True, samesite="Strict", secure=request.is_secure, path="/")
    return response


def _door_out(door: Door, served: Served) -> DoorOut:
    now, numbers = door.clock(), door.numbers
    urls = served.urls() if door.home else []
    code = numbers.code if numbers.open else ""
    knock = door.knock
    return DoorOut(
        home=door.home,
        now_s=now,
        urls=urls,
        fingerprint=served.fingerprint,
        code=code,
        left_s=numbers.left_s,
        good_for_s=GOOD_FOR_S,
        guessed_out=numbers.guessed_out,
        qr=_qr(f"{urls[0]}/knock#{code}") if code and urls else [],
        knock=None if knock is None or knock.refused else KnockOut.model_validate(knock),
        devices=[_device_out(device, now) for device in door.devices()],
    )


def _device_out(device: Device, now_s: float) -> DeviceOut:
    return DeviceOut(
        id=device.id,
        name=device.name,
        allowed=device.allowed,  # type: ignore[arg-type]
        small=device.small,
        state=device.state(now_s),  # type: ignore[arg-type]
        created_s=device.created_at,
        ends_s=device.ends_at,
        over_s=device.over_at,
        seen_s=device.seen_at,
        did=device.did,
    )


def _qr(text: str) -> list[str]:
    import segno

    return ["".join("1" if dark else "0" for dark in row) for row in segno.make(text, error="m", micro=False).matrix]
