"""Rehearsals of every route: lessons, the evening that is cooked again, and what a try cost."""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"


def upgrade() -> None:
    with op.batch_alter_table("rehearsal") as table:
        table.add_column(sa.Column("kind", sa.String, nullable=False, server_default="reduce"))
        table.add_column(sa.Column("lesson", sa.String, nullable=True))
        table.add_column(sa.Column("edition", sa.Integer, nullable=False, server_default="1"))
        table.add_column(
            sa.Column(
                "of_batch",
                sa.Integer,
                sa.ForeignKey("batch.id", ondelete="SET NULL", name="fk_rehearsal_of_batch"),
                nullable=True,
            )
        )
        table.add_column(sa.Column("cost", sa.JSON, nullable=True))
