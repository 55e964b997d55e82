"""The wall: every act of a hand at it, undone and done again; what is laid by one touch."""

from dataclasses import replace
from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Query, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.project.laying import Joining
from kersey.core.project.minding import Trouble, Weights
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.wall.hand import CannotLay
from kersey.core.wall.joining import joins
from kersey.core.wall.numbers import NoSuchPlace
from kersey.web.arrange import real, searching, versions, windows
from kersey.web.arrange.acts import ActForm, done
from kersey.web.arrange.lay import answer_laid, lay
from kersey.web.arrange.troubled import troubled
from kersey.web.arrange.view import arrange_context, look, map_context
from kersey.web.forms import BadForm, TypedForm, read_form
from kersey.web.open_project import Opened, OpenProject, RevisedForm, StepForm, change, sent, step
from kersey.web.project_page import answer_refused
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
router.include_router(searching.router)
router.include_router(versions.router)
router.include_router(real.router)
_AN_HOUR = {"cache-control": "private, max-age=3600"}


def _again(request: Request, room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    return answer_refused(
        request, "arrange/page.html", "arrange/answer.html", arrange_context(room, opened), bad
    )


@router.get("/projects/{project_id}/arrange", name="arrange_page")
def arrange_page(request: Request, room: Room, opened: Opened) -> Response:
    template = "arrange/answer.html" if is_fragment_request(request) else "arrange/page.html"
    oob = {"oob": is_fragment_request(request)}
    return render(request, template, arrange_context(room, opened) | oob)


@router.post("/projects/{project_id}/arrange", name="act_at_wall")
def act_at_wall(
    request: Request, room: Room, opened: Opened, form: Annotated[ActForm, sent(ActForm, _again)]
) -> Response:
    """Something is done at the wall."""
    if form.look.startswith(windows.KEY):
        opened = change(room, opened.stored.id, form.revision, windows.with_windows)
        return answer_laid(request, room, opened)
    try:
        opened = lay(room, opened.stored.id, form.revision, lambda shown: done(form, shown))
    except (CannotLay, NoSuchPlace) as error:
        raise BadForm({"places": str(error)}) from None
    return answer_laid(request, room, opened)


@router.post("/projects/{project_id}/arrange/step", name="step_at_wall")
def step_at_wall(
    request: Request, room: Room, opened: Opened, form: Annotated[StepForm, sent(StepForm)]
) -> Response:
    """Undo the last step, or do it again."""
    opened = step(room, opened, form)
    return answer_laid(request, room, opened)


@router.post("/projects/{project_id}/arrange/minded", name="mind_troubles")
def mind_troubles(request: Request, room: Room, opened: Opened, typed: TypedForm) -> Response:
    """Say how much each trouble is minded."""
    form = read_form(RevisedForm, {"revision": typed.get("revision", "")}, opened.units)
    now = opened.project.design.minded

    def weight(trouble: Trouble) -> int:
        said = typed.get(trouble.name.lower(), "")
        return int(said) if said.isdecimal() else now.of(trouble)

    weights = Weights(tuple(map(weight, Trouble)))

    def minding(project: Project) -> Project:
        return replace(project, design=replace(project.design, minded=weights))

    return answer_laid(request, room, change(room, opened.stored.id, form.revision, minding))


class JoinForm(RevisedForm):
    """How blocks are joined, and which step was sewn, or not after all."""

    joining: Joining | None = None
    key: str = Field("", max_length=60)


@router.post("/projects/{project_id}/arrange/joined", name="join_blocks")
def join_blocks(
    request: Request, room: Room, opened: Opened, form: Annotated[JoinForm, sent(JoinForm)]
) -> Response:
    """Say how the blocks are joined, or that a seam is sewn, or not after all."""

    def joined(project: Project) -> Project:
        quilt = make_quilt(project, opened.units)
        joining = form.joining or project.design.joining
        steps = {step.key for step in joins(quilt.grid, joining)}
        done = project.done ^ ({form.key} & steps)
        return replace(project, design=replace(project.design, joining=joining), done=done)

    return answer_laid(request, room, change(room, opened.stored.id, form.revision, joined))


@router.get("/projects/{project_id}/arrange/map", name="wall_map")
def wall_map(request: Request, room: Room, opened: Opened) -> Response:
    """The map to print: numbers, turns, prints and pins; and a label for every block."""
    return render(request, "arrange/map.html", map_context(room, opened))


@router.get("/projects/{project_id}/arrange/look", name="look_at_wall")
def look_at_wall(
    opened: Opened,
    act: Literal["way", "order", "windows", "scattered", "now"],
    key: str = Query("", max_length=60),
) -> Response:
    """A small drawing of the quilt laid otherwise."""
    drawn = look(troubled(opened.reckoned), act, key) if opened.quilt else None
    if drawn is None:
        raise HTTPException(404)
    return Response(drawn, media_type="image/svg+xml", headers=_AN_HOUR)
