"""One lot at home: corrected, sorted, split, returned by the quilts that hold some of it."""

from dataclasses import replace
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Path, Request
from starlette.responses import Response

from kersey.core.cloth.colour import FAMILIES
from kersey.core.cloth.fabric import BadFabric, Lot, Motif, Scale, Stack, Value
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, format_area, parse_length
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH, CupboardLot
from kersey.core.stash.cut_down import MOST, cut_down, read_rules
from kersey.drawing.pieces import draw_piece
from kersey.drawing.swatch import draw_swatch
from kersey.store.cupboard import NoSuchLot, StoredLot, change_lots, get_lot, split_lot
from kersey.store.holdings import holdings
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import change_project, get_project
from kersey.web.cupboard.forms import (
    LotForm,
    MeasuredForm,
    MoveForm,
    ReturnForm,
    SortForm,
    SplitForm,
)
from kersey.web.cupboard.sampled import sampled
from kersey.web.cupboard.view import back_to_the_shelf, holders_of, see_lot
from kersey.web.forms import BadForm, TypedForm, field_error, per_cent, read_form
from kersey.web.print_form import changed_stack
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

# What is kept as it is until somebody cuts it down.
_CUT_DOWN = frozenset(
    {Form.PIECE, Form.STRIP, Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.YARDAGE}
)

Place = Annotated[int, Path(ge=0, le=5000)]
LotId = Annotated[int, Path(ge=1, le=2**31)]


@router.get("/cupboard/lots/{lot_id}", name="lot_page")
def lot_page(request: Request, room: Room, lot_id: LotId) -> Response:
    with room.reading() as session:
        stored = get_lot(session, lot_id)
        units = load_preferences(session).workshop.units
    try:
        by_sample = sampled(stored.kept.lot, dict(request.query_params), units)
    except BadForm as bad:
        return _lot_page(request, room, stored, bad)
    return _lot_page(request, room, stored, by_sample=by_sample)


