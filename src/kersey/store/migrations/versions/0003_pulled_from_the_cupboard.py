"""Prints get numbers of their own, projects pull from the cupboard, a ledger says where all went.

Strips that a project held by itself become a lot in the cupboard, pulled by that project.
"""

from collections.abc import Sequence
from fractions import Fraction

import sqlalchemy as sa
from alembic import op

from kersey.core.cloth.colour import colour_family
from kersey.core.cloth.fabric import Motif, Swatch

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None

_PRINT = ("name", "value", "motif", "ground", "figure")


def upgrade() -> None:
    _new_print_columns("bought")
    for flag in ("sketch", "put_away"):
        off = sa.false()
        op.add_column(
            "project", sa.Column(flag, sa.Boolean(), nullable=False, server_default=off)
        )
    op.add_column(
        "cupboard_lot", sa.Column("cut", sa.Integer(), nullable=False, server_default="0")
    )
    op.drop_index("cupboard_by_time", "cupboard_lot")
    columns = ["deleted_at", "created_at", "id", "cut", "pieces"]
    op.create_index("cupboard_by_time", "cupboard_lot", columns)
    _number_the_stacks()
    _make_pull()
    _make_ledger()
    _put_strips_into_the_cupboard()
    _enter_what_is_there()
    op.drop_table("stack")
    op.drop_table("lot")


def downgrade() -> None:
    raise RuntimeError("The copy made before the upgrade is the way back.")


def _new_print_columns(table: str) -> None:
    # Added in place: a table that is made anew would take the rows that point to it with it.
    scale = sa.Column("scale", sa.String(), nullable=False, server_default="medium")
    op.add_column(table, scale)
    op.add_column(table, sa.Column("judged_family", sa.String(), nullable=True))
    op.add_column(table, sa.Column("tile", sa.String(), nullable=True))


