"""What a kitchen learns of its own numbers: shrunk to the table, not thrown by a wild batch, and aware of a shift. The
figures to reach are the day dossier's (§6), on its own made-up cooks."""

import math
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.batch.effects import Learned, Seen
from mulvek.core.batch.learning import (
    VERDICTS,
    KeyLesson,
    RateLesson,
    effects_of,
    judge_thickness,
    learned_of,
    learned_rates,
    pace_of,
    rate_of,
)
from mulvek.core.equipment.burners import Burner
from mulvek.core.planning.reduce.plan import Rate, Thickness
from mulvek.core.planning.sweets.steps import Pace
from mulvek.core.ranges import Z80, Range

SDS = {"pan": 0.20, "flame": 0.15, "both": 0.08}
NOISE = 0.07


def cook(rng, batches, drops_at=None):
    """One made-up kitchen: pan, flame, ln of the next batch's rate and of what this one was seen to be; 6 % are wild."""
    pans = rng.normal(0, 0.18, 3)
    flames, mixed = rng.normal(0, 0.12, 3), rng.normal(0, 0.06, (3, 3))
    likes = rng.dirichlet([4, 2, 1])
    for n in range(batches):
        pan, flame = int(rng.choice(3, p=likes)), int(rng.choice(3, p=[0.25, 0.5, 0.25]))
        true = pans[pan] + flames[flame] + mixed[pan, flame] - (0.16 if drops_at is not None and n >= drops_at else 0)
        wild = math.log(rng.choice([0.5, 1.6, 2.0])) if rng.random() < 0.06 else 0.0
        yield pan, flame, true + rng.normal(0, 0.06), true + rng.normal(0, 0.06) + wild


def effects(pan, flame):
    return (("pan", pan), ("flame", flame), ("both", (pan, flame)))


def learn(rng, drops_at=None):
    """Errors of each forecast, whether its 80 % band held, and when drifts were noticed."""
    learned = Learned(lambda effect: SDS[effect[0]])
    errors, held = [], []
    for n, (pan, flame, following, seen) in enumerate(cook(rng, 40, drops_at)):
        told = learned.of(effects(pan, flame), NOISE)
        errors.append(abs(math.exp(told.ln_mean - following) - 1))
        held.append(abs(told.ln_mean - following) <= Z80 * told.next_sd)
        learned.add(Seen(n, effects(pan, flame), seen, NOISE))
    return errors, held, [n for n, _ in learned.drifts]


@pytest.fixture(scope="module")
def cooks():
    rng = np.random.default_rng(3)
    return [learn(rng) for _ in range(150)]


def test_forecasts_come_near_and_their_bands_hold(cooks):
    later = np.concatenate([errors[5:] for errors, _, _ in cooks])
    assert np.median(later) < 0.08 and np.mean(later) < 0.085
    first = np.median([errors[0] for errors, _, _ in cooks])
    assert first > 0.12  # the table alone
    assert 0.77 <= np.mean([held for _, held, _ in cooks]) <= 0.85


def test_nothing_is_called_a_drift_that_is_none(cooks):
    assert np.mean([sum(n <= 25 for n in drifts) for _, _, drifts in cooks]) <= 0.3


def test_a_drop_of_fifteen_in_a_hundred_is_noticed():
    rng = np.random.default_rng(7)
    noticed = [[n for n in learn(rng, drops_at=25)[2] if n > 25] for _ in range(300)]
    assert np.mean([bool(found) for found in noticed]) >= 0.95
    assert np.median([found[0] - 25 for found in noticed if found]) <= 6


CELL = (("burner", ""), ("cell", "pot"))


def burner(seen, sd=0.15):
    sds = {"burner": 0.28, "cell": 0.21}
    learned = Learned(lambda effect: sds[effect[0]])
    for n, ln_ratio in enumerate(seen):
        learned.add(Seen(n, CELL, ln_ratio, sd))
    return learned


@settings(deadline=None)
@given(st.lists(st.floats(-0.4, 0.4), min_size=1, max_size=12))
def test_what_is_believed_lies_between_the_table_and_what_was_seen(seen):
    told = burner(seen).of(CELL)
    assert min(0.0, *seen) - 1e-9 <= told.ln_mean <= max(0.0, *seen) + 1e-9
    assert told.ln_sd > 0 and told.batches <= len(seen)


@given(st.floats(-0.2, 0.2), st.integers(2, 6))
def test_the_same_again_makes_surer_and_comes_nearer(ln_ratio, times):
    beliefs = [burner([ln_ratio] * n).of(CELL) for n in range(1, times + 1)]
    for before, after in pairwise(beliefs):
        assert after.ln_sd < before.ln_sd
        assert abs(after.ln_mean - ln_ratio) <= abs(before.ln_mean - ln_ratio) + 1e-12


