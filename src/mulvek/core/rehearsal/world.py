"""A part of a kitchen as it truly is, whatever is made in it: time, hands, signs and what it is worth are the same for all.

Each route has a world of its own (``worlds/``). A world knows nothing of screens or clocks: acts go in, seconds pass.
Chance comes from its :class:`Luck` alone, so the same acts at the same times always give the same milk.
"""

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from copy import copy
from dataclasses import dataclass
from typing import ClassVar, Self

from .acting import Act, Edit, Hand, changed
from .judging import standing_words
from .luck import Luck


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
        return self.edited_by(self.EDITS)

    def edited_by(self, edits: Sequence[Edit]) -> list[tuple[str, list[Act]]]:
        return [(edit.says, acts) for edit in edits if (acts := changed(self.acts, edit)) is not None]

    @property
    def at_it(self) -> str:
        """How long the cook stood at it, in words."""
        return standing_words(self.standing_s, self.at_s - self.began_s)

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
        if self._over(hand):
            self.done = True
            self._mark()
        return True

    def _over(self, hand: Hand) -> bool:
        """Whether the work is at its end with this."""
        return hand.ends or hand.key == self.ends_with

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
