"""Printed sheets: lines and words in millimetres, as SVG and as PDF from one and the same drawing."""

import io
import re
from dataclasses import dataclass
from pathlib import Path
from typing import Any
from xml.etree import ElementTree as Xml

INK, BLUE = "#1b2444", "#27408b"
FONTS = Path(__file__).parent / "fonts"
REGULAR, BOLD = "MulvekPrint-Regular", "MulvekPrint-Bold"
"""Latin and Devanagari; how all of them are made stands in ui/print_fonts.py."""
_SCRIPTS = {
    "\u0980-\u09ff": "Bangla",
    "\u0a00-\u0a7f": "Gurmukhi",
    "\u0a80-\u0aff": "Gujarati",
    "\u0b00-\u0b7f": "Odia",
    "\u0b80-\u0bff": "Tamil",
    "\u0c00-\u0c7f": "Telugu",
    "\u0c80-\u0cff": "Kannada",
    "\u0d00-\u0d7f": "Malayalam",
}
_JOINERS = "\u200c\u200d"
_BLOCKS = ("\u0900-\u097f", *_SCRIPTS)
RUNS = re.compile("|".join([*(f"[{block}{_JOINERS}]+" for block in _BLOCKS), f"[^{''.join(_BLOCKS)}{_JOINERS}]+"]))
"""Stretches of one script: its letters join, and do so only among their own."""


def font_of(run: str, bold: bool = False) -> tuple[str, bool]:
    """The font that a run is printed in, and whether its letters join."""
    for block, name in _SCRIPTS.items():
        if re.search(f"[{block}]", run):
            return f"MulvekPrint-{name}", True
    return BOLD if bold else REGULAR, bool(re.search("[\u0900-\u097f]", run))


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    x1: float
    y1: float
    x2: float
    y2: float
    width: float = 0.25
    colour: str = INK


@dataclass(frozen=True, slots=True, kw_only=True)
class Text:
    x: float
    y: float
    text: str
    size: float = 3.2
    colour: str = INK
    bold: bool = False


@dataclass(frozen=True, slots=True)
class Sheet:
    """A drawing, mm, y down from the top."""

    width: float
    height: float
    shapes: tuple[Line | Text, ...]


def to_svg(drawing: Sheet) -> str:
    """The sheet as SVG whose user unit is a millimetre."""
    root = Xml.Element(
        "svg",
        xmlns="http://www.w3.org/2000/svg",
        width=f"{drawing.width:g}mm",
        height=f"{drawing.height:.2f}mm",
        viewBox=f"0 0 {drawing.width:g} {drawing.height:.2f}",
    )
    for s in drawing.shapes:
        if isinstance(s, Line):
            at = {k: f"{getattr(s, k):.3f}" for k in ("x1", "y1", "x2", "y2")}
            Xml.SubElement(root, "line", at, stroke=s.colour, **{"stroke-width": f"{s.width:g}"})
        else:
            style = {"font-family": "Helvetica, Arial, sans-serif", "font-size": f"{s.size:g}"}
            if s.bold:
                style["font-weight"] = "bold"
            node = Xml.SubElement(root, "text", style, x=f"{s.x:.3f}", y=f"{s.y:.3f}", fill=s.colour)
            node.text = s.text
    return Xml.tostring(root, encoding="unicode")


def to_pdf(*drawings: Sheet, title: str = "Mulvek") -> bytes:
    """Each sheet alone on a page of its own size, so that no printer margin scales it."""
    from reportlab.lib.units import mm
    from reportlab.pdfgen.canvas import Canvas

    out = io.BytesIO()
    page = Canvas(out)
    page.setTitle(title)
    for drawing in drawings:
        page.setPageSize((drawing.width * mm, drawing.height * mm))
        _draw(page, drawing, mm)
        page.showPage()
    page.save()
    return out.getvalue()


def _draw(page: Any, drawing: Sheet, mm: float) -> None:
    for s in drawing.shapes:
        if isinstance(s, Line):
            page.setStrokeColor(s.colour)
            page.setLineWidth(s.width * mm)
            page.line(s.x1 * mm, (drawing.height - s.y1) * mm, s.x2 * mm, (drawing.height - s.y2) * mm)
        else:
            page.setFillColor(s.colour)
            write(page, s, (drawing.height - s.y) * mm, mm)


def write(page: Any, text: Text, y: float, mm: float) -> None:
    """A line of text, script by script."""
    from reportlab.pdfbase import pdfmetrics
    from reportlab.pdfbase.ttfonts import TTFont, shapeStr

    size, x = text.size * mm, text.x * mm
    for run in RUNS.findall(text.text):
        font, joins = font_of(run, text.bold)
        if font not in pdfmetrics.getRegisteredFontNames():
            pdfmetrics.registerFont(TTFont(font, str(FONTS / f"{font}.ttf")))
        page.setFont(font, size)
        shaped = shapeStr(run, font, size, force=True) if joins else run
        page.drawString(x, y, shaped)
        if shaped is run:
            x += pdfmetrics.stringWidth(run, font, size)
        else:
            x += sum(float(glyph.x_advance) for glyph in shaped.__shapeData__) * size / 1000
