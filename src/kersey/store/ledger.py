"""The ledger kept: entries are added, never changed."""

from collections import Counter
from collections.abc import Iterable, Iterator
from datetime import date, datetime
from fractions import Fraction
from functools import lru_cache

from sqlalchemy import ColumnElement, func, select
from sqlalchemy.orm import Session

from kersey.core.cloth.colour import colour_family
from kersey.core.cloth.fabric import Fact, Lot, Stack
from kersey.core.cloth.forms import Form
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.ledger import Entry, EntryKind, Sum
from kersey.core.stash.standing_questions import Moved
from kersey.store.tables import CupboardLotRow, CupboardStackRow, LedgerRow, PullRow

# Kinds of which the entry counts what goes, not what comes.
_GOING = frozenset({EntryKind.OUT, EntryKind.LOST})


def enter(session: Session, entries: Iterable[Entry]) -> None:
    """Add entries."""
    session.add_all(
        LedgerRow(
            at=entry.at,
            kind=entry.kind,
            lot_id=entry.lot_id,
            lot_name=entry.lot_name,
            print_name=entry.print_name,
            project_id=entry.project_id,
            project_name=entry.project_name,
            pieces=entry.pieces,
            area=entry.area,
        )
        for entry in entries
    )


def entries_of_lot(session: Session, lot_id: int) -> list[Entry]:
    """What happened to a lot, the oldest first."""
    return _entries(session, LedgerRow.lot_id == lot_id)


def entries_of_project(session: Session, project_id: int) -> list[Entry]:
    """What a project did with fabric, the oldest first."""
    return _entries(session, LedgerRow.project_id == project_id)


def count_entries(session: Session) -> int:
    """How many entries there are."""
    return session.scalar(select(func.count()).select_from(LedgerRow)) or 0


def newest_entries(session: Session, first: int, most: int) -> list[Entry]:
    """Entries of all lots, the newest first: `most` of them, beginning with number `first`."""
    query = select(LedgerRow).order_by(LedgerRow.id.desc()).offset(first).limit(most)
    return [_entry(row) for row in session.scalars(query)]


def all_sums(session: Session) -> list[Sum]:
    """All entries, taken together where kind and area are alike: enough for the whole balance."""
    alike = (LedgerRow.kind, LedgerRow.area)
    query = select(*alike, func.count(), func.sum(LedgerRow.pieces)).group_by(*alike)
    return [
        Sum(EntryKind(kind), pieces, times * area)
        for kind, area, times, pieces in session.execute(query)
    ]


def all_moved(session: Session) -> list[Moved]:
    """All entries by day, form and colour family, those alike taken together."""
    forms = {
        number: Form(form)
        for number, form in session.execute(select(CupboardLotRow.id, CupboardLotRow.form))
    }
    stack = CupboardStackRow
    prints = select(stack.lot_id, stack.name, stack.judged_family, stack.ground, stack.filled_in)
    colours = {
        (lot, name): judged or _family(ground, filled_in)
        for lot, name, judged, ground, filled_in in session.execute(
            prints.order_by(stack.id.desc())
        )
    }
    day = func.substr(LedgerRow.at, 1, 10)
    alike = (day, LedgerRow.lot_id, LedgerRow.print_name, LedgerRow.kind, LedgerRow.area)
    query = select(*alike, func.count()).group_by(*alike)
    summed = Counter[tuple[str, Form, str | None, str]]()
    for on, lot, name, kind, area, times in session.execute(query):
        if lot in forms:
            summed[on, forms[lot], colours.get((lot, name)), kind] += times * area
    return [
        Moved(date.fromisoformat(on), form, colour, EntryKind(kind), Fraction(area))
        for (on, form, colour, kind), area in summed.items()
    ]


@lru_cache(maxsize=1024)
def _family(ground: str, filled_in: str) -> str | None:
    """The colour family of a ground; None where its colour was only filled in."""
    return None if Fact.COLOUR in filled_in.split() else colour_family(ground)


def enter_change(
    session: Session,
    row: CupboardLotRow,
    before: CupboardLot | None,
    after: CupboardLot | None,
    kind: EntryKind,
    now: datetime,
) -> None:
    """Enter what a change of a lot did to its pieces and sizes; None: the lot was not there.

    What is already cut is not measured anew.
    """
    cut = _cut(session, [s.number for s in before.lot.stacks if s.number]) if before else {}
    entries = _differences(before.lot if before else None, after.lot if after else None, cut, kind)
    enter(
        session,
        (
            Entry(now, what, row.id, row.name, stack.print.name, pieces, area)
            for what, stack, pieces, area in entries
            if pieces or area
        ),
    )


def _differences(
    before: Lot | None, after: Lot | None, cut: dict[int, int], kind: EntryKind
) -> Iterator[tuple[EntryKind, Stack, int, Fraction]]:
    """(kind, print, pieces, square inches) of all that differs."""
    old = {stack.number: stack for stack in before.stacks} if before else {}
    new = {stack.number: stack for stack in after.stacks} if after else {}
    sign = -1 if kind in _GOING else 1
    for number in dict.fromkeys((*old, *new)):
        was, now = old.get(number), new.get(number)
        shown = now or was
        assert shown is not None
        area_was = before.piece_area(was) if before and was else None
        area_now = after.piece_area(now) if after and now else None
        more = (now.count if now else 0) - (was.count if was else 0)
        each = area_now if area_now is not None else area_was
        assert each is not None
        yield kind, shown, sign * more, sign * more * each
        if was and area_was is not None and area_now is not None:
            whole = was.count - cut.get(number or 0, 0)
            measured = EntryKind.SPLIT if kind is EntryKind.SPLIT else EntryKind.MEASURED
            yield measured, shown, 0, whole * (area_now - area_was)


def _cut(session: Session, stacks: list[int]) -> dict[int, int]:
    query = select(PullRow.stack_id, func.sum(PullRow.cut)).where(PullRow.stack_id.in_(stacks))
    return {row[0]: row[1] for row in session.execute(query.group_by(PullRow.stack_id))}


def _entries(session: Session, which: ColumnElement[bool]) -> list[Entry]:
    query = select(LedgerRow).where(which).order_by(LedgerRow.id)
    return [_entry(row) for row in session.scalars(query)]


def _entry(row: LedgerRow) -> Entry:
    return Entry(
        row.at,
        EntryKind(row.kind),
        row.lot_id,
        row.lot_name,
        row.print_name,
        row.pieces,
        row.area,
        row.project_id,
        row.project_name,
    )
