"""A project opened for a page: as it is kept, as it is shown, and changed."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Annotated, Any, Literal, Protocol, TypeVar

from fastapi import Depends, Path, Request
from sqlalchemy.orm import Session
from starlette.responses import Response

from kersey.core.errors import Infeasible
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import regridded
from kersey.core.project.naming import name_with_block, unused_name
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.ledger import EntryKind
from kersey.core.wall.carried import laid_as_before
from kersey.core.work.work_order import Step
from kersey.store.history import steps_there
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import (
    ProjectChanged,
    StoredProject,
    change_project,
    get_project,
    project_line,
    project_names,
    step_over,
)
from kersey.web.forms import BadForm, PageForm, TypedForm, read_form
from kersey.web.planning import NO_NEWS, PlanNews, settle
from kersey.web.workroom import Reckoned, Room, Workroom

ProjectId = Annotated[int, Path(ge=1, le=2**31)]

Change = Callable[[Project], Project]
_Form = TypeVar("_Form", bound=PageForm)
# A tick finds another screen writing at most so often in a row.
_TRIES = 5
# A search that takes no longer is answered as if there were none.
_A_MOMENT = 0.3


class RevisedForm(PageForm):
    """A form that says which revision of the project it was made from."""

    revision: int


@dataclass(frozen=True)
class OpenProject:
    """A project as it is kept, with the settings it is shown in, and its quilt if it has one.

    `news` is of the plan that is searched for, if one is.
    """

    reckoned: Reckoned
    preferences: Preferences
    quilt: Quilt | None
    no_quilt: str = ""
    news: PlanNews = NO_NEWS
    # What undo would take back, and what redo would do again.
    steps_beside: tuple[str, str] = ("", "")

    @property
    def stored(self) -> StoredProject:
        return self.reckoned.stored

    @property
    def project(self) -> Project:
        return self.stored.project

    @property
    def asked(self) -> YieldAsked:
        """Its question to the search; raises `NothingToCut` or `BadRecipe`."""
        return self.reckoned.asked

    @property
    def steps(self) -> tuple[Step, ...]:
        """The steps for its quilt, in order; none where there is no quilt."""
        return self.reckoned.steps if self.quilt else ()

    @property
    def units(self) -> Units:
        return self.preferences.workshop.units


class ShownAgain(Protocol):
    """How a page is shown with what was typed and the errors, each at its field."""

    def __call__(
        self, request: Request, room: Workroom, opened: OpenProject, bad: BadForm
    ) -> Response: ...


def open_project(room: Workroom, project_id: int, patience: float = 0.0) -> OpenProject:
    """Open a project; raises `NoSuchProject` or `ProjectGone`.

    A plan that it lacks is searched for; it is waited for no longer than `patience`, in seconds.
    """
    with room.reading() as session:
        line, preferences = project_line(session, project_id), load_preferences(session)
        units = preferences.workshop.units
        known = room.remembered((line.id, line.revision, line.plan_number, units))
        reckoned = known or room.reckoned(get_project(session, project_id), units)
    return _opened(room, reckoned, preferences, patience)


def _open(request: Request, room: Room, project_id: ProjectId) -> OpenProject:
    request.state.opened = open_project(room, project_id)
    opened: OpenProject = request.state.opened
    return opened


Opened = Annotated[OpenProject, Depends(_open)]


def sent(form: type[_Form], again: ShownAgain | None = None) -> Any:
    """The dependency that reads a form about a project, in the units of whoever sent it.

    A `BadForm`, raised here or by the route itself, is answered by the page shown `again`, or else
    by the page of what is refused.
    """

    def read(request: Request, opened: Opened, typed: TypedForm) -> _Form:
        request.state.again, request.state.typed = again, typed
        return read_form(form, typed, opened.units)

    return Depends(read)


Revised = Annotated[RevisedForm, sent(RevisedForm)]


def show_again(request: Request, bad: BadForm) -> Response | None:
    """The page from which a form was sent that cannot be taken; None where it names none."""
    again: ShownAgain | None = getattr(request.state, "again", None)
    if again is None:
        return None
    bad.typed = bad.typed or dict(request.state.typed)
    return again(request, request.app.state.workroom, request.state.opened, bad)


def _opened(
    room: Workroom, reckoned: Reckoned, preferences: Preferences, patience: float
) -> OpenProject:
    """The project and what it comes to; when that is nothing, why."""
    reckoned, news = settle(room, reckoned, patience)
    with room.reading() as session:
        beside = steps_there(session, reckoned.stored.id, reckoned.stored.revision)
    try:
        return OpenProject(reckoned, preferences, reckoned.quilt, "", news, beside)
    except Infeasible as reason:
        return OpenProject(reckoned, preferences, None, news.fault or str(reason), news, beside)


def change(
    room: Workroom,
    project_id: int,
    revision: int,
    how: Change,
    why: EntryKind = EntryKind.COUNTED,
    also: Callable[[Session, Project], None] | None = None,
) -> OpenProject:
    """Change a project and open it; raises `ProjectChanged` when another window was faster.

    `why` pieces became fewer or more, if they did. What is chosen of the size serves at once.
    What is `also` done to the changed project is done with it or not at all.
    """
    return change_with(room, project_id, revision, lambda _: how, why, also)


def change_with(
    room: Workroom,
    project_id: int,
    revision: int,
    found: Callable[[Session], Change],
    why: EntryKind = EntryKind.COUNTED,
    also: Callable[[Session, Project], None] | None = None,
) -> OpenProject:
    """The same where the change is `found` in the data, which nobody else changes meanwhile."""
    with room.transaction() as session:
        how = found(session)
        preferences = load_preferences(session)
        units = preferences.workshop.units

        def changed(project: Project) -> Project:
            after = settled(project, how(project), units)
            name = name_with_block(project, after)
            if name == project.name:
                return after
            return replace(after, name=unused_name(name, project_names(session)))

        stored = change_project(session, project_id, revision, changed, room.clock(), why)
        if also is not None:
            also(session, stored.project)
    return opened_after(room, stored, preferences)


class StepForm(RevisedForm):
    """A step back, or on again."""

    way: Literal["back", "on"]


def step(room: Workroom, opened: OpenProject, form: StepForm) -> OpenProject:
    """Undo what was done last to a project, or do it again."""
    back, now = form.way == "back", room.clock()
    with room.transaction() as session:
        stored = step_over(session, opened.stored.id, form.revision, back, now)
    return opened_after(room, stored, opened.preferences)


def insist(
    room: Workroom, opened: OpenProject, how: Callable[[OpenProject], Change | None]
) -> OpenProject:
    """Change a project whoever else has written meanwhile: `how` says the change for the project
    as it then is, or that there is none any more. Raises `ProjectChanged` after many tries."""
    for left in reversed(range(_TRIES)):
        changed = how(opened)
        if changed is None:
            return opened
        try:
            return change(room, opened.stored.id, opened.stored.revision, changed)
        except ProjectChanged:
            if not left:
                raise
            opened = open_project(room, opened.stored.id)
    return opened


def opened_after(room: Workroom, stored: StoredProject, preferences: Preferences) -> OpenProject:
    """A project that was just changed, opened."""
    units = preferences.workshop.units
    return _opened(room, room.reckoned(stored, units), preferences, _A_MOMENT)


def settled(before: Project, after: Project, units: Units) -> Project:
    """What is chosen of the size serves at once, and the blocks stay laid as they are."""
    return laid_as_before(before, regridded(after, units), units)
