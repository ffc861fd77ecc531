"""The printed dip-stick, 1:1."""

from textwrap import wrap

from ..core.messages.figures import say
from ..core.planning.reduce.dipstick import Mark, marks
from ..core.planning.reduce.forecast import Forecast
from .sheet import BLUE, Line, Sheet, Text

WIDTH_MM, STRIP_MM, FOOT_MM = 90.0, 24.0, 24.0
CHECK_MM = 50.0


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
