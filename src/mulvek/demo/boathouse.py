"""Fills an empty file with the boathouse kitchen: its larder, a few finished batches, one on the fire."""

import math
from dataclasses import dataclass, replace

import numpy as np

from ..core.batch.events import (
    FaultFound,
    FirstBoil,
    Note,
    Off,
    Poured,
    Reading,
    Scraped,
    StepDone,
    Stirred,
    SugarIn,
    Weighed,
    WheyWeighed,
)
from ..core.composition.materials import own_material, own_milk
from ..core.equipment.burners import Burner
from ..core.equipment.kitchen import Kitchen
from ..core.equipment.measured import Measured
from ..core.equipment.pans import Pan
from ..core.equipment.vessels import Kadhai, Straight
from ..core.planning.curdle.forecast import curdle
from ..core.planning.reduce.forecast import LATE_SUGAR_S, Forecast, forecast
from ..core.planning.reduce.plan import Rate
from ..store.batches import Batches
from ..store.database import Database
from ..store.larder import Larder
from ..store.planned import Planned
from ..store.samples import Samples
from ..store.shelf import read_shelf
from ..store.stock import Stock
from ..wire.curd import CurdleIn, read_curdle
from ..wire.reduce import ForecastOut, ReduceIn, read_plan
from ..wire.strain import StrainIn, read_strain
from . import making, sweets

BRASS_POT = ((0.0308, 0.5e-3), (0.0438, 1e-3), (0.063, 2e-3), (0.0914, 3.5e-3), (0.118, 5e-3))
BOATHOUSE = Kitchen(altitude_m=620.0, room_c=26.0, milk_c=8.0)
DAY_S = 86_400.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Past:
    """A batch that was made: the words of its plan and how it truly went.

    ``speed``: true rate against the model's. ``overrun_s``: how long it stayed on beyond the stop.
    ``weighed_on_fire``: a scale under the pan and a probe in it were paired.
    """

    name: str
    days_ago: float
    words: dict[str, object]
    speed: float
    overrun_s: float
    gave: float
    note: str
    weighed_on_fire: bool = False
    found: FaultFound | None = None


# numbers of the things below, in the order they are added
BUFFALO, COW = 1, 2
KADHAI, POT = 1, 2
LEFT, RIGHT = 1, 2

HISTORY = (
    Past(
        name="Basundi for the juniors",
        days_ago=19.3,
        words={
            "milk": BUFFALO,
            "amount": "2 L",
            "pan": KADHAI,
            "burner": LEFT,
            "stop": "half its volume",
            "sugar": "90 g",
        },
        speed=1.62,
        overrun_s=40.0,
        gave=0.992,
        note="Small soft flakes, stirred every two minutes.",
    ),
    Past(
        name="Kulfi base, trial",
        days_ago=12.4,
        words={
            "milk": COW,
            "amount": "1.8 L",
            "pan": KADHAI,
            "burner": LEFT,
            "stop": "45 % of its volume",
            "sugar": "120 g",
        },
        speed=1.55,
        overrun_s=-30.0,
        gave=1.004,
        note="A little thin when cold. Next time 0.42.",
        found=FaultFound("too-thin-cold", {}, cause="under"),
    ),
    Past(
        name="Rabri, first try",
        days_ago=6.2,
        words={
            "milk": BUFFALO,
            "amount": "2.2 L",
            "pan": KADHAI,
            "burner": LEFT,
            "stop": "30 % of its volume",
            "sugar": "100 g",
        },
        speed=1.68,
        overrun_s=240.0,
        gave=0.985,
        note="Stayed on four minutes too long: thick as butter in the morning.",
        weighed_on_fire=True,
    ),
    Past(
        name="Tea milk for the committee",
        days_ago=2.1,
        words={
            "milk": COW,
            "amount": "1.5 L",
            "pan": POT,
            "burner": RIGHT,
            "stop": "two thirds of its volume",
            "sugar": "",
        },
        speed=1.22,
        overrun_s=10.0,
        gave=0.998,
        note="",
    ),
)
RUNNING = Past(
    name="Basundi, regatta supper",
    days_ago=0.0,
    words={
        "milk": BUFFALO,
        "amount": "2.4 L",
        "pan": KADHAI,
        "burner": LEFT,
        "stop": "half its volume",
        "sugar": "110 g",
    },
    speed=1.6,
    overrun_s=0.0,
    gave=1.0,
    note="",
)


