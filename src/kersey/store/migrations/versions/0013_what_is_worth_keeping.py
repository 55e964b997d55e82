"""What somebody keeps of what is left: from what size on, and cut down to what."""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    rules = sa.Column("cut_rules", sa.String(), nullable=False, server_default="")
    least = sa.Column("least_kept", sa.String(40), nullable=False, server_default="0")
    for column in (rules, least):
        op.add_column("preferences", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
