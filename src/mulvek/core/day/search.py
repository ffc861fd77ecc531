"""Looking for a calmer plan, or for what would cure a day: in a process of its own, which can be stopped at any time.

``python -m mulvek.core.day.search`` reads a day and a time limit (pickled: both ends are ours) and writes a line for each
find, pickled and hexadecimal.
"""

import pickle
import sys
import time
from collections.abc import Callable, Iterator

from .check import faults
from .cures import Cure, cures, least_late
from .packer import improve
from .tasks import Day, Plan


def search(day: Day, seconds: float, seed: int = 1, beat: Callable[[], None] = lambda: None) -> Iterator[Plan | Cure]:
    """Better and better plans for so many seconds; of a day that is late the changes that would help, too. ``beat`` is called
    all along."""
    until = time.monotonic() + seconds
    best: Plan | None = None

    def goes_on() -> bool:
        beat()
        left = until - time.monotonic()
        return left > 0 and not (best is not None and best.lateness and left < seconds / 2)

    for plan in improve(day, seed, None, goes_on):
        if not faults(day, plan):
            best = plan
            yield plan
    if best is None or not best.lateness or seconds <= 0:
        return
    least = least_late(day, seed)
    beat()
    yield from cures(day, least if least and least.lateness < best.lateness else best, seed)


class _Beat:
    """An empty line a second: whoever reads learns at once that nobody listens to it any more, and so does this."""

    def __init__(self) -> None:
        self._next = 0.0

    def __call__(self) -> None:
        if time.monotonic() >= self._next:
            self._next = time.monotonic() + 1.0
            print(flush=True)


def main() -> None:
    day, seconds = pickle.loads(sys.stdin.buffer.read())
    for found in search(day, seconds, beat=_Beat()):
        print(pickle.dumps(found).hex(), flush=True)


if __name__ == "__main__":
    main()
