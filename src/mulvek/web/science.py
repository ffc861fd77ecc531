"""The science behind the figures, as readable pages: ``docs/science``, which ships with the application."""

import re
from functools import cache
from pathlib import Path
from typing import Any, Literal

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from pydantic import Field

from ..wire.model import Out

TAGS = [Tag(name="science")]
PAGES: dict[str, str] = {
    "about": "README.md",
    "properties": "properties.md",
    "reduce": "reduce.md",
    "curdle": "curdle.md",
    "strain": "strain.md",
    "caramel": "caramel.md",
    "sweets": "sweets.md",
    "keeping": "keeping.md",
    "reference-reduction": "reference/reduction.md",
    "reference-curd": "reference/curd.md",
    "reference-sweets": "reference/sweets.md",
    "reference-cooling": "reference/cooling.md",
}
PageKey = Literal[
    "about",
    "properties",
    "reduce",
    "curdle",
    "strain",
    "caramel",
    "sweets",
    "keeping",
    "reference-reduction",
    "reference-curd",
    "reference-sweets",
    "reference-cooling",
]
_SHIPPED = Path(__file__).parent.parent / "science"
FOLDER = _SHIPPED if _SHIPPED.is_dir() else Path(__file__).parents[3] / "docs" / "science"


class ScienceLink(Out):
    key: str
    title: str


class ScienceOut(Out):
    """One page, and all there are. Its rules carry the anchors that a why names."""

    title: str
    html: str = Field(description="Our own text: headings, paragraphs and tables")
    pages: list[ScienceLink]


class SciencePath(Out):
    page: PageKey


def source(key: str) -> str:
    """The page as it is written, in Markdown."""
    return (FOLDER / PAGES[key]).read_text(encoding="utf-8")


def title(key: str) -> str:
    return source(key).splitlines()[0].removeprefix("# ")


@cache
def page(key: str) -> ScienceOut:
    import markdown  # late: only whoever reads waits for it

    _, _, body = source(key).partition("\n")
    html = markdown.markdown(body, extensions=["tables", "attr_list"])
    here = Path(PAGES[key]).parent
    addresses = {path: name for name, path in PAGES.items()}

    def address(link: re.Match[str]) -> str:
        path, _, anchor = link[1].partition("#")
        name = addresses[(here / path).as_posix()]
        return f'href="/science/{name}{"#" + anchor if anchor else ""}"'

    html = re.sub(r'href="([^":]+\.md(?:#[\w-]+)?)"', address, html)
    html = html.replace("<table>", '<div class="wide" tabindex="0"><table>').replace("</table>", "</table></div>")
    return ScienceOut(title=title(key), html=html, pages=[ScienceLink(key=k, title=title(k)) for k in PAGES])


def routes(app: OpenAPI) -> None:
    @app.get("/api/science/<string:page>", tags=TAGS, responses={200: ScienceOut})
    def get_science(path: SciencePath) -> Any:
        """A page of the science behind the figures"""
        return page(path.page)
