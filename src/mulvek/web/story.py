"""One batch of the Book over HTTP, with all that came into it and what it went into."""

from collections import defaultdict
from collections.abc import Callable, Sequence
from contextlib import suppress
from typing import Any

from flask_openapi3.models.tag import Tag
from flask_openapi3.openapi import OpenAPI

from ..core.batch.course import BASE_OF, Part, Reach, course, with_parts
from ..core.batch.events import PiecesCounted, Taken, Weighed
from ..core.batch.kinds import KindName
from ..core.batch.log import Log
from ..core.batch.standing import left_kg
from ..core.batch.summary import summary
from ..core.batch.sweet_run import SweetRun, SweetState, base_step
from ..core.errors import KitchenError
from ..core.planning.sweets.costs import Spent, spent
from ..store.aside import reading_of
from ..store.batches import Batch, Batches
from ..store.book import same_thing
from ..store.database import Database
from ..store.mending import found_of
from ..store.outcomes import line_of
from ..store.shelf import Shelf, read_shelf
from ..wire.book import BookLine, MoneyOut, OtherOut, RelativeOut, StoryOut, kept_of, next_time_of, notes_of
from ..wire.sweet_batch import keeping_words
from ..wire.sweet_words import SweetIn, read_prices
from .batches import BatchPath

TAGS = [Tag(name="book")]


def line_told(batch: Batch, state: Any, parts: Sequence[str] = ()) -> BookLine:
    """Its line in the Book as it stands now; ``parts``: names of what was made for it."""
    found, summed = list(found_of(batch.events, batch.id)), line_of(batch, state)
    return BookLine.of_summary(batch.id, batch.kind.name, batch.name, batch.created_at_s, summed, found, parts)


def story(batches: Batches, batch: Batch, shelf: Shelf, now_s: float) -> StoryOut:
    """:raises Unreadable: when it is damaged in the file."""
    with reading_of(batch.name):
        state = batch.state(max(now_s, batch.log.newest_s))
        reaches = course(batch.plan, state, batch.forecast)
        parts = _parts(batches, batch, state, now_s)
        if isinstance(batch.plan, SweetRun):
            reaches = with_parts(batch.plan, reaches, [part for _, part in parts])
        line = line_told(batch, state, [other.name for other, _ in parts])
        sweet = batch.plan if isinstance(batch.plan, SweetRun) else None
        return StoryOut(
            line=line,
            first_kg=sweet.told_kg if sweet else line.told_kg,
            first_pieces=sweet.told_pieces if sweet else None,
            river=list(reaches),
            parts=[_relative(other, part.slot, part.given_kg) for other, part in parts],
            went_into=_went_into(batches, batch),
            money=_money(batch, state, reaches, parts, shelf),
            kept=kept_of(batch.log, _made_at(batch.log), keeping_words(batch.forecast)),
            notes=notes_of(batch.log),
            others=[
                OtherOut(id=n, name=name, created_at_s=at_s) for n, name, at_s in same_thing(batches.session, batch)
            ],
            next_time=next_time_of(batch.log),
        )


def _made_at(log: Log) -> float | None:
    return next((e.at_s for e in reversed(log.counted) if isinstance(e.what, Weighed | PiecesCounted)), None)


def _parts(batches: Batches, batch: Batch, state: Any, now_s: float) -> list[tuple[Batch, Part]]:
    """What was lit for it, and what of others came into it; one that is damaged is left out."""
    if not isinstance(state, SweetState):
        return []
    given: dict[int, tuple[str, float]] = {n: ("", 0.0) for n in batches.made_for(batch.id)}
    for slot, bases in state.bases.items():
        given |= {number: (slot, base.mass_kg) for number, base in bases.items()}
    for letter, ref in (batch.words.get("bases") or {}).items():  # planned from what stood there
        with suppress(KitchenError):
            number = batches.number_of(ref)
            given.setdefault(number, (letter, left_kg(batches.batch(number).log, taker=batch.id)))
    found = []
    for number, (slot, kg) in given.items():
        with suppress(KitchenError):
            other = batches.batch(number)
            stands = other.state(max(now_s, other.log.newest_s))
            if summary(other.plan, stands, other.forecast).phase in ("given-up", "poured"):
                continue  # nothing of it came in
            gave = stands.weighed_kg or kg
            reaches = course(other.plan, stands, other.forecast)
            part = Part(
                batch=number, slot=slot or other.slot or "", given_kg=kg or gave, gave_kg=gave, reaches=reaches
            )
            found.append((other, part))
    return found


