"""Curdlings and strainings, and what happened to them."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "curd_batch",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("created_at", sa.Float, nullable=False),
        sa.Column("route", sa.String, nullable=False),
        sa.Column("plan", sa.JSON, nullable=False),
        sa.Column("words", sa.JSON, nullable=False),
        sa.Column("milk_id", sa.Integer, sa.ForeignKey("milk.id", ondelete="SET NULL")),
        sa.Column("finished", sa.Boolean, nullable=False),
        sa.Column("ln_ratio", sa.Float),
        sa.CheckConstraint("route IN ('curdle', 'strain')"),
    )
    op.create_table(
        "curd_event",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("curd_batch.id", ondelete="CASCADE"), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("at_s", sa.Float, nullable=False),
        sa.Column("recorded_at_s", sa.Float, nullable=False),
        sa.Column("kind", sa.String, nullable=False),
        sa.Column("data", sa.JSON, nullable=False),
        sa.Column("key", sa.String),
        sa.UniqueConstraint("batch_id", "number"),
        sa.UniqueConstraint("batch_id", "key"),
    )
