"""Scripted cooks: practised hands, whose run is shown beside the learner's, and hands with bad habits, for the lint.

A cook is asked at each tick and answers what it does now. It sees what a cook sees, but for a true weight or temperature:
that is shown as what the pan allowed.
"""

from collections.abc import Callable, Sequence
from typing import Any, Protocol

from ...equipment.burners import Flame
from ..acting import Act
from ..world import World

Cook = Callable[[Any], Sequence[Act]]


def at(world: World) -> "Do":
    """Acts of this moment."""

    def do(kind: str, amount: float = 0.0, flame: Flame | None = None) -> list[Act]:
        return [Act(world.at_s, kind, amount, flame)]

    return do


class Do(Protocol):
    def __call__(self, kind: str, amount: float = 0.0, flame: Flame | None = None) -> list[Act]: ...


def run(world: World, cook: Cook, until: str = "") -> Any:
    """A whole run by a scripted cook, who does nothing while called away; or as far as a stage of the work."""
    while not world.done and world.at_s < world.LONGEST_S and (not until or world.stage != until):
        if not world.away_s():
            for act in cook(world):
                world.act(act)
        if not world.done:
            world.step()
    return world