SECOND = Past(
    name="Tea milk for the crews",
    days_ago=0.0,
    words={
        "milk": COW,
        "amount": "1.6 L",
        "pan": POT,
        "burner": RIGHT,
        "stop": "two thirds of its volume",
        "sugar": "60 g",
    },
    speed=1.2,
    overrun_s=0.0,
    gave=1.0,
    note="",
)


def fill(db: Database, now_s: float) -> bool:
    """Make the boathouse kitchen in an empty file; false when there is a kitchen already."""
    with db.writing() as session:
        larder = Larder(session)
        if not larder.ensure_kitchen("The boathouse", BOATHOUSE):
            return False
        larder.add_milk(own_milk("own", "farm buffalo milk", 6.9, 9.73, "buffalo", label_sd=0.4), 1e-3, 78.0)
        larder.add_milk(own_milk("own", "full-cream cow’s milk", 4.1, 8.72, "cow", label_sd=0.3), 0.5e-3, 33.0)
        larder.add_milk(own_milk("own", "coconut milk, tinned", 19.0, 6.4, "coconut"), 0.4e-3, 120.0)
        larder.add_pan(Pan("the wide kadhai", Kadhai(0.29, 0.086, 0.32, 0.032, flat_diameter_m=0.11), "iron", 2.3))
        larder.add_pan(Pan("the straight pot", Straight(0.22, 0.135), "stainless-sandwich", 1.4))
        # a pot of no plain shape: fitted by pouring
        larder.add_pan(Pan("the old brass pot", Measured(BRASS_POT, 0.15), "brass", 2.1))
        larder.add_ingredient("jaggery", own_material("own", "palm jaggery", "jaggery"), 1.0, 140.0)
        larder.add_ingredient("whole-powder", own_material("own", "milk powder tin", "whole-powder"), 0.5, 290.0)
        sweets.stock(larder)
        larder.add_burner(Burner("left burner", "lpg-large"))
        larder.add_burner(Burner("right burner", "lpg-small"))
        larder.add_burner(Burner("jetty burner", "lpg-large"))
    for past in HISTORY:
        _make(db, past, now_s - past.days_ago * DAY_S, now_s)
    for past, share in ((RUNNING, 0.6), (SECOND, 0.35)):
        _make(db, past, now_s - _minutes_in(db, past, share), now_s)
    _curds(db, now_s)
    sweets.make(db, now_s)
    sweets.caramel(db, now_s)
    making.make(db, now_s)
    with db.writing() as session:
        cupboard = Stock(session)
        for key, kg in (("white-sugar", 2.0), ("jaggery", 0.6), ("cardamom", 0.04)):
            cupboard.count(key, kg, now_s - 2 * DAY_S)
    return True


def _curds(db: Database, now_s: float) -> None:
    """A chhena that was made and weighed, and a yoghurt that hangs now."""
    words = CurdleIn.model_validate(
        {"milk": COW, "amount": "2.5 L", "pan": POT, "burner": RIGHT, "wait": "4 minutes"}
    )
    hung = StrainIn.model_validate({"amount": "1.2 kg", "end": "shrikhand"})
    with db.writing() as session:
        shelf, batches = read_shelf(session), Batches(session)
        plan = read_curdle(words, shelf)
        told = curdle(plan)
        began = now_s - 1.2 * DAY_S
        made = batches.begin(
            Planned(
                kind="curdle",
                name="Chhena for the juniors",
                plan=plan,
                words=words.model_dump(mode="json"),
                pan_id=POT,
                burner_id=RIGHT,
                milk_id=COW,
            ),
            began,
        )
        at = began
        for stage in told.stages:
            at += stage.seconds * 1.05
            if stage.name == "acid":
                batches.append(made, Poured(told.acid.likely.likely * 0.92, clear=True), at - 30.0, now_s)
            if stage.name == "weigh":
                batches.append(made, WheyWeighed(round(told.whey_kg * 0.97, 2)), at - 20.0, now_s)
                batches.append(made, Weighed(round(told.curd_kg.likely * 0.94, 3)), at, now_s)
            else:
                batches.append(made, StepDone(), at, now_s)
        batches.append(made, Note("White and springy; a test ball held."), at + 600.0, now_s)
        began = now_s - 5.3 * 3600.0
        strained = read_strain(hung, shelf)
        night = batches.begin(
            Planned(kind="strain", name="Hung curd for shrikhand", plan=strained, words=hung.model_dump(mode="json")),
            began,
        )
        batches.append(night, WheyWeighed(0.41), began + 2.6 * 3600.0, now_s)


