"""The price list, ware by ware, and a delivery that comes into the cupboard."""

from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import BeforeValidator, Field
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.forms import Form
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, parse_length
from kersey.core.stash.price_list import USUAL_PRICES, Ware
from kersey.formats.order import BadOrder, read_delivery
from kersey.store.cupboard import add_lots, number_prints
from kersey.store.prices import load_prices, save_prices
from kersey.web.forms import BadForm, Length, PageForm, SentFile, TypedForm, field_error, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_SOLD = {
    Form.YARDAGE: "by the yard",
    Form.FAT_QUARTER: "fat quarter",
    Form.FAT_EIGHTH: "fat eighth",
    Form.STRIP: "strips",
    Form.SQUARE: "squares",
    Form.BATTING: "batting",
}


def _cents(typed: object) -> object:
    """A price as it was typed, in hundredths: 12.50 or 12,50."""
    text = str(typed).strip().replace(",", ".")
    whole, _, part = text.partition(".")
    if not (whole.isdecimal() and (not part or part.isdecimal()) and len(part) <= 2):
        raise InvalidValue("A price is a number, like 12.50.")
    return int(whole) * 100 + int(part.ljust(2, "0") or 0)


class WareForm(PageForm):
    """A ware as it is from now on; `was` is the name it had."""

    revision: int
    was: str = Field("", max_length=80)
    name: str = Field(max_length=80)
    form: Form
    width: Length
    length: Length = Fraction(0)
    pieces: int = Field(1, ge=1, le=5000)
    prints: int = Field(1, ge=1, le=5000)
    price: Annotated[int, BeforeValidator(_cents)]
    least: Length = Fraction(0)
    stock: str = Field("", max_length=20)

    def ware(self, units: Units) -> Ware:
        """The ware; raises `InvalidValue`."""
        off_the_bolt = self.form is Form.YARDAGE
        stock = None if not self.stock.strip() else _stock(self.stock, off_the_bolt, units)
        return Ware(
            self.name,
            self.form,
            self.width,
            self.price,
            Fraction(0) if off_the_bolt else self.length,
            1 if off_the_bolt else self.pieces,
            1 if off_the_bolt else self.prints,
            self.least if off_the_bolt else Fraction(0),
            stock,
        )


class RemoveForm(PageForm):
    """A ware that is struck off, or the whole list that is as it was shipped."""

    revision: int
    name: str = Field("", max_length=80)


@router.get("/prices", name="prices_page")
def prices_page(request: Request, room: Room) -> Response:
    return _page(request, room)


@router.post("/prices", name="change_ware")
def change_ware(request: Request, room: Room, typed: TypedForm) -> Response:
    """Change a ware, or add one."""
    units = room.preferences().workshop.units
    try:
        form = read_form(WareForm, typed, units)
        ware = form.ware(units)
        with room.transaction() as session:
            prices, _ = load_prices(session)
            save_prices(session, prices.with_ware(form.was or None, ware), form.revision)
    except BadForm as bad:
        return _page(request, room, bad)
    except InvalidValue as error:
        return _page(request, room, field_error(error, typed, WareForm.model_fields, "name"))
    return _back(request)


@router.post("/prices/strike", name="strike_ware")
def strike_ware(request: Request, room: Room, typed: TypedForm) -> Response:
    """Strike a ware off the list; with no name the list is as it was shipped."""
    form = read_form(RemoveForm, typed, Units.INCHES)
    with room.transaction() as session:
        prices, _ = load_prices(session)
        changed = prices.without(form.name) if form.name else USUAL_PRICES
        save_prices(session, changed, form.revision)
    return _back(request)


@router.post("/cupboard/delivery", name="bring_in_delivery")
def bring_in_delivery(request: Request, room: Room, content: SentFile) -> Response:
    """Put what was delivered into the cupboard; its unnamed prints are numbered on."""
    try:
        delivery = read_delivery(content)
    except BadOrder as error:
        return _page(request, room, BadForm({"file": str(error)}, {}))
    with room.transaction() as session:
        lots = number_prints(session, delivery.lots)
        add_lots(session, lots, f"Delivery for {delivery.quilt}"[:120], room.clock())
    return RedirectResponse(request.app.url_path_for("cupboard_page"), status_code=303)


def _stock(said: str, off_the_bolt: bool, units: Units) -> Fraction:
    if off_the_bolt:
        return parse_length(said, units)
    if not said.strip().isdecimal():
        raise InvalidValue("Type stock as a whole number, like 12, or leave it empty.")
    return Fraction(int(said))


def _back(request: Request) -> Response:
    return RedirectResponse(request.app.url_path_for("prices_page"), status_code=303)


def _page(request: Request, room: Workroom, bad: BadForm | None = None) -> Response:
    preferences = room.preferences()
    with room.reading() as session:
        prices, revision = load_prices(session)
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "units": preferences.workshop.units,
        "currency": preferences.currency,
        "prices": prices,
        "revision": revision,
        "is_usual": prices == USUAL_PRICES,
        "sold": _SOLD,
        "errors": bad.errors if bad else {},
        "typed": dict.fromkeys(WareForm.model_fields, "") | dict(bad.typed) if bad else {},
    }
    return render(request, "shop/prices.html", context, 422 if bad else 200)
