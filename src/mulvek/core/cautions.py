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
