"""Caramelised milk: shades, the account of what goes in and out, how it is followed, and when it asks for hands."""

import math
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import assume, given, settings

from mulvek.cli.no_larder import NoLarder
from mulvek.core.batch.caramel_nudges import caramel_nudges
from mulvek.core.batch.caramel_run import CaramelState, caramel_state
from mulvek.core.batch.events import (
    Added,
    Event,
    Happening,
    Lit,
    Off,
    Reading,
    Scraped,
    ShadeMoved,
    ShadeSeen,
    StepDone,
    Weighed,
)
from mulvek.core.batch.kinds import KINDS
from mulvek.core.batch.log import Log
from mulvek.core.composition.materials import material
from mulvek.core.errors import BadInput, Conflict, Impossible, KitchenError
from mulvek.core.messages.catalogue import said
from mulvek.core.planning.caramel.forecast import LEFT_SHARE, caramelise, opened
from mulvek.core.planning.caramel.melting import melting
from mulvek.core.planning.caramel.plan import KEEPS, CaramelPlan
from mulvek.core.planning.caramel.shades import SEEN, ends_c, middle_c, off_c, shade_at
from mulvek.wire.caramel import CaramelIn, read_caramel
from tests.kitchens import EPOCH_S, KADHAI
from tests.strategies import caramels

KIND = KINDS["caramel"]
SAUCE = {
    "sugar": "200 g",
    "butter": "40 g",
    "milk_amount": "500 ml",
    "condensed": "400 g",
    "solids": "70 %",
    "pan": KADHAI,
    "burner": {"name": "left"},
}


def plan(**words: object) -> CaramelPlan:
    return read_caramel(CaramelIn.model_validate(SAUCE | words), NoLarder())


def log(*happened: tuple[float, Happening], of: CaramelPlan | None = None) -> Log:
    """Lit, then these so many seconds later; each is checked first."""
    made = Log(of or plan(), [Event(1, EPOCH_S, Lit())])
    for seconds, what in happened:
        event = Event(made.next_id, EPOCH_S + seconds, what)
        KIND.check(made, event)
        made = made.plus(event)
    return made


def at(made: Log, seconds: float) -> CaramelState:
    return caramel_state(made, EPOCH_S + seconds)


POURS: list[tuple[float, Happening]] = [
    (610, Added("butter", 0.04)),
    *((640 + 40 * i, Added("milk", 0.515 / 6)) for i in range(6)),
    (900, Added("condensed", 0.4)),
]


def test_shades_follow_one_another_and_the_flame_goes_off_before_each():
    middles = [middle_c(shade) for shade in SEEN]
    assert middles == sorted(middles)
    for shade, after in pairwise(SEEN):
        assert shade_at(middle_c(shade)) == shade and shade_at(ends_c(shade)) == after
    for shade in SEEN[1:-1]:
        assert shade_at(off_c(shade) + 4.0) == shade and off_c(shade) < middle_c(shade)
    # dossier §9: straw to 162, pale gold to 168, amber to 175, deep amber to 182, burnt above 190
    assert [ends_c(shade) for shade in SEEN] == [150.0, 162.0, 168.0, 175.0, 182.0, 190.0]


def test_two_hundred_grams_melt_in_the_minutes_of_the_day_dossier():
    """6 / 8 / 11 minutes; more sugar takes longer, but less than in proportion, as the pan is warmed once."""
    told = [caramelise(plan(sugar=f"{g} g")).melt_s.likely / 60 for g in (100, 200, 400)]
    assert 6.0 <= told[1] <= 11.0 and told[0] < told[1] < told[2] < 4 * told[0]
    heat = melting(0.2, plan().hearth.pan, plan().hearth.burner, "gentle", 27.0)
    assert heat.after(27.0, heat.seconds(27.0, 167.0)) == pytest.approx(167.0)
    assert heat.seconds(27.0, 150.0) + heat.seconds(150.0, 170.0) == pytest.approx(heat.seconds(27.0, 170.0))


