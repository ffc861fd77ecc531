"""What happened to a batch of any kind, in words."""

from dataclasses import dataclass, replace
from typing import Any

from ..core.batch.attention import Attention, Hushed, Missed, Snoozed
from ..core.batch.channels import CHANNELS
from ..core.batch.curd_run import CurdState
from ..core.batch.events import (
    Abandoned,
    AcidPoured,
    Added,
    BaseWeighed,
    Begun,
    Carried,
    Event,
    FaultFound,
    FirstBoil,
    FlameChanged,
    Gone,
    HandDid,
    Joined,
    Judged,
    LeftWeighed,
    LidMoved,
    Lit,
    MilkAdded,
    Note,
    Off,
    PanSwapped,
    PartTaken,
    Paused,
    PiecesCounted,
    Poured,
    PouredInto,
    Reading,
    Resumed,
    RowWeighed,
    Scraped,
    ShadeMoved,
    ShadeSeen,
    SkinFolded,
    StepBegun,
    StepDone,
    StepWeighed,
    Stirred,
    StopMoved,
    SugarIn,
    SugarPlanned,
    Taken,
    Weighed,
    WheyWeighed,
)
from ..core.batch.fold import Fusion
from ..core.batch.running import BatchState
from ..core.batch.sweet_run import SweetRun, base_step, is_of
from ..core.equipment.quantities import say
from ..core.mending.faults import faults
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
        return rows[number].name if number < len(rows) else "a line"

    @property
    def piece(self) -> tuple[str, str]:
        return (self.plan.one, self.plan.many) if isinstance(self.plan, SweetRun) else ("piece", "pieces")

    @property
    def acid_unit(self) -> str:
        return self.state.curdle.acid.unit if isinstance(self.state, CurdState) and self.state.curdle else "ml"


PLAIN: dict[type, str] = {
    Begun: "begun",
    Lit: "lit",
    FirstBoil: "first boil",
    Stirred: "stirred",
    Scraped: "scraped the sides",
    Off: "taken off",
    Paused: "off the fire for a while",
    Resumed: "back on the fire",
    Abandoned: "given up",
    SkinFolded: "skin folded in",
}


def sentence(event: Event, told: Told) -> str:
    """What happened, in words."""
    match event.what:
        case Reading() as reading:
            fused = told.fusion(event.id)
            return _read(reading) + (f", {changed(fused, told.plan)}" if fused else "")
        case SugarIn(mass_kg):
            return f"{say(mass_kg, 'mass')} of sugar in"
        case FlameChanged(flame):
            return f"{flame} flame"
        case Weighed(mass_kg):
            return f"gave {say(mass_kg, 'mass')}"
        case Note(text, about):
            return _ABOUT[about] + text
        case FaultFound(fault=key, cause=cause):
            return _found(key, cause)
        case Judged(how):
            return f"cold it was {spoken(how)}"
        case StepBegun(step):
            return f"{told.step(event, step)}: begun"
        case StepDone(step):
            return f"{told.step(event, step)}: done"
        case StepWeighed(step, mass_kg, late_in):
            short = "" if late_in else ", before the last of it went in"
            return f"{told.step(event, step)}: {say(mass_kg, 'mass')} in the pan{short}"
        case Poured(amount, clear):
            return f"{amount * 1e3:.0f} {told.acid_unit} of acid in{', the whey runs clear' if clear else ''}"
        case WheyWeighed(mass_kg):
            return f"{say(mass_kg, 'mass')} of whey"
        case RowWeighed(row, mass_kg):
            return f"{say(mass_kg, 'mass')} of {told.row(row)} weighed"
        case BaseWeighed(mass_kg=mass_kg) as base:
            then = f", {say(base.told_kg.likely, 'mass')} of the sweet from it" if base.told_kg else ""
            gave = (
                f"{say(mass_kg, 'mass')} of {base.taken_from}" if base.taken_from else f"gave {say(mass_kg, 'mass')}"
            )
            return f"{told.step(event, base_step(base.slot))}: {gave}{then}"
        case Taken(mass_kg=mass_kg, name=name):
            return f"{say(mass_kg, 'mass')} of it into {name}"
        case Gone(why, of):
            return _GONE[why].replace("what was left", f"the {of}" if of else "what was left")
        case ShadeSeen(shade):
            return f"it looks {spoken(shade)}"
        case ShadeMoved(shade):
            return f"to {spoken(shade)} instead"
        case Added(what, mass_kg):
            return f"{say(mass_kg, 'mass')} of {_ADDED[what]} in"
        case LeftWeighed(of, mass_kg):
            return f"{say(mass_kg, 'mass')} of {of} left over"
        case PiecesCounted(count):
            return f"{count} {told.piece[count != 1]}"
        case Missed() | Snoozed() | Hushed() as attention:
            return _of_attention(attention)
        case _:
            return PLAIN.get(type(event.what)) or _of_change(event.what)


