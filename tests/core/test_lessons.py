"""Every lesson played by scripted hands: practised ones do well, careless ones do not, idle ones still reach the end."""

import statistics
import tomllib
from dataclasses import fields
from pathlib import Path

import pytest

from mulvek.core.errors import NotFound
from mulvek.core.mending.faults import faults
from mulvek.core.rehearsal.account import account, replay
from mulvek.core.rehearsal.cooks import run
from mulvek.core.rehearsal.instruments import INSTRUMENTS
from mulvek.core.rehearsal.lessons import HANDS, SHELVES, lesson, lessons
from mulvek.core.rehearsal.scenes import BUILD
from mulvek.core.rehearsal.score import score
from mulvek.core.rehearsal.worlds.several import Several
from tests.sizes import sized

SEEDS = [7 * i + 1 for i in range(sized(2, 20))]
KEYS = list(lessons())
FOLDER = Path(__file__).parents[2] / "src/mulvek/core/data/lessons"
DRAWINGS = Path(__file__).parents[2] / "ui/src/stations/rehearse/lessonDrawings.ts"
CAREFUL_FROM, BETWEEN = 85, 30


@pytest.mark.parametrize("key", KEYS)
def test_practised_hands_pass_and_careless_ones_do_not(key):
    taught = lesson(key)
    points = {}
    for habits in ("practised", "careless", "idle"):
        seeds = SEEDS if habits != "idle" else SEEDS[: sized(1, 20)]
        worlds = [run(taught.begin(seed), taught.cook(habits)) for seed in seeds]
        assert all(world.done for world in worlds), f"{habits} hands never end it"
        points[habits] = statistics.median(score(world, taught.counts).points for world in worlds)
    assert points["practised"] >= CAREFUL_FROM, points
    assert points["practised"] - points["careless"] >= BETWEEN, points


@pytest.mark.parametrize("key", KEYS)
def test_a_lesson_is_whole(key):
    taught = lesson(key)
    assert set(taught.faults) <= set(faults())
    assert set(taught.level.shows) <= set(INSTRUMENTS)
    assert taught.shelf in SHELVES and taught.world in BUILD
    assert f"\n  {taught.draws}: " in DRAWINGS.read_text("utf-8"), "it has no drawing"
    world = taught.begin(1)
    assert set(taught.counts) <= set(world.names) and all(share > 0 for share in taught.counts.values())
    assert set(world.told()) >= set(taught.counts)
    for text in (taught.name, taught.practises, taught.learn, taught.good):
        assert text.strip() == text and text
    assert taught.good.endswith(".") and taught.learn[0].islower()


def test_the_board_has_every_route_and_each_habit_is_known():
    assert len(KEYS) >= 24
    assert {lesson(key).world for key in KEYS} == set(BUILD)
    assert {lesson(key).shelf for key in KEYS} == set(SHELVES)
    for file in FOLDER.glob("*.toml"):
        row = tomllib.loads(file.read_text("utf-8"))
        vessels = row["plan"].get("vessels", [row])
        for vessel in vessels:
            known = {f.name for f in fields(HANDS[vessel["world"]])}
            for habits in ("practised", "careless", "idle"):
                assert set(vessel.get(habits, {})) <= known, f"{file.name}: {habits}"
    with pytest.raises(NotFound):
        lesson("to-fly")


@pytest.mark.parametrize("key", KEYS)
def test_the_record_of_a_run_is_the_run(key):
    """Its acts again, in one go or in leaps, with instruments read in between, come to the same end."""
    taught = lesson(key)
    world = run(taught.begin(5), taught.cook("careless"))
    again = replay(lambda: taught.begin(5), world.acts)
    leaping = taught.begin(5)
    for at in range(leaping.at_s, world.at_s, 613):
        leaping.run_to(at, world.acts)
        assert leaping.goes_on_with(world.acts, at) or leaping.done
        [vessel.true("probe") for vessel in (leaping.vessels if isinstance(leaping, Several) else [leaping])]
    leaping.run_to(world.at_s, world.acts)
    for other in (again, leaping):
        assert (other.done, other.at_s, other.outcome) == (True, world.at_s, world.outcome)
        assert score(other, taught.counts).points == score(world, taught.counts).points
    assert taught.begin(6).luck != taught.begin(5).luck


SLIPS = {
    "when-to-stop-pouring": "No pour more than it took to run clear",
    "out-of-the-whey": "Strained ten minutes sooner",
    "by-shade": "Off the flame twenty seconds sooner",
    "milk-into-caramel": "Each pour in two, half a minute apart",
    "room-to-swell": "Half as many at once",
    "rolling-boil": "Nothing touched",
    "water-boiled-off": "A cup of hot water every minute and a half",
    "slow-fat": "In where a crumb creeps up, turned, and out when the heart was set",
    "two-dryings": "The milk a quarter of an hour later",
    "sticks-and-bite": "The sticks an hour and a half later",
    "the-open-door": "The door left shut",
    "layers-of-skin": "The skin folded in every four minutes, not stirred",
    "hung-curd": "Hung four hours longer",
    "by-the-level": "Stopping on the right weight",
}


@pytest.mark.parametrize(("key", "slip"), SLIPS.items())
def test_the_account_finds_the_slip_that_was_made(key, slip):
    """Careless hands of a lesson make its own slip: among the three dearest changes is the one that mends it."""
    taught = lesson(key)
    world = run(taught.begin(11), taught.cook("careless"))
    told = account(world, lambda: taught.begin(11), taught.cook(), taught.counts)
    assert slip in [s.what for s in told.slips[:3]]
    best = told.slips[0]
    assert best.points > 5 and best.was != best.then
    assert told.expert_score.points > told.score.points + 20
    assert [s.points for s in told.slips] == sorted((s.points for s in told.slips), reverse=True)


def test_several_vessels_are_accounted_for_each_by_itself():
    taught = lesson("milk-to-sponge")
    world = run(taught.begin(11), taught.cook("careless"))
    told = account(world, lambda: taught.begin(11), taught.cook(), taught.counts)
    assert {s.what.split(":")[0] for s in told.slips} <= {"chhena", "syrup"} and told.slips
    assert told.expert_score.points > 80
    # what was done differently to the curd shows in the balls that were made of it
    assert any(s.what.startswith("chhena") and s.points > 0 for s in told.slips)
