"""Put away: what is left, proposed; corrected by a word; then back to the cupboard.

Nothing is kept until it is put away: what was corrected is in the address.
"""

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from typing import Annotated, Any
from urllib.parse import urlencode

from fastapi import APIRouter, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.errors import Infeasible, InvalidValue
from kersey.core.leaving.as_found import BadFound, FoundPieces, read_found
from kersey.core.leaving.put_away import LEFT, Keeping, Leaving, PutAway, leavings, put_away
from kersey.core.measure.length import Units, format_areas, format_length, format_size
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.cupboard import LONGEST_PLACE
from kersey.core.stash.cut_down import LONGEST_RULES, read_rules
from kersey.core.work.work_order import StepKind
from kersey.drawing.leaving import draw_leaving
from kersey.store.put_away import (
    CannotTakeBack,
    can_take_back,
    put_project_away,
    take_back_put_away,
)
from kersey.web.forms import BadForm, Length, PageForm, TypedForm, read_form
from kersey.web.open_project import Opened, OpenProject, RevisedForm, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.put_away.stage import STAGE
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
# The largest piece is drawn so wide; no piece smaller than half of that scale allows.
_WIDE_PX, _MOST_PX_AN_INCH = 220.0, 14.0
# What a field begins with in which it stands what was found.
_FOUND = "found-"


class KeepForm(PageForm):
    """What is worth keeping: from what shorter side on, cut down to what, and what is not."""

    least: Length | None = None
    rules: str = Field("", max_length=LONGEST_RULES)
    dropped: str = Field("", max_length=4000)

    def keeping(self, found: Mapping[str, FoundPieces], units: Units) -> Keeping:
        """As the core asks it; raises `BadRule`."""
        dropped = frozenset(filter(None, self.dropped.split(",")))
        return Keeping(
            self.least or Fraction(0), read_rules(self.rules, units), dropped, found=found
        )


class AwayForm(KeepForm):
    """The same, and which project it was seen of."""

    revision: int
    place: str = Field("", max_length=LONGEST_PLACE)
    all_cut: bool = False


@router.get("/projects/{project_id}/away", name="away_page")
def away_page(request: Request, room: Room, opened: Opened) -> Response:
    """What is left, and what would become of it; first as the settings say."""
    return _page(request, room, opened, dict(request.query_params), {})


