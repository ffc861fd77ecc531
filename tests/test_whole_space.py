"""Whatever a kitchen may ask, of every kind of plan: our own answer, in bounds, or our own error that names what was
sent. Requests come from ``tests.strategies``."""

import importlib
import math
import pkgutil
from collections.abc import Iterator
from typing import Any

import pytest
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

import mulvek
from mulvek.cli.no_larder import NoLarder
from mulvek.core.errors import KitchenError
from mulvek.core.planning.reduce.forecast import forecast
from mulvek.core.planning.strain.forecast import strain
from mulvek.wire.caramel import CaramelIn, answer_caramel
from mulvek.wire.curd import CurdleIn, answer_curdle
from mulvek.wire.reduce import ForecastOut, ReduceIn, read_plan
from mulvek.wire.strain import StrainForecastOut, StrainIn, read_strain
from mulvek.wire.sweet_words import SweetIn
from mulvek.wire.sweets import answer_sweet
from tests import sizes
from tests.sizes import sized
from tests.strategies import caramels, curdlings, reductions, strainings, sweets

for _found in pkgutil.walk_packages(mulvek.__path__, "mulvek."):
    # what is tried draws on the constants of all code that is loaded: load all, and every run tries the same
    if ".migrations" not in _found.name and not _found.name.endswith("__main__"):
        importlib.import_module(_found.name)

often = settings(
    max_examples=sized(150, 50_000),
    deadline=None,
    derandomize=not sizes.full,  # CI tries the same ones each time; --full tries new ones
    suppress_health_check=[HealthCheck.filter_too_much],
)


def _reduce(body: dict[str, Any]) -> Any:
    return ForecastOut.of(forecast(read_plan(ReduceIn.model_validate(body), NoLarder())))


def _curdle(body: dict[str, Any]) -> Any:
    return answer_curdle(CurdleIn.model_validate(body), NoLarder())


def _strain(body: dict[str, Any]) -> Any:
    return StrainForecastOut.of(strain(read_strain(StrainIn.model_validate(body), NoLarder())))


def _caramel(body: dict[str, Any]) -> Any:
    return answer_caramel(CaramelIn.model_validate(body), NoLarder())


def _sweet(body: dict[str, Any]) -> Any:
    return answer_sweet(SweetIn.model_validate(body), NoLarder())


KINDS = {"reduce": (_reduce, ReduceIn), "curdle": (_curdle, CurdleIn), "strain": (_strain, StrainIn)}
KINDS["caramel"] = (_caramel, CaramelIn)
KINDS["sweet"] = (_sweet, SweetIn)
EACH_KIND = pytest.mark.parametrize(
    ("kind", "requests"),
    [
        ("reduce", reductions),
        ("curdle", curdlings),
        ("strain", strainings),
        ("caramel", caramels),
        ("sweet", sweets()),
    ],
    ids=lambda value: value if isinstance(value, str) else "",
)
"""A test of whatever may be asked of each kind."""
SHARES = ("total_solids", "pan_solids", "moisture", "water_activity", "acid_left", "fat_in_dry")
UNSIGNED = ("_kg", "_m3", "_m", "_g", "depth_m", "boil_s", "after_boil_s")


def _ranges(said: Any, at: str = "") -> Iterator[tuple[str, float, float, float]]:
    """Every range of an answer; a bare figure is one too."""
    if isinstance(said, dict):
        if set(said) == {"low", "likely", "high"}:
            yield at, said["low"], said["likely"], said["high"]
            return
        for key, value in said.items():
            yield from _ranges(value, f"{at}/{key}")
    elif isinstance(said, list):
        for value in said:
            yield from _ranges(value, at)
    elif isinstance(said, float | int) and not isinstance(said, bool):
        yield at, said, said, said


