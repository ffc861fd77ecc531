"""The boathouse's making that is over: kalakand of two milks, both bases a tenth light, counted, eaten on the second day."""

import math
from typing import Any
from urllib.parse import urlencode

from ..core.batch.events import (
    BaseWeighed,
    FirstBoil,
    Gone,
    Happening,
    Note,
    Off,
    PiecesCounted,
    Poured,
    RowWeighed,
    Scraped,
    StepBegun,
    StepDone,
    Stirred,
    Weighed,
)
from ..core.day.check import faults
from ..core.day.packer import improve
from ..core.planning.curdle.forecast import curdle
from ..core.planning.reduce.forecast import forecast
from ..core.planning.sweets.plan import SweetForecast, plan_sweet
from ..store.batches import Batches
from ..store.database import Database
from ..store.days import Days, KeptDay
from ..store.planned import Planned
from ..store.shelf import read_shelf
from ..wire.curd import CurdleIn, read_curdle
from ..wire.day import DayIn, read_day, written_day
from ..wire.day_plan import answer_day
from ..wire.reduce import ForecastOut, ReduceIn, read_plan
from ..wire.sweet_batch import run_of
from ..wire.sweet_words import SweetIn, Things, read_prices, read_sweet_plan
from ..wire.sweets import SweetOut

DAY_S = 86_400.0
BUFFALO, KADHAI, POT, LEFT, RIGHT = 1, 1, 2, 1, 2
KALAKAND = {"sweet": "kalakand", "want": "24", "milk": BUFFALO, "pan": KADHAI, "burner": LEFT, "whole_packs": False}
LIGHT = 0.9
"""Of what was told of each base."""
TOLD_PIECES, GAVE = 22, 0.89


def make(db: Database, now_s: float) -> None:
    began = now_s - 8.15 * DAY_S
    shelf = db.kept(read_shelf)
    words = SweetIn.model_validate(KALAKAND)
    plan = plan_sweet(read_sweet_plan(words, shelf))
    told = SweetOut.of(plan, words, read_prices(words, shelf))
    bases = {base.letter: base for base in told.bases}
    with db.writing() as session:
        batches = Batches(session)
        kept = Planned(
            kind="sweet",
            name="Kalakand for the prizegiving",
            plan=run_of(plan),
            words=words.model_dump(mode="json"),
            forecast=told.model_dump(mode="json"),
            milk_id=BUFFALO,
        )
        sweet = batches.begin(kept, began)
        milk, milk_kg, milk_s = _milk(batches, shelf, bases["R"].words, sweet, began + 300.0, now_s)
        curd, curd_kg, curd_s = _curd(batches, shelf, bases["C"].words, sweet, began + 900.0, now_s)
        happened: list[tuple[float, Happening]] = [
            (began + 300.0, StepBegun("base-R")),
            (began + 900.0, StepBegun("base-C")),
            (milk_s, BaseWeighed(slot="R", batch=milk, mass_kg=milk_kg)),
            (curd_s, BaseWeighed(slot="C", batch=curd, mass_kg=curd_kg)),
        ]
        happened += _to_the_plate(plan, max(milk_s, curd_s) + 300.0)
        for at, what in sorted(happened, key=lambda pair: pair[0]):
            batches.append(sweet, what, at, now_s)
    _day(db, shelf, words, sweet, began)


def _day(db: Database, shelf: Things, words: SweetIn, sweet: int, began: float) -> None:
    """The day that it was made for, to look back at and to copy."""
    serve_s = math.ceil((began + 9 * 3600.0) / 1800) * 1800.0
    said = {"sweets": [{"plan": words.model_dump(mode="json")}], "serve_s": serve_s, "start_s": began}
    asked = read_day(DayIn.model_validate(said), shelf, began)
    plan = next(plan for plan in improve(asked.day, rounds=4) if not faults(asked.day, plan))
    own = {key: str(value) for key, value in KALAKAND.items() if key != "whole_packs"}
    with db.writing() as session:
        Days(session).add(
            KeptDay(
                id=0,
                version=1,
                name="Prizegiving",
                created_at_s=began,
                serve_at_s=serve_s,
                query=urlencode({"sweets": urlencode(own), "people": "8"}),
                asked=written_day(asked),
                plan=answer_day(asked, plan).model_dump(mode="json"),
                batches=(sweet,),
            ),
            None,
        )


