"""Rehearsals of every route: lessons, the evening that is cooked again, and what a try cost."""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"


def upgrade() -> None:
    # column by column: a table that is made anew would take its events along
    op.add_column("rehearsal", sa.Column("kind", sa.String, nullable=False, server_default="reduce"))
    op.add_column("rehearsal", sa.Column("lesson", sa.String, nullable=True))
    op.add_column("rehearsal", sa.Column("edition", sa.Integer, nullable=False, server_default="1"))
    op.execute("ALTER TABLE rehearsal ADD COLUMN of_batch INTEGER REFERENCES batch (id) ON DELETE SET NULL")
    op.add_column("rehearsal", sa.Column("cost", sa.JSON, nullable=True))
