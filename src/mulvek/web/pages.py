"""The built front end: its files, and its one page for every address a station has."""

from pathlib import Path

from flask import Flask, Response, abort, send_from_directory

STATIC = Path(__file__).parent.parent / "static"
A_YEAR_S = 31_536_000


def routes(app: Flask) -> None:
    def page(filename: str = "") -> Response:
        if filename.startswith("api/"):
            abort(404)
        if filename and (STATIC / filename).is_file():
            return send_from_directory(STATIC, filename, max_age=A_YEAR_S if filename.startswith("assets/") else 0)
        if "." in filename.rsplit("/", 1)[-1]:
            abort(404)
        return send_from_directory(STATIC, "index.html", max_age=0)

    app.add_url_rule("/", "page", page)
    app.add_url_rule("/<path:filename>", "page_file", page)
