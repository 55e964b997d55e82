"""What is settled for the finish of a quilt."""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    column = sa.Column("finishing", sa.String(), nullable=False, server_default="{}")
    op.add_column("project", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
