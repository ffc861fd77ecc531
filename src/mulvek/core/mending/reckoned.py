"""What was kept for the next time and has to be reckoned from the plan it is for: to which weight or level, how much at once."""

import math
from collections.abc import Mapping
from typing import Literal, get_args

from ..equipment.vessels import capacity_m3
from ..errors import KitchenError
from ..messages.figures import say
from ..planning.reduce.plan import ReducePlan
from ..planning.reduce.stops import HOT_C
from ..planning.reduce.track import stop_water_kg
from ..properties.density import volume_m3

Reckons = Literal["weight", "level", "room"]
"""The told stop as the weight that the pan then holds, or as its level; as much milk as leaves room for the boil."""
RECKONS = frozenset(get_args(Reckons))
MOST_OF_PAN = 0.6
"""Above this share of the pan, milk at the boil has no room (day dossier §4, boil-over)."""
STEP_M3 = 5e-5


def reckoned_words(reckons: Mapping[str, Reckons], plan: ReducePlan) -> dict[str, str]:
    """Words of the sentence by what they are reckoned as; those left out that change nothing, or cannot be reckoned."""
    found = {word: _word(how, plan) for word, how in reckons.items()}
    return {word: said for word, said in found.items() if said}


def _word(how: Reckons, plan: ReducePlan) -> str:
    if how == "room":
        fits = math.floor(MOST_OF_PAN * capacity_m3(plan.pan.shape) / STEP_M3 + 1e-9) * STEP_M3
        return say(fits, "volume") if plan.milk_m3 >= fits * (1 - 1e-6) else ""
    try:
        there = plan.goal_parts.with_water(stop_water_kg(plan))
    except KitchenError:
        return ""
    if how == "weight":
        return say(float(there.total), "mass")
    return say(float(plan.pan.shape.depth_m(volume_m3(there, HOT_C))), "length")
