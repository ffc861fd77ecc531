"""A kitchen's own numbers with what each rests on, and what to measure next: read from the lessons of its batches."""

import math
import re
from collections import Counter
from collections.abc import Collection, Iterator
from contextlib import suppress
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from ..core.batch.learning import (
    SCALE_SD,
    SPREADS,
    Keyed,
    effects_of,
    judge_thickness,
    learned_of,
    learned_rates,
    rate_effects,
)
from ..core.batch.measure_next import Candidate, Measure, ranked
from ..core.composition.materials import material
from ..core.equipment.burners import FLAMES
from ..core.errors import KitchenError
from ..core.planning.reduce.hearth import Hearth, steam_rate_kg_s
from ..core.planning.reduce.plan import Rate, Thickness
from ..core.planning.strain.draining import CLOTHS
from ..core.planning.sweets.habits import habit_name
from ..core.planning.sweets.library import library
from ..core.planning.sweets.steps import by_hand
from ..core.properties.density import density_kg_m3
from ..core.ranges import Range
from ..store.aside import as_table
from ..store.shelf import Shelf
from ..store.tables import BatchRow
from ..store.teaching import Teaching, Window, rate_key
from ..wire.learned import (
    AllLearnedOut,
    LearnedOut,
    LeftOutOut,
    Number,
    learned_out,
    measures,
)

NEWEST_PLANS, NEWEST_HUNG = 60, 20
MOST_LEFT_OUT = 40
USUAL_MILK = "full-cream"
THIRD = 1 / 3
"""So full is the pan for which a table's rate is told."""


def is_known(family: str, key: str, shelf: Shelf) -> bool:
    """Whether there is such a number in this kitchen."""
    match family, key.split("."):
        case "rate", [burner, pan, flame]:
            things = burner.isdecimal() and pan.isdecimal() and flame in FLAMES
            return things and int(burner) in shelf.burners and int(pan) in shelf.pans
        case "yield", [milk]:
            return milk.isdecimal() and int(milk) in shelf.milks
        case "drain", [of]:
            return of in CLOTHS
        case ("loss" | "uptake") as name, [of]:
            known = library().get(of)
            return known is not None and any(habit_name(school) == name for school in known.schools.values())
        case "step", [sweet, *step]:
            known = {**library(), **shelf.own_sweets}.get(sweet)
            return known is not None and any(".".join(step) in by_hand(school) for school in known.schools.values())
        case "thickness", [""]:
            return True
        case _:
            return False


