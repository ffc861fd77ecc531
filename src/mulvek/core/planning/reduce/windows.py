"""Stops by name: basundi, rabri, khoya… each a window of solids, from common practice and the standards.

Reduction dossier §6. A window is set in solids of the milk part, so that it holds for any milk and any
sugar; the standards behind it are named and always defer to the local code.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import Any

from ...composition.composition import Composition, Number
from ...composition.materials import read_table


@dataclass(frozen=True, slots=True, kw_only=True)
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
        key=key,
        name=str(row["name"]),
        words=tuple(row["words"]),
        milk_part=share("milk_part"),
        sugar=share("sugar"),
        looks=str(row["looks"]),
        basis=str(row["basis"]),
        product=share("product") if "product" in row else None,
    )


def find_window(words: str) -> Window | None:
    """The named stop that these words are, if any.

    >>> find_window("Rabri").key, find_window("condensed milk").name, find_window("half")
    ('rabri', 'sweetened condensed milk', None)
    """
    wanted = " ".join(words.lower().split())
    return next((w for w in windows().values() if wanted in w.words), None)


def milk_part_solids(parts: Composition) -> Number:
    """Milk solids in milk solids and water, kg per kg: what a named stop is judged by.

    Sugars that no milk holds are left out; what enriches the milk counts as milk.
    """
    milk = parts.solids - parts.free_sugars
    return milk / (milk + parts.water)
