"""Whether a lot is to be used up first."""

import sqlalchemy as sa
from alembic import op

revision = "0017"
down_revision = "0016"
branch_labels = None
depends_on = None


def upgrade() -> None:
    column: sa.Column[bool] = sa.Column("first", sa.Boolean(), nullable=False, server_default=sa.false())
    op.add_column("cupboard_lot", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
