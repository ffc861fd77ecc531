"""The kitchen's money by its code; until now a fixed sign was shown."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"


def upgrade() -> None:
    op.add_column("kitchen", sa.Column("currency", sa.String, nullable=False, server_default="INR"))
