"""Opening the kitchen's file: pragmas, migrations, and sessions that read or write.

What is acknowledged is on disk: WAL with synchronous=FULL, and every write is one immediate transaction,
so that two devices can never give two happenings the same number. Writes of one process stand in one queue.
"""

import json
import sqlite3
import time
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager, suppress
from pathlib import Path
from typing import Any, TypeVar

from sqlalchemy import Connection, create_engine, event, inspect
from sqlalchemy.exc import DatabaseError
from sqlalchemy.orm import Session

from ..core.errors import Unavailable
from .copies import Copies, Copy
from .recent import Kept
from .tables import (
    AuditRow,
    Base,
    BatchRow,
    DeviceRow,
    EventRow,
    InstrumentRow,
    RehearsalEventRow,
    RehearsalRow,
    SampleChunkRow,
)
from .trouble import plainly
from .turns import Turns

BUSY_MS = 5000
PATIENCE_S = 10.0
MIGRATIONS = Path(__file__).parent / "migrations"
T = TypeVar("T")


PASSING = (
    EventRow,
    RehearsalEventRow,
    RehearsalRow,
    InstrumentRow,
    SampleChunkRow,
    DeviceRow,
    AuditRow,
)
"""Rows that no plan looks at."""
TAUGHT = ("lesson_ln", "lesson_sd", "verdict", "ln_ratio", "left_out")
"""Columns of a batch by which it teaches later plans."""


def newest_schema() -> str:
    """The version this release writes."""
    return max(path.name for path in (MIGRATIONS / "versions").glob("[0-9]*.py")).split("_")[0]


class Database:
    """One SQLite file, migrated to the newest form when opened."""

    def __init__(self, path: Path) -> None:
        """:raises Unavailable: when the file is damaged, locked, read-only or of a newer release."""
        self.path = path
        path.parent.mkdir(parents=True, exist_ok=True)
        self.engine = create_engine(
            f"sqlite:///{path}",
            pool_size=8,
            max_overflow=56,
            pool_use_lifo=True,  # the same few again and again: each keeps pages of its own
            json_deserializer=_json_or_nothing,
        )
        event.listen(self.engine, "connect", _on_connect)
        event.listen(self.engine, "begin", _on_begin)
        self._writer = self.engine.execution_options(immediate=True)
        self._turns = Turns()
        self._written = self.renewed = 0
        self._batches = Kept()
        self._kept: dict[Callable[[Session], Any], tuple[int, Any]] = {}
        try:
            self._migrate()
        except DatabaseError as error:
            self.engine.dispose()
            raise plainly(error) or error from error

    def _migrate(self) -> None:
        found = self._schema()
        if found == newest_schema():  # the migration tool is a quarter of a second to load: only when it has work
            return
        if found is not None and found > newest_schema():
            raise Unavailable("kitchen", "file-by-newer-mulvek", retry_s=3600.0)
        if found is not None:
            Copies(self.path).make(time.time(), f"before-{newest_schema()}")
        from alembic import command
        from alembic.config import Config

        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS))
        with self._writer.begin() as connection:
            config.attributes["connection"] = connection
            command.upgrade(config, "head")

    def _schema(self) -> str | None:
        """The file's version; none of a new file."""
        with self.engine.connect() as connection:
            if not connection.dialect.has_table(connection, "alembic_version"):
                return None
            found = connection.exec_driver_sql("SELECT version_num FROM alembic_version").scalar()
        return None if found is None else str(found)

    @contextmanager
    def reading(self) -> Iterator[Session]:
        with Session(self.engine) as session:
            recent = self._batches.begin(session)
            yield session
            recent.accepted()

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """One transaction, on disk when the block ends, undone when it raises.

        What is kept of the Larder and of lessons still holds when only happenings or samples were written.
        """
        try:
            with (
                self._turns.turn(PATIENCE_S),
                Session(self._writer, expire_on_commit=False) as session,
                session.begin(),
            ):
                lasting: list[bool] = []
                recent = self._batches.begin(session)
                event.listen(session, "before_flush", lambda s, *_: lasting.append(_changes_what_lasts(s)))
                yield session
        except DatabaseError as error:
            if (said := plainly(error)) is not None:
                raise said from error
            raise
        if any(lasting):  # a pan that the Larder loses is lost by its batches too
            self._written += 1
            self._batches.clear()
        recent.accepted()

    def kept(self, read: Callable[[Session], T]) -> T:
        """What ``read`` gives, read again only once something was written. One server owns the file."""
        before = self._written
        found = self._kept.get(read)
        if found is None or found[0] != before:
            with self.reading() as session:
                found = self._kept[read] = (before, read(session))
        value: T = found[1]
        return value

    def lacks_columns(self) -> bool:
        """Whether the file names its tables or columns otherwise than it was made with: a bit of its schema flipped."""
        with self.engine.connect() as connection:
            for table in Base.metadata.tables.values():
                found = {row[1] for row in connection.exec_driver_sql(f'PRAGMA table_info("{table.name}")')}
                if not {column.name for column in table.columns} <= found:
                    return True
        return False

    def changed(self) -> None:
        """The file was changed by another hand: nothing kept of it holds."""
        self._written += 1
        self.renewed += 1
        self._batches.clear()

    def bring_back(self, copies: Copies, copy: Path, now_s: float) -> Copy | None:
        """Put a copy in the file's place while nobody writes, and lift it to the newest form.

        :raises BadInput: field "file".
        """
        with self._turns.turn(PATIENCE_S):
            before = copies.bring_back(copy, now_s)
            self.engine.dispose()
            self._migrate()
        self.changed()
        return before

    def close(self) -> None:
        """Fold the write-ahead file in, so that the kitchen is one file, and let it go."""
        self.engine.dispose()
        # on a full or damaged disk it cannot be: all that was acknowledged lies in the write-ahead file then
        with suppress(sqlite3.Error), closing(sqlite3.connect(self.path, timeout=0.5)) as last:
            last.execute("PRAGMA wal_checkpoint(TRUNCATE)")


