"""The Larder as it stands, read in one go: what plans look their numbers up in.

A plan is asked for at every drag of a word, so the shelf is kept between requests and read again only
after something was written (``Database.kept``).
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TypeVar

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from ..core.batch.curd_run import learn_yield
from ..core.batch.learning import Taught, judge_thickness, pooled_prior, update
from ..core.composition.materials import Material
from ..core.equipment.burners import Burner, Flame
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.pans import Pan
from ..core.errors import NotFound
from ..core.planning.reduce.plan import Rate, Thickness
from ..core.planning.sweets.formula import Sweet
from .larder import Larder
from .recipes import Recipes
from .tables import BatchRow

T = TypeVar("T")
Cells = Mapping[int, Mapping[tuple[int, str], Taught]]
"""What finished batches taught: burner, then pan and flame."""
YIELDS_LOOKED_AT = 200


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
    lessons: Cells
    judged: Thickness
    yields: Mapping[int, tuple[float, int]]
    """ln of true ÷ told curd of each milk, and from how many weighed batches."""
    house: Mapping[int, Kept[Material]]
    """The cook's own ingredients with the material each was copied from, its pack (kg) and price."""
    own_sweets: Mapping[str, Sweet]
    """The cook's own sweets by key."""

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
        return self.yields.get(milk_id, (0.0, 0))

    def ingredient(self, ingredient_id: int) -> Material:
        return _find("ingredient", self.ingredients, ingredient_id)

    def rate(self, pan_id: int, burner_id: int, flame: Flame) -> Rate:
        """What this kitchen's finished batches say of one pan on one burner on one flame."""
        cells = dict(self.lessons.get(burner_id, {}))
        own = cells.pop((pan_id, flame), None)
        guess = Rate(ln_sd=self.burner(burner_id).first_guess_sd(flame)) if burner_id in self.burners else Rate()
        pooled = pooled_prior(cells.values()) if cells else guess
        prior = pooled if pooled.ln_sd < guess.ln_sd else guess
        return update(prior, own)


def read_shelf(session: Session) -> Shelf:
    larder = Larder(session)
    milks, ingredients = larder.milks(), larder.ingredients()
    return Shelf(
        place=larder.kitchen(),
        milks={kept.id: kept.thing for kept in milks},
        pans={kept.id: kept.thing for kept in larder.pans()},
        burners={kept.id: kept.thing for kept in larder.burners()},
        ingredients={kept.id: kept.thing for kept in ingredients},
        packs={kept.id: (kept.pack, kept.price) for kept in milks},
        lessons=_lessons(session),
        judged=judge_thickness(Thickness(), _verdicts(session)),
        yields=_yields(session),
        house={kept.id: kept for kept in ingredients},
        own_sweets={kept.key: kept.sweet for kept in Recipes(session).all()},
    )


def _lessons(session: Session) -> Cells:
    weight = 1.0 / (BatchRow.lesson_sd * BatchRow.lesson_sd)
    cell = (BatchRow.burner_id, BatchRow.pan_id, BatchRow.flame)
    rows = session.execute(
        select(*cell, func.count(), func.sum(weight), func.sum(weight * BatchRow.lesson_ln))
        .where(BatchRow.finished, BatchRow.lesson_ln.is_not(None))
        .group_by(*cell)
    )
    found: dict[int, dict[tuple[int, str], Taught]] = {}
    for burner, pan, flame, batches, weights, total in rows:
        if burner is not None and pan is not None:
            found.setdefault(burner, {})[pan, flame] = Taught(batches, float(weights), float(total))
    return found


def _verdicts(session: Session) -> dict[str, int]:
    """How batches turned out cold, and how often."""
    judged = select(BatchRow.verdict, func.count()).where(BatchRow.verdict.is_not(None)).group_by(BatchRow.verdict)
    return {str(verdict): times for verdict, times in session.execute(judged)}


def _yields(session: Session) -> dict[int, tuple[float, int]]:
    """Of each milk by its newest batches: what lies further back weighs nothing any more."""
    of = (BatchRow.finished, BatchRow.ln_ratio.is_not(None), BatchRow.milk_id.is_not(None))
    back = func.row_number().over(partition_by=BatchRow.milk_id, order_by=BatchRow.created_at.desc())
    newest = select(BatchRow.milk_id, BatchRow.ln_ratio, back.label("back")).where(*of).subquery()
    rows = session.execute(select(newest).where(newest.c.back <= YIELDS_LOOKED_AT).order_by(newest.c.back.desc()))
    found: dict[int, list[float]] = {}
    for milk_id, ln_ratio, _ in rows:
        found.setdefault(milk_id, []).append(ln_ratio)
    return {milk_id: learn_yield(ratios) for milk_id, ratios in found.items()}


def _find(word: str, things: Mapping[int, T], number: int) -> T:
    if number not in things:
        raise NotFound(word, f"There is no {word} number {number} in this kitchen.", "Choose one of the Larder.")
    return things[number]
