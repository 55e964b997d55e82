"""projects, settings"""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:

    op.create_table(
        "preferences",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("seam", sa.String(40), nullable=False),
        sa.Column("usable_width", sa.String(40), nullable=False),
        sa.Column("units", sa.String(), nullable=False),
        sa.Column("theme", sa.String(), nullable=False),
        sa.Column("paper", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id"),
    )
    op.create_table(
        "project",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("said", sa.String(), nullable=False),
        sa.Column("created_at", sa.String(40), nullable=False),
        sa.Column("updated_at", sa.String(40), nullable=False),
        sa.Column("deleted_at", sa.String(40), nullable=True),
        sa.Column("strips_per_block", sa.Integer(), nullable=False),
        sa.Column("method", sa.String(), nullable=False),
        sa.Column("different_prints", sa.Boolean(), nullable=True),
        sa.Column("purpose", sa.String(), nullable=False),
        sa.Column("drop", sa.String(40), nullable=False),
        sa.Column("tuck", sa.String(40), nullable=False),
        sa.Column("own_width", sa.String(40), nullable=True),
        sa.Column("own_length", sa.String(40), nullable=True),
        sa.Column("rows", sa.Integer(), nullable=True),
        sa.Column("columns", sa.Integer(), nullable=True),
        sa.Column("border_width", sa.String(40), nullable=True),
        sa.Column("binding_width", sa.String(40), nullable=False),
        sa.Column("binding_from_stash", sa.Boolean(), nullable=False),
        sa.Column("margin", sa.String(40), nullable=False),
        sa.Column("backing_way", sa.String(), nullable=True),
        sa.Column("seam", sa.String(40), nullable=False),
        sa.Column("usable_width", sa.String(40), nullable=False),
        sa.PrimaryKeyConstraint("id"),
    )
    with op.batch_alter_table("project", schema=None) as batch_op:
        batch_op.create_index("project_by_time", ["deleted_at", "updated_at"], unique=False)

    op.create_table(
        "world",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("is_sample", sa.Boolean(), nullable=False),
        sa.PrimaryKeyConstraint("id"),
    )
    op.create_table(
        "bought",
        sa.Column("project_id", sa.Integer(), nullable=False),
        sa.Column("part", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("value", sa.String(), nullable=False),
        sa.Column("motif", sa.String(), nullable=False),
        sa.Column("ground", sa.String(), nullable=False),
        sa.Column("figure", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("project_id", "part"),
    )
    op.create_table(
        "done_step",
        sa.Column("project_id", sa.Integer(), nullable=False),
        sa.Column("key", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("project_id", "key"),
    )
    op.create_table(
        "lot",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("project_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("form", sa.String(), nullable=False),
        sa.Column("width", sa.String(40), nullable=False),
        sa.Column("length", sa.String(40), nullable=False),
        sa.Column("measured_length", sa.String(40), nullable=True),
        sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id"),
    )
    with op.batch_alter_table("lot", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_lot_project_id"), ["project_id"], unique=False)

    op.create_table(
        "stack",
        sa.Column("lot_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("count", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("value", sa.String(), nullable=False),
        sa.Column("motif", sa.String(), nullable=False),
        sa.Column("ground", sa.String(), nullable=False),
        sa.Column("figure", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["lot_id"], ["lot.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("lot_id", "position"),
    )


def downgrade() -> None:

    op.drop_table("stack")
    with op.batch_alter_table("lot", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_lot_project_id"))

    op.drop_table("lot")
    op.drop_table("done_step")
    op.drop_table("bought")
    op.drop_table("world")
    with op.batch_alter_table("project", schema=None) as batch_op:
        batch_op.drop_index("project_by_time")

    op.drop_table("project")
    op.drop_table("preferences")
