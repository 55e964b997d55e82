"""The cupboard kept: lots added, found, changed many at once, taken out, and every step undone.

Each change writes down what the lots were before it. Undoing takes the newest change back and
forgets it; the last `UNDO_STEPS` changes can be undone, also after a restart.
"""

import json
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from fractions import Fraction
from functools import lru_cache
from typing import Any

from sqlalchemy import ColumnElement, Integer, Select, bindparam, cast, delete, func, select
from sqlalchemy.orm import Session, selectinload

from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import Form
from kersey.core.cloth.print_names import highest_number, numbered_on
from kersey.core.errors import KerseyError
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.ledger import EntryKind
from kersey.records.lots import Document, lot_from, numbered_document
from kersey.store.arrival import Arrival
from kersey.store.holdings import check_held, tell_holders
from kersey.store.ledger import enter_change
from kersey.store.lot_rows import lot_from_row, write_lot
from kersey.store.tables import CupboardChangeRow, CupboardLotRow, CupboardStackRow, LedgerRow

UNDO_STEPS = 200
_LINE_COLUMNS = (
    CupboardLotRow.id,
    CupboardLotRow.revision,
    CupboardLotRow.name,
    CupboardLotRow.aside,
    CupboardLotRow.form,
    CupboardLotRow.pieces,
    CupboardLotRow.cut,
    CupboardLotRow.prints,
    CupboardLotRow.width,
    CupboardLotRow.length,
    CupboardLotRow.most_width,
    CupboardLotRow.most_length,
    CupboardLotRow.measured_length,
    CupboardLotRow.shrinkage,
    CupboardLotRow.shrinkage_across,
    CupboardLotRow.grams,
    CupboardLotRow.estimated,
    CupboardLotRow.all_values,
    CupboardLotRow.blends,
)


_NEWEST = select(CupboardChangeRow).order_by(CupboardChangeRow.id.desc()).limit(1)


@dataclass(frozen=True)
class Find:
    """What is looked for; what is left out does not matter. Widths in inches.

    Lots of which every piece is cut are only found when `used_up` ones are asked for.
    """

    words: str = ""
    form: Form | None = None
    value: Value | None = None
    family: str | None = None
    least_width: Fraction | None = None
    most_width: Fraction | None = None
    aside: bool | None = None
    used_up: bool = False


@dataclass(frozen=True)
class StoredLot:
    """A lot as it is kept."""

    id: int
    revision: int
    kept: CupboardLot


@dataclass(frozen=True)
class LotLine:
    """What a list shows of a lot. Lengths in inches, after washing.

    `count` are all pieces that came in, `cut` those of them that were cut; `values` and `blends`
    are those of its prints.
    """

    id: int
    revision: int
    name: str
    aside: Aside | None
    form: Form
    count: int
    cut: int
    prints: int
    usable_width: Fraction
    usable_length: Fraction
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
        super().__init__(f"{shown} changed in another window. Nothing was overwritten.")


class NotTheLast(KerseyError):
    """What was to be undone is not the newest change any more."""

    def __init__(self, newest: str | None) -> None:
        now = f"The newest change is “{newest}” now" if newest else "It was undone already"
        super().__init__(f"{now}, from another window. Nothing was undone.")


class NoSuchLot(KerseyError):
    """There is no lot of this number."""

    def __init__(self, lot_id: int) -> None:
        self.lot_id = lot_id
        super().__init__("That lot isn't in the cupboard.")


def count_lots(session: Session, find: Find) -> int:
    """How many lots are found."""
    return session.scalar(_count_query(find)) or 0


def list_lots(session: Session, find: Find, first: int, most: int) -> list[LotLine]:
    """Lots found, the newest first: `most` of them, beginning with number `first`."""
    some = {"first": first, "most": most}
    return [_line(row) for row in session.execute(_list_query(find), some)]


def get_lot(session: Session, lot_id: int) -> StoredLot:
    """One lot; raises `NoSuchLot`."""
    return stored_lot(_row(session, lot_id))


def add_lots(
    session: Session,
    lots: Sequence[CupboardLot],
    words: str | None,
    now: datetime,
    kind: EntryKind = EntryKind.BOUGHT,
) -> list[int]:
    """Put lots into the cupboard as one change; returns their numbers.

    Without `words` it is no change of a person's, and cannot be undone.
    """
    arrival = Arrival(now)
    for kept in lots:
        arrival.lot(kept, kind)
    numbers, _ = arrival.write(session)
    if words is not None:
        _note(session, words, dict.fromkeys(numbers), now)
    return numbers