def _number_the_stacks() -> None:
    op.rename_table("cupboard_stack", "old_stack")
    op.create_table(
        "cupboard_stack",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("lot_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("count", sa.Integer(), nullable=False),
        sa.Column("measured_length", sa.String(40), nullable=True),
        *(sa.Column(name, sa.String(), nullable=False) for name in _PRINT),
        sa.Column("scale", sa.String(), nullable=False),
        sa.Column("judged_family", sa.String(), nullable=True),
        sa.Column("tile", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(["lot_id"], ["cupboard_lot.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id"),
        sqlite_autoincrement=True,
    )
    op.create_index("ix_cupboard_stack_lot_id", "cupboard_stack", ["lot_id"])
    columns = ", ".join(("lot_id", "position", "count", *_PRINT))
    op.execute(
        f"INSERT INTO cupboard_stack ({columns}, scale) "
        f"SELECT {columns}, 'medium' FROM old_stack ORDER BY lot_id, position"
    )
    op.drop_table("old_stack")


def _make_pull() -> None:
    op.create_table(
        "pull",
        sa.Column("project_id", sa.Integer(), nullable=False),
        sa.Column("stack_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("count", sa.Integer(), nullable=False),
        sa.Column("cut", sa.Integer(), nullable=False),
        sa.Column("roles", sa.String(), nullable=False),
        sa.Column("value", sa.String(), nullable=True),
        sa.Column("aside", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(["project_id"], ["project.id"], ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["stack_id"], ["cupboard_stack.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("project_id", "stack_id"),
    )
    op.create_index("ix_pull_stack_id", "pull", ["stack_id"])


def _make_ledger() -> None:
    op.create_table(
        "ledger",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(40), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("lot_id", sa.Integer(), nullable=False),
        sa.Column("lot_name", sa.String(), nullable=False),
        sa.Column("print_name", sa.String(), nullable=False),
        sa.Column("project_id", sa.Integer(), nullable=True),
        sa.Column("project_name", sa.String(), nullable=True),
        sa.Column("pieces", sa.Integer(), nullable=False),
        sa.Column("area", sa.String(40), nullable=False),
        sa.PrimaryKeyConstraint("id"),
    )
    op.create_index("ix_ledger_lot_id", "ledger", ["lot_id"])
    op.create_index("ix_ledger_project_id", "ledger", ["project_id"])


def _put_strips_into_the_cupboard() -> None:
    """Every project's own strips: a lot, its prints, and all of them pulled for "any"."""
    connection = op.get_bind()
    owned = connection.execute(
        sa.text(
            "SELECT lot.id, lot.project_id, lot.width, lot.length, lot.measured_length, "
            "project.name, project.created_at, project.updated_at, project.deleted_at FROM lot "
            "JOIN project ON project.id = lot.project_id ORDER BY lot.id"
        )
    ).mappings().all()
    for lot in owned:
        stacks = connection.execute(
            sa.text("SELECT * FROM stack WHERE lot_id = :lot ORDER BY position"), {"lot": lot["id"]}
        ).mappings().all()
        _keep(connection, lot, stacks)


def _keep(connection: sa.Connection, lot: sa.RowMapping, stacks: Sequence[sa.RowMapping]) -> None:
    pieces = sum(stack["count"] for stack in stacks)
    kept = connection.execute(
        sa.text(
            "INSERT INTO cupboard_lot (revision, created_at, deleted_at, name, aside, form, width, "
            "widest, pieces, prints, all_values, families, all_names, blends, length, most_width, "
            "most_length, measured_length, grams, estimated, directional, shrinkage, wrong_side) "
            "VALUES (1, :at, NULL, :name, NULL, 'strip', :width, :widest, :pieces, :prints, "
            ":all_values, :families, :all_names, :blends, :length, NULL, NULL, :measured, NULL, 0, 0, "
            "'0', NULL)"
        ),
        {
            "at": lot["created_at"],
            "name": lot["name"],
            "width": lot["width"],
            "widest": float(Fraction(lot["width"])),
            "pieces": pieces,
            "prints": len(stacks),
            "all_values": " ".join(
                v for v in ("light", "medium", "dark") if any(s["value"] == v for s in stacks)
            ),
            "all_names": "\n".join((lot["name"], *(s["name"] for s in stacks))).casefold(),
            "families": " ".join(sorted({colour_family(s["ground"]) for s in stacks})),
            "blends": " ".join(_blend(s) for s in stacks[:24]),
            "length": lot["length"],
            "measured": lot["measured_length"],
        },
    ).lastrowid
    for stack in stacks:
        number = connection.execute(
            sa.text(
                "INSERT INTO cupboard_stack (lot_id, position, count, name, value, motif, ground, "
                "figure, scale) VALUES (:lot, :position, :count, :name, :value, :motif, :ground, "
                ":figure, 'medium')"
            ),
            {**stack, "lot": kept},
        ).lastrowid
        if stack["count"]:
            connection.execute(
                sa.text("INSERT INTO pull VALUES (:project, :stack, :position, :count, 0, 'any', NULL, NULL)"),
                {
                    "project": lot["project_id"],
                    "stack": number,
                    "position": stack["position"],
                    "count": stack["count"],
                },
            )


def _blend(stack: sa.RowMapping) -> str:
    return Swatch(Motif(stack["motif"]), stack["ground"], stack["figure"]).blend


def _enter_what_is_there() -> None:
    """The ledger begins with what is at home; sizes that vary are entered by their smallest."""
    connection = op.get_bind()
    there = connection.execute(
        sa.text(
            "SELECT l.id, l.created_at, l.name AS lot_name, l.form, l.width, l.length, l.most_width, "
            "l.most_length, l.measured_length, l.shrinkage, l.grams, s.name, s.count "
            "FROM cupboard_stack s JOIN cupboard_lot l ON l.id = s.lot_id "
            "WHERE l.deleted_at IS NULL AND s.count > 0 ORDER BY l.id, s.position"
        )
    ).mappings().all()
    for row in there:
        connection.execute(
            sa.text(
                "INSERT INTO ledger (at, kind, lot_id, lot_name, print_name, pieces, area) "
                "VALUES (:at, 'bought', :lot, :lot_name, :print, :pieces, :area)"
            ),
            {
                "at": row["created_at"],
                "lot": row["id"],
                "lot_name": row["lot_name"],
                "print": row["name"],
                "pieces": row["count"],
                "area": str(row["count"] * _piece_area(row)),
            },
        )


def _piece_area(row: sa.RowMapping) -> Fraction:
    """Square inches of one piece, as the core reckons them at this version."""
    if row["grams"] is not None:
        return Fraction(row["grams"]) / 145 * (Fraction(5000, 127)) ** 2
    length = Fraction(row["measured_length"] or 0) or (
        Fraction(row["length"]) * (100 - Fraction(row["shrinkage"])) / 100
    )
    width = (Fraction(row["width"]) + Fraction(row["most_width"] or row["width"])) / 2
    length = (length + Fraction(row["most_length"] or length)) / 2
    return width * length / (2 if row["form"] == "triangle" else 1)
