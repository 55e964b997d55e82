"""The sign of the money that prices are written in."""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"
branch_labels = None
depends_on = None


def upgrade() -> None:
    column = sa.Column("currency", sa.String(), nullable=False, server_default="$")
    op.add_column("preferences", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
