"""What a cook at a rehearsed pan sees and smells, in words: signs, never figures that no eye could read."""

from typing import TYPE_CHECKING

from ...batch.readings import spoon_stage
from ...messages.figures import say
from ...properties.texture import STAGES
from ..world import Sign

if TYPE_CHECKING:
    from .pan import SimPan

NEAR_RIM_M = 0.02
TOAST, BURNT = 0.2, 0.6
SKIN_FROM, SIDES_FROM_KG, LUMPS_FROM, GRIT_FROM_KG = 1.0, 0.002, 0.3, 0.001
SPILT_FROM_KG = 0.001


def signs_of(pan: "SimPan") -> list[Sign]:
    """Signs at this moment, the most pressing first."""
    found: list[Sign] = []
    below = pan.pan.shape.height_m - pan.depth_m - pan.foam_m
    if pan.split:
        found.append(Sign("split", "It has split: curds in clear whey."))
    if pan.foam_m > 0 and below < NEAR_RIM_M and not pan.done:
        found.append(Sign("rim", "The foam is at the rim!", ("flame", "stir", "pause", "lid", "uncover")))
    elif pan.foam_m > 0.012 and not pan.done:
        room = say(max(0.0, below), "length")
        found.append(Sign("lifts", f"It rolls and lifts: the foam stands {room} below the rim.", ("flame", "stir")))
    if pan.spilt_kg > SPILT_FROM_KG:
        found.append(Sign("spilt", f"About {say(max(0.01, round(pan.spilt_kg, 2)), 'mass')} has boiled over."))
    if pan.scorch > BURNT:
        found.append(Sign("burnt", "It smells burnt.", ("flame", "pause", "stop")))
    elif pan.scorch > TOAST:
        found.append(Sign("toast", "A smell of toast comes off it.", ("flame", "stir", "scrape", "pause", "stop")))
    elif pan.film > BURNT:
        found.append(Sign("drags", "The spoon drags on the bottom.", ("stir", "scrape", "flame")))
    found.append(Sign("state", _state(pan)))
    if pan.skin > SKIN_FROM:
        found.append(Sign("skin", "A skin lies on it.", ("fold", "stir")))
    if pan.side_kg > SIDES_FROM_KG:
        found.append(Sign("sides", "A ring has dried on the sides.", ("scrape",)))
    if pan.grit_kg > GRIT_FROM_KG:
        found.append(Sign("grit", "Sugar grates under the spoon.", ("stir",)))
    if pan.lumps > LUMPS_FROM:
        found.append(Sign("lumps", "There are lumps in it."))
    return found


def _state(pan: "SimPan") -> str:
    hot = STAGES[spoon_stage(pan.contents)]
    if pan.done:
        return f"Off the fire. Hot, it {hot}."
    if pan.boiled_at_s is not None:
        how = "simmers" if pan.steam_kg_s < 2e-4 else "boils"
        return f"It {how if pan.flame and not pan.paused else 'stands'}. Hot, it {hot}."
    if pan.celsius < 40:
        return "It is still cold to the finger."
    if pan.celsius < 70:
        return "It is hot to the finger; nothing moves."
    if pan.celsius < 88:
        return "Steam comes off it."
    return "Small bubbles ring the edge."
