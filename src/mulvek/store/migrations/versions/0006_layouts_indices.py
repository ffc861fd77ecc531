"""Each plan and happening says in which layout it was written; indices where lists are sorted."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"

BATCHES = ("batch", "curd_batch", "sweet_batch", "rehearsal")
HAPPENINGS = ("event", "curd_event", "sweet_event", "rehearsal_event")


def upgrade() -> None:
    for table in (*BATCHES, *HAPPENINGS):
        op.add_column(table, sa.Column("layout", sa.Integer, nullable=False, server_default="1"))
    for table in BATCHES:
        op.create_index(f"ix_{table}_newest", table, ["created_at", "id"])
        op.create_index(f"ix_{table}_running", table, ["finished", "created_at"])
    # what finished batches taught is summed from these columns alone
    op.create_index(
        "ix_batch_lesson", "batch", ["finished", "burner_id", "pan_id", "flame", "lesson_ln", "lesson_sd"]
    )
