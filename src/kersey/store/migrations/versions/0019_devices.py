"""Devices that were paired with this Kersey."""

import sqlalchemy as sa
from alembic import op

revision = "0019"
down_revision = "0018"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "device",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("digest", sa.String(), nullable=False),
        sa.Column("paired_at", sa.String(40), nullable=False),
    )


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
