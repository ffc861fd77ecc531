"""What stays in this kitchen's bowls, and what its sweets drink: finished and weighed sweets teach it, the next plans go by it."""

import math

import pytest

from mulvek.core.planning.sweets.habits import habit_name, with_habit
from mulvek.core.planning.sweets.library import library
from tests.web.test_learned import learned, numbers, own
from tests.web.test_making import begin, happens, look
from tests.web.test_story import boil_down, curdle
from tests.web.test_sweet_wishes import told

PAN = {"pan": 2, "burner": 1, "milk": 5, "whole_packs": False}
KULFI = {"sweet": "kulfi", "school": "reduced", "want": "12", **PAN}
BALLS = {"sweet": "sponge-balls", "want": "20", **PAN}
SCHOOLS = [(key, school) for key, sweet in library().items() for school in sweet.schools.values()]


def made(client, clock, words, weighs, base=1.0, weigh_base=True, **after):
    """A sweet from its base to its scale; ``weighs``: over what is told of it then."""
    sweet = begin(client, "sweet", words)
    if weigh_base and words["sweet"] == "kulfi":
        pan = boil_down(client, sweet)
        for seconds, event in ((900, {"kind": "first_boil"}), (2400, {"kind": "off"})):
            clock.now += seconds
            happens(client, pan["id"], **event)
        happens(client, pan["id"], kind="weighed", mass_kg=round(pan["served_kg"]["likely"] * base, 4))
    elif weigh_base:
        curdle(client, clock, sweet, "C", base)
    for step in look(client, sweet["id"])["steps"]:
        now = next(s for s in look(client, sweet["id"])["steps"] if s["key"] == step["key"])
        if now["phase"] != "done":
            clock.now += 600
            happens(client, sweet["id"], kind="step_done", step=step["key"])
    kg = look(client, sweet["id"])["told_kg"]["likely"] * weighs
    happens(client, sweet["id"], kind="weighed", mass_kg=round(kg, 4))
    clock.now += 3600
    return sweet["id"]


def of(client, family):
    return numbers(learned(client), family)


@pytest.mark.parametrize("base", [1.0, 0.85])
def test_what_stays_in_the_bowls_makes_the_next_plan_take_more(client, clock, base):
    """Half as much again stays behind as the table says; that the base was light is no matter of hands."""
    table = library()["kulfi"].schools["reduced"].lose / 100
    weighs = (1 - 1.5 * table) / (1 - table)
    before = told(client, "kulfi", "12", school="reduced", whole_packs=False)
    others = {sweet: told(client, sweet, "1 kg", whole_packs=False) for sweet in ("basundi", "kalakand")}
    batch = made(client, clock, KULFI, weighs, base)
    kulfi = of(client, "loss")["kulfi"]
    assert [t["batch"] for t in kulfi["taught_by"]] == [batch]
    assert kulfi["taught_by"][0]["times"] == pytest.approx(1.5, rel=0.02)
    assert 1.05 < kulfi["times"]["likely"] < 1.5
    after = told(client, "kulfi", "12", school="reduced", whole_packs=False)
    more = (1 - table) / (1 - table * kulfi["times"]["likely"])
    milk = lambda plan: plan["bases"][0]["start_kg"]  # noqa: E731
    assert milk(after) / milk(before) == pytest.approx(more, rel=0.002)
    assert after["finished"]["likely"] == pytest.approx(before["finished"]["likely"], rel=1e-6)
    # others of the same hands a little; what is cooked down by eye not at all
    goes_in = lambda plan: sum(row["grams"] for row in plan["rows"])  # noqa: E731
    for sweet, plan in others.items():
        moved = math.log(goes_in(told(client, sweet, "1 kg", whole_packs=False)) / goes_in(plan))
        assert (0 < moved < math.log(more)) == (habit_name(library()[sweet].usual) == "loss"), sweet