_ADDED = {"butter": "butter", "milk": "milk", "condensed": "condensed milk"}
_ABOUT = {"": "", "cold": "when cold: ", "guests": "who ate it said: "}
_GONE = {
    "used-up": "what was left is used up",
    "spoiled": "what was left was thrown away: spoiled",
    "spilt": "what was left was spilt",
    "not-liked": "what was left was thrown away: nobody liked it",
}


def _found(key: str, cause: str) -> str:
    """What was found wrong; a fault that this release does not know keeps its slug."""
    known = faults().get(key)
    if known is None:
        return spoken(key)
    why = next((one.why for one in known.causes if one.key == cause), "")
    return f"{known.title}: {why}" if why else known.title


def _of_change(what: Any) -> str:
    match what:
        case StopMoved(stop):
            return f"stop at {stop.text} instead"
        case SugarPlanned(mass_kg):
            return f"{say(mass_kg, 'mass')} of sugar planned" if mass_kg else "no sugar planned"
        case MilkAdded(mass_kg):
            return f"{say(mass_kg, 'mass')} of milk added"
        case PanSwapped(pan):
            return f"moved into {pan.name}"
        case PartTaken(share, to_batch):
            return f"{share * 100:.0f} % taken out into batch {to_batch}"
        case Carried(from_batch):
            return f"parted from batch {from_batch}"
        case Joined(from_batch=from_batch):
            return f"batch {from_batch} poured in"
        case PouredInto(to_batch):
            return f"poured into batch {to_batch}"
        case LidMoved(on):
            return "lid on" if on else "lid off"
        case AcidPoured(mass_kg):
            return f"{say(mass_kg, 'mass')} of lemon juice in"
        case HandDid(do, flame=flame):
            return f"{flame} flame" if flame else spoken(do)
        case _:
            return ""


def _of_attention(said: Attention) -> str:
    match said:
        case Missed(nudge):
            return f"{_NUDGED.get(nudge, nudge)} was missed"
        case Snoozed(nudge, _, seconds):
            return f"{_NUDGED.get(nudge, nudge)} put off {max(1, round(seconds / 60))} min"
        case Hushed(on):
            return "sounds off for what can wait" if on else "sounds on again"


_NUDGED = {
    "stir": "the stir",
    "scrape": "the scraping",
    "boilover": "the watch for the boil",
    "flame": "turning down",
    "check": "a reading",
    "chill": "the chilling",
    "sugar": "the sugar",
    "stop": "the stop",
    "paused": "the pause",
    "colour": "the shade",
    "pour": "the next pour",
}


def _read(reading: Reading) -> str:
    if reading.by in CHANNELS:
        return f"the {CHANNELS[reading.by].name}: {_read(replace(reading, by=''))}"
    match reading.how:
        case "depth":
            return f"read {say(reading.value, 'length')}"
        case "weight":
            return f"weighed {say(reading.value, 'mass')} in the pan"
        case "volume":
            return f"measured {say(reading.value, 'volume')}"
        case "spoon":
            return f"on the spoon it {STAGES[int(reading.value)]}"
        case "temperature":
            return f"read {reading.value:.1f} °C"
        case "brix":
            return f"read {reading.value:.1f} °Bx"


RATE_TOLD, MINUTES_TOLD_S = 0.03, 45.0


def changed(fused: Fusion, plan: ReducePlan) -> str:
    """What a reading changed, and why, in words."""
    minutes = round(abs(fused.later_s) / 60)
    if abs(fused.later_s) < MINUTES_TOLD_S:
        before, after = fused.half_width_s
        return "as I thought" + (f", now ±{after / 60:.0f} min" if before - after > 30 else "")
    later = f"{minutes} min {'later' if fused.later_s > 0 else 'sooner'} than I thought"
    if abs(fused.rate_ratio - 1) >= RATE_TOLD and (fused.rate_ratio < 1) == (fused.later_s > 0):
        return f"{later}: the flame is {'weaker' if fused.rate_ratio < 1 else 'stronger'} than {plan.flame}"
    return f"{later}: there was {'more' if fused.later_s > 0 else 'less'} in the pan"
