"""The shelf over HTTP: what is left of what was made, from the log by itself."""

from collections.abc import Callable
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI
from sqlalchemy.orm import Session

from ..core.batch.leftovers import WHEY, WHEY_PH
from ..core.equipment.kitchen import Kitchen
from ..core.planning.curdle.soak import keeps_days
from ..core.planning.reduce.judgement import MILK_PH
from ..core.planning.sweets.build import ReadyBase
from ..core.planning.sweets.leaves import DOUGH_DAYS
from ..core.planning.sweets.weighed import SOUR_PH, made_by
from ..core.safety.keeping import keeping
from ..store.aside import each
from ..store.bases import weighed_bases
from ..store.batches import Batches
from ..store.database import Database
from ..store.leftovers import Left, leftovers
from ..store.shelf import Shelf, read_shelf
from ..wire.shelf import ShelfOut, ShelfThing, Use, sauce_uses, syrup_uses, uses, whey_uses
from ..wire.shopping import ShoppingOut, shopping
from .stock import Cupboard

TAGS = [Tag(name="larder")]
SAUCE_DAYS = 2
"""Of a sauce whose sweet told nothing of it."""


def base_days(base: ReadyBase, place: Kitchen) -> int:
    """Days in the fridge at most, from the day it was weighed."""
    ph = SOUR_PH if made_by(base) == "hang" else MILK_PH
    return keeping(base.parts, ph, room_c=place.room_c, fridge_c=place.fridge_c).fridge_days


def _milk(words: object) -> object:
    """The milk that a plan names; nothing of words that are damaged."""
    return words.get("milk") if isinstance(words, dict) else None


def _base(ref: str, base: ReadyBase, shelf: Shelf) -> ShelfThing:
    return ShelfThing(
        batch=int(ref),
        of="",
        kind=made_by(base),
        name=base.said,
        mass_kg=base.mass_kg,
        gave_kg=base.gave_kg,
        since_s=base.at_s,
        fridge_days=base_days(base, shelf.place),
        total_solids=base.parts.total_solids,
        uses=uses(ref, base, shelf),
    )


def _bases(session: Session) -> list[ShelfThing]:
    """Reckoned anew only after something changed."""
    shelf = read_shelf(session)
    return [_base(ref, base, shelf) for ref, base in weighed_bases(session).items()]


def _keeps_and_makes(left: Left, place: Kitchen) -> tuple[int, list[Use]]:
    """Days in the fridge at most, and what it still makes."""
    kg, solids = left.there.kg, left.there.total_solids
    match left.of:
        case "whey":
            days = keeping(WHEY, WHEY_PH, room_c=place.room_c, fridge_c=place.fridge_c).fridge_days
            return days, whey_uses(kg)
        case "syrup":
            return keeps_days(100 * solids), syrup_uses(left.makes)
        case "sauce":
            return left.days or SAUCE_DAYS, sauce_uses(kg, solids)
        case "dough":
            return DOUGH_DAYS, []


def _left(left: Left, place: Kitchen) -> ShelfThing:
    days, made = _keeps_and_makes(left, place)
    return ShelfThing(
        batch=left.batch,
        of=left.of,
        kind=left.of,
        name=left.name,
        mass_kg=left.there.kg,
        gave_kg=left.there.kg,
        since_s=left.there.at_s,
        fridge_days=days,
        total_solids=left.there.total_solids,
        uses=made,
    )


def routes(app: OpenAPI, db: Database, clock: Callable[[], float], cupboard: Cupboard) -> None:
    @app.get("/api/shelf", tags=TAGS, responses={200: ShelfOut})
    def get_shelf() -> Any:
        """What stands in the fridge: how much, until when, and what it can still make"""
        place = db.kept(read_shelf).place
        with db.reading() as session:
            beside = [_left(left, place) for left in leftovers(session)]
        things = [*db.kept(_bases), *beside]
        return ShelfOut(now_s=clock(), things=sorted(things, key=lambda thing: -thing.since_s))

    @app.get("/api/shopping", tags=TAGS, responses={200: ShoppingOut})
    def get_shopping() -> Any:
        """What the sweets that are being made still want and is not there, in the packs of the Larder"""
        now = clock()
        with db.reading() as session:
            running = Batches(session).running("sweet")
            makings, _ = each(running, lambda b: (b.name, b.plan, b.state(now), _milk(b.words)), lambda b: b.name)
        _, there = cupboard.look()
        return shopping(makings, db.kept(read_shelf), there)
