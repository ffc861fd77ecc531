"""What can be done to a rehearsed pan beyond what the Stove logs of a real one."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class LidMoved:
    on: bool


@dataclass(frozen=True, slots=True)
class SkinFolded:
    """The skin pushed to the side and folded in."""


@dataclass(frozen=True, slots=True)
class AcidPoured:
    """Lemon juice, kg."""

    mass_kg: float


RehearsalOnly = LidMoved | SkinFolded | AcidPoured
