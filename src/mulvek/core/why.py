"""How a figure explains itself: formula, this batch's numbers, source, uncertainty, what would sharpen it."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Term:
    """One figure that went into a formula."""

    name: str
    value: str
    note: str = ""


@dataclass(frozen=True, slots=True)
class Why:
    """The working behind one figure, in words a cook can follow and a dairy person can check."""

    title: str
    formula: str
    terms: tuple[Term, ...]
    source: str
    uncertainty: str
    sharpen: str
