"""Several vessels and one pair of hands: two pans, a whole making, or a whole day.

Each vessel is a world of its own. What one gives can be what another waits for: chhena for its balls, a reduced milk for its
moulds. Hands that are at one vessel are at no other.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import ClassVar, Self

from ..acting import Act, Hand
from ..luck import Luck
from ..score import score
from ..world import Mark, Notice, Sign, Told, World
from .bath import Bath
from .curd import Curd
from .freezer import Freeze
from .pan import SimPan

LOOKS_EVERY_S = 10


@dataclass(frozen=True, slots=True)
class Link:
    """What the vessel ``of`` gives is what ``to`` waits for."""

    of: int
    to: int


class Several(World):
    kind = "several"
    LONGEST_S = 30 * 3600
    FOLLOWS = ("done", "of the vessels")
    NAMES: ClassVar = {"alone": "left alone", "time": "on time", "standing": "standing"}
    WEIGHTS: ClassVar = {"alone": 0.25}

    def __init__(
        self,
        luck: Luck,
        name: str,
        vessels: Sequence[World],
        links: Sequence[Link] = (),
        serve_s: int | None = None,
    ) -> None:
        self.vessels, self.links, self.serve_s = tuple(vessels), tuple(links), serve_s
        super().__init__(luck, name)
        self.names = {**self.NAMES, **{str(i): v.name for i, v in enumerate(self.vessels)}}
        of_vessels = {str(i): 1.0 for i in range(len(self.vessels))}
        self.weights = {**of_vessels, **self.WEIGHTS} | ({"time": 0.5} if serve_s else {})
        self.at = 0
        """At which vessel the hands are."""
        self.alone_s = 0
        self.pressing: frozenset[int] = frozenset()
        """Vessels that cannot wait."""
        self.mark_every_s = 60 if serve_s else 15

    # -- what it is ----------------------------------------------------------------------------------

    @property
    def stage(self) -> str:
        return "done" if self.done else "going"

    def elsewhere_s(self, of: int) -> int:
        """How long the hands are still at another vessel, s."""
        return self.busy_s if self.at != of else 0

    def hands(self) -> Sequence[Hand]:
        return [hand for vessel in self.vessels if not vessel.done for hand in vessel.hands()]

    def hand(self, act: Act) -> Hand | None:
        if not 0 <= act.of < len(self.vessels) or self.vessels[act.of].done:
            return None
        return self.vessels[act.of].hand(act)

    def _do(self, act: Act) -> None:
        self.vessels[act.of].act(act)
        self.at = act.of
        self._hand_on(act.of)

    def _over(self, hand: Hand) -> bool:
        return all(vessel.done for vessel in self.vessels)

    def _hand_on(self, i: int) -> None:
        """What a vessel that is done gave, to what waits for it."""
        if self.vessels[i].done:
            for link in self.links:
                if link.of == i:
                    hand_over(self.vessels[i], self.vessels[link.to])

    def _pass(self) -> None:
        for vessel in self.vessels:
            if not vessel.done and self.at_s % vessel.TICK_S == 0:
                vessel.step()
        if self.at_s % LOOKS_EVERY_S == 0:
            self.pressing = frozenset(
                i
                for i, vessel in enumerate(self.vessels)
                if not vessel.done and any(s.key in PRESSING for s in vessel.signs())
            )
            self.alone_s += LOOKS_EVERY_S * bool(self.pressing)

    # -- what it tells -------------------------------------------------------------------------------

    def signs(self) -> Sequence[Sign]:
        return [
            replace(sign, key=f"{i}-{sign.key}", says=f"{vessel.name}: {sign.says}", calls=sign.calls)
            for i, vessel in enumerate(self.vessels)
            if not vessel.done
            for sign in vessel.signs()
        ]

    def notices(self) -> list[Notice]:
        found = [
            replace(notice, says=f"{vessel.name}: {notice.says}")
            for vessel in self.vessels
            for notice in vessel.notices()
        ]
        return sorted(found, key=lambda notice: notice.at_s)

    @property
    def still(self) -> bool:
        return all(vessel.done or vessel.still for vessel in self.vessels)

    def _mark(self) -> None:
        view = {f"{i}.{key}": value for i, v in enumerate(self.vessels) for key, value in v.view().items()}
        self.marks.append(Mark(self.at_s, self.followed, view, tuple(s.says for s in self.signs() if s.calls)))

    def true(self, channel: str) -> float | None:
        return None

    @property
    def followed(self) -> float:
        return float(sum(v.done for v in self.vessels))

    def view(self) -> Mapping[str, float]:
        return {}

    @property
    def outcome(self) -> str:
        return "; ".join(vessel.outcome for vessel in self.vessels)

    @property
    def yield_kg(self) -> float | None:
        return self.vessels[-1].yield_kg

    def copy(self) -> Self:
        other = super().copy()
        other.vessels = tuple(vessel.copy() for vessel in self.vessels)
        return other

    def truths(self) -> list[str]:
        told = [(vessel.name.capitalize(), vessel.truths()) for vessel in self.vessels]
        return [f"{name}: {' '.join(truths)}" for name, truths in told if truths]

    def told(self) -> dict[str, Told]:
        found: dict[str, Told] = {}
        for i, vessel in enumerate(self.vessels):
            judged = score(vessel)
            least = judged.dearest
            says = vessel.outcome if judged.points > 90 else f"{vessel.outcome}; {least.name}: {least.says}"
            found[str(i)] = Told(judged.points if vessel.done else 0.0, says)
        minutes = self.alone_s / 60
        found["alone"] = Told(max(0.0, 100 - 9 * max(0.0, minutes - 1)), f"asked for hands for {minutes:.0f} min")
        found["standing"] = Told(100.0, self.at_it)
        if self.serve_s:
            late = max(0.0, (self.at_s - self.serve_s) / 60)
            found["time"] = Told(
                max(0.0, 100 - 3 * late), f"{late:.0f} min late" if late >= 1 else "on the table in time"
            )
        return found

    def begin_here(self) -> None:
        super().begin_here()
        for vessel in self.vessels:
            vessel.begin_here()

    def edited(self) -> list[tuple[str, list[Act]]]:
        """Each vessel's own edits, the others' acts as they were."""
        found = []
        for i, vessel in enumerate(self.vessels):
            others = [act for act in self.acts if act.of != i]
            for says, acts in vessel.edited():
                mine = [replace(act, of=i) for act in acts]
                if sorted(mine, key=_when) != [a for a in self.acts if a.of == i]:
                    found.append((f"{vessel.name}: {says[0].lower()}{says[1:]}", sorted([*others, *mine], key=_when)))
        return found


PRESSING = frozenset({"rim", "toast", "burnt", "smokes", "dark", "past", "open", "drags"})
"""Signs that cannot wait."""


def _when(act: Act) -> int:
    return act.at_s


def hand_over(given: World, taker: World) -> None:
    if isinstance(given, Curd) and isinstance(taker, Bath):
        taker.take(given.yield_kg, given.moisture, given.texture, given.smooth)
    elif isinstance(given, SimPan) and isinstance(taker, Freeze):
        taker.waits = False
        taker.take(given.contents.per_kg())