def _check_answer(answer: Any) -> None:
    for at, low, likely, high in _ranges(answer.model_dump(mode="json")):
        name = at.rsplit("/", 1)[-1]
        assert all(map(math.isfinite, (low, likely, high))), at
        assert low <= likely <= high, (at, low, likely, high)
        if name in SHARES:
            assert low >= 0 and high <= 1, (at, low, high)
        if name.endswith(UNSIGNED) and name != "off_m":
            assert low >= -1e-12, (at, low)


def _check_error(error: KitchenError, sent: type) -> None:
    """It names a word that may be sent, and says what to do."""
    fields = set(sent.model_fields) | {"altitude", "room", "milk_c", "fridge_c", "freezer_c"}
    word = error.field.split(".")[0].split("[")[0]
    shape = {"diameter", "height", "base_diameter", "top_diameter", "rim_diameter", "bowl_depth", "wall_height"}
    known = fields | shape | {"flat_diameter", "pairs", "fat", "snf", "material", "mass", "species"}
    assert word in known, f"{error.field}: {error.message}"
    assert error.message.strip() and error.fix.strip()


@EACH_KIND
def test_an_answer_in_bounds_or_an_error_that_names_what_was_sent(kind, requests):
    answer, model = KINDS[kind]

    @often
    @given(requests)
    def ask(body: dict[str, Any]) -> None:
        try:
            said = answer(body)
        except KitchenError as error:
            _check_error(error, model)
        except ValidationError:
            assume(False)
        else:
            _check_answer(said)

    ask()


COUNTED = (
    "/count",
    "/pieces",
    "/each",
    "/grid",
    "/slab",
    "/goes",
    "/at_once",
    "/nutrients",
    "/cost",
    "/stage",
    "/moulds",
    "/crowded",
)
"""Figures that go in whole steps, or follow such a one."""


def _figures(said: Any, at: str = "") -> Iterator[tuple[str, float]]:
    if isinstance(said, dict):
        for key, value in said.items():
            yield from _figures(value, f"{at}/{key}")
    elif isinstance(said, float) and not any(step in at for step in COUNTED):
        yield at, said


def _goes(answer: Any) -> list[float]:
    """How often the pan is filled, into how many bags a curd is parted, in how many pours milk
    meets caramel, how many moulds stand in a freezer, and what takes a flame longer than half a day, which
    is told by a rougher estimate: thresholds that have a name."""
    filled = [low for at, low, _, _ in _ranges(answer.model_dump(mode="json")) if at.endswith(("/goes", "/at_once"))]
    filled += [float(base.words.get("bags", 1)) for base in getattr(answer, "bases", ())]
    filled += [float(getattr(answer, "pours", 0))]
    filled += [float(boil.rate_kg_s > 0) for boil in getattr(answer, "boilings", ())]
    return [*filled, answer.pieces.likely] if getattr(answer, "frozen", None) else filled


def _little(at: str, kg: float, slow_s: float) -> float:
    """What is nothing to a cook, of a figure that is a small difference of large ones: seconds, a part of a colour, a
    hundredth of the mass, millimetres, a point of a texture index."""
    scales = (("_s", slow_s), ("/judgement/colour", 0.1), ("_kg", 0.01 * kg), ("_m", 6e-3), ("texture", 1.0))
    return next((little for part, little in scales if part in at), 2e-3)


RATIOS = ["half its volume", "a third", "half its weight", "rabri", "30 % solids"]


