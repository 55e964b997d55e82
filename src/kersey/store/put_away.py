"""Leftovers put away as lots of their own, with all of it in the ledger; and taken back again.

The ledger is only added to: what is taken back stands there a second time, with its area below 0.
"""

import json
from collections.abc import Callable, Iterator, Mapping
from dataclasses import replace
from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from kersey.core.errors import Infeasible
from kersey.core.leaving.put_away import Fate, PutAway
from kersey.core.project.project import Project
from kersey.core.stash.ledger import Entry, EntryKind
from kersey.store.cupboard import LotsChanged, NoSuchLot, add_lots, remove_lots
from kersey.store.holdings import LotHeld
from kersey.store.ledger import enter, entries_of_project
from kersey.store.projects import StoredProject, change_project
from kersey.store.tables import CupboardLotRow, PutAwayRow

_FATES = EntryKind.USED, EntryKind.PUT_AWAY, EntryKind.LOST


class CannotTakeBack(Infeasible):
    """What was put away is not as it was."""

    def __init__(self, why: str) -> None:
        super().__init__(f"Put away can't be undone: {why} Nothing was changed.")


def put_project_away(
    session: Session,
    project_id: int,
    revision: int,
    how: Callable[[Project], PutAway],
    now: datetime,
) -> StoredProject:
    """Put away what a quilt leaves: new lots, the rest returned, and all of it in the ledger.

    Raises as `change_project` does.
    """
    plan, cut = list[PutAway](), dict[int | None, int]()

    def change(project: Project) -> Project:
        cut.update({each.stack.number: each.cut for each in project.fabrics})
        plan.append(how(project))
        return plan[0].project

    stored = change_project(session, project_id, revision, change, now)
    lots = add_lots(session, plan[0].lots, None, now, EntryKind.LEFT_OVER)
    enter(session, (entry for fate in plan[0].fates for entry in _fate_entries(stored, fate, now)))
    revisions = select(CupboardLotRow.id, CupboardLotRow.revision)
    known = session.execute(revisions.where(CupboardLotRow.id.in_(lots)))
    way_back = {
        "at": now.isoformat(),
        "lots": [list(row) for row in known],
        "cut": list(cut.items()),
    }
    session.merge(PutAwayRow(project_id=project_id, document=json.dumps(way_back)))
    return stored


def can_take_back(session: Session, project_id: int) -> bool:
    """Whether the way back is known: quilts put away by an older version have none."""
    return session.get(PutAwayRow, project_id) is not None


def take_back_put_away(
    session: Session, project_id: int, revision: int, now: datetime
) -> StoredProject:
    """The quilt as it was before it was put away, and its leftovers out of the cupboard again.

    Raises `CannotTakeBack` where they were changed or pulled since, or what went back is held by
    another quilt; else as `change_project` does.
    """
    row = session.get(PutAwayRow, project_id)
    if row is None:
        raise CannotTakeBack("an older version of Kersey did it.")
    way_back = json.loads(row.document)
    cut: Mapping[int | None, int] = dict(way_back["cut"])

    def change(project: Project) -> Project:
        fabrics = (replace(p, cut=cut.get(p.stack.number, p.cut)) for p in project.fabrics)
        return replace(project, put_away=False, fabrics=tuple(fabrics))

    try:
        stored = change_project(session, project_id, revision, change, now)
        remove_lots(session, dict(way_back["lots"]), now)
    except LotHeld as error:
        raise CannotTakeBack(str(error)) from None
    except (LotsChanged, NoSuchLot):
        raise CannotTakeBack("its leftovers were changed since.") from None
    at = datetime.fromisoformat(way_back["at"])
    there = [e for e in entries_of_project(session, project_id) if e.at == at and e.kind in _FATES]
    enter(session, (replace(entry, at=now, area=-entry.area) for entry in there))
    session.delete(row)
    return stored


def _fate_entries(stored: StoredProject, fate: Fate, now: datetime) -> Iterator[Entry]:
    sums = {EntryKind.USED: fate.used, EntryKind.PUT_AWAY: fate.kept, EntryKind.LOST: fate.lost}
    pulled = fate.pulled
    assert pulled.lot_number is not None
    for kind, area in sums.items():
        if area:
            of = pulled.lot_number, pulled.kept.name, pulled.stack.print.name
            yield Entry(now, kind, *of, 0, area, stored.id, stored.project.name)
