"""The best size of the block, with its curve; a size is taken where it is shown."""

from dataclasses import replace
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from starlette.responses import Response

from kersey.core.planning.size_curve import best_sizes, sizes_question
from kersey.core.project.project import Project
from kersey.drawing.size_curve import draw_size_curve
from kersey.web.forms import Length
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom
from kersey.web.yield_page.stage import STAGE

router = APIRouter()

_FIRST, _MORE = 0.6, 3.0


class SizeForm(RevisedForm):
    """The finished size that is taken."""

    width: Length
    height: Length


@router.get("/projects/{project_id}/yield/sizes", name="block_sizes")
def block_sizes(
    request: Request, room: Room, opened: Opened, seen: int = Query(0, ge=0, le=10_000)
) -> Response:
    """The sizes tried up to now."""
    page = "sizes.html" if is_fragment_request(request) else "sizes_page.html"
    return render(request, f"yield_page/{page}", _context(room, opened, seen))


@router.post("/projects/{project_id}/yield/sizes", name="take_block_size")
def take_block_size(
    request: Request, room: Room, opened: Opened, form: Annotated[SizeForm, sent(SizeForm)]
) -> Response:
    """Make the block this large."""
    change(room, opened.stored.id, form.revision, lambda p: _sized(p, form))
    return go_to(request, "yield_page", opened)


def _sized(project: Project, form: SizeForm) -> Project:
    block = replace(project.design.block, finished=(form.width, form.height))
    block.assembly(project.design.seam)
    return replace(project, design=replace(project.design, block=block, block_chosen=True))


def _context(room: Workroom, opened: OpenProject, seen: int) -> dict[str, Any]:
    context = project_context(opened, STAGE) | {"curve": "", "best": [], "sizing": False, "seen": 0}
    question = sizes_question(opened.project, opened.units)
    if question is None:
        return context
    inquiry = room.searches.ask(("sizes", opened.stored.id), question)
    inquiry.wait(seen, _MORE if seen else _FIRST)
    found, count, over = inquiry.answer or (), inquiry.count, inquiry.over
    best = best_sizes(found)
    size = opened.project.design.block.size_at(opened.project.design.seam)
    if found and size is not None:
        now = size[0]
        top = best[0] if best else None
        context["curve"] = draw_size_curve(found, top, now, opened.units)
    return context | {"best": best, "found": found, "sizing": not over, "seen": count}
