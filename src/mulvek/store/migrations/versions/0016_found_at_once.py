"""The Book's search reads one index, whatever else is asked of a batch; lessons are found by what they are of."""

from alembic import op

revision = "0016"
down_revision = "0015"


def upgrade() -> None:
    op.drop_index("ix_batch_found", "batch")
    asked = ["parent_id", "kind", "milk_id", "pan_id", "verdict"]
    op.create_index("ix_batch_found", "batch", ["created_at", "id", "found_by", *asked])
    op.create_index("ix_lesson_key", "lesson", ["key", "batch_id"])
