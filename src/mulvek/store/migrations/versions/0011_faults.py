"""Which batches had a fault is found without looking through all that ever happened."""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"


def upgrade() -> None:
    op.create_index("ix_event_fault", "event", ["batch_id"], sqlite_where=sa.text("kind = 'fault_found'"))
