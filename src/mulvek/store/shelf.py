"""The Larder as it stands, read in one go: what plans look their numbers up in.

A plan is asked for at every drag of a word, so the shelf is kept between requests and read again only
after something was written (``Database.kept``).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import TypeVar

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.bases.plan import Rate, Thickness
from ..core.errors import NotFound
from ..core.heat import Burner, Flame
from ..core.kitchen import Kept, Kitchen
from ..core.learning import Lesson, judge_thickness, pooled_prior, update
from ..core.materials.library import Material
from ..core.pans import Pan
from ..core.stove.curd_run import learn_yield
from ..core.sweets.formula import Sweet
from .larder import Larder
from .recipes import Recipes
from .tables import BatchRow, CurdBatchRow

T = TypeVar("T")
Cells = Mapping[int, Mapping[tuple[int, str], Sequence[Lesson]]]
"""Lessons of finished batches: burner, then pan and flame."""


@dataclass(frozen=True, slots=True)
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
        own = cells.pop((pan_id, flame), [])
        guess = Rate(ln_sd=self.burner(burner_id).first_guess_sd(flame)) if burner_id in self.burners else Rate()
        pooled = pooled_prior(list(cells.values())) if cells else guess
        prior = pooled if pooled.ln_sd < guess.ln_sd else guess
        return update(prior, own)


def read_shelf(session: Session) -> Shelf:
    larder = Larder(session)
    milks, ingredients = larder.milks(), larder.ingredients()
    return Shelf(
        larder.kitchen(),
        {kept.id: kept.thing for kept in milks},
        {kept.id: kept.thing for kept in larder.pans()},
        {kept.id: kept.thing for kept in larder.burners()},
        {kept.id: kept.thing for kept in ingredients},
        {kept.id: (kept.pack, kept.price) for kept in milks},
        _lessons(session),
        judge_thickness(Thickness(), _verdicts(session)),
        _yields(session),
        {kept.id: kept for kept in ingredients},
        {kept.key: kept.sweet for kept in Recipes(session).all()},
    )


def _lessons(session: Session) -> Cells:
    rows = session.execute(
        select(BatchRow.burner_id, BatchRow.pan_id, BatchRow.flame, BatchRow.lesson_ln, BatchRow.lesson_sd).where(
            BatchRow.finished
        )
    )
    found: dict[int, dict[tuple[int, str], list[Lesson]]] = {}
    for burner, pan, flame, ln_ratio, sd in rows:
        if burner is not None and pan is not None and ln_ratio is not None and sd is not None:
            found.setdefault(burner, {}).setdefault((pan, flame), []).append(Lesson(ln_ratio, sd))
    return found


def _verdicts(session: Session) -> list[str]:
    """How batches turned out cold, oldest first."""
    rows = session.scalars(
        select(BatchRow.verdict).where(BatchRow.verdict.is_not(None)).order_by(BatchRow.created_at)
    )
    return [verdict for verdict in rows if verdict is not None]


def _yields(session: Session) -> dict[int, tuple[float, int]]:
    rows = session.execute(
        select(CurdBatchRow.milk_id, CurdBatchRow.ln_ratio)
        .where(CurdBatchRow.finished, CurdBatchRow.ln_ratio.is_not(None), CurdBatchRow.milk_id.is_not(None))
        .order_by(CurdBatchRow.created_at)
    )
    found: dict[int, list[float]] = {}
    for milk_id, ln_ratio in rows:
        if milk_id is not None and ln_ratio is not None:
            found.setdefault(milk_id, []).append(ln_ratio)
    return {milk_id: learn_yield(ratios) for milk_id, ratios in found.items()}


def _find(word: str, things: Mapping[int, T], number: int) -> T:
    if number not in things:
        raise NotFound(word, f"There is no {word} number {number} in this kitchen.", "Choose one of the Larder.")
    return things[number]