@settings(max_examples=200, deadline=None)
@given(caramels)
def test_what_goes_in_is_what_there_is_and_what_left(words):
    """All but water stays; the sugar loses 4 %; the jar has what the pan keeps not."""
    try:
        made = read_caramel(CaramelIn.model_validate(words), NoLarder())
        f = caramelise(made)
    except KitchenError:
        assume(False)
    parts = made.mixed(made.butter_kg, made.milk_kg, made.condensed_kg)
    assert f.mixed_kg == pytest.approx(KEEPS * made.sugar_kg + made.butter_kg + made.milk_kg + made.condensed_kg)
    for (name, before), (_, after) in zip(parts.items(), f.parts.items(), strict=True):
        assert after <= before + 1e-12 if name == "water" else after == pytest.approx(before, abs=1e-12)
    assert f.served_kg.likely == pytest.approx((1 - LEFT_SHARE) * f.stop_kg.likely)
    assert f.stop_kg.likely < f.mixed_kg and (made.solids is None or f.total_solids == pytest.approx(made.solids))
    assert f.pours * f.pour_kg == pytest.approx(made.milk_kg) and f.climbs_m <= made.hearth.pan.shape.height_m
    assert f.off_c.likely < f.ends_c


@pytest.mark.parametrize(
    ("words", "field"),
    [
        ({"shade": "pink"}, "shade"),
        ({"sugar": "0"}, "sugar"),
        ({"sugar": "5 g"}, "sugar"),
        ({"milk_amount": "", "condensed": ""}, "milk"),
        ({"milk_amount": "9 L"}, "milk"),
        ({"solids": "95 %"}, "solids"),
        ({"solids": "plenty"}, "solids"),
        ({"solids": "45 %"}, "solids"),
        ({"pan": {"name": "cup", "shape": {"kind": "straight", "diameter_m": 0.1, "height_m": 0.07}}}, "pan"),
    ],
)
def test_what_cannot_be_names_its_word(words, field):
    with pytest.raises((BadInput, Impossible)) as caught:
        caramelise(plan(**words))
    assert caught.value.field == field and caught.value.fix


def test_a_shade_or_a_temperature_moves_what_is_to_come_and_narrows_it():
    told = caramelise(plan())
    fresh = at(log(), 200)
    assert fresh.phase == "melting" and fresh.celsius.likely > 100
    assert fresh.off_in_s.likely == pytest.approx(told.melt_s.likely - 200, rel=1e-6)
    slow = at(log((200, Reading("temperature", 90.0))), 200)
    assert slow.off_in_s.likely > fresh.off_in_s.likely and slow.celsius.likely == pytest.approx(90.0, abs=1)
    later = at(log((200, Reading("temperature", 90.0)), (320, Reading("temperature", 112.0))), 320)
    assert later.off_in_s.high - later.off_in_s.low < slow.off_in_s.high - slow.off_in_s.low
    seen = at(log((400, ShadeSeen("pale-gold"))), 400)
    assert (
        seen.celsius.likely == pytest.approx(165.0, abs=2) and seen.off_in_s.likely < 30 and seen.shade == "pale-gold"
    )


def test_another_shade_on_the_way_is_followed():
    amber = at(log((200, Reading("temperature", 150.0))), 210)
    straw = at(log((200, Reading("temperature", 150.0)), (205, ShadeMoved("straw"))), 210)
    assert straw.off_in_s.likely < amber.off_in_s.likely and straw.ends_shade == "straw" != amber.ends_shade
    assert straw.forecast.off_c.likely == off_c("straw")
    with pytest.raises(Conflict):
        log((600, Off()), (605, ShadeMoved("straw")))


def test_a_shade_after_a_thermometer_moves_it_little():
    sure = at(log((380, Reading("temperature", 152.0)), (390, ShadeSeen("straw"))), 390)
    alone = at(log((390, ShadeSeen("straw"))), 390)
    assert 152.0 < sure.celsius.likely < 156.0 and sure.celsius.high - sure.celsius.low < 6
    assert alone.celsius.high - alone.celsius.low > 6


