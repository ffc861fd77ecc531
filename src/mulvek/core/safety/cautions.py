"""What can hurt, said where the hand is about to do it. Short and calm; never a figure to rely on."""

from dataclasses import dataclass
from typing import Literal

Severity = Literal["danger", "care"]


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution: a bold start, the rest of the sentence, and how much it weighs."""

    severity: Severity
    title: str
    text: str


MILK_CLIMBS = Caution("danger", "Milk climbs fast", "at the first boil. Stay within arm’s reach.")
TURN_DOWN = Caution("danger", "Turn down before it boils.", "On a strong flame this much milk climbs over the rim.")
LITTLE_WALL = Caution("care", "Little free wall.", "Under 6 cm stands above the milk: watch the boil closely.")
SPITS = Caution("care", "Thick milk spits.", "Long sleeves and a long spoon near the end.")
CHILL = Caution("care", "Chill within 2 hours,", "then keep at or below 5 °C.")
WEAK_BOIL = Caution(
    "care", "It steams but will not roll.", "Raw milk must boil: bring it up on a stronger burner first."
)
LID_OFF = Caution(
    "danger", "Lid off before it climbs:", "under a lid the boil rises unseen. Stay by it, flame watched."
)
SOUR = Caution(
    "care",
    "This can curdle hot milk.",
    "Stir it in off the flame once the batch is below 60 °C, and stop if it breaks.",
)
HONEY = Caution("danger", "Honey is never for a child under one year,", "cooked or not.")
IRON = Caution(
    "care", "Iron greys milk", "and must not store it: move it to another bowl at once; nothing sour in it."
)
BARE_MOVEMENT = Caution(
    "care", "Keep coconut milk at a bare movement:", "80 to 88 °C, one slow stroke every few minutes, no lid."
)
HOT_SUGAR = Caution(
    "danger", "Caramel burns deep.", "No children near, long sleeves, dairy in small pours off the flame."
)


def wet_first(name: str, with_what: str) -> Caution:
    return Caution("care", f"Wet the {name} first", f"with {with_what} of cold milk, smooth, or it lumps.")


def brings_sugar(name: str, grams: str) -> Caution:
    return Caution(
        "care", f"The {name} brings {grams} of sugar:", "take so much less of your own for the same sweetness."
    )