@pytest.mark.parametrize("wild", [math.log(1.6), math.log(0.7)])
def test_a_wild_batch_is_set_aside_and_moves_little(wild):
    steady = [0.10, 0.06, 0.13, 0.09, 0.11, 0.08]
    calm, thrown = burner(steady), burner([*steady, wild])
    assert thrown.used[-1].aside and not any(used.aside for used in thrown.used[:-1])
    pulled = thrown.of(CELL).ln_mean - calm.of(CELL).ln_mean
    assert 0 < pulled / (wild - calm.of(CELL).ln_mean) < 0.1


def test_a_shift_names_the_batches_it_shows_in_and_how_much_it_is():
    steady = [0.1, 0.12, 0.09, 0.11, 0.1, 0.08, 0.12, 0.1]
    learned = burner([*steady, *[-0.2] * 5], sd=0.07)
    drift = learned.drift
    assert drift is not None and drift.ln_shift < -0.15
    assert min(drift.batches) >= len(steady) - 1 and len(drift.batches) >= 3
    # it is asked about for a while, not for ever
    for n in range(20, 32):
        learned.add(Seen(n, CELL, -0.2, 0.07))
    assert learned.drift is None


def rates(*ratios, pan=2, flame="medium"):
    return tuple(RateLesson(n, pan, flame, math.log(r), 0.15) for n, r in enumerate(ratios))


def test_before_any_batch_a_rate_is_the_first_guess_of_its_burner():
    for of in (Burner("left"), Burner("left", ln_sd=0.06)):
        for flame in ("gentle", "medium", "strong"):
            told = rate_of(learned_rates(of, ()), 2, flame)
            assert (told.ln_mean, told.batches) == (0.0, 0)
            assert told.ln_sd == pytest.approx(min(Rate().ln_sd, of.first_guess_sd(flame)), abs=1e-6)


def test_another_pan_on_a_known_burner_is_guessed_from_it_less_surely():
    """The published figures of pooling (reduction dossier §4): 0.039 ± 0.256 from two cells."""
    lessons = (*rates(1.18, 1.07, 1.22), *rates(0.94, pan=3))
    told = rate_of(learned_rates(Burner("left"), lessons), 9, "medium")
    assert told.ln_mean == pytest.approx(0.03949, abs=1e-5)
    assert told.ln_sd == pytest.approx(0.25556, abs=1e-5) and told.batches == 0
    own = rate_of(learned_rates(Burner("left"), lessons), 2, "medium")
    assert own.ln_sd < 0.12 and own.batches == 3


def test_a_milk_of_its_own_is_learned_and_the_hand_with_all():
    lessons = tuple(KeyLesson(n, "5", 0.1) for n in range(6))
    learned = learned_of("yield", lessons)
    assert learned.of(effects_of("5")).ln_mean == pytest.approx(0.1, abs=0.01)
    other = learned.of(effects_of("7")).ln_mean
    assert 0.005 < other < 0.05  # part of it is the cook's own hand
    wild = learned_of("yield", (*lessons, KeyLesson(9, "5", math.log(1000))))
    assert wild.of(effects_of("5")).ln_mean == pytest.approx(0.1, abs=0.03)


def test_a_slow_hand_is_slow_at_its_own_step_and_a_little_at_none_other():
    lessons = tuple(KeyLesson(n, "kulfi.fill", math.log(1.5)) for n in range(5))
    learned = learned_of("step", lessons)
    pace = pace_of(learned, "kulfi.fill")
    assert math.exp(pace.ln_mean) == pytest.approx(1.45, abs=0.05)
    assert pace_of(learned, "kulfi.sweeten") is None  # never timed: the table's


@given(st.floats(-1.0, 1.0), st.floats(0.02, 1.0))
def test_a_pace_never_makes_a_step_less_sure_than_the_table(ln_mean, sd):
    table = Range(480.0, 600.0, 780.0)
    here = Pace(ln_mean, sd, 3).of(table)
    assert here.likely == pytest.approx(600 * math.exp(ln_mean))
    assert here.low <= here.likely <= here.high
    assert (here.high - here.low) / here.likely <= (table.high - table.low) / table.likely + 1e-9


@given(st.dictionaries(st.sampled_from(sorted(VERDICTS)), st.integers(0, 400)))
def test_verdicts_in_whatever_number_only_make_surer(said):
    judged = judge_thickness(Thickness(), said)
    assert judged.batches == sum(said.values())
    assert judged.ln_sd <= Thickness().ln_sd and math.isfinite(judged.ln_mean)
