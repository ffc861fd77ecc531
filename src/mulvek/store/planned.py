"""A plan as it is kept when it goes on the fire, real or rehearsed."""

from dataclasses import dataclass
from typing import Any

from ..core.planning.reduce.plan import ReducePlan
from .layouts import layout_of, written


@dataclass(frozen=True, slots=True)
class Planned:
    """``words`` is the request it was planned with, ``forecast`` what was told for it."""

    name: str
    plan: ReducePlan
    words: dict[str, Any]
    forecast: dict[str, Any]

    def columns(self) -> dict[str, Any]:
        """What the tables of batches and of rehearsals keep of it."""
        return {
            "name": self.name,
            "plan": written(self.plan),
            "layout": layout_of(ReducePlan),
            "words": self.words,
            "forecast": self.forecast,
        }
