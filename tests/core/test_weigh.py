"""Causes weighed by hand: a made-up fault of three causes, with readings that the house knows."""

import math

import pytest

from mulvek.core.mending.faults import Cause, Evidence, Fault
from mulvek.core.mending.weigh import BASE_CASES, CAP, LEAST_MOVE, answers_of, base_rate, best_question, weigh


def cause(key, chance, *shows):
    return Cause(key=key, chance=chance, why="", next="", shows=tuple(Evidence.read(text) for text in shows))


WET = cause("wet", 0.5, "chhena-water 60..70 +2.0 -1.0", "kneading 8..4 +1.0 -1.0")
HOT = cause("hot", 0.2, "acid-heat 80..90 +4.0 -2.0")
SEAMS = cause("seams", 0.3, "seams yes +1.5 -0.5")
FAULT = Fault(
    key="made-up",
    title="",
    on=("chhena",),
    signs="",
    rescue="",
    reckoned="",
    caution="",
    throw_away=False,
    causes=(WET, HOT, SEAMS),
)


def chance(rate, given):
    return 1 / (1 + math.exp(-(math.log(rate / (1 - rate)) + given)))


def by_key(noted, confirmed=None):
    return {one.cause.key: one for one in weigh(FAULT, noted, confirmed)}


def test_what_is_not_known_moves_nothing_and_is_named():
    found = by_key({})
    assert {key: round(one.chance, 12) for key, one in found.items()} == {"wet": 0.5, "hot": 0.2, "seams": 0.3}
    assert found["wet"].unknown == ("chhena-water", "kneading") and found["wet"].speaks == found["wet"].against == ()
    assert [one.cause.key for one in weigh(FAULT, {})] == ["wet", "seams", "hot"]


def test_readings_speak_for_and_against_the_strongest_first():
    found = by_key({"chhena-water": 70.0, "kneading": 6.5, "acid-heat": 82.0, "seams": 1.0})
    assert found["wet"].chance == pytest.approx(chance(0.5, 2.0 + (0.375 * 2 - 1)))
    assert (found["wet"].speaks, found["wet"].against) == (("chhena-water",), ("kneading",))
    assert found["hot"].chance == pytest.approx(chance(0.2, 0.2 * 6 - 2)) and found["hot"].against == ("acid-heat",)
    assert found["seams"].chance == pytest.approx(chance(0.3, 1.5)) and found["seams"].speaks == ("seams",)
    assert all(one.unknown == () for one in found.values())
    both = by_key({"chhena-water": 70.0, "kneading": 4.0})["wet"]
    assert both.speaks == ("chhena-water", "kneading")
    neither = by_key({"chhena-water": 63.0, "kneading": 8.0})["wet"]
    assert neither.against == ("kneading", "chhena-water")
    even = by_key({"kneading": 6.0})["wet"]  # it says neither
    assert (even.speaks, even.against) == ((), ("kneading",)) and even.chance == pytest.approx(0.5)
    weak = by_key({"chhena-water": 64.0})["wet"]  # for it, if by little
    assert weak.speaks == ("chhena-water",) and weak.chance == pytest.approx(chance(0.5, 0.2))


def test_no_record_makes_certain():
    assert by_key({"acid-heat": 95.0})["hot"].chance == pytest.approx(chance(0.2, CAP)) and CAP == 3.5


def test_a_kitchens_own_cases_are_added_to_eight_of_the_table():
    assert BASE_CASES == 8 and base_rate(WET, {"wet": 2, "hot": 2}) == pytest.approx((4 + 2) / 12)
    assert base_rate(SEAMS, {"wet": 2, "hot": 2}) == pytest.approx(2.4 / 12)
    assert by_key({}, {"hot": 8})["hot"].chance == pytest.approx((1.6 + 8) / 16)


def test_what_a_reading_may_be_answered():
    assert answers_of(FAULT.evidence("chhena-water")) == (60.0, 65.0, 70.0)
    assert answers_of(FAULT.evidence("kneading")) == (4.0, 6.0, 8.0)
    assert answers_of(FAULT.evidence("seams")) == (1.0, 0.0)


def moves(of, rate, ends, given=0.0):
    """Half of what either end moves its cause."""
    return sum(abs(chance(rate, given + end) - chance(rate, given)) for end in ends) / 2


def test_the_question_that_would_tell_most():
    by_hand = {
        "chhena-water": moves(WET, 0.5, (2, -1)),
        "kneading": moves(WET, 0.5, (1, -1)),
        "acid-heat": moves(HOT, 0.2, (CAP, -2)),
        "seams": moves(SEAMS, 0.3, (1.5, -0.5)),
    }
    assert max(by_hand, key=by_hand.get) == "acid-heat"
    found = best_question(FAULT, {})
    assert (found.reading, found.answers) == ("acid-heat", (80.0, 85.0, 90.0))
    assert found.moves == pytest.approx(by_hand["acid-heat"])
    after = best_question(FAULT, {"acid-heat": 85.0})
    assert after.reading == "chhena-water" and after.moves == pytest.approx(by_hand["chhena-water"])
    assert best_question(FAULT, {}, skip=("acid-heat", "chhena-water")).reading == "kneading"
    rest = best_question(FAULT, {}, skip=("acid-heat", "chhena-water", "kneading"))
    assert rest.reading == "seams" and rest.answers == (1.0, 0.0)
    assert rest.moves == pytest.approx(by_hand["seams"])
    known = {"acid-heat": 85.0, "chhena-water": 65.0, "kneading": 6.0, "seams": 1.0}
    assert best_question(FAULT, known) is None
    assert best_question(FAULT, {}, {"seams": 90}).moves < by_hand["acid-heat"]  # most of it is known here


def test_what_would_hardly_move_is_not_asked():
    faint = cause("faint", 0.5, "kneading 8..4 +0.2 -0.2")
    one = Fault(**{name: getattr(FAULT, name) for name in FAULT.__slots__} | {"causes": (faint,)})
    assert moves(faint, 0.5, (0.2, -0.2)) < LEAST_MOVE and best_question(one, {}) is None
    more = cause("more", 0.5, "kneading 8..4 +0.45 -0.45")
    two = Fault(**{name: getattr(FAULT, name) for name in FAULT.__slots__} | {"causes": (more,)})
    assert moves(more, 0.5, (0.45, -0.45)) > LEAST_MOVE and best_question(two, {}).reading == "kneading"
