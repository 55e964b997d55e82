"""Finish: borders cut to what is measured, the layers, the quilting, the edge, and afterwards."""

from base64 import b64encode
from dataclasses import replace
from datetime import date
from pathlib import Path
from typing import Annotated, Any, Literal, TypeVar

from fastapi import APIRouter, HTTPException, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.finish.border_steps import PLACES, Axis, borders_sewn, reading_number
from kersey.core.finish.top import finished_now, quilted_now
from kersey.core.finish.washing import learned
from kersey.core.project.finishing import (
    LONGEST_LABEL,
    LONGEST_WORDS,
    Finishing,
    Holding,
    Pattern,
    Quilting,
    TurnedWay,
)
from kersey.core.project.measuring_log import noted, with_reading
from kersey.core.project.project import Project
from kersey.core.project.sewing import HEIGHT, WIDTH, Measured, Reading
from kersey.drawing.quilt import draw_hung
from kersey.formats.picture import png_of
from kersey.store.photographs import copy_photograph
from kersey.store.prices import load_prices
from kersey.store.projects import washed_logs
from kersey.web.camera.film import (
    kept_with_quilt,
    opened_picture,
    picture_of_folder,
    pictures_of_folder,
)
from kersey.web.download import saved_as
from kersey.web.finish.layers import layers_context
from kersey.web.finish.view import (
    after_context,
    borders_context,
    edge_context,
    quilting_context,
    tick_key,
)
from kersey.web.forms import Length, PageForm
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, insist, sent
from kersey.web.project_page import go_to
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
_Form = TypeVar("_Form", bound=RevisedForm)
_ROOT = "/projects/{project_id}/finish"
# The longer side of a picture that is saved.
_SAVED_PX = 1600.0


class SideForm(RevisedForm):
    """Up to three readings of one side before a border, or of the second pair's again."""

    border: int = Field(ge=0, le=20)
    axis: Axis
    read_0: Length | None = None
    read_1: Length | None = None
    read_2: Length | None = None
    by_tape: bool = False


class WidthsForm(RevisedForm):
    """Whether borders are cut as wide as it takes to reach the size."""

    own_width: bool = False


class HoldingForm(RevisedForm):
    """What holds the layers, how far apart, and what is known of the batting."""

    holding: Holding
    reach: Length
    bears_heat: Literal["", "yes", "no"] = ""
    apart: Length | None = None
    turned_way: TurnedWay = TurnedWay.QUILTED_FIRST


class QuiltingForm(RevisedForm):
    """How it is quilted."""

    pattern: Pattern
    distance: Length
    across: bool = False
    crossed: bool = False


class StartForm(RevisedForm):
    """Where the binding is begun: so far to the left of the middle of the lower side."""

    start: Length | None = None
    to_the_right: bool = False


class SizeForm(RevisedForm):
    """The quilt measured: once it is quilted and trimmed, or after its wash."""

    what: Literal[Measured.QUILTED, Measured.WASHED]
    width: Length
    length: Length


class AfterForm(RevisedForm):
    """What is kept of the quilt."""

    finished_on: date | None = None
    for_whom: str = Field("", max_length=LONGEST_WORDS)
    label: str = Field("", max_length=LONGEST_LABEL)
    label_width: Length
    care: str = Field("", max_length=LONGEST_WORDS)


class PhotographForm(RevisedForm):
    """A picture of the camera folder is kept with the quilt, or no more."""

    name: str = Field(max_length=LONGEST_WORDS)
    kept: bool = False


class StepForm(PageForm):
    """A step of the finish is done, or taken back."""

    key: str = Field(max_length=60)
    done: bool = True


@router.get(_ROOT, name="finish_page")
def finish_page(request: Request, opened: Opened) -> Response:
    """The borders as they are sewn on."""
    return render(request, "finish/borders.html", borders_context(opened))


