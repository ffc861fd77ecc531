"""What a pan of milk asks for, and when: each reminder by itself, to the second, and what each hangs on."""

from dataclasses import replace

import pytest

from mulvek.core.batch.attention import Hushed, Missed, Snoozed
from mulvek.core.batch.events import (
    Event,
    FirstBoil,
    FlameChanged,
    Judged,
    Lit,
    MilkAdded,
    Off,
    Paused,
    Reading,
    Resumed,
    Scraped,
    Stirred,
    StopMoved,
    SugarIn,
    SugarPlanned,
    Weighed,
)
from mulvek.core.batch.model import warming
from mulvek.core.batch.nudges import nudges
from mulvek.core.batch.running import state_of
from mulvek.core.messages.catalogue import said
from mulvek.core.planning.reduce.stops import read_stop
from mulvek.core.ranges import Range
from tests.core.test_judgement import plan

T = 1e9
MIDWAY = plan("half its volume", sugar=110, kg=2.4, sugar_time="midway")
AT_END = plan("half its volume", sugar=110, kg=2.4)
AT_START = plan("half its volume", sugar=110, kg=2.4, sugar_time="start")
PLAIN = plan("half its volume", sugar=0, kg=2.4)
LIT = [(0, Lit())]
BOILS = [*LIT, (160, Stirred()), (900, FirstBoil())]
OFF = [*BOILS, (2000, SugarIn(0.11)), (3000, Off())]


def state(of, events, now):
    return state_of(of, [Event(i, T + at, what) for i, (at, what) in enumerate(events, 1)], T + now)


def asks(of, events, now, **changed):
    """Each as (key, episode, kind, due in s, message, what ends it), soonest first."""
    there = replace(state(of, events, now), **changed)
    return [
        (n.key, n.episode, n.kind, round(n.due_at_s - T, 3), n.says.key, n.answer) for n in nudges(there, T + now)
    ]


def one(key, of, events, now, **changed):
    (found,) = [row for row in asks(of, events, now, **changed) if row[0] == key]
    return found


def test_while_it_heats_a_stir_and_the_watch_for_the_boil():
    boil = round(warming(MIDWAY).seconds, 3)
    watch = ("boilover", "1", "hazard", round(boil - 120, 3), "watch-first-boil", "first_boil")
    assert asks(MIDWAY, LIT, 10) == [("stir", "1", "care", 150.0, "stir-heating", "stirred"), watch]
    stirred = [*LIT, (160, Stirred())]
    assert asks(MIDWAY, stirred, 200) == [("stir", "2", "care", 310.0, "stir-heating", "stirred"), watch]
    scraped = [*stirred, (300, Scraped())]
    assert asks(MIDWAY, scraped, 320)[0][:2] == ("stir", "3")
    nearly = [*LIT, (round(boil) - 100, Stirred())]  # the next would be due past the boil
    assert [row[0] for row in asks(MIDWAY, nearly, boil - 90)] == ["boilover"]
    says = nudges(state(MIDWAY, LIT, 10), T + 10)[-1].says
    assert said(says) == "Watch for the first boil and turn down to medium as it rises."


@pytest.mark.parametrize("before", [LIT, BOILS], ids=["heating", "boiling"])
def test_off_the_fire_for_a_while_nothing_is_asked_but_to_put_it_back(before):
    at = before[-1][0] + 60
    away = [*before, (at, Paused())]
    number = str(len(away))
    assert asks(MIDWAY, away, at + 30) == [("paused", number, "care", at + 900.0, "put-it-back", "resumed")]
    back = [*away, (at + 200, Resumed())]
    assert "paused" not in [row[0] for row in asks(MIDWAY, back, at + 210)]


def test_while_it_boils_stirs_sides_and_the_stop():
    there = state(PLAIN, BOILS, 1000)
    stop = there.to_stop_s
    opens = max(stop.low, stop.likely - max(60.0, 0.04 * stop.likely))
    assert asks(PLAIN, BOILS, 1000) == [
        ("stir", "3", "care", round(900 + there.stir_every_s, 3), "stir-now", "stirred"),
        ("scrape", "3", "care", 1380.0, "scrape-sides", "scraped"),
        ("stop", "3", "hazard", round(1000 + opens, 3), "stop-now", "off"),
    ]


