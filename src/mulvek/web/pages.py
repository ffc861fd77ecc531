"""The built front end: its files, and its one page for every address a station has."""

from pathlib import Path

from flask import Flask, Response, send_from_directory

STATIC = Path(__file__).parent.parent / "static"
A_YEAR_S = 31_536_000
ADDRESSES = {
    "home": "/",
    "knock": "/knock",
    "larder": "/larder",
    "door": "/larder/door",
    "reduce": "/bench",
    "curdle": "/bench/curdle",
    "strain": "/bench/strain",
    "caramel": "/bench/caramel",
    "sweets": "/sweets",
    "told": "/sweets/own",
    "own-sweet": "/sweets/own/letters",
    "day": "/day",
    "day-begun": "/day/<int:id>",
    "stove": "/stove",
    "pan": "/stove/<int:id>",
    "across": "/stove/across",
    "rehearse": "/stove/rehearse",
    "rehearsal": "/stove/rehearse/<int:id>",
    "curd": "/stove/curd/<int:id>",
    "caramel-pan": "/stove/caramel/<int:id>",
    "sweet": "/stove/sweet/<int:id>",
    "book": "/book",
    "mend": "/book/mend",
    "beside": "/book/beside",
    "learned": "/book/learned",
    "season": "/book/season",
    "batch": "/book/<int:id>",
    "science": "/science/<string:page>",
    "using": "/using/<string:page>",
}
"""The one page's addresses by name; the browser's router has the same ones (web/shared.py)."""


def page(status: int = 200) -> Response:
    answer = send_from_directory(STATIC, "index.html", max_age=0)
    answer.status_code = status
    return answer


def routes(app: Flask) -> None:
    def one_page(**_address: object) -> Response:
        return page()

    def asset(filename: str) -> Response:
        return send_from_directory(STATIC / "assets", filename, max_age=A_YEAR_S)

    def icon() -> Response:
        return send_from_directory(STATIC, "icon.svg", max_age=3600)

    for address in ADDRESSES.values():
        app.add_url_rule(address, "page", one_page)
    app.add_url_rule("/assets/<path:filename>", "asset", asset)
    app.add_url_rule("/icon.svg", "icon", icon)
