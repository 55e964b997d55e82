"""One history of a quilt, in the place of that of its wall."""

import sqlalchemy as sa
from alembic import op

revision = "0020"
down_revision = "0019"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "project_step",
        sa.Column(
            "project_id",
            sa.Integer(),
            sa.ForeignKey("project.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("number", sa.Integer(), primary_key=True),
        sa.Column("at", sa.String(40), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("undone", sa.Boolean(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("document", sa.LargeBinary(), nullable=False),
    )
    op.drop_table("wall_step")


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")
