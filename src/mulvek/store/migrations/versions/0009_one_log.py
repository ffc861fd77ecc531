"""Batches of every kind in one table, their happenings in another: curds and sweets had tables of their own."""

import json
import zlib

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"

NOTHING_TOLD = zlib.compress(b"{}", 6)
EVENT = "number, at_s, recorded_at_s, said_s, kind, data, layout, key"


def upgrade() -> None:
    for column in (
        "kind VARCHAR NOT NULL DEFAULT 'reduce'",
        "parent_id INTEGER REFERENCES batch (id) ON DELETE SET NULL",
        "slot VARCHAR",
        "former VARCHAR",
        "milk_id INTEGER REFERENCES milk (id) ON DELETE SET NULL",
        "ln_ratio FLOAT",
        "summary JSON",
    ):
        op.execute(f"ALTER TABLE batch ADD COLUMN {column}")
    db = op.get_bind()
    burners, pans = (_numbers(db, table) for table in ("burner", "pan"))
    for number, words in db.exec_driver_sql("SELECT id, words FROM curd_batch ORDER BY id").all():
        found = (_of(words, "pan", pans), _of(words, "burner", burners))
        _move(db, "curd", number, ("route", "?", "milk_id", "ln_ratio"), (NOTHING_TOLD,), found)
    for (number,) in db.exec_driver_sql("SELECT id FROM sweet_batch ORDER BY id").all():
        _move(db, "sweet", number, ("'sweet'", "told", "NULL", "NULL"), (), (None, None))
    op.execute("UPDATE batch SET verdict = replace(verdict, ' ', '-')")  # "too thick": choices are slugs now
    for table in ("curd_event", "curd_batch", "sweet_event", "sweet_batch"):
        op.drop_table(table)
    op.create_index("ix_batch_parent", "batch", ["parent_id"])
    op.create_index("ix_batch_former", "batch", ["former"], unique=True)
    op.create_index("ix_batch_yield", "batch", ["milk_id", "created_at", "ln_ratio"])


def _numbers(db: sa.Connection, table: str) -> set[int]:
    return {row[0] for row in db.exec_driver_sql(f"SELECT id FROM {table}")}


def _of(words: object, thing: str, known: set[int]) -> int | None:
    """The pan or burner of the Larder that a batch was planned with, if it is still there."""
    try:
        found = json.loads(str(words)).get(thing)
    except (ValueError, AttributeError):  # damaged: the row is set aside when it is read
        return None
    return found if isinstance(found, int) and found in known else None


def _move(
    db: sa.Connection,
    old: str,
    number: int,
    columns: tuple[str, ...],
    values: tuple[object, ...],
    things: tuple[int | None, int | None],
) -> None:
    """A batch and its happenings, cell by cell as they are; ``columns``: kind, forecast, milk_id, ln_ratio."""
    made = db.exec_driver_sql(
        "INSERT INTO batch (kitchen_id, name, created_at, plan, layout, words, finished, kind, forecast, milk_id,"
        " ln_ratio, former, flame, pan_id, burner_id) SELECT kitchen_id, name, created_at, plan, layout, words, finished,"
        f" {', '.join(columns)}, ?, '', ?, ? FROM {old}_batch WHERE id = ?",
        (*values, f"{old}-{number}", *things, number),
    ).lastrowid
    db.exec_driver_sql(
        f"INSERT INTO event (batch_id, {EVENT}) SELECT ?, {EVENT} FROM {old}_event WHERE batch_id = ? ORDER BY number",
        (made, number),
    )
