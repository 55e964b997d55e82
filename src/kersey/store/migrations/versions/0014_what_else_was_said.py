"""What else was said of a lot at home, such as what it cost."""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    column = sa.Column("note", sa.String(), nullable=False, server_default="")
    op.add_column("cupboard_lot", column)


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
