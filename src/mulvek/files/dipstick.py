"""The printed dip-stick, 1:1, as SVG and as PDF from one and the same drawing in millimetres."""

import io
import re
from dataclasses import dataclass
from pathlib import Path
from textwrap import wrap
from typing import Any
from xml.etree import ElementTree as Xml

from ..core.equipment.quantities import say
from ..core.planning.reduce.dipstick import Mark, marks
from ..core.planning.reduce.forecast import Forecast

WIDTH_MM, STRIP_MM, FOOT_MM = 90.0, 24.0, 24.0
CHECK_MM = 50.0
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


def sheet(f: Forecast) -> Sheet:
    """The strip with its marks, a 5 cm bar to check the print, and how to use it."""
    found = marks(f)
    tall = max(f.plan.pan.shape.height_m * 1e3, found[-1].depth_m * 1e3) + 8
    head = _head(f)
    top = head[-1].y + 6.5
    foot = top + tall
    left, right = 8.0, 8.0 + STRIP_MM
    shapes: list[Line | Text] = [
        *head,
        *(Line(x1=x, y1=top, x2=x, y2=foot, width=0.4) for x in (left, right)),
        Line(x1=left, y1=top, x2=right, y2=top, width=0.4),
        Line(x1=left, y1=foot, x2=right, y2=foot, width=0.8),
    ]
    free = foot + 10
    for mark in found:
        shapes += _mark(mark, foot, left, right)
        if mark.kind != "volume":
            # words stand beside the strip, pushed apart where two marks meet
            free = min(foot - mark.depth_m * 1e3, free - 5)
            shapes += [
                Line(x1=right, y1=foot - mark.depth_m * 1e3, x2=right + 4, y2=free - 1, width=0.25, colour=BLUE),
                Text(x=right + 5, y=free, text=_words(mark), size=3.6, colour=BLUE, bold=True),
            ]
    bar = foot + 10
    shapes += [
        Line(x1=left, y1=bar, x2=left + CHECK_MM, y2=bar, width=0.6),
        *(Line(x1=x, y1=bar - 2, x2=x, y2=bar + 2, width=0.4) for x in (left, left + CHECK_MM)),
        Text(x=left, y=bar + 6, text="This bar is 5 cm. If not, print again at 100 %.", size=3.0),
        Text(x=left, y=bar + 11, text="Read off the boil, the stick upright at the deepest point.", size=2.8),
        Text(x=left, y=bar + 15, text="Marks every 100 ml are for hot milk.", size=2.8),
    ]
    return Sheet(WIDTH_MM, bar + 19, tuple(shapes))


def _head(f: Forecast) -> list[Text]:
    """Whose it is and what for; what cooks call their pans and milks may take a second line."""
    whose = wrap(f"Dip-stick for {f.plan.pan.name}", 34)
    what = wrap(f"{f.plan.amount.quantity.understood} of {f.plan.milk.name}, to {f.plan.stop.text}", 56)
    said = [Text(x=8.0, y=8 + 5.5 * i, text=line, size=4.2, bold=True) for i, line in enumerate(whose)]
    return said + [Text(x=8.0, y=said[-1].y + 5.5 + 4.5 * i, text=line, size=3.2) for i, line in enumerate(what)]


def _mark(mark: Mark, foot: float, left: float, right: float) -> list[Line | Text]:
    y = foot - mark.depth_m * 1e3
    if mark.kind != "volume":
        return [Line(x1=left, y1=y, x2=right, y2=y, width=0.7, colour=BLUE)]
    ml = round(mark.volume_m3 * 1e6)
    whole = ml % 500 == 0
    length = STRIP_MM * (0.5 if whole else 0.25)
    shapes: list[Line | Text] = [Line(x1=left, y1=y, x2=left + length, y2=y, width=0.35 if whole else 0.2)]
    if whole:
        shapes.append(Text(x=left + length + 1, y=y + 1, text=f"{ml / 1000:g} L", size=2.8))
    return shapes


def _words(mark: Mark) -> str:
    depth = say(mark.depth_m, "length")
    return f"{'start, cold' if mark.kind == 'start' else 'STOP'}: {depth}, {say(mark.volume_m3, 'volume')}"


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


def to_pdf(drawing: Sheet) -> bytes:
    """The sheet alone on a page of its own size, so that no printer margin scales it."""
    from reportlab.lib.units import mm
    from reportlab.pdfgen.canvas import Canvas

    out = io.BytesIO()
    page = Canvas(out, pagesize=(drawing.width * mm, drawing.height * mm))
    page.setTitle("Mulvek dip-stick")
    for s in drawing.shapes:
        if isinstance(s, Line):
            page.setStrokeColor(s.colour)
            page.setLineWidth(s.width * mm)
            page.line(s.x1 * mm, (drawing.height - s.y1) * mm, s.x2 * mm, (drawing.height - s.y2) * mm)
        else:
            page.setFillColor(s.colour)
            write(page, s, (drawing.height - s.y) * mm, mm)
    page.save()
    return out.getvalue()


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
