"""News of a plan that is being searched for, and what a person does with it."""

from dataclasses import replace
from typing import Annotated
from urllib.parse import urlsplit

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.responses import RedirectResponse, Response

from kersey.core.planning.plan_question import dealt_again, exchanged
from kersey.core.project.design import KitWish
from kersey.core.project.project import Project
from kersey.web.forms import TypedForm, read_form
from kersey.web.open_project import (
    Opened,
    OpenProject,
    ProjectId,
    RevisedForm,
    StepForm,
    change,
    open_project,
    sent,
    step,
)
from kersey.web.planning import accepted, found_plan
from kersey.web.project_page import go_to, plan_context
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()

# How long a request may stay open for news.
_NEWS = 4.0


class DealForm(RevisedForm):
    """How prints are to go together, and whether to deal once more."""

    kits: KitWish
    again: bool = False


class PinForm(RevisedForm):
    """A block, by its number from 1, whose kit stays as it is; or one that is let go."""

    pin: int | None = Field(None, ge=1, le=5000)
    unpin: int | None = Field(None, ge=1, le=5000)


class ExchangeForm(RevisedForm):
    """A block gives one of its fabrics for another."""

    block: int = Field(ge=1, le=5000)
    gives: str = Field(max_length=200)
    takes: str = Field(max_length=200)


@router.get("/projects/{project_id}/plan/news", name="plan_news")
def plan_news(
    request: Request,
    room: Room,
    project_id: ProjectId,
    number: int = Query(0, ge=0),
    question: str = Query("", max_length=80),
    page: str = Query("", max_length=10),
) -> Response:
    """Whether the plan that a page was shown with is still the one that is kept.

    It is known by its number, and by its question: a plan for the same one only saves fabric.
    """
    opened = open_project(room, project_id, _NEWS)
    headers = {}
    if opened.stored.plan_number != number or opened.news.offered:
        kept = opened.project.plan
        same = kept is not None and kept.question == question and not opened.news.offered
        headers = {"HX-Trigger": "kersey:thrift" if same else "kersey:plan"}
    context = plan_context(opened, page) | {"news_alone": True}
    return render(request, "plan/news.html", context, headers=headers)


@router.post("/projects/{project_id}/plan", name="take_plan")
def take_plan(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Take the plan that was found in the place of the one before."""
    opened = open_project(room, project_id, _NEWS)
    form = read_form(RevisedForm, typed, opened.units)
    found = found_plan(room, opened.stored, opened.units)
    if found is not None:
        taken = found.as_taken()
        opened = change(room, project_id, form.revision, lambda p: accepted(p, taken, opened.units))
    return _back(request, opened, typed.get("page", ""))


@router.post("/projects/{project_id}/step-over", name="step_over")
def step_over(
    request: Request, room: Room, opened: Opened, form: Annotated[StepForm, sent(StepForm)]
) -> Response:
    """Undo what was done last, or do it again, and go back to the page that it was sent from."""
    opened = step(room, opened, form)
    page = urlsplit(request.headers.get("referer", ""))
    if not page.path.startswith(f"/projects/{opened.stored.id}/"):
        return go_to(request, "size_page", opened)
    return RedirectResponse(f"{page.path}?{page.query}" if page.query else page.path, 303)


@router.post("/projects/{project_id}/kits", name="deal_kits")
def deal_kits(
    request: Request, room: Room, opened: Opened, form: Annotated[DealForm, sent(DealForm)]
) -> Response:
    """Deal the kits as is wished, or once more."""

    def dealt(project: Project) -> Project:
        deal = project.design.deal + form.again
        design = replace(project.design, kits=form.kits, deal=deal)
        return dealt_again(replace(project, design=design))

    change(room, opened.stored.id, form.revision, dealt)
    return go_to(request, "kits_page", opened)


@router.post("/projects/{project_id}/kits/pin", name="pin_kit")
def pin_kit(
    request: Request, room: Room, opened: Opened, form: Annotated[PinForm, sent(PinForm)]
) -> Response:
    """Pin a block, so that its kit stays when kits are dealt again; or let it go."""

    def pinned(project: Project) -> Project:
        kept = project.plan
        if kept is None:
            return project
        pins = {*kept.pinned, (form.pin or 0) - 1} - {(form.unpin or 0) - 1}
        return replace(
            project, plan=replace(kept, pinned=frozenset(pins & {*range(len(kept.kits))}))
        )

    change(room, opened.stored.id, form.revision, pinned)
    return go_to(request, "kits_page", opened)


@router.post("/projects/{project_id}/kits/exchange", name="exchange_print")
def exchange_print(
    request: Request, room: Room, opened: Opened, form: Annotated[ExchangeForm, sent(ExchangeForm)]
) -> Response:
    """Exchange a print of a block with a block that can spare another."""
    if opened.project.plan is None:
        return go_to(request, "kits_page", opened)
    change(
        room,
        opened.stored.id,
        form.revision,
        lambda p: exchanged(p, form.block - 1, form.gives, form.takes),
    )
    return go_to(request, "kits_page", opened)


def _back(request: Request, opened: OpenProject, page: str) -> Response:
    name = f"{page}_page" if page in {"size", "cut", "yield"} else "size_page"
    return go_to(request, name, opened)
