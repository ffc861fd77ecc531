"""How a figure explains itself: formula, this batch's numbers, source, uncertainty, what would sharpen it."""

from collections.abc import Mapping
from dataclasses import dataclass, replace


@dataclass(frozen=True, slots=True)
class Term:
    """One figure that went into a formula."""

    name: str
    value: str
    note: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Why:
    """The working behind one figure, in words a cook can follow and a dairy person can check.

    ``rule``: where it stands in ``docs/science``, page and anchor.
    """

    title: str
    formula: str
    terms: tuple[Term, ...]
    source: str
    uncertainty: str
    sharpen: str
    rule: str = ""


def of_page(page: str, whys: Mapping[str, Why]) -> dict[str, Why]:
    """Each with its rule: the page's anchor of its own name."""
    return {key: replace(why, rule=f"{page}#{key}") for key, why in whys.items()}
