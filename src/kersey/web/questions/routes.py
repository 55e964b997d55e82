"""Standing questions, answered by the cupboard itself: what could I make tonight, what would bind a
quilt, what has lain longest, and how much there is."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any

from fastapi import APIRouter, Query, Request
from pydantic import BaseModel, Field
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.colour import FAMILIES, FAMILY_COLOURS
from kersey.core.cloth.fabric import BadFabric
from kersey.core.cloth.forms import FACTS
from kersey.core.measure.length import Units, format_area, format_areas, format_length
from kersey.core.measure.spoken import Spoken
from kersey.core.planning.possible import taken
from kersey.core.planning.tonight import Tonight, tonight_question
from kersey.core.project.naming import name_with_block, unused_name
from kersey.core.stash.standing_questions import (
    Held,
    StripsOfAWidth,
    held_on,
    month_ends,
    strips_by_width,
)
from kersey.drawing.held_curve import draw_held
from kersey.store.cupboard import longest_there
from kersey.store.ledger import all_moved
from kersey.store.projects import add_project, project_names
from kersey.web.forms import BadForm, Length, TypedForm, read_form
from kersey.web.free_cloth import free_cloth
from kersey.web.questions.tonight import sketch_of, tonight
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
_USUAL_BINDING = Fraction(100)
_LONGEST_SHOWN = 8
# Forms are told apart by tone alone; cloth whose colour nobody has said is of none.
_TONES = ("#22303d", "#9aa5ab", "#4a5a67", "#c3cacd", "#36454f", "#adb6bb", "#5d6c77", "#d6dbdd",
          "#2d3b47", "#8b979e", "#6f7d87", "#b7bfc3")  # fmt: skip
_UNKNOWN = "#e4e7e8"


class By(Spoken):
    """By what it is told apart how much there is."""

    FORM = "form"
    COLOUR = "colour", "color"


class BindingForm(BaseModel):
    """How long a binding is looked for, and how the curve is drawn."""

    length: Length = _USUAL_BINDING
    by: By = By.FORM


@dataclass(frozen=True)
class Layer:
    """What there was of a sort, day by day, in square inches, and how it is drawn."""

    name: str
    areas: list[Fraction]
    fill: str


class TonightForm(BaseModel):
    """A sketch of all that is free, and the block that is looked at, by its recipe."""

    look: str = Field("", max_length=60)


@router.get("/cupboard/questions", name="questions_page")
def questions_page(request: Request, room: Room) -> Response:
    """The questions, with their answers as things stand."""
    preferences = room.preferences()
    units = preferences.workshop.units
    typed = {name: value for name, value in request.query_params.items() if value}
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "units": units,
        "typed": typed,
        "errors": {},
        "length": _USUAL_BINDING,
    }
    try:
        form = read_form(BindingForm, typed, units)
    except BadForm as bad:
        context |= _answers(room, units, By.FORM)
        return render(request, "questions/page.html", context | {"errors": bad.errors}, 422)
    context |= _answers(room, units, form.by)
    return render(request, "questions/page.html", context | {"length": form.length})


@router.post("/cupboard/tonight", name="make_tonight")
def make_tonight(request: Request, room: Room, typed: TypedForm) -> Response:
    """A sketch of all that is free and not set aside; it holds nothing back from other quilts."""
    units = room.preferences().workshop.units
    form = read_form(TonightForm, typed, units)
    project = sketch_of(room)
    if project is None:
        raise BadFabric(
            "No fabric in the cupboard is free. It is all pulled for a quilt or set aside."
        )
    told = room.searches.known(tonight_question(project, units)) or Tonight()
    chosen = next((each for each in told.every if each.key == form.look), None)
    if chosen is not None:
        begun, project = project, taken(project, chosen, no_border=True)
        project = replace(project, name=name_with_block(begun, project))
    with room.transaction() as session:
        name = unused_name(project.name, project_names(session))
        project = replace(project, name=name)
        number = add_project(session, project, room.clock())
    page = "yield_page" if chosen else "yield_wall"
    return RedirectResponse(request.app.url_path_for(page, project_id=number), status_code=303)


@router.get("/cupboard/questions/tonight", name="tonight_news")
def tonight_news(request: Request, room: Room, seen: int = Query(0, ge=0, le=10_000)) -> Response:
    """What was found since so many pieces of news."""
    context = tonight(room, room.preferences().workshop.units, seen)
    return render(request, "questions/tonight.html", context)


def _answers(room: Workroom, units: Units, by: By) -> dict[str, Any]:
    with room.reading() as session:
        longest = longest_there(session, _LONGEST_SHOWN)
    return (
        {
            "strips": [(each, format_length(each.joined, units)) for each in _strips(room)],
            "longest": [
                (number, name, since.astimezone().date()) for number, name, since in longest
            ],
        }
        | _curve(room, units, by)
        | tonight(room, units)
    )


def _strips(room: Workroom) -> tuple[StripsOfAWidth, ...]:
    return room.of_cupboard("strips", lambda: strips_by_width(free_cloth(room)))


def _curve(room: Workroom, units: Units, by: By) -> dict[str, Any]:
    """How much there was month by month, and of what."""
    today = room.clock().astimezone().date()
    with room.reading() as session:
        held = room.of_cupboard(
            ("held", today), lambda: held_on(all_moved(session), month_ends(today))
        )
    most = max(each.area for each in held)
    words = [format_area(each.area, units, most) for each in held]
    before, now = held[0], held[-1]
    layers = _of_colours(held) if by is By.COLOUR else _of_forms(held)
    fills = [layer.fill for layer in layers]
    there = [layer.areas[-1] for layer in layers]
    return {
        "by": by,
        "ways": list(By),
        "curve": draw_held([e.day for e in held], [layer.areas for layer in layers], fills, words),
        "there": words[-1],
        "grew": now.area >= before.area,
        "change": format_area(abs(now.area - before.area), units, most),
        "since": before.day,
        "layers": [
            (layer, area)
            for layer, area in zip(layers, format_areas(now.area, there, units), strict=True)
        ][::-1],
    }


def _of_forms(held: Sequence[Held]) -> list[Layer]:
    forms = sorted({form for each in held for form, area in each.of_forms.items() if area})
    return [
        Layer(
            FACTS[form].many,
            [each.of_forms.get(form, Fraction(0)) for each in held],
            _TONES[n % len(_TONES)],
        )
        for n, form in enumerate(forms)
    ]


def _of_colours(held: Sequence[Held]) -> list[Layer]:
    there = {colour for each in held for colour, area in each.of_colours.items() if area}
    return [
        Layer(
            family or "color not set",
            [each.of_colours.get(family, Fraction(0)) for each in held],
            FAMILY_COLOURS[family] if family else _UNKNOWN,
        )
        for family in (*FAMILIES, None)
        if family in there
    ]
