"""How a unit looks that is sewn of several prints."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table in ("bought", "cupboard_stack"):
        op.add_column(table, sa.Column("look", sa.String(), nullable=True))


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
