"""What of a sweet can be left over beside its pieces: the sauce that was poured over it, its dough."""

from dataclasses import dataclass

from ...safety.keeping import keeping
from .build import Built

RABRI_SOLIDS = 0.44
"""The wet end of rabri's own window."""
DOUGH_STEPS = ("dough", "knead")
DOUGH_DAYS = 1


@dataclass(frozen=True, slots=True)
class Leaves:
    """What can be left over beside the pieces: what it is called, its solids, kg per kg, days in the fridge at most."""

    name: str
    total_solids: float
    fridge_days: int


def leaves(built: Built, room_c: float, fridge_c: float) -> dict[str, Leaves]:
    """The sauce that is poured over it or that it lies in, and its dough, as it is before frying."""
    school, found = built.school, {}
    over = school.top.of if school.top else school.soak.within if school.soak else ""
    sauce = next((side for side in built.sides if side.sweet.key == over), None)
    if sauce is not None:
        days = keeping(sauce.parts, sauce.school.ph, room_c=room_c, fridge_c=fridge_c).fridge_days
        found["sauce"] = Leaves(sauce.sweet.name, sauce.parts.total_solids, days)
    if any(step.key in DOUGH_STEPS for step in school.steps):
        loses, takes = (school.fry.loses / 100, school.fry.takes / 100) if school.fry else (0.0, 0.0)
        water = built.pieces_before.water * (1 - loses + takes) + loses
        found["dough"] = Leaves("dough", 1 - water, DOUGH_DAYS)
    return found


def as_rabri_kg(kg: float, total_solids: float) -> float:
    """What so much of a sauce is when it is boiled on to rabri; itself when it is that thick.

    >>> as_rabri_kg(0.44, 0.22), as_rabri_kg(0.3, 0.5)
    (0.22, 0.3)
    """
    return kg * min(1.0, total_solids / RABRI_SOLIDS)
