"""Our own text as readable pages, which ship with the application: the science behind the figures (``docs/science``) and
how to use it (``docs/using``), searched without a network."""

import posixpath
import re
import sqlite3
from functools import cache
from html import unescape
from pathlib import Path
from typing import Any, Literal

from flask import Flask, Response, send_from_directory
from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..wire.model import Body, Out, Words

TAGS = [Tag(name="reading")]
_SHIPPED = Path(__file__).parent.parent / "docs"
DOCS = _SHIPPED if _SHIPPED.is_dir() else Path(__file__).parents[3] / "docs"
PICTURES = DOCS / "screenshots"

Volume = Literal["science", "using"]
PAGES: dict[Volume, dict[str, str]] = {
    "science": {
        "about": "science/README.md",
        "properties": "science/properties.md",
        "reduce": "science/reduce.md",
        "curdle": "science/curdle.md",
        "strain": "science/strain.md",
        "caramel": "science/caramel.md",
        "sweets": "science/sweets.md",
        "keeping": "science/keeping.md",
        "learning": "science/learning.md",
        "mending": "science/mending.md",
        "reference-reduction": "science/reference/reduction.md",
        "reference-curd": "science/reference/curd.md",
        "reference-sweets": "science/reference/sweets.md",
        "reference-cooling": "science/reference/cooling.md",
    },
    "using": {
        "about": "using/README.md",
        "larder": "using/larder.md",
        "bench": "using/bench.md",
        "curd": "using/curd.md",
        "caramel": "using/caramel.md",
        "sweets": "using/sweets.md",
        "day": "using/day.md",
        "stove": "using/stove.md",
        "instruments": "using/instruments.md",
        "rehearse": "using/rehearse.md",
        "book": "using/book.md",
        "mend": "using/mend.md",
        "jobs": "using/jobs.md",
        "phone": "using/phone.md",
        "copies": "using/copies.md",
        "command-line": "using/command-line.md",
        "security": "security.md",
        "licences": "using/licences.md",
    },
}
"""Pages by their address, with their file below ``docs``."""
ScienceKey = Literal[
    "about",
    "properties",
    "reduce",
    "curdle",
    "strain",
    "caramel",
    "sweets",
    "day",
    "keeping",
    "learning",
    "mending",
    "reference-reduction",
    "reference-curd",
    "reference-sweets",
    "reference-cooling",
]
UsingKey = Literal[
    "about",
    "larder",
    "bench",
    "curd",
    "caramel",
    "sweets",
    "day",
    "stove",
    "instruments",
    "rehearse",
    "book",
    "mend",
    "jobs",
    "phone",
    "copies",
    "command-line",
    "security",
    "licences",
]
_ADDRESSES = {file: f"/{volume}/{key}" for volume, pages in PAGES.items() for key, file in pages.items()}


class TextLink(Out):
    key: str
    title: str


class TextOut(Out):
    """One page, and all there are of its kind. Its headings carry anchors; a why names one."""

    title: str
    html: str = Field(description="Our own text: headings, paragraphs, tables and pictures")
    pages: list[TextLink]


class SciencePath(Out):
    page: ScienceKey


class UsingPath(Out):
    page: UsingKey


class FindIn(Body):
    words: Words


class FoundIn(Out):
    """A section of a page that has the words."""

    page: UsingKey
    anchor: str
    title: str
    says: str = Field(description="The words with what stands about them")


class FoundOut(Out):
    sections: list[FoundIn]


def source(volume: Volume, key: str) -> str:
    """The page as it is written, in Markdown."""
    return (DOCS / PAGES[volume][key]).read_text(encoding="utf-8")


def title(volume: Volume, key: str) -> str:
    return source(volume, key).splitlines()[0].removeprefix("# ")


@cache
def page(volume: Volume, key: str) -> TextOut:
    import markdown  # late: only whoever reads waits for it

    _, _, body = source(volume, key).partition("\n")
    html = markdown.markdown(body, extensions=["tables", "attr_list", "toc", "fenced_code"])
    here = posixpath.dirname(PAGES[volume][key])

    def address(link: re.Match[str]) -> str:
        path, _, anchor = link[1].partition("#")
        return f'href="{_ADDRESSES[posixpath.normpath(f"{here}/{path}")]}{"#" + anchor if anchor else ""}"'

    html = re.sub(r'href="([^":]+\.md(?:#[\w-]+)?)"', address, html)
    html = re.sub(r'src="[^"]*screenshots/([\w-]+\.png)"', r'src="/using/pictures/\1" loading="lazy"', html)
    html = html.replace("<table>", '<div class="wide" tabindex="0"><table>').replace("</table>", "</table></div>")
    links = [TextLink(key=k, title=title(volume, k)) for k in PAGES[volume]]
    return TextOut(title=title(volume, key), html=html, pages=links)


@cache
def _sections() -> list[tuple[str, str, str, str]]:
    """Page, anchor, title and plain text of every section of how to use it."""
    found = []
    for key in PAGES["using"]:
        told = page("using", key)
        first, *rest = re.split(r'<h2 id="([\w-]+)">(.*?)</h2>', told.html, flags=re.DOTALL)
        parts = [("", told.title, first), *zip(rest[::3], rest[1::3], rest[2::3], strict=True)]
        found += [(key, anchor, _plain(heading), _plain(text)) for anchor, heading, text in parts]
    return found


def _plain(html: str) -> str:
    return " ".join(unescape(re.sub(r"<[^>]+>", " ", html)).split())


MOST_FOUND = 8


def find(words: str) -> FoundOut:
    """Sections that have all of the words, else any of them, the best first; a title counts more than a text.

    >>> find("pour pan").sections[0].page
    'larder'
    """
    terms = [f'"{word}"*' for word in re.findall(r"\w+", words)]
    if not terms:
        return FoundOut(sections=[])
    index = sqlite3.connect(":memory:")
    try:
        index.execute(
            "create virtual table section using fts5"
            "(page unindexed, anchor unindexed, title, says, tokenize = 'porter unicode61')"
        )
        index.executemany("insert into section values (?, ?, ?, ?)", _sections())
        ask = (
            "select page, anchor, title, snippet(section, 3, '', '', ' … ', 18) from section where section match ?"
            f" order by bm25(section, 0, 0, 6, 1) limit {MOST_FOUND}"
        )
        rows = index.execute(ask, [" ".join(terms)]).fetchall() or index.execute(ask, [" OR ".join(terms)]).fetchall()
    finally:
        index.close()
    return FoundOut(sections=[FoundIn(page=p, anchor=a, title=t, says=s) for p, a, t, s in rows])


def routes(app: OpenAPI) -> None:
    @app.get("/api/science/<string:page>", tags=TAGS, responses={200: TextOut})
    def get_science(path: SciencePath) -> Any:
        """A page of the science behind the figures"""
        return page("science", path.page)

    @app.get("/api/using/<string:page>", tags=TAGS, responses={200: TextOut})
    def get_using(path: UsingPath) -> Any:
        """A page of how to use it"""
        return page("using", path.page)

    @app.post("/api/using/find", tags=TAGS, responses={200: FoundOut})
    def find_using(body: FindIn) -> Any:
        """Where how to use it has these words"""
        return find(body.words)

    pictures(app)


def pictures(app: Flask) -> None:
    def picture(name: str) -> Response:
        return send_from_directory(PICTURES, name, max_age=3600)

    app.add_url_rule("/using/pictures/<string:name>", "picture", picture)
