"""What was learned is owned: a batch can be left out, a number frozen or begun anew."""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"


def upgrade() -> None:
    op.add_column("batch", sa.Column("left_out", sa.Boolean, nullable=False, server_default="0"))
    op.drop_index(
        "ix_batch_lesson", "batch"
    )  # for sums over all there ever was: now the newest of each burner are asked for
    op.create_index(
        "ix_batch_lesson", "batch", ["burner_id", "created_at"], sqlite_where=sa.text("lesson_ln IS NOT NULL")
    )
    op.create_table(
        "learning_window",
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), primary_key=True),
        sa.Column("family", sa.String, primary_key=True),
        sa.Column("key", sa.String, primary_key=True),
        sa.Column("from_s", sa.Float, nullable=True),
        sa.Column("until_s", sa.Float, nullable=True),
    )
    op.create_table(
        "lesson",
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("batch.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("key", sa.String, primary_key=True),
        sa.Column("ln_ratio", sa.Float, nullable=False),
    )
    # the Book finds by milk: of a reduction it stood in its words alone
    op.execute(
        "UPDATE batch SET milk_id = (SELECT milk.id FROM milk WHERE"
        " milk.id = CASE WHEN json_valid(batch.words) THEN json_extract(batch.words, '$.milk') END"
        " AND milk.name = CASE WHEN json_valid(batch.plan) THEN json_extract(batch.plan, '$.milk.name') END)"
        " WHERE kind = 'reduce' AND milk_id IS NULL"
    )
