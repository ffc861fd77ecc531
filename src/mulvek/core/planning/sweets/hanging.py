"""A base of yoghurt that hangs for a sweet: into how many bags, and how long, as the Bench has it."""

from ...equipment.kitchen import Kitchen
from ...ranges import Range
from ..strain.draining import Drain, end_of
from ..strain.forecast import LONGEST_S, bags_for, hanging_s
from .build import MadeBase


def hangs(b: MadeBase) -> bool:
    return b.base.do == "hang" and b.ready is None


def hung_in(b: MadeBase, kg: float, kitchen: Kitchen, drain: Drain) -> tuple[int, Range]:
    """Into how many bags so much yoghurt is best parted in the fridge, and how long they hang, s; what never gets so thick
    in there, as long as any is hung. ``drain``: of the muslin it hangs in."""
    end = end_of(f"{b.parts.total_solids * 100:g} % solids")
    whole = None if end is None else hanging_s(b.of.parts, kg, end, kitchen.fridge_c, drain)
    if end is None or whole is None:
        return 1, Range.exact(LONGEST_S)
    bags = bags_for(whole.likely)
    return bags, hanging_s(b.of.parts, kg / bags, end, kitchen.fridge_c, drain) or whole
