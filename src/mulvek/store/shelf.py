"""The Larder as it stands, read in one go: what plans look their numbers up in.

A plan is asked for at every drag of a word, so the shelf is kept between requests and read again only
after something was written (``Database.kept``).
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import TypeVar

from sqlalchemy.orm import Session

from ..core.batch.effects import Learned
from ..core.batch.learning import (
    SPREADS,
    Keyed,
    drain_of,
    effects_of,
    judge_thickness,
    learned_of,
    learned_rates,
    pace_of,
    rate_of,
)
from ..core.composition.materials import Material
from ..core.equipment.burners import Burner, Flame
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.pans import Pan
from ..core.errors import NotFound
from ..core.planning.reduce.plan import Rate, Thickness
from ..core.planning.strain.draining import Drain
from ..core.planning.sweets.formula import Sweet
from ..core.planning.sweets.habits import HabitName
from ..core.planning.sweets.steps import Pace
from .larder import Larder
from .recipes import Recipes
from .teaching import Teaching

T = TypeVar("T")


@dataclass(frozen=True, slots=True, kw_only=True)
class Shelf:
    """One kitchen's things and what its finished batches taught."""

    place: Kitchen
    milks: Mapping[int, Material]
    pans: Mapping[int, Pan]
    burners: Mapping[int, Burner]
    ingredients: Mapping[int, Material]
    packs: Mapping[int, tuple[float | None, float | None]]
    """What a pack of each milk holds, m³, and costs."""
    rates: Mapping[int, Learned]
    """What finished batches taught of each burner that has any."""
    judged: Thickness
    learned: Mapping[Keyed, Learned]
    """What they taught of each milk, cloth, sweet and step."""
    house: Mapping[int, Kept[Material]]
    """The cook's own ingredients with the material each was copied from, its pack (kg) and price."""
    own_sweets: Mapping[str, Sweet]
    """The cook's own sweets by key."""
    begun_with: float | None = None
    """Times the table of the habit that a sweet under way was begun with."""

    def kitchen(self) -> Kitchen:
        return self.place

    def milk(self, milk_id: int) -> Material:
        return _find("milk", self.milks, milk_id)

    def pan(self, pan_id: int) -> Pan:
        return _find("pan", self.pans, pan_id)

    def burner(self, burner_id: int) -> Burner:
        return _find("burner", self.burners, burner_id)

    def thickness(self) -> Thickness:
        return self.judged

    def curd_yield(self, milk_id: int) -> tuple[float, int]:
        """ln of true ÷ told curd of a milk, and from how many weighed batches."""
        belief = self.learned["yield"].of(effects_of(str(milk_id)))
        return belief.ln_mean, belief.batches

    def drain(self, cloth: str) -> Drain:
        return drain_of(self.learned["drain"], cloth)

    def habit(self, name: HabitName, sweet: str) -> float:
        """How many times the table it is with this sweet; of one under way, what it was begun with. The cook's own sweets
        hold her hands in their numbers already."""
        if self.begun_with is not None or sweet in self.own_sweets:
            return self.begun_with or 1.0
        return math.exp(self.learned[name].of(effects_of(sweet)).ln_mean)

    def pace(self, sweet: str, step: str) -> Pace | None:
        return pace_of(self.learned["step"], f"{sweet}.{step}")

    def ingredient(self, ingredient_id: int) -> Material:
        return _find("ingredient", self.ingredients, ingredient_id)

    def rate(self, pan_id: int, burner_id: int, flame: Flame) -> Rate:
        """What this kitchen's finished batches say of one pan on one burner on one flame."""
        if burner_id in self.rates:
            return rate_of(self.rates[burner_id], pan_id, flame)
        return Rate(ln_sd=self.burner(burner_id).first_guess_sd(flame)) if burner_id in self.burners else Rate()


def read_shelf(session: Session) -> Shelf:
    larder = Larder(session)
    milks, ingredients = larder.milks(), larder.ingredients()
    taught = Teaching(session)
    burners = {kept.id: kept.thing for kept in larder.burners()}
    return Shelf(
        place=larder.kitchen(),
        milks={kept.id: kept.thing for kept in milks},
        pans={kept.id: kept.thing for kept in larder.pans()},
        burners=burners,
        ingredients={kept.id: kept.thing for kept in ingredients},
        packs={kept.id: (kept.pack, kept.price) for kept in milks},
        rates={n: learned_rates(burners[n], found) for n, found in taught.rates(burners).items() if n in burners},
        judged=judge_thickness(Thickness(), taught.verdicts()),
        learned={family: learned_of(family, taught.of(family)) for family in SPREADS},
        house={kept.id: kept for kept in ingredients},
        own_sweets={kept.key: kept.sweet for kept in Recipes(session).all()},
    )


def _find(word: str, things: Mapping[int, T], number: int) -> T:
    if number not in things:
        raise NotFound(word, "no-such-thing", what=word, thing_id=number)
    return things[number]
