"""What a new kitchen starts with, so that the first plan needs no set-up: common milks, two burners, one pot."""

from ..core.composition.materials import material
from ..core.equipment.burners import Burner
from ..core.equipment.kitchen import Kitchen
from ..core.equipment.pans import Pan
from ..core.equipment.vessels import Straight
from .database import Database
from .larder import Larder

MILKS = ("full-cream", "cow", "buffalo", "toned")


def ensure_stocked(db: Database) -> None:
    """Make an ordinary kitchen in an empty file; a kitchen that is there stays as it is."""
    with db.writing() as session:
        larder = Larder(session)
        if not larder.ensure_kitchen("My kitchen", Kitchen()):
            return
        for key in MILKS:
            larder.add_milk(material(key))
        larder.add_pan(Pan("a 24 cm pot", Straight(0.24, 0.14)))
        larder.add_burner(Burner("large burner", "lpg-large"))
        larder.add_burner(Burner("small burner", "lpg-small"))
