"""The cupboard out as a spreadsheet and in again: wrong rows shown, good ones taken on a word."""

from secrets import token_urlsafe

from fastapi import APIRouter, Request
from starlette.responses import RedirectResponse, Response

from kersey.core.measure.counting import counted
from kersey.formats.cupboard_csv import (
    COLUMNS,
    CupboardTable,
    NotASpreadsheet,
    read_cupboard,
    write_cupboard,
)
from kersey.store.cupboard import add_lots
from kersey.store.preferences import Preferences
from kersey.web.download import saved_as
from kersey.web.forms import SentFile, TypedForm
from kersey.web.jobs import Answer, Job
from kersey.web.progress.routes import begin_work
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

# A spreadsheet with wrong rows waits until its good ones are taken; not for ever.
_WAITING = 8
_WRONG_SHOWN = 200


@router.get("/cupboard.csv", name="cupboard_csv")
def cupboard_csv(room: Room) -> Response:
    """All lots, one row for each print."""
    with room.reading() as session:
        content = write_cupboard([stored.kept for stored in room.lots.all(session)])
    # The mark at the start tells spreadsheets that this is UTF-8.
    return Response(
        content.encode("utf-8-sig"),
        media_type="text/csv; charset=utf-8",
        headers=saved_as("cupboard", "csv"),
    )


@router.post("/cupboard/spreadsheet", name="bring_in_spreadsheet")
def bring_in(request: Request, room: Room, content: SentFile) -> Response:
    """Take a spreadsheet whole, or show what is wrong with it first."""
    preferences = room.preferences()

    def take_in(job: Job) -> Answer:
        try:
            table = read_cupboard(content, preferences.workshop, job.tell)
        except NotASpreadsheet as error:
            words = str(error)
            return lambda later: _report(later, preferences, None, words)
        if table.wrong or not table.lots:
            waiting = _keep_waiting(room, table)
            return lambda later: _report(later, preferences, table, "", waiting)
        return _take(room, table, job)

    return begin_work(request, room, "Reading the spreadsheet", take_in)


@router.post("/cupboard/spreadsheet/take", name="take_good_rows")
def take_good_rows(request: Request, room: Room, typed: TypedForm) -> Response:
    """Take the good lots of a spreadsheet that had wrong rows."""
    table = room.spreadsheets.pop(typed.get("waiting", ""), None)
    if table is None:
        words = "Kersey no longer has this spreadsheet. Choose the file again."
        return _report(request, room.preferences(), None, words)
    return begin_work(request, room, "Adding the good rows", lambda job: _take(room, table, job))


def _take(room: Workroom, table: CupboardTable, job: Job) -> Answer:
    job.doing = f"Writing {counted(len(table.lots), 'lot')}"
    with room.transaction() as session:
        words = f"{counted(len(table.lots), 'lot')} from a spreadsheet"
        add_lots(session, table.lots, words, room.clock())
    return lambda later: RedirectResponse(later.app.url_path_for("cupboard_page"), status_code=303)


def _keep_waiting(room: Workroom, table: CupboardTable) -> str:
    name = token_urlsafe(12)
    room.spreadsheets[name] = table
    while len(room.spreadsheets) > _WAITING:
        room.spreadsheets.popitem(last=False)
    return name


def _report(
    request: Request,
    preferences: Preferences,
    table: CupboardTable | None,
    problem: str,
    waiting: str = "",
) -> Response:
    context = {
        "theme": preferences.theme,
        "units": preferences.workshop.units,
        "problem": problem,
        "good": len(table.lots) if table else 0,
        "wrong": table.wrong[:_WRONG_SHOWN] if table else (),
        "all_wrong": len(table.wrong) if table else 0,
        "waiting": waiting,
        "columns": COLUMNS,
    }
    return render(request, "cupboard/spreadsheet.html", context, 422)