def _again(request: Request, room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    return _page(request, room, opened, bad.typed, bad.errors)


def _page(
    request: Request,
    room: Workroom,
    opened: OpenProject,
    asked: Mapping[str, str],
    errors: Mapping[str, str],
) -> Response:
    preferences = room.preferences()
    usual = {"rules": preferences.cut_rules}
    if preferences.least_kept:
        usual["least"] = format_length(preferences.least_kept, opened.units)
    typed = dict(asked) or usual
    context = project_context(opened, STAGE) | {
        "leaving": [],
        "sums": None,
        "form": KeepForm(),
        "typed": typed,
        "is_put_away": False,
        "found": [],
        "problem": "",
        "unticked": _unticked(opened),
        "errors": errors,
    }
    quilt = opened.quilt
    if quilt is None or opened.project.put_away:
        with room.reading() as session:
            context["can_take_back"] = can_take_back(session, opened.stored.id)
        context["is_put_away"] = opened.project.put_away
        return render(request, "put_away/page.html", context, 422 if errors else 200)
    try:
        form = read_form(KeepForm, typed, opened.units)
        context |= _context(opened, quilt, form, typed)
    except BadForm as bad:
        errors = bad.errors
    except InvalidValue as error:
        errors = {error.field or "rules": str(error)}
    else:
        return render(request, "put_away/page.html", context, 422 if errors else 200)
    # What was written wrong is left out, so that the rest can still be seen and mended.
    right = {name: value for name, value in typed.items() if name in ("least", "dropped")}
    right = {} if "least" in errors else right
    context |= _context(opened, quilt, read_form(KeepForm, right, opened.units), right)
    context |= {"errors": errors, "typed": typed}
    return render(request, "put_away/page.html", context, 422)


@router.post("/projects/{project_id}/put-away", name="put_away")
def put_away_leftovers(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[AwayForm, sent(AwayForm, _again)],
    typed: TypedForm,
) -> Response:
    """Put what is left into the cupboard, as lots of its own; whole pieces go back.

    What is not ticked off as cut is booked as cut only when somebody says that it is.
    """
    if _unticked(opened) and not form.all_cut:
        raise BadForm({"all_cut": "Check this if it's true, or check off what you cut first."})
    found = _found(typed, opened.units)
    keeping = replace(form.keeping(found, opened.units), place=form.place)

    def put(project: Project) -> PutAway:
        return put_away(make_quilt(project, opened.units), keeping)

    with room.transaction() as session:
        put_project_away(session, opened.stored.id, form.revision, put, room.clock())
    return go_to(request, "project_ledger", opened)


@router.post("/projects/{project_id}/take-back-away", name="take_back_away")
def take_back_away(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[RevisedForm, sent(RevisedForm, _again)],
) -> Response:
    """The quilt as it was before its leftovers were put away."""
    try:
        with room.transaction() as session:
            take_back_put_away(session, opened.stored.id, form.revision, room.clock())
    except CannotTakeBack as error:
        raise BadForm({"take_back": str(error)}) from None
    return go_to(request, "away_page", opened)


def _unticked(opened: OpenProject) -> int:
    """How many steps of cutting nobody has ticked off."""
    done = opened.project.done
    return sum(step.kind is StepKind.CUT and step.key not in done for step in opened.steps)


def _found(typed: Mapping[str, str], units: Units) -> dict[str, FoundPieces]:
    """What was found otherwise than proposed, by the keys of what is left; raises `BadFound`."""
    found = {}
    for name, value in typed.items():
        if name.startswith(_FOUND) and value.strip():
            key = name.removeprefix(_FOUND)
            try:
                found[key] = read_found(value, units)
            except BadFound as error:
                raise BadFound(str(error), key) from None
    return found


def _context(
    opened: OpenProject, quilt: Quilt, form: KeepForm, typed: Mapping[str, str]
) -> dict[str, Any]:
    proposed = {each.key: _words(each, opened.units) for each in leavings(quilt)}
    # What stands there as it was proposed is no correction.
    said = {
        name: value
        for name, value in typed.items()
        if name.startswith(_FOUND)
        and value.strip()
        and value != proposed.get(name.removeprefix(_FOUND))
    }
    keeping = form.keeping(_found(said, opened.units), opened.units)
    every = leavings(quilt, keeping)
    longest = max((float(max(each.width, each.length)) for each in every), default=1.0)
    scale = min(_MOST_PX_AN_INCH, _WIDE_PX / longest)
    context: dict[str, Any] = {
        "form": form,
        "found": list(said.items()),
        "leaving": [
            _row(each, form, keeping, opened.units, scale, said) | {"names": _names(each, quilt)}
            for each in every
        ],
        "whole": sum(piece.count for piece in quilt.left if piece.whole),
    }
    try:
        away = put_away(quilt, keeping)
    except Infeasible as reason:
        return context | {"problem": str(reason)}
    sums = [
        sum((getattr(fate, name) for fate in away.fates), Fraction(0))
        for name in ("used", "kept", "lost")
    ]
    whole = sum(sums, Fraction(0))
    return context | {
        "sums": list(
            zip(
                ("in the quilt", "back to the cupboard", "waste"),
                format_areas(whole, sums, opened.units),
                [float(each / whole) * 100 if whole else 0 for each in sums],
                strict=True,
            )
        ),
        "lots": len(away.lots),
        "pieces": sum(kept.lot.count for kept in away.lots),
    }


def _row(
    each: Leaving,
    form: KeepForm,
    keeping: Keeping,
    units: Units,
    scale: float,
    said: Mapping[str, str],
) -> dict[str, Any]:
    toggled = sorted(keeping.dropped ^ {each.key})
    query = {
        "least": "" if form.least is None else format_length(form.least, units),
        "rules": form.rules,
        "dropped": ",".join(toggled),
        **said,
    }
    return {
        "each": each,
        "size": format_size(each.width, each.length, units),
        "drawing": draw_leaving(each.width, each.length, each.form, each.prints, units, scale),
        "word": "" if each.word == LEFT else each.word,
        "becomes": each.becomes.words(units) if each.becomes else "",
        "pair": "" if each.pair is None else format_length(each.pair, units),
        "small": min(each.width, each.length) < keeping.least,
        "field": f"{_FOUND}{each.key}",
        "words": said.get(f"{_FOUND}{each.key}") or _words(each, units),
        "toggle": urlencode(query),
    }


def _names(each: Leaving, quilt: Quilt) -> list[str]:
    """The prints it is of; of what is sewn all that are in it."""
    sewn = [quilt.prints[name] for name, _ in each.shares]
    return list(dict.fromkeys(cloth.name for cloth in sewn or each.prints))


def _words(each: Leaving, units: Units) -> str:
    """What is left, as a person would write it down."""
    return f"{each.count} of {format_size(each.width, each.length, units)}"
