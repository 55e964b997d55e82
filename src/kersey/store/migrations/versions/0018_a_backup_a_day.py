"""Whether all is backed up once a day."""

import sqlalchemy as sa
from alembic import op

revision = "0018"
down_revision = "0017"
branch_labels = None
depends_on = None


def upgrade() -> None:
    column: sa.Column[bool] = sa.Column("daily_backup", sa.Boolean(), nullable=False, server_default=sa.true())
    op.add_column("preferences", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
