"""Arrangements: versions that are kept, steps on the wall to undo and redo, and threads."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("project", sa.Column("versions", sa.String(), nullable=False, server_default="[]"))
    op.add_column(
        "preferences", sa.Column("threads", sa.String(), nullable=False, server_default="")
    )
    op.create_table(
        "wall_step",
        sa.Column("project_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("is_here", sa.Boolean(), nullable=False),
        sa.Column("of", sa.String(), nullable=False),
        sa.Column("document", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("project_id", "number"),
    )


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
