"""One shape for every error: what is wrong, with which field, and what to do."""

from typing import Any

from flask import Response, jsonify, make_response
from flask_openapi3.openapi import OpenAPI
from pydantic import ValidationError
from sqlalchemy.exc import DatabaseError
from werkzeug.exceptions import HTTPException

from ..core.errors import BadInput, Conflict, Impossible, KitchenError, NotFound, Unavailable, Unlikely, Unreadable
from ..formats.model import Out
from ..store.trouble import plainly

STATUS: dict[type[KitchenError], tuple[int, str]] = {
    BadInput: (422, "I cannot use that"),
    Impossible: (422, "That cannot be done"),
    NotFound: (404, "Not in this kitchen"),
    Conflict: (409, "Not now"),
    Unlikely: (409, "Are you sure?"),
    Unreadable: (409, "Damaged"),
    Unavailable: (503, "Not just now"),
}


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


def problem(status: int, title: str, detail: str, fields: list[FieldProblem] | None = None) -> Response:
    body = Problem(status=status, title=title, detail=detail, fields=fields or [])
    return make_response(jsonify(body.model_dump(mode="json")), status)


def on_invalid(error: ValidationError) -> Response:
    """A body that does not fit its model, in the same shape, naming each field."""
    fields = [
        FieldProblem(
            path=".".join(str(part) for part in e["loc"]) or "body",
            code=e["type"],
            message=_plain(e),
            fix="See the API document for what may stand here.",
        )
        for e in error.errors(include_url=False, include_context=False, include_input=False)
    ]
    return problem(422, "Invalid input", fields[0].message if fields else "", fields)


def _plain(error: Any) -> str:
    where = ".".join(str(part) for part in error["loc"]) or "The body"
    return f"{where}: {error['msg']}"


def install(app: OpenAPI) -> None:
    """Turn every error into a ``Problem``."""

    @app.errorhandler(KitchenError)
    def _kitchen(error: KitchenError) -> Response:
        status, title = next(found for cls, found in STATUS.items() if isinstance(error, cls))
        field = FieldProblem(
            path=error.field, code=type(error).__name__.lower(), message=error.message, fix=error.fix
        )
        response = problem(status, title, str(error), [field])
        if isinstance(error, Unavailable):
            response.headers["Retry-After"] = str(round(error.retry_s))
        return response

    @app.errorhandler(DatabaseError)
    def _disk(error: DatabaseError) -> Response:
        """Met while reading; the writer has said it in plain words already."""
        said = plainly(error)
        if said is None:
            raise error
        return _kitchen(said)

    @app.errorhandler(HTTPException)
    def _http(error: HTTPException) -> Response | HTTPException:
        if error.response is not None:  # the validation callback's own answer
            return error
        response = problem(error.code or 500, error.name, error.description or "")
        for name, value in error.get_headers():  # Allow of a 405, Retry-After of a 429
            if name.lower() not in {"content-type", "content-length"}:
                response.headers[name] = value
        return response
