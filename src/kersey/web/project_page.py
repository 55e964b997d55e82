"""What every page of a project shares: the project opened, and the order of work beside it."""

import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import Path, Request
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.forms import FACTS
from kersey.core.cloth.forms import Form as FabricForm
from kersey.core.errors import Infeasible
from kersey.core.measure.length import Units, format_size
from kersey.core.project.project import Project
from kersey.core.project.question import RAILS
from kersey.core.quilt.quilt import Quilt, yields_of
from kersey.core.stash.ledger import Kind
from kersey.core.work.stages import Stage, steps_done
from kersey.core.work.work_order import work_order
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import (
    StoredProject,
    change_project,
    get_project,
    project_line,
)
from kersey.web.forms import Form
from kersey.web.templating import counted, is_fragment_request, render
from kersey.web.workroom import Workroom

ProjectId = Annotated[int, Path(ge=1, le=2**31)]

_TITLES = {Stage.PULL: "Pull", Stage.YIELD: "Yield", Stage.SIZE: "Size", Stage.CUT: "Cut"}


class RevisedForm(Form):
    """A form that says which revision of the project it was made from."""

    revision: int


@dataclass(frozen=True)
class OpenProject:
    """A project as it is kept, with the settings it is shown in, and its quilt if it has one.

    `counted` says how many blocks were found for it when the Yield page was last open, if it was.
    """

    stored: StoredProject
    preferences: Preferences
    quilt: Quilt | None
    no_quilt: str = ""
    counted: str = "not counted yet"

    @property
    def project(self) -> Project:
        return self.stored.project

    @property
    def units(self) -> Units:
        return self.preferences.workshop.units


@dataclass(frozen=True)
class StageLine:
    """A line of the order of work."""

    stage: Stage
    title: str
    status: str
    short: bool
    reached: bool
    here: bool


def open_project(room: Workroom, project_id: int) -> OpenProject:
    """Open a project; raises `NoSuchProject` or `ProjectGone`."""
    with room.transaction() as session:
        line, preferences = project_line(session, project_id), load_preferences(session)
        kept = room.kept_quilt(line.id, line.revision, preferences.workshop.units)
        counted_then = room.counted(line.id, line.revision)
        if kept is not None:
            stored = StoredProject(line.id, line.revision, kept.project, line.updated_at)
            return OpenProject(stored, preferences, kept, counted=counted_then)
        stored = get_project(session, project_id)
    return with_quilt(room, stored, preferences)


def with_quilt(room: Workroom, stored: StoredProject, preferences: Preferences) -> OpenProject:
    """The project and what it comes to; when that is nothing, why."""
    counted_then = room.counted(stored.id, stored.revision)
    try:
        quilt = room.quilt(stored, preferences.workshop.units)
        return OpenProject(stored, preferences, quilt, counted=counted_then)
    except Infeasible as reason:
        return OpenProject(stored, preferences, None, str(reason), counted_then)


def change(
    room: Workroom,
    project_id: int,
    revision: int,
    how: Callable[[Project], Project],
    why: Kind = Kind.COUNTED,
) -> OpenProject:
    """Change a project and open it; raises `ProjectChanged` when another window was faster.

    `why` pieces became fewer or more, if they did.
    """
    with room.transaction() as session:
        stored = change_project(session, project_id, revision, how, room.clock(), why)
        preferences = load_preferences(session)
    return with_quilt(room, stored, preferences)


def project_context(opened: OpenProject, here: Stage) -> dict[str, Any]:
    """What the layout of a project's page needs."""
    return {
        "project_id": opened.stored.id,
        "revision": opened.stored.revision,
        "project": opened.project,
        "quilt": opened.quilt,
        "no_quilt": opened.no_quilt,
        "units": opened.units,
        "theme": opened.preferences.theme,
        "paper": opened.preferences.paper,
        "preferences": opened.preferences,
        "stages": order_of_work(opened, here),
        "errors": {},
        "typed": {},
        "oob": False,
    }


def order_of_work(opened: OpenProject, here: Stage) -> list[StageLine]:
    """The stages with what is known of each; those up to the present page count as reached."""
    reached = list(Stage)[: list(Stage).index(here) + 1]
    short = opened.quilt is not None and opened.quilt.blocks_short > 0
    return [
        StageLine(
            stage,
            _TITLES[stage],
            _status(opened, stage),
            short and stage is Stage.SIZE,
            stage in reached,
            stage is here,
        )
        for stage in Stage
    ]


def answer_change(
    request: Request, opened: OpenProject, template: str, context: Mapping[str, Any], page: str
) -> Response:
    """After a change: the parts of the page that follow from it, or the page anew."""
    if not is_fragment_request(request):
        return RedirectResponse(
            request.app.url_path_for(page, project_id=opened.stored.id), status_code=303
        )
    return render(request, template, {**context, "oob": True}, headers=news_of(opened))


def news_of(opened: OpenProject) -> dict[str, str]:
    """The header that tells an open page of the new revision."""
    news = {"kersey:revision": {"revision": opened.stored.revision}}
    return {"HX-Trigger": json.dumps(news)}


def _status(opened: OpenProject, stage: Stage) -> str:
    quilt = opened.quilt
    if stage is Stage.PULL:
        return _pull_status(opened.project)
    if stage is Stage.YIELD:
        if opened.project.design.block.recipe != RAILS or not opened.project.working:
            return opened.counted
        answer = yields_of(opened.project)[opened.project.design.method]
        sure = "at least" if opened.project.uneven else "proved"
        return f"{counted(answer.blocks, 'block')}, {sure}"
    if quilt is None:
        return ""
    if stage is Stage.SIZE:
        return _size_status(quilt)
    steps = work_order(quilt)
    done = steps_done(opened.project, steps)
    return f"{done} of {len(steps)} steps done" if done else ""


def _pull_status(project: Project) -> str:
    pieces = sum(pulled.count for pulled in project.fabrics)
    if not pieces:
        return "nothing yet"
    forms = {pulled.kept.lot.form for pulled in project.fabrics}
    facts = FACTS[forms.pop()] if len(forms) == 1 else FACTS[FabricForm.PIECE]
    noun = facts.one if pieces == 1 else facts.many
    return f"{pieces} {noun}, {counted(len(project.fabrics), 'print')}"


def _size_status(quilt: Quilt) -> str:
    if quilt.blocks_short:
        return f"{counted(quilt.blocks_short, 'block')} short"
    size = format_size(quilt.size.width, quilt.size.length, quilt.units)
    if not quilt.project.design.size_chosen:
        return f"proposed: {size}"
    return f"{quilt.size.columns} × {quilt.size.rows}, {size}"
