"""The steps on the wall of a project: kept over a restart, gone back and on through.

A step holds how the blocks lay after it. What is laid anew after going back takes the place of the
steps that were gone back over.
"""

from datetime import datetime

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from kersey.core.project.laying import Laid
from kersey.records.laid import step_from_text, step_text
from kersey.store.tables import WallStepRow

# Some hours of moving single blocks; an older step goes when another comes.
MOST_STEPS = 400


def enter_step(
    session: Session, project_id: int, before: Laid, after: Laid, words: str, now: datetime
) -> None:
    """Enter what was done at the wall, and how the blocks lay before and after it."""
    here = _here(session, project_id)
    if here is None or not _is(here, before):
        here = _add(session, project_id, before, "", now)
    later = (WallStepRow.project_id == project_id) & (WallStepRow.number > here.number)
    session.execute(delete(WallStepRow).where(later))
    step = _add(session, project_id, after, words, now)
    oldest = (WallStepRow.project_id == project_id) & (
        WallStepRow.number <= step.number - MOST_STEPS
    )
    session.execute(delete(WallStepRow).where(oldest))


def step_to(session: Session, project_id: int, now: Laid, back: bool) -> tuple[Laid, str] | None:
    """How the blocks lay one step back, or on, and what was done in between; None at the end.

    A step of other blocks, or of another size, cannot be gone to.
    """
    there = _beside(session, project_id, now, back)
    if there is None:
        return None
    here, step = there
    _go(session, here, step)
    return step_from_text(step.document, now), here.words if back else step.words


def steps_there(session: Session, project_id: int, now: Laid) -> tuple[str, str]:
    """What going back would undo, and what going on would do again; "" where there is nothing."""
    undo = _beside(session, project_id, now, True)
    redo = _beside(session, project_id, now, False)
    return undo[0].words if undo else "", redo[1].words if redo else ""


def _beside(
    session: Session, project_id: int, now: Laid, back: bool
) -> tuple[WallStepRow, WallStepRow] | None:
    here = _here(session, project_id)
    if here is None or not _is(here, now):
        return None
    of_project = WallStepRow.project_id == project_id
    query = (
        select(WallStepRow)
        .where(of_project, WallStepRow.number < here.number)
        .order_by(WallStepRow.number.desc())
        if back
        else select(WallStepRow)
        .where(of_project, WallStepRow.number > here.number)
        .order_by(WallStepRow.number)
    )
    step = session.scalars(query.limit(1)).one_or_none()
    return (here, step) if step is not None and step.of == here.of else None


def _is(step: WallStepRow, laid: Laid) -> bool:
    return step.of == laid.of and step_from_text(step.document, laid) == laid


def _here(session: Session, project_id: int) -> WallStepRow | None:
    query = select(WallStepRow).where(
        WallStepRow.project_id == project_id, WallStepRow.is_here.is_(True)
    )
    return session.scalars(query).one_or_none()


def _add(session: Session, project_id: int, laid: Laid, words: str, now: datetime) -> WallStepRow:
    highest = session.scalar(
        select(func.max(WallStepRow.number)).where(WallStepRow.project_id == project_id)
    )
    step = WallStepRow(
        project_id=project_id,
        number=(highest or 0) + 1,
        at=now,
        words=words,
        is_here=False,
        of=laid.of,
        document=step_text(laid),
    )
    session.add(step)
    session.flush()
    _go(session, _here(session, project_id), step)
    return step


def _go(session: Session, here: WallStepRow | None, step: WallStepRow) -> None:
    if here is not None:
        here.is_here = False
    step.is_here = True
    session.flush()
