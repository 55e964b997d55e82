"""Who holds what: pieces that projects have pulled from the cupboard.

A project holds what it has pulled. A sketch, a project put away, and one off the wall hold only
what they have cut already: that is nobody else's any more.
"""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from sqlalchemy import Select, bindparam, case, select, update
from sqlalchemy.orm import Session

from kersey.core.errors import Infeasible
from kersey.store.tables import CupboardLotRow, CupboardStackRow, ProjectRow, PullRow


@dataclass(frozen=True)
class Holding:
    """Pieces of a print that a project holds, `cut` of them already cut."""

    lot_id: int
    stack_id: int
    project_id: int
    project_name: str
    count: int
    cut: int


class LotHeld(Infeasible):
    """Pieces are held by a project and cannot be counted twice."""

    def __init__(self, name: str, there: int, holders: Sequence[str]) -> None:
        self.name, self.there, self.holders = name, there, tuple(holders)
        who = " and ".join(f"“{holder}”" for holder in self.holders)
        pieces = "none" if not there else f"only {there}"
        have = "has" if len(self.holders) == 1 else "have"
        super().__init__(
            f"That would leave {pieces} of “{name}”, but {who} {have} more pulled. Return some "
            f"there "
            "first. Nothing was changed."
        )


_HOLDS = ProjectRow.deleted_at.is_(None) & ~ProjectRow.sketch & ~ProjectRow.put_away


def _holdings_query() -> Select[int, int, int, str, int, int]:
    held = case((_HOLDS, PullRow.count), else_=PullRow.cut)
    return (
        select(
            CupboardStackRow.lot_id,
            PullRow.stack_id,
            ProjectRow.id,
            ProjectRow.name,
            held,
            PullRow.cut,
        )
        .join(CupboardStackRow, CupboardStackRow.id == PullRow.stack_id)
        .join(ProjectRow, ProjectRow.id == PullRow.project_id)
        .where(CupboardStackRow.lot_id.in_(bindparam("lots", expanding=True)), held > 0)
        .order_by(ProjectRow.name, ProjectRow.id, CupboardStackRow.position)
    )


_HOLDINGS = _holdings_query()


def holdings(session: Session, lot_ids: Iterable[int]) -> list[Holding]:
    """Who holds pieces of these lots, by project."""
    return [Holding(*row) for row in session.execute(_HOLDINGS, {"lots": list(lot_ids)})]


def free_pieces(session: Session, lot_id: int) -> tuple[int, ...]:
    """Pieces of each print of a lot that nobody holds, in its order."""
    held: Counter[int] = Counter()
    for holding in holdings(session, [lot_id]):
        held[holding.stack_id] += holding.count
    query = select(CupboardStackRow.id, CupboardStackRow.count)
    query = query.where(CupboardStackRow.lot_id == lot_id).order_by(CupboardStackRow.position)
    return tuple(count - held[number] for number, count in session.execute(query))


def check_held(session: Session, lot_ids: Iterable[int]) -> None:
    """Raise `LotHeld` if more pieces of these lots are held than there are."""
    held: dict[int, list[Holding]] = {}
    for holding in holdings(session, lot_ids):
        held.setdefault(holding.stack_id, []).append(holding)
    if not held:
        return
    query = (
        select(
            CupboardStackRow.id,
            CupboardStackRow.count,
            CupboardStackRow.name,
            CupboardLotRow.deleted_at,
        )
        .join(CupboardLotRow, CupboardLotRow.id == CupboardStackRow.lot_id)
        .where(CupboardStackRow.lot_id.in_({who[0].lot_id for who in held.values()}))
    )
    for number, count, name, deleted_at in session.execute(query):
        there = 0 if deleted_at else count
        who = held.get(number, [])
        if sum(holding.count for holding in who) > there:
            raise LotHeld(name, there, list(dict.fromkeys(h.project_name for h in who)))


def tell_holders(session: Session, lot_ids: Iterable[int], but: int | None = None) -> None:
    """Move the revision of every project that pulls from these lots: its quilt may have changed."""
    pulling = (
        select(PullRow.project_id)
        .join(CupboardStackRow, CupboardStackRow.id == PullRow.stack_id)
        .where(CupboardStackRow.lot_id.in_(list(lot_ids)))
    )
    moved = update(ProjectRow).where(ProjectRow.id.in_(pulling), ProjectRow.id != (but or 0))
    session.execute(
        moved.values(revision=ProjectRow.revision + 1),
        execution_options={"synchronize_session": False},
    )