def test_the_clock_of_the_stirs_and_sides_begins_with_the_newest_of_them():
    stirred = [*BOILS, (1200, Stirred())]
    there = state(PLAIN, stirred, 1250)
    assert one("stir", PLAIN, stirred, 1250)[1:4] == ("4", "care", round(1200 + there.stir_every_s, 3))
    assert one("scrape", PLAIN, stirred, 1250)[1:4] == ("3", "care", 1380.0)
    scraped = [*stirred, (1300, Scraped())]
    assert one("scrape", PLAIN, scraped, 1310)[1:4] == ("5", "care", 1780.0)
    assert one("stir", PLAIN, scraped, 1310)[1] == "5"  # it is stirred by scraping
    assert [row for row in asks(PLAIN, BOILS, 1000, stir_every_s=None) if row[0] == "stir"] == []


def test_put_back_on_the_fire_or_parted_the_stirs_begin_anew():
    back = [*BOILS, (1200, Paused()), (1300, Resumed())]
    found = {row[0]: row[1] for row in asks(PLAIN, back, 1310)}
    assert (found["stir"], found["scrape"], found["stop"]) == ("5", "3", "3")
    parted = dict(state(PLAIN, BOILS, 1000).marks) | {"Carried": 9}
    found = {row[0]: row[1] for row in asks(PLAIN, BOILS, 1000, marks=parted, too_hot_s=1.0)}
    assert found == {"stir": "9", "scrape": "9", "flame": "9", "stop": "9"}
    joined = dict(state(PLAIN, BOILS, 1000).marks) | {"Joined": 8}
    found = {row[0]: row[1] for row in asks(PLAIN, BOILS, 1000, marks=joined)}
    assert found == {"stir": "3", "scrape": "3", "stop": "8"}
    some_out = dict(state(PLAIN, BOILS, 1000).marks) | {"PartTaken": 7}
    assert one("stop", PLAIN, BOILS, 1000, marks=some_out)[1] == "7"


def test_more_heat_than_the_bottom_bears():
    strong = [*BOILS, (1000, FlameChanged("strong"))]
    there = state(PLAIN, strong, 3600)
    assert there.too_hot_s and there.too_hot_s > 100
    due = round(3600 - there.too_hot_s, 3)
    assert one("flame", PLAIN, strong, 3600) == ("flame", "4", "care", due, "flame-too-strong", "flame_changed")
    assert "flame" not in [row[0] for row in asks(PLAIN, strong, 3600, too_hot_s=None)]
    assert one("flame", PLAIN, BOILS, 1000, too_hot_s=5.0)[1] == "3"  # as since the first boil


def test_sugar_midway_is_due_when_it_is_and_how_much_is_left_of_it():
    there = state(MIDWAY, BOILS, 1000)
    rows = [row for row in asks(MIDWAY, BOILS, 1000) if row[0] == "sugar"]
    at = round(1000 + there.sugar_due_s.likely, 3)
    assert rows[0] == ("sugar", "0", "hazard", at, "sugar-now", "sugar_in")
    assert all(said(n.says) == "Stir in 110 g of sugar." for n in nudges(there, T + 1000) if n.key == "sugar")
    planned = [*BOILS, (950, SugarPlanned(0.1))]
    assert next(row[1] for row in asks(MIDWAY, planned, 1000) if row[0] == "sugar") == "4"
    half_in = [*BOILS, (950, SugarIn(0.05))]
    (due,) = [n for n in nudges(state(MIDWAY, half_in, 1000), T + 1000) if n.key == "sugar"]
    assert said(due.says) == "Stir in 60 g of sugar."
    all_in = [*BOILS, (950, SugarIn(0.11))]
    assert "sugar" not in [row[0] for row in asks(MIDWAY, all_in, 1000)]
    assert "sugar" not in [row[0] for row in asks(AT_START, BOILS, 1000)]


