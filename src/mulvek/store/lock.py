"""One server a file: the second is told where the first is."""

import fcntl
import os
from pathlib import Path

from ..core.errors import Conflict


class Lock:
    """Held for as long as the process lives; the system lets it go even when the process is killed."""

    def __init__(self, file: Path) -> None:
        """:raises Conflict: field "data", when another server has the file."""
        self._path = file.with_name(file.name + ".lock")
        while True:
            self._handle = os.open(self._path, os.O_RDWR | os.O_CREAT, 0o644)
            try:
                fcntl.flock(self._handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
            except OSError as error:
                where = os.read(self._handle, 200).decode(errors="replace").strip()
                os.close(self._handle)
                raise Conflict("data", "file-held-at" if where else "file-held", where=where) from error
            if self._path.exists() and os.path.samestat(os.fstat(self._handle), self._path.stat()):
                break
            os.close(self._handle)  # it was let go and taken away between our opening and locking it
        os.ftruncate(self._handle, 0)

    def tell(self, url: str) -> None:
        """Where this server is found."""
        os.pwrite(self._handle, url.encode(), 0)

    def release(self) -> None:
        self._path.unlink(missing_ok=True)
        os.close(self._handle)
