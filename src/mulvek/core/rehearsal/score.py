"""What a run was worth: target, scorching, texture, milk saved, minutes standing.

Weights and slopes of day dossier §5 are judgement: a learner must still see progress, so nothing is a hard zero.
"""

from dataclasses import dataclass

from ..planning.reduce.browning import COLOURS, colour_index
from .pan import SimPan

WEIGHTS = {"target": 0.30, "scorch": 0.25, "texture": 0.20, "saved": 0.15, "standing": 0.10}
STANDING_SHARE = 0.20
"""Of the time on the fire that a practised cook stands at the pan."""
AFTER_BOIL_OVER = 80.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Score:
    """Points of 100, whole and by part, with the facts behind them. kg, s; ``off_target`` is a share."""

    points: float
    parts: dict[str, float]
    yield_kg: float
    off_target: float
    scorch: float
    lumps: float
    split: bool
    spilt_kg: float
    side_kg: float
    grit_kg: float
    standing_s: float
    total_s: int
    colour: str


def score(pan: SimPan) -> Score:
    """Judge a run as it stands."""
    goal = pan.goal_kg
    off = (pan.mass_kg - goal) / goal
    split = 100.0 * (pan.curdled if pan.split else 0.0)
    usual = max(1.0, pan.at_s * STANDING_SHARE)
    parts = {
        "target": 100 - 9 * max(0.0, abs(off) * 100 - 1.5),
        "scorch": 100 - 160 * max(0.0, pan.scorch - 0.05),
        "texture": 100 - 55 * pan.lumps - 12e3 * pan.grit_kg / max(1.0, pan.mass_kg) / 1e3 - split,
        "saved": 100 - 440 * (pan.spilt_kg + pan.side_kg) / pan.start_kg,
        "standing": 100 - 70 * max(0.0, pan.standing_s / usual - 1),
    }
    parts = {name: max(0.0, min(100.0, value)) for name, value in parts.items()}
    total = sum(WEIGHTS[name] * value for name, value in parts.items())
    total -= 35 * max(0.0, min(1.0, (pan.scorch - 0.3) / 0.9))
    if pan.spilt_kg > 0:
        total = min(total, AFTER_BOIL_OVER)
    return Score(
        points=max(0.0, total),
        parts=parts,
        yield_kg=pan.mass_kg,
        off_target=off,
        scorch=pan.scorch,
        lumps=pan.lumps,
        split=pan.split,
        spilt_kg=pan.spilt_kg,
        side_kg=pan.side_kg,
        grit_kg=pan.grit_kg,
        standing_s=pan.standing_s,
        total_s=pan.at_s,
        colour=COLOURS[int(colour_index(pan.dose))],
    )
