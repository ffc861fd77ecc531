"""Asking for hands: what is due, how loudly, and what the cook said to it.

Day dossier §3 "Reminders". Pure: a nudge follows from the batch and the time. It is told apart by its
*episode*, the happening that it hangs on, never by when it is due, because forecasts drift every second.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ..messages.message import Message

Class = Literal["care", "hazard"]
Loudness = Literal["wait", "show", "chime", "speak", "alarm"]

SPEAK_AFTER_S = 40.0
ALARM_AFTER_S = 120.0
MISSED_AFTER_S = 240.0
OK_BUYS_S = 90.0
LONGEST_SNOOZE_S = 1800.0


@dataclass(frozen=True, slots=True)
class Missed:
    """A nudge that nobody answered: kept, and not sounded again in this episode."""

    nudge: str
    episode: str


@dataclass(frozen=True, slots=True)
class Snoozed:
    """Seen, not done: quiet for ``seconds``."""

    nudge: str
    episode: str
    seconds: float


@dataclass(frozen=True, slots=True)
class Hushed:
    """No sounds for what can wait; hazards are told all the same."""

    on: bool


Attention = Missed | Snoozed | Hushed


@dataclass(frozen=True, slots=True, kw_only=True)
class Nudge:
    """Something to do. ``due_at_s`` since the epoch, moved on by a snooze; ``says`` what; its part "strip" is the short form.

    ``answer``: the kind of happening that ends it. ``missed``: nobody came; shown, no longer sounded.
    """

    key: str
    episode: str
    kind: Class
    due_at_s: float
    says: Message
    answer: str
    missed: bool = False
    hushed: bool = False

    def loudness(self, now_s: float) -> Loudness:
        """How it is told now.

        >>> stir = Nudge(
        ...     key="stir", episode="7", kind="care", due_at_s=100.0, says=Message("stir-now"), answer="stirred")
        >>> [stir.loudness(t) for t in (99.0, 100.0, 140.0, 400.0)]
        ['wait', 'chime', 'speak', 'show']
        >>> stop = Nudge(
        ...     key="stop", episode="2", kind="hazard", due_at_s=100.0, says=Message("stop-now"), answer="off")
        >>> [stop.loudness(t) for t in (100.0, 230.0)]
        ['speak', 'alarm']
        """
        late = now_s - self.due_at_s
        if late < 0:
            return "wait"
        if self.kind == "hazard":
            return "alarm" if late >= ALARM_AFTER_S else "speak"
        if self.missed or self.hushed or late >= MISSED_AFTER_S:
            return "show"
        return "speak" if late >= SPEAK_AFTER_S else "chime"


def attended(nudges: Sequence[Nudge], said: Sequence[tuple[float, Attention]]) -> tuple[Nudge, ...]:
    """The nudges after what the cook said (time, what), soonest first."""
    hushed = next((a.on for _, a in reversed(said) if isinstance(a, Hushed)), False)
    missed = {(a.nudge, a.episode) for _, a in said if isinstance(a, Missed)}
    until = {(a.nudge, a.episode): at + a.seconds for at, a in said if isinstance(a, Snoozed)}
    out = [
        Nudge(
            key=n.key,
            episode=n.episode,
            kind=n.kind,
            due_at_s=max(n.due_at_s, until.get((n.key, n.episode), n.due_at_s)),
            says=n.says,
            answer=n.answer,
            missed=(n.key, n.episode) in missed,
            hushed=hushed,
        )
        for n in nudges
    ]
    return tuple(sorted(out, key=lambda n: (n.due_at_s, n.kind == "care")))
