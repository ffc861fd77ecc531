"""What holds for a batch of any kind: however its happenings came, they mean one thing; what is taken back can be brought
in again; what cannot happen names itself; and its line in the Book says what the batch says."""

import ast
import inspect
import json
from dataclasses import asdict, replace
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mulvek.cli.no_larder import NoLarder
from mulvek.core.batch.caramel_nudges import caramel_nudges
from mulvek.core.batch.curd_run import CurdState
from mulvek.core.batch.events import KINDS as HAPPENINGS
from mulvek.core.batch.events import (
    Abandoned,
    AcidPoured,
    Added,
    Event,
    FirstBoil,
    FlameChanged,
    HandDid,
    Happening,
    LeftWeighed,
    LidMoved,
    Note,
    Off,
    Paused,
    PiecesCounted,
    Poured,
    Reading,
    Resumed,
    RowWeighed,
    ShadeMoved,
    ShadeSeen,
    SkinFolded,
    StepBegun,
    StepDone,
    Stirred,
    SugarIn,
    Undo,
    Weighed,
    WheyWeighed,
    kind_of,
)
from mulvek.core.batch.kinds import KINDS, Kind
from mulvek.core.batch.log import Log
from mulvek.core.batch.nudges import nudges
from mulvek.core.batch.summary import summary
from mulvek.core.errors import KitchenError
from mulvek.core.messages.catalogue import said as say
from mulvek.core.messages.catalogue import stands
from mulvek.core.planning.caramel.shades import SEEN
from mulvek.core.planning.sweets.plan import plan_sweet
from mulvek.language import happened
from mulvek.language.happened import Told
from mulvek.store.adapters import adapter
from mulvek.wire.caramel import CaramelIn, read_caramel
from mulvek.wire.curd import CurdleIn, read_curdle
from mulvek.wire.happenings import NEVER_TYPED, WIRES
from mulvek.wire.log import log_lines, undo_id
from mulvek.wire.reduce import ReduceIn, read_plan
from mulvek.wire.strain import StrainIn, read_strain
from mulvek.wire.sweet_batch import run_of
from mulvek.wire.sweet_words import SweetIn, read_sweet_plan
from tests.kitchens import EPOCH_S, KADHAI
from tests.sizes import sized

BURNER = {"name": "left", "kind": "lpg-large"}
POT = {"milk": "cow", "pan": KADHAI, "burner": BURNER}
PLANS: dict[str, Any] = {
    "reduce": read_plan(
        ReduceIn.model_validate({**POT, "amount": "2 L", "stop": "half its volume", "sugar": "90 g"}), NoLarder()
    ),
    "curdle": read_curdle(CurdleIn.model_validate({**POT, "amount": "2 L"}), NoLarder()),
    "strain": read_strain(StrainIn.model_validate({"amount": "1 kg"}), NoLarder()),
    "caramel": read_caramel(CaramelIn.model_validate({"pan": KADHAI, "burner": BURNER}), NoLarder()),
    "sweet": run_of(
        plan_sweet(
            read_sweet_plan(
                SweetIn.model_validate({"sweet": "kalakand", "want": "24", "pan": KADHAI, "burner": BURNER}),
                NoLarder(),
            )
        )
    ),
}
STEPS = [step.key for step in PLANS["sweet"].steps]
some_kg = st.floats(0.05, 2.0).map(lambda kg: round(kg, 3))
happenings = st.one_of(
    st.sampled_from(
        [
            Stirred(),
            FirstBoil(),
            Off(),
            Paused(),
            Resumed(),
            Abandoned(),
            FlameChanged("gentle"),
            StepDone(),
            Note("as it should be"),
        ]
    ),
    st.sampled_from(STEPS).flatmap(lambda key: st.sampled_from([StepBegun(key), StepDone(key)])),
    st.tuples(st.sampled_from(STEPS), st.integers(1, 2)).map(lambda of: StepBegun(*of)),
    st.tuples(st.sampled_from(["sauce", "dough"]), some_kg).map(lambda of: LeftWeighed(*of)),
    st.floats(0.01, 0.06).map(lambda depth: Reading("depth", depth, sure=True)),
    st.floats(60.0, 200.0).map(lambda celsius: Reading("temperature", celsius)),
    st.sampled_from(SEEN).map(ShadeSeen),
    st.sampled_from(SEEN[1:-1]).map(ShadeMoved),
    st.tuples(st.sampled_from(["butter", "milk", "condensed"]), st.floats(0.01, 0.2)).map(lambda of: Added(*of)),
    st.floats(0.2, 0.6).map(lambda kg: Reading("weight", kg)),
    st.floats(0.01, 0.1).map(Poured),
    some_kg.map(WheyWeighed),
    some_kg.map(Weighed),
    some_kg.map(SugarIn),
    st.tuples(st.integers(0, 3), some_kg).map(lambda row: RowWeighed(*row)),
    st.integers(1, 40).map(PiecesCounted),
)
said = st.lists(st.tuples(happenings, st.floats(1.0, 900.0)), max_size=14)


