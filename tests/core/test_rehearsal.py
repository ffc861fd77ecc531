"""The simulated pan, its instruments, the scripted cooks and the account of a run."""

import statistics
from dataclasses import replace

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from mulvek.core.equipment.quantities import Measures
from mulvek.core.errors import BadInput
from mulvek.core.planning.reduce.forecast import forecast
from mulvek.core.planning.reduce.plan import Amount
from mulvek.core.rehearsal.account import account, replay
from mulvek.core.rehearsal.acting import Act
from mulvek.core.rehearsal.cooks import run
from mulvek.core.rehearsal.cooks.pan import Careful
from mulvek.core.rehearsal.hidden import hide
from mulvek.core.rehearsal.instruments import INSTRUMENTS, read
from mulvek.core.rehearsal.luck import LEVELS
from mulvek.core.rehearsal.noise import normal, uniform
from mulvek.core.rehearsal.score import score
from mulvek.core.rehearsal.worlds.pan import SimPan
from mulvek.instruments.bench import ordinary_plan
from tests.sizes import sized

PLAN = ordinary_plan()
SWEET = replace(PLAN, sugar=Amount.read("100 g", "sugar", "g", Measures()))


def hasty() -> Careful:
    """Never turns the flame down."""
    return Careful(turns_down=False)


def lazy() -> Careful:
    """Leaves the pan alone far too long."""
    return Careful(slack=2.6)


def boiling(level=1, seed=3, plan=PLAN, minutes=20) -> SimPan:
    pan = SimPan(hide(plan, level, seed))
    pan.act(Act(0, "flame", flame="strong"))
    while pan.boiled_at_s is None:
        if pan.at_s % 120 == 0:
            pan.act(Act(pan.at_s, "stir"))
        pan.step()
    pan.act(Act(pan.at_s, "flame", flame="medium"))
    for _ in range(minutes):
        pan.run_to(pan.at_s + 60, pan.acts)
        pan.act(Act(pan.at_s, "stir"))
    return pan


def test_noise_is_even_and_depends_on_nothing_but_its_name():
    draws = [uniform(5, "x", i) for i in range(4000)]
    assert 0.48 < statistics.mean(draws) < 0.52 and min(draws) > 0 and max(draws) < 1
    normals = [normal(5, "y", i) for i in range(4000)]
    assert abs(statistics.mean(normals)) < 0.05 and 0.96 < statistics.stdev(normals) < 1.04


def test_a_plain_level_runs_as_the_forecast_says():
    told, pan = forecast(PLAN), run(SimPan(hide(PLAN, 1, 1)), Careful())
    assert pan.boiled_at_s == pytest.approx(told.first_boil_s.likely, rel=0.03)
    assert pan.at_s - pan.boiled_at_s == pytest.approx(told.after_boil_s.likely, rel=0.10)
    assert abs(pan.off_target) < 0.01


@settings(max_examples=sized(5, 12), deadline=None)
@given(st.integers(1, 4), st.integers(0, 10_000), st.sampled_from([Careful, lazy, hasty]))
def test_a_replay_is_the_run_again(level, seed, cook):
    pan = run(SimPan(hide(SWEET, level, seed)), cook())
    again = replay(lambda: SimPan(pan.hidden), pan.acts)
    assert (again.at_s, again.mass_kg, again.scorch, again.dose) == (pan.at_s, pan.mass_kg, pan.scorch, pan.dose)
    # reading an instrument, or running in one go, changes nothing
    jumped = SimPan(pan.hidden)
    for at in range(0, pan.at_s, 997):
        jumped.run_to(at, pan.acts)
        [read(jumped, key) for key in INSTRUMENTS]
    jumped.run_to(pan.at_s, pan.acts)
    assert jumped.mass_kg == pan.mass_kg and jumped.goes_on_with(pan.acts, pan.at_s)


@settings(max_examples=sized(4, 8), deadline=None)
@given(st.integers(0, 10_000))
@example(140)  # boils over again and again until next to nothing is left, and that dries
def test_mass_closes_but_for_steam(seed):
    """What went in is in the pan, on its sides, on the hob, or left as steam; milk solids never appear from nowhere."""
    pan = SimPan(hide(SWEET, 2, seed))
    pan.act(Act(0, "flame", flame="strong"))
    steam = 0.0
    for _ in range(1500):
        before = pan.mass_kg + pan.side_kg + pan.spilt_kg
        pan.step()
        steam += pan.steam_kg_s
        assert pan.mass_kg + pan.side_kg + pan.spilt_kg == pytest.approx(before - pan.steam_kg_s, abs=2e-6)
    assert pan.start_kg == pytest.approx(pan.mass_kg + pan.side_kg + pan.spilt_kg + steam, rel=1e-3)


