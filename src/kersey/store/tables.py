"""The tables. Column names are the core's own words; lengths are exact inches."""

from datetime import datetime
from fractions import Fraction

from sqlalchemy import ForeignKey, Index
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship

from kersey.store.column_types import ExactLength, Moment


class Table(DeclarativeBase):
    """Base of all tables."""

    type_annotation_map = {Fraction: ExactLength, datetime: Moment}  # noqa: RUF012


class PrintColumns:
    """What every row that holds a print has."""

    name: Mapped[str]
    value: Mapped[str]
    motif: Mapped[str]
    ground: Mapped[str]
    figure: Mapped[str]
    scale: Mapped[str]
    judged_family: Mapped[str | None]
    filled_in: Mapped[str]
    tile: Mapped[str | None]
    look: Mapped[str | None]


class ProjectRow(Table):
    """A project. `revision` counts its changes. JSON documents are its `choices`, its `versions`
    (arrangements that are kept), what lies `on_table`, what was measured while `sewing`, and
    what was settled for `finishing`."""

    __tablename__ = "project"
    __table_args__ = (Index("project_by_time", "deleted_at", "updated_at"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    revision: Mapped[int]
    name: Mapped[str]
    said: Mapped[str]
    created_at: Mapped[datetime]
    updated_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]

    choices: Mapped[str]
    sketch: Mapped[bool]
    put_away: Mapped[bool]
    versions: Mapped[str]
    on_table: Mapped[str]
    sewing: Mapped[str]
    finishing: Mapped[str]

    pulls: Mapped[list["PullRow"]] = relationship(
        cascade="all, delete-orphan", order_by="PullRow.position"
    )
    bought: Mapped[list["BoughtRow"]] = relationship(
        cascade="all, delete-orphan", lazy="selectin", order_by="BoughtRow.part"
    )
    done_steps: Mapped[list["DoneStepRow"]] = relationship(
        cascade="all, delete-orphan", lazy="selectin", order_by="DoneStepRow.key"
    )
    plan: Mapped["KeptPlanRow | None"] = relationship(cascade="all, delete-orphan", lazy="joined")


class PullRow(Table):
    """Pieces of a print at home that a project has pulled; `roles` are words."""

    __tablename__ = "pull"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    stack_id: Mapped[int] = mapped_column(
        ForeignKey("cupboard_stack.id", ondelete="CASCADE"), primary_key=True, index=True
    )
    position: Mapped[int]
    count: Mapped[int]
    cut: Mapped[int]
    roles: Mapped[str]
    value: Mapped[str | None]
    aside: Mapped[str | None]
    key: Mapped[int]

    stack: Mapped["CupboardStackRow"] = relationship()


class BoughtRow(PrintColumns, Table):
    """The print that is bought for a part of the quilt: border, binding or sashing."""

    __tablename__ = "bought"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    part: Mapped[str] = mapped_column(primary_key=True)


class DoneStepRow(Table):
    """A step of the work order that was ticked off."""

    __tablename__ = "done_step"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    key: Mapped[str] = mapped_column(primary_key=True)


class KeptPlanRow(Table):
    """The plan that a project is cut by, as JSON; `number` counts how often it was exchanged."""

    __tablename__ = "kept_plan"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int]
    document: Mapped[str]


class ProjectStepRow(Table):
    """A step in the history of a project: what was done, in words, and as a packed document the
    project on its other side. It can be gone over while the project is at this `revision`."""

    __tablename__ = "project_step"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime]
    words: Mapped[str]
    undone: Mapped[bool]
    revision: Mapped[int]
    document: Mapped[bytes]


class MishapRow(Table):
    """What went wrong with a project at the table; its `document` is the way back."""

    __tablename__ = "mishap"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime]
    words: Mapped[str]
    document: Mapped[str]


class KeptAnswerRow(Table):
    """What was found for a question, as JSON; `question` is its fingerprint.

    It is there so that nothing is searched for twice, and may be thrown away.
    """

    __tablename__ = "kept_answer"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    question: Mapped[str]
    document: Mapped[str]


class PutAwayRow(Table):
    """How the last putting away of a project is taken back: its lots, and what was cut before."""

    __tablename__ = "put_away"

    project_id: Mapped[int] = mapped_column(
        ForeignKey("project.id", ondelete="CASCADE"), primary_key=True
    )
    document: Mapped[str]


