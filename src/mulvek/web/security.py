"""Headers and checks that keep a kitchen's server to its own kitchen.

A page of another site can neither be framed around this one nor make it act: bodies must be JSON (which
a foreign form cannot send) and the host must be one that we answer to.
"""

from collections.abc import Collection

from flask import Flask, Response, abort, request

LARGEST_BODY, LARGEST_CSV = 1_000_000, 26_000_000
POLICY = (
    "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
    "frame-ancestors 'none'; base-uri 'none'; form-action 'none'"
)


def install(app: Flask, hosts: Collection[str]) -> None:
    """Guard ``app``. ``hosts``: names it answers to; empty for any."""
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_BODY

    @app.before_request
    def _guard() -> None:
        name = request.host.rsplit(":", 1)[0] if not request.host.endswith("]") else request.host
        if hosts and name not in hosts:
            abort(400, "This is not one of this kitchen's addresses.")
        # the API framework parses silently: say 400 for a body that is no JSON, 415 for another type
        if request.path.startswith("/api/book/") and request.path.endswith("/readings"):
            request.max_content_length = LARGEST_CSV
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
        return response