def test_what_balls_drink_is_what_the_next_are_told(client, clock):
    gain = library()["sponge-balls"].usual.soak.gain
    before = told(client, "sponge-balls", "20", whole_packs=False)
    drunk = 0.8  # of what the table says
    for _ in range(3):
        now = gain * (of(client, "uptake").get("sponge-balls") or {"times": {"likely": 1}})["times"]["likely"]
        made(client, clock, BALLS, (1 + drunk * gain) / (1 + now))
    balls = of(client, "uptake")["sponge-balls"]
    assert all(t["times"] == pytest.approx(drunk, rel=0.02) for t in balls["taught_by"])
    assert drunk - 0.02 < balls["times"]["likely"] < 0.9 and balls["batches"] == 3
    after = told(client, "sponge-balls", "20", whole_packs=False)
    terms = {t["name"]: t["note"] for t in after["whys"]["syrup"]["terms"]}
    assert terms["they take up"] == f"learned here: {balls['times']['likely']:.2f} × the table"
    assert "they take up" not in {t["name"] for t in before["whys"]["syrup"]["terms"]}
    chhena = lambda plan: plan["bases"][0]["made_kg"] / plan["finished"]["likely"]  # noqa: E731
    assert chhena(after) / chhena(before) == pytest.approx(
        (1 + gain) / (1 + gain * balls["times"]["likely"]), rel=0.01
    )


@pytest.mark.parametrize(
    "how", ["base not weighed", "half was eaten", "one was tasted", "given up", "set by the cook", "undone"]
)
def test_what_says_nothing_of_hands(client, clock, how):
    match how:
        case "base not weighed":
            made(client, clock, KULFI, 0.97, weigh_base=False)
        case "half was eaten":
            made(client, clock, KULFI, 0.5)
        case "one was tasted":
            made(client, clock, KULFI, 11 / 12)
        case "set by the cook":
            made(client, clock, {**KULFI, "changes": {"lose": 6}}, 0.97)
        case "given up":
            sweet = begin(client, "sweet", KULFI)["id"]
            happens(client, sweet, kind="abandoned")
        case "undone":
            sweet = made(client, clock, KULFI, 0.97)
            assert of(client, "loss")
            happens(client, sweet, kind="undo", event_id=look(client, sweet)["undo_id"])
    assert of(client, "loss") == {} and of(client, "uptake") == {}


def test_a_sweet_under_way_stays_as_it_was_begun(client, clock):
    """Of two alike, one's base comes off before another kulfi taught anything, one's after: the same is told of both."""
    running = [begin(client, "sweet", KULFI) for _ in range(2)]

    def off_the_fire(sweet):
        pan = boil_down(client, sweet)
        for event in ({"kind": "first_boil"}, {"kind": "off"}, {"kind": "weighed", "mass_kg": 0.72}):
            clock.now += 900
            happens(client, pan["id"], **event)
        return look(client, sweet["id"])

    first = off_the_fire(running[0])
    made(client, clock, KULFI, 0.97)
    assert of(client, "loss")["kulfi"]["times"]["likely"] > 1.3
    second = off_the_fire(running[1])
    assert second["told_kg"] == first["told_kg"] != running[1]["told_kg"]
    assert [row["grams"] for row in second["rows"]] == [row["grams"] for row in first["rows"]]


def test_a_number_of_ones_own_is_left_as_it_is(client, clock):
    for _ in range(2):
        made(client, clock, KULFI, 0.97)
    changed = {"changes": {"lose": 5}}
    lost = told(client, "kulfi", "12", school="reduced", whole_packs=False, **changed)
    own(client, family="loss", key="kulfi", do="anew")
    assert told(client, "kulfi", "12", school="reduced", whole_packs=False, **changed)["bases"] == lost["bases"]


def test_it_is_owned_like_any_number(client, clock):
    made(client, clock, KULFI, 0.97)
    clock.now += 60
    assert numbers(own(client, family="loss", key="kulfi", do="freeze"), "loss")["kulfi"]["frozen"]
    for family, key in (("loss", "kalakand"), ("uptake", "kulfi"), ("loss", "moon")):
        answer = client.put("/api/learned", json={"family": family, "key": key, "do": "anew"})
        assert answer.status_code == 404, (family, key)


@pytest.mark.parametrize(("key", "school"), SCHOOLS, ids=lambda x: getattr(x, "key", x))
def test_a_habit_moves_its_own_number_alone_and_no_sweet_out_of_reach(key, school):
    name = habit_name(school)
    for by in (0.2, 1.0, 5.0):
        got, habit = with_habit(school, lambda _, by=by: by)
        assert (habit is None) == (name is None)
        if name == "uptake":
            assert got.soak.gain == pytest.approx(school.soak.gain * by) and got.lose == school.lose
        elif name == "loss":
            assert got.lose == min(30.0, school.lose * by) and got.soak == school.soak
        if by == 1.0 or name is None:
            assert got == school
        if habit is not None:
            assert habit.times == by and math.isfinite(habit.told)
