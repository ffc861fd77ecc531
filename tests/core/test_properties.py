"""What must hold for any plan: mass closes, physics is monotone, words survive, undo is exact."""

import contextlib

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from mulvek.core.batch.events import Event, FirstBoil, FlameChanged, Lit, Off, Reading, Stirred, SugarIn, Undo
from mulvek.core.batch.history import History
from mulvek.core.batch.rules import check_event
from mulvek.core.batch.running import state_of
from mulvek.core.composition.materials import material
from mulvek.core.equipment.burners import FLAMES, Burner
from mulvek.core.equipment.kitchen import Kitchen
from mulvek.core.equipment.pans import Pan
from mulvek.core.equipment.quantities import Measures, Quantity, parse
from mulvek.core.equipment.vessels import Kadhai, Straight
from mulvek.core.errors import BadInput, Impossible, Unlikely
from mulvek.core.planning.reduce.forecast import forecast
from mulvek.core.planning.reduce.plan import Amount, Rate, ReducePlan
from mulvek.core.planning.reduce.stops import Stop, read_stop

KADHAI = Pan("kadhai", Kadhai(0.29, 0.086, 0.32, 0.032), "iron", 2.3)


def plan(
    milk_kg=2.0, stop="half its volume", sugar_kg=0.09, when="end", flame="medium", milk="buffalo", pan=KADHAI, **more
):
    sugar = Amount(Quantity(sugar_kg, "mass", ""), 0.005) if sugar_kg else None
    amount = Amount(Quantity(milk_kg, "mass", ""), 0.005)
    kind = read_stop(stop) if isinstance(stop, str) else stop
    return ReducePlan(
        milk=material(milk),
        amount=amount,
        pan=pan,
        burner=Burner("left"),
        flame=flame,
        stop=kind,
        sugar=sugar,
        sugar_time=when,
        kitchen=Kitchen(altitude_m=620.0),
        **more,
    )


plans = st.builds(
    plan,
    milk_kg=st.floats(0.3, 3.0),
    stop=st.floats(0.25, 0.9).map(lambda share: Stop("volume_ratio", share)),
    sugar_kg=st.sampled_from([0.0, 0.05, 0.2]),
    when=st.sampled_from(["start", "midway", "end"]),
    flame=st.sampled_from(FLAMES),
    milk=st.sampled_from(["cow", "buffalo", "toned", "skim"]),
    pan=st.sampled_from([KADHAI, Pan("pot", Straight(0.24, 0.16))]),
)


@settings(max_examples=60, deadline=None)
@given(plans)
def test_mass_closes_and_the_way_down_is_monotone(p):
    try:
        f = forecast(p)
    except Impossible:
        assume(False)
    assert p.milk_kg + p.sugar_kg - f.steam_kg - f.product_kg.likely == pytest.approx(0.0, abs=1e-9)
    for (name, before), (_, after) in zip(p.all_parts.items(), f.after.items(), strict=True):
        assert name == "water" or after == pytest.approx(before, abs=1e-12)
    t = f.track
    assert np.all(np.diff(t.at_s) > 0) and np.all(np.diff(t.depth_m) < 0) and np.all(np.diff(t.total_solids) > 0)
    assert np.all(np.diff(t.cold_stage) >= 0) and np.all(t.served_kg < t.product_kg)
    for r in (f.after_boil_s, f.served_kg, f.stop_depth_m, f.total_solids, f.first_boil_s):
        assert 0 <= r.low <= r.likely <= r.high


def test_physics_has_its_directions():
    minutes = {flame: forecast(plan(flame=flame)).after_boil_s.likely for flame in FLAMES}
    assert minutes["gentle"] > minutes["medium"] > minutes["strong"]
    assert forecast(plan(stop="a third")).after_boil_s.likely > forecast(plan()).after_boil_s.likely
    assert forecast(plan(sugar_kg=0.2)).total_solids.likely > forecast(plan()).total_solids.likely
    guess, known = forecast(plan()), forecast(plan(rate=Rate(0.0, 0.1, 3)))
    assert known.after_boil_s.high - known.after_boil_s.low < guess.after_boil_s.high - guess.after_boil_s.low


