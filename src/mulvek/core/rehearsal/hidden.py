"""What a rehearsal hides from the cook: how the milk, the burner and the room truly are, and who comes to the door."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace

from ..composition.composition import Composition
from ..errors import BadInput
from ..planning.reduce.plan import Rate, ReducePlan
from .noise import normal, uniform


@dataclass(frozen=True, slots=True, kw_only=True)
class Level:
    """How hard a rehearsal is. ``spread`` of milk and fire and ``noise`` of instruments, 1 = as in kitchens;
    interruptions an hour; whether the gas fades; the instruments at hand."""

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
USUAL_PH = 6.68
MOST_SEED = 2**31 - 1


@dataclass(frozen=True, slots=True)
class Bell:
    """Someone who calls the cook away, from ``at_s`` for ``away_s``."""

    at_s: int
    away_s: int
    who: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Hidden:
    """The truth behind a rehearsal. ``truth``: the plan with everything as it really is; ``power``: how much
    stronger the simmering flame is than the model; ``ph`` of the milk."""

    truth: ReducePlan
    level: Level
    seed: int
    ph: float
    power: float
    fades_to: float
    bells: tuple[Bell, ...]


def hide(plan: ReducePlan, level: int, seed: int) -> Hidden:
    """Draw what is hidden (day dossier §5: fat ±8 %, SNF ±2.5 %, pH ±0.04, burner ±8 %, room ±3 K, 1 sd).

    :raises BadInput: fields "level" (1-4), "seed" (0 to 2³¹ − 1).
    """
    if level not in LEVELS:
        raise BadInput("level", "There is no such level.", "Choose 1, 2, 3 or 4.")
    if not 0 <= seed <= MOST_SEED:
        raise BadInput("seed", "A seed is a whole number.", f"Give 0 to {MOST_SEED}.")
    found = LEVELS[level]

    def slip(name: str, sd: float) -> float:
        return found.spread * sd * max(-2.5, min(2.5, normal(seed, "milk-" + name, 0)))

    kitchen = replace(
        plan.kitchen,
        room_c=plan.kitchen.room_c + slip("room", 3.0),
        milk_c=max(1.0, plan.kitchen.milk_c + slip("cold", 2.0)),
    )
    milk = replace(plan.milk, parts=_other_milk(plan.milk.parts, 1 + slip("fat", 0.08), 1 + slip("snf", 0.025)))
    burner = replace(plan.burner, strength=min(5.0, max(0.2, plan.burner.strength * math.exp(slip("burner", 0.08)))))
    known = min(plan.rate.ln_sd, 0.20)
    return Hidden(
        truth=replace(plan, kitchen=kitchen, milk=milk, burner=burner, rate=Rate()),
        level=found,
        seed=seed,
        ph=(plan.milk.ph or USUAL_PH) + slip("ph", 0.04),
        power=math.exp(plan.rate.ln_mean + slip("fire", known)),
        fades_to=0.65 if found.gas_fades and uniform(seed, "gas", 0) > 0.4 else 1.0,
        bells=_bells(found, seed),
    )


def _other_milk(parts: Composition, fat: float, snf: float) -> Composition:
    """The same kilogram of milk with its fat and its SNF changed."""
    solids = {
        name: float(mass) * (fat if name == "fat" else 1.0 if name in ("sucrose", "starch") else snf)
        for name, mass in parts.items()
        if name != "water"
    }
    return Composition(water=float(parts.total) - sum(solids.values()), **solids)


def _bells(level: Level, seed: int) -> tuple[Bell, ...]:
    """Times between callers are exponential; each takes the cook away for 45 to 245 s."""
    found: list[Bell] = []
    at = float(FIRST_BELL_S)
    while level.bells_per_hour:
        i = len(found)
        at += -math.log(uniform(seed, "bell", i)) * 3600 / level.bells_per_hour
        if at > LAST_BELL_S:
            break
        away = SHORTEST_AWAY_S + uniform(seed, "bell-away", i) * (LONGEST_AWAY_S - SHORTEST_AWAY_S)
        found.append(Bell(int(at), int(away), CALLERS[int(uniform(seed, "bell-who", i) * len(CALLERS))]))
        at += away
    return tuple(found)
