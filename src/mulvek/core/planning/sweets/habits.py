"""What a kitchen's own hands change in a school: how much stays behind in its bowls, and how much its sweets drink.

Each by a factor that finished sweets taught; a number that the cook set is left as it is.
"""

from collections.abc import Callable, Collection
from dataclasses import dataclass, replace
from typing import Literal

from .formula import School

HabitName = Literal["loss", "uptake"]
PLACES: dict[HabitName, str] = {"loss": "lose", "uptake": "soak.gain"}
"""Where each stands among the numbers of a school that a cook can change."""
MOST_LOSS = 30.0
"""% that at most is told to stay behind."""


@dataclass(frozen=True, slots=True)
class Habit:
    """``told``, kg per kg: of all that was made what stays behind, or what a piece gains in its syrup. ``times`` the
    table's that is."""

    name: HabitName
    told: float
    times: float = 1.0


def habit_name(school: School) -> HabitName | None:
    """What a finished sweet of this school tells when it is weighed; None where other things decide what it weighs: it was
    cooked down by eye, or something was poured over it."""
    if school.top is not None:
        return None
    if school.soak is not None:
        return "uptake"
    return "loss" if school.cook is None and school.fry is None and school.lose > 0 else None


def with_habit(
    school: School, times: Callable[[HabitName], float], set_by_cook: Collection[str] = ()
) -> tuple[School, Habit | None]:
    """The school as it is made in this kitchen, and its habit.

    :param times: what is learned of a habit, times the table. :param set_by_cook: places of numbers she set herself.
    """
    name = habit_name(school)
    if name is None or PLACES[name] in set_by_cook:
        return school, None
    by = times(name)
    if name == "uptake":
        assert school.soak is not None
        gain = school.soak.gain * by
        return replace(school, soak=replace(school.soak, gain=gain)), Habit(name, gain, by)
    lose = min(MOST_LOSS, school.lose * by)
    return replace(school, lose=lose), Habit(name, lose / 100, by)
