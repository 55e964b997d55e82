"""Where a lot lies at home."""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    column = sa.Column("place", sa.String(), nullable=False, server_default="")
    op.add_column("cupboard_lot", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