@pytest.mark.parametrize(
    ("changed", "field"),
    [
        ({"stop": "3 L"}, "stop"),
        ({"stop": "85 % solids"}, "stop"),
        ({"stop": "20 cm"}, "stop"),
        ({"milk_kg": 5.0}, "pan"),
        ({"milk_kg": 0.0001}, "amount"),
        ({"sugar_kg": 9.0}, "sugar"),
        ({"pan": Pan("tray", Straight(0.9, 0.1)), "stop": "half"}, "burner"),
    ],
)
def test_impossible_wishes_name_the_word_to_change(changed, field):
    with pytest.raises(Impossible) as error:
        forecast(plan(**changed))
    assert error.value.field == field and error.value.fix


@pytest.mark.parametrize(
    ("text", "value"),
    [
        ("2 L", 2e-3),
        ("2½ cups", 625e-6),
        ("3 glasses", 600e-6),
        ("750", 750e-6),
        ("1 1/2 cups", 375e-6),
        ("two and a half litres", 2.5e-3),
        ("half a litre", 0.5e-3),
        ("1,250 ml", 1.25e-3),
        ("2,4 l", 2.4e-3),
        ("1 kg 200 g", 1.2),
        ("two thirds cup", 250e-6 * 2 / 3),
        ("२.५ L", 2.5e-3),
        ("1 kg 250", 1.25),
        ("1 L 200", 1.2e-3),
        ("a dozen cups", 3e-3),
        ("2 US pints", 2 * 473.176473e-6),
        ("1 imperial quart", 1136.5225e-6),
        ("12 us fl oz", 12 * 29.5735296e-6),
        ("12 uk fluid ounces", 12 * 28.4130625e-6),
        ("3 us cups", 3 * 236.588236e-6),
        ("2 metric cups", 500e-6),
    ],
)
def test_a_cook_is_understood(text, value):
    assert parse(text, default_unit="ml", allow=("volume", "mass")).value == pytest.approx(value)


@pytest.mark.parametrize(
    "text", ["", "-2 L", "0", "milk", "2 bananas", "nan L", "1e400", "2 L 300 g", "3 cm", "1/0 cup", "9" * 90]
)
def test_nonsense_is_refused_with_the_word(text):
    with pytest.raises(BadInput) as error:
        parse(text, default_unit="ml", allow=("volume", "mass"), field="amount")
    assert error.value.field == "amount" and error.value.fix


@pytest.mark.parametrize(
    ("text", "named"), [("2 pints", "uk pint"), ("12 fl oz", "us fl oz"), ("1 quart", "us quart")]
)
def test_a_measure_of_two_lands_asks_which(text, named):
    with pytest.raises(BadInput) as error:
        parse(text, default_unit="ml", allow=("volume",), field="amount")
    assert error.value.field == "amount" and named in error.value.fix
    assert parse(f"1 {named}", default_unit="ml", allow=("volume",)).value > 0


@pytest.mark.parametrize(
    ("text", "plain"),
    [
        ("down to a fifth", "a fifth"),
        ("5:1", "a fifth"),
        ("1:5", "a fifth"),
        ("Until half remains", "half its volume"),
        ("till it is half", "half its volume"),
        ("two thirds gone", "by two thirds"),
        ("half boiled away", "half its volume"),
        ("boil down to 400 ml", "400 ml"),
        ("reduce to 600 g", "600 g"),
        ("cook down to 31 % solids", "31 % solids"),
        ("reduce by half", "by half"),
        ("mawa", "khoya"),
        ("khoa", "khoya"),
    ],
)
def test_a_stop_is_understood_as_cooks_lead_up_to_it(text, plain):
    assert read_stop(text) == read_stop(plain)


@pytest.mark.parametrize("text", ["coats the spoon", "until it coats the spoon", "pours like thin cream"])
def test_a_look_without_a_time_asks_hot_or_cold(text):
    with pytest.raises(BadInput) as error:
        read_stop(text)
    assert error.value.field == "stop" and read_stop(error.value.fix.split("“")[1].split("”")[0]).kind == "cold_stage"