class PreferencesRow(Table):
    """The one row of settings."""

    __tablename__ = "preferences"

    id: Mapped[int] = mapped_column(primary_key=True)
    revision: Mapped[int]
    seam: Mapped[Fraction]
    usable_width: Mapped[Fraction]
    units: Mapped[str]
    theme: Mapped[str]
    paper: Mapped[str]
    threads: Mapped[str]
    cut_rules: Mapped[str]
    least_kept: Mapped[Fraction]
    currency: Mapped[str]
    daily_backup: Mapped[bool]


class DeviceRow(Table):
    """A device that may come in from the network; of what it shows only the digest is kept."""

    __tablename__ = "device"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    digest: Mapped[str]
    paired_at: Mapped[datetime]


class PriceListRow(Table):
    """The one row of a person's own price list."""

    __tablename__ = "price_list"

    id: Mapped[int] = mapped_column(primary_key=True)
    revision: Mapped[int]
    document: Mapped[str]


class WorldRow(Table):
    """The one row that says whether these are a person's own data or the sample world."""

    __tablename__ = "world"

    id: Mapped[int] = mapped_column(primary_key=True)
    is_sample: Mapped[bool]


class CupboardLotRow(Table):
    """A lot of fabric at home.

    What a list shows and a search looks at is kept beside it, so that neither has to open the
    prints: pieces, prints, their values, colour families and the colours they blend to, all names
    in one text. `widest` is the width as a number, to filter by.
    """

    __tablename__ = "cupboard_lot"
    # `cut` and `pieces` stand in the index so that lots are counted without opening them.
    __table_args__ = (Index("cupboard_by_time", "deleted_at", "created_at", "id", "cut", "pieces"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    revision: Mapped[int]
    created_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]
    name: Mapped[str]
    aside: Mapped[str | None]
    place: Mapped[str]
    note: Mapped[str]
    first: Mapped[bool]
    form: Mapped[str]
    width: Mapped[Fraction]
    widest: Mapped[float]
    pieces: Mapped[int]
    cut: Mapped[int]
    prints: Mapped[int]
    all_values: Mapped[str]
    families: Mapped[str]
    all_names: Mapped[str]
    blends: Mapped[str]
    length: Mapped[Fraction]
    most_width: Mapped[Fraction | None]
    most_length: Mapped[Fraction | None]
    measured_length: Mapped[Fraction | None]
    grams: Mapped[int | None]
    estimated: Mapped[bool]
    directional: Mapped[bool]
    shrinkage: Mapped[Fraction]
    shrinkage_across: Mapped[Fraction | None]
    wrong_side: Mapped[str | None]

    stacks: Mapped[list["CupboardStackRow"]] = relationship(
        cascade="all, delete-orphan", order_by="CupboardStackRow.position", back_populates="lot"
    )


class CupboardStackRow(PrintColumns, Table):
    """A print in a lot at home. Its number stays, wherever in the lot it is laid."""

    __tablename__ = "cupboard_stack"
    __table_args__ = {"sqlite_autoincrement": True}  # noqa: RUF012

    id: Mapped[int] = mapped_column(primary_key=True)
    lot_id: Mapped[int] = mapped_column(
        ForeignKey("cupboard_lot.id", ondelete="CASCADE"), index=True
    )
    position: Mapped[int]
    count: Mapped[int]
    measured_length: Mapped[Fraction | None]

    lot: Mapped["CupboardLotRow"] = relationship(back_populates="stacks")


class CupboardChangeRow(Table):
    """A change to the cupboard in words, and what the lots were before it, to undo it."""

    __tablename__ = "cupboard_change"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime]
    words: Mapped[str]
    before: Mapped[str]


class LedgerRow(Table):
    """Where pieces went, once: what happened to how many, and how much cloth that is.

    Lot, print and project are named as they were called then; nothing here is changed later.
    """

    __tablename__ = "ledger"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime]
    kind: Mapped[str]
    lot_id: Mapped[int] = mapped_column(index=True)
    lot_name: Mapped[str]
    print_name: Mapped[str]
    project_id: Mapped[int | None] = mapped_column(index=True)
    project_name: Mapped[str | None]
    pieces: Mapped[int]
    area: Mapped[Fraction]
