"""Projects kept, listed, changed, copied, thrown away and brought back.

Every change names the revision it was made from. If the project has moved on since, the change
is refused with `ProjectChanged` and nothing is overwritten.
"""

import json
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from sqlalchemy import ColumnElement, Row, bindparam, func, select, update
from sqlalchemy.orm import Session, selectinload

from kersey.core.cloth.fabric import LONGEST_NAME
from kersey.core.errors import KerseyError
from kersey.core.project.finishing import NOT_FINISHED
from kersey.core.project.naming import unused_name
from kersey.core.project.project import Project
from kersey.core.project.sewing import AT_REST, Measured, Sewing
from kersey.core.project.table import EMPTY_TABLE
from kersey.core.project.what_changed import what_changed
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.ledger import Entry, EntryKind
from kersey.core.stash.pulled import Pulled
from kersey.core.yields.steps import YieldSoFar
from kersey.records.at_work import sewing_from
from kersey.records.plans import answer_from_text, answer_text
from kersey.store.arrival import Arrival
from kersey.store.cupboard import add_lots, get_lot, write_lots
from kersey.store.history import enter_step, forget_steps, go_over, next_step, project_before
from kersey.store.holdings import LotHeld, check_held
from kersey.store.ledger import enter
from kersey.store.project_rows import project_from_row, write_project
from kersey.store.tables import (
    CupboardLotRow,
    CupboardStackRow,
    KeptAnswerRow,
    KeptPlanRow,
    ProjectRow,
    PullRow,
)

# A copy's name has room for its number.
_LONGEST_COPIED = LONGEST_NAME - len(" copy 99")
_WITH_FABRICS = (
    selectinload(ProjectRow.pulls)
    .joinedload(PullRow.stack, innerjoin=True)
    .joinedload(CupboardStackRow.lot, innerjoin=True)
    .selectinload(CupboardLotRow.stacks),
)


_LINES = select(
    ProjectRow.id,
    ProjectRow.revision,
    ProjectRow.name,
    ProjectRow.updated_at,
    func.coalesce(KeptPlanRow.number, 0).label("plan_number"),
).join(KeptPlanRow, KeptPlanRow.project_id == ProjectRow.id, isouter=True)
_NEWEST_LINES = (
    _LINES.where(ProjectRow.deleted_at.is_(None))
    .order_by(ProjectRow.updated_at.desc(), ProjectRow.id.desc())
    .offset(bindparam("first"))
    .limit(bindparam("most"))
)


@dataclass(frozen=True)
class ProjectLine:
    """What a list of projects shows without opening them. `plan_number` is 0 without a plan."""

    id: int
    revision: int
    name: str
    updated_at: datetime
    plan_number: int = 0


@dataclass(frozen=True)
class StoredProject:
    """A project as it is kept; `plan_number` counts how often its plan was exchanged."""

    id: int
    revision: int
    project: Project
    updated_at: datetime
    plan_number: int = 0


class NoSuchProject(KerseyError):
    """There never was a project of this number."""

    def __init__(self, project_id: int) -> None:
        self.project_id = project_id
        super().__init__("That quilt isn't here.")


class ProjectGone(KerseyError):
    """The project was deleted; it can be brought back."""

    def __init__(self, line: ProjectLine) -> None:
        self.line = line
        super().__init__(f"“{line.name}” is deleted. You can restore it from Off the wall.")


class ProjectChanged(KerseyError):
    """The project was changed elsewhere since it was shown."""

    def __init__(self, current: StoredProject) -> None:
        self.current = current
        super().__init__(f"“{current.project.name}” was changed in another window.")


def count_projects(session: Session) -> int:
    """How many projects there are, without the deleted ones."""
    query = select(func.count()).select_from(ProjectRow).where(ProjectRow.deleted_at.is_(None))
    return session.scalar(query) or 0


def list_projects(session: Session, first: int, most: int) -> Sequence[ProjectLine]:
    """Projects, the one worked on last first: `most` of them, beginning with number `first`."""
    some = {"first": first, "most": most}
    return [_line(row) for row in session.execute(_NEWEST_LINES, some)]


def list_deleted(session: Session, most: int) -> Sequence[ProjectLine]:
    """Deleted projects, the last deleted first."""
    query = _LINES.where(ProjectRow.deleted_at.is_not(None))
    query = query.order_by(ProjectRow.deleted_at.desc(), ProjectRow.id.desc())
    return [_line(row) for row in session.execute(query.limit(most))]


def all_projects(session: Session) -> list[Project]:
    """Every project that is not deleted, the one begun first first."""
    query = select(ProjectRow).where(ProjectRow.deleted_at.is_(None)).order_by(ProjectRow.id)
    query = query.options(*_WITH_FABRICS)
    return [project_from_row(row) for row in session.scalars(query)]


