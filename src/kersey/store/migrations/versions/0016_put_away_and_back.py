"""The way back from putting away."""

import sqlalchemy as sa
from alembic import op

revision = "0016"
down_revision = "0015"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "put_away",
        sa.Column(
            "project_id",
            sa.Integer(),
            sa.ForeignKey("project.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("document", sa.String(), nullable=False),
    )


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
