"""A search for better plans and cures, in a process of its own, as lines of JSON while it finds them."""

import pickle
import subprocess
import sys
from collections.abc import Iterator

from ..wire.day import AskedDay
from ..wire.day_plan import LookedOut, looked


def found_lines(asked: AskedDay, seconds: float) -> Iterator[str]:
    """What the search finds, as it finds it; it is stopped when nobody listens any more."""
    command = [sys.executable, "-m", "mulvek.core.day.search"]
    with subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE) as process:
        try:
            assert process.stdin is not None and process.stdout is not None
            process.stdin.write(pickle.dumps((asked.day, seconds)))
            process.stdin.close()
            for line in process.stdout:
                if not line.strip():
                    yield "\n"  # a closed page ends the search
                    continue
                yield looked(asked, pickle.loads(bytes.fromhex(line.decode()))).model_dump_json() + "\n"
        finally:
            process.kill()
    yield LookedOut(over=True).model_dump_json() + "\n"
