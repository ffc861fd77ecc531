"""What a cook at a rehearsed pan sees and smells, in words: signs, never figures that no eye could read."""

from ..batch.readings import spoon_stage
from ..equipment.quantities import say
from ..properties.texture import STAGES
from .pan import SimPan

NEAR_RIM_M = 0.02


def senses(pan: SimPan) -> list[str]:
    """Signs at this moment, the most pressing first."""
    found: list[str] = []
    below = pan.pan.shape.height_m - pan.depth_m - pan.foam_m
    if pan.split:
        found.append("It has split: curds in clear whey.")
    if pan.foam_m > 0 and below < NEAR_RIM_M and not pan.done:
        found.append("The foam is at the rim!")
    elif pan.foam_m > 0.012 and not pan.done:
        found.append(f"It rolls and lifts: the foam stands {say(max(0.0, below), 'length')} below the rim.")
    if pan.spilt_kg > 0.001:
        found.append(f"About {say(max(0.01, round(pan.spilt_kg, 2)), 'mass')} has boiled over.")
    if pan.scorch > 0.6:
        found.append("It smells burnt.")
    elif pan.scorch > 0.2:
        found.append("A smell of toast comes off it.")
    elif pan.film > 0.6:
        found.append("The spoon drags on the bottom.")
    found.append(_state(pan))
    if pan.skin > 1.0:
        found.append("A skin lies on it.")
    if pan.side_kg > 0.002:
        found.append("A ring has dried on the sides.")
    if pan.grit_kg > 0.001:
        found.append("Sugar grates under the spoon.")
    if pan.lumps > 0.3:
        found.append("There are lumps in it.")
    return found


def _state(pan: SimPan) -> str:
    if pan.done:
        return f"Off the fire. Hot, it {STAGES[spoon_stage(pan.contents)]}."
    if pan.boiled_at_s is not None:
        how = "simmers" if pan.steam_kg_s < 2e-4 else "boils"
        return f"It {how if pan.flame and not pan.paused else 'stands'}. Hot, it {STAGES[spoon_stage(pan.contents)]}."
    if pan.celsius < 40:
        return "It is still cold to the finger."
    if pan.celsius < 70:
        return "It is hot to the finger; nothing moves."
    if pan.celsius < 88:
        return "Steam comes off it."
    return "Small bubbles ring the edge."
