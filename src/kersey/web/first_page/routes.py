"""The wall of quilts; projects begun, renamed, copied, thrown away and brought back."""

from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from pydantic import AfterValidator
from sqlalchemy.orm import Session
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.fabric import checked_name
from kersey.core.errors import Infeasible, KerseyError
from kersey.core.measure.length import format_size
from kersey.core.measure.workshop import Workshop
from kersey.core.project.best_block import best_block
from kersey.core.project.design import Design
from kersey.core.project.naming import fabric_name, unused_name
from kersey.core.project.project import Project
from kersey.core.project.question import CUT_FROM, sample_prints, yield_asked
from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import Reading, examples_in, read_lots
from kersey.drawing.patches import draw_block_alone
from kersey.drawing.quilt import draw_miniature
from kersey.store.cupboard import add_lots, number_prints
from kersey.store.preferences import Preferences, is_sample_world, load_preferences
from kersey.store.projects import (
    ProjectLine,
    add_project,
    count_projects,
    delete_project,
    duplicate_project,
    get_project,
    list_deleted,
    list_projects,
    project_names,
    restore_project,
)
from kersey.web.cut.stage import STAGE as CUT
from kersey.web.forms import BadForm, PageForm, TypedForm, read_form
from kersey.web.open_project import ProjectId, RevisedForm, change, open_project
from kersey.web.project_page import news_of
from kersey.web.stage import Stage
from kersey.web.stages import STAGES, next_stage
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Reckoned, Room, Workroom
from kersey.web.yield_page.stage import STAGE as YIELD

router = APIRouter()

_ON_THE_WALL = 24
_DELETED_SHOWN = 12
# All quilts on the wall are drawn to one scale: this many pixels to the inch.
_PX_PER_INCH = 4.4
_LONGEST_HANGER_PX = 400


@dataclass(frozen=True)
class Hanger:
    """A quilt on the wall."""

    id: int
    revision: int
    plan_number: int
    name: str
    size: str
    next_act: str
    next_page: str
    width_px: int
    length_px: int
    last: str = ""
    note: str = ""


class NewProject(PageForm):
    """A line of fabric, as it was typed."""

    line: str = ""


class NewName(RevisedForm):
    """Another name for a project."""

    name: Annotated[str, AfterValidator(checked_name)]


@router.get("/", name="first_page")
def first_page(
    request: Request,
    room: Room,
    wall: Annotated[int, Query(ge=1, le=100_000)] = 1,
    deleted: Annotated[int | None, Query()] = None,
) -> Response:
    return _page(request, room, wall=wall, just_deleted=deleted)


@router.get("/sample", name="sample_news")
def sample_news(request: Request, room: Room, line: str = "") -> Response:
    """Whether the sample quilts are made: then the page that shows them is opened anew, or is to
    be, where something was typed meanwhile."""
    if room.sample is not None and not room.sample.over:
        return Response(status_code=204)
    if room.sample is not None:
        room.sample.answer(request)
    if line:
        return render(request, "first_page/sample_ready.html", {})
    return Response(headers={"HX-Redirect": str(request.app.url_path_for("first_page"))})


@router.get("/quick-entry", name="quick_entry")
def quick_entry(request: Request, room: Room, line: str = "") -> Response:
    """The line read back, as it is typed."""
    workshop = room.preferences().workshop
    context = _read_back(line, workshop)
    return render(request, "first_page/reading.html", context)


def _read_back(line: str, workshop: Workshop) -> dict[str, Any]:
    return {
        "readings": read_lots(line, workshop) if line.strip() else (),
        "cut_from": CUT_FROM,
        "examples": examples_in(workshop.units),
    }


@router.post("/projects", name="start_project")
def start_project(request: Request, room: Room, typed: TypedForm) -> Response:
    """Begin a project with a line of fabric."""
    preferences = room.preferences()
    form = read_form(NewProject, typed, preferences.workshop.units)
    readings = read_lots(form.line, preferences.workshop)
    if not all(reading.taken for reading in readings):
        return _page(request, room, line=form.line, status=422)
    lots = from_readings(readings)
    if not any(kept.lot.form in CUT_FROM for kept in lots):
        return _put_away(request, room, readings)
    shop = preferences.workshop
    design = Design(seam=shop.seam, usable_width=shop.usable_width)
    fabrics = tuple(pulled for kept in lots for pulled in all_of(kept))
    project = Project(fabric_name(readings), form.line, fabrics, design)
    design = replace(design, block=best_block(project), block_chosen=False)
    with room.transaction() as session:
        numbered = number_prints(session, lots)
        fabrics = tuple(pulled for kept in numbered for pulled in all_of(kept))
        name = unused_name(project.name, project_names(session))
        project = replace(project, name=name, fabrics=fabrics, design=design)
        project_id = add_project(session, project, room.clock())
    return _see(request, "yield_page", project_id=project_id)


def _put_away(request: Request, room: Workroom, readings: Sequence[Reading]) -> Response:
    """Fabric that blocks are not cut from by measure goes into the cupboard."""
    with room.transaction() as session:
        lots = number_prints(session, from_readings(readings))
        add_lots(session, lots, f"added {fabric_name(readings)}", room.clock())
    return _see(request, "cupboard_page")


@router.post("/projects/{project_id}/name", name="rename_project")
def rename_project(
    request: Request, room: Room, project_id: ProjectId, typed: TypedForm
) -> Response:
    """Give a project another name."""
    try:
        form = read_form(NewName, typed, room.preferences().workshop.units)
    except BadForm as bad:
        return _page(request, room, status=422, naming=project_id, bad=bad)
    opened = change(room, project_id, form.revision, lambda p: replace(p, name=form.name))
    if is_fragment_request(request):
        return Response(status_code=204, headers=news_of(opened))
    return _see(request, "first_page")


