"""Days that were begun: several sweets with one plan."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"


def upgrade() -> None:
    op.create_table(
        "day",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("key", sa.String, nullable=True, unique=True),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("created_at", sa.Float, nullable=False),
        sa.Column("serve_at", sa.Float, nullable=False),
        sa.Column("query", sa.String, nullable=False),
        sa.Column("asked", sa.JSON, nullable=False),
        sa.Column("plan", sa.JSON, nullable=False),
        sa.Column("batches", sa.JSON, nullable=False),
        sa.Column("version", sa.Integer, nullable=False),
    )