def test_own_cups_count():
    assert parse(
        "2 cups", default_unit="ml", allow=("volume",), measures=Measures(cup_m3=180e-6)
    ).value == pytest.approx(360e-6)


@settings(deadline=None)
@given(st.text(max_size=30))
def test_any_text_is_read_or_refused(text):
    for read in (lambda: parse(text, default_unit="ml", allow=("volume", "mass")), lambda: read_stop(text)):
        with contextlib.suppress(BadInput):
            read()


@settings(deadline=None)
@given(st.sampled_from(["volume_ratio", "mass_ratio", "total_solids"]), st.integers(5, 95))
def test_a_stop_says_itself_back(kind, hundredths):
    stop = Stop(kind, hundredths / 100)
    assert read_stop(stop.text).kind == kind
    assert read_stop(stop.text).value == pytest.approx(stop.value, abs=0.006)


# -- the running batch --------------------------------------------------------------------------------

TRUE_SPEED = 1.5


def cooked(p: ReducePlan, upto: float = 1.0) -> list[Event]:
    """A batch that truly runs half as fast again as the model, dipped three times on the way."""
    truth = forecast(plan(rate=Rate(np.log(TRUE_SPEED), 0.05))).track
    boil = 700.0
    stop_s = forecast(plan(rate=Rate(np.log(TRUE_SPEED), 0.05))).after_boil_s.likely
    events = [Event(1, 0.0, Lit()), Event(2, boil, FirstBoil())]
    for i, share in enumerate((0.3, 0.55, 0.8)):
        if share <= upto:
            depth = float(np.interp(stop_s * share, truth.at_s, truth.depth_m))
            events.append(Event(3 + i, boil + stop_s * share, Reading("depth", depth)))
    return events


def test_readings_find_the_truth_and_narrow_the_range():
    p = plan()
    stop_s = forecast(plan(rate=Rate(np.log(TRUE_SPEED), 0.05))).after_boil_s.likely
    now = 700.0 + 0.8 * stop_s
    told, knows = state_of(p, cooked(p, 0.0), now).to_stop_s, state_of(p, cooked(p), now).to_stop_s
    assert abs(knows.likely - 0.2 * stop_s) < 0.25 * abs(told.likely - 0.2 * stop_s)
    assert knows.high - knows.low < 0.5 * (told.high - told.low)
    done = [*cooked(p), Event(9, 700.0 + stop_s, Off())]
    lesson = state_of(p, done, 700.0 + stop_s).lesson
    assert lesson.ln_ratio == pytest.approx(np.log(TRUE_SPEED), abs=2 * lesson.ln_sd)


@settings(max_examples=40, deadline=None)
@given(st.lists(st.sampled_from(["stir", "sugar", "flame", "read"]), max_size=6), st.integers(0, 5))
def test_undo_is_exact_and_undoing_it_too(acts, which):
    p = plan()
    events = [Event(1, 0.0, Lit()), Event(2, 700.0, FirstBoil())]
    made = {
        "stir": Stirred(),
        "sugar": SugarIn(0.03),
        "flame": FlameChanged("gentle"),
        "read": Reading("depth", 0.06),
    }
    for i, act in enumerate(acts):
        events.append(Event(3 + i, 800.0 + 60 * i, made[act]))
    assume(len(events) > 2)
    gone = events[2 + which % (len(events) - 2)]
    without = [e for e in events if e is not gone]
    undone = [*events, Event(50, 2000.0, Undo(gone.id))]
    assert state_of(p, undone, 2100.0) == state_of(p, without, 2100.0)
    again = [*undone, Event(51, 2000.0, Undo(50))]
    assert state_of(p, again, 2100.0) == state_of(p, events, 2100.0)


def test_a_reading_that_hardly_can_be_true_is_asked_back():
    p, events = plan(), cooked(plan())
    reading = Event(8, events[-1].at_s + 60, Reading("depth", 0.064))
    with pytest.raises(Unlikely):
        check_event(History(p, events), reading)
    check_event(History(p, events), Event(8, reading.at_s, Reading("depth", 0.064, sure=True)))
    with pytest.raises(BadInput):
        check_event(History(p, events), Event(8, reading.at_s, Reading("depth", 0.5)))
