"""The cupboard: lots put in by the line, found, changed many at once; every step undone."""

from collections.abc import Callable, Mapping, Sequence

from fastapi import APIRouter, Request
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.fabric import Value
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units
from kersey.core.stash.cupboard import Aside, CupboardLot, from_readings
from kersey.core.stash.pulled import Pulled, pull_pieces
from kersey.core.stash.quick_entry import Reading, examples_in, lines_of, read_lots
from kersey.store.cupboard import add_lots, change_lots, get_lot, number_prints, take_out, undo
from kersey.store.holdings import free_pieces
from kersey.store.projects import change_project, get_project
from kersey.web.cupboard.forms import Act, ActForm, UndoForm
from kersey.web.cupboard.view import back_to_the_shelf, cupboard_context, readings_of, see_lot
from kersey.web.forms import ChosenLots, TypedForm, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()


_ACTS: dict[Act, tuple[str, Callable[[CupboardLot], CupboardLot]]] = {
    Act.LIGHT: ("marked light", lambda kept: kept.judged(Value.LIGHT)),
    Act.MEDIUM: ("marked medium", lambda kept: kept.judged(Value.MEDIUM)),
    Act.DARK: ("marked dark", lambda kept: kept.judged(Value.DARK)),
    Act.DIRECTIONAL: ("marked directional", lambda kept: kept.made_directional(True)),
    Act.TURNABLE: ("marked not directional", lambda kept: kept.made_directional(False)),
    Act.CONFIRM: ("confirmed", lambda kept: kept.confirmed),
    Act.BACK: ("no longer set aside", lambda kept: kept.set_aside(None)),
    Act.BINDING: ("set aside for binding", lambda kept: kept.set_aside(Aside.BINDING)),
    Act.STRANGER: ("set aside", lambda kept: kept.set_aside(Aside.STRANGER)),
    Act.LATER: ("set aside for later", lambda kept: kept.set_aside(Aside.LATER)),
}


@router.get("/cupboard", name="cupboard_page")
def cupboard_page(request: Request, room: Room) -> Response:
    context = cupboard_context(request, room, dict(request.query_params))
    fragment = request.headers.get("hx-target") == "shelf"
    return render(request, "cupboard/shelf.html" if fragment else "cupboard/page.html", context)


@router.post("/cupboard/reading", name="read_fabric")
def read_fabric(request: Request, room: Room, typed: TypedForm) -> Response:
    """The lines read back as they are typed."""
    preferences = room.preferences()
    context = {
        **readings_of(typed.get("lines", ""), preferences),
        "units": preferences.workshop.units,
    }
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
    text = typed.get("lines", "")
    lines = [(line, read_lots(line, preferences.workshop)) for line in lines_of(text)]
    # A line is taken whole or stays whole.
    taken = [reading for _, found in lines if _all_taken(found) for reading in found]
    lots = from_readings(taken)
    if lots:
        with room.transaction() as session:
            add_lots(
                session,
                number_prints(session, lots),
                f"added {counted(len(lots), 'lot')}",
                room.clock(),
            )
    left = [line for line, found in lines if not _all_taken(found)]
    if left or not lots:
        context = cupboard_context(request, room, {}) | {"lines": "\n".join(left)}
        context |= readings_of("\n".join(left), preferences)
        context["put_in"] = len(lots)
        # What was taken is not refused: a form that is sent again would be taken again.
        return render(request, "cupboard/page.html", context, 200 if lots else 422)
    return back_to_the_shelf(request, {})


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
                words = f"removed {counted(len(chosen), 'lot')}"
                take_out(session, chosen, words, room.clock())
            else:
                done, change = _ACTS[form.act]
                words = f"{counted(len(chosen), 'lot')} {done}"
                change_lots(session, chosen, change, words, room.clock())
    if typed.get("back_to", "").isdecimal():
        return see_lot(request, int(typed["back_to"][:9]))
    return back_to_the_shelf(request, typed)


def _pull(request: Request, room: Workroom, form: ActForm, chosen: Mapping[int, int]) -> Response:
    """Pull all that is free of the lots that are ticked for one quilt, and show its wall."""
    if form.project is None:
        return back_to_the_shelf(request, {})
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
    """Take back the newest change, if it is the one that was shown."""
    form = read_form(UndoForm, typed, Units.INCHES)
    with room.transaction() as session:
        undo(session, form.change, room.clock())
    return back_to_the_shelf(request, typed)
