"""The cutting sheet: steps in order, each cloth drawn with its cuts, ticks that are kept."""

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter, HTTPException, Query, Request
from pydantic import AfterValidator, Field
from starlette.responses import Response

from kersey.core.project.design import check_layers
from kersey.core.project.project import Project
from kersey.core.work.work_order import ticked
from kersey.web.cut import kits, labels, table, wrong
from kersey.web.cut.view import cut_context
from kersey.web.forms import BadForm, checked
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import answer_change, go_to, news_of
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
router.include_router(table.router)
router.include_router(wrong.router)
router.include_router(labels.router)
router.include_router(kits.router)


class TickForm(RevisedForm):
    """A step ticked off, or not any more."""

    step: str = Field(max_length=60)
    done: bool = False


class LayersForm(RevisedForm):
    """How many layers are cut at once."""

    layers: Annotated[int, AfterValidator(checked(check_layers))]


def _again(request: Request, room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    context = cut_context(room, opened) | {"errors": bad.errors, "typed": bad.typed}
    return render(request, "cut/page.html", context, 422)


@router.get("/projects/{project_id}/cut", name="cut_page")
def cut_page(
    request: Request,
    room: Room,
    opened: Opened,
    seen: Annotated[int | None, Query(ge=0, le=2**31)] = None,
) -> Response:
    """What is to be cut. Another screen asks whether it is still as it has `seen` it."""
    if is_fragment_request(request):
        if seen == opened.stored.revision:
            return Response(status_code=204)
        # The plan was exchanged or a step ticked elsewhere: what follows from it is shown anew.
        context = cut_context(room, opened) | {"oob": True}
        return render(request, "cut/anew.html", context, headers=news_of(opened))
    return render(request, "cut/page.html", cut_context(room, opened))


@router.post("/projects/{project_id}/steps", name="tick_step")
def tick_step(
    request: Request, room: Room, opened: Opened, form: Annotated[TickForm, sent(TickForm)]
) -> Response:
    """Tick a step off, or take the tick back."""
    step = next((s for s in opened.steps if s.key == form.step), None)
    if step is None:
        raise HTTPException(404)
    opened = change(room, opened.stored.id, form.revision, lambda p: ticked(p, step, form.done))
    return answer_change(request, opened, "cut/answer.html", cut_context(room, opened), "cut_page")


@router.post("/projects/{project_id}/layers", name="choose_layers")
def choose_layers(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[LayersForm, sent(LayersForm, _again)],
) -> Response:
    """Say how many layers are cut at once."""

    def with_layers(project: Project) -> Project:
        return replace(project, design=replace(project.design, layers=form.layers))

    change(room, opened.stored.id, form.revision, with_layers)
    return go_to(request, "cut_page", opened)
