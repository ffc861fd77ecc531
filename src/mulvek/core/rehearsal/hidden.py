"""What a rehearsed pan hides from the cook: how the milk, the burner and the room truly are."""

import math
from dataclasses import dataclass, replace

from ..composition.composition import Composition
from ..composition.materials import Material
from ..equipment.burners import Burner
from ..equipment.kitchen import Kitchen
from ..planning.reduce.plan import Rate, ReducePlan
from .luck import Level, Luck, level_of

USUAL_PH = 6.68
FAT_SD, SNF_SD, PH_SD, BURNER_SD, ROOM_SD_K, COLD_SD_K = 0.08, 0.025, 0.04, 0.08, 3.0, 2.0
"""How far things are from their labels, 1 sd (day dossier §5)."""
FIRE_SD = 0.20


@dataclass(frozen=True, slots=True, kw_only=True)
class Hidden:
    """The truth behind a rehearsal. ``said``: the plan as it was told; ``truth``: with everything as it really is; ``power``: how much
    stronger the simmering flame is than the model; ``ph`` of the milk."""

    said: ReducePlan
    truth: ReducePlan
    luck: Luck
    ph: float
    power: float


def hide(plan: ReducePlan, level: int | Level, seed: int) -> Hidden:
    """Draw what is hidden of a pan.

    :raises BadInput: fields "level" (1-4), "seed" (0 to 2³¹ − 1).
    """
    luck = Luck(level_of(level) if isinstance(level, int) else level, seed)
    known = min(plan.rate.ln_sd, FIRE_SD)
    return Hidden(
        said=plan,
        truth=replace(
            plan,
            kitchen=true_kitchen(plan.kitchen, luck),
            milk=true_milk(plan.milk, luck),
            burner=true_burner(plan.burner, luck),
            rate=Rate(),
        ),
        luck=luck,
        ph=(plan.milk.ph or USUAL_PH) + luck.slip("ph", PH_SD),
        power=math.exp(plan.rate.ln_mean + luck.slip("fire", known)),
    )


def true_kitchen(kitchen: Kitchen, luck: Luck) -> Kitchen:
    return replace(
        kitchen,
        room_c=kitchen.room_c + luck.slip("room", ROOM_SD_K),
        milk_c=max(1.0, kitchen.milk_c + luck.slip("cold", COLD_SD_K)),
    )


def true_burner(burner: Burner, luck: Luck) -> Burner:
    return replace(burner, strength=min(5.0, max(0.2, burner.strength * luck.times("burner", BURNER_SD))))


def true_milk(milk: Material, luck: Luck) -> Material:
    """The same kilogram of milk with its fat and its SNF changed."""
    fat, snf, parts = 1 + luck.slip("fat", FAT_SD), 1 + luck.slip("snf", SNF_SD), milk.parts
    solids = {
        name: float(mass) * (fat if name == "fat" else 1.0 if name in ("sucrose", "starch") else snf)
        for name, mass in parts.items()
        if name != "water"
    }
    return replace(milk, parts=Composition(water=float(parts.total) - sum(solids.values()), **solids))