@router.post("/cupboard/lots/{lot_id}", name="change_lot_at_home")
def change_lot(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Correct one lot."""
    with room.reading() as session:
        stored = get_lot(session, lot_id)
    try:
        form = read_form(LotForm, typed, room.preferences().workshop.units)
        changed = _with_facts(stored.kept, form)
    except BadForm as bad:
        return _lot_page(request, room, stored, bad)
    except InvalidValue as error:
        wrong = field_error(error, typed, LotForm.model_fields, "width")
        return _lot_page(request, room, stored, wrong)
    with room.transaction() as session:
        words = f"edited “{changed.name}”"
        change_lots(session, {lot_id: form.revision}, lambda _: changed, words, room.clock())
    return back_to_the_shelf(request, {})


@router.post("/cupboard/lots/{lot_id}/prints/{place}", name="change_print_at_home")
def change_print(
    request: Request, room: Room, lot_id: LotId, place: Place, typed: TypedForm
) -> Response:
    """Rename, recolour, judge or recount one print of a lot."""
    with room.reading() as session:
        stored = get_lot(session, lot_id)
    if place >= len(stored.kept.lot.stacks):
        raise NoSuchLot(lot_id)
    try:
        form = read_form(MeasuredForm, typed, room.preferences().workshop.units)
        stack = _changed_stack(stored.kept.lot.stacks[place], form)
        kept = replace(stored.kept, lot=stored.kept.lot.with_stack(place, stack))
        some = form.measured_pieces or stack.count
        changed = kept.measured(place, some, form.measured) if form.sized else kept
    except BadForm as bad:
        return _lot_page(request, room, stored, bad, place)
    except InvalidValue as error:
        return _lot_page(
            request,
            room,
            stored,
            field_error(error, typed, MeasuredForm.model_fields, "count"),
            place,
        )
    with room.transaction() as session:
        words = f"edited “{stack.print.name}”"
        change_lots(session, {lot_id: form.revision}, lambda _: changed, words, room.clock())
    return see_lot(request, lot_id)


@router.post("/cupboard/lots/{lot_id}/sort", name="sort_lot")
def sort_lot(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Lay the prints of a lot in another order."""
    form = read_form(SortForm, typed, Units.INCHES)
    with room.transaction() as session:
        words = f"sorted by {form.order}"
        change_lots(
            session, {lot_id: form.revision}, lambda k: k.sorted(form.order), words, room.clock()
        )
    return see_lot(request, lot_id)


@router.post("/cupboard/lots/{lot_id}/move", name="move_print")
def move_print(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Lay one print of a lot at another place."""
    form = read_form(MoveForm, typed, Units.INCHES)
    with room.transaction() as session:
        change_lots(
            session,
            {lot_id: form.revision},
            lambda kept: kept.moved(form.place, form.to),
            "moved a print",
            room.clock(),
        )
    return see_lot(request, lot_id)


@router.post("/cupboard/lots/{lot_id}/split", name="split_lot")
def split(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Cut a length off a lot, or weigh some of it out: it becomes a lot of its own."""
    units = room.preferences().workshop.units
    with room.reading() as session:
        stored = get_lot(session, lot_id)
    try:
        form = read_form(SplitForm, typed, units)
        amount = _amount(stored.kept.lot, form.amount, units)
        with room.transaction() as session:
            number = split_lot(session, lot_id, form.revision, amount, room.clock())
    except BadForm as bad:
        return _lot_page(request, room, stored, bad)
    except InvalidValue as error:
        return _lot_page(request, room, stored, field_error(error, typed, (), "amount"))
    return see_lot(request, number)


def _amount(lot: Lot, said: str, units: Units) -> Fraction:
    grams = said.strip().removesuffix("g").strip()
    if lot.grams is None:
        return parse_length(said, units)
    if not grams.isdecimal() or len(grams) > 7:
        raise BadFabric("Type whole grams, like 400.")
    return Fraction(int(grams))


@router.post("/cupboard/lots/{lot_id}/return", name="return_lot")
def return_lot(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Return all uncut pieces of a lot that one quilt holds."""
    form = read_form(ReturnForm, typed, Units.INCHES)
    with room.transaction() as session:
        project = get_project(session, form.project)
        places = {n for n, p in enumerate(project.project.fabrics) if p.lot_number == lot_id}
        change_project(
            session, project.id, project.revision, lambda p: p.returning(places), room.clock()
        )
    return see_lot(request, lot_id)


def _changed_stack(stack: Stack, form: MeasuredForm) -> Stack:
    changed = changed_stack(stack, form)
    if form.family in FAMILIES and form.family != changed.print.known_family:
        changed = replace(changed, print=replace(changed.print, judged_family=form.family))
    return changed


def _with_facts(kept: CupboardLot, form: LotForm) -> CupboardLot:
    lot: Lot = replace(
        kept.lot,
        width=form.width,
        length=form.length,
        measured_length=form.measured_length,
        shrinkage=per_cent(form.shrinkage),
        shrinkage_across=None if form.shrinkage_across is None else per_cent(form.shrinkage_across),
        directional=form.directional,
        wrong_side=form.wrong_side,
    )
    return replace(
        kept, name=form.name, lot=lot, place=form.place, note=form.note, first=form.first
    )


def _lot_page(
    request: Request,
    room: Workroom,
    stored: StoredLot,
    bad: BadForm | None = None,
    place_open: int | None = None,
    by_sample: dict[str, Any] | None = None,
) -> Response:
    with room.reading() as session:
        preferences = load_preferences(session)
        held = holdings(session, [stored.id])
    units = preferences.workshop.units
    lot = stored.kept.lot
    context = {
        "theme": preferences.theme,
        "units": units,
        "holders": holders_of(held),
        "free": lot.count - sum(holding.count for holding in held),
        "free_of": [
            stack.count - sum(h.count for h in held if h.stack_id == stack.number)
            for stack in lot.stacks
        ],
        "splits": lot.grams is not None or (lot.form in CUT_FROM_THE_LENGTH and lot.count == 1),
        "scales": list(Scale),
        "families": FAMILIES,
        "unknown": sum(bool(cloth.filled_in) for cloth in lot.prints),
        "stored": stored,
        "lot": stored.kept.lot,
        "facts": FACTS[stored.kept.lot.form],
        "piece": draw_piece(stored.kept.lot, units),
        "swatches": [draw_swatch(cloth) for cloth in stored.kept.lot.prints],
        "motifs": list(Motif),
        "place_open": place_open,
        "values": [("", "not used"), *((value.value, value.value) for value in Value)],
        "errors": bad.errors if bad else {},
        "typed": bad.typed if bad else {},
        "sample": dict(request.query_params),
        "down": _cut_down(lot, preferences),
        **(by_sample or {"sampled": None}),
    }
    return render(request, "cupboard/lot.html", context, 422 if bad else 200)


def _cut_down(lot: Lot, preferences: Preferences) -> dict[str, str] | None:
    """What a piece becomes under the rules of the settings; None where they say nothing of it."""
    units = preferences.workshop.units
    if not preferences.cut_rules or lot.form not in _CUT_DOWN or max(_size(lot)) > MOST:
        return None
    down = cut_down(_size(lot), read_rules(preferences.cut_rules, units), lot.directional)
    return {"words": down.words(units), "lost": format_area(down.lost, units)}


def _size(lot: Lot) -> tuple[Fraction, Fraction]:
    return lot.usable_width, lot.usable_length