def project_names(session: Session) -> list[str]:
    """The names of all projects that are not deleted."""
    return list(session.scalars(select(ProjectRow.name).where(ProjectRow.deleted_at.is_(None))))


def washed_logs(session: Session) -> list[Sewing]:
    """The logs of all quilts that were measured after a wash, of projects that are not deleted."""
    query = select(ProjectRow.sewing).where(
        ProjectRow.deleted_at.is_(None), ProjectRow.sewing.contains(f'"{Measured.WASHED}"')
    )
    return [sewing_from(json.loads(text)) for text in session.scalars(query)]


def project_line(session: Session, project_id: int) -> ProjectLine:
    """One project without opening it; raises `NoSuchProject` or `ProjectGone`."""
    query = _LINES.add_columns(ProjectRow.deleted_at).where(ProjectRow.id == project_id)
    row = session.execute(query).one_or_none()
    if row is None:
        raise NoSuchProject(project_id)
    line = _line(row)
    if row.deleted_at is not None:
        raise ProjectGone(line)
    return line


def get_project(session: Session, project_id: int) -> StoredProject:
    """One project; raises `NoSuchProject` or `ProjectGone`."""
    return _stored(_row(session, project_id))


def add_project(session: Session, project: Project, now: datetime) -> int:
    """Keep a new project and return its number.

    Fabric that is not in the cupboard yet is put there first. Raises `LotHeld` when a piece of it
    is held by another project.
    """
    (number,) = _add(session, [project], (), now)
    return number


def add_everything(
    session: Session, projects: Sequence[Project], lots: Sequence[CupboardLot], now: datetime
) -> None:
    """Put lots into the cupboard and keep the projects that pull from them.

    A fabric's `lot_number` is the place of its lot in `lots`.
    """
    _add(session, projects, lots, now)


def _add(
    session: Session, projects: Sequence[Project], lots: Sequence[CupboardLot], now: datetime
) -> list[int]:
    """Keep new projects, with the lots they pull from where those are new; returns their numbers.

    Given `lots`, a fabric's `lot_number` is a place among them. All rows are made ready before the
    first is written.
    """
    arrival = Arrival(now)
    placed = [arrival.lot(kept, EntryKind.BOUGHT) for kept in lots]
    for project in projects:
        # One lot is one object, however many of its prints are pulled: told apart by that.
        fresh = {id(p.kept): p.kept for p in project.fabrics if p.lot_number is None}
        own = {key: arrival.lot(kept, EntryKind.BOUGHT) for key, kept in fresh.items()}
        of_each = [
            own[id(p.kept)] if p.lot_number is None else (placed[p.lot_number] if lots else None)
            for p in project.fabrics
        ]
        arrival.project(project, of_each)
    _, numbers = arrival.write(session)
    if not lots:
        known = {p.lot_number for q in projects for p in q.fabrics if p.lot_number is not None}
        check_held(session, known)
        _count_cut(session, known)
    return numbers


def change_project(
    session: Session,
    project_id: int,
    revision: int,
    change: Callable[[Project], Project],
    now: datetime,
    why: EntryKind = EntryKind.COUNTED,
    words: Callable[[Project, Project], str] = what_changed,
) -> StoredProject:
    """Replace a project by what `change` makes of it, and the lots it pulls from likewise.

    `why` pieces of a lot became fewer or more, if they did; `words` tell what was done, from before
    it and after. Raises `ProjectChanged` when
    `revision` is not its newest, `NoSuchProject`, `ProjectGone`, `LotHeld`, and whatever `change`
    raises; what is stored is then untouched.
    """
    row = _row(session, project_id)
    stored = _stored(row)
    if stored.revision != revision:
        raise ProjectChanged(stored)
    changed = change(stored.project)
    if changed == stored.project:
        return stored
    _claim_revision(session, row, revision)
    row.updated_at = now
    _settle(session, row, stored.project, changed, now, why)
    if _may_be_undone(stored.project, changed):
        told = words(stored.project, changed)
        enter_step(session, project_id, stored.project, revision + 1, told, now)
    else:
        forget_steps(session, project_id)
    return get_project(session, project_id)


def step_over(
    session: Session, project_id: int, revision: int, back: bool, now: datetime
) -> StoredProject:
    """Undo what was done last, or do it again; where there is nothing, nothing happens.

    Raises `GoneSince` where fabric of before is not there any more, else as `change_project`.
    """
    row = _row(session, project_id)
    stored = _stored(row)
    if stored.revision != revision:
        raise ProjectChanged(stored)
    step = next_step(session, project_id, revision, back)
    if step is None:
        return stored
    there = project_before(session, step)
    _claim_revision(session, row, revision)
    row.updated_at = now
    _settle(session, row, stored.project, there, now, EntryKind.COUNTED)
    go_over(session, step, stored.project, revision + 1)
    return get_project(session, project_id)


