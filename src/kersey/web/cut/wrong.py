"""This one went wrong: say what happened, see what can still be made, and go on so.

Nothing is changed until a way is taken. The first ways are there at once; the search for a proof
goes on while they are read.
"""

from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import APIRouter, HTTPException, Query, Request
from pydantic import Field
from sqlalchemy.orm import Session
from starlette.responses import Response

from kersey.core.errors import InvalidValue
from kersey.core.mending.mishap import Happened, OnTable, as_it_lies
from kersey.core.mending.replanning import all_ways, first_ways
from kersey.core.mending.taken_back import before_of, taken_back
from kersey.core.mending.way_words import verdict, way_words
from kersey.core.mending.ways import Way, WayKind, Ways
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.work.at_table import TableCut, cuts_at_table, kits_of, made
from kersey.drawing.quilt import draw_hung
from kersey.drawing.spoiled import draw_spoiled
from kersey.store.mishaps import enter_mishap, forget_last, last_way_back, mishaps
from kersey.web.cut.stage import STAGE
from kersey.web.cut.went_wrong import (
    THE_STACK,
    Chosen,
    MishapForm,
    chosen,
    cut_at,
    happened,
    in_words,
)
from kersey.web.forms import BadForm, Typed, read_form
from kersey.web.open_project import Opened, OpenProject, Revised, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
# A page of ways shows so many.
_MOST_WAYS = 8
# Quilts beside their ways are so high or wide.
_QUILT_PX = 118.0


class TakeForm(MishapForm):
    """A way to go on after what happened, by its kind and its place among those of its kind."""

    revision: int
    way: WayKind
    nth: int = Field(0, ge=0, le=20)


@dataclass(frozen=True)
class _AtTable:
    """What lies on the table of a project, and what the cut now is made in."""

    lies: OnTable
    chosen: Chosen
    now: TableCut | None


@router.get("/projects/{project_id}/cut/wrong", name="cut_wrong")
def cut_wrong(
    request: Request, room: Room, opened: Opened, further: Annotated[bool, Query()] = False
) -> Response:
    """What went wrong, and once it is said the ways to go on."""
    if opened.quilt is None:
        return _page(request, project_context(opened, STAGE))
    typed = dict(request.query_params)
    context = _context(room, opened, opened.quilt, typed, further)
    if is_fragment_request(request):
        template = "cut/wrong_ways.html" if further else "cut/wrong_answer.html"
        return render(request, template, context | {"oob": not further})
    return _page(request, context, 422 if context["errors"] else 200)


@router.post("/projects/{project_id}/cut/wrong", name="take_way")
def take_way(
    request: Request, room: Room, opened: Opened, form: Annotated[TakeForm, sent(TakeForm)]
) -> Response:
    """Go on in one of the ways; what went wrong is kept, with the way back."""
    quilt = opened.quilt
    if quilt is None:
        raise HTTPException(404)
    at = _at_table(opened, quilt, form)
    ways = _ways(at, form, opened, further=True)
    of_kind = [way for way in ways.ways if way.kind is form.way and way.project is not None]
    if form.nth >= len(of_kind):
        raise HTTPException(404)
    way = of_kind[form.nth]
    words = in_words(form, at.chosen, opened.units)

    def gone_on(project: Project) -> Project:
        assert way.project is not None
        return way.project

    before = before_of(opened.project)

    def entered(session: Session, project: Project) -> None:
        enter_mishap(session, opened.stored.id, before, project.table, words, room.clock())

    change(room, opened.stored.id, form.revision, gone_on, also=entered)
    return go_to(request, "cut_table", opened)


@router.post("/projects/{project_id}/cut/wrong/back", name="take_back_mishap")
def take_back_mishap(request: Request, room: Room, opened: Opened, form: Revised) -> Response:
    """It did not go wrong after all: the plan is again what it was."""
    with room.transaction() as session:
        way_back = last_way_back(session, opened.stored.id)
    if way_back is None:
        raise HTTPException(404)
    before, after = way_back
    change(
        room,
        opened.stored.id,
        form.revision,
        lambda project: taken_back(project, after, before),
        also=lambda session, _: forget_last(session, opened.stored.id),
    )
    return go_to(request, "cut_table", opened)


def _page(request: Request, context: dict[str, Any], status: int = 200) -> Response:
    return render(request, "cut/wrong.html", context, status)


def _at_table(opened: OpenProject, quilt: Quilt, form: MishapForm) -> _AtTable:
    design = opened.project.design
    cuts = cuts_at_table(opened.steps, design.layers, design.cut_order, kits_of(quilt))
    there = made(opened.project, cuts)
    lies = as_it_lies(quilt, cuts, there)
    now = next((cut for cut in cuts if cut.key == form.cut), None)
    return _AtTable(lies, chosen(lies, cuts, there, now), now)


