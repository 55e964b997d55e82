"""Lots read before, by their revisions: of 5,000 only those are read again that changed since."""

from threading import Lock

from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from kersey.store.cupboard import StoredLot, stored_lot
from kersey.store.tables import CupboardLotRow

_AT_ONCE = 500


class KnownLots:
    """The lots of one database; many threads may ask."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._known: dict[int, StoredLot] = {}

    def all(self, session: Session) -> list[StoredLot]:
        """Every lot in the cupboard, the oldest first."""
        row = CupboardLotRow
        here = select(row.id, row.revision).where(row.deleted_at.is_(None))
        revisions = session.execute(here.order_by(row.created_at, row.id)).all()
        with self._lock:
            known = self._known
        new = [n for n, revision in revisions if n not in known or known[n].revision != revision]
        read = {stored.id: stored for stored in _read(session, new)}
        lots = [read.get(number) or known[number] for number, _ in revisions]
        with self._lock:
            self._known = {stored.id: stored for stored in lots}
        return lots


def _read(session: Session, numbers: list[int]) -> list[StoredLot]:
    """These lots, some hundred at a time: a statement takes only so many numbers."""
    query = select(CupboardLotRow).options(selectinload(CupboardLotRow.stacks))
    found: list[StoredLot] = []
    for first in range(0, len(numbers), _AT_ONCE):
        some = query.where(CupboardLotRow.id.in_(numbers[first : first + _AT_ONCE]))
        found.extend(map(stored_lot, session.scalars(some)))
    return found
