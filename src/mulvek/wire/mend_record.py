"""What Mend looks at: a batch with its log, what of it is known of each reading, and the lines of the record."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal

from ..core.batch.events import Begun, FaultFound, Note, Scraped, Stirred, Weighed, WheyWeighed, kind_of
from ..core.batch.fold import Fold
from ..core.batch.history import History
from ..core.batch.kinds import KindName
from ..core.batch.log import Log
from ..core.equipment.kitchen import Kitchen
from ..core.mending.faults import Product, questions
from ..core.mending.products import product_of
from ..core.mending.record import Noted, recorded
from ..core.planning.curdle.plan import CurdlePlan
from ..core.planning.strain.forecast import StrainPlan
from ..language.happened import Told, sentence
from ..language.mending import reading_said
from .model import Out

ROUTINE = (Stirred, Scraped, Note)
ITS_OWN = ("over-target", "pan-to-bowl", "stopped-by-look")
"""What a base says of its own end, and not of what it went into."""
Origin = Literal["log", "plan", "larder", "said"]


class LineOut(Out):
    """A reading in words; from where it is known: an event of the log, the plan, the Larder, or the cook's answer."""

    reading: str
    text: str
    origin: Origin
    batch: int | None
    event: int | None
    at_s: float | None


class MomentOut(Out):
    """A line of the log; ``readings``: what it tells of this fault. ``kg``: what stood in the pan then, where it was weighed
    or can be reckoned."""

    batch: int
    event: int
    kind: str
    at_s: float
    kg: float | None
    text: str
    readings: list[str]


class MendedBatch(Out):
    id: int
    kind: KindName
    name: str
    created_at_s: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen:
    """A batch as Mend looks at it: its log, where it stands, what was told of it; whether it is a base of another."""

    id: int
    kind: KindName
    name: str
    created_at_s: float
    log: Log
    state: Any
    told: Mapping[str, Any]
    is_base: bool = False

    @property
    def product(self) -> Product:
        name = str(self.told.get("name", "")) if self.kind == "sweet" else ""
        return product_of(self.log.plan, self.told, name)

    @property
    def out(self) -> MendedBatch:
        return MendedBatch(id=self.id, kind=self.kind, name=self.name, created_at_s=self.created_at_s)

    def is_of(self, of: str) -> bool:
        """Whether it is a batch of this sweet or of this kind of base."""
        return self.product.key == of if self.kind == "sweet" else self.kind == of


@dataclass(frozen=True, slots=True, kw_only=True)
class Known:
    """A reading with where it is known from."""

    noted: Noted
    origin: Origin
    of: Seen | None = None

    def line(self, reading: str) -> LineOut:
        event = self.noted.event
        log = self.of.log.events if self.of else ()
        at_s = next((e.at_s for e in log if e.id == event), None)
        return LineOut(
            reading=reading,
            text=reading_said(questions()[reading], self.noted.value),
            origin=self.origin,
            batch=self.of.id if self.of else None,
            event=event,
            at_s=at_s,
        )


def known_of(
    answers: Mapping[str, float], of: Seen | None, made_for: Sequence[Seen], kitchen: Kitchen
) -> dict[str, Known]:
    """What is known of every reading: the cook's word over the batch's own record, that over what was made for it, and
    that over the Larder."""
    found = {
        "fridge-heat": Known(noted=Noted(value=kitchen.fridge_c), origin="larder"),
        "freezer-heat": Known(noted=Noted(value=kitchen.freezer_c), origin="larder"),
    }
    for seen in (*made_for, *([of] if of else [])):
        for reading, noted in recorded(seen.log, seen.state, seen.told, seen.product.families).items():
            if seen is not of and seen.is_base and reading in ITS_OWN:
                continue
            found[reading] = Known(noted=noted, origin="plan" if noted.event is None else "log", of=seen)
    said = {reading: Known(noted=Noted(value=value), origin="said") for reading, value in answers.items()}
    return found | said


def _kgs(seen: Seen) -> dict[int, float]:
    """What there was after a happening, by its number: as it was weighed, less its whey, or as the pan's log stood then."""
    plan = seen.log.plan
    if isinstance(seen.log, History):
        return _kgs_in_pan(seen.log)
    found: dict[int, float] = {}
    began_kg = (
        plan.milk_kg if isinstance(plan, CurdlePlan) else plan.mass_kg if isinstance(plan, StrainPlan) else None
    )
    for event in seen.log.counted:
        match event.what:
            case Weighed(kg):
                found[event.id] = kg
            case Begun() if began_kg is not None:
                found[event.id] = began_kg
            case WheyWeighed(kg) if began_kg is not None:
                found[event.id] = max(0.0, began_kg - kg)
            case _:
                pass
    return found


def _kgs_in_pan(log: History) -> dict[int, float]:
    folded, found = Fold(log.plan), {}
    for event in log.counted:
        folded.take(event)
        if isinstance(event.what, Weighed):
            found[event.id] = event.what.mass_kg
        elif not isinstance(event.what, ROUTINE):
            found[event.id] = float(folded.contents(folded.water_kg).total)
    return found


def moments_of(batches: Sequence[Seen], known: Mapping[str, Known]) -> list[MomentOut]:
    """The logs of all that went into it, in order of time, each line with what it tells."""
    tells: dict[tuple[int, int], list[str]] = {}
    for reading, one in known.items():
        if one.of is not None and one.noted.event is not None:
            tells.setdefault((one.of.id, one.noted.event), []).append(reading)
    kgs = {seen.id: _kgs(seen) for seen in batches}
    moments = [
        MomentOut(
            batch=seen.id,
            event=event.id,
            kind=kind_of(event.what),
            at_s=event.at_s,
            kg=kgs[seen.id].get(event.id),
            text=sentence(event, Told(getattr(seen.state, "plan", seen.log.plan), seen.state)),
            readings=tells.get((seen.id, event.id), []),
        )
        for seen in batches
        for event in seen.log.counted
        if not isinstance(event.what, FaultFound)
    ]
    return sorted(moments, key=lambda moment: (moment.at_s, moment.batch, moment.event))
