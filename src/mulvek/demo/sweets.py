"""The boathouse's sweets: what its shelf holds and costs, one that was made and counted, one that freezes now."""

from typing import Any

from ..core.batch.events import (
    Added,
    FaultFound,
    Happening,
    Note,
    Off,
    PiecesCounted,
    Reading,
    RowWeighed,
    Scraped,
    ShadeSeen,
    StepBegun,
    StepDone,
    Weighed,
)
from ..core.composition.materials import material, own_material
from ..core.planning.caramel.forecast import caramelise
from ..core.planning.sweets.plan import SweetForecast, plan_sweet
from ..store.batches import Batches
from ..store.database import Database
from ..store.larder import Larder
from ..store.planned import Planned
from ..store.shelf import read_shelf
from ..wire.caramel import CaramelIn, read_caramel
from ..wire.sweet_batch import run_of
from ..wire.sweet_words import SweetIn, read_prices, read_sweet_plan
from ..wire.sweets import SweetOut

SHELF = (  # key, pack kg, price
    ("white-sugar", 1.0, 46.0),
    ("skim-powder", 0.5, 240.0),
    ("condensed", 0.4, 132.0),
    ("cream-25", 0.2, 62.0),
    ("butter", 0.1, 58.0),
    ("ghee", 0.5, 320.0),
    ("khoya-pindi", 0.2, 84.0),
    ("pistachio", 0.1, 165.0),
    ("almond", 0.2, 190.0),
    ("cashew", 0.2, 210.0),
    ("cardamom", 0.05, 160.0),
    ("dried-fig", 0.2, 220.0),
    ("black-pepper", 0.05, 55.0),
    ("carrot", 1.0, 48.0),
    ("wheat-flour", 1.0, 45.0),
    ("semolina", 0.5, 32.0),
    ("oil", 1.0, 150.0),
    ("yoghurt", 0.4, 40.0),
)
KULFI = {
    "sweet": "kulfi",
    "school": "khoya",
    "flavour": "fig-pepper",
    "want": "24",
    "each": "70 ml",
    "milk": 1,
    "taken": "1.8",
    "pan": 1,
    "burner": 3,
    "whole_packs": False,
}
CARAMEL: dict[str, Any] = {
    "sugar": "200 g",
    "butter": "40 g",
    "milk": 2,
    "milk_amount": "500 ml",
    "condensed": "400 g",
    "solids": "70 %",
    "pan": 2,
    "burner": 3,
}
BALLS = {"sweet": "sponge-balls", "want": "30", "milk": 2, "pan": 1, "burner": 3, "whole_packs": False}


def stock(larder: Larder) -> None:
    """What stands on the shelf beside the milks."""
    for key, pack, price in SHELF:
        larder.add_ingredient(key, own_material("own", material(key).name, key), pack, price)


def make(db: Database, now_s: float) -> None:
    """One finished two days ago, one in the freezer since this morning."""
    plan, told, words = _told(db, BALLS)
    began = now_s - 1.9 * 86_400
    done: list[tuple[float, Happening]] = []
    at = began
    for step in plan.steps:
        done.append((at, StepBegun(step.key)))
        at += step.seconds.likely
        done.append((at, StepDone(step.key)))
    done += [
        (at + 60, Weighed(round(plan.finished.likely * 0.97, 3))),
        (at + 120, PiecesCounted(int(plan.pieces.likely))),
        (at + 600, Note("Soft right through. Two cracked: knead a minute longer.")),
        (at + 700, FaultFound("balls-crack", {}, cause="knead")),
    ]
    _keep(db, "Sponge balls for the tea", plan, told, words, began, done, now_s)

    plan, told, words = _told(db, KULFI)
    freeze = plan.steps[-1]
    frozen_at = now_s - 0.45 * freeze.seconds.likely
    began = frozen_at - plan.before_cold.likely
    done = [(began + 30.0 * (i + 1), RowWeighed(i, round(row.kg, 4))) for i, row in enumerate(plan.rows[:2])]
    at = began + 200.0
    for step in plan.steps[:-1]:
        done.append((at, StepBegun(step.key)))
        at = min(frozen_at - 30.0, at + step.seconds.likely)
        done.append((at, StepDone(step.key)))
        at += 1.0
    done.append((frozen_at, StepBegun(freeze.key)))
    _keep(db, "Fig kulfi, regatta supper", plan, told, words, began, done, now_s)


def caramel(db: Database, now_s: float) -> None:
    """A jar of caramelised milk, three days old: the shades as they were seen, the pours, and what it gave."""
    words = CaramelIn.model_validate(CARAMEL)
    plan = read_caramel(words, db.kept(read_shelf))
    told = caramelise(plan)
    lit = now_s - 3.1 * 86_400
    off = lit + 1.08 * told.melt_s.likely
    done: list[tuple[float, Happening]] = [
        (off - 55.0, ShadeSeen("straw")),
        (off - 6.0, Reading("temperature", 166.0)),
        (off, Off()),
        (off + 20.0, Added("butter", plan.butter_kg)),
    ]
    done += [(off + 70.0 + 45.0 * i, Added("milk", round(told.pour_kg, 3))) for i in range(told.pours)]
    at = off + 110.0 + 45.0 * told.pours
    done += [(at, Added("condensed", plan.condensed_kg)), (at + 0.5 * told.simmer_s.likely, Scraped())]
    at += 1.02 * told.simmer_s.likely
    done += [
        (at, Off()),
        (at + 300.0, Weighed(round(told.served_kg.likely * 0.985, 3))),
        (at + 900.0, Note("Amber to the spoon. Stirred smooth after the third pour.")),
    ]
    with db.writing() as session:
        batches = Batches(session)
        planned = Planned(
            kind="caramel",
            name="Caramel for the crews' toast",
            plan=plan,
            words=words.model_dump(mode="json"),
            flame=words.flame,
            pan_id=CARAMEL["pan"],
            burner_id=CARAMEL["burner"],
            milk_id=CARAMEL["milk"],
        )
        made = batches.begin(planned, lit)
        for when, what in sorted(done, key=lambda pair: pair[0]):
            batches.append(made, what, when, now_s)


def _told(db: Database, words: dict[str, object]) -> tuple[SweetForecast, SweetOut, SweetIn]:
    body = SweetIn.model_validate(words)
    shelf = db.kept(read_shelf)
    forecast = plan_sweet(read_sweet_plan(body, shelf))
    return forecast, SweetOut.of(forecast, body, read_prices(body, shelf)), body


def _keep(
    db: Database,
    name: str,
    plan: SweetForecast,
    told: SweetOut,
    words: SweetIn,
    began_s: float,
    happenings: list[tuple[float, Happening]],
    now_s: float,
) -> None:
    with db.writing() as session:
        batches = Batches(session)
        planned = Planned(
            kind="sweet",
            name=name,
            plan=run_of(plan),
            words=words.model_dump(mode="json"),
            forecast=told.model_dump(mode="json"),
            milk_id=words.milk if isinstance(words.milk, int) else None,
        )
        made = batches.begin(planned, began_s)
        for at, what in sorted(happenings, key=lambda pair: pair[0]):
            batches.append(made, what, at, now_s)
