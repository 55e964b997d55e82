"""What went wrong with a project, newest first, and the way back from each."""

from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from kersey.core.mending.taken_back import Before
from kersey.core.project.table import Table
from kersey.records.at_work import before_from_text, before_text
from kersey.store.tables import MishapRow

# Older ones go: their plans are long, and cloth that is cut since has no way back anyway.
MOST_MISHAPS = 40


@dataclass(frozen=True)
class Mishap:
    """What went wrong and what was done, in words, and when."""

    words: str
    at: datetime


def enter_mishap(
    session: Session, project_id: int, before: Before, after: Table, words: str, now: datetime
) -> None:
    """Enter what went wrong, with the way back."""
    of_project = MishapRow.project_id == project_id
    highest = session.scalar(select(func.max(MishapRow.number)).where(of_project)) or 0
    session.add(
        MishapRow(
            project_id=project_id,
            number=highest + 1,
            at=now,
            words=words,
            document=before_text(before, after),
        )
    )
    oldest = of_project & (MishapRow.number <= highest + 1 - MOST_MISHAPS)
    session.execute(delete(MishapRow).where(oldest))


def mishaps(session: Session, project_id: int) -> list[Mishap]:
    """What went wrong, newest first."""
    query = (
        select(MishapRow.words, MishapRow.at)
        .where(MishapRow.project_id == project_id)
        .order_by(MishapRow.number.desc())
    )
    return [Mishap(words, at) for words, at in session.execute(query)]


def last_way_back(session: Session, project_id: int) -> tuple[Before, Table] | None:
    """The way back from what went wrong last; None where nothing did."""
    row = _last(session, project_id)
    return None if row is None else before_from_text(row.document)


def forget_last(session: Session, project_id: int) -> None:
    """What went wrong last was taken back."""
    row = _last(session, project_id)
    if row is not None:
        session.delete(row)


def _last(session: Session, project_id: int) -> MishapRow | None:
    query = (
        select(MishapRow)
        .where(MishapRow.project_id == project_id)
        .order_by(MishapRow.number.desc())
        .limit(1)
    )
    return session.scalars(query).one_or_none()
