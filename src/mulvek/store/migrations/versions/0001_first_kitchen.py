"""The first kitchen: its larder, batches and events."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "kitchen",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("name", sa.String, nullable=False),
        *(
            sa.Column(name, sa.Float, nullable=False)
            for name in (
                "altitude_m",
                "room_c",
                "milk_c",
                "cup_m3",
                "glass_m3",
                "katori_m3",
                "tablespoon_m3",
                "teaspoon_m3",
            )
        ),
    )
    op.create_table(
        "milk",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("species", sa.String, nullable=False),
        *(sa.Column(n, sa.Float, nullable=False) for n in ("fat_pct", "snf_pct", "fat_sd", "snf_sd")),
        sa.UniqueConstraint("kitchen_id", "name"),
    )
    op.create_table(
        "pan",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("shape", sa.JSON, nullable=False),
        sa.Column("material", sa.String, nullable=False),
        sa.Column("mass_kg", sa.Float, nullable=False),
        sa.UniqueConstraint("kitchen_id", "name"),
    )
    op.create_table(
        "burner",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("kind", sa.String, nullable=False),
        sa.Column("strength", sa.Float, nullable=False),
        sa.UniqueConstraint("kitchen_id", "name"),
    )
    op.create_table(
        "batch",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), nullable=False),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("created_at", sa.Float, nullable=False),
        sa.Column("plan", sa.JSON, nullable=False),
        sa.Column("words", sa.JSON, nullable=False),
        sa.Column("forecast", sa.JSON, nullable=False),
        sa.Column("flame", sa.String, nullable=False),
        sa.Column("pan_id", sa.Integer, sa.ForeignKey("pan.id", ondelete="SET NULL")),
        sa.Column("burner_id", sa.Integer, sa.ForeignKey("burner.id", ondelete="SET NULL")),
        sa.Column("finished", sa.Boolean, nullable=False),
        sa.Column("lesson_ln", sa.Float),
        sa.Column("lesson_sd", sa.Float),
        sa.CheckConstraint("(lesson_ln IS NULL) = (lesson_sd IS NULL)"),
    )
    op.create_table(
        "event",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("batch.id", ondelete="CASCADE"), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("at_s", sa.Float, nullable=False),
        sa.Column("recorded_at_s", sa.Float, nullable=False),
        sa.Column("kind", sa.String, nullable=False),
        sa.Column("data", sa.JSON, nullable=False),
        sa.Column("key", sa.String),
        sa.UniqueConstraint("batch_id", "number"),
        sa.UniqueConstraint("batch_id", "key"),
    )


def downgrade() -> None:
    for table in ("event", "batch", "burner", "pan", "milk", "kitchen"):
        op.drop_table(table)
