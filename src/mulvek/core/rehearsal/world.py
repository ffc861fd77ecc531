"""A part of a kitchen as it truly is, whatever is made in it: time, hands, signs and what it is worth are the same for all.

Each route has a world of its own (``worlds/``). A world knows nothing of screens or clocks: acts go in, seconds pass.
Chance comes from its :class:`Luck` alone, so the same acts at the same times always give the same milk.
"""

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from copy import copy
from dataclasses import dataclass, replace
from typing import ClassVar, Literal, Self

from ..equipment.burners import Flame
from .luck import Luck

Unit = Literal["", "kg", "l", "s", "pieces"]


@dataclass(frozen=True, slots=True)
class Act:
    """What the cook did: when (s since it began), what, how much in its hand's unit, and to which vessel."""

    at_s: int
    kind: str
    amount: float = 0.0
    flame: Flame | None = None
    of: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Hand:
    """Something that can be done now. ``busy_s`` it keeps the cook. With a ``unit`` it takes an amount, ``usual`` when
    nothing is said, up to ``most``; ``flames``: it takes a flame."""

    key: str
    says: str
    busy_s: int
    unit: Unit = ""
    usual: float = 0.0
    most: float = 0.0
    flames: bool = False
    ends: bool = False


@dataclass(frozen=True, slots=True)
class Sign:
    """What eyes, nose and fingers tell. ``calls``: the acts it asks for; none when it only tells."""

    key: str
    says: str
    calls: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Notice:
    """A sign that asked for something: when it was first there, and when the cook did it, s; None: never."""

    says: str
    at_s: int
    acted_s: int | None


@dataclass(frozen=True, slots=True)
class Mark:
    """Where a run stood, for its curve and for looking back: s, the value that the curve follows, what is drawn."""

    at_s: int
    value: float
    view: Mapping[str, float]
    signs: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Told:
    """Points of 100 for one part of the work, and the fact behind them."""

    points: float
    says: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Edit:
    """One thing that could have been done differently: all from the first ``act`` on sooner or later by ``by`` seconds; its
    amounts times ``by``; without the last of them, or without any; with one more, ``by`` seconds after; each in two halves,
    ``by`` seconds apart; ``to`` in its place, or added every ``by`` seconds from then on; a weaker flame."""

    act: str
    how: Literal["sooner", "later", "amount", "less", "none", "more", "halved", "instead", "every", "flame"]
    says: str
    by: float = 0.0
    to: str = ""


