"""At several vessels at once."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ..acting import Act
from ..worlds.several import Several
from . import Cook


@dataclass(slots=True)
class Both:
    """Asks the hands of each vessel, the most pressing first; one act at a time."""

    cooks: Sequence[Cook]
    begins_s: Sequence[int] = ()
    """When each vessel is first seen to."""

    def __call__(self, world: Several) -> Sequence[Act]:
        if world.busy_s:
            return []
        order = sorted(range(len(world.vessels)), key=lambda i: i not in world.pressing)
        for i in order:
            vessel = world.vessels[i]
            if vessel.done or (self.begins_s and world.at_s < self.begins_s[i]):
                continue
            if world.at_s % vessel.TICK_S:
                continue
            acts = self.cooks[i](vessel)
            if acts:
                return [replace(act, of=i, at_s=world.at_s) for act in acts]
        return []
