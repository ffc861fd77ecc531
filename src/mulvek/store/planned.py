"""A plan as it is kept when it begins, real or rehearsed."""

from dataclasses import dataclass, field
from typing import Any

from ..core.batch.kinds import KindName, kind
from .layouts import layout_of, written


@dataclass(frozen=True, slots=True, kw_only=True)
class Planned:
    """``words`` is the request it was planned with, ``forecast`` what was told for it; ``pan_id`` and the like name
    things of the Larder."""

    name: str
    plan: Any
    words: dict[str, Any]
    kind: KindName = "reduce"
    forecast: dict[str, Any] = field(default_factory=dict)
    flame: str = ""
    pan_id: int | None = None
    burner_id: int | None = None
    milk_id: int | None = None
    parent_id: int | None = None
    slot: str | None = None

    def kept(self) -> dict[str, Any]:
        """What batches and rehearsals both keep of it."""
        plan = kind(self.kind).plan
        return {
            "name": self.name,
            "plan": written(self.plan, plan),
            "layout": layout_of(plan),
            "words": self.words,
            "forecast": self.forecast,
        }

    def columns(self) -> dict[str, Any]:
        same = ("kind", "flame", "pan_id", "burner_id", "milk_id", "parent_id", "slot")
        return self.kept() | {name: getattr(self, name) for name in same}