def test_a_probe_that_follows_the_model_leaves_it_as_it_was():
    p = plan()
    heat = melting(p.sugar_kg, p.hearth.pan, p.hearth.burner, p.melt_on, p.kitchen.room_c)
    read = [(s, Reading("temperature", heat.after(27.0, s))) for s in (60.0, 160.0, 260.0)]
    followed, alone = at(log(*read), 300), at(log(), 300)
    assert followed.celsius.likely == pytest.approx(alone.celsius.likely, abs=0.5)
    assert followed.off_in_s.likely == pytest.approx(alone.off_in_s.likely, abs=5)


def test_too_dark_bitter_and_burnt_are_told_apart():
    troubles = [at(log((400, Reading("temperature", c))), 400).trouble for c in (160.0, 167.0, 172.0, 180.0, 190.0)]
    assert troubles == ["", "", "too-dark", "bitter", "burnt"]
    off = log((400, Reading("temperature", 167.0)), (405, Off()))
    assert at(off, 410).trouble in ("", "too-dark") and at(off, 410).ends_c.likely > 170
    seen = log((400, Reading("temperature", 167.0)), (401, Off()), (430, ShadeSeen("dark")))
    assert at(seen, 440).trouble == "bitter" and at(seen, 440).ends_shade == "dark"


def test_what_is_seen_is_believed_though_the_clock_says_otherwise():
    """It was lit long before that was logged: a thermometer two seconds later is right."""
    late = at(log((2, Reading("temperature", 155.0))), 2)
    assert late.celsius.likely == pytest.approx(155.0, abs=1) and late.off_in_s.likely < 120
    seen = at(log((5, ShadeSeen("amber"))), 5)
    assert seen.shade == "amber" and seen.off_in_s.likely == 0.0


def test_the_clock_alone_calls_nothing_burnt():
    forgotten = at(log((400, Reading("temperature", 150.0))), 3000)
    assert forgotten.trouble == "too-dark" and forgotten.celsius.likely > 190
    unseen = at(log(), 3000)
    assert unseen.trouble in ("", "too-dark") and unseen.off_in_s.likely == 0.0


def test_pours_go_in_one_by_one_and_the_last_lights_the_simmering():
    made = log((600, Off()))
    first = at(made, 601)
    assert first.phase == "opening" and first.next_pour.what == "butter" and first.trouble == ""
    after = log((600, Off()), *POURS[:3])
    pour = at(after, 700).next_pour
    assert (pour.what, pour.number, pour.of) == ("milk", 3, 6) and pour.mass_kg == pytest.approx(0.515 / 6, rel=0.01)
    larger = log((600, Off()), POURS[0], (640, Added("milk", 0.3)))
    assert at(larger, 650).next_pour.of < 6
    done = log((600, Off()), *POURS)
    stands = at(done, 901)
    assert stands.phase == "simmering" and stands.in_pan_kg == pytest.approx(0.192 + 0.04 + 0.515 + 0.4, rel=1e-3)
    told = caramelise(plan())
    assert stands.stop_kg == pytest.approx(told.stop_kg.likely, rel=2e-3)
    assert stands.left_s.likely == pytest.approx(told.simmer_s.likely, rel=0.02)


def test_what_really_went_in_is_what_it_is_simmered_from():
    light = log((600, Off()), POURS[0], (640, Added("milk", 0.30)), (700, StepDone()))
    stands = at(light, 701)
    p = plan()
    assert stands.phase == "simmering" and stands.stop_kg == pytest.approx(
        float(opened(p, 0.04, 0.30, 0.0).done.total), rel=1e-9
    )
    assert stands.told_kg.likely == pytest.approx((1 - LEFT_SHARE) * stands.stop_kg)