def _may_be_undone(before: Project, after: Project) -> bool:
    """Whether a change reached no farther than the quilt: what changes lots, is put away or went
    wrong at the table has a way back of its own."""
    lots = {p.lot_number: p.kept for p in before.fabrics}
    same = all(
        p.lot_number is not None and lots.get(p.lot_number, p.kept) == p.kept for p in after.fabrics
    )
    return same and before.put_away == after.put_away and before.table == after.table


def keep_plan(
    session: Session, project_id: int, how: Callable[[Project], Project]
) -> StoredProject:
    """Keep the plan, and the ticks, of what `how` makes of a project; the rest stays as it is.

    That is no change of anything a person has entered, so the revision stays too: another window
    is not behind for it. Raises `NoSuchProject` or `ProjectGone`.
    """
    row = _row(session, project_id)
    project = project_from_row(row)
    changed = how(project)
    write_project(row, replace(project, plan=changed.plan, done=changed.done))
    session.flush()
    session.expire_all()
    return get_project(session, project_id)


def kept_answer(session: Session, project_id: int, question: str) -> YieldSoFar | None:
    """What was found for a question of a project, if it was found before."""
    row = session.get(KeptAnswerRow, project_id)
    if row is None or row.question != question:
        return None
    return answer_from_text(row.document)


def keep_answer(session: Session, project_id: int, question: str, known: YieldSoFar) -> None:
    """Keep what was found for a question; what was found for another is thrown away."""
    row = session.get(KeptAnswerRow, project_id) or KeptAnswerRow(project_id=project_id)
    row.question, row.document = question, answer_text(known)
    session.add(row)


def duplicate_project(session: Session, project_id: int, now: datetime) -> int:
    """Copy a project as a sketch, since its fabric is held, and return the copy's number."""
    project = get_project(session, project_id).project
    name = unused_name(f"{project.name[:_LONGEST_COPIED]} copy", project_names(session))
    fabrics = tuple(replace(pulled, cut=0) for pulled in project.fabrics)
    # Nothing of the copy is cut or sewn; a plan of what lies on the table is a plan of nothing.
    plan = project.plan if project.table == EMPTY_TABLE else None
    copy = replace(
        project,
        name=name,
        fabrics=fabrics,
        done=frozenset(),
        sketch=True,
        put_away=False,
        plan=plan,
        table=EMPTY_TABLE,
        sewing=AT_REST,
        finishing=NOT_FINISHED,
    )
    return add_project(session, copy, now)


def delete_project(session: Session, project_id: int, now: datetime) -> None:
    """Take a project off the wall; it stays restorable, its fabric is free for others."""
    row = _row(session, project_id)
    project = project_from_row(row)
    row.deleted_at = now
    _enter_pulls(session, row, project, replace(project, sketch=True), now)


def restore_project(session: Session, project_id: int, now: datetime) -> None:
    """Bring a deleted project back; does nothing to one that is not deleted.

    If others hold its fabric meanwhile, it comes back as a sketch.
    """
    row = session.get(ProjectRow, project_id, options=_WITH_FABRICS)
    if row is None:
        raise NoSuchProject(project_id)
    if row.deleted_at is None:
        return
    project = project_from_row(row)
    row.deleted_at = None
    row.revision += 1
    session.flush()
    try:
        # Also lots that are not at home any more, which the project does not show.
        check_held(session, {pull.stack.lot_id for pull in row.pulls})
    except LotHeld:
        row.sketch = True
    back = replace(project, sketch=row.sketch)
    _enter_pulls(session, row, replace(project, sketch=True), back, now)


def _settle(
    session: Session,
    row: ProjectRow,
    before: Project,
    after: Project,
    now: datetime,
    why: EntryKind,
) -> None:
    """Write a project, the lots changed through it, and the ledger; or raise `LotHeld`."""
    _write_changed_lots(session, row, before, after, now, why)
    after = _with_lots_kept(session, after, now)
    write_project(row, after)
    session.add(row)
    session.flush()
    check_held(session, _lots_of(after))
    _enter_pulls(session, row, before, after, now)
    _count_cut(session, _lots_of(after))
    # What is read again after this must be what is stored, lots and all.
    session.expire_all()


