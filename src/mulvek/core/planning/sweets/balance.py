"""The levels a sweet is judged by: fat, milk solids, sugar, all solids and water, each with its window and width."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from ...ranges import Range
from .build import Built
from .formula import Range2, Sweet

NAMES: Mapping[str, tuple[str, str]] = {
    "fat": ("Rich", "fat"),
    "msnf": ("Milky body", "milk solids not fat"),
    "sugar": ("Sweet", "added sugar"),
    "total_solids": ("Dense", "all solids"),
    "water": ("Moist", "water"),
}
COOKED_TO_SD, REDUCED_TO_SD, SUGAR_SD, CURD_MOISTURE_SD = 0.01, 0.02, 0.02, 0.02
"""How well a weight, a level, a weighed sugar and a drained curd are hit: relative, the last in kg per kg."""


@dataclass(frozen=True, slots=True)
class Level:
    """One level: its share (kg per kg) as a range, its window, and a word: "in", "under" or "over"."""

    key: str
    name: str
    of: str
    share: Range
    window: Range2 | None

    @property
    def word(self) -> str:
        if self.window is None:
            return "in"
        low, high = (edge / 100 for edge in self.window)
        likely = self.share.likely
        return "under" if likely < low - 5e-4 else "over" if likely > high + 5e-4 else "in"


def solids_rel_sd(built: Built) -> float:
    """Spread of the finished solids that come from milk: its label, and how the end is judged."""
    spread = COOKED_TO_SD if built.school.cook is not None else REDUCED_TO_SD
    milks = [b for b in built.bases if b.ready is None]
    label = max((b.of.solids_sd / b.of.parts.total_solids for b in milks), default=0.01)
    return math.hypot(spread, label)


def levels(built: Built, windows: Mapping[str, Range2]) -> list[Level]:
    """Every level that has a window, and fat, sugar and solids in any case."""
    m = built.parts
    rel = solids_rel_sd(built)
    milk_fat = max((b.of.fat_sd / max(0.005, b.of.parts.fat) for b in built.bases if b.ready is None), default=0.02)
    curd = CURD_MOISTURE_SD if any(b.base.do == "curdle" for b in built.bases) and built.school.cook is None else 0.0
    moist = math.hypot(rel * (m.total_solids - built.stuff.added_sugar), curd)
    if built.school.cook is not None:
        moist = COOKED_TO_SD + 0.5 * rel * m.total_solids
    figures = {
        "fat": (m.fat, m.fat * math.hypot(milk_fat, 0.01)),
        "msnf": (m.msnf, m.msnf * rel),
        "sugar": (built.stuff.added_sugar, built.stuff.added_sugar * SUGAR_SD),
        "total_solids": (m.total_solids, moist),
        "water": (m.water, moist),
    }
    shown = [k for k in NAMES if k in windows or k in ("fat", "sugar")]
    if not {"total_solids", "water"} & set(shown):
        shown.append("total_solids")
    return [Level(k, *NAMES[k], Range.between(*figures[k], 0.0, 1.0), windows.get(k)) for k in shown]


def band(sweet: Sweet, added_sugar: float) -> str:
    """Just, usual or very sweet for this kind; empty without bands (F61: the upper edge is half a point wide)."""
    pct = added_sugar * 100
    if not sweet.bands:
        return ""
    if pct < min(low for low, _ in sweet.bands.values()) - 0.5:
        return "hardly"
    return next((name for name, (_, high) in sweet.bands.items() if pct <= high + 0.5), "too")
