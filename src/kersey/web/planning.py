"""Plans sought while pages are shown: no page waits for one, and none is replaced unasked.

A plan that is missing, or rests on nothing a person has settled, is kept as soon as it is found.
One that would replace a plan somebody has settled on is only offered, with what it changes.
"""

from dataclasses import dataclass, replace

from sqlalchemy.exc import IntegrityError, OperationalError

from kersey.core.errors import KerseyError
from kersey.core.measure.length import Units
from kersey.core.planning.standing import (
    Standing,
    may_replace,
    question_of,
    standing_of,
    wanted_plan,
    what_changes,
)
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.wall.carried import laid_as_before
from kersey.core.work.work_order import with_plan
from kersey.searching.searches import Inquiry
from kersey.store.projects import StoredProject, keep_plan
from kersey.store.trouble import Trouble, trouble_of
from kersey.web.workroom import Reckoned, Workroom


@dataclass(frozen=True)
class PlanNews:
    """How a project stands to its plan, and what the search for another has come to.

    `offered`: another plan than the one that is kept.
    """

    standing: Standing = Standing.NONE
    going_on: bool = False
    fault: str = ""
    offered: KeptPlan | None = None
    changes: tuple[str, ...] = ()


NO_NEWS = PlanNews()


def settle(room: Workroom, reckoned: Reckoned, patience: float = 0.0) -> tuple[Reckoned, PlanNews]:
    """See that a project gets the plan it needs: keep one that was found, or search on.

    Waits no longer than the patience, in seconds.
    """
    stored, units, standing = reckoned.stored, reckoned.units, reckoned.standing
    project = stored.project
    inquiry = _inquiry(room, stored, units, standing)
    if inquiry is None:
        return reckoned, PlanNews(standing, fault=_why_no_other(reckoned))
    inquiry.wait(0, patience)
    found: KeptPlan | None = inquiry.answer
    if found is None:
        return reckoned, PlanNews(standing, not inquiry.over, inquiry.fault)
    if not may_replace(project, found):
        before = project.plan
        assert before is not None
        changes = what_changes(before, found)
        return reckoned, PlanNews(standing, offered=found, changes=changes)
    try:
        with room.transaction() as session:
            stored = keep_plan(session, stored.id, lambda now: _unless_changed(now, found, units))
    except (IntegrityError, OperationalError) as error:
        trouble = trouble_of(error)
        if trouble in {Trouble.FULL, Trouble.READ_ONLY}:
            return reckoned, PlanNews(standing, fault=trouble.words)
        # Another window keeps it just now, or something large is being written: soon.
        return reckoned, PlanNews(standing, going_on=True)
    reckoned = room.reckoned(stored, units)
    return reckoned, PlanNews(reckoned.standing, not inquiry.over)


def accepted(project: Project, found: KeptPlan, units: Units) -> Project:
    """The project with a plan in the place of the one before; ticks of old are carried over, and
    the blocks are laid as they were."""
    kept = replace(found, taken=bool(project.plan and project.plan.taken) or found.taken)
    try:
        quilt = make_quilt(replace(project, plan=kept), units)
    except KerseyError:
        quilt = None
    return laid_as_before(project, with_plan(project, kept, quilt), units)


def found_plan(room: Workroom, stored: StoredProject, units: Units) -> KeptPlan | None:
    """The plan that was found for what a project asks now, if it was."""
    inquiry = _inquiry(
        room, stored, units, standing_of(stored.project, question_of(stored.project))
    )
    return inquiry.answer if inquiry else None


def _unless_changed(now: Project, found: KeptPlan, units: Units) -> Project:
    """Whoever was faster has the last word: a plan for another question is not kept."""
    wanted = wanted_plan(now, units, standing_of(now, question_of(now)))
    if wanted is None or wanted.fingerprint != found.question or not may_replace(now, found):
        return now
    return accepted(now, found, units)


def _why_no_other(reckoned: Reckoned) -> str:
    """Why no plan is searched for in the place of one made for what was there before, if so."""
    if reckoned.standing is not Standing.BEFORE:
        return ""
    try:
        # The question is asked for its reason alone.
        reckoned.asked  # noqa: B018
    except KerseyError as reason:
        return str(reason)
    return ""


def _inquiry(
    room: Workroom, stored: StoredProject, units: Units, standing: Standing
) -> Inquiry | None:
    question = wanted_plan(stored.project, units, standing)
    return None if question is None else room.searches.ask(("plan", stored.id), question)
