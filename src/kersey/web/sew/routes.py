"""Sew: one pass at a time, large; beside it pressing, rows, and what is measured."""

from collections.abc import Sequence
from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.measure.length import format_length
from kersey.core.project.measuring_log import (
    following,
    in_batches,
    noted,
    pressed_by,
    with_reading,
    without_reading,
)
from kersey.core.project.project import Project
from kersey.core.project.sewing import (
    LONGEST_NOTE,
    MOST_IN_A_BATCH,
    Follow,
    Measured,
    Reading,
    School,
)
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.pass_words import pass_title
from kersey.core.sewing.passes import (
    Pass,
    after_block,
    after_pass,
    before_block,
    before_pass,
    passes,
)
from kersey.core.sewing.uneven import Doing, evened
from kersey.web.forms import Length, PageForm
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, insist, sent
from kersey.web.project_page import answer_change, go_to
from kersey.web.sew import time
from kersey.web.sew.view import (
    measures_context,
    planned_width,
    press_context,
    sew_context,
    sewing_state,
)
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
router.include_router(time.router)


class PassForm(PageForm):
    """A pass is done, or taken back: for all of its blocks, or for one."""

    key: str = Field(max_length=60)
    done: bool = True
    block: str = Field("", max_length=12)


class BatchForm(RevisedForm):
    """How many blocks are sewn at a time, 0 for all, and the person's own note."""

    batch: int = Field(12, ge=0, le=MOST_IN_A_BATCH)
    note: str = Field("", max_length=LONGEST_NOTE)


class SchoolForm(RevisedForm):
    """To which side seams are pressed."""

    school: School


class ReadingForm(PageForm):
    """What was read: of a block, a row, or after so many strips; by tape where the tape sent it."""

    what: Measured
    number: int = Field(0, ge=0, le=100_000)
    place: str = Field("", max_length=20)
    target: Length
    read: Length
    by_tape: bool = False


class StripsForm(PageForm):
    """How wide it is after so many strips, in the middle and at both edges."""

    number: int = Field(ge=1, le=100_000)
    middle: Length | None = None
    left: Length | None = None
    right: Length | None = None


class ForgetForm(RevisedForm):
    """A reading that was none, by its place in the log."""

    place: int = Field(ge=0, le=100_000)


class FollowForm(RevisedForm):
    """What becomes of blocks and rows that are not as reckoned."""

    follow: Follow


class EvenForm(RevisedForm):
    """What is done with blocks that came out uneven."""

    doing: Doing


@router.get("/projects/{project_id}/sew", name="sew_page")
def sew_page(request: Request, opened: Opened, seen: str = Query("", max_length=80)) -> Response:
    """The pass that comes next. Another screen asks whether it is still the one it has `seen`."""
    if seen and is_fragment_request(request) and seen == sewing_state(opened):
        return Response(status_code=204)
    if is_fragment_request(request):
        return render(request, "sew/answer.html", sew_context(opened) | {"oob": True})
    return render(request, "sew/page.html", sew_context(opened))


@router.post("/projects/{project_id}/sew/pass", name="tick_pass")
def tick_pass(
    request: Request, room: Room, opened: Opened, form: Annotated[PassForm, sent(PassForm)]
) -> Response:
    """Tick a pass off, or take it back. Ticks of two screens do not meet."""
    opened = _ticked(room, opened, form)
    return answer_change(request, opened, "sew/answer.html", sew_context(opened), "sew_page")


@router.post("/projects/{project_id}/sew/batch", name="choose_batch")
def choose_batch(
    request: Request, room: Room, opened: Opened, form: Annotated[BatchForm, sent(BatchForm)]
) -> Response:
    """Say how many blocks are sewn at a time, and leave oneself a note."""
    opened = change(
        room, opened.stored.id, form.revision, lambda p: in_batches(p, form.batch, form.note)
    )
    return answer_change(request, opened, "sew/answer.html", sew_context(opened), "sew_page")


@router.get("/projects/{project_id}/sew/pressing", name="sew_pressing")
def sew_pressing(request: Request, opened: Opened) -> Response:
    """To which side every seam is pressed."""
    return render(request, "sew/pressing.html", press_context(opened))


