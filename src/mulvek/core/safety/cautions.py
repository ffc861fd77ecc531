"""What can hurt, said where the hand is about to do it. Short and calm; never a figure to rely on."""

from dataclasses import dataclass
from typing import Literal

from ..messages.message import Message

Severity = Literal["danger", "care"]


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution: how much it weighs, and its message, a bold start and as its part "text" the rest of the sentence."""

    severity: Severity
    says: Message


MILK_CLIMBS = Caution("danger", Message("milk-climbs"))
TURN_DOWN = Caution("danger", Message("turn-down-before-boil"))
LITTLE_WALL = Caution("care", Message("little-free-wall"))
SPITS = Caution("care", Message("thick-milk-spits"))
CHILL = Caution("care", Message("chill-within-hours"))
WEAK_BOIL = Caution("care", Message("will-not-roll"))
LID_OFF = Caution("danger", Message("lid-off"))
SOUR = Caution("care", Message("sugar-can-curdle"))
HONEY = Caution("danger", Message("honey-never-for-infants"))
IRON = Caution("care", Message("iron-greys-milk"))
BARE_MOVEMENT = Caution("care", Message("coconut-bare-movement"))
HOT_SUGAR = Caution("danger", Message("caramel-burns-deep"))


def wet_first(name: str, milk_kg: float) -> Caution:
    """A powder or starch that lumps unless it is wetted first."""
    return Caution("care", Message("wet-first", name=name, milk_kg=milk_kg))


def brings_sugar(name: str, sugar_kg: float) -> Caution:
    """Something that goes in with sugar of its own."""
    return Caution("care", Message("brings-sugar", name=name, sugar_kg=sugar_kg))
