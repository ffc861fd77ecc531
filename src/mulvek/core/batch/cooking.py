"""What a sweet's own step cooks down to a weight, and how long that still takes by what it weighs midway."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ..planning.sweets.flow import flows
from ..planning.sweets.formula import COOKED_DOWN
from ..planning.sweets.plan import ListRow
from ..planning.sweets.steps import PlannedStep
from ..ranges import Z80, Range

SCALE_KG = 0.006
"""sd of a hot pan weighed in passing, what clings to the spoon with it."""
PACE_LN_SD = 0.30
"""How far the pace until a weighing may be from the pace after it, ln, when nothing has boiled off yet: heating up comes
first, and what is thick gives its water more slowly. It ends at ``STEADY_LN_SD`` near the stop. Own estimate."""
STEADY_LN_SD = 0.06


@dataclass(frozen=True, slots=True, kw_only=True)
class Cooking:
    """A step that cooks ``in_kg`` down to ``stop_kg``; of what goes in, ``late_kg`` goes in on the way. kg."""

    in_kg: float
    stop_kg: float
    late_kg: float

    def left_s(self, told: Range, gone_s: float, weighs_kg: float) -> Range:
        """s still to go from a weighing, by the told time and the pace so far, each as much as it is worth.

        :param told: s of the whole step. :param gone_s: s on the fire until it was weighed. :param weighs_kg: all of it,
            without its pan.

        >>> kalakand = Cooking(in_kg=1.0, stop_kg=0.6, late_kg=0.0)
        >>> slow = kalakand.left_s(Range(2000.0, 2400.0, 2880.0), 1200.0, 0.85)
        >>> 1300 < slow.low < slow.likely < slow.high < 2400
        True
        >>> kalakand.left_s(Range(2000.0, 2400.0, 2880.0), 2400.0, 0.59)
        Range(low=0.0, likely=0.0, high=0.0)
        """
        off, all_of_it = self.in_kg - weighs_kg, self.in_kg - self.stop_kg
        to_go = (weighs_kg - self.stop_kg) / all_of_it if all_of_it > 0 else 0.0
        if to_go <= 0:
            return Range.exact(0.0)
        sd = max(0.02, math.log(told.high / told.low) / (2 * Z80))
        ln, weight = math.log(told.likely), 1 / sd**2
        if off > SCALE_KG / 2 and gone_s > 0:
            pace = STEADY_LN_SD + (PACE_LN_SD - STEADY_LN_SD) * min(1.0, to_go)
            measured = 1 / ((SCALE_KG / off) ** 2 + pace**2)
            ln = (ln * weight + math.log(gone_s * all_of_it / off) * measured) / (weight + measured)
            weight += measured
        return Range.lognormal(math.exp(ln) * to_go, weight**-0.5)


def cookings(
    steps: Sequence[PlannedStep],
    rows: Sequence[ListRow],
    rows_kg: Sequence[float],
    gives_kg: Mapping[str, float],
    finished_kg: float,
) -> dict[str, Cooking]:
    """The steps that cook down to a weight, by key. A base has a plan of its own.

    :param gives_kg: what comes out of the steps in which something is lost, as far as it is known.
    """
    found = {
        s.key for s in steps if s.fire and not s.base and s.key.split(".")[-1] == COOKED_DOWN and s.key in gives_kg
    }
    if not found:
        return {}
    lines = list(zip(rows, rows_kg, strict=True))
    flow = flows(steps, [(row.step, kg) for row, kg in lines], gives_kg, finished_kg)
    return {
        key: Cooking(
            in_kg=flow[key].in_kg,
            stop_kg=flow[key].out_kg,
            late_kg=sum(kg for row, kg in lines if row.step == key and row.when == "at the end"),
        )
        for key in found
    }