def _to_the_plate(plan: SweetForecast, at: float) -> list[tuple[float, Happening]]:
    """Its own steps, the sugar as it was weighed, what came of it, and what was said."""
    found: list[tuple[float, Happening]] = []
    sugar = next((i for i, row in enumerate(plan.rows) if row.key == "white-sugar"), None)
    if sugar is not None:
        found.append((at, RowWeighed(sugar, round(0.92 * plan.rows[sugar].kg, 3))))
    for step in plan.steps:
        if step.base:
            continue
        found.append((at + 10.0, StepBegun(step.key)))
        at += 1.25 * step.seconds.likely if step.hands and not step.fire else step.seconds.likely
        found.append((at, StepDone(step.key)))
    return [
        *found,
        (at + 120.0, Weighed(round(GAVE * plan.finished.likely, 3))),
        (at + 180.0, PiecesCounted(TOLD_PIECES)),
        (at + 0.4 * DAY_S, Note("Grainy and moist, a little soft at the corners.", "cold")),
        (at + 0.8 * DAY_S, Note("Gone before the second boat was in.", "guests")),
        (at + 1.1 * DAY_S, Gone("used-up")),
    ]


def _milk(batches: Batches, shelf: Any, words: Any, sweet: int, at: float, now_s: float) -> tuple[int, float, float]:
    """The milk that was boiled down for it: number, kg, and when it was weighed."""
    of = {k: words[k] for k in ("amount", "stop") if k in words}
    asked = ReduceIn.model_validate({"milk": BUFFALO, "pan": KADHAI, "burner": LEFT, "sugar": "", **of})
    plan = read_plan(asked, shelf)
    told = forecast(plan)
    boil = at + told.first_boil_s.likely
    off = boil + told.after_boil_s.likely * 1.06
    kg = round(told.served_kg.likely * LIGHT, 3)
    kept = Planned(
        name="Milk for kalakand",
        plan=plan,
        words=asked.model_dump(mode="json"),
        forecast=ForecastOut.of(told, KADHAI).model_dump(mode="json"),
        flame=plan.flame,
        pan_id=KADHAI,
        burner_id=LEFT,
        milk_id=BUFFALO,
        parent_id=sweet,
        slot="R",
    )
    number = batches.begin(kept, at)
    batches.append(number, FirstBoil(), boil, now_s)
    for i in range(1, int((off - boil) / 120.0)):
        batches.append(number, Scraped() if i % 4 == 0 else Stirred(), boil + 120.0 * i, now_s)
    batches.append(number, Off(), off, now_s)
    batches.append(number, Weighed(kg), off + 180.0, now_s)
    return number, kg, off + 180.0


def _curd(batches: Batches, shelf: Any, words: Any, sweet: int, at: float, now_s: float) -> tuple[int, float, float]:
    """The chhena, the same way."""
    asked = CurdleIn.model_validate(
        {
            **words,
            "rinses": int(words["rinses"]),
            "milk": BUFFALO,
            "pan": POT,
            "burner": RIGHT,
            "wait": "3 minutes",
        }
    )
    plan = read_curdle(asked, shelf)
    told = curdle(plan)
    kept = Planned(
        kind="curdle",
        name="Chhena for kalakand",
        plan=plan,
        words=asked.model_dump(mode="json"),
        pan_id=POT,
        burner_id=RIGHT,
        milk_id=BUFFALO,
        parent_id=sweet,
        slot="C",
    )
    number, kg = batches.begin(kept, at), round(told.curd_kg.likely * LIGHT, 3)
    for stage in told.stages:
        at += 1.1 * stage.seconds
        if stage.name == "acid":
            batches.append(number, Poured(told.acid.likely.likely, clear=True), at - 20.0, now_s)
        if stage.name == "weigh":
            batches.append(number, Weighed(kg), at, now_s)
            return number, kg, at
        batches.append(number, StepDone(), at, now_s)
    raise AssertionError("every curdling is weighed")