class World(ABC):
    """Masses kg, temperatures °C, times s since it began."""

    kind: ClassVar[str]
    TICK_S: ClassVar[int] = 1
    MARK_EVERY_S: ClassVar[int] = 15
    LONGEST_S: ClassVar[int] = 6 * 3600
    FOLLOWS: ClassVar[tuple[str, str]]
    """What the curve of a run shows, and its unit."""
    WEIGHTS: ClassVar[Mapping[str, float]]
    """What counts how much, when a lesson does not say otherwise."""
    NAMES: ClassVar[Mapping[str, str]]
    """What each part is called in the account."""
    EDITS: ClassVar[Sequence[Edit]] = ()
    SAID: ClassVar[Mapping[str, str]] = {
        "stop": "off",
        "drop": "in",
        "in": "in the cold",
        "lift": "out",
        "hang": "hung",
        "dip": "dipped",
        "strain": "strained",
        "serve": "served",
    }
    """What is written at the curve for an act that has another word than its key."""

    def __init__(self, luck: Luck, name: str) -> None:
        self.luck, self.name = luck, name
        self.weights: Mapping[str, float] = self.WEIGHTS
        self.names: Mapping[str, str] = self.NAMES
        self.mark_every_s = self.MARK_EVERY_S
        self.at_s = self.began_s = 0
        self.done = False
        self.ends_with = ""
        self.asks: frozenset[str] = frozenset(self.WEIGHTS)
        """The parts of the work that count here."""
        self.busy_s = 0
        self.standing_s = 0.0
        self.acts: list[Act] = []
        self.marks: list[Mark] = []
        self._open: dict[str, Notice] = {}
        self._closed: list[Notice] = []

    # -- what it is ----------------------------------------------------------------------------------

    @property
    @abstractmethod
    def stage(self) -> str:
        """Where the work is: a lesson may begin at one."""

    @abstractmethod
    def hands(self) -> Sequence[Hand]:
        """What can be done now."""

    @abstractmethod
    def signs(self) -> Sequence[Sign]:
        """Signs at this moment, the most pressing first."""

    @abstractmethod
    def true(self, channel: str) -> float | None:
        """What a perfect instrument would show, in the channel's unit; None when it shows nothing."""

    @abstractmethod
    def told(self) -> Mapping[str, Told]:
        """Each part of the work judged as it stands, by the names of ``WEIGHTS``."""

    @property
    @abstractmethod
    def followed(self) -> float:
        """The value of its curve."""

    @property
    def goal(self) -> float | None:
        """Where that value should end."""
        return None

    @abstractmethod
    def view(self) -> Mapping[str, float]:
        """What is drawn of it: numbers by name."""

    @property
    @abstractmethod
    def outcome(self) -> str:
        """What it gave, in a few words."""

    @property
    def yield_kg(self) -> float | None:
        """What it gave."""
        return None

    def edited(self) -> list[tuple[str, list[Act]]]:
        """Its own acts with one thing done differently, in words and as acts."""
        return [(edit.says, acts) for edit in self.EDITS if (acts := changed(self.acts, edit)) is not None]

    @property
    def shakes(self) -> bool:
        """Whether it boils under the scale."""
        return False

    @property
    def still(self) -> bool:
        """Whether nothing asks for hands now, and so time may be let go by."""
        return not any(sign.calls for sign in self.signs())

    def truths(self) -> list[str]:
        """What was hidden, told afterwards."""
        return []

    def called_away(self) -> list[str]:
        """The same of those who came to the door."""
        called = [b for b in self.luck.bells if self.began_s <= b.at_s < self.at_s]
        if not called:
            return []
        away, times = sum(b.away_s for b in called) / 60, len(called)
        return [f"You were called away {'once' if times == 1 else f'{times} times'}, {away:.0f} minutes in all."]

    def at_most(self, points: float) -> float:
        """The whole's points, where something spoils all of it."""
        return points

    # -- who is there --------------------------------------------------------------------------------

    def away_s(self) -> int:
        """For how long the cook is still away, s."""
        bell = self.luck.bell(self.at_s)
        return 0 if bell is None else bell.at_s + bell.away_s - self.at_s

    def caller(self) -> str:
        bell = self.luck.bell(self.at_s)
        return "" if bell is None else bell.who

    # -- what the cook does --------------------------------------------------------------------------

    def hand(self, act: Act) -> Hand | None:
        """The hand that does this now; None when it cannot be done."""
        return next((hand for hand in self.hands() if hand.key == act.kind), None)

    def done_as(self, act: Act) -> str:
        """What an act is called, once it is done."""
        return act.flame or self.SAID.get(act.kind, act.kind)

    def act(self, act: Act) -> bool:
        """Do it now; whether it could be done. The caller has seen to it that the cook is there."""
        if self.done or (hand := self.hand(act)) is None:
            return False
        self.acts.append(act)
        self.standing_s += hand.busy_s
        self.busy_s = max(self.busy_s, hand.busy_s)
        for key in [k for k, notice in self._open.items() if act.kind in self._calls(k)]:
            self._closed.append(Notice(self._open[key].says, self._open.pop(key).at_s, self.at_s))
        self._do(act)
        if hand.ends or act.kind == self.ends_with:
            self.done = True
            self._mark()
        return True

    def _calls(self, key: str) -> tuple[str, ...]:
        return self._asked.get(key, ())

    _asked: Mapping[str, tuple[str, ...]] = {}

    @abstractmethod
    def _do(self, act: Act) -> None: ...

    # -- what happens by itself ----------------------------------------------------------------------

    @abstractmethod
    def _pass(self) -> None:
        """One tick: ``TICK_S`` seconds."""

    def step(self) -> None:
        """One tick."""
        self.at_s += self.TICK_S
        self.busy_s = max(0, self.busy_s - self.TICK_S)
        self._pass()
        if self.at_s % self.mark_every_s < self.TICK_S:
            self._mark()

    def _mark(self) -> None:
        signs = self.signs()
        self.marks.append(Mark(self.at_s, self.followed, self.view(), tuple(s.says for s in signs)))
        calling = {s.key: s for s in signs if s.calls}
        self._asked = {**self._asked, **{key: s.calls for key, s in calling.items()}}
        for key, sign in calling.items():
            if key not in self._open:
                self._open[key] = Notice(sign.says, self.at_s, None)
        for key in [k for k in self._open if k not in calling]:
            # it passed by itself: nothing is held against the cook
            del self._open[key]

    def notices(self) -> list[Notice]:
        """Signs that asked for something, in order of time."""
        return sorted((*self._closed, *self._open.values()), key=lambda n: n.at_s)

    def run_to(self, at_s: int, acts: Sequence[Act] = ()) -> None:
        """As far as ``at_s``, doing what of ``acts`` (in order of time) was not yet done."""
        todo = list(acts[len(self.acts) :])
        while not self.done:
            while todo and todo[0].at_s < self.at_s + self.TICK_S and not self.done:
                self.act(todo.pop(0))
            if self.at_s + self.TICK_S > at_s or self.done:
                return
            self.step()

    def goes_on_with(self, acts: Sequence[Act], at_s: int) -> bool:
        """Whether this one is on the way there: the same acts so far, and none since that came before now."""
        done = len(self.acts)
        return self.acts == list(acts[:done]) and at_s >= self.at_s and all(a.at_s >= self.at_s for a in acts[done:])

    def copy(self) -> Self:
        """The same moment again, to go on from in another way."""
        other = copy(self)
        other.acts, other.marks = list(self.acts), list(self.marks)
        other._open, other._closed = dict(self._open), list(self._closed)
        return other

    def begin_here(self) -> None:
        """What was done so far was done for the cook: the account begins now."""
        self.began_s, self.standing_s, self.busy_s = self.at_s, 0.0, 0
        self.acts, self.marks, self._open, self._closed = [], [], {}, []