def _ways(at: _AtTable, form: MishapForm, opened: OpenProject, further: bool) -> Ways:
    worse = happened(at.lies, form, at.chosen, opened.units)
    if further:
        return all_ways(worse, opened.units)
    return first_ways(worse, opened.units)


def _happenings(quilt: Quilt) -> list[Happened]:
    """What can go wrong: a strip set only where the sheet numbers some, blocks where it has any."""
    kept = quilt.kept
    cannot = set[Happened]()
    if not kept.cutting.problem.strip_sets:
        cannot.add(Happened.SET)
    if kept.block.makes_one_piece:
        cannot.add(Happened.BLOCKS)
    return [each for each in Happened if each not in cannot]


def _context(
    room: Workroom, opened: OpenProject, quilt: Quilt, typed: Typed, further: bool
) -> dict[str, Any]:
    with room.reading() as session:
        log = mishaps(session, opened.stored.id)
    context = project_context(opened, STAGE) | {
        "happenings": _happenings(quilt),
        "log": log[:5],
        "further": further,
        "ways": None,
        "thing": None,
        "drawing": "",
        "the_stack": THE_STACK,
    }
    try:
        form = read_form(MishapForm, typed, opened.units)
    except BadForm as bad:
        form = MishapForm()
        context |= {"errors": bad.errors, "typed": bad.typed}
    try:
        at = _at_table(opened, quilt, form)
    except InvalidValue as error:
        return context | {"errors": {"thing": str(error)}, "form": form, "choices": [], "stack": ()}
    if not form.thing and form.cut and at.chosen.stack:
        form = form.model_copy(
            update={
                "thing": THE_STACK,
                "happened": Happened.LINE,
                "side": "width",
                "at": at.now and at.now.ruler,
            }
        )
        typed = {}
    context |= {
        "form": form,
        "typed": context["typed"] or typed,
        "choices": at.chosen.things,
        "stack": at.chosen.stack,
        "stack_size": at.chosen.of(THE_STACK),
        "query": request_query(form, opened),
    }
    context |= _drawn(at, form, quilt, opened)
    asked = bool(typed) and form.said and not context["errors"]
    if not asked:
        return context
    try:
        found = _ways(at, form, opened, further)
    except InvalidValue as error:
        return context | {"errors": {error.field or "thing": str(error)}}
    return context | _shown(found, quilt, opened)


def request_query(form: MishapForm, opened: OpenProject) -> dict[str, str]:
    """The facts of a mishap as fields of a form."""
    facts = form.model_dump(mode="json", exclude_none=True)
    facts["at"] = "" if form.at is None else str(float(form.at)) + opened.units.value
    return {name: str(value) for name, value in facts.items()}


def _drawn(at: _AtTable, form: MishapForm, quilt: Quilt, opened: OpenProject) -> dict[str, Any]:
    thing = at.chosen.of(form.thing)
    if thing is None:
        return {}
    cloth = next(
        pulled.print for pulled in opened.project.fabrics if pulled.print.name == thing.name
    )
    across, long = sorted((thing.width, thing.length))
    try:
        line = form.at
        if line is not None:
            cut_at(thing, line, form.side)
    except InvalidValue:
        line = None
    drawing = draw_spoiled(cloth, across, long, line, form.side, opened.units)
    return {"thing": thing, "drawing": drawing, "size": (thing.width, thing.length)}


def _shown(found: Ways, quilt: Quilt, opened: OpenProject) -> dict[str, Any]:
    taken: dict[WayKind, int] = {}
    shown = []
    for way in found.ways[:_MOST_WAYS]:
        nth = taken.get(way.kind, 0)
        taken[way.kind] = nth + (way.project is not None)
        shown.append(
            {
                "way": way,
                "nth": nth,
                "words": way_words(way, quilt, opened.units),
                "drawing": _quilt_of(way, opened),
            }
        )
    one_piece = quilt.kept.block.makes_one_piece
    return {
        "ways": shown,
        "found": found,
        "verdict": verdict(found, "quilt" if one_piece else "block"),
        "all_there": found.most >= found.wanted,
    }


def _quilt_of(way: Way, opened: OpenProject) -> str:
    if way.project is None:
        return ""
    quilt = make_quilt(way.project, opened.units)
    high = float(max(quilt.size.width, quilt.size.length))
    return draw_hung(quilt, _QUILT_PX / high)
