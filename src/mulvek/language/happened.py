"""What happened to a batch of any kind, in words."""

from dataclasses import dataclass, replace
from typing import Any

from ..core.batch.attention import Attention, Hushed, Missed, Snoozed
from ..core.batch.channels import CHANNELS
from ..core.batch.curd_run import CurdState
from ..core.batch.events import (
    AcidPoured,
    Added,
    BaseWeighed,
    Carried,
    Event,
    FaultFound,
    FlameChanged,
    Gone,
    HandDid,
    Joined,
    Judged,
    LeftWeighed,
    LidMoved,
    MilkAdded,
    Note,
    PanSwapped,
    PartTaken,
    PiecesCounted,
    Poured,
    PouredInto,
    Reading,
    RowWeighed,
    ShadeMoved,
    ShadeSeen,
    StepBegun,
    StepDone,
    StepWeighed,
    StopMoved,
    SugarIn,
    SugarPlanned,
    Taken,
    Weighed,
    WheyWeighed,
    kind_of,
)
from ..core.batch.fold import Fusion
from ..core.batch.running import BatchState
from ..core.batch.sweet_run import SweetRun, base_step, is_of
from ..core.mending.faults import faults
from ..core.messages.catalogue import said, stands
from ..core.messages.message import Message
from ..core.planning.reduce.plan import ReducePlan
from ..core.properties.texture import STAGES
from .slugs import spoken


@dataclass(frozen=True, slots=True)
class Told:
    """What the sentences of a log are told of: the plan as it stands, and where the batch stands."""

    plan: Any
    state: Any

    def fusion(self, event_id: int) -> Fusion | None:
        known = self.state.fusions if isinstance(self.state, BatchState) else ()
        return next((f for f in known if f.event_id == event_id), None)

    def step(self, event: Event, name: str) -> str:
        """What a step is called: its own words, or which of the curd's steps ended then."""
        if isinstance(self.plan, SweetRun):
            slot = name.removeprefix(base_step(""))
            of = (s for s in self.plan.steps if s.key == name or (slot != name and is_of(s, slot)))
            return next((s.say.split(":")[0].rstrip(".") for s in of), name)
        steps = self.state.steps if isinstance(self.state, CurdState) else ()
        return spoken(next((s.name for s in steps if s.done_at_s == event.at_s), "step"))

    def row(self, number: int) -> str:
        rows = self.plan.rows if isinstance(self.plan, SweetRun) else ()
        return rows[number].name if number < len(rows) else said(Message("happened-a-line"))

    @property
    def piece(self) -> tuple[str, str]:
        if isinstance(self.plan, SweetRun):
            return self.plan.one, self.plan.many
        return said(Message("happened-piece")), said(Message("happened-pieces"))

    @property
    def acid_unit(self) -> str:
        return self.state.curdle.acid.unit if isinstance(self.state, CurdState) and self.state.curdle else "ml"


def sentence(event: Event, told: Told) -> str:
    """What happened, in words."""
    return said(message(event, told))


def message(event: Event, told: Told) -> Message:
    """What happened. What tells nothing but its kind has a message by that alone."""
    match event.what:
        case Reading() as reading:
            fused, read = told.fusion(event.id), _read(reading)
            return Message("happened-changed", read=read, change=changed(fused, told.plan)) if fused else read
        case Note(text, about):
            return Message(f"happened-note-{about or 'of-it'}", text=text)
        case FaultFound(fault=key, cause=cause):
            return _found(key, cause)
        case Judged(how):
            return Message("happened-judged", how=spoken(how))
        case Poured(amount, clear):
            key = "happened-poured-clear" if clear else "happened-poured"
            return Message(key, amount=amount * 1e3, unit=told.acid_unit)
        case ShadeSeen(shade):
            return Message("happened-shade-seen", shade=spoken(shade))
        case ShadeMoved(shade):
            return Message("happened-shade-moved", shade=spoken(shade))
        case Gone(why, of):
            return Message(f"happened-gone-{why}", of=of or "rest")
        case PiecesCounted(count):
            return Message("happened-counted", count=count, pieces=told.piece[count != 1])
        case StepBegun() | StepDone() | StepWeighed() | BaseWeighed():
            return _of_step(event, told)
        case Missed() | Snoozed() | Hushed() as attention:
            return _of_attention(attention)
        case what:
            return _of_mass(what, told) or _of_change(what) or Message(f"happened-{kind_of(what).replace('_', '-')}")


def _of_step(event: Event, told: Told) -> Message:
    match event.what:
        case StepBegun(step):
            return Message("happened-step-begun", step=told.step(event, step))
        case StepDone(step):
            return Message("happened-step-done", step=told.step(event, step))
        case StepWeighed(step, mass_kg, late_in):
            key = "happened-step-weighed" if late_in else "happened-step-weighed-before-last"
            return Message(key, step=told.step(event, step), mass_kg=mass_kg)
        case BaseWeighed(mass_kg=mass_kg) as base:
            key = "happened-base-taken" if base.taken_from else "happened-base-weighed"
            step = told.step(event, base_step(base.slot))
            gave = Message(key, step=step, mass_kg=mass_kg, of=base.taken_from)
            if base.told_kg is None:
                return gave
            return Message("happened-base-for", gave=gave, sweet_kg=base.told_kg.likely)
        case _:
            raise AssertionError(event.what)


