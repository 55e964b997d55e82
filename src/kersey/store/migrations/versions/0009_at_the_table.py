"""What lies on the cutting table, what is measured while sewing, and ways back from mishaps."""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for name in ("on_table", "sewing"):
        op.add_column("project", sa.Column(name, sa.String(), nullable=False, server_default="{}"))
    op.create_table(
        "mishap",
        sa.Column("project_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("document", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("project_id", "number"),
    )


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