@router.post(f"{_ROOT}/sides", name="measure_side")
def measure_side(
    request: Request, room: Room, opened: Opened, form: Annotated[SideForm, sent(SideForm)]
) -> Response:
    """Keep the readings of a side; what is left empty stays as it was."""
    now = room.clock()

    def measured(project: Project) -> Project:
        sewn = borders_sewn(opened.quilt, project) if opened.quilt else ()
        if form.border >= len(sewn) or form.axis not in sewn[form.border].expected:
            return project
        target = sewn[form.border].expected[form.axis]
        number = reading_number(form.border, form.axis)
        known = {r.place: r.read for r in project.sewing.of(Measured.BORDER) if r.number == number}
        for place, read in zip(PLACES, (form.read_0, form.read_1, form.read_2), strict=True):
            if read is not None and known.get(place) != read:
                project = with_reading(
                    project,
                    Reading(Measured.BORDER, number, place, target, read, now, form.by_tape),
                )
        return project

    change(room, opened.stored.id, form.revision, measured)
    return go_to(request, "finish_page", opened)


@router.post(f"{_ROOT}/widths", name="fit_widths")
def fit_widths(
    request: Request, room: Room, opened: Opened, form: Annotated[WidthsForm, sent(WidthsForm)]
) -> Response:
    """Let borders keep their width, or bring the quilt to its size."""
    _settle(room, opened, form, own_width=form.own_width)
    return go_to(request, "finish_page", opened)


@router.get(f"{_ROOT}/layers", name="finish_layers")
def finish_layers(request: Request, opened: Opened) -> Response:
    """Backing and batting to scale, and how the layers are held."""
    return render(request, "finish/layers.html", layers_context(opened))


@router.post(f"{_ROOT}/layers", name="choose_holding")
def choose_holding(
    request: Request, room: Room, opened: Opened, form: Annotated[HoldingForm, sent(HoldingForm)]
) -> Response:
    """Say what holds the layers."""
    heat = {"": None, "yes": True, "no": False}[form.bears_heat]
    _settle(
        room,
        opened,
        form,
        holding=form.holding,
        reach=form.reach,
        bears_heat=heat,
        apart=form.apart,
        turned_way=form.turned_way,
    )
    return go_to(request, "finish_layers", opened)


@router.get(f"{_ROOT}/quilting", name="finish_quilting")
def finish_quilting(request: Request, opened: Opened) -> Response:
    """The stitching over the quilt."""
    return render(request, "finish/quilting.html", quilting_context(opened))


@router.post(f"{_ROOT}/quilting", name="choose_quilting")
def choose_quilting(
    request: Request, room: Room, opened: Opened, form: Annotated[QuiltingForm, sent(QuiltingForm)]
) -> Response:
    """Say how it is quilted."""
    quilting = Quilting(form.pattern, form.distance, form.across, form.crossed)
    _settle(room, opened, form, quilting=quilting)
    return go_to(request, "finish_quilting", opened)


@router.get(f"{_ROOT}/edge", name="finish_edge")
def finish_edge(request: Request, opened: Opened) -> Response:
    """The edge, from the quilt as it measures now."""
    return render(request, "finish/edge.html", edge_context(opened))


@router.post(f"{_ROOT}/edge", name="start_binding")
def start_binding(
    request: Request, room: Room, opened: Opened, form: Annotated[StartForm, sent(StartForm)]
) -> Response:
    """Say where the binding is begun."""
    start = form.start and (-form.start if form.to_the_right else form.start)
    _settle(room, opened, form, binding_start=start)
    return go_to(request, "finish_edge", opened)


@router.post(f"{_ROOT}/size", name="measure_quilt")
def measure_quilt(
    request: Request, room: Room, opened: Opened, form: Annotated[SizeForm, sent(SizeForm)]
) -> Response:
    """Keep what the quilt measures."""
    now = room.clock()

    def measured(project: Project) -> Project:
        if opened.quilt is None:
            return project
        of = quilted_now if form.what is Measured.QUILTED else finished_now
        target = of(opened.quilt, project).size
        for place, read, reckoned in zip(
            (WIDTH, HEIGHT), (form.width, form.length), target, strict=True
        ):
            project = with_reading(project, Reading(form.what, 0, place, reckoned, read, now))
        return project

    change(room, opened.stored.id, form.revision, measured)
    page = "finish_edge" if form.what is Measured.QUILTED else "finish_after"
    return go_to(request, page, opened)


@router.get(f"{_ROOT}/after", name="finish_after")
def finish_after(request: Request, room: Room, opened: Opened) -> Response:
    """What is kept of the quilt once it is done."""
    return render(request, "finish/after.html", _after(room, opened))


