"""Copies of the kitchen's file: whole, checked after writing, made while the kitchen goes on, and brought back.

A copy is one plain SQLite file with nothing beside it. It gets its name only when it is on disk and was read back.
"""

import os
import re
import sqlite3
from collections.abc import Callable, Iterable
from contextlib import closing, suppress
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from urllib.parse import quote

from ..core.errors import BadInput, NotFound, Unavailable
from .trouble import plainly_said

DAY_S = 86_400.0
_NAME = re.compile(r"^[a-z]+-(\d{8}T\d{6})(-[a-z0-9-]+)?\.sqlite3$")
_TABLES = {"batch": "reductions", "curd_batch": "curds", "sweet_batch": "sweets", "milk": "milks", "pan": "pans"}
"""Of forms before 0009 a kind of batches had a table of its own."""
_BATCHES = {"reductions": "'reduce'", "curds": "'curdle', 'strain'", "caramels": "'caramel'", "sweets": "'sweet'"}
_DOOR = ("device", "audit")
_EVENTS = ("event", "curd_event", "sweet_event")


@dataclass(frozen=True, slots=True)
class Copy:
    """A copy in its folder. ``why``: empty for the daily ones, else what it was made before."""

    path: Path
    at_s: float
    why: str

    @property
    def size(self) -> int:
        return self.path.stat().st_size


@dataclass(frozen=True, slots=True)
class Holds:
    """What a file holds: how many of each thing, and when something last happened."""

    things: dict[str, int]
    happenings: int
    last_s: float | None
    schema: str


@dataclass(frozen=True, slots=True)
class Retention:
    """How many copies stay: the newest of each of so many days, weeks and months."""

    days: int = 7
    weeks: int = 4
    months: int = 12


class Copies:
    """The copies of one file, in a folder of their own beside it unless another is named."""

    def __init__(self, file: Path, folder: Path | None = None, keep: Retention | None = None) -> None:
        self.file, self.folder = file, folder or file.parent / "copies"
        self.keep = keep or Retention()

    def all(self) -> list[Copy]:
        """Newest first; files of other names are left alone."""
        found = []
        for path in self.folder.glob(f"{self.file.stem}-*.sqlite3"):
            if (named := _NAME.match(path.name)) is not None:
                at = datetime.strptime(named[1], "%Y%m%dT%H%M%S").replace(tzinfo=UTC).timestamp()
                found.append(Copy(path, at, (named[2] or "-")[1:]))
        return sorted(found, key=lambda copy: (-copy.at_s, copy.path.name))

    def named(self, name: str) -> Copy:
        """:raises NotFound: field "copy"."""
        for copy in self.all():
            if copy.path.name == name:
                return copy
        raise NotFound("copy", "no-such-copy", name=name)

    def make(self, now_s: float, why: str = "") -> Copy:
        """Copy the file as it is now.

        :raises Unavailable: when it cannot be written whole, or does not read back sound.
        """
        at_s, to = now_s, self._path(now_s, why)
        while to.exists():  # never over another, which may be the very one that is brought back
            at_s += 1
            to = self._path(at_s, why)
        copy_file(self.file, to)
        return Copy(to, at_s, why)

    def _path(self, at_s: float, why: str) -> Path:
        stamp = datetime.fromtimestamp(at_s, UTC).strftime("%Y%m%dT%H%M%S")
        return self.folder / f"{self.file.stem}-{stamp}{'-' + why if why else ''}.sqlite3"

    def make_daily(self, now_s: float) -> Copy | None:
        """A copy when the newest is a day old (or from a clock that was ahead); then those beyond their time go."""
        daily = [copy for copy in self.all() if not copy.why]
        if daily and 0 <= now_s - daily[0].at_s < DAY_S:
            return None
        made = self.make(now_s)
        stay = to_keep([copy.at_s for copy in self.all() if not copy.why], self.keep)
        for copy in self.all():
            if not copy.why and copy.at_s not in stay:
                copy.path.unlink(missing_ok=True)
        return made

    def bring_back(self, copy: Path, now_s: float) -> Copy | None:
        """Put a copy in the place of the file, page by page in one transaction; open connections go on with it.

        What was there is kept as a copy of its own, which is returned. A file too damaged to be copied is put aside
        whole, with its write-ahead file, and None is returned. Who may come in stays as it is now: a device that was
        sent away does not come back with an old copy.

        :raises BadInput: field "file", when the copy is not sound or of a newer release.
        """
        check(copy)
        before: Copy | None = None
        door = _door_of(self.file)
        if self.file.exists():
            try:
                before = self.make(now_s, "before-bringing-back")
            except Unavailable:
                stamp = datetime.fromtimestamp(now_s, UTC).strftime("%Y%m%dT%H%M%S")
                for suffix in ("", "-wal", "-shm"):
                    part = self.file.with_name(self.file.name + suffix)
                    if part.exists():
                        part.rename(part.with_name(f"{self.file.stem}-damaged-{stamp}.sqlite3{suffix}"))
        part = self.file.with_name(self.file.name + ".part")
        try:
            part.unlink(missing_ok=True)
            with closing(_open(copy)) as source, closing(sqlite3.connect(part)) as renewed:
                source.backup(renewed, pages=-1)
                _set_door(renewed, door)
                with closing(sqlite3.connect(self.file, timeout=10)) as target:
                    renewed.backup(target, pages=-1)
                    target.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        finally:
            with suppress(OSError):
                part.unlink()
        return before


