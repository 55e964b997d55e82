"""Whether the data add up: the file whole, the ledger what the lots hold, nothing held twice."""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from fractions import Fraction

from sqlalchemy import select, text
from sqlalchemy.orm import Session

from kersey.core.cloth.fabric import Lot
from kersey.core.stash.ledger import EntryKind, Sum, balance
from kersey.store.cupboard import StoredLot, all_lots
from kersey.store.holdings import LotHeld, check_held
from kersey.store.tables import CupboardLotRow, LedgerRow


def check_data(session: Session, lots: Sequence[StoredLot] | None = None) -> Iterator[str]:
    """What does not add up, a sentence for each, with what to do; nothing where all is well.

    `lots` are those in the cupboard, where they were just read."""
    if session.scalar(text("PRAGMA integrity_check")) != "ok":
        yield "The file is damaged. Stop Kersey and go back to your newest copy of it."
    for table, _, parent, _ in session.execute(text("PRAGMA foreign_key_check")):
        yield f"Something in “{table}” belongs to a “{parent}” that is gone. Please report this."
    yield from _ledger(session, all_lots(session) if lots is None else lots)
    try:
        check_held(session, session.scalars(select(CupboardLotRow.id)).all())
    except LotHeld as error:
        yield str(error)


def _ledger(session: Session, lots: Sequence[StoredLot]) -> Iterator[str]:
    """The ledger counts what came and went; what is left of it is counted from the lots."""
    row = LedgerRow
    query = select(row.lot_id, row.kind, row.pieces, row.area)
    sums: dict[int, list[Sum]] = defaultdict(list)
    for number, kind, pieces, area in session.execute(query):
        sums[number].append(Sum(EntryKind(kind), pieces, area))
    cut = dict(session.execute(select(CupboardLotRow.id, CupboardLotRow.cut)).all())
    for stored in lots:
        name, lot, booked = stored.kept.name, stored.kept.lot, balance(sums[stored.id])
        there = lot.count - cut[stored.id]
        if booked.whole_pieces != there:
            yield (
                f"“{name}” has {there} whole pieces, but its ledger says {booked.whole_pieces}. "
                "Kersey plans with what the lot's page says: count them. Please report this."
            )
        elif not _least_there(lot, cut[stored.id]) <= booked.there <= lot.area:
            yield (
                f"The ledger of “{name}” has another area than the lot has now. Kersey plans "
                "with what the lot's page says: measure a piece. Please report this."
            )


def _least_there(lot: Lot, cut: int) -> Fraction:
    """Square inches that are there at least: of what is cut, nothing may be left."""
    return lot.area - cut * max(
        (lot.piece_area(stack) for stack in lot.stacks), default=Fraction(0)
    )