def _of_mass(what: Any, told: Told) -> Message | None:
    """What was weighed on its way in or out."""
    match what:
        case SugarIn(mass_kg):
            return Message("happened-sugar-in", mass_kg=mass_kg)
        case Weighed(mass_kg):
            return Message("happened-weighed", mass_kg=mass_kg)
        case WheyWeighed(mass_kg):
            return Message("happened-whey", mass_kg=mass_kg)
        case RowWeighed(row, mass_kg):
            return Message("happened-row-weighed", mass_kg=mass_kg, row=told.row(row))
        case Taken(mass_kg=mass_kg, name=name):
            return Message("happened-taken", mass_kg=mass_kg, into=name)
        case Added(part, mass_kg):
            return Message(f"happened-added-{part}", mass_kg=mass_kg)
        case LeftWeighed(of, mass_kg):
            return Message("happened-left-weighed", mass_kg=mass_kg, of=of)
        case MilkAdded(mass_kg):
            return Message("happened-milk-added", mass_kg=mass_kg)
        case AcidPoured(mass_kg):
            return Message("happened-acid-poured", mass_kg=mass_kg)
        case SugarPlanned(mass_kg):
            if not mass_kg:
                return Message("happened-no-sugar-planned")
            return Message("happened-sugar-planned", mass_kg=mass_kg)
        case _:
            return None


def _of_change(what: Any) -> Message | None:
    """What is otherwise from then on."""
    match what:
        case FlameChanged(flame):
            return Message("happened-flame-changed", flame=flame)
        case StopMoved(stop):
            return Message("happened-stop-moved", stop=stop.text)
        case PanSwapped(pan):
            return Message("happened-pan-swapped", pan=pan.name)
        case PartTaken(share, to_batch):
            return Message("happened-part-taken", percent=share * 100, batch=to_batch)
        case Carried(from_batch):
            return Message("happened-carried", batch=from_batch)
        case Joined(from_batch=from_batch):
            return Message("happened-joined", batch=from_batch)
        case PouredInto(to_batch):
            return Message("happened-poured-into", batch=to_batch)
        case LidMoved(on):
            return Message("happened-lid-on" if on else "happened-lid-off")
        case HandDid(do, flame=flame):
            return (
                Message("happened-flame-changed", flame=flame)
                if flame
                else Message("happened-hand-did", do=spoken(do))
            )
        case _:
            return None


def _found(key: str, cause: str) -> Message:
    """What was found wrong; a fault that this release does not know keeps its slug."""
    known = faults().get(key)
    if known is None:
        return Message("happened-fault", fault=spoken(key))
    why = next((one.why for one in known.causes if one.key == cause), "")
    if why:
        return Message("happened-fault-for", fault=known.title, why=why)
    return Message("happened-fault", fault=known.title)


def _of_attention(attention: Attention) -> Message:
    match attention:
        case Missed(nudge):
            return Message("happened-missed", nudge=_nudged(nudge))
        case Snoozed(nudge, _, seconds):
            return Message("happened-snoozed", nudge=_nudged(nudge), minutes=max(1, round(seconds / 60)))
        case Hushed(on):
            return Message("happened-hushed" if on else "happened-heard-again")


def _nudged(nudge: str) -> Message | str:
    key = f"nudged-{nudge}"
    return Message(key) if stands(key) else nudge


def _read(reading: Reading) -> Message:
    if reading.by in CHANNELS:
        by_itself = _read(replace(reading, by=""))
        return Message("happened-read-by", instrument=CHANNELS[reading.by].name, read=by_itself)
    if reading.how == "spoon":
        return Message("happened-read-spoon", stage=STAGES[int(reading.value)])
    return Message(f"happened-read-{reading.how}", value=reading.value)


RATE_TOLD, MINUTES_TOLD_S = 0.03, 45.0


def changed(fused: Fusion, plan: ReducePlan) -> Message:
    """What a reading changed, and why."""
    minutes, later = round(abs(fused.later_s) / 60), fused.later_s > 0
    if abs(fused.later_s) < MINUTES_TOLD_S:
        before, after = fused.half_width_s
        return Message("changed-surer", minutes=after / 60) if before - after > 30 else Message("changed-nothing")
    way = "later" if later else "sooner"
    if abs(fused.rate_ratio - 1) >= RATE_TOLD and (fused.rate_ratio < 1) == later:
        return Message(f"changed-{way}-by-flame", minutes=minutes, flame=plan.flame)
    return Message(f"changed-{way}-by-mass", minutes=minutes)
