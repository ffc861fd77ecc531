from alembic import context

from mulvek.store.tables import Base

connection = context.config.attributes.get("connection")
assert connection is not None, "run through mulvek.store.database.upgrade()"
context.configure(
    connection=connection,
    target_metadata=Base.metadata,
    render_as_batch=True,
)
with context.begin_transaction():
    context.run_migrations()