def number_prints(session: Session, lots: Sequence[CupboardLot]) -> list[CupboardLot]:
    """Lots that were only counted, their prints numbered on from the highest number at home."""
    number = CupboardStackRow.name.op("GLOB")("print [0-9]*")
    query = select(func.max(cast(func.substr(CupboardStackRow.name, 7), Integer))).where(number)
    highest = session.scalar(query) or 0
    found = []
    for kept in lots:
        numbered = replace(kept, lot=numbered_on(kept.lot, highest + 1))
        highest = max(highest, highest_number(cloth.name for cloth in numbered.lot.prints))
        found.append(numbered)
    return found


def change_lots(
    session: Session,
    revisions: Mapping[int, int],
    change: Callable[[CupboardLot], CupboardLot],
    words: str,
    now: datetime,
) -> None:
    """Change lots as one step; `revisions` says which, and which state of each was meant.

    Raises `LotsChanged`, `NoSuchLot` or `LotHeld`; nothing is then changed.
    """
    rows = _rows(session, revisions)
    changes = {row: change(lot_from_row(row)) for row in rows}
    _write_changes(session, changes, words, now, EntryKind.COUNTED)
    check_held(session, [row.id for row in rows])


def write_lots(
    session: Session,
    lots: Mapping[int, CupboardLot],
    words: str,
    now: datetime,
    kind: EntryKind,
    by_project: int,
) -> None:
    """Write lots that a project has changed, as one step; the caller checks what is held."""
    rows = {_row(session, number): kept for number, kept in lots.items()}
    _write_changes(session, rows, words, now, kind, by_project)


def split_lot(session: Session, lot_id: int, revision: int, amount: Fraction, now: datetime) -> int:
    """Cut a length off a lot, or weigh some of it out, into a lot of its own; returns its number.

    Raises `LotsChanged`, `NoSuchLot`, `LotHeld`, and `BadFabric` when it cannot be split so.
    """
    (row,) = _rows(session, {lot_id: revision})
    before = lot_from_row(row)
    rest, taken = before.split_off(amount)
    _write(session, row, before, rest, EntryKind.SPLIT, now)
    (number,) = add_lots(session, [taken], None, now, EntryKind.SPLIT)
    records = {lot_id: numbered_document(before), number: None}
    _note(session, f"split off part of “{before.name}”", records, now)
    tell_holders(session, [lot_id])
    check_held(session, [lot_id])
    return number


def take_out(session: Session, revisions: Mapping[int, int], words: str, now: datetime) -> None:
    """Take lots out of the cupboard as one step; raises `LotsChanged`, `NoSuchLot`, `LotHeld`."""
    rows = _rows(session, revisions)
    _note(session, words, {row.id: numbered_document(lot_from_row(row)) for row in rows}, now)
    remove_lots(session, revisions, now)


def remove_lots(session: Session, revisions: Mapping[int, int], now: datetime) -> None:
    """The same without a step that could be undone; raises as `take_out` does."""
    rows = _rows(session, revisions)
    for row in rows:
        enter_change(session, row, lot_from_row(row), None, EntryKind.OUT, now)
        row.deleted_at = now
        row.revision += 1
    session.flush()
    check_held(session, [row.id for row in rows])


def last_change(session: Session) -> tuple[int, str] | None:
    """The newest change, its number and its words; None when there is nothing to undo."""
    change = session.scalar(_NEWEST)
    return None if change is None else (change.id, change.words)


def undo(session: Session, number: int, now: datetime) -> str:
    """Take the newest change back, which was of this number; returns it in words.

    Raises `NotTheLast`, and `LotHeld` when a quilt holds what would be gone; nothing is then
    changed.
    """
    change = session.scalar(_NEWEST)
    if change is None or change.id != number:
        raise NotTheLast(change.words if change else None)
    records = {int(lot): record for lot, record in json.loads(change.before).items()}
    for lot, record in records.items():
        _take_back(session, session.get_one(CupboardLotRow, lot), record, now)
    session.delete(change)
    session.flush()
    tell_holders(session, records)
    check_held(session, records)
    return change.words


def stored_lot(row: CupboardLotRow) -> StoredLot:
    """The lot that a row and the rows below it hold."""
    return StoredLot(row.id, row.revision, lot_from_row(row))


def all_lots(session: Session) -> list[StoredLot]:
    """Every lot in the cupboard, the oldest first."""
    query = select(CupboardLotRow).where(CupboardLotRow.deleted_at.is_(None))
    query = query.order_by(CupboardLotRow.created_at, CupboardLotRow.id)
    query = query.options(selectinload(CupboardLotRow.stacks))
    return [stored_lot(row) for row in session.scalars(query)]


