"""The choices of a quilt are one document, its plan is kept, a fabric has a key in its project.

What stood in columns is packed into a document of the first version, just as it was; whoever reads
it brings it up.
"""

import json

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

_CHOICES = (
    "strips_per_block", "method", "different_prints", "block", "even", "by_value", "purpose",
    "drop", "tuck", "own_width", "own_length", "rows", "columns", "border_width", "binding_width",
    "binding_from_stash", "margin", "backing_way", "seam", "usable_width",
)  # fmt: skip
_YES_OR_NO = ("different_prints", "even", "by_value", "binding_from_stash")


def upgrade() -> None:
    op.add_column(
        "project", sa.Column("choices", sa.String(), nullable=False, server_default="{}")
    )
    _pack_choices()
    for name in _CHOICES:
        # In place: a table that is made anew would take the rows that point to it with it.
        op.execute(f'ALTER TABLE project DROP COLUMN "{name}"')
    op.add_column("pull", sa.Column("key", sa.Integer(), nullable=False, server_default="0"))
    op.execute(
        "UPDATE pull SET key = (SELECT count(*) FROM pull AS other WHERE "
        "other.project_id = pull.project_id AND (other.position < pull.position OR "
        "(other.position = pull.position AND other.stack_id < pull.stack_id)))"
    )
    for table, extra in (
        ("kept_plan", sa.Column("number", sa.Integer(), nullable=False)),
        ("kept_answer", sa.Column("question", sa.String(), nullable=False)),
    ):
        op.create_table(
            table,
            sa.Column("project_id", sa.Integer(), nullable=False),
            extra,
            sa.Column("document", sa.String(), nullable=False),
            sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
            sa.PrimaryKeyConstraint("project_id"),
        )


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")


def _pack_choices() -> None:
    connection = op.get_bind()
    columns = ", ".join(f'"{name}"' for name in _CHOICES)
    for row in connection.execute(sa.text(f"SELECT id, {columns} FROM project")).mappings().all():
        known = {name: row[name] for name in _CHOICES}
        known |= {name: _flag(known[name]) for name in _YES_OR_NO}
        known["block"] = json.loads(known["block"])
        document = json.dumps({"version": 1, **known}, ensure_ascii=False)
        connection.execute(
            sa.text("UPDATE project SET choices = :choices WHERE id = :id"),
            {"choices": document, "id": row["id"]},
        )


def _flag(value: object) -> bool | None:
    return None if value is None else bool(value)
