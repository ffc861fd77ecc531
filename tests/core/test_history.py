"""A log taken one happening at a time, against the same log folded anew, in whatever order it came."""

from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, precondition, rule

from mulvek.core.batch import history
from mulvek.core.batch.events import (
    Event,
    FirstBoil,
    FlameChanged,
    Lit,
    MilkAdded,
    Note,
    Off,
    Paused,
    Reading,
    Resumed,
    Scraped,
    Stirred,
    SugarIn,
    Undo,
)
from mulvek.core.batch.fold import fold
from mulvek.core.batch.history import History
from mulvek.core.batch.rules import check_event
from mulvek.core.batch.running import look, state_of
from mulvek.core.errors import KitchenError

from .test_properties import plan

BOIL = 700.0
WHAT = st.sampled_from(
    [
        Stirred(), Scraped(), Paused(), Resumed(), SugarIn(0.05), FlameChanged("gentle"), FlameChanged("medium"),
        MilkAdded(0.2, 20.0), Note("as it should be"), Off(), Reading("weight", 1.4), Reading("depth", 0.05, sure=True),
    ]
)  # fmt: skip


class Kitchen(RuleBasedStateMachine):
    """Happenings of any kind, most in order, some late, some taken back; looked at all the while."""

    @initialize(stage=st.sampled_from([1, 3, history.STAGE]))
    def lit(self, stage: int) -> None:
        self.usual_stage, history.STAGE = history.STAGE, stage
        self.plan = plan(milk_kg=1.6)
        self.now = BOIL
        self.live = History(self.plan, [Event(1, 0.0, Lit()), Event(2, BOIL, FirstBoil())])

    def teardown(self) -> None:
        history.STAGE = getattr(self, "usual_stage", history.STAGE)

    def log(self, what: object, at_s: float) -> None:
        event = Event(self.live.next_id, at_s, what)
        try:
            check_event(self.live, event)
        except KitchenError:
            return
        before = self.live
        told = state_of(self.plan, before.events, self.now)
        self.live = before.plus(event)
        assert look(before.at(self.now), self.now) == told  # what was before stays as it was

    @rule(what=WHAT, wait=st.floats(1.0, 400.0))
    def in_order(self, what: object, wait: float) -> None:
        self.now += wait
        self.log(what, self.now)

    @rule(what=WHAT, late=st.floats(0.0, 600.0))
    def forgotten(self, what: object, late: float) -> None:
        self.log(what, max(0.0, self.now - late))

    @precondition(lambda self: len(self.live.events) > 2)
    @rule(data=st.data())
    def taken_back(self, data: st.DataObject) -> None:
        self.log(Undo(data.draw(st.sampled_from(self.live.events[2:])).id), self.now)

    @rule(wait=st.floats(0.0, 1000.0))
    def looked_at(self, wait: float) -> None:
        look(self.live.at(self.now + wait), self.now + wait)

    @invariant()
    def the_same_as_folded_anew(self) -> None:
        events, anew = self.live.events, History(self.plan, self.live.events)
        assert look(self.live.at(self.now), self.now) == state_of(self.plan, events, self.now)
        assert self.live.counted == anew.counted
        assert self.live.undone_by == anew.undone_by
        assert {e.id for e in events if not isinstance(e.what, Undo)} == {e.id for e in anew.counted} | (
            anew.undone_by.keys() & {e.id for e in events if not isinstance(e.what, Undo)}
        )

    @invariant()
    def what_is_yet_to_come_is_not_known(self) -> None:
        early = self.now / 2
        assert look(self.live.at(early), early) == look(fold(self.plan, self.live.events, early), early)


TestKitchen = Kitchen.TestCase
TestKitchen.settings = settings(max_examples=60, stateful_step_count=14, deadline=None)
