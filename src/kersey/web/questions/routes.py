"""Standing questions, answered by the cupboard itself: what could I make tonight, what would bind a
quilt, what has lain longest, and how much there is."""

from fractions import Fraction
from typing import Any

from fastapi import APIRouter, Request
from pydantic import BaseModel
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.fabric import BadFabric
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.measure.length import Units, format_area, format_areas, format_length
from kersey.core.project.project import Project
from kersey.core.stash.standing_questions import held_on, month_ends, strips_by_width
from kersey.drawing.held_curve import draw_held
from kersey.store.cupboard import longest_there
from kersey.store.ledger import all_moved
from kersey.store.projects import add_project
from kersey.web.forms import BadForm, Length, TypedForm, read_form
from kersey.web.free_cloth import free_cloth
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
_USUAL_BINDING = Fraction(100)
_LONGEST_SHOWN = 8
# A search over more fabrics than this is no answer for tonight.
_MOST_FABRICS = 120
_FOR_BLOCKS = frozenset({Form.STRIP, Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.YARDAGE,
                         Form.PIECE})  # fmt: skip


class BindingForm(BaseModel):
    """How long a binding is looked for."""

    length: Length = _USUAL_BINDING


class TonightForm(BaseModel):
    """A sketch of all that is free."""


@router.get("/cupboard/questions", name="questions_page")
def questions_page(request: Request, room: Room) -> Response:
    """The questions, with their answers as things stand."""
    preferences = room.preferences()
    units = preferences.workshop.units
    typed = {name: value for name, value in request.query_params.items() if value}
    context: dict[str, Any] = {
        "theme": preferences.theme, "units": units, "typed": typed, "errors": {},
        "length": _USUAL_BINDING,
    }  # fmt: skip
    context |= _answers(room, units)
    try:
        form = read_form(BindingForm, typed, units)
    except BadForm as bad:
        return render(request, "questions/page.html", context | {"errors": bad.errors}, 422)
    return render(request, "questions/page.html", context | {"length": form.length})


@router.post("/cupboard/tonight", name="make_tonight")
def make_tonight(request: Request, room: Room, typed: TypedForm) -> Response:
    """A sketch of all that is free and not set aside; it holds nothing back from other quilts."""
    read_form(TonightForm, typed, Units.INCHES)
    free = list(free_cloth(room, _FOR_BLOCKS))
    if not free:
        raise BadFabric("Nothing in the cupboard is free: all of it is held, or set aside.")
    # The largest first, where there is more than can be searched in an evening.
    largest = sorted(free, key=lambda p: -p.area)[:_MOST_FABRICS]
    with room.transaction() as session:
        project = Project("Tonight", "all that is free", tuple(largest), sketch=True)
        number = add_project(session, project, room.clock())
    address = request.app.url_path_for("yield_wall", project_id=number)
    return RedirectResponse(address, status_code=303)


def _answers(room: Workroom, units: Units) -> dict[str, Any]:
    today = room.clock().astimezone().date()
    free = list(free_cloth(room))
    with room.transaction() as session:
        held = held_on(all_moved(session), month_ends(today))
        longest = longest_there(session, _LONGEST_SHOWN)
    most = max((each.area for each in held), default=Fraction(0))
    words = [format_area(each.area, units, most) for each in held]
    before, now = held[0], held[-1]
    forms = [form for form, area in now.of_forms if area]
    of_form = dict(now.of_forms)
    return {
        "strips": [(each, format_length(each.joined, units)) for each in strips_by_width(free)],
        "longest": [(number, name, since.astimezone().date()) for number, name, since in longest],
        "curve": draw_held(held, words),
        "there": words[-1],
        "grew": now.area >= before.area,
        "by": format_area(abs(now.area - before.area), units, most),
        "since": before.day,
        "forms": list(zip([FACTS[form].many for form in forms],
                          format_areas(now.area, [of_form[form] for form in forms], units),
                          strict=True)),
        "free_count": sum(p.kept.lot.form in _FOR_BLOCKS for p in free),
        "most_fabrics": _MOST_FABRICS,
    }  # fmt: skip
