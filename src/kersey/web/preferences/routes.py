"""Seam, usable width, units, theme and paper."""

from dataclasses import replace
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import AfterValidator, Field
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.thread import LONGEST_SPOOLS, spools_of
from kersey.core.measure.length import Units
from kersey.core.measure.money import USUAL_CURRENCY, checked_currency
from kersey.core.measure.workshop import Workshop, check_seam, check_usable_width
from kersey.core.stash.cut_down import LONGEST_RULES, BadRule, rules_text
from kersey.store.devices import devices
from kersey.store.preferences import Paper, Theme, load_preferences, save_preferences
from kersey.web.forms import BadForm, Length, PageForm, TypedForm, checked, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()


class PreferencesForm(PageForm):
    """The settings, all of them."""

    revision: int
    seam: Annotated[Length, AfterValidator(checked(check_seam))]
    usable_width: Annotated[Length, AfterValidator(checked(check_usable_width))]
    units: Units
    theme: Theme
    paper: Paper
    threads: Annotated[str, AfterValidator(checked(spools_of))] = Field(
        "", max_length=LONGEST_SPOOLS
    )
    cut_rules: str = Field("", max_length=LONGEST_RULES)
    least_kept: Length = Fraction(0)
    currency: Annotated[str, AfterValidator(checked(checked_currency))] = USUAL_CURRENCY


@router.get("/settings", name="preferences_page")
def preferences_page(request: Request, room: Room, saved: bool = False) -> Response:
    return _page(request, room, saved=saved)


@router.post("/settings", name="change_preferences")
def change_preferences(request: Request, room: Room, typed: TypedForm) -> Response:
    """Keep the settings. Lengths are read in the units that the form was shown in."""
    shown_in = room.preferences().workshop.units
    try:
        form = read_form(PreferencesForm, typed, shown_in)
        rules = rules_text(form.cut_rules, shown_in)
    except BadForm as bad:
        return _page(request, room, bad=bad)
    except BadRule as wrong:
        return _page(request, room, bad=BadForm({"cut_rules": str(wrong)}, typed))
    workshop = Workshop(form.seam, form.usable_width, form.units)
    with room.transaction() as session:
        kept = replace(
            load_preferences(session),
            workshop=workshop,
            theme=form.theme,
            paper=form.paper,
            revision=form.revision,
            threads=spools_of(form.threads),
            cut_rules=rules,
            least_kept=form.least_kept,
            currency=form.currency,
        )
        save_preferences(session, kept)
    address = request.app.url_path_for("preferences_page")
    return RedirectResponse(f"{address}?saved=true", status_code=303)


def _page(
    request: Request, room: Workroom, *, saved: bool = False, bad: BadForm | None = None
) -> Response:
    with room.reading() as session:
        preferences, paired = load_preferences(session), devices(session)
    context: dict[str, Any] = {
        "preferences": preferences,
        "devices": paired,
        "theme": preferences.theme,
        "units": preferences.workshop.units,
        "all_units": list(Units),
        "themes": list(Theme),
        "papers": list(Paper),
        "saved": saved,
        "errors": bad.errors if bad else {},
        "typed": bad.typed if bad else {},
    }
    return render(request, "preferences/page.html", context, 422 if bad else 200)
