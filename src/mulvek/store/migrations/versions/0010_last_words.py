"""What each station's sentence said last, for whoever opens it next."""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"


def upgrade() -> None:
    op.create_table(
        "last_words",
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), primary_key=True),
        sa.Column("station", sa.String, primary_key=True),
        sa.Column("query", sa.String, nullable=False),
    )
