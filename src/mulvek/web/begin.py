"""What is kept when a batch begins: the words of its plan read, reckoned, and what was told."""

from typing import Any

from ..core.errors import BadInput
from ..core.planning.caramel.forecast import caramelise
from ..core.planning.reduce.forecast import forecast
from ..core.planning.sweets.plan import plan_sweet
from ..store.database import Database
from ..store.planned import Planned
from ..store.shelf import read_shelf
from ..wire.begin import CaramelBegin, CurdleBegin, ReduceBegin, StrainBegin, SweetBegin
from ..wire.caramel import read_caramel
from ..wire.curd import read_curdle
from ..wire.reduce import ForecastOut, read_plan
from ..wire.strain import read_strain
from ..wire.sweet_batch import run_of
from ..wire.sweet_words import read_prices, read_sweet_plan
from ..wire.sweets import SweetOut
from .bases import ready_bases


def planned(begun: ReduceBegin | CurdleBegin | StrainBegin | CaramelBegin | SweetBegin, db: Database) -> Planned:
    """:raises KitchenError: naming the word that cannot be."""
    shelf, words = db.kept(read_shelf), begun.plan
    things: dict[str, Any]
    same: dict[str, Any] = {"kind": begun.kind, "name": begun.name.strip(), "words": words.model_dump(mode="json")}
    if not isinstance(begun, SweetBegin):
        same |= {"parent_id": begun.parent, "slot": begun.slot}
    match begun:
        case ReduceBegin(plan=words):
            if not isinstance(words.pan, int) or not isinstance(words.burner, int):
                raise BadInput("plan", "batch-needs-pan-and-burner")
            plan = read_plan(words, shelf)
            told = ForecastOut.of(forecast(plan), words.pan).model_dump(mode="json")
            things = {"flame": plan.flame, "pan_id": words.pan, "burner_id": words.burner}
            return Planned(plan=plan, forecast=told, milk_id=_number(words.milk), **same, **things)
        case CurdleBegin(plan=words):
            things = {"pan_id": words.pan, "burner_id": words.burner, "milk_id": words.milk}
            kept: dict[str, Any] = {name: thing for name, thing in things.items() if isinstance(thing, int)}
            return Planned(plan=read_curdle(words, shelf), **same, **kept)
        case CaramelBegin(plan=words):
            if not isinstance(words.pan, int) or not isinstance(words.burner, int):
                raise BadInput("plan", "batch-needs-pan-and-burner")
            sugared = read_caramel(words, shelf)
            caramelise(sugared)
            things = {"flame": words.flame, "pan_id": words.pan, "burner_id": words.burner}
            return Planned(plan=sugared, milk_id=_number(words.milk), **same, **things)
        case StrainBegin(plan=words):
            return Planned(plan=read_strain(words, shelf), **same)
        case SweetBegin(plan=words):
            found = plan_sweet(read_sweet_plan(words, shelf, ready_bases(words, db)))
            told = SweetOut.of(found, words, read_prices(words, shelf)).model_dump(mode="json")
            return Planned(plan=run_of(found), forecast=told, milk_id=_number(words.milk), **same)


def _number(milk: object) -> int | None:
    """A milk of the Larder, where it is one."""
    return milk if isinstance(milk, int) else None