def clamp(x: float, low: float = 0.0, high: float = 1.0) -> float:
    return max(low, min(high, x))


def ramp(x: float, low: float, high: float) -> float:
    """0 below ``low``, 1 above ``high``, even between; the other way round when ``high`` is the lower."""
    return clamp((x - low) / (high - low))


def points(lost: float) -> float:
    """Points left of 100."""
    return clamp(100 - lost, 0.0, 100.0)


def off_by(times: float, more: str, less: str) -> list[str]:
    """A sentence on what was more or less than told, by its factor; none when it was as told.

    >>> off_by(1.12, "It took {} % more acid than usual.", "It took {} % less acid than usual.")
    ['It took 12 % more acid than usual.']
    """
    percent = round(abs(times - 1) * 100)
    return [] if percent < 1 else [(more if times > 1 else less).format(percent)]


def level_word(x: float, words: Sequence[tuple[float, str]]) -> str:
    """The word of the first level that ``x`` is above or at; the levels fall.

    >>> level_word(0.3, ((0.6, "burnt"), (0.2, "toast"), (0.0, "clean")))
    'toast'
    """
    return next((word for level, word in words if x >= level), words[-1][1])


def standing_words(world: World) -> str:
    return f"{world.standing_s / 60:.0f} of {(world.at_s - world.began_s) / 60:.0f} minutes at it"


WEAKER: Mapping[Flame, Flame] = {"strong": "medium", "medium": "gentle", "gentle": "gentle"}


def changed(acts: Sequence[Act], edit: Edit) -> list[Act] | None:
    """Acts with this edit made; None where it changes nothing."""
    at = [i for i, act in enumerate(acts) if act.kind == edit.act]
    if not at:
        return None
    first, last = at[0], at[-1]
    match edit.how:
        case "sooner" | "later":
            by = int(edit.by) * (1 if edit.how == "later" else -1)
            before = acts[first - 1].at_s if first else 0
            by = max(by, before - acts[first].at_s)
            made = [*acts[:first], *(replace(act, at_s=act.at_s + by) for act in acts[first:])]
        case "amount":
            made = [replace(act, amount=act.amount * edit.by) if act.kind == edit.act else act for act in acts]
        case "less":
            made = [*acts[:last], *acts[last + 1 :]]
        case "more":
            again = replace(acts[last], at_s=acts[last].at_s + int(edit.by))
            made = sorted((*acts, again), key=lambda act: act.at_s)
        case "none":
            made = [act for act in acts if act.kind != edit.act]
        case "halved":
            half = [replace(act, amount=act.amount / 2) if act.kind == edit.act else act for act in acts]
            rest = [replace(act, at_s=act.at_s + int(edit.by)) for act in half if act.kind == edit.act]
            made = sorted((*half, *rest), key=lambda act: act.at_s)
        case "instead":
            made = [replace(act, kind=edit.to) if act.kind == edit.act else act for act in acts]
        case "every":
            times = range(acts[first].at_s + int(edit.by), acts[-1].at_s, int(edit.by))
            made = sorted((*acts, *(Act(at, edit.to) for at in times)), key=lambda act: act.at_s)
        case "flame":
            made = [replace(act, flame=WEAKER[act.flame]) if act.flame else act for act in acts]
    return None if made == list(acts) else made
