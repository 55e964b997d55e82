"""The cupboard: lots put in by the line, found, changed many at once; every step undone."""

from collections import OrderedDict
from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, Any, Literal
from urllib.parse import urlencode

from fastapi import APIRouter, Path, Request
from markupsafe import Markup
from pydantic import AfterValidator, Field
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.colour import FAMILIES
from kersey.core.cloth.fabric import BadFabric, Lot, Motif, Scale, Stack, Value, checked_name
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.cloth.sorting import Order
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, parse_length
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH, Aside, CupboardLot, from_readings
from kersey.core.stash.pulled import Pulled, pull_pieces
from kersey.core.stash.quick_entry import (
    Reading,
    examples_in,
    lines_of,
    pieces_in_words,
    read_lines,
    read_lots,
    size_in_words,
)
from kersey.drawing.pieces import draw_colours, draw_piece
from kersey.drawing.shelf import draw_on_shelf
from kersey.drawing.swatch import draw_swatch
from kersey.store.cupboard import (
    Find,
    LotLine,
    NoSuchLot,
    StoredLot,
    add_lots,
    change_lots,
    count_lots,
    get_lot,
    last_change,
    list_lots,
    number_prints,
    split_lot,
    take_out,
    undo,
)
from kersey.store.holdings import Holding, free_pieces, holdings
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import change_project, get_project, list_projects
from kersey.web import forms
from kersey.web.forms import BadForm, ChosenLots, Length, TypedForm, field_error, read_form
from kersey.web.print_form import PrintForm, changed_stack
from kersey.web.templating import counted, fragment, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

Place = Annotated[int, Path(ge=0, le=5000)]
LotId = Annotated[int, Path(ge=1, le=2**31)]
_ON_A_SHELF = 24
_QUILTS_OFFERED = 12
_LONGEST_PASTE = 8000


# (project, its name, pieces held, those of them cut)
Holders = tuple[tuple[int, str, int, int], ...]


class CupboardView(StrEnum):
    """The cloth as it lies, or a table of it."""

    SHELVES = "shelves"
    TABLE = "table"


class FindForm(forms.PageForm):
    """What is looked for. Widths in the person's units."""

    words: str = Field("", max_length=100)
    form: Form | None = None
    value: Value | None = None
    family: str | None = None
    least_width: Length | None = None
    most_width: Length | None = None
    aside: Literal["true", "false", "used"] | None = None
    view: CupboardView = CupboardView.SHELVES
    shelf: int = Field(1, ge=1, le=100_000)


class Act(StrEnum):
    """What can be done to many lots at once."""

    LIGHT = "light"
    MEDIUM = "medium"
    DARK = "dark"
    DIRECTIONAL = "directional"
    TURNABLE = "turnable"
    BACK = "back"
    OUT = "out"
    CONFIRM = "confirm"
    BINDING = "binding"
    STRANGER = "stranger"
    LATER = "later"
    PULL = "pull"


class ActForm(forms.PageForm):
    """An act on the lots that are ticked; `project` is what they are pulled for."""

    act: Act
    project: int | None = None


class LotForm(forms.PageForm):
    """A lot as it should be."""

    revision: int
    name: Annotated[str, AfterValidator(checked_name)]
    width: Length
    length: Length
    measured_length: Length | None = None
    shrinkage: float = Field(0, ge=0, le=15)
    shrinkage_across: float | None = Field(None, ge=0, le=15)
    directional: bool = False
    wrong_side: Value | None = None


class SplitForm(forms.PageForm):
    """A length to cut off, or grams to weigh out."""

    revision: int
    amount: str = Field(max_length=40)


class MeasuredForm(PrintForm):
    """A print at home, and what its own pieces measured."""

    family: str | None = None
    measured: Length | None = None
    measured_pieces: int | None = Field(None, ge=1, le=5000)
    sized: bool = False


class ReturnForm(forms.PageForm):
    """What a quilt returns of a lot."""

    project: int = Field(ge=1, le=2**31)


