"""The cupboard kept: lots added, found, changed many at once, taken out, and every step undone.

Each change writes down what the lots were before it. Undoing takes the newest change back and
forgets it; the last `UNDO_STEPS` changes can be undone, also after a restart.
"""

import json
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from fractions import Fraction
from typing import Any

from sqlalchemy import ColumnElement, delete, func, select
from sqlalchemy.orm import Session, selectinload

from kersey.core.colour import colour_family
from kersey.core.cupboard import Aside, CupboardLot
from kersey.core.errors import KerseyError
from kersey.core.fabric import Lot, Stack, Value
from kersey.core.forms import Form
from kersey.core.lot_record import Record, lot_of, record_of
from kersey.store.project_rows import print_of, write_print
from kersey.store.tables import CupboardChangeRow, CupboardLotRow, CupboardStackRow

UNDO_STEPS = 200
_BLENDS_KEPT = 24
_LINE_COLUMNS = (
    CupboardLotRow.id,
    CupboardLotRow.revision,
    CupboardLotRow.name,
    CupboardLotRow.aside,
    CupboardLotRow.form,
    CupboardLotRow.pieces,
    CupboardLotRow.prints,
    CupboardLotRow.width,
    CupboardLotRow.length,
    CupboardLotRow.most_width,
    CupboardLotRow.most_length,
    CupboardLotRow.grams,
    CupboardLotRow.estimated,
    CupboardLotRow.all_values,
    CupboardLotRow.blends,
)


@dataclass(frozen=True)
class Find:
    """What is looked for; what is left out does not matter. Widths in inches."""

    words: str = ""
    form: Form | None = None
    value: Value | None = None
    family: str | None = None
    least_width: Fraction | None = None
    most_width: Fraction | None = None
    aside: bool | None = None


@dataclass(frozen=True)
class StoredLot:
    """A lot as it is kept."""

    id: int
    revision: int
    kept: CupboardLot


@dataclass(frozen=True)
class LotLine:
    """What a list shows of a lot. Lengths in inches; `values` and `blends` of its prints."""

    id: int
    revision: int
    name: str
    aside: Aside | None
    form: Form
    count: int
    prints: int
    width: Fraction
    length: Fraction
    most_width: Fraction | None
    most_length: Fraction | None
    grams: int | None
    estimated: bool
    values: tuple[str, ...]
    blends: tuple[str, ...]


class LotsChanged(KerseyError):
    """Lots were changed or taken out elsewhere since they were shown."""

    def __init__(self, names: Sequence[str]) -> None:
        self.names = tuple(names)
        shown = ", ".join(f"“{name}”" for name in self.names[:3])
        super().__init__(f"{shown} changed in another window meanwhile. Nothing was overwritten.")


class NoSuchLot(KerseyError):
    """There is no lot of this number."""

    def __init__(self, lot_id: int) -> None:
        self.lot_id = lot_id
        super().__init__("There is no such lot in the cupboard.")


def count_lots(session: Session, find: Find) -> int:
    """How many lots are found."""
    query = select(func.count()).select_from(CupboardLotRow).where(*_conditions(find))
    return session.scalar(query) or 0


def list_lots(session: Session, find: Find, first: int, most: int) -> list[LotLine]:
    """Lots found, the newest first: `most` of them, beginning with number `first`."""
    query = select(*_LINE_COLUMNS).where(*_conditions(find))
    query = query.order_by(CupboardLotRow.created_at.desc(), CupboardLotRow.id.desc())
    return [_line(row) for row in session.execute(query.offset(first).limit(most))]


def get_lot(session: Session, lot_id: int) -> StoredLot:
    """One lot; raises `NoSuchLot`."""
    return _stored(_row(session, lot_id))


def add_lots(
    session: Session, lots: Sequence[CupboardLot], words: str | None, now: datetime
) -> list[int]:
    """Put lots into the cupboard as one change; returns their numbers.

    Without `words` it is no change of a person's, and cannot be undone.
    """
    rows = []
    for kept in lots:
        row = CupboardLotRow(revision=1, created_at=now, deleted_at=None)
        _write(row, kept)
        rows.append(row)
    session.add_all(rows)
    session.flush()
    if words is not None:
        _note(session, words, {row.id: None for row in rows}, now)
    return [row.id for row in rows]


def change_lots(
    session: Session,
    revisions: Mapping[int, int],
    change: Callable[[CupboardLot], CupboardLot],
    words: str,
    now: datetime,
) -> None:
    """Change lots as one step; `revisions` says which, and which state of each was meant.

    Raises `LotsChanged` or `NoSuchLot`; nothing is then changed.
    """
    rows = _rows(session, revisions)
    before: dict[int, Record | None] = {row.id: record_of(_kept(row)) for row in rows}
    for row in rows:
        _write(row, change(_kept(row)))
        row.revision += 1
    _note(session, words, before, now)


def take_out(session: Session, revisions: Mapping[int, int], words: str, now: datetime) -> None:
    """Take lots out of the cupboard as one step; raises `LotsChanged` or `NoSuchLot`."""
    rows = _rows(session, revisions)
    _note(session, words, {row.id: record_of(_kept(row)) for row in rows}, now)
    for row in rows:
        row.deleted_at = now
        row.revision += 1


def last_change(session: Session) -> str | None:
    """The newest change in words; None when there is nothing to undo."""
    newest = select(CupboardChangeRow.words).order_by(CupboardChangeRow.id.desc()).limit(1)
    return session.scalar(newest)


