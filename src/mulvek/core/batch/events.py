"""What can happen to a batch of any kind. A batch is the list of these; everything else follows from it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from ..composition.materials import Material
from ..equipment.burners import Flame
from ..equipment.pans import Pan
from ..planning.caramel.forecast import Pour
from ..planning.caramel.shades import SeenShade, Shade
from ..planning.reduce.plan import Addition
from ..planning.reduce.stops import Stop
from ..ranges import Range
from .attention import Hushed, Missed, Snoozed

ReadingKind = Literal["depth", "weight", "volume", "spoon", "temperature", "brix"]
Verdict = Literal["too-thick", "right", "too-thin"]


@dataclass(frozen=True, slots=True)
class Begun:
    """It is under way: the cloth is hung, the first thing weighed."""


@dataclass(frozen=True, slots=True)
class Lit:
    """The flame is on under the cold milk."""


@dataclass(frozen=True, slots=True)
class FirstBoil:
    """It came to the boil: the cook's clock starts."""


@dataclass(frozen=True, slots=True)
class Reading:
    """A depth (m), the weight of the contents without the pan (kg) or a volume (m³), off the boil; a spoon
    stage (0-7, hot), a temperature (°C, while it boils) or a refractometer's degrees Brix (cooled drop).

    ``sure``: the cook was asked and stands by a reading that looks unlikely. ``by``: the paired instrument that
    gave it, empty when the cook read it.
    """

    how: ReadingKind
    value: float
    sure: bool = False
    by: str = ""


@dataclass(frozen=True, slots=True)
class Stirred:
    """Stirred through, the bottom scraped."""


@dataclass(frozen=True, slots=True)
class Scraped:
    """The sides scraped down and stirred in; counts as a stir."""


@dataclass(frozen=True, slots=True)
class SugarIn:
    mass_kg: float


@dataclass(frozen=True, slots=True)
class FlameChanged:
    flame: Flame


@dataclass(frozen=True, slots=True)
class Off:
    """Taken off the fire."""


@dataclass(frozen=True, slots=True)
class Weighed:
    """What it gave, without the pan, kg."""

    mass_kg: float


NoteOf = Literal["", "cold", "guests"]


@dataclass(frozen=True, slots=True)
class Note:
    """In the cook's words; ``about``: how it was when it was cold, or what those said who ate it."""

    text: str
    about: NoteOf = ""


@dataclass(frozen=True, slots=True)
class Undo:
    """Takes back the event of this number; undoing an undo brings it in again."""

    event_id: int


@dataclass(frozen=True, slots=True)
class Judged:
    """How it turned out once cold, against what was told."""

    how: Verdict


@dataclass(frozen=True, slots=True)
class FaultFound:
    """What went wrong with it, by the fault's key; what the cook answered of it, by reading; and the cause that the cook
    holds for the true one, where there is one. ``next_time``: the next plan is to be told of it. A later one of the same
    fault takes the place of this."""

    fault: str
    answers: Mapping[str, float]
    cause: str = ""
    next_time: bool = False


@dataclass(frozen=True, slots=True)
class StopMoved:
    """The goal changed on the way."""

    stop: Stop


@dataclass(frozen=True, slots=True)
class SugarPlanned:
    """How much sugar is to go in, kg; zero for none."""

    mass_kg: float


@dataclass(frozen=True, slots=True)
class MilkAdded:
    """More of the same milk, kg, at ``celsius``."""

    mass_kg: float
    celsius: float


@dataclass(frozen=True, slots=True)
class PanSwapped:
    """Poured into another pan of the Larder; what clings to the old one is lost."""

    pan: Pan
    pan_id: int | None


@dataclass(frozen=True, slots=True)
class Paused:
    """Off the fire for a while, to go on later."""


@dataclass(frozen=True, slots=True)
class Resumed:
    """Back on the fire."""


@dataclass(frozen=True, slots=True)
class Abandoned:
    """Given up: it stays in the Book and teaches nothing."""


@dataclass(frozen=True, slots=True)
class PartTaken:
    """This share of what stands in the pan (above 0, below 1) went into a batch of its own."""

    share: float
    to_batch: int