class SortForm(forms.PageForm):
    """An order for the prints of a lot."""

    revision: int
    order: Order


class MoveForm(forms.PageForm):
    """A print and the place it is to lie at."""

    revision: int
    place: int = Field(ge=0)
    to: int = Field(ge=0)


_ACTS: dict[Act, tuple[str, Callable[[CupboardLot], CupboardLot]]] = {
    Act.LIGHT: ("read as light", lambda kept: kept.judged(Value.LIGHT)),
    Act.MEDIUM: ("read as medium", lambda kept: kept.judged(Value.MEDIUM)),
    Act.DARK: ("read as dark", lambda kept: kept.judged(Value.DARK)),
    Act.DIRECTIONAL: ("marked directional", lambda kept: kept.made_directional(True)),
    Act.TURNABLE: ("may be turned", lambda kept: kept.made_directional(False)),
    Act.CONFIRM: ("confirmed", lambda kept: kept.confirmed),
    Act.BACK: ("brought back", lambda kept: kept.set_aside(None)),
    Act.BINDING: ("set aside for binding", lambda kept: kept.set_aside(Aside.BINDING)),
    Act.STRANGER: ("set aside", lambda kept: kept.set_aside(Aside.STRANGER)),
    Act.LATER: ("set aside for later", lambda kept: kept.set_aside(Aside.LATER)),
}


@router.get("/cupboard", name="cupboard_page")
def cupboard_page(request: Request, room: Room) -> Response:
    context = _context(request, room, dict(request.query_params))
    fragment = request.headers.get("hx-target") == "shelf"
    return render(request, "cupboard/shelf.html" if fragment else "cupboard/page.html", context)


@router.get("/cupboard/reading", name="read_fabric")
def read_fabric(request: Request, room: Room, lines: str = "") -> Response:
    """The lines read back as they are typed."""
    preferences = room.preferences()
    context = {"readings": _readings(lines, preferences), "units": preferences.workshop.units}
    return render(request, "cupboard/readings.html", context)


@router.get("/cupboard/how-to-say-it", name="grammar_page")
def grammar_page(request: Request, room: Room) -> Response:
    """Examples of lines, each read by the very reader that takes them."""
    preferences = room.preferences()
    units = preferences.workshop.units
    context = {
        "theme": preferences.theme,
        "units": units,
        "examples": [(line, read_lots(line, preferences.workshop)) for line in examples_in(units)],
    }
    return render(request, "cupboard/grammar.html", context)


@router.post("/cupboard", name="put_in")
def put_in(request: Request, room: Room, typed: TypedForm) -> Response:
    """Put the lines that were understood into the cupboard; the others stay in the field."""
    preferences = room.preferences()
    text = typed.get("lines", "")[:_LONGEST_PASTE]
    lines = [(line, read_lots(line, preferences.workshop)) for line in lines_of(text)]
    # A line is taken whole or stays whole.
    taken = [reading for _, found in lines if _all_taken(found) for reading in found]
    lots = from_readings(taken)
    if lots:
        with room.transaction() as session:
            add_lots(
                session,
                number_prints(session, lots),
                f"{counted(len(lots), 'lot')} put in",
                room.clock(),
            )
    left = [line for line, found in lines if not _all_taken(found)]
    if left or not lots:
        context = _context(request, room, {}) | {"lines": "\n".join(left)}
        context["readings"] = _readings("\n".join(left), preferences)
        context["put_in"] = len(lots)
        return render(request, "cupboard/page.html", context, 422)
    return _shown(request, {})


def _all_taken(readings: Sequence[Reading]) -> bool:
    return all(reading.taken for reading in readings)


