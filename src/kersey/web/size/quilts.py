"""Whole quilts: rows, sashing and borders found together, hung at one scale; one is taken."""

from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.responses import RedirectResponse, Response

from kersey.core.frame.size_search import why
from kersey.core.project.project import Project
from kersey.core.quilt.found_quilts import FoundQuilt, FoundQuilts, found_question
from kersey.core.quilt.planning import regridded
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.quilt.scheme_score import Aim, Judge
from kersey.core.quilt.to_buy import to_buy
from kersey.drawing.quilt import draw_hung
from kersey.drawing.size_tape import Pin, draw_size_tape
from kersey.web.forms import TypedForm, read_form
from kersey.web.open_project import OpenProject, ProjectId, RevisedForm, change, open_project
from kersey.web.project_page import project_context
from kersey.web.size.stage import STAGE
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_FIRST, _MORE = 0.8, 3.0
# The tallest is drawn so high, in pixels.
_HIGH = 250.0
_AIMS = {
    Aim.BALANCED: "balanced",
    Aim.TARGET: "fits best",
    Aim.LARGEST: "largest",
    Aim.LEAST_WASTE: "least waste",
    Aim.NO_BUYING: "least to buy",
}
_WEIGHED = {
    "use": "how much of the cloth lies in it",
    "fit": "how near it comes to a bed or a lap",
    "shape": "a pleasant proportion",
    "look": "sashing a quarter to a third of a block, the outer border near half of one",
    "buying": "how little must be bought",
    "size": "how large it is",
}


class TakeForm(RevisedForm):
    """The quilt that is taken, by its place among those found."""

    number: int = Field(ge=0, le=100)
    aim: Aim = Aim.BALANCED


@dataclass(frozen=True)
class Hung:
    """A quilt that was found, as it is once it is taken."""

    number: int
    found: FoundQuilt
    quilt: Quilt
    drawing: str

    @property
    def bought(self) -> list[tuple[str, Fraction]]:
        """Parts to buy, and how much of the cloth, in inches."""
        had = self.found.from_stash
        return [(b.part, b.cloth) for b in to_buy(self.quilt) if b.cloth and b.part not in had]

    @property
    def had(self) -> list[str]:
        """Parts that are cut from what is pulled, beside the blocks."""
        binds = {"binding"} if self.quilt.binding.from_stash else set[str]()
        return sorted(self.found.from_stash | binds)


@router.get("/projects/{project_id}/size/quilts", name="whole_quilts")
def whole_quilts(
    request: Request,
    room: Room,
    project_id: ProjectId,
    seen: int = Query(0, ge=0, le=10_000),
    aim: Aim = Aim.BALANCED,
) -> Response:
    """The quilts found up to now."""
    opened = open_project(room, project_id)
    page = "quilts.html" if is_fragment_request(request) else "quilts_page.html"
    return render(request, f"size/{page}", _context(room, opened, aim, seen))


@router.post("/projects/{project_id}/size/quilts", name="take_whole_quilt")
def take_whole_quilt(
    request: Request, room: Room, project_id: ProjectId, typed: TypedForm
) -> Response:
    """Choose one: its rows and columns, sashing and borders."""
    opened = open_project(room, project_id)
    form = read_form(TakeForm, typed, opened.units)
    found = _found(room, opened, form.aim, 0)[0].quilts
    if form.number < len(found):
        taken = found[form.number]
        change(room, project_id, form.revision, lambda p: _with(p, taken))
    name = "size_page" if form.number < len(found) else "whole_quilts"
    address = request.app.url_path_for(name, project_id=project_id)
    return RedirectResponse(address, status_code=303)


def _with(project: Project, found: FoundQuilt) -> Project:
    return replace(project, design=found.of(project.design))


def _found(
    room: Workroom, opened: OpenProject, aim: Aim, seen: int
) -> tuple[FoundQuilts, int, bool]:
    """Quilts, how many pieces of news they came in, and whether more may come."""
    question = found_question(opened.project, opened.units, aim)
    if question is None:
        return FoundQuilts(), 0, False
    inquiry = room.searches.ask(("quilts", opened.stored.id), question)
    inquiry.wait(seen, _MORE if seen else _FIRST)
    return inquiry.answer or FoundQuilts(), inquiry.count, not inquiry.over


def _context(room: Workroom, opened: OpenProject, aim: Aim, seen: int) -> dict[str, Any]:
    found, count, going_on = _found(room, opened, aim, seen)
    quilts = [_made(opened, each) for each in found.quilts]
    tallest = max((float(quilt.size.length) for quilt in quilts), default=1.0)
    hung = [
        Hung(n, each, quilt, draw_hung(quilt, _HIGH / tallest))
        for n, (each, quilt) in enumerate(zip(found.quilts, quilts, strict=True))
    ]
    pins = [Pin(q.quilt.size.width, q.quilt.size.length, str(q.number + 1)) for q in hung]
    return project_context(opened, STAGE) | {
        "hung": hung,
        "reasons": [why(each.quilt.size, opened.units) for each in hung],
        "tape": draw_size_tape(pins, opened.units) if pins else "",
        "weights": [
            (_WEIGHED[name], round(100 * w)) for name, w in Judge(aim).weights.items() if w
        ],
        "aim": aim,
        "aims": _AIMS,
        "considered": found.considered,
        "complete": found.complete,
        "going_on": going_on,
        "seen": count,
        "chosen": _number_of_chosen(opened, hung),
    }


def _made(opened: OpenProject, found: FoundQuilt) -> Quilt:
    return make_quilt(regridded(_with(opened.project, found), opened.units), opened.units)


def _number_of_chosen(opened: OpenProject, hung: list[Hung]) -> int | None:
    design = opened.project.design
    same = (each.number for each in hung if each.found.of(design) == design)
    return next(same, None)
