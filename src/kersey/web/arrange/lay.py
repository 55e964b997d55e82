"""A step at the wall: kept with the project, so that it can be undone."""

from collections.abc import Callable
from dataclasses import replace
from typing import Any

from fastapi import Request
from starlette.responses import Response

from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.wall.hand import OnWall
from kersey.store.preferences import load_preferences
from kersey.store.projects import change_project
from kersey.web.arrange.stage import STAGE
from kersey.web.arrange.troubled import Troubled
from kersey.web.arrange.view import arrange_context
from kersey.web.open_project import OpenProject, opened_after
from kersey.web.project_page import answer_change
from kersey.web.workroom import Workroom


def lay(
    room: Workroom, project_id: int, revision: int, how: Callable[[Troubled], tuple[OnWall, str]]
) -> OpenProject:
    """Do something at the wall of a project, as one step that can be undone.

    Raises what `how` raises, and as `change` does.
    """
    said = ""
    with room.transaction() as session:
        preferences = load_preferences(session)
        units = preferences.workshop.units

        def laid(project: Project) -> Project:
            nonlocal said
            quilt = make_quilt(project, units)
            on_wall, said = how(Troubled(quilt, project.design.minded))
            return replace(project, plan=on_wall.kept)

        stored = change_project(
            session, project_id, revision, laid, room.clock(), words=lambda *_: said
        )
    return opened_after(room, stored, preferences)


def answer_laid(request: Request, room: Workroom, opened: OpenProject, **more: Any) -> Response:
    """The page after something was done at the wall; `more` is said once, of what was done."""
    context = arrange_context(room, opened) | more
    return answer_change(request, opened, "arrange/answer.html", context, STAGE.page)
