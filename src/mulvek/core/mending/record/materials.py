"""What is known of a batch before anything happens: its milk and its pan."""

from ...composition.materials import Material
from ...equipment.pans import Pan
from ...equipment.vessels import Straight
from .noted import Record


def of_milk(record: Record, milk: Material) -> None:
    """%, of what its label says."""
    record.note("milk-fat", float(milk.parts.fat) * 100)
    record.note("milk-solids", float(milk.parts.total_solids) * 100)
    record.note("buffalo-milk", milk.species == "buffalo")
    record.note("uht-milk", "uht" in milk.flags)


def of_pan(record: Record, pan: Pan) -> None:
    record.note("pan-slopes", not isinstance(pan.shape, Straight))
    record.note("iron-pan", pan.material == "iron")
