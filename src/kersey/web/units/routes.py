"""The unit drawer: what lies in it by finished size, what fits a grid, and a quilt of it."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from time import monotonic
from typing import Any

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field
from starlette.responses import Response

from kersey.core.cutting.unit_rows import UnitSort, best_rows
from kersey.core.cutting.watch import Watch
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, format_length, format_size
from kersey.core.quilt.unit_prints import spread_prints
from kersey.core.stash.unit_drawer import OnGrid, UnitsOfASize, on_grid, units_by_size
from kersey.drawing.unit_wall import draw_unit_wall
from kersey.store.cupboard import all_lots
from kersey.web.forms import BadForm, Length, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()
# A search that is waited for.
_SECONDS = 0.9
_HIGH_PX, _MOST_PX = 560.0, 16.0
_INCHES, _CENTIMETRES = ("2", "3", "4", "6"), ("5", "7.5", "10", "15")


class DrawerForm(BaseModel):
    """A grid, how wide the quilt is to be, and whether strips may help units to fit."""

    grid: Length = Fraction(3)
    columns: int = Field(0, ge=0, le=60)
    strips: bool = False


@dataclass(frozen=True)
class SizeLine:
    """A line of the drawer: units of a size, and how they lie on the grid."""

    units: UnitsOfASize
    size: str
    names: str
    on_grid: str
    fits: bool


@router.get("/cupboard/units", name="unit_drawer")
def unit_drawer(request: Request, room: Room) -> Response:
    """What lies in the drawer; what was typed is the address."""
    preferences = room.preferences()
    units, seam = preferences.workshop.units, preferences.workshop.seam
    typed = {name: value for name, value in request.query_params.items() if value}
    context: dict[str, Any] = {
        "theme": preferences.theme, "units": units, "typed": typed, "errors": {},
        "grids": _INCHES if units is Units.INCHES else _CENTIMETRES,
        "lines": [], "rows": None, "drawing": "", "count": 0, "form": DrawerForm(),
    }  # fmt: skip
    with room.transaction() as session:
        drawer = units_by_size((stored.kept for stored in all_lots(session)), seam)
    context["count"] = sum(each.count for each in drawer)
    try:
        form = read_form(DrawerForm, typed, units)
        context |= _on_the_grid(drawer, form, seam, units)
    except BadForm as bad:
        return render(request, "units/page.html", context | {"errors": bad.errors}, 422)
    except InvalidValue as error:
        field = getattr(error, "field", "") or "grid"
        return render(
            request, "units/page.html", context | {"errors": {field: str(error)}}, 422
        )  # fmt: skip
    return render(request, "units/page.html", context)


def _on_the_grid(
    drawer: Sequence[UnitsOfASize], form: DrawerForm, seam: Fraction, units: Units
) -> dict[str, Any]:
    placed = [(each, on_grid(each, form.grid, seam)) for each in drawer]
    laid = [on for _, on in placed if on is not None and (on.fits or form.strips)]
    context: dict[str, Any] = {
        "form": form,
        "lines": [_line(each, on, units) for each, on in placed],
        "laid_count": sum(on.units.count for on in laid),
    }
    if not laid:
        return context
    sorts = [UnitSort(on.columns, on.rows, on.units.count) for on in laid]
    rows = best_rows(sorts, Watch(monotonic, _SECONDS), form.columns)
    scale = min(_MOST_PX, _HIGH_PX / (rows.rows * 3.0))
    shown = [(on.units.width / form.grid, on.units.length / form.grid) for on in laid]
    size = rows.columns * form.grid, rows.rows * form.grid
    return context | {
        "rows": rows,
        "size": format_size(*size, units),
        "square_cut": format_length(form.grid + 2 * seam, units),
        "drawing": draw_unit_wall(
            rows, shown, spread_prints(rows, [on.units.prints for on in laid]), scale
        ),
        "heights": [format_length(high * form.grid, units) for high in rows.heights],
    }


def _line(each: UnitsOfASize, on: OnGrid | None, units: Units) -> SizeLine:
    if on is None:
        words = "does not fit"
    elif on.fits:
        words = f"{on.columns} × {on.rows} squares"
    else:
        strips = [
            f"{format_length(cut, units)} {where}"
            for cut, where in ((on.strip_across, "at a long side"), (on.strip_down, "at an end"))
            if cut
        ]
        words = f"with a strip cut {' and '.join(strips)}: {on.columns} × {on.rows}"
    names = ", ".join(dict.fromkeys(each.lots))
    return SizeLine(each, format_size(each.width, each.length, units), names, words,
                    on is not None and on.fits)  # fmt: skip
