"""What a run was worth: its parts, each weighed as the lesson or the route weighs it.

Weights and slopes of day dossier §5 are judgement: a learner must still see progress, so nothing is a hard zero.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from .world import World


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """One part of the work: what it is called, its points of 100, its share of the whole, and the fact behind it."""

    key: str
    name: str
    points: float
    share: float
    says: str

    @property
    def cost(self) -> float:
        """Points of the whole that it cost."""
        return self.share * (100 - self.points)


@dataclass(frozen=True, slots=True, kw_only=True)
class Score:
    """Points of 100, whole and by part, with what it gave. kg, s."""

    points: float
    parts: tuple[Part, ...]
    outcome: str
    yield_kg: float | None
    standing_s: float
    total_s: int

    def part(self, key: str) -> Part:
        return next(part for part in self.parts if part.key == key)

    @property
    def dearest(self) -> Part:
        """What cost most."""
        return max(self.parts, key=lambda part: part.cost)


def score(world: World, weights: Mapping[str, float] | None = None) -> Score:
    """Judge a run as it stands; ``weights`` of a lesson, else the route's own."""
    weights = weights or world.weights
    whole, told = sum(weights.values()), world.told()
    parts = tuple(
        Part(
            key=key,
            name=world.names[key],
            points=max(0.0, min(100.0, told[key].points)),
            share=weight / whole,
            says=told[key].says,
        )
        for key, weight in weights.items()
    )
    total = world.at_most(sum(part.share * part.points for part in parts))
    return Score(
        points=max(0.0, total),
        parts=parts,
        outcome=world.outcome,
        yield_kg=world.yield_kg,
        standing_s=world.standing_s,
        total_s=world.at_s - world.began_s,
    )
