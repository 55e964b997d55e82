"""Alembic's entry: runs the migrations on the connection it is given."""

from alembic import context

from kersey.store.tables import Table

connection = context.config.attributes["connection"]
context.configure(connection=connection, target_metadata=Table.metadata, render_as_batch=True)
with context.begin_transaction():
    context.run_migrations()
