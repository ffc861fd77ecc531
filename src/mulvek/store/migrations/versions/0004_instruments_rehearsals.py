"""Paired instruments with their samples, and rehearsals."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "instrument",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("batch.id", ondelete="CASCADE"), nullable=False),
        sa.Column("url", sa.String, nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("channels", sa.JSON, nullable=False),
        sa.Column("simulated", sa.Boolean, nullable=False),
        sa.Column("tare_kg", sa.Float, nullable=False),
        sa.Column("paired_at", sa.Float, nullable=False),
        sa.Column("ended_at", sa.Float),
        sa.Column("offset_s", sa.Float),
        sa.Column("session", sa.String, nullable=False),
        sa.Column("last_n", sa.Integer, nullable=False),
    )
    op.create_table(
        "sample_chunk",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("batch.id", ondelete="CASCADE"), nullable=False),
        sa.Column("channel", sa.String, nullable=False),
        sa.Column("began_s", sa.Float, nullable=False),
        sa.Column("ended_s", sa.Float, nullable=False),
        sa.Column("count", sa.Integer, nullable=False),
        sa.Column("data", sa.LargeBinary, nullable=False),
    )
    op.create_index("ix_sample_chunk", "sample_chunk", ["batch_id", "channel", "began_s"])
    op.create_table(
        "rehearsal",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("created_at", sa.Float, nullable=False),
        sa.Column("plan", sa.JSON, nullable=False),
        sa.Column("words", sa.JSON, nullable=False),
        sa.Column("forecast", sa.JSON, nullable=False),
        sa.Column("level", sa.Integer, nullable=False),
        sa.Column("seed", sa.Integer, nullable=False),
        sa.Column("pace", sa.JSON, nullable=False),
        sa.Column("finished", sa.Boolean, nullable=False),
        sa.Column("points", sa.Float),
    )
    op.create_table(
        "rehearsal_event",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("rehearsal_id", sa.Integer, sa.ForeignKey("rehearsal.id", ondelete="CASCADE"), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("at_s", sa.Float, nullable=False),
        sa.Column("recorded_at_s", sa.Float, nullable=False),
        sa.Column("kind", sa.String, nullable=False),
        sa.Column("data", sa.JSON, nullable=False),
        sa.Column("key", sa.String),
        sa.UniqueConstraint("rehearsal_id", "number"),
        sa.UniqueConstraint("rehearsal_id", "key"),
    )
