"""What every page of a project shares: news of its plan, and the order of work beside it."""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from fastapi import Request
from starlette.responses import RedirectResponse, Response

from kersey.core.planning.standing import Standing
from kersey.web.forms import BadForm
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.stages import STAGES
from kersey.web.templating import is_fragment_request, render


@dataclass(frozen=True)
class StageLine:
    """A line of the order of work."""

    stage: Stage
    status: str
    short: bool
    reached: bool
    here: bool


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
    return plan_context(opened, here.key) | {
        "project": opened.project,
        "undo": opened.steps_beside[0],
        "redo": opened.steps_beside[1],
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
    reached = STAGES[: STAGES.index(here) + 1]
    return [
        StageLine(
            stage, stage.status(opened), stage.falls_short(opened), stage in reached, stage is here
        )
        for stage in STAGES
    ]


def answer_change(
    request: Request, opened: OpenProject, template: str, context: Mapping[str, Any], page: str
) -> Response:
    """After a change: the parts of the page that follow from it, or the page anew."""
    if not is_fragment_request(request):
        return go_to(request, page, opened)
    return render(request, template, {**context, "oob": True}, headers=news_of(opened))


def answer_refused(
    request: Request, whole: str, part: str, context: Mapping[str, Any], bad: BadForm
) -> Response:
    """After a form that cannot be taken: the page, or the `part` of it htmx asks for, with what
    was typed and each error at its field."""
    shown = {**context, "errors": bad.errors, "typed": bad.typed}
    if is_fragment_request(request):
        return render(request, part, shown | {"oob": True}, 422)
    return render(request, whole, shown, 422)


def go_to(request: Request, page: str, opened: OpenProject) -> Response:
    """On to a page of the project, by its name, after something was done."""
    address = request.app.url_path_for(page, project_id=opened.stored.id)
    return RedirectResponse(address, status_code=303)


def news_of(opened: OpenProject) -> dict[str, str]:
    """The header that tells an open page of the new revision."""
    news = {"kersey:revision": {"revision": opened.stored.revision}}
    return {"HX-Trigger": json.dumps(news)}