def cupboard_state(session: Session) -> tuple[int, ...]:
    """Numbers that are others as soon as a lot, or what is held of one, is another."""
    row = CupboardLotRow
    lots = select(func.count(), func.sum(row.revision), func.count(row.deleted_at))
    (count, revisions, out) = session.execute(lots).one()
    booked = session.scalar(select(func.max(LedgerRow.id)))
    return count, revisions or 0, out, booked or 0


def longest_there(session: Session, most: int) -> list[tuple[int, str, datetime]]:
    """The lots that have lain longest without all being cut: number, name, and since when."""
    row = CupboardLotRow
    query = select(row.id, row.name, row.created_at)
    query = query.where(row.deleted_at.is_(None), row.cut < row.pieces)
    query = query.order_by(row.created_at, row.id).limit(most)
    return [(number, name, since) for number, name, since in session.execute(query)]


# Building a query takes as long as running it, so those asked lately are kept.
@lru_cache(maxsize=256)
def _count_query(find: Find) -> Select[int]:
    return select(func.count()).select_from(CupboardLotRow).where(*_conditions(find))


@lru_cache(maxsize=256)
def _list_query(find: Find) -> Select[*tuple[Any, ...]]:
    query = select(*_LINE_COLUMNS).where(*_conditions(find))
    query = query.order_by(CupboardLotRow.created_at.desc(), CupboardLotRow.id.desc())
    return query.offset(bindparam("first")).limit(bindparam("most"))


def _conditions(find: Find) -> list[ColumnElement[bool]]:
    lot = CupboardLotRow
    cut_up = lot.cut >= lot.pieces
    wanted: list[ColumnElement[bool]] = [
        lot.deleted_at.is_(None),
        cut_up if find.used_up else ~cut_up,
    ]
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


def _write_changes(
    session: Session,
    changes: Mapping[CupboardLotRow, CupboardLot],
    words: str,
    now: datetime,
    kind: EntryKind,
    by_project: int | None = None,
) -> None:
    """Write changed lots as one step, and tell the other projects that hold some of them."""
    before = {row: lot_from_row(row) for row in changes}
    for row, kept in changes.items():
        _write(session, row, before[row], kept, kind, now)
    _note(session, words, {row.id: numbered_document(kept) for row, kept in before.items()}, now)
    tell_holders(session, [row.id for row in changes], by_project)


def _write(
    session: Session,
    row: CupboardLotRow,
    before: CupboardLot,
    after: CupboardLot,
    kind: EntryKind,
    now: datetime,
) -> None:
    write_lot(row, after)
    row.revision += 1
    session.flush()
    enter_change(session, row, before, lot_from_row(row), kind, now)


def _take_back(
    session: Session, row: CupboardLotRow, record: Document | None, now: datetime
) -> None:
    """Bring one lot back to what it was; None: it was not there."""
    before = lot_from_row(row)
    was_out = row.deleted_at is not None
    row.deleted_at = now if record is None else None
    if record is None:
        row.revision += 1
        enter_change(session, row, before, None, EntryKind.COUNTED, now)
        return
    _write(session, row, before, lot_from(record), EntryKind.COUNTED, now)
    if was_out:
        enter_change(session, row, None, lot_from_row(row), EntryKind.OUT, now)


def _note(
    session: Session, words: str, before: Mapping[int, Document | None], now: datetime
) -> None:
    """Write the change down, and forget those too old to be undone."""
    session.add(CupboardChangeRow(at=now, words=words, before=json.dumps(before)))
    session.flush()
    kept = select(CupboardChangeRow.id).order_by(CupboardChangeRow.id.desc()).limit(UNDO_STEPS)
    session.execute(delete(CupboardChangeRow).where(CupboardChangeRow.id.not_in(kept)))


def _line(row: Any) -> LotLine:
    across = row.shrinkage if row.shrinkage_across is None else row.shrinkage_across
    left, left_across = (100 - row.shrinkage) / 100, (100 - across) / 100
    return LotLine(
        row.id,
        row.revision,
        row.name,
        None if row.aside is None else Aside(row.aside),
        Form(row.form),
        row.pieces,
        row.cut,
        row.prints,
        row.width * left_across,
        row.length * left if row.measured_length is None else row.measured_length,
        row.most_width and row.most_width * left_across,
        row.most_length and row.most_length * left,
        row.grams,
        row.estimated,
        tuple(row.all_values.split()),
        tuple(row.blends.split()),
    )
