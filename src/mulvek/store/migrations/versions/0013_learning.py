"""What was learned is owned: a batch can be left out, a number frozen or begun anew."""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"


def _fill_found_by(file: sa.Connection) -> None:
    """Name and notes in small letters; a damaged note is left out."""
    found = {number: [name] for number, name in file.execute(sa.text("SELECT id, name FROM batch"))}
    notes = "SELECT batch_id, json_extract(data, '$.text') FROM event WHERE kind = 'note' AND json_valid(data)"
    for number, note in file.execute(sa.text(notes)):
        if number in found and isinstance(note, str):
            found[number].append(note)
    rows = [{"id": number, "said": " ".join(map(str, words)).lower()} for number, words in found.items()]
    if rows:
        file.execute(sa.text("UPDATE batch SET found_by = :said WHERE id = :id"), rows)


def upgrade() -> None:
    op.add_column("batch", sa.Column("left_out", sa.Boolean, nullable=False, server_default="0"))
    # they were for sums over all there ever was: now the newest of each burner and milk are asked for, from the index alone
    # (what stands behind a row's plan costs a walk through its pages)
    op.drop_index("ix_batch_lesson", "batch")
    op.drop_index("ix_batch_yield", "batch")
    op.create_index(
        "ix_batch_lesson",
        "batch",
        ["burner_id", "created_at", "id", "pan_id", "flame", "lesson_ln", "lesson_sd", "finished", "left_out"],
        sqlite_where=sa.text("lesson_ln IS NOT NULL"),
    )
    op.create_index(
        "ix_batch_yield",
        "batch",
        ["milk_id", "created_at", "id", "ln_ratio", "finished", "left_out"],
        sqlite_where=sa.text("ln_ratio IS NOT NULL"),
    )
    op.create_index("ix_batch_milk", "batch", ["milk_id", "created_at", "id"])
    op.create_index("ix_batch_left_out", "batch", ["created_at"], sqlite_where=sa.text("left_out = 1"))
    op.create_index("ix_batch_kind", "batch", ["kind", "created_at", "id"])
    op.drop_index("ix_batch_parent", "batch")
    op.create_index("ix_batch_parent", "batch", ["parent_id", "created_at", "id"])
    # what a batch is found by stands in one place, small enough to be looked through whole
    op.add_column("batch", sa.Column("found_by", sa.String, nullable=False, server_default=""))
    _fill_found_by(op.get_bind())
    op.create_index("ix_batch_found", "batch", ["created_at", "id", "found_by"])
    op.create_table(
        "learning_window",
        sa.Column("kitchen_id", sa.Integer, sa.ForeignKey("kitchen.id"), primary_key=True),
        sa.Column("family", sa.String, primary_key=True),
        sa.Column("key", sa.String, primary_key=True),
        sa.Column("from_s", sa.Float, nullable=True),
        sa.Column("until_s", sa.Float, nullable=True),
    )
    op.create_table(
        "lesson",
        sa.Column("batch_id", sa.Integer, sa.ForeignKey("batch.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("key", sa.String, primary_key=True),
        sa.Column("ln_ratio", sa.Float, nullable=False),
    )
    # the Book finds by milk: of a reduction it stood in its words alone
    op.execute(
        "UPDATE batch SET milk_id = (SELECT milk.id FROM milk WHERE"
        " milk.id = CASE WHEN json_valid(batch.words) THEN json_extract(batch.words, '$.milk') END"
        " AND milk.name = CASE WHEN json_valid(batch.plan) THEN json_extract(batch.plan, '$.milk.name') END)"
        " WHERE kind = 'reduce' AND milk_id IS NULL"
    )
