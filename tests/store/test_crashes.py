"""A crash at any point: the process dies at a statement, and what is found again adds up.

Every step of the work is done again and again by a process of its own, which dies just before its
first statement, its second, and so on to the commit. Whatever is found then is what there was
before the step, to the last row: nothing half done, nothing lost that was done before.
"""

import shutil
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from fractions import Fraction
from functools import cache, partial
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import select, text
from sqlalchemy.orm import Session
from tests.core.quilts import plan
from tests.nights import at_night
from tests.store.dying import die_before, dies
from tests.undo_last import undo_last

from kersey.core.leaving.put_away import Keeping, put_away
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.ledger import balance
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.work_order import StepKind, ticked, work_order
from kersey.store.cupboard import add_lots, get_lot
from kersey.store.database import open_database
from kersey.store.ledger import entries_of_lot
from kersey.store.projects import (
    add_project,
    change_project,
    delete_project,
    get_project,
    restore_project,
)
from kersey.store.put_away import put_project_away
from kersey.store.tables import CupboardLotRow

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
Step = Callable[[Session], object]


def _lot(line: str) -> CupboardLot:
    lot = take_line(line).lot
    assert lot is not None
    return CupboardLot("roll", lot)


# Searches are done before: the work itself is all of the database.


@cache
def planned_project() -> Project:
    return plan(Project("Throw", "roll", all_of(_lot("17 strips 2 1/2 x 41 1/4, 5 prints"))))


def _begin(session: Session) -> None:
    add_project(session, planned_project(), NOW)


def _cut(session: Session) -> None:
    def cut(project: Project) -> Project:
        (step,) = (s for s in work_order(make_quilt(project)) if s.kind is StepKind.CUT)
        return ticked(project, step, done=True)

    _change(session, cut)


def _name(session: Session) -> None:
    _change(session, lambda project: replace(project, name="Lap quilt"))


def _put_away(session: Session) -> None:
    revision = get_project(session, 1).revision
    keeping = Keeping(Fraction(1), place="box 3")
    put_project_away(session, 1, revision, lambda p: put_away(make_quilt(p), keeping), NOW)


def _change(session: Session, how: Callable[[Project], Project]) -> None:
    change_project(session, 1, get_project(session, 1).revision, how, NOW)


WORK: tuple[Step, ...] = (
    lambda session: add_lots(session, [_lot("12 fat quarters, 6 prints")], "put in", NOW),
    _begin,
    _cut,
    _name,
    _put_away,
    lambda session: add_lots(session, [_lot("9 charm squares, 3 prints")], "put in", NOW),
    lambda session: undo_last(session, NOW),
    lambda session: delete_project(session, 1, NOW),
    lambda session: restore_project(session, 1, NOW),
)


@pytest.mark.parametrize("number", [0, 1, 8, *at_night([2, 3, 4, 5, 6, 7])])
def test_whatever_is_found_after_a_crash_is_whole(tmp_path: Path, number: int) -> None:
    before, after = tmp_path / "before", tmp_path / "after"
    open_database(before).dispose()
    for step in WORK[:number]:
        _do(before, step)
    _do(_copied(before, after), WORK[number])
    states = [_state(before), _state(after)]
    assert states[0] != states[1]
    statement, crashed = 1, tmp_path / "crashed"
    while dies(partial(_do, _copied(before, crashed), WORK[number], statement)):
        found = _state(crashed)
        # Only what was committed is there; the last crash is just before that.
        assert found == states[0], f"half done before statement {statement}"
        statement += 1
    assert _state(crashed) == states[1]
    assert statement > 3


def _copied(folder: Path, to: Path) -> Path:
    shutil.rmtree(to, ignore_errors=True)
    shutil.copytree(folder, to)
    return to


def _do(folder: Path, step: Step, statement: int = 0) -> None:
    """A step of the work, as a page does it: in one transaction; or up to a statement of it."""
    engine = open_database(folder)
    if statement:
        die_before(statement, engine)
    with Session(engine, expire_on_commit=False) as session, session.begin():
        step(session)
    engine.dispose()


def _state(folder: Path) -> list[Any]:
    """All rows of all tables; and it adds up."""
    engine = open_database(folder)
    try:
        with Session(engine) as session:
            assert session.execute(text("PRAGMA integrity_check")).scalar() == "ok"
            _adds_up(session)
            return _rows(session)
    finally:
        engine.dispose()


def _rows(session: Session) -> list[Any]:
    tables = session.scalars(
        text("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
    )
    return [
        (name, [tuple(row) for row in session.execute(text(f"SELECT * FROM {name}"))])
        for name in tables.all()
    ]


def _adds_up(session: Session) -> None:
    for row in session.scalars(select(CupboardLotRow)):
        sums = balance(entries_of_lot(session, row.id))
        assert sums.came_in == sums.used + sums.left + sums.lost
        if row.deleted_at is None:
            assert sums.whole_pieces == get_lot(session, row.id).kept.lot.count - row.cut