def _door_of(file: Path) -> dict[str, list[dict[str, object]]]:
    """Rows of the door's tables; none of a file that has none or cannot be read: all are let in anew then."""
    if file.exists():
        with suppress(sqlite3.Error), closing(_open(file)) as found:
            found.row_factory = sqlite3.Row
            return {table: [dict(row) for row in found.execute(f"SELECT * FROM {table}")] for table in _DOOR}
    return {table: [] for table in _DOOR}


def _set_door(file: sqlite3.Connection, rows: dict[str, list[dict[str, object]]]) -> None:
    there = {row[0] for row in file.execute("SELECT name FROM sqlite_master WHERE type='table'")}
    for table in (table for table in _DOOR if table in there):
        file.execute(f"DELETE FROM {table}")
        for row in rows[table]:
            marks = ", ".join(f":{column}" for column in row)
            file.execute(f"INSERT INTO {table} ({', '.join(row)}) VALUES ({marks})", row)
    file.commit()


def to_keep(times: Iterable[float], keep: Retention) -> set[float]:
    """The newest of each of the last days, weeks and months that have any.

    >>> day = 86_400.0
    >>> sorted(to_keep([0, 1, day, 9 * day, 40 * day], Retention(days=2, weeks=2, months=2)))
    [777600.0, 3456000.0]
    """
    rules: tuple[tuple[int, Callable[[datetime], object]], ...] = (
        (keep.days, lambda t: t.date()),
        (keep.weeks, lambda t: t.isocalendar()[:2]),
        (keep.months, lambda t: (t.year, t.month)),
    )
    newest_first = sorted(times, reverse=True)
    stay: set[float] = set()
    for count, span_of in rules:
        spans: set[object] = set()
        for at in newest_first:
            span = span_of(datetime.fromtimestamp(at, UTC))
            if span not in spans and len(spans) < count:
                spans.add(span)
                stay.add(at)
    return stay


def copy_file(source: Path, to: Path) -> None:
    """A consistent copy of a file in use, checked, under its name only when it is whole and on disk.

    :raises Unavailable: field "copy".
    """
    part = to.with_name(to.name + ".part")
    try:
        to.parent.mkdir(parents=True, exist_ok=True)
        part.unlink(missing_ok=True)
        with closing(_open(source)) as live, closing(sqlite3.connect(part)) as target:
            target.execute("PRAGMA synchronous=OFF")  # it counts for nothing before it was looked through and synced
            live.backup(target, pages=-1)
            target.execute("PRAGMA journal_mode=DELETE")  # nothing beside it
            sound = target.execute("PRAGMA quick_check").fetchall()  # of all of it: mulvek verify
        if sound != [("ok",)]:
            raise Unavailable("copy", "kitchens-file-damaged", retry_s=60.0)
        with part.open("rb+") as written:
            os.fsync(written.fileno())
        part.replace(to)
        _sync_folder(to.parent)
    except sqlite3.Error as error:
        raise plainly_said(error, "copy") from error
    except OSError as error:
        why = error.strerror or str(error)
        raise Unavailable("copy", "copy-not-written", why=why, retry_s=60.0) from error
    finally:
        with suppress(OSError):
            part.unlink()


def check(file: Path) -> Holds:
    """What a kitchen's file holds.

    :raises BadInput: field "file", when it is none, is damaged, or was written by a newer release.
    """
    from .database import newest_schema

    if not file.is_file():
        raise BadInput("file", "no-such-file", file=file.name)
    try:
        with closing(_open(file)) as found:
            if found.execute("PRAGMA integrity_check").fetchall() != [("ok",)]:
                raise BadInput("file", "copy-damaged", file=file.name)
            there = {row[0] for row in found.execute("SELECT name FROM sqlite_master WHERE type='table'")}
            if not {"alembic_version", "kitchen"} <= there:
                raise BadInput("file", "not-a-kitchen-file", file=file.name)
            schema = str(found.execute("SELECT version_num FROM alembic_version").fetchone()[0])
            if schema > newest_schema():
                raise BadInput("file", "copy-by-newer-mulvek", file=file.name)
            events = [t for t in _EVENTS if t in there]
            last = [found.execute(f"SELECT max(recorded_at_s) FROM {t}").fetchone()[0] for t in events]
            return Holds(
                _things(found, there),
                sum(_count(found, table) for table in events),
                max((float(at) for at in last if at is not None), default=None),
                schema,
            )
    except sqlite3.Error as error:
        raise BadInput("file", "copy-unreadable", file=file.name, error=str(error)) from error


def _things(found: sqlite3.Connection, there: set[str]) -> dict[str, int]:
    things = {name: _count(found, table) for table, name in _TABLES.items() if table in there}
    if "curd_batch" not in there and any(row[1] == "kind" for row in found.execute("PRAGMA table_info(batch)")):
        things = {name: _count(found, f"batch WHERE kind IN ({kinds})") for name, kinds in _BATCHES.items()} | {
            name: count for name, count in things.items() if name != "reductions"
        }
    return things


def _count(found: sqlite3.Connection, table: str) -> int:
    return int(found.execute(f"SELECT count(*) FROM {table}").fetchone()[0])


def _open(file: Path) -> sqlite3.Connection:
    """To be read; one left in the middle of a change by a kill is first put back by SQLite itself."""
    mode = "rw" if file.with_name(file.name + "-journal").exists() else "ro"
    return sqlite3.connect(f"file:{quote(str(file.resolve()))}?mode={mode}", uri=True, timeout=10)


def _sync_folder(folder: Path) -> None:
    handle = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
