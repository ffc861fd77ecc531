"""What stands there beside what a batch was made for: the whey of a curd, the syrup of a sweet that was soaked, the sauce
and the dough that were left over.

Kept with the batch's line, so that the shelf need read no log. Whey by its usual make-up (curd dossier §4: 6.4 % solids,
nearly all of it lactose, pH 5.4); syrup as it was told when the sweet began; sauce and dough as they were weighed.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal, get_args

from ..composition.composition import Composition
from ..errors import Conflict
from .events import Event, Gone, LeftWeighed, PiecesCounted, StepDone, Weighed, WheyWeighed

Leftover = Literal["whey", "syrup", "sauce", "dough"]
LEFTOVERS: tuple[Leftover, ...] = get_args(Leftover)
WHEY = Composition(water=0.936, fat=0.003, whey=0.006, lactose=0.046, milk_ash=0.006, acid=0.003)
WHEY_PH = 5.4
LEAST_KG = 0.02
DOUGH_SHARE = 0.55
"""Whey that kneads a kilogram of flour to a soft dough, kg (common practice)."""


@dataclass(frozen=True, slots=True)
class Beside:
    """kg of it, since when (s since the epoch), and its solids, kg per kg."""

    kg: float
    at_s: float
    total_solids: float


def is_gone(counted: Sequence[Event], of: Leftover | Literal[""]) -> bool:
    """Whether it is there no more; of nothing named: what the batch was made for."""
    return any(isinstance(e.what, Gone) and e.what.of == of for e in counted)


def whey_of(counted: Sequence[Event]) -> dict[str, Beside]:
    """The whey that was weighed, once the curd is too."""
    whey = next((e for e in reversed(counted) if isinstance(e.what, WheyWeighed)), None)
    done = next((e.at_s for e in reversed(counted) if isinstance(e.what, Weighed)), None)
    if whey is None or done is None or is_gone(counted, "whey") or whey.what.mass_kg < LEAST_KG:  # type: ignore[union-attr]
        return {}
    return {"whey": Beside(whey.what.mass_kg, whey.at_s, float(WHEY.total_solids))}  # type: ignore[union-attr]


def syrup_of(counted: Sequence[Event], told: Mapping[str, Any], done: bool) -> dict[str, Beside]:
    """The syrup that is left once the pieces are out of it."""
    syrup = told.get("syrup")
    out = next((e.at_s for e in reversed(counted) if isinstance(e.what, PiecesCounted | Weighed | StepDone)), None)
    if not isinstance(syrup, Mapping) or not done or out is None or is_gone(counted, "syrup"):
        return {}
    kg, brix = float(syrup.get("left_kg", 0.0)), float(syrup.get("left_brix", 0.0))
    return {"syrup": Beside(kg, out, brix / 100)} if kg >= LEAST_KG else {}


USUAL_SOLIDS: Mapping[Leftover, float] = {"sauce": 0.35, "dough": 0.65}
"""Of a sweet that began before it was told what of it may be left."""


def left_of(counted: Sequence[Event], told: Mapping[str, Any]) -> dict[str, Beside]:
    """The sauce and the dough that were weighed when the pieces were done, as they were weighed last."""
    leaves = told.get("leaves")
    solids = leaves if isinstance(leaves, Mapping) else {}
    found: dict[str, Beside] = {}
    for event in counted:
        match event.what:
            case LeftWeighed(of, kg) if kg >= LEAST_KG:
                said = solids.get(of)
                share = said.get("total_solids") if isinstance(said, Mapping) else None
                there = float(share) if isinstance(share, int | float) else USUAL_SOLIDS[of]
                found[of] = Beside(kg, event.at_s, there)
            case Gone(of="sauce" | "dough" as of):
                found.pop(of, None)
    return found


def check_gone(counted: Sequence[Event], what: Gone, there: bool) -> None:
    """:raises Conflict: field "of", when nothing of it stands there."""
    if not there or (what.of in ("whey", "syrup") and is_gone(counted, what.of)):
        raise Conflict("of", "nothing-of-it-stands", of=what.of)
