"""A project has any block, not rails alone; cut alike or not; values decide or not."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None

_RAILS = '{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}'


def upgrade() -> None:
    columns: tuple[sa.Column[object], ...] = (
        sa.Column("block", sa.String(), nullable=False, server_default=_RAILS),
        sa.Column("even", sa.Boolean(), nullable=False, server_default=sa.false()),
        sa.Column("by_value", sa.Boolean(), nullable=False, server_default=sa.true()),
    )
    for column in columns:
        op.add_column("project", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
