"""The Larder's repository: the kitchen itself, its milks, pans, burners and ingredients, as core classes.

Every row carries a version. A change names the version it was made from: when another tab was quicker, the
change is refused and nothing is lost silently.
"""

from collections.abc import Callable, Mapping
from dataclasses import asdict, replace
from typing import Any, TypeVar

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.composition.materials import LABEL_SD, Material, Species, material, own_material, own_milk
from ..core.equipment.burners import Burner
from ..core.equipment.kitchen import Kept, Kitchen
from ..core.equipment.measured import Measured
from ..core.equipment.pans import AnyShape, Pan
from ..core.equipment.quantities import Measures
from ..core.equipment.vessels import Flared, Kadhai, Straight
from ..core.errors import BadInput, Conflict, NotFound
from .aside import each
from .tables import BatchRow, BurnerRow, IngredientRow, KitchenRow, MilkRow, PanRow

T = TypeVar("T")
Row = MilkRow | PanRow | BurnerRow | IngredientRow
SHAPES: dict[str, type[AnyShape]] = {
    "straight": Straight,
    "flared": Flared,
    "kadhai": Kadhai,
    "measured": Measured,
}
TABLES: dict[str, type[Row]] = {
    "milk": MilkRow,
    "pan": PanRow,
    "burner": BurnerRow,
    "ingredient": IngredientRow,
}


def shape_to_json(shape: AnyShape) -> dict[str, Any]:
    kind = next(name for name, cls in SHAPES.items() if type(shape) is cls)
    return {"kind": kind, **asdict(shape)}


def shape_from_json(data: Mapping[str, Any]) -> AnyShape:
    return SHAPES[data["kind"]](**{k: v for k, v in data.items() if k != "kind"})