def test_habits_cost_what_they_cost():
    points = {
        name: [score(run(SimPan(hide(SWEET, 2, seed)), cook())).points for seed in range(sized(3, 6))]
        for name, cook in (("careful", Careful), ("lazy", lazy))
    }
    assert statistics.median(points["careful"]) > 95
    assert statistics.median(points["lazy"]) < statistics.median(points["careful"]) - 8
    left_alone = SimPan(hide(PLAN, 1, 1))
    left_alone.act(Act(0, "flame", flame="strong"))
    left_alone.run_to(2400, left_alone.acts)
    assert left_alone.scorch > 0.6 and left_alone.skin + left_alone.lumps > 0
    assert any("burnt" in s.says for s in left_alone.signs())


def test_milk_boils_over_under_a_lid_on_a_strong_flame():
    full = replace(PLAN, amount=Amount.read("4 L", "amount", "L", Measures()))
    pan = SimPan(hide(full, 1, 1))
    pan.act(Act(0, "flame", flame="strong"))
    pan.act(Act(0, "lid", 1.0))
    pan.run_to(3600, pan.acts)
    assert pan.spilt_kg > 0.02 and score(pan).points <= 80
    assert any("boiled over" in s.says for s in pan.signs())


def test_enough_lemon_splits_it_and_a_little_does_not():
    little, enough = boiling(), boiling()
    little.act(Act(little.at_s, "acid", 0.002))
    enough.act(Act(enough.at_s, "acid", 0.12))
    assert not little.split and enough.split and enough.ph < little.ph
    assert score(enough).part("texture").points < 30 < score(little).part("texture").points


def test_instruments_keep_to_what_they_can_show():
    cold, hot = SimPan(hide(PLAN, 2, 4)), boiling(2, 4)
    assert read(cold, "lactometer") is not None and read(hot, "lactometer") is None
    assert read(hot, "scale") == pytest.approx(hot.mass_kg, abs=0.05)
    assert read(hot, "dip") > hot.depth_m - 0.004
    assert read(hot, "ph") * 10 % 3 == pytest.approx(0, abs=1e-6)
    shown = [read(hot, "probe", drop_outs=1.0)]
    for _ in range(200):
        hot.step()
        shown.append(read(hot, "probe", drop_outs=1.0))
    assert None in shown and any(v is not None for v in shown)
    quiet = [read(boiling(1, seed), "scale") for seed in range(4)]
    assert len(set(quiet)) > 1  # even a quiet kitchen's scale is not the truth itself


def test_what_is_hidden_depends_on_level_and_seed_only():
    assert hide(PLAN, 3, 9) == hide(PLAN, 3, 9) != hide(PLAN, 3, 10)
    assert (
        hide(PLAN, 1, 9).truth.milk.parts.fat == pytest.approx(PLAN.milk.parts.fat)
        and not hide(PLAN, 2, 9).luck.bells
    )
    assert any(hide(PLAN, 4, s).luck.gas(9000) < 1 for s in range(8)) and LEVELS[4].shows == ("dip",)
    for wrong in ({"level": 5}, {"seed": -1}):
        with pytest.raises(BadInput):
            hide(PLAN, **{"level": 2, "seed": 1, **wrong})


def test_the_account_names_the_slip_and_the_practised_hands():
    """Nobody stirred while it warmed: that is what the account finds, and mending it is worth most."""
    pan = boiling(2, 8, minutes=0)
    hidden = pan.hidden
    pan = replay(
        lambda: SimPan(hidden),
        [a for a in pan.acts if a.kind == "flame"] + [Act(pan.at_s + 60 * i, "stir") for i in range(1, 40)],
        pan.goal_kg,
    )
    told = account(pan, lambda: SimPan(hidden), Careful())
    assert told.slips[0].what == "Stirring every two minutes while it warms" and told.slips[0].points > 5
    assert told.expert_score.points > told.score.points
    assert list(told.slips) == sorted(told.slips, key=lambda slip: -slip.points)
