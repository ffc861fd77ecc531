"""Own sweets, and sweets on the Stove."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    op.create_table(
        "sweet",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("form", sa.JSON, nullable=False),
        sa.Column("version", sa.Integer, nullable=False),
        sa.UniqueConstraint("kitchen_id", "name"),
    )
    op.create_table(
        "sweet_batch",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("created_at", sa.Float, nullable=False),
        sa.Column("plan", sa.JSON, nullable=False),
        sa.Column("words", sa.JSON, nullable=False),
        sa.Column("told", sa.JSON, nullable=False),
        sa.Column("finished", sa.Boolean, nullable=False),
    )
    op.create_table(
        "sweet_event",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("sweet_batch.id", ondelete="CASCADE"), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("at_s", sa.Float, nullable=False),
        sa.Column("recorded_at_s", sa.Float, nullable=False),
        sa.Column("kind", sa.String, nullable=False),
        sa.Column("data", sa.JSON, nullable=False),
        sa.Column("key", sa.String, nullable=True),
        sa.UniqueConstraint("batch_id", "number"),
        sa.UniqueConstraint("batch_id", "key"),
    )
