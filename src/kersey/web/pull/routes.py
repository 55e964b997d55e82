"""The strips as they lie, and the prints: renamed, recoloured, counted again."""

from dataclasses import replace
from enum import StrEnum
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from starlette.responses import Response

from kersey.core.errors import InvalidValue
from kersey.core.fabric import (
    BadFabric,
    Lot,
    Motif,
    Stack,
    Value,
)
from kersey.core.print_names import made_up_prints
from kersey.core.project import Project
from kersey.core.pull import look_over
from kersey.core.stages import Stage
from kersey.drawing.block import draw_swatch
from kersey.drawing.strips import draw_roll
from kersey.store.projects import NoSuchProject
from kersey.web.forms import BadForm, Length, TypedForm, field_error, read_form
from kersey.web.print_form import PrintForm, changed_print, changed_stack
from kersey.web.project_page import (
    OpenProject,
    ProjectId,
    RevisedForm,
    answer_change,
    change,
    open_project,
    project_context,
)
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room

router = APIRouter()


class Bought(StrEnum):
    """Parts of the quilt whose print is bought."""

    BORDER = "border"
    BINDING = "binding"


class LotForm(RevisedForm):
    """The strips' size, and one print more if asked for."""

    width: Length
    length: Length
    measured_length: Length | None = None


@router.get("/projects/{project_id}/pull", name="pull_page")
def pull_page(
    request: Request,
    room: Room,
    project_id: ProjectId,
    chosen: Annotated[str, Query(alias="print")] = "0",
) -> Response:
    opened = open_project(room, project_id)
    context = _context(opened, chosen)
    template = "pull/answer.html" if is_fragment_request(request) else "pull/page.html"
    return render(request, template, {**context, "oob": is_fragment_request(request)})


@router.post("/projects/{project_id}/prints/{place}", name="change_print")
def change_print(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Rename, recolour or recount a print; `place`: its number, or the part it is bought for."""

    def again(bad: BadForm) -> Response:
        return _again(request, open_project(room, project_id), place, bad)

    try:
        form = read_form(PrintForm, typed, open_project(room, project_id).units)
        opened = change(room, project_id, form.revision, lambda p: _with_print(p, place, form))
    except BadForm as bad:
        return again(bad)
    except BadFabric as error:
        return again(field_error("count", error, typed))
    return answer_change(request, opened, "pull/answer.html", _context(opened, place), "pull_page")


@router.post("/projects/{project_id}/prints", name="add_print")
def add_print(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Add one made-up print, with one strip of it."""
    form = read_form(RevisedForm, typed, open_project(room, project_id).units)
    try:
        opened = change(room, project_id, form.revision, _with_new_print)
    except BadFabric as error:
        opened = open_project(room, project_id)
        return _again(request, opened, "0", field_error("count", error, typed))
    chosen = str(len(opened.project.lot.stacks) - 1)
    return answer_change(request, opened, "pull/answer.html", _context(opened, chosen), "pull_page")


@router.post("/projects/{project_id}/lot", name="change_lot")
def change_lot(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Correct the strips' width, length, or what one of them measured."""
    opened = open_project(room, project_id)
    try:
        form = read_form(LotForm, typed, opened.units)
        opened = change(room, project_id, form.revision, lambda p: _with_size(p, form))
    except BadForm as bad:
        return _again(request, opened, "0", bad)
    except InvalidValue as error:
        return _again(request, opened, "0", field_error("width", error, typed))
    return answer_change(request, opened, "pull/answer.html", _context(opened, "0"), "pull_page")


def _with_print(project: Project, place: str, form: PrintForm) -> Project:
    if place == Bought.BORDER:
        return replace(project, border_print=changed_print(project.border_print, form))
    if place == Bought.BINDING:
        return replace(project, binding_print=changed_print(project.binding_print, form))
    changed = changed_stack(_stack(project.lot, place), form)
    return replace(project, lot=project.lot.with_stack(int(place), changed))


def _stack(lot: Lot, place: str) -> Stack:
    if not place.isdigit() or int(place) >= len(lot.stacks):
        raise NoSuchProject(0)
    return lot.stacks[int(place)]


def _with_new_print(project: Project) -> Project:
    lot = project.lot
    names = {cloth.name for cloth in lot.prints}
    fresh = next(p for p in made_up_prints(len(names) + 1) if p.name not in names)
    return replace(project, lot=replace(lot, stacks=(*lot.stacks, Stack(fresh, 1))))


def _with_size(project: Project, form: LotForm) -> Project:
    measured = form.measured_length
    lot = replace(project.lot, width=form.width, length=form.length, measured_length=measured)
    return replace(project, lot=lot)


def _again(request: Request, opened: OpenProject, chosen: str, bad: BadForm) -> Response:
    """The page once more, with what was typed and what is wrong with it."""
    context = _context(opened, chosen) | {"errors": bad.errors, "typed": bad.typed}
    template = "pull/answer.html" if is_fragment_request(request) else "pull/page.html"
    return render(request, template, context | {"oob": is_fragment_request(request)}, 422)


def _context(opened: OpenProject, chosen: str) -> dict[str, Any]:
    lot = opened.project.lot
    bought = {
        Bought.BORDER.value: opened.project.border_print,
        Bought.BINDING.value: opened.project.binding_print,
    }
    if chosen not in bought and not (chosen.isdigit() and int(chosen) < len(lot.stacks)):
        chosen = "0"
    return project_context(opened, Stage.PULL) | {
        "lot": lot,
        "roll": draw_roll(lot, opened.units),
        "swatches": [draw_swatch(cloth) for cloth in lot.prints],
        "bought": {part: (cloth, draw_swatch(cloth)) for part, cloth in bought.items()},
        "chosen": chosen,
        "chosen_print": bought.get(chosen) or lot.prints[int(chosen)],
        "chosen_count": None if chosen in bought else lot.counts[int(chosen)],
        "values": _values(lot),
        "mind": look_over(lot, opened.project.design.strips_per_block),
        "all_values": list(Value),
        "motifs": list(Motif),
    }


def _values(lot: Lot) -> list[tuple[str, int]]:
    """Strips of each value."""
    return [
        (value.value, sum(s.count for s in lot.stacks if s.print.value is value)) for value in Value
    ]