class Larder:
    """One kitchen's things. The session decides whether it may write."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.aside: list[str] = []
        """Names of things that cannot be read: they are left out of the lists."""

    # -- the kitchen -----------------------------------------------------------------------------------

    def row(self) -> KitchenRow:
        """The kitchen; a new file gets an ordinary one."""
        row = self.session.scalars(select(KitchenRow).order_by(KitchenRow.id).limit(1)).first()
        if row is None:
            raise NotFound("kitchen", "file-without-kitchen")
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
        return Kitchen(
            altitude_m=row.altitude_m,
            room_c=row.room_c,
            milk_c=row.milk_c,
            measures=measures,
            fridge_c=row.fridge_c,
            freezer_c=row.freezer_c,
        )

    def change_kitchen(
        self, name: str, kitchen: Kitchen, version: int | None = None, currency: str | None = None
    ) -> None:
        row = self.row()
        _check_version(row, version, "kitchen")
        row.name = name
        row.version += 1
        row.currency = row.currency if currency is None else currency
        for column, value in _kitchen_columns(kitchen).items():
            setattr(row, column, value)

    # -- its things ------------------------------------------------------------------------------------

    def milks(self) -> list[Kept[Material]]:
        return self._things(MilkRow, lambda row: Kept(row.id, row.version, _milk(row), row.pack_m3, row.price))

    def pans(self) -> list[Kept[Pan]]:
        return self._things(PanRow, lambda row: Kept(row.id, row.version, _pan(row)))

    def burners(self) -> list[Kept[Burner]]:
        return self._things(
            BurnerRow, lambda row: Kept(row.id, row.version, Burner(row.name, row.kind, row.strength, row.ln_sd))
        )

    def ingredients(self) -> list[Kept[Material]]:
        return self._things(
            IngredientRow,
            lambda row: Kept(row.id, row.version, _ingredient(row), row.pack_kg, row.price, row.base),
        )

    def _things(self, table: Any, read: Callable[[Any], Kept[T]]) -> list[Kept[T]]:
        rows = self.session.scalars(select(table).order_by(table.id)).all()
        found, aside = each(rows, read, lambda row: str(row.name))
        self.aside += aside
        return found

    def add_milk(self, milk: Material, pack_m3: float | None = None, price: float | None = None) -> int:
        return self._add(MilkRow, {**_milk_columns(milk), "pack_m3": pack_m3, "price": price})

    def add_pan(self, pan: Pan) -> int:
        return self._add(PanRow, _pan_columns(pan))

    def add_burner(self, burner: Burner) -> int:
        return self._add(BurnerRow, asdict(burner))

    def add_ingredient(
        self, base: str, own: Material, pack_kg: float | None = None, price: float | None = None
    ) -> int:
        return self._add(IngredientRow, {**_ingredient_columns(base, own), "pack_kg": pack_kg, "price": price})

    def change_milk(
        self, milk_id: int, version: int, milk: Material, pack_m3: float | None, price: float | None
    ) -> None:
        columns = {**_milk_columns(milk), "pack_m3": pack_m3, "price": price}
        row = self.session.get(MilkRow, milk_id)
        for figure in ("fat", "snf"):
            # a figure left as it was keeps its own spread, which the label form does not know
            same = row is not None and abs(getattr(row, f"{figure}_pct") - columns[f"{figure}_pct"]) < 5e-3
            if same and columns[f"{figure}_sd"] == LABEL_SD * 100:
                columns[f"{figure}_sd"] = getattr(row, f"{figure}_sd")
        self._change("milk", milk_id, version, columns)

    def change_pan(self, pan_id: int, version: int, pan: Pan) -> None:
        self._change("pan", pan_id, version, _pan_columns(pan))

    def change_burner(self, burner_id: int, version: int, burner: Burner) -> None:
        self._change("burner", burner_id, version, asdict(burner))

    def change_ingredient(
        self, ingredient_id: int, version: int, base: str, own: Material, pack_kg: float | None, price: float | None
    ) -> None:
        columns = {**_ingredient_columns(base, own), "pack_kg": pack_kg, "price": price}
        self._change("ingredient", ingredient_id, version, columns)

    def remove(self, what: str, thing_id: int, version: int) -> None:
        """Take a thing out. Batches that used it carry it whole and stay as they are.

        :raises NotFound, Conflict: also when a burner has a batch on it.
        """
        row = self._row(what, thing_id)
        _check_version(row, version, what)
        if what == "burner":
            lit = select(BatchRow.name).where(BatchRow.burner_id == thing_id, ~BatchRow.finished)
            if (name := self.session.scalars(lit).first()) is not None:
                raise Conflict("burner", "burner-in-use", name=name)
        self.session.delete(row)

    def _row(self, what: str, thing_id: int) -> Row:
        row: Row | None = self.session.get(TABLES[what], thing_id)  # type: ignore[assignment]
        if row is None:
            raise NotFound(what, "no-such-thing", what=what, thing_id=thing_id)
        return row

    def _add(self, table: type[Row], columns: Mapping[str, Any]) -> int:
        self._name_is_free(table, columns["name"])
        row = table(kitchen_id=self.row().id, **columns)
        self.session.add(row)
        self.session.flush()
        return row.id

    def _change(self, what: str, thing_id: int, version: int, columns: Mapping[str, Any]) -> None:
        row = self._row(what, thing_id)
        _check_version(row, version, what)
        self._name_is_free(TABLES[what], columns["name"], thing_id)
        for column, value in columns.items():
            setattr(row, column, value)
        row.version += 1
        self.session.flush()

    def _name_is_free(self, table: type[Row], name: str, but: int | None = None) -> None:
        taken = self.session.scalars(select(table.id).where(table.name == name)).first()
        if taken is not None and taken != but:
            raise BadInput("name", "name-taken", name=name)


def _check_version(row: Row | KitchenRow, version: int | None, what: str) -> None:
    if version is not None and row.version != version:
        raise Conflict("version", "thing-changed-elsewhere", what=what)


def _kitchen_columns(kitchen: Kitchen) -> dict[str, float]:
    columns = asdict(kitchen)
    return {**{k: v for k, v in columns.items() if k != "measures"}, **columns["measures"]}


def _milk_columns(milk: Material) -> dict[str, Any]:
    return {
        "name": milk.name,
        "species": milk.species,
        "fat_pct": round(float(milk.parts.fat) * 100, 6),
        "snf_pct": round((float(milk.parts.total_solids) - float(milk.parts.fat)) * 100, 6),
        "fat_sd": round(milk.fat_sd * 100, 6),
        "snf_sd": round(milk.snf_sd * 100, 6),
        "flags": [flag for flag in milk.flags if flag != "plant"],
    }


def _milk(row: MilkRow) -> Material:
    species: Species = row.species if row.species in ("buffalo", "coconut") else "cow"  # type: ignore[assignment]
    milk = own_milk(str(row.id), row.name, row.fat_pct, row.snf_pct, species, flags=tuple(row.flags))
    return replace(
        milk,
        fat_sd=row.fat_sd / 100,
        snf_sd=row.snf_sd / 100,
        confidence=f"fat ±{row.fat_sd:g}, SNF ±{row.snf_sd:g}",
    )


def _pan_columns(pan: Pan) -> dict[str, Any]:
    return {
        "name": pan.name,
        "shape": shape_to_json(pan.shape),
        "material": pan.material,
        "mass_kg": pan.mass_kg,
    }


def _pan(row: PanRow) -> Pan:
    return Pan(row.name, shape_from_json(row.shape), row.material, row.mass_kg)  # type: ignore[arg-type]


def _ingredient_columns(base: str, own: Material) -> dict[str, Any]:
    label: dict[str, float | None] = {"fat_pct": None, "snf_pct": None, "sugar_pct": None}
    if own.parts != material(base).parts:
        label = {
            "fat_pct": round(float(own.parts.fat) * 100, 6),
            "snf_pct": round(float(own.parts.msnf) * 100, 6),
            "sugar_pct": round(float(own.parts.sucrose) * 100, 6),
        }
    return {"name": own.name, "base": base, "bulk_kg_m3": own.bulk_kg_m3, **label}


def _ingredient(row: IngredientRow) -> Material:
    return own_material(str(row.id), row.name, row.base, row.fat_pct, row.snf_pct, row.sugar_pct, row.bulk_kg_m3)