def _plan(db: Database, past: Past) -> tuple[ReduceIn, Forecast, Forecast]:
    """The words, what was told, and what truly happened."""
    words = ReduceIn.model_validate(past.words)
    with db.reading() as session:
        plan = read_plan(words, read_shelf(session))
    truth = replace(plan, rate=Rate(math.log(past.speed), 0.05))
    return words, forecast(plan), forecast(truth)


def _minutes_in(db: Database, past: Past, share: float) -> float:
    """How long ago a running batch was lit that is so far on its way to the stop, in seconds."""
    _, _, truth = _plan(db, past)
    return truth.first_boil_s.likely + share * truth.after_boil_s.likely


def _make(db: Database, past: Past, lit_s: float, now_s: float) -> None:
    words, told, truth = _plan(db, past)
    boil_s = lit_s + truth.first_boil_s.likely
    stop_s = boil_s + truth.after_boil_s.likely
    off_s = stop_s + LATE_SUGAR_S + past.overrun_s
    happenings: list[tuple[float, object]] = [(boil_s, FirstBoil())]
    for share, slip_m in ((0.28, 0.001), (0.55, -0.001), (0.8, 0.0005)):
        at = truth.after_boil_s.likely * share
        depth = float(np.interp(at, truth.track.at_s, truth.track.depth_m)) + slip_m
        happenings.append((boil_s + at, Reading("depth", round(depth, 3))))
    rounds = range(1, int((off_s - boil_s) / 110.0))
    happenings += [(boil_s + 110.0 * i, Scraped() if i % 4 == 0 else Stirred()) for i in rounds]
    if told.plan.sugar_kg:
        happenings.append((stop_s, SugarIn(told.plan.sugar_kg)))
    at_off = float(np.interp(off_s - LATE_SUGAR_S - boil_s, truth.track.at_s, truth.track.served_kg))
    happenings += [(off_s, Off()), (off_s + 240.0, Weighed(round(at_off * past.gave, 3)))]
    if past.note:
        happenings.append((off_s + 3600.0, Note(past.note)))
    if past.found:
        happenings.append((off_s + 0.5 * DAY_S, past.found))
    kept = ForecastOut.of(told, words.pan if isinstance(words.pan, int) else None)
    planned = Planned(
        name=past.name,
        plan=told.plan,
        words=words.model_dump(mode="json"),
        forecast=kept.model_dump(mode="json"),
        flame=told.plan.flame,
        pan_id=int(str(past.words["pan"])),
        burner_id=int(str(past.words["burner"])),
        milk_id=int(str(past.words["milk"])),
    )
    with db.writing() as session:
        batches = Batches(session)
        batch_id = batches.begin(planned, lit_s)
        for at, what in sorted(happenings, key=lambda pair: pair[0]):
            if at < now_s - 25.0:
                batches.append(batch_id, what, at, at)  # type: ignore[arg-type]
        if past.weighed_on_fire:
            Samples(session).append(batch_id, _streamed(truth, boil_s, off_s))


def _streamed(truth: Forecast, boil_s: float, off_s: float) -> dict[str, list[tuple[float, float]]]:
    """What a scale under the pan and a probe in it sent from the first boil to the end, with their noise."""
    at = np.arange(0.0, off_s - boil_s)
    shake = np.random.default_rng(3).normal(0.0, 1.0, (2, len(at)))
    track = truth.track
    kg = np.interp(at, track.at_s, track.pan_kg) + truth.plan.pan.mass_kg + 0.006 * shake[0]
    celsius = np.interp(at, track.at_s, track.celsius) + 0.2 * shake[1]
    times = (boil_s + at).tolist()
    return {
        "scale": list(zip(times, kg.tolist(), strict=True)),
        "probe": list(zip(times, celsius.tolist(), strict=True)),
    }
