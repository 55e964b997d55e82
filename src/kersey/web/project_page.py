"""What every page of a project shares: the project opened, and the order of work beside it."""

import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import Path, Request
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import Infeasible
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_size
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked
from kersey.core.quilt.planning import regridded
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.standing import Standing
from kersey.core.stash.ledger import EntryKind
from kersey.core.work.stages import Stage
from kersey.core.work.work_order import Step, steps_done
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import (
    StoredProject,
    change_project,
    get_project,
    project_line,
)
from kersey.web.forms import PageForm
from kersey.web.planning import NO_NEWS, PlanNews, settle
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Reckoned, Workroom

ProjectId = Annotated[int, Path(ge=1, le=2**31)]

# A search that takes no longer is answered as if there were none.
_A_MOMENT = 0.3
_TITLES = {Stage.PULL: "Pull", Stage.YIELD: "Yield", Stage.SIZE: "Size", Stage.CUT: "Cut"}


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


@dataclass(frozen=True)
class StageLine:
    """A line of the order of work."""

    stage: Stage
    title: str
    status: str
    short: bool
    reached: bool
    here: bool


def open_project(room: Workroom, project_id: int, patience: float = 0.0) -> OpenProject:
    """Open a project; raises `NoSuchProject` or `ProjectGone`.

    A plan that it lacks is searched for; it is waited for no longer than `patience`, in seconds.
    """
    with room.transaction() as session:
        line, preferences = project_line(session, project_id), load_preferences(session)
        units = preferences.workshop.units
        known = room.remembered((line.id, line.revision, line.plan_number, units))
        reckoned = known or room.reckoned(get_project(session, project_id), units)
    return _opened(room, reckoned, preferences, patience)


def _opened(
    room: Workroom, reckoned: Reckoned, preferences: Preferences, patience: float
) -> OpenProject:
    """The project and what it comes to; when that is nothing, why."""
    reckoned, news = settle(room, reckoned, patience)
    try:
        return OpenProject(reckoned, preferences, reckoned.quilt, news=news)
    except Infeasible as reason:
        return OpenProject(reckoned, preferences, None, news.fault or str(reason), news)


def change(
    room: Workroom,
    project_id: int,
    revision: int,
    how: Callable[[Project], Project],
    why: EntryKind = EntryKind.COUNTED,
) -> OpenProject:
    """Change a project and open it; raises `ProjectChanged` when another window was faster.

    `why` pieces became fewer or more, if they did. What is chosen of the size serves at once.
    """
    with room.transaction() as session:
        preferences = load_preferences(session)
        units = preferences.workshop.units
        stored = change_project(
            session, project_id, revision, lambda p: regridded(how(p), units), room.clock(), why
        )
    return _opened(room, room.reckoned(stored, units), preferences, _A_MOMENT)


def plan_context(opened: OpenProject, page_name: str = "") -> dict[str, Any]:
    """What is to be said of the plan."""
    return {
        "news": opened.news,
        "before": opened.news.standing is Standing.BEFORE,
        "plan_number": opened.stored.plan_number,
        "plan_question": opened.project.plan.question if opened.project.plan else "",
        "page_name": page_name,
        "news_alone": False,
        "quilt": opened.quilt,
        "is_cut": any(pulled.cut for pulled in opened.project.fabrics),
        "project_id": opened.stored.id,
        "revision": opened.stored.revision,
    }


def project_context(opened: OpenProject, here: Stage) -> dict[str, Any]:
    """What the layout of a project's page needs."""
    return plan_context(opened, here.value) | {
        "project": opened.project,
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
        return _yield_status(opened)
    if quilt is None:
        return ""
    if stage is Stage.SIZE:
        return _size_status(quilt)
    if not opened.project.done:
        return ""
    done = steps_done(opened.project, opened.steps)
    return f"{done} of {len(opened.steps)} steps done" if done else ""


def _yield_status(opened: OpenProject) -> str:
    kept = opened.project.plan
    if kept is None or opened.news.standing is Standing.NOTHING:
        return "not counted yet"
    blocks = counted(kept.possible, "block")
    if opened.news.standing is Standing.BEFORE:
        return f"{blocks}, before the change"
    if opened.project.design.even:
        return f"{blocks}, cut alike"
    sure = "proved" if kept.most.proved else f"at most {kept.most.bound}"
    return f"{blocks}, {sure}"


def _pull_status(project: Project) -> str:
    pieces = sum(pulled.count for pulled in project.fabrics)
    if not pieces:
        return "nothing yet"
    forms = {pulled.kept.lot.form for pulled in project.fabrics}
    facts = FACTS[forms.pop()] if len(forms) == 1 else FACTS[Form.PIECE]
    noun = facts.one if pieces == 1 else facts.many
    return f"{pieces} {noun}, {counted(len(project.fabrics), 'print')}"


def _size_status(quilt: Quilt) -> str:
    if quilt.blocks_short:
        return f"{counted(quilt.blocks_short, 'block')} short"
    size = format_size(quilt.size.width, quilt.size.length, quilt.units)
    if not quilt.project.design.size_chosen:
        return f"proposed: {size}"
    return f"{quilt.size.columns} × {quilt.size.rows}, {size}"