@router.post("/projects/{project_id}/sew/pressing", name="choose_school")
def choose_school(
    request: Request, room: Room, opened: Opened, form: Annotated[SchoolForm, sent(SchoolForm)]
) -> Response:
    """Press by another school."""
    change(room, opened.stored.id, form.revision, lambda p: pressed_by(p, form.school))
    return go_to(request, "sew_pressing", opened)


@router.get("/projects/{project_id}/sew/measures", name="sew_measures")
def sew_measures(request: Request, opened: Opened) -> Response:
    """What is measured: the model block, rows, strips; and the log."""
    context = measures_context(opened)
    return render(request, "sew/measures.html", context)


@router.post("/projects/{project_id}/sew/readings", name="enter_reading")
def enter_reading(
    request: Request, room: Room, opened: Opened, form: Annotated[ReadingForm, sent(ReadingForm)]
) -> Response:
    """Enter a reading; two that come at once are both kept."""
    reading = Reading(
        form.what, form.number, form.place, form.target, form.read, room.clock(), form.by_tape
    )
    insist(room, opened, lambda _: lambda project: with_reading(project, reading))
    return go_to(request, "sew_measures", opened)


@router.get("/projects/{project_id}/sew/strips", name="planned_strips")
def planned_strips(opened: Opened, number: int = Query(1, ge=1, le=100_000)) -> Response:
    """How wide so many strips should be."""
    if opened.quilt is None:
        return Response("", media_type="text/plain")
    planned = format_length(planned_width(opened.quilt, number), opened.units)
    return Response(f"Planned {planned}", media_type="text/plain; charset=utf-8")


@router.post("/projects/{project_id}/sew/strips", name="enter_strips")
def enter_strips(
    request: Request, room: Room, opened: Opened, form: Annotated[StripsForm, sent(StripsForm)]
) -> Response:
    """Enter how wide it is after so many strips; all readings belong to one count."""
    now, quilt = room.clock(), opened.quilt
    read = {"middle": form.middle, "left edge": form.left, "right edge": form.right}

    def entered(project: Project) -> Project:
        for place, width in read.items():
            if width is not None and quilt is not None:
                target = planned_width(quilt, form.number)
                reading = Reading(Measured.STRIP, form.number, place, target, width, now)
                project = with_reading(project, reading)
        return project

    insist(room, opened, lambda _: entered)
    return go_to(request, "sew_measures", opened)


@router.post("/projects/{project_id}/sew/readings/forget", name="forget_reading")
def forget_reading(
    request: Request, room: Room, opened: Opened, form: Annotated[ForgetForm, sent(ForgetForm)]
) -> Response:
    """Strike a reading out."""
    change(room, opened.stored.id, form.revision, lambda p: without_reading(p, form.place))
    return go_to(request, "sew_measures", opened)


@router.post("/projects/{project_id}/sew/follow", name="choose_follow")
def choose_follow(
    request: Request, room: Room, opened: Opened, form: Annotated[FollowForm, sent(FollowForm)]
) -> Response:
    """Let the quilt follow what was measured, or keep to what was reckoned."""
    change(room, opened.stored.id, form.revision, lambda p: following(p, form.follow))
    return go_to(request, "sew_measures", opened)


@router.post("/projects/{project_id}/sew/uneven", name="even_out")
def even_out(
    request: Request, room: Room, opened: Opened, form: Annotated[EvenForm, sent(EvenForm)]
) -> Response:
    """Do one of the things that uneven blocks leave."""
    change(room, opened.stored.id, form.revision, lambda p: evened(p, form.doing))
    return go_to(request, "sew_measures", opened)


def _ticked(room: Workroom, opened: OpenProject, form: PassForm) -> OpenProject:
    quilt = opened.quilt
    if quilt is None:
        return opened
    every = passes(quilt, opened.project.sewing.batch)
    one = next((each for each in every if each.key == form.key), None)
    if one is None:
        return opened
    now = room.clock()
    words = pass_title(one) if form.done else ""
    if form.block and form.done:
        words += f", block {form.block}"

    def ticked(project: Project) -> Project:
        changed = _after(project, quilt, every, one, form)
        return noted(changed, words, now) if changed != project else project

    return insist(room, opened, lambda _: ticked)


def _after(
    project: Project, quilt: Quilt, every: Sequence[Pass], one: Pass, form: PassForm
) -> Project:
    if form.block:
        singly = after_block if form.done else before_block
        return singly(project, quilt, every, one, form.block)
    whole = after_pass if form.done else before_pass
    return whole(project, quilt, every, one)