def undo(session: Session, now: datetime) -> str | None:
    """Take the newest change back; returns it in words, None when there is none."""
    newest = select(CupboardChangeRow).order_by(CupboardChangeRow.id.desc()).limit(1)
    change = session.scalar(newest)
    if change is None:
        return None
    for number, record in json.loads(change.before).items():
        row = session.get_one(CupboardLotRow, int(number))
        row.revision += 1
        row.deleted_at = now if record is None else None
        if record is not None:
            _write(row, lot_of(record))
    session.delete(change)
    return change.words


def all_lots(session: Session) -> list[CupboardLot]:
    """Every lot in the cupboard, the oldest first."""
    query = select(CupboardLotRow).where(CupboardLotRow.deleted_at.is_(None))
    query = query.order_by(CupboardLotRow.created_at, CupboardLotRow.id)
    query = query.options(selectinload(CupboardLotRow.stacks))
    return [_kept(row) for row in session.scalars(query)]


def _conditions(find: Find) -> list[ColumnElement[bool]]:
    lot = CupboardLotRow
    wanted: list[ColumnElement[bool]] = [lot.deleted_at.is_(None)]
    for word in find.words.split():
        like = f"%{_literally(word.casefold())}%"
        wanted.append(lot.all_names.like(like, escape="!"))
    if find.form is not None:
        wanted.append(lot.form == find.form)
    if find.value is not None:
        wanted.append(lot.all_values.contains(find.value.value))
    if find.family is not None:
        wanted.append(lot.families.contains(find.family))
    if find.least_width is not None:
        wanted.append(lot.widest >= float(find.least_width))
    if find.most_width is not None:
        wanted.append(lot.widest <= float(find.most_width))
    if find.aside is not None:
        wanted.append(lot.aside.is_not(None) if find.aside else lot.aside.is_(None))
    return wanted


def _literally(word: str) -> str:
    """A word in which LIKE finds no wildcards."""
    return word.replace("!", "!!").replace("%", "!%").replace("_", "!_")


def _row(session: Session, lot_id: int) -> CupboardLotRow:
    row = session.get(CupboardLotRow, lot_id)
    if row is None or row.deleted_at is not None:
        raise NoSuchLot(lot_id)
    return row


def _rows(session: Session, revisions: Mapping[int, int]) -> list[CupboardLotRow]:
    """The lots meant, if all of them are still as they were shown."""
    query = select(CupboardLotRow).where(CupboardLotRow.id.in_(revisions))
    rows = list(session.scalars(query.order_by(CupboardLotRow.id)))
    if len(rows) < len(revisions):
        raise NoSuchLot(min(set(revisions) - {row.id for row in rows}))
    changed = [r.name for r in rows if r.deleted_at is not None or r.revision != revisions[r.id]]
    if changed:
        raise LotsChanged(changed)
    return rows


def _note(session: Session, words: str, before: Mapping[int, Record | None], now: datetime) -> None:
    """Write the change down, and forget those too old to be undone."""
    session.add(CupboardChangeRow(at=now, words=words, before=json.dumps(before)))
    session.flush()
    kept = select(CupboardChangeRow.id).order_by(CupboardChangeRow.id.desc()).limit(UNDO_STEPS)
    session.execute(delete(CupboardChangeRow).where(CupboardChangeRow.id.not_in(kept)))


def _line(row: Any) -> LotLine:
    return LotLine(
        row.id,
        row.revision,
        row.name,
        None if row.aside is None else Aside(row.aside),
        Form(row.form),
        row.pieces,
        row.prints,
        row.width,
        row.length,
        row.most_width,
        row.most_length,
        row.grams,
        row.estimated,
        tuple(row.all_values.split()),
        tuple(row.blends.split()),
    )


def _stored(row: CupboardLotRow) -> StoredLot:
    return StoredLot(row.id, row.revision, _kept(row))


def _kept(row: CupboardLotRow) -> CupboardLot:
    lot = Lot(
        width=row.width,
        length=row.length,
        stacks=tuple(Stack(print_of(stack), stack.count) for stack in row.stacks),
        measured_length=row.measured_length,
        form=Form(row.form),
        most_width=row.most_width,
        most_length=row.most_length,
        grams=row.grams,
        estimated=row.estimated,
        directional=row.directional,
        shrinkage=row.shrinkage,
        wrong_side=None if row.wrong_side is None else Value(row.wrong_side),
    )
    return CupboardLot(row.name, lot, None if row.aside is None else Aside(row.aside))


def _write(row: CupboardLotRow, kept: CupboardLot) -> None:
    lot = kept.lot
    row.name, row.aside, row.form = kept.name, kept.aside, lot.form
    row.width, row.length, row.widest = lot.width, lot.length, float(lot.most_width or lot.width)
    row.pieces, row.prints = lot.count, len(lot.stacks)
    row.all_values = " ".join(v for v in Value if any(p.value is v for p in lot.prints))
    row.families = " ".join(sorted({colour_family(p.swatch.ground) for p in lot.prints}))
    row.all_names = "\n".join((kept.name, *(cloth.name for cloth in lot.prints))).casefold()
    row.blends = " ".join(cloth.swatch.blend for cloth in lot.prints[:_BLENDS_KEPT])
    row.most_width, row.most_length = lot.most_width, lot.most_length
    row.measured_length, row.grams, row.estimated = lot.measured_length, lot.grams, lot.estimated
    row.directional, row.shrinkage, row.wrong_side = lot.directional, lot.shrinkage, lot.wrong_side
    del row.stacks[len(lot.stacks) :]
    for position, stack in enumerate(lot.stacks):
        if position == len(row.stacks):
            row.stacks.append(CupboardStackRow(position=position))
        row.stacks[position].count = stack.count
        write_print(row.stacks[position], stack.print)
