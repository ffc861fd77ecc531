"""What chance does in a rehearsal: how far milk, fire and room are from what is thought of them, and who comes to the door."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from ..errors import BadInput
from .noise import normal, uniform


@dataclass(frozen=True, slots=True, kw_only=True)
class Level:
    """How hard a rehearsal is. ``spread`` of milk and fire and ``noise`` of instruments, 1 = as in kitchens;
    interruptions an hour; whether the gas fades; the instruments at hand. ``number`` 0: a lesson's own."""

    number: int
    says: str
    spread: float
    noise: float
    bells_per_hour: float
    gas_fades: bool
    shows: tuple[str, ...]


ALL = ("scale", "probe", "dip", "refractometer", "lactometer", "ph")
LEVELS: Mapping[int, Level] = {
    level.number: level
    for level in (
        Level(
            number=1,
            says="just as planned, in a quiet kitchen",
            spread=0.0,
            noise=0.3,
            bells_per_hour=0.0,
            gas_fades=False,
            shows=ALL,
        ),
        Level(
            number=2,
            says="milk and fire of their own mind",
            spread=1.0,
            noise=1.0,
            bells_per_hour=0.0,
            gas_fades=False,
            shows=ALL,
        ),
        Level(
            number=3,
            says="someone at the door, no refractometer",
            spread=1.0,
            noise=1.0,
            bells_per_hour=2.0,
            gas_fades=False,
            shows=("scale", "probe", "dip"),
        ),
        Level(
            number=4,
            says="the gas fades, a dip-stick is all you have",
            spread=1.5,
            noise=1.5,
            bells_per_hour=3.0,
            gas_fades=True,
            shows=("dip",),
        ),
    )
}
CALLERS = ("the doorbell", "the telephone", "a child", "a neighbour")
FIRST_BELL_S, LAST_BELL_S = 900, 9000
SHORTEST_AWAY_S, LONGEST_AWAY_S = 45, 245
FADES_FROM_S, FADES_OVER_S = 2400, 1800
MOST_SEED = 2**31 - 1
FARTHEST_SD = 2.5


@dataclass(frozen=True, slots=True)
class Bell:
    """Someone who calls the cook away, from ``at_s`` for ``away_s``."""

    at_s: int
    away_s: int
    who: str


@dataclass(frozen=True)
class Luck:
    """The chance of one rehearsal: nothing in it depends on what the cook does.

    :raises BadInput: field "seed" (0 to 2³¹ − 1).
    """

    level: Level
    seed: int
    first_bell_s: int = FIRST_BELL_S

    def __post_init__(self) -> None:
        if not 0 <= self.seed <= MOST_SEED:
            raise BadInput("seed", "seed-out-of-reach", most=MOST_SEED)

    def slip(self, name: str, sd: float) -> float:
        """How far something is from what is thought of it, in the unit of ``sd`` (1 sd, as in kitchens)."""
        drawn = max(-FARTHEST_SD, min(FARTHEST_SD, normal(self.seed, "milk-" + name, 0)))
        return self.level.spread * sd * drawn

    def times(self, name: str, ln_sd: float) -> float:
        """The same as a factor."""
        return math.exp(self.slip(name, ln_sd))

    def gas(self, at_s: float) -> float:
        """Share of the flame that is left at this time."""
        fades_to = 0.65 if self.level.gas_fades and uniform(self.seed, "gas", 0) > 0.4 else 1.0
        return 1 - (1 - fades_to) * min(1.0, max(0.0, (at_s - FADES_FROM_S) / FADES_OVER_S))

    @cached_property
    def bells(self) -> tuple[Bell, ...]:
        """Times between callers are exponential; each takes the cook away for 45 to 245 s."""
        found: list[Bell] = []
        at = float(self.first_bell_s)
        while self.level.bells_per_hour:
            i = len(found)
            at += -math.log(uniform(self.seed, "bell", i)) * 3600 / self.level.bells_per_hour
            if at > LAST_BELL_S:
                break
            away = SHORTEST_AWAY_S + uniform(self.seed, "bell-away", i) * (LONGEST_AWAY_S - SHORTEST_AWAY_S)
            found.append(Bell(int(at), int(away), CALLERS[int(uniform(self.seed, "bell-who", i) * len(CALLERS))]))
            at += away
        return tuple(found)

    def bell(self, at_s: int) -> Bell | None:
        """Who has the cook at this moment."""
        return next((b for b in self.bells if b.at_s <= at_s < b.at_s + b.away_s), None)


def level_of(number: int) -> Level:
    """:raises BadInput: field "level"."""
    if number not in LEVELS:
        raise BadInput("level", "no-rehearsal-level")
    return LEVELS[number]