@dataclass(frozen=True, slots=True)
class Carried:
    """How a batch that was parted from another begins: boiling, with what it took along. kg; s since the epoch."""

    from_batch: int
    boiled_at_s: float
    water_kg: float
    water_sd_kg: float
    sugar_kg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Joined:
    """Another batch was poured in: its milk as it was at its start, and the water still in it. kg."""

    from_batch: int
    milk: Material
    milk_kg: float
    sugar_kind: Material
    sugar_kg: float
    additions: tuple[Addition, ...]
    water_kg: float
    water_sd_kg: float


@dataclass(frozen=True, slots=True)
class PouredInto:
    """This batch went on in another."""

    to_batch: int


@dataclass(frozen=True, slots=True)
class StepBegun:
    """This step is under way: its timer runs. ``burner``, ``pan``: numbers of those it is on and in, when it is on the fire.
    In another pan than planned: ``takes_s`` there, and ``facts``, what hands are told of it."""

    step: str
    burner: int | None = None
    pan: int | None = None
    takes_s: Range | None = None
    facts: tuple[str, ...] | None = None


@dataclass(frozen=True, slots=True)
class StepDone:
    """A step is done: the named one, or where one follows another the one that runs."""

    step: str = ""


@dataclass(frozen=True, slots=True)
class Poured:
    """Acid stirred in so far this pour, litres or kg by its unit; ``clear``: the whey runs clear."""

    amount: float
    clear: bool = False


@dataclass(frozen=True, slots=True)
class WheyWeighed:
    """All the whey so far, kg."""

    mass_kg: float


@dataclass(frozen=True, slots=True)
class StepWeighed:
    """What cooks in a step weighs so much now, kg, without its pan; ``late_in``: with what goes in on the way."""

    step: str
    mass_kg: float
    late_in: bool = True


@dataclass(frozen=True, slots=True)
class RowWeighed:
    """A line of the weighing list, kg."""

    row: int
    mass_kg: float


@dataclass(frozen=True, slots=True)
class PiecesCounted:
    count: int


@dataclass(frozen=True, slots=True)
class LeftWeighed:
    """What was left over beside the pieces, kg."""

    of: Literal["sauce", "dough"]
    mass_kg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class BaseWeighed:
    """A base of this making, or a part of one, came off weighed, kg, as a batch of its own. ``whole``: with it the base is
    there, and what is told of the sweet from then on. A line of the weighing list that stays as it was is None; so is all
    of it when no sweet can be reckoned from that base. ``steps_s``: how long each step takes then, in their order, and
    ``facts``: what hands are told at each. ``taken_from``: what the batch is called, where it was not made for this."""

    slot: str
    batch: int
    mass_kg: float
    whole: bool = True
    rows_kg: tuple[float | None, ...] = ()
    told_kg: Range | None = None
    told_pieces: Range | None = None
    stop_kg: float | None = None
    steps_s: tuple[Range | None, ...] = ()
    facts: tuple[tuple[str, ...] | None, ...] = ()
    taken_from: str = ""


@dataclass(frozen=True, slots=True)
class Taken:
    """So much of what it gave, kg, went into a making as its base ``slot``; ``name``: what that is called."""

    to_batch: int
    slot: str
    mass_kg: float
    name: str


Reason = Literal["used-up", "spoiled", "spilt", "not-liked"]


@dataclass(frozen=True, slots=True)
class Gone:
    """What was left of it is there no more; ``of``: what stood beside it, whey, syrup, sauce or dough."""

    why: Reason
    of: Literal["", "whey", "syrup", "sauce", "dough"] = ""


@dataclass(frozen=True, slots=True)
class ShadeSeen:
    """The colour of the melted sugar, as the cook sees it."""

    shade: SeenShade


@dataclass(frozen=True, slots=True)
class ShadeMoved:
    """Another shade to stop at."""

    shade: Shade


@dataclass(frozen=True, slots=True)
class Added:
    """Stirred into the caramel, kg: the butter, a pour of the milk, the condensed milk."""

    what: Pour
    mass_kg: float


@dataclass(frozen=True, slots=True)
class LidMoved:
    on: bool


