"""How long the steps of a sweet took the hands that did them, against the table."""

import math

from .sweet_run import SweetState

LEAST_S = 60.0
"""A step is timed from so much on: what is ticked off with the next was not."""
SHORTEST, LONGEST = 0.15, 6.0
"""Of what was told: below, it was ticked late; above, it was forgotten."""


def timed_steps(sweet: str, state: SweetState) -> dict[str, float]:
    """ln of taken ÷ told by the table, by "sweet.step", of the steps by hand that were begun and ended by themselves."""
    found = {}
    for step in state.steps:
        planned = step.planned
        if not planned.hands or planned.fire or planned.base or planned.follows:
            continue
        if step.began_at_s is None or step.done_at_s is None:
            continue
        took, table = step.done_at_s - step.began_at_s, planned.seconds.likely / planned.pace
        if took >= LEAST_S and table > 0 and SHORTEST < took / table < LONGEST:
            found[f"{sweet}.{planned.key}"] = math.log(took / table)
    return found