def begun(kind: Kind) -> Log:
    return kind.log(PLANS[kind.name], [Event(1, EPOCH_S, kind.begins)])


def lived(kind: Kind, what: list[tuple[Happening, float]]) -> tuple[Log, float]:
    """All of it that could happen, one after the other, and when the last of it was."""
    log, now = begun(kind), EPOCH_S
    for happening, wait in what:
        now += wait
        event = Event(log.next_id, now, happening)
        try:
            kind.check(log, event)
        except KitchenError as error:
            assert error.message and error.fix and error.field
        else:
            log = log.plus(event)
    return log, now + 60.0


def state(kind: Kind, log: Log, now_s: float) -> Any:
    """Where it stands, to be compared: of the curves that a curd's forecast draws only what they come to."""
    found = kind.state(log, now_s)
    if not isinstance(found, CurdState):
        return found
    curves = (found.curdle and found.curdle.curd_kg, found.strain and (found.strain.seconds, found.strain.curd_kg))
    return replace(found, curdle=None, strain=None), curves


@pytest.fixture(params=KINDS)
def kind(request):
    return KINDS[request.param]


often = settings(max_examples=sized(40, 2000), deadline=None)


def test_however_they_came_they_mean_one_thing(kind):
    @often
    @given(said, st.randoms())
    def ask(what, order):
        log, now = lived(kind, what)
        as_kept = kind.log(log.plan, log.events)
        shuffled = list(log.events)
        order.shuffle(shuffled)
        anew = kind.log(log.plan, shuffled)
        assert state(kind, log, now) == state(kind, as_kept, now) == state(kind, anew, now)
        assert (log.counted, log.undone_by) == (as_kept.counted, as_kept.undone_by)
        # what is still to come is not yet known
        half = EPOCH_S + (now - EPOCH_S) / 2
        early = [event for event in log.events if event.at_s <= half]
        assert state(kind, log, half) == state(kind, kind.log(log.plan, early), half)

    ask()


def test_what_is_taken_back_can_be_brought_in_again(kind):
    @often
    @given(said, st.data())
    def ask(what, data):
        log, now = lived(kind, what)
        if len(log.events) == 1:
            return
        target = data.draw(st.sampled_from(log.events[1:]))
        without = kind.log(log.plan, [event for event in log.events if event.id != target.id])
        back = Event(log.next_id, now, Undo(target.id))
        kind.check(log, back)
        gone = log.plus(back)
        assert [e.id for e in gone.counted] == [e.id for e in without.counted]
        assert gone.undone_by[target.id] == back.id
        again = gone.plus(Event(gone.next_id, now, Undo(back.id)))
        assert state(kind, again, now) == state(kind, log, now) and again.counted == log.counted
        with pytest.raises(KitchenError) as caught:
            kind.check(gone, Event(gone.next_id, now, Undo(target.id)))
        assert caught.value.field == "event_id"

    ask()


def test_its_line_says_what_the_batch_says_and_goes_through_json(kind):
    @often
    @given(said)
    def ask(what):
        log, now = lived(kind, what)
        stands = kind.state(log, now)
        line = summary(log.plan, stands, {})
        assert json.loads(json.dumps(asdict(line)))["weighed_kg"] == stands.weighed_kg
        assert line.phase in ("weighed", "given-up") or line.counted is not None or not stands.finished
        assert line.told_kg.low <= line.told_kg.likely <= line.told_kg.high
        told = log_lines(log, Told(log.plan, stands))
        assert len(told) == sum(not isinstance(e.what, Undo) for e in log.events)
        assert all(one.text and one.kind in HAPPENINGS for one in told)
        assert [one.at_s for one in told] == sorted((one.at_s for one in told), reverse=True)
        last = undo_id(log)
        assert last is None or kind.check(log, Event(log.next_id, now, Undo(last))) is None
        for nudge in nudges_of(kind, stands, now):
            assert say(nudge.says) and say(nudge.says, "strip") and nudge.answer and nudge.kind in ("care", "hazard")

    ask()


