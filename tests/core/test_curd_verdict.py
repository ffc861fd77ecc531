"""What a curd suits, and what to change: the verdict knows its own range, the advice is kept by the model."""

from dataclasses import fields, replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.core.composition.materials import material
from mulvek.core.planning.curdle.acid import COAGULANTS
from mulvek.core.planning.curdle.balance import DRAINS, Draining
from mulvek.core.planning.curdle.forecast import curdle
from mulvek.core.planning.curdle.pieces import USES
from mulvek.core.planning.curdle.verdict import judge
from mulvek.core.ranges import Range
from tests.core.test_curd import plan
from tests.sizes import sized

plans = st.builds(
    lambda milk, use, wait, drain, minutes, rinses, coagulant: plan(
        milk=material(milk),
        use=use,
        wait_s=wait,
        draining=Draining(drain, minutes * 60),
        rinses=rinses,
        rinse_kg=1.0 if rinses else 0.0,
        coagulant=coagulant,
        amount=replace(plan().amount, quantity=replace(plan().amount.quantity, value=2e-3)),
    ),
    st.sampled_from(["cow", "buffalo", "toned", "skim", "uht"]),
    st.sampled_from(sorted(USES)),
    st.floats(0, 1200),
    st.sampled_from(DRAINS),
    st.floats(1, 240),
    st.integers(0, 3),
    st.sampled_from(["lemon", "vinegar", "citric-acid", "sour-whey", "sour-curd"]),
)


@settings(max_examples=sized(150, 3000), deadline=None)
@given(plans)
def test_whoever_follows_the_advice_gets_what_it_is_for(planned):
    told = curdle(planned)
    if told.fits[planned.use].suits == "yes":
        assert told.instead is None
        return
    if told.instead is None:
        return
    way = told.instead
    then = curdle(replace(planned, wait_s=way.wait_s, draining=way.draining, rinses=way.rinses, hold_s=way.hold_s))
    assert then.fits[planned.use].suits == "yes"


@settings(max_examples=sized(150, 3000), deadline=None)
@given(plans)
def test_all_mass_is_somewhere_whatever_curdles_it(planned):
    b = curdle(planned).balance
    for part in fields(b.milk):
        came = getattr(b.milk, part.name) + getattr(b.acid, part.name)
        went = getattr(b.curd, part.name) + getattr(b.whey, part.name) + getattr(b.washings, part.name)
        water = (b.rinse_kg - b.steam_kg) if part.name == "water" else 0.0
        assert came + water == pytest.approx(went, abs=1e-9)
        assert getattr(b.curd, part.name) >= -1e-12


@given(st.floats(0.45, 0.70), st.floats(0, 100), st.sampled_from(sorted(USES)))
def test_a_verdict_is_as_sure_as_its_figures(moisture, texture, key):
    use = USES[key]
    sure = judge(use, Range.normal(moisture, 1e-6), Range.normal(texture, 1e-6))
    usual = judge(use, Range.normal(moisture, 0.022), Range.normal(texture, 10.0))
    assert (sure.suits == "yes") == (usual.suits == "yes")
    if sure.suits == "yes":
        assert sure.fault == ""
        return
    inside = [
        low - 1.2816 * sd <= value <= high + 1.2816 * sd
        for value, sd, (low, high) in ((moisture, 0.022, use.moisture), (texture, 10.0, use.texture))
    ]
    assert usual.suits == ("nearly" if all(inside) else "no")
    right = {
        "dry": moisture < use.moisture[0],
        "wet": moisture > use.moisture[1],
        "soft": texture < use.texture[0],
        "firm": texture > use.texture[1],
    }
    assert right[usual.fault]


@pytest.mark.parametrize(("use", "milk"), [(u, m) for u in USES for m in ("cow", "buffalo", "toned")])
def test_from_the_usual_plan_every_milk_reaches_every_use(use, milk):
    told = curdle(plan(use=use, milk=material(milk)))
    assert told.fits[use].suits == "yes" or told.instead is not None


def test_sour_curd_brings_its_own_curd_and_a_wider_dose():
    lemon, curd, whey = (curdle(plan(coagulant=key)) for key in ("lemon", "sour-curd", "sour-whey"))
    holds, litres = COAGULANTS["sour-curd"].holds, curd.acid.likely.likely
    assert holds.casein == pytest.approx(0.026)
    more = curd.balance.curd.protein - lemon.balance.curd.protein
    assert 0.9 * holds.casein * litres < more < 1.1 * (holds.casein + holds.whey) * litres
    assert curd.balance.curd.fat > lemon.balance.curd.fat
    for told in (curd, whey):
        assert told.acid.likely.low == pytest.approx(0.4 * told.acid.likely.likely)
        assert told.acid.ready == pytest.approx(1.2 * told.acid.likely.likely)
        assert told.acid.water_kg == 0.0
    assert lemon.acid.likely.low == pytest.approx(0.75 * lemon.acid.likely.likely)


def test_on_the_heat_it_firms_and_the_step_says_so():
    short, long = curdle(plan(use="paneer")), curdle(plan(use="paneer", hold_s=300.0))
    assert long.texture.likely > short.texture.likely + 5
    acid = {f.plan.hold_s: next(s for s in f.stages if s.name == "acid") for f in (short, long)}
    assert acid[300.0].seconds - acid[30.0].seconds == 270.0 and "5 minutes more" in acid[300.0].sign