class KitchenLearned:
    """Everything of one kitchen at one moment, read once."""

    def __init__(self, session: Session, shelf: Shelf) -> None:
        self.session, self.shelf = session, shelf
        self.teaching = Teaching(session)
        self.rates = self.teaching.rates(shelf.burners)
        self.lessons = {family: self.teaching.of(family) for family in SPREADS}
        taught = {x.batch for lessons in self.rates.values() for x in lessons}
        taught |= {x.batch for lessons in self.lessons.values() for x in lessons}
        rows = session.execute(select(BatchRow.id, BatchRow.name, BatchRow.created_at).where(BatchRow.id.in_(taught)))
        self.named = {number: (name, at_s) for number, name, at_s in rows}

    def _window(self, family: str, key: str) -> tuple[float | None, float | None]:
        window = self.teaching.windows.get((family, key), Window())
        return window.from_s, window.until_s

    def numbers(self) -> Iterator[LearnedOut]:
        yield from self._rates()
        for family in SPREADS:
            yield from self._keyed(family)

    def _rates(self) -> Iterator[LearnedOut]:
        for burner in self.shelf.burners:
            lessons = self.rates.get(burner, ())
            learned = learned_rates(self.shelf.burners[burner], lessons)
            cells = {(x.pan, x.flame): None for x in lessons} | dict.fromkeys(self._empty(burner))
            for pan, flame in sorted(cells, key=lambda cell: (cell[0], -FLAMES.index(cell[1]))):
                if pan not in self.shelf.pans:  # the Larder has it no more
                    continue
                key = rate_key(burner, pan, flame)
                number = Number(
                    family="rate",
                    key=key,
                    name=self._cell(burner, pan, flame),
                    effects=rate_effects(pan, flame),
                    seen_sd=SCALE_SD,
                    table_sd=self.shelf.burners[burner].first_guess_sd(flame),
                    table_kg_s=self._table_kg_s(burner, pan, flame),
                )
                mine = [(x.batch, x.ln_ratio) for x in lessons if (x.pan, x.flame) == (pan, flame)]
                yield learned_out(number, learned, mine, self.named, self._window("rate", key))

    def _cell(self, burner: int, pan: int, flame: str) -> str:
        return f"{self.shelf.pans[pan].name}, {self.shelf.burners[burner].name}, {flame}"

    def _owned(self, family: str) -> list[str]:
        """Those that were begun anew, or frozen: they stand there though nothing teaches them now."""
        return [key for of, key in self.teaching.windows if of == family]

    def _empty(self, burner: int) -> list[tuple[int, Any]]:
        keys = [key.split(".") for key in self._owned("rate")]
        return [(int(pan), flame) for of, pan, flame in keys if int(of) == burner and flame in FLAMES]

    def _table_kg_s(self, burner: int, pan: int, flame: Any) -> float | None:
        there, place = self.shelf.pans[pan], self.shelf.place
        milk = material(USUAL_MILK).parts
        kg = THIRD * there.shape.volume_m3(there.shape.height_m) * float(density_kg_m3(milk, place.milk_c))
        hearth = Hearth(there, self.shelf.burners[burner], flame, Rate())
        with suppress(KitchenError):  # so weak a flame never boils so much
            return steam_rate_kg_s(milk.scaled(float(kg)), hearth, place)
        return None

    def _keyed(self, family: Keyed) -> Iterator[LearnedOut]:
        """Of each key that taught something, or that is owned: it stands there though nothing teaches it now."""
        lessons, spread = self.lessons[family], SPREADS[family]
        learned = learned_of(family, lessons)
        for key, name in self._names(family, {x.key for x in lessons}.union(self._owned(family))):
            number = Number(
                family=family,
                key=key,
                name=name,
                effects=effects_of(key),
                seen_sd=spread.seen,
                table_sd=spread.table,
            )
            mine = [(x.batch, x.ln_ratio) for x in lessons if x.key == key]
            yield learned_out(number, learned, mine, self.named, self._window(family, key))

    def _names(self, family: Keyed, keys: Collection[str]) -> list[tuple[str, str]]:
        """Keys in the order they are shown in, with what they are called; none that the Larder has no more."""
        match family:
            case "yield":
                return [(str(n), self.shelf.milks[n].name) for n in sorted(self.shelf.milks) if str(n) in keys]
            case "drain":
                return [(cloth, _cloth(cloth)) for cloth in CLOTHS if cloth in keys]
            case "step":
                return [(key, _step_name(key, self.shelf)) for key in sorted(keys)]
            case _:
                return [(key, _sweet_name(key, self.shelf)) for key in sorted(keys)]

    def candidates(self) -> Iterator[Candidate]:
        """By the newest plans of each kind: what they rested on."""
        newest = (
            select(BatchRow).order_by(BatchRow.created_at.desc(), BatchRow.id.desc()).limit(NEWEST_PLANS).subquery()
        )
        columns = (newest.c.kind, newest.c.burner_id, newest.c.pan_id, newest.c.flame, newest.c.milk_id)
        rows = self.session.execute(select(*columns, func.count()).group_by(*columns)).all()
        boiled: Counter[tuple[int, int, Any]] = Counter()
        curdled: Counter[int] = Counter()
        for kind, burner, pan, flame, milk, uses in rows:
            if kind == "reduce" and burner in self.shelf.burners and pan in self.shelf.pans and flame in FLAMES:
                boiled[burner, pan, flame] += uses
            if kind == "curdle" and milk in self.shelf.milks:
                curdled[milk] += uses
        for (burner, pan, flame), uses in boiled.items():
            name = self._cell(burner, pan, flame)
            sd = self.shelf.rate(pan, burner, flame).ln_sd
            yield Candidate(how="weigh-reduced", key=rate_key(burner, pan, flame), name=name, ln_sd=sd, seen_sd=SCALE_SD, uses=uses)  # fmt: skip
        yield from self._untimed(boiled)
        for milk, uses in curdled.items():
            yield self._worth("weigh-curd", "yield", str(milk), self.shelf.milks[milk].name, uses)
        yield from self._hung()
        for step, uses in Counter(x.key for x in self.lessons["step"]).items():
            yield self._worth("time-step", "step", step, _step_name(step, self.shelf), uses)

    def _worth(self, how: Measure, family: Keyed, key: str, name: str, uses: int) -> Candidate:
        sd = learned_of(family, self.lessons[family]).of(effects_of(key)).ln_sd
        return Candidate(how=how, key=key, name=name, ln_sd=sd, seen_sd=SPREADS[family].seen, uses=uses)

    def _hung(self) -> Iterator[Candidate]:
        """Cloths that the newest hangings were planned in."""
        newest = (
            select(BatchRow.plan)
            .where(BatchRow.kind == "strain")
            .order_by(BatchRow.created_at.desc(), BatchRow.id.desc())
            .limit(NEWEST_HUNG)
        )
        hung = Counter(str(as_table(plan).get("cloth")) for plan in self.session.scalars(newest))
        for of, uses in hung.items():
            if of in CLOTHS:
                yield self._worth("weigh-hung", "drain", of, _cloth(of), uses)

    def _untimed(self, boiled: Counter[tuple[int, int, Any]]) -> Iterator[Candidate]:
        """Burners that nobody timed and no batch taught: water on them tells of every pan at once."""
        uses: Counter[int] = Counter()
        for (burner, _, _), times in boiled.items():
            uses[burner] += times
        for burner, times in uses.items():
            thing = self.shelf.burners[burner]
            if thing.ln_sd is None and burner not in self.rates:
                sd = thing.first_guess_sd("strong")
                yield Candidate(
                    how="time-burner", key=str(burner), name=thing.name, ln_sd=sd, seen_sd=0.12, uses=times
                )

    def whole(self) -> AllLearnedOut:
        verdicts = self.teaching.verdicts()
        judged = judge_thickness(Thickness(), verdicts)
        out = self.session.execute(
            select(BatchRow.id, BatchRow.name, BatchRow.created_at)
            .where(BatchRow.left_out)
            .order_by(BatchRow.created_at.desc())
            .limit(MOST_LEFT_OUT)
        )
        return AllLearnedOut(
            numbers=list(self.numbers()),
            verdicts=verdicts,
            thickness=Range.lognormal(math.exp(judged.ln_mean), judged.ln_sd),
            thickness_frozen=self._window("thickness", "")[1] is not None,
            next=measures(ranked(self.candidates())),
            left_out=[LeftOutOut(batch=n, name=name, at_s=at_s) for n, name, at_s in out],
        )


def _cloth(key: str) -> str:
    """As it is said on the screen."""
    return f"a {key.replace('-', ' ')}" if key != "paper" else "a paper filter"


def _sweet_name(key: str, shelf: Shelf) -> str:
    sweet = {**library(), **shelf.own_sweets}.get(key)
    return sweet.name if sweet else key


def _step_name(step: str, shelf: Shelf) -> str:
    """A step as it is said on the screen: its sweet, and its own words without what stands behind the comma."""
    key, _, of = step.partition(".")
    sweet = {**library(), **shelf.own_sweets}.get(key)
    said = (
        next((s.say for school in sweet.schools.values() for s in school.steps if s.key == of), of) if sweet else of
    )
    short = re.split(r"[.,;:]| with | until | while ", said)[0]
    return f"{sweet.name if sweet else key}: {short[:1].lower()}{short[1:]}"
