"""Energy and nutrients of a portion, by FAO's general factors (FAO Paper 77, 2003; ±5 %). Sweets F48, F50."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ...composition.composition import Composition

KJ_PER_KCAL = 4.184


def kcal_per_100g(food: Composition) -> float:
    """4 for protein and digestible carbohydrate, 9 for fat, 2 for fibre, 3 for acid (F48)."""
    digestible = food.protein + food.milk_other + food.sugars + food.digestible
    return float(100 * (4 * digestible + 9 * food.fat + 2 * food.fibre + 3 * food.acid))


@dataclass(frozen=True, slots=True, kw_only=True)
class Nutrients:
    """Of one portion: kcal, kJ, and grams."""

    grams: float
    kcal: float
    kj: float
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    sugars_g: float
    added_sugar_g: float
    fibre_g: float
    salt_g: float


def nutrients(food: Composition, added_sugar: float, grams: float) -> Nutrients:
    """Of ``grams`` of a food; ``added_sugar`` kg per kg. Law may count honey, jaggery and pulp as free sugars."""
    kcal = kcal_per_100g(food) * grams / 100
    return Nutrients(
        grams=grams,
        kcal=kcal,
        kj=kcal * KJ_PER_KCAL,
        protein_g=grams * food.protein,
        fat_g=grams * food.fat,
        carbohydrate_g=grams * (food.sugars + food.digestible),
        sugars_g=grams * food.sugars,
        added_sugar_g=grams * added_sugar,
        fibre_g=grams * food.fibre,
        salt_g=grams * food.salt,
    )


NAMES: Mapping[str, str] = {"milk": "milk", "wheat": "wheat (gluten)", "nut": "tree nuts", "coconut": "coconut"}


def allergens(found: Iterable[Iterable[str]]) -> tuple[str, ...]:
    """Every allergen of everything bought, named (F50); a label always wins."""
    keys = {key for one in found for key in one}
    return tuple(NAMES.get(key, key) for key in sorted(keys))