@router.post("/cupboard/change", name="change_lots")
def change_many(request: Request, room: Room, typed: TypedForm, chosen: ChosenLots) -> Response:
    """One act on all lots that are ticked."""
    form = read_form(ActForm, typed, Units.INCHES)
    if form.act is Act.PULL:
        return _pull(request, room, form, chosen)
    if chosen:
        with room.transaction() as session:
            if form.act is Act.OUT:
                words = f"{counted(len(chosen), 'lot')} taken out"
                take_out(session, chosen, words, room.clock())
            else:
                done, change = _ACTS[form.act]
                words = f"{counted(len(chosen), 'lot')} {done}"
                change_lots(session, chosen, change, words, room.clock())
    if typed.get("back_to", "").isdecimal():
        return _see_lot(request, int(typed["back_to"][:9]))
    return _shown(request, typed)


def _pull(request: Request, room: Workroom, form: ActForm, chosen: Mapping[int, int]) -> Response:
    """Pull all that is free of the lots that are ticked for one quilt, and show its wall."""
    if form.project is None:
        return _shown(request, {})
    with room.transaction() as session:
        project = get_project(session, form.project)
        more: list[Pulled] = []
        for number in chosen:
            kept = get_lot(session, number).kept
            more.extend(pull_pieces(kept, free_pieces(session, number), number))
        change_project(
            session, project.id, project.revision, lambda p: p.pulling(more), room.clock()
        )
    address = request.app.url_path_for("pull_page", project_id=form.project)
    return RedirectResponse(address, status_code=303)


@router.post("/cupboard/undo", name="undo_cupboard")
def undo_last(request: Request, room: Room, typed: TypedForm) -> Response:
    """Take the newest change back."""
    with room.transaction() as session:
        undo(session, room.clock())
    return _shown(request, typed)


@router.get("/cupboard/lots/{lot_id}", name="lot_page")
def lot_page(request: Request, room: Room, lot_id: LotId) -> Response:
    with room.transaction() as session:
        stored = get_lot(session, lot_id)
    return _lot_page(request, room, stored)


