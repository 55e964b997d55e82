"""Projects kept, listed, changed, copied, thrown away and brought back.

Every change names the revision it was made from. If the project has moved on since, the change
is refused with `ProjectChanged` and nothing is overwritten.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from sqlalchemy import ColumnElement, Row, Select, func, select, update
from sqlalchemy.orm import Session

from kersey.core.errors import KerseyError
from kersey.core.fabric import LONGEST_NAME
from kersey.core.project import Project
from kersey.store.project_rows import project_from_row, write_project
from kersey.store.tables import ProjectRow


@dataclass(frozen=True)
class ProjectLine:
    """What a list of projects shows without opening them."""

    id: int
    revision: int
    name: str
    updated_at: datetime


@dataclass(frozen=True)
class StoredProject:
    """A project as it is kept."""

    id: int
    revision: int
    project: Project
    updated_at: datetime


class NoSuchProject(KerseyError):
    """There never was a project of this number."""

    def __init__(self, project_id: int) -> None:
        self.project_id = project_id
        super().__init__("There is no such project.")


class ProjectGone(KerseyError):
    """The project was deleted; it can be brought back."""

    def __init__(self, line: ProjectLine) -> None:
        self.line = line
        super().__init__(f"“{line.name}” was deleted.")


class ProjectChanged(KerseyError):
    """The project was changed elsewhere since it was shown."""

    def __init__(self, current: StoredProject) -> None:
        self.current = current
        super().__init__(f"“{current.project.name}” was changed in another window meanwhile.")


def count_projects(session: Session) -> int:
    """How many projects there are, without the deleted ones."""
    query = select(func.count()).select_from(ProjectRow).where(ProjectRow.deleted_at.is_(None))
    return session.scalar(query) or 0


def list_projects(session: Session, first: int, most: int) -> Sequence[ProjectLine]:
    """Projects, the one worked on last first: `most` of them, beginning with number `first`."""
    query = _lines().where(ProjectRow.deleted_at.is_(None))
    query = query.order_by(ProjectRow.updated_at.desc(), ProjectRow.id.desc())
    return [_line(row) for row in session.execute(query.offset(first).limit(most))]


def list_deleted(session: Session, most: int) -> Sequence[ProjectLine]:
    """Deleted projects, the last deleted first."""
    query = _lines().where(ProjectRow.deleted_at.is_not(None))
    query = query.order_by(ProjectRow.deleted_at.desc(), ProjectRow.id.desc())
    return [_line(row) for row in session.execute(query.limit(most))]


def all_projects(session: Session) -> list[Project]:
    """Every project that is not deleted, the one begun first first."""
    query = select(ProjectRow).where(ProjectRow.deleted_at.is_(None)).order_by(ProjectRow.id)
    return [project_from_row(row) for row in session.scalars(query)]


def project_line(session: Session, project_id: int) -> ProjectLine:
    """One project without opening it; raises `NoSuchProject` or `ProjectGone`."""
    query = _lines().add_columns(ProjectRow.deleted_at).where(ProjectRow.id == project_id)
    row = session.execute(query).one_or_none()
    if row is None:
        raise NoSuchProject(project_id)
    line = ProjectLine(row.id, row.revision, row.name, row.updated_at)
    if row.deleted_at is not None:
        raise ProjectGone(line)
    return line


def get_project(session: Session, project_id: int) -> StoredProject:
    """One project; raises `NoSuchProject` or `ProjectGone`."""
    return _stored(_row(session, project_id))


def add_project(session: Session, project: Project, now: datetime) -> int:
    """Keep a new project and return its number."""
    row = ProjectRow(revision=1, created_at=now, updated_at=now, deleted_at=None)
    write_project(row, project)
    session.add(row)
    session.flush()
    return row.id


def change_project(
    session: Session,
    project_id: int,
    revision: int,
    change: Callable[[Project], Project],
    now: datetime,
) -> StoredProject:
    """Replace a project by what `change` makes of it.

    Raises `ProjectChanged` when `revision` is not its newest, `NoSuchProject`, `ProjectGone`,
    and whatever `change` raises; the stored project is then untouched.
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
    write_project(row, changed)
    session.flush()
    return _stored(row)


def duplicate_project(session: Session, project_id: int, now: datetime) -> int:
    """Copy a project under a new name and return the copy's number."""
    project = get_project(session, project_id).project
    name = f"{project.name[: LONGEST_NAME - len(' (copy)')]} (copy)"
    return add_project(session, replace(project, name=name, done=frozenset()), now)


def delete_project(session: Session, project_id: int, now: datetime) -> None:
    """Throw a project away; it stays restorable."""
    _row(session, project_id).deleted_at = now


def restore_project(session: Session, project_id: int) -> None:
    """Bring a deleted project back; does nothing to one that is not deleted."""
    row = session.get(ProjectRow, project_id)
    if row is None:
        raise NoSuchProject(project_id)
    row.deleted_at = None


def _lines() -> Select[int, int, str, datetime]:
    return select(ProjectRow.id, ProjectRow.revision, ProjectRow.name, ProjectRow.updated_at)


def _line(row: Row[int, int, str, datetime]) -> ProjectLine:
    return ProjectLine(row.id, row.revision, row.name, row.updated_at)


def _row(session: Session, project_id: int) -> ProjectRow:
    row = session.get(ProjectRow, project_id)
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
    return StoredProject(row.id, row.revision, project_from_row(row), row.updated_at)
