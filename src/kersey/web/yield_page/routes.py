"""The most blocks by both methods, recomputed while the usable width is moved."""

from dataclasses import replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import AfterValidator, Field
from starlette.responses import Response

from kersey.core.blocks.rails import FEWEST_RAILS, MOST_RAILS
from kersey.core.errors import InvalidValue
from kersey.core.fabric import Lot
from kersey.core.length import CENTIMETRE, EIGHTH, Units, round_up_to
from kersey.core.project import Project
from kersey.core.quilt import yields_of
from kersey.core.stages import Stage
from kersey.core.workshop import check_seam
from kersey.core.yields import (
    Method,
    RailYield,
    cliff,
    left_over,
    proof,
    rail_yield,
    sensitivity,
)
from kersey.drawing.block import draw_block
from kersey.drawing.strips import draw_division
from kersey.web.forms import BadForm, Form, Length, TypedForm, checked, field_error, read_form
from kersey.web.project_page import (
    OpenProject,
    ProjectId,
    answer_change,
    change,
    open_project,
    project_context,
)
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room

router = APIRouter()

_TITLES = {Method.SEGMENTS: "Single segments", Method.SETS: "Strip sets"}


class PrintRule(StrEnum):
    """Whether the prints of a block must differ."""

    BEST = "best"
    DIFFERENT = "different"
    ANY = "any"


_RULES: dict[PrintRule, bool | None] = {
    PrintRule.BEST: None,
    PrintRule.DIFFERENT: True,
    PrintRule.ANY: False,
}


class YieldChoices(Form):
    """The choices of the page."""

    strips_per_block: int = Field(ge=FEWEST_RAILS, le=MOST_RAILS)
    method: Method
    rule: PrintRule
    measured_length: Length
    seam: Annotated[Length, AfterValidator(checked(check_seam))]


class YieldForm(YieldChoices):
    """The choices, made from a revision."""

    revision: int


@router.get("/projects/{project_id}/yield", name="yield_page")
def yield_page(request: Request, room: Room, project_id: ProjectId) -> Response:
    opened = open_project(room, project_id)
    return render(request, "yield_page/page.html", _context(opened))


@router.get("/projects/{project_id}/yield/try", name="try_yield")
def try_yield(request: Request, room: Room, project_id: ProjectId) -> Response:
    """The answer for choices that are not kept: while the slider is still moving."""
    opened = open_project(room, project_id)
    try:
        choices = read_form(YieldChoices, dict(request.query_params), opened.units)
        tried = replace(opened.stored, revision=-1, project=_with_choices(opened.project, choices))
    except InvalidValue as error:
        return Response(str(error), status_code=422, media_type="text/plain; charset=utf-8")
    preview = replace(opened, stored=replace(tried, revision=opened.stored.revision))
    return render(request, "yield_page/answer.html", _context(preview) | {"oob": True})


@router.post("/projects/{project_id}/yield", name="change_yield")
def change_yield(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Keep the block, the method and the measured strip."""
    opened = open_project(room, project_id)
    try:
        form = read_form(YieldForm, typed, opened.units)
        opened = change(room, project_id, form.revision, lambda p: _with_choices(p, form))
    except BadForm as bad:
        return _again(request, opened, bad)
    except InvalidValue as error:
        return _again(request, opened, field_error("measured_length", error, typed))
    return answer_change(request, opened, "yield_page/answer.html", _context(opened), "yield_page")


def _with_choices(project: Project, choices: YieldChoices) -> Project:
    length = _measured(project.lot, choices.measured_length)
    moved = length != project.lot.measured_length
    changed = replace(
        project.measured(length) if moved else project,
        design=replace(
            project.design,
            strips_per_block=choices.strips_per_block,
            method=choices.method,
            different_prints=_RULES[choices.rule],
            seam=choices.seam,
        ),
    )
    yields_of(changed)
    return changed


def _measured(lot: Lot, said: Fraction) -> Fraction | None:
    """What the slider says; a strip between two of its steps is not moved by being shown."""
    if abs(said - lot.usable_length) < EIGHTH:
        return lot.measured_length
    return None if said == lot.length else said


def _again(request: Request, opened: OpenProject, bad: BadForm) -> Response:
    context = _context(opened) | {"errors": bad.errors, "typed": bad.typed}
    if is_fragment_request(request):
        return Response(str(bad), status_code=422, media_type="text/plain; charset=utf-8")
    return render(request, "yield_page/page.html", context, 422)


def _context(opened: OpenProject) -> dict[str, Any]:
    project, units = opened.project, opened.units
    if not project.working:
        return project_context(opened, Stage.YIELD) | {"answer": None}
    answers = yields_of(project)
    answer = answers[project.design.method]
    reach = _reach(project)
    return project_context(opened, Stage.YIELD) | {
        "answer": answer,
        "methods": [_method(answers[m], project, units, reach) for m in Method],
        "block": draw_block(answer.block, project.lot.prints, units),
        "left_over": left_over(answer, units),
        "cliff": cliff(answer, units),
        "sensitivity": _sensitivity(answers),
        "rule": next(r for r, asked in _RULES.items() if asked == project.design.different_prints),
        "rule_cost": _rule_cost(project),
        "slider": _slider(reach, project.lot.usable_length, units),
        "rails": range(FEWEST_RAILS, MOST_RAILS + 1),
    }


def _method(answer: RailYield, project: Project, units: Units, reach: Fraction) -> dict[str, Any]:
    return {
        "key": answer.method.value,
        "title": _TITLES[answer.method],
        "proof": " ".join(proof(answer, units)),
        "blocks": answer.blocks,
        "chosen": answer.method is project.design.method,
        "drawing": draw_division(answer, units, reach),
    }


def _sensitivity(answers: dict[Method, RailYield]) -> list[tuple[Fraction, int, int]]:
    """(change, by segments, by sets), shortest strips first, no change in the middle."""
    by_segments = dict(sensitivity(answers[Method.SEGMENTS]))
    by_sets = dict(sensitivity(answers[Method.SETS]))
    now = Fraction(0)
    by_segments[now] = answers[Method.SEGMENTS].blocks
    by_sets[now] = answers[Method.SETS].blocks
    return [(step, by_segments[step], by_sets[step]) for step in sorted(by_segments)]


def _rule_cost(project: Project) -> int:
    """Blocks lost by asking for different prints in every block."""
    question, method = project.design.yield_question, project.design.method
    different, any_prints = (
        rail_yield(project.lot, replace(question, different_prints=rule), method).blocks
        for rule in (True, False)
    )
    return any_prints - different


def _reach(project: Project) -> Fraction:
    """How far the tape goes: a little beyond the strip, so that more can be tried."""
    longest = max(project.lot.length, project.lot.usable_length)
    return round_up_to(Fraction(2), longest + 3)


def _slider(reach: Fraction, now: Fraction, units: Units) -> dict[str, str]:
    """The slider's ends, step and place, in the units it is read in."""
    unit, step = (Fraction(1), EIGHTH) if units is Units.INCHES else (CENTIMETRE, CENTIMETRE / 2)
    return {
        "least": "0",
        "most": f"{float(reach / unit):g}",
        "step": f"{float(step / unit):g}",
        "now": f"{float(now / unit):g}",
    }
