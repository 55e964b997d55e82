"""The cutting sheet: steps in order, the strips drawn with their cuts, ticks that are kept."""

from dataclasses import replace
from itertools import groupby
from typing import Any

from fastapi import APIRouter, HTTPException, Request
from pydantic import Field
from starlette.responses import RedirectResponse, Response

from kersey.core.blocks.rail_yield import Method
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.quilt.supply import supplies
from kersey.core.work.put_away import PutAway, cut_as_planned, nothing_cut, put_away
from kersey.core.work.stages import Stage, steps_done
from kersey.core.work.work_order import StepKind, work_order
from kersey.drawing.quilt import draw_quilt
from kersey.drawing.strips import draw_division, draw_set, draw_strip
from kersey.store.projects import put_project_away
from kersey.web.forms import TypedForm, read_form
from kersey.web.project_page import (
    OpenProject,
    ProjectId,
    RevisedForm,
    answer_change,
    change,
    open_project,
    project_context,
)
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()

# With these steps the strips of the plan are cut.
_CUTTING = frozenset({StepKind.SEGMENTS, StepKind.CROSSCUT})


class TickForm(RevisedForm):
    """A step ticked off, or not any more."""

    step: str = Field(max_length=60)
    done: bool = False


@router.get("/projects/{project_id}/cut", name="cut_page")
def cut_page(request: Request, room: Room, project_id: ProjectId) -> Response:
    return render(request, "cut/page.html", _context(open_project(room, project_id)))


@router.post("/projects/{project_id}/steps", name="tick_step")
def tick_step(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Tick a step off, or take the tick back."""
    opened = open_project(room, project_id)
    form = read_form(TickForm, typed, opened.units)
    quilt = opened.quilt
    if quilt is None or form.step not in {step.key for step in work_order(quilt)}:
        raise HTTPException(404)
    opened = change(room, project_id, form.revision, lambda p: _ticked(p, form, quilt))
    return answer_change(request, opened, "cut/answer.html", _context(opened), "cut_page")


@router.post("/projects/{project_id}/put-away", name="put_away")
def put_away_leftovers(
    request: Request, room: Room, project_id: ProjectId, typed: TypedForm
) -> Response:
    """Put what is left into the cupboard, as lots of its own; whole strips go back."""
    opened = open_project(room, project_id)
    form = read_form(RevisedForm, typed, opened.units)

    def put(project: Project) -> PutAway:
        return put_away(make_quilt(project, opened.units))

    with room.transaction() as session:
        put_project_away(session, project_id, form.revision, put, room.clock())
    address = request.app.url_path_for("project_ledger", project_id=project_id)
    return RedirectResponse(address, status_code=303)


def _ticked(project: Project, form: TickForm, quilt: Quilt | None) -> Project:
    """The project with a step ticked; once the strips are cut, they are cut in the cupboard too."""
    done = project.done | {form.step} if form.done else project.done - {form.step}
    kinds = {step.key: step.kind for step in work_order(quilt)} if quilt else {}
    if quilt is not None and kinds.get(form.step) in _CUTTING:
        project = cut_as_planned(quilt) if form.done else nothing_cut(project)
    return replace(project, done=frozenset(done))


def _context(opened: OpenProject) -> dict[str, Any]:
    context = project_context(opened, Stage.CUT)
    quilt = opened.quilt
    if quilt is None:
        return context
    steps = work_order(quilt)
    return context | {
        "steps": [{"step": step, "done": step.key in opened.project.done} for step in steps],
        "done": steps_done(opened.project, steps),
        "kinds": StepKind,
        "segments": _segments(quilt),
        "sets": _sets(quilt),
        "kept": _kept(quilt),
        "division": draw_division(quilt.answer, quilt.units, quilt.project.lot.usable_length + 1),
        "by_sets": quilt.answer.method is Method.SETS,
        "drawing": draw_quilt(quilt),
        "supplies": supplies(quilt),
        "can_put_away": not opened.project.put_away
        and any(pulled.cut for pulled in opened.project.fabrics),
    }


def _segments(quilt: Quilt) -> list[dict[str, Any]]:
    """Each print with the strips of it that are cut, drawn once."""
    if quilt.answer.method is Method.SETS:
        return []
    lot, each = quilt.project.lot, quilt.answer.division.pieces
    lengths = [quilt.answer.block.unfinished_size] * each
    return [
        {
            "print": lot.prints[index],
            "strips": cut,
            "segments": cut * each,
            "drawing": draw_strip(lot, index, lengths),
        }
        for index, cut in enumerate(quilt.plan.cut_strips)
        if cut
    ]


def _sets(quilt: Quilt) -> list[dict[str, Any]]:
    """Each strip set drawn, those of the same prints once."""
    lot = quilt.project.lot
    alike = groupby(sorted(quilt.plan.sets))
    return [
        {
            "count": len(list(sets)),
            "prints": [lot.prints[index] for index in prints],
            "drawing": draw_set(quilt.answer, prints),
        }
        for prints, sets in alike
    ]


def _kept(quilt: Quilt) -> list[tuple[str, int]]:
    """Whole strips that are set aside, by print."""
    names = (cloth.name for cloth in quilt.project.lot.prints)
    return [(name, n) for name, n in zip(names, quilt.plan.whole_strips, strict=True) if n]
