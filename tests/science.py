"""The tables of ``docs/science/reference``, as the tests read them."""

from dataclasses import dataclass
from functools import cache
from pathlib import Path

FOLDER = Path(__file__).parents[1] / "docs" / "science" / "reference"


@dataclass(frozen=True, slots=True)
class Reference:
    """A value and how far the code may lie from it."""

    value: float
    within: float

    def holds(self, got: float) -> bool:
        return abs(got - self.value) <= self.within + 1e-12


def table(name: str) -> list[list[str]]:
    """Rows of a table, without its head."""
    lines = (FOLDER / f"{name}.md").read_text(encoding="utf-8").splitlines()
    rows = [[cell.strip() for cell in line.strip().strip("|").split("|")] for line in lines if line.startswith("|")]
    return rows[2:]


@cache
def references(kind: str) -> dict[str, Reference]:
    """By number: every row of a table that has a value."""
    found = {}
    for number, _, _, given, within, _ in table(kind):
        value, share = float(given), within.endswith("%")
        width = float(within.rstrip(" %")) * (abs(value) / 100 if share else 1.0)
        found[number] = Reference(value, width)
    return found