@dataclass(frozen=True, slots=True)
class SkinFolded:
    """The skin pushed to the side and folded in."""


@dataclass(frozen=True, slots=True)
class AcidPoured:
    """Lemon juice, kg."""

    mass_kg: float


@dataclass(frozen=True, slots=True)
class HandDid:
    """What a hand did in a rehearsal: which of its hands, how much in that hand's unit, which flame, at which vessel."""

    do: str
    amount: float = 0.0
    flame: Flame | None = None
    of: int = 0


Happening = (
    Begun | StepBegun | StepDone | StepWeighed | Poured | WheyWeighed | RowWeighed | PiecesCounted | LeftWeighed | BaseWeighed | Taken | Gone
    | ShadeSeen | ShadeMoved | Added | LidMoved | SkinFolded | AcidPoured | HandDid |
    Lit | FirstBoil | Reading | Stirred | Scraped | SugarIn | FlameChanged | Off | Weighed | Note | Judged | FaultFound | Undo
    | StopMoved | SugarPlanned | MilkAdded | PanSwapped | Paused | Resumed | Abandoned
    | PartTaken | Carried | Joined | PouredInto
    | Missed | Snoozed | Hushed
)  # fmt: skip

KINDS: Mapping[str, type[Happening]] = {
    "begun": Begun,
    "lit": Lit,
    "first_boil": FirstBoil,
    "reading": Reading,
    "stirred": Stirred,
    "sugar_in": SugarIn,
    "flame_changed": FlameChanged,
    "off": Off,
    "weighed": Weighed,
    "note": Note,
    "judged": Judged,
    "fault_found": FaultFound,
    "undo": Undo,
    "scraped": Scraped,
    "stop_moved": StopMoved,
    "sugar_planned": SugarPlanned,
    "milk_added": MilkAdded,
    "pan_swapped": PanSwapped,
    "paused": Paused,
    "resumed": Resumed,
    "abandoned": Abandoned,
    "part_taken": PartTaken,
    "carried": Carried,
    "joined": Joined,
    "poured_into": PouredInto,
    "step_begun": StepBegun,
    "step_done": StepDone,
    "poured": Poured,
    "whey": WheyWeighed,
    "step_weighed": StepWeighed,
    "row_weighed": RowWeighed,
    "counted": PiecesCounted,
    "left_weighed": LeftWeighed,
    "base_weighed": BaseWeighed,
    "taken": Taken,
    "gone": Gone,
    "shade_seen": ShadeSeen,
    "shade_moved": ShadeMoved,
    "added": Added,
    "lid_moved": LidMoved,
    "skin_folded": SkinFolded,
    "acid_poured": AcidPoured,
    "hand_did": HandDid,
    "missed": Missed,
    "snoozed": Snoozed,
    "hushed": Hushed,
}
"""Every happening by the name it is kept and sent under."""
_NAMES = {cls: name for name, cls in KINDS.items()}


def kind_of(what: Happening) -> str:
    """The name it is kept and sent under."""
    return _NAMES[type(what)]


@dataclass(frozen=True, slots=True)
class Event:
    """One happening: its number in the batch (1, 2, …) and when, in seconds since the epoch. ``said_s``: when it was
    said to have been, where that could not be."""

    id: int
    at_s: float
    what: Happening
    said_s: float | None = None


def standing(events: Sequence[Event]) -> list[Event]:
    """The events that count, in order of time: without undone ones and without the undos themselves.

    >>> log = [Event(1, 0, Lit()), Event(2, 5, Stirred()), Event(3, 6, Undo(2)), Event(4, 7, Undo(3))]
    >>> [e.id for e in standing(log[:3])], [e.id for e in standing(log)]
    ([1], [1, 2])
    """
    undone: set[int] = set()
    for event in sorted(events, key=lambda e: e.id, reverse=True):
        if isinstance(event.what, Undo) and event.id not in undone:
            undone.add(event.what.event_id)
    return sorted(
        (e for e in events if e.id not in undone and not isinstance(e.what, Undo)),
        key=lambda e: (e.at_s, e.id),
    )
