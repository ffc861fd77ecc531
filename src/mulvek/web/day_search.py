"""A search for better plans and cures, in a process of its own, as lines of JSON while it finds them.

Loading the solver takes a second and more than a hundred megabytes: one process has it loaded and waits for the next errand.
"""

import atexit
import pickle
import subprocess
import sys
import threading
from collections.abc import Iterator

from ..core.day.search import Errand
from ..wire.day import AskedDay
from ..wire.day_plan import LookedOut, looked

Process = subprocess.Popen[bytes]


class Searchers:
    """The one that is warm, and those that are at it."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._warm: Process | None = None

    def warm_up(self) -> None:
        """Have one ready."""
        with self._lock:
            if self._warm is None or self._warm.poll() is not None:
                self._warm = _started()

    def take(self) -> Process:
        with self._lock:
            process, self._warm = self._warm, None
        return process if process is not None and process.poll() is None else _started()

    def close(self) -> None:
        with self._lock:
            if self._warm is not None:
                _ended(self._warm)
                self._warm = None


def _started() -> Process:
    command = [sys.executable, "-m", "mulvek.core.day.search"]
    return subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE)


def _ended(process: Process) -> None:
    process.kill()
    for pipe in (process.stdin, process.stdout):
        if pipe is not None:
            pipe.close()
    process.wait()


SEARCHERS = Searchers()
atexit.register(SEARCHERS.close)


def found_lines(asked: AskedDay, errand: Errand) -> Iterator[str]:
    """What the search finds, as it finds it; it is stopped when nobody listens any more."""
    process = SEARCHERS.take()
    try:
        assert process.stdin is not None and process.stdout is not None
        process.stdin.write(pickle.dumps(errand))
        process.stdin.close()
        for line in process.stdout:
            if not line.strip():
                yield "\n"  # a closed page ends the search
                continue
            yield looked(asked, pickle.loads(bytes.fromhex(line.decode()))).model_dump_json() + "\n"
    finally:
        _ended(process)
        SEARCHERS.warm_up()
    yield LookedOut(over=True).model_dump_json() + "\n"
