"""The history of a quilt: what was done to it, step by step, undone and done again.

A step holds the quilt as it was on the other side of it: before it, and once it is undone, after
it. It can be gone over as long as nothing else was done since: it knows the revision at which it is
next. What reaches into the cupboard (a lot recounted, leftovers put away, something that went wrong
at the table) has a way back of its own, and the history begins anew after it.
"""

import json
import zlib
from dataclasses import replace
from datetime import datetime

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from kersey.core.errors import Infeasible
from kersey.core.project.project import Project
from kersey.core.stash.pulled import Pulled
from kersey.records.projects import project_document, project_from
from kersey.store.lot_rows import lot_from_row
from kersey.store.tables import CupboardLotRow, ProjectStepRow

# Some hours at the wall; an older step goes when another comes.
MOST_STEPS = 200


class GoneSince(Infeasible):
    """What a step would bring back is not there any more."""

    def __init__(self) -> None:
        super().__init__(
            "This can't be undone: fabric it used was changed or removed since. "
            "Nothing was changed."
        )


def enter_step(
    session: Session, project_id: int, before: Project, revision: int, words: str, now: datetime
) -> None:
    """Enter what was done, and the quilt as it was before; `revision` is the one after it."""
    step = ProjectStepRow
    of_project = step.project_id == project_id
    newest = _beside(session, project_id, back=True)
    if newest is not None and newest.revision != revision - 1:
        # Something else was done since, that no step tells of: nothing before it can be undone.
        forget_steps(session, project_id)
    session.execute(delete(step).where(of_project, step.undone.is_(True)))
    number = (session.scalar(select(func.max(step.number)).where(of_project)) or 0) + 1
    session.add(
        step(
            project_id=project_id,
            number=number,
            at=now,
            words=words,
            undone=False,
            revision=revision,
            document=_packed(before),
        )
    )
    session.execute(delete(step).where(of_project, step.number <= number - MOST_STEPS))


def forget_steps(session: Session, project_id: int) -> None:
    """Begin anew: what was done now cannot be undone here, nor anything before it."""
    session.execute(delete(ProjectStepRow).where(ProjectStepRow.project_id == project_id))


def steps_there(session: Session, project_id: int, revision: int) -> tuple[str, str]:
    """What undo would take back, and what redo would do again; "" where there is nothing."""
    undo = next_step(session, project_id, revision, back=True)
    redo = next_step(session, project_id, revision, back=False)
    return undo.words if undo else "", redo.words if redo else ""


def next_step(
    session: Session, project_id: int, revision: int, back: bool
) -> ProjectStepRow | None:
    """The step that is gone over next, back or on."""
    step = _beside(session, project_id, back)
    return step if step is not None and step.revision == revision else None


def project_before(session: Session, step: ProjectStepRow) -> Project:
    """The quilt on the other side of a step; raises `GoneSince`."""
    known = json.loads(zlib.decompress(step.document))
    rows = {
        row.id: row
        for row in session.scalars(
            select(CupboardLotRow).where(
                CupboardLotRow.id.in_(known["lots"]), CupboardLotRow.deleted_at.is_(None)
            )
        )
    }
    try:
        lots = [lot_from_row(rows[number]) for number in known["lots"]]
        project = project_from(known["project"], lots)
    except (KeyError, ValueError):
        raise GoneSince from None
    fabrics = tuple(replace(p, lot_number=known["lots"][p.lot_number]) for p in project.fabrics)
    if [_stack(pulled) for pulled in fabrics] != known["stacks"]:
        raise GoneSince
    return replace(project, fabrics=fabrics)


def go_over(session: Session, step: ProjectStepRow, there: Project, revision: int) -> None:
    """A step was gone over: it holds the quilt on its other side now, and its neighbors are next
    at this revision."""
    step.document, step.undone, step.revision = _packed(there), not step.undone, revision
    session.flush()
    for back in (True, False):
        beside = _beside(session, step.project_id, back)
        if beside is not None:
            beside.revision = revision


def _beside(session: Session, project_id: int, back: bool) -> ProjectStepRow | None:
    step = ProjectStepRow
    order = step.number.desc() if back else step.number
    query = select(step).where(step.project_id == project_id, step.undone.is_not(back))
    return session.scalars(query.order_by(order).limit(1)).one_or_none()


def _packed(project: Project) -> bytes:
    """A quilt with the lots that it pulls from, by their numbers."""
    numbers = list(dict.fromkeys(pulled.lot_number for pulled in project.fabrics))
    document = {
        "lots": numbers,
        "stacks": [_stack(pulled) for pulled in project.fabrics],
        "project": project_document(project, {n: place for place, n in enumerate(numbers)}),
    }
    return zlib.compress(json.dumps(document).encode())


def _stack(pulled: Pulled) -> int | None:
    """What a print is known by, whatever it is called and wherever it stands in its lot."""
    return pulled.stack.number
