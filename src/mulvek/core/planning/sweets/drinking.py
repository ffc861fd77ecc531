"""What fried bread drinks of the milk that is poured over it, what stands around it, and what that is boiled on to rabri.

Room is the bread's own pores (0.25 g/ml, ingredient table of the sweets dossier) less what frying and syrup put there; the
milk rises in them as the square root of 1 ÷ viscosity (Washburn 1921). How much of the room a thin milk fills by the time it
is cold is our own setting, ×/÷ 1.7: weigh a plate before and after to know yours.
"""

import math
from dataclasses import dataclass

from ...properties.texture import viscosity_mpa_s
from ...ranges import Range
from .build import Built
from .leaves import as_rabri_kg

BREAD = "bread"
BREAD_L_KG, SHRINKS = 4.0, 0.9
SOLIDS_KG_L, FAT_KG_L, SAUCE_KG_L = 1.45, 0.92, 1.06
POURED_C, THIN_MPA_S = 40.0, 20.0
FILLS, FILLS_AT_MOST, EITHER_WAY = 0.33, 0.6, 1.7


@dataclass(frozen=True, slots=True, kw_only=True)
class Drinks:
    """kg: what the bread drinks, what stands around it, and that boiled on to rabri. ``of``: the sauce's name."""

    of: str
    drunk: Range
    around: Range
    rabri_kg: float


def pores_l_kg(built: Built) -> float:
    """Room that is left in a kilogram of bread, l, once it was fried and lay in its syrup."""
    school, bread = built.school, built.pieces_before
    fry, soak = school.fry, school.soak
    assert fry is not None and soak is not None
    kept = 1 - fry.loses / 100 + fry.takes / 100  # kg fried per kg of bread
    water, fat = bread.water * kept, bread.fat * kept
    solids = kept - water - fat
    syrup = soak.gain * kept / (1 + 0.0045 * soak.brix)
    return max(0.0, float(BREAD_L_KG * SHRINKS - solids / SOLIDS_KG_L - water - fat / FAT_KG_L - syrup))


def drinks(built: Built, batch_kg: float) -> Drinks | None:
    """Of a batch of so many kg finished; None where no milk is poured over bread."""
    school = built.school
    sauce = next((side for side in built.sides if school.top and side.sweet.key == school.top.of), None)
    if sauce is None or BREAD not in school.mix or school.fry is None or school.soak is None:
        return None
    bread_kg = built.before_soak_kg / (1 - school.fry.loses / 100 + school.fry.takes / 100) * batch_kg
    poured_kg = built.topped_kg * batch_kg
    thick = float(viscosity_mpa_s(sauce.parts, POURED_C))
    fills = min(FILLS_AT_MOST, FILLS * math.sqrt(THIN_MPA_S / thick))
    likely = bread_kg * pores_l_kg(built) * fills * SAUCE_KG_L
    low, most, high = (min(poured_kg, kg) for kg in (likely / EITHER_WAY, likely, likely * EITHER_WAY))
    around = poured_kg - most
    return Drinks(
        of=sauce.sweet.name,
        drunk=Range(low, most, high),
        around=Range(poured_kg - high, around, poured_kg - low),
        rabri_kg=as_rabri_kg(around, sauce.parts.total_solids),
    )
