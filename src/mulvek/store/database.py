"""Opening the kitchen's file: pragmas, migrations, and sessions that read or write.

What is acknowledged is on disk: WAL with synchronous=FULL, and every write is one immediate transaction,
so that two devices can never give two happenings the same number.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, TypeVar

from sqlalchemy import Connection, create_engine, event
from sqlalchemy.orm import Session

BUSY_MS = 5000
MIGRATIONS = Path(__file__).parent / "migrations"
T = TypeVar("T")


class Database:
    """One SQLite file, migrated to the newest form when opened."""

    def __init__(self, path: Path) -> None:
        path.parent.mkdir(parents=True, exist_ok=True)
        self.engine = create_engine(f"sqlite:///{path}", pool_size=32, max_overflow=32)
        event.listen(self.engine, "connect", _on_connect)
        event.listen(self.engine, "begin", _on_begin)
        self._writer = self.engine.execution_options(immediate=True)
        self._written = 0
        self._kept: dict[Callable[[Session], Any], tuple[int, Any]] = {}
        self._migrate()

    def _migrate(self) -> None:
        if self._is_newest():  # the migration tool is a quarter of a second to load: only when it has work
            return
        from alembic import command
        from alembic.config import Config

        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS))
        with self._writer.begin() as connection:
            config.attributes["connection"] = connection
            command.upgrade(config, "head")

    def _is_newest(self) -> bool:
        with self.engine.connect() as connection:
            if not connection.dialect.has_table(connection, "alembic_version"):
                return False
            found = connection.exec_driver_sql("SELECT version_num FROM alembic_version").scalar()
        return found == max(path.name for path in (MIGRATIONS / "versions").glob("[0-9]*.py")).split("_")[0]

    @contextmanager
    def reading(self) -> Iterator[Session]:
        with Session(self.engine) as session:
            yield session

    @contextmanager
    def writing(self, *, streaming: bool = False) -> Iterator[Session]:
        """One transaction, on disk when the block ends, undone when it raises.

        ``streaming``: only samples of instruments are written, so that what is kept of the rest still holds.
        """
        with Session(self._writer, expire_on_commit=False) as session, session.begin():
            yield session
        self._written += not streaming

    def kept(self, read: Callable[[Session], T]) -> T:
        """What ``read`` gives, read again only once something was written. One server owns the file."""
        before = self._written
        found = self._kept.get(read)
        if found is None or found[0] != before:
            with self.reading() as session:
                found = self._kept[read] = (before, read(session))
        value: T = found[1]
        return value

    def close(self) -> None:
        self.engine.dispose()


def _on_connect(dbapi_connection: Any, _record: Any) -> None:
    dbapi_connection.isolation_level = None  # SQLAlchemy begins, not the driver: see _on_begin
    cursor = dbapi_connection.cursor()
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", f"busy_timeout={BUSY_MS}"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _on_begin(connection: Connection) -> None:
    immediate = connection.get_execution_options().get("immediate", False)
    connection.exec_driver_sql("BEGIN IMMEDIATE" if immediate else "BEGIN")