@router.post("/projects/{project_id}/copy", name="duplicate_project")
def duplicate(request: Request, room: Room, project_id: ProjectId) -> Response:
    """Copy a project and open the wall, the copy first."""
    with room.transaction() as session:
        duplicate_project(session, project_id, room.clock())
    return _see(request, "first_page")


@router.post("/projects/{project_id}/delete", name="delete_project")
def delete(request: Request, room: Room, project_id: ProjectId) -> Response:
    """Take a project off the wall; it can be brought back."""
    with room.transaction() as session:
        delete_project(session, project_id, room.clock())
    address = request.app.url_path_for("first_page")
    return RedirectResponse(f"{address}?deleted={project_id}", status_code=303)


@router.post("/projects/{project_id}/restore", name="restore_project")
def restore(request: Request, room: Room, project_id: ProjectId) -> Response:
    """Bring a deleted project back."""
    with room.transaction() as session:
        restore_project(session, project_id, room.clock())
    return _see(request, "first_page")


@router.get("/projects/{project_id}/picture.svg", name="picture")
def picture(room: Room, project_id: ProjectId) -> Response:
    """The quilt alone, for the wall; its address carries the revision, so it may be kept."""
    opened = open_project(room, project_id)
    if opened.quilt is None:
        return Response(_block_alone(opened.project), media_type="image/svg+xml")
    return Response(
        draw_miniature(opened.quilt),
        media_type="image/svg+xml",
        headers={"Cache-Control": "private, max-age=31536000, immutable"},
    )


def _block_alone(project: Project) -> str:
    """One block of a quilt that has no size yet; a bare cloth when there is not even that."""
    asked = None
    with suppress(KerseyError):
        asked = yield_asked(project)
    if asked is None or asked.finished is None or not asked.assembly.patches:
        return '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"/>'
    return draw_block_alone(asked.assembly.patches, asked.finished, sample_prints(asked))


def _page(
    request: Request,
    room: Workroom,
    *,
    wall: int = 1,
    just_deleted: int | None = None,
    line: str = "",
    status: int = 200,
    naming: int | None = None,
    bad: BadForm | None = None,
) -> Response:
    with room.reading() as session:
        preferences = load_preferences(session)
        lines = list_projects(session, (wall - 1) * _ON_THE_WALL, _ON_THE_WALL)
        hung = [(line, _reckoned(room, session, line, preferences)) for line in lines]
        total = count_projects(session)
        deleted = list_deleted(session, _DELETED_SHOWN)
        sample = is_sample_world(session)
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "room": room,
        "units": preferences.workshop.units,
        "preferences": preferences,
        "is_sample": bool(sample),
        "hangers": _hangers(hung),
        "total": total,
        "wall": wall,
        "walls": max(1, -(-total // _ON_THE_WALL)),
        "deleted": deleted,
        "just_deleted": next((d for d in deleted if d.id == just_deleted), None),
        "line": line,
        **_read_back(line, preferences.workshop),
        "naming": naming,
        "naming_error": bad.errors.get("name", "") if bad else "",
        "named": bad.typed.get("name", "") if bad else "",
    }
    return render(request, "first_page/page.html", context, status)


def _reckoned(
    room: Workroom, session: Session, line: ProjectLine, preferences: Preferences
) -> Reckoned | None:
    """The project on a line of the list with its quilt, if it has one; it is only read when it is
    not remembered."""
    units = preferences.workshop.units
    known = room.remembered((line.id, line.revision, line.plan_number, units))
    if known is None and line.plan_number:
        known = room.reckoned(get_project(session, line.id), units)
    with suppress(Infeasible):
        if known and known.quilt:
            return known
    return None


def _hangers(hung: Sequence[tuple[ProjectLine, Reckoned | None]]) -> list[Hanger]:
    """The quilts at one scale, small enough that the longest still hangs on the wall."""
    longest = max((float(known.quilt.size.length) for _, known in hung if known), default=1.0)
    scale = min(_PX_PER_INCH, _LONGEST_HANGER_PX / longest)
    return [_hanger(line, known, scale) for line, known in hung]


def _hanger(line: ProjectLine, known: Reckoned | None, scale: float) -> Hanger:
    if known is None:
        return Hanger(
            line.id,
            line.revision,
            line.plan_number,
            line.name,
            "no size yet",
            YIELD.act,
            YIELD.page,
            120,
            120,
        )
    quilt = known.quilt
    stage = next_stage(known)
    return Hanger(
        line.id,
        line.revision,
        line.plan_number,
        line.name,
        format_size(quilt.size.width, quilt.size.length, quilt.units),
        stage.act if stage else "All done",
        _where_one_was(stage or STAGES[-1], quilt.project),
        round(float(quilt.size.width) * scale),
        round(float(quilt.size.length) * scale),
        last=quilt.project.sewing.last,
        note=quilt.project.sewing.note,
    )


def _where_one_was(stage: Stage, project: Project) -> str:
    """The page of the next act: at the table, once one has begun there."""
    begun = any(key.startswith("table-cut-") for key in project.done)
    return "cut_table" if stage is CUT and begun else stage.page


def _see(request: Request, page: str, **parts: int) -> Response:
    return RedirectResponse(request.app.url_path_for(page, **parts), status_code=303)
