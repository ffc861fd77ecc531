"""How a figure explains itself: formula, this batch's numbers, source, uncertainty, what would sharpen it."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

from .messages.message import Message


@dataclass(frozen=True, slots=True)
class Term:
    """One figure that went into a formula: its name, and as parts of the message its "value" and, where there is one, a
    "note"."""

    says: Message


@dataclass(frozen=True, slots=True, kw_only=True)
class Why:
    """The working behind one figure, in words a cook can follow and a dairy person can check: what figure, and as parts of
    the message its "formula", "source", "uncertainty" and what would "sharpen" it.

    ``rule``: where it stands in ``docs/science``, page and anchor.
    """

    says: Message
    terms: tuple[Term, ...]
    rule: str = ""


def of_page(page: str, whys: Mapping[str, Why]) -> dict[str, Why]:
    """Each with its rule: the page's anchor of its own name."""
    return {key: replace(why, rule=f"{page}#{key}") for key, why in whys.items()}
