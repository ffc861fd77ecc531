"""Stored JSON of an older layout is lifted step by step when it is read; of a newer one, it is set aside."""

import sqlite3

import pytest

from mulvek.core.batch.events import Note, Reading
from mulvek.core.composition.composition import Composition
from mulvek.core.errors import Unreadable
from mulvek.store import layouts
from mulvek.store.adapters import adapter
from mulvek.store.batches import Batches
from mulvek.store.database import Database
from mulvek.store.layouts import layout_of, read, written
from mulvek.store.lifts import with_one_composition
from tests.kitchens import EPOCH_S


def in_centimetres(old):
    """A layout that never was: depths in cm under another name."""
    return {**{k: v for k, v in old.items() if k != "cm"}, "value": old["cm"] / 100}


def with_how(old):
    return {"how": "depth", **old}


@pytest.fixture
def demo(tmp_path, templates):
    """Written in the layouts of today: its template is made for other tests too."""
    return templates.demo(tmp_path / "kitchen.sqlite3")


@pytest.fixture
def lifted(monkeypatch):
    monkeypatch.setattr(layouts, "LIFTS", {**layouts.LIFTS, "Reading": (in_centimetres, with_how)})


def test_each_layout_so_far_is_read(lifted):
    assert layout_of(Reading) == 3 and layout_of(Note) == 1
    for layout, data in ((1, {"cm": 4.3}), (2, {"value": 0.043}), (3, written(Reading("depth", 0.043)))):
        assert read(Reading, data, layout) == Reading("depth", pytest.approx(0.043))
    assert read(Note, written(Note("soft")), 1) == Note("soft")


def test_lifting_leaves_what_is_stored_as_it_is(lifted):
    data = {"cm": 4.3}
    read(Reading, data, 1)
    assert data == {"cm": 4.3}


def test_a_newer_layout_is_not_guessed_at():
    with pytest.raises(Unreadable, match="newer Mulvek"):
        read(Note, {"text": "soft"}, 2)


def test_old_rows_in_the_file_are_lifted_and_new_ones_say_their_layout(demo, lifted):
    with sqlite3.connect(demo) as made:
        made.execute("UPDATE event SET data = '{\"cm\": 5.2}', layout = 1 WHERE kind = 'reading'")
    db = Database(demo)
    with db.writing() as session:
        Batches(session).append(6, Note("still here"), EPOCH_S, EPOCH_S)
    with db.reading() as session:
        events = Batches(session).batch(1).events
    depths = [e.what.value for e in events if isinstance(e.what, Reading)]
    assert depths and depths == [pytest.approx(0.052)] * len(depths)
    db.close()
    with sqlite3.connect(demo) as kept:
        assert kept.execute("SELECT layout FROM event WHERE kind = 'note' AND batch_id = 6").fetchall() == [(1,)]


@pytest.mark.parametrize(
    ("name", "then", "now"),
    [
        ("ReducePlan", {"stirring": "now and then"}, {"stirring": "now-and-then"}),
        ("ReducePlan", {"lid": True}, {"lid": True}),
        ("CurdlePlan", {"draining": {"way": "hard squeeze", "s": 1}}, {"draining": {"way": "hard-squeeze", "s": 1}}),
        ("StrainPlan", {"cloth": "double muslin"}, {"cloth": "double-muslin"}),
        ("StrainPlan", {"cloth": None}, {"cloth": None}),
        ("Judged", {"how": "too thick"}, {"how": "too-thick"}),
    ],
)
def test_choices_kept_in_plain_words_become_slugs(name, then, now):
    kept = then
    for lift in layouts.LIFTS[name]:
        kept = lift(kept)
    assert kept == now


ELEVEN = {"water": 0.3, "fat": 0.1, "lactose": 0.02, "sucrose": 0.2, "reducing": 0.1, "minerals": 0.02}
ELEVEN |= {"casein": 0.05, "whey": 0.01, "starch": 0.04, "other": 0.12, "acid": 0.04}


def of_eleven(**more):
    return {"key": "x", "bulk_kg_m3": 1000.0, "parts": ELEVEN, **more}


@pytest.mark.parametrize(
    ("kept", "apart"),
    [
        (of_eleven(), {"npn": 0.12, "citrates": 0.04, "milk_ash": 0.02, "glucose": 0.1}),
        (of_eleven(group="khoya"), {"npn": 0.12, "citrates": 0.04, "milk_ash": 0.02, "glucose": 0.1}),
        (of_eleven(group="yoghurt"), {"npn": 0.12, "acid": 0.04, "milk_ash": 0.02, "glucose": 0.1}),
        (of_eleven(group="plant"), {"carbohydrate": 0.12, "acid": 0.04, "plant_ash": 0.02, "glucose": 0.1}),
        (
            of_eleven(group="starch", split={"protein": 0.06, "fibre": 0.02, "fructose": 0.07, "salt": 0.01}),
            {"plant_protein": 0.06, "fibre": 0.02, "carbohydrate": 0.04, "acid": 0.04}
            | {"glucose": 0.03, "fructose": 0.07, "plant_ash": 0.01, "salt": 0.01},
        ),
    ],
)
def test_a_material_of_eleven_parts_and_a_split_becomes_one_composition(kept, apart):
    lifted = with_one_composition({"milk": kept, "additions": [{"material": kept, "mass_kg": 0.1}]})
    same = {name: ELEVEN[name] for name in ("water", "fat", "casein", "whey", "lactose", "sucrose", "starch")}
    for found in (lifted["milk"], lifted["additions"][0]["material"]):
        assert "split" not in found and found["key"] == "x"
        made = adapter(Composition).validate_python(found["parts"])
        assert made.total == pytest.approx(sum(ELEVEN.values()))
        assert {name: mass for name, mass in made.items() if mass} == pytest.approx({**same, **apart})
    assert kept["parts"] == ELEVEN
