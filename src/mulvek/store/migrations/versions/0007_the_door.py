"""Devices that were let in, the list of what was done at the door and to what is kept; odd times as they were said."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"


HAPPENINGS = ("event", "curd_event", "sweet_event", "rehearsal_event")


def upgrade() -> None:
    for table in HAPPENINGS:
        op.add_column(table, sa.Column("said_s", sa.Float))
    op.create_table(
        "device",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("allowed", sa.String, nullable=False),
        sa.Column("token_hash", sa.String, nullable=False, unique=True),
        sa.Column("small", sa.Boolean, nullable=False),
        sa.Column("created_at", sa.Float, nullable=False),
        sa.Column("ends_at", sa.Float),
        sa.Column("over_at", sa.Float),
        sa.Column("seen_at", sa.Float),
        sa.Column("did", sa.String, nullable=False),
        sa.CheckConstraint("allowed IN ('look', 'log', 'cook', 'keep')"),
    )
    op.create_table(
        "audit",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("at_s", sa.Float, nullable=False),
        sa.Column("who", sa.String, nullable=False),
        sa.Column("what", sa.String, nullable=False),
        sa.Column("data", sa.JSON, nullable=False),
    )
    # what verdicts and weighed curds taught is read from these alone
    op.create_index("ix_batch_verdict", "batch", ["verdict"], sqlite_where=sa.text("verdict IS NOT NULL"))
    op.create_index("ix_curd_batch_yield", "curd_batch", ["milk_id", "created_at", "finished", "ln_ratio"])
    # the Book is searched by names and notes
    for table, events in (("batch", "event"), ("curd_batch", "curd_event"), ("sweet_batch", "sweet_event")):
        op.create_index(f"ix_{table}_named", table, ["created_at", "id", "name"])
        op.create_index(f"ix_{events}_kind", events, ["kind", "batch_id"])