def test_the_pan_on_the_scale_moves_the_minutes():
    base = [(600, Off()), *POURS]
    made = log(*base)
    half = (at(made, 901).mixed_kg + at(made, 901).stop_kg) / 2
    soon, late = (log(*base, (900 + s, Reading("weight", half))) for s in (300, 1500))
    assert at(soon, 1200).left_s.likely < at(late, 2400).left_s.likely
    assert at(soon, 1200).in_pan_kg == pytest.approx(half)
    over = log(*base, (1500, Reading("weight", 0.8)))
    assert over is not None and at(over, 1500).left_s.likely == 0.0 and at(over, 1500).in_pan_kg == 0.8


def test_hands_are_asked_for_at_each_turn():
    def asked(made: Log, seconds: float) -> list[tuple[str, str, str]]:
        found = caramel_nudges(at(made, seconds), EPOCH_S + seconds)
        assert all(said(n.says) and n.due_at_s > EPOCH_S for n in found)
        return [(n.key, n.kind, n.answer) for n in found]

    assert asked(log(), 10) == [("colour", "care", "shade_seen"), ("stop", "hazard", "off")]
    assert asked(log((600, Off())), 601) == [("pour", "hazard", "added")]
    assert asked(log((600, Off()), POURS[0]), 620) == [("pour", "care", "added")]
    simmer = [(600, Off()), *POURS]
    assert [n[0] for n in asked(log(*simmer), 901)] == ["scrape", "stop"]
    wiped = caramel_nudges(at(log(*simmer, (1000, Scraped())), 1001), EPOCH_S + 1001)
    assert next(n for n in wiped if n.key == "scrape").due_at_s == EPOCH_S + 1180
    off = [*simmer, (2000, Off())]
    assert asked(log(*off), 2001) == [("weigh", "care", "weighed")]
    assert asked(log(*off, (2100, Weighed(0.8))), 2200) == []


@pytest.mark.parametrize(
    ("happened", "what", "field"),
    [
        ([], Added("milk", 0.1), "kind"),
        ([], Weighed(0.5), "kind"),
        ([], Reading("weight", 0.5), "how"),
        ([], Reading("temperature", 500.0), "value"),
        ([], Reading("depth", 0.02), "how"),
        ([], StepDone(), "kind"),
        ([(600, Off())], Off(), "kind"),
        ([(600, Off())], StepDone(), "kind"),
        ([(600, Off())], Added("milk", 9.0), "mass_kg"),
        ([(600, Off())], Added("milk", math.nan), "mass_kg"),
        ([(600, Off()), *POURS], ShadeSeen("amber"), "kind"),
        ([(600, Off()), *POURS], Reading("temperature", 100.0), "how"),
        ([(600, Off()), *POURS], Reading("weight", 3.0), "value"),
        ([(600, Off()), *POURS], Weighed(4.0), "mass_kg"),
    ],
)
def test_what_cannot_happen_then_says_why(happened, what, field):
    made = log(*happened)
    with pytest.raises((BadInput, Conflict)) as caught:
        KIND.check(made, Event(made.next_id, EPOCH_S + 5000, what))
    assert caught.value.field == field and caught.value.fix


def test_it_says_what_it_gave():
    simmer = [(600, Off()), *POURS, (2500, Off())]
    told = at(log(*simmer), 2501).told_kg
    for kg, words in (
        (told.likely, "As told"),
        (0.8 * told.likely, "less than told"),
        (1.15 * told.likely, "wetter"),
    ):
        done = at(log(*simmer, (2600, Weighed(round(kg, 3)))), 2700)
        assert done.finished and words in done.said and done.left_s is None


def test_instruments_speak_of_what_stands_there():
    melts, simmers = log(), log((600, Off()), *POURS)
    hot, heavy = Reading("temperature", 140.0, by="probe"), Reading("weight", 1.1, by="scale")
    for made, hears in ((melts, hot), (simmers, heavy)):
        stands = at(made, 950)
        assert [r for r in (hot, heavy) if KIND.hears(made.plan, stands, r) is not None] == [hears]


def test_another_milk_another_caramel():
    rich = caramelise(replace(plan(), milk=material("buffalo")))
    assert rich.fat > caramelise(plan()).fat
