"""Pieces in the order a blind hand draws them from a bag, no two of one print together."""

from collections.abc import Sequence
from typing import Annotated

from fastapi import APIRouter, Path, Query, Request
from starlette.responses import Response

from kersey.core.cloth.fabric import Print
from kersey.core.cloth.sorting import CannotDraw, bag_draw
from kersey.drawing.swatch import draw_swatch
from kersey.store.cupboard import get_lot
from kersey.store.projects import get_project
from kersey.web.open_project import ProjectId
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

LotId = Annotated[int, Path(ge=1, le=2**31)]
Draw = Annotated[int, Query(ge=1, le=9999)]
_SHOWN = 400


@router.get("/cupboard/lots/{lot_id}/bag", name="bag_page")
def bag_of_lot(request: Request, room: Room, lot_id: LotId, draw: Draw = 1) -> Response:
    """All pieces of a lot; the same draw stays the same."""
    with room.reading() as session:
        kept = get_lot(session, lot_id).kept
    pieces = [(stack.print, stack.count) for stack in kept.lot.stacks]
    back = str(request.app.url_path_for("lot_page", lot_id=lot_id))
    return _page(request, room, kept.name, pieces, draw, back)


@router.get("/projects/{project_id}/bag", name="project_bag")
def bag_of_project(request: Request, room: Room, project_id: ProjectId, draw: Draw = 1) -> Response:
    """All pieces pulled for the blocks of a quilt."""
    with room.reading() as session:
        project = get_project(session, project_id).project
    pieces = [(pulled.print, pulled.count) for pulled in project.fabrics if pulled.for_blocks]
    back = str(request.app.url_path_for("pull_page", project_id=project_id))
    return _page(request, room, project.name, pieces, draw, back)


def _page(
    request: Request,
    room: Workroom,
    title: str,
    pieces: Sequence[tuple[Print, int]],
    draw: int,
    back: str,
) -> Response:
    order: tuple[int, ...] = ()
    problem = ""
    try:
        order = bag_draw([count for _, count in pieces], draw)
    except CannotDraw as refused:
        problem = str(refused)
    swatches = [draw_swatch(cloth) for cloth, _ in pieces]
    context = {
        "theme": room.preferences().theme,
        "title": title,
        "back": back,
        "again": request.url.path,
        "draw": draw,
        "drawn": [(pieces[place][0], swatches[place]) for place in order[:_SHOWN]],
        "problem": problem,
    }
    return render(request, "bag/page.html", context)
