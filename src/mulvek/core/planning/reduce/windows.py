"""Stops by name: basundi, rabri, khoya… each a window of solids, from common practice and the standards.

Reduction dossier §6. A window is set in solids of the milk part, so that it holds for any milk and any
sugar; the standards behind it are named and always defer to the local code.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import Any

from ...composition.materials import read_table
from ...composition.parts import Number, Parts


@dataclass(frozen=True, slots=True)
class Window:
    """A named stop. Shares in kg per kg: ``milk_part`` solids of the milk part, ``sugar`` of the product.

    ``product``: total solids of the product instead, for what is not milk.
    """

    key: str
    name: str
    words: tuple[str, ...]
    milk_part: tuple[float, float]
    sugar: tuple[float, float]
    looks: str
    basis: str
    product: tuple[float, float] | None = None

    @property
    def middle(self) -> float:
        low, high = self.product or self.milk_part
        return (low + high) / 2


@cache
def windows() -> Mapping[str, Window]:
    """All named stops by key, from the thinnest to the driest."""
    return {key: _window(key, row) for key, row in read_table("stops.toml").items()}


def _window(key: str, row: Mapping[str, Any]) -> Window:
    def share(name: str) -> tuple[float, float]:
        low, high = row[name]
        return low / 100, high / 100

    return Window(
        key,
        str(row["name"]),
        tuple(row["words"]),
        share("milk_part"),
        share("sugar"),
        str(row["looks"]),
        str(row["basis"]),
        share("product") if "product" in row else None,
    )


def find_window(words: str) -> Window | None:
    """The named stop that these words are, if any.

    >>> find_window("Rabri").key, find_window("condensed milk").name, find_window("half")
    ('rabri', 'sweetened condensed milk', None)
    """
    wanted = " ".join(words.lower().split())
    return next((w for w in windows().values() if wanted in w.words), None)


def milk_part_solids(parts: Parts) -> Number:
    """Milk solids in milk solids and water, kg per kg: what a named stop is judged by.

    Sugars that no milk holds are left out; what enriches the milk counts as milk.
    """
    milk = parts.solids - parts.sucrose - parts.reducing
    return milk / (milk + parts.water)


def product_window(window: Window, fat_in_solids: tuple[float, float]) -> dict[str, tuple[float, float]]:
    """What the finished product holds across a window, kg per kg: total solids, fat, MSNF.

    :param fat_in_solids: fat as a share of the milk's solids, leanest and richest.

    >>> cow = 4.1 / 12.82
    >>> low, _ = product_window(windows()["basundi"], (cow, cow))["fat"]
    >>> round(low * 100, 3)
    6.601
    """
    (m0, m1), (s0, s1) = window.milk_part, window.sugar
    lean, rich = fat_in_solids
    return {
        "total_solids": (m0 * (1 - s0) + s0, m1 * (1 - s1) + s1),
        "fat": (m0 * lean * (1 - s1), m1 * rich * (1 - s0)),
        "msnf": (m0 * (1 - rich) * (1 - s1), m1 * (1 - lean) * (1 - s0)),
    }


def ratio_for_fat(fat: float, milk_fat: float, sugar: float) -> float:
    """How many times the milk part must be concentrated to reach a share of fat; all kg per kg.

    >>> round(ratio_for_fat(0.10, 0.041, 0.14), 3)
    2.836
    """
    return fat / (milk_fat * (1 - sugar))


def condensed_sugar_kg(milk_kg: float, milk_solids: float, final_milk_solids: float, sugar_number: float) -> float:
    """Sugar for condensed milk of a sugar number, kg (Hunziker): the sugar in sugar and water, kg per kg.

    >>> round(condensed_sugar_kg(1.840 * 1.0294, 0.1282, 0.295, 0.634) * 1e3, 1)
    367.9
    """
    final = milk_kg * milk_solids / final_milk_solids
    return sugar_number * (final - milk_kg * milk_solids)
