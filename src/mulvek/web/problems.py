"""One shape for every error: what is wrong, with which field, and what to do."""

from collections.abc import Iterator
from typing import Any

from flask import Response, current_app, jsonify, make_response, request
from flask_openapi3.openapi import OpenAPI
from pydantic import ValidationError
from pydantic_core import ErrorDetails
from sqlalchemy.exc import DatabaseError
from werkzeug.exceptions import HTTPException

from ..core.errors import BadInput, Conflict, Impossible, KitchenError, NotFound, Unavailable, Unlikely, Unreadable
from ..core.messages.catalogue import said, stands
from ..core.messages.message import Message
from ..store.trouble import damaged, plainly
from ..wire.model import Out
from . import pages

STATUS: dict[type[KitchenError], int] = {
    BadInput: 422,
    Impossible: 422,
    NotFound: 404,
    Conflict: 409,
    Unlikely: 409,
    Unreadable: 409,
    Unavailable: 503,
}
_NUMBERS_OF = ("gt", "ge", "lt", "le", "min_length", "max_length", "expected", "expected_tags", "error")
"""What pydantic tells of a value that its sentence asks for."""


class FieldProblem(Out):
    path: str
    code: str
    message: str
    fix: str


class Problem(Out):
    """Every error body of the API."""

    status: int
    title: str
    detail: str
    fields: list[FieldProblem]


def problem(status: int, title: Message | str, detail: str, fields: list[FieldProblem] | None = None) -> Response:
    name = said(title) if isinstance(title, Message) else title
    body = Problem(status=status, title=name, detail=detail, fields=fields or [])
    return make_response(jsonify(body.model_dump(mode="json")), status)


def on_invalid(error: ValidationError) -> Response:
    """A body that does not fit its model, in the same shape, naming each field as it was sent."""
    sent = request.get_json(silent=True)
    found: dict[str, FieldProblem] = {}
    for e in error.errors(include_url=False, include_input=False):
        path = _path(e["loc"], sent, e["type"])
        what = Message("invalid-in-every-way", path=path) if path in found else invalid(e, path)
        found[path] = FieldProblem(path=path, code=e["type"], message=said(what), fix=said(what, "fix"))
    # of the ways to say a thing the one that was meant is that which was read furthest
    fields = [field for path, field in found.items() if not any(other.startswith(f"{path}.") for other in found)]
    return problem(422, Message("title-invalid"), fields[0].message if fields else "", fields)


def invalid(error: ErrorDetails, path: str) -> Message:
    """What pydantic found wrong, as a message of the catalogue; in its own words where that has none."""
    key = f"invalid-{error['type'].replace('_', '-')}"
    if not stands(key):
        return Message("invalid-otherwise", path=path, why=error["msg"])
    told = error.get("ctx", {})
    numbers = {name: _number(told[name]) for name in _NUMBERS_OF if name in told}
    return Message(key, path=path, **numbers)


def _number(value: Any) -> float | str:
    return value if isinstance(value, int | float) else str(value)


def _path(where: tuple[int | str, ...], sent: Any, code: str) -> str:
    """Where in what was sent: without the names by which the model tells the ways to say it apart."""
    path: list[str] = []
    here: Any = sent
    for i, part in enumerate(where):
        inside: dict[Any, Any] = dict(enumerate(here)) if isinstance(here, list) else here
        if isinstance(inside, dict) and part in inside:
            here = inside[part]
        elif not (code == "missing" and i == len(where) - 1) and not (sent is None and i == 0):
            continue
        path.append(str(part))
    return ".".join(path) or "body"


def as_sent(field: str) -> str:
    """The name under which a field of the core was sent: the wire adds the unit ("fat" came as "fat_pct")."""
    names = set(_names(request.get_json(silent=True))) | set(request.args)
    if field in names:
        return field
    with_unit = sorted(name for name in names if name.startswith(f"{field}_"))
    return with_unit[0] if len(with_unit) == 1 else field


def _names(body: Any) -> Iterator[str]:
    if isinstance(body, dict):
        for name, inside in body.items():
            yield name
            yield from _names(inside)
    elif isinstance(body, list):
        for inside in body[:50]:
            yield from _names(inside)


def _looked_at() -> bool:
    """Somebody typed an address that is none, and looks for a page."""
    told = request.path.startswith(("/api/", "/assets/"))
    wants = request.accept_mimetypes
    return not told and request.method == "GET" and wants["text/html"] > wants["application/json"]


def install(app: OpenAPI) -> None:
    """Turn every error into a ``Problem``."""

    @app.errorhandler(KitchenError)
    def _kitchen(error: KitchenError) -> Response:
        status, title = next(
            (code, Message(f"title-{cls.__name__.lower()}")) for cls, code in STATUS.items() if isinstance(error, cls)
        )
        field = FieldProblem(
            path=as_sent(error.field), code=type(error).__name__.lower(), message=error.message, fix=error.fix
        )
        response = problem(status, title, str(error), [field])
        if isinstance(error, Unavailable):
            response.headers["Retry-After"] = str(round(error.retry_s))
        return response

    @app.errorhandler(DatabaseError)
    def _disk(error: DatabaseError) -> Response:
        """Met while reading; the writer has said it in plain words already."""
        said = plainly(error)
        if said is None and current_app.extensions["mulvek_database"].lacks_columns():
            said = damaged()
        if said is None:
            raise error
        return _kitchen(said)

    @app.errorhandler(HTTPException)
    def _http(error: HTTPException) -> Response | HTTPException:
        if error.response is not None:  # the validation callback's own answer
            return error
        if error.code == 404 and _looked_at():
            return pages.page(404)
        response = problem(error.code or 500, error.name, error.description or "")
        for name, value in error.get_headers():  # Allow of a 405, Retry-After of a 429
            if name.lower() not in {"content-type", "content-length"}:
                response.headers[name] = value
        return response