@router.get(f"{_ROOT}/kept.html", name="kept_page")
def kept_page(request: Request, room: Room, opened: Opened) -> Response:
    """The finished quilt as one file of its own, that needs nothing else."""
    context = _after(room, opened)
    quilt = context["quilt"]
    if quilt is None:
        raise HTTPException(404)
    scale = _SAVED_PX / float(max(quilt.size.width, quilt.size.length))
    context |= {
        "hung": draw_hung(quilt, scale, flat=False),
        "photographs": [_within(kept) for kept in context["kept"].values() if kept],
    }
    answer = render(request, "finish/kept.html", context)
    answer.headers.update(saved_as(context["project"].name, "html"))
    return answer


@router.get(f"{_ROOT}/kept.png", name="kept_picture")
def kept_picture(opened: Opened) -> Response:
    """The finished quilt as a picture."""
    quilt = opened.quilt
    if quilt is None:
        raise HTTPException(404)
    scale = _SAVED_PX / float(max(quilt.size.width, quilt.size.length))
    saved = saved_as(opened.project.name, "png")
    drawn = draw_hung(quilt, scale, flat=False)
    return Response(png_of(drawn), media_type="image/png", headers=saved)


@router.get(f"{_ROOT}/label.svg", name="label_picture")
def label_picture(room: Room, opened: Opened) -> Response:
    """The label by itself: printed, it is as large as it is said to be."""
    context = _after(room, opened)
    if context["quilt"] is None:
        raise HTTPException(404)
    return Response(context["quilt_label"], media_type="image/svg+xml")


@router.post(f"{_ROOT}/after", name="keep_finished")
def keep_finished(
    request: Request, room: Room, opened: Opened, form: Annotated[AfterForm, sent(AfterForm)]
) -> Response:
    """Keep when it was finished, for whom it is, and its label."""
    _settle(
        room,
        opened,
        form,
        finished_on=form.finished_on,
        for_whom=form.for_whom,
        label=form.label,
        label_width=form.label_width,
        care=form.care,
    )
    return go_to(request, "finish_after", opened)


@router.post(f"{_ROOT}/photograph", name="keep_photograph")
def keep_photograph(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[PhotographForm, sent(PhotographForm)],
) -> Response:
    """Keep a picture of the camera folder with the quilt, or take it away again."""
    name = form.name
    if form.kept:
        name = copy_photograph(room.data, picture_of_folder(room, name))

    def keeping(project: Project) -> Project:
        others = tuple(n for n in project.finishing.photographs if n != name)
        return _settled(project, photographs=(*others, name) if form.kept else others)

    change(room, opened.stored.id, form.revision, keeping)
    return go_to(request, "finish_after", opened)


@router.post(f"{_ROOT}/step", name="tick_finish")
def tick_finish(
    request: Request, room: Room, opened: Opened, form: Annotated[StepForm, sent(StepForm)]
) -> Response:
    """Tick a step of the edge off, or take it back."""
    key, words = tick_key(opened, form.key)
    now = room.clock()

    def ticked(project: Project) -> Project:
        if not key:
            return project
        done = project.done | {key} if form.done else project.done - {key}
        return noted(replace(project, done=done), words if form.done else "", now)

    insist(room, opened, lambda _: ticked)
    return go_to(request, "finish_edge", opened)


def _within(picture: Path) -> str:
    """A picture as it stands in a page that needs nothing else."""
    kind = "png" if picture.suffix.lower() == ".png" else "jpeg"
    return f"data:image/{kind};base64,{b64encode(opened_picture(picture)).decode()}"


def _after(room: Workroom, opened: OpenProject) -> dict[str, Any]:
    with room.reading() as session:
        prices, _ = load_prices(session)
        washings = learned(washed_logs(session))
    pictures = [path.name for path in pictures_of_folder(room)]
    context = after_context(opened, prices, pictures, washings)
    kept = {name: kept_with_quilt(room, name) for name in context["finishing"].photographs}
    return context | {"currency": room.preferences().currency, "kept": kept}


def _settle(room: Workroom, opened: OpenProject, form: RevisedForm, **facts: object) -> None:
    """Keep what a form settles of the finish."""
    change(room, opened.stored.id, form.revision, lambda project: _settled(project, **facts))


def _settled(project: Project, **facts: object) -> Project:
    finishing: Finishing = replace(project.finishing, **facts)  # type: ignore[arg-type]
    return replace(project, finishing=finishing)