@router.post("/cupboard/lots/{lot_id}", name="change_lot_at_home")
def change_lot(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Correct one lot."""
    with room.transaction() as session:
        stored = get_lot(session, lot_id)
    try:
        form = read_form(LotForm, typed, room.preferences().workshop.units)
        changed = _with_facts(stored.kept, form)
    except BadForm as bad:
        return _lot_page(request, room, stored, bad)
    except InvalidValue as error:
        return _lot_page(request, room, stored, field_error("width", error, typed))
    with room.transaction() as session:
        words = f"“{changed.name}” corrected"
        change_lots(session, {lot_id: form.revision}, lambda _: changed, words, room.clock())
    return _shown(request, {})


@router.post("/cupboard/lots/{lot_id}/prints/{place}", name="change_print_at_home")
def change_print(
    request: Request, room: Room, lot_id: LotId, place: Place, typed: TypedForm
) -> Response:
    """Rename, recolour, judge or recount one print of a lot."""
    with room.transaction() as session:
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
        return _lot_page(request, room, stored, field_error("count", error, typed), place)
    with room.transaction() as session:
        words = f"“{stack.print.name}” changed"
        change_lots(session, {lot_id: form.revision}, lambda _: changed, words, room.clock())
    return _see_lot(request, lot_id)


@router.post("/cupboard/lots/{lot_id}/sort", name="sort_lot")
def sort_lot(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Lay the prints of a lot in another order."""
    form = read_form(SortForm, typed, Units.INCHES)
    with room.transaction() as session:
        words = f"sorted by {form.order}"
        change_lots(
            session, {lot_id: form.revision}, lambda k: k.sorted(form.order), words, room.clock()
        )
    return _see_lot(request, lot_id)


@router.post("/cupboard/lots/{lot_id}/move", name="move_print")
def move_print(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Lay one print of a lot at another place."""
    form = read_form(MoveForm, typed, Units.INCHES)
    with room.transaction() as session:
        change_lots(
            session,
            {lot_id: form.revision},
            lambda kept: kept.moved(form.place, form.to),
            "a print moved",
            room.clock(),
        )
    return _see_lot(request, lot_id)


@router.post("/cupboard/lots/{lot_id}/split", name="split_lot")
def split(request: Request, room: Room, lot_id: LotId, typed: TypedForm) -> Response:
    """Cut a length off a lot, or weigh some of it out: it becomes a lot of its own."""
    units = room.preferences().workshop.units
    with room.transaction() as session:
        stored = get_lot(session, lot_id)
    try:
        form = read_form(SplitForm, typed, units)
        amount = _amount(stored.kept.lot, form.amount, units)
        with room.transaction() as session:
            number = split_lot(session, lot_id, form.revision, amount, room.clock())
    except BadForm as bad:
        return _lot_page(request, room, stored, bad)
    except InvalidValue as error:
        return _lot_page(request, room, stored, field_error("amount", error, typed))
    return _see_lot(request, number)


def _amount(lot: Lot, said: str, units: Units) -> Fraction:
    grams = said.strip().removesuffix("g").strip()
    if lot.grams is None:
        return parse_length(said, units)
    if not grams.isdecimal() or len(grams) > 7:
        raise BadFabric("Write whole grams, like 400.")
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
    return _see_lot(request, lot_id)


def _changed_stack(stack: Stack, form: MeasuredForm) -> Stack:
    changed = changed_stack(stack, form)
    if form.family in FAMILIES and form.family != changed.print.known_family:
        changed = replace(changed, print=replace(changed.print, judged_family=form.family))
    return changed


def _see_lot(request: Request, lot_id: int) -> Response:
    address = request.app.url_path_for("lot_page", lot_id=lot_id)
    return RedirectResponse(address, status_code=303)


def _with_facts(kept: CupboardLot, form: LotForm) -> CupboardLot:
    lot: Lot = replace(
        kept.lot,
        width=form.width,
        length=form.length,
        measured_length=form.measured_length,
        shrinkage=forms.per_cent(form.shrinkage),
        shrinkage_across=None
        if form.shrinkage_across is None
        else forms.per_cent(form.shrinkage_across),
        directional=form.directional,
        wrong_side=form.wrong_side,
    )
    return replace(kept, name=form.name, lot=lot)


def _lot_page(
    request: Request,
    room: Workroom,
    stored: StoredLot,
    bad: BadForm | None = None,
    place_open: int | None = None,
) -> Response:
    with room.transaction() as session:
        preferences = load_preferences(session)
        held = holdings(session, [stored.id])
    units = preferences.workshop.units
    lot = stored.kept.lot
    context = {
        "theme": preferences.theme,
        "units": units,
        "holders": _holders(held),
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
    }
    return render(request, "cupboard/lot.html", context, 422 if bad else 200)


def _context(request: Request, room: Workroom, asked: dict[str, str]) -> dict[str, Any]:
    with room.transaction() as session:
        preferences = load_preferences(session)
        units = preferences.workshop.units
        form, errors = _find_form(asked, units)
        find = _find(form)
        total = count_lots(session, find)
        lots = list_lots(session, find, (form.shelf - 1) * _ON_A_SHELF, _ON_A_SHELF)
        newest = last_change(session)
        held = holdings(session, [lot.id for lot in lots])
        quilts = list_projects(session, 0, _QUILTS_OFFERED)
    return {
        "theme": preferences.theme,
        "units": units,
        "rows": [
            _row(request, lot, _holders([h for h in held if h.lot_id == lot.id]), units, form.view)
            for lot in lots
        ],
        "view": form.view,
        "searched": any(v for k, v in asked.items() if k not in {"shelf", "view"}),
        "other_view_query": urlencode(
            {k: v for k, v in asked.items() if k not in {"shelf", "view"} and v}
        ),
        "quilts": quilts,
        "total": total,
        "shelf": form.shelf,
        "shelves": max(1, -(-total // _ON_A_SHELF)),
        "asked": asked,
        "query": urlencode({k: v for k, v in asked.items() if k != "shelf" and v}),
        "undoes": newest,
        "lines": "",
        "readings": [],
        "put_in": 0,
        "errors": errors,
        "all_forms": [("", "every form"), *((f.value, FACTS[f].many) for f in Form)],
        "all_values": [("", "every value"), *((v.value, v.value) for v in Value)],
        "all_families": [("", "every colour"), *((f, f) for f in FAMILIES)],
        "all_aside": [
            ("", "all"),
            ("false", "not set aside"),
            ("true", "set aside"),
            ("used", "used up"),
        ],
    }


def _find_form(asked: dict[str, str], units: Units) -> tuple[FindForm, dict[str, str]]:
    """What is looked for; a field that cannot be read is told and left out."""
    try:
        return read_form(FindForm, asked, units), {}
    except BadForm as bad:
        rest = {name: value for name, value in asked.items() if name not in bad.errors}
        return read_form(FindForm, rest, units), bad.errors


def _find(form: FindForm) -> Find:
    return Find(
        words=form.words,
        form=form.form,
        value=form.value,
        family=form.family if form.family in FAMILIES else None,
        least_width=form.least_width,
        most_width=form.most_width,
        aside={"true": True, "false": False}.get(form.aside or ""),
        used_up=form.aside == "used",
    )


# Rows drawn lately, by everything they show: most of a list is what was there a moment ago.
_ROWS_KEPT = 6000
_rows_drawn: "OrderedDict[tuple[object, ...], Markup]" = OrderedDict()


def _row(
    request: Request, lot: LotLine, holders: Holders, units: Units, view: CupboardView
) -> Markup:
    """A lot as it lies on its shelf, or its row in the table."""
    key = (lot, holders, units, view)
    row = _rows_drawn.get(key)
    if row is None:
        template = "cupboard/on_shelf.html" if view is CupboardView.SHELVES else "cupboard/row.html"
        row = fragment(request, template, {"lot": _line(lot, holders, units)})
        _rows_drawn[key] = row
        while len(_rows_drawn) > _ROWS_KEPT:
            _rows_drawn.popitem(last=False)
    return row


def _line(lot: LotLine, holders: Holders, units: Units) -> dict[str, Any]:
    return {
        "id": lot.id,
        "mark": f"{lot.id}-{lot.revision}",
        "name": lot.name,
        "colours": draw_colours(lot.blends),
        "drawing": draw_on_shelf(
            lot.form,
            lot.count,
            float(lot.most_width or lot.usable_width),
            float(lot.most_length or lot.usable_length),
            lot.blends,
            lot.name,
        ),
        "words": (pieces_in_words(lot), size_in_words(lot, units)),
        "prints": lot.prints,
        "value_words": " to ".join(dict.fromkeys((*lot.values[:1], *lot.values[-1:]))),
        "aside": lot.aside,
        "free": lot.count - sum(count for _, _, count, _ in holders),
        "count": lot.count,
        "holders": holders,
    }


def _holders(held: Sequence[Holding]) -> Holders:
    """(project, its name, pieces held, those of them cut), one line for each project."""
    lines: dict[int, tuple[str, int, int]] = {}
    for holding in held:
        _, count, cut = lines.get(holding.project_id, ("", 0, 0))
        lines[holding.project_id] = (
            holding.project_name,
            count + holding.count,
            cut + holding.cut,
        )
    return tuple((number, *line) for number, line in lines.items())


def _readings(text: str, preferences: Preferences) -> list[dict[str, Any]]:
    readings = read_lines(text[:_LONGEST_PASTE], preferences.workshop)
    lines = [reading.line.strip() for reading in readings]
    return [
        {
            "reading": reading,
            "piece": draw_piece(reading.lot, preferences.workshop.units) if reading.lot else "",
            "again": lines.index(reading.line.strip()) < place,
        }
        for place, reading in enumerate(readings)
    ]


def _shown(request: Request, typed: Any) -> Response:
    """Back to the shelf one came from."""
    query = str(typed.get("query", ""))
    address = str(request.app.url_path_for("cupboard_page"))
    return RedirectResponse(f"{address}?{query}" if query else address, status_code=303)