def _write_changed_lots(
    session: Session,
    row: ProjectRow,
    before: Project | None,
    after: Project,
    now: datetime,
    why: EntryKind,
) -> None:
    was = {p.lot_number: p.kept for p in before.fabrics} if before else {}
    changed = {
        p.lot_number: p.kept
        for p in after.fabrics
        if p.lot_number is not None and was.get(p.lot_number, p.kept) != p.kept
    }
    if changed:
        words = f"{', '.join(f'“{kept.name}”' for kept in changed.values())} from “{after.name}”"
        write_lots(session, changed, words[:200], now, why, row.id)


def _with_lots_kept(session: Session, project: Project, now: datetime) -> Project:
    """The project with every fabric in the cupboard: those that are not are put there."""
    fresh = {id(p.kept): p.kept for p in project.fabrics if p.lot_number is None}
    if not fresh:
        return project
    numbers = dict(zip(fresh, add_lots(session, list(fresh.values()), None, now), strict=True))
    kept = {number: get_lot(session, number).kept for number in numbers.values()}

    def placed(pulled: Pulled) -> Pulled:
        if pulled.lot_number is not None:
            return pulled
        number = numbers[id(pulled.kept)]
        return replace(pulled, kept=kept[number], lot_number=number)

    return replace(project, fabrics=tuple(map(placed, project.fabrics)))


def _enter_pulls(
    session: Session, row: ProjectRow, before: Project | None, after: Project, now: datetime
) -> None:
    """Enter what was pulled, returned and cut."""
    old, new = _held(before), _held(after)
    shown = {p.stack.number: p for p in (*(before.fabrics if before else ()), *after.fabrics)}
    entries = []
    for number, pulled in shown.items():
        more = new.get(number, (0, 0))[0] - old.get(number, (0, 0))[0]
        more_cut = new.get(number, (0, 0))[1] - old.get(number, (0, 0))[1]
        entries.append(
            _entry(row, pulled, EntryKind.PULLED if more > 0 else EntryKind.RETURNED, more, now)
        )
        entries.append(
            _entry(row, pulled, EntryKind.CUT if more_cut > 0 else EntryKind.UNCUT, more_cut, now)
        )
    enter(session, (entry for entry in entries if entry.pieces))


def _held(project: Project | None) -> dict[int | None, tuple[int, int]]:
    """Pieces held and pieces cut, by the number of the print."""
    if project is None:
        return {}
    return {
        p.stack.number: (p.count if project.holds_back else p.cut, p.cut) for p in project.fabrics
    }


def _entry(row: ProjectRow, pulled: Pulled, kind: EntryKind, pieces: int, now: datetime) -> Entry:
    number = abs(pieces)
    area = number * pulled.kept.lot.piece_area(pulled.stack)
    assert pulled.lot_number is not None
    lot, cloth = pulled.kept.name, pulled.stack.print.name
    return Entry(now, kind, pulled.lot_number, lot, cloth, number, area, row.id, row.name)


def _count_cut(session: Session, lot_ids: Iterable[int]) -> None:
    """Note beside each lot how many of its pieces are cut."""
    for number in lot_ids:
        cut = (
            select(func.coalesce(func.sum(PullRow.cut), 0))
            .join(CupboardStackRow, CupboardStackRow.id == PullRow.stack_id)
            .where(CupboardStackRow.lot_id == number)
        )
        lot = update(CupboardLotRow).where(CupboardLotRow.id == number)
        session.execute(lot.values(cut=cut.scalar_subquery()))


def _lots_of(project: Project) -> list[int]:
    numbers = (p.lot_number for p in project.fabrics if p.lot_number is not None)
    return list(dict.fromkeys(numbers))


def _line(row: Row[int, int, str, datetime, int]) -> ProjectLine:
    return ProjectLine(row.id, row.revision, row.name, row.updated_at, row.plan_number)


def _row(session: Session, project_id: int) -> ProjectRow:
    row = session.get(ProjectRow, project_id, options=_WITH_FABRICS)
    if row is None:
        raise NoSuchProject(project_id)
    if row.deleted_at is not None:
        raise ProjectGone(ProjectLine(row.id, row.revision, row.name, row.updated_at))
    return row


def _claim_revision(session: Session, row: ProjectRow, revision: int) -> None:
    """Move the revision on in one statement, so that of two writers only one succeeds."""
    here: ColumnElement[bool] = (ProjectRow.id == row.id) & (ProjectRow.revision == revision)
    claimed = session.execute(update(ProjectRow).where(here).values(revision=revision + 1))
    session.refresh(row)
    if claimed.rowcount != 1:  # type: ignore[attr-defined]
        raise ProjectChanged(_stored(row))


def _stored(row: ProjectRow) -> StoredProject:
    number = row.plan.number if row.plan else 0
    return StoredProject(row.id, row.revision, project_from_row(row), row.updated_at, number)