@pytest.mark.parametrize(
    ("kind", "requests", "word"),
    [
        ("reduce", reductions.map(lambda b: {**b, "sugar": "", "additions": []}), "amount"),
        ("curdle", curdlings.map(lambda b: {**b, "rinse": ""}), "amount"),
        ("strain", strainings, "amount"),
        ("caramel", caramels.map(lambda b: {"milk_amount": "1 L", **b}), "sugar"),
        ("sweet", sweets().map(lambda b: {**b, "whole_packs": False}), "want"),
    ],
    ids=lambda value: value if isinstance(value, str) else "",
)
def test_a_little_more_of_it_moves_no_answer_far(kind, requests, word):
    """A hundredth more: nothing moves by more than a tenth (or by little on its own scale). This catches sawteeth and coarse
    bins."""
    answer, _ = KINDS[kind]

    @often
    @given(requests, st.floats(0.2, 4.0), st.sampled_from(RATIOS))
    def ask(body: dict[str, Any], kg: float, stop: str) -> None:
        body = {**body, word: f"{kg:.6f} kg"} | ({"stop": stop} if kind == "reduce" else {})
        try:
            one, two = answer(body), answer({**body, word: f"{kg * 1.01:.6f} kg"})
        except (KitchenError, ValidationError):
            assume(False)
        assume(_goes(one) == _goes(two))
        slow = 30.0
        if kind == "reduce":
            slow = max(slow, 0.1 * one.first_boil_s.likely)
        elif (
            kind == "caramel"
        ):  # what is all but dry boils as long as a hundredth of its sugar gives off; and a gentle
            # flame under a wide pan creeps to the boil, which that hundredth's own heat spares it
            slow = max(slow, 0.15 * one.melt_s.likely)
        then = dict(_figures(two.model_dump(mode="json")))
        for at, value in _figures(one.model_dump(mode="json")):
            if at in then and abs(value) > 1e-6:
                assert then[at] == pytest.approx(value, rel=0.1, abs=_little(at, kg, slow)), at

    ask()


@often
@given(reductions, st.sampled_from(RATIOS))
def test_more_flame_is_never_later_and_mass_closes(body, stop):
    body = {**body, "stop": stop}
    took = []
    for flame in ("gentle", "medium", "strong"):
        try:
            f = forecast(read_plan(ReduceIn.model_validate({**body, "flame": flame}), NoLarder()))
        except (KitchenError, ValidationError):
            continue
        took.append(f.after_boil_s.likely)
        plan = f.plan
        assert float(plan.all_parts.total) - f.steam_kg == pytest.approx(f.product_kg.likely, abs=1e-9)
        for (name, before), (_, after) in zip(plan.all_parts.items(), f.after.items(), strict=True):
            assert name == "water" or float(after) == pytest.approx(float(before), abs=1e-12)
    assert took == sorted(took, reverse=True)


@often
@given(reductions, st.sampled_from(RATIOS))
def test_one_stop_said_four_ways_is_one_plan(body, stop):
    """What a plan tells of its stop, typed as the stop, gives that plan again."""
    body = {**body, "stop": stop}
    try:
        f = _reduce(body)
    except (KitchenError, ValidationError):
        assume(False)
    ways = {
        "depth": f"{f.stop_depth_m.likely * 100:.6f} cm deep",
        "volume": f"{f.stop_m3.likely * 1e6:.4f} ml",
        "weight": f"{f.pan_kg.likely * 1e3:.4f} g",
        "solids": f"{f.pan_solids * 100:.6f} % solids",
    }
    for way, words in ways.items():
        try:
            again = _reduce({**body, "stop": words})
        except KitchenError:
            assert f.pan_solids > 0.7, way  # at the very edge of what can be
            continue
        assert again.product_kg.likely == pytest.approx(f.product_kg.likely, rel=2e-4), way
        assert again.after_boil_s.likely == pytest.approx(f.after_boil_s.likely, rel=5e-3, abs=2.0), way


@often
@given(sweets("kulfi"), st.floats(1.02, 1.3))
def test_more_sugar_never_freezes_sooner(body, more):
    try:
        less = _sweet(body)
        place, value = next((k.place, k.value) for k in less.knobs if k.place.endswith("sugar") and k.value > 0)
        sweeter = _sweet({**body, "changes": {place: value * more}})
    except (KitchenError, ValidationError, StopIteration):
        assume(False)
    assert sweeter.frozen.answer.begins_c < less.frozen.answer.begins_c
