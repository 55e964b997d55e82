"""The unit drawer: what lies in it by finished size, what fits a grid, and a quilt of it."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import Any
from urllib.parse import urlencode

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field
from starlette.responses import Response

from kersey.core.cloth.forms import Form
from kersey.core.cutting.kinds.plain_fillers import plain_fillers
from kersey.core.cutting.kinds.unit_rows import UnitSort
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, format_length, format_size, parse_length
from kersey.core.stash.unit_drawer import UnitsOfASize, on_grid, strips_to_cut, units_by_size
from kersey.core.wall.unit_prints import DrawerQuestion, Hung
from kersey.drawing.leaving import draw_leaving
from kersey.drawing.unit_wall import draw_unit_wall
from kersey.web.forms import BadForm, Length, read_form
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
# How long a request waits for fewer plain squares, and for colours that are spread better.
_FIRST, _MORE = 0.4, 3.0
_LINE_PX = 64.0
_HIGH_PX, _MOST_PX = 600.0, 22.0
_INCHES, _CENTIMETRES = ("2", "3", "4", "6"), ("5", "7.5", "10", "15")


class DrawerForm(BaseModel):
    """A grid, how wide the quilt is to be, and whether strips may help units to fit."""

    grid: Length = Fraction(3)
    columns: int = Field(0, ge=0, le=60)
    strips: bool = False
    seen: int = Field(-1, ge=-1, le=10_000)


# The units one reads in, and the seam.
Context = tuple[Units, Fraction]


@dataclass(frozen=True)
class SizeLine:
    """A line of the drawer: units of a size, and how they lie on the grid."""

    units: UnitsOfASize
    size: str
    names: str
    on_grid: str
    fits: bool
    fitting: str
    drawing: str


@router.get("/cupboard/units", name="unit_drawer")
def unit_drawer(request: Request, room: Room) -> Response:
    """What lies in the drawer; what was typed is the address."""
    preferences = room.preferences()
    units, seam = preferences.workshop.units, preferences.workshop.seam
    typed = {name: value for name, value in request.query_params.items() if value}
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "units": units,
        "typed": typed,
        "errors": {},
        "grids": _usual(units),
        "lines": [],
        "rows": None,
        "drawing": "",
        "count": 0,
        "form": DrawerForm(),
        "going_on": False,
    }
    with room.reading() as session:
        drawer = units_by_size((stored.kept for stored in room.lots.all(session)), seam)
    context["count"] = sum(each.count for each in drawer)
    try:
        form = read_form(DrawerForm, typed, units)
        context |= _on_the_grid(room, drawer, form, seam, units)
    except BadForm as bad:
        return render(request, "units/page.html", context | {"errors": bad.errors}, 422)
    except InvalidValue as error:
        field = getattr(error, "field", "") or "grid"
        return render(request, "units/page.html", context | {"errors": {field: str(error)}}, 422)
    part = "wall" if is_fragment_request(request) else "page"
    return render(request, f"units/{part}.html", context)


def _on_the_grid(
    room: Workroom, drawer: Sequence[UnitsOfASize], form: DrawerForm, seam: Fraction, units: Units
) -> dict[str, Any]:
    placed = [on_grid(each, form.grid, seam) for each in drawer]
    laid = [on for on in placed if on is not None and (on.fits or form.strips)]
    small = _LINE_PX / float(max((each.length for each in drawer), default=Fraction(1)))
    context: dict[str, Any] = {
        "form": form,
        "lines": [_line(each, form.grid, (units, seam), small) for each in drawer],
        "again": urlencode(
            {
                name: value
                for name, value in (
                    ("grid", format_length(form.grid, units)),
                    ("columns", form.columns),
                    ("strips", "true" if form.strips else ""),
                )
                if value
            }
        ),
        "laid_count": sum(on.units.count for on in laid),
    }
    if not laid:
        return context
    question = DrawerQuestion(
        tuple(UnitSort(on.columns, on.rows, on.units.count) for on in laid),
        tuple(on.units.prints for on in laid),
        form.columns,
    )
    first = question.first()
    inquiry = room.searches.ask("units", question)
    inquiry.wait(max(0, form.seen), _FIRST if form.seen < 0 else _MORE)
    hung: Hung = inquiry.answer or first
    rows = hung.rows
    scale = min(_MOST_PX, _HIGH_PX / (rows.rows * 3.0))
    shown = [(on.units.width / form.grid, on.units.length / form.grid) for on in laid]
    size = rows.columns * form.grid, rows.rows * form.grid
    return context | {
        "rows": rows,
        "size": format_size(*size, units),
        "plain": [
            (
                count,
                format_size(size[0] * form.grid + 2 * seam, size[1] * form.grid + 2 * seam, units),
            )
            for size, count in plain_fillers(rows, question.sorts).items()
        ],
        "strips": [
            (count, format_size(*size, units))
            for size, count in strips_to_cut(laid, form.grid, seam).items()
        ],
        "drawing": draw_unit_wall(rows, shown, hung.prints, scale),
        "seen": inquiry.count,
        "going_on": not inquiry.over,
        "heights": [format_length(high * form.grid, units) for high in rows.heights],
    }


def _line(each: UnitsOfASize, grid: Fraction, context: Context, scale: float) -> SizeLine:
    units, seam = context
    on = on_grid(each, grid, seam)
    if on is None:
        words = "doesn't fit"
    elif on.fits:
        words = f"{on.columns} × {on.rows} squares"
    else:
        strips = [
            f"{format_length(cut, units)} {where}"
            for cut, where in ((on.strip_across, "at a long side"), (on.strip_down, "at an end"))
            if cut
        ]
        words = f"with strips cut {' and '.join(strips)}: {on.columns} × {on.rows}"
    names = ", ".join(dict.fromkeys(each.lots))
    prints = list(dict.fromkeys(cloth for cloth, _ in each.prints))
    drawing = draw_leaving(each.width, each.length, Form.BLOCK, prints, units, scale)
    return SizeLine(
        each,
        format_size(each.width, each.length, units),
        names,
        words,
        on is not None and on.fits,
        _fitting(each, context),
        drawing,
    )


def _fitting(each: UnitsOfASize, context: Context) -> str:
    """The usual grids that units lie on, as they are and with a strip."""
    units, seam = context
    grids = {said: on_grid(each, parse_length(said, units), seam) for said in _usual(units)}
    fits = [said for said, on in grids.items() if on is not None and on.fits]
    filled = [said for said, on in grids.items() if on is not None and not on.fits]
    sign = "″" if units is Units.INCHES else " cm"
    found = [f"fits {', '.join(fits)}{sign}"] if fits else []
    return "; ".join([*found, *([f"with a strip {', '.join(filled)}{sign}"] if filled else [])])


def _usual(units: Units) -> tuple[str, ...]:
    return _INCHES if units is Units.INCHES else _CENTIMETRES
