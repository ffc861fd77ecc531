"""What a half-made plan has taken, minute by minute, and where something more still fits: sums along the day, all minutes
at once."""

import numpy as np
import numpy.typing as npt

from . import rules
from .sittings import stretches
from .tasks import Day, DayKitchen, Task

Line = npt.NDArray[np.int32]
Sums = npt.NDArray[np.int32]
"""Forbidden minutes before each minute."""
CENTILITRES = 100


class Board:
    """Taken hands, burners, pans and cold room of one day; minutes from the kitchen's start."""

    def __init__(self, day: Day) -> None:
        self.kitchen = day.kitchen
        latest = max([day.kitchen.end, *(job.due for job in day.jobs)])
        self.length = latest - day.kitchen.start + 1
        self.hands = self._line()
        self.busy = self._line()
        self.own = self._line()
        self.fires = self._line()
        self.stands = self._line()
        self.hobs = [self._line() for _ in day.kitchen.hobs]
        self.pots = [self._line() for _ in day.kitchen.pots]
        self.fridge = self._line()
        self.freezer = self._line()
        self._hands_there, self._people, self._cook = hands_there(day.kitchen, self.length)

    def _line(self) -> Line:
        return np.zeros(self.length, dtype=np.int32)

    # -- taking --------------------------------------------------------------------------------------

    def take(self, task: Task, start: int, end: int, by: int) -> None:
        """Hands and cold room of a task; ``by`` −1 gives them back."""
        span = slice(start, end)
        if task.load:
            self.hands[span] += by * task.load
            if task.load >= rules.BUSY:
                self.busy[span] += by
                if not task.helper:
                    self.own[span] += by
            if task.load > rules.GLANCE:
                self.stands[span] += by
        if task.fridge_l:
            self.fridge[span] += by * round(task.fridge_l * CENTILITRES)
        if task.freezer_l:
            self.freezer[span] += by * round(task.freezer_l * CENTILITRES)

    def take_fire(self, hob: int, pot: int, start: int, end: int, by: int) -> None:
        self.hobs[hob][start:end] += by
        self.fires[start:end] += by
        self.pots[pot][start : end + rules.WASH] += by

    # -- looking -------------------------------------------------------------------------------------

    def no_hands(self, load: int) -> Sums:
        """Where so much of the hands is not free."""
        return sums(self.hands + load > self._hands_there)

    def nobody(self, task: Task) -> list[Sums]:
        """Where nobody is there for a task: one line of sums for each rule."""
        lines = []
        if task.load >= rules.BUSY:
            lines.append(sums(self.busy + 1 > self._people))
            if not task.helper:
                lines.append(sums(self.own + 1 > self._cook))
        elif task.load > rules.GLANCE:  # whoever is seated has a glance to spare, and no more
            lines.append(sums(self._people == 0))
        return lines

    def no_cold(self, task: Task) -> list[Sums]:
        lines = []
        if task.fridge_l:
            lines.append(self.full_fridge(task.fridge_l))
        if task.freezer_l:
            lines.append(self.full_freezer(task.freezer_l))
        return lines

    def full_fridge(self, litres: float) -> Sums:
        return sums(
            self.fridge + round(litres * CENTILITRES) > round(self.kitchen.fridge_l * CENTILITRES),
        )

    def full_freezer(self, litres: float) -> Sums:
        return sums(self.freezer + round(litres * CENTILITRES) > round(self.kitchen.freezer_l * CENTILITRES))

    def no_fire(self, hob: int) -> Sums:
        """Where that burner is taken."""
        return sums(self.hobs[hob] > 0)

    def unwatched(self, pans: int) -> Sums:
        """Where so many pans more are more than one can watch."""
        return sums(self.fires + pans > self.kitchen.pans_watched)

    def no_pot(self, pot: int) -> Sums:
        return sums(self.pots[pot] > 0)

    def fresh_standing(self) -> Sums:
        """Minutes before each minute in which standing would be new: further than a sitting's gap from what stands."""
        before = np.concatenate(([0], np.cumsum(self.stands > 0)))
        near, at = rules.SITTING_GAP // 2, np.arange(self.length)
        there = before[np.minimum(at + near, self.length)] - before[np.maximum(at - near, 0)] > 0
        return sums(~there)


def sums(bad: npt.NDArray[np.bool_]) -> Sums:
    """How many of the minutes before each minute are bad; a little further than the day, for a pan that is washed."""
    out = np.zeros(len(bad) + 1 + rules.WASH, dtype=np.int32)
    np.cumsum(bad, out=out[1 : len(bad) + 1])
    out[len(bad) + 1 :] = out[len(bad)]
    return out


def within(line: Sums, starts: int, offset: int, minutes: int) -> Line:
    """How many bad minutes a stretch has that begins ``offset`` after each of the first so many minutes."""
    return line[offset + minutes : offset + minutes + starts] - line[offset : offset + starts]


def hands_there(kitchen: DayKitchen, length: int) -> tuple[Line, Line, Line]:
    """Hundredths of hands there, people there, and whether the cook is."""
    spans = stretches(kitchen, kitchen.start + length)
    counts = [end - start for start, end, _, _ in spans]
    hands = np.repeat(np.array([there for _, _, there, _ in spans], dtype=np.int32), counts)
    helper = np.repeat(np.array([helps for _, _, _, helps in spans], dtype=np.int32), counts)
    cook = ((hands - helper) >= rules.ONE_PAIR).astype(np.int32)
    return hands, cook + (helper >= rules.ONE_PAIR), cook
