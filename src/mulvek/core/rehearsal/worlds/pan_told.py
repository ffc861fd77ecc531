"""How the work at a pan of milk is judged, and what was hidden of it, told afterwards."""

import math
from typing import TYPE_CHECKING

from ...messages.figures import say
from ..judging import level_word, off_by, points
from ..world import Told
from .pan_signs import BURNT, GRIT_FROM_KG, LUMPS_FROM, SPILT_FROM_KG, TOAST

if TYPE_CHECKING:
    from .pan import SimPan

CAUGHT = 0.08
BOTTOM = ((BURNT, "burnt"), (TOAST, "it tastes of toast"), (CAUGHT, "it has just caught"), (0.0, "clean"))
STANDING_SHARE = 0.20
"""Of the time on the fire that a practised cook stands at the pan."""
SKINS = 5.0
"""Folded in, so many make layers."""


def told_of(pan: "SimPan") -> dict[str, Told]:
    off, usual = abs(pan.off_target), max(1.0, (pan.at_s - pan.began_s) * STANDING_SHARE)
    split = 100.0 * (pan.curdled if pan.split else 0.0)
    gritty = 100 * pan.grit_kg / max(1.0, pan.mass_kg)
    return {
        "target": Told(points(9 * max(0.0, off * 100 - 1.5)), _say_target(pan, off)),
        "scorch": Told(points(160 * max(0.0, pan.scorch - 0.05)), level_word(pan.scorch, BOTTOM)),
        "texture": Told(points(55 * pan.lumps + 12 * gritty + split), _say_texture(pan)),
        "saved": Told(points(440 * (pan.spilt_kg + pan.side_kg) / pan.start_kg), _say_saved(pan)),
        "standing": Told(points(70 * max(0.0, pan.standing_s / usual - 1)), pan.at_it),
        "layers": Told(100 * min(1.0, pan.folded / SKINS), f"{pan.folded:.0f} skins folded in"),
    }


def _say_target(pan: "SimPan", off: float) -> str:
    got = say(pan.mass_kg, "mass")
    if off < 0.005:
        return f"{got}, just as it should be"
    return f"{got}, {off * 100:.0f} % {'more' if pan.off_target > 0 else 'less'} than {say(pan.goal_kg, 'mass')}"


def _say_texture(pan: "SimPan") -> str:
    if pan.split:
        return "it split"
    return "lumps" if pan.lumps > LUMPS_FROM else "gritty" if pan.grit_kg > GRIT_FROM_KG else "smooth"


def _say_saved(pan: "SimPan") -> str:
    if pan.spilt_kg > SPILT_FROM_KG:
        return f"{say(pan.spilt_kg, 'mass')} boiled over"
    return f"{say(pan.side_kg, 'mass')} left on the sides"


def truths_of(pan: "SimPan") -> list[str]:
    said, true = pan.hidden.said, pan.plan
    solids = 100 * float(true.milk.parts.total_solids - said.milk.parts.total_solids)
    told = []
    if abs(solids) >= 0.05:
        told.append(f"The milk had {abs(solids):.1f} % {'more' if solids > 0 else 'less'} solids than its label.")
    faster = pan.hidden.power / math.exp(said.rate.ln_mean)
    told += off_by(faster, "The flame was {} % stronger than planned.", "The flame was {} % weaker than planned.")
    if (gas := pan.luck.gas(pan.at_s)) < 1:
        told.append(f"The gas faded to {gas * 100:.0f} %.")
    if abs(true.kitchen.milk_c - said.kitchen.milk_c) >= 1 and not pan.began_s:
        told.append(f"The milk went in at {true.kitchen.milk_c:.0f} °C.")
    if pan.spilt_kg > SPILT_FROM_KG:
        told.append(f"{say(pan.spilt_kg, 'mass')} boiled over.")
    return told
