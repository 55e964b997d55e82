"""Seam, usable width, units, theme and paper."""

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
from kersey.formats.kersey_file import NotAKerseyFile, gather, read_everything
from kersey.store.cupboard import all_lots
from kersey.store.preferences import Paper, Preferences, Theme, save_preferences
from kersey.store.prices import bring_prices, own_prices
from kersey.store.projects import add_everything, all_projects
from kersey.web.download import saved_as
from kersey.web.forms import BadForm, Length, PageForm, SentFile, TypedForm, checked, read_form
from kersey.web.jobs import Answer, Job
from kersey.web.progress.routes import begin_work
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
        threads = spools_of(form.threads)
        kept = Preferences(
            workshop,
            form.theme,
            form.paper,
            form.revision,
            threads,
            rules,
            form.least_kept,
            form.currency,
        )
        save_preferences(session, kept)
    address = request.app.url_path_for("preferences_page")
    return RedirectResponse(f"{address}?saved=true", status_code=303)


@router.get("/everything.json", name="save_everything")
def save_everything(room: Room) -> Response:
    """All projects and the cupboard as one file."""
    with room.reading() as session:
        projects = all_projects(session)
        lots = {stored.id: stored.kept for stored in all_lots(session)}
        prices = own_prices(session)
    return Response(
        gather(projects, lots, prices),
        media_type="application/json",
        headers=saved_as("kersey", "json"),
    )


@router.post("/everything", name="bring_in_everything")
def bring_in_everything(request: Request, room: Room, content: SentFile) -> Response:
    """Add the projects and lots of a file; a damaged file is refused whole."""

    def bring_in(job: Job) -> Answer:
        try:
            everything = read_everything(content, job.tell)
        except NotAKerseyFile as error:
            bad = BadForm({"file": str(error)}, {})
            return lambda later: _page(later, room, bad=bad)
        job.doing = "Writing"
        with room.transaction() as session:
            add_everything(session, everything.projects, everything.cupboard, room.clock())
            bring_prices(session, everything.prices)
        return lambda later: RedirectResponse(later.app.url_path_for("first_page"), status_code=303)

    return begin_work(request, room, "Adding a file", bring_in)


def _page(
    request: Request, room: Workroom, *, saved: bool = False, bad: BadForm | None = None
) -> Response:
    preferences = room.preferences()
    context: dict[str, Any] = {
        "preferences": preferences,
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
