"""New lots and projects, made ready as rows first and then written at once.

Making thousands of rows ready takes seconds and holds nobody up: nothing is written meanwhile.
Writing them is one statement for each table, in well under a second, so that no other change waits
for long. Numbers of rows are counted from 0 until they are written.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import UTC, datetime
from enum import StrEnum
from fractions import Fraction
from itertools import groupby
from typing import Any

from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from kersey.core.cloth.fabric import Lot, Stack
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.ledger import EntryKind
from kersey.core.stash.pulled import Pulled
from kersey.records.plans import plan_text
from kersey.store.holdings import LotHeld
from kersey.store.lot_rows import lot_columns, print_columns, stack_columns
from kersey.store.project_rows import project_columns, pull_columns
from kersey.store.tables import (
    BoughtRow,
    CupboardLotRow,
    CupboardStackRow,
    DoneStepRow,
    KeptPlanRow,
    LedgerRow,
    ProjectRow,
    PullRow,
    Table,
)

Row = dict[str, Any]
# Where a row names another that is new too, its number is counted from 0 in one of these columns.
_NEW_LOT, _NEW_STACK, _NEW_PROJECT = "new lot", "new stack", "new project"


@dataclass(frozen=True)
class _Placed:
    """A lot that is new: its place among the lots, and that of its first print among prints."""

    lot: int
    first_stack: int


@dataclass
class Arrival:
    """Rows to be written, by table; `now` is when they come."""

    now: datetime
    rows: dict[type[Table], list[Row]] = field(default_factory=dict)
    _areas: dict[tuple[int, Fraction | None], Fraction] = field(default_factory=dict)
    _holders: dict[int, list[tuple[str, int]]] = field(default_factory=dict)

    def lot(self, kept: CupboardLot, kind: EntryKind) -> _Placed:
        """Make a lot ready."""
        stacks = self.rows.setdefault(CupboardStackRow, [])
        lots = self.rows.setdefault(CupboardLotRow, [])
        placed = _Placed(len(lots), len(stacks))
        kept_at = {"revision": 1, "created_at": self.now, "deleted_at": None, "cut": 0}
        lots.append(kept_at | lot_columns(kept))
        for position, stack in enumerate(kept.lot.stacks):
            stacks.append({_NEW_LOT: placed.lot} | stack_columns(position, stack))
            if stack.count:
                area = stack.count * self._piece_area(kept.lot, stack)
                names = kept.name, stack.print.name
                self._enter(kind, *names, stack.count, area, new_lot=placed.lot)
        return placed

    def _piece_area(self, lot: Lot, stack: Stack) -> Fraction:
        """Square inches of one piece; those of a lot are mostly alike, so it is reckoned once."""
        key = id(lot), stack.measured_length
        if key not in self._areas:
            self._areas[key] = lot.piece_area(stack)
        return self._areas[key]

    def project(self, project: Project, placed: Sequence[_Placed | None]) -> None:
        """Make a project ready; `placed` says of each of its fabrics where its lot is, if new.

        Raises `LotHeld` when it would hold more of a new lot than there is.
        """
        projects = self.rows.setdefault(ProjectRow, [])
        own = {_NEW_PROJECT: len(projects)}
        times = {"created_at": self.now, "updated_at": self.now, "deleted_at": None}
        projects.append({"revision": 1} | times | project_columns(project))
        pulls = self.rows.setdefault(PullRow, [])
        for position, (pulled, new) in enumerate(zip(project.fabrics, placed, strict=True)):
            stack = (
                {"stack_id": pulled.stack.number}
                if new is None
                else {_NEW_STACK: new.first_stack + pulled.place}
            )
            pulls.append(own | stack | pull_columns(position, pulled))
            if new is not None:
                self._hold(new.first_stack + pulled.place, project, pulled)
            if pulled.cut and new is not None:
                self.rows[CupboardLotRow][new.lot]["cut"] += pulled.cut
            self._enter_pulled(project, pulled, new, own)
        bought = self.rows.setdefault(BoughtRow, [])
        for part, cloth in project.bought.items():
            bought.append(own | {"part": part} | print_columns(cloth))
        if project.plan is not None:
            plans = self.rows.setdefault(KeptPlanRow, [])
            plans.append(own | {"number": 1, "document": plan_text(project.plan)})
        steps = self.rows.setdefault(DoneStepRow, [])
        steps.extend(own | {"key": key} for key in sorted(project.done))

    def _hold(self, stack: int, project: Project, pulled: Pulled) -> None:
        """Note who holds a new print; raises `LotHeld` for more than there is."""
        held = pulled.count if project.holds_back else pulled.cut
        if not held:
            return
        holders = self._holders.setdefault(stack, [])
        holders.append((project.name, held))
        if sum(count for _, count in holders) > pulled.stack.count:
            names = list(dict.fromkeys(name for name, _ in holders))
            raise LotHeld(pulled.stack.print.name, pulled.stack.count, names)

    def write(self, session: Session) -> tuple[list[int], list[int]]:
        """Write everything; the numbers of the lots, and of the projects."""
        first = {
            _NEW_LOT: _next(session, CupboardLotRow),
            _NEW_STACK: _next(session, CupboardStackRow),
            _NEW_PROJECT: _next(session, ProjectRow),
        }
        tables = (
            CupboardLotRow,
            CupboardStackRow,
            ProjectRow,
            PullRow,
            BoughtRow,
            DoneStepRow,
            KeptPlanRow,
            LedgerRow,
        )
        numbered = {
            CupboardLotRow: _NEW_LOT,
            CupboardStackRow: _NEW_STACK,
            ProjectRow: _NEW_PROJECT,
        }
        statements = [
            statement
            for table in tables
            for statement in _statements(
                table, self.rows.get(table, []), first, first.get(numbered.get(table, ""))
            )
        ]
        # Up to here nothing is written, so nobody waits.
        connection = session.connection()
        for statement, values in statements:
            connection.exec_driver_sql(statement, values)
        session.expire_all()
        lots = range(len(self.rows.get(CupboardLotRow, [])))
        projects = range(len(self.rows.get(ProjectRow, [])))
        return ([first[_NEW_LOT] + n for n in lots], [first[_NEW_PROJECT] + n for n in projects])

    def _enter_pulled(
        self, project: Project, pulled: Pulled, new: _Placed | None, own: Row
    ) -> None:
        held = pulled.count if project.holds_back else pulled.cut
        each = self._piece_area(pulled.kept.lot, pulled.stack)
        names = pulled.kept.name, pulled.stack.print.name
        for kind, pieces in ((EntryKind.PULLED, held), (EntryKind.CUT, pulled.cut)):
            if pieces:
                self._enter(
                    kind,
                    *names,
                    pieces,
                    pieces * each,
                    new_lot=new.lot if new else None,
                    lot=pulled.lot_number,
                    project=own | {"project_name": project.name},
                )

    def _enter(
        self,
        kind: EntryKind,
        lot_name: str,
        print_name: str,
        pieces: int,
        area: Fraction,
        *,
        new_lot: int | None,
        lot: int | None = None,
        project: Row | None = None,
    ) -> None:
        where = {"lot_id": lot} if new_lot is None else {_NEW_LOT: new_lot}
        quilt = project or {"project_id": None, "project_name": None}
        self.rows.setdefault(LedgerRow, []).append(
            {
                "at": self.now,
                "kind": kind,
                "lot_name": lot_name,
                "print_name": print_name,
                "pieces": pieces,
                "area": area,
                **where,
                **quilt,
            }
        )


# Which column a number that was counted from 0 is written in.
_COLUMN = {_NEW_LOT: "lot_id", _NEW_STACK: "stack_id", _NEW_PROJECT: "project_id"}


def _next(session: Session, table: type[Any]) -> int:
    """The number of the next row: above all that are there, and for prints all that ever were."""
    highest = session.scalar(select(func.max(table.id))) or 0
    if table is CupboardStackRow:
        ever = text("SELECT seq FROM sqlite_sequence WHERE name = 'cupboard_stack'")
        highest = max(highest, session.scalar(ever) or 0)
    return highest + 1


def _statements(
    table: type[Table], rows: Sequence[Row], first: dict[str, int], start: int | None
) -> Iterator[tuple[str, list[tuple[Any, ...]]]]:
    """What writes the rows of a table, those alike at once; of a numbered table from `start`."""
    number = start
    for _, rows_alike in groupby(rows, key=_counted_in):
        alike = list(rows_alike)
        named = list(alike[0])
        names = [name for name in named if name not in _COLUMN]
        counted = [name for name in named if name in _COLUMN]
        columns = [*names, *(_COLUMN[name] for name in counted)]
        values = [
            (*map(_raw, map(row.__getitem__, names)), *(row[n] + first[n] for n in counted))
            for row in alike
        ]
        if number is not None:
            columns.append("id")
            values = [(*value, number + n) for n, value in enumerate(values)]
            number += len(values)
        listed = ", ".join(f'"{name}"' for name in columns)
        marks = ", ".join("?" * len(columns))
        yield f"INSERT INTO {table.__tablename__} ({listed}) VALUES ({marks})", values


def _counted_in(row: Row) -> tuple[bool, ...]:
    """Which of its columns hold a number counted from 0: rows of a table differ in nothing else."""
    return tuple(name in row for name in _COLUMN)


def _raw(value: Any) -> Any:
    """A value as the database file holds it (see `column_types`).

    Hundreds of thousands of values are looked at: what needs no change is let through first.
    """
    kind = type(value)
    if kind is str or kind is int or value is None:
        return value
    if kind is Fraction:
        return str(value) if value.denominator > 1 else str(value.numerator)
    if kind is datetime:
        return value.astimezone(UTC).isoformat()
    return value.value if isinstance(value, StrEnum) else value
