"""The kinds of batches, each by what it may be told and how its log is read. A kind more is one entry more here."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal, get_args

from ..errors import Conflict, NotFound
from ..planning.caramel.plan import CaramelPlan
from ..planning.curdle.plan import CurdlePlan
from ..planning.reduce.plan import ReducePlan
from ..planning.strain.forecast import StrainPlan
from . import caramel_run, curd_run, rules, sweet_rules, sweet_run
from .events import Begun, Event, Happening, Lit, Reading, WheyWeighed
from .history import History
from .log import Log
from .running import BatchState, look

WHEY_STEP_KG = 0.01
"""So much more whey is worth a line in the log."""
KindName = Literal["reduce", "curdle", "strain", "caramel", "sweet"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Kind:
    """``can_happen``: the happenings it may be told; ``begins``: the first of them. ``state`` gives where a batch stands:
    of every kind ``finished``, ``on_fire`` (it stands on its burner now) and ``weighed_kg``."""

    name: KindName
    plan: type
    can_happen: tuple[type, ...]
    begins: Happening
    log: Callable[[Any, Sequence[Event]], Log]
    checked: Callable[[Any, Event], None]
    state: Callable[[Any, float], Any]
    hears: Callable[[Any, Any, Reading], Happening | None] = lambda plan, state, reading: None
    """What a paired instrument's reading means to it now: plan, state and reading in."""

    def check(self, log: Log, new: Event) -> None:
        """Refuse what cannot happen to this batch.

        :raises Conflict, BadInput, Unlikely: naming what does not fit.
        """
        if not isinstance(new.what, self.can_happen):
            raise Conflict("kind", "does-not-happen-to-kind")
        self.checked(log, new)


def _reduced(log: History, now_s: float) -> BatchState:
    return look(log.at(now_s), now_s)


def _boiling_hears(_: ReducePlan, state: BatchState, reading: Reading) -> Happening | None:
    return reading if state.phase == "boiling" else None


def _cloth_hears(plan: StrainPlan, state: curd_run.CurdState, reading: Reading) -> Happening | None:
    """The cloth hangs from a scale: what it lost is whey, which only grows."""
    whey = plan.mass_kg - reading.value
    if reading.how != "weight" or state.step > 0 or state.finished or whey < (state.whey_kg or 0.0) + WHEY_STEP_KG:
        return None
    return WheyWeighed(round(whey, 3))


def _caramel_hears(_: CaramelPlan, state: caramel_run.CaramelState, reading: Reading) -> Happening | None:
    """A probe tells of the sugar, a scale of the pan that simmers."""
    wanted = {"melting": "temperature", "simmering": "weight"}.get(state.phase)
    return reading if reading.how == wanted else None


_CURDLE = Kind(
    name="curdle",
    plan=CurdlePlan,
    can_happen=curd_run.CAN_HAPPEN,
    begins=Begun(),
    log=Log,
    checked=curd_run.check_curd_event,
    state=curd_run.curd_state,
)
KINDS: Mapping[KindName, Kind] = {
    kind.name: kind
    for kind in (
        Kind(
            name="reduce",
            plan=ReducePlan,
            can_happen=rules.CAN_HAPPEN,
            begins=Lit(),
            log=History,
            checked=rules.check_event,
            state=_reduced,
            hears=_boiling_hears,
        ),
        _CURDLE,
        replace(_CURDLE, name="strain", plan=StrainPlan, hears=_cloth_hears),
        Kind(
            name="caramel",
            plan=CaramelPlan,
            can_happen=caramel_run.CAN_HAPPEN,
            begins=Lit(),
            log=Log,
            checked=caramel_run.check_caramel_event,
            state=caramel_run.caramel_state,
            hears=_caramel_hears,
        ),
        Kind(
            name="sweet",
            plan=sweet_run.SweetRun,
            can_happen=sweet_run.CAN_HAPPEN,
            begins=Begun(),
            log=Log,
            checked=sweet_rules.check_sweet_event,
            state=sweet_run.sweet_state,
        ),
    )
}
assert set(KINDS) == set(get_args(KindName))


def kind(name: str) -> Kind:
    """:raises NotFound: field "kind", when there is none of that name."""
    if name not in KINDS:
        raise NotFound("kind", "no-such-kind", name=name, kinds=tuple(KINDS))
    return KINDS[name]  # type: ignore[index]