def nudges_of(kind, stands, now):
    asks = {"reduce": nudges, "caramel": caramel_nudges}.get(kind.name, lambda stands, now: stands.nudges)
    return asks(stands, now)


def test_what_it_says_and_what_it_asks_for_is_said_in_the_language_that_is_spoken(kind, pseudo):
    @settings(max_examples=sized(30, 300), deadline=None)
    @given(said)
    def ask(what):
        log, now = lived(kind, what)
        stands = kind.state(log, now)
        told = [line.text for line in log_lines(log, Told(log.plan, stands))]
        for nudge in nudges_of(kind, stands, now):
            told += [say(nudge.says), say(nudge.says, "strip")]
        assert told and all(text.startswith("⟦") and text.endswith("⟧") for text in told), told

    ask()


@given(happenings)
def test_every_happening_goes_through_json_under_its_own_name(what):
    of = HAPPENINGS[kind_of(what)]
    assert of is type(what)
    assert adapter(of).validate_json(adapter(of).dump_json(what)) == what
    sent = {"kind": kind_of(what), **adapter(of).dump_python(what, mode="json")}
    for field in (field for kind, field in NEVER_TYPED if kind == sent["kind"]):
        sent.pop(field)
    wire = WIRES[kind_of(what)].model_validate(sent)
    assert wire.happening(None, PLANS["reduce"]) == what


def test_what_belongs_to_another_kind_is_refused(kind):
    others = {type(what) for what in (FirstBoil(), Poured(0.1), PiecesCounted(1), StepBegun("join"))}
    for of in others - set(kind.can_happen):
        what = {FirstBoil: FirstBoil(), Poured: Poured(0.1), PiecesCounted: PiecesCounted(1)}.get(
            of, StepBegun("join")
        )
        with pytest.raises(KitchenError) as caught:
            kind.check(begun(kind), Event(2, EPOCH_S + 10, what))
        assert caught.value.field == "kind"
    assert set(kind.can_happen) <= set(HAPPENINGS.values())


def test_nothing_happens_to_what_has_not_begun_and_nothing_begins_twice(kind):
    empty = kind.log(PLANS[kind.name], [])
    with pytest.raises(KitchenError):
        kind.check(empty, Event(1, EPOCH_S, Note("x")))
    kind.check(empty, Event(1, EPOCH_S, kind.begins))
    with pytest.raises(KitchenError):
        kind.check(begun(kind), Event(2, EPOCH_S + 1, kind.begins))
    with pytest.raises(KitchenError) as caught:
        kind.check(begun(kind), Event(2, EPOCH_S - 3600, Abandoned()))
    assert caught.value.field == "at_s"


def test_a_cloth_on_a_scale_tells_its_whey_and_only_more_of_it():
    hung = KINDS["strain"]
    log = begun(hung)

    def hears(weight_kg: float, log: Log) -> Happening | None:
        return hung.hears(log.plan, hung.state(log, EPOCH_S + 3600), Reading("weight", weight_kg))

    first = hears(0.8, log)
    assert first == WheyWeighed(0.2)
    later = log.plus(Event(2, EPOCH_S + 1800, first))
    assert hears(0.795, later) is None and hears(0.9, later) is None  # a breath of wind, a hand on it
    assert hears(0.7, later) == WheyWeighed(0.3)
    done = later.plus(Event(3, EPOCH_S + 3000, StepDone()))
    assert hears(0.5, done) is None
    for name in ("curdle", "sweet"):
        kind = KINDS[name]
        assert kind.hears(PLANS[name], kind.state(begun(kind), EPOCH_S), Reading("weight", 1.0)) is None


def test_whatever_can_happen_has_its_sentence_and_something_it_can_happen_to():
    """A log with a line that says nothing would be found by a cook, not by us."""
    patterns = (n.cls for n in ast.walk(ast.parse(inspect.getsource(happened))) if isinstance(n, ast.MatchClass))
    told = {n.id for n in patterns if isinstance(n, ast.Name)}
    told |= {cls.__name__ for key, cls in HAPPENINGS.items() if stands(f"happened-{key.replace('_', '-')}")}
    assert {cls.__name__ for cls in HAPPENINGS.values()} - told == {"Undo"}  # what is undone is struck through
    rehearsed_only = {HandDid, LidMoved, SkinFolded, AcidPoured}
    assert {cls for kind in KINDS.values() for cls in kind.can_happen} | rehearsed_only >= set(HAPPENINGS.values())