def _went_into(batches: Batches, batch: Batch) -> list[RelativeOut]:
    taken: dict[int, tuple[str, float]] = defaultdict(lambda: ("", 0.0))
    for event in batch.log.counted:
        if isinstance(event.what, Taken):
            taken[event.what.to_batch] = (event.what.slot, taken[event.what.to_batch][1] + event.what.mass_kg)
    if batch.parent_id is not None and batch.parent_id not in taken:
        taken[batch.parent_id] = (batch.slot or "", left_kg(batch.log))
    found = []
    for number, (slot, kg) in taken.items():
        with suppress(KitchenError):
            found.append(_relative(batches.batch(number), slot, kg))
    return found


def _relative(other: Batch, slot: str, kg: float) -> RelativeOut:
    kind: KindName = other.kind.name
    return RelativeOut(id=other.id, kind=kind, name=other.name, slot=slot, kg=kg)


Parts = Sequence[tuple[Batch, Part]]


def _money(batch: Batch, state: Any, reaches: Sequence[Reach], parts: Parts, shelf: Shelf) -> MoneyOut | None:
    """What it cost; None when nothing of it has a price."""
    if isinstance(state, SweetState):
        told = _sweet_spent(batch, state, parts, shelf)
    else:
        told = _milk_spent(batch, reaches, shelf)
    if told is None:
        return None
    return MoneyOut(planned=told.planned, spent=told.spent, each=told.each, saved=told.saved)


def _sweet_spent(batch: Batch, state: SweetState, parts: Parts, shelf: Shelf) -> Spent | None:
    """By what was weighed; of a base that was made by itself, what its own milk cost."""
    cost = batch.forecast.get("cost") or {}
    if not cost.get("ingredients"):
        return None
    made = {base_step(part.slot) for _, part in parts}
    told: dict[str, float] = defaultdict(float)
    used: dict[str, float] = defaultdict(float)
    for row, weighed, kg in zip(batch.plan.rows, state.rows, state.row_kg, strict=True):
        told[row.key] += row.kg
        if weighed is not None:
            used[row.key] += weighed
        elif row.when not in BASE_OF:
            used[row.key] += kg
        elif row.step not in made:
            used[row.key] += row.kg
    per_kg = read_prices(SweetIn.model_validate(batch.words), shelf).per_kg
    milk = sum(p.spent * part.share for other, part in parts if (p := _milk_spent(other, part.reaches, shelf)))
    return spent(float(cost["total"]), told, used, per_kg, state.counted, cost.get("bought_each"), more=milk)


def _milk_spent(batch: Batch, reaches: Sequence[Reach], shelf: Shelf) -> Spent | None:
    """Of a milk by itself: at what its packs cost today, with what was added on the way."""
    number, source = batch.words.get("milk"), reaches[0]
    pack, price = shelf.packs.get(number, (None, None)) if isinstance(number, int) else (None, None)
    if not pack or price is None or source.what != "milk":
        return None
    planned = float(batch.plan.milk_kg)
    per_kg = {"milk": price / pack * float(batch.plan.milk_m3) / planned}
    return spent(planned * per_kg["milk"], {"milk": planned}, {"milk": source.in_kg}, per_kg)


def routes(app: OpenAPI, db: Database, clock: Callable[[], float]) -> None:
    @app.get("/api/book/<int:batch_id>/story", tags=TAGS, responses={200: StoryOut})
    def get_story(path: BatchPath) -> Any:
        """A batch of any kind from what went in to how long it kept"""
        with db.reading() as session:
            batches = Batches(session)
            return story(batches, batches.batch(path.batch_id), db.kept(read_shelf), clock())
