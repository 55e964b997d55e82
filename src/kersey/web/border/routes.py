"""A border for a centre that is already sewn: fitted to a size, or of pieced keys.

Nothing is kept: what was typed is the address, so it can be come back to.
"""

from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import AfterValidator, BaseModel
from starlette.responses import Response

from kersey.core.errors import InvalidValue
from kersey.core.frame.borders import Corners, check_border_width
from kersey.core.frame.fitting import FittedBorder, fit_border
from kersey.core.frame.keys import Keys, friendlier_key, plan_keys
from kersey.core.measure.length import Units
from kersey.core.measure.workshop import QUARTER_INCH, Workshop, check_seam
from kersey.drawing.fitted_border import draw_fitted, draw_keys
from kersey.web.forms import BadForm, Length, checked, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()

_FITTED, _KEYS = "fitted", "keys"
_INCH_EXAMPLE = ("36 1/4", "35 3/4", "42 1/2", "42 1/2")
_METRIC_EXAMPLE = ("92 cm", "91 cm", "108 cm", "108 cm")


class BorderForm(BaseModel):
    """A measured centre, unfinished, and what is wanted of it."""

    kind: str = _FITTED
    width: Length
    length: Length
    wanted_width: Length | None = None
    wanted_length: Length | None = None
    corners: Corners = Corners.SQUARES
    first: str = "sides"
    seam: Annotated[Length, AfterValidator(checked(check_seam))] = QUARTER_INCH
    key: Length | None = None
    depth: Annotated[Length | None, AfterValidator(checked(check_border_width))] = None

    @property
    def measured(self) -> tuple[Fraction, Fraction]:
        """The centre, unfinished."""
        return self.width, self.length


@router.get("/border", name="border_page")
def border_page(request: Request, room: Room) -> Response:
    preferences = room.preferences()
    units = preferences.workshop.units
    typed = dict(request.query_params) or _example(units)
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "units": units,
        "typed": typed,
        "is_example": not request.query_params,
        "errors": {},
        "corner_styles": list(Corners),
        "kind": _KEYS if typed.get("kind") == _KEYS else _FITTED,
        "fitted": None,
        "keys": None,
        "drawing": "",
    }
    try:
        form = read_form(BorderForm, {k: v for k, v in typed.items() if v}, units)
        context |= _reckoned(form, Workshop(form.seam, preferences.workshop.usable_width, units))
    except BadForm as bad:
        return render(request, "border/page.html", context | {"errors": bad.errors}, 422)
    except InvalidValue as error:
        return render(request, "border/page.html", context | {"errors": {"": str(error)}}, 422)
    return render(request, "border/page.html", context)


def _reckoned(form: BorderForm, shop: Workshop) -> dict[str, Any]:
    if form.kind == _KEYS:
        return _with_keys(form, shop)
    wanted = form.wanted_width or form.width, form.wanted_length or form.length
    fitted = fit_border(form.measured, wanted, form.seam, form.corners, form.first == "sides")
    return {
        "fitted": fitted,
        "strips": list(zip(fitted.pieces, fitted.strips(shop), strict=True)),
        "sides_first": form.first == "sides",
        "finished": _finished(fitted),
        "drawing": draw_fitted(fitted, form.corners, form.first == "sides", shop.units),
    }


def _with_keys(form: BorderForm, shop: Workshop) -> dict[str, Any]:
    seams = 2 * form.seam
    body = form.width - seams, form.length - seams
    key, depth = form.key or Fraction(2), form.depth or Fraction(3)
    keys = plan_keys(body, key, depth)
    return {
        "keys": keys,
        "cut": (key + seams, depth + seams),
        "spacer_cuts": keys.spacer_cuts(form.seam),
        "friendlier": friendlier_key(body, key) if _spaced(keys) else None,
        "corner_cut": depth + seams,
        "drawing": draw_keys(body, keys, shop.units),
    }


def _spaced(keys: Keys) -> bool:
    return bool(keys.spacer_sides or keys.spacer_ends)


def _finished(fitted: FittedBorder) -> tuple[Fraction, Fraction]:
    width, length = (side - 2 * fitted.seam for side in fitted.wanted)
    return width, length


def _example(units: Units) -> dict[str, str]:
    """Something to begin with; the page says that it is an example."""
    names = ("width", "length", "wanted_width", "wanted_length")
    sides = _INCH_EXAMPLE if units is Units.INCHES else _METRIC_EXAMPLE
    return dict(zip(names, sides, strict=True))
