"""What nobody has said of a print is marked as filled in; washing may take less of the width."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table in ("cupboard_stack", "bought"):
        filled_in = sa.Column("filled_in", sa.String(), nullable=False, server_default="")
        op.add_column(table, filled_in)
    op.add_column("cupboard_lot", sa.Column("shrinkage_across", sa.String(), nullable=True))


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
