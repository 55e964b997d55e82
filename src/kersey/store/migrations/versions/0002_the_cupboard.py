"""the cupboard"""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:

    op.create_table(
        "cupboard_change",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(40), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("before", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id"),
    )
    op.create_table(
        "cupboard_lot",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.String(40), nullable=False),
        sa.Column("deleted_at", sa.String(40), nullable=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("aside", sa.String(), nullable=True),
        sa.Column("form", sa.String(), nullable=False),
        sa.Column("width", sa.String(40), nullable=False),
        sa.Column("widest", sa.Double(), nullable=False),
        sa.Column("pieces", sa.Integer(), nullable=False),
        sa.Column("prints", sa.Integer(), nullable=False),
        sa.Column("all_values", sa.String(), nullable=False),
        sa.Column("families", sa.String(), nullable=False),
        sa.Column("all_names", sa.String(), nullable=False),
        sa.Column("blends", sa.String(), nullable=False),
        sa.Column("length", sa.String(40), nullable=False),
        sa.Column("most_width", sa.String(40), nullable=True),
        sa.Column("most_length", sa.String(40), nullable=True),
        sa.Column("measured_length", sa.String(40), nullable=True),
        sa.Column("grams", sa.Integer(), nullable=True),
        sa.Column("estimated", sa.Boolean(), nullable=False),
        sa.Column("directional", sa.Boolean(), nullable=False),
        sa.Column("shrinkage", sa.String(40), nullable=False),
        sa.Column("wrong_side", sa.String(), nullable=True),
        sa.PrimaryKeyConstraint("id"),
    )
    with op.batch_alter_table("cupboard_lot", schema=None) as batch_op:
        batch_op.create_index("cupboard_by_time", ["deleted_at", "created_at"], unique=False)

    op.create_table(
        "cupboard_stack",
        sa.Column("lot_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("count", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("value", sa.String(), nullable=False),
        sa.Column("motif", sa.String(), nullable=False),
        sa.Column("ground", sa.String(), nullable=False),
        sa.Column("figure", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["lot_id"], ["cupboard_lot.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("lot_id", "position"),
    )


def downgrade() -> None:

    op.drop_table("cupboard_stack")
    with op.batch_alter_table("cupboard_lot", schema=None) as batch_op:
        batch_op.drop_index("cupboard_by_time")

    op.drop_table("cupboard_lot")
    op.drop_table("cupboard_change")
