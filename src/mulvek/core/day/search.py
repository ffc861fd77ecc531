"""Looking for a calmer plan, or for what would cure a day: in a process of its own, which can be stopped at any time.

``python -m mulvek.core.day.search`` reads a day and a time limit (pickled: both ends are ours) and writes a line for each
find, pickled and hexadecimal.
"""

import pickle
import sys
import time
from collections.abc import Iterator

from .check import faults
from .cures import Cure, cures, least_late
from .packer import improve
from .tasks import Day, Plan


def search(day: Day, seconds: float, seed: int = 1) -> Iterator[Plan | Cure]:
    """Better and better plans for so many seconds; of a day that is late the changes that would help, too."""
    until = time.monotonic() + seconds
    best: Plan | None = None
    for plan in improve(day, seed, None if seconds > 0 else 0):
        if not faults(day, plan):
            best = plan
            yield plan
        if time.monotonic() > until or (
            best is not None and best.lateness and time.monotonic() > until - seconds / 2
        ):
            break
    if best is None or not best.lateness:
        return
    least = least_late(day, seed)
    yield from cures(day, least if least and least.lateness < best.lateness else best, seed)


def main() -> None:
    day, seconds = pickle.loads(sys.stdin.buffer.read())
    for found in search(day, seconds):
        sys.stdout.write(pickle.dumps(found).hex() + "\n")
        sys.stdout.flush()


if __name__ == "__main__":
    main()
