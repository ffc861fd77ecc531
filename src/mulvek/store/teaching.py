"""Which batches teach which of this kitchen's numbers: the newest, but those that were left out, and within the time that the
cook gave each number (frozen, or begun anew)."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, Literal

from sqlalchemy import ColumnElement, select
from sqlalchemy.orm import Session

from ..core.batch.learning import LOOKED_AT, Keyed, KeyLesson, RateLesson
from ..core.errors import NotFound
from .tables import BatchRow, KitchenRow, LearningWindowRow, LessonRow, MilkRow

Family = Literal["rate", "thickness"] | Keyed
DRAIN = "drain:"
"""What a hanging taught is kept by its cloth, beside the steps of sweets; what a sweet taught, by its habit and its key."""
STEPS_LOOKED_AT = 400


@dataclass(frozen=True, slots=True)
class Window:
    """Batches that began from then and until then teach it, s since the epoch; open where None."""

    from_s: float | None = None
    until_s: float | None = None

    def has(self, at_s: float) -> bool:
        return (self.from_s is None or at_s >= self.from_s) and (self.until_s is None or at_s <= self.until_s)


def rate_key(burner: int, pan: int, flame: str) -> str:
    return f"{burner}.{pan}.{flame}"


class Teaching:
    """Of one kitchen."""

    def __init__(self, session: Session) -> None:
        self.session = session
        rows = session.execute(
            select(
                LearningWindowRow.family, LearningWindowRow.key, LearningWindowRow.from_s, LearningWindowRow.until_s
            )
        )
        self.windows = {(family, key): Window(begun, until) for family, key, begun, until in rows}

    def _open(self, family: Family, key: str, at_s: float) -> bool:
        return self.windows.get((family, key), Window()).has(at_s)

    def _newest(self, *columns: Any, of: ColumnElement[bool], taught: ColumnElement[bool]) -> list[Any]:
        """Oldest first."""
        rows = self.session.execute(
            select(BatchRow.id, BatchRow.created_at, *columns)
            .where(of, taught, BatchRow.finished, ~BatchRow.left_out)
            .order_by(BatchRow.created_at.desc(), BatchRow.id.desc())
            .limit(LOOKED_AT)
        )
        return list(rows)[::-1]

    def rates(self, burners: Iterable[int]) -> dict[int, tuple[RateLesson, ...]]:
        """Of each burner that taught anything."""
        columns = (BatchRow.pan_id, BatchRow.flame, BatchRow.lesson_ln, BatchRow.lesson_sd)
        found = {}
        for burner in burners:
            rows = self._newest(*columns, of=BatchRow.burner_id == burner, taught=BatchRow.lesson_ln.is_not(None))
            found[burner] = tuple(
                RateLesson(batch, pan, flame, ln_ratio, ln_sd)
                for batch, at_s, pan, flame, ln_ratio, ln_sd in rows
                if pan is not None and self._open("rate", rate_key(burner, pan, flame), at_s)
            )
        return {burner: lessons for burner, lessons in found.items() if lessons}

    def of(self, family: Keyed) -> tuple[KeyLesson, ...]:
        """Of all keys together, oldest first."""
        found = {"yield": self._yields, "step": self._steps}.get(family, lambda: self._named(family))()
        return tuple(KeyLesson(batch, key, ln) for at_s, batch, key, ln in found if self._open(family, key, at_s))

    def _yields(self) -> list[tuple[float, int, str, float]]:
        """The newest of each milk."""
        milks = self.session.scalars(select(MilkRow.id)).all()
        weighed = BatchRow.ln_ratio.is_not(None)
        return sorted(
            (at_s, batch, str(milk), ln_ratio)
            for milk in milks
            for batch, at_s, ln_ratio in self._newest(BatchRow.ln_ratio, of=BatchRow.milk_id == milk, taught=weighed)
        )

    def _steps(self) -> list[tuple[float, int, str, float]]:
        return self._kept(~LessonRow.key.contains(":"), STEPS_LOOKED_AT)

    def _named(self, family: str) -> list[tuple[float, int, str, float]]:
        """Those that are kept as "family:key"."""
        rows = self._kept(LessonRow.key.between(f"{family}:", f"{family};"), LOOKED_AT)  # ; comes after :
        return [(at_s, batch, key.partition(":")[2], ln) for at_s, batch, key, ln in rows]

    def _kept(self, of: ColumnElement[bool], most: int) -> list[tuple[float, int, str, float]]:
        """Of the newest batches: when each began, its number, the lesson's key and what it says, oldest first."""
        rows = self.session.execute(
            select(BatchRow.created_at, BatchRow.id, LessonRow.key, LessonRow.ln_ratio)
            .join(BatchRow, BatchRow.id == LessonRow.batch_id)
            .where(of, ~BatchRow.left_out)
            .order_by(LessonRow.batch_id.desc())
            .limit(most)
        )
        return sorted((at_s, batch, key, ln) for at_s, batch, key, ln in rows)

    def verdicts(self) -> dict[str, int]:
        """How batches turned out cold, and how often."""
        rows = self.session.execute(
            select(BatchRow.verdict, BatchRow.created_at).where(BatchRow.verdict.is_not(None), ~BatchRow.left_out)
        )
        found: dict[str, int] = defaultdict(int)
        for verdict, at_s in rows:
            if self._open("thickness", "", at_s):
                found[str(verdict)] += 1
        return dict(found)

    # -- owning it ------------------------------------------------------------------------------------

    def keep_window(self, family: Family, key: str, window: Window) -> None:
        """From then on and until then batches teach this number."""
        kitchen = self.session.scalars(select(KitchenRow.id)).first()
        row = LearningWindowRow(
            kitchen_id=kitchen, family=family, key=key, from_s=window.from_s, until_s=window.until_s
        )
        self.session.merge(row)
        self.session.flush()
        self.windows[family, key] = window

    def leave_out(self, batch_id: int, out: bool) -> None:
        """:raises NotFound: field "batch"."""
        row = self.session.get(BatchRow, batch_id)
        if row is None:
            raise NotFound("batch", "no-batch-number", batch_id=batch_id)
        row.left_out = out
        self.session.flush()
