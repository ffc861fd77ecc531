"""Limits of what may arrive, and headers that keep a page of another site from framing this one.

Bodies must be JSON, which a foreign form cannot send; who may ask at all is looked at in access/guard.py.
"""

from flask import Flask, Response, abort, request

LARGEST_BODY, LARGEST_CSV, LARGEST_PHOTO = 1_000_000, 26_000_000, 8_100_000
POLICY = (
    "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
    "frame-ancestors 'none'; base-uri 'none'; form-action 'none'"
)


def install(app: Flask) -> None:
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_BODY

    @app.before_request
    def _limits() -> None:
        # the API framework parses silently: say 400 for a body that is no JSON, 415 for another type
        if request.path.startswith("/api/book/") and request.path.endswith("/readings"):
            request.max_content_length = LARGEST_CSV
        if request.path.startswith("/api/batches/") and request.path.endswith("/photos"):
            request.max_content_length = LARGEST_PHOTO
        if request.routing_exception is None and request.method in {"POST", "PUT", "PATCH"}:
            try:
                request.get_json()
            except RecursionError:
                abort(400, "The JSON is nested too deeply.")

    @app.after_request
    def _headers(response: Response) -> Response:
        response.headers.setdefault("Content-Security-Policy", POLICY)
        response.headers.setdefault("X-Content-Type-Options", "nosniff")
        response.headers.setdefault("Referrer-Policy", "no-referrer")
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
