"""What a finished and weighed sweet says of its kitchen's hands, against the table."""

import math
from collections.abc import Mapping

from ..planning.sweets.habits import Habit, HabitName
from ..planning.sweets.library import library
from .sweet_run import SweetRun, SweetState

LEAST, MOST = 0.2, 5.0
"""Of the table's: what lies beyond is taken as that far."""
SURELY_ELSE: Mapping[HabitName, float] = {"loss": 0.06, "uptake": 0.3}
"""So far off the weight told, parts of 1, it was not this: pieces were eaten, a bowl was forgotten."""


def taught_by(run: SweetRun, state: SweetState) -> dict[str, float]:
    """ln of true ÷ table, by its name and sweet. Only of one whose bases were weighed: what they gave is not what stayed
    behind."""
    habit, weighed = run.habit, state.weighed_kg
    if habit is None or weighed is None or state.given_up or not state.done or run.sweet not in library():
        return {}
    slots = {step.base for step in run.steps if step.base}
    ratio = weighed / state.told_kg.likely
    if not slots <= state.bases.keys() or abs(ratio - 1) > SURELY_ELSE[habit.name]:
        return {}
    times = habit.times * _true(habit, ratio) / habit.told
    return {f"{habit.name}:{run.sweet}": math.log(min(MOST, max(LEAST, times)))}


def _true(habit: Habit, ratio: float) -> float:
    """As it was, by the finished weight over what was told of it."""
    if habit.name == "uptake":
        return (1 + habit.told) * ratio - 1
    return 1 - (1 - habit.told) * ratio