def test_sugar_at_the_end_is_asked_for_in_the_place_of_the_stop():
    there = state(AT_END, BOILS, 1000)
    due = round(1000 + there.to_stop_s.likely, 3)
    assert one("sugar", AT_END, BOILS, 1000) == ("sugar", "3", "hazard", due, "sugar-now", "sugar_in")
    assert "stop" not in [row[0] for row in asks(AT_END, BOILS, 1000)]
    past = one("sugar", AT_END, BOILS, 1000, to_stop_s=Range.exact(0.0), past_stop_s=90.0)
    assert past[3] == 910.0
    assert one("stop", AT_END, [*BOILS, (950, SugarIn(0.11))], 1000)[4] == "stop-now"


@pytest.mark.parametrize(
    ("low", "likely", "opens"),
    [(400, 1000, 940), (990, 1000, 990), (900, 5000, 4800), (0, 30, 0), (0, 600, 540)],
)
def test_the_stop_opens_a_little_early(low, likely, opens):
    stop = Range(low, likely, 2 * likely)
    assert one("stop", PLAIN, BOILS, 1000, to_stop_s=stop)[3] == 1000 + opens


@pytest.mark.parametrize(("past", "says"), [(0.0, "stop-now"), (60.0, "stop-now"), (61.0, "past-the-stop")])
def test_past_the_stop_it_says_so(past, says):
    row = one("stop", PLAIN, BOILS, 1000, to_stop_s=Range.exact(0.0), past_stop_s=past)
    assert row == ("stop", "3", "hazard", 1000 - past, says, "off")


@pytest.mark.parametrize(
    "what",
    [Reading("weight", 2.0, sure=True), StopMoved(read_stop("a third")), MilkAdded(0.2, 20.0)],
    ids=lambda what: type(what).__name__,
)
def test_what_moves_the_stop_asks_for_it_anew(what):
    moved = [*BOILS, (1300, what)]
    assert one("stop", PLAIN, moved, 1400)[1] == "4"


@pytest.mark.parametrize(
    ("low", "likely", "high", "asked"),
    [
        (900, 1499, 2200, True),
        (900, 1500, 2200, False),
        (1400, 1499, 1600, True),
        (1440, 1499, 1570, False),  # known well enough: within four parts in a hundred, in four cases of five
        (100, 121, 200, True),
        (100, 120, 200, False),
        (121, 140, 185, True),
        (126, 140, 185, False),  # of so short a time: within 24 s
    ],
)
def test_a_reading_is_asked_for_near_the_stop_where_it_would_tell_more(low, likely, high, asked):
    stop = Range(low, likely, high)
    found = [row for row in asks(PLAIN, BOILS, 1000, to_stop_s=stop) if row[0] == "check"]
    assert found == ([("check", "3", "care", 1200.0, "read-it-now", "reading")] if asked else [])


def test_a_reading_is_asked_for_five_minutes_after_the_last():
    read = [*BOILS, (2000, Reading("weight", 1.9, sure=True))]
    found = one("check", PLAIN, read, 2100, to_stop_s=Range(900, 1200, 1900))
    assert found[1:4] == ("4", "care", 2300.0)
    parted = dict(state(PLAIN, read, 2100).marks) | {"Carried": 9}
    assert one("check", PLAIN, read, 2100, to_stop_s=Range(900, 1200, 1900), marks=parted)[1] == "9"


def test_off_the_fire_it_is_chilled_and_once_it_was_judged_cold_no_more():
    chill = ("chill", "5", "care", 3000 + 6000.0, "chill-now", "noted")
    assert asks(MIDWAY, OFF, 3100) == [chill]
    weighed = [*OFF, (3200, Weighed(1.2))]
    assert asks(MIDWAY, weighed, 3300) == [chill]
    assert asks(MIDWAY, [*weighed, (90000, Judged("right"))], 90010) == []


def test_what_the_cook_says_to_a_reminder_stays_with_its_episode():
    snoozed = [*BOILS, (1000, Snoozed("scrape", "3", 600.0)), (1010, Missed("stir", "3")), (1020, Hushed(True))]
    found = {n.key: n for n in nudges(state(PLAIN, snoozed, 1030), T + 1030)}
    assert found["scrape"].due_at_s == T + 1600 and found["stir"].missed and not found["scrape"].missed
    assert all(n.hushed for n in found.values())
    again = [*snoozed, (1700, Scraped())]
    after = {n.key: n for n in nudges(state(PLAIN, again, 1710), T + 1710)}
    assert after["scrape"].due_at_s == T + 2180 and not after["stir"].missed
