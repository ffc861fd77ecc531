"""The Larder whole: versions, prices and packs, timed burners, ingredients, fridge and freezer, verdicts."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table in ("kitchen", "milk", "pan", "burner"):
        op.add_column(table, sa.Column("version", sa.Integer, nullable=False, server_default="1"))
    op.add_column("kitchen", sa.Column("fridge_c", sa.Float, nullable=False, server_default="4.0"))
    op.add_column("kitchen", sa.Column("freezer_c", sa.Float, nullable=False, server_default="-18.0"))
    op.add_column("milk", sa.Column("flags", sa.JSON, nullable=False, server_default="[]"))
    op.add_column("milk", sa.Column("pack_m3", sa.Float))
    op.add_column("milk", sa.Column("price", sa.Float))
    op.add_column("burner", sa.Column("ln_sd", sa.Float))
    op.add_column("batch", sa.Column("verdict", sa.String))
    op.create_table(
        "ingredient",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("base", sa.String, nullable=False),
        sa.Column("fat_pct", sa.Float),
        sa.Column("snf_pct", sa.Float),
        sa.Column("sugar_pct", sa.Float),
        sa.Column("bulk_kg_m3", sa.Float, nullable=False),
        sa.Column("pack_kg", sa.Float),
        sa.Column("price", sa.Float),
        sa.Column("version", sa.Integer, nullable=False, server_default="1"),
        sa.UniqueConstraint("kitchen_id", "name"),
    )
