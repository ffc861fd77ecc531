"""The Larder's repository: the kitchen itself, its milks, pans and burners, as core classes."""

from dataclasses import asdict, replace
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.bases.plan import Rate
from ..core.errors import BadInput, NotFound
from ..core.heat import Burner
from ..core.kitchen import Kitchen
from ..core.learning import Lesson, pooled_prior, update
from ..core.materials.library import Material, Species, own_milk
from ..core.quantities import Measures
from ..core.vessels import Flared, Kadhai, Pan, Straight
from .tables import BatchRow, BurnerRow, KitchenRow, MilkRow, PanRow

SHAPES: dict[str, type[Straight] | type[Flared] | type[Kadhai]] = {
    "straight": Straight,
    "flared": Flared,
    "kadhai": Kadhai,
}


def shape_to_json(shape: Straight | Flared | Kadhai) -> dict[str, Any]:
    kind = next(name for name, cls in SHAPES.items() if type(shape) is cls)
    return {"kind": kind, **asdict(shape)}


def shape_from_json(data: dict[str, Any]) -> Straight | Flared | Kadhai:
    return SHAPES[data["kind"]](**{k: v for k, v in data.items() if k != "kind"})


class Larder:
    """One kitchen's things. The session decides whether it may write."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def row(self) -> KitchenRow:
        """The kitchen; a new file gets an ordinary one."""
        row = self.session.scalars(select(KitchenRow).order_by(KitchenRow.id).limit(1)).first()
        if row is None:
            raise NotFound("kitchen", "This file has no kitchen.", "Start Mulvek again: it makes one.")
        return row

    def ensure_kitchen(self, name: str, kitchen: Kitchen) -> bool:
        """Make the kitchen if there is none; true when it was made."""
        if self.session.scalars(select(KitchenRow.id)).first() is not None:
            return False
        self.session.add(KitchenRow(name=name, **_kitchen_columns(kitchen)))
        self.session.flush()
        return True

    def kitchen(self) -> Kitchen:
        row = self.row()
        measures = Measures(row.cup_m3, row.glass_m3, row.katori_m3, row.tablespoon_m3, row.teaspoon_m3)
        return Kitchen(row.altitude_m, row.room_c, row.milk_c, measures)

    def change_kitchen(self, name: str, kitchen: Kitchen) -> None:
        row = self.row()
        row.name = name
        for column, value in _kitchen_columns(kitchen).items():
            setattr(row, column, value)

    def milks(self) -> dict[int, Material]:
        rows = self.session.scalars(select(MilkRow).order_by(MilkRow.id))
        return {row.id: _milk(row) for row in rows}

    def pans(self) -> dict[int, Pan]:
        rows = self.session.scalars(select(PanRow).order_by(PanRow.id))
        return {row.id: _pan(row) for row in rows}

    def burners(self) -> dict[int, Burner]:
        rows = self.session.scalars(select(BurnerRow).order_by(BurnerRow.id))
        return {row.id: Burner(row.name, row.kind, row.strength) for row in rows}

    def milk(self, milk_id: int) -> Material:
        row = self.session.get(MilkRow, milk_id)
        if row is None:
            raise NotFound("milk", f"There is no milk number {milk_id} in this kitchen.", "Choose one of the Larder.")
        return _milk(row)

    def pan(self, pan_id: int) -> Pan:
        row = self.session.get(PanRow, pan_id)
        if row is None:
            raise NotFound("pan", f"There is no pan number {pan_id} in this kitchen.", "Choose one of the Larder.")
        return _pan(row)

    def burner(self, burner_id: int) -> Burner:
        row = self.session.get(BurnerRow, burner_id)
        if row is None:
            raise NotFound(
                "burner", f"There is no burner number {burner_id} in this kitchen.", "Choose one of the Larder."
            )
        return Burner(row.name, row.kind, row.strength)

    def add_milk(self, milk: Material) -> int:
        self._name_is_free(MilkRow, milk.name)
        row = MilkRow(
            kitchen_id=self.row().id,
            name=milk.name,
            species=milk.species,
            fat_pct=round(float(milk.parts.fat) * 100, 6),
            snf_pct=round(float(milk.parts.msnf) * 100, 6),
            fat_sd=round(milk.fat_sd * 100, 6),
            snf_sd=round(milk.snf_sd * 100, 6),
        )
        self.session.add(row)
        self.session.flush()
        return row.id

    def add_pan(self, pan: Pan) -> int:
        self._name_is_free(PanRow, pan.name)
        row = PanRow(
            kitchen_id=self.row().id,
            name=pan.name,
            shape=shape_to_json(pan.shape),
            material=pan.material,
            mass_kg=pan.mass_kg,
        )
        self.session.add(row)
        self.session.flush()
        return row.id

    def add_burner(self, burner: Burner) -> int:
        self._name_is_free(BurnerRow, burner.name)
        row = BurnerRow(kitchen_id=self.row().id, name=burner.name, kind=burner.kind, strength=burner.strength)
        self.session.add(row)
        self.session.flush()
        return row.id

    def _name_is_free(self, table: type[MilkRow] | type[PanRow] | type[BurnerRow], name: str) -> None:
        if self.session.scalars(select(table.id).where(table.name == name)).first() is not None:
            raise BadInput("name", f"There is a “{name}” already.", "Give it another name.")

    def rate(self, pan_id: int, burner_id: int, flame: str) -> Rate:
        """What this kitchen's finished batches say of one pan on one burner on one flame."""
        rows = self.session.execute(
            select(BatchRow.pan_id, BatchRow.flame, BatchRow.lesson_ln, BatchRow.lesson_sd).where(
                BatchRow.burner_id == burner_id, BatchRow.finished
            )
        ).all()
        cells: dict[tuple[int, str], list[Lesson]] = {}
        for pan, its_flame, ln_ratio, sd in rows:
            if pan is None or ln_ratio is None or sd is None:
                continue
            cells.setdefault((pan, its_flame), []).append(Lesson(ln_ratio, sd))
        own = cells.pop((pan_id, flame), [])
        prior = pooled_prior(list(cells.values())) if cells else Rate()
        return update(prior, own)


def _kitchen_columns(kitchen: Kitchen) -> dict[str, float]:
    columns = asdict(kitchen)
    return {**{k: v for k, v in columns.items() if k != "measures"}, **columns["measures"]}


def _milk(row: MilkRow) -> Material:
    species: Species = "buffalo" if row.species == "buffalo" else "cow"
    milk = own_milk(str(row.id), row.name, row.fat_pct, row.snf_pct, species)
    return replace(
        milk,
        fat_sd=row.fat_sd / 100,
        snf_sd=row.snf_sd / 100,
        confidence=f"fat ±{row.fat_sd:g}, SNF ±{row.snf_sd:g}",
    )


def _pan(row: PanRow) -> Pan:
    return Pan(row.name, shape_from_json(row.shape), row.material, row.mass_kg)  # type: ignore[arg-type]