def _changes_what_lasts(session: Session) -> bool:
    """Whether more than happenings and samples is about to be written: a batch that ends changes its own row too. One
    that begins, or ends without having taught anything, changes no plan."""
    touched = (*session.new, *session.deleted, *(row for row in session.dirty if session.is_modified(row)))
    return any(_moves_what_stands(row) or not _passes(row, session) for row in touched)


def _moves_what_stands(row: object) -> bool:
    """What is left of a weighed batch is offered for sweets."""
    return isinstance(row, EventRow) and row.kind in ("taken", "gone", "undo")


def _passes(row: object, session: Session) -> bool:
    return isinstance(row, PASSING) or _teaches_nothing(row, session)


def _teaches_nothing(row: object, session: Session) -> bool:
    if not isinstance(row, BatchRow) or row in session.deleted:
        return False
    # of one that ends with a weight that may be taken for a sweet; of a sweet that is given up its bases may
    stands = row not in session.new and (row.kind == "sweet" or (row.summary or {}).get("phase") == "weighed")
    looked_at = (*TAUGHT, "finished") if stands else TAUGHT
    columns = inspect(row).attrs
    return not any(columns[name].history.has_changes() for name in looked_at)


def _json_or_nothing(text: str) -> Any:
    """Nothing of a damaged cell: whoever reads its row finds it unreadable, and the rows beside it are read."""
    try:
        return json.loads(text)
    except ValueError:
        return None


def _on_connect(dbapi_connection: Any, _record: Any) -> None:
    dbapi_connection.isolation_level = None  # SQLAlchemy begins, not the driver: see _on_begin
    dbapi_connection.text_factory = lambda raw: raw.decode("utf-8", "replace")  # a flipped bit is one letter
    cursor = dbapi_connection.cursor()
    try:
        for pragma in (
            "journal_mode=WAL",
            "synchronous=FULL",
            "foreign_keys=ON",
            "cache_size=-256",
            f"busy_timeout={BUSY_MS}",
        ):
            cursor.execute(f"PRAGMA {pragma}")
    except UnicodeDecodeError as error:  # the driver cannot even say what is wrong
        raise sqlite3.DatabaseError("database disk image is malformed") from error
    cursor.close()


def _on_begin(connection: Connection) -> None:
    immediate = connection.get_execution_options().get("immediate", False)
    connection.exec_driver_sql("BEGIN IMMEDIATE" if immediate else "BEGIN")
