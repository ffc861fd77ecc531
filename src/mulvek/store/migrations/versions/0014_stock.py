"""What there is of plain things: counted once, less what went into batches since."""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"


def upgrade() -> None:
    op.create_table(
        "stock",
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), primary_key=True),
        sa.Column("key", sa.String, primary_key=True),
        sa.Column("mass_kg", sa.Float, nullable=False),
        sa.Column("counted_at", sa.Float, nullable=False),
    )
